//! What comes along to a dog's next visit (handbook 10 A 2), and what does not.

use std::collections::{BTreeMap, BTreeSet};

use crate::support::table::kit;

use approx::assert_abs_diff_eq;
use rstest::rstest;
use uuid::Uuid;
use veliform_core::body::{BodyPart, Found, FoundKind, Handling, Minds, Outcome};
use veliform_core::coat::{Knots, KnotsBefore, Limit, LimitCause, Zone};
use veliform_core::consult::{Part, Wish};
use veliform_core::desk::{Desk, KnotsAgain, Reasons};
use veliform_core::dog::{Dog, House, Programme, Topic};
use veliform_core::drawing::DrawOptions;
use veliform_core::frame::{
    DogSize, Felt, Finding, Grade, Known, Measure, Method, TakenMeasure, resolve,
};
use veliform_core::grow::{Return, ReturnBecause};
use veliform_core::look::{LookId, OwnLook};
use veliform_core::page::{Spot, View};
use veliform_core::photo::PhotoMoment;
use veliform_core::run::{Borne, PutOff, RunEnd, RunEvent};
use veliform_core::schools::{Answer, Question, Schools};
use veliform_core::sheet::{CutSheet, Stage, Step};
use veliform_core::units::{Length, UnitSystem};
use veliform_core::visit::{
    EarlierVisit, Entry, EntryBody, LookChoice, Record, Trust, Visit, WayOf, fold, known, life,
    past, refusals,
};

const DAY_MS: i64 = 86_400_000;

fn dog(age_months: Option<u16>) -> Dog {
    serde_json::from_value(serde_json::json!({
        "id": Uuid::from_u128(1), "name": "Ballast", "texture": "curl", "age_months": age_months
    }))
    .expect("a dog")
}

fn mm(value: f64) -> Length {
    Length::from_mm(value).expect("finite")
}

fn taken(measure: Measure, value: f64) -> EntryBody {
    EntryBody::MeasureSet {
        measure,
        taken: TakenMeasure::by(Method::Tape, mm(value)),
    }
}

fn felt(felt: Felt, grade: Grade) -> EntryBody {
    EntryBody::FeltSet {
        felt,
        grade,
        right: None,
    }
}

/// Entries said one after another from a day on.
fn said(dog: &Dog, day: i64, bodies: Vec<EntryBody>) -> Visit {
    let entries: Vec<Entry> = (0_i64..)
        .zip(bodies)
        .map(|(n, body)| Entry {
            id: Uuid::from_u128(u128::try_from(1000 * day + n + 1).expect("small")),
            at_ms: day * DAY_MS + n,
            stamp_ms: None,
            author: String::new(),
            body,
        })
        .collect();
    fold(dog, &entries)
}

fn on_day(day: i64, visit: Visit) -> EarlierVisit {
    EarlierVisit::new(
        Uuid::from_u128(u128::try_from(day).expect("small")),
        day * DAY_MS,
        visit,
        None,
    )
}

/// The next visit on a day, with what was known and what is said then.
fn next(dog: &Dog, earlier: &[EarlierVisit], day: i64, more: Vec<EntryBody>) -> Visit {
    let known = known(dog, earlier, day * DAY_MS).expect("a known dog");
    let mut bodies = vec![EntryBody::BroughtAlong {
        known: Box::new(known),
    }];
    bodies.extend(more);
    said(dog, day, bodies)
}

fn sigma(visit: &Visit, finding: Finding) -> f64 {
    resolve(&visit.frame, UnitSystem::Millimetres).doubt_of(finding)
}

const HEIGHT: Finding = Finding::Measure(Measure::HeightAtWithers);
const LENGTH: Finding = Finding::Measure(Measure::BodyLength);

