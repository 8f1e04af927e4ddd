//! Clip lines: where one length ends, with distances a hand can lay off (handbook 5).

mod clip_line;
mod courses;

pub use clip_line::{ClipLine, HandDistance, LeftAs};
pub use courses::clip_lines;
