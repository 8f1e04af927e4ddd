use std::collections::BTreeSet;

use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use super::cautions::Caution;
use super::step::{Stage, Step};
use crate::coat::{Site, Zone};

/// What last time's run says of a step: a note written at it, or that it was never done (handbook
/// 10 A 4).
#[derive(Clone, Debug, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
pub struct FromLastTime {
    /// The step's stage.
    pub stage: Stage,
    /// What was done, or was not.
    pub what: String,
    /// Zones it touched.
    pub zones: Vec<Zone>,
    /// The note, or why it was not done; may be empty.
    pub text: String,
    /// Whether it was put off and never done.
    pub is_undone: bool,
}

/// With what a site was done last time (handbook 10 B: tool used, what was left).
#[derive(Clone, Debug, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
pub struct SiteDone {
    /// Which.
    pub site: Site,
    /// Its name.
    pub label: String,
    /// The tool, as its step named it.
    pub tool: String,
    /// What it left, as its step said it; may be empty.
    pub leaves: String,
}

impl SiteDone {
    /// What today's step says of it, where the tool was another.
    pub(super) fn said_beside(&self, tool: &str) -> Option<String> {
        if self.tool == tool {
            return None;
        }
        let leaves = if self.leaves.is_empty() {
            String::new()
        } else {
            format!(", {}", self.leaves)
        };
        Some(format!("Last time {}: {}{leaves}", self.label, self.tool))
    }
}

impl FromLastTime {
    /// A clip step keeps its place: one tool does all it can before it is changed (handbook 6).
    fn comes_first(&self) -> bool {
        self.is_undone && self.stage != Stage::Clip
    }

    fn sentence(&self) -> String {
        let text = self.text.trim();
        if !self.is_undone {
            return format!("Last time: {text}");
        }
        let why = if text.is_empty() {
            String::new()
        } else {
            format!(" ({text})")
        };
        let then = if self.comes_first() {
            ": begin with it, while the dog is fresh"
        } else {
            ""
        };
        format!("Left undone last time{why}{then}.")
    }
}

/// Lays what last time says at its steps, and begins a stage with what was left undone of it. What no
/// step of today answers to is handed back, for the head of the sheet.
pub(super) fn lay(steps: &mut Vec<Step>, from_last: &[FromLastTime]) -> Vec<String> {
    let mut nowhere = Vec::new();
    for told in from_last {
        let Some(at) = place(steps, told) else {
            nowhere.push(format!("{} {}", told.sentence(), told.what));
            continue;
        };
        steps[at].cautions.insert(
            0,
            Caution {
                text: told.sentence(),
                is_this_dogs: true,
            },
        );
        if told.comes_first() {
            let step = steps.remove(at);
            let first = steps.iter().position(|s| s.stage == told.stage);
            steps.insert(first.unwrap_or(at), step);
        }
    }
    for (number, step) in (1..).zip(steps.iter_mut()) {
        step.number = number;
    }
    nowhere
}

/// Today's step of the same work: of the same words, or of the same stage with zones in common, the
/// most first.
fn place(steps: &[Step], told: &FromLastTime) -> Option<usize> {
    let of_stage = || (0..).zip(steps).filter(|(_, s)| s.stage == told.stage);
    if let Some((at, _)) = of_stage().find(|(_, s)| s.what == told.what) {
        return Some(at);
    }
    let zones: BTreeSet<Zone> = told.zones.iter().copied().collect();
    let common = |step: &Step| step.zones.iter().filter(|z| zones.contains(z)).count();
    let mut best: Option<(usize, usize)> = None;
    for (at, step) in of_stage() {
        let count = common(step);
        if count > best.map_or(0, |(_, most)| most) {
            best = Some((at, count));
        }
    }
    best.map(|(at, _)| at)
}