/// √(d² + (0.004·H·years)²) (handbook 10 A 2, modelling choice), whatever visits lie between: each measure is as
/// old as its own reading.
#[rstest]
#[case::six_weeks(42)]
#[case::a_year(365)]
#[case::four_years(1461)]
fn a_measures_doubt_grows_with_the_years_since_it_was_read(#[case] days: i64) {
    let dog = dog(Some(60));
    let first = said(
        &dog,
        1,
        vec![
            taken(Measure::HeightAtWithers, 500.0),
            taken(Measure::BodyLength, 520.0),
        ],
    );
    let fresh = sigma(&first, LENGTH);
    let mut visits = vec![on_day(1, first)];
    let between = next(&dog, &visits, 1 + days / 2, Vec::new());
    visits.push(on_day(1 + days / 2, between));
    let now = next(&dog, &visits, 1 + days, Vec::new());
    let years = days as f64 / 365.25;
    assert_abs_diff_eq!(
        sigma(&now, LENGTH),
        fresh.hypot(0.004 * 500.0 * years),
        epsilon = 1e-9
    );
    assert_eq!(
        i64::from(now.frame.ago.measures[&Measure::BodyLength]),
        days
    );
    // One touch, or a reading, and it is as sure as on the first day.
    for body in [
        EntryBody::StillSo {
            what: vec![Known::Measure(Measure::BodyLength)],
        },
        taken(Measure::BodyLength, 521.0),
    ] {
        let again = next(&dog, &visits, 1 + days, vec![body]);
        assert_abs_diff_eq!(sigma(&again, LENGTH), fresh, epsilon = 1e-9);
        assert!(sigma(&again, HEIGHT) > sigma(&visits[0].visit, HEIGHT));
    }
}

/// Grades come along half as much again in doubt; how thin a dog is never does (handbook 10 A 2).
#[test]
fn grades_come_along_less_sure_and_thinness_not_at_all() {
    let dog = dog(None);
    let first = said(
        &dog,
        1,
        vec![
            felt(Felt::StraightBehind, Grade::Slight),
            felt(Felt::ThinOverRibs, Grade::Marked),
        ],
    );
    let fresh = sigma(&first, Finding::Felt(Felt::StraightBehind));
    let visits = [on_day(1, first)];
    let now = next(&dog, &visits, 43, Vec::new());
    assert_eq!(
        now.frame.felt.get(&Felt::StraightBehind),
        Some(&Grade::Slight)
    );
    assert_eq!(now.frame.felt.get(&Felt::ThinOverRibs), None);
    let aged = sigma(&now, Finding::Felt(Felt::StraightBehind));
    assert_abs_diff_eq!(aged, 1.5 * fresh, epsilon = 1e-9);
    let again = next(
        &dog,
        &visits,
        43,
        vec![felt(Felt::StraightBehind, Grade::None)],
    );
    assert!(again.frame.ago.is_empty(), "a hand said it today");
}

/// Toys and small dogs have grown at 12 months, the others at 18 (handbook 10 A 2, modelling choice).
#[rstest]
#[case::toy_grown(DogSize::Toy, 12, true)]
#[case::small_puppy(DogSize::Small, 11, false)]
#[case::medium_puppy(DogSize::Medium, 17, false)]
#[case::large_grown(DogSize::Large, 18, true)]
fn a_puppys_frame_is_shown_and_not_carried(
    #[case] size: DogSize,
    #[case] age_months: u16,
    #[case] is_carried: bool,
) {
    let dog = dog(Some(age_months));
    let first = said(
        &dog,
        1,
        vec![
            EntryBody::SizeSet { size },
            taken(Measure::BodyLength, size.usual_height_mm()),
        ],
    );
    let visits = [on_day(1, first)];
    let now = next(&dog, &visits, 43, Vec::new());
    assert_eq!(!now.frame.measures.is_empty(), is_carried);
    assert_eq!(now.frame.size, size, "how big it is to be is known");
    let shown = past(&visits, 43 * DAY_MS);
    assert_eq!(shown.measures.len(), 1, "what was read then is shown");
}

/// The coat is as it was left, grown since (the textures' own rates), until somebody combs it out.
#[test]
fn the_coat_is_last_times_grown_until_it_is_said() {
    let dog = dog(Some(60));
    let first = said(
        &dog,
        1,
        vec![EntryBody::CoatAllOver {
            length_mm: Some(mm(20.0)),
        }],
    );
    let visits = [on_day(1, first)];
    let house = House::default();
    let back = |visit: &Visit| {
        Desk::new(&dog, visit, &house, &[])
            .coat
            .length_mm(Zone::Back)
    };
    let at = |day| back(&next(&dog, &visits, day, Vec::new()));
    // Handbook 3: a curl grows about a third of a millimetre a day.
    assert!((30.0..36.0).contains(&at(43)), "{}", at(43));
    assert!(at(22) < at(43) && at(43) < at(85));
    let combed = vec![EntryBody::CoatAllOver {
        length_mm: Some(mm(25.0)),
    }];
    assert_abs_diff_eq!(back(&next(&dog, &visits, 43, combed)), 25.0, epsilon = 1e-9);
}

