//! The owner card: what goes home, and how the salon words it otherwise.

use rstest::rstest;
use uuid::Uuid;
use veliform_core::body::{Found, FoundKind};
use veliform_core::coat::Zone;
use veliform_core::desk::{CardHere, Desk};
use veliform_core::dog::{Dog, House};
use veliform_core::finish::ZoneResult;
use veliform_core::look::LookId;
use veliform_core::page::{Spot, View};
use veliform_core::schools::{Answer, Question};
use veliform_core::units::Length;
use veliform_core::visit::{
    CardLine, CardText, Entry, EntryBody, LookChoice, Record, Visit, fold, refusals,
};

use crate::support::table::kit;

fn dog() -> Dog {
    serde_json::from_value(serde_json::json!({
        "id": Uuid::from_u128(1), "name": "Ballast", "texture": "curl"
    }))
    .expect("a dog")
}

fn entries(bodies: Vec<EntryBody>) -> Vec<Entry> {
    let said = bodies.into_iter().zip(1_u32..);
    said.map(|(body, n)| Entry {
        id: Uuid::from_u128(n.into()),
        at_ms: n.into(),
        stamp_ms: None,
        author: String::new(),
        body,
    })
    .collect()
}

fn visit(more: Vec<EntryBody>) -> Visit {
    let mm = |v| Length::from_mm(v).ok();
    let choice = LookChoice {
        look: LookId::Lamb,
        body_mm: None,
    };
    let mut bodies = vec![
        EntryBody::CoatAllOver {
            length_mm: mm(50.0),
        },
        EntryBody::LookChosen { choice },
    ];
    bodies.extend(more);
    fold(&dog(), &entries(bodies))
}

fn card(visit: &Visit) -> CardHere {
    let (dog, house) = (dog(), House::default());
    Desk::new(&dog, visit, &house, &kit())
        .card()
        .expect("solves")
}

fn line(card: &CardHere, line: CardLine) -> Option<&CardText> {
    card.lines.iter().find(|l| l.line == line)
}

fn say(line: CardLine, text: Option<&str>) -> EntryBody {
    EntryBody::CardLineSaid {
        line,
        text: text.map(Into::into),
    }
}

/// Handbook 9: an owner takes home what was done, what to do and when to come back (common practice).
#[test]
fn it_says_what_was_done_what_to_do_and_when_to_come_back() {
    let card = card(&visit(vec![]));
    let said: Vec<CardLine> = card.lines.iter().map(|l| l.line).collect();
    assert_eq!(
        said,
        [CardLine::NextVisit, CardLine::Today, CardLine::AtHome]
    );
    let today = line(&card, CardLine::Today).expect("said");
    assert_eq!(today.title, "Today: lamb");
    assert!(
        today.text.starts_with("Body ") && today.text.ends_with('.'),
        "{}",
        today.text
    );
    let home = line(&card, CardLine::AtHome).expect("said");
    // What a lamb asks (handbook 5, *Looks*): its upkeep, and the comb that must pass (handbook 10 F).
    assert_eq!(home.title, "At home, 40 minutes a week");
    assert!(
        home.text.contains("on the ears")
            && home.text.contains("it must pass. Left unbrushed, it knots")
    );
    let why = line(&card, CardLine::NextVisit).expect("said");
    assert!(why.text.starts_with("By then "), "{}", why.text);
}

#[test]
fn after_the_groom_it_says_what_was_measured_told_and_left() {
    let record = Record {
        told: "rest now, drink".into(),
        behaviour: "quiet".into(),
        unfinished: "nails of the left hind".into(),
        grow: vec![Zone::Knee],
        ..Record::default()
    };
    let left = ZoneResult {
        left_mm: Length::from_mm(14.0).ok(),
        ..ZoneResult::default()
    };
    let lump = Found {
        id: Uuid::from_u128(9),
        kind: FoundKind::Lump,
        spot: Spot {
            view: View::Side,
            at: [0.3, 0.5],
        },
        size_mm: None,
        word: "left elbow".into(),
        owner_told: true,
        vet_look: true,
    };
    let card = card(&visit(vec![
        EntryBody::ResultSet {
            zone: Zone::Ribs,
            result: left,
        },
        EntryBody::FoundPut { found: lump },
        EntryBody::RecordSet { record },
    ]));
    let text = |of| line(&card, of).map(|l| l.text.as_str());
    assert_eq!(text(CardLine::Today), Some("Ribs 14 mm."));
    assert_eq!(text(CardLine::Vet), Some("Lump, left elbow."));
    assert_eq!(text(CardLine::Told), Some("Rest now, drink."));
    assert_eq!(text(CardLine::NotDone), Some("Nails of the left hind."));
    assert_eq!(text(CardLine::Was), Some("Quiet."));
    assert_eq!(text(CardLine::Grow), Some("Front of the knee."));
}

