//! What growth does to a plan: the outline over the interval, the return, the way to a look.

mod interval;
mod way;

pub use interval::{Interval, KnotsFrom, Moment, MomentName, interval};
pub(crate) use way::{FURTHEST_WEEKS, ample, coat_after};
pub use way::{Filled, GrowPlan, GrowVisit, grow_plan, weeks_to_look};