/// What the owner wants stays with the dog; what knots or a slip asked for ended with that visit.
#[test]
fn the_owners_limits_stay_and_those_of_knots_and_slips_end() {
    let dog = dog(Some(60));
    let limit = |longer: f64, because| Limit {
        not_longer_mm: Some(mm(longer)),
        because,
        ..Limit::default()
    };
    let set = |zone, limit| EntryBody::LimitSet { zone, limit };
    let first = said(
        &dog,
        1,
        vec![
            set(Zone::Ear, limit(30.0, LimitCause::Owner)),
            set(Zone::Ribs, limit(20.0, LimitCause::Owner)),
            set(Zone::Ribs, limit(9.0, LimitCause::Slip)),
            set(Zone::TuckUp, limit(3.0, LimitCause::Knots)),
        ],
    );
    assert_eq!(first.coat.limits[&Zone::Ribs].because, LimitCause::Slip);
    let now = next(&dog, &[on_day(1, first)], 43, Vec::new());
    let left: BTreeMap<Zone, f64> = now
        .coat
        .limits
        .iter()
        .map(|(zone, l)| (*zone, l.not_longer_mm.expect("longest").as_mm()))
        .collect();
    assert_eq!(
        left,
        BTreeMap::from([(Zone::Ear, 30.0), (Zone::Ribs, 20.0)])
    );
}

/// A value taken back stays taken back, and a dog nobody knows has nothing to bring.
#[test]
fn what_was_taken_back_does_not_come_again() {
    let dog = dog(Some(60));
    let first = said(&dog, 1, vec![taken(Measure::BodyLength, 520.0)]);
    let mut visits = vec![on_day(1, first)];
    let cleared = EntryBody::MeasureCleared {
        measure: Measure::BodyLength,
    };
    let second = next(&dog, &visits, 43, vec![cleared]);
    assert!(second.frame.measures.is_empty());
    visits.push(on_day(43, second));
    let third = next(&dog, &visits, 85, Vec::new());
    assert!(third.frame.measures.is_empty());
    assert_eq!(
        known(&dog, &visits, DAY_MS),
        None,
        "nothing was before the first"
    );
}

/// Once somebody spoke, what was known no longer comes along: it would lie over what was said. And *still so*
/// of nothing would be kept and count for nothing.
#[test]
fn what_would_wipe_away_or_count_for_nothing_is_refused() {
    let dog = dog(Some(60));
    let entry = |n: u128, body: EntryBody| Entry {
        id: Uuid::from_u128(n),
        at_ms: 50 * DAY_MS,
        stamp_ms: None,
        author: String::new(),
        body,
    };
    let first = said(&dog, 1, vec![taken(Measure::BodyLength, 520.0)]);
    let known = known(&dog, &[on_day(1, first)], 50 * DAY_MS).expect("a known dog");
    let along = entry(
        1,
        EntryBody::BroughtAlong {
            known: Box::new(known),
        },
    );
    let spoken = entry(2, taken(Measure::BodyLength, 530.0));
    let why = |log: &[&Entry], new: &Entry| {
        let log: Vec<Entry> = log.iter().copied().cloned().collect();
        refusals(&dog, &log, std::slice::from_ref(new)).remove(0)
    };
    assert_eq!(why(&[], &along), None, "a visit begins with it");
    let late = why(&[&spoken], &along).expect("refused");
    assert!(late.contains("this one has begun"), "{late}");
    assert_eq!(why(&[&along], &along), None, "the same again counts once");
    let nothing = entry(3, EntryBody::StillSo { what: Vec::new() });
    assert!(why(&[&spoken], &nothing).is_some());
}

fn way(question: Question, answer: Option<Answer>, today_only: bool) -> EntryBody {
    EntryBody::WaySaid {
        question,
        answer,
        today_only,
    }
}

