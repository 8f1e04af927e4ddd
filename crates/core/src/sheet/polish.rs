//! What a bare blade leaves standing up is taken by a longer comb: fuzz goes, the length stays (handbook
//! 10 C 3; handbook 3, *Polish*).

use std::ops::RangeInclusive;

use uuid::Uuid;

use super::cautions::Hazard;
use super::minutes as m;
use super::step::Stage;
use super::writer::{Draft, Writer};
use crate::coat::Zone;
use crate::kit::{Tool, ToolKind};
use crate::schools::Answer;
use crate::solve::{Stroke, Unit, UnitCut};

/// The comb leaves so much more than the blade, mm (handbook 10 C 3).
const LONGER_MM: RangeInclusive<f64> = 3.0..=10.0;
/// Not the front of the shoulder nor the back of the neck: a turned stroke shows there (handbook 3).
const POLISHED: [Unit; 5] = [
    Unit::BackFront,
    Unit::BackRear,
    Unit::Croup,
    Unit::Ribs,
    Unit::Hip,
];

impl Writer<'_> {
    /// The comb over the bladed body, where the salon polishes and has one that long.
    pub(super) fn polish(&mut self) {
        if !self.has(Answer::PolishComb) {
            return;
        }
        let by_blade = |c: &&UnitCut| {
            c.stroke != Stroke::Scissor && c.tool.is_some_and(|tool| self.is_blade(tool))
        };
        let cuts = self.plan.cuts.iter().filter(by_blade);
        let bladed: Vec<&UnitCut> = cuts.filter(|c| POLISHED.contains(&c.unit)).collect();
        let left = bladed.iter().flat_map(|c| c.leaves_mm.iter().copied());
        let Some(comb) = left.reduce(f64::max).and_then(|mm| self.polishing_comb(mm)) else {
            return;
        };
        let units: Vec<Unit> = bladed.iter().map(|c| c.unit).collect();
        let zones: Vec<Zone> = units.iter().map(|u| u.zone()).collect();
        let draft = Draft {
            what: format!("Polish {}: fuzz goes, the length stays", self.named(&units)),
            tool: self.words.tool(comb),
            stroke: "lightly against the lay",
            minutes: m::POLISH + self.change(comb),
            zones,
            hazards: &[Hazard::Comb],
            tool_id: Some(comb),
            amounts: vec!["Front of shoulder and back of neck stay with the lay".into()],
            ..Draft::default()
        };
        self.push(Stage::Clip, draft);
    }

    /// The shortest comb of the kit that is longer than the coat by as much as polishing asks.
    fn polishing_comb(&self, left_mm: f64) -> Option<Uuid> {
        let leaves = |t: &&Tool| t.leaves_mm.as_mm();
        let kit = self.job.kit.iter();
        kit.filter(|t| t.is_fit() && t.kind == ToolKind::Comb)
            .filter(|t| LONGER_MM.contains(&(leaves(t) - left_mm)))
            .min_by(|a, b| leaves(a).total_cmp(&leaves(b)))
            .map(|t| t.id)
    }
}
