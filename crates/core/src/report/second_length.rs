//! What one length on the body leaves, and what a second would cost (balance-model-2.md 8).

use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use super::faults::fault_sentence;
use crate::balance::{BalancePoint, Judged};
use crate::job::Job;
use crate::look::{LineName, LineStop};
use crate::plan::Plan;
use crate::say::{Words, capital};
use crate::sheet::{BLADE_CHANGE, for_size};
use crate::solve::BodyCut;

/// A gain under this is not seen, in balance (modelling choice: as for a moved line).
const SEEN: f64 = 1.0;
/// Nor is it worth a word where more than this share of the fault is left (modelling choice).
const LEFT_AT_MOST: f64 = 2.0 / 3.0;
/// Joining two lengths over a line across the body, minutes (modelling choice).
const JOIN_MINUTES: f64 = 2.0;
/// Numbers a length along the body moves.
const OF_THE_BODY: [Judged; 5] = [
    Judged::Topline,
    Judged::Slope,
    Judged::CroupDrop,
    Judged::CroupFill,
    Judged::BodyRatio,
];

/// The other way of cutting the body, with what it would leave and cost: a touch takes it.
#[derive(Clone, Debug, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
pub struct SecondLength {
    /// What one length leaves and what two do, in a sentence or two.
    pub sentence: String,
    /// Where the back's line is put to cut it so.
    pub stop: LineStop,
    /// What a control says that puts it there.
    pub take: String,
}

/// What the other way of cutting the body would leave: one length where the plan has two, two where it
/// has one. None where the eye would not tell them apart.
pub(super) fn second_length(plan: &Plan, job: &Job, words: &Words<'_>) -> Option<SecondLength> {
    let (chosen, other) = (plan.body.as_ref()?, plan.other_body.as_ref()?);
    let (one, two) = match (chosen.rear, other.rear) {
        (None, Some(_)) => (chosen, other),
        (Some(_), None) => (other, chosen),
        _ => return None,
    };
    let stop = two.stop.filter(|stop| stop.line() == LineName::BackPass)?;
    let lost = |point: &&BalancePoint| {
        OF_THE_BODY.contains(&point.judged) && point.off(&one.lengths_mm) > 1.0
    };
    let eased = |point: &BalancePoint| point.cost(&one.lengths_mm) - point.cost(&two.lengths_mm);
    let points = plan.solution.points.iter().filter(lost);
    let point = points.max_by(|a, b| eased(a).total_cmp(&eased(b)))?;
    if eased(point) < SEEN {
        return None;
    }
    let (fault_mm, left) = (point.off_mm(&one.lengths_mm), point.off_mm(&two.lengths_mm));
    if left > LEFT_AT_MOST * fault_mm {
        return None;
    }
    let fault = fault_sentence(point, &one.lengths_mm, words);
    let leaves = if point.off(&two.lengths_mm) <= 1.0 {
        "brings it right".to_owned()
    } else {
        format!("leaves {} of it", words.whole(left))
    };
    let rear = words.tool(two.rear?);
    let body = words.tool(one.body);
    Some(if chosen.rear.is_some() {
        SecondLength {
            sentence: format!(
                "One {body} all along: {fault} The {rear} {} {leaves}.",
                stop.label()
            ),
            stop: LineStop::OnePass,
            take: format!("One {body} all along"),
        }
    } else {
        let minutes = minutes_more(one, two, job).max(JOIN_MINUTES);
        SecondLength {
            sentence: format!(
                "{fault} One {body} cannot hide it; the {rear} {} {leaves}: about {minutes:.0} minutes more.",
                stop.label()
            ),
            stop,
            take: format!("{} {}", capital(&rear), stop.label()),
        }
    })
}

/// What the second length takes: the join, another tool, and the shears that differ.
fn minutes_more(one: &BodyCut, two: &BodyCut, job: &Job) -> f64 {
    let size = for_size(job.sides.left.height);
    let tools = two.tools as f64 - one.tools as f64;
    size * (JOIN_MINUTES + two.scissor_minutes - one.scissor_minutes) + BLADE_CHANGE * tools
}
