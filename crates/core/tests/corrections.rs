//! The trade's corrections (handbook 4, *Corrections the trade makes*: common practice) must come
//! out of the solve by themselves. Signatures: balance-model.md 8, re-expressed on the drawn
//! dog's own stations; the dogs are its acceptance cases, with some of other sizes.

use crate::support;

use std::collections::BTreeMap;

use rstest::rstest;
use support::{Solved, ample_coat, build, limit, solve, tight_knots};
use veliform_core::balance::{Judged as J, Width};
use veliform_core::coat::{UNDER_KNOTS_MM, Zone};
use veliform_core::frame::Build;
use veliform_core::look::{Look, LookId};
use veliform_core::shape::Station as S;

/// A correction shows as the trade makes it, or nothing is left to correct: how often the first is so is
/// counted, so that a test that only ever took the second would fail.
#[derive(Default)]
struct Branches(BTreeMap<&'static str, (usize, usize)>);

impl Branches {
    fn either(&mut self, what: &'static str, as_the_trade: bool, nothing_to_do: bool) {
        assert!(as_the_trade || nothing_to_do, "{what}");
        let counted = self.0.entry(what).or_default();
        counted.0 += usize::from(as_the_trade);
        counted.1 += 1;
    }

    /// In how many of its dogs each correction showed; every one is named.
    fn assert_strong(&self, least: &[(&str, usize)]) {
        assert_eq!(self.0.len(), least.len(), "{:?}", self.0);
        for (what, n) in least {
            let (strong, all) = self.0.get(what).copied().unwrap_or_default();
            assert!(strong >= *n, "{what}: only {strong} of {all}");
        }
    }
}

fn solved(look: &Look, height: f64, change: impl FnOnce(&mut Build, f64)) -> Solved {
    solve(&build(height, change), &ample_coat(look, height), look)
}

#[test]
fn a_long_dog_is_shortened_at_both_ends_and_filled_inside() {
    let mut taken = Branches::default();
    for (look, height, length) in [
        (Look::shipped(LookId::Lamb), 460.0, 1.12),
        (Look::shipped(LookId::OneLength), 330.0, 1.18),
        (Look::shipped(LookId::Lamb), 250.0, 1.14),
        (Look::shipped(LookId::Lamb), 650.0, 1.13),
        (Look::shipped(LookId::CylinderFleece), 600.0, 1.13),
        (Look::shipped(LookId::AngledTerrier), 300.0, 1.10),
        (Look::shipped(LookId::ToyJacket), 210.0, 1.15),
        (Look::shipped(LookId::SkirtedSpaniel), 380.0, 1.16),
    ] {
        a_long_dog_is_shortened_at_both_ends_and_filled_inside_in(look, height, length, &mut taken);
    }
    taken.assert_strong(&[
        ("shorter", 7),
        ("chest", 8),
        ("rump", 8),
        ("gap", 7),
        ("foreleg", 6),
        ("knee", 7),
    ]);
}

fn a_long_dog_is_shortened_at_both_ends_and_filled_inside_in(
    look: Look,
    height: f64,
    length: f64,
    taken: &mut Branches,
) {
    let dog = solved(&look, height, |b, h| b.length = length * h);
    let (ratio, off) = dog.plan(J::BodyRatio);
    let (clipped, clipped_off) = dog.clip(J::BodyRatio);
    // A very short look has nothing left to give once both ends stand at their floor.
    let is_at_the_floor = |s| dog.at(s) <= dog.low(s) + 1e-3 * height;
    taken.either(
        "shorter",
        ratio < clipped - 0.004,
        clipped_off <= 0.5 || (is_at_the_floor(S::Breastbone) && is_at_the_floor(S::PinBone)),
    );
    taken.either("chest", dog.is_short(S::Breastbone, 0.7), off < 0.6);
    taken.either("rump", dog.is_short(S::PinBone, 0.7), off < 0.6);
    let (gap, gap_off) = dog.plan(J::GapRatio);
    let (gap_clipped, gap_clipped_off) = dog.clip(J::GapRatio);
    taken.either("gap", gap < gap_clipped - 0.003, gap_clipped_off < 0.2);
    taken.either("foreleg", dog.is_full(S::ForearmBack, 1.03), gap_off < 0.05);
    taken.either("knee", dog.is_full(S::Stifle, 1.05), gap_off < 0.05);
    assert!(dog.at(S::FlankFold) >= 0.98 * dog.nominal(S::FlankFold).min(dog.high(S::FlankFold)));
    assert!(
        dog.at(S::CrestMid) >= 0.85 * dog.nominal(S::CrestMid),
        "neckline kept"
    );
    assert!(dog.at(S::ForearmFront) <= dog.at(S::ForearmBack) + 0.002 * height);
    // No plan lifts the withers more than 0.012 H over the nominal to look shorter (handbook 8).
    assert!(dog.at(S::Withers) <= dog.nominal(S::Withers) + 0.012 * height);
}

#[test]
fn short_legs_get_a_tight_underline_and_fuller_columns() {
    let mut taken = Branches::default();
    for (look, height) in [
        (Look::shipped(LookId::Lamb), 340.0),
        (Look::shipped(LookId::OneLength), 300.0),
        (Look::shipped(LookId::Lamb), 600.0),
        (Look::shipped(LookId::CylinderFleece), 520.0),
        (Look::shipped(LookId::DropComfort), 260.0),
        (Look::shipped(LookId::LongLegs), 300.0),
    ] {
        short_legs_get_a_tight_underline_and_fuller_columns_in(look, height, &mut taken);
    }
    taken.assert_strong(&[("brisket", 6)]);
}

fn short_legs_get_a_tight_underline_and_fuller_columns_in(
    look: Look,
    height: f64,
    taken: &mut Branches,
) {
    let short = |b: &mut Build, h: f64| {
        (b.elbow, b.flank, b.stifle) = (0.44 * h, 0.53 * h, 0.44 * h);
        b.length = 1.10 * h;
    };
    let dog = solved(&look, height, short);
    let is_right = dog.plan(J::LegShare).1 < 0.05;
    taken.either("brisket", dog.is_short(S::Brisket, 0.75), is_right);
    assert!(dog.plan(J::LegShare).0 >= dog.clip(J::LegShare).0 - 1e-6);
    assert!(dog.plan(J::ColumnShare).1 < 0.6);
}

#[test]
fn a_leggy_dog_gets_a_longer_underline() {
    let mut taken = Branches::default();
    for (look, height, elbow) in [
        (Look::shipped(LookId::Lamb), 560.0, 0.63),
        (Look::shipped(LookId::Lamb), 320.0, 0.62),
        (Look::shipped(LookId::SkirtedSpaniel), 400.0, 0.62),
        (Look::shipped(LookId::CylinderFleece), 650.0, 0.62),
    ] {
        a_leggy_dog_gets_a_longer_underline_in(look, height, elbow, &mut taken);
    }
    taken.assert_strong(&[("brisket", 3), ("share", 3)]);
}

fn a_leggy_dog_gets_a_longer_underline_in(
    look: Look,
    height: f64,
    elbow: f64,
    taken: &mut Branches,
) {
    let dog = solved(&look, height, |b, h| {
        (b.elbow, b.flank) = (elbow * h, 0.64 * h);
    });
    let (share, off) = dog.plan(J::LegShare);
    taken.either("brisket", dog.is_full(S::Brisket, 1.15), off < 0.5);
    taken.either("share", share < dog.clip(J::LegShare).0 - 0.003, off < 0.5);
}

#[test]
fn a_dip_is_filled_and_its_ends_are_taken_down() {
    let mut taken = Branches::default();
    for (look, height, dip) in [
        (Look::shipped(LookId::Lamb), 460.0, 0.0196),
        (Look::shipped(LookId::OneLength), 260.0, 0.025),
        (Look::shipped(LookId::Lamb), 700.0, 0.03),
        (Look::shipped(LookId::CylinderFleece), 620.0, 0.035),
        (Look::shipped(LookId::Summer), 450.0, 0.012),
        (Look::shipped(LookId::DropComfort), 280.0, 0.02),
        (Look::shipped(LookId::AngledTerrier), 340.0, 0.012),
    ] {
        a_dip_is_filled_and_its_ends_are_taken_down_in(look, height, dip, &mut taken);
    }
    taken.assert_strong(&[("topline", 7)]);
}

fn a_dip_is_filled_and_its_ends_are_taken_down_in(
    look: Look,
    height: f64,
    dip: f64,
    taken: &mut Branches,
) {
    let dog = solved(&look, height, |b, h| b.back_drop = dip * h);
    let ends = 0.5 * (dog.at(S::Withers) + dog.at(S::HipCrest));
    let shows = dog.subject.stand.all();
    let room = (dog.high(S::BackMid) - dog.low(S::HipCrest)) * shows;
    let filled = (dog.at(S::BackMid) - ends) * shows;
    assert!(filled >= 0.8 * (dip * height).min(room) - 1e-6, "{filled}");
    taken.either(
        "topline",
        dog.plan(J::Topline).1 <= 1.0,
        room < dip * height,
    );
    assert!(
        dog.at(S::Withers)
            <= (1.45 * dog.nominal(S::Withers)).max(dog.nominal(S::Withers) + 0.012 * height)
    );
    assert!(dog.at(S::HipCrest) <= 1.2 * dog.nominal(S::HipCrest));
}

#[test]
fn a_high_rear_is_shortened_from_behind_the_dip() {
    let mut taken = Branches::default();
    for (look, height, hip, tail_set) in [
        (Look::shipped(LookId::Lamb), 460.0, 1.02, 0.965),
        (Look::shipped(LookId::OneLength), 300.0, 1.03, 0.97),
        (Look::shipped(LookId::Lamb), 620.0, 1.03, 0.97),
        (Look::shipped(LookId::CylinderFleece), 600.0, 1.04, 0.98),
        (Look::shipped(LookId::AngledTerrier), 330.0, 1.015, 0.95),
    ] {
        a_high_rear_is_shortened_from_behind_the_dip_in(look, height, hip, tail_set, &mut taken);
    }
    taken.assert_strong(&[("loin", 5)]);
}

fn a_high_rear_is_shortened_from_behind_the_dip_in(
    look: Look,
    height: f64,
    hip: f64,
    tail_set: f64,
    taken: &mut Branches,
) {
    let dog = solved(&look, height, |b, h| {
        (b.hip, b.tail_set) = (hip * h, tail_set * h);
    });
    assert!(dog.at(S::HipCrest) < dog.at(S::Withers) - 0.003 * height);
    let is_at_the_floor = dog.at(S::HipCrest) < dog.low(S::HipCrest) + 0.002 * height;
    taken.either(
        "loin",
        dog.at(S::Loin) < dog.nominal(S::Loin),
        is_at_the_floor,
    );
    assert!(dog.plan(J::Slope).1 < dog.clip(J::Slope).1);
}

#[rstest]
#[case(Look::shipped(LookId::Lamb), 480.0, 0.88)]
#[case(Look::shipped(LookId::OneLength), 320.0, 0.89)]
#[case(Look::shipped(LookId::CylinderFleece), 560.0, 0.91)]
#[case(Look::shipped(LookId::AngledTerrier), 320.0, 0.90)]
fn a_low_tail_set_keeps_hair_on_the_croup(
    #[case] look: Look,
    #[case] height: f64,
    #[case] tail_set: f64,
) {
    let dog = solved(&look, height, |b, h| b.tail_set = tail_set * h);
    assert!(dog.is_full(S::TailSet, 1.2));
    assert!(dog.plan(J::CroupDrop).0 < dog.clip(J::CroupDrop).0 - 0.002 * height);
}

#[rstest]
#[case(Look::shipped(LookId::Lamb), 580.0, 0.28, 0.29)]
#[case(Look::shipped(LookId::OneLength), 250.0, 0.28, 0.285)]
#[case(Look::shipped(LookId::CylinderFleece), 500.0, 0.285, 0.30)]
fn a_thin_dog_keeps_its_longest_hair_over_the_ribs(
    #[case] look: Look,
    #[case] height: f64,
    #[case] ribs: f64,
    #[case] shoulder: f64,
) {
    let dog = solved(&look, height, |b, h| {
        (b.rib_width, b.chest_width, b.hip_width) = (ribs * h, shoulder * h, 0.25 * h);
    });
    let longest = dog.width(Width::RibFront).max(dog.width(Width::LastRib));
    for other in [Width::Shoulder, Width::Hip, Width::Neck] {
        assert!(longest >= dog.width(other) - 1e-3);
    }
    assert!(dog.width(Width::LastRib) > 1.01 * dog.nominal_width(Width::LastRib));
    assert!(dog.plan(J::RibsNotFlat).0 > dog.clip(J::RibsNotFlat).0);
}

#[test]
fn a_heavy_shoulder_goes_shorter_into_the_ribs() {
    let mut taken = Branches::default();
    for (look, height, shoulder) in [
        (Look::shipped(LookId::Lamb), 520.0, 0.37),
        (Look::shipped(LookId::CylinderFleece), 450.0, 0.35),
        (Look::shipped(LookId::AngledTerrier), 350.0, 0.34),
    ] {
        a_heavy_shoulder_goes_shorter_into_the_ribs_in(look, height, shoulder, &mut taken);
    }
    taken.assert_strong(&[("shoulder", 3)]);
}

fn a_heavy_shoulder_goes_shorter_into_the_ribs_in(
    look: Look,
    height: f64,
    shoulder: f64,
    taken: &mut Branches,
) {
    let dog = solved(&look, height, |b, h| b.shoulder_width = shoulder * h);
    let excess = (shoulder - dog.subject.build.rib_width / height) / 2.0 * height;
    assert!(dog.width(Width::Shoulder) <= dog.nominal_width(Width::Shoulder) + 1e-6);
    let shorter = dog.width(Width::RibFront) - dog.width(Width::Shoulder);
    let is_at_the_floor =
        dog.width(Width::Shoulder) <= 0.4 * dog.nominal_width(Width::Shoulder) + 0.002 * height;
    let is_levelled = shorter * dog.subject.stand.all() >= 0.6 * excess;
    taken.either("shoulder", is_levelled, is_at_the_floor);
    assert!(dog.plan(J::ShoulderIntoRibs).0 < dog.clip(J::ShoulderIntoRibs).0);
}

#[test]
fn straight_behind_gains_angle_by_a_close_bend() {
    let mut taken = Branches::default();
    for (look, height, bend) in [
        (Look::shipped(LookId::Lamb), 500.0, 0.012),
        (Look::shipped(LookId::Lamb), 300.0, 0.0),
        (Look::shipped(LookId::AngledTerrier), 340.0, 0.015),
        (Look::shipped(LookId::CylinderFleece), 560.0, 0.01),
    ] {
        straight_behind_gains_angle_by_a_close_bend_in(look, height, bend, &mut taken);
    }
    taken.assert_strong(&[("bend", 4)]);
}

fn straight_behind_gains_angle_by_a_close_bend_in(
    look: Look,
    height: f64,
    bend: f64,
    taken: &mut Branches,
) {
    let dog = solved(&look, height, |b, h| {
        (b.hock_reach, b.bend_x) = (0.01 * h, bend * h);
    });
    let (angle, off) = dog.plan(J::RearAngulation);
    assert!(angle > dog.clip(J::RearAngulation).0 + 0.001 * height);
    taken.either("bend", dog.is_short(S::Bend, 0.7), off < 0.05);
    let share = |s| dog.at(s) / dog.nominal(s);
    assert!(
        share(S::PinBone) > share(S::Bend),
        "hair kept under the pin bone"
    );
}

/// Its fleece with a neck of .31 H is left out: drawn, its neck is deeper, and the plan keeps
/// .75 of its crest, not .8.
#[test]
fn a_short_neck_is_cut_at_the_throat_and_keeps_its_crest() {
    let mut taken = Branches::default();
    for (look, height, neck) in [
        (Look::shipped(LookId::Lamb), 430.0, 0.30),
        (Look::shipped(LookId::Lamb), 260.0, 0.30),
        (Look::shipped(LookId::LambEasy), 320.0, 0.30),
    ] {
        a_short_neck_is_cut_at_the_throat_and_keeps_its_crest_in(look, height, neck, &mut taken);
    }
    taken.assert_strong(&[("throat", 3)]);
}

fn a_short_neck_is_cut_at_the_throat_and_keeps_its_crest_in(
    look: Look,
    height: f64,
    neck: f64,
    taken: &mut Branches,
) {
    let dog = solved(&look, height, |b, h| b.neck = neck * h);
    let (_, off) = dog.plan(J::NeckDepth);
    let is_cut = dog.is_short(S::ThroatLow, 0.8) || dog.is_short(S::ThroatHigh, 0.8);
    taken.either("throat", is_cut, off < 0.5);
    assert!(dog.at(S::CrestMid) >= 0.8 * dog.nominal(S::CrestMid));
    assert!(dog.plan(J::CrestJoin).1 < 0.5);
}

#[test]
fn an_owners_limits_are_kept_exactly_and_cost_something() {
    let look = Look::shipped(LookId::Lamb);
    let frame = build(460.0, |b, h| b.length = 1.10 * h);
    let free = solve(&frame, &ample_coat(&look, 460.0), &look);
    let mut coat = ample_coat(&look, 460.0);
    coat.limits.insert(Zone::Chest, limit(Some(25.0), None));
    coat.limits.insert(Zone::Rump, limit(Some(20.0), None));
    coat.limits.insert(Zone::ForeBack, limit(None, Some(30.0)));
    let held = solve(&frame, &coat, &look);
    for (spot, length) in held.subject.spots.iter().zip(&held.solution.lengths_mm) {
        match spot.zone {
            Zone::Chest => assert!(*length >= 25.0 - 1e-6),
            Zone::Rump => assert!(*length >= 20.0 - 1e-6),
            Zone::ForeBack => assert!(*length <= 30.0 + 1e-6),
            _ => {}
        }
    }
    assert!(held.plan(J::BodyRatio).0 > free.plan(J::BodyRatio).0 + 0.02);
}

#[test]
fn tight_knots_overrule_the_outline() {
    let look = Look::shipped(LookId::Lamb);
    let frame = build(460.0, |_, _| {});
    let free = solve(&frame, &ample_coat(&look, 460.0), &look);
    let coat = tight_knots(ample_coat(&look, 460.0), &[Zone::TuckUp, Zone::Flank]);
    let knotted = solve(&frame, &coat, &look);
    assert!(knotted.at(S::TuckUp) <= UNDER_KNOTS_MM + 1e-6);
    assert!(knotted.at(S::FlankFold) <= UNDER_KNOTS_MM + 1e-6);
    let score =
        |s: &Solved| veliform_core::balance::score(&s.solution.points, &s.solution.lengths_mm);
    assert!(score(&knotted) > score(&free) + 2.0, "the cost shows");
}

/// balance-model.md 15, example 2, in words: a square level dog with even coat keeps its body
/// zones within 1 mm of the look's length.
#[test]
fn an_even_square_dog_keeps_its_body_at_the_looks_length() {
    let look = Look::shipped(LookId::OneLength);
    let coat = veliform_core::coat::CoatNow::even(veliform_core::coat::Texture::Fleece, 0.85, 40.0);
    let dog = solve(&build(450.0, |b, h| b.length = h), &coat, &look);
    for (spot, length) in dog.subject.spots.iter().zip(&dog.solution.lengths_mm) {
        if matches!(
            spot.zone,
            Zone::Back | Zone::Croup | Zone::Chest | Zone::Shoulder | Zone::Ribs | Zone::Hip
        ) {
            assert!(
                (length - spot.nominal).abs() <= 1.0,
                "{:?} {length}",
                spot.place
            );
        }
    }
}
