use uuid::Uuid;

use super::cautions::Hazard;
use super::minutes as m;
use super::step::{Stage, StepKind};
use super::writer::{Draft, Writer};
use crate::coat::{Knots, Skin, Zone};
use crate::dog::{Answer, Question, Sex, Topic};
use crate::kit::{ONE_SIZE_MM, Tool, ToolKind, UnderComb};
use crate::solve::Unit;

/// More than this comes off all over: the coat is roughed out before the bath, mm (handbook 6).
const MUCH_MM: f64 = 25.0;
/// A roughing tool leaves at least this over the longest length of the body, mm (modelling choice:
/// one size).
const ROUGH_OVER_MM: f64 = ONE_SIZE_MM;

/// What a 10, a 15 and a 9 leave bare, mm (industry numbering, from memory; handbook 3).
const CLOSE_MM: f64 = 1.5;
const FIFTEEN_MM: f64 = 1.2;
const NINE_MM: f64 = 2.0;
/// Left at least on delicate skin at the hygiene area, mm (handbook 3, *shortest safe*).
const DELICATE_MM: f64 = 2.0;
/// A blade for a small job leaves at most this, mm: the 7 (handbook 3); longer ones do not clean.
const SMALL_JOB_MOST_MM: f64 = 3.2;
/// Makers differ by a few tenths (handbook 3).
const HAIRSBREADTH_MM: f64 = 0.05;

