use super::cautions::Hazard;
use super::minutes as m;
use super::step::{Stage, StepKind};
use super::writer::{Draft, Writer};
use crate::coat::{Knots, Zone};
use crate::dog::{Answer, Question, Sex, Topic};
use crate::kit::{ONE_SIZE_MM, Tool, ToolKind};
use crate::solve::Unit;

/// More than this comes off all over: the coat is roughed out before the bath, mm (handbook 6).
const MUCH_MM: f64 = 25.0;
/// A roughing tool leaves at least this over the longest length of the body, mm (modelling choice:
/// one size).
const ROUGH_OVER_MM: f64 = ONE_SIZE_MM;

impl Writer<'_> {
    /// The small jobs, comb out, bath and dryer.
    pub(super) fn prepare(&mut self) {
        let nails = || {
            tick(
                "Nails, dewclaws too",
                m::NAILS,
                &[Hazard::Start, Hazard::NailsAndPads],
            )
        };
        let are_after = self.has(Answer::NailsAfter);
        if !are_after {
            self.push(Stage::Prepare, nails());
        }
        let first: &[Hazard] = if are_after {
            &[Hazard::Start, Hazard::NailsAndPads]
        } else {
            &[Hazard::NailsAndPads]
        };
        let pads = Draft {
            tool: self.answer(Question::Pads).label().into(),
            ..tick("Pads: level with them", m::PADS, first)
        };
        self.push(Stage::Prepare, pads);
        self.hygiene();
        if self.clears_armpits() {
            let clear = tick(
                "Armpits: clear them, skin flat",
                m::ARMPITS,
                &[Hazard::Hygiene],
            );
            self.push(Stage::Prepare, clear);
        }
        let corners = format!(
            "Ears and eye corners; corners with {}",
            self.answer(Question::EyeCorners).label()
        );
        self.push(
            Stage::Prepare,
            tick(&corners, m::EARS_CLEANED, &[Hazard::EarCanal]),
        );
        let is_rough_first = self.is_rough_first();
        if is_rough_first {
            self.rough_out();
        }
        self.comb_out();
        let drying = if is_rough_first {
            m::DRY * m::DRIED_AFTER_ROUGHING
        } else {
            m::DRY
        };
        self.push(
            Stage::Prepare,
            tick("Bath", m::BATH, &[Hazard::Bath]).of(StepKind::Bath, Topic::Bath),
        );
        if are_after {
            self.push(
                Stage::Prepare,
                tick("Nails, dewclaws too", m::NAILS, &[Hazard::NailsAndPads]),
            );
        }
        let dry = tick("Dry straight; comb test per zone", drying, &[Hazard::Dryer]);
        self.push(Stage::Prepare, dry.of(StepKind::Work, Topic::Dry));
    }

    fn hygiene(&mut self) {
        let blade = self.answer(Question::Hygiene);
        let is_male = self.facts.dog.sex == Sex::Male;
        let sheath = match self.answer(Question::Sheath) {
            _ if !is_male => "",
            Answer::SheathShort => "; short at the sheath",
            _ => "; leave a little at the sheath",
        };
        let reached = match self.answer(Question::BellyReached) {
            Answer::FromTheSide => String::new(),
            other => format!("; belly with the {}", other.label()),
        };
        let draft = Draft {
            tool: match blade {
                Answer::HygieneShears => "shears".into(),
                answer => answer.label().into(),
            },
            ..tick(
                &format!("Hygiene area, cool blade{sheath}{reached}"),
                m::HYGIENE,
                &[Hazard::Hygiene],
            )
        };
        self.push(Stage::Prepare, draft);
    }

    /// The armpit has no zone of its own: the chest's and the inside of the front leg's knots say.
    fn clears_armpits(&self) -> bool {
        let tight = |zone| self.job.coat.knots(zone) == Knots::Tight;
        self.has(Answer::ArmpitsCleared) || tight(Zone::ForeIn)
    }

    fn comb_out(&mut self) {
        let way = self.answer(Question::KnotsWay);
        let coat = &self.job.coat;
        // Knots outside the plan go with the cut.
        let stays = |zone: Zone| {
            let marks = coat.marks.get(&zone);
            let planned = self.planned_mm(zone);
            let goes = marks.zip(planned).and_then(|(m, mm)| m.knots_go_with(mm));
            way != Answer::KnotsInPlan || goes != Some(true)
        };
        let worst = coat
            .knots
            .iter()
            .filter(|(zone, _)| stays(**zone))
            .map(|(_, knots)| *knots)
            .max();
        let (what, minutes) = match way {
            Answer::KnotsCut => (
                "Comb out from the skin, twice; cut each knot out along the hair",
                m::comb_out(worst.map(|_| Knots::None)) + m::KNOTS_CUT * f64::from(worst.is_some()),
            ),
            _ => ("Comb out from the skin, twice", m::comb_out(worst)),
        };
        let draft = tick(what, minutes, &[Hazard::CombOut]).of(StepKind::Work, Topic::CombOut);
        self.push(Stage::Prepare, draft);
    }

    /// Longest length the plan leaves on a zone, mm.
    fn planned_mm(&self, zone: Zone) -> Option<f64> {
        let mut cuts = self.plan.cuts.iter().filter(|c| c.unit.zone() == zone);
        let cut = cuts.next()?;
        cut.leaves_mm.iter().copied().reduce(f64::max)
    }

    /// By the coat: where much comes off all over the body, or it is tightly knotted there.
    fn is_rough_first(&self) -> bool {
        match self.answer(Question::Washing) {
            Answer::WashFirst => false,
            Answer::RoughFirst => true,
            _ => {
                let coat = &self.job.coat;
                BODY.iter().all(|unit| {
                    let zone = unit.zone();
                    let left = self.planned_mm(zone);
                    left.is_none_or(|mm| coat.length_mm(zone) - mm > MUCH_MM)
                }) || self.body_is_knotted()
            }
        }
    }

    fn body_is_knotted(&self) -> bool {
        let coat = &self.job.coat;
        BODY.iter().any(|u| coat.knots(u.zone()) == Knots::Tight)
    }

    fn rough_out(&mut self) {
        let longest = BODY
            .iter()
            .filter_map(|unit| self.planned_mm(unit.zone()))
            .fold(0.0, f64::max);
        let is_knotted = self.body_is_knotted();
        let leaves = |tool: &&Tool| tool.leaves_mm.as_mm();
        // Nothing shorter than the plan: with no such tool the shears do it.
        let at_least = |mm: f64| {
            let fit = self.job.kit.iter().filter(|t| t.is_fit());
            fit.filter(|t| !is_knotted || t.kind == ToolKind::Blade)
                .filter(|t| leaves(t) >= mm)
                .min_by(|a, b| leaves(a).total_cmp(&leaves(b)))
        };
        let tool = at_least(longest + ROUGH_OVER_MM).or_else(|| at_least(longest));
        let hazards: &[Hazard] = match tool.map(|t| t.kind) {
            Some(ToolKind::Blade) => &[Hazard::CombOut, Hazard::BareBlade],
            Some(ToolKind::Comb) => &[Hazard::CombOut],
            None => &[Hazard::CombOut, Hazard::Shears],
        };
        let draft = Draft {
            what: "Rough out the body, one size over the plan; level the edges again when dry"
                .into(),
            tool: tool.map_or_else(|| "shears".into(), |t| self.words.tool(t.id)),
            minutes: m::BODY_CLIPPED,
            topic: Some(Topic::Clip),
            tool_id: tool.map(|t| t.id),
            hazards,
            ..Draft::default()
        };
        self.push(Stage::Prepare, draft);
    }
}

/// What *all over* is: the body as most looks clip it.
const BODY: [Unit; 5] = [
    Unit::BackFront,
    Unit::Ribs,
    Unit::Shoulder,
    Unit::Hip,
    Unit::Chest,
];

fn tick<'a>(what: &str, minutes: f64, hazards: &'a [Hazard]) -> Draft<'a> {
    Draft {
        what: what.into(),
        minutes,
        hazards,
        kind: StepKind::Tick,
        ..Draft::default()
    }
}
