//! The finish check: what was really left, against the plan and left against right, what to touch
//! up, and where to look (handbook 6, 9. *Check*).

mod check;
mod walk;

pub use check::{AS_PLANNED_MM, FinishReport, ResultRow, TouchUp, ZoneResult, finish};
pub use walk::{WalkView, walk};
