//! A visit is a log of entries, folded into its present state (ARCHITECTURE.md).

mod entry;
mod fold;
mod kept;
mod past;

pub use entry::{Entry, EntryBody, LookChoice};
pub use fold::{UndoStep, Visit, fold};
pub use kept::KeptPlan;
pub use past::{
    EarlierFrame, EarlierVisit, GrownCoat, MeasureHistory, Past, Reading, changed, past,
};
