//! Whole plans on the desk: tools, knots, reasons, cautions, order of work, what if.

use crate::support;

use std::cell::Cell;
use std::sync::Arc;

use rstest::rstest;
use support::tool;
use uuid::Uuid;
use veliform_core::balance::Judged;
use veliform_core::coat::{Knots, Limit, Zone};
use veliform_core::consult::Wish;
use veliform_core::desk::{Desk, Reasons, Solved};
use veliform_core::dog::{Dog, House};
use veliform_core::drawing::{DrawOptions, Geometry, Role};
use veliform_core::frame::{Felt, Grade, Measure, Method, TakenMeasure};
use veliform_core::kit::{Tool, ToolKind, ToolState};
use veliform_core::look::LookId;
use veliform_core::plan::{Plan, PlanMemo};
use veliform_core::report::{Cause, StrokeName, Verdict};
use veliform_core::sheet::Stage;
use veliform_core::solve::SolveError;
use veliform_core::units::Length;
use veliform_core::visit::{LookChoice, Visit, fold};

fn dog() -> Dog {
    serde_json::from_value(serde_json::json!({
        "id": Uuid::from_u128(1),
        "name": "Ballast",
        "texture": "fleece",
        "age_months": 130,
        "handling": "Growls at the dryer."
    }))
    .expect("a dog")
}

fn kit() -> Vec<Tool> {
    let owned = |n: u128, kind, printed: &str, mm: f64, state| Tool {
        printed: printed.into(),
        state,
        ..tool(n, kind, mm)
    };
    vec![
        owned(10, ToolKind::Blade, "10", 1.5, ToolState::Fine),
        owned(11, ToolKind::Blade, "7", 3.2, ToolState::Fine),
        owned(12, ToolKind::Blade, "4", 9.5, ToolState::Fine),
        owned(13, ToolKind::Comb, "13", 13.0, ToolState::Fine),
        owned(14, ToolKind::Comb, "16", 16.0, ToolState::ToothMissing),
        owned(15, ToolKind::Comb, "25", 25.0, ToolState::Fine),
        owned(16, ToolKind::Comb, "38", 38.0, ToolState::Fine),
    ]
}

fn mm(value: f64) -> Length {
    Length::from_mm(value).expect("finite")
}

fn visit(height: f64, length: f64, coat: f64, look: LookId) -> Visit {
    let mut visit = fold(&dog(), &[]);
    for (measure, value) in [
        (Measure::HeightAtWithers, height),
        (Measure::BodyLength, length),
    ] {
        let taken = TakenMeasure::by(Method::Tape, mm(value));
        visit.frame.measures.insert(measure, taken);
    }
    visit.coat.all_over_mm = Some(mm(coat));
    visit.look = Some(LookChoice {
        look,
        body_mm: None,
    });
    visit
}

fn plan(visit: &Visit, kit: &[Tool]) -> Solved {
    let (dog, house) = (dog(), House::default());
    Desk::new(&dog, visit, &house, kit)
        .plan(Reasons::Find)
        .expect("solves")
}

#[test]
fn plans_use_only_what_is_owned_and_fit() {
    let kit = kit();
    let solved = plan(&visit(460.0, 470.0, 60.0, LookId::Lamb), &kit);
    for unit in &solved.report.units {
        if let Some(id) = unit.tool_id {
            let tool = kit.iter().find(|t| t.id == id).expect("owned");
            assert!(tool.is_fit(), "{} is not fit", tool.printed);
        }
    }
}

#[test]
fn without_any_tool_the_plan_is_shears_alone() {
    let solved = plan(&visit(460.0, 470.0, 60.0, LookId::Lamb), &[]);
    assert!(
        solved
            .report
            .units
            .iter()
            .all(|u| matches!(u.stroke, StrokeName::Scissor | StrokeName::Leave))
    );
    assert!(solved.report.is_exact);
}

