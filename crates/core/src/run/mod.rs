//! The run at the table: what was done and put off, how long it took, what the blade and the dog
//! ask for; folded from the visit's log (handbook 6 and 7).

mod event;
mod here;
mod knot;
mod late;
mod noted;
mod order;
mod renew;
mod rescue;
mod state;
mod told;
mod view;

pub use event::{Borne, Cooling, OverReason, PutOff, RunEnd, RunEvent, Slip, SlipCause, ToolWord};
pub use here::{DogPlace, Here, here};
pub(crate) use knot::put_knot;
pub use late::{LeaveOut, could_leave};
pub use noted::{shears_after, tool_after};
pub(crate) use renew::with_cut;
pub use renew::{Renewal, renewal};
pub use rescue::{RescueOption, RescueWay, rescue};
pub use state::{Compared, Ended, Run, RunNote, StepRun, StepState, ToolNote, WorkReading};
pub use told::{AtStep, RegionTried, RunLengths, WorkZone};
pub use view::{PutOffStep, RanOver, RunView, from_last, left_undone, run_view};
