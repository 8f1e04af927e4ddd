use rand_chacha::ChaCha8Rng;
use rand_chacha::rand_core::SeedableRng as _;
use rand_distr::{Distribution as _, StandardNormal};
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use super::line::{DeviceKind, DeviceLine};
use crate::frame::{Build, Measure, Method};
use crate::units::Length;

/// What goes wrong with a simulated device.
#[derive(Clone, Copy, Debug, Default, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum Fault {
    /// Nothing.
    #[default]
    None,
    /// Every third reading does not arrive.
    Dropouts,
    /// It stops after two readings.
    GoesQuiet,
    /// Its battery runs low, then out.
    LowBattery,
}

/// How far the hidden dog differs from the frame so far, share of a value: so that readings are
/// news (modelling choice).
const HIDDEN: f64 = 0.03;
/// Battery at the start, and a low one, per cent.
const FULL: u8 = 82;
const LOW: u8 = 14;

/// A rule laid into the coat reads to about this, mm, one standard deviation (modelling choice: a
/// millimetre's mark and where the skin begins).
const COAT_SCATTER_MM: f64 = 1.0;

/// The lines a simulated device sends while these measures are taken one after another.
///
/// A stand-in that ships with the program; no real device. It measures a dog of its own: the frame
/// as it stands, each measure moved a little by `seed`, read with the scatter of its kind (tape
/// ± 4 mm, stick ± 2 mm, handbook 2). The same seed reads the same dog.
///
/// # Units and shapes
/// mm. One list of lines per measure asked; a list without a reading is one that did not arrive.
pub fn simulate(
    kind: DeviceKind,
    build: &Build,
    asked: &[Measure],
    seed: u64,
    fault: Fault,
) -> Vec<Vec<DeviceLine>> {
    let scatter = match kind {
        DeviceKind::Tape => Method::Tape.doubt_mm(),
        DeviceKind::HeightStick => Method::HeightStick.doubt_mm(),
    };
    let values: Vec<f64> = asked.iter().map(|m| m.of(build)).collect();
    send(kind, &values, scatter, seed, fault)
}

/// The same while coat is measured, end laid to the skin: lengths as planned, each a little off.
///
/// # Units and shapes
/// `planned_mm` one per reading, mm.
pub fn simulate_coat(
    kind: DeviceKind,
    planned_mm: &[f64],
    seed: u64,
    fault: Fault,
) -> Vec<Vec<DeviceLine>> {
    send(kind, planned_mm, COAT_SCATTER_MM, seed, fault)
}

fn send(
    kind: DeviceKind,
    values: &[f64],
    scatter: f64,
    seed: u64,
    fault: Fault,
) -> Vec<Vec<DeviceLine>> {
    let mut rng = ChaCha8Rng::seed_from_u64(seed);
    let mut normal = || -> f64 { StandardNormal.sample(&mut rng) };
    let mut battery = if fault == Fault::LowBattery {
        LOW
    } else {
        FULL
    };
    let mut sent = vec![vec![
        DeviceLine::Hello {
            kind,
            name: "simulated".into(),
        },
        DeviceLine::Battery { percent: battery },
    ]];
    for (i, value) in values.iter().enumerate() {
        let value = value * (1.0 + HIDDEN * normal()) + scatter * normal();
        // No device reads below nothing; a flat back reads 0.
        let value = value.max(0.0);
        let is_lost = match fault {
            Fault::None => false,
            Fault::Dropouts => i % 3 == 2,
            Fault::GoesQuiet => i >= 2,
            Fault::LowBattery => battery == 0,
        };
        if is_lost {
            sent.push(Vec::new());
            continue;
        }
        let value_mm = Length::worked_out_mm((2.0 * value).round() / 2.0);
        let mut lines = vec![DeviceLine::Reading { value_mm }];
        if fault == Fault::LowBattery {
            battery = battery.saturating_sub(5);
            lines.push(DeviceLine::Battery { percent: battery });
        }
        sent.push(lines);
    }
    sent
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::frame::{FrameInput, QUICK_EIGHT, resolve};
    use crate::units::UnitSystem;

    fn readings(fault: Fault, seed: u64) -> Vec<Option<f64>> {
        let build = resolve(&FrameInput::default(), UnitSystem::Millimetres).build;
        simulate(DeviceKind::Tape, &build, &QUICK_EIGHT, seed, fault)
            .iter()
            .skip(1)
            .map(|lines| {
                lines.iter().find_map(|l| match l {
                    DeviceLine::Reading { value_mm } => Some(value_mm.as_mm()),
                    _ => None,
                })
            })
            .collect()
    }

    #[test]
    fn the_same_seed_reads_the_same_dog_and_another_does_not() {
        assert_eq!(readings(Fault::None, 4), readings(Fault::None, 4));
        assert_ne!(readings(Fault::None, 4), readings(Fault::None, 5));
    }

    #[test]
    fn a_flat_back_reads_nothing_at_the_least() {
        let build = resolve(&FrameInput::default(), UnitSystem::Millimetres).build;
        for seed in 0..200 {
            let sent = simulate(
                DeviceKind::Tape,
                &build,
                &[Measure::BackDrop],
                seed,
                Fault::None,
            );
            for line in sent.iter().flatten() {
                if let DeviceLine::Reading { value_mm } = line {
                    assert!(value_mm.as_mm() >= 0.0, "seed {seed}: {value_mm:?}");
                }
            }
        }
    }

    #[test]
    fn coat_is_read_to_a_millimetre_or_two() {
        let planned = [13.0; 400];
        let sent = simulate_coat(DeviceKind::Tape, &planned, 3, Fault::None);
        let off: Vec<f64> = sent
            .iter()
            .flatten()
            .filter_map(|l| match l {
                DeviceLine::Reading { value_mm } => Some(value_mm.as_mm() - 13.0),
                _ => None,
            })
            .collect();
        assert_eq!(off.len(), 400);
        let spread = (off.iter().map(|o| o * o).sum::<f64>() / 400.0).sqrt();
        // √(1² + 0.39²) by hand, within three standard errors.
        assert!((spread - 1.07).abs() < 0.12, "{spread}");
    }

    #[test]
    fn each_fault_loses_its_readings() {
        let lost = |fault| readings(fault, 4).iter().filter(|r| r.is_none()).count();
        assert_eq!(lost(Fault::None), 0);
        assert_eq!(lost(Fault::Dropouts), 2);
        assert_eq!(lost(Fault::GoesQuiet), 6);
        // 14 % at 5 % a reading lasts three readings.
        assert_eq!(lost(Fault::LowBattery), 5);
    }
}
