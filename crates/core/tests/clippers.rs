//! Clippers: what fits which, wide and adjustable blades, and how long a charge lasts (handbook 3,
//! *Kit*).

use crate::support;

use rstest::rstest;
use support::table::{dog, kit, mm};
use veliform_core::desk::{Desk, Reasons};
use veliform_core::dog::House;
use veliform_core::drawing::DrawOptions;
use veliform_core::frame::{Measure, Method, TakenMeasure};
use veliform_core::kit::{Clipper, ClipperFit, Tool, ToolKind, check_tool};
use veliform_core::look::LookId;
use veliform_core::report::PlanReport;
use veliform_core::sheet::Stage;
use veliform_core::units::UnitSystem;
use veliform_core::visit::{LookChoice, fold};

fn clipper(takes: ClipperFit, runs_minutes: Option<u32>) -> Clipper {
    Clipper {
        name: format!("{takes:?}"),
        takes,
        runs_minutes,
    }
}

fn plan(look: LookId, tools: &[Tool], clippers: Vec<Clipper>) -> PlanReport {
    let dog = dog(None);
    let mut visit = fold(&dog, &[]);
    let height = TakenMeasure::by(Method::HeightStick, mm(460.0));
    visit
        .frame
        .measures
        .insert(Measure::HeightAtWithers, height);
    visit.coat.all_over_mm = Some(mm(60.0));
    visit.look = Some(LookChoice {
        look,
        body_mm: None,
    });
    let house = House {
        clippers,
        ..House::default()
    };
    let desk = Desk::new(&dog, &visit, &house, tools).plan(Reasons::Skip);
    desk.expect("solves").report
}

fn used(report: &PlanReport) -> Vec<uuid::Uuid> {
    report.units.iter().filter_map(|u| u.tool_id).collect()
}

fn fitting(tools: Vec<Tool>, kind: ToolKind, fits: ClipperFit) -> Vec<Tool> {
    let with = |tool: Tool| Tool {
        fits: if tool.kind == kind { fits } else { tool.fits },
        ..tool
    };
    tools.into_iter().map(with).collect()
}

/// Handbook 3: plans never pair what does not fit.
#[test]
fn what_no_clipper_drives_is_not_planned() {
    let tools = fitting(kit(), ToolKind::Comb, ClipperFit::Wide);
    let combs: Vec<_> = tools
        .iter()
        .filter(|t| t.kind == ToolKind::Comb)
        .map(|t| t.id)
        .collect();
    let uses_combs = |clippers| {
        let report = plan(LookId::OneLength, &tools, clippers);
        used(&report).iter().any(|id| combs.contains(id))
    };
    assert!(uses_combs(Vec::new()), "nobody said: everything fits");
    assert!(uses_combs(vec![clipper(ClipperFit::Wide, None)]));
    assert!(!uses_combs(vec![clipper(ClipperFit::Detachable, None)]));
}

/// A kit that nothing drives is said so, and the plan is shears alone, never a blank sheet.
#[test]
fn a_kit_that_nothing_drives_is_said() {
    let said = |fits| {
        let dog = dog(None);
        let all = fitting(fitting(kit(), ToolKind::Comb, fits), ToolKind::Blade, fits);
        let house = House {
            clippers: vec![clipper(ClipperFit::Detachable, None)],
            ..House::default()
        };
        let visit = fold(&dog, &[]);
        let desk = Desk::new(&dog, &visit, &house, &all);
        let problems = desk.evaluate(&DrawOptions::default()).problems;
        problems.iter().any(|p| p.message.contains("shears alone"))
    };
    assert!(said(ClipperFit::Wide));
    assert!(!said(ClipperFit::Detachable) && !said(ClipperFit::Any));
}

/// Minutes of taking a tool up (handbook 6, a modelling choice).
const TAKEN_UP: f64 = 0.7;

