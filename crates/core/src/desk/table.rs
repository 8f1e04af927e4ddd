use super::Desk;
use crate::coat::Zone;
use crate::finish::{FinishReport, finish};
use crate::run::{RescueOption, RunLengths, RunView, Slip, could_leave, rescue, run_view};
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
        Ok(Some(view))
    }

    /// Ways out where too much came off, the least harm first.
    ///
    /// # Errors
    /// If the solver gives no answer, a fault of ours.
    pub fn rescue(&self, slip: &Slip) -> Result<Vec<RescueOption>, SolveError> {
        let job = self.chosen_job();
        let plan = self.planned(&job)?;
        let words = self.words();
        rescue(slip, self.visit.run.as_ref(), &plan, &job, &words)
    }

    /// What was left against the plan, and what to touch up.
    ///
    /// # Errors
    /// If the solver gives no answer, a fault of ours.
    pub fn finish(&self) -> Result<FinishReport, SolveError> {
        let job = self.chosen_job();
        let plan = self.planned(&job)?;
        let words = self.words();
        finish(&self.visit.results, &plan, &job, &words)
    }
}
