//! A hand that is still learning gets tools that forgive.

use crate::support;

use rstest::rstest;
use veliform_core::body::{Handling, Temper};
use veliform_core::desk::{Before, Desk, Reasons, Solved};
use veliform_core::dog::{Dog, House};
use veliform_core::frame::{Measure, Method, TakenMeasure};
use veliform_core::kit::{Direction, Tool, full_leaves_mm};
use veliform_core::look::LookId;
use veliform_core::schools::{Answer, Schools};
use veliform_core::sheet::Step;
use veliform_core::solve::Roughing;
use veliform_core::units::Length;
use veliform_core::visit::{LookChoice, Visit, fold};

const MM: fn(f64) -> Length = Length::constant_mm;

/// A lamb on a dog of 460 mm, by a stylist of that name; Ada is still learning.
fn planned(stylist: &str, schools: Schools, kit: &[Tool]) -> Solved {
    planned_of(stylist, schools, kit, |_| {})
}

fn planned_of(
    stylist: &str,
    schools: Schools,
    kit: &[Tool],
    say: impl FnOnce(&mut Visit),
) -> Solved {
    let (dog, house) = (dog(), house(schools));
    let mut visit = lamb(&dog, stylist);
    say(&mut visit);
    let desk = Desk::new(&dog, &visit, &house, kit);
    desk.plan(Reasons::Skip).expect("solves")
}

fn dog() -> Dog {
    serde_json::from_value(serde_json::json!({
        "id": uuid::Uuid::from_u128(1), "name": "Points", "texture": "fleece"
    }))
    .expect("a dog")
}

fn house(schools: Schools) -> House {
    House {
        stylists: vec!["Ada".into(), "Hilda".into()],
        learning: vec!["Ada".into()],
        schools,
        ..House::default()
    }
}

fn lamb(dog: &Dog, stylist: &str) -> Visit {
    let mut visit = fold(dog, &[]);
    let height = TakenMeasure::by(Method::HeightStick, MM(460.0));
    visit
        .frame
        .measures
        .insert(Measure::HeightAtWithers, height);
    visit.coat.all_over_mm = Some(MM(70.0));
    visit.look = Some(LookChoice {
        look: LookId::Lamb,
        body_mm: None,
    });
    visit.stylist = stylist.into();
    visit
}

/// What each tool held off leaves by itself, as a share of the longest hair it leaves there.
fn held_off(solved: &Solved, kit: &[Tool]) -> Vec<f64> {
    let under = House::default().under_comb;
    let cuts = solved.plan.cuts.iter();
    cuts.filter(|cut| cut.roughing == Some(Roughing::HeldOff))
        .filter_map(|cut| {
            let tool = kit.iter().find(|t| Some(t.id) == cut.tool)?;
            let stand = solved.plan.subject.stand.of(cut.unit.zone());
            let own = full_leaves_mm(tool, under, Direction::WithTheLay, stand);
            Some(own / cut.leaves_mm.iter().copied().fold(0.0, f64::max))
        })
        .collect()
}

fn step(solved: &Solved, what: &str) -> String {
    let steps = &solved.report.sheet.steps;
    let found = steps.iter().find(|s| s.what.starts_with(what));
    found.expect("a step").tool.clone()
}

/// Handbook 10 C 1 and 10 G 9: one comb longer, never far off the hair; whoever knows the stroke goes deeper.
#[test]
fn a_learning_hand_holds_no_tool_far_off_the_hair() {
    let kit = support::full_kit();
    // On one dog or another every kit holds something off.
    let looks = [LookId::Lamb, LookId::LongLegs, LookId::AngledTerrier];
    let of = |stylist: &str| -> Vec<f64> {
        let asked = looks
            .iter()
            .flat_map(|look| [70.0, 110.0].map(|coat| (*look, coat)));
        let over = |(look, coat)| {
            let solved = planned_of(stylist, Schools::default(), &kit, |visit| {
                visit.coat.all_over_mm = Some(MM(coat));
                visit.look = Some(LookChoice {
                    look,
                    body_mm: None,
                });
            });
            held_off(&solved, &kit)
        };
        asked.flat_map(over).collect()
    };
    let (learning, sure) = (of("Ada"), of("Hilda"));
    assert!(!learning.is_empty(), "something is held off");
    assert!(learning.iter().all(|share| *share >= 0.33), "{learning:?}");
    assert!(sure.iter().any(|share| *share < 0.33), "{sure:?}");
}

