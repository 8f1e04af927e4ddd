use super::make::Plan;
use crate::balance::Place;
use crate::coat::{CoatNow, Zone};
use crate::shape::{
    CoatEdge, Dressing, Hand, LEG_PLACES, LegPlace, Station, dress_by_zone, eased, hanging_share,
};
use crate::solve::{Stroke, Unit, UnitCut};

/// Which of the plan's coats to draw.
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
pub enum PlanCoat {
    /// The exact lengths.
    Ideal,
    /// What the tools leave, joints blended.
    Tools,
    /// The same an hour later: stand × 0.9 (handbook 3, editable).
    Settled,
}

/// Coat settles by this factor after the dog has shaken and walked (handbook 3).
pub(crate) const SETTLES: f64 = 0.9;

/// Dresses the frame in the plan.
pub fn dress_plan(plan: &Plan, coat: &CoatNow, which: PlanCoat) -> Dressing {
    let build = &plan.subject.build;
    let of_unit = |unit: Unit| -> Option<f64> {
        let cut: &UnitCut = plan.cuts.iter().find(|c| c.unit == unit)?;
        let lengths = match which {
            PlanCoat::Ideal => &cut.wanted_mm,
            PlanCoat::Tools | PlanCoat::Settled => &cut.leaves_mm,
        };
        Some(lengths.iter().sum::<f64>() / lengths.len().max(1) as f64)
    };
    let at_zone = |zone: Zone| {
        let unit = match zone {
            Zone::Muzzle if !plan.subject.has_muzzle_apart => Some(Unit::Face),
            Zone::NeckSide => Some(Unit::Shoulder),
            _ => Unit::ALL.into_iter().find(|u| u.zone() == zone),
        };
        unit.and_then(of_unit)
            .unwrap_or_else(|| coat.length_mm(zone))
    };
    let mut dressing = dress_by_zone(
        build,
        coat.texture,
        plan.subject.stand,
        plan.subject.look.finish,
        &at_zone,
    );
    let mut columns = [0.0; LEG_PLACES];
    let lengths = match which {
        PlanCoat::Ideal => &plan.solution.lengths_mm,
        PlanCoat::Tools | PlanCoat::Settled => &plan.lengths_mm,
    };
    for (spot, length) in plan.subject.spots.iter().zip(lengths) {
        match spot.place {
            Place::Side(station) => dressing.lengths[station.index()] = *length,
            Place::Leg(place) => {
                columns[place.index()] = *length;
                if plan.subject.is_mirrored {
                    let other = LegPlace {
                        hand: Hand::Right,
                        ..place
                    };
                    columns[other.index()] = *length;
                }
            }
            Place::Width(_) => {}
        }
    }
    dressing.columns = Some(columns);
    if which != PlanCoat::Ideal {
        ease_joins(plan, &mut dressing);
    }
    hang_skirt(plan, &mut dressing);
    if which == PlanCoat::Settled {
        dressing.stand = dressing.stand.times(SETTLES);
    }
    dressing
}

/// Joins a step between clipped lengths over the next stations, as it is at the table. Where shears
/// follow a line hair by hair, the lengths differ so that the edge is even: they stay.
fn ease_joins(plan: &Plan, dressing: &mut Dressing) {
    let solved = dressing.lengths;
    dressing.lengths = eased(&solved);
    let shears = plan
        .cuts
        .iter()
        .filter(|c| matches!(c.stroke, Stroke::Scissor | Stroke::Thin));
    for i in shears.flat_map(|cut| cut.unit.spots(&plan.subject)) {
        if let Place::Side(station) = plan.subject.spots[i].place {
            dressing.lengths[station.index()] = solved[station.index()];
        }
    }
}

/// Hangs a kept skirt from its line down to the planned hem under the brisket.
fn hang_skirt(plan: &Plan, dressing: &mut Dressing) {
    let build = &plan.subject.build;
    let root = plan.subject.lines.skirt_root_mm(build.height, build.elbow);
    let hem = CoatEdge::new(&plan.subject.shape, dressing).at(Station::Brisket);
    let stand = dressing.stand.of(Zone::Underline);
    if let (Some(skirt), Some(root)) = (&mut dressing.skirt, root) {
        skirt.root_height = root;
        skirt.length = (root - hem.y).max(0.0) / hanging_share(stand);
    }
}
