//! What comes along to a dog's next visit (handbook 10 A 2), and what does not.

use std::collections::BTreeMap;

use approx::assert_abs_diff_eq;
use rstest::rstest;
use uuid::Uuid;
use veliform_core::coat::{Limit, LimitCause, Zone};
use veliform_core::desk::Desk;
use veliform_core::dog::{Dog, House};
use veliform_core::frame::{
    DogSize, Felt, Finding, Grade, Known, Measure, Method, TakenMeasure, resolve,
};
use veliform_core::units::{Length, UnitSystem};
use veliform_core::visit::{EarlierVisit, Entry, EntryBody, Visit, fold, known, past, refusals};

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
    EarlierVisit {
        id: Uuid::from_u128(u128::try_from(day).expect("small")),
        began_ms: day * DAY_MS,
        visit,
        plan: None,
    }
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
