use super::names::names_in_step;
use crate::balance::Place;
use crate::coat::Zone;
use crate::plan::Plan;
use crate::say::Words;
use crate::shape::Hand;
use crate::solve::{Stroke, Unit, UnitCut};

/// Less off a face is not said, mm (modelling choice: what a hand tells apart).
const NOTHING_OFF_MM: f64 = 2.0;
/// What comes off is even where it differs by less, mm: a step of the shears.
const EVEN_MM: f64 = 3.0;

/// What comes off a leg, face by face, at its joint, half way and at the hem (handbook 5, *Legs*).
///
/// # Units and shapes
/// Faces that lose the same all the way down in one line, the others in another; left and right apart
/// where they differ by a millimetre or more.
pub(super) fn face_amounts(
    cuts: &[&UnitCut],
    plan: &Plan,
    stands: &dyn Fn(Zone) -> f64,
    words: &Words<'_>,
) -> Vec<String> {
    let units: Vec<Unit> = cuts.iter().map(|cut| cut.unit).collect();
    let name_of = names_in_step(&units);
    let (mut alike, mut apart) = (Vec::new(), Vec::new());
    for cut in cuts {
        if cut.stroke == Stroke::Leave || !is_face(cut.unit) {
            continue;
        }
        for (side, off) in off_by_side(cut, plan, stands) {
            let name = format!("{}{side}", name_of(cut.unit));
            let least = off.iter().copied().fold(f64::INFINITY, f64::min);
            let most = off.iter().copied().fold(0.0, f64::max);
            if most < NOTHING_OFF_MM {
                continue;
            }
            if most - least < EVEN_MM {
                alike.push(format!("{name} {}", words.told(off[1], true)));
            } else {
                let told = off.map(|mm| match mm {
                    mm if mm < NOTHING_OFF_MM => "none".to_owned(),
                    mm => words.told(mm, true),
                });
                apart.push(format!("{name} {}", told.join(", ")));
            }
        }
    }
    [
        ("Off all the way down", alike),
        ("Off at the joint, half way, hem", apart),
    ]
    .into_iter()
    .filter(|(_, faces)| !faces.is_empty())
    .map(|(how, faces)| format!("{how}: {}", faces.join("; ")))
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

/// What comes off at the joint, half way and at the hem, mm; a side apart from the other, by its word, where
/// they differ.
fn off_by_side(
    cut: &UnitCut,
    plan: &Plan,
    stands: &dyn Fn(Zone) -> f64,
) -> Vec<(&'static str, [f64; 3])> {
    let three = |hand: Option<Hand>| -> Option<[f64; 3]> {
        let mut down = taken(cut, plan, stands, hand);
        down.sort_by(|a, b| b.0.total_cmp(&a.0));
        let (first, last) = (down.first()?, down.last()?);
        Some([first.1, down[down.len() / 2].1, last.1])
    };
    if plan.subject.is_mirrored {
        return three(None).map(|off| ("", off)).into_iter().collect();
    }
    match (three(Some(Hand::Left)), three(Some(Hand::Right))) {
        (Some(l), Some(r)) if l.iter().zip(&r).any(|(a, b)| (a - b).abs() >= 1.0) => {
            vec![(" left", l), (" right", r)]
        }
        (Some(off), _) => vec![("", off)],
        (None, _) => Vec::new(),
    }
}
