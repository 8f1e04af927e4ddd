//! The cut sheet: the plan as ordered steps for the table (handbook 6 and 7).

mod cautions;
mod faces;
mod hands;
mod minutes;
mod steps;

pub use cautions::{Caution, STANDING_CAUTION};
pub use steps::{CutSheet, DogFacts, Stage, Step, StepKind, cut_sheet};
