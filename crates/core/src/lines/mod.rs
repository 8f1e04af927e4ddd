//! Clip lines: where one length ends, with distances a hand can lay off (handbook 5).

mod blend;
mod clip_line;
mod courses;
mod front_lines;
mod head_lines;
mod middle_lines;
mod on_end;
mod rear_lines;

pub use clip_line::{ClipLine, HandDistance, LeftAs, ViewPath};
pub use courses::clip_lines;
