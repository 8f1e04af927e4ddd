//! Opening a salon's data file to serve it: one program at a time, and never an older copy under the
//! journal of a newer file.

use std::path::Path;

use rusqlite::{Connection, OpenFlags, OptionalExtension};
use uuid::Uuid;

use crate::copies::beside;
use crate::error::StoreError;
use crate::lock::Lock;
use crate::open::Store;

impl Store {
    /// Opens a salon's data file to serve it, or begins a new salon where there is none; says which.
    ///
    /// Whoever serves writes a mark of its own into the file itself, past the journal, and beside it.
    /// Where the last one left a journal and the two marks differ, another file was put there since:
    /// SQLite would work that journal into it.
    ///
    /// # Errors
    /// If another program serves it, the journal beside it belongs to another file, or as
    /// [`Self::open`] and [`Self::create`]: nothing is changed then.
    pub fn serve(path: &Path) -> Result<(Self, bool), StoreError> {
        let mut lock = Lock::take(path)?;
        let is_new = !path.exists();
        let store = if is_new {
            Self::create(path)?
        } else {
            if has_journal(path) {
                let last = lock.mark().map_err(StoreError::NotMade)?;
                if !last.is_empty() && mark_in_file(path)?.is_some_and(|m| m != last) {
                    return Err(StoreError::OtherJournal);
                }
            }
            let store = Self::open(path)?;
            if !store.is_whole()? {
                return Err(StoreError::Damaged("its check failed".into()));
            }
            store
        };
        let mark = Uuid::new_v4().to_string();
        store
            .read()
            .execute("UPDATE salon SET served_by = ?1", [&mark])?;
        // Into the file itself, before anything else is written. Where somebody reads meanwhile it stays
        // in the journal; then there is nothing to hold the next start against.
        let is_held: bool =
            store
                .read()
                .query_row("PRAGMA wal_checkpoint(TRUNCATE)", [], |row| row.get(0))?;
        let beside = if is_held { "" } else { &mark };
        lock.set_mark(beside).map_err(StoreError::NotMade)?;
        Ok((store.locked(lock), is_new))
    }
}

/// Whether the last program left something that is not in the file itself yet.
fn has_journal(path: &Path) -> bool {
    beside(path, "-wal").metadata().is_ok_and(|m| m.len() > 0)
}

/// The mark in the file itself, its journal left aside; none in files of builds before marks.
fn mark_in_file(path: &Path) -> Result<Option<String>, StoreError> {
    let absolute = std::path::absolute(path).map_err(StoreError::NotMade)?;
    let Some(text) = absolute.to_str() else {
        return Ok(None);
    };
    // SQLite's own escapes (sqlite.org, "Uniform Resource Identifiers", 3.1).
    let escaped = text
        .replace('%', "%25")
        .replace('?', "%3f")
        .replace('#', "%23");
    let flags = OpenFlags::SQLITE_OPEN_READ_ONLY | OpenFlags::SQLITE_OPEN_URI;
    let file = Connection::open_with_flags(format!("file:{escaped}?immutable=1"), flags)?;
    let is_marked: bool = file.query_row(
        "SELECT EXISTS (SELECT 1 FROM pragma_table_info('salon') WHERE name = 'served_by')",
        [],
        |row| row.get(0),
    )?;
    if !is_marked {
        return Ok(None);
    }
    let mark: Option<Option<String>> = file
        .query_row("SELECT served_by FROM salon", [], |row| row.get(0))
        .optional()?;
    Ok(mark.flatten())
}
