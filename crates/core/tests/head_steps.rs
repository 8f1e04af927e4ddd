//! The head as work (handbook 10 D): small cuts first, its shape, the ears last.

use rstest::rstest;
use veliform_core::balance::Judged;
use veliform_core::coat::Zone;
use veliform_core::desk::{Desk, Reasons};
use veliform_core::dog::House;
use veliform_core::frame::{Dome, FrameInput, Measure, Method, TakenMeasure, resolve};
use veliform_core::look::LookId;
use veliform_core::report::{PlanReport, StrokeName};
use veliform_core::schools::{Answer, Schools};
use veliform_core::shape::{BothSides, bare, eye_to_ear_mm, head_edges};
use veliform_core::sheet::{Stage, Step};
use veliform_core::units::UnitSystem;
use veliform_core::visit::{EntryBody, LookChoice, fold};

use crate::support::table::{NINE, dog, entry, kit, mm};

fn planned(look: LookId, answers: &[Answer]) -> PlanReport {
    planned_with(look, answers, Vec::new())
}

fn planned_with(look: LookId, answers: &[Answer], more: Vec<EntryBody>) -> PlanReport {
    let measure = Measure::HeightAtWithers;
    let taken = TakenMeasure::by(Method::HeightStick, mm(450.0));
    let choice = LookChoice {
        look,
        body_mm: None,
    };
    let said = [
        EntryBody::MeasureSet { measure, taken },
        EntryBody::CoatAllOver {
            length_mm: Some(mm(90.0)),
        },
        EntryBody::LookChosen { choice },
    ];
    let dog = dog(Some(40));
    let entries: Vec<_> = said
        .into_iter()
        .chain(more)
        .zip(1..)
        .map(|(b, n)| entry(n, NINE, b))
        .collect();
    let visit = fold(&dog, &entries);
    let house = House {
        schools: answers.iter().fold(Schools::default(), |s, a| s.with(*a)),
        ..House::default()
    };
    let kit = kit();
    let desk = Desk::new(&dog, &visit, &house, &kit);
    desk.plan(Reasons::Skip).expect("solves").report
}

const STARTS: [&str; 7] = [
    "Between the eyes",
    "Open the eyes",
    "Ear base",
    "Under the beard",
    "Head:",
    "Topknot",
    "Ears last",
];

/// The head's steps, in order, each as the place of its name in [`STARTS`].
fn head(report: &PlanReport) -> Vec<(usize, Step)> {
    let of_the_cut = |s: &&Step| matches!(s.stage, Stage::Clip | Stage::Scissor);
    let steps = report.sheet.steps.iter().filter(of_the_cut);
    let named = steps.filter_map(|step| {
        let place = STARTS
            .iter()
            .position(|start| step.what.starts_with(start))?;
        Some((place, step.clone()))
    });
    named.collect()
}

fn step(report: &PlanReport, start: &str) -> Step {
    let steps = head(report).into_iter().map(|(_, step)| step);
    let mut found = steps.filter(|s| s.what.starts_with(start));
    found.next().expect(start)
}

/// Handbook 10 D: seven to nine steps, nineteen minutes together on a medium dog.
#[test]
fn a_round_head_is_seven_steps() {
    let look = LookId::CylinderFleece;
    let report = planned(look, &[Answer::HeadByEye, Answer::EyesScissors]);
    let head = head(&report);
    let order: Vec<usize> = head.iter().map(|(place, _)| *place).collect();
    assert_eq!(order, [0, 1, 2, 3, 4, 5, 6], "{look:?}");
    // What the clipper has of the ears is counted with them.
    let is_of_head = |s: &&Step| !s.zones.is_empty() && s.zones.iter().all(|z| z.is_head());
    let steps = report.sheet.steps.iter().filter(is_of_head);
    let minutes: f64 = steps.map(|s| s.minutes).sum();
    assert!((minutes - 19.0).abs() < 0.5, "{look:?}: {minutes}");
    // Whole millimetres, no decimals anywhere.
    assert!(head.iter().all(|(_, s)| !s.leaves.contains('.')));
}

/// A clean face under a topknot has no hair between the eyes nor under the chin; a natural head and a terrier's
/// have their sides alone.
#[rstest]
#[case(LookId::Lamb, &[1])]
#[case(LookId::NaturalTidy, &[4])]
#[case(LookId::AngledTerrier, &[4])]
fn a_head_has_only_the_steps_of_its_shape(#[case] look: LookId, #[case] places: &[usize]) {
    let head = head(&planned(look, &[]));
    let small: Vec<usize> = head
        .iter()
        .map(|(place, _)| *place)
        .filter(|p| *p < 5)
        .collect();
    assert_eq!(small, places, "{look:?}");
}

