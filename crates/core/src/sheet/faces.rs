use crate::balance::Place;
use crate::coat::CoatNow;
use crate::plan::Plan;
use crate::say::{Words, capital};
use crate::shape::Hand;
use crate::solve::{Stroke, Unit, UnitCut};

/// What comes off a leg, face by face, at its joint, half way and at the hem (handbook 5, *Legs*).
///
/// # Units and shapes
/// One line a face; left and right apart where they differ by a millimetre or more.
pub(super) fn face_amounts(
    cuts: &[&UnitCut],
    plan: &Plan,
    coat: &CoatNow,
    words: &Words<'_>,
) -> Vec<String> {
    cuts.iter()
        .filter(|cut| cut.stroke != Stroke::Leave && is_face(cut.unit))
        .flat_map(|cut| lines(cut, plan, coat, words))
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
fn taken(cut: &UnitCut, plan: &Plan, coat: &CoatNow, hand: Option<Hand>) -> Vec<(f64, f64)> {
    let spots = cut.unit.spots(&plan.subject);
    spots
        .into_iter()
        .map(|i| &plan.subject.spots[i])
        .zip(&cut.leaves_mm)
        .filter(|(spot, _)| match spot.place {
            Place::Leg(place) => hand.is_none_or(|h| h == place.hand),
            Place::Side(_) | Place::Width(_) => true,
        })
        .map(|(spot, leaves)| (spot.skin.y, (coat.length_mm(spot.zone) - leaves).max(0.0)))
        .collect()
}

fn lines(cut: &UnitCut, plan: &Plan, coat: &CoatNow, words: &Words<'_>) -> Vec<String> {
    let three = |hand: Option<Hand>| -> Option<[f64; 3]> {
        let mut down = taken(cut, plan, coat, hand);
        down.sort_by(|a, b| b.0.total_cmp(&a.0));
        let (first, last) = (down.first()?, down.last()?);
        Some([first.1, down[down.len() / 2].1, last.1])
    };
    let name = capital(cut.unit.label());
    let written = |side: &str, [top, middle, hem]: [f64; 3]| {
        format!(
            "{name}{side}: {} off at the joint, {} half way, {} at the hem",
            words.length(top),
            words.length(middle),
            words.length(hem)
        )
    };
    if plan.subject.is_mirrored {
        return three(None).map(|t| written("", t)).into_iter().collect();
    }
    let (left, right) = (three(Some(Hand::Left)), three(Some(Hand::Right)));
    match (left, right) {
        (Some(l), Some(r)) if l.iter().zip(&r).any(|(a, b)| (a - b).abs() >= 1.0) => {
            vec![written(", left", l), written(", right", r)]
        }
        (Some(l), _) => vec![written("", l)],
        (None, _) => Vec::new(),
    }
}
