use super::names::names_in_step;
use crate::balance::Place;
use crate::coat::Zone;
use crate::plan::Plan;
use crate::say::{Words, capital};
use crate::shape::Hand;
use crate::solve::{Stroke, Unit, UnitCut};

/// Less off a face is not said, mm (modelling choice: what a hand tells apart).
const NOTHING_OFF_MM: f64 = 2.0;
/// What comes off is even where it differs by less, mm: a step of the shears.
const EVEN_MM: f64 = 3.0;

/// What comes off a leg, face by face, at its joint, half way and at the hem (handbook 5, *Legs*).
///
/// # Units and shapes
/// One line a face; left and right apart where they differ by a millimetre or more.
pub(super) fn face_amounts(
    cuts: &[&UnitCut],
    plan: &Plan,
    stands: &dyn Fn(Zone) -> f64,
    words: &Words<'_>,
) -> Vec<String> {
    let units: Vec<Unit> = cuts.iter().map(|cut| cut.unit).collect();
    let name_of = names_in_step(&units);
    cuts.iter()
        .filter(|cut| cut.stroke != Stroke::Leave && is_face(cut.unit))
        .flat_map(|cut| lines(cut, name_of(cut.unit), plan, stands, words))
        .collect()
}

const fn is_face(unit: Unit) -> bool {
    matches!(
        unit,
        Unit::HindBack
            | Unit::ForeBack
            | Unit::HindOut
            | Unit::ForeOut
            | Unit::HindIn
            | Unit::ForeIn
            | Unit::HindFront
            | Unit::ForeFront
    )
}

/// Spots as they come, with what is taken off there.
fn taken(
    cut: &UnitCut,
    plan: &Plan,
    stands: &dyn Fn(Zone) -> f64,
    hand: Option<Hand>,
) -> Vec<(f64, f64)> {
    let spots = cut.unit.spots(&plan.subject);
    spots
        .into_iter()
        .map(|i| &plan.subject.spots[i])
        .zip(&cut.leaves_mm)
        .filter(|(spot, _)| match spot.place {
            Place::Leg(place) => hand.is_none_or(|h| h == place.hand),
            Place::Side(_) | Place::Width(_) => true,
        })
        .map(|(spot, leaves)| (spot.skin.y, (stands(spot.zone) - leaves).max(0.0)))
        .collect()
}

fn lines(
    cut: &UnitCut,
    name: &str,
    plan: &Plan,
    stands: &dyn Fn(Zone) -> f64,
    words: &Words<'_>,
) -> Vec<String> {
    let three = |hand: Option<Hand>| -> Option<[f64; 3]> {
        let mut down = taken(cut, plan, stands, hand);
        down.sort_by(|a, b| b.0.total_cmp(&a.0));
        let (first, last) = (down.first()?, down.last()?);
        Some([first.1, down[down.len() / 2].1, last.1])
    };
    let name = capital(name);
    let written = |side: &str, [top, middle, hem]: [f64; 3]| {
        let off = |mm: f64| words.told(mm, true);
        let (least, most) = (top.min(middle).min(hem), top.max(middle).max(hem));
        if most < NOTHING_OFF_MM {
            None
        } else if most - least < EVEN_MM {
            Some(format!(
                "{name}{side}: about {} {} off all the way down",
                off(middle),
                words.unit()
            ))
        } else {
            let hem = if hem < NOTHING_OFF_MM {
                "none at the hem".to_owned()
            } else {
                format!("{} at the hem", off(hem))
            };
            Some(format!(
                "{name}{side}: {} off at the joint, {} half way, {hem}",
                off(top),
                off(middle)
            ))
        }
    };
    if plan.subject.is_mirrored {
        return three(None)
            .and_then(|t| written("", t))
            .into_iter()
            .collect();
    }
    let (left, right) = (three(Some(Hand::Left)), three(Some(Hand::Right)));
    match (left, right) {
        (Some(l), Some(r)) if l.iter().zip(&r).any(|(a, b)| (a - b).abs() >= 1.0) => {
            let both = [written(", left", l), written(", right", r)];
            both.into_iter().flatten().collect()
        }
        (Some(l), _) => written("", l).into_iter().collect(),
        (None, _) => Vec::new(),
    }
}
