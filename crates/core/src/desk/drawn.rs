use std::collections::BTreeMap;
use std::sync::Arc;

use super::Desk;
use super::answer::Solved;
use crate::coat::{Site, Zone};
use crate::drawing::{DrawOptions, Drawing, Ring, Runs, Scene, TalkPlaces, draw, talk_places};
use crate::finish::{ZoneResult, plan_as_left, ringed, text_as_left, that_can_be};
use crate::frame::resolve;
use crate::page::WalkFrom;
use crate::shape::{Dressing, spreads};
use crate::sheet::{Stage, Step, belly_reach};
use crate::solve::Stroke;

impl Desk<'_> {
    /// Draws the dog, with a plan or without.
    pub fn draw(&self, solved: Option<&Solved>, options: &DrawOptions) -> Drawing {
        let results = self.results();
        if let Some(solved) = solved.filter(|_| options.layers.as_left && !results.is_empty()) {
            return self.draw_as(Some(&self.as_left(solved, &results)), None, options);
        }
        self.draw_as(solved, None, options)
    }

    /// What was left, where it can be: the rest is said beside its field and drawn nowhere.
    fn results(&self) -> BTreeMap<Zone, ZoneResult> {
        that_can_be(&self.visit.results, &self.coat)
    }

    /// The plan with what was really left in the place of what was planned.
    fn as_left(&self, solved: &Solved, results: &BTreeMap<Zone, ZoneResult>) -> Solved {
        let words = self.words();
        let plan = plan_as_left(results, &solved.plan);
        let mut report = solved.report.clone();
        for row in &mut report.units {
            let result = results.get(&row.zone);
            if let Some(text) = result.and_then(|r| text_as_left(r, &words)) {
                row.text = text;
            }
        }
        Solved {
            plan: Arc::new(plan),
            report,
        }
    }

    /// What is ringed from one stance of the walk: good, a length, or still to be looked at.
    fn rings(&self, from: WalkFrom) -> Vec<Ring> {
        let words = self.words();
        let places = ringed(from, &self.results(), &self.visit.looked).into_iter();
        places
            .filter_map(|place| {
                let says = match place.left_mm {
                    Some(left) => Some(words.bare(left.as_mm())),
                    None => place.is_good.then(|| "good".to_owned()),
                };
                Some(Ring {
                    number: place.number,
                    zone: place.zone?,
                    hand: place.looked.hand,
                    says,
                })
            })
            .collect()
    }

    pub(super) fn draw_as(
        &self,
        solved: Option<&Solved>,
        grown: Option<&Dressing>,
        options: &DrawOptions,
    ) -> Drawing {
        let earlier = self
            .before
            .frame
            .as_ref()
            .map(|input| resolve(input, self.house.units));
        let sure = if options.layers.doubt {
            spreads(&self.visit.frame, &self.frame)
        } else {
            Vec::new()
        };
        let run = self.visit.run.as_ref();
        let step = options.step.and_then(|n| run.and_then(|r| r.step(n)));
        let row = options.point.and_then(|judged| {
            let mut rows = solved?.report.balance.iter();
            rows.find(|r| r.judged == judged)
        });
        let rings = options.walk.map_or_else(Vec::new, |from| self.rings(from));
        let sites: &[Site] = step.map_or(&[], |step| &step.sites);
        let work: &[Zone] = match (step, row) {
            (Some(step), _) => &step.zones,
            (None, Some(row)) => &row.moved_by,
            (None, None) => &[],
        };
        let scene = Scene {
            work,
            runs: step.and_then(|step| runs(step, solved)),
            sites,
            point: row.map(|r| r.judged),
            rings: &rings,
            spreads: &sure,
            earlier: earlier.as_ref(),
            grown,
            ..self.scene(solved)
        };
        draw(&scene, options)
    }

    /// The dog as it stands, with a plan or without, and nothing marked on it.
    fn scene<'s>(&'s self, solved: Option<&'s Solved>) -> Scene<'s> {
        Scene {
            work: &[],
            runs: None,
            sites: &[],
            belly: belly_reach(self.dog),
            point: None,
            rings: &[],
            spreads: &[],
            earlier: None,
            found: &self.visit.found,
            earlier_found: &self.before.found,
            frame: &self.frame,
            coat: &self.coat,
            plan: solved.map(|s| s.plan.as_ref()),
            report: solved.map(|s| &s.report),
            grown: None,
            house: self.house,
            name: &self.dog.name,
        }
    }

    /// Where the talk's questions ask on the dog in a plan.
    pub(super) fn talk_places(&self, solved: &Solved) -> TalkPlaces {
        talk_places(&self.scene(Some(solved)))
    }
}

/// How a step runs its tool, where it runs one over the coat.
fn runs(step: &Step, solved: Option<&Solved>) -> Option<Runs> {
    if step.stage != Stage::Clip || step.tool_id.is_none() {
        return None;
    }
    let mut cuts = solved?.plan.cuts.iter();
    let is_against =
        cuts.any(|cut| cut.stroke == Stroke::Against && step.zones.contains(&cut.unit.zone()));
    Some(if is_against {
        Runs::Against
    } else {
        Runs::WithTheLay
    })
}