/// Handbook 10 D: a ring round the ear base 6 mm shorter than the cheek; under the beard 10 mm or the body's
/// length, the shorter; 10 C: shears not under 6.
#[test]
fn the_small_cuts_follow_cheek_and_body() {
    let report = planned(LookId::CylinderFleece, &[]);
    let zone = |zone: Zone| {
        let units = report.units.iter().filter(|u| u.zone == zone);
        let mm: Vec<f64> = units.map(|u| u.to_mm.as_mm()).collect();
        mm.into_iter().fold(0.0, f64::max)
    };
    let leaves = |start: &str| -> f64 {
        let text = step(&report, start).leaves;
        let number = text.split(' ').next().unwrap_or_default();
        number.parse().expect("whole millimetres")
    };
    let ring = leaves("Ear base");
    let cheek = zone(Zone::Cheek);
    // Shears are told their lengths in steps of 3 from 15 on.
    assert!(
        (ring - (cheek - 6.0).max(6.0)).abs() <= 1.5,
        "{ring} of {cheek}"
    );
    let under = leaves("Under the beard");
    assert!((under - zone(Zone::Back).clamp(6.0, 10.0)).abs() <= 0.5);
}

/// From the inner corner so far as .4 of the way from the eye to the ear (handbook 10 D): the outer corner lies
/// half an eye behind its middle, so the two ways differ by that.
#[test]
fn corners_open_towards_the_ear() {
    let mut input = FrameInput::default();
    let taken = TakenMeasure::by(Method::HeightStick, mm(450.0));
    input.measures.insert(Measure::HeightAtWithers, taken);
    let frame = resolve(&input, UnitSystem::Millimetres);
    let dog = BothSides::of(&frame);
    let ear = dog
        .shape
        .head
        .at(frame.build.ear.base.0, frame.build.ear.base.1);
    let outer = head_edges(&dog.shape, &frame.build, &bare(0.8))
        .eye
        .distance(ear);
    let middle = eye_to_ear_mm(&dog.shape, &frame.build);
    let half_an_eye = 0.036 * frame.build.head.length;
    assert!((middle - outer - half_an_eye).abs() < 2.0);
    let to = step(&planned(LookId::Lamb, &[]), "Open the eyes").to;
    assert_eq!(to, format!("{:.0} mm towards the ear", 0.4 * middle));
}

/// The salon's own order (handbook 6, *Head begins*); the ears come last in each.
#[rstest]
#[case(Answer::HeadTop, 5, 4)]
#[case(Answer::HeadVisor, 1, 0)]
#[case(Answer::HeadOutline, 3, 5)]
fn a_head_begins_as_the_salon_begins_it(
    #[case] begins: Answer,
    #[case] first: usize,
    #[case] then: usize,
) {
    let head = head(&planned(
        LookId::CylinderFleece,
        &[begins, Answer::EyesScissors],
    ));
    let at = |place: usize| head.iter().position(|(p, _)| *p == place);
    assert!(at(first) < at(then));
    assert_eq!(head.last().map(|(place, _)| *place), Some(6));
}

#[rstest]
#[case(Answer::EyesV, "a V")]
#[case(Answer::EyesScissors, "points away")]
#[case(Answer::EyesTrimmer, "trimmer")]
fn between_the_eyes_is_the_salons(#[case] answer: Answer, #[case] says: &str) {
    let report = planned(LookId::CylinderFleece, &[answer]);
    assert!(step(&report, "Between the eyes").what.contains(says));
}

/// Handbook 10 A 8: soft brows are .7 of the look's own.
#[test]
fn soft_brows_are_a_third_shorter() {
    let brow = |answers: &[Answer]| {
        let report = planned(LookId::AngledTerrier, answers);
        let mut units = report.units.into_iter();
        let found = units.find(|u| u.zone == Zone::Brow);
        found.expect("a terrier has brows").to_mm.as_mm()
    };
    let (full, soft) = (brow(&[]), brow(&[Answer::BrowsSoft]));
    assert!((soft / full - 0.7).abs() < 0.06, "{soft} of {full}");
}

/// Handbook 10 I: pads by scissors, ears filled and massaged, the thigh left to the legs.
#[test]
fn small_jobs_are_done_the_salons_way() {
    let answers = [Answer::PadsScissors, Answer::EarsFilled, Answer::ThighLeft];
    let (ours, theirs) = (planned(LookId::Lamb, &[]), planned(LookId::Lamb, &answers));
    let of = |report: &PlanReport, start: &str| {
        let mut steps = report.sheet.steps.iter();
        let found = steps.find(|s| s.what.starts_with(start));
        found.expect("a step").clone()
    };
    assert!(of(&ours, "Pads").is_bare_blade && !of(&theirs, "Pads").is_bare_blade);
    assert!(of(&theirs, "Pads").tool.contains("shears"));
    assert!(of(&theirs, "Ears:").minutes > of(&ours, "Ears:").minutes + 1.0);
    let thigh = |report: &PlanReport| {
        let amounts = of(report, "Hygiene").amounts;
        amounts.iter().any(|a| a.contains("thighs"))
    };
    assert!(thigh(&ours) && !thigh(&theirs));
}

