//! Knots inside or outside the planned edge (handbook 4: *tight knots overrule the outline*), and
//! what the talk says of them.

use crate::support;

use rstest::rstest;
use support::{ample_coat, build, solve, tight_knots};
use veliform_core::balance::Judged as J;
use veliform_core::coat::{CoatNow, Knots, Texture, UNDER_KNOTS_MM, Zone, ZoneMarks};
use veliform_core::consult::{Talk, fit};
use veliform_core::look::{Look, LookId};
use veliform_core::shape::Station as S;
use veliform_core::units::Length;

fn lamb() -> Look {
    Look::shipped(LookId::Lamb)
}

fn knotted_from(zone: Zone, from_skin_mm: Option<f64>) -> CoatNow {
    let mut coat = tight_knots(ample_coat(&lamb(), 460.0), &[zone]);
    let marks = ZoneMarks {
        knot_from_skin_mm: from_skin_mm.and_then(|mm| Length::from_mm(mm).ok()),
        ..ZoneMarks::default()
    };
    coat.marks.insert(zone, marks);
    coat
}

/// Where the knots begin decides how long the zone can stay: at the skin a blade goes under them,
/// further out they go with the cut and the hair beneath stays.
#[rstest]
#[case::nobody_said(None, UNDER_KNOTS_MM)]
#[case::at_the_skin(Some(0.0), UNDER_KNOTS_MM)]
#[case::half_way(Some(9.0), 9.0)]
fn a_knot_decides_the_longest_hair(#[case] from_skin: Option<f64>, #[case] longest: f64) {
    let dog = solve(
        &build(460.0, |_, _| {}),
        &knotted_from(Zone::TuckUp, from_skin),
        &lamb(),
    );
    assert!((dog.high(S::TuckUp) - longest).abs() < 1e-9);
    assert!(dog.at(S::TuckUp) <= longest + 1e-6);
}

/// Knots outside the planned edge cost nothing: the plan is as without them.
#[test]
fn knots_outside_the_plan_go_with_the_cut() {
    let frame = build(460.0, |_, _| {});
    let free = solve(&frame, &ample_coat(&lamb(), 460.0), &lamb());
    let planned = free.at(S::TuckUp);
    let outside = solve(
        &frame,
        &knotted_from(Zone::TuckUp, Some(planned + 4.0)),
        &lamb(),
    );
    assert!((outside.at(S::TuckUp) - planned).abs() < 0.5);
    let inside = solve(&frame, &knotted_from(Zone::TuckUp, Some(4.0)), &lamb());
    let cost = |dog: &support::Solved| {
        veliform_core::balance::score(&dog.solution.points, &dog.solution.lengths_mm)
    };
    assert!(
        cost(&inside) > cost(&outside),
        "{} {}",
        cost(&inside),
        cost(&outside)
    );
}

/// A record of how deep knots lie says by itself whether they go with a planned length.
#[rstest]
#[case(Some(20.0), 13.0, Some(true))]
#[case(Some(6.0), 13.0, Some(false))]
#[case(None, 13.0, None)]
fn knots_go_with_what_is_cut_under_them(
    #[case] from_skin: Option<f64>,
    #[case] planned: f64,
    #[case] goes: Option<bool>,
) {
    let marks = ZoneMarks {
        knot_from_skin_mm: from_skin.and_then(|mm| Length::from_mm(mm).ok()),
        ..ZoneMarks::default()
    };
    assert_eq!(marks.knots_go_with(planned), goes);
}

/// A knotted leg spoils what keeps legs long, and nothing of what cuts them short.
#[test]
fn a_knotted_leg_speaks_against_long_legs_alone() {
    let mut coat = CoatNow::even(Texture::Curl, 0.95, 80.0);
    coat.knots.insert(Zone::ForeOut, Knots::Tight);
    let build = support::build(460.0, |_, _| {});
    let against = |id| fit(&Look::shipped(id), &Talk::default(), &coat, &build).against;
    let says = |id| {
        against(id)
            .iter()
            .any(|words| words == "tight knots outside the front leg")
    };
    assert!(says(LookId::LongLegs) && says(LookId::Lamb) && says(LookId::CylinderFleece));
    assert!(!says(LookId::Summer));
}

/// Tight knots at the flank and tuck-up cost the fall into the flank, as example 9 of balance-model.md
/// shows: the points that hang on that hair are off, the topline is not.
#[test]
fn knots_cost_the_points_that_hang_on_their_hair() {
    let frame = build(460.0, |b, h| b.length = 1.08 * h);
    let coat = tight_knots(ample_coat(&lamb(), 460.0), &[Zone::TuckUp, Zone::Flank]);
    let dog = solve(&frame, &coat, &lamb());
    assert!(dog.plan(J::FlankFill).1 > 1.0);
    assert!(dog.plan(J::Topline).1 <= 1.0);
    assert!(dog.plan(J::FrontEdges).1 <= 1.05);
}
