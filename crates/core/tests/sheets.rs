//! Clip lines a hand can lay off, and the cut sheet (handbook 5, 6, 7).

use crate::support;

use rstest::rstest;
use support::tool;
use uuid::Uuid;
use veliform_core::coat::{Knots, Zone};
use veliform_core::desk::{Desk, Reasons, Solved};
use veliform_core::dog::{Dog, House, Sex};
use veliform_core::frame::{Felt, Grade, Measure, Method, TakenMeasure};
use veliform_core::kit::{Tool, ToolKind, UnderComb};
use veliform_core::lines::LeftAs;
use veliform_core::look::{LineName, LookId};
use veliform_core::sheet::{Stage, Step};
use veliform_core::solve::{Stroke, Unit};
use veliform_core::units::{Length, UnitSystem};
use veliform_core::visit::{LookChoice, Visit, fold};

fn mm(value: f64) -> Length {
    Length::from_mm(value).expect("finite")
}

fn dog(sex: Sex) -> Dog {
    let mut dog: Dog = serde_json::from_value(serde_json::json!({
        "id": Uuid::from_u128(1), "name": "Points", "texture": "fleece"
    }))
    .expect("a dog");
    dog.sex = sex;
    dog
}

fn kit() -> Vec<Tool> {
    [
        (ToolKind::Blade, "10", 1.5),
        (ToolKind::Blade, "4", 9.5),
        (ToolKind::Comb, "13", 13.0),
        (ToolKind::Comb, "16", 16.0),
        (ToolKind::Comb, "32", 32.0),
        (ToolKind::Comb, "51", 51.0),
    ]
    .into_iter()
    .enumerate()
    .map(|(n, (kind, printed, leaves))| Tool {
        printed: printed.into(),
        ..tool(n as u128 + 10, kind, leaves)
    })
    .collect()
}

fn visit(dog: &Dog, height: f64, look: LookId) -> Visit {
    let mut visit = fold(dog, &[]);
    let taken = TakenMeasure::by(Method::HeightStick, mm(height));
    visit.frame.measures.insert(Measure::HeightAtWithers, taken);
    visit.coat.all_over_mm = Some(mm(0.13 * height));
    visit.look = Some(LookChoice {
        look,
        body_mm: None,
    });
    visit
}

fn plan(dog: &Dog, visit: &Visit, house: &House) -> Solved {
    Desk::new(dog, visit, house, &kit())
        .plan(Reasons::Skip)
        .expect("solves")
}

fn lamb_of(height: f64) -> Solved {
    let dog = dog(Sex::Unknown);
    plan(&dog, &visit(&dog, height, LookId::Lamb), &House::default())
}

#[test]
fn every_line_of_the_issue_is_there_with_a_distance_from_a_bone() {
    let lines = lamb_of(460.0).report.lines;
    let names: Vec<LineName> = lines.iter().map(|l| l.line).collect();
    assert_eq!(
        names,
        [
            LineName::Nape,
            LineName::Throat,
            LineName::Bib,
            LineName::Shoulder,
            LineName::Waist,
            LineName::Underline,
            LineName::Thigh,
            LineName::RumpDrop,
            LineName::Hock,
            LineName::TailBase,
            LineName::Visor,
            LineName::Cheek,
            LineName::EarEnd,
        ]
    );
    for line in &lines {
        assert!(
            !line.hand.is_empty() && line.path_mm.len() >= 2,
            "{:?}",
            line.line
        );
        assert!(!line.why.is_empty() && !line.mark.is_empty());
    }
}

/// School: the waist peaks just behind the last rib, 25 mm on a dog of 450 (balance-model.md 10).
#[test]
fn the_waist_peaks_25_mm_behind_the_last_rib() {
    let lines = lamb_of(450.0).report.lines;
    let waist = lines
        .iter()
        .find(|l| l.line == LineName::Waist)
        .expect("there");
    assert!((waist.hand[0].distance_mm.as_mm() - 24.75).abs() < 0.01);
    assert_eq!(waist.hand[0].text, "25 mm (1½ fingers)");
    assert_eq!(waist.hand[0].from, "behind the last rib");
}

/// A step of s mm is joined over 3 s (handbook 5): throat 6 into chest 11 on a lamb of 450.
#[test]
fn a_step_is_blended_over_three_times_itself() {
    let lines = lamb_of(450.0).report.lines;
    let throat = lines
        .iter()
        .find(|l| l.line == LineName::Throat)
        .expect("there");
    assert_eq!(throat.left, LeftAs::Blended { over_mm: mm(15.0) });
}

