use super::estimate::{Learnt, Prior, learn};
use crate::coat::{Texture, Zone};

/// The same zone at two visits.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct GrowthReading {
    /// Which zone.
    pub zone: Zone,
    /// What was left then, mm.
    pub left_mm: f64,
    /// What was combed out now, mm.
    pub now_mm: f64,
    /// Days between.
    pub days: f64,
}

/// Dogs of one texture grow about this much apart, share of the rate (handbook 3: 0.2 to 0.4 mm a
/// day by breed and site; modelling choice).
const DOGS_APART: f64 = 0.25;
/// One zone's reading scatters by this share (modelling choice).
const READING_SCATTER: f64 = 0.25;
/// Shorter between visits tells nothing, days (modelling choice).
const LEAST_DAYS: f64 = 10.0;
/// Factors a living coat can have; a zone cut in between reads as nothing.
const POSSIBLE: (f64, f64) = (0.2, 4.0);

/// How fast a dog's coat grows against its texture's rate.
///
/// # References
/// Handbook 3, *Growth*: two readings of the same zone replace the default, shrunk towards it.
pub fn growth_factor(readings: &[GrowthReading], texture: Texture) -> Learnt {
    let factors: Vec<f64> = readings
        .iter()
        .filter(|r| r.days >= LEAST_DAYS)
        .filter_map(|r| factor(r, texture))
        .filter(|f| (POSSIBLE.0..=POSSIBLE.1).contains(f))
        .collect();
    let prior = Prior {
        value: 1.0,
        doubt: DOGS_APART,
        scatter: READING_SCATTER,
    };
    learn(&factors, prior)
}

/// The early rate that leads from one length to the other, against the texture's.
fn factor(reading: &GrowthReading, texture: Texture) -> Option<f64> {
    let growth = texture.growth_in(reading.zone);
    let (rate, terminal) = (growth.mm_per_day, growth.end_mm);
    let to_go = |mm: f64| (terminal - mm) / terminal;
    let (then, now) = (to_go(reading.left_mm), to_go(reading.now_mm));
    if then <= 0.0 || now <= 0.0 {
        return None;
    }
    Some((then / now).ln() * terminal / (rate * reading.days))
}
