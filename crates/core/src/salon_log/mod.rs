//! What the salon's own log teaches: lengths really left, minutes really taken, what each tool did.

mod minutes;
mod tools;

pub use minutes::{TopicLearnt, learn_minutes};
pub use tools::{ToolLearnt, ToolWork, learn_tools, tool_work};
