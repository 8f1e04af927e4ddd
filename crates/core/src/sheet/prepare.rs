use uuid::Uuid;

use super::cautions::Hazard;
use super::minutes as m;
use super::rows::USUAL_STROKE;
use super::small_jobs::tick;
use super::step::{Stage, StepKind};
use super::writer::{Draft, Writer};
use crate::coat::{CombRegion, Knots, Texture, Zone};
use crate::dog::Topic;
use crate::kit::{ONE_SIZE_MM, Tool, ToolKind};
use crate::schools::{Answer, Question};
use crate::solve::Unit;

/// More than this comes off all over: the coat is roughed out before the bath, mm (handbook 6).
const MUCH_MM: f64 = 25.0;
/// A roughing tool leaves at least this over the longest length of the body, mm (modelling choice:
/// one size).
const ROUGH_OVER_MM: f64 = ONE_SIZE_MM;

impl Writer<'_> {
    /// The small jobs from clean to dirty, comb out, bath and dryer (handbook 10 B).
    pub(super) fn prepare(&mut self) {
        let are_after = self.has(Answer::NailsAfter);
        self.small_jobs(!are_after);
        self.bands_off();
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
        let wet = self.wet_coat();
        let bath = tick("Bath", m::BATH * wet, &[Hazard::Bath]);
        self.push(Stage::Prepare, bath.of(StepKind::Bath, Topic::Bath));
        if are_after {
            self.nails();
        }
        let dry = tick("Dry straight", m::DRY * wet, &[Hazard::Dryer]);
        self.push(Stage::Prepare, dry.of(StepKind::Work, Topic::Dry));
        self.comb_test();
    }

    /// How much longer bath and dryer take than on a usual coat: by the root of the mean length that is
    /// wet, and how thick it stands (handbook 10 G, modelling choice).
    fn wet_coat(&self) -> f64 {
        let (mut hair, mut all) = (0.0, 0.0);
        for zone in Zone::ALL.into_iter().filter(|z| z.is_judged()) {
            let region = CombRegion::of(zone);
            let there = Zone::ALL.iter().filter(|z| CombRegion::of(**z) == region);
            let share = region.base_minutes() / there.count() as f64;
            hair += share * self.stands_mm(zone);
            all += share;
        }
        let mean = hair / all;
        let factor = (mean / m::WET_COAT_MM).sqrt()
            * thickness(self.job.coat.texture, self.facts.dog.has_double_coat);
        factor.clamp(m::WET_COAT.0, m::WET_COAT.1)
    }

    /// What stands on a zone by now: less where it was roughed out.
    pub(super) fn stands_mm(&self, zone: Zone) -> f64 {
        let there = self.job.coat.length_mm(zone);
        match &self.roughed {
            Some((mm, zones)) if zones.contains(&zone) => there.min(*mm),
            _ => there,
        }
    }

    /// What is roughed out by a tool that leaves so much: the body, and the legs where the look is as short
    /// there.
    fn to_rough(&self, leaves: f64) -> Vec<Unit> {
        let coat = &self.job.coat;
        let is_short = |unit: &Unit| {
            let zone = unit.zone();
            self.planned_mm(zone).is_some_and(|mm| mm <= leaves)
                && coat.length_mm(zone) - leaves > MUCH_MM
                && coat.knots(zone) != Knots::Tight
        };
        let legs: &[Unit] = if LEGS.iter().all(is_short) {
            &LEGS
        } else {
            &[]
        };
        BODY.iter().chain(legs).copied().collect()
    }

    /// Longest length the plan leaves on a zone, mm.
    pub(super) fn planned_mm(&self, zone: Zone) -> Option<f64> {
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

    /// What a tool of the kit leaves, mm.
    pub(super) fn leaves_mm(&self, id: Uuid) -> Option<f64> {
        let mut kit = self.job.kit.iter();
        kit.find(|t| t.id == id).map(|t| t.leaves_mm.as_mm())
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
        let instead = instead.map(|t| format!("{} blade, bare", t.printed));
        let hazards: &[Hazard] = if is_blade {
            &[Hazard::CombOut, Hazard::BareBlade]
        } else {
            &[Hazard::Comb]
        };
        let leaves = self.leaves_mm(tool).unwrap_or(f64::INFINITY);
        let units = self.to_rough(leaves);
        let zones: Vec<Zone> = units.iter().map(|u| u.zone()).collect();
        let legs = 4.0 * (units.len() - BODY.len()) as f64 / LEGS.len() as f64;
        let what = if legs > 0.0 { "body and legs" } else { "body" };
        self.roughed = Some((leaves, zones.clone()));
        let minutes = m::BODY_CLIPPED + m::LEG_SKIMMED * legs + self.change(tool);
        let draft = Draft {
            what: format!("Rough out the {what}{around}; level the edges again when dry"),
            tool: self.words.tool(tool),
            stroke: USUAL_STROKE,
            from: "nape".into(),
            to: "a hand above every line".into(),
            minutes,
            instead,
            zones,
            topic: Some(Topic::Clip),
            tool_id: Some(tool),
            hazards,
            ..Draft::default()
        };
        self.push(Stage::Prepare, draft);
    }
}

/// How thick a coat is under the water against a curl (modelling choice: an undercoat holds more of it).
const fn thickness(texture: Texture, is_double: bool) -> f64 {
    match texture {
        _ if is_double => 1.2,
        Texture::Curl | Texture::Fleece | Texture::Feathered => 1.0,
        Texture::Silky | Texture::Harsh => 0.8,
    }
}

/// Outsides of the legs, roughed out with the body where the look is as short there.
const LEGS: [Unit; 4] = [Unit::ForeOut, Unit::ForeBack, Unit::HindOut, Unit::HindBack];

/// What *all over* is: the body as most looks clip it.
const BODY: [Unit; 5] = [
    Unit::BackFront,
    Unit::Ribs,
    Unit::Shoulder,
    Unit::Hip,
    Unit::Chest,
];
