use std::path::Path;
use std::time::Duration;

use rusqlite::{Connection, OpenFlags, Transaction, TransactionBehavior};
use rusqlite_migration::MigrationDefinitionError;

use uuid::Uuid;

use crate::error::StoreError;
use crate::lock::Lock;
use crate::migrations::{FILES, MIGRATIONS};

/// The salon's data.
#[derive(Debug)]
pub struct Store {
    connection: Connection,
    /// Held while the file is served; let go of after the connection is closed.
    _lock: Option<Lock>,
}

/// How long a write waits for another program on the same file.
const PATIENCE: Duration = Duration::from_secs(5);

/// Written into every data file of ours, so that nobody else's is taken for one: "VELI".
const APPLICATION_ID: i32 = 0x5645_4c49;

impl Store {
    /// Opens a salon's data file and brings it up to date.
    ///
    /// Write-ahead log, foreign keys on, every commit on the disk before it is answered, what is deleted
    /// overwritten.
    ///
    /// # Errors
    /// If there is no such file, it is not one of ours, it is damaged, or a newer program made it; it is
    /// left as it was.
    pub fn open(path: &Path) -> Result<Self, StoreError> {
        if !path.exists() {
            return Err(StoreError::NoFile);
        }
        let connection = Connection::open_with_flags(
            path,
            OpenFlags::SQLITE_OPEN_READ_WRITE | OpenFlags::SQLITE_OPEN_NO_MUTEX,
        )?;
        refuse_foreign(&connection)?;
        Self::prepare(connection)
    }

    /// Makes the data file of a new salon, for its owner's eyes only.
    ///
    /// # Errors
    /// If there is a file already, or none can be made there.
    pub fn create(path: &Path) -> Result<Self, StoreError> {
        Self::new_file(path)?;
        Self::prepare(Connection::open(path)?)
    }

    /// Opens a copy to read from it, without changing a byte of it.
    pub(crate) fn open_to_read(path: &Path) -> Result<Self, StoreError> {
        if !path.exists() {
            return Err(StoreError::NoFile);
        }
        let flags = OpenFlags::SQLITE_OPEN_READ_ONLY | OpenFlags::SQLITE_OPEN_NO_MUTEX;
        let connection = Connection::open_with_flags(path, flags)?;
        refuse_foreign(&connection)?;
        let version: usize =
            connection.query_row("PRAGMA user_version", [], |row| row.get::<_, u32>(0))? as usize;
        if version > FILES.len() {
            return Err(StoreError::Newer);
        }
        Ok(Self {
            connection,
            _lock: None,
        })
    }

    /// An empty file, for its owner's eyes only.
    pub(crate) fn new_file(path: &Path) -> Result<(), StoreError> {
        let mut options = std::fs::OpenOptions::new();
        options.write(true).create_new(true);
        #[cfg(unix)]
        std::os::unix::fs::OpenOptionsExt::mode(&mut options, 0o600);
        options.open(path).map_err(StoreError::NotMade)?;
        Ok(())
    }

    /// Opens an empty salon that is kept nowhere, for tests.
    ///
    /// # Errors
    /// As [`Self::open`].
    pub fn in_memory() -> Result<Self, StoreError> {
        Self::prepare(Connection::open_in_memory()?)
    }

    fn prepare(mut connection: Connection) -> Result<Self, StoreError> {
        connection.busy_timeout(PATIENCE)?;
        connection.pragma_update(None, "journal_mode", "WAL")?;
        connection.pragma_update(None, "synchronous", "FULL")?;
        connection.pragma_update(None, "foreign_keys", true)?;
        connection.pragma_update(None, "secure_delete", true)?;
        MIGRATIONS.to_latest(&mut connection).map_err(|e| match e {
            rusqlite_migration::Error::MigrationDefinition(
                MigrationDefinitionError::DatabaseTooFarAhead,
            ) => StoreError::Newer,
            other => StoreError::Migration(other),
        })?;
        stamp(&connection)?;
        Ok(Self {
            connection,
            _lock: None,
        })
    }

    /// Holds a lock for as long as the store is open.
    pub(crate) fn locked(self, lock: Lock) -> Self {
        Self {
            _lock: Some(lock),
            ..self
        }
    }

    /// The salon's own id, the same in every copy of its data.
    ///
    /// # Errors
    /// If the data file cannot be read.
    pub fn salon_id(&self) -> Result<Uuid, StoreError> {
        let id: String = self
            .connection
            .query_row("SELECT id FROM salon", [], |row| row.get(0))?;
        id_of("salon", &id)
    }

