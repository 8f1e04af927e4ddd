//! Properties of the plan (handbook 8, *Properties*) on random dogs of the ranges of dog-shape.md.

use crate::support;

use proptest::prelude::*;
use support::{ample_coat, build, limit, solve};
use veliform_core::balance::{Judged, score};
use veliform_core::coat::{CoatNow, Texture, Zone};
use veliform_core::frame::Build;
use veliform_core::look::{Look, LookId};
use veliform_core::shape::Station as S;

#[derive(Clone, Debug)]
struct Frame {
    height: f64,
    length: f64,
    elbow: f64,
    hip: f64,
    tail_drop: f64,
    reach: f64,
    dip: f64,
    neck: f64,
    bend: f64,
}

fn frames() -> impl Strategy<Value = Frame> {
    (
        240.0..750.0_f64,
        0.95..1.3_f64,
        0.44..0.58_f64,
        0.97..1.04_f64,
        0.03..0.12_f64,
        0.0..0.12_f64,
        0.0..0.035_f64,
        0.30..0.50_f64,
        -0.02..0.05_f64,
    )
        .prop_map(
            |(height, length, elbow, hip, tail_drop, reach, dip, neck, bend)| Frame {
                height,
                length,
                elbow,
                hip,
                tail_drop,
                reach,
                dip,
                neck,
                bend,
            },
        )
}

impl Frame {
    fn build(&self) -> Build {
        build(self.height, |b, h| {
            b.length = self.length * h;
            b.elbow = self.elbow * h;
            b.flank = (self.elbow + 0.08) * h;
            b.stifle = (0.5 + 0.8 * (self.elbow - 0.52)) * h;
            b.hip = self.hip * h;
            b.tail_set = (self.hip - self.tail_drop) * h;
            b.pin = b.pin.min(b.tail_set - 0.06 * h);
            b.hock_reach = self.reach * h;
            b.back_drop = self.dip * h;
            b.neck = self.neck * h;
            b.bend_x = self.bend * h;
        })
    }
}

fn looks() -> impl Strategy<Value = Look> {
    prop_oneof![
        Just(Look::shipped(LookId::Lamb)),
        Just(Look::shipped(LookId::OneLength))
    ]
}

/// A coat of its own length in every zone, some too short for the look.
fn coats() -> impl Strategy<Value = (f64, Vec<f64>)> {
    (
        0.25..1.0_f64,
        prop::collection::vec(0.02..0.15_f64, Zone::ALL.len()),
    )
}

fn coat_of((stand, shares): &(f64, Vec<f64>), height: f64) -> CoatNow {
    Zone::ALL.into_iter().zip(shares).fold(
        CoatNow::even(Texture::Fleece, *stand, 0.0),
        |coat, (zone, share)| coat.with_zone(zone, share * height),
    )
}