#[test]
fn lines_grow_with_the_dog() {
    let at = |height: f64| {
        let lines = lamb_of(height).report.lines;
        let thigh = lines
            .into_iter()
            .find(|l| l.line == LineName::Thigh)
            .expect("there");
        thigh.hand[0].distance_mm.as_mm()
    };
    assert!((at(600.0) / at(300.0) - 2.0).abs() < 1e-9);
}

#[test]
fn inches_and_another_finger_change_every_distance_at_once() {
    let dog = dog(Sex::Unknown);
    let house = House {
        units: UnitSystem::Inches,
        finger_mm: mm(14.0),
        ..House::default()
    };
    let solved = plan(&dog, &visit(&dog, 450.0, LookId::Lamb), &house);
    let waist = solved
        .report
        .lines
        .iter()
        .find(|l| l.line == LineName::Waist)
        .expect("there");
    // 24.75 mm is 31/32 in, to the eighth 1 in; in fingers of 14 mm 1.77, to the half 2.
    assert_eq!(waist.hand[0].text, "1 in (2 fingers)");
    let fore = solved
        .report
        .units
        .iter()
        .find(|u| u.zone == Zone::Ribs)
        .expect("there");
    assert!(fore.text.contains('/'), "{}", fore.text);
}

/// A lamb by a kit whose comb for the body is the 13.
fn by_thirteen(house: &House) -> Solved {
    let dog = dog(Sex::Unknown);
    let kit: Vec<Tool> = kit().into_iter().filter(|t| t.printed != "16").collect();
    Desk::new(&dog, &visit(&dog, 460.0, LookId::Lamb), house, &kit)
        .plan(Reasons::Skip)
        .expect("solves")
}

#[test]
fn each_comb_step_names_its_blade_where_one_leaves_about_as_much() {
    let steps = by_thirteen(&House::default()).report.sheet.steps;
    let thirteen = steps
        .iter()
        .find(|s| s.tool.starts_with("13 comb"))
        .expect("a comb step");
    // Handbook 3: a 13 mm comb and a blade of about equal length.
    assert_eq!(thirteen.instead.as_deref(), Some("4 blade, bare"));
    for step in steps.iter().filter(|s| s.tool.starts_with("51 comb")) {
        assert_eq!(step.instead, None, "no blade leaves 51 mm");
    }
}

#[rstest]
#[case(UnderComb::Ten, "over the 10", 14.0)]
#[case(UnderComb::Forty, "over the 40", 12.75)]
fn another_blade_beneath_is_named_and_changes_what_is_left(
    #[case] under: UnderComb,
    #[case] named: &str,
    #[case] leaves: f64,
) {
    let house = House {
        under_comb: under,
        ..House::default()
    };
    let solved = by_thirteen(&house);
    let by_thirteen = solved
        .report
        .units
        .iter()
        .find(|u| u.tool.starts_with("13 comb"))
        .expect("the body's comb");
    assert!(by_thirteen.tool.contains(named), "{}", by_thirteen.tool);
    assert!((by_thirteen.to_mm.as_mm() - leaves).abs() < 0.01);
}

/// Handbook 6, *Minutes*: × .7 toy, × 1.5 large; knots few + 15, tight + 30 (of the same coat; the quarter of
/// an hour itself stands in combing.rs).
#[test]
fn minutes_follow_size_and_knots() {
    let of = |height: f64, knots: Option<Knots>| {
        let dog = dog(Sex::Unknown);
        let mut visit = visit(&dog, height, LookId::OneLength);
        visit.coat.all_over_mm = Some(Length::constant_mm(50.0));
        if let Some(knots) = knots {
            visit.coat.knots.insert(Zone::Ear, knots);
        }
        let sheet = plan(&dog, &visit, &House::default()).report.sheet;
        let comb = sheet.steps.iter().find(|s| s.what.starts_with("Comb out"));
        comb.expect("a step").minutes
    };
    let usual = of(460.0, None);
    assert!((of(230.0, None) - 0.7 * usual).abs() < 0.11);
    assert!((of(620.0, None) - 1.5 * usual).abs() < 0.11);
    assert!((of(460.0, Some(Knots::Few)) - usual - 15.0).abs() < 0.11);
    assert!((of(460.0, Some(Knots::Tight)) - usual - 30.0).abs() < 0.11);
}

#[test]
fn minutes_altogether_are_the_sum_of_the_steps() {
    let sheet = lamb_of(460.0).report.sheet;
    let sum: f64 = sheet.steps.iter().map(|s| s.minutes).sum();
    assert!((sheet.minutes - sum).abs() < 1e-9);
    // A full lamb takes between one and a half and four hours (common practice).
    assert!((90.0..240.0).contains(&sheet.minutes), "{}", sheet.minutes);
}

