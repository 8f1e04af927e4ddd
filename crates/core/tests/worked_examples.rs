//! Worked examples of balance-model.md 15 and baselines of section 8, on the drawn dog's stations:
//! "on another table test the words"; ratios to about a hundredth.

use crate::support;

use rstest::rstest;
use support::{Solved, ample_coat, build, solve, tight_knots};
use veliform_core::balance::{Judged as J, score};
use veliform_core::coat::{CoatNow, Texture, Zone};
use veliform_core::frame::Build;
use veliform_core::look::{Look, LookId};
use veliform_core::shape::Station as S;

fn points(dog: &Solved, lengths: &[f64]) -> f64 {
    score(&dog.solution.points, lengths)
}

/// Example 3: H 460, L 515, dip 9, hip 468, lamb, with that dog's own coat.
fn long_dipped_and_high() -> (Solved, CoatNow) {
    let mut coat = CoatNow::even(Texture::Fleece, 0.85, 40.0);
    for (zone, mm) in [
        (Zone::Topknot, 30.0),
        (Zone::Crest, 35.0),
        (Zone::Back, 35.0),
        (Zone::Croup, 35.0),
        (Zone::Rump, 35.0),
        (Zone::Hock, 35.0),
        (Zone::HindBack, 45.0),
        (Zone::HindFront, 45.0),
        (Zone::Knee, 45.0),
        (Zone::Underline, 45.0),
        (Zone::ForeBack, 45.0),
        (Zone::ForeFront, 45.0),
        (Zone::Throat, 30.0),
    ] {
        coat = coat.with_zone(zone, mm);
    }
    let frame = build(460.0, |b, _| {
        (b.length, b.back_drop, b.hip) = (515.0, 9.0, 468.0);
    });
    (solve(&frame, &coat, &Look::shipped(LookId::Lamb)), coat)
}

#[test]
fn the_long_dipped_high_dog_comes_out_as_worked() {
    let (dog, coat) = long_dipped_and_high();
    let now = dog.subject.now(&coat);
    let ratio_now = dog
        .solution
        .points
        .iter()
        .find(|p| p.judged == J::BodyRatio)
        .expect("judged")
        .value_at(&now);
    // Ratio 1.181 / 1.133 / 1.106; look 1.02, frame's best 1.109, target 1.084.
    assert!((ratio_now - 1.181).abs() < 0.012, "{ratio_now}");
    assert!((dog.clip(J::BodyRatio).0 - 1.133).abs() < 0.012);
    assert!((dog.plan(J::BodyRatio).0 - 1.106).abs() < 0.012);
    let reach = dog.solution.reach.body_ratio;
    assert!((reach.best - 1.109).abs() < 0.008, "{}", reach.best);
    assert!((reach.target.1 - 1.084).abs() < 0.008, "{}", reach.target.1);
    // Dip − 9.0 / − 9.0 / − 0.8 mm; slope − 8.0 / − 8.0 / − 0.1.
    assert!((dog.clip(J::Topline).0 + 9.0).abs() < 1.0);
    assert!(
        dog.plan(J::Topline).0.abs() < 2.0,
        "{:?}",
        dog.plan(J::Topline)
    );
    assert!(dog.plan(J::Slope).0 > -1.0);
    // Pin and breastbone at their floor, knee and back of the foreleg near all there is.
    assert!(dog.at(S::PinBone) < 5.5 && dog.at(S::Breastbone) < 5.5);
    assert!(dog.at(S::ForearmBack) > 35.0);
    assert!(dog.at(S::HipCrest) < dog.at(S::BackMid) - 8.0);
}

#[test]
fn prices_point_at_the_hair_behind_the_front_leg() {
    let (dog, coat) = long_dipped_and_high();
    let mut by_zone: Vec<(Zone, f64)> = Vec::new();
    for (i, spot) in dog.subject.spots.iter().enumerate() {
        if dog.solution.lengths_mm[i] < coat.length_mm(spot.zone) - 0.02 {
            continue;
        }
        let worth = dog.solution.worth[i].max(0.0);
        match by_zone.iter_mut().find(|(z, _)| *z == spot.zone) {
            Some((_, sum)) => *sum += worth,
            None => by_zone.push((spot.zone, worth)),
        }
    }
    by_zone.sort_by(|a, b| b.1.total_cmp(&a.1));
    let first: Vec<Zone> = by_zone.iter().take(3).map(|(z, _)| *z).collect();
    // Example 3's prices: behind foreleg .29, flank .15, knee .09. Foreleg before knee holds here too,
    // with the front of the hind leg, which runs into the knee in one line, between them. The flank's
    // cannot: hair at the drawn dog's flank fold hangs down and shortens nothing, and
    // daylight is judged at the thigh below it (docs/method.md 5). Nor can the sizes: a price is one
    // place's, and the drawn dog has more places to a zone.
    assert_eq!(first[0], Zone::ForeBack, "{by_zone:?}");
    assert!(first.contains(&Zone::Knee), "{by_zone:?}");
    assert!(!first.contains(&Zone::Flank), "{by_zone:?}");
}

