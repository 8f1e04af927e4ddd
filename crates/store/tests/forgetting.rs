//! What is found, merged and forgotten.

use uuid::Uuid;
use veliform_core::dog::Dog;
use veliform_core::visit::{Entry, EntryBody};
use veliform_store::{Belongings, Store, StoreError};

fn id(n: u128) -> Uuid {
    Uuid::from_u128(n)
}

fn dog(n: u128, name: &str, owner: &str) -> Dog {
    serde_json::from_value(serde_json::json!({ "id": id(n), "name": name, "owner": owner }))
        .expect("a dog")
}

fn note(n: u128, text: &str) -> Entry {
    Entry {
        id: id(n),
        at_ms: i64::try_from(n).expect("small"),
        stamp_ms: None,
        author: String::new(),
        body: EntryBody::NoteWritten { text: text.into() },
    }
}

const DAY: i64 = 86_400_000;

/// Two dogs, each with a visit and a note; the second was here last.
fn fill(store: &mut Store) {
    store
        .put_dog(&dog(1, "Tappet", "Ada Pointsman"), 1)
        .expect("keeps");
    store
        .put_dog(&dog(2, "Gangway", "Otto Lamplight"), 1)
        .expect("keeps");
    for (visit, whose, day) in [(11, 1, 1), (12, 2, 2)] {
        store
            .begin_visit(id(visit), id(whose), day * DAY, &[])
            .expect("begins");
        let text = format!("a secret of dog {whose}");
        store
            .append(id(visit), &[note(100 + visit, &text)])
            .expect("appends");
    }
}

#[test]
fn names_are_those_of_the_cards_as_they_stand() {
    let mut store = Store::in_memory().expect("opens");
    fill(&mut store);
    let corrected = Dog {
        name: "Tappet the second".into(),
        is_put_away: true,
        ..dog(1, "Tappet", "Ada Pointsman")
    };
    store.put_dog(&corrected, 5).expect("corrects");
    let names = store.dog_names().expect("reads");
    let told: Vec<(&str, bool)> = names
        .iter()
        .map(|d| (d.name.as_str(), d.is_put_away))
        .collect();
    assert_eq!(told, [("Gangway", false), ("Tappet the second", true)]);
    assert_eq!(names[1].last_visit, Some((id(11), DAY)));
}

/// On the owner's wish everything of the dog goes, out of the file itself too, and nothing of another's.
#[test]
fn a_forgotten_dog_leaves_nothing_in_the_file() {
    let folder = tempfile::tempdir().expect("a folder");
    let file = folder.path().join("salon.db");
    let mut store = Store::create(&file).expect("begins");
    fill(&mut store);
    let all = Belongings {
        visits: 1,
        entries: 1,
        plans: 0,
        photos: 0,
    };
    assert_eq!(store.belongings(&[id(1)]).expect("counts"), all);
    assert_eq!(store.forget(&[id(1)]).expect("forgets"), all);
    assert!(matches!(store.dog(id(1)), Err(StoreError::NotFound { .. })));
    assert!(matches!(
        store.visit(id(11), 0),
        Err(StoreError::NotFound { .. })
    ));
    assert_eq!(store.visit(id(12), 0).expect("stays").entries.len(), 1);
    assert!(store.is_whole().expect("reads"));
    drop(store);
    let mut bytes = Vec::new();
    for entry in std::fs::read_dir(folder.path())
        .expect("a folder")
        .flatten()
    {
        bytes.extend(std::fs::read(entry.path()).expect("reads"));
    }
    let holds = |text: &str| bytes.windows(text.len()).any(|w| w == text.as_bytes());
    assert!(holds("a secret of dog 2") && holds("Otto Lamplight"));
    assert!(!holds("a secret of dog 1") && !holds("Ada Pointsman"));
}

/// The rule *nothing is overwritten* holds but for what is being forgotten.
#[test]
fn an_entry_cannot_be_removed_by_itself() {
    let folder = tempfile::tempdir().expect("a folder");
    let file = folder.path().join("salon.db");
    let mut store = Store::create(&file).expect("begins");
    fill(&mut store);
    drop(store);
    let raw = rusqlite::Connection::open(&file).expect("opens");
    let error = raw.execute("DELETE FROM entry", []).expect_err("refused");
    assert!(error.to_string().contains("never removed"), "{error}");
}

#[test]
fn a_dog_entered_twice_becomes_one_with_the_visits_of_both() {
    let mut store = Store::in_memory().expect("opens");
    fill(&mut store);
    assert_eq!(store.merge(id(1), id(2)).expect("merges"), 1);
    let visits: Vec<Uuid> = store
        .visits_of(id(1))
        .expect("reads")
        .iter()
        .map(|v| v.id)
        .collect();
    assert_eq!(visits, [id(12), id(11)], "newest first");
    assert_eq!(store.dog(id(1)).expect("reads").name, "Tappet");
    assert!(matches!(store.dog(id(2)), Err(StoreError::NotFound { .. })));
    assert_eq!(store.dog_names().expect("reads").len(), 1);
    assert!(matches!(
        store.merge(id(1), id(1)),
        Err(StoreError::SameDog)
    ));
}
