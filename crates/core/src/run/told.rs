use std::collections::BTreeMap;

use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use super::state::{Compared, Run, WorkReading};
use crate::coat::{CombRegion, LONGEST_MM, Zone, can_stand};
use crate::finish::AS_PLANNED_MM;
use crate::say::{Words, capital};
use crate::shape::Hand;
use crate::sheet::{Step, StepKind};
use crate::units::Length;

/// A zone of a step, to be read or split off.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct WorkZone {
    /// Which.
    pub zone: Zone,
    /// Its name.
    pub label: String,
    /// Whether a dog has it twice.
    pub is_pair: bool,
    /// The most that can be read there; none where nobody said what stood.
    #[serde(default)]
    pub most_mm: Option<Length>,
}

/// What the run says at a step that is to come.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct AtStep {
    /// Its number.
    pub step: u32,
    /// Where it stands among the steps.
    pub place: String,
    /// What readings and comparisons say is still to do.
    pub told: Vec<String>,
    /// Its zones.
    pub zones: Vec<WorkZone>,
    /// Which side stands finished while the other is worked.
    pub side_done: Option<Hand>,
    /// Whether its pair was compared.
    pub is_compared: bool,
    /// Regions of the coat that it works in, with what the comb said there; all of them at the comb test.
    #[serde(default, skip_serializing_if = "Vec::is_empty")]
    pub regions: Vec<RegionTried>,
}

/// A region of the coat, as the comb found it.
#[derive(Clone, Debug, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
pub struct RegionTried {
    /// Which.
    pub region: CombRegion,
    /// Its name.
    pub label: String,
    /// Whether the comb passed; none where nobody tried.
    pub passes: Option<bool>,
}

/// Regions a step works in.
fn regions(run: &Run, step: &Step) -> Vec<RegionTried> {
    let works_in = |region: &CombRegion| {
        let mut zones = step.zones.iter();
        step.kind == StepKind::CombTest
            || step.needs_comb_test && zones.any(|z| CombRegion::of(*z) == *region)
    };
    let all = CombRegion::ALL.into_iter().filter(works_in);
    all.map(|region| RegionTried {
        region,
        label: region.label().into(),
        passes: run.combed.get(&region).copied(),
    })
    .collect()
}

/// Where the comb stops, and what goes there instead.
fn stops(step: &Step, regions: &[RegionTried]) -> Option<String> {
    let stops = regions.iter().filter(|r| r.passes == Some(false));
    let names: Vec<&str> = stops.map(|r| r.label.as_str()).collect();
    if names.is_empty() || step.kind == StepKind::CombTest {
        return None;
    }
    Some(format!(
        "The comb stops at the {}: brush out first, or a bare blade there",
        names.join(", ")
    ))
}

/// Lengths by zone that a run is told by, mm.
#[derive(Clone, Debug, Default)]
pub struct RunLengths {
    /// What the plan leaves.
    pub planned: BTreeMap<Zone, f64>,
    /// The most that can be read, where somebody said what stood.
    pub most: BTreeMap<Zone, f64>,
}

/// All steps to come.
pub(super) fn at_steps(
    run: &Run,
    queue: &[u32],
    lengths: &RunLengths,
    words: &Words<'_>,
) -> Vec<AtStep> {
    queue
        .iter()
        .filter_map(|number| {
            let step = run.step(*number)?;
            let place = run.steps.iter().position(|s| s.step == *number)?;
            let state = &run.steps[place];
            let regions = regions(run, step);
            let mut told: Vec<String> = stops(step, &regions).into_iter().collect();
            told.extend(side(run, step, state.side_done, words));
            told.extend(layers(run, step, lengths, words));
            told.extend(state.compared.and_then(|c| pair(c, words)));
            let zones = step.zones.iter().map(|zone| WorkZone {
                zone: *zone,
                label: zone.label().into(),
                is_pair: zone.is_pair(),
                most_mm: lengths
                    .most
                    .get(zone)
                    .and_then(|mm| Length::from_mm(*mm).ok()),
            });
            Some(AtStep {
                step: *number,
                place: format!(
                    "step {} of {}, {}",
                    place + 1,
                    run.steps.len(),
                    step.stage_label.to_lowercase()
                ),
                told,
                zones: zones.collect(),
                side_done: state.side_done,
                is_compared: state.compared.is_some(),
                regions,
            })
        })
        .collect()
}

fn readings<'a>(run: &'a Run, step: &'a Step) -> impl Iterator<Item = &'a WorkReading> {
    run.readings.iter().filter(|r| r.step == step.number)
}

/// What the finished side says to the other.
fn side(run: &Run, step: &Step, done: Option<Hand>, words: &Words<'_>) -> Vec<String> {
    let Some(done) = done else { return Vec::new() };
    let (this, other) = match done {
        Hand::Left => ("left", "right"),
        Hand::Right => ("right", "left"),
    };
    let lengths: Vec<String> = readings(run, step)
        .filter(|r| r.hand == Some(done))
        .map(|r| format!("{} {}", r.zone.label(), words.length(r.left_mm.as_mm())))
        .collect();
    let match_to = if lengths.is_empty() {
        String::new()
    } else {
        format!(", to {}", lengths.join(", "))
    };
    vec![format!(
        "The {this} is done and stands mirrored on the sheet. Now the {other}{match_to}."
    )]
}

/// Whether hair can be so long, or so much longer.
fn can_hang(length: Length) -> bool {
    (0.0..=LONGEST_MM).contains(&length.as_mm())
}

/// After a layer: how much more, where (handbook 3, *Two lighter layers beat one deep one*).
fn layers(run: &Run, step: &Step, lengths: &RunLengths, words: &Words<'_>) -> Vec<String> {
    readings(run, step)
        .filter_map(|r| {
            let planned = lengths.planned.get(&r.zone)?;
            let most = lengths.most.get(&r.zone).copied();
            let where_to = match r.hand {
                None => r.zone.label().to_owned(),
                Some(Hand::Left) => format!("{}, left", r.zone.label()),
                Some(Hand::Right) => format!("{}, right", r.zone.label()),
            };
            let off = r.left_mm.as_mm() - planned;
            let stands = words.length(r.left_mm.as_mm());
            let says = if !can_stand(r.left_mm.as_mm(), most) {
                format!("{stands} cannot be; read it again")
            } else if off >= AS_PLANNED_MM {
                format!("{stands} stands, {} more comes off", words.length(off))
            } else if off <= -AS_PLANNED_MM {
                format!(
                    "{stands} stands, {} shorter than planned; no more here, and Slip says how to save it",
                    words.length(-off)
                )
            } else {
                format!("{stands}, as planned; leave it")
            };
            Some(format!("{}: {says}.", capital(&where_to)))
        })
        .collect()
}

/// What a comparison asks for: hair is only ever taken off the longer.
fn pair(compared: Compared, words: &Words<'_>) -> Option<String> {
    let longer = match compared.longer? {
        Hand::Left => "left",
        Hand::Right => "right",
    };
    let by = compared.by_mm.as_mm();
    Some(if !can_hang(compared.by_mm) {
        format!(
            "Longer by {} cannot be; compare them again.",
            words.length(by)
        )
    } else if by > 0.0 {
        format!(
            "Take {} off the {longer}; leave the other.",
            words.length(by)
        )
    } else {
        format!("Take the {longer} down to the other, a little at a time.")
    })
}
