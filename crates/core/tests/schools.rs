//! Schools: the sheet follows the salon's answers (handbook 6, *Schools*), each with its reason.

use crate::support;

use rstest::rstest;
use support::tool;
use uuid::Uuid;
use veliform_core::balance::Judged;
use veliform_core::coat::{Knots, Zone, ZoneMarks};
use veliform_core::desk::{Before, Desk, Reasons};
use veliform_core::dog::{Dog, House};
use veliform_core::frame::{Measure, Method, TakenMeasure};
use veliform_core::kit::{Tool, ToolKind};
use veliform_core::look::LookId;
use veliform_core::report::{PlanReport, StrokeName};
use veliform_core::schools::{Answer, Question, Schools};
use veliform_core::sheet::{CutSheet, Stage};
use veliform_core::units::Length;
use veliform_core::visit::{LookChoice, Visit, fold};

fn dog() -> Dog {
    serde_json::from_value(serde_json::json!({
        "id": Uuid::from_u128(1), "name": "Ballast", "texture": "curl", "sex": "male"
    }))
    .expect("a dog")
}

fn kit() -> Vec<Tool> {
    vec![
        tool(1, ToolKind::Blade, 1.5),
        tool(2, ToolKind::Blade, 6.4),
        tool(3, ToolKind::Comb, 13.0),
        tool(6, ToolKind::Comb, 16.0),
        tool(4, ToolKind::Comb, 25.0),
        tool(5, ToolKind::Comb, 38.0),
    ]
}

fn visit(coat_mm: f64, look: LookId) -> Visit {
    let mut visit = fold(&dog(), &[]);
    let height = TakenMeasure::by(Method::HeightStick, Length::constant_mm(460.0));
    visit
        .frame
        .measures
        .insert(Measure::HeightAtWithers, height);
    visit.coat.all_over_mm = Some(Length::constant_mm(coat_mm));
    visit.look = Some(LookChoice {
        look,
        body_mm: None,
    });
    visit
}

fn house(answers: &[Answer]) -> House {
    let schools = answers
        .iter()
        .fold(Schools::default(), |schools, answer| schools.with(*answer));
    House {
        schools,
        ..House::default()
    }
}

fn sheet(visit: &Visit, answers: &[Answer]) -> CutSheet {
    let (dog, house, kit) = (dog(), house(answers), kit());
    let desk = Desk::new(&dog, visit, &house, &kit);
    desk.plan(Reasons::Skip).expect("solves").report.sheet
}

fn at(sheet: &CutSheet, what: &str) -> usize {
    let place = sheet.steps.iter().position(|s| s.what.contains(what));
    assert!(place.is_some(), "no step says {what}");
    place.unwrap_or_default()
}

fn has(sheet: &CutSheet, what: &str) -> bool {
    sheet.steps.iter().any(|s| s.what.contains(what))
}

/// The ten stages keep their order under our own answers (handbook 6, *The order*).
#[test]
fn our_own_answers_give_the_handbooks_order() {
    let sheet = sheet(&visit(80.0, LookId::Lamb), &[]);
    let stages: Vec<Stage> = sheet.steps.iter().map(|s| s.stage).collect();
    assert!(stages.is_sorted(), "{stages:?}");
    assert_eq!(at(&sheet, "Eye corners"), 0);
    assert!(at(&sheet, "Topknot:") > at(&sheet, "Hind legs"));
}

/// Each step of a school stands where the handbook's table has it.
#[rstest]
#[case::feet_first(Answer::FeetFirst, "Clean feet", "Hind legs")]
#[case::nails_after(Answer::NailsAfter, "Bath", "Nails")]
#[case::head_first(Answer::HeadFirst, "Topknot:", "Hind legs")]
#[case::by_side(Answer::LegsBySide, "Left front leg", "Right hind leg")]
#[case::one_by_one(Answer::LegsOneByOne, "Right hind leg", "Left front leg")]
#[case::one_side(Answer::FinishBySide, "Left front leg", "Right hind leg")]
#[case::midline_after_both(Answer::FinishBySide, "Right front leg", "Tail")]
#[case::hind_feet(Answer::FeetHindFirst, "Hind feet first", "Front feet")]
#[case::rough_first(Answer::RoughFirst, "Rough out", "Bath")]
fn a_school_orders_its_steps(#[case] answer: Answer, #[case] first: &str, #[case] then: &str) {
    let sheet = sheet(&visit(80.0, LookId::Lamb), &[answer]);
    assert!(at(&sheet, first) < at(&sheet, then));
}

