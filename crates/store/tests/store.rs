//! One story through the salon's data, and one test per promise.

use std::path::Path;

use uuid::Uuid;
use veliform_core::dog::{Dog, House};
use veliform_core::kit::{ShearsState, Tool, ToolKind, ToolState};
use veliform_core::run::{RunEvent, ToolWord};
use veliform_core::units::{Length, UnitSystem};
use veliform_core::visit::{Entry, EntryBody};
use veliform_store::{ImportedVisit, Store, StoreError};

fn id(n: u128) -> Uuid {
    Uuid::from_u128(n)
}

fn dog(n: u128, name: &str) -> Dog {
    serde_json::from_value(serde_json::json!({ "id": id(n), "name": name })).expect("a dog")
}

fn note(n: u128, text: &str) -> Entry {
    Entry {
        id: id(n),
        at_ms: 1_000 + i64::try_from(n).expect("small"),
        stamp_ms: None,
        author: String::new(),
        body: EntryBody::NoteWritten { text: text.into() },
    }
}

fn salon_with_a_visit() -> Store {
    let mut store = Store::in_memory().expect("opens");
    store.put_dog(&dog(1, "Tappet"), 10).expect("keeps the dog");
    store.begin_visit(id(2), id(1), 20, &[]).expect("begins");
    store
}

#[test]
fn a_day_in_the_salon_is_there_tomorrow() {
    let folder = tempfile::tempdir().expect("a folder");
    let file = folder.path().join("salon.db");
    {
        let mut store = Store::create(&file).expect("begins");
        let house = House {
            name: "The Signal Box".into(),
            units: UnitSystem::Inches,
            ..House::default()
        };
        store.put_house(&house, 1).expect("keeps settings");
        store.put_dog(&dog(1, "Tappet"), 2).expect("keeps the dog");
        store.begin_visit(id(2), id(1), 3, &[]).expect("begins");
        store
            .append(id(2), &[note(3, "a touch shorter on the ears")])
            .expect("appends");
    }
    let store = Store::open(&file).expect("opens again");
    assert_eq!(store.house().expect("reads").units, UnitSystem::Inches);
    assert_eq!(store.dogs().expect("reads")[0].last_visit, Some((id(2), 3)));
    let log = store.visit(id(2), 0).expect("reads");
    assert_eq!(log.entries, vec![note(3, "a touch shorter on the ears")]);
    assert!(store.is_whole().expect("checks"));
}

#[test]
fn an_entry_that_comes_twice_counts_once() {
    let mut store = salon_with_a_visit();
    let entries = [note(3, "one"), note(4, "two")];
    assert_eq!(store.append(id(2), &entries).expect("appends").new, 2);
    let again = store.append(id(2), &entries).expect("a retry is fine");
    assert_eq!(again.new, 0);
    assert_eq!(store.visit(id(2), 0).expect("reads").entries.len(), 2);
}

#[test]
fn a_screen_is_given_only_what_it_has_not_seen() {
    let mut store = salon_with_a_visit();
    let first = store.append(id(2), &[note(3, "one")]).expect("appends");
    store.append(id(2), &[note(4, "two")]).expect("appends");
    let rest = store.visit(id(2), first.last).expect("reads");
    assert_eq!(rest.entries, vec![note(4, "two")]);
}

#[test]
fn an_id_with_other_contents_is_named_and_the_others_are_kept() {
    let mut store = salon_with_a_visit();
    store.append(id(2), &[note(3, "one")]).expect("appends");
    let appended = store
        .append(id(2), &[note(5, "new"), note(3, "changed")])
        .expect("appends what it can");
    assert_eq!((appended.new, appended.conflicts), (1, vec![id(3)]));
    assert_eq!(
        store.visit(id(2), 0).expect("reads").entries,
        vec![note(3, "one"), note(5, "new")]
    );
}

