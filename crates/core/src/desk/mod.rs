//! The desk: from a dog, its visit and the salon to everything a screen or sheet shows.
//!
//! One function per arrow of the data flow, called alike by server, command line and tests.

mod ahead;
mod answer;
mod before;
mod card;
mod drawn;
mod in_schools;
mod job;
mod knots_again;
mod offers;
mod picture;
mod problems;
mod schools;
mod table;
mod ways_ahead;
mod what_if;

use std::sync::Arc;

use crate::coat::{CoatNow, resolve_coat};
use crate::dog::{Dog, House};
use crate::frame::{Frame, Problem, resolve};
use crate::job::Job;
use crate::kit::Tool;
use crate::plan::{Plan, PlanMemo, make_plan};
use crate::report::{LineOffer, line_offers};
use crate::say::Words;
use crate::solve::{OneWorker, SolveError, Workers};
use crate::sure::{WhatNext, what_next};
use crate::visit::Visit;

pub use ahead::{Ahead, MOST_WEEKS};
pub use answer::{ChangeHere, Evaluation, PlanView, Reasons, Solved, ZoneValue};
pub use before::Before;
pub use card::CardHere;
pub use knots_again::KnotsAgain;
pub use offers::{MOST_SHOWN, Offers, ShownLook};
pub use picture::{PictureHere, PictureOffer};
use problems::Said;
pub use schools::{AnswerHere, QuestionHere};
pub use ways_ahead::{KNOTS_BEGIN_MM, KnotAhead, SlipAhead, WaysAhead};
pub use what_if::{PartHere, WhatIf};

/// A dog on the desk: everything resolved, nothing solved yet.
#[derive(Clone, Debug)]
pub struct Desk<'a> {
    dog: &'a Dog,
    visit: &'a Visit,
    house: &'a House,
    kit: &'a [Tool],
    before: Before,
    memo: Option<&'a PlanMemo>,
    /// The plan in force, where only its words are asked anew.
    as_planned: Option<Arc<Plan>>,
    workers: &'a dyn Workers,
    /// The frame.
    pub frame: Frame,
    /// The coat today.
    pub coat: CoatNow,
    /// Sentences beside the fields.
    pub problems: Vec<Problem>,
}

impl<'a> Desk<'a> {
    /// Puts a dog on the desk.
    pub fn new(dog: &'a Dog, visit: &'a Visit, house: &'a House, kit: &'a [Tool]) -> Self {
        let frame = resolve(&visit.frame, house.units);
        let (coat, more) = resolve_coat(&visit.coat, frame.build.height, house.units);
        let said = Said { visit, house, kit };
        let problems = said.problems(&frame, more);
        Self {
            dog,
            visit,
            house,
            kit,
            before: Before::default(),
            memo: None,
            as_planned: None,
            workers: &OneWorker,
            frame,
            coat,
            problems,
        }
    }

    /// Lays earlier visits beside this one.
    #[must_use]
    pub fn with_before(mut self, before: Before) -> Self {
        self.before = before;
        self
    }

    /// Looks for a plan among those made last before it is solved.
    #[must_use]
    pub const fn with_memo(mut self, memo: &'a PlanMemo) -> Self {
        self.memo = Some(memo);
        self
    }

    /// Has what falls into halves done by others than this one thread.
    #[must_use]
    pub const fn with_workers(mut self, workers: &'a dyn Workers) -> Self {
        self.workers = workers;
        self
    }

    fn planned(&self, job: &Job) -> Result<Arc<Plan>, SolveError> {
        match (&self.as_planned, self.memo) {
            (Some(plan), _) => Ok(Arc::clone(plan)),
            (None, Some(memo)) => memo.plan(job),
            (None, None) => make_plan(job).map(Arc::new),
        }
    }

    const fn words(&self) -> Words<'a> {
        Words {
            house: self.house,
            kit: self.kit,
        }
    }

    /// Every line that can be moved, with what each of its places costs.
    ///
    /// # Errors
    /// If the solver gives no answer, a fault of ours.
    pub fn line_offers(&self) -> Result<Vec<LineOffer>, SolveError> {
        let job = self.chosen_job();
        line_offers(&job, self.planned(&job)?.as_ref(), self.workers)
    }

    /// What to measure next, judged by the look chosen, or the first.
    ///
    /// # Errors
    /// If the solver gives no answer, a fault of ours.
    pub fn what_next(&self) -> Result<WhatNext, SolveError> {
        let words = self.words();
        what_next(
            &self.visit.frame,
            &self.frame,
            &self.chosen_job(),
            &words,
            self.workers,
        )
    }
}
