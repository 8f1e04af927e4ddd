//! Copies are whole whenever they are taken, go back only where nobody works, and an older file never
//! takes in the journal of a newer one.

use std::fs;
use std::path::Path;
use std::sync::atomic::{AtomicBool, AtomicU64, Ordering};

use uuid::Uuid;
use veliform_core::dog::Dog;
use veliform_core::visit::{Entry, EntryBody};
use veliform_store::{Store, StoreError};

const VISIT: Uuid = Uuid::from_u128(2);
/// The writer ends by itself, whatever becomes of the copies.
const MOST_NOTES: u64 = 20_000;

fn note(n: u64) -> Entry {
    Entry {
        id: Uuid::from_u128(1_000 + u128::from(n)),
        at_ms: i64::try_from(n).expect("small"),
        stamp_ms: None,
        author: String::new(),
        body: EntryBody::NoteWritten {
            // A page is 4096 bytes: the tree grows, splits and is balanced while it is copied.
            text: format!("{n} {}", "clipped in the old lamp room ".repeat(20)),
        },
    }
}

fn salon(file: &Path) -> Store {
    let mut store = Store::serve(file).expect("begins").0;
    let dog: Dog =
        serde_json::from_value(serde_json::json!({"id": Uuid::from_u128(1), "name": "Ballast"}))
            .expect("a dog");
    store.put_dog(&dog, 1).expect("keeps the dog");
    store.begin_visit(VISIT, dog.id, 1, &[]).expect("begins");
    store
}

fn notes(store: &Store) -> u64 {
    let log = store.visit(VISIT, 0).expect("reads");
    u64::try_from(log.entries.len()).expect("few")
}

/// Copying the file itself while it was written lost a quarter of what was acknowledged; SQLite's own
/// way (sqlite.org, "SQLite Backup API") loses nothing.
#[test]
fn a_copy_taken_in_mid_write_has_all_that_was_acknowledged_before_it() {
    let folder = tempfile::tempdir().expect("a folder");
    let file = folder.path().join("salon.db");
    let mut store = salon(&file);
    let acknowledged = AtomicU64::new(0);
    let is_copied = AtomicBool::new(false);
    std::thread::scope(|threads| {
        threads.spawn(|| {
            // The table writes on as long as copies are taken.
            for n in 0..MOST_NOTES {
                if is_copied.load(Ordering::SeqCst) {
                    break;
                }
                store.append(VISIT, &[note(n)]).expect("keeps");
                acknowledged.store(n + 1, Ordering::SeqCst);
            }
        });
        let copier = Store::open(&file).expect("opens beside");
        while acknowledged.load(Ordering::SeqCst) == 0 {
            std::thread::yield_now();
        }
        let first = acknowledged.load(Ordering::SeqCst);
        for n in 0..20 {
            let copy = folder.path().join(format!("copy-{n}.db"));
            let before = acknowledged.load(Ordering::SeqCst);
            copier.back_up(&copy).expect("copies");
            let copy = Store::open(&copy).expect("opens");
            assert!(copy.is_whole().expect("reads"));
            let there = notes(&copy);
            assert!(there >= before, "{there} of {before}");
        }
        let last = acknowledged.load(Ordering::SeqCst);
        is_copied.store(true, Ordering::SeqCst);
        assert!(last > first, "nothing was written while copies were taken");
    });
}

#[test]
fn a_copy_goes_back_where_nobody_works_and_what_stood_there_is_kept() {
    let folder = tempfile::tempdir().expect("a folder");
    let (file, copy) = (
        folder.path().join("salon.db"),
        folder.path().join("copy.db"),
    );
    let mut store = salon(&file);
    store.append(VISIT, &[note(1)]).expect("keeps");
    store.back_up(&copy).expect("copies");
    let again = store.back_up(&copy).expect_err("a file is there");
    assert!(matches!(again, StoreError::NotMade(_)), "{again:?}");
    store.append(VISIT, &[note(2)]).expect("keeps");
    let id = store.salon_id().expect("reads");

    let refused = Store::restore(&copy, &file).expect_err("it is served");
    assert!(matches!(refused, StoreError::InUse), "{refused:?}");
    let second = Store::serve(&file).expect_err("it is served");
    assert!(matches!(second, StoreError::InUse), "{second:?}");
    drop(store);

    let aside = Store::restore(&copy, &file).expect("goes back");
    let aside = aside.expect("something stood there");
    assert_eq!(notes(&Store::open(&aside).expect("opens")), 2);
    let back = Store::serve(&file).expect("serves").0;
    assert_eq!(notes(&back), 1);
    assert_eq!(back.salon_id().expect("reads"), id, "it is the same salon");
}

