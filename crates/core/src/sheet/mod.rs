//! The cut sheet: the plan as ordered steps for the table (handbook 6 and 7).

mod bevel;
mod cautions;
mod clip;
mod comb_out;
mod counted;
mod faces;
mod facts;
mod feet;
mod from_last;
mod hands;
mod head;
mod met;
mod minutes;
mod names;
mod prepare;
mod rows;
mod scissor;
mod shears;
mod small_jobs;
mod sorts;
mod staged;
mod stands;
mod step;
mod tail;
mod writer;

pub use cautions::{Caution, STANDING_CAUTION};
pub use facts::DogFacts;
pub use from_last::{FromLastTime, SiteDone};
pub use minutes::brush_out_minutes;
pub(crate) use minutes::{BLADE_CHANGE, for_size};
pub use rows::Row;
pub(crate) use small_jobs::belly_reach;
pub use staged::StagedSheet;
pub use step::{CutSheet, Stage, Stands, Step, StepKind};
pub use writer::cut_sheet;
