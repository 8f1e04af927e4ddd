//! The drawn dog against dog-shape.md 11 on the stations of dog-shape-2.md 1: evaluated by a separate
//! program, the study those pages come from; the buttock stands plumb under the pin bone.

use approx::assert_abs_diff_eq;
use veliform_core::coat::Zone;
use veliform_core::frame::{FrameInput, Measure, Method, TakenMeasure, resolve};
use veliform_core::shape::curve::{SAMPLES, closed, signed_area};
use veliform_core::shape::{
    CoatEdge, Cover, Dressing, STATIONS, SideShape, Station, bare, side_shape,
};
use veliform_core::units::{Length, UnitSystem};

/// The default dog of dog-shape.md 11: all defaults, H = 460 mm (dog-shape-2.md 10, with a bend of 8 %).
fn default_dog() -> SideShape {
    let mut input = FrameInput::default();
    input.measures.insert(
        Measure::HeightAtWithers,
        TakenMeasure::by(Method::Tape, Length::constant_mm(460.0)),
    );
    side_shape(&resolve(&input, UnitSystem::Millimetres).build)
}

fn even_coat(mm: f64, stand: f64) -> Dressing {
    let lengths = std::array::from_fn(|i| match Station::ALL[i].cover() {
        Cover::Coat(Zone::Foot) | Cover::Bare | Cover::Hidden => 0.0,
        Cover::Coat(_) => mm,
    });
    Dressing {
        lengths,
        ..bare(stand)
    }
}

#[test]
fn every_station_and_hair_direction_is_where_the_design_says() {
    let dog = default_dog();
    let table = include_str!("data/default_dog.txt");
    let mut seen = 0;
    for row in table
        .split([';', '\n'])
        .map(str::trim)
        .filter(|r| !r.is_empty())
    {
        let cells: Vec<&str> = row.split_whitespace().collect();
        let number: usize = cells[0].parse().expect("a number");
        let station = Station::ALL[number - 1];
        assert_eq!(station.name(), cells[1]);
        let at = dog.skin(station);
        let value = |i: usize| cells[i].parse::<f64>().expect("a value");
        assert_abs_diff_eq!(at.x, value(2), epsilon = 0.051);
        assert_abs_diff_eq!(at.y, value(3), epsilon = 0.051);
        if cells.len() > 4 {
            let angle = dog.hair(station).atan2().to_degrees();
            let off = (angle - value(4) + 540.0).rem_euclid(360.0) - 180.0;
            assert_abs_diff_eq!(off, 0.0, epsilon = 0.051);
        }
        seen += 1;
    }
    assert_eq!(seen, STATIONS);
}

/// *Uniform coat 30 mm, σ .85*, as dog-shape.md 11 has it, on the new stations.
#[test]
fn an_even_coat_of_30_mm_has_its_edge_where_the_design_says() {
    let dog = default_dog();
    let edge = CoatEdge::new(&dog, &even_coat(30.0, 0.85));
    for (station, x, y) in [
        (Station::Withers, 352.7, 485.5),
        (Station::HipCrest, 94.3, 485.4),
        (Station::PinBone, -24.8, 383.2),
        (Station::Bend, -11.3, 192.0),
        (Station::HockPoint, -56.5, 131.9),
        (Station::Stifle, 123.3, 217.0),
        (Station::LastRib, 187.1, 224.2),
        (Station::Brisket, 343.2, 209.2),
        (Station::Breastbone, 508.6, 298.4),
    ] {
        let at = edge.at(station);
        assert_abs_diff_eq!(at.x, x, epsilon = 0.06);
        assert_abs_diff_eq!(at.y, y, epsilon = 0.06);
    }
}

/// *Skin areas (12 samples a span)*, in mm², as dog-shape.md 11 has them, on the new stations.
#[test]
fn the_pieces_of_the_bare_dog_have_the_areas_the_design_says() {
    let dog = default_dog();
    let area = |parts: &[(Station, Station)], extra: &[Station]| {
        let ring: Vec<_> = extra
            .iter()
            .copied()
            .chain(
                parts
                    .iter()
                    .flat_map(|(a, b)| Station::ALL[a.index()..=b.index()].to_vec()),
            )
            .map(|s| dog.skin(s))
            .collect();
        signed_area(&closed(&ring, SAMPLES))
    };
    let body = area(
        &[
            (Station::SkullBack, Station::ThighBack),
            (Station::ThighIn, Station::ThroatIn),
        ],
        &[],
    );
    let hind = area(
        &[(Station::UnderTail, Station::FlankIn2)],
        &[Station::HaunchIn, Station::TailIn],
    );
    let fore = area(&[(Station::ForeInTop, Station::ForeInFront)], &[]);
    assert_abs_diff_eq!(body, 105_390.0, epsilon = 1.0);
    assert_abs_diff_eq!(hind, 27_867.0, epsilon = 1.0);
    assert_abs_diff_eq!(fore, 19_767.0, epsilon = 1.0);
}
