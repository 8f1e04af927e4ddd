//! The salon's data in one SQLite file: one method per use case, each one transaction.
#![warn(missing_docs)]

mod dogs;
mod error;
mod migrations;
mod open;
mod plans;
mod salon;
mod visits;

pub use dogs::{DogListing, ImportedVisit};
pub use error::StoreError;
pub use open::Store;
pub use visits::{Appended, Received, VisitHead, VisitLog};
