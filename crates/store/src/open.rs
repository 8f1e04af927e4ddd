use std::path::Path;
use std::time::Duration;

use rusqlite::{Connection, Transaction, TransactionBehavior};

use crate::error::StoreError;
use crate::migrations::MIGRATIONS;

/// The salon's data.
#[derive(Debug)]
pub struct Store {
    connection: Connection,
}

/// How long a write waits for another program on the same file.
const PATIENCE: Duration = Duration::from_secs(5);

impl Store {
    /// Opens a data file, making it or bringing it up to date.
    ///
    /// Write-ahead log, foreign keys on, every commit on the disk before it is answered.
    ///
    /// # Errors
    /// If the file cannot be reached or was made by a newer program.
    pub fn open(path: &Path) -> Result<Self, StoreError> {
        Self::prepare(Connection::open(path)?)
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
        MIGRATIONS
            .to_latest(&mut connection)
            .map_err(StoreError::Migration)?;
        Ok(Self { connection })
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
