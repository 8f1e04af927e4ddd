//! Measured points are exact in the drawn dog; everything else is a house value (dog-shape.md 12).

use approx::{assert_abs_diff_eq, assert_relative_eq};
use kurbo::Point;
use proptest::prelude::*;
use rstest::rstest;
use veliform_core::frame::{
    BuildType, EarKind, FrameInput, Measure, Method, TailKind, TakenMeasure, resolve,
};
use veliform_core::page::View;
use veliform_core::shape::{
    BothSides, Landmark, PieceKind, Station as S, bare, landmarks, side_pieces, side_shape,
};
use veliform_core::units::{Length, UnitSystem};

fn input(build: BuildType, values: &[(Measure, f64)]) -> FrameInput {
    FrameInput {
        build,
        measures: values
            .iter()
            .map(|(m, mm)| {
                let taken =
                    TakenMeasure::by(Method::Caliper, Length::from_mm(*mm).expect("finite"));
                (*m, taken)
            })
            .collect(),
        ..FrameInput::default()
    }
}

proptest! {
    #[test]
    fn stations_stand_where_they_were_measured(
        height in 200.0..800.0_f64,
        length in 0.95..1.4_f64,
        elbow in 0.44..0.56_f64,
        hip in 0.97..1.05_f64,
        hock in 0.20..0.31_f64,
        tail in 0.04..0.12_f64,
        drop in 0.0..0.04_f64,
        neck in 0.3..0.5_f64,
        head in 0.34..0.5_f64,
    ) {
        let h = height;
        let values = [
            (Measure::HeightAtWithers, h),
            (Measure::BodyLength, length * h),
            (Measure::ElbowHeight, elbow * h),
            (Measure::HipCrestHeight, hip * h),
            (Measure::HockHeight, hock * h),
            (Measure::TailSetHeight, (hip - tail) * h),
            (Measure::BackDrop, drop * h),
            (Measure::NeckLength, neck * h),
            (Measure::HeadLength, head * h),
        ];
        let frame = resolve(&input(BuildType::Ordinary, &values), UnitSystem::Millimetres);
        let dog = side_shape(&frame.build);
        let at = |s: S| dog.skin(s);
        assert_abs_diff_eq!(at(S::Withers).y, h, epsilon = 1e-9);
        assert_abs_diff_eq!(at(S::Breastbone).x - at(S::PinBone).x, length * h, epsilon = 1e-9);
        assert_abs_diff_eq!(at(S::Elbow).y, elbow * h, epsilon = 1e-9);
        assert_abs_diff_eq!(at(S::Brisket).y, elbow * h, epsilon = 1e-9);
        assert_abs_diff_eq!(at(S::HipCrest).y, hip * h, epsilon = 1e-9);
        assert_abs_diff_eq!(at(S::HockPoint).y, hock * h, epsilon = 1e-9);
        assert_abs_diff_eq!(at(S::TailSet).y, (hip - tail) * h, epsilon = 1e-9);
        assert_abs_diff_eq!(at(S::Occiput).distance(at(S::Withers)), neck * h, epsilon = 1e-9);
        assert_abs_diff_eq!(at(S::NoseTip).distance(at(S::Occiput)), head * h, epsilon = 1e-9);
        // The gap under a rod from withers to hip crest, read at the middle of the back.
        let rod = at(S::Withers).midpoint(at(S::HipCrest));
        assert_abs_diff_eq!(rod.distance(at(S::BackMid)), drop * h, epsilon = 1e-9);
    }
}

