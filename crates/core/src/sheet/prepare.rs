use uuid::Uuid;

use super::cautions::Hazard;
use super::minutes as m;
use super::small_jobs::tick;
use super::step::{Stage, StepKind};
use super::writer::{Draft, Writer};
use crate::coat::{Knots, Zone};
use crate::dog::{Answer, Question, Topic};
use crate::kit::{ONE_SIZE_MM, Tool, ToolKind};
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
        // A bare blade goes before the brush; a comb only after it, where it passes.
        let roughs = self.is_rough_first();
        let blade = self.roughing_tool(ToolKind::Blade).filter(|_| roughs);
        let comb = self.roughing_tool(ToolKind::Comb);
        let comb = comb.filter(|_| roughs && blade.is_none() && !self.body_is_knotted());
        if let Some(blade) = blade {
            self.rough_out(blade);
        }
        let roughed = blade.and_then(|id| self.leaves_mm(id));
        self.comb_out(roughed);
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
        let dry = tick("Dry straight", drying, &[Hazard::Dryer]);
        self.push(Stage::Prepare, dry.of(StepKind::Work, Topic::Dry));
        self.comb_test();
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
    fn leaves_mm(&self, id: Uuid) -> Option<f64> {
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

/// Whether a zone of the body is shorter once it is roughed out.
pub(super) fn is_roughed(zone: Zone) -> bool {
    BODY.iter().any(|unit| unit.zone() == zone)
}

/// What *all over* is: the body as most looks clip it.
const BODY: [Unit; 5] = [
    Unit::BackFront,
    Unit::Ribs,
    Unit::Shoulder,
    Unit::Hip,
    Unit::Chest,
];
