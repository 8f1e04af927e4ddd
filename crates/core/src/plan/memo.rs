use std::collections::VecDeque;
use std::sync::{Arc, Mutex, PoisonError};

use super::make::{Plan, make_plan};
use crate::job::Job;
use crate::solve::SolveError;

/// How the plan of a job comes: solved, or as it was made a moment ago.
pub type Planning<'a> = &'a dyn Fn(&Job) -> Result<Arc<Plan>, SolveError>;

/// The plans made last, so that the same job is never solved twice in a row: the reasons of a plan, the
/// run beside it, a point looked at closer and the paper all begin from the one solve.
///
/// A plan is a function of its [`Job`] alone; only an equal job is answered from here.
#[derive(Debug)]
pub struct PlanMemo {
    made: Mutex<VecDeque<(Job, Arc<Plan>)>>,
    most: usize,
}

impl PlanMemo {
    /// Remembers so many plans, the newest.
    pub const fn of(most: usize) -> Self {
        Self {
            made: Mutex::new(VecDeque::new()),
            most,
        }
    }

    /// The plan of a job: remembered, or made.
    ///
    /// # Errors
    /// If the solver gives no answer, a fault of ours.
    pub fn plan(&self, job: &Job) -> Result<Arc<Plan>, SolveError> {
        if let Some(plan) = self.remembered(job) {
            return Ok(plan);
        }
        // Solved outside the lock: two who ask the same at once both solve, and nobody waits.
        let plan = Arc::new(make_plan(job)?);
        let mut made = self.made.lock().unwrap_or_else(PoisonError::into_inner);
        made.truncate(self.most.saturating_sub(1));
        made.push_front((job.clone(), Arc::clone(&plan)));
        Ok(plan)
    }

    fn remembered(&self, job: &Job) -> Option<Arc<Plan>> {
        let mut made = self.made.lock().unwrap_or_else(PoisonError::into_inner);
        let at = made.iter().position(|(known, _)| known == job)?;
        let newest = made.remove(at)?;
        let plan = Arc::clone(&newest.1);
        made.push_front(newest);
        Some(plan)
    }
}
