//! Where the lines go is solved too (balance-model.md 10; handbook 5, *Clip lines*).

use crate::support;

use approx::assert_abs_diff_eq;
use rstest::rstest;
use support::{Solved, ample_coat, both, build, plain_job, solve, solve_lined, tool};
use veliform_core::balance::{Place, score};
use veliform_core::coat::Zone;
use veliform_core::dog::Dog;
use veliform_core::frame::{Build, TailKind};
use veliform_core::job::Job;
use veliform_core::kit::{Tool, ToolKind};
use veliform_core::lines::{ClipLine, HandDistance, clip_lines};
use veliform_core::look::{LineName, LineStop, Lines, Look, LookId};
use veliform_core::placing::{has_shelf, skirt_stop};
use veliform_core::plan::{PlanCoat, dress_plan, make_plan};
use veliform_core::report::line_offers;
use veliform_core::say::Words;
use veliform_core::shape::Station as S;
use veliform_core::solve::{OneWorker, Unit, programme};
use veliform_core::visit::{Entry, EntryBody, fold};

fn solved(look: &Look, height: f64, change: impl FnOnce(&mut Build, f64)) -> Solved {
    solve(&build(height, change), &ample_coat(look, height), look)
}

/// Stations of the back, front to rear.
const BACK: [S; 9] = [
    S::Withers,
    S::BehindWithers,
    S::BackFront,
    S::BackMid,
    S::LoinFront,
    S::Loin,
    S::HipCrest,
    S::Croup,
    S::TailSet,
];

/// Optimality: with everything else held at the optimum, the back's own optimum is the same.
#[test]
fn what_is_held_at_the_optimum_leaves_the_rest_where_it_was() {
    let dog = solved(&Look::shipped(LookId::Lamb), 460.0, |b, h| {
        b.back_drop = 0.02 * h;
    });
    let spots: Vec<usize> = BACK
        .iter()
        .filter_map(|s| dog.subject.find(Place::Side(*s)))
        .collect();
    let whole = programme(&dog.subject, &dog.solution.points).programme;
    let small = whole.holding(&spots, &dog.solution.lengths_mm);
    let back = small.solve().expect("solves").lengths_mm;
    for (mm, i) in back.iter().zip(&spots) {
        assert_abs_diff_eq!(*mm, dog.solution.lengths_mm[*i], epsilon = 0.01);
    }
    assert!(small.size().0 < whole.size().0 / 3, "it is a small one");
}

/// balance-model.md 10, *Waist apex*: the objective falls a little going back, about .4 for each
/// half of 25 mm; never by much, so it is a school.
#[test]
fn a_waist_further_back_is_a_little_easier_and_no_more() {
    let objective = |stop| {
        let dog = solve_lined(&build(450.0, |_, _| {}), &Look::shipped(LookId::Lamb), stop);
        (
            score(&dog.solution.points, &dog.solution.lengths_mm),
            dog.subject.shape.skin(S::LastRib).x,
        )
    };
    let (at_rib, rib_x) = objective(LineStop::AtRib);
    let (behind, behind_x) = objective(LineStop::BehindRib);
    assert_abs_diff_eq!(rib_x - behind_x, 0.055 * 450.0, epsilon = 0.5);
    assert!(
        behind <= at_rib + 0.05 && behind > at_rib - 3.0,
        "{at_rib} {behind}"
    );
}

/// balance-model.md 10: straight behind and square, a shelf; well angled, clean.
#[rstest]
#[case::straight(0.01, 0.012, 1.0, true)]
#[case::well_angled(0.075, 0.045, 1.05, false)]
fn a_shelf_is_read_off(
    #[case] reach: f64,
    #[case] bend: f64,
    #[case] length: f64,
    #[case] has: bool,
) {
    let dog = solved(&Look::shipped(LookId::Lamb), 460.0, |b, h| {
        (b.hock_reach, b.bend_x, b.length) = (reach * h, bend * h, length * h);
    });
    assert_eq!(has_shelf(&dog.subject, &dog.solution.lengths_mm), has);
}

