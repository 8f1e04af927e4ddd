//! A visit is the fold of its entries: repeats, late arrivals and retries give the same visit.

use proptest::prelude::*;
use uuid::Uuid;
use veliform_core::coat::{Knots, Zone};
use veliform_core::dog::Dog;
use veliform_core::frame::{Felt, Grade, Measure, Method, TakenMeasure};
use veliform_core::units::Length;
use veliform_core::visit::{Entry, EntryBody, fold, next_stamp};

fn dog() -> Dog {
    serde_json::from_value(serde_json::json!({"id": Uuid::from_u128(1), "name": "Tappet"}))
        .expect("a dog")
}

fn entry(n: u128, at_ms: i64, body: EntryBody) -> Entry {
    Entry {
        id: Uuid::from_u128(n),
        at_ms,
        stamp_ms: None,
        author: String::new(),
        body,
    }
}

fn height(mm: f64) -> EntryBody {
    EntryBody::MeasureSet {
        measure: Measure::HeightAtWithers,
        taken: TakenMeasure::by(Method::Tape, Length::from_mm(mm).expect("finite")),
    }
}

fn bodies() -> impl Strategy<Value = EntryBody> {
    prop_oneof![
        (200.0..700.0_f64).prop_map(height),
        Just(EntryBody::MeasureCleared {
            measure: Measure::HeightAtWithers
        }),
        prop::sample::select(vec![Grade::None, Grade::Slight, Grade::Marked]).prop_map(|grade| {
            EntryBody::FeltSet {
                felt: Felt::DipInBack,
                grade,
                right: None,
            }
        }),
        prop::sample::select(vec![Zone::Chest, Zone::Flank]).prop_map(|zone| {
            EntryBody::KnotsSet {
                zone,
                knots: Knots::Tight,
            }
        }),
        (0..12_u128).prop_map(|n| EntryBody::Undone {
            entry: Uuid::from_u128(n)
        }),
        (0..12_u128).prop_map(|n| EntryBody::Redone {
            entry: Uuid::from_u128(n)
        }),
    ]
}

fn logs() -> impl Strategy<Value = Vec<Entry>> {
    prop::collection::vec((0..20_i64, bodies()), 0..12).prop_map(|list| {
        list.into_iter()
            .enumerate()
            .map(|(n, (at, body))| entry(n as u128, at, body))
            .collect()
    })
}

proptest! {
    #[test]
    fn order_of_arrival_and_repeats_do_not_matter(
        log in logs(),
        keys in prop::collection::vec(0_u32..1000, 12),
        twice in prop::collection::vec(0_usize..12, 0..6),
    ) {
        let visit = fold(&dog(), &log);
        let mut shuffled: Vec<(u32, Entry)> = keys.iter().copied().zip(log.clone()).collect();
        shuffled.sort_by_key(|(key, _)| *key);
        let mut other: Vec<Entry> = shuffled.into_iter().map(|(_, e)| e).collect();
        for i in twice {
            if let Some(again) = log.get(i) {
                other.push(again.clone());
            }
        }
        prop_assert_eq!(fold(&dog(), &other), visit);
    }
}

#[test]
fn undo_takes_back_the_last_thing_said_and_redo_brings_it_again() {
    let mut log = vec![entry(1, 1, height(440.0)), entry(2, 2, height(460.0))];
    let value = |log: &[Entry]| {
        fold(&dog(), log).frame.measures[&Measure::HeightAtWithers]
            .value_mm
            .as_mm()
    };
    assert!((value(&log) - 460.0).abs() < 1e-9);
    let undo = fold(&dog(), &log).undo.expect("something to undo");
    assert_eq!(undo.label, "height at withers");
    log.push(entry(3, 3, EntryBody::Undone { entry: undo.entry }));
    assert!((value(&log) - 440.0).abs() < 1e-9);
    let redo = fold(&dog(), &log).redo.expect("something to redo");
    log.push(entry(4, 4, EntryBody::Redone { entry: redo.entry }));
    assert!((value(&log) - 460.0).abs() < 1e-9);
}

#[test]
fn something_new_ends_what_could_be_redone() {
    let log = [
        entry(1, 1, height(440.0)),
        entry(
            2,
            2,
            EntryBody::Undone {
                entry: Uuid::from_u128(1),
            },
        ),
        entry(3, 3, height(450.0)),
    ];
    assert_eq!(fold(&dog(), &log).redo, None);
}

/// A leg cannot be both straight and well bent (common practice).
#[test]
fn a_leg_is_straight_or_well_bent_never_both() {
    let felt = |felt, grade| EntryBody::FeltSet {
        felt,
        grade,
        right: None,
    };
    let log = [
        entry(1, 1, felt(Felt::StraightBehind, Grade::Marked)),
        entry(2, 2, felt(Felt::WellBent, Grade::Slight)),
    ];
    let visit = fold(&dog(), &log);
    assert_eq!(visit.frame.felt[&Felt::StraightBehind], Grade::None);
    assert_eq!(visit.frame.felt[&Felt::WellBent], Grade::Slight);
}

