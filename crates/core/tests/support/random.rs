//! Random plausible dogs.

use geo::line_intersection::{LineIntersection, line_intersection};
use proptest::prelude::*;
use rstar::RTree;
use rstar::primitives::GeomWithData;
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

/// Whether an outline does not cross itself, asked of another geometry library: stretch by stretch of those
/// whose boxes meet.
pub fn is_simple(points: &[kurbo::Point]) -> bool {
    let mut ring: geo::LineString = points.iter().map(|p| (p.x, p.y)).collect();
    ring.close();
    let lines: Vec<geo::Line> = ring.lines().filter(|l| l.start != l.end).collect();
    let boxes = lines.iter().enumerate().map(|(n, l)| {
        let line = rstar::primitives::Line::new([l.start.x, l.start.y], [l.end.x, l.end.y]);
        GeomWithData::new(line, n)
    });
    let boxes = RTree::bulk_load(boxes.collect());
    lines.len() > 2
        && boxes
            .intersection_candidates_with_other_tree(&boxes)
            .map(|(a, b)| (a.data.min(b.data), a.data.max(b.data)))
            .filter(|(a, b)| a != b)
            .all(|(a, b)| meet_rightly(&lines, a, b))
}

/// Whether two stretches of a ring meet where neighbours do, or not at all.
fn meet_rightly(lines: &[geo::Line], a: usize, b: usize) -> bool {
    let shared = if a + 1 == b {
        Some(lines[a].end)
    } else if a == 0 && b + 1 == lines.len() {
        Some(lines[a].start)
    } else {
        None
    };
    match line_intersection(lines[a], lines[b]) {
        None => true,
        Some(LineIntersection::SinglePoint { intersection, .. }) => {
            shared.is_some_and(|at| (intersection - at).x.hypot((intersection - at).y) < 1e-9)
        }
        // Neighbours in one straight line have their end in common, no more.
        Some(LineIntersection::Collinear { intersection }) => {
            shared.is_some() && intersection.start == intersection.end
        }
    }
}
