use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use crate::balance::score;
use crate::frame::{Doubt, Felt, Finding, Frame, FrameInput, Measure, Offsets, resolve_moved};
use crate::job::Job;
use crate::plan::{Plan, make_plan_to};
use crate::say::Words;
use crate::solve::{Accuracy, SolveError, Workers, in_halves};
use crate::units::Length;

/// A measure not taken yet, and what taking it would settle.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct NextFinding {
    /// Which.
    pub finding: Finding,
    /// In one sentence.
    pub sentence: String,
    /// By how much the planned edge moves at most.
    pub edge_mm: Length,
    /// Whether it would change a tool.
    pub changes_tool: bool,
}

/// What to measure next, the most telling first.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct WhatNext {
    /// Measures not taken, ranked.
    pub findings: Vec<NextFinding>,
    /// Whether nothing left would change a tool.
    pub is_good_enough: bool,
    /// The answer in one sentence.
    pub sentence: String,
}

/// An edge that moves less is not worth a sentence, mm (modelling choice: half a caliper reading).
const LEAST_EDGE_MM: f64 = 1.0;

/// Ranks the measures not yet taken by how much each would narrow the plan.
///
/// For each, the dog is solved at ± one standard deviation of its estimate. Rank is by regret: how
/// much worse today's lengths would look there than the lengths solved there, mean of both sides.
///
/// # Errors
/// If the solver gives no answer, a fault of ours.
///
/// # References
/// balance-model.md 12.
pub fn what_next(
    input: &FrameInput,
    frame: &Frame,
    job: &Job,
    words: &Words<'_>,
    workers: &dyn Workers,
) -> Result<WhatNext, SolveError> {
    let today = make_plan_to(job, Accuracy::Rough)?;
    let left: Vec<&Doubt> = frame
        .doubts
        .iter()
        .filter(|d| !d.is_taken && d.sigma > 0.0)
        .collect();
    let weigh_all = |doubts: &[&Doubt]| -> Result<Vec<(f64, NextFinding)>, SolveError> {
        let mut found = Vec::new();
        for doubt in doubts {
            let weighed = weigh(doubt, input, job, &today)?;
            if weighed.edge_mm >= LEAST_EDGE_MM || weighed.changes_tool {
                found.push((weighed.regret, named(doubt.finding, &weighed, words)));
            }
        }
        Ok(found)
    };
    // Two solves a measure.
    let mut ranked = in_halves(workers, &left, weigh_all)?;
    ranked.sort_by(|a, b| b.0.total_cmp(&a.0));
    let findings: Vec<NextFinding> = ranked.into_iter().map(|(_, f)| f).collect();
    let is_good_enough = !findings.iter().any(|f| f.changes_tool);
    let sentence = match findings.first() {
        _ if is_good_enough => {
            "Good enough: nothing left to measure would change a tool.".to_owned()
        }
        Some(first) => first.sentence.clone(),
        None => String::new(),
    };
    Ok(WhatNext {
        findings,
        is_good_enough,
        sentence,
    })
}

struct Weighed {
    regret: f64,
    edge_mm: f64,
    place: &'static str,
    changes_tool: bool,
}

fn weigh(
    doubt: &Doubt,
    input: &FrameInput,
    job: &Job,
    today: &Plan,
) -> Result<Weighed, SolveError> {
    let mut weighed = Weighed {
        regret: 0.0,
        edge_mm: 0.0,
        place: "",
        changes_tool: false,
    };
    for by in [doubt.sigma, -doubt.sigma] {
        let moved = Job {
            sides: resolve_moved(input, &Offsets::of(doubt.finding, by)),
            ..job.clone()
        };
        let there = make_plan_to(&moved, Accuracy::Rough)?;
        let (old, new) = (&today.solution.lengths_mm, &there.solution.lengths_mm);
        let points = &there.solution.points;
        weighed.regret += 0.5 * (score(points, old) - score(points, new));
        for (spot, (a, b)) in there.subject.spots.iter().zip(old.iter().zip(new)) {
            let edge = (a - b).abs() * spot.shows;
            if edge > weighed.edge_mm {
                weighed.edge_mm = edge;
                weighed.place = spot.zone.place();
            }
        }
        weighed.changes_tool |= today
            .cuts
            .iter()
            .zip(&there.cuts)
            .any(|(a, b)| a.tool != b.tool || a.stroke != b.stroke);
    }
    Ok(weighed)
}

fn named(finding: Finding, weighed: &Weighed, words: &Words<'_>) -> NextFinding {
    let (verb, what) = match finding {
        Finding::Measure(m) => (verb_for(m), m.label().to_lowercase()),
        Finding::Angle(a) => ("Read", a.label().to_lowercase()),
        Finding::Felt(Felt::StraightBehind) => ("Feel", "bend behind the hind leg".into()),
        Finding::Felt(Felt::ForeLegsBowed) => ("Feel", "front legs for a bow".into()),
        Finding::Felt(f) => ("Feel", f.label().to_lowercase()),
    };
    let moves = if weighed.edge_mm < LEAST_EDGE_MM {
        "it decides between two tools".to_owned()
    } else {
        format!(
            "it moves the edge {} by up to {}",
            weighed.place,
            words.length(weighed.edge_mm)
        )
    };
    NextFinding {
        finding,
        sentence: format!("{verb} the {what} next: {moves}."),
        edge_mm: Length::worked_out_mm(weighed.edge_mm),
        changes_tool: weighed.changes_tool,
    }
}

/// Heights go on the stick, thicknesses and widths into the caliper, lengths along the tape
/// (common practice).
fn verb_for(measure: Measure) -> &'static str {
    use Measure as M;
    match measure {
        M::ChestWidth
        | M::FootWidth
        | M::LoinWidth
        | M::RibWidth
        | M::ThighWidth
        | M::ForeLegSide
        | M::HindLegSide
        | M::ForeLegFront
        | M::HindLegFront => "Caliper",
        _ => "Tape",
    }
}