/// Handbook 10 I: side by side over the whole dog, its skirt too.
#[test]
fn one_side_is_finished_over_the_whole_dog() {
    let sheet = sheet(
        &visit(80.0, LookId::SkirtedSpaniel),
        &[Answer::FinishBySide],
    );
    let skirt = "Skirt and tuck-up: comb down, hem level, rising to the waist";
    let (left, right) = (
        format!("{skirt}: left side"),
        format!("{skirt}: right side"),
    );
    assert!(at(&sheet, &left) < at(&sheet, "Right hind leg"));
    assert!(at(&sheet, "Right hind leg") < at(&sheet, &right));
}

/// What is not of the plan changes no cut: the schools' page solves the others alone.
#[test]
fn what_only_orders_the_steps_changes_no_cut() {
    let (dog, kit) = (dog(), kit());
    for look in [
        LookId::OneLength,
        LookId::SkirtedSpaniel,
        LookId::AngledTerrier,
    ] {
        let visit = visit(70.0, look);
        let plan = |answers: &[Answer]| {
            let house = house(answers);
            let desk = Desk::new(&dog, &visit, &house, &kit).plan(Reasons::Skip);
            desk.expect("solves").plan
        };
        let ours = plan(&[]);
        let of_the_steps = Question::ALL.iter().filter(|q| !q.is_of_the_plan());
        for answer in of_the_steps.flat_map(|q| q.answers().iter().skip(1)) {
            let theirs = plan(&[*answer]);
            assert_eq!(theirs.lengths_mm, ours.lengths_mm, "{answer:?}");
            assert_eq!(theirs.cuts, ours.cuts, "{answer:?}");
        }
    }
}

/// Handbook 10 I: the far side is shown by the dog or sought by the hand; said where it comes into sight.
#[rstest]
#[case(Answer::DogTurned, "turn the dog")]
#[case(Answer::StylistWalks, "go round to the dog's other side")]
fn the_hand_is_told_how_it_comes_to_the_far_side(#[case] answer: Answer, #[case] says: &str) {
    let by_side = [Answer::FinishBySide, answer];
    let sheet = sheet(&visit(80.0, LookId::Lamb), &by_side);
    let sought = sheet.steps.iter().filter(|s| s.stroke == says);
    assert_eq!(sought.count(), 1);
    assert_eq!(sheet.steps[at(&sheet, "Right hind leg")].stroke, says);
}

/// Handbook 10 I: where blade and comb leave the same, the salon takes up the one it has said.
#[test]
fn blade_or_comb_is_taken_where_both_leave_the_same() {
    let body = |answer| {
        let (dog, house) = (dog(), house(&[answer]));
        let kit = [
            (1, ToolKind::Blade, 1.5),
            (2, ToolKind::Blade, 13.0),
            (3, ToolKind::Comb, 13.0),
        ]
        .map(|(n, kind, mm)| tool(n, kind, mm));
        let visit = visit(60.0, LookId::OneLength);
        let desk = Desk::new(&dog, &visit, &house, &kit).plan(Reasons::Skip);
        let report = desk.expect("solves").report;
        let ribs = report.units.iter().find(|u| u.zone == Zone::Ribs);
        ribs.and_then(|u| u.tool_id).map(|id| id.as_u128())
    };
    assert_eq!(body(Answer::ShortByComb), Some(3));
    assert_eq!(body(Answer::ShortByBlade), Some(2));
}

