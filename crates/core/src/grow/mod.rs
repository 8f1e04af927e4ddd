//! What growth does to a plan: the outline over the interval, the return, the way to a look.

mod back;
mod drifts;
mod due;
mod interval;
mod way;

pub use back::{IfYouWait, Return, ReturnBecause, back};
pub use due::Due;
pub use interval::{Interval, Moment, MomentName, interval};
pub(crate) use way::{FURTHEST_WEEKS, ample, coat_after};
pub use way::{Filled, GrowPlan, GrowVisit, grow_plan, weeks_to_look};