#[rstest]
#[case(Sex::Male, "cover sheath and testicles", true)]
#[case(Sex::Female, "cover vulva and nipples", true)]
#[case(Sex::Female, "sheath", false)]
fn the_hygiene_step_knows_the_dogs_sex(
    #[case] sex: Sex,
    #[case] said: &str,
    #[case] is_there: bool,
) {
    let dog = dog(sex);
    let sheet = plan(&dog, &visit(&dog, 460.0, LookId::Lamb), &House::default())
        .report
        .sheet;
    let hygiene = sheet
        .steps
        .iter()
        .find(|s| s.what.starts_with("Hygiene"))
        .expect("a step");
    let found = hygiene.warns().any(|text| text.contains(said));
    assert_eq!(found, is_there);
    assert!(
        hygiene
            .warns()
            .any(|text| text.starts_with("Cool blade only"))
    );
}

/// Handbook 7: each step that can hurt carries its caution.
#[test]
fn every_step_that_can_hurt_carries_its_caution() {
    let sheet = lamb_of(460.0).report.sheet;
    let (mut bare, mut combs, mut faces, mut ears) = (0, 0, 0, 0);
    for step in &sheet.steps {
        let said = |text: &str| step.warns().any(|said| said.contains(text));
        let is_bare = step.tool.ends_with("blade");
        bare += usize::from(is_bare);
        assert!(
            !is_bare || said("Feel the blade on your wrist"),
            "{}",
            step.what
        );
        let is_comb = step.stage == Stage::Clip && step.tool.contains("comb");
        combs += usize::from(is_comb);
        assert!(!is_comb || said("it falls off in a knot"), "{}", step.what);
        let is_face = step
            .zones
            .iter()
            .any(|z| matches!(z, Zone::Cheek | Zone::Topknot));
        assert!(
            !is_face || said("points away from the eye"),
            "{}",
            step.what
        );
        let is_ear = step.zones == [Zone::Ear];
        faces += usize::from(is_face);
        ears += usize::from(is_ear);
        assert!(
            !is_ear || said("finger behind edge and tip"),
            "{}",
            step.what
        );
    }
    // Hygiene and pads by bare blade, body by comb, face, ears: a lamb has them all.
    assert!(bare >= 3 && combs >= 2, "{bare} bare, {combs} combs");
    assert!(faces >= 1 && ears >= 1, "{faces} faces, {ears} ears");
}

#[test]
fn one_tool_does_all_it_can_before_it_is_changed() {
    let steps = lamb_of(460.0).report.sheet.steps;
    let tools: Vec<&str> = steps
        .iter()
        .filter(|s| s.stage == Stage::Clip)
        .map(|s| s.tool.as_str())
        .collect();
    let mut runs = tools.clone();
    runs.dedup();
    let mut different = runs.clone();
    different.sort_unstable();
    different.dedup();
    assert_eq!(
        runs.len(),
        different.len(),
        "a tool is taken up twice: {tools:?}"
    );
}

/// Handbook 5, *Legs*: four faces, what comes off each at three heights, left and right apart where
/// they differ; a bow on one leg alone is cut on that leg.
#[test]
fn a_leg_says_what_comes_off_each_face_at_three_heights() {
    // With the legs the step is about before what it says of a face.
    let amounts = |solved: &Solved| -> Vec<String> {
        let steps = solved.report.sheet.steps.iter();
        let legs = steps.filter(|s| s.stage == Stage::Scissor && s.what.contains("legs"));
        let said = legs.flat_map(|s| s.amounts.iter().map(|a| (s.what[..5].trim(), a)));
        let faces = said
            .filter_map(|(which, a)| Some((which, a.strip_prefix("Off ")?.split_once(": ")?.1)));
        faces
            .flat_map(|(which, faces)| faces.split("; ").map(move |face| format!("{which} {face}")))
            .collect()
    };
    let even = amounts(&lamb_of(460.0));
    let lamb = lamb_of(460.0);
    for (unit, face) in [
        (Unit::HindBack, "Hind back "),
        (Unit::ForeOut, "Front outside "),
        (Unit::ForeIn, "Front inside "),
        (Unit::ForeFront, "Front front "),
    ] {
        let cut = lamb
            .plan
            .cuts
            .iter()
            .find(|c| c.unit == unit)
            .expect("a face");
        let is_said = even.iter().any(|a| a.starts_with(face));
        assert_eq!(is_said, cut.stroke != Stroke::Leave, "{face} {even:?}");
    }
    assert!(even.iter().all(|a| !a.contains(" left ")), "{even:?}");

    let dog = dog(Sex::Unknown);
    let mut bowed = visit(&dog, 460.0, LookId::Lamb);
    bowed.frame.felt.insert(Felt::ForeLegsBowed, Grade::Marked);
    bowed
        .frame
        .felt_right
        .insert(Felt::ForeLegsBowed, Grade::None);
    let solved = plan(&dog, &bowed, &House::default());
    let said = amounts(&solved);
    assert!(
        said.iter().any(|a| a.starts_with("Front outside left ")),
        "{said:?}"
    );
    assert!(
        said.iter().any(|a| a.starts_with("Front outside right ")),
        "{said:?}"
    );

    // By hand from the plan: coat less what stays, at the outside of the left front leg's joint.
    let cut = solved
        .plan
        .cuts
        .iter()
        .find(|c| c.unit == Unit::ForeOut)
        .expect("cut");
    let off = 0.75 * 0.13 * 460.0 - cut.leaves_mm[0];
    let number = if off < 9.95 {
        format!("{off:.1}").trim_end_matches(".0").to_owned()
    } else {
        format!("{off:.0}")
    };
    let outside = said.iter().rfind(|a| a.starts_with("Front outside left "));
    let outside = outside.expect("said");
    assert!(
        outside.starts_with(&format!("Front outside left {number}, ")),
        "{number}: {outside}"
    );
}