/// The order of the legs changes neither what is cut nor how long it takes.
#[test]
fn legs_take_the_same_minutes_in_any_order() {
    let visit = visit(45.0, LookId::Lamb);
    let minutes = |answer| sheet(&visit, &[answer]).minutes;
    let planes = minutes(Answer::LegsByPlane);
    for other in [Answer::LegsOneByOne, Answer::LegsBySide] {
        // Each step's minutes are written to a tenth.
        assert!((minutes(other) - planes).abs() < 0.5, "{other:?}");
    }
}

/// Handbook 6: rough first when more than 25 mm comes off all over, or the coat is knotted.
#[test]
fn a_coat_is_roughed_out_first_where_much_comes_off_or_it_is_knotted() {
    let long = visit(60.0, LookId::Summer);
    let short = visit(20.0, LookId::Summer);
    assert!(has(&sheet(&long, &[]), "Rough out"));
    assert!(!has(&sheet(&short, &[]), "Rough out"));
    assert!(!has(&sheet(&long, &[Answer::WashFirst]), "Rough out"));
    // Knotted it is roughed out whatever comes off, where a bare blade is long enough for it; with
    // combs alone it is not: a comb falls off in a knot (handbook 10 F).
    let mut knotted = short.clone();
    knotted.coat.knots.insert(Zone::Ribs, Knots::Tight);
    let (dog, house, full) = (dog(), house(&[]), support::full_kit());
    let desk = Desk::new(&dog, &knotted, &house, &full);
    let with_blades = desk.plan(Reasons::Skip).expect("solves").report.sheet;
    let rough = &with_blades.steps[at(&with_blades, "Rough out")];
    assert!(rough.is_bare_blade, "{}", rough.tool);
    let combs: Vec<Tool> = full
        .into_iter()
        .filter(|t| t.kind == ToolKind::Comb)
        .collect();
    let desk = Desk::new(&dog, &knotted, &house, &combs);
    let with_combs = desk.plan(Reasons::Skip).expect("solves").report.sheet;
    assert!(!has(&with_combs, "Rough out"));
}

/// Handbook 6, *knots*: only those inside the plan are brushed; few knots take 15 minutes.
#[test]
fn knots_that_go_with_the_cut_are_not_brushed() {
    let mut visit = visit(45.0, LookId::Lamb);
    visit.coat.knots.insert(Zone::Back, Knots::Few);
    let marks = ZoneMarks {
        knot_from_skin_mm: Some(Length::constant_mm(30.0)),
        ..ZoneMarks::default()
    };
    visit.coat.marks.insert(Zone::Back, marks);
    let minutes = |answer| {
        let sheet = sheet(&visit, &[answer]);
        sheet.steps[at(&sheet, "Comb out")].minutes
    };
    assert!((minutes(Answer::KnotsBrushed) - minutes(Answer::KnotsInPlan) - 15.0).abs() < 1e-9);
}

/// Handbook 6, *layers*: two on first visits.
#[test]
fn a_first_visit_is_clipped_in_two_layers() {
    let (dog, kit, visit) = (dog(), kit(), visit(45.0, LookId::OneLength));
    let layers = |is_first, answers: &[Answer]| {
        let house = house(answers);
        let before = Before {
            is_first,
            ..Before::default()
        };
        let desk = Desk::new(&dog, &visit, &house, &kit).with_before(before);
        let sheet = desk.plan(Reasons::Skip).expect("solves").report.sheet;
        has(&sheet, "first light layer")
    };
    assert!(layers(true, &[]) && !layers(false, &[]));
    assert!(layers(false, &[Answer::TwoLayers]) && !layers(true, &[Answer::OneLayer]));
}