#[test]
fn what_is_no_whole_copy_of_ours_never_takes_the_salons_place() {
    let folder = tempfile::tempdir().expect("a folder");
    let file = folder.path().join("salon.db");
    let mut store = salon(&file);
    for n in 0..60 {
        store.append(VISIT, &[note(n)]).expect("keeps");
    }
    let copy = folder.path().join("copy.db");
    store.back_up(&copy).expect("copies");
    drop(store);
    let whole = fs::read(&copy).expect("reads");
    let was = fs::read(&file).expect("reads");

    let mut torn = whole.clone();
    // A stretch of pages that never reached the disk.
    torn[8 * 4096..12 * 4096].fill(0);
    let mut newer = whole.clone();
    // The version of the tables, at byte 60 of the file's head (sqlite.org, "Database File Format", 1.3).
    newer[60..64].copy_from_slice(&9_000_u32.to_be_bytes());
    let cases: [(&str, Vec<u8>, &str); 4] = [
        ("torn", torn, "damaged"),
        ("half", whole[..whole.len() / 2].to_vec(), "damaged"),
        ("newer", newer, "newer"),
        (
            "text",
            b"not a database at all".repeat(300),
            "no data file of Veliform",
        ),
    ];
    for (name, bytes, says) in cases {
        let path = folder.path().join(name);
        fs::write(&path, bytes).expect("writes");
        let refused = Store::restore(&path, &file).expect_err(name).to_string();
        assert!(refused.contains(says), "{name}: {refused}");
        assert!(
            fs::read(&file).expect("reads") == was,
            "{name} changed the salon"
        );
        let opened = Store::serve(&path).expect_err(name).to_string();
        assert!(opened.contains(says), "{name}: {opened}");
    }
}

/// An older copy laid over a file whose program was killed: the journal that is left belongs to the
/// newer one, and SQLite would work it in.
#[test]
fn an_older_copy_over_a_leftover_journal_is_refused_in_words() {
    let folder = tempfile::tempdir().expect("a folder");
    let (file, wal) = (
        folder.path().join("salon.db"),
        folder.path().join("salon.db-wal"),
    );
    let mut store = salon(&file);
    store.append(VISIT, &[note(1)]).expect("keeps");
    drop(store);
    let old = fs::read(&file).expect("reads");

    let mut store = Store::serve(&file).expect("serves").0;
    for n in 2..40 {
        store.append(VISIT, &[note(n)]).expect("keeps");
    }
    // A power cut: what stands on the disk at this moment is all there is.
    let journal = fs::read(&wal).expect("a journal");
    assert!(!journal.is_empty());
    drop(store);
    fs::write(&file, &old).expect("writes");
    fs::write(&wal, &journal).expect("writes");

    let refused = Store::serve(&file).expect_err("refused");
    assert!(matches!(refused, StoreError::OtherJournal), "{refused:?}");
    assert_eq!(
        fs::read(&file).expect("reads"),
        old,
        "not a byte is changed"
    );
    // Without the journal it is an older copy, and opens as what it is.
    fs::remove_file(&wal).expect("removes");
    assert_eq!(notes(&Store::serve(&file).expect("serves").0), 1);
}

/// Somebody reads while it is begun to be served, and the power goes: the file is whole, and opens.
#[test]
fn a_reader_at_the_start_makes_no_file_look_like_anothers() {
    let folder = tempfile::tempdir().expect("a folder");
    let path = |name: &str| folder.path().join(name);
    let mut store = salon(&path("salon.db"));
    store.append(VISIT, &[note(1)]).expect("keeps");
    drop(store);
    let reader = rusqlite::Connection::open(path("salon.db")).expect("opens");
    reader
        .execute_batch("BEGIN; SELECT count(*) FROM entry")
        .expect("reads");
    // It looks at the journal from now on, so that nothing is worked into the file under it.
    let mut store = Store::serve(&path("salon.db")).expect("serves").0;
    store.append(VISIT, &[note(2)]).expect("keeps");
    for ending in ["", "-wal", ".lock"] {
        let (from, to) = (format!("salon.db{ending}"), format!("cut.db{ending}"));
        fs::copy(path(&from), path(&to)).expect("what is on the disk");
    }
    let after = Store::serve(&path("cut.db")).expect("opens").0;
    assert_eq!(notes(&after), 2);
}
