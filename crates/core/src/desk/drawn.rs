use super::Desk;
use super::answer::Solved;
use crate::coat::{Site, Zone};
use crate::drawing::{DrawOptions, Drawing, Runs, Scene, draw};
use crate::frame::resolve;
use crate::shape::{Dressing, spreads};
use crate::sheet::{Stage, Step, belly_reach};
use crate::solve::Stroke;

impl Desk<'_> {
    /// Draws the dog, with a plan or without.
    pub fn draw(&self, solved: Option<&Solved>, options: &DrawOptions) -> Drawing {
        self.draw_as(solved, None, options)
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
        let sites: &[Site] = step.map_or(&[], |step| &step.sites);
        let work: &[Zone] = match (step, row) {
            (Some(step), _) => &step.zones,
            (None, Some(row)) => &row.moved_by,
            (None, None) => &[],
        };
        draw(
            &Scene {
                work,
                runs: step.and_then(|step| runs(step, solved)),
                sites,
                belly: belly_reach(self.dog),
                point: row.map(|r| r.judged),
                spreads: &sure,
                earlier: earlier.as_ref(),
                found: &self.visit.found,
                earlier_found: &self.before.found,
                frame: &self.frame,
                coat: &self.coat,
                plan: solved.map(|s| s.plan.as_ref()),
                report: solved.map(|s| &s.report),
                grown,
                house: self.house,
                name: &self.dog.name,
            },
            options,
        )
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
