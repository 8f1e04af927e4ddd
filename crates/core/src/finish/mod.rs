//! The finish check: what was really left, against the plan and left against right, what to touch
//! up, and where to look (handbook 6, 9. *Check*).

mod as_left;
mod check;
mod walk;

pub(crate) use as_left::{plan_as_left, text_as_left};
pub(crate) use check::that_can_be;
pub use check::{AS_PLANNED_MM, FinishReport, ResultRow, TouchUp, ZoneResult, finish};
pub(crate) use walk::ringed;
pub use walk::{Looked, WalkPlace, WalkSpot, WalkView};
