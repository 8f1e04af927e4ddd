use std::collections::BTreeMap;

use schemars::JsonSchema;
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;
use uuid::Uuid;

use super::{Look, LookId, Placement};
use crate::coat::Zone;
use crate::frame::{Problem, Severity};
use crate::units::Length;

/// A salon's own look: one that ships, copied and edited.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, JsonSchema, ToSchema)]
pub struct OwnLook {
    /// Made by the screen that copied it.
    pub id: Uuid,
    /// What the salon calls it.
    pub name: String,
    /// The look it was copied from.
    pub base: LookId,
    /// Body length on the look's own scale, where it differs.
    #[serde(default)]
    pub body_mm: Option<Length>,
    /// Nominal lengths that differ, on a dog of 450 mm.
    #[serde(default)]
    pub lengths_mm: BTreeMap<Zone, Length>,
    /// Lines that lie elsewhere.
    #[serde(default)]
    pub lines: Placement,
    /// Body length against height that is aimed at, from and to, where it differs.
    #[serde(default)]
    pub body_ratio: Option<RatioRange>,
}

/// From and to.
#[derive(Clone, Copy, Debug, PartialEq, Serialize, Deserialize, JsonSchema, ToSchema)]
pub struct RatioRange {
    /// The least.
    pub from: f64,
    /// The most.
    pub to: f64,
}

/// Longest name, letters: what fits over a plan.
const NAME_LETTERS: usize = 40;
/// Lengths a zone of a look can have, mm on a dog of 450 (handbook 5: 0.5 to the longest kept coat).
const LENGTHS_MM: std::ops::RangeInclusive<f64> = 0.5..=150.0;
/// Body lengths against heights that dogs are trimmed to (handbook 4: 1.00 square to 1.10; wider for
/// long and short types).
const RATIOS: std::ops::RangeInclusive<f64> = 0.85..=1.60;
/// A target narrower than this is no range (balance-model.md 6: tolerance ± 0.02).
const NARROWEST: f64 = 0.01;

impl OwnLook {
    /// What is wrong with it; nothing where it can be kept.
    pub fn check(&self) -> Vec<Problem> {
        let mut problems = Vec::new();
        let mut refuse = |message: String| {
            problems.push(Problem::of("house.own_looks", Severity::Refused, message));
        };
        let letters = self.name.trim().chars().count();
        if letters == 0 {
            refuse("A look of your own needs a name; type one.".into());
        } else if letters > NAME_LETTERS {
            refuse(format!(
                "The name of the look has {letters} letters; shorten it to {NAME_LETTERS}."
            ));
        }
        let wrong = |mm: &Length| !LENGTHS_MM.contains(&mm.as_mm());
        for (zone, mm) in self.lengths_mm.iter().filter(|(_, mm)| wrong(mm)) {
            refuse(format!(
                "{} on the {} cannot be: a look's length lies between {} and {} mm.",
                mm.as_mm(),
                zone.label(),
                LENGTHS_MM.start(),
                LENGTHS_MM.end()
            ));
        }
        if let Some(RatioRange { from, to }) = self.body_ratio
            && !(RATIOS.contains(&from) && RATIOS.contains(&to) && to - from >= NARROWEST)
        {
            refuse(format!(
                "A body of {from} to {to} times the height cannot be aimed at; from {} to {}, the first the smaller.",
                RATIOS.start(),
                RATIOS.end()
            ));
        }
        problems
    }

    /// The look as this salon has it.
    pub fn look(&self) -> Look {
        let mut look = Look::shipped(self.base);
        if let Some(body) = self.body_mm {
            look = look.with_body(body.as_mm());
        }
        for (zone, mm) in &self.lengths_mm {
            look.nominal_mm[*zone as usize] = mm.as_mm();
        }
        if let Some(RatioRange { from, to }) = self.body_ratio {
            look.targets.body_ratio = (from, to);
        }
        look.own_name = Some(self.name.trim().to_owned());
        look
    }
}
