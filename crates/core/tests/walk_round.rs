//! The walk round a finished dog: what is looked at from where, good or a length by a touch, and the
//! dog drawn as it was left (handbook 6, 9. *Check*).

use crate::support;

use std::collections::BTreeSet;

use rstest::rstest;
use support::table::{Table, dog, mm};
use veliform_core::coat::Zone;
use veliform_core::desk::Reasons;
use veliform_core::drawing::{DrawOptions, Drawing, Geometry, Layers, Role, Tag};
use veliform_core::finish::{FinishReport, Looked, WalkPlace, WalkSpot, ZoneResult};
use veliform_core::frame::{BuildType, Measure, Method, TakenMeasure};
use veliform_core::look::LookId;
use veliform_core::page::WalkFrom;
use veliform_core::shape::Hand;
use veliform_core::visit::{EntryBody, LookChoice};

/// A dog in a coat long enough for its look, its groom not told.
fn finished(build: BuildType, look: LookId, height: f64) -> Table {
    let mut table = Table {
        dog: dog(None),
        entries: Vec::new(),
        now: 0,
    };
    table.say(EntryBody::BuildSet { build });
    table.say(EntryBody::MeasureSet {
        measure: Measure::HeightAtWithers,
        taken: TakenMeasure::by(Method::HeightStick, mm(height)),
    });
    table.say(EntryBody::CoatAllOver {
        length_mm: Some(mm(70.0)),
    });
    table.say(EntryBody::LookChosen {
        choice: LookChoice {
            look,
            body_mm: None,
        },
    });
    table
}

fn lamb() -> Table {
    finished(BuildType::SquareCurly, LookId::Lamb, 440.0)
}

fn checked(dog: &Table) -> FinishReport {
    dog.desk(|d| d.finish().expect("solves"))
}

fn drawn(dog: &Table, options: &DrawOptions) -> Drawing {
    dog.desk(|d| d.draw(Some(&d.plan(Reasons::Skip).expect("solves")), options))
}

fn seen_from(dog: &Table, walk: WalkFrom) -> Drawing {
    drawn(
        dog,
        &DrawOptions {
            walk: Some(walk),
            ..DrawOptions::default()
        },
    )
}

fn places(report: &FinishReport) -> Vec<WalkPlace> {
    report.walk.iter().flat_map(|w| w.places.clone()).collect()
}

fn result(left: f64, right: f64) -> ZoneResult {
    ZoneResult {
        left_mm: Some(mm(left)),
        right_mm: Some(mm(right)),
        ..ZoneResult::default()
    }
}

/// The handbook's lists: behind are rear and columns, in front ears, head and daylight, above fringe and
/// hips, below the pads; then the dog walks (handbook 6, 9. *Check*).
#[test]
fn every_list_of_the_handbook_is_walked() {
    use WalkSpot as S;
    let report = checked(&lamb());
    let asked = |from: WalkFrom| -> BTreeSet<WalkSpot> {
        let here = report.walk.iter().filter(|w| w.from == from);
        here.flat_map(|w| &w.places)
            .map(|p| p.looked.spot)
            .collect()
    };
    for (from, spots) in [
        (
            WalkFrom::Behind,
            vec![S::TailRound, S::ThighWidths, S::Hocks],
        ),
        (WalkFrom::Right, vec![S::FarSide, S::FarRear, S::Folds]),
        (WalkFrom::Front, vec![S::EarEnds, S::Head, S::Daylight]),
        (WalkFrom::Above, vec![S::Fringe, S::Hips]),
        (WalkFrom::Below, vec![S::Pads, S::FeetSet, S::HeadDown]),
        (WalkFrom::Walking, vec![S::Walks]),
    ] {
        assert_eq!(asked(from), spots.into_iter().collect(), "{from:?}");
    }
}