/// balance-model.md 10, *Skirt line*: the highest root whose hair still reaches the brisket's edge.
#[rstest]
#[case::long_coat(260.0, LineStop::HalfSkirt)]
#[case::middling(105.0, LineStop::LowSkirt)]
#[case::a_fringe(20.0, LineStop::FringeSkirt)]
fn a_skirt_hangs_from_as_high_as_its_hair_reaches(#[case] coat_mm: f64, #[case] stop: LineStop) {
    let look = Look::shipped(LookId::SkirtedSpaniel);
    let dog = solved(&look, 400.0, |_, _| {});
    let coat = ample_coat(&look, 400.0).with_zone(Zone::Ribs, coat_mm);
    assert_eq!(
        skirt_stop(&dog.subject, &coat, &dog.solution.lengths_mm),
        stop
    );
}

fn kit() -> Vec<Tool> {
    vec![
        tool(1, ToolKind::Blade, 1.5),
        tool(2, ToolKind::Blade, 6.4),
        tool(3, ToolKind::Comb, 13.0),
        tool(4, ToolKind::Comb, 25.0),
    ]
}

fn job(look: Look, change: impl FnOnce(&mut Build, f64)) -> Job {
    Job {
        kit: kit(),
        ..plain_job(both(&build(460.0, change)), ample_coat(&look, 460.0), look)
    }
}

/// What a place is said to cost is what a plan made there loses in balance.
#[test]
fn the_price_of_a_place_is_what_a_plan_made_there_loses() {
    let job = job(Look::shipped(LookId::Lamb), |b, h| b.back_drop = 0.012 * h);
    let plan = make_plan(&job).expect("solves");
    let here = score(&plan.solution.points, &plan.solution.lengths_mm);
    let offers = line_offers(&job, &plan, &OneWorker).expect("solves");
    let mut priced = 0;
    for offer in offers.iter().filter(|o| o.line != LineName::BackPass) {
        assert_eq!(
            offer.stops.iter().filter(|s| s.is_here).count(),
            1,
            "{}",
            offer.label
        );
        for stop in &offer.stops {
            let there = job.clone().placed(stop.stop);
            let other = make_plan(&there).expect("solves");
            let costs = score(&other.solution.points, &other.solution.lengths_mm) - here;
            let expected = if stop.is_here { 0.0 } else { costs };
            assert_abs_diff_eq!(stop.costs, expected, epsilon = 0.05);
            priced += 1;
        }
    }
    assert!(priced >= 14, "{priced}");
    let back = offers
        .iter()
        .find(|o| o.line == LineName::BackPass)
        .expect("clipped back");
    assert!(
        back.stops.iter().all(|s| s.costs.is_finite()),
        "every place of the back's line is priced with its tools"
    );
}

/// A pass the hand moves is cut where the hand has it.
#[rstest]
#[case(LineStop::OnePass, 7, 0)]
#[case(LineStop::MidBack, 3, 4)]
#[case(LineStop::BehindDip, 5, 2)]
#[case(LineStop::AtHip, 6, 1)]
fn the_back_is_cut_in_two_where_the_line_lies(
    #[case] stop: LineStop,
    #[case] front: usize,
    #[case] rear: usize,
) {
    let plan =
        make_plan(&job(Look::shipped(LookId::Lamb), |_, _| {}).placed(stop)).expect("solves");
    let count = |unit| {
        let cut = plan.cuts.iter().find(|c| c.unit == unit);
        cut.map_or(0, |c| c.leaves_mm.len())
    };
    assert_eq!(
        (count(Unit::BackFront), count(Unit::BackRear)),
        (front, rear)
    );
}

