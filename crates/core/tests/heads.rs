//! The head in proportion to the body (handbook 4, *head*, *head size*, *muzzle, ear, beard*; 5,
//! *Head, ears, tail*).

use crate::support;

use proptest::prelude::*;
use rstest::rstest;
use support::{ample_coat, both, build, limit, plain_job};
use veliform_core::balance::{BalancePoint, Judged, evaluated_points, head_points};
use veliform_core::coat::{CoatNow, Zone};
use veliform_core::frame::{Build, EarKind};
use veliform_core::look::{Look, LookId};
use veliform_core::plan::{Plan, PlanCoat, dress_plan, make_plan};
use veliform_core::shape::Dressing;

struct Head {
    plan: Plan,
    points: Vec<BalancePoint>,
    dressing: Dressing,
    look: Look,
    height: f64,
}

fn head(build: &Build, look: LookId, change: impl FnOnce(CoatNow) -> CoatNow) -> Head {
    let height = build.height;
    let look = Look::shipped(look).fitted(height, &|_| 60.0 * height / 450.0);
    let job = plain_job(both(build), change(ample_coat(&look, height)), look.clone());
    let plan = make_plan(&job).expect("solves");
    let dressing = dress_plan(&plan, &job.coat, PlanCoat::Tools);
    Head {
        points: head_points(&plan.subject, &dressing),
        dressing,
        plan,
        look,
        height,
    }
}

impl Head {
    fn point(&self, judged: Judged) -> Option<(f64, f64)> {
        let point = self.points.iter().find(|p| p.judged == judged)?;
        let lengths = &self.plan.lengths_mm;
        Some((point.value_at(lengths), point.off(lengths)))
    }

    /// Length planned against the look's own.
    fn share(&self, zone: Zone) -> f64 {
        self.plan.zone_mm(zone).expect("planned") / self.look.nominal_mm(zone, self.height)
    }
}

/// Handbook 4: head height over the height at the withers .30 to .36; in fashion looks .26 to .31.
#[rstest]
#[case::lamb(LookId::Lamb, 0.30, 0.36)]
#[case::cylinder(LookId::CylinderFleece, 0.30, 0.36)]
#[case::comfort(LookId::DropComfort, 0.30, 0.36)]
#[case::long_legs(LookId::LongLegs, 0.26, 0.31)]
#[case::toy(LookId::ToyJacket, 0.26, 0.31)]
fn a_head_shaped_by_shears_is_in_proportion_on_every_size(
    #[case] look: LookId,
    #[case] from: f64,
    #[case] to: f64,
    #[values(240.0, 450.0, 640.0)] height: f64,
) {
    let head = head(&build(height, |_, _| {}), look, |coat| coat);
    let (size, off) = head.point(Judged::HeadSize).expect("judged");
    assert!(off < 1.0, "{size} {off}");
    assert!((from - 0.02..=to + 0.02).contains(&size), "{size}");
}

/// *Common practice*: a small head on a big body is helped by a longer topknot, a big one by a
/// shorter; what no length can do is left to the look and said.
#[test]
fn the_topknot_makes_up_for_the_skull() {
    let skull = |by: f64| build(450.0, move |b, _| b.head.length *= by);
    let topknot = |by| head(&skull(by), LookId::CylinderFleece, |coat| coat).share(Zone::Topknot);
    let (small, usual, big) = (topknot(0.65), topknot(1.0), topknot(1.25));
    assert!(small > usual && usual > big, "{small} {usual} {big}");
    let tiny = head(&skull(0.4), LookId::ToyJacket, |coat| coat);
    assert!(tiny.share(Zone::Topknot) <= 1.5 + 1e-6);
    assert!(tiny.point(Judged::HeadSize).expect("judged").1 > 1.0);
}

/// Handbook 5: one comb on every dog, and a head clipped short, give the head they give.
#[rstest]
#[case(LookId::OneLength)]
#[case(LookId::Summer)]
#[case(LookId::AngledTerrier)]
fn a_head_by_one_comb_is_not_judged_by_its_size(#[case] look: LookId) {
    let head = head(&build(600.0, |_, _| {}), look, |coat| coat);
    assert_eq!(head.point(Judged::HeadSize), None);
    assert!((head.share(Zone::Topknot) - 1.0).abs() < 1e-6);
}

/// Handbook 4: a round head leaves its circle by no more than .012 H; the nose is the longest point
/// of every finished muzzle, within twice its tolerance of .01 H. Look 9 leaves the muzzle as it came.
#[rstest]
fn round_heads_are_round_and_no_muzzle_outgrows_its_nose(
    #[values(240.0, 450.0, 640.0)] height: f64,
) {
    for look in LookId::ALL
        .into_iter()
        .filter(|l| *l != LookId::NaturalTidy)
    {
        let head = head(&build(height, |_, _| {}), look, |coat| coat);
        if let Some((off_mm, off)) = head.point(Judged::HeadRound) {
            assert!(off < 1.0, "{look:?}: {off_mm}");
        }
        let (before, off) = head.point(Judged::NoseLongest).expect("judged");
        assert!(off < 2.0, "{look:?}: {before}");
    }
}

