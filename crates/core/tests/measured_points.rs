//! Measured points are exact in the drawn dog; everything else is a house value (dog-shape.md 12).

use approx::assert_abs_diff_eq;
use proptest::prelude::*;
use rstest::rstest;
use veliform_core::frame::{
    BuildType, FrameInput, Measure, Method, TailKind, TakenMeasure, resolve,
};
use veliform_core::shape::{PieceKind, Station as S, bare, side_pieces, side_shape};
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
    let is_raised = highest > set.y + 0.15 * 460.0;
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