/// A missing tooth is in the kit with the very entry that says so; sent again after the blade was put
/// right, it does not break it anew.
#[test]
fn a_tool_is_noted_once_with_its_entry() {
    let mut store = salon_with_a_visit();
    let blade: Tool = serde_json::from_value(serde_json::json!({
        "id": id(40), "kind": "blade", "printed": "10", "leaves_mm": 1.5
    }))
    .expect("a tool");
    store.put_tool(&blade, 1).expect("keeps");
    let said = Entry {
        body: EntryBody::Run {
            event: RunEvent::ToolNoted {
                tool: blade.id,
                word: ToolWord::ToothMissing,
            },
        },
        ..note(6, "")
    };
    let state = |store: &Store| store.kit().expect("reads")[0].state;
    store
        .append(id(2), std::slice::from_ref(&said))
        .expect("appends");
    assert_eq!(state(&store), ToolState::ToothMissing);
    store.put_tool(&blade, 2).expect("a new blade");
    let again = [said, note(7, "and more")];
    assert_eq!(store.append(id(2), &again).expect("appends").new, 1);
    assert_eq!(state(&store), ToolState::Fine);
}

/// Shears that are noted dull at the table are so in the settings, with the very entry that says it, once.
#[test]
fn shears_are_noted_once_with_their_entry() {
    let mut store = salon_with_a_visit();
    let sharp: House = serde_json::from_value(serde_json::json!({
        "shears": [{"id": id(40), "long_mm": 200}]
    }))
    .expect("settings");
    store.put_house(&sharp, 1).expect("keeps");
    let said = |n, tool| Entry {
        body: EntryBody::Run {
            event: RunEvent::ToolNoted {
                tool,
                word: ToolWord::Dull,
            },
        },
        ..note(n, "")
    };
    let state = |store: &Store| store.house().expect("reads").shears[0].state;
    // A pair that was taken off the rail meanwhile changes nothing.
    store.append(id(2), &[said(5, id(41))]).expect("appends");
    assert_eq!(store.house_version().expect("reads").0, sharp);
    store.append(id(2), &[said(6, id(40))]).expect("appends");
    assert_eq!(state(&store), ShearsState::Dull);
    store.put_house(&sharp, 2).expect("sharpened");
    let again = [said(6, id(40)), note(7, "and more")];
    assert_eq!(store.append(id(2), &again).expect("appends").new, 1);
    assert_eq!(state(&store), ShearsState::Sharp);
}

/// A name typed wrong begins no salon; another program's file and a damaged one are left as they were.
#[test]
fn only_a_salons_own_file_is_opened() {
    let folder = tempfile::tempdir().expect("a folder");
    let typo = folder.path().join("typo.db");
    assert!(matches!(Store::open(&typo), Err(StoreError::NoFile)));
    assert!(!typo.exists(), "a name typed wrong made a file");

    let foreign = folder.path().join("other.db");
    raw(&foreign, "CREATE TABLE invoice (id INTEGER)").expect("another program's");
    let before = std::fs::read(&foreign).expect("reads");
    assert!(matches!(Store::open(&foreign), Err(StoreError::Foreign)));
    assert_eq!(std::fs::read(&foreign).expect("reads"), before);

    let text = folder.path().join("letter.txt");
    std::fs::write(&text, "Dear salon, ".repeat(500)).expect("writes");
    assert!(matches!(Store::open(&text), Err(StoreError::Foreign)));

    let ours = folder.path().join("salon.db");
    drop(Store::create(&ours).expect("begins"));
    assert!(matches!(Store::create(&ours), Err(StoreError::NotMade(_))));
    #[cfg(unix)]
    {
        use std::os::unix::fs::PermissionsExt as _;
        let mode = std::fs::metadata(&ours)
            .expect("is there")
            .permissions()
            .mode();
        assert_eq!(mode & 0o777, 0o600, "others can read it");
    }
    assert!(Store::open(&ours).is_ok());
}

/// A plan that an earlier build wrote otherwise hides no other.
#[test]
fn a_plan_that_does_not_read_is_named_and_skipped() {
    let folder = tempfile::tempdir().expect("a folder");
    let file = folder.path().join("salon.db");
    let mut store = Store::create(&file).expect("begins");
    store.put_dog(&dog(1, "Tappet"), 1).expect("keeps");
    store.begin_visit(id(2), id(1), 1, &[]).expect("begins");
    drop(store);
    raw(
        &file,
        &format!(
            "INSERT INTO kept_plan (id, visit_id, at_ms, method, body)
             VALUES ('{}', '{}', 5, 'balance 1', '{{\"report\":{{}}}}')",
            id(8),
            id(2)
        ),
    )
    .expect("an old plan");
    let store = Store::open(&file).expect("opens");
    let found = store.plans_of(id(2)).expect("lists");
    assert!(found.plans.is_empty());
    assert_eq!(found.unreadable[0].id, id(8));
    assert_eq!(found.unreadable[0].method, "balance 1");
}

