use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use super::state::Run;
use crate::balance::score;
use crate::coat::Zone;
use crate::kit::Tool;
use crate::plan::Plan;
use crate::sheet::Stage;
use crate::solve::Stroke;

/// A step that could be left out when time is short.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct LeaveOut {
    /// Its number.
    pub step: u32,
    /// Minutes it saves.
    pub minutes: f64,
    /// What it costs in balance; zero where nothing judged is left longer.
    pub costs: f64,
    /// In one sentence.
    pub sentence: String,
}

/// Balance under which a loss is not worth a word (a point just leaving its tolerance costs 1).
const NO_LOSS: f64 = 0.5;

/// Steps to come that could be left out, the cheapest a minute first: shears and blending, for
/// what the clipper left stands without them.
///
/// A scissored part left out keeps what its rough-out left, or today's coat where nothing roughed
/// it; the plan's balance is judged with it so.
pub fn could_leave(run: &Run, plan: &Plan, kit: &[Tool], now_mm: &[f64]) -> Vec<LeaveOut> {
    let points = &plan.solution.points;
    let as_planned = score(points, &plan.lengths_mm);
    let mut list: Vec<LeaveOut> = run
        .queue()
        .iter()
        .filter_map(|number| run.step(*number))
        .filter(|step| matches!(step.stage, Stage::Scissor | Stage::Blend))
        // The head counts most with owners, and half a head is none: never left out.
        .filter(|step| !step.zones.iter().any(|z| z.is_head() && *z != Zone::Ear))
        .map(|step| {
            let mut lengths = plan.lengths_mm.clone();
            let left = plan
                .cuts
                .iter()
                .filter(|c| matches!(c.stroke, Stroke::Scissor | Stroke::Thin))
                .filter(|c| step.zones.contains(&c.unit.zone()));
            for cut in left {
                let rough = cut
                    .tool
                    .and_then(|id| kit.iter().find(|t| t.id == id))
                    .map(|t| t.leaves_mm.as_mm());
                for i in cut.unit.spots(&plan.subject) {
                    let there = rough.unwrap_or(now_mm[i]);
                    lengths[i] = there.max(plan.lengths_mm[i]).min(now_mm[i]);
                }
            }
            let costs = (score(points, &lengths) - as_planned).max(0.0);
            let price = if step.stage == Stage::Blend {
                "joins stay to be seen".to_owned()
            } else if costs < NO_LOSS {
                "no balance point is lost, the finish is rougher".to_owned()
            } else {
                format!("costs {costs:.0} in balance")
            };
            LeaveOut {
                step: step.number,
                minutes: step.minutes,
                costs,
                sentence: format!(
                    "{}: saves {} min, {price}.",
                    step.what,
                    step.minutes.round().max(1.0)
                ),
            }
        })
        .collect();
    let a_minute = |l: &LeaveOut| l.costs / l.minutes.max(0.1);
    list.sort_by(|a, b| a_minute(a).total_cmp(&a_minute(b)));
    list
}