/// Head and tail stand as they were measured: their landmarks lie as far apart as the tape said.
#[rstest]
fn head_and_tail_are_drawn_as_measured(
    #[values(
        BuildType::Ordinary,
        BuildType::LongLow,
        BuildType::Toy,
        BuildType::Spaniel,
        BuildType::Terrier,
        BuildType::Retriever
    )]
    build: BuildType,
    #[values(250.0, 640.0)] h: f64,
) {
    let values = [
        (Measure::HeightAtWithers, h),
        (Measure::MuzzleLength, 0.16 * h),
        (Measure::SkullWidth, 0.21 * h),
        (Measure::JawToEar, 0.15 * h),
        (Measure::EarLeather, 0.24 * h),
        (Measure::TailLength, 0.31 * h),
    ];
    let mut input = input(build, &values);
    input.ear = Some(EarKind::Drop);
    let frame = resolve(&input, UnitSystem::Millimetres);
    assert!(frame.problems.is_empty(), "{:?}", frame.problems);
    let dog = BothSides::of(&frame);
    let places = landmarks(&dog);
    let at = |landmark: Landmark| {
        let of = places.iter().find(|p| p.landmark == landmark);
        Point::from(of.expect("placed").on(View::Side))
    };
    assert_abs_diff_eq!(
        at(Landmark::Stop).distance(at(Landmark::NoseTip)),
        0.16 * h,
        epsilon = 1e-9
    );
    let ear = frame.build.ear;
    let base = dog.shape.head.at(ear.base.0, ear.base.1);
    // The leaf's tip lies a little behind its middle line.
    assert_relative_eq!(
        at(Landmark::EarTip).distance(base),
        0.24 * h,
        max_relative = 0.01
    );
    assert_relative_eq!(
        at(Landmark::JawCorner).distance(base),
        0.15 * h,
        max_relative = 1e-9
    );
    let head = frame.build.head;
    assert_abs_diff_eq!(head.skull_width * head.length, 0.21 * h, epsilon = 1e-9);
    // The bone is carried in a curve: along it, it is as long as measured.
    let reach = at(Landmark::TailEnd).distance(at(Landmark::TailSet));
    assert!(
        reach < 0.36 * h && reach > 0.1 * h,
        "the tail reaches {reach}"
    );
}

/// A leather drawn forward: what it stays short of the nose, it is shorter than the way there; past it, it
/// is longer (handbook 10 D).
#[rstest]
#[case(40.0, 40.0)]
#[case(0.0, 0.0)]
#[case(-15.0, 0.0)]
fn an_ear_drawn_forward_gives_its_leather(#[case] short: f64, #[case] hair: f64) {
    let values = [
        (Measure::HeightAtWithers, 400.0),
        (Measure::EarShortOfNose, short),
    ];
    let build = resolve(&input(BuildType::Spaniel, &values), UnitSystem::Millimetres).build;
    assert_abs_diff_eq!(
        build.ear.length,
        build.ear_base_to_nose() - short,
        epsilon = 1e-9
    );
    assert_abs_diff_eq!(build.ear.short_of_nose, hair, epsilon = 1e-9);
}

/// An ear measured from the jaw, by tape and drawn forward stands where all three are true.
#[test]
fn an_ear_stands_where_jaw_leather_and_nose_agree() {
    let values = [
        (Measure::HeightAtWithers, 400.0),
        (Measure::HeadLength, 165.0),
        (Measure::JawToEar, 52.0),
        (Measure::EarLeather, 105.0),
        (Measure::EarShortOfNose, 32.0),
    ];
    let frame = resolve(&input(BuildType::Spaniel, &values), UnitSystem::Millimetres);
    assert!(frame.problems.is_empty(), "{:?}", frame.problems);
    assert_abs_diff_eq!(frame.build.ear_base_to_jaw(), 52.0, epsilon = 1e-9);
    assert_abs_diff_eq!(frame.build.ear_base_to_nose(), 137.0, epsilon = 1e-9);
}