impl Writer<'_> {
    /// The small jobs from clean to dirty, comb out, bath and dryer (handbook 10 B).
    pub(super) fn prepare(&mut self) {
        self.eye_corners();
        self.push(
            Stage::Prepare,
            tick("Ears: look in, clean", m::EARS_CLEANED, &[Hazard::EarCanal]),
        );
        let are_after = self.has(Answer::NailsAfter);
        if !are_after {
            self.nails();
        }
        self.hygiene();
        if self.clears_armpits() {
            self.armpits();
        }
        self.pads();
        // A bare blade goes before the brush; a comb only after it, where it passes.
        let roughs = self.is_rough_first();
        let blade = self.roughing_tool(ToolKind::Blade).filter(|_| roughs);
        let comb = self.roughing_tool(ToolKind::Comb);
        let comb = comb.filter(|_| roughs && blade.is_none() && !self.body_is_knotted());
        if let Some(blade) = blade {
            self.rough_out(blade);
        }
        self.comb_out();
        if let Some(comb) = comb {
            self.rough_out(comb);
        }
        let drying = if blade.or(comb).is_some() {
            m::DRY * m::DRIED_AFTER_ROUGHING
        } else {
            m::DRY
        };
        self.push(
            Stage::Prepare,
            tick("Bath", m::BATH, &[Hazard::Bath]).of(StepKind::Bath, Topic::Bath),
        );
        if are_after {
            self.nails();
        }
        let dry = tick("Dry straight; comb test per zone", drying, &[Hazard::Dryer]);
        self.push(Stage::Prepare, dry.of(StepKind::Work, Topic::Dry));
    }

    /// First of all: the cleanest place, and the dog sees what comes.
    fn eye_corners(&mut self) {
        let what = if self.has(Answer::HeadCornersFirst) {
            "Eye corners first, so that the dog can see"
        } else {
            "Eye corners"
        };
        let hazards = &[Hazard::Start, Hazard::Face];
        match self.answer(Question::EyeCorners) {
            Answer::CornersBlade => {
                let job = tick(what, m::EYE_CORNERS, hazards);
                self.small_blade(job, Zone::Cheek, CLOSE_MM);
            }
            with => self.push(
                Stage::Prepare,
                Draft {
                    tool: with.label().into(),
                    ..tick(what, m::EYE_CORNERS, hazards)
                },
            ),
        }
    }

    fn nails(&mut self) {
        let nails = tick("Nails, dewclaws too", m::NAILS, &[Hazard::NailsAndPads]);
        self.push(Stage::Prepare, nails);
    }

    fn pads(&mut self) {
        let (mm, stroke) = match self.answer(Question::Pads) {
            Answer::PadsThirty => (UnderComb::Thirty.leaves_mm(), ""),
            Answer::PadsForty => (UnderComb::Forty.leaves_mm(), "flat and light"),
            _ => (CLOSE_MM, ""),
        };
        let job = Draft {
            stroke,
            ..tick("Pads: level with them", m::PADS, &[Hazard::NailsAndPads])
        };
        self.small_blade(job, Zone::Foot, mm);
    }

    fn armpits(&mut self) {
        let what = "Armpits: clear them, skin flat";
        let job = tick(what, m::ARMPITS, &[Hazard::Hygiene]);
        self.small_blade(job, Zone::ForeIn, CLOSE_MM);
    }

    fn hygiene(&mut self) {
        let is_male = self.facts.dog.sex == Sex::Male;
        let sheath = match self.answer(Question::Sheath) {
            _ if !is_male => "",
            Answer::SheathShort => "; short at the sheath",
            _ => "; leave a little at the sheath",
        };
        let reached = match self.answer(Question::BellyReached) {
            Answer::FromTheSide => "",
            // Never stood up for it (handbook 7); its own caution says so.
            Answer::FrontLifted if self.facts.never_stands_up() => "",
            Answer::FrontLifted => "; lift the front for the belly",
            _ => "; a hand under the loin for the belly",
        };
        let what = format!("Hygiene area{sheath}{reached}");
        let job = tick(&what, m::HYGIENE, &[Hazard::Hygiene]);
        match self.answer(Question::Hygiene) {
            Answer::HygieneShears => self.push(Stage::Prepare, by_small_shears(job)),
            Answer::HygieneFifteen => {
                let light = Draft {
                    stroke: "light",
                    ..job
                };
                self.small_blade(light, Zone::Underline, FIFTEEN_MM);
            }
            Answer::HygieneHeldOff => {
                let off = Draft {
                    stroke: "held off the skin",
                    ..job
                };
                self.small_blade(off, Zone::Underline, NINE_MM);
            }
            _ => self.small_blade(job, Zone::Underline, CLOSE_MM),
        }
    }

    /// A small job by the bare blade of the kit that leaves what the salon asks, or little more:
    /// its clock runs as at every bare blade. Where the kit has none, by shears, and it says so.
    fn small_blade(&mut self, job: Draft<'_>, zone: Zone, asked_mm: f64) {
        // Delicate skin is left a little more; pads are bare already (handbook 3, *shortest safe*).
        let is_delicate = self.job.skin == Skin::Delicate && zone != Zone::Foot;
        let least = if is_delicate {
            asked_mm.max(DELICATE_MM)
        } else {
            asked_mm
        };
        let leaves = |tool: &Tool| {
            let settings = tool.settings().into_iter();
            settings
                .map(|t| t.leaves_mm.as_mm())
                .filter(|mm| (least - HAIRSBREADTH_MM..=SMALL_JOB_MOST_MM).contains(mm))
                .min_by(f64::total_cmp)
        };
        let kit = self.job.kit.iter();
        let blade = kit
            .filter(|t| t.is_fit() && t.kind == ToolKind::Blade)
            .filter_map(|t| Some((leaves(t)?, t.id)))
            .min_by(|a, b| a.0.total_cmp(&b.0));
        let Some((_, blade)) = blade else {
            self.push(
                Stage::Prepare,
                Draft {
                    stroke: "no blade of the kit is short and fit enough",
                    ..by_small_shears(job)
                },
            );
            return;
        };
        let hazards = [job.hazards, &[Hazard::BareBlade]].concat();
        self.push(
            Stage::Prepare,
            Draft {
                tool: self.words.tool(blade),
                tool_id: Some(blade),
                hazards: &hazards,
                ..job
            },
        );
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

    /// What the body is roughed out with: a bare blade before it is brushed, since a comb attachment
    /// in an unbrushed coat falls off (handbook 10 F). None where none is long enough and yet cuts.
    fn roughing_tool(&self, kind: ToolKind) -> Option<Uuid> {
        let coat = &self.job.coat;
        let longest = BODY
            .iter()
            .filter_map(|unit| self.planned_mm(unit.zone()))
            .fold(0.0, f64::max);
        let stands = BODY
            .iter()
            .map(|unit| coat.length_mm(unit.zone()))
            .fold(f64::INFINITY, f64::min);
        let leaves = |tool: &&Tool| tool.leaves_mm.as_mm();
        // Nothing shorter than the plan, and nothing that takes less than a size off.
        let at_least = |mm: f64| {
            let kit = self.job.kit.iter();
            kit.filter(|t| t.is_fit() && t.kind == kind)
                .filter(|t| (mm..=stands - ONE_SIZE_MM).contains(&leaves(t)))
                .min_by(|a, b| leaves(a).total_cmp(&leaves(b)))
        };
        let blade = at_least(longest + ROUGH_OVER_MM).or_else(|| at_least(longest));
        blade.map(|t| t.id)
    }

    fn rough_out(&mut self, tool: Uuid) {
        let is_blade = self.is_blade(tool);
        let around = match (is_blade, self.body_is_knotted()) {
            (true, true) => ", bare blade, flat beneath the knots",
            (true, false) => ", bare blade",
            // Never where the body is knotted.
            (false, _) => "",
        };
        let instead = self.words.blade_instead(tool).filter(|_| !is_blade);
        let instead = instead.map(|t| format!("If the comb stops: {} blade, bare", t.printed));
        let hazards: &[Hazard] = if is_blade {
            &[Hazard::CombOut, Hazard::BareBlade]
        } else {
            &[Hazard::Comb]
        };
        let minutes = m::BODY_CLIPPED + self.change(tool);
        let draft = Draft {
            what: format!("Rough out the body{around}; level the edges again when dry"),
            tool: self.words.tool(tool),
            stroke: "full, with the lay",
            from: "nape".into(),
            to: "a hand above every line".into(),
            minutes,
            instead,
            zones: BODY.iter().map(|u| u.zone()).collect(),
            topic: Some(Topic::Clip),
            tool_id: Some(tool),
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

/// The same by short shears with rounded ends (common practice).
fn by_small_shears(job: Draft<'_>) -> Draft<'_> {
    Draft {
        tool: "small shears, points away".into(),
        ..job
    }
}