#[test]
fn growing_six_weeks_brings_the_gap_in_and_leaves_the_frame() {
    let (_, coat) = long_dipped_and_high();
    let frame = build(460.0, |b, _| {
        (b.length, b.back_drop, b.hip) = (515.0, 9.0, 468.0);
    });
    let grown = coat.with_more(&Zone::ALL, 0.34 * 42.0);
    let (before, after) = (
        solve(&frame, &coat, &Look::shipped(LookId::Lamb)),
        solve(&frame, &grown, &Look::shipped(LookId::Lamb)),
    );
    assert!(after.plan(J::GapRatio).1 <= before.plan(J::GapRatio).1);
    assert!(after.plan(J::GapRatio).1 < 0.6, "gap in range");
    let change = after.plan(J::BodyRatio).0 - before.plan(J::BodyRatio).0;
    assert!(
        change.abs() < 0.012,
        "hair does not change a frame: {change}"
    );
}

/// Example 9: knots in tuck-up and flank: the fall into the flank is lost and the gap opens.
#[test]
fn knots_at_the_flank_cost_what_the_example_says() {
    let frame = build(460.0, |b, _| b.length = 496.8);
    let coat = CoatNow::even(Texture::Fleece, 0.85, 60.0);
    let free = solve(&frame, &coat, &Look::shipped(LookId::Lamb));
    let knotted = solve(
        &frame,
        &tight_knots(coat, &[Zone::TuckUp, Zone::Flank]),
        &Look::shipped(LookId::Lamb),
    );
    let cost = |dog: &Solved| points(dog, &dog.solution.lengths_mm);
    // Score 1.5 → 12.0 on the study's table.
    assert!((cost(&free) - 1.5).abs() <= 0.3, "{}", cost(&free));
    // 12.0 cannot be had: there the gap opens from .384 to .420, here it is judged at the thigh below
    // the fold (docs/method.md 5) and stays. What is lost at the fold is lost all the same.
    let gap = |dog: &Solved| dog.plan(J::GapRatio).0;
    assert!(
        (gap(&knotted) - gap(&free)).abs() < 0.02,
        "{}",
        gap(&knotted)
    );
    assert!(
        cost(&knotted) > cost(&free) + 6.5,
        "{} {}",
        cost(&free),
        cost(&knotted)
    );
    assert!(knotted.plan(J::FlankFill).1 > 1.0);
    assert!(knotted.at(S::FlankFold) < 4.0);
}

/// Corrections over sizes from 200 to 780 mm and both looks: in balance the plan beats an even
/// clip by a wide margin (baselines of balance-model.md 8: 68 against 1.2).
#[rstest]
fn over_all_sizes_a_plan_beats_an_even_clip(
    #[values(200.0, 280.0, 380.0, 520.0, 780.0)] height: f64,
    #[values(0, 1)] look: usize,
    #[values(
        "long",
        "dip",
        "high rear",
        "low tail",
        "short legs",
        "leggy",
        "straight",
        "short neck"
    )]
    fault: &str,
) {
    let look = Look::shipped([LookId::Lamb, LookId::OneLength][look]);
    let frame = build(height, |b: &mut Build, h| match fault {
        "long" => b.length = 1.14 * h,
        "dip" => b.back_drop = 0.025 * h,
        "high rear" => (b.hip, b.tail_set) = (1.03 * h, 0.97 * h),
        "low tail" => b.tail_set = 0.89 * h,
        "short legs" => {
            (b.elbow, b.flank, b.stifle) = (0.45 * h, 0.54 * h, 0.45 * h);
        }
        "leggy" => (b.elbow, b.flank) = (0.57 * h, 0.64 * h),
        "straight" => (b.hock_reach, b.bend_x) = (0.01 * h, 0.01 * h),
        _ => b.neck = 0.31 * h,
    });
    let dog = solve(&frame, &ample_coat(&look, height), &look);
    let (ours, even) = (
        points(&dog, &dog.solution.lengths_mm),
        points(&dog, &dog.uniform),
    );
    assert!(ours <= even + 1e-9);
    if even > 8.0 {
        assert!(ours < 0.62 * even, "{fault} at {height}: {ours} of {even}");
    }
    // What is not at fault stays right.
    if fault != "dip" {
        assert!(dog.plan(J::Topline).1 <= 1.0, "{fault}: topline");
    }
    assert!(dog.plan(J::UnderlineSteady).1 <= 1.0, "{fault}: underline");
    assert!(dog.plan(J::Foremost).1 <= 1.0, "{fault}: foremost");
}
