//! The trade's corrections (handbook 4, *Corrections the trade makes*: common practice) must come
//! out of the solve by themselves. Signatures: balance-model.md 8, re-expressed on the drawn
//! dog's own stations; the dogs are the study's, with some of other sizes.

mod support;

use rstest::rstest;
use support::{Solved, ample_coat, build, limit, solve, tight_knots};
use veliform_core::balance::{Judged as J, UNDER_KNOTS_MM, Width};
use veliform_core::coat::Zone;
use veliform_core::frame::Build;
use veliform_core::look::{Look, LookId};
use veliform_core::shape::Station as S;

fn solved(look: &Look, height: f64, change: impl FnOnce(&mut Build, f64)) -> Solved {
    solve(&build(height, change), &ample_coat(look, height), look)
}

#[rstest]
#[case::lamb_12_percent(Look::shipped(LookId::Lamb), 460.0, 1.12)]
#[case::one_length_18_percent(Look::shipped(LookId::OneLength), 330.0, 1.18)]
#[case::small_lamb(Look::shipped(LookId::Lamb), 250.0, 1.14)]
#[case::large_lamb(Look::shipped(LookId::Lamb), 650.0, 1.13)]
#[case::cylinder(Look::shipped(LookId::CylinderFleece), 600.0, 1.13)]
#[case::terrier(Look::shipped(LookId::AngledTerrier), 300.0, 1.10)]
#[case::toy(Look::shipped(LookId::ToyJacket), 210.0, 1.15)]
#[case::spaniel(Look::shipped(LookId::SkirtedSpaniel), 380.0, 1.16)]
fn a_long_dog_is_shortened_at_both_ends_and_filled_inside(
    #[case] look: Look,
    #[case] height: f64,
    #[case] length: f64,
) {
    let dog = solved(&look, height, |b, h| b.length = length * h);
    let (ratio, off) = dog.plan(J::BodyRatio);
    let (clipped, clipped_off) = dog.clip(J::BodyRatio);
    // A very short look has nothing left to give once both ends stand at their floor.
    let is_at_the_floor = |s| dog.at(s) <= dog.low(s) + 1e-3 * height;
    assert!(
        ratio < clipped - 0.004
            || clipped_off <= 0.5
            || (is_at_the_floor(S::Breastbone) && is_at_the_floor(S::PinBone)),
        "{ratio} {clipped}"
    );
    assert!(dog.is_short(S::Breastbone, 0.7) || off < 0.6, "chest");
    assert!(dog.is_short(S::PinBone, 0.7) || off < 0.6, "rump");
    let (gap, gap_off) = dog.plan(J::GapRatio);
    let (gap_clipped, gap_clipped_off) = dog.clip(J::GapRatio);
    assert!(
        gap < gap_clipped - 0.003 || gap_clipped_off < 0.2,
        "gap {gap} {gap_clipped}"
    );
    assert!(
        dog.is_full(S::ForearmBack, 1.03) || gap_off < 0.05,
        "behind the front leg"
    );
    assert!(
        dog.is_full(S::Stifle, 1.05) || gap_off < 0.05,
        "front of the knee"
    );
    assert!(dog.at(S::FlankFold) >= 0.98 * dog.nominal(S::FlankFold).min(dog.high(S::FlankFold)));
    assert!(
        dog.at(S::CrestMid) >= 0.85 * dog.nominal(S::CrestMid),
        "neckline kept"
    );
    assert!(dog.at(S::ForearmFront) <= dog.at(S::ForearmBack) + 0.002 * height);
    // No plan lifts the withers more than 0.012 H over the nominal to look shorter (handbook 8).
    assert!(dog.at(S::Withers) <= dog.nominal(S::Withers) + 0.012 * height);
}

