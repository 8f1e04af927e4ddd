//! Front, rear and top views from the same frame as the side view (dog-shape.md 6): outlines that do
//! not cross, measured points where they were measured, mirror and scale.

use crate::support;

use std::collections::BTreeMap;

use approx::assert_abs_diff_eq;
use kurbo::{Point, Rect};
use proptest::prelude::*;
use rstest::rstest;
use support::random::is_simple;
use veliform_core::coat::{CoatNow, Texture, Zone};
use veliform_core::frame::{
    Angle, AngleMethod, BuildType, Felt, Frame, FrameInput, Grade, Measure, Method, TakenAngle,
    TakenMeasure, resolve,
};
use veliform_core::page::View;
use veliform_core::shape::{
    BothSides, DragAxis, Dressing, Landmark, Piece, PieceKind, bare, dress_now, front_pieces,
    landmarks, rear_pieces, top_pieces,
};
use veliform_core::units::{Length, UnitSystem};

fn mm(value: f64) -> Length {
    Length::from_mm(value).expect("finite")
}

fn tape(value: f64) -> TakenMeasure {
    TakenMeasure::by(Method::Tape, mm(value))
}

fn of_height(height: f64) -> FrameInput {
    FrameInput {
        measures: BTreeMap::from([(Measure::HeightAtWithers, tape(height))]),
        ..FrameInput::default()
    }
}

fn frame(input: &FrameInput) -> Frame {
    resolve(input, UnitSystem::Millimetres)
}

