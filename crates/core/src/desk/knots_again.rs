use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use super::Desk;
use crate::balance::score;
use crate::coat::Knots;
use crate::consult::{Part, Wish};
use crate::plan::Plan;
use crate::solve::SolveError;

/// A part that knotted at visit after visit: it is proposed to be taken off (handbook 10 A 6).
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct KnotsAgain {
    /// Which.
    pub part: Part,
    /// Its name.
    pub label: String,
    /// At how many visits running.
    pub visits: u32,
    /// Balance lost with it off; less than nothing is a gain.
    pub costs: f64,
    /// In one sentence.
    pub sentence: String,
}

/// Visits running with knots after which a part is proposed to go (handbook 10 A 6).
const ENOUGH: u32 = 3;
/// Balance that nobody sees (as for a line's places).
const NOTHING: f64 = 0.5;

impl Desk<'_> {
    /// Parts knotted at three visits running that nobody has a wish about, each with its price.
    pub(super) fn knots_again(&self, ours: &Plan) -> Result<Vec<KnotsAgain>, SolveError> {
        let parts = Part::ALL.into_iter();
        let knotted = parts.filter_map(|part| Some((part, self.knotted_running(part)?)));
        knotted
            .map(|(part, visits)| self.without(part, visits, ours))
            .collect()
    }

    /// At how many visits running a part knotted, today's among them once knots are said; none where
    /// that is too few, or somebody decided about it.
    fn knotted_running(&self, part: Part) -> Option<u32> {
        let zone = part.zone();
        if self.visit.parts.contains_key(&part) {
            return None;
        }
        let before = self.coat.knotted_before.get(&zone)?.running;
        let running = before + u32::from(self.coat.knots(zone) != Knots::None);
        (running >= ENOUGH).then_some(running)
    }

    fn without(&self, part: Part, visits: u32, ours: &Plan) -> Result<KnotsAgain, SolveError> {
        let mut visit = self.visit.clone();
        visit.parts.insert(part, Wish::TakeOff);
        let desk = Desk {
            visit: &visit,
            ..self.clone()
        };
        let other = desk.planned(&desk.chosen_job())?;
        let cost = |plan: &Plan| score(&plan.solution.points, &plan.lengths_mm);
        let costs = cost(&other) - cost(ours);
        let price = if costs.abs() < NOTHING {
            "the balance holds".to_owned()
        } else if costs > 0.0 {
            format!("it costs {costs:.1} in balance")
        } else {
            format!("it gains {:.1} in balance", -costs)
        };
        Ok(KnotsAgain {
            part,
            label: part.label().into(),
            visits,
            costs,
            sentence: format!(
                "Knotted at {visits} visits running. With the {} off nothing is left to knot; {price}.",
                part.label()
            ),
        })
    }
}
