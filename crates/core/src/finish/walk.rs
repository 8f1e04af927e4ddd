use std::collections::BTreeMap;

use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use super::check::{ResultRow, ZoneResult};
use crate::balance::Judged;
use crate::coat::{CoatNow, Zone};
use crate::kit::ONE_SIZE_MM;
use crate::page::WalkFrom;
use crate::plan::Plan;
use crate::shape::Hand;
use crate::units::Length;

/// Something looked at on the walk round a finished dog (handbook 6, 9. *Check*; common practice).
#[derive(
    Clone, Copy, Debug, PartialEq, Eq, PartialOrd, Ord, Hash, Serialize, Deserialize, ToSchema,
)]
#[serde(rename_all = "snake_case")]
#[expect(missing_docs, reason = "the table of questions below says them")]
pub enum WalkSpot {
    Topline,
    NearSide,
    Underline,
    TailRound,
    ThighWidths,
    Hocks,
    FarSide,
    FarRear,
    Folds,
    EarEnds,
    Head,
    Daylight,
    Fringe,
    Hips,
    Pads,
    FeetSet,
    HeadDown,
    Walks,
}

/// What a hand of the dog is looked at: a spot of the middle has none.
type Hands = &'static [Option<Hand>];

const MIDDLE: Hands = &[None];
const NEAR: Hands = &[Some(Hand::Left)];
const FAR: Hands = &[Some(Hand::Right)];
const BOTH: Hands = &[Some(Hand::Left), Some(Hand::Right)];

/// A row of the table of the walk.
struct Asked {
    spot: WalkSpot,
    from: WalkFrom,
    /// The zone it is ringed at; none where no view of ours shows it.
    zone: Option<Zone>,
    hands: Hands,
    asks: &'static str,
}

const fn asked(
    spot: WalkSpot,
    from: WalkFrom,
    zone: Option<Zone>,
    hands: Hands,
    asks: &'static str,
) -> Asked {
    Asked {
        spot,
        from,
        zone,
        hands,
        asks,
    }
}

/// Two or three things a stance (handbook 6, 9. *Check*, its lists; common practice).
const ASKED: [Asked; 18] = {
    use WalkFrom as F;
    use WalkSpot as S;
    [
        asked(
            S::Topline,
            F::Left,
            Some(Zone::Back),
            MIDDLE,
            "one run from withers to tail?",
        ),
        asked(
            S::NearSide,
            F::Left,
            Some(Zone::Ribs),
            NEAR,
            "even, no lines in it?",
        ),
        asked(
            S::Underline,
            F::Left,
            Some(Zone::Underline),
            MIDDLE,
            "one rise, bevels even?",
        ),
        asked(
            S::TailRound,
            F::Behind,
            Some(Zone::Tail),
            MIDDLE,
            "the same from both sides?",
        ),
        asked(
            S::ThighWidths,
            F::Behind,
            Some(Zone::HindOut),
            BOTH,
            "plumb, no whorls?",
        ),
        asked(
            S::Hocks,
            F::Behind,
            Some(Zone::Hock),
            MIDDLE,
            "straight? Lift, set, look.",
        ),
        asked(
            S::FarSide,
            F::Right,
            Some(Zone::Ribs),
            FAR,
            "as the near side?",
        ),
        asked(
            S::FarRear,
            F::Right,
            Some(Zone::HindBack),
            MIDDLE,
            "as the near one?",
        ),
        asked(
            S::Folds,
            F::Right,
            None,
            MIDDLE,
            "Armpits, inside the thighs, inner ears: nothing left standing?",
        ),
        asked(
            S::EarEnds,
            F::Front,
            Some(Zone::Ear),
            BOTH,
            "brought together, one length?",
        ),
        asked(
            S::Head,
            F::Front,
            Some(Zone::Topknot),
            MIDDLE,
            "even on both sides?",
        ),
        asked(
            S::Daylight,
            F::Front,
            Some(Zone::ForeOut),
            BOTH,
            "plumb, daylight even?",
        ),
        asked(S::Fringe, F::Above, Some(Zone::Brow), MIDDLE, "level?"),
        asked(
            S::Hips,
            F::Above,
            Some(Zone::Hip),
            BOTH,
            "as wide as each other?",
        ),
        asked(
            S::Pads,
            F::Below,
            Some(Zone::Foot),
            MIDDLE,
            "pads clean, edge even?",
        ),
        asked(
            S::FeetSet,
            F::Below,
            None,
            MIDDLE,
            "Each foot lifted and set: even?",
        ),
        asked(
            S::HeadDown,
            F::Below,
            None,
            MIDDLE,
            "Head down and up again: neck even?",
        ),
        asked(
            S::Walks,
            F::Walking,
            None,
            MIDDLE,
            "Step back: what is wrong?",
        ),
    ]
};