/// In force: this visit before this dog before the salon before ours (handbook 10 A 8).
#[test]
fn what_is_said_nearest_to_the_dog_is_in_force() {
    let dog = dog(Some(60));
    let salon = Schools::default().with(Answer::PadsThirty);
    let pads = |bodies: Vec<EntryBody>| {
        let visit = said(&dog, 1, bodies);
        let here = visit.ways_over(&salon);
        (
            here.of(Question::Pads),
            visit.way_of(Question::Pads, &salon),
        )
    };
    let own = || way(Question::Pads, Some(Answer::PadsForty), false);
    let today = || way(Question::Pads, Some(Answer::PadsTen), true);
    assert_eq!(pads(vec![]), (Answer::PadsThirty, WayOf::Salon));
    assert_eq!(pads(vec![own()]), (Answer::PadsForty, WayOf::Dog));
    assert_eq!(pads(vec![own(), today()]), (Answer::PadsTen, WayOf::Today));
    // What is said for good takes today's word back; no answer leaves it to the salon.
    assert_eq!(pads(vec![today(), own()]), (Answer::PadsForty, WayOf::Dog));
    let open = way(Question::Pads, None, false);
    assert_eq!(
        pads(vec![own(), today(), open]),
        (Answer::PadsThirty, WayOf::Salon)
    );
    // A look of the salon's own lies between this dog and the salon.
    let look = || EntryBody::OwnLookSet {
        own: Some(OwnLook {
            ways: Schools::default().with(Answer::PadsScissors),
            ..OwnLook::of(Uuid::from_u128(8), "Signal lamb", LookId::Lamb)
        }),
    };
    assert_eq!(pads(vec![look()]), (Answer::PadsScissors, WayOf::Look));
    assert_eq!(pads(vec![look(), own()]), (Answer::PadsForty, WayOf::Dog));
    let visit = said(&dog, 1, vec![]);
    assert_eq!(
        visit.way_of(Question::Pads, &Schools::default()),
        WayOf::Ours
    );
}

/// What an owner says once of photos holds for each: with leave a finished dog is shown until it is said
/// otherwise of that photo, without none is (handbook 10 A 3).
#[test]
fn an_owners_leave_for_photos_holds_for_each_of_them() {
    let (finished, other) = (Uuid::from_u128(70), Uuid::from_u128(71));
    let taken = |photo, moment| EntryBody::PhotoTaken { photo, moment };
    let leave = |photo, may_be_shown| EntryBody::PhotoLeave {
        photo,
        may_be_shown,
    };
    let shown = |leave: Option<bool>, bodies: Vec<EntryBody>| {
        let mut dog = dog(Some(60));
        dog.at_home.photos_may_be_shown = leave;
        said(&dog, 1, bodies).may_be_shown
    };
    let both = || {
        vec![
            taken(finished, PhotoMoment::After),
            taken(other, PhotoMoment::Before),
        ]
    };
    assert!(shown(None, both()).is_empty());
    assert_eq!(shown(Some(true), both()), BTreeSet::from([finished]));
    let taken_back = [both(), vec![leave(finished, false)]].concat();
    assert!(shown(Some(true), taken_back).is_empty());
    let said_of_one = [both(), vec![leave(finished, true)]].concat();
    assert_eq!(shown(None, said_of_one.clone()), BTreeSet::from([finished]));
    assert!(shown(Some(false), said_of_one).is_empty());
}

/// A dog's own way stays with it; what was said for a day alone does not.
#[test]
fn a_dogs_own_ways_come_along_and_the_sheet_follows_and_says_them() {
    let dog = dog(Some(60));
    let bodies = vec![
        way(Question::Nails, Some(Answer::NailsAfter), false),
        way(Question::Pads, Some(Answer::PadsThirty), true),
    ];
    let first = said(&dog, 1, bodies);
    let visit = next(&dog, &[on_day(1, first)], 43, vec![]);
    let ways: Vec<Answer> = visit.ways.answers().collect();
    assert_eq!(ways, [Answer::NailsAfter]);
    assert!(visit.ways_today.is_empty());
    let sheet = sheet_of(&dog, &visit);
    assert_eq!(
        sheet.own_ways,
        ["Nails: wet, after the bath (this dog's own; else dry, before the bath)."]
    );
    let without = sheet_of(&dog, &said(&dog, 1, vec![]));
    assert!(without.own_ways.is_empty());
    let is_after_the_bath = |sheet: &CutSheet| {
        let at = |what: &str| sheet.steps.iter().position(|s| s.what.starts_with(what));
        at("Nails").expect("nails are done") > at("Bath").expect("it is bathed")
    };
    assert!(
        is_after_the_bath(&sheet) && !is_after_the_bath(&without),
        "the sheet follows"
    );
}

fn sheet_of(dog: &Dog, visit: &Visit) -> CutSheet {
    let (house, kit) = (House::default(), kit());
    let desk = Desk::new(dog, visit, &house, &kit);
    desk.plan(Reasons::Skip).expect("solves").report.sheet
}

