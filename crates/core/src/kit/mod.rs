//! The kit: what this salon owns, and what each tool really leaves (handbook 3).

mod clipper;
mod shears;
mod strokes;
mod tool;

pub use clipper::{Clipper, ClipperFit, is_driven, longest_run_minutes};
pub use shears::{Shears, ShearsEdge, ShearsForm, ShearsState};
pub use strokes::{Direction, THINNED_MINUTES, full_leaves_mm, thinned_stand, thinning_passes};
pub use tool::{ONE_SIZE_MM, Tool, ToolKind, ToolState, UnderComb, check_tool};