proptest! {
    #![proptest_config(ProptestConfig::with_cases(60))]

    #[test]
    fn a_plan_never_lengthens_hair_and_never_goes_under_the_shortest_safe(
        frame in frames(), look in looks(), coat in coats()
    ) {
        let coat = coat_of(&coat, frame.height);
        let dog = solve(&frame.build(), &coat, &look);
        prop_assert!(dog.solution.is_exact);
        for (spot, length) in dog.subject.spots.iter().zip(&dog.solution.lengths_mm) {
            let there = coat.length_mm(spot.zone);
            prop_assert!(*length <= there + 1e-9);
            prop_assert!(*length >= 1.5_f64.min(there) - 1e-9);
        }
    }

    #[test]
    fn the_same_dog_gives_the_same_plan_to_the_bit(
        frame in frames(), look in looks(), coat in coats()
    ) {
        let coat = coat_of(&coat, frame.height);
        let (a, b) = (
            solve(&frame.build(), &coat, &look),
            solve(&frame.build(), &coat, &look),
        );
        let bits = |lengths: &[f64]| lengths.iter().map(|l| l.to_bits()).collect::<Vec<_>>();
        prop_assert_eq!(bits(&a.solution.lengths_mm), bits(&b.solution.lengths_mm));
    }

    #[test]
    fn more_coat_never_makes_the_objective_worse(
        frame in frames(), look in looks(), coat in coats(), more in 1.0..30.0_f64
    ) {
        let coat = coat_of(&coat, frame.height);
        let longer = coat.with_more(&Zone::ALL, more);
        let before = solve(&frame.build(), &coat, &look).solution.objective;
        let after = solve(&frame.build(), &longer, &look).solution.objective;
        prop_assert!(after <= before + 1e-6 * before.abs().max(1.0), "{before} {after}");
    }

    #[test]
    fn a_looser_limit_of_the_owner_never_makes_it_worse(
        frame in frames(), look in looks(), most in 4.0..40.0_f64, more in 1.0..30.0_f64
    ) {
        let held = |mm: f64| {
            let mut coat = ample_coat(&look, frame.height);
            coat.limits.insert(Zone::ForeBack, limit(None, Some(mm)));
            solve(&frame.build(), &coat, &look).solution.objective
        };
        let (tight, loose) = (held(most), held(most + more));
        prop_assert!(loose <= tight + 1e-6 * tight.abs().max(1.0), "{tight} {loose}");
    }

    #[test]
    fn a_plan_is_never_worse_in_balance_than_an_even_clip(
        frame in frames(), look in looks(), coat in coats()
    ) {
        let dog = solve(&frame.build(), &coat_of(&coat, frame.height), &look);
        let ours = score(&dog.solution.points, &dog.solution.lengths_mm);
        let even = score(&dog.solution.points, &dog.uniform);
        prop_assert!(ours <= even + 1e-6, "{ours} {even}");
    }

    #[test]
    fn no_plan_lifts_the_withers_to_look_shorter(frame in frames(), look in looks()) {
        let dog = solve(&frame.build(), &ample_coat(&look, frame.height), &look);
        // A dip may need its ends; a straight back may not be lifted (handbook 8).
        let room = 0.012 * frame.height + 0.5 * frame.dip * frame.height
            + (frame.hip - 1.0).max(0.0) * frame.height;
        prop_assert!(dog.at(S::Withers) <= dog.nominal(S::Withers) + room);
    }

    /// Scaling dog, coat, look and safe length by k scales every length by k and leaves ratios
    /// alone (handbook 8), as far as named combs follow the dog: a size (balance-model-2.md 1).
    #[test]
    fn a_dog_twice_the_size_gets_twice_the_lengths(
        mut frame in frames(), k in 1.0..1.1_f64
    ) {
        frame.height = 450.0;
        let look = Look::shipped(LookId::Lamb);
        let small = solve_scaled(&frame, &look, 1.0);
        let large = solve_scaled(&frame, &look, k);
        for (a, b) in small.solution.lengths_mm.iter().zip(&large.solution.lengths_mm) {
            prop_assert!((a * k - b).abs() < 1e-3 * frame.height * k / 100.0, "{a} {b}");
        }
        let (r, s) = (small.plan(Judged::BodyRatio).0, large.plan(Judged::BodyRatio).0);
        prop_assert!((r - s).abs() < 1e-5);
    }
}

fn solve_scaled(frame: &Frame, look: &Look, k: f64) -> support::Solved {
    let frame = Frame {
        height: frame.height * k,
        ..frame.clone()
    };
    let coat = ample_coat(look, frame.height);
    let sides = support::both(&frame.build());
    let subject = veliform_core::balance::Subject::new(&sides, &coat, look, &|_| 1.5 * k);
    let solution = veliform_core::solve::solve_lengths(&subject).expect("has an answer");
    let uniform = subject.uniform();
    support::Solved {
        subject,
        solution,
        uniform,
    }
}
