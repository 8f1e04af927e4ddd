//! No near piece of a plausible dog crosses itself, bare or in a coat up to 0.15 H: checked with
//! another geometry library over the ranges of dog-shape.md 2 and 12.

use geo::Validation as _;
use proptest::prelude::*;
use veliform_core::coat::{CoatNow, Texture, Zone};
use veliform_core::frame::{
    Build, BuildType, Felt, FrameInput, Grade, Measure, Method, TakenMeasure, resolve,
};
use veliform_core::shape::{Dressing, PieceKind, bare, dress_now, side_pieces, side_shape};
use veliform_core::units::{Length, UnitSystem};

fn types() -> impl Strategy<Value = BuildType> {
    prop_oneof![
        Just(BuildType::Ordinary),
        Just(BuildType::SquareCurly),
        Just(BuildType::LongLow),
        Just(BuildType::Leggy),
        Just(BuildType::Toy),
        Just(BuildType::Spaniel),
    ]
}

fn grades() -> impl Strategy<Value = Grade> {
    prop_oneof![Just(Grade::None), Just(Grade::Slight), Just(Grade::Marked)]
}

fn builds() -> impl Strategy<Value = Build> {
    (
        types(),
        180.0..820.0_f64,
        0.92..1.5_f64,
        0.42..0.58_f64,
        0.97..1.05_f64,
        0.20..0.32_f64,
        prop::collection::vec(grades(), Felt::ALL.len()),
    )
        .prop_map(|(build, height, length, elbow, hip, hock, felt)| {
            let mut input = FrameInput {
                build,
                ..FrameInput::default()
            };
            for (measure, mm) in [
                (Measure::HeightAtWithers, height),
                (Measure::BodyLength, length * height),
                (Measure::ElbowHeight, elbow * height),
                (Measure::HipCrestHeight, hip * height),
                (Measure::HockHeight, hock * height),
            ] {
                let taken = TakenMeasure::by(Method::Tape, Length::from_mm(mm).expect("finite"));
                input.measures.insert(measure, taken);
            }
            input.felt = Felt::ALL.into_iter().zip(felt).collect();
            resolve(&input, UnitSystem::Millimetres).build
        })
}

fn is_simple(points: &[kurbo::Point]) -> bool {
    let ring: geo::LineString = points.iter().map(|p| (p.x, p.y)).collect();
    geo::Polygon::new(ring, vec![]).is_valid()
}

/// The pieces dog-shape.md 12 found never to cross: body, legs and head.
fn crossing(build: &Build, dressing: &Dressing) -> Vec<PieceKind> {
    side_pieces(&side_shape(build), build, dressing)
        .into_iter()
        .filter(|p| !p.is_far)
        .filter(|p| {
            matches!(
                p.kind,
                PieceKind::Body | PieceKind::HindLeg | PieceKind::ForeLeg | PieceKind::Head
            )
        })
        .filter(|p| !is_simple(&p.outline))
        .map(|p| p.kind)
        .collect()
}

proptest! {
    #![proptest_config(ProptestConfig::with_cases(150))]

    #[test]
    fn a_bare_frame_has_simple_pieces(build in builds()) {
        prop_assert_eq!(crossing(&build, &bare(0.85)), vec![]);
    }

    #[test]
    fn a_coat_up_to_a_seventh_of_the_height_has_simple_pieces(
        build in builds(),
        stand in 0.25..1.0_f64,
        shares in prop::collection::vec(0.01..0.15_f64, Zone::ALL.len()),
    ) {
        let coat = Zone::ALL.into_iter().zip(shares).fold(
            CoatNow::even(Texture::Fleece, stand, 0.0),
            |coat, (zone, share)| {
                // Heads carry .7, muzzles .4, feet .25 of it (dog-shape.md 12).
                let less = match zone {
                    Zone::Topknot | Zone::Cheek | Zone::Beard => 0.7,
                    Zone::Muzzle => 0.4,
                    Zone::Foot => 0.25,
                    _ => 1.0,
                };
                coat.with_zone(zone, share * less * build.height)
            },
        );
        prop_assert_eq!(crossing(&build, &dress_now(&build, &coat)), vec![]);
    }
}
