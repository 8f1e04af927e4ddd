use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use super::Desk;
use super::answer::Reasons;
use crate::drawing::{DrawOptions, Drawing};
use crate::grow::{GrowPlan, Interval, back, grow_plan, interval};
use crate::solve::SolveError;

/// Longest interval that is followed, weeks.
pub const MOST_WEEKS: u32 = 26;

/// A look over the weeks ahead.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct Ahead {
    /// What the weeks to the next visit do.
    pub interval: Interval,
    /// Its moments drawn, in their order.
    pub drawings: Vec<Drawing>,
    /// The way to the look from today's coat.
    pub way: GrowPlan,
}

impl Desk<'_> {
    /// The look chosen over the weeks to the next visit: today, half way and the last day, each
    /// drawn; and the way to it, if the coat is not there yet.
    ///
    /// # Errors
    /// If the solver gives no answer, a fault of ours.
    pub fn ahead(&self, weeks: Option<u32>, options: &DrawOptions) -> Result<Ahead, SolveError> {
        let job = self.chosen_job();
        let solved = self.solve(&job, Reasons::Skip)?;
        let said = self.visit.talk.as_ref().and_then(|t| t.weeks_to_next);
        let weeks = weeks
            .or(said)
            .unwrap_or(solved.report.upkeep.weeks_to)
            .clamp(1, MOST_WEEKS);
        let interval = interval(
            &solved.plan,
            &job.coat,
            weeks,
            back(
                &solved.plan,
                &job.coat,
                self.brushing(),
                self.dog.minds_hair_over_eyes(),
            )
            .agreed(self.visit.return_agreed_days),
        );
        let drawings = interval
            .moments
            .iter()
            .map(|moment| {
                let grown = Interval::dressed(&solved.plan, &job.coat, moment.days);
                self.draw_as(Some(&solved), Some(&grown), options)
            })
            .collect();
        Ok(Ahead {
            interval,
            drawings,
            way: grow_plan(&job, weeks)?,
        })
    }
}
