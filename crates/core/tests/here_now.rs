//! Where the dogs of today are, from their own runs (handbook 6: table, tub, dryer, table again).

use crate::support;

use rstest::rstest;
use support::table::Table;
use veliform_core::dog::Topic;
use veliform_core::run::{DogPlace, Here, RunEnd, RunEvent, here};
use veliform_core::sheet::{Step, StepKind};

fn of(table: &Table) -> Here {
    here(table.visit().run.as_ref(), table.now)
}

#[rstest]
#[case::bath(|s: &Step| s.kind == StepKind::Bath, DogPlace::Tub, "in the tub, ")]
#[case::dryer(|s: &Step| s.topic == Topic::Dry, DogPlace::Drying, "drying, ")]
#[case::table(|s: &Step| s.topic == Topic::Scissor, DogPlace::Table, "on the table, ")]
fn a_dog_is_where_its_step_is_done(
    #[case] step: fn(&Step) -> bool,
    #[case] place: DogPlace,
    #[case] says: &str,
) {
    let mut table = Table::begun();
    table.until(step);
    let now = of(&table);
    assert_eq!(now.place, place);
    assert!(now.words.starts_with(says), "{}", now.words);
}

/// What is left of the dryer runs down with the clock, and never under nothing.
#[test]
fn the_dryer_runs_down() {
    let mut table = Table::begun();
    table.until(|s| s.topic == Topic::Dry);
    let left = |table: &Table| -> u32 {
        let words = of(table).words;
        let number = words.trim_start_matches("drying, ").split(' ').next();
        number.and_then(|n| n.parse().ok()).expect("minutes")
    };
    let before = left(&table);
    table.wait(5);
    assert_eq!(left(&table), before - 5);
    table.wait(600);
    assert_eq!(left(&table), 0);
}

#[test]
fn a_dog_waits_rests_and_is_ready() {
    assert_eq!(here(None, 0).place, DogPlace::Waiting);
    let mut table = Table::begun();
    table.run(RunEvent::Paused);
    assert_eq!(of(&table).place, DogPlace::Resting);
    table.run(RunEvent::Resumed);
    table.run(RunEvent::Ended {
        how: RunEnd::Finished,
        reason: String::new(),
    });
    assert_eq!(of(&table).place, DogPlace::Ready);
}
