//! A visit is a log of entries, folded into its present state (ARCHITECTURE.md).

mod entry;
mod fold;
mod kept;

pub use entry::{Entry, EntryBody, LookChoice};
pub use kept::KeptPlan;
pub use fold::{UndoStep, Visit, fold};
