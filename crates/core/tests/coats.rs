//! The coat (handbook 3): stand, what the eye sees, limits, knots, what cannot be.

use approx::assert_abs_diff_eq;
use kurbo::Vec2;
use rstest::rstest;
use veliform_core::balance::{Place, Subject};
use veliform_core::coat::{
    CoatColour, CoatFinish, CoatInput, CoatNow, Knots, Limit, Skin, Texture, Zone, resolve_coat,
    shortest_safe_mm,
};
use veliform_core::frame::{FrameInput, resolve};
use veliform_core::look::{Look, LookId};
use veliform_core::shape::{CoatEdge, Station, dress_now, side_shape, visible_share};
use veliform_core::units::{Length, UnitSystem};

const MM: UnitSystem = UnitSystem::Millimetres;

fn mm(value: f64) -> Length {
    Length::from_mm(value).expect("finite")
}

/// Handbook 3, *Stand*: starting values by texture.
#[rstest]
#[case(Texture::Curl, 0.95)]
#[case(Texture::Fleece, 0.85)]
#[case(Texture::Harsh, 0.6)]
#[case(Texture::Silky, 0.35)]
#[case(Texture::Feathered, 0.25)]
fn texture_gives_the_stand(#[case] texture: Texture, #[case] stand: f64) {
    let input = CoatInput {
        texture,
        ..CoatInput::default()
    };
    assert_abs_diff_eq!(resolve_coat(&input, 460.0, MM).0.stand.all(), stand);
}

/// Handbook 3, *What the eye sees*: hair on the back of a drop-coated dog barely adds height; the
/// same hair on the belly hangs its whole length.
#[test]
fn drop_coat_shows_little_on_the_back_and_all_of_itself_on_the_belly() {
    let silky = Texture::Silky.stand();
    assert_abs_diff_eq!(visible_share(Vec2::new(0.0, 1.0), silky), 0.35);
    assert_abs_diff_eq!(visible_share(Vec2::new(0.0, -1.0), silky), 1.0);
    assert_abs_diff_eq!(visible_share(Vec2::new(1.0, 0.0), silky), 0.35);
    // Standing coat looks the same all round.
    assert_abs_diff_eq!(visible_share(Vec2::new(0.6, -0.8), 1.0), 1.0);
}

#[test]
fn a_measured_stand_replaces_the_texture_and_nonsense_does_not() {
    let with = |stand| {
        let input = CoatInput {
            stand: Some(stand),
            ..CoatInput::default()
        };
        resolve_coat(&input, 460.0, MM)
    };
    assert_abs_diff_eq!(with(0.7).0.stand.all(), 0.7);
    let (coat, problems) = with(1.4);
    assert_abs_diff_eq!(coat.stand.all(), Texture::Curl.stand());
    assert_eq!(
        problems[0].message,
        "Stand 1.40 cannot be: it lies between 0.05 and 1; draw out a lock, let it settle and compare."
    );
}

/// Handbook 3: stand is measured as settled height against drawn-out length; a zone's own lock, or
/// its own texture, speaks for that zone alone, and the drawn edge and the solve follow it.
#[test]
fn a_zone_with_a_lock_of_its_own_stands_by_itself() {
    let mut input = CoatInput {
        texture: Texture::Curl,
        all_over_mm: Some(mm(40.0)),
        finish: CoatFinish::CurlBack,
        ..CoatInput::default()
    };
    let crest = input.marks.entry(Zone::Crest).or_default();
    (crest.drawn_out_mm, crest.standing_mm) = (Some(mm(40.0)), Some(mm(12.0)));
    input.marks.entry(Zone::Chest).or_default().texture = Some(Texture::Silky);
    let (coat, problems) = resolve_coat(&input, 460.0, MM);
    assert!(problems.is_empty(), "{problems:?}");
    // The curl let back takes all of it to 0.6.
    assert_abs_diff_eq!(coat.stand.of(Zone::Crest), 0.6 * 0.3, epsilon = 1e-12);
    assert_abs_diff_eq!(coat.stand.of(Zone::Chest), 0.6 * 0.35, epsilon = 1e-12);
    assert_abs_diff_eq!(coat.stand.of(Zone::Back), 0.6 * 0.95, epsilon = 1e-12);

    let frame = resolve(&FrameInput::default(), MM);
    let shape = side_shape(&frame.build);
    let edge = CoatEdge::new(&shape, &dress_now(&frame.build, &coat));
    let subject = Subject::new(&frame.sides(), &coat, &Look::shipped(LookId::Lamb), &|_| {
        2.0
    });
    for spot in &subject.spots {
        let Place::Side(_) = spot.place else {
            continue;
        };
        let stand = coat.stand.of(spot.zone);
        assert_abs_diff_eq!(spot.shows, visible_share(spot.hair, stand), epsilon = 1e-12);
    }
    // Half way along the crest the drawn coat stands 40 mm by 0.18.
    let stands = edge
        .at(Station::CrestMid)
        .distance(shape.skin(Station::CrestMid));
    assert_abs_diff_eq!(stands, 40.0 * 0.18, epsilon = 0.5);
}