type Drawer = fn(&BothSides<'_>, &Dressing) -> Vec<Piece>;
const VIEWS: [(&str, Drawer); 3] = [
    ("front", front_pieces),
    ("rear", rear_pieces),
    ("top", top_pieces),
];

fn bounds(pieces: &[Piece], kind: PieceKind, is_far: bool) -> Rect {
    let points: Vec<Point> = pieces
        .iter()
        .filter(|p| p.kind == kind && p.is_far == is_far)
        .flat_map(|p| p.outline.iter().copied())
        .collect();
    points
        .iter()
        .fold(Rect::from_points(points[0], points[0]), |r, p| {
            r.union_pt(*p)
        })
}

/// A width typed is the width drawn: thigh from behind and ribs, loin, thigh from above
/// (dog-shape.md: measured points are exact).
#[rstest]
#[case(Measure::ThighWidth, 0.30)]
#[case(Measure::ThighWidth, 0.38)]
fn the_thigh_is_as_wide_as_it_was_measured(#[case] measure: Measure, #[case] share: f64) {
    let mut input = of_height(460.0);
    input.measures.insert(measure, tape(share * 460.0));
    let frame = frame(&input);
    let dog = BothSides::of(&frame);
    let rear = bounds(&rear_pieces(&dog, &bare(0.85)), PieceKind::Body, false);
    // The curve between stations swells by a millimetre or two (balance-model.md 16).
    assert_abs_diff_eq!(rear.width(), share * 460.0, epsilon = 2.0);
}

#[rstest]
#[case(View::Front, Landmark::Elbow, Measure::ElbowSpacing)]
#[case(View::Front, Landmark::Wrist, Measure::WristSpacing)]
#[case(View::Rear, Landmark::Stifle, Measure::StifleSpacing)]
#[case(View::Rear, Landmark::HockPoint, Measure::HockSpacing)]
#[case(View::Top, Landmark::LastRib, Measure::RibWidth)]
#[case(View::Rear, Landmark::ThighMuscle, Measure::ThighWidth)]
fn a_pair_of_landmarks_stands_as_far_apart_as_measured(
    #[case] view: View,
    #[case] landmark: Landmark,
    #[case] measure: Measure,
) {
    let mut input = of_height(460.0);
    let value = 460.0 * f64::midpoint(measure.ranges().unusual.0, measure.ranges().unusual.1);
    input.measures.insert(measure, tape(value));
    let frame = frame(&input);
    let placed = landmarks(&BothSides::of(&frame));
    let at = |right: bool| {
        let found = placed
            .iter()
            .find(|p| p.landmark == landmark && p.is_right == right)
            .expect("a pair");
        found.on(view)
    };
    let (left, right) = (at(false), at(true));
    let apart = (left.0 - right.0).hypot(left.1 - right.1);
    assert_abs_diff_eq!(apart, value, epsilon = 1e-9);
    assert!(landmark.shows_in(view));
    // Dragged where it stands, it reads as what was measured.
    let drag = landmark.drag(view).expect("it can be dragged");
    let along = match drag.axis {
        DragAxis::Across => left.0,
        DragAxis::Up => left.1,
    };
    assert_abs_diff_eq!(f64::from(drag.factor) * along.abs(), value, epsilon = 1e-9);
    assert_eq!(landmark.opens(view), Some(measure));
}

/// A leg's own middle runs through the spacing measured: at the wrist from in front, at the hock
/// from behind.
#[test]
fn the_leg_is_drawn_where_its_spacing_puts_it() {
    let mut input = of_height(460.0);
    input.measures.insert(Measure::WristSpacing, tape(120.0));
    let frame = frame(&input);
    let pieces = front_pieces(&BothSides::of(&frame), &bare(0.85));
    for sign in [1.0, -1.0] {
        let leg = pieces
            .iter()
            .find(|p| p.kind == PieceKind::ForeLeg && !p.is_far && p.outline[0].x * sign > 0.0)
            .expect("a leg");
        let near: Vec<f64> = leg
            .outline
            .iter()
            .filter(|p| (p.y - frame.build.wrist).abs() < 6.0)
            .map(|p| p.x * sign)
            .collect();
        let (low, high) = near
            .iter()
            .fold((f64::MAX, f64::MIN), |(l, h), x| (l.min(*x), h.max(*x)));
        assert_abs_diff_eq!(f64::midpoint(low, high), 60.0, epsilon = 2.0);
    }
}

/// Turned-out feet, bowed legs, hocks in, wide elbows and a heavy shoulder show as they are, and
/// only where they are.
#[test]
fn a_fault_of_one_side_shows_on_that_side_alone() {
    let straight = frame(&of_height(460.0));
    let mut input = of_height(460.0);
    for felt in [Felt::ForeFeetOut, Felt::ForeLegsBowed] {
        input.felt.insert(felt, Grade::Marked);
        input.felt_right.insert(felt, Grade::None);
    }
    let crooked = frame(&input);
    let leg = |frame: &Frame, sign: f64| -> Vec<Point> {
        let dog = BothSides::of(frame);
        front_pieces(&dog, &bare(0.85))
            .into_iter()
            .find(|p| p.kind == PieceKind::ForeLeg && !p.is_far && p.outline[0].x * sign > 0.0)
            .expect("a leg")
            .outline
    };
    assert_eq!(leg(&straight, -1.0), leg(&crooked, -1.0));
    let widest = |points: Vec<Point>, y: std::ops::Range<f64>| {
        points
            .iter()
            .filter(|p| y.contains(&p.y))
            .map(|p| p.x)
            .fold(f64::MIN, f64::max)
    };
    // Marked bow: 2.5 % of the height at mid forearm (handbook 2).
    let half_way = f64::midpoint(straight.build.elbow, straight.build.wrist);
    let band = half_way - 4.0..half_way + 4.0;
    let moved = widest(leg(&crooked, 1.0), band.clone()) - widest(leg(&straight, 1.0), band);
    assert_abs_diff_eq!(moved, 0.025 * 460.0, epsilon = 1.5);
    // The toes stand further out.
    let feet = widest(leg(&crooked, 1.0), 0.0..20.0) - widest(leg(&straight, 1.0), 0.0..20.0);
    assert!(feet > 5.0, "{feet}");
}

#[test]
fn hocks_in_bring_the_hocks_nearer_than_the_feet() {
    let mut input = of_height(460.0);
    input.felt.insert(Felt::HocksIn, Grade::Marked);
    let b = frame(&input).build;
    let [_, hock, foot] = b.hind.from_midline;
    // Marked: 7 % of the height (handbook 2), half on each side.
    assert_abs_diff_eq!(2.0 * (foot - hock), 0.07 * 460.0, epsilon = 1e-9);
}

#[test]
fn a_heavy_shoulder_is_wider_than_the_ribs_from_above() {
    let mut input = of_height(460.0);
    input.felt.insert(Felt::HeavyShoulder, Grade::Marked);
    let b = frame(&input).build;
    // Marked: 5 % of the height over the rib width (handbook 2).
    assert_abs_diff_eq!(b.shoulder_width - b.rib_width, 23.0, epsilon = 1e-9);
}

/// Random dogs in the ranges of dog-shape.md 2, sides apart.
fn inputs() -> impl Strategy<Value = FrameInput> {
    let types = prop::sample::select(vec![
        BuildType::Ordinary,
        BuildType::SquareCurly,
        BuildType::LongLow,
        BuildType::Leggy,
        BuildType::Toy,
        BuildType::Spaniel,
        BuildType::Terrier,
        BuildType::Retriever,
        BuildType::ShortFaced,
    ]);
    let grade = || prop::sample::select(vec![Grade::None, Grade::Slight, Grade::Marked]);
    let felt = || prop::collection::vec(grade(), Felt::ALL.len());
    (
        types,
        180.0..820.0_f64,
        0.95..1.4_f64,
        0.46..0.56_f64,
        (0.0..30.0_f64, -8.0..20.0_f64),
        (felt(), felt()),
    )
        .prop_map(|(build, height, length, elbow, turn, (felt, right))| {
            let mut input = of_height(height);
            input.build = build;
            input
                .measures
                .insert(Measure::BodyLength, tape(length * height));
            if build != BuildType::LongLow && build != BuildType::ShortFaced {
                input
                    .measures
                    .insert(Measure::ElbowHeight, tape(elbow * height));
            }
            let angle = |degrees| TakenAngle {
                degrees,
                right_degrees: None,
                method: AngleMethod::AngleRule,
            };
            input.angles.insert(Angle::ForeTurnout, angle(turn.0));
            input.angles.insert(Angle::HindTurnout, angle(turn.1));
            input.felt = Felt::ALL.into_iter().zip(felt).collect();
            input.felt_right = Felt::ALL
                .into_iter()
                .zip(right)
                .filter(|(f, _)| f.is_paired())
                .collect();
            input
        })
}

fn crossing(frame: &Frame, dressing: &Dressing) -> Vec<String> {
    let dog = BothSides::of(frame);
    VIEWS
        .iter()
        .flat_map(|(name, draw)| draw(&dog, dressing).into_iter().map(move |p| (name, p)))
        .filter(|(_, p)| {
            !p.is_far
                && matches!(
                    p.kind,
                    PieceKind::Body | PieceKind::HindLeg | PieceKind::ForeLeg | PieceKind::Head
                )
        })
        .filter(|(_, p)| !is_simple(&p.outline))
        .map(|(name, p)| format!("{name} {:?}", p.kind))
        .collect()
}

/// Area and bounds of a piece.
fn extent(piece: &Piece, across: impl Fn(Point) -> Point) -> [f64; 5] {
    let points: Vec<Point> = piece.outline.iter().map(|p| across(*p)).collect();
    let ring: geo::LineString = points.iter().map(|p| (p.x, p.y)).collect();
    let area = geo::Area::unsigned_area(&geo::Polygon::new(ring, vec![]));
    let low = |f: fn(&Point) -> f64| points.iter().map(f).fold(f64::MAX, f64::min);
    let high = |f: fn(&Point) -> f64| points.iter().map(f).fold(f64::MIN, f64::max);
    [
        area,
        low(|p| p.x),
        high(|p| p.x),
        low(|p| p.y),
        high(|p| p.y),
    ]
}

/// Pieces of the one drawing that the other, mirrored, does not have.
fn unmatched(one: &[Piece], other: &[Piece], across: fn(Point) -> Point) -> Vec<String> {
    let close = |a: [f64; 5], b: [f64; 5]| a.iter().zip(b).all(|(a, b)| (a - b).abs() < 1e-6);
    one.iter()
        .filter(|p| !p.outline.is_empty())
        .filter(|p| {
            let wanted = extent(p, across);
            !other
                .iter()
                .filter(|q| q.kind == p.kind && !q.outline.is_empty())
                .any(|q| close(wanted, extent(q, |p| p)))
        })
        .map(|p| format!("{:?}", p.kind))
        .collect()
}

proptest! {
    #![proptest_config(ProptestConfig::with_cases(150))]

    #[test]
    fn no_bare_outline_crosses_itself_in_any_view(input in inputs()) {
        prop_assert_eq!(crossing(&frame(&input), &bare(0.85)), Vec::<String>::new());
    }

    #[test]
    fn no_coat_up_to_a_seventh_of_the_height_crosses_itself_in_any_view(
        input in inputs(),
        stand in 0.25..1.0_f64,
        shares in prop::collection::vec(0.01..0.15_f64, Zone::ALL.len()),
    ) {
        let frame = frame(&input);
        let height = frame.build.height;
        let coat = Zone::ALL.into_iter().zip(shares).fold(
            CoatNow::even(Texture::Fleece, stand, 0.0),
            |coat, (zone, share)| {
                let less = match zone {
                    Zone::Topknot | Zone::Cheek | Zone::Beard => 0.7,
                    Zone::Muzzle => 0.4,
                    Zone::Foot => 0.25,
                    _ => 1.0,
                };
                coat.with_zone(zone, share * less * height)
            },
        );
        prop_assert_eq!(crossing(&frame, &dress_now(&frame.build, &coat)), Vec::<String>::new());
    }

    /// Exchanging left and right mirrors every view.
    #[test]
    fn mirroring_the_dog_mirrors_every_view(input in inputs()) {
        let frame = frame(&input);
        let there = BothSides::of(&frame);
        let back = BothSides { left: there.right, right: there.left, shape: there.shape.clone() };
        let naked = bare(0.85);
        let none = Vec::<String>::new();
        for draw in [front_pieces, rear_pieces] {
            let flip = |p: Point| Point::new(-p.x, p.y);
            prop_assert_eq!(unmatched(&draw(&there, &naked), &draw(&back, &naked), flip), none.clone());
        }
        let flip = |p: Point| Point::new(p.x, -p.y);
        prop_assert_eq!(unmatched(&top_pieces(&there, &naked), &top_pieces(&back, &naked), flip), none);
    }

    /// A dog twice as large is drawn twice as large, from in front, behind and above.
    #[test]
    fn scaling_the_dog_scales_every_view(input in inputs()) {
        let small = frame(&input);
        let mut twice = input.clone();
        for taken in twice.measures.values_mut() {
            taken.value_mm = mm(2.0 * taken.value_mm.as_mm());
        }
        let large = frame(&twice);
        prop_assume!(small.problems.is_empty() && large.problems.iter().all(|p| p.field == "measure.height_at_withers"));
        prop_assume!(large.build.height <= 1000.0 && (large.build.height - 2.0 * small.build.height).abs() < 1e-6);
        for (name, draw) in VIEWS {
            let at = |f: &Frame| draw(&BothSides::of(f), &bare(0.85));
            for (a, b) in at(&small).iter().zip(at(&large)) {
                for (p, q) in a.outline.iter().zip(&b.outline) {
                    prop_assert!((2.0 * p.x - q.x).abs() < 1e-6 && (2.0 * p.y - q.y).abs() < 1e-6, "{name} {:?}", a.kind);
                }
            }
        }
    }
}
