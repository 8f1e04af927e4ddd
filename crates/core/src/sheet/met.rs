//! What a step meets on its way: knots, and skin to keep off, named at every step that comes by
//! (handbook 10 B and F).

use super::cautions::{Caution, Hazard};
use super::step::Stage;
use super::writer::{Draft, Writer};
use crate::coat::{Knots, Site, SiteSkin, SiteState};

impl Writer<'_> {
    /// Cautions for the sites and knotted zones that a step works on or comes by.
    pub(super) fn met(&self, stage: Stage, draft: &Draft<'_>) -> Vec<Caution> {
        let coat = &self.job.coat;
        let comes_by = |site: &Site| {
            draft.sites.contains(site) || draft.zones.iter().any(|z| site.zones().contains(z))
        };
        let met: Vec<Site> = Site::ALL.into_iter().filter(comes_by).collect();
        let at = |holds: fn(&SiteState) -> bool| -> Option<String> {
            let places = met.iter().filter_map(|site| {
                let marks = coat.site(*site);
                let some = marks.sides().iter().any(holds);
                some.then(|| site.where_it_holds(&marks, holds))
            });
            let places: Vec<String> = places.collect();
            (!places.is_empty()).then(|| places.join("; "))
        };
        let broken = at(|s| s.skin == SiteSkin::Broken).map(|places| {
            format!("Broken skin {places}: no tool there. Show the owner; have a vet look at this.")
        });
        // A comb runs clear of the skin.
        let is_close = draft.hazards.contains(&Hazard::BareBlade);
        let red = at(|s| s.skin == SiteSkin::Red)
            .filter(|_| is_close || !draft.sites.is_empty())
            .map(|places| format!("Red skin {places}: light, one blade longer. Show the owner."));
        let knots = self.knots_met(stage, draft, &met);
        let texts = [broken, red, knots];
        let said = texts.into_iter().flatten();
        said.map(|text| Caution {
            text,
            is_this_dogs: true,
        })
        .collect()
    }

    /// Tight knots that are still there when a tool comes by.
    fn knots_met(&self, stage: Stage, draft: &Draft<'_>, met: &[Site]) -> Option<String> {
        let then = match stage {
            Stage::Clip => "the comb stops there, a bare blade goes flat beneath, skin stretched",
            Stage::FeetAndBevels | Stage::Scissor => "never scissored against the skin",
            // Cleared, or combed out, there; nothing is cut any more.
            Stage::Prepare | Stage::Blend | Stage::Check => return None,
        };
        if !self.clears_knots() {
            return None;
        }
        let coat = &self.job.coat;
        let is_cleared = |site: &Site| self.sites_cleared().any(|done| done == *site);
        let sites = met
            .iter()
            .filter(|site| !is_cleared(site))
            .filter_map(|site| {
                let marks = coat.site(*site);
                (marks.knots() == Knots::Tight)
                    .then(|| site.where_it_holds(&marks, |s| s.knots == Knots::Tight))
            });
        let mut zones = draft.zones.clone();
        zones.dedup();
        let zones = zones.into_iter().filter(|z| coat.knots(*z) == Knots::Tight);
        let mut places: Vec<String> = zones.map(|z| z.place().to_owned()).collect();
        places.extend(sites);
        (!places.is_empty()).then(|| format!("Tight knots {}: {then}.", places.join("; ")))
    }
}
