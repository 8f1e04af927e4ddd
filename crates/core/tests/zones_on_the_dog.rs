//! Zones as they lie on the drawn dog: neighbours meet, the trunk is covered, nothing lies beside the dog.
//! Areas are judged by another geometry library.

use crate::support;

use geo::{Area as _, BooleanOps as _, MultiPolygon, Polygon, Validation as _};
use proptest::prelude::*;
use support::random::types;
use uuid::Uuid;
use veliform_core::coat::{Texture, Zone};
use veliform_core::desk::Desk;
use veliform_core::dog::{Dog, House};
use veliform_core::drawing::{DrawOptions, Drawing, Geometry, Layers, Role, Tag};
use veliform_core::frame::{BuildType, Measure, Method, TakenMeasure};
use veliform_core::units::Length;
use veliform_core::visit::fold;

fn polygon(points_mm: &[f64]) -> Polygon {
    let ring: geo::LineString = points_mm.chunks_exact(2).map(|p| (p[0], p[1])).collect();
    Polygon::new(ring, vec![])
}

/// The zones of a drawing, as a finger finds them.
fn zones(drawing: &Drawing) -> Vec<(Zone, Polygon)> {
    drawing
        .shapes
        .iter()
        .filter(|shape| shape.role == Role::ZoneArea)
        .filter_map(|shape| match (&shape.tag, &shape.geometry) {
            (Some(Tag::Zone(zone)), Geometry::Fill { points_mm }) => {
                Some((*zone, polygon(points_mm)))
            }
            _ => None,
        })
        .collect()
}

fn draw(height: f64, length: f64, texture: Texture, build: BuildType) -> Drawing {
    let mut dog: Dog =
        serde_json::from_value(serde_json::json!({"id": Uuid::from_u128(1), "name": "Signal"}))
            .expect("a dog");
    dog.texture = texture;
    dog.build = build;
    let mut visit = fold(&dog, &[]);
    for (measure, mm) in [
        (Measure::HeightAtWithers, height),
        (Measure::BodyLength, length * height),
    ] {
        let taken = TakenMeasure::by(Method::HeightStick, Length::from_mm(mm).expect("finite"));
        visit.frame.measures.insert(measure, taken);
    }
    let options = DrawOptions {
        layers: Layers {
            touch: true,
            ..Layers::default()
        },
        ..DrawOptions::default()
    };
    Desk::new(&dog, &visit, &House::default(), &[]).draw(None, &options)
}

/// What lies between the zones along the edge.
const SIDES: [Zone; 6] = [
    Zone::NeckSide,
    Zone::Shoulder,
    Zone::Ribs,
    Zone::Hip,
    Zone::HindOut,
    Zone::ForeOut,
];

const HEAD: [Zone; 5] = [
    Zone::Topknot,
    Zone::Cheek,
    Zone::Brow,
    Zone::Muzzle,
    Zone::Beard,
];

fn textures() -> impl Strategy<Value = Texture> {
    prop_oneof![
        Just(Texture::Curl),
        Just(Texture::Fleece),
        Just(Texture::Harsh),
        Just(Texture::Silky),
        Just(Texture::Feathered),
    ]
}

/// All of a drawing's own pieces of the dog, near and far.
fn dog_of(drawing: &Drawing) -> Vec<Polygon> {
    let is_dog = |role| matches!(role, Role::PlanFill | Role::PlanFillFar);
    let shapes = drawing.shapes.iter().filter(|shape| is_dog(shape.role));
    shapes
        .filter_map(|shape| match &shape.geometry {
            Geometry::Fill { points_mm } => Some(polygon(points_mm)),
            _ => None,
        })
        .collect()
}

fn together(parts: &[Polygon]) -> MultiPolygon {
    let none = MultiPolygon::new(vec![]);
    parts.iter().fold(none, |all, part| all.union(part))
}

proptest! {
    #![proptest_config(ProptestConfig::with_cases(60))]

    /// Handbook 3: a zone is what is cut alike, so no hair belongs to two and, on the trunk, none to no one.
    #[test]
    fn neighbours_meet_without_lying_over_one_another_and_cover_the_trunk(
        height in 200.0..800.0_f64,
        length in 0.92..1.5_f64,
        texture in textures(),
        build in types(),
    ) {
        let drawing = draw(height, length, texture, build);
        let zones = zones(&drawing);
        let sides: Vec<&(Zone, Polygon)> = zones.iter().filter(|(z, _)| SIDES.contains(z)).collect();
        prop_assert_eq!(sides.len(), SIDES.len());
        for (i, (zone, area)) in sides.iter().enumerate() {
            prop_assert!(area.is_valid(), "{:?} crosses itself", zone);
            for (other, beside) in &sides[i + 1..] {
                let least = area.unsigned_area().min(beside.unsigned_area());
                let both = area.intersection(beside).unsigned_area();
                prop_assert!(both < 0.03 * least, "{:?} lies over {:?}: {:.2}", zone, other, both / least);
            }
        }
        let largest = |a: &&Polygon, b: &&Polygon| a.unsigned_area().total_cmp(&b.unsigned_area());
        let dog = dog_of(&drawing);
        let body = dog.iter().max_by(largest).expect("a body");
        let all: Vec<Polygon> = zones.iter().map(|(_, area)| area.clone()).collect();
        let covered = together(&all).intersection(body).unsigned_area() / body.unsigned_area();
        prop_assert!(covered > 0.93, "{:.2} of the body belongs to a zone", covered);
    }

    /// What a step hatches lies on the dog, never beside it.
    #[test]
    fn no_zone_lies_beside_the_dog(
        height in 200.0..800.0_f64,
        length in 0.92..1.5_f64,
        texture in textures(),
        build in types(),
    ) {
        let drawing = draw(height, length, texture, build);
        let dog = together(&dog_of(&drawing));
        for (zone, area) in zones(&drawing) {
            let beside = MultiPolygon::from(area.clone()).difference(&dog).unsigned_area();
            let share = beside / area.unsigned_area();
            // A zone goes straight from station to station, where a long coat is drawn round; a head's hair has
            // shapes of its own, and its zones are known by the bone under them.
            let most = if HEAD.contains(&zone) { 0.25 } else { 0.15 };
            prop_assert!(share < most, "{:?}: {:.2} of it lies beside the dog", zone, share);
        }
    }
}
