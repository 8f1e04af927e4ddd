//! What the salon's own log teaches: lengths really left, minutes really taken, what each tool did
//! and what it asks for.

mod album;
mod minutes;
mod tools;
mod work;

pub use album::{AlbumFilter, AlbumPage, album};
pub use minutes::{MinutesLearnt, SortLearnt, TopicLearnt, learn_minutes};
pub use tools::{ToolLearnt, learn_tools};
pub use work::{DueWork, ToolWork, due_work, tool_work};