#[rstest]
#[case(Look::shipped(LookId::Lamb), 340.0)]
#[case(Look::shipped(LookId::OneLength), 300.0)]
#[case(Look::shipped(LookId::Lamb), 600.0)]
#[case(Look::shipped(LookId::CylinderFleece), 520.0)]
#[case(Look::shipped(LookId::DropComfort), 260.0)]
#[case(Look::shipped(LookId::LongLegs), 300.0)]
fn short_legs_get_a_tight_underline_and_fuller_columns(#[case] look: Look, #[case] height: f64) {
    let short = |b: &mut Build, h: f64| {
        (b.elbow, b.flank, b.stifle) = (0.44 * h, 0.53 * h, 0.44 * h);
        b.length = 1.10 * h;
    };
    let dog = solved(&look, height, short);
    assert!(dog.is_short(S::Brisket, 0.75) || dog.plan(J::LegShare).1 < 0.05);
    assert!(dog.plan(J::LegShare).0 >= dog.clip(J::LegShare).0 - 1e-6);
    assert!(dog.plan(J::ColumnShare).1 < 0.6);
}

#[rstest]
#[case(Look::shipped(LookId::Lamb), 560.0, 0.58)]
#[case(Look::shipped(LookId::Lamb), 320.0, 0.58)]
#[case(Look::shipped(LookId::SkirtedSpaniel), 400.0, 0.56)]
#[case(Look::shipped(LookId::CylinderFleece), 650.0, 0.57)]
fn a_leggy_dog_gets_a_longer_underline(
    #[case] look: Look,
    #[case] height: f64,
    #[case] elbow: f64,
) {
    let dog = solved(&look, height, |b, h| {
        (b.elbow, b.flank) = (elbow * h, 0.64 * h);
    });
    let (share, off) = dog.plan(J::LegShare);
    assert!(dog.is_full(S::Brisket, 1.15) || off < 0.5, "{off}");
    assert!(share < dog.clip(J::LegShare).0 - 0.003 || off < 0.5);
}

#[rstest]
#[case::lamb(Look::shipped(LookId::Lamb), 460.0, 0.0196)]
#[case::small(Look::shipped(LookId::OneLength), 260.0, 0.025)]
#[case::large(Look::shipped(LookId::Lamb), 700.0, 0.03)]
#[case::cylinder(Look::shipped(LookId::CylinderFleece), 620.0, 0.035)]
#[case::summer(Look::shipped(LookId::Summer), 450.0, 0.012)]
#[case::drop_coat(Look::shipped(LookId::DropComfort), 280.0, 0.02)]
#[case::terrier(Look::shipped(LookId::AngledTerrier), 340.0, 0.012)]
fn a_dip_is_filled_and_its_ends_are_taken_down(
    #[case] look: Look,
    #[case] height: f64,
    #[case] dip: f64,
) {
    let dog = solved(&look, height, |b, h| b.back_drop = dip * h);
    let ends = 0.5 * (dog.at(S::Withers) + dog.at(S::HipCrest));
    let shows = dog.subject.stand.all();
    let room = (dog.high(S::BackMid) - dog.low(S::HipCrest)) * shows;
    let filled = (dog.at(S::BackMid) - ends) * shows;
    assert!(filled >= 0.8 * (dip * height).min(room) - 1e-6, "{filled}");
    assert!(
        dog.plan(J::Topline).1 <= 1.0 || room < dip * height,
        "topline straight"
    );
    assert!(
        dog.at(S::Withers)
            <= (1.45 * dog.nominal(S::Withers)).max(dog.nominal(S::Withers) + 0.012 * height)
    );
    assert!(dog.at(S::HipCrest) <= 1.2 * dog.nominal(S::HipCrest));
}