/// Handbook 6, *Hands at the step*: each step that asks for the other hand says what it does.
#[test]
fn steps_say_what_the_other_hand_does() {
    let steps = lamb_of(460.0).report.sheet.steps;
    let hand = |part: &str| {
        let step = steps.iter().find(|s| s.what.contains(part));
        step.map(|s| format!("{}{}", s.hand, s.hand_again))
            .unwrap_or_default()
    };
    assert!(hand("Nails").contains("lift the opposite one"));
    assert!(hand("eet").contains("Point the foot ahead"));
    assert!(hand("tuck-up").contains("flank"));
    assert!(hand("Ears last").contains("taut"));
}

/// A blade that runs longer than the salon's minutes is felt that often, and the swaps stand in the
/// steps' minutes (handbook 7, *Heat*; a blade change takes 0.7 min, handbook 6): a summer cut that
/// is all bare blade, under a clock of one minute and of fifteen.
#[test]
fn pauses_for_a_warm_blade_are_counted_in() {
    let dog = dog(Sex::Unknown);
    let visit = visit(&dog, 460.0, LookId::Summer);
    let sheet = |blade_minutes: f64| {
        let house = House {
            blade_minutes,
            ..House::default()
        };
        plan(&dog, &visit, &house).report.sheet
    };
    let (often, seldom) = (sheet(1.0), sheet(15.0));
    assert!(often.blade_pauses > seldom.blade_pauses + 3);
    let more = f64::from(often.blade_pauses - seldom.blade_pauses);
    let longer = often.minutes - seldom.minutes;
    assert!(
        (longer - 0.7 * more).abs() < 0.06 * more,
        "{longer} for {more}"
    );
    let said = format!("{} pauses for a warm blade", often.blade_pauses);
    assert!(often.counted.contains(&said), "{}", often.counted);
    assert!(often.counted.contains("min drying"), "{}", often.counted);
}

/// A step kept when the sentence stood before the blade reads as one of today.
#[test]
fn the_blade_instead_of_a_comb_opens_as_it_was_kept_once() {
    let steps = by_thirteen(&House::default()).report.sheet.steps;
    let step = steps.iter().find(|s| s.instead.is_some());
    let mut kept = serde_json::to_value(step.expect("a comb")).expect("writes");
    let blade = kept["instead"].as_str().expect("a blade").to_owned();
    kept["instead"] = format!("If the comb stops: {blade}").into();
    let opened: Step = serde_json::from_value(kept).expect("opens");
    assert_eq!(opened.instead, Some(blade));
}

/// Handbook 4, *Dip in the back*: the hair in the dip is combed up before the back is cut. A level back is
/// not asked for it.
#[rstest]
#[case(Grade::None, 0)]
#[case(Grade::Slight, 1)]
#[case(Grade::Marked, 1)]
fn a_dip_is_combed_up_first(#[case] grade: Grade, #[case] times: usize) {
    let dog = dog(Sex::Female);
    for look in [LookId::Lamb, LookId::OneLength, LookId::CylinderFleece] {
        let mut visit = visit(&dog, 460.0, look);
        visit.frame.felt.insert(Felt::DipInBack, grade);
        let solved = plan(&dog, &visit, &House::default());
        let steps = solved.report.sheet.steps.iter();
        let said = steps.flat_map(|s| &s.amounts);
        let found = said
            .filter(|a| a.starts_with("Comb the dip up first"))
            .count();
        assert_eq!(found, times, "{look:?}");
    }
}