#[test]
fn no_comb_is_planned_where_knots_are_tight() {
    let mut visit = visit(460.0, 470.0, 60.0, LookId::OneLength);
    for zone in [Zone::Ribs, Zone::TuckUp] {
        visit.coat.knots.insert(zone, Knots::Tight);
    }
    let kit = kit();
    let solved = plan(&visit, &kit);
    for unit in solved
        .report
        .units
        .iter()
        .filter(|u| matches!(u.zone, Zone::Ribs | Zone::TuckUp))
    {
        let is_comb = unit
            .tool_id
            .is_some_and(|id| kit.iter().any(|t| t.id == id && t.kind == ToolKind::Comb));
        assert!(!is_comb, "{} by comb", unit.label);
        assert!(unit.to_mm.as_mm() <= 3.3);
    }
    assert!(
        solved.report.sheet.steps.iter().any(|s| s
            .cautions
            .iter()
            .any(|c| c.is_this_dogs && c.text.contains("owner consents to the short clip"))),
        "the owner consents first"
    );
}

/// balance-model.md 15, example 11, in words: a long dog with 22 mm all over, lamb. The gap wants
/// hair behind the front leg, the ratio is the frame's.
#[test]
fn a_short_coat_on_a_long_dog_is_told_where_hair_is_missing() {
    let solved = plan(&visit(450.0, 486.0, 22.0, LookId::Lamb), &kit());
    let gap = solved
        .report
        .reasons
        .iter()
        .find(|r| r.fault.starts_with("Daylight under the dog is still"))
        .expect("the gap stays off");
    assert_eq!(gap.cause, Cause::MissingHair);
    assert!(
        gap.remedy.contains("behind the front leg"),
        "{}",
        gap.remedy
    );
    assert!(
        gap.remedy.contains("brings it right: about"),
        "{}",
        gap.remedy
    );
}

#[test]
fn a_wish_for_longer_hair_than_there_is_is_reported_and_never_a_failure() {
    let mut visit = visit(460.0, 470.0, 20.0, LookId::Lamb);
    let limit = Limit {
        not_shorter_mm: Some(mm(60.0)),
        not_longer_mm: None,
        ..Limit::default()
    };
    visit.coat.limits.insert(Zone::Chest, limit);
    let solved = plan(&visit, &kit());
    let wish = &solved.report.unmet[0];
    assert_eq!(
        wish.message,
        "The chest: 60 mm is asked for; 20 mm is all there is. Let it grow."
    );
    let chest = solved.report.units.iter().find(|u| u.zone == Zone::Chest);
    assert!((chest.expect("a unit").from_mm.as_mm() - 20.0).abs() < 0.1);
}

/// Handbook 6, *The order*: prepare, clip, feet and bevels, scissor, blend, check; small jobs first.
#[rstest]
#[case(LookId::Lamb)]
#[case(LookId::OneLength)]
fn the_sheet_follows_the_order_of_the_trade(#[case] look: LookId) {
    let sheet = plan(&visit(460.0, 470.0, 60.0, look), &kit()).report.sheet;
    let stages: Vec<Stage> = sheet.steps.iter().map(|s| s.stage).collect();
    assert!(stages.is_sorted(), "{stages:?}");
    assert_eq!(stages.first(), Some(&Stage::Prepare));
    assert_eq!(stages.last(), Some(&Stage::Check));
    // Handbook 10 B: eye corners, ears, hygiene, pads: clean to dirty.
    let small: Vec<&str> = sheet.steps[..5].iter().map(|s| s.what.as_str()).collect();
    let starts = ["Eye corners", "Ears", "Nails", "Hygiene area", "Pads"];
    for (what, start) in small.iter().zip(starts) {
        assert!(what.starts_with(start), "{small:?}");
    }
    let ears = sheet.steps.iter().position(|s| s.what == "Ears last");
    let head = sheet.steps.iter().position(|s| s.what.starts_with("Head"));
    if let (Some(ears), Some(head)) = (ears, head) {
        assert!(ears > head, "ears come last of the head");
    }
}

#[test]
fn this_dogs_own_cautions_come_first() {
    let sheet = plan(&visit(460.0, 470.0, 60.0, LookId::Lamb), &kit())
        .report
        .sheet;
    let first = &sheet.steps[0].cautions;
    assert_eq!(first[0].text, "Growls at the dryer.");
    assert!(first[1].text.starts_with("Old dog:"));
    for step in &sheet.steps {
        let own: Vec<bool> = step.cautions.iter().map(|c| !c.is_this_dogs).collect();
        assert!(
            own.is_sorted(),
            "a usual caution before an own one: {}",
            step.what
        );
    }
    assert!(sheet.standing_caution.ends_with("When unsure, stop."));
}