/// Handbook 3: with a wide tool the clipping takes three quarters, nothing else changes.
#[test]
fn only_the_clipping_shrinks_with_a_wide_blade() {
    let minutes = |fits, stage: Stage| -> f64 {
        let all = fitting(fitting(kit(), ToolKind::Comb, fits), ToolKind::Blade, fits);
        let report = plan(LookId::Summer, &all, Vec::new());
        let steps = report.sheet.steps.iter().filter(|s| s.stage == stage);
        steps.map(|s| s.minutes).sum()
    };
    // The longest pass, over the body. Taking the tool up takes as long as before, and stands with whichever
    // pass begins with it.
    let body = |fits| {
        let all = fitting(fitting(kit(), ToolKind::Comb, fits), ToolKind::Blade, fits);
        let report = plan(LookId::Summer, &all, Vec::new());
        let clip = report.sheet.steps.iter().filter(|s| s.stage == Stage::Clip);
        clip.map(|s| s.minutes).fold(0.0, f64::max)
    };
    let (wide, any) = (body(ClipperFit::Wide), body(ClipperFit::Any));
    let is_three_quarters = |taken_up: [f64; 2]| {
        let (with, without) = (wide - taken_up[0], any - taken_up[1]);
        (with - 0.75 * without).abs() < 0.06
    };
    let up = [0.0, TAKEN_UP];
    let is_so = up
        .iter()
        .any(|w| up.iter().any(|a| is_three_quarters([*w, *a])));
    assert!(is_so, "{wide} of {any}");
    for stage in [Stage::Prepare, Stage::Check] {
        assert!((minutes(ClipperFit::Wide, stage) - minutes(ClipperFit::Any, stage)).abs() < 1e-9);
    }
}

/// Handbook 3: an adjustable blade is several lengths in one tool: one tool cuts the throat and the
/// face of a jacket at lengths that fixed blades would need two for.
#[test]
fn an_adjustable_blade_is_several_lengths_in_one_tool() {
    let adjustable = Tool {
        leaves_mm: mm(0.5),
        to_mm: Some(mm(6.3)),
        fits: ClipperFit::Adjustable,
        ..kit().remove(0)
    };
    let lengths: Vec<f64> = adjustable
        .settings()
        .iter()
        .map(|t| t.leaves_mm.as_mm())
        .collect();
    assert_eq!(lengths.first(), Some(&0.5));
    assert_eq!(lengths.last(), Some(&6.3));
    assert!(lengths.is_sorted() && lengths.len() > 2);
    let report = plan(
        LookId::ToyJacket,
        std::slice::from_ref(&adjustable),
        Vec::new(),
    );
    let mut left: Vec<f64> = report
        .units
        .iter()
        .filter(|u| u.tool_id == Some(adjustable.id) && u.from_mm == u.to_mm)
        .map(|u| u.from_mm.as_mm())
        .collect();
    left.sort_by(f64::total_cmp);
    left.dedup();
    assert!(left.len() >= 2, "{left:?}");
    assert_eq!(report.sheet.tool_changes, 0);
}

/// Handbook 3: cordless run time is finite: said where the plan's clipping outlasts every charge.
#[rstest]
#[case::short(Some(5), true)]
#[case::long(Some(600), false)]
#[case::on_a_cord(None, false)]
fn a_charge_that_does_not_last_is_said(#[case] minutes: Option<u32>, #[case] is_said: bool) {
    let report = plan(
        LookId::OneLength,
        &kit(),
        vec![clipper(ClipperFit::Any, minutes)],
    );
    assert_eq!(report.sheet.counted.contains("on a charge"), is_said);
}

/// What cannot be is said in one sentence.
#[test]
fn clippers_and_settings_that_cannot_be_are_refused() {
    let refused = |clippers: Vec<Clipper>| {
        let house = House {
            clippers,
            ..House::default()
        };
        house.check().len()
    };
    assert_eq!(refused(vec![clipper(ClipperFit::Any, Some(180))]), 0);
    assert_eq!(refused(vec![clipper(ClipperFit::Any, Some(0))]), 1);
    assert_eq!(refused(vec![clipper(ClipperFit::Any, Some(99_999))]), 1);
    let nameless = Clipper {
        name: "  ".into(),
        ..clipper(ClipperFit::Any, None)
    };
    assert_eq!(refused(vec![nameless]), 1);
    assert_eq!(refused(vec![clipper(ClipperFit::Any, None); 25]), 1);
    let backwards = Tool {
        to_mm: Some(mm(0.1)),
        ..kit().remove(3)
    };
    assert_eq!(check_tool(&backwards, UnitSystem::Millimetres).len(), 1);
}