#[rstest]
#[case(Look::shipped(LookId::Lamb), 460.0, 1.02, 0.965)]
#[case(Look::shipped(LookId::OneLength), 300.0, 1.03, 0.97)]
#[case(Look::shipped(LookId::Lamb), 620.0, 1.03, 0.97)]
#[case(Look::shipped(LookId::CylinderFleece), 600.0, 1.04, 0.98)]
#[case(Look::shipped(LookId::AngledTerrier), 330.0, 1.015, 0.95)]
fn a_high_rear_is_shortened_from_behind_the_dip(
    #[case] look: Look,
    #[case] height: f64,
    #[case] hip: f64,
    #[case] tail_set: f64,
) {
    let dog = solved(&look, height, |b, h| {
        (b.hip, b.tail_set) = (hip * h, tail_set * h);
    });
    assert!(dog.at(S::HipCrest) < dog.at(S::Withers) - 0.003 * height);
    let is_at_the_floor = dog.at(S::HipCrest) < dog.low(S::HipCrest) + 0.002 * height;
    assert!(dog.at(S::Loin) < dog.nominal(S::Loin) || is_at_the_floor);
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

#[rstest]
#[case(Look::shipped(LookId::Lamb), 520.0, 0.37)]
#[case(Look::shipped(LookId::CylinderFleece), 450.0, 0.35)]
#[case(Look::shipped(LookId::AngledTerrier), 350.0, 0.34)]
fn a_heavy_shoulder_goes_shorter_into_the_ribs(
    #[case] look: Look,
    #[case] height: f64,
    #[case] shoulder: f64,
) {
    let dog = solved(&look, height, |b, h| b.shoulder_width = shoulder * h);
    let excess = (shoulder - dog.subject.build.rib_width / height) / 2.0 * height;
    assert!(dog.width(Width::Shoulder) <= dog.nominal_width(Width::Shoulder) + 1e-6);
    let shorter = dog.width(Width::RibFront) - dog.width(Width::Shoulder);
    let is_at_the_floor =
        dog.width(Width::Shoulder) <= 0.4 * dog.nominal_width(Width::Shoulder) + 0.002 * height;
    assert!(
        shorter * dog.subject.stand.all() >= 0.6 * excess || is_at_the_floor,
        "{shorter} of {excess}"
    );
    assert!(dog.plan(J::ShoulderIntoRibs).0 < dog.clip(J::ShoulderIntoRibs).0);
}

#[rstest]
#[case(Look::shipped(LookId::Lamb), 500.0, 0.012)]
#[case(Look::shipped(LookId::Lamb), 300.0, 0.0)]
#[case(Look::shipped(LookId::AngledTerrier), 340.0, 0.015)]
#[case(Look::shipped(LookId::CylinderFleece), 560.0, 0.01)]
fn straight_behind_gains_angle_by_a_close_bend(
    #[case] look: Look,
    #[case] height: f64,
    #[case] bend: f64,
) {
    let dog = solved(&look, height, |b, h| {
        (b.hock_reach, b.bend_x) = (0.01 * h, bend * h);
    });
    let (angle, off) = dog.plan(J::RearAngulation);
    assert!(angle > dog.clip(J::RearAngulation).0 + 0.001 * height);
    assert!(dog.is_short(S::Bend, 0.7) || off < 0.05, "bend taken close");
    let share = |s| dog.at(s) / dog.nominal(s);
    assert!(
        share(S::PinBone) > share(S::Bend),
        "hair kept under the pin bone"
    );
}

/// The study's fleece with a neck of .31 H is left out: drawn, its neck is deeper, and the plan keeps
/// .75 of its crest, not .8.
#[rstest]
#[case(Look::shipped(LookId::Lamb), 430.0, 0.30)]
#[case(Look::shipped(LookId::Lamb), 260.0, 0.30)]
#[case(Look::shipped(LookId::LambEasy), 320.0, 0.30)]
fn a_short_neck_is_cut_at_the_throat_and_keeps_its_crest(
    #[case] look: Look,
    #[case] height: f64,
    #[case] neck: f64,
) {
    let dog = solved(&look, height, |b, h| b.neck = neck * h);
    let (depth, off) = dog.plan(J::NeckDepth);
    assert!(
        dog.is_short(S::ThroatLow, 0.8) || dog.is_short(S::ThroatHigh, 0.8) || off < 0.5,
        "{depth}"
    );
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
