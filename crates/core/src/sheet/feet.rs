use super::cautions::Hazard;
use super::minutes as m;
use super::step::Stage;
use super::writer::{Draft, Writer};
use crate::coat::Zone;
use crate::dog::{Answer, Question};
use crate::look::FootFinish;
use crate::solve::Unit;

/// Which feet are set now.
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
pub(super) enum Feet {
    /// All four.
    All,
    /// The hind ones.
    Hind,
    /// The front ones.
    Front,
}

impl Writer<'_> {
    pub(super) fn feet(&mut self, which: Feet) {
        let feet = self.plan.cuts.iter().find(|c| c.unit == Unit::Feet);
        let (tool, leaves) = feet.map_or((String::new(), String::new()), |cut| {
            (
                cut.tool
                    .map_or_else(|| "shears".into(), |t| self.words.tool(t)),
                format!("{} {}", self.span(cut), self.words.unit()),
            )
        });
        let is_blade = feet
            .and_then(|cut| cut.tool)
            .is_some_and(|t| self.is_blade(t));
        let hazards: &[Hazard] = if is_blade {
            &[Hazard::Feet, Hazard::BareBlade]
        } else {
            &[Hazard::Feet]
        };
        let is_scooped = match self.answer(Question::Bevel) {
            Answer::BevelScissored => false,
            Answer::BevelScooped => true,
            _ => self.job.look.foot == FootFinish::Clean,
        };
        let bevel = if is_scooped {
            m::BEVEL_SCOOPED
        } else {
            m::BEVEL_SCISSORED
        };
        let (what, minutes, from, to) = match self.job.look.foot {
            FootFinish::Clean => (
                if is_scooped {
                    "Clean feet, then bevel: comb down, scoop up at 45°"
                } else {
                    "Clean feet, then bevel: foot down, flat round once, then tilt and round again"
                },
                4.0 * (m::FOOT_EDGE + bevel),
                "between the nails",
                "no higher than the first toe joint",
            ),
            FootFinish::Round => (
                "Round feet: comb down, flat round the nails, then tilt a little",
                4.0 * 2.0 * m::FOOT_EDGE,
                "foot flat, weight on it",
                "nails not fully showing",
            ),
            FootFinish::Hidden => (
                "Feet under the flare: push the leg up, round the foot, comb back, bevel",
                4.0 * (2.0 * m::FOOT_EDGE + m::BEVEL_SCOOPED.min(bevel)),
                "foot flat, weight on it",
                "no hair past the toe from above",
            ),
            FootFinish::Tight => (
                "Tight feet: comb back between the toes, trim in parts with a margin",
                4.0 * 1.5 * m::FOOT_EDGE,
                "to the nail",
                "round and close, level with the pads",
            ),
        };
        self.push(
            Stage::FeetAndBevels,
            Draft {
                what: match which {
                    Feet::All => what.into(),
                    Feet::Hind => format!("Hind feet first. {what}"),
                    Feet::Front => format!("Front feet, weight on them. {what}"),
                },
                tool,
                from: from.into(),
                to: to.into(),
                leaves,
                minutes: if which == Feet::All {
                    minutes
                } else {
                    minutes / 2.0
                },
                zones: vec![Zone::Foot],
                hazards,
                ..Draft::default()
            },
        );
    }
}