/// A place that has a zone is ringed in its stance's view, on the page and apart from the others: on
/// every kind of dog.
#[rstest]
#[case::square_curly(BuildType::SquareCurly, LookId::Lamb, 440.0)]
#[case::long_low(BuildType::LongLow, LookId::OneLength, 260.0)]
#[case::leggy(BuildType::Leggy, LookId::AngledTerrier, 620.0)]
#[case::toy(BuildType::Toy, LookId::ToyJacket, 230.0)]
#[case::spaniel(BuildType::Spaniel, LookId::SkirtedSpaniel, 370.0)]
fn every_place_is_ringed_where_it_is(
    #[case] build: BuildType,
    #[case] look: LookId,
    #[case] height: f64,
) {
    let dog = finished(build, look, height);
    for view in checked(&dog).walk {
        let drawing = seen_from(&dog, view.from);
        let [left, bottom, right, top] = drawing.bounds_mm;
        let rings: Vec<([f64; 2], f64)> = drawing
            .shapes
            .iter()
            .filter(|s| s.role == Role::Ring)
            .filter_map(|s| match s.geometry {
                Geometry::Disc { at_mm, radius_mm } => Some((at_mm, radius_mm)),
                _ => None,
            })
            .collect();
        let ringed: BTreeSet<u32> = drawing
            .shapes
            .iter()
            .filter_map(|s| match s.tag {
                Some(Tag::Ring(number)) => Some(number),
                _ => None,
            })
            .collect();
        let with_zone = view.places.iter().filter(|p| p.zone.is_some());
        let numbers: BTreeSet<u32> = with_zone.map(|p| p.number).collect();
        assert_eq!(ringed, numbers, "{:?}", view.from);
        for (i, ([x, y], r)) in rings.iter().enumerate() {
            assert!(x - r > left && x + r < right, "{:?}: {x}", view.from);
            assert!(y - r > bottom && y + r < top, "{:?}: {y}", view.from);
            for ([u, v], _) in &rings[..i] {
                let apart = (x - u).hypot(y - v);
                assert!(apart > 1.2 * r, "{:?}: {apart} mm apart", view.from);
            }
        }
    }
}

/// Seen from its right the dog faces right: what is ringed is the far side's.
#[test]
fn the_right_side_is_the_left_turned_round() {
    let dog = lamb();
    let nose = |drawing: &Drawing| {
        let eye = drawing.shapes.iter().find(|s| s.role == Role::Feature);
        let fill = match &eye.expect("an eye").geometry {
            Geometry::Fill { points_mm } => points_mm.first(),
            _ => None,
        };
        *fill.expect("filled")
    };
    let (left, right) = (
        seen_from(&dog, WalkFrom::Left),
        seen_from(&dog, WalkFrom::Right),
    );
    let [from, _, to, _] = left.bounds_mm;
    assert!((nose(&left) + nose(&right) - (from + to)).abs() < 0.2);
}

/// One touch says good; the ring says it too, and undo takes it back.
#[test]
fn what_is_good_is_seen_and_can_be_taken_back() {
    let mut dog = lamb();
    let ears = [Hand::Left, Hand::Right].map(|hand| Looked {
        spot: WalkSpot::EarEnds,
        hand: Some(hand),
    });
    dog.say(EntryBody::LookedAt {
        places: ears.to_vec(),
    });
    // A second touch, from another screen, changes nothing.
    dog.say(EntryBody::LookedAt {
        places: vec![ears[0]],
    });
    assert_eq!(dog.visit().looked, ears);
    let report = checked(&dog);
    assert_eq!(report.sentence, "Nothing to touch up so far.");
    let good = places(&report).into_iter().filter(WalkPlace::is_seen);
    assert_eq!(good.map(|p| p.looked).collect::<Vec<_>>(), ears);
    let words: Vec<String> = seen_from(&dog, WalkFrom::Front)
        .shapes
        .into_iter()
        .filter(|s| s.role == Role::RingWord)
        .filter_map(|s| match s.geometry {
            Geometry::Text { text, .. } => Some(text),
            _ => None,
        })
        .collect();
    assert_eq!(words, ["good", "good"]);
    let undo = |dog: &mut Table| {
        let step = dog.visit().undo.expect("something to undo");
        dog.say(EntryBody::Undone { entry: step.entry });
    };
    undo(&mut dog);
    undo(&mut dog);
    assert!(dog.visit().looked.is_empty());
}

/// A number by touch: combs' sizes about the planned one (handbook 3: they differ by 3 mm), which is
/// itself as planned.
#[test]
fn the_length_planned_is_the_one_in_the_middle() {
    let mut seen = 0;
    for place in places(&checked(&lamb())) {
        let Some(planned) = place.planned_mm else {
            assert!(place.choices_mm.is_empty());
            continue;
        };
        let choices: Vec<f64> = place.choices_mm.iter().map(|mm| mm.as_mm()).collect();
        assert!(choices.is_sorted() && choices[0] > 0.0, "{choices:?}");
        let nearest = choices
            .iter()
            .map(|mm| (mm - planned.as_mm()).abs())
            .fold(f64::INFINITY, f64::min);
        assert!(nearest <= 0.5, "{}: {choices:?}", place.label);
        seen += 1;
    }
    assert!(seen >= 10, "{seen} places are measured");
}