/// Something that was looked at and is good.
#[derive(Clone, Copy, Debug, PartialEq, Eq, PartialOrd, Ord, Serialize, Deserialize, ToSchema)]
pub struct Looked {
    /// What.
    pub spot: WalkSpot,
    /// On which side of the dog; none for the middle.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    #[schema(required = false)]
    pub hand: Option<Hand>,
}

/// One place of the walk: a ring on the drawing, a row beside it.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct WalkPlace {
    /// Its ring's number, the same for a place on every dog.
    pub number: u32,
    /// What it is, as an entry names it.
    pub looked: Looked,
    /// Where its ring stands; none where no view shows it.
    pub zone: Option<Zone>,
    /// What it is called; empty where the question says it.
    pub label: String,
    /// What is asked of it.
    pub asks: String,
    /// The length planned there; none where none is measured.
    pub planned_mm: Option<Length>,
    /// The same as the sheet tells it; empty where none is measured.
    pub planned: String,
    /// Lengths to choose from by a touch, the planned one in the middle.
    pub choices_mm: Vec<Length>,
    /// What was measured there.
    pub left_mm: Option<Length>,
    /// Whether it was found good.
    pub is_good: bool,
}

impl WalkPlace {
    /// Whether it was looked at or measured.
    pub fn is_seen(&self) -> bool {
        self.is_good || self.left_mm.is_some()
    }
}

/// What to look at from one place round the table.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct WalkView {
    /// From where.
    pub from: WalkFrom,
    /// What its page is called.
    pub label: String,
    /// The same in one word.
    pub short: String,
    /// What was off on this dog before, as a stylist says it.
    pub this_dogs: Vec<String>,
    /// Its places.
    pub places: Vec<WalkPlace>,
}

/// So many of a stance's points that were off are named, the worst first: more nobody looks for.
const AGAIN: usize = 3;
/// Choices on either side of the planned length.
const CHOICES: i32 = 2;
/// Short hair is told apart by less than a comb's size, mm (common practice: blades of the kit).
const SHORT_MM: f64 = 8.0;
/// Between choices of short hair, mm.
const SHORT_STEP_MM: f64 = 1.5;
/// Two choices nearer than this are one, mm (modelling choice: what a hand tells apart).
const LEAST_STEP_MM: f64 = 1.0;

/// Lengths to choose from about those planned in turn, the shortest first: a comb's size apart, nothing below
/// nothing, fewer about each where there are several.
fn choices_mm(passes_mm: &[f64]) -> Vec<Length> {
    let each = if passes_mm.len() > 1 { 1 } else { CHOICES };
    let planned: Vec<f64> = passes_mm.iter().map(|mm| rounded(*mm)).collect();
    // Whatever else gives way, what is planned stands among them.
    let mut all = planned.clone();
    for mm in planned.iter().flat_map(|mm| about(*mm, each)) {
        if all.iter().all(|there| (there - mm).abs() >= LEAST_STEP_MM) {
            all.push(mm);
        }
    }
    all.sort_by(f64::total_cmp);
    let lengths = all.into_iter().filter_map(|mm| Length::from_mm(mm).ok());
    lengths.collect()
}

/// As a hand tells it, mm: short hair to the half.
fn rounded(mm: f64) -> f64 {
    if mm < SHORT_MM {
        (2.0 * mm).round() / 2.0
    } else {
        mm.round()
    }
}

/// Lengths about a planned one, so many on either side, mm.
fn about(planned: f64, each: i32) -> Vec<f64> {
    let step = if planned < SHORT_MM {
        SHORT_STEP_MM
    } else {
        ONE_SIZE_MM
    };
    (-each..=each)
        .map(|n| planned + f64::from(n) * step)
        .filter(|mm| *mm > 0.0)
        .collect()
}