/// A screen of the salon: its clock runs ahead or behind and may jump; it knows what it has been sent.
struct Screen {
    ahead_ms: i64,
    known: Vec<Entry>,
}

impl Screen {
    fn say(&mut self, n: u128, true_ms: i64, mm: f64) -> Entry {
        let at_ms = true_ms + self.ahead_ms;
        let newest = self.known.iter().map(Entry::stamp).max();
        let said = Entry {
            stamp_ms: Some(next_stamp(newest, at_ms)),
            ..entry(n, at_ms, height(mm))
        };
        self.known.push(said.clone());
        said
    }
}

/// A thousand corrections between two screens, one right, the other ten minutes slow, a day fast, a
/// year fast, or jumping to and fro: whoever saw a value and corrected it has the last word (the
/// happened-before of Lamport, "Time, Clocks, and the Ordering of Events", 1978).
#[test]
fn no_correction_is_lost_whatever_the_clocks_say() {
    const MINUTE: i64 = 60_000;
    const DAY: i64 = 24 * 60 * MINUTE;
    let clocks: [&[i64]; 4] = [
        &[-10 * MINUTE],
        &[DAY],
        &[365 * DAY],
        &[0, DAY, -DAY, 5 * MINUTE, -3],
    ];
    let mut lost_by_clock_alone = 0;
    for (round, ahead) in clocks.iter().enumerate() {
        let mut screens = [0, 1].map(|_| Screen {
            ahead_ms: 0,
            known: Vec::new(),
        });
        for n in 0..250_u16 {
            let who = usize::from(n % 2);
            screens[1].ahead_ms = ahead[usize::from(n) % ahead.len()];
            let said = screens[who].say(
                u128::from(n) + 1,
                i64::from(n) * 2_000,
                300.0 + f64::from(n),
            );
            screens[1 - who].known.push(said);
            let log = &screens[0].known;
            let value = fold(&dog(), log).frame.measures[&Measure::HeightAtWithers].value_mm;
            assert!(
                (value.as_mm() - 300.0 - f64::from(n)).abs() < 1e-9,
                "correction {n} of clock {round} is lost"
            );
            let by_clock = log.iter().max_by_key(|e| e.at_ms);
            lost_by_clock_alone +=
                u32::from(by_clock.map(|e| e.id) != Some(Uuid::from_u128(u128::from(n) + 1)));
        }
    }
    // The test bites: by the clocks alone many would be.
    assert!(lost_by_clock_alone > 300, "{lost_by_clock_alone}");
}

/// What cannot count is told, and never kept in silence: an undo of what never was, a tick of a step the
/// sheet does not have, a line where its bones do not let it lie.
#[test]
fn what_cannot_count_is_refused_in_a_sentence() {
    use veliform_core::look::{LineName, LineStop};
    use veliform_core::run::RunEvent;
    use veliform_core::visit::refusals;

    let log = [entry(1, 1, height(440.0))];
    let undone = |n| EntryBody::Undone {
        entry: Uuid::from_u128(n),
    };
    let new = [
        entry(2, 2, undone(1)),
        entry(3, 3, undone(99)),
        // Said in the same breath as what it takes back.
        entry(4, 4, height(450.0)),
        entry(5, 5, undone(4)),
        entry(
            6,
            6,
            EntryBody::Run {
                event: RunEvent::Done { step: 3 },
            },
        ),
        entry(
            7,
            7,
            EntryBody::LineMoved {
                line: LineName::Waist,
                stop: Some(LineStop::MidBack),
            },
        ),
        entry(
            8,
            8,
            EntryBody::LineShifted {
                line: LineName::Nape,
                by_mm: Length::from_mm(5.0).expect("finite"),
            },
        ),
        entry(
            9,
            9,
            EntryBody::LineShifted {
                line: LineName::Waist,
                by_mm: Length::from_mm(5.0).expect("finite"),
            },
        ),
        // It came before; what is sent twice counts once and is no fault.
        entry(1, 1, height(440.0)),
    ];
    let said = refusals(&dog(), &log, &new);
    let words: Vec<&str> = said
        .iter()
        .map(|s| s.as_deref().unwrap_or_default())
        .collect();
    let about = [
        "",
        "never said",
        "",
        "",
        "start at the table",
        "shorter back pass",
        "bones",
        "",
        "",
    ];
    for ((n, said), about) in words.iter().enumerate().zip(about) {
        assert_eq!(said.is_empty(), about.is_empty(), "{n}: {said}");
        assert!(said.contains(about), "{n}: {said}");
    }
}