/// Handbook 4 and 5: the ear ends level with the beard or just below it; on spaniel looks not below
/// the point of shoulder; long leather and a prick ear are as they are.
#[test]
fn the_ear_ends_where_the_look_has_it() {
    let eared = |kind, length: f64| {
        build(450.0, move |b, _| {
            b.ear.kind = kind;
            b.ear.length = length * b.head.length;
        })
    };
    let short = head(&eared(EarKind::Folded, 0.4), LookId::OneLength, |coat| coat);
    let (_, off) = short.point(Judged::EarEnd).expect("judged");
    assert!(
        off < 1.0 || short.share(Zone::Ear) >= 1.5 - 1e-6,
        "{off} {}",
        short.share(Zone::Ear)
    );
    let long = head(&eared(EarKind::Drop, 1.2), LookId::OneLength, |coat| coat);
    assert_eq!(long.point(Judged::EarEnd), None);
    assert!((long.share(Zone::Ear) - 1.0).abs() < 1e-6);
    let prick = head(&eared(EarKind::Prick, 0.5), LookId::OneLength, |coat| coat);
    assert_eq!(prick.point(Judged::EarEnd), None);
    let spaniel = head(&eared(EarKind::Drop, 1.6), LookId::SkirtedSpaniel, |coat| {
        coat
    });
    let (over, _) = spaniel.point(Judged::EarOverShoulder).expect("judged");
    let usual = head(&eared(EarKind::Drop, 0.7), LookId::SkirtedSpaniel, |coat| {
        coat
    });
    assert!((usual.share(Zone::Ear) - 1.0).abs() < 1e-6);
    assert!(
        over >= -1e-6 || spaniel.share(Zone::Ear) <= 0.5 + 1e-6,
        "{over}"
    );
}

/// What the owner said holds over proportion.
#[test]
fn a_limit_holds_over_proportion() {
    let limited = |coat: CoatNow| {
        let mut coat = coat;
        coat.limits.insert(Zone::Topknot, limit(None, Some(20.0)));
        coat
    };
    let head = head(&build(450.0, |_, _| {}), LookId::Lamb, limited);
    assert!(head.plan.zone_mm(Zone::Topknot).expect("planned") <= 20.0 + 1e-6);
    assert!(head.point(Judged::HeadSize).expect("judged").1 > 0.0);
}

proptest! {
    #![proptest_config(ProptestConfig::with_cases(24))]

    /// Handbook 8: a larger head in as much more coat is planned the same, where the body's comb
    /// follows the dog too (balance-model-2.md 1).
    #[test]
    fn a_head_scales_with_its_dog(height in 360.0_f64..420.0, by in 0.8_f64..1.2) {
        let of = |height: f64| {
            let dog = build(height, |b, _| b.head.length *= by);
            head(&dog, LookId::Lamb, |coat| coat).share(Zone::Topknot)
        };
        prop_assert!((of(height) - of(1.25 * height)).abs() < 0.02);
    }
}

/// Handbook 4: on looks that keep flank hair the waist lies 0 to .055 H behind the last rib where the
/// coat allows; knee and bend lie opposite each other within .10 H, evaluated only.
#[rstest]
fn the_waist_lies_behind_the_rib_and_the_knee_opposite_the_bend(
    #[values(240.0, 450.0, 640.0)] height: f64,
) {
    for look in LookId::ALL {
        let head = head(&build(height, |_, _| {}), look, |coat| coat);
        // What the solve asks for: shears stop at 6 mm (common practice), which on a toy is more than a
        // close bend or a high waist allows.
        let asked = &head.plan.solution.lengths_mm;
        let points = evaluated_points(&head.plan.subject, asked, &head.dressing);
        let off = |judged| {
            let mut found = points.iter().filter(|p| p.judged == judged);
            found.next().map(|p| p.off(asked))
        };
        let keeps_flank = head.look.targets.fill == 0.0;
        assert_eq!(off(Judged::WaistPlace).is_some(), keeps_flank, "{look:?}");
        let waist = off(Judged::WaistPlace);
        assert!(waist.is_none_or(|off| off < 1.0), "{look:?}: {waist:?}");
        let knee = off(Judged::KneeOpposite).expect("judged");
        assert!(knee < 2.0, "{look:?}: {knee}");
    }
}

/// dog-shape.md 13 draws its terrier of 620 mm with a beard of 88 and brows of 78 mm; handbook 4: the
/// nose is the longest point, both outer corners of the eyes are seen; 5: brows and beard are kept.
#[rstest]
fn a_terriers_beard_and_brows_are_kept_and_leave_nose_and_eye_free(
    #[values(EarKind::Drop, EarKind::Folded)] ear: EarKind,
    #[values(300.0, 450.0, 620.0)] height: f64,
) {
    let frame = build(height, |b, _| b.ear.kind = ear);
    let head = head(&frame, LookId::AngledTerrier, |coat| coat);
    assert!(head.share(Zone::Beard) >= 0.75 && head.share(Zone::Brow) > 0.95);
    let nominal = head.look.nominal_mm(Zone::Brow, 620.0);
    assert!((nominal - 78.0).abs() < 2.0, "{nominal}");
    for judged in [Judged::NoseLongest, Judged::EyeOpen] {
        let (value, off) = head.point(judged).expect("judged");
        assert!(off < 1e-6, "{judged:?} {value}");
    }
    // No other look cuts brows apart.
    let lamb = self::head(&frame, LookId::Lamb, |coat| coat);
    assert!(lamb.plan.zone_mm(Zone::Brow).is_none());
}

/// Handbook 4, *eye*: an over-long fringe on a round head covers the eye, one cut short does not.
#[rstest]
fn a_long_fringe_covers_the_eye(#[values(300.0, 450.0)] height: f64) {
    let frame = build(height, |_, _| {});
    let open = |zone_mm: f64| {
        let head = head(&frame, LookId::CylinderFleece, |coat| {
            let mut coat = coat.with_zone(Zone::Topknot, zone_mm);
            let kept = limit(Some(zone_mm), None);
            coat.limits.insert(Zone::Topknot, kept);
            coat
        });
        head.point(Judged::EyeOpen).expect("judged").1
    };
    assert!(open(0.06 * height) < 1e-6);
    assert!(open(0.25 * height) > 1.0);
}