/// The walk round the dog: what was off before comes first, stance by stance; then what is looked at on
/// every dog that has it.
pub(super) fn walk(
    plan: &Plan,
    coat: &CoatNow,
    rows: &[ResultRow],
    results: &BTreeMap<Zone, ZoneResult>,
    looked: &[Looked],
) -> Vec<WalkView> {
    let points = &plan.solution.points;
    let now = plan.subject.now(coat);
    let places = places(rows, results, looked);
    WalkFrom::ALL
        .into_iter()
        .map(|from| {
            // From below and from afar nothing is judged that the sides do not show.
            let is_judged = !matches!(from, WalkFrom::Right | WalkFrom::Below | WalkFrom::Walking);
            let mut was_off: Vec<(Judged, f64)> = points
                .iter()
                .filter(|p| is_judged && p.at.view == from.view())
                .map(|p| (p.judged, p.off(&now)))
                .filter(|(_, off)| *off > 1.0)
                .collect();
            was_off.sort_by(|a, b| b.1.total_cmp(&a.1));
            let mut this_dogs: Vec<String> = Vec::new();
            for (judged, _) in was_off {
                let label = judged.rule().label.to_lowercase();
                if this_dogs.len() < AGAIN && !this_dogs.contains(&label) {
                    this_dogs.push(label);
                }
            }
            WalkView {
                from,
                label: from.label().into(),
                short: from.short().into(),
                this_dogs,
                places: seen_from(from, &places),
            }
        })
        .collect()
}

fn seen_from(from: WalkFrom, places: &[WalkPlace]) -> Vec<WalkPlace> {
    let here = |place: &&WalkPlace| {
        let row = ASKED.iter().find(|a| a.spot == place.looked.spot);
        row.is_some_and(|a| a.from == from)
    };
    places.iter().filter(here).cloned().collect()
}

/// Places that are ringed from one stance, with what was said of them.
pub(crate) fn ringed(
    from: WalkFrom,
    results: &BTreeMap<Zone, ZoneResult>,
    looked: &[Looked],
) -> Vec<WalkPlace> {
    seen_from(from, &places(&[], results, looked))
}

/// Every place of the walk, with what was said of it.
fn places(
    rows: &[ResultRow],
    results: &BTreeMap<Zone, ZoneResult>,
    looked: &[Looked],
) -> Vec<WalkPlace> {
    let rings = ASKED
        .iter()
        .flat_map(|a| a.hands.iter().map(move |hand| (a, *hand)));
    (1..)
        .zip(rings)
        .map(|(number, (asked, hand))| {
            let row = asked
                .zone
                .and_then(|zone| rows.iter().find(|r| r.zone == zone));
            let planned = row.map(|r| r.planned_mm);
            let this = Looked {
                spot: asked.spot,
                hand,
            };
            let side = match hand {
                Some(Hand::Left) => ", left",
                Some(Hand::Right) => ", right",
                None => "",
            };
            WalkPlace {
                number,
                looked: this,
                zone: asked.zone,
                label: asked
                    .zone
                    .map_or_else(String::new, |zone| format!("{}{side}", zone.label())),
                asks: asked.asks.into(),
                planned_mm: planned,
                planned: row.map_or_else(String::new, |r| r.planned.clone()),
                choices_mm: row.map_or_else(Vec::new, |r| choices_mm(&r.passes_mm)),
                left_mm: asked
                    .zone
                    .and_then(|zone| results.get(&zone))
                    .and_then(|result| result.read_on(hand)),
                is_good: looked.contains(&this),
            }
        })
        .collect()
}

#[cfg(test)]
mod tests {
    use super::*;

    /// Every stance asks something, no more than three things, and no place twice.
    #[test]
    fn every_stance_asks_one_to_three_things() {
        for from in WalkFrom::ALL {
            let here = ASKED.iter().filter(|a| a.from == from).count();
            assert!((1..=3).contains(&here), "{from:?}: {here}");
        }
        let mut spots: Vec<WalkSpot> = ASKED.iter().map(|a| a.spot).collect();
        spots.sort();
        spots.dedup();
        assert_eq!(spots.len(), ASKED.len());
    }

    /// Combs differ by 3 mm (handbook 3); clipped hair by a blade's step.
    #[test]
    fn lengths_offered_lie_about_the_planned_one() {
        let mm = |planned: &[f64]| -> Vec<f64> {
            choices_mm(planned).into_iter().map(Length::as_mm).collect()
        };
        assert_eq!(mm(&[30.2]), [24.0, 27.0, 30.0, 33.0, 36.0]);
        assert_eq!(mm(&[3.2]), [1.5, 3.0, 4.5, 6.0]);
        assert_eq!(mm(&[0.4]), [0.5, 2.0, 3.5]);
        // A back in two passes: the planned of both, and a step about each.
        assert_eq!(mm(&[9.5, 6.0]), [4.5, 6.0, 7.0, 10.0, 13.0]);
        assert_eq!(mm(&[9.0, 7.0]), [6.0, 7.0, 9.0, 12.0]);
    }
}