/// Ears that differ are matched by their hair, drawn forward beside the nose; a leather short of the nose
/// keeps so much more hair where the look measures it there (handbook 5, *Ears*; 10 D).
#[test]
fn leathers_that_differ_are_matched_by_their_hair() {
    let taken = |measure, mm_left, mm_right: Option<f64>| EntryBody::MeasureSet {
        measure,
        taken: TakenMeasure {
            right_mm: mm_right.map(mm),
            ..TakenMeasure::by(Method::Tape, mm(mm_left))
        },
    };
    let of = |leather: Option<(f64, f64)>, short: Option<f64>| {
        let leather = leather.map(|(l, r)| taken(Measure::EarLeather, l, Some(r)));
        let short = short.map(|mm| taken(Measure::EarShortOfNose, mm, None));
        let said: Vec<EntryBody> = leather.into_iter().chain(short).collect();
        let long = EntryBody::ZoneSet {
            zone: Zone::Ear,
            length_mm: Some(mm(160.0)),
        };
        planned_with(LookId::SkirtedSpaniel, &[], [vec![long], said].concat())
    };
    let amounts = |report: &PlanReport| step(report, "Ears last").amounts.join(". ");
    let alike = amounts(&of(None, None));
    assert!(!alike.contains("leather"), "{alike}");
    let apart = amounts(&of(Some((118.0, 112.0)), None));
    assert!(apart.contains("The left leather is 6 mm longer"), "{apart}");
    let (past, short) = (of(None, Some(-10.0)), of(None, Some(25.0)));
    assert!(
        amounts(&short).contains("25 mm short of the nose"),
        "{}",
        amounts(&short)
    );
    assert!(!amounts(&past).contains("short of the nose"));
    let left = |report: &PlanReport| {
        let ears = report.units.iter().find(|u| u.zone == Zone::Ear);
        ears.expect("cut").from_mm.as_mm()
    };
    let more = left(&short) - left(&past);
    assert!((more - 25.0).abs() < 1.0, "{more} mm more hair");
}

/// A spaniel's ear is clipped from its root to the height of the jaw and keeps its feather, which shears set;
/// no comb runs over it (handbook 5, *ear* and *Spaniel head*; common practice).
#[test]
fn a_spaniels_ear_is_clipped_above_and_feathered_below() {
    let report = planned(LookId::SkirtedSpaniel, &[]);
    let mut steps = report.sheet.steps.iter();
    let upper = steps.find(|s| s.what.starts_with("Upper ears"));
    let upper = upper.expect("a step");
    assert_eq!(upper.to, "the height of the jaw");
    assert!(upper.is_bare_blade && upper.zones == [Zone::Ear]);
    assert!(
        upper
            .cautions
            .iter()
            .any(|c| c.text.contains("finger behind edge and tip"))
    );
    let clipped = report.sheet.steps.iter().any(|s| s.what == "Clip the ears");
    assert!(!clipped, "the feather is no clipper's");
    let to_the_fold = planned(LookId::SkirtedSpaniel, &[Answer::EarToFold]);
    let is_fold = |s: &Step| s.what.starts_with("Upper ears") && s.to == "the natural fold";
    assert!(to_the_fold.sheet.steps.iter().any(is_fold));
    let whole = planned(LookId::SkirtedSpaniel, &[Answer::EarWhole]);
    let upper = |report: &PlanReport| {
        let mut steps = report.sheet.steps.iter();
        steps.any(|s| s.what.starts_with("Upper ears"))
    };
    assert!(!upper(&whole) && !upper(&planned(LookId::Lamb, &[])));
}

/// A head, an ear and a tail are never skimmed: their hair moves under a comb held off it (common practice).
#[rstest]
fn nothing_of_a_head_is_skimmed(
    #[values(LookId::DropComfort, LookId::LongLegs, LookId::OneLength, LookId::Lamb)] look: LookId,
) {
    let report = planned(look, &[]);
    for unit in &report.units {
        let is_loose = unit.zone.is_head() || unit.zone == Zone::Tail;
        assert!(
            !(is_loose && unit.tool.contains("held off")),
            "{}",
            unit.tool
        );
        assert_ne!(unit.stroke, StrokeName::Skim, "{}", unit.label);
    }
}