/// Handbook 5, look 10: against the lay, 10 mm or less; on other looks with the lay.
#[test]
fn the_clip_goes_with_the_lay_unless_very_short() {
    let mut soft = visit(60.0, LookId::Summer);
    soft.coat.texture = veliform_core::coat::Texture::Fleece;
    let against = |answer| {
        let sheet = sheet(&soft, &[answer]);
        sheet.steps.iter().any(|s| s.stroke.contains("against"))
    };
    assert!(!against(Answer::WithTheLay));
    // A 9.5 blade leaves 6.2 against a standing coat (× 0.65, handbook 3): what a summer's 6 mm asks for,
    // which nothing else in this kit comes near.
    let nine = [
        support::tool(1, ToolKind::Blade, 1.5),
        support::tool(2, ToolKind::Blade, 9.5),
    ];
    let (dog, house) = (dog(), house(&[]));
    let desk = Desk::new(&dog, &soft, &house, &nine);
    let steps = desk.plan(Reasons::Skip).expect("solves").report.sheet.steps;
    let reversed = steps.iter().find(|s| s.stroke == "against the lay");
    let reversed = reversed.expect("the body goes against the lay");
    assert!(reversed.zones.contains(&Zone::Back), "{}", reversed.what);
    let most = reversed.leaves.split(';').next().unwrap_or_default();
    assert!(
        most.ends_with(" 6") || most == "6 mm",
        "{}",
        reversed.leaves
    );
    let long = {
        let mut visit = soft.clone();
        visit.look = Some(LookChoice {
            look: LookId::CylinderFleece,
            body_mm: None,
        });
        sheet(&visit, &[])
    };
    assert!(!long.steps.iter().any(|s| s.stroke.contains("against")));
}

/// Handbook 6, *breaks* and *heat*.
#[test]
fn breaks_and_a_warm_blade_follow_the_school() {
    let visit = visit(45.0, LookId::Lamb);
    assert_eq!(sheet(&visit, &[]).break_every_minutes, None);
    assert!(
        sheet(&visit, &[Answer::BreaksAlways])
            .break_every_minutes
            .is_some()
    );
    assert!(
        sheet(&visit, &[Answer::HeatSpray])
            .warm_blade
            .contains("oil")
    );
}

/// Two schools beside one another on one dog: the minutes said are those of the sheet made so.
#[test]
fn schools_are_compared_on_this_dog() {
    let (dog, kit, visit) = (dog(), kit(), visit(45.0, LookId::Lamb));
    let house = house(&[]);
    let desk = Desk::new(&dog, &visit, &house, &kit);
    let questions = desk.schools().expect("solves");
    assert_eq!(questions.len(), Question::ALL.len());
    let ours = sheet(&visit, &[]).minutes;
    let mut differing = 0;
    for question in &questions {
        assert_eq!(question.answers.iter().filter(|a| a.is_ours).count(), 1);
        for answer in &question.answers {
            let theirs = sheet(&visit, &[answer.answer]).minutes;
            assert!(
                (answer.minutes - (theirs - ours)).abs() < 1e-6,
                "{}",
                answer.label
            );
            differing += usize::from(
                answer.sentence != "As we do it."
                    && answer.sentence != "Changes nothing on this dog.",
            );
        }
    }
    assert!(differing >= 15, "{differing} answers change this sheet");
}

/// Handbook 6, *legs*: by combs alone no shears touch a leg where a comb leaves an allowed length; by
/// shears alone no comb does, and that takes longer. *Tuck-up*: cleared, it is as short as the ribs.
#[test]
fn legs_and_tuck_up_follow_the_school() {
    let of = |answer| {
        let (dog, house, kit) = (dog(), house(&[answer]), kit());
        let visit = visit(60.0, LookId::Lamb);
        let desk = Desk::new(&dog, &visit, &house, &kit);
        desk.plan(Reasons::Skip).expect("solves").report
    };
    let leg_rows = |report: &PlanReport| -> Vec<StrokeName> {
        let legs = report.units.iter().filter(|u| u.zone.is_leg());
        legs.map(|u| u.stroke).collect()
    };
    let combed = leg_rows(&of(Answer::LegsByComb));
    assert!(
        combed
            .iter()
            .any(|s| matches!(s, StrokeName::Full | StrokeName::Skim)),
        "{combed:?}"
    );
    assert!(
        combed.iter().all(|s| *s != StrokeName::Scissor),
        "{combed:?}"
    );
    let shears = of(Answer::LegsScissored);
    assert!(
        leg_rows(&shears)
            .iter()
            .all(|s| matches!(s, StrokeName::Scissor | StrokeName::Leave))
    );
    assert!(shears.sheet.minutes > of(Answer::LegsSkimmed).sheet.minutes);
    let left = |report: &PlanReport, zone| {
        let row = report.units.iter().find(|u| u.zone == zone);
        row.expect("cut").to_mm.as_mm()
    };
    let cleared = of(Answer::TuckUpCleared);
    let kept = of(Answer::TuckUpKept);
    assert!((left(&cleared, Zone::TuckUp) - left(&cleared, Zone::Ribs)).abs() < 0.1);
    assert!(left(&cleared, Zone::TuckUp) <= left(&kept, Zone::TuckUp) + 1e-6);
}