#[test]
fn corrections_of_a_dog_are_new_versions() {
    let mut store = salon_with_a_visit();
    store
        .put_dog(&dog(1, "Tappet the second"), 11)
        .expect("corrects");
    assert_eq!(store.dog(id(1)).expect("reads").name, "Tappet the second");
    assert_eq!(store.dogs().expect("reads").len(), 1);
}

#[test]
fn tools_come_shortest_first_and_the_retired_last() {
    let mut store = Store::in_memory().expect("opens");
    for (n, mm, retired) in [(1, 13.0, false), (2, 1.5, true), (3, 3.2, false)] {
        let tool = Tool {
            id: id(n),
            kind: ToolKind::Blade,
            printed: format!("{mm}"),
            leaves_mm: Length::constant_mm(mm),
            state: ToolState::Fine,
            retired,
            sharpened_ms: None,
            to_mm: None,
            fits: veliform_core::kit::ClipperFit::Any,
        };
        store.put_tool(&tool, 1).expect("keeps");
    }
    let kit: Vec<Uuid> = store.kit().expect("reads").iter().map(|t| t.id).collect();
    assert_eq!(kit, vec![id(3), id(1), id(2)]);
}

#[test]
fn an_import_that_fails_half_way_changes_nothing() {
    let mut store = salon_with_a_visit();
    store.append(id(2), &[note(3, "mine")]).expect("appends");
    let visits = [
        ImportedVisit {
            id: id(8),
            began_ms: 5,
            entries: vec![note(9, "other")],
            plans: vec![],
        },
        ImportedVisit {
            id: id(2),
            began_ms: 20,
            entries: vec![note(3, "not mine")],
            plans: vec![],
        },
    ];
    assert!(store.import(&dog(7, "Bogie"), &visits, 1).is_err());
    assert!(matches!(store.dog(id(7)), Err(StoreError::NotFound { .. })));
    assert!(store.visit(id(8), 0).is_err());
}

#[test]
fn the_database_itself_refuses_to_change_an_entry() {
    let folder = tempfile::tempdir().expect("a folder");
    let file = folder.path().join("salon.db");
    let mut store = Store::create(&file).expect("begins");
    store.put_dog(&dog(1, "Tappet"), 1).expect("keeps");
    store.begin_visit(id(2), id(1), 1, &[]).expect("begins");
    store.append(id(2), &[note(3, "one")]).expect("appends");
    drop(store);
    for change in ["UPDATE entry SET at_ms = 0", "DELETE FROM entry"] {
        let said = raw(&file, change).expect_err("refused").to_string();
        assert!(said.contains("entries are never"), "{said}");
    }
}

fn raw(file: &Path, sql: &str) -> rusqlite::Result<usize> {
    rusqlite::Connection::open(file)?.execute(sql, [])
}

/// A writer that dies in the middle leaves the file as it was before its transaction.
#[test]
fn a_write_cut_off_in_the_middle_leaves_no_trace() {
    let folder = tempfile::tempdir().expect("a folder");
    let file = folder.path().join("salon.db");
    let mut store = Store::create(&file).expect("begins");
    store.put_dog(&dog(1, "Tappet"), 1).expect("keeps");
    store.begin_visit(id(2), id(1), 1, &[]).expect("begins");
    store.append(id(2), &[note(3, "kept")]).expect("appends");
    drop(store);
    {
        let mut other = rusqlite::Connection::open(&file).expect("opens");
        let half = other.transaction().expect("begins");
        half.execute(
            "INSERT INTO entry (id, visit_id, at_ms, author, body) VALUES (?1, ?2, 1, '', '{}')",
            [id(4).to_string(), id(2).to_string()],
        )
        .expect("half written");
        // Neither committed nor rolled back in an orderly way.
        std::mem::forget(half);
    }
    let copy = folder.path().join("after.db");
    std::fs::copy(&file, &copy).expect("copies");
    let wal = folder.path().join("salon.db-wal");
    if wal.exists() {
        std::fs::copy(wal, folder.path().join("after.db-wal")).expect("copies");
    }
    let store = Store::open(&copy).expect("opens after the crash");
    assert!(store.is_whole().expect("checks"));
    assert_eq!(
        store.visit(id(2), 0).expect("reads").entries,
        vec![note(3, "kept")]
    );
}