    /// Whether the database finds itself whole.
    ///
    /// # Errors
    /// If it cannot be read.
    pub fn is_whole(&self) -> Result<bool, StoreError> {
        let said: String = self
            .connection
            .query_row("PRAGMA integrity_check", [], |row| row.get(0))?;
        Ok(said == "ok")
    }

    pub(crate) fn read(&self) -> &Connection {
        &self.connection
    }

    /// One use case, one transaction; it takes the write lock at its start.
    pub(crate) fn write<T>(
        &mut self,
        work: impl FnOnce(&Transaction<'_>) -> Result<T, StoreError>,
    ) -> Result<T, StoreError> {
        let transaction = self
            .connection
            .transaction_with_behavior(TransactionBehavior::Immediate)?;
        let result = work(&transaction)?;
        transaction.commit()?;
        Ok(result)
    }
}

pub(crate) fn to_json<T: serde::Serialize>(value: &T) -> Result<String, StoreError> {
    serde_json::to_string(value).map_err(StoreError::Unwritable)
}

pub(crate) fn from_json<T: serde::de::DeserializeOwned>(
    what: &'static str,
    id: &str,
    text: &str,
) -> Result<T, StoreError> {
    serde_json::from_str(text).map_err(|source| StoreError::Unreadable {
        what,
        id: id.to_owned(),
        source,
    })
}

/// An id as it stands in the data file.
pub(crate) fn id_of(what: &'static str, text: &str) -> Result<Uuid, StoreError> {
    Uuid::parse_str(text).map_err(|_| StoreError::BadId {
        what,
        id: text.chars().take(60).collect(),
    })
}

/// Refuses a file that another program made, or that is damaged, before anything is written to it.
fn refuse_foreign(connection: &Connection) -> Result<(), StoreError> {
    let id: i32 = connection
        .query_row("PRAGMA application_id", [], |row| row.get(0))
        .map_err(not_ours)?;
    // Files of the first builds carry no name: they are known by their tables.
    let (tables, ours): (i64, i64) = connection.query_row(
        "SELECT count(*), count(*) FILTER (WHERE name IN ('dog_version', 'visit', 'entry', 'kept_plan'))
         FROM sqlite_master WHERE type = 'table'",
        [],
        |row| Ok((row.get(0)?, row.get(1)?)),
    )?;
    if id != APPLICATION_ID && (id != 0 || (tables > 0 && ours < 4)) {
        return Err(StoreError::Foreign);
    }
    let said: String = connection
        .query_row("PRAGMA quick_check(1)", [], |row| row.get(0))
        .map_err(not_ours)?;
    if said == "ok" {
        Ok(())
    } else {
        Err(StoreError::Damaged(said))
    }
}

/// Marks a file as a salon of ours, once: an open salon is not waited for where nothing is to be written.
fn stamp(connection: &Connection) -> Result<(), StoreError> {
    let stamped: i32 = connection.query_row("PRAGMA application_id", [], |row| row.get(0))?;
    if stamped != APPLICATION_ID {
        connection.pragma_update(None, "application_id", APPLICATION_ID)?;
    }
    let is_named: bool =
        connection.query_row("SELECT EXISTS (SELECT 1 FROM salon)", [], |row| row.get(0))?;
    if !is_named {
        connection.execute(
            "INSERT OR IGNORE INTO salon (only_one, id) VALUES (1, ?1)",
            [Uuid::new_v4().to_string()],
        )?;
    }
    Ok(())
}

/// SQLite's own word for a file that is none of its, or of which a page does not read.
fn not_ours(error: rusqlite::Error) -> StoreError {
    match error.sqlite_error_code() {
        Some(rusqlite::ErrorCode::NotADatabase) => StoreError::Foreign,
        Some(rusqlite::ErrorCode::DatabaseCorrupt) => StoreError::Damaged(error.to_string()),
        _ => StoreError::Database(error),
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    /// A full disk, as SQLite says it (SQLITE_FULL, sqlite.org "Result Codes"): the file may not grow.
    #[test]
    fn a_full_disk_is_said_in_words_and_leaves_what_was_kept() {
        let mut store = Store::in_memory().expect("opens");
        let pages: i64 = store
            .connection
            .query_row("PRAGMA page_count", [], |row| row.get(0))
            .expect("reads");
        store
            .connection
            .pragma_update(None, "max_page_count", pages)
            .expect("sets");
        let house = veliform_core::dog::House {
            name: "signal box ".repeat(2_000),
            ..Default::default()
        };
        let full = store.put_house(&house, 1).expect_err("no room");
        assert!(matches!(full, StoreError::DiskFull), "{full:?}");
        assert!(full.to_string().contains("disk is full"));
        assert_eq!(store.house().expect("reads").name, "My salon");
        assert!(store.is_whole().expect("reads"));
    }
}
