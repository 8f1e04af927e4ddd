//! No near piece of a plausible dog crosses itself, bare or in a coat up to 0.15 H: checked with
//! another geometry library over the ranges of dog-shape.md 2 and 12.

use crate::support;

use proptest::prelude::*;
use rstest::rstest;
use support::random::{builds, is_simple};
use veliform_core::coat::{CoatNow, Texture, Zone};
use veliform_core::frame::Build;
use veliform_core::shape::{Dressing, PieceKind, bare, dress_now, side_pieces, side_shape};

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

/// A ring round a square is simple, one drawn as an eight, folded back or touching itself is not (OGC 06-103r4,
/// 6.1.6.1, *simple*).
#[rstest]
#[case::square(&[(0.0, 0.0), (1.0, 0.0), (2.0, 0.0), (2.0, 2.0), (0.0, 2.0)], true)]
#[case::eight(&[(0.0, 0.0), (2.0, 2.0), (2.0, 0.0), (0.0, 2.0)], false)]
#[case::folded_back(&[(0.0, 0.0), (2.0, 0.0), (1.0, 0.0), (1.0, 2.0)], false)]
#[case::touching(&[(0.0, 0.0), (2.0, 0.0), (2.0, 2.0), (1.0, 0.0), (0.0, 2.0)], false)]
fn what_crosses_itself_is_found(#[case] ring: &[(f64, f64)], #[case] simple: bool) {
    let points: Vec<kurbo::Point> = ring.iter().map(|p| (*p).into()).collect();
    assert_eq!(is_simple(&points), simple);
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
