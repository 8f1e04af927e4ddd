//! Combing out as a programme: region by region, with its minutes and what this dog bears (handbook 10 F).

use super::cautions::Hazard;
use super::minutes as m;
use super::small_jobs::tick;
use super::step::{Stage, StepKind};
use super::writer::{Draft, Writer};
use crate::body::Minds;
use crate::coat::{CombRegion, Knots, Site, Texture, Zone};
use crate::dog::Topic;
use crate::schools::{Answer, Question};

/// The second round takes this share of the first (handbook 10 F, modelling choice).
const SECOND_ROUND: f64 = 0.4;
/// Length at which a region takes its base minutes, mm (handbook 10 F).
const BASE_MM: f64 = 50.0;
/// Weeks between visits that a coat is used to (handbook 6: 4 to 6, common practice).
const RHYTHM_WEEKS: f64 = 6.0;
/// More for each week over the rhythm (handbook 6 and 10 F).
const A_WEEK_OVER: f64 = 0.05;
/// Regions named as the longest.
const LONGEST: usize = 3;

/// How textures differ under the brush (handbook 10 F, modelling choice).
const fn texture_factor(texture: Texture) -> f64 {
    match texture {
        Texture::Curl | Texture::Fleece => 1.2,
        Texture::Silky => 1.0,
        Texture::Feathered => 0.8,
        Texture::Harsh => 0.6,
    }
}

/// A region to comb out.
struct RegionWork {
    region: CombRegion,
    /// Both rounds, medium dog, minutes.
    minutes: f64,
    /// The worst knots there that stay.
    knots: Knots,
}

