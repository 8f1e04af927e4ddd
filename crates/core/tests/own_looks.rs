//! A salon's own looks: copied, edited, chosen, kept with the visit as they stood.

use std::collections::BTreeMap;

use approx::assert_abs_diff_eq;
use rstest::rstest;
use uuid::Uuid;
use veliform_core::balance::Judged;
use veliform_core::coat::Zone;
use veliform_core::desk::{Desk, Reasons};
use veliform_core::dog::{Dog, House};
use veliform_core::frame::{Measure, Method, TakenMeasure};
use veliform_core::look::{LineName, LineStop, Look, LookId, OwnLook, Placement, RatioRange};
use veliform_core::plan::PlanReport;
use veliform_core::units::Length;
use veliform_core::visit::{Entry, EntryBody, LookChoice, Visit, fold};

fn dog() -> Dog {
    serde_json::from_value(serde_json::json!({
        "id": Uuid::from_u128(1), "name": "Ballast", "texture": "curl"
    }))
    .expect("a dog")
}

fn own() -> OwnLook {
    OwnLook {
        id: Uuid::from_u128(4),
        name: "Signal lamb".into(),
        base: LookId::Lamb,
        body_mm: None,
        lengths_mm: BTreeMap::from([(Zone::Crest, Length::constant_mm(12.0))]),
        lines: Placement::of_one(LineStop::HockTaken),
        body_ratio: Some(RatioRange {
            from: 1.10,
            to: 1.20,
        }),
    }
}

fn visit(bodies: Vec<EntryBody>) -> Visit {
    let log: Vec<Entry> = bodies
        .into_iter()
        .zip(1..)
        .map(|(body, n)| Entry {
            id: Uuid::from_u128(n),
            at_ms: i64::try_from(n).expect("small"),
            author: String::new(),
            body,
        })
        .collect();
    let mut visit = fold(&dog(), &log);
    let height = TakenMeasure::by(Method::HeightStick, Length::constant_mm(450.0));
    visit
        .frame
        .measures
        .insert(Measure::HeightAtWithers, height);
    visit.coat.all_over_mm = Some(Length::constant_mm(60.0));
    visit
}

fn plan(visit: &Visit) -> PlanReport {
    let (dog, house) = (dog(), House::default());
    let desk = Desk::new(&dog, visit, &house, &[]);
    desk.plan(Reasons::Skip).expect("solves").report
}

/// What was edited differs, everything else is the look it was copied from.
#[test]
fn an_own_look_is_its_base_but_for_what_was_edited() {
    let (own, base) = (own().look(), Look::shipped(LookId::Lamb));
    assert_eq!(own.called(), "Signal lamb");
    for zone in Zone::ALL {
        let expected = if zone == Zone::Crest {
            12.0
        } else {
            base.nominal_mm(zone, 450.0)
        };
        assert_abs_diff_eq!(own.nominal_mm(zone, 450.0), expected, epsilon = 1e-9);
    }
    assert_eq!(own.targets.body_ratio, (1.10, 1.20));
    assert_eq!(own.targets.gap_ratio, base.targets.gap_ratio);
}

#[test]
fn a_plan_in_an_own_look_follows_its_lengths_lines_and_targets() {
    let in_own = plan(&visit(vec![EntryBody::OwnLookSet { own: Some(own()) }]));
    let in_base = plan(&visit(vec![EntryBody::LookChosen {
        choice: LookChoice {
            look: LookId::Lamb,
            body_mm: None,
        },
    }]));
    assert_eq!(in_own.look_name, "Signal lamb");
    let target = |report: &PlanReport| {
        let mut rows = report.balance.iter();
        rows.find(|r| r.judged == Judged::BodyRatio)
            .map(|r| r.target.clone())
    };
    assert_ne!(target(&in_own), target(&in_base));
    assert!(
        !in_own.lines.iter().any(|l| l.line == LineName::Hock),
        "the hock is taken"
    );
    assert!(in_base.lines.iter().any(|l| l.line == LineName::Hock));
}

/// A look that ships, chosen after it, leaves it; and what was chosen stays in the log as it was.
#[test]
fn another_choice_leaves_the_own_look() {
    let chosen = EntryBody::OwnLookSet { own: Some(own()) };
    let other = EntryBody::LookChosen {
        choice: LookChoice {
            look: LookId::Summer,
            body_mm: None,
        },
    };
    let first = visit(vec![chosen.clone()]);
    assert_eq!(first.own_look, Some(own()));
    let then = visit(vec![chosen, other]);
    assert_eq!(then.own_look, None);
    assert_eq!(plan(&then).look, LookId::Summer);
}

#[rstest]
#[case::nameless(OwnLook { name: "  ".into(), ..own() }, "needs a name")]
#[case::long_name(OwnLook { name: "x".repeat(60), ..own() }, "shorten it to 40")]
#[case::a_length(OwnLook { lengths_mm: BTreeMap::from([(Zone::Back, Length::constant_mm(900.0))]), ..own() }, "lies between")]
#[case::upside_down(OwnLook { body_ratio: Some(RatioRange { from: 1.2, to: 1.0 }), ..own() }, "the first the smaller")]
#[case::no_number(OwnLook { body_ratio: Some(RatioRange { from: f64::NAN, to: 1.0 }), ..own() }, "cannot be aimed at")]
fn what_cannot_be_is_said_in_a_sentence(#[case] own: OwnLook, #[case] said: &str) {
    let problems = own.check();
    assert!(
        problems.iter().any(|p| p.message.contains(said)),
        "{problems:?}"
    );
    let house = House {
        own_looks: vec![own.clone()],
        ..House::default()
    };
    assert!(!house.check().is_empty());
    // In a log all the same, the plan falls back on the look it was copied from.
    let report = plan(&visit(vec![EntryBody::OwnLookSet { own: Some(own) }]));
    assert_eq!(report.look_name, "Lamb");
}