/// What a hand lays off along a line is whole millimetres (*common practice*).
#[test]
fn a_line_is_laid_off_in_whole_millimetres() {
    for look in LookId::ALL {
        for line in planned(look, &[]).lines {
            for hand in line.hand {
                assert!(!hand.text.contains('.'), "{:?}: {}", line.line, hand.text);
            }
        }
    }
}

/// What tops a skull: a flat one is drawn lower, and keeps 3 mm more hair where the crown is shaped; one comb
/// over a clipped head leaves what it leaves (handbook 10 D).
#[test]
fn a_flat_skull_is_drawn_flat_and_keeps_a_longer_crown() {
    let of = |look, dome| {
        let report = planned_with(look, &[], vec![EntryBody::DomeSet { dome: Some(dome) }]);
        let unit = report.units.iter().find(|u| u.zone == Zone::Topknot);
        unit.expect("a topknot").to_mm.as_mm()
    };
    for look in [LookId::Lamb, LookId::CylinderFleece] {
        let (flat, usual) = (of(look, Dome::Flat), of(look, Dome::Usual));
        // The head is brought into proportion with the body afterwards: never shorter for it.
        assert!(
            flat - usual >= 2.0,
            "{look:?}: {flat} over a flat, {usual} over a usual skull"
        );
    }
    let clipped = LookId::OneLength;
    assert!((of(clipped, Dome::Flat) - of(clipped, Dome::Usual)).abs() < 1e-9);
    let says = |dome| {
        let said = vec![EntryBody::DomeSet { dome: Some(dome) }];
        step(&planned_with(LookId::Lamb, &[], said), "Topknot").amounts
    };
    assert!(says(Dome::Flat).contains(&"Flat skull: 3 mm longer".to_owned()));
    assert!(!says(Dome::High).iter().any(|a| a.contains("skull")));
}

/// Handbook 10 D: two bands a side, partings, off before brushing, loosely and never round the leather; hair
/// that no band holds is said to be too short.
#[rstest]
#[case(Answer::PonytailOne, "Tie the topknot", "two bands")]
#[case(Answer::PonytailTwo, "Tie the ponytails", "two bands a side")]
fn a_topknot_is_tied_last_and_untied_first(
    #[case] answer: Answer,
    #[case] starts: &str,
    #[case] says: &str,
) {
    let report = planned(LookId::NaturalTidy, &[answer]);
    let steps = &report.sheet.steps;
    let at = |what: &str| steps.iter().position(|s| s.what.starts_with(what));
    let (off, brush) = (at("Bows and bands off"), at("Comb out"));
    assert!(off.expect("untied") < brush.expect("brushed"));
    let tied = at(starts).expect("tied");
    assert!(steps[tied].what.contains(says), "{}", steps[tied].what);
    assert!(tied > at("Ears last").expect("ears"));
    let loosely = |s: &Step| s.cautions.iter().any(|c| c.text.contains("ear's leather"));
    assert!(loosely(&steps[tied]));
    // On a crown of 5 mm no band holds.
    let short = planned(LookId::AngledTerrier, &[answer]);
    assert!(!short.sheet.steps.iter().any(|s| s.what.starts_with("Tie")));
    let said = |s: &Step| s.amounts.iter().any(|a| a.starts_with("Too short to tie"));
    assert!(short.sheet.steps.iter().any(said));
    let loose = planned(LookId::NaturalTidy, &[]);
    let is_of_bands = |s: &Step| s.what.starts_with("Tie") || s.what.starts_with("Bows");
    assert!(!loose.sheet.steps.iter().any(is_of_bands));
}

/// Tied, a crown is no longer judged as the shape it is not cut to, and its step says so (common practice).
#[test]
fn a_tied_crown_is_not_shaped_round() {
    let of = |answers: &[Answer]| planned(LookId::CylinderFleece, answers);
    let (loose, tied) = (of(&[]), of(&[Answer::PonytailOne]));
    let judges = |report: &PlanReport, judged: Judged| {
        let mut rows = report.balance.iter();
        rows.any(|row| row.judged == judged)
    };
    for judged in [Judged::HeadSize, Judged::HeadRound] {
        assert!(
            judges(&loose, judged) && !judges(&tied, judged),
            "{judged:?}"
        );
    }
    let says = |report: &PlanReport, what: &str| {
        let mut steps = report.sheet.steps.iter();
        steps.any(|s| s.what.starts_with(what))
    };
    assert!(says(&tied, "Tie the topknot") && !says(&tied, "Topknot: combed over"));
    assert!(says(&loose, "Topknot: combed over"));
}