fn plan_in(look: LookId, answers: &[Answer]) -> PlanReport {
    let (dog, house, kit) = (dog(), house(answers), kit());
    let desk = Desk::new(&dog, &visit(80.0, look), &house, &kit).plan(Reasons::Skip);
    desk.expect("solves").report
}

fn row(report: &PlanReport, judged: Judged) -> String {
    let mut rows = report.balance.iter();
    rows.find(|r| r.judged == judged)
        .map_or_else(String::new, |r| r.plan.clone())
}

/// Handbook 6, *underline*: rising, straight to the elbow, round; *mm* under the straight line for the
/// round one, no rise for the straight one.
#[test]
fn the_underline_is_straight_or_round_where_the_salon_has_it_so() {
    let rise = |answer| -> f64 {
        let report = plan_in(LookId::CylinderFleece, &[answer]);
        row(&report, Judged::UnderlineRise).parse().expect("mm")
    };
    let straight = rise(Answer::UnderlineStraight);
    assert!(straight.abs() <= 2.0 * 4.6, "{straight}");
    // One comb along the belly may serve both.
    assert!(rise(Answer::UnderlineByLook) >= straight);
    let round = plan_in(LookId::CylinderFleece, &[Answer::UnderlineRound]);
    let hangs: f64 = row(&round, Judged::UnderlineSteady).parse().expect("mm");
    assert!((0.01 * 460.0..=0.035 * 460.0).contains(&hangs), "{hangs}");
}

/// Handbook 6, *ear shortened*, *ear length*, *fringe*, *crown*, *head tools*, *shaping shears*: each
/// changes what the sheet says or leaves, where the head has it.
#[rstest]
#[case::to_the_jaw(LookId::Lamb, Answer::EarToJaw, "ears", 1.5)]
#[case::left(LookId::AngledTerrier, Answer::EarWhole, "ears", 80.0)]
fn ears_take_the_salons_length(
    #[case] look: LookId,
    #[case] answer: Answer,
    #[case] unit: &str,
    #[case] mm: f64,
) {
    let report = plan_in(look, &[answer]);
    let row = report.units.iter().find(|u| u.label == unit);
    let left = row.expect("cut").to_mm.as_mm();
    assert!((left - mm).abs() < 0.5, "{left}");
}

/// A crown that is off is cut as the cheek, by the shortest blade that is safe on the body here.
#[test]
fn a_crown_that_is_off_is_shorter_than_one_smoothed() {
    let crown = |answers: &[Answer]| {
        let report = plan_in(LookId::SkirtedSpaniel, answers);
        let row = report.units.iter().find(|u| u.label == "topknot");
        row.expect("cut").to_mm.as_mm()
    };
    assert!(crown(&[Answer::CrownOff]) < crown(&[]) - 3.0);
}

#[rstest]
#[case::fringe(LookId::OneLength, Answer::FringeShort, "the fringe over them")]
#[case::carded(LookId::SkirtedSpaniel, Answer::CrownCarded, "card the crown")]
fn the_head_step_says_what_the_salon_does(
    #[case] look: LookId,
    #[case] answer: Answer,
    #[case] says: &str,
) {
    let with = plan_in(look, &[answer]).sheet;
    assert!(has(&with, says));
    assert!(!has(&plan_in(look, &[]).sheet, says));
}