#[test]
fn an_answer_under_another_question_is_refused() {
    let dog = dog(None);
    let why = |body: EntryBody| {
        let entry = Entry {
            id: Uuid::from_u128(7),
            at_ms: 1,
            stamp_ms: None,
            author: String::new(),
            body,
        };
        refusals(&dog, &[], std::slice::from_ref(&entry)).remove(0)
    };
    let wrong = why(way(Question::Nails, Some(Answer::TwoLayers), false)).expect("refused");
    assert_eq!(
        wrong,
        "“two light ones” answers “Layers”, not “Nails”; choose one of its own answers"
    );
    assert_eq!(
        why(way(Question::Nails, Some(Answer::NailsAfter), false)),
        None
    );
}

/// A weight no dog has stays as it was typed, with a sentence, and counts for nothing.
#[rstest]
#[case::none(0.1, false)]
#[case::toy(1.2, true)]
#[case::giant(95.0, true)]
#[case::slip_of_the_finger(840.0, false)]
fn a_weight_is_one_that_dogs_have(#[case] kg: f64, #[case] can_be: bool) {
    let dog = dog(None);
    let visit = said(&dog, 1, vec![EntryBody::WeightSet { kg: Some(kg) }]);
    let (house, kit) = (House::default(), kit());
    let desk = Desk::new(&dog, &visit, &house, &kit);
    assert_eq!(desk.problems.iter().any(|p| p.field == "weight"), !can_be);
    let told = life(&[on_day(1, visit)]);
    assert_eq!(told.visits[0].weight_kg, can_be.then_some(kg));
}

fn knotted(zone: Zone) -> EntryBody {
    EntryBody::KnotsSet {
        zone,
        knots: Knots::Few,
    }
}

/// A curl's tuck-up knots after 14 × .5 = 7 days unbrushed, × .7 for each earlier visit with knots there, at
/// most three (handbook 3 and 10 B, modelling choice).
#[rstest]
#[case::never_before(0, 7)]
#[case::once(1, 5)]
#[case::twice(2, 4)]
#[case::three_times(3, 3)]
#[case::five_times(5, 3)]
fn a_site_that_knotted_before_knots_sooner(#[case] times: i64, #[case] days: u32) {
    let dog = dog(Some(60));
    let mut visits = vec![on_day(1, said(&dog, 1, vec![]))];
    for n in 0..times {
        let day = 40 * (n + 1);
        let visit = next(&dog, &visits, day, vec![knotted(Zone::TuckUp)]);
        visits.push(on_day(day, visit));
    }
    let coat = EntryBody::CoatAllOver {
        length_mm: Some(mm(30.0)),
    };
    let choice = LookChoice {
        look: LookId::Lamb,
        body_mm: None,
    };
    let visit = next(
        &dog,
        &visits,
        400,
        vec![coat, EntryBody::LookChosen { choice }],
    );
    let (house, kit) = (House::default(), kit());
    let desk = Desk::new(&dog, &visit, &house, &kit);
    let back = desk.plan(Reasons::Skip).expect("solves").report.back;
    let waits = back.expect("a day").if_you_wait;
    let knots = waits.iter().find(|w| w.sentence.contains("tuck-up"));
    assert_eq!(knots.expect("it knots").days, days);
}

/// Three visits running at one site: the feature is proposed to go, priced (handbook 10 A 6); a visit without
/// knots there breaks the run, and a wish about it ends the proposal.
#[test]
fn what_knots_at_three_visits_running_is_proposed_to_go() {
    let dog = dog(Some(60));
    let proposed = |knots: &[bool], more: Vec<EntryBody>| -> Vec<KnotsAgain> {
        let mut visits: Vec<EarlierVisit> = Vec::new();
        for (day, is_knotted) in (1_i64..).zip(knots) {
            let day = 40 * day;
            let found = is_knotted.then(|| knotted(Zone::TuckUp));
            let found: Vec<EntryBody> = found.into_iter().collect();
            let visit = if visits.is_empty() {
                said(&dog, day, found)
            } else {
                next(&dog, &visits, day, found)
            };
            visits.push(on_day(day, visit));
        }
        let visit = next(&dog, &visits, 400, more);
        let (house, kit) = (House::default(), kit());
        let desk = Desk::new(&dog, &visit, &house, &kit);
        let view = desk.plan_view(Reasons::Find, &DrawOptions::default());
        view.expect("solves").knots_again
    };
    let today = || vec![knotted(Zone::TuckUp)];
    let of = |list: Vec<KnotsAgain>| -> Vec<(Part, u32)> {
        list.into_iter().map(|k| (k.part, k.visits)).collect()
    };
    assert_eq!(of(proposed(&[true, true], vec![])), []);
    assert_eq!(of(proposed(&[true, true], today())), [(Part::TuckUp, 3)]);
    assert_eq!(
        of(proposed(&[true, true, true], vec![])),
        [(Part::TuckUp, 3)]
    );
    assert_eq!(of(proposed(&[true, true, false], today())), []);
    let mut wished = today();
    wished.push(EntryBody::PartWished {
        part: Part::TuckUp,
        wish: Some(Wish::Leave),
    });
    assert_eq!(of(proposed(&[true, true], wished)), []);
    let one = proposed(&[true, true], today()).remove(0);
    assert!(
        one.sentence
            .starts_with("Knotted at 3 visits running. With the tuck-up off"),
        "{}",
        one.sentence
    );
    assert_eq!(KnotsBefore::default().then(true).then(false).running, 0);
}

