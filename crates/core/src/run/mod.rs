//! The run at the table: what was done and put off, how long it took, what the blade and the dog
//! ask for; folded from the visit's log (handbook 6 and 7).

mod event;
mod late;
mod rescue;
mod state;
mod view;

pub use event::{Cooling, OverReason, PutOff, RunEnd, RunEvent, Slip};
pub use late::{LeaveOut, could_leave};
pub use rescue::{RescueOption, RescueWay, rescue};
pub use state::{Ended, Run, RunNote, StepRun, StepState};
pub use view::{PutOffStep, RanOver, RunView, left_undone, run_view};
