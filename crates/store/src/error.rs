use uuid::Uuid;

/// Why the salon's data could not be read or written.
#[derive(Debug, thiserror::Error)]
pub enum StoreError {
    /// Nothing there by that id.
    #[error("there is no {what} {id} in this salon")]
    NotFound {
        /// What was looked for.
        what: &'static str,
        /// Its id.
        id: Uuid,
    },
    /// The id is there with other contents.
    #[error("the {what} {id} is already here with other contents; nothing was changed")]
    Conflict {
        /// What came twice.
        what: &'static str,
        /// Its id.
        id: Uuid,
    },
    /// It was changed meanwhile.
    #[error(
        "the {what} changed on another screen meanwhile; make your change again on what is shown now"
    )]
    Changed {
        /// What.
        what: &'static str,
    },
    /// No more are taken.
    #[error(
        "this visit has {most} {what} already, which is the most it takes; begin with the next visit"
    )]
    Full {
        /// What.
        what: &'static str,
        /// How many.
        most: usize,
    },
    /// A dog cannot be merged with itself.
    #[error("both are the same dog; choose the one that was entered twice")]
    SameDog,
    /// A row does not read back.
    #[error("the {what} {id} in the data file does not read back")]
    Unreadable {
        /// What it is.
        what: &'static str,
        /// Its id.
        id: String,
        /// The reader's own error.
        #[source]
        source: serde_json::Error,
    },
    /// An id in the data file is none.
    #[error("the {what} “{id}” in the data file has no id that can be read")]
    BadId {
        /// What it is.
        what: &'static str,
        /// What stands there.
        id: String,
    },
    /// No such file.
    #[error(
        "there is no such data file; name one that is there, or begin a salon with `veliform serve`"
    )]
    NoFile,
    /// A file could not be made.
    #[error("no data file can be written there: {0}")]
    NotMade(#[source] std::io::Error),
    /// Another program holds its lock.
    #[error("another Veliform serves this salon already; use that one, or stop it first")]
    InUse,
    /// An older copy lies over the journal of a newer file.
    #[error(
        "another file was put here while the journal beside it (-wal) belongs to the one before; use `veliform restore` to put a copy back"
    )]
    OtherJournal,
    /// Another program's file.
    #[error("this is no data file of Veliform's; it was left as it is. Name another file")]
    Foreign,
    /// A newer program's file.
    #[error("this data file was made by a newer Veliform; update Veliform, or use another file")]
    Newer,
    /// A page of it does not read.
    #[error("the data file is damaged ({0}); nothing was written to it. Use the newest copy of it")]
    Damaged(String),
    /// A value could not be written down.
    #[error("a value could not be written down")]
    Unwritable(#[source] serde_json::Error),
    /// A packed plan does not unpack.
    #[error("a plan could not be packed or unpacked")]
    Packing(#[source] std::io::Error),
    /// The data file could not be brought up to date.
    #[error("the data file cannot be used: {0}; use the program that made it, or another file")]
    Migration(#[source] rusqlite_migration::Error),
    /// No room is left.
    #[error(
        "the disk is full, so nothing more can be saved; what you say stays on this page and is sent once there is room"
    )]
    DiskFull,
    /// The database itself.
    #[error("the data file cannot be reached")]
    Database(#[source] rusqlite::Error),
}

impl From<rusqlite::Error> for StoreError {
    fn from(error: rusqlite::Error) -> Self {
        match error.sqlite_error_code() {
            Some(rusqlite::ErrorCode::DiskFull) => Self::DiskFull,
            _ => Self::Database(error),
        }
    }
}