fn run(event: RunEvent) -> EntryBody {
    EntryBody::Run { event }
}

/// Notes and unfinished work stand at their step (handbook 10 A 4): what was not done begins its stage.
#[test]
fn what_was_left_undone_begins_its_stage_and_notes_stand_at_their_step() {
    let dog = dog(Some(60));
    let sheet = sheet_of(&dog, &said(&dog, 1, vec![]));
    let scissored: Vec<u32> = sheet
        .steps
        .iter()
        .filter(|s| s.stage == Stage::Scissor)
        .map(|s| s.number)
        .collect();
    let (first, last) = (scissored[0], scissored[scissored.len() - 1]);
    assert!(last > first, "there is an order to change");
    let of = |sheet: &CutSheet, number: u32| {
        sheet
            .steps
            .iter()
            .find(|s| s.number == number)
            .expect("a step")
            .clone()
    };
    let (noted, undone) = (of(&sheet, first), of(&sheet, last));
    let events = vec![
        run(RunEvent::Began {
            sheet: sheet.clone(),
        }),
        run(RunEvent::Noted {
            step: first,
            text: "turns when the lamp is on".into(),
        }),
        run(RunEvent::Put {
            step: last,
            until: PutOff::NotToday,
            reason: "danced".into(),
        }),
    ];
    let visit = next(&dog, &[on_day(1, said(&dog, 1, events))], 43, vec![]);
    let again = sheet_of(&dog, &visit);
    let begins = again.steps.iter().find(|s| s.stage == Stage::Scissor);
    let begins = begins.expect("it is scissored");
    assert_eq!(begins.what, undone.what);
    assert_eq!(
        begins.cautions[0].text,
        "Left undone last time (danced): begin with it, while the dog is fresh."
    );
    let with_note = again
        .steps
        .iter()
        .find(|s| s.what == noted.what)
        .expect("the same step");
    assert_eq!(
        with_note.cautions[0].text,
        "Last time: turns when the lamp is on"
    );
    let numbers: Vec<u32> = again.steps.iter().map(|s| s.number).collect();
    assert!(
        numbers.iter().zip(1..).all(|(n, at)| *n == at),
        "{numbers:?}"
    );
    // Coat and feet have grown since, and take their minutes under brush, water, clipper and shears; the
    // order itself takes none.
    let grows = [
        Topic::CombOut,
        Topic::Bath,
        Topic::Dry,
        Topic::Feet,
        Topic::Clip,
    ];
    let all_but_the_brush = |sheet: &CutSheet| -> f64 {
        let others = sheet.steps.iter().filter(|s| !grows.contains(&s.topic));
        others.map(|s| s.minutes).sum()
    };
    assert_abs_diff_eq!(
        all_but_the_brush(&again),
        all_but_the_brush(&sheet),
        epsilon = 1e-9
    );
}

