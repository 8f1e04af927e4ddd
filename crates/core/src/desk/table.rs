use super::{Desk, Reasons};
use crate::coat::Zone;
use crate::finish::{FinishReport, finish};
use crate::job::Job;
use crate::report::{KnotHere, KnotOffer, knot_ways};
use crate::run::{
    Renewal, RescueOption, Run, RunLengths, RunView, Slip, could_leave, renewal, rescue, run_view,
    with_cut,
};
use crate::solve::SolveError;

impl Desk<'_> {
    /// The run at the table at a moment of the table's own clock; none before it begins.
    ///
    /// # Errors
    /// If the solver gives no answer, a fault of ours.
    pub fn run(&self, now_ms: i64) -> Result<Option<RunView>, SolveError> {
        let Some(run) = &self.visit.run else {
            return Ok(None);
        };
        let job = self.chosen_job();
        let plan = self.planned(&job)?;
        let now = plan.subject.now(&job.coat);
        let leave_out = || could_leave(run, &plan, self.kit, &now);
        let by_zone = |of: &dyn Fn(Zone) -> Option<f64>| {
            let known = Zone::ALL.into_iter().filter_map(|z| Some((z, of(z)?)));
            known.collect()
        };
        let lengths = RunLengths {
            planned: by_zone(&|z| plan.zone_mm(z)),
            most: by_zone(&|z| job.coat.most_mm(z)),
        };
        let view = run_view(run, &lengths, &self.words(), leave_out, now_ms);
        Ok(Some(RunView {
            anew: self.renewal(run)?,
            ..view
        }))
    }

    /// The rest planned anew, where something happened that the sheet in hand does not know.
    fn renewal(&self, run: &Run) -> Result<Option<Renewal>, SolveError> {
        if !run.has_changed || run.ended.is_some() {
            return Ok(None);
        }
        let job = self.chosen_job_in_hand();
        let sheet = self.solve(&job, Reasons::Skip)?.report.sheet;
        Ok(renewal(run, sheet, &self.words()))
    }

    /// Ways out of a knot met in mid-groom, the cheapest first.
    ///
    /// # Errors
    /// If the solver gives no answer, a fault of ours.
    pub fn knot_here(&self, knot: &KnotHere) -> Result<Vec<KnotOffer>, SolveError> {
        let job = self.chosen_job_in_hand();
        let plan = self.planned(&job)?;
        let brushed = self.visit.run.as_ref().map_or(0.0, Run::brushed_minutes);
        let is_enough = brushed >= self.facts(&[]).brushing_borne();
        let planning = |job: &Job| self.planned(job);
        knot_ways(knot, &plan, &job, is_enough, &self.words(), &planning)
    }

    /// The job with what is cut by now held.
    fn chosen_job_in_hand(&self) -> Job {
        let mut job = self.chosen_job();
        if let Some(run) = &self.visit.run {
            with_cut(&mut job.coat, &run.limits_now());
        }
        job
    }

    /// Ways out where too much came off, the least harm first.
    ///
    /// # Errors
    /// If the solver gives no answer, a fault of ours.
    pub fn rescue(&self, slip: &Slip) -> Result<Vec<RescueOption>, SolveError> {
        let job = self.chosen_job();
        let plan = self.planned(&job)?;
        let words = self.words();
        let planning = |job: &Job| self.planned(job);
        rescue(
            slip,
            self.visit.run.as_ref(),
            &plan,
            &job,
            &words,
            &planning,
        )
    }

    /// What was left against the plan, and what to touch up.
    ///
    /// # Errors
    /// If the solver gives no answer, a fault of ours.
    pub fn finish(&self) -> Result<FinishReport, SolveError> {
        let job = self.chosen_job();
        let plan = self.planned(&job)?;
        let words = self.words();
        let (results, looked) = (&self.visit.results, &self.visit.looked);
        finish(results, looked, &plan, &job, &words)
    }
}
