use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use super::{Desk, Reasons, Solved};
use crate::balance::Judged;
use crate::coat::Zone;
use crate::consult::{Part, Wish};
use crate::drawing::{DrawOptions, Drawing};
use crate::report::{BalanceRow, planned_value};
use crate::solve::SolveError;

impl Desk<'_> {
    /// *What if*: takes a zone's hair off, or leaves it all on, and says what that does to the dog.
    ///
    /// # Errors
    /// If the solver gives no answer, a fault of ours.
    pub fn what_if(
        &self,
        zone: Zone,
        wish: Wish,
        options: &DrawOptions,
    ) -> Result<WhatIf, SolveError> {
        let solved = self.plan(Reasons::Skip)?;
        let mut visit = self.visit.clone();
        let job = self.chosen_job();
        let limit = wish.limit(job.safe_mm(zone), self.coat.length_mm(zone));
        visit.coat.limits.insert(zone, limit);
        let desk = Desk::new(self.dog, &visit, self.house, self.kit);
        let other = desk.plan(Reasons::Skip)?;
        Ok(WhatIf {
            sentence: sentence(zone.label(), wish, &solved, &other),
            drawing: desk.draw(Some(&other), options),
            balance: other.report.balance,
        })
    }

    /// Every part an owner may want off or left, with what was wished and what that does to the look
    /// chosen, or the first.
    ///
    /// # Errors
    /// If the solver gives no answer, a fault of ours.
    pub(super) fn parts(&self) -> Result<Vec<PartHere>, SolveError> {
        if self.visit.parts.is_empty() {
            return Ok(Part::ALL.map(PartHere::open).into());
        }
        let wished = self.plan(Reasons::Skip)?;
        Part::ALL
            .into_iter()
            .map(|part| {
                let Some(wish) = self.visit.parts.get(&part) else {
                    return Ok(PartHere::open(part));
                };
                let mut visit = self.visit.clone();
                visit.parts.remove(&part);
                let desk = Desk::new(self.dog, &visit, self.house, self.kit);
                let without = desk.plan(Reasons::Skip)?;
                Ok(PartHere {
                    wish: Some(*wish),
                    sentence: Some(sentence(part.label(), *wish, &without, &wished)),
                    ..PartHere::open(part)
                })
            })
            .collect()
    }
}

/// A part an owner may want off or left.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct PartHere {
    /// Which.
    pub part: Part,
    /// Its name.
    pub label: String,
    /// What was wished; none for as the look has it.
    pub wish: Option<Wish>,
    /// What that does to the outline, in one sentence.
    pub sentence: Option<String>,
}

impl PartHere {
    fn open(part: Part) -> Self {
        Self {
            part,
            label: part.label().into(),
            wish: None,
            sentence: None,
        }
    }
}

/// What one touch would do.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct WhatIf {
    /// In one sentence.
    pub sentence: String,
    /// The dog then.
    pub drawing: Drawing,
    /// The balance then.
    pub balance: Vec<BalanceRow>,
}

/// How the eye reads a change of a point, up or down.
fn reads_as(judged: Judged) -> Option<(&'static str, &'static str)> {
    match judged {
        Judged::BodyRatio | Judged::GapRatio => Some(("longer", "shorter")),
        Judged::LegShare => Some(("longer on the leg", "shorter on the leg")),
        Judged::ColumnShare => Some(("heavier", "lighter")),
        _ => None,
    }
}

fn sentence(name: &str, wish: Wish, before: &Solved, after: &Solved) -> String {
    let mut changes: Vec<String> = Vec::new();
    for (was, is) in before.report.balance.iter().zip(&after.report.balance) {
        let value = |solved: &Solved| planned_value(&solved.plan, was.judged);
        let (Some((up, down)), Some(then), Some(now)) =
            (reads_as(was.judged), value(before), value(after))
        else {
            continue;
        };
        // What reads the same is no change.
        if was.plan != is.plan {
            let word = if now > then { up } else { down };
            let label = was.label.to_lowercase();
            changes.push(format!("{word} ({label} {} to {})", was.plan, is.plan));
        }
    }
    let done = match wish {
        Wish::TakeOff => "off",
        Wish::Leave => "left on",
    };
    match changes.as_slice() {
        [] => format!("With the {name} {done} the outline reads the same."),
        list => format!("With the {name} {done} the dog looks {}.", list.join(", ")),
    }
}
