//! How a step between two lengths is joined (handbook 3, *Strokes*; 5, *Legs*).

use super::courses::Draft;
use crate::coat::Zone;
use crate::kit::{ONE_SIZE_MM, Tool, ToolKind};
use crate::schools::{Answer, Question};

impl Draft<'_> {
    /// How the step between two zones is joined, over `over_mm` of the longer one's hair; none where
    /// there is no step.
    pub(super) fn blend_words(&self, one: Zone, other: Zone, over_mm: f64) -> String {
        let (a, b) = (self.nominal(one), self.nominal(other));
        let (short, long, longer) = if a < b { (a, b, other) } else { (b, a, one) };
        let zone = longer.label();
        let over = self.words.length(over_mm);
        let last = match self.words.house.schools.of(Question::Joining) {
            Answer::JoinStraights => "straights over the join last",
            Answer::JoinCurves => "curves over the join last",
            _ => "thinners over the join last, coarse before fine",
        };
        // A step of one size is hidden by the thinners alone (common practice).
        if long - short <= ONE_SIZE_MM {
            let last = match self.closes(long, short) {
                Some(1) => "thinners over the join last, one close".to_owned(),
                Some(n) => format!("thinners over the join last, about {n} closes"),
                None => last.to_owned(),
            };
            return format!("Blend over {over}, into the {zone}: {last}.");
        }
        match self.bridge(short, long) {
            Some(tool) => {
                let tool = self.words.tool(tool.id);
                format!(
                    "Blend over {over}, into the {zone}: bridge with the {tool}, lifting off; {last}."
                )
            }
            None => {
                format!("Blend over {over}, into the {zone}: shears from its own length; {last}.")
            }
        }
    }

    /// How often the finest owned thinners close over a step; none where none is owned, or another pair joins.
    fn closes(&self, long: f64, short: f64) -> Option<u32> {
        let house = self.words.house;
        if !house.schools.has(Answer::JoinThinners) {
            return None;
        }
        let toothed = house.shears.iter().filter(|p| p.is_toothed() && p.is_fit());
        toothed
            .min_by_key(|pair| pair.takes_percent())?
            .closes(long, short)
    }

    /// The owned tool that bridges a step: the next longer than the shorter side, still under the
    /// longer one.
    fn bridge(&self, short: f64, long: f64) -> Option<&Tool> {
        let leaves = |tool: &Tool| tool.leaves_mm.as_mm();
        let kit = self.words.kit.iter().filter(|t| t.is_fit());
        kit.filter(|t| t.kind == ToolKind::Comb || leaves(t) >= ONE_SIZE_MM)
            .filter(|t| leaves(t) > short + 0.5 * ONE_SIZE_MM && leaves(t) < long)
            .min_by(|a, b| leaves(a).total_cmp(&leaves(b)))
    }
}