/// What is done otherwise on this dog the owner card keeps (handbook 10 A 8).
#[test]
fn it_keeps_this_dogs_ways() {
    let way = EntryBody::WaySaid {
        question: Question::TailEnd,
        answer: Some(Answer::TailRounded),
        today_only: false,
    };
    let card = card(&visit(vec![way]));
    let ways = line(&card, CardLine::Ways).expect("said");
    assert!(ways.text.to_lowercase().contains("tail"), "{}", ways.text);
}

#[test]
fn a_line_is_worded_otherwise_left_out_and_put_back() {
    let own = "Ears every evening, please.";
    let worded = card(&visit(vec![say(CardLine::AtHome, Some(own))]));
    let home = line(&worded, CardLine::AtHome).expect("said");
    assert_eq!(home.text, own);
    assert!(
        home.usual.contains("it must pass."),
        "what it says else stays to be had"
    );

    let out = card(&visit(vec![say(CardLine::AtHome, Some("  "))]));
    let home = line(&out, CardLine::AtHome).expect("it can be put back");
    assert_eq!(home.text, "");

    let back = card(&visit(vec![
        say(CardLine::AtHome, Some(own)),
        say(CardLine::AtHome, None),
    ]));
    let home = line(&back, CardLine::AtHome).expect("said");
    assert_eq!(home.text, home.usual);

    // Where there was nothing to say, the salon still may.
    let noted = card(&visit(vec![say(
        CardLine::Told,
        Some("No swimming for a week."),
    )]));
    let told = line(&noted, CardLine::Told).expect("said");
    assert_eq!(
        (told.text.as_str(), told.usual.as_str()),
        ("No swimming for a week.", "")
    );
}

#[test]
fn a_line_too_long_for_a_card_is_refused_and_one_pasted_is_one_line() {
    let of = |text: &str| {
        let new = entries(vec![say(CardLine::AtHome, Some(text))]);
        refusals(&dog(), &[], &new).remove(0)
    };
    let said = of(&"brush ".repeat(40)).expect("refused");
    assert!(
        said.contains("“At home” on the card has 240 letters"),
        "{said}"
    );
    assert_eq!(of(&"é".repeat(200)), None);

    let pasted = card(&visit(vec![say(CardLine::Told, Some(" rest\n\n\tnow "))]));
    let told = line(&pasted, CardLine::Told).expect("said");
    assert_eq!(told.text, "rest now");
}

/// The day agreed is in force everywhere, and what is there by then is said honestly.
#[rstest]
#[case::sooner(7, "before ", "Before ")]
#[case::later(120, " after ", "After ")]
fn another_day_is_agreed(#[case] days: u32, #[case] salon: &str, #[case] owner: &str) {
    let usual = card(&visit(vec![])).back.expect("a day");
    let agreed = EntryBody::ReturnAgreed { days: Some(days) };
    let there = card(&visit(vec![agreed.clone()]));
    let back = there.back.clone().expect("a day");
    assert_eq!((back.days, back.advised_days), (days, Some(usual.days)));
    assert!(
        back.sentence.starts_with("Agreed: ") && back.sentence.contains(salon),
        "{}",
        back.sentence
    );
    let why = line(&there, CardLine::NextVisit).expect("said");
    assert!(why.text.starts_with(owner), "{}", why.text);
    let taken_back = EntryBody::ReturnAgreed { days: None };
    let again = card(&visit(vec![agreed, taken_back]));
    assert_eq!(again.back, Some(usual));
}

#[rstest]
#[case(0)]
#[case(366)]
#[case(u32::MAX)]
fn no_dog_comes_back_on_such_a_day(#[case] days: u32) {
    let body = EntryBody::ReturnAgreed { days: Some(days) };
    // Where it is only tried it counts for nothing.
    assert_eq!(card(&visit(vec![body.clone()])), card(&visit(vec![])));
    let new = entries(vec![body]);
    let said = refusals(&dog(), &[], &new);
    assert!(
        said[0]
            .as_deref()
            .is_some_and(|s| s.contains("a day to a year")),
        "{said:?}"
    );
}

/// A dog is told of from a week before its day until it has stayed away for half a year (common practice).
#[rstest]
#[case(20, None)]
#[case(21, Some((-7, "due in 7 days: ")))]
#[case(27, Some((-1, "due tomorrow: ")))]
#[case(28, Some((0, "due today: ")))]
#[case(29, Some((1, "was due a day ago: ")))]
#[case(49, Some((21, "was due 3 weeks ago: ")))]
#[case(210, Some((182, "was due 26 weeks ago: ")))]
#[case(211, None)]
fn a_dog_is_due_on_its_day(#[case] days: u32, #[case] expected: Option<(i64, &str)>) {
    let agreed = EntryBody::ReturnAgreed { days: Some(28) };
    let back = card(&visit(vec![agreed])).back.expect("a day");
    let due = back.due(days);
    assert_eq!(due.as_ref().map(|d| d.days_over), expected.map(|e| e.0));
    if let (Some(due), Some((_, words))) = (due, expected) {
        assert!(due.words.starts_with(words), "{}", due.words);
    }
}
