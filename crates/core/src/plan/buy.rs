use serde::{Deserialize, Serialize};
use utoipa::ToSchema;
use uuid::Uuid;

use super::make::{Plan, make_plan_to};
use crate::balance::score;
use crate::job::Job;
use crate::kit::{ClipperFit, Tool, ToolKind, ToolState};
use crate::solve::{Accuracy, SolveError, UnitCut, Workers, in_halves};
use crate::units::Length;

/// A comb that is not in the kit, with what it would do.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct Buy {
    /// Length it leaves over a 30.
    pub leaves_mm: Length,
    /// Plans it would better.
    pub plans: u32,
    /// What it would gain in balance, over all of them.
    pub gains: f64,
    /// Minutes of shears it would save, over all of them.
    pub minutes: f64,
    /// The same in one sentence.
    pub sentence: String,
}

/// Combs the trade sells, mm over a 30 (handbook 3; sizes from memory).
const SOLD_MM: [f64; 11] = [
    3.0, 6.0, 10.0, 13.0, 16.0, 19.0, 22.0, 25.0, 32.0, 38.0, 51.0,
];
/// A comb this near to one in the kit is the same, mm (modelling choice: half a size).
const SAME_MM: f64 = 1.5;
/// A minute of shears against a point of balance (balance-model.md 11: 3 mm² a minute, 5 a point).
pub(crate) const MINUTE: f64 = 0.6;
/// A plan is bettered from so much on, in balance (as nothing under it is seen).
const BETTER: f64 = 0.5;
/// Combs named.
const NAMED: usize = 3;

/// Which one comb would improve most plans: each plan made again with it.
///
/// # Errors
/// If the solver gives no answer, a fault of ours.
pub fn what_to_buy(
    jobs: &[Job],
    kit: &[Tool],
    workers: &dyn Workers,
) -> Result<Vec<Buy>, SolveError> {
    let plans: Vec<(Plan, &Job)> = in_halves(workers, jobs, |jobs: &[Job]| {
        let made = jobs.iter().map(|job| make_plan_to(job, Accuracy::Rough));
        made.collect::<Result<Vec<_>, _>>()
    })?
    .into_iter()
    .zip(jobs)
    .collect();
    let is_new = |mm: &f64| {
        kit.iter()
            .filter(|t| t.is_fit() && t.kind == ToolKind::Comb)
            .all(|t| (t.leaves_mm.as_mm() - mm).abs() > SAME_MM)
    };
    let sold: Vec<f64> = SOLD_MM.into_iter().filter(is_new).collect();
    let weighed = in_halves(workers, &sold, |sold: &[f64]| {
        sold.iter().map(|mm| weigh(*mm, &plans)).collect()
    })?;
    let mut offers: Vec<(f64, Buy)> = weighed.into_iter().flatten().collect();
    offers.sort_by(|a, b| b.0.total_cmp(&a.0));
    offers.truncate(NAMED);
    Ok(offers.into_iter().map(|(_, buy)| buy).collect())
}

fn weigh(mm: f64, plans: &[(Plan, &Job)]) -> Result<Option<(f64, Buy)>, SolveError> {
    let comb = Tool {
        id: Uuid::max(),
        kind: ToolKind::Comb,
        printed: format!("{mm:.0} mm"),
        leaves_mm: Length::worked_out_mm(mm),
        state: ToolState::Fine,
        retired: false,
        sharpened_ms: None,
        to_mm: None,
        fits: ClipperFit::Any,
    };
    let (mut count, mut gains, mut minutes, mut worth) = (0, 0.0, 0.0, 0.0);
    for (plan, job) in plans {
        let mut with = (*job).clone();
        with.kit.push(comb.clone());
        let with = make_plan_to(&with, Accuracy::Rough)?;
        let points = &plan.solution.points;
        let gain = score(points, &plan.lengths_mm) - score(points, &with.lengths_mm);
        let shears = |cuts: &[UnitCut]| -> f64 { cuts.iter().map(|c| c.scissor_minutes).sum() };
        let saved = shears(&plan.cuts) - shears(&with.cuts);
        let better = gain + MINUTE * saved;
        if better > BETTER {
            count += 1;
            gains += gain;
            minutes += saved;
            worth += better;
        }
    }
    Ok((count > 0).then(|| {
        let of = plans.len();
        let mut brings = Vec::new();
        if gains >= BETTER {
            brings.push(format!("{gains:.0} in balance"));
        }
        if minutes >= 1.0 {
            brings.push(format!("{minutes:.0} min of shears less"));
        }
        let brings = brings.join(", ");
        let sentence = format!("A {mm:.0} mm comb would better {count} of {of} plans: {brings}.");
        let leaves_mm = comb.leaves_mm;
        (
            worth,
            Buy {
                leaves_mm,
                plans: count,
                gains,
                minutes,
                sentence,
            },
        )
    }))
}
