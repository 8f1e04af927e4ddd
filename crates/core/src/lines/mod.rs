//! Clip lines: where one length ends, with distances a hand can lay off (handbook 5).

mod blend;
mod clip_line;
mod courses;
mod head_lines;
mod on_end;

pub use clip_line::{ClipLine, HandDistance, LeftAs, ViewPath};
pub use courses::clip_lines;