/// Ticked, a touch-up is done: it leaves the list, what it left is the result, and the record keeps what
/// was done.
#[test]
fn a_touch_up_that_is_ticked_is_done() {
    let mut dog = lamb();
    let planned = |zone: Zone| {
        let rows = checked(&lamb()).rows;
        let row = rows
            .iter()
            .find(|r| r.zone == zone)
            .expect("cut")
            .planned_mm;
        row.as_mm()
    };
    let (ears, under) = (planned(Zone::Ear), planned(Zone::Underline));
    dog.say(EntryBody::ResultSet {
        zone: Zone::Ear,
        result: result(ears, ears + 5.0),
    });
    dog.say(EntryBody::ResultSet {
        zone: Zone::Underline,
        result: ZoneResult {
            left_mm: Some(mm(under + 8.0)),
            ..ZoneResult::default()
        },
    });
    let mut done = 0;
    while let Some(touch) = checked(&dog).touch_ups.first().cloned() {
        done += 1;
        assert!(done < 6, "{touch:?} comes again");
        dog.say(EntryBody::TouchedUp {
            zone: touch.zone,
            what: touch.sentence,
            result: touch.after,
        });
    }
    let visit = dog.visit();
    assert_eq!(visit.touched_up.len(), done);
    assert_eq!(visit.results[&Zone::Ear], result(ears, ears));
    let left = visit.results[&Zone::Underline].mean_mm().expect("left");
    assert!((left - under).abs() < 3.0, "{left} of {under}");
}

/// The finished dog is drawn as it was measured: its lengths are the measured ones, and its edge moves
/// with them, no further than the difference.
#[test]
fn the_finished_dog_is_drawn_as_it_was_left() {
    let mut dog = lamb();
    let options = DrawOptions {
        layers: Layers {
            as_left: true,
            lengths: true,
            now: false,
            hair: false,
            ..Layers::default()
        },
        ..DrawOptions::default()
    };
    let edge = |drawing: &Drawing| -> f64 {
        let lines = drawing.shapes.iter().filter(|s| s.role == Role::PlanFill);
        lines
            .filter_map(|s| match &s.geometry {
                Geometry::Fill { points_mm } => Some(points_mm),
                _ => None,
            })
            .flat_map(|p| p.chunks_exact(2).map(|p| [p[0], p[1]]).collect::<Vec<_>>())
            // Over the back, between shoulder and loin.
            .filter(|[x, _]| (-300.0..-120.0).contains(x))
            .map(|[_, y]| y)
            .fold(0.0, f64::max)
    };
    let planned = drawn(&dog, &options);
    dog.say(EntryBody::ResultSet {
        zone: Zone::Back,
        result: ZoneResult {
            left_mm: Some(mm(41.0)),
            ..ZoneResult::default()
        },
    });
    let left = drawn(&dog, &options);
    let back = left.shapes.iter().find_map(|s| match &s.geometry {
        Geometry::Text { text, .. } if s.tag == Some(Tag::Zone(Zone::Back)) => Some(text.clone()),
        _ => None,
    });
    assert_eq!(back.as_deref(), Some("41"));
    let higher = edge(&left) - edge(&planned);
    assert!(higher > 3.0 && higher < 41.0, "{higher}");
    // Nothing measured: as planned, to the last point.
    let plain = drawn(&lamb(), &options);
    assert_eq!(plain, planned);
}

/// Nonsense draws nothing: a length no dog carries is neither ringed nor drawn, a place that is none is no
/// place, and a sentence without end is cut.
#[rstest]
#[case(-3.0)]
#[case(1e300)]
fn nonsense_is_drawn_nowhere(#[case] nonsense: f64) {
    let options = DrawOptions {
        walk: Some(WalkFrom::Left),
        layers: Layers {
            as_left: true,
            ..Layers::default()
        },
        ..DrawOptions::default()
    };
    let planned = drawn(&lamb(), &options);
    let mut dog = lamb();
    dog.say(EntryBody::ResultSet {
        zone: Zone::Back,
        result: ZoneResult {
            left_mm: Some(mm(nonsense)),
            ..ZoneResult::default()
        },
    });
    dog.say(EntryBody::LookedAt {
        places: vec![Looked {
            spot: WalkSpot::Topline,
            hand: Some(Hand::Right),
        }],
    });
    assert_eq!(drawn(&dog, &options), planned);
    assert!(!places(&checked(&dog)).iter().any(WalkPlace::is_seen));
    dog.say(EntryBody::TouchedUp {
        zone: Zone::Back,
        what: "off ".repeat(10_000),
        result: ZoneResult::default(),
    });
    let visit = dog.visit();
    assert!(visit.results.is_empty());
    assert_eq!(visit.touched_up[0].chars().count(), 120);
}
