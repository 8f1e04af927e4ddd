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
    /// A new file could not be made.
    #[error("a new data file cannot be made there: {0}")]
    NotMade(#[source] std::io::Error),
    /// Another program's file.
    #[error("this is no data file of Veliform's; it was left as it is. Name another file")]
    Foreign,
    /// A page of it does not read.
    #[error("the data file is damaged ({0}); nothing was written to it. Use the newest copy of it")]
    Damaged(String),
    /// A value could not be written down.
    #[error("a value could not be written down")]
    Unwritable(#[source] serde_json::Error),
    /// The data file was made by a newer program, or is not one of ours.
    #[error("the data file cannot be used: {0}; use the program that made it, or another file")]
    Migration(#[source] rusqlite_migration::Error),
    /// The database itself.
    #[error("the data file cannot be reached")]
    Database(#[from] rusqlite::Error),
}