/// Handbook 5, looks 6 and 11: lift-off lines high. Look 2: at the elbow.
#[test]
fn long_legs_begin_at_the_shoulder_and_a_lambs_at_the_elbow() {
    for (look, stop) in [
        (LookId::LongLegs, LineStop::LiftAtShoulder),
        (LookId::ToyJacket, LineStop::LiftAtShoulder),
        (LookId::Lamb, LineStop::LiftAtElbow),
    ] {
        assert!(Lines::of(&Look::shipped(look)).has(stop), "{look:?}");
    }
    let long = Look::shipped(LookId::LongLegs);
    let arm = |stop| {
        let dog = solve_lined(&build(300.0, |_, _| {}), &long, stop);
        dog.nominal(S::ArmFront)
    };
    assert!(arm(LineStop::LiftAtShoulder) > 3.0 * arm(LineStop::LiftAtElbow));
}

/// Handbook 5, *hock taken too (easy care)* and *crest: none*: the neighbours' lengths run through.
#[test]
fn lengths_follow_a_line_put_elsewhere() {
    let lamb = Look::shipped(LookId::Lamb);
    let at = |look: &Look, zone| look.nominal_mm(zone, 450.0);
    let taken = lamb.clone().lined(LineStop::HockTaken);
    assert_abs_diff_eq!(at(&taken, Zone::Hock), at(&lamb, Zone::HindBack));
    let clipped = lamb.clone().lined(LineStop::FromOcciput);
    assert_abs_diff_eq!(at(&clipped, Zone::Crest), at(&lamb, Zone::NeckSide));
    let dog = solve_lined(&build(460.0, |_, _| {}), &lamb, LineStop::ShelfKept);
    assert!(dog.at(S::PinBone) >= at(&lamb, Zone::Rump) * 460.0 / 450.0 - 1e-6);
    let close = build(460.0, |b, h| {
        (b.hock_reach, b.bend_x, b.length) = (0.01 * h, 0.012 * h, h);
    });
    let clean = solve_lined(&close, &lamb, LineStop::ShelfClean);
    assert!(clean.at(S::PinBone) <= clean.nominal(S::PinBone) + 1e-6);
    let crest = |look: &Look| solved(look, 460.0, |_, _| {}).at(S::CrestMid);
    assert!(crest(&clipped) < 0.7 * crest(&Look::shipped(LookId::Lamb)));
}

fn moved(line: LineName, stop: Option<LineStop>, at_ms: i64) -> Entry {
    Entry {
        id: uuid::Uuid::from_u128(u128::from(at_ms.unsigned_abs())),
        at_ms,
        stamp_ms: None,
        author: String::new(),
        body: EntryBody::LineMoved { line, stop },
    }
}