/// Each dislike at the step that brings it (handbook 10 A 4), and nowhere else.
#[rstest]
#[case(Minds::Dryer, "Dry straight")]
#[case(Minds::Nozzle, "Dry straight")]
#[case(Minds::Brushing, "Comb")]
#[case(Minds::Spray, "Comb")]
#[case(Minds::Nails, "Nails")]
#[case(Minds::LeftEar, "Ears")]
#[case(Minds::ClipperNoise, "Hygiene")]
fn what_a_dog_minds_stands_at_its_step(#[case] minds: Minds, #[case] step: &str) {
    let dog = dog(Some(60));
    let handling = Handling {
        minds: [minds].into(),
        dislikes: [BodyPart::Back].into(),
        ..Handling::default()
    };
    let sheet = sheet_of(
        &dog,
        &said(&dog, 1, vec![EntryBody::HandlingSet { handling }]),
    );
    let told: Vec<&str> = sheet
        .steps
        .iter()
        .filter(|s| {
            let mut own = s.cautions.iter().filter(|c| c.is_this_dogs);
            own.any(|c| c.text.starts_with("Minds ") || c.text.starts_with("Minds its"))
        })
        .map(|s| s.what.as_str())
        .collect();
    assert!(told.iter().any(|what| what.contains(step)), "{told:?}");
    // An ear is looked into, clipped, freed at its base and cut last.
    assert!(told.len() <= 4, "{told:?}");
    assert!(
        minds != Minds::ClipperNoise || told.len() == 1,
        "said once: {told:?}"
    );
    assert!(
        sheet.steps[0]
            .cautions
            .iter()
            .any(|c| c.text == format!("Minds: {}.", minds.label())),
        "and first of all"
    );
}

/// The life of a dog: newest first, each finding with what became of it, the weight of its day.
#[test]
fn a_life_tells_what_was_seen() {
    let dog = dog(Some(60));
    let lump = Found {
        id: Uuid::from_u128(90),
        kind: FoundKind::Lump,
        spot: Spot {
            view: View::Side,
            at: [0.3, 0.6],
        },
        size_mm: None,
        word: "soft".into(),
        owner_told: true,
        vet_look: true,
    };
    let first = said(
        &dog,
        1,
        vec![
            EntryBody::WeightSet { kg: Some(8.4) },
            EntryBody::FoundPut { found: lump },
            taken(Measure::HeightAtWithers, 420.0),
        ],
    );
    let visits = vec![on_day(1, first)];
    let record = Record {
        trust: Some(Trust::Grows),
        behaviour: "lay down to dry".into(),
        ..Record::default()
    };
    let second = next(
        &dog,
        &visits,
        43,
        vec![
            EntryBody::OutcomeSet {
                found: Uuid::from_u128(90),
                outcome: Outcome::Gone,
            },
            knotted(Zone::TuckUp),
            EntryBody::RecordSet { record },
        ],
    );
    let visits = vec![visits[0].clone(), on_day(43, second)];
    let told = life(&visits);
    let days: Vec<i64> = told.visits.iter().map(|v| v.began_ms / DAY_MS).collect();
    assert_eq!(days, [43, 1]);
    assert_eq!(told.visits[1].weight_kg, Some(8.4));
    assert_eq!(told.visits[0].weight_kg, None, "nobody weighed it");
    assert_eq!(told.visits[1].height_mm, Some(mm(420.0)));
    assert_eq!(
        told.visits[0].height_mm, None,
        "it came along, nobody measured"
    );
    assert_eq!(told.visits[0].knotted, ["tuck-up"]);
    assert_eq!(told.visits[0].trust, Some(Trust::Grows));
    assert_eq!(told.visits[0].notes, ["lay down to dry"]);
    assert_eq!(told.found[0].outcome, Some(Outcome::Gone));
}

fn staged(dog: &Dog, programme: Option<Programme>) -> CutSheet {
    sheet_of(
        dog,
        &said(dog, 1, vec![EntryBody::ProgrammeSet { programme }]),
    )
}