#[test]
fn all_over_fills_every_zone_and_exceptions_win() {
    let mut input = CoatInput {
        all_over_mm: Some(mm(50.0)),
        ..CoatInput::default()
    };
    input.zones_mm.insert(Zone::Chest, mm(80.0));
    let (coat, problems) = resolve_coat(&input, 460.0, MM);
    assert!(problems.is_empty());
    assert_abs_diff_eq!(coat.length_mm(Zone::Back), 50.0);
    assert_abs_diff_eq!(coat.length_mm(Zone::Chest), 80.0);
    assert!(
        coat.length_mm(Zone::Muzzle) < 50.0,
        "faces carry shorter hair"
    );
    assert!(coat.estimated.contains(&Zone::Back) && !coat.estimated.contains(&Zone::Chest));
}

#[rstest]
#[case(-3.0)]
#[case(900.0)]
fn a_length_that_cannot_be_is_named_and_not_used(#[case] typed: f64) {
    let mut input = CoatInput::default();
    input.zones_mm.insert(Zone::Crest, mm(typed));
    let (coat, problems) = resolve_coat(&input, 460.0, MM);
    assert_eq!(problems.len(), 1);
    assert_eq!(
        problems[0].message,
        format!(
            "Coat on the crest {typed:.0} cannot be: a coat's length lies between 0 and 400; comb it out and measure again."
        )
    );
    assert!(coat.length_mm(Zone::Crest) > 0.0);
}

#[test]
fn limits_that_fight_are_said_and_the_longer_hair_is_kept() {
    let mut input = CoatInput {
        all_over_mm: Some(mm(50.0)),
        ..CoatInput::default()
    };
    let fight = Limit {
        not_shorter_mm: Some(mm(30.0)),
        not_longer_mm: Some(mm(10.0)),
        ..Limit::default()
    };
    input.limits.insert(Zone::Chest, fight);
    let (coat, problems) = resolve_coat(&input, 460.0, MM);
    assert!(
        problems[0]
            .message
            .contains("cannot be both not shorter than 30 and not longer than 10")
    );
    let sides = resolve(&FrameInput::default(), MM).sides();
    let subject = Subject::new(&sides, &coat, &Look::shipped(LookId::Lamb), &|_| 2.0);
    for spot in subject.spots.iter().filter(|s| s.zone == Zone::Chest) {
        assert!(spot.low >= 30.0 && spot.high >= 30.0);
    }
}

/// Shortest over longest, longest under safe, knots under everything: bounds never cross.
#[rstest]
#[case(Some(70.0), None)]
#[case(None, Some(0.1))]
#[case(Some(10.0), Some(12.0))]
#[case(Some(12.0), Some(10.0))]
fn bounds_never_cross_whatever_is_wished(
    #[case] shorter: Option<f64>,
    #[case] longer: Option<f64>,
    #[values(Knots::None, Knots::Few, Knots::Tight)] knots: Knots,
    #[values(0.0, 1.0, 25.0)] coat_mm: f64,
) {
    let mut coat = CoatNow::even(Texture::Fleece, 0.85, coat_mm);
    for zone in Zone::ALL {
        let limit = Limit {
            not_shorter_mm: shorter.map(mm),
            not_longer_mm: longer.map(mm),
            ..Limit::default()
        };
        coat.limits.insert(zone, limit);
        coat.knots.insert(zone, knots);
    }
    let sides = resolve(&FrameInput::default(), MM).sides();
    let safe = |zone| shortest_safe_mm(zone, Skin::ORDINARY);
    let subject = Subject::new(&sides, &coat, &Look::shipped(LookId::Lamb), &safe);
    for spot in &subject.spots {
        assert!(spot.low <= spot.high, "{spot:?}");
        assert!(
            spot.high <= coat_mm + 1e-9,
            "hair cannot be added: {spot:?}"
        );
    }
    let solution = veliform_core::solve::solve_lengths(&subject).expect("never infeasible");
    assert!(solution.lengths_mm.iter().all(|l| l.is_finite()));
}

/// Handbook 3, *Shortest safe*: old, sore or scaly skin goes one blade longer.
#[test]
fn delicate_skin_is_left_longer_everywhere() {
    for zone in Zone::ALL {
        assert!(shortest_safe_mm(zone, Skin::DELICATE) > shortest_safe_mm(zone, Skin::ORDINARY));
    }
}

/// The table of handbook 3, *Shortest safe*, row by row: dark, ordinary, pale; a clean throat goes as the
/// face (10 C 8); the back of a double coat stays.
#[rstest]
#[case::body(Zone::Ribs, [1.5, 2.0, 5.0])]
#[case::face(Zone::Cheek, [0.5, 0.5, 0.5])]
#[case::throat(Zone::Throat, [0.5, 0.5, 0.5])]
#[case::ears(Zone::Ear, [0.5, 1.2, 1.5])]
#[case::legs(Zone::ForeOut, [3.0, 3.0, 5.0])]
fn colour_says_how_short_is_safe(#[case] zone: Zone, #[case] safe: [f64; 3]) {
    let colours = [CoatColour::Dark, CoatColour::Mid, CoatColour::Pale];
    for (colour, mm) in colours.into_iter().zip(safe) {
        let skin = Skin {
            colour,
            ..Skin::ORDINARY
        };
        assert!(
            (shortest_safe_mm(zone, skin) - mm).abs() < 1e-9,
            "{colour:?}"
        );
        let delicate = Skin {
            is_delicate: true,
            ..skin
        };
        assert!(shortest_safe_mm(zone, delicate) > mm, "{colour:?}");
    }
    let double = Skin {
        is_double: true,
        ..Skin::ORDINARY
    };
    assert!((shortest_safe_mm(Zone::Back, double) - 13.0).abs() < 1e-9);
}