/// Old skin goes one blade longer (handbook 3): nothing under 2.8 mm on the body.
#[test]
fn an_old_dogs_body_is_never_under_one_blade_longer() {
    let mut visit = visit(460.0, 520.0, 60.0, LookId::Lamb);
    visit.frame.felt.insert(Felt::ShortNeck, Grade::Marked);
    let solved = plan(&visit, &kit());
    for unit in &solved.report.units {
        let is_body = !unit.zone.is_head() && !unit.zone.is_leg() && unit.zone != Zone::Foot;
        if is_body {
            assert!(unit.from_mm.as_mm() >= 2.75, "{} {}", unit.label, unit.text);
        }
    }
}

/// Handbook 4, *daylight*: hair in the flank closes the gap behind, so that without it the dog reads
/// longer: the gap's ratio does not shrink, and grows where nothing else is cut otherwise.
#[test]
fn taking_the_flank_off_makes_the_dog_read_longer() {
    let (dog, house, kit) = (dog(), House::default(), kit());
    let mut visit = visit(460.0, 500.0, 60.0, LookId::Lamb);
    let of = |visit: &Visit| {
        let desk = Desk::new(&dog, visit, &house, &kit);
        desk.plan(Reasons::Skip).expect("solves").plan
    };
    let with = of(&visit);
    let bare = Limit {
        not_shorter_mm: None,
        not_longer_mm: Some(mm(3.2)),
        ..Limit::default()
    };
    visit.coat.limits.insert(Zone::Flank, bare);
    visit.coat.limits.insert(Zone::Knee, bare);
    let without = of(&visit);
    let flank = |plan: &Plan| plan.zone_mm(Zone::Knee).expect("cut");
    assert!(flank(&with) > flank(&without) + 3.0);
    // The same coat but for the flank: what the eye measures of it.
    let gap = |plan: &Plan, lengths: &[f64]| {
        let mut points = plan.solution.points.iter();
        let point = points
            .find(|p| p.judged == Judged::GapRatio)
            .expect("judged");
        point.value_at(lengths)
    };
    let mut shorn = with.lengths_mm.clone();
    for (i, spot) in with.subject.spots.iter().enumerate() {
        if matches!(spot.zone, Zone::Flank | Zone::Knee) {
            shorn[i] = 3.2;
        }
    }
    assert!(gap(&with, &shorn) > gap(&with, &with.lengths_mm));

    let desk = Desk::new(&dog, &visit, &house, &kit);
    let answer = desk
        .what_if(Zone::Flank, Wish::TakeOff, &DrawOptions::default())
        .expect("solves");
    assert!(
        answer.sentence.starts_with("With the flank off"),
        "{}",
        answer.sentence
    );
}

#[test]
fn the_drawing_is_true_to_scale() {
    let (dog, house, kit) = (dog(), House::default(), kit());
    let visit = visit(460.0, 470.0, 40.0, LookId::Lamb);
    let desk = Desk::new(&dog, &visit, &house, &kit);
    let drawing = desk.evaluate(&DrawOptions::default()).drawing;
    // Numbers on the rule stand at their own centimetres from the point of rump.
    let mut seen = 0;
    for shape in &drawing.shapes {
        if let (Role::RuleNumber, Geometry::Text { at_mm, text, .. }) =
            (shape.role, &shape.geometry)
            && let Ok(cm) = text.parse::<f64>()
            && at_mm[1] < 0.0
        {
            assert!((at_mm[0] + 10.0 * cm).abs() < 0.11, "{cm} at {at_mm:?}");
            seen += 1;
        }
    }
    assert!(seen >= 5);
    // The skin's highest point on the back is the height at withers.
    let carrier = drawing
        .shapes
        .iter()
        .find_map(|s| match (&s.role, &s.geometry) {
            (Role::Leader, Geometry::Line { points_mm, .. }) => Some(points_mm.clone()),
            _ => None,
        });
    assert!((carrier.expect("a carrier")[1] - 460.0).abs() < 0.06);
}