/// Handbook 10 C 1: over a dog that does not stand a stroke scatters half as much again, so that more has to
/// come off before a tool is held off; somebody who holds it makes it as any other.
#[test]
fn a_restless_dog_asks_for_more_hair_under_a_tool_held_off() {
    let kit = support::full_kit();
    let least_coat = |temper: Temper, schools: &Schools| -> u32 {
        let is_held_off = |coat: &u32| {
            let solved = planned_of("Hilda", schools.clone(), &kit, |visit| {
                visit.coat.all_over_mm = Some(MM(f64::from(*coat)));
                visit.handling = Some(Handling {
                    temper,
                    ..Handling::default()
                });
            });
            !held_off(&solved, &kit).is_empty()
        };
        (30..=90).step_by(2).find(is_held_off).expect("long enough")
    };
    let (alone, held) = (
        Schools::default(),
        Schools::default().with(Answer::HeldByHelper),
    );
    let steady = least_coat(Temper::default(), &alone);
    assert!(least_coat(Temper::Lively, &alone) > steady);
    assert_eq!(least_coat(Temper::Lively, &held), steady);
}

/// Handbook 10 C 1: no tool is held off an unknown or a restless dog by somebody alone; the shears do it all the
/// same. Said once, at the first step that would; not of a dog that is known to stand, nor where it is held.
#[rstest]
#[case::unknown(true, Temper::Unknown, &[], Some("First time here"))]
#[case::known(false, Temper::Unknown, &[], None)]
#[case::said_to_stand(true, Temper::Calm, &[], None)]
#[case::restless(false, Temper::Lively, &[], Some("It does not stand"))]
#[case::restless_but_held(false, Temper::Lively, &[Answer::HeldByHelper], None)]
#[case::unknown_but_held(true, Temper::Unknown, &[Answer::HeldByHelper], None)]
fn nobody_alone_holds_a_tool_off_a_dog_nobody_knows(
    #[case] is_first: bool,
    #[case] temper: Temper,
    #[case] answers: &[Answer],
    #[case] says: Option<&str>,
) {
    let kit = support::full_kit();
    let dog = dog();
    let house = house(
        answers
            .iter()
            .copied()
            .fold(Schools::default(), Schools::with),
    );
    // The first coat over which something is held off.
    let solved = (50..=120).step_by(5).find_map(|coat| {
        let mut visit = lamb(&dog, "Hilda");
        visit.coat.all_over_mm = Some(MM(f64::from(coat)));
        visit.handling = Some(Handling {
            temper,
            ..Handling::default()
        });
        let desk = Desk::new(&dog, &visit, &house, &kit).with_before(Before {
            is_first,
            ..Before::default()
        });
        let solved = desk.plan(Reasons::Skip).expect("solves");
        (!held_off(&solved, &kit).is_empty()).then_some(solved)
    });
    let solved = solved.expect("a coat long enough");
    let steps = &solved.report.sheet.steps;
    let said: Vec<(&Step, &str)> = steps
        .iter()
        .flat_map(|step| step.cautions.iter().map(move |c| (step, c.text.as_str())))
        .filter(|(_, text)| text.contains("skim only"))
        .collect();
    assert_eq!(said.len(), usize::from(says.is_some()), "{said:?}");
    for (step, text) in said {
        assert!(step.tool_id.is_some(), "{}", step.what);
        assert!(text.starts_with(says.unwrap_or_default()), "{text}");
    }
}

/// Handbook 6, *eye corners* and *edge*: a blade and a margin for learners; what the salon said stands.
#[test]
fn it_gets_safer_corner_tools_where_nobody_said_otherwise() {
    let kit = support::full_kit();
    let ada = planned("Ada", Schools::default(), &kit);
    assert!(step(&ada, "Eye corners").contains("blade"));
    let ways = &ada.report.sheet.own_ways;
    assert!(
        ways.iter()
            .any(|way| way.starts_with("Ada is still learning")),
        "{ways:?}"
    );
    let hilda = planned("Hilda", Schools::default(), &kit);
    assert_eq!(step(&hilda, "Eye corners"), "thinners");
    assert!(hilda.report.sheet.own_ways.is_empty());
    let said = Schools::default().with(Answer::CornersCurves);
    let otherwise = planned("Ada", said, &kit);
    assert!(!step(&otherwise, "Eye corners").contains("blade"));
    let ways = &otherwise.report.sheet.own_ways;
    assert!(
        !ways.iter().any(|way| way.contains("blade")),
        "what is not done is not said: {ways:?}"
    );
}
