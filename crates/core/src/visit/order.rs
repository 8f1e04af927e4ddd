use uuid::Uuid;

use super::entry::Entry;

impl Entry {
    /// Its place in the order of what was said.
    pub fn stamp(&self) -> i64 {
        self.stamp_ms.unwrap_or(self.at_ms)
    }

    /// Sorts entries into the order in which they were said; those that knew nothing of each other by
    /// their clocks, then their ids.
    pub fn said_order(&self) -> (i64, Uuid) {
        (self.stamp(), self.id)
    }
}

/// The stamp of what is said next by somebody who knows of everything up to `newest`.
///
/// A hybrid logical clock (Kulkarni, Demirbas, Madappa, Avva and Leone, "Logical Physical Clocks", 2014),
/// its counter folded into the milliseconds: it follows the clock while that runs ahead of all that is
/// known, and else stands one after the newest. So a correction comes after what it corrects, however
/// slow the clock of the screen that says it and however fast that of the other. The screens hold the
/// same rule.
///
/// # Examples
/// ```
/// use veliform_core::visit::next_stamp;
/// let of_a_fast_clock = 9_000;
/// assert_eq!(next_stamp(Some(of_a_fast_clock), 1_000), 9_001);
/// assert_eq!(next_stamp(Some(500), 1_000), 1_000);
/// ```
pub fn next_stamp(newest: Option<i64>, now_ms: i64) -> i64 {
    newest.map_or(now_ms, |n| now_ms.max(n.saturating_add(1)))
}
