use std::collections::BTreeSet;

use super::step::{Stage, Stands, Step};
use crate::coat::Zone;
use crate::plan::Plan;
use crate::units::Length;

/// Says at the last step that cuts a zone what stands there then: so much is done once it is ticked.
pub(super) fn put_stands(steps: &mut [Step], plan: &Plan) {
    let mut cut_later: BTreeSet<Zone> = BTreeSet::new();
    let cuts = |s: &&mut Step| s.stage != Stage::Prepare && !s.leaves.is_empty();
    for step in steps.iter_mut().rev().filter(cuts) {
        for zone in &step.zones {
            if cut_later.insert(*zone)
                && let Some(stands) = stands(*zone, plan)
            {
                step.stands.insert(*zone, stands);
            }
        }
    }
}

/// What the plan leaves on a zone; none where it says nothing of it.
fn stands(zone: Zone, plan: &Plan) -> Option<Stands> {
    let of_zone = plan.cuts.iter().filter(|c| c.unit.zone() == zone);
    let all = || of_zone.clone().flat_map(|c| c.leaves_mm.iter().copied());
    let tenth = |mm: f64| Length::worked_out_mm((mm * 10.0).round() / 10.0);
    Some(Stands {
        mm: tenth(plan.zone_mm(zone)?),
        least_mm: tenth(all().reduce(f64::min)?),
        most_mm: tenth(all().reduce(f64::max)?),
    })
}