/// Said and measured need not agree: a docked type's dog with its tail left on has one, and one whose tail
/// was docked has none (common practice).
#[rstest]
#[case(BuildType::Spaniel, Some(TailKind::Level), false)]
#[case(BuildType::Spaniel, None, true)]
#[case(BuildType::SquareCurly, Some(TailKind::Stub), true)]
#[case(BuildType::SquareCurly, None, false)]
fn a_tail_is_docked_as_it_is_carried(
    #[case] build: BuildType,
    #[case] tail: Option<TailKind>,
    #[case] is_docked: bool,
) {
    let mut input = input(build, &[(Measure::HeightAtWithers, 420.0)]);
    input.tail = tail;
    let build = resolve(&input, UnitSystem::Millimetres).build;
    assert_eq!(build.is_docked(), is_docked, "{} mm", build.tail.length);
}

#[rstest]
#[case(BuildType::SquareCurly, 460.0, 466.0)]
#[case(BuildType::LongLow, 260.0, 360.0)]
#[case(BuildType::Leggy, 620.0, 620.0)]
#[case(BuildType::Toy, 230.0, 232.0)]
#[case(BuildType::Spaniel, 370.0, 385.0)]
fn the_types_of_the_pictures_have_their_lengths(
    #[case] build: BuildType,
    #[case] height: f64,
    #[case] length: f64,
) {
    // dog-shape.md 2, *Types used in the pictures*.
    let values = [(Measure::HeightAtWithers, height)];
    let frame = resolve(&input(build, &values), UnitSystem::Millimetres);
    assert_abs_diff_eq!(frame.build.length, length, epsilon = 1e-9);
}

#[rstest]
#[case(TailKind::Up)]
#[case(TailKind::Curl)]
#[case(TailKind::Sabre)]
#[case(TailKind::Level)]
#[case(TailKind::Low)]
#[case(TailKind::Stub)]
fn a_tail_begins_at_its_root_and_is_carried_as_said(#[case] tail: TailKind) {
    let mut input = input(BuildType::Ordinary, &[(Measure::HeightAtWithers, 460.0)]);
    input.tail = Some(tail);
    let build = resolve(&input, UnitSystem::Millimetres).build;
    let shape = side_shape(&build);
    let pieces = side_pieces(&shape, &build, &bare(0.85));
    let drawn = pieces
        .iter()
        .find(|p| p.kind == PieceKind::Tail)
        .expect("a tail");
    let set = shape.skin(S::TailSet);
    let reach = drawn
        .outline
        .iter()
        .map(|p| p.distance(set))
        .fold(0.0, f64::max);
    let root = drawn
        .outline
        .iter()
        .map(|p| p.distance(set))
        .fold(f64::INFINITY, f64::min);
    assert!(root < 0.06 * 460.0, "the tail hangs in the air");
    assert!(
        reach < build.tail.length + 0.12 * 460.0,
        "the tail is too long"
    );
    let highest = drawn.outline.iter().map(|p| p.y).fold(0.0, f64::max);
    // A docked one is half as long as others and stands up as far as it goes.
    let raised = if tail == TailKind::Stub { 0.1 } else { 0.15 };
    let is_raised = highest > set.y + raised * 460.0;
    assert_eq!(
        is_raised,
        matches!(
            tail,
            TailKind::Up | TailKind::Curl | TailKind::Sabre | TailKind::Stub
        )
    );
}

#[test]
fn far_legs_are_the_near_legs_set_back() {
    let values = [(Measure::HeightAtWithers, 460.0)];
    let build = resolve(
        &input(BuildType::Ordinary, &values),
        UnitSystem::Millimetres,
    )
    .build;
    let pieces = side_pieces(&side_shape(&build), &build, &bare(0.85));
    for kind in [PieceKind::HindLeg, PieceKind::ForeLeg] {
        let of = |is_far: bool| {
            let piece = pieces.iter().find(|p| p.kind == kind && p.is_far == is_far);
            let points = &piece.expect("a leg").outline;
            points.iter().map(|p| p.y).fold(f64::INFINITY, f64::min)
        };
        // dog-shape.md 5: far legs stand .012 H higher on the page.
        assert_abs_diff_eq!(of(true) - of(false), 0.012 * 460.0, epsilon = 1e-6);
    }
}
