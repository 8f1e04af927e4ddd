use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

/// Knots found at one site at earlier visits (handbook 10 A 6 and B).
#[derive(Clone, Copy, Debug, Default, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
pub struct KnotsBefore {
    /// Visits with knots there.
    pub visits: u32,
    /// How many of them in a row, up to the last.
    pub running: u32,
}

/// Each visit with knots at a site brings its next knots forward by this share (handbook 10 B,
/// modelling choice).
const SOONER: f64 = 0.7;
/// More visits than this bring them no further forward (handbook 10 B, modelling choice).
const MOST_VISITS: u32 = 3;

impl KnotsBefore {
    /// One more visit, with knots there or without.
    #[must_use]
    pub fn then(self, is_knotted: bool) -> Self {
        Self {
            visits: self.visits + u32::from(is_knotted),
            running: if is_knotted { self.running + 1 } else { 0 },
        }
    }

    /// Factor on the days until the site knots again, over 0 and up to 1.
    pub fn sooner(self) -> f64 {
        (0..self.visits.min(MOST_VISITS)).map(|_| SOONER).product()
    }
}