impl Writer<'_> {
    /// The step that combs the dog out; less is left to comb where it was roughed out first.
    pub(super) fn comb_out(&mut self) {
        let work = self.regions();
        let minutes: f64 = work.iter().map(|w| w.minutes).sum();
        let way = self.answer(Question::KnotsWay);
        let what = match way {
            Answer::KnotsCut => "Comb out, twice; cut each knot out along the hair",
            _ => "Comb out, twice",
        };
        let minds_spray = self
            .facts
            .handling
            .is_some_and(|h| h.minds.contains(&Minds::Spray));
        let draft = Draft {
            stroke: if minds_spray {
                "spray on the comb; top layer, then layers from the skin"
            } else {
                "spray, top layer, then layers from the skin"
            },
            amounts: self.comb_amounts(&work, minutes),
            ..tick(what, minutes, &[Hazard::CombOut])
        };
        self.push(Stage::Prepare, draft.of(StepKind::Work, Topic::CombOut));
    }

    /// How much longer what is overgrown takes: combing out, and feet (handbook 10 E and F).
    pub(super) fn overgrown(&self) -> f64 {
        let weeks = self.facts.days_since_last.map_or(0.0, f64::from) / 7.0;
        1.0 + A_WEEK_OVER * (weeks - RHYTHM_WEEKS).max(0.0)
    }

    fn regions(&self) -> Vec<RegionWork> {
        let coat = &self.job.coat;
        let over = self.overgrown();
        let worst = self.knots_that_stay().map(|(_, knots)| knots).max();
        let of_region = |region: CombRegion| {
            let zones = Zone::ALL
                .into_iter()
                .filter(|z| CombRegion::of(*z) == region);
            let longest = zones.map(|zone| self.stands_mm(zone)).fold(0.0, f64::max);
            let here = self.knots_that_stay().filter(|(r, _)| *r == region);
            let knots = here.map(|(_, knots)| knots).max().unwrap_or_default();
            let combed = region.base_minutes()
                * (longest / BASE_MM).sqrt()
                * texture_factor(coat.texture)
                * (1.0 + SECOND_ROUND)
                * over;
            RegionWork {
                region,
                minutes: combed,
                knots,
            }
        };
        let mut work: Vec<RegionWork> = CombRegion::ALL.into_iter().map(of_region).collect();
        let more = match self.answer(Question::KnotsWay) {
            Answer::KnotsCut => m::KNOTS_CUT * f64::from(worst.is_some()),
            _ => m::knots(worst),
        };
        // What the worst knots take in all is shared by the regions that have them (handbook 6).
        let knotted = work
            .iter()
            .filter(|w| Some(w.knots) == worst)
            .count()
            .max(1);
        for region in work.iter_mut().filter(|w| Some(w.knots) == worst) {
            region.minutes += more / knotted as f64;
        }
        work
    }

    /// Knots that the brush has to deal with, by region: not what goes with the cut, nor what a small job
    /// cleared.
    fn knots_that_stay(&self) -> impl Iterator<Item = (CombRegion, Knots)> {
        let way = self.answer(Question::KnotsWay);
        let coat = &self.job.coat;
        let stays = move |zone: Zone| {
            let marks = coat.marks.get(&zone);
            let planned = self.planned_mm(zone);
            let goes = marks.zip(planned).and_then(|(m, mm)| m.knots_go_with(mm));
            way != Answer::KnotsInPlan || goes != Some(true)
        };
        let zones = coat.knots.iter().filter(move |(zone, _)| stays(**zone));
        let zones = zones.map(|(zone, knots)| (CombRegion::of(*zone), *knots));
        let sites = self.sites_to_comb().filter_map(move |site| {
            let zone = site.zones().first()?;
            Some((CombRegion::of(*zone), coat.site(site).knots()))
        });
        zones
            .chain(sites)
            .filter(|(_, knots)| *knots != Knots::None)
    }

    /// Knotted sites that no small job has cleared.
    fn sites_to_comb(&self) -> impl Iterator<Item = Site> {
        let coat = &self.job.coat;
        let clears = self.clears_knots();
        let is_left = move |site: &Site| match coat.site(*site).knots() {
            Knots::None => false,
            Knots::Few => true,
            Knots::Tight => !clears || !self.sites_cleared().any(|done| done == *site),
        };
        Site::ALL.into_iter().filter(is_left)
    }

    fn comb_amounts(&self, work: &[RegionWork], minutes: f64) -> Vec<String> {
        let mut longest: Vec<&RegionWork> = work.iter().collect();
        longest.sort_by(|a, b| b.minutes.total_cmp(&a.minutes));
        let factor = self.minutes_factor(Topic::CombOut);
        let said = |w: &&RegionWork| format!("{} {:.0}", w.region.label(), w.minutes * factor);
        let named: Vec<String> = longest.iter().take(LONGEST).map(said).collect();
        let mut amounts = vec![format!("Minutes: {}", named.join(", "))];
        let coat = &self.job.coat;
        let sites: Vec<String> = self
            .sites_to_comb()
            .map(|site| site.where_it_holds(&coat.site(site), |s| s.knots != Knots::None))
            .collect();
        if !sites.is_empty() {
            amounts.push(format!(
                "Knots {}: first, from their ends",
                sites.join("; ")
            ));
        }
        let tight: Vec<&str> = work
            .iter()
            .filter(|w| w.knots == Knots::Tight)
            .map(|w| w.region.label())
            .collect();
        if !tight.is_empty() {
            amounts.push(format!("Rake where tight: {}", tight.join(", ")));
        }
        amounts.extend(self.beyond_what_it_bears(work, minutes * factor));
        amounts
    }

    /// Where the brush would go on for longer than the dog bears: what is kindest cut with the coat, knotted
    /// regions first, then the longest, until the rest is borne.
    fn beyond_what_it_bears(&self, work: &[RegionWork], minutes: f64) -> Option<String> {
        let is_tender = self.facts.needs_breaks();
        let bears = self.facts.brushing_borne();
        let is_knotted = work.iter().any(|w| w.knots != Knots::None);
        if minutes <= bears || !(is_tender || is_knotted) {
            return None;
        }
        let mut kindest: Vec<&RegionWork> = work.iter().collect();
        kindest.sort_by(|a, b| {
            let by_knots = b.knots.cmp(&a.knots);
            by_knots.then(b.minutes.total_cmp(&a.minutes))
        });
        let factor = self.minutes_factor(Topic::CombOut);
        let mut left = minutes;
        let mut named = Vec::new();
        for region in kindest {
            if left <= bears {
                break;
            }
            left -= region.minutes * factor;
            named.push(region.region.label());
        }
        // Half the dog named is no choice: then it is the whole coat that goes short, or a second day.
        let then = if named.len() > LONGEST {
            "the kindest is a short cut all over, or a second day".to_owned()
        } else {
            format!("then cut short with the coat: {}", named.join(", "))
        };
        Some(format!(
            "It bears about {bears:.0} minutes of brushing; {then}"
        ))
    }

    /// The comb tried region by region once the dog is dry.
    pub(super) fn comb_test(&mut self) {
        let draft = Draft {
            stroke: "skin to tip, every region",
            ..tick("Comb test", m::COMB_TEST, &[])
        };
        let test = draft.of(StepKind::CombTest, Topic::CombOut);
        self.push(Stage::Prepare, test);
    }
}
