//! The salon's clock: the machine's, or one that was set for a trial.

use std::sync::atomic::{AtomicI64, Ordering};

use jiff::Timestamp;

/// How far the salon's clock is ahead of the machine's, ms. One clock a process, as the machine has.
static AHEAD_MS: AtomicI64 = AtomicI64::new(0);

/// Now, milliseconds since 1970 in UTC.
pub(crate) fn now_ms() -> i64 {
    let machines = Timestamp::now().as_millisecond();
    machines.saturating_add(AHEAD_MS.load(Ordering::Relaxed))
}

/// From here on it is that moment, and goes on from it.
pub(crate) fn set(moment: Timestamp) {
    let ahead = moment.as_millisecond() - Timestamp::now().as_millisecond();
    AHEAD_MS.store(ahead, Ordering::Relaxed);
}
