//! Random plausible dogs.

use geo::Validation as _;
use proptest::prelude::*;
use veliform_core::frame::{
    Build, BuildType, Felt, FrameInput, Grade, Measure, Method, TakenMeasure, resolve,
};
use veliform_core::units::{Length, UnitSystem};

pub fn types() -> impl Strategy<Value = BuildType> {
    prop_oneof![
        Just(BuildType::Ordinary),
        Just(BuildType::SquareCurly),
        Just(BuildType::LongLow),
        Just(BuildType::Leggy),
        Just(BuildType::Toy),
        Just(BuildType::Spaniel),
        Just(BuildType::Terrier),
    ]
}

fn grades() -> impl Strategy<Value = Grade> {
    prop_oneof![Just(Grade::None), Just(Grade::Slight), Just(Grade::Marked)]
}

/// Muzzle, skull, jaw to ear, leather and tail over the ranges that are measured without a question, shares of the
/// height.
fn ends() -> impl Strategy<Value = [(Measure, f64); 5]> {
    (
        0.05..0.25_f64,
        0.14..0.30_f64,
        0.08..0.19_f64,
        0.09..0.42_f64,
        0.03..0.62_f64,
    )
        .prop_map(|(muzzle, skull, jaw, leather, tail)| {
            [
                (Measure::MuzzleLength, muzzle),
                (Measure::SkullWidth, skull),
                (Measure::JawToEar, jaw),
                (Measure::EarLeather, leather),
                (Measure::TailLength, tail),
            ]
        })
}

/// Builds over the ranges of dog-shape.md 2.
pub fn builds() -> impl Strategy<Value = Build> {
    (
        types(),
        180.0..820.0_f64,
        0.92..1.5_f64,
        0.42..0.58_f64,
        0.97..1.05_f64,
        0.20..0.32_f64,
        prop::collection::vec(grades(), Felt::ALL.len()),
        ends(),
    )
        .prop_map(|(build, height, length, elbow, hip, hock, felt, ends)| {
            let mut input = FrameInput {
                build,
                ..FrameInput::default()
            };
            let body = [
                (Measure::HeightAtWithers, height),
                (Measure::BodyLength, length * height),
                (Measure::ElbowHeight, elbow * height),
                (Measure::HipCrestHeight, hip * height),
                (Measure::HockHeight, hock * height),
            ];
            let ends = ends.map(|(measure, share)| (measure, share * height));
            for (measure, mm) in body.into_iter().chain(ends) {
                let taken = TakenMeasure::by(Method::Tape, Length::from_mm(mm).expect("finite"));
                input.measures.insert(measure, taken);
            }
            input.felt = Felt::ALL.into_iter().zip(felt).collect();
            resolve(&input, UnitSystem::Millimetres).build
        })
}

/// Whether an outline does not cross itself, asked of another geometry library.
pub fn is_simple(points: &[kurbo::Point]) -> bool {
    let ring: geo::LineString = points.iter().map(|p| (p.x, p.y)).collect();
    geo::Polygon::new(ring, vec![]).is_valid()
}
