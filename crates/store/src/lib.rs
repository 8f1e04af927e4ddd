//! The salon's data in one SQLite file: one method per use case, each one transaction.
#![warn(missing_docs)]

mod copies;
mod dogs;
mod error;
mod forget;
mod lock;
mod migrations;
mod open;
mod packing;
mod photos;
mod plans;
mod salon;
mod serving;
mod types;
mod visits;

pub use dogs::{DogListing, DogName, ImportedVisit};
pub use error::StoreError;
pub use forget::Belongings;
pub use open::Store;
pub use photos::{MOST_PHOTOS, PhotoHead};
pub use plans::{PackedPlan, PlansOf, UnreadablePlan};
pub use visits::{Appended, Received, VisitHead, VisitLog};