/// First hygiene, eyes, pads, brushing and the dryer from afar; then feet and face; then a first tidy
/// without a clipper on the body; the whole groom when it bears it (handbook 10 A 9).
#[test]
fn a_programme_cuts_the_groom_down_to_its_stage() {
    let puppy = dog(Some(3));
    let says = |sheet: &CutSheet, what: &str| sheet.steps.iter().any(|s| s.what.contains(what));
    let has = |sheet: &CutSheet, stage: Stage| sheet.steps.iter().any(|s| s.stage == stage);
    let meeting = staged(&puppy, Some(Programme::Meeting));
    for what in ["Eye corners", "Pads", "Hygiene", "Nails", "Dryer from afar"] {
        assert!(says(&meeting, what), "{what}");
    }
    for stage in [
        Stage::Clip,
        Stage::FeetAndBevels,
        Stage::Scissor,
        Stage::Blend,
    ] {
        assert!(!has(&meeting, stage), "{stage:?}");
    }
    assert!(!says(&meeting, "Bath") && !says(&meeting, "Dry straight"));
    let feet = staged(&puppy, Some(Programme::FeetAndFace));
    assert!(says(&feet, "Bath") && has(&feet, Stage::FeetAndBevels) && says(&feet, "Topknot"));
    let of_the_body = |sheet: &CutSheet| {
        let mut zones = sheet.steps.iter().flat_map(|s| &s.zones);
        zones.any(|z| [Zone::Back, Zone::Ribs, Zone::Rump].contains(z))
    };
    assert!(!of_the_body(&feet) && of_the_body(&staged(&puppy, None)));
    let tidy = staged(&puppy, Some(Programme::FirstTidy));
    let clips = |s: &&Step| s.stage == Stage::Clip && s.zones.contains(&Zone::Back);
    assert!(has(&tidy, Stage::Scissor) && !tidy.steps.iter().any(|s| clips(&s)));
    let whole = staged(&puppy, None);
    assert!(has(&whole, Stage::Clip) && whole.staged.is_none());
    let minutes = [&meeting, &feet, &tidy, &whole].map(|s| s.minutes);
    assert!(minutes.is_sorted(), "{minutes:?}");
    let said = meeting.staged.expect("a stage").sentence;
    assert!(
        said.contains("20 minutes at most, a break every 10"),
        "{said}"
    );
    let numbers: Vec<u32> = meeting.steps.iter().map(|s| s.number).collect();
    assert_eq!(numbers[0], 1);
}

/// The next stage follows where this one was borne: gone through, nothing refused, little fidgeted.
#[rstest]
#[case::all_borne(Borne::Bears, RunEnd::Finished, false, Some(Programme::FeetAndFace))]
#[case::refused(Borne::Refused, RunEnd::Finished, false, Some(Programme::Meeting))]
#[case::broken_off(Borne::Bears, RunEnd::DogHadEnough, false, Some(Programme::Meeting))]
#[case::left_undone(Borne::Bears, RunEnd::Finished, true, Some(Programme::Meeting))]
fn what_was_borne_decides_the_next_stage(
    #[case] borne: Borne,
    #[case] how: RunEnd,
    #[case] puts_off: bool,
    #[case] then: Option<Programme>,
) {
    let dog = dog(Some(3));
    let sheet = staged(&dog, Some(Programme::Meeting));
    let mut events = vec![
        EntryBody::ProgrammeSet {
            programme: Some(Programme::Meeting),
        },
        run(RunEvent::Began {
            sheet: sheet.clone(),
        }),
        run(RunEvent::Took { step: 1, borne }),
    ];
    if puts_off {
        events.push(run(RunEvent::Put {
            step: 2,
            until: PutOff::NotToday,
            reason: String::new(),
        }));
    }
    events.push(run(RunEvent::Ended {
        how,
        reason: String::new(),
    }));
    let first = said(&dog, 1, events);
    let next = next(&dog, &[on_day(1, first)], 29, vec![]);
    assert_eq!(next.programme, then);
    assert_eq!(Programme::FirstTidy.next(), None, "then the whole groom");
}

/// What an owner said once holds where nobody asked today: unbrushed, it is back for its knots; hair over the
/// eyes that does not matter brings nobody back.
#[test]
fn what_an_owner_said_once_moves_the_day_to_come_back() {
    let of = |at_home: serde_json::Value| {
        let mut dog = dog(Some(60));
        dog.at_home = serde_json::from_value(at_home).expect("said");
        let choice = LookChoice {
            look: LookId::Lamb,
            body_mm: None,
        };
        let coat = EntryBody::CoatAllOver {
            length_mm: Some(mm(30.0)),
        };
        let visit = said(&dog, 1, vec![coat, EntryBody::LookChosen { choice }]);
        let (house, kit) = (House::default(), kit());
        let desk = Desk::new(&dog, &visit, &house, &kit);
        let report = desk.plan(Reasons::Skip).expect("solves").report;
        report.back.expect("a day")
    };
    let unasked = of(serde_json::json!({}));
    let unbrushed = of(serde_json::json!({"brushing_minutes_a_week": 0}));
    assert_eq!(unbrushed.because, Some(ReturnBecause::Knots));
    assert!(
        unbrushed.days < unasked.days,
        "{} {}",
        unbrushed.days,
        unasked.days
    );
    let eyes = |back: &Return| {
        let waits = back.if_you_wait.iter().map(|w| w.because);
        back.because
            .into_iter()
            .chain(waits)
            .any(|b| b == ReturnBecause::Eyes)
    };
    assert!(eyes(&unasked));
    assert!(!eyes(&of(
        serde_json::json!({"hair_over_eyes": "does_not_matter"})
    )));
}
