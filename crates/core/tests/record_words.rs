//! The groom in a minute (handbook 9): what the run, the hands and the coat say themselves is offered
//! first, what is usual after it (common practice); nothing is written that nobody touched.

use crate::support;

use support::table::Table;
use veliform_core::coat::Zone;
use veliform_core::run::{Borne, PutOff, RunEnd, RunEvent, Slip};
use veliform_core::visit::{RecordPart, record_words};

fn offered(table: &Table, part: RecordPart) -> Vec<(String, bool)> {
    record_words(&table.visit())
        .into_iter()
        .filter(|w| w.part == part)
        .map(|w| (w.text, w.is_seen))
        .collect()
}

fn seen(table: &Table, part: RecordPart) -> Vec<String> {
    let words = offered(table, part).into_iter();
    words
        .filter(|(_, seen)| *seen)
        .map(|(text, _)| text)
        .collect()
}

#[test]
fn a_record_says_what_the_run_saw() {
    let mut table = Table::begun();
    let first = table.current();
    table.run(RunEvent::Took {
        step: first,
        borne: Borne::Refused,
    });
    table.put(PutOff::NotToday);
    let second = table.current();
    table.run(RunEvent::Took {
        step: second,
        borne: Borne::Fidgets,
    });
    table.done();
    table.run(RunEvent::Slipped {
        slip: Slip {
            zone: Zone::Ribs,
            hand: None,
            left_mm: support::table::mm(5.0),
            cause: None,
        },
    });
    let behaved = seen(&table, RecordPart::Behaviour);
    assert_eq!(behaved.len(), 2, "{behaved:?}");
    assert!(behaved[0].starts_with("would not have: "));
    assert!(behaved[1].starts_with("fidgeted: "));
    let undone = seen(&table, RecordPart::Unfinished);
    assert!(
        undone.len() == 1 && undone[0].contains("not today"),
        "{undone:?}"
    );
    assert_eq!(
        seen(&table, RecordPart::Told),
        ["a slip on the ribs, it grows"]
    );
    assert_eq!(seen(&table, RecordPart::Products), ["blown straight"]);
    // Nothing is written by being offered.
    assert!(table.visit().record.is_empty());
}

#[test]
fn a_whole_groom_without_trouble_was_quiet_and_is_offered_once() {
    let mut table = Table::begun();
    table.run(RunEvent::Ended {
        how: RunEnd::Finished,
        reason: String::new(),
    });
    let words = offered(&table, RecordPart::Behaviour);
    assert_eq!(words[0], ("quiet".to_owned(), true));
    assert_eq!(words.iter().filter(|(text, _)| text == "quiet").count(), 1);
    let told = offered(&table, RecordPart::Told);
    assert!(told.contains(&("nothing found".to_owned(), false)));
}
