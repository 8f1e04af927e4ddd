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
