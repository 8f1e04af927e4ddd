use uuid::Uuid;

use super::bevel::Bevel;
use super::cautions::Hazard;
use super::hands::pair_hint;
use super::minutes as m;
use super::shears::Place;
use super::step::Stage;
use super::writer::{Draft, Writer};
use crate::balance::{column_mm, finished_foot_mm};
use crate::body::Handling;
use crate::coat::Zone;
use crate::look::FootFinish;
use crate::say::capital;
use crate::schools::{Answer, Question};
use crate::shape::Leg;
use crate::solve::Unit;

/// Hair behind the foot is cut so far above the big pad, share of the height (handbook 10 E, modelling
/// choice).
const BEHIND_PAD: f64 = 0.02;
/// What is left on while the toes are cut in thirds, mm (handbook 10 E).
const TOE_MARGIN_MM: f64 = 3.0;
/// How far shears are turned inwards under a lifted foot, degrees (handbook 10 E, modelling choice).
const UNDERCUT_DEG: u32 = 15;

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

impl Feet {
    fn named(self, what: &str) -> String {
        match self {
            Self::All => what.into(),
            Self::Hind => format!("Hind feet first. {what}"),
            Self::Front => format!("Front feet, weight on them. {what}"),
        }
    }

    /// Share of the four.
    const fn share(self) -> f64 {
        match self {
            Self::All => 1.0,
            Self::Hind | Self::Front => 0.5,
        }
    }
}

impl Writer<'_> {
    pub(super) fn feet(&mut self, which: Feet) {
        let feet = self.plan.cuts.iter().find(|c| c.unit == Unit::Feet);
        let (tool, leaves) = feet.map_or((String::new(), String::new()), |cut| {
            (
                cut.tool
                    .map_or_else(|| self.shears(Place::Small), |t| self.words.tool(t)),
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
        let is_clean = self.job.look.foot == FootFinish::Clean;
        if is_clean && !is_scooped && is_blade {
            self.clean_feet(which, &tool, feet.and_then(|cut| cut.tool));
            self.bevel_by_shears(which, bevel);
            return;
        }
        let (what, minutes, from, to) = match self.job.look.foot {
            FootFinish::Clean => (
                "Clean feet, then bevel: comb down, scoop up at 45°",
                4.0 * (m::FOOT_EDGE + bevel),
                "between the nails",
                "no higher than the first toe joint",
            ),
            FootFinish::Round => (
                "Round feet",
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
                what: which.named(what),
                tool,
                from: from.into(),
                to: to.into(),
                leaves,
                minutes: which.share() * minutes * self.overgrown(),
                zones: vec![Zone::Foot],
                hazards,
                pair: pair_hint(&[Zone::Foot]),
                amounts: self.foot_stages(which),
                tool_id: feet.and_then(|cut| cut.tool),
                ..Draft::default()
            },
        );
    }

    /// The blade's part of a clean foot, where the bevel is the shears'.
    fn clean_feet(&mut self, which: Feet, tool: &str, tool_id: Option<Uuid>) {
        self.push(
            Stage::FeetAndBevels,
            Draft {
                what: which.named("Clean feet"),
                tool: tool.into(),
                tool_id,
                from: "between the nails".into(),
                to: "no higher than the first toe joint".into(),
                minutes: which.share() * 4.0 * m::FOOT_EDGE,
                zones: vec![Zone::Foot],
                hazards: &[Hazard::Feet, Hazard::BareBlade],
                ..Draft::default()
            },
        );
    }

    fn bevel_by_shears(&mut self, which: Feet, minutes: f64) {
        self.push(
            Stage::FeetAndBevels,
            Draft {
                what: which.named("Bevel: foot down, flat round once, then tilt and round again"),
                tool: self.shears(Place::Small),
                from: "foot flat, weight on it".into(),
                minutes: which.share() * 4.0 * minutes,
                zones: vec![Zone::Foot],
                hazards: &[Hazard::Feet],
                pair: pair_hint(&[Zone::Foot]),
                amounts: self.bevels(which),
                ..Draft::default()
            },
        );
    }

    /// A foot's stages, in their order, then the hem (handbook 10 E).
    fn foot_stages(&self, which: Feet) -> Vec<String> {
        let foot = self.job.look.foot;
        let toes = format!("toes in thirds, {} left", self.words.whole(TOE_MARGIN_MM));
        let mut stages = match foot {
            FootFinish::Clean => Vec::new(),
            FootFinish::Tight => vec![capital(&toes)],
            FootFinish::Round | FootFinish::Hidden => {
                let above = self.words.whole(BEHIND_PAD * self.job.sides.left.height);
                let flat = match self.answer(Question::FootHeld) {
                    Answer::FootOnTable => {
                        "on the table throughout: flat round, then tilted".into()
                    }
                    Answer::FootUndercut => {
                        format!("lifted: under the rim, shears {UNDERCUT_DEG}° inwards; then down")
                    }
                    _ => "lifted: under the rim; then down: round, tilted".to_owned(),
                };
                vec![format!(
                    "Behind in stages to {above} over the big pad; {toes}; {flat}"
                )]
            }
        };
        stages.extend(self.bevels(which));
        stages
    }

    /// The hem over each pair of feet, worked out where the look bevels one.
    fn bevels(&self, which: Feet) -> Vec<String> {
        let foot = self.job.look.foot;
        if foot == FootFinish::Tight {
            return Vec::new();
        }
        let shows_nails = match self.answer(Question::FootEdge) {
            Answer::ToTheNail => true,
            Answer::NailsNotShowing => false,
            _ => foot == FootFinish::Clean,
        };
        let left = self.plan.cuts.iter().find(|c| c.unit == Unit::Feet);
        let hair = left
            .and_then(|c| c.leaves_mm.first())
            .copied()
            .unwrap_or_default();
        let width = finished_foot_mm(&self.plan.subject, hair);
        let column = |leg| column_mm(&self.plan.subject, leg, &self.plan.lengths_mm);
        let nails = self
            .facts
            .handling
            .map_or(0.0, Handling::nails_stand_out_mm);
        let of = |leg| self.bevel_words(&Bevel::of(width, column(leg), shows_nails, nails));
        let (front, hind) = (of(Leg::Fore), of(Leg::Hind));
        let mut said = match which {
            Feet::All if front == hind => vec![capital(&front)],
            Feet::All => vec![format!("Front: {front}"), format!("Hind: {hind}")],
            Feet::Front => vec![capital(&front)],
            Feet::Hind => vec![capital(&hind)],
        };
        if nails > 0.0 {
            let wider = self.words.length(nails);
            said.push(format!(
                "The hem stands {wider} further out all round, over nails that are long"
            ));
        }
        said
    }

    fn bevel_words(&self, bevel: &Bevel) -> String {
        let across = self.words.length(2.0 * bevel.hem_radius_mm);
        if bevel.rounds == 1 {
            return format!("hem {across} across, its edge turned once");
        }
        let tilts: Vec<String> = bevel
            .tilts_deg()
            .iter()
            .map(|tilt| format!("{tilt:.0}°"))
            .collect();
        format!(
            "hem {across} across, rising {}; {} rounds, tilted {}",
            self.words.whole(bevel.rise_mm),
            bevel.rounds,
            tilts.join(", ")
        )
    }
}
