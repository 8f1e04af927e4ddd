//! What a tool becomes by what is noticed of it at the table.

use super::event::ToolWord;
use crate::kit::{Shears, ShearsState, Tool, ToolState};

/// What a tool becomes by what is noticed of it: out of plans at once for a missing tooth (handbook
/// 3), marked for a hot or dull one; nothing where it stays as it is.
pub fn tool_after(tool: &Tool, word: ToolWord) -> Option<Tool> {
    let state = match word {
        ToolWord::ToothMissing => ToolState::ToothMissing,
        ToolWord::Dull if tool.state != ToolState::ToothMissing => ToolState::Dull,
        ToolWord::RunsHot if tool.state == ToolState::Fine => ToolState::WarmRunning,
        ToolWord::Oiled | ToolWord::Dull | ToolWord::DullAtTip | ToolWord::RunsHot => return None,
    };
    (state != tool.state).then(|| Tool {
        state,
        ..tool.clone()
    })
}

/// What a pair becomes by what is noticed of it: out of plans where it is dull, out of small places where
/// its points fold the hair (handbook 10 C 7); nothing where it stays as it is.
pub fn shears_after(pair: &Shears, word: ToolWord) -> Option<Shears> {
    let state = match word {
        ToolWord::Dull => ShearsState::Dull,
        ToolWord::DullAtTip if pair.state == ShearsState::Sharp => ShearsState::DullAtTip,
        ToolWord::DullAtTip | ToolWord::Oiled | ToolWord::RunsHot | ToolWord::ToothMissing => {
            return None;
        }
    };
    (state != pair.state).then(|| Shears {
        state,
        ..pair.clone()
    })
}
