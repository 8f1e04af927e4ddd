//! What is laid flat and keeps its length: thinned from below, a harsh coat stripped (handbook 3, *Strip or
//! card*; 10 C 6).

use super::cautions::Hazard;
use super::step::Stage;
use super::writer::{Draft, Writer};
use crate::coat::{Texture, Zone};
use crate::kit::{THINNED_MINUTES, thinned_stand, thinning_passes};
use crate::solve::{Stroke, Unit, UnitCut};

/// Hair shorter than this shows no wave, mm (modelling choice: half a curl's width on a middling dog).
const SHOWS_A_WAVE_MM: f64 = 15.0;

impl Writer<'_> {
    /// A body that keeps its length, then waves in what is left long.
    pub(super) fn thinned(&mut self) {
        self.laid_flat();
        self.waves();
    }

    fn laid_flat(&mut self) {
        let plan = self.plan;
        let cuts: Vec<&UnitCut> = plan
            .cuts
            .iter()
            .filter(|c| c.stroke == Stroke::Thin)
            .collect();
        let Some(most) = cuts.iter().map(|cut| self.thinning(cut)).max() else {
            return;
        };
        let units: Vec<Unit> = cuts.iter().map(|c| c.unit).collect();
        let names = self.named(&units);
        let (what, draft) = self.flat(most);
        let minutes = cuts.iter().map(|cut| cut.scissor_minutes).sum();
        self.push(
            Stage::Scissor,
            Draft {
                what: format!("{what} flat: {names}"),
                from: "withers".into(),
                to: "tail".into(),
                leaves: self.leaves(&cuts),
                minutes,
                zones: cuts.iter().map(|c| c.unit.zone()).collect(),
                ..draft
            },
        );
    }

    /// Waves felt or seen in a zone that is left long enough to show them.
    fn waves(&mut self) {
        let coat = &self.job.coat;
        let marked = coat.marks.iter().filter(|(_, marks)| marks.has_waves);
        let zones: Vec<Zone> = marked
            .map(|(zone, _)| *zone)
            .filter(|zone| {
                self.planned_mm(*zone)
                    .is_some_and(|mm| mm >= SHOWS_A_WAVE_MM)
            })
            .filter(|zone| !self.is_laid_flat(*zone))
            .collect();
        let passes = |zone: &Zone| {
            let stand = coat.stand.of(*zone);
            thinning_passes(stand, thinned_stand(stand))
        };
        // A flat coat that waves all the same gets one.
        let Some(most) = zones.iter().map(passes).max().map(|most| most.max(1)) else {
            return;
        };
        let names: Vec<&str> = zones.iter().map(|zone| zone.label()).collect();
        let (what, draft) = self.flat(most);
        self.push(
            Stage::Scissor,
            Draft {
                what: format!("{what} the waves flat: {}", names.join(", ")),
                minutes: THINNED_MINUTES * zones.len() as f64,
                zones,
                ..draft
            },
        );
    }

    /// What is done to hair that is to lie, and a step of it in so many passes at most.
    fn flat(&self, most: u32) -> (&'static str, Draft<'static>) {
        let (what, tool, stroke) = if self.job.coat.texture == Texture::Harsh {
            let tool = "fingers, or a stripping knife".to_owned();
            ("Strip", tool, "dead hair, with the lay")
        } else {
            ("Thin", self.thinners(), "from below; brush back, look")
        };
        let passes = match most {
            0 | 1 => "One pass".to_owned(),
            many => format!("Up to {many} passes"),
        };
        let draft = Draft {
            tool,
            stroke,
            hazards: &[Hazard::Shears],
            amounts: vec![format!("{passes}; the length stays")],
            ..Draft::default()
        };
        (what, draft)
    }

    fn is_laid_flat(&self, zone: Zone) -> bool {
        let mut cuts = self.plan.cuts.iter();
        cuts.any(|cut| cut.unit.zone() == zone && cut.stroke == Stroke::Thin)
    }

    /// Passes of thinning a unit gets.
    fn thinning(&self, cut: &UnitCut) -> u32 {
        let stand = self.job.coat.stand.of(cut.unit.zone());
        let spots = cut.unit.spots(&self.plan.subject);
        let lies = spots.iter().map(|i| self.plan.lengths_mm[*i]).sum::<f64>();
        let stood = cut.leaves_mm.iter().sum::<f64>().max(1.0);
        thinning_passes(stand, stand * lies / stood)
    }
}
