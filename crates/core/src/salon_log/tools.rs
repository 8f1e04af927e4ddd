use std::collections::BTreeMap;

use serde::{Deserialize, Serialize};
use utoipa::ToSchema;
use uuid::Uuid;

use crate::finish::{AS_PLANNED_MM, ZoneResult};
use crate::kit::Tool;
use crate::learn::{Learnt, Prior, learn};
use crate::visit::{PlanInBrief, Visit};

/// What a tool really leaves, pressed flat with the lay.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct ToolLearnt {
    /// Which.
    pub tool: Uuid,
    /// What it leaves, mm.
    pub leaves: Learnt,
}

/// Marked lengths are off by about this share (modelling choice: combs of one number differ by a
/// millimetre in sixteen).
const MARK_DOUBT_SHARE: f64 = 0.08;
/// … and by at least this, mm.
const MARK_DOUBT_MM: f64 = 0.4;
/// Learns what each tool leaves from lengths measured after grooms: zones cut by a full pass with
/// the lay, as planned.
///
/// # References
/// Handbook 3, *The kit learns*.
pub fn learn_tools<'a>(
    visits: impl IntoIterator<Item = (&'a Visit, &'a PlanInBrief)>,
    kit: &[Tool],
) -> Vec<ToolLearnt> {
    let mut readings: BTreeMap<Uuid, Vec<f64>> = BTreeMap::new();
    for (visit, plan) in visits {
        for pass in plan.passes.iter().flatten() {
            let result = visit.results.get(&pass.zone).filter(|r| r.can_be());
            if let Some(left) = result.and_then(|result| left_by(pass.tool, result)) {
                // Over another blade than a 30 the plan expects its length to differ by as much.
                let by = left - pass.expected_mm.as_mm();
                let of_tool = readings.entry(pass.tool).or_default();
                of_tool.push(pass.marked_mm.as_mm() + by);
            }
        }
    }
    kit.iter()
        .filter_map(|tool| {
            let mm = tool.leaves_mm.as_mm();
            let prior = Prior {
                value: mm,
                doubt: (MARK_DOUBT_SHARE * mm).max(MARK_DOUBT_MM),
                scatter: AS_PLANNED_MM,
            };
            Some(ToolLearnt {
                tool: tool.id,
                leaves: learn(readings.get(&tool.id)?, prior),
            })
        })
        .collect()
}

/// What was left by the planned tool, run as planned, mm.
fn left_by(tool: Uuid, result: &ZoneResult) -> Option<f64> {
    let is_as_planned =
        result.tool.is_none_or(|t| t == tool) && result.under.is_none() && result.stroke.is_none();
    result.mean_mm().filter(|_| is_as_planned)
}