#[test]
fn a_visit_keeps_lines_moved_by_hand_and_gives_them_back() {
    let dog: Dog =
        serde_json::from_str(r#"{"id":"00000000-0000-0000-0000-000000000001","name":"Tappet"}"#)
            .expect("a dog");
    let mut log = vec![
        moved(LineName::Hock, Some(LineStop::HockTaken), 1),
        moved(LineName::Waist, Some(LineStop::HockKept), 2),
    ];
    let visit = fold(&dog, &log);
    assert_eq!(visit.lines.of(LineName::Hock), Some(LineStop::HockTaken));
    assert_eq!(visit.lines.of(LineName::Waist), None, "a hock is no waist");
    log.push(moved(LineName::Hock, None, 3));
    assert_eq!(fold(&dog, &log).lines.of(LineName::Hock), None);
}

/// Handbook 5, *bib*: clean as short as the throat, a crescent at the look's own length, a full bib as
/// long as the comfort look's 35 mm; the line is drawn but where the chest is clean.
#[rstest]
#[case(LineStop::BibClean, false)]
#[case(LineStop::BibCrescent, true)]
#[case(LineStop::BibFull, true)]
fn a_bib_is_clean_a_crescent_or_full(#[case] stop: LineStop, #[case] is_drawn: bool) {
    let own = Look::shipped(LookId::Lamb);
    let job = job(own.clone(), |_, _| {}).placed(stop);
    let chest = job.look.nominal_mm(Zone::Chest, 450.0);
    let expected = match stop {
        LineStop::BibClean => own.nominal_mm(Zone::Throat, 450.0),
        LineStop::BibFull => 35.0,
        _ => own.nominal_mm(Zone::Chest, 450.0),
    };
    assert_abs_diff_eq!(chest, expected, epsilon = 1e-9);
    let drawn = lines(&job);
    assert_eq!(drawn.iter().any(|l| l.line == LineName::Bib), is_drawn);
}

/// Handbook 5, *tail base*: a V over a tail with a ball, a band else; to about the hip crest where it
/// is laid over the back; none where it is kept.
#[test]
fn a_tail_is_bare_as_far_as_its_line_says() {
    let bare = |look: LookId, stop: Option<LineStop>| {
        let job = job(Look::shipped(look), |b, _| b.tail.kind = TailKind::Up);
        let drawn = lines(&stop.into_iter().fold(job, Job::placed));
        let line = drawn.into_iter().find(|l| l.line == LineName::TailBase);
        line.map(|l| (l.stop, l.hand[0].distance_mm.as_mm()))
    };
    let band = bare(LookId::OneLength, None).expect("drawn");
    assert_eq!(band.0, Some(LineStop::TailBand));
    assert_eq!(
        bare(LookId::Lamb, None).expect("drawn").0,
        Some(LineStop::TailV)
    );
    // Handbook 5: the V belongs to a tail that is carried up; where a hand put one, it stays.
    let low = |stop: Option<LineStop>| {
        let job = job(Look::shipped(LookId::Lamb), |b, _| {
            b.tail.kind = TailKind::Low;
        });
        let drawn = lines(&stop.into_iter().fold(job, Job::placed));
        drawn.into_iter().find(|l| l.line == LineName::TailBase)
    };
    assert_eq!(low(None).expect("drawn").stop, Some(LineStop::TailBand));
    let by_hand = low(Some(LineStop::TailV)).expect("drawn");
    assert_eq!(by_hand.stop, Some(LineStop::TailV));
    let to_hip = bare(LookId::OneLength, Some(LineStop::TailToHip)).expect("drawn");
    assert!(to_hip.1 > 1.5 * band.1, "{to_hip:?} {band:?}");
    assert_eq!(bare(LookId::OneLength, Some(LineStop::TailKept)), None);
}

/// Distances are laid off on each side from its own bones: on a dog whose right flank fold lies 12 mm
/// lower, a level skirt's root lies 12 mm further over it; an even dog has one number.
#[test]
fn distances_are_said_apart_where_the_sides_differ() {
    let spaniel = Look::shipped(LookId::SkirtedSpaniel);
    let mut uneven = job(spaniel, |_, _| {}).placed(LineStop::HalfSkirt);
    assert!(
        lines(&uneven)
            .iter()
            .flat_map(|l| &l.hand)
            .all(|h| h.right.is_none())
    );
    let over = |job: &Job| {
        let drawn = lines(job);
        let skirt = drawn.iter().find(|l| l.line == LineName::Skirt);
        let from_fold = |h: &&HandDistance| h.from.contains("flank fold");
        let mut hands = skirt.expect("drawn").hand.iter();
        hands.find(from_fold).expect("laid off").clone()
    };
    uneven.sides.right.flank -= 12.0;
    let said = over(&uneven);
    // The same dog seen from its other side says the right's distance as its own.
    let turned = Job {
        sides: both(&uneven.sides.right),
        ..uneven.clone()
    };
    let right = over(&turned);
    let apart = right.distance_mm.as_mm() - said.distance_mm.as_mm();
    assert_abs_diff_eq!(apart, 12.0, epsilon = 0.1);
    assert_eq!(said.right, Some(right.text));
}

fn lines(job: &Job) -> Vec<ClipLine> {
    let plan = make_plan(job).expect("solves");
    let dressing = dress_plan(&plan, &job.coat, PlanCoat::Tools);
    let words = Words {
        house: &job.house,
        kit: &job.kit,
    };
    clip_lines(&plan.subject, &plan.solution.lengths_mm, &dressing, &words)
}
