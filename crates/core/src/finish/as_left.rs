use std::collections::BTreeMap;

use super::check::{ZoneResult, planned_beside, units_of};
use crate::balance::Place;
use crate::coat::Zone;
use crate::plan::Plan;
use crate::say::Words;
use crate::units::Length;

/// Length at every spot as it came out, mm: what was measured moves the planned lengths of its
/// zone up or down together.
pub(super) fn came_out(results: &BTreeMap<Zone, ZoneResult>, plan: &Plan) -> Vec<f64> {
    let mut lengths = plan.lengths_mm.clone();
    for (zone, result) in results {
        let units = units_of(plan, *zone);
        let spots: Vec<usize> = units
            .iter()
            .flat_map(|c| c.unit.spots(&plan.subject))
            .collect();
        let Some(planned) = planned_beside(&units, result.mean_mm()) else {
            continue;
        };
        for i in spots {
            let hand = match plan.subject.spots[i].place {
                Place::Leg(place) if !plan.subject.is_mirrored => Some(place.hand),
                Place::Side(_) | Place::Width(_) | Place::Leg(_) => None,
            };
            let measured = hand.map_or_else(|| result.mean_mm(), |h| result.on(h));
            if let Some(mm) = measured {
                lengths[i] = (lengths[i] + mm - planned).max(0.0);
            }
        }
    }
    lengths
}

/// The plan with what was really left in its lengths, to draw the finished dog by: results that can be.
pub(crate) fn plan_as_left(results: &BTreeMap<Zone, ZoneResult>, plan: &Plan) -> Plan {
    let mut left = plan.clone();
    left.lengths_mm = came_out(results, plan);
    for (zone, result) in results {
        let units = units_of(plan, *zone);
        let (Some(mean), Some(planned)) =
            (result.mean_mm(), planned_beside(&units, result.mean_mm()))
        else {
            continue;
        };
        for cut in left.cuts.iter_mut().filter(|c| c.unit.zone() == *zone) {
            for mm in &mut cut.leaves_mm {
                *mm = (*mm + mean - planned).max(0.0);
            }
        }
    }
    left
}

/// What was left of a zone as the sheet writes it: one length, or left and right where they differ.
pub(crate) fn text_as_left(result: &ZoneResult, words: &Words<'_>) -> Option<String> {
    let bare = |mm: Length| words.bare(mm.as_mm());
    Some(match (result.left_mm, result.right_mm) {
        (Some(l), Some(r)) if bare(l) != bare(r) => format!("{} / {}", bare(l), bare(r)),
        (left, right) => bare(left.or(right)?),
    })
}