#[test]
fn shears_and_head_tools_are_the_salons() {
    let tool = |look, answers: &[Answer], what: &str| {
        let sheet = plan_in(look, answers).sheet;
        sheet.steps[at(&sheet, what)].tool.clone()
    };
    assert!(tool(LookId::Lamb, &[Answer::ShapeCurved], "Hind legs").starts_with("curved shears"));
    // The clipper's part of a head is a step of its own, with its comb test.
    assert!(tool(LookId::OneLength, &[], "Clip the topknot").contains("comb"));
    assert!(tool(LookId::OneLength, &[], "Topknot:").starts_with("shears"));
    let by_eye = plan_in(LookId::OneLength, &[Answer::HeadByEye]).sheet;
    assert!(!has(&by_eye, "Clip the topknot"));
}

/// Handbook 6, *Minutes*: a helper × 0.9, a restless dog × 1.3; the dog's own record says whether it
/// needs a helper, unless the salon always has one. By shears alone: what is held off a restless dog is
/// another plan (10 C 1).
#[test]
fn minutes_follow_how_the_dog_is_held() {
    let minutes = |answers: &[Answer], temper: &str, needs: bool| {
        let mut visit = visit(45.0, LookId::Lamb);
        visit.handling = serde_json::from_value(serde_json::json!({
            "temper": temper, "needs_second_person": needs
        }))
        .expect("handling");
        let (dog, house) = (dog(), house(answers));
        let desk = Desk::new(&dog, &visit, &house, &[]);
        desk.plan(Reasons::Skip)
            .expect("solves")
            .report
            .sheet
            .minutes
    };
    let calm = minutes(&[], "calm", false);
    for (answers, temper, needs, factor) in [
        (&[][..], "calm", true, 0.9),
        (&[][..], "lively", false, 1.3),
        (&[Answer::HeldByHelper][..], "calm", false, 0.9),
        (&[Answer::HeldByNobody][..], "calm", true, 1.0),
        (&[Answer::HeldByHelper][..], "lively", false, 1.17),
    ] {
        let share = minutes(answers, temper, needs) / calm;
        // Each step's minutes are written to a tenth.
        assert!((share - factor).abs() < 0.01, "{temper} {needs}: {share}");
    }
}

/// Handbook 10 C 3: a comb 3 to 10 mm longer, against the lay, over a bladed body; the length stays. Of
/// this kit over a 5 blade (6.4): the comb of 13.
#[test]
fn a_bladed_body_is_polished_by_a_longer_comb() {
    let mut short = visit(45.0, LookId::Summer);
    short.look = Some(LookChoice {
        look: LookId::Summer,
        body_mm: Some(Length::constant_mm(6.4)),
    });
    let planned = |answers: &[Answer]| {
        let (dog, house, kit) = (dog(), house(answers), kit());
        let desk = Desk::new(&dog, &short, &house, &kit);
        desk.plan(Reasons::Skip).expect("solves").report
    };
    let (plain, polished) = (planned(&[]), planned(&[Answer::PolishComb]));
    let is_polish = |s: &&veliform_core::sheet::Step| s.what.starts_with("Polish");
    assert!(!plain.sheet.steps.iter().any(|s| is_polish(&s)));
    let step = polished.sheet.steps.iter().find(is_polish);
    let step = step.expect("polished");
    assert!(step.tool.starts_with("13 comb"), "{}", step.tool);
    assert_eq!(step.stroke, "lightly against the lay");
    assert!(!step.zones.contains(&Zone::Crest) && !step.zones.contains(&Zone::Shoulder));
    let lengths = |report: &PlanReport| -> Vec<f64> {
        let units = report.units.iter();
        units.map(|u| u.from_mm.as_mm()).collect()
    };
    assert_eq!(lengths(&plain), lengths(&polished));
    // A lamb's body by combs has no fuzz of a blade.
    let lamb = plan_in(LookId::Lamb, &[Answer::PolishComb]);
    assert!(!lamb.sheet.steps.iter().any(|s| is_polish(&s)));
}
