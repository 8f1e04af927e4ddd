//! How short shears go: under that the skin is nearer than a hand can hold the points.

use super::units::Unit;

/// On the trunk, its folds at throat, belly, tuck-up and flank among it, shears leave at least this, mm
/// (handbook 10, findings; balance-model-2.md 1: common practice; nobody evens a back or a side by hand
/// at less).
const TRUNK_MM: f64 = 10.0;
/// Elsewhere at least this, mm (common practice: shorter is blade work).
const ELSEWHERE_MM: f64 = 6.0;

impl Unit {
    /// Whether it lies on the trunk above the folds.
    pub(super) const fn is_of_the_trunk(self) -> bool {
        matches!(
            self,
            Self::Crest
                | Self::BackFront
                | Self::BackRear
                | Self::Croup
                | Self::Rump
                | Self::Shoulder
                | Self::Ribs
                | Self::Hip
                | Self::Chest
        )
    }

    const fn is_a_fold(self) -> bool {
        matches!(
            self,
            Self::Throat | Self::Underline | Self::TuckUp | Self::FlankAndKnee | Self::Flank
        )
    }

    /// The shortest length shears leave here, mm.
    pub const fn shortest_by_shears_mm(self) -> f64 {
        if self.is_of_the_trunk() || self.is_a_fold() {
            TRUNK_MM
        } else {
            ELSEWHERE_MM
        }
    }
}