#[test]
fn evaluation_says_how_each_number_was_got() {
    let (dog, house) = (dog(), House::default());
    let visit = visit(460.0, 470.0, 40.0, LookId::Lamb);
    let evaluation = Desk::new(&dog, &visit, &house, &[]).evaluate(&DrawOptions::default());
    let of = |m: Measure| {
        evaluation
            .frame
            .iter()
            .find(|v| v.measure == m)
            .expect("there")
    };
    // Handbook 2: tape ± 4 mm; hock from proportions ± 6 %.
    assert!((of(Measure::BodyLength).doubt_mm.as_mm() - 4.0).abs() < 1e-9);
    let hock = of(Measure::HockHeight);
    assert!((hock.doubt_mm.as_mm() - 0.06 * hock.value_mm.as_mm()).abs() < 1e-9);
    assert!(evaluation.balance.iter().all(|r| r.now == r.plan));
    assert!(
        evaluation
            .balance
            .iter()
            .any(|r| r.verdict_now == Verdict::Off)
    );
}

/// Handbook 4: what moves a point. The tuck-up's daylight hangs on what hangs there; a column on
/// its own leg; the head's points on the head, no other.
#[test]
fn a_point_names_the_zones_that_move_it() {
    let report = plan(&visit(460.0, 478.0, 60.0, LookId::Lamb), &kit()).report;
    let moved = |judged: Judged| {
        let row = report.balance.iter().find(|r| r.judged == judged);
        row.expect("judged").moved_by.clone()
    };
    for row in &report.balance {
        let of_the_head = [Judged::HeadSize, Judged::NoseLongest, Judged::EyeOpen];
        let is_of_the_head = of_the_head.contains(&row.judged);
        let is_right = |z: &Zone| {
            if is_of_the_head {
                z.is_head()
            } else {
                z.is_judged()
            }
        };
        assert!(row.moved_by.iter().all(is_right), "{row:?}");
    }
    let body = moved(Judged::BodyRatio);
    assert!(
        body.contains(&Zone::Chest) && body.contains(&Zone::Rump),
        "{body:?}"
    );
    let topline = moved(Judged::Topline);
    assert!(topline.contains(&Zone::Back), "{topline:?}");
    let column = moved(Judged::FrontEdges);
    assert!(
        column
            .iter()
            .all(|z| matches!(z, Zone::ForeOut | Zone::ForeIn)),
        "{column:?}"
    );
}

/// A plan is a function of its job: remembered or made anew, it is the same (*modelling choice*).
#[test]
fn a_job_is_solved_once_and_another_never_answered_for_it() {
    let memo = PlanMemo::of(2);
    let (dog, house, kit) = (dog(), House::default(), kit());
    let job_of = |look| {
        let visit = visit(450.0, 470.0, 40.0, look);
        Desk::new(&dog, &visit, &house, &kit).chosen_job()
    };
    let job = job_of(LookId::OneLength);
    let first = memo.plan(&job).expect("solves");
    assert!(Arc::ptr_eq(&first, &memo.plan(&job).expect("solves")));

    let mut shorter = job.clone();
    shorter.cut_for_days += 20.0;
    let other = memo.plan(&shorter).expect("solves");
    assert!(!Arc::ptr_eq(&first, &other));
    assert_ne!(first.solution.lengths_mm, other.solution.lengths_mm);

    // Only so many are kept; one pushed out is made again, alike.
    memo.plan(&job_of(LookId::NaturalTidy)).expect("solves");
    let again = memo.plan(&job).expect("solves");
    assert!(!Arc::ptr_eq(&first, &again));
    assert_eq!(first.lengths_mm, again.lengths_mm);
}

/// Whoever turned the knob on is not worked for any more: the reasons end at the next solve.
#[test]
fn reasons_nobody_waits_for_are_given_up() {
    let (dog, house, kit) = (dog(), House::default(), kit());
    let visit = visit(400.0, 460.0, 20.0, LookId::Lamb);
    let desk = Desk::new(&dog, &visit, &house, &kit);
    let asked = Cell::new(0);
    let is_wanted = || {
        asked.set(asked.get() + 1);
        asked.get() < 3
    };
    let answer = desk.plan(Reasons::FindWhile(&is_wanted));
    assert_eq!(answer.err(), Some(SolveError::NotWanted));
    assert_eq!(asked.get(), 3, "nothing is worked on after the first no");
    let all = desk
        .plan(Reasons::FindWhile(&|| true))
        .expect("solves")
        .report;
    assert_eq!(all, desk.plan(Reasons::Find).expect("solves").report);
}
