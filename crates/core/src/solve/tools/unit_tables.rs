//! What the tools' choice knows of the units beside their spots (balance-model-2.md 1 and 3).

use crate::solve::units::Unit;

/// Units that may go in the body's one length: the trunk above the edges, and a tuck-up that the salon
/// clears with it.
pub(super) const JACKET: [Unit; 8] = [
    Unit::Crest,
    Unit::BackFront,
    Unit::BackRear,
    Unit::Croup,
    Unit::Shoulder,
    Unit::Ribs,
    Unit::Hip,
    Unit::TuckUp,
];

/// Units of the judged body that meet: clipped lengths there are alike or a size apart.
pub(super) const NEXT: [(Unit, Unit); 29] = [
    (Unit::Crest, Unit::BackFront),
    (Unit::Crest, Unit::Shoulder),
    (Unit::Shoulder, Unit::Ribs),
    (Unit::Shoulder, Unit::BackFront),
    (Unit::Ribs, Unit::BackFront),
    (Unit::Ribs, Unit::BackRear),
    (Unit::Ribs, Unit::Hip),
    (Unit::BackFront, Unit::BackRear),
    (Unit::BackRear, Unit::Croup),
    (Unit::BackRear, Unit::Hip),
    (Unit::Hip, Unit::Croup),
    (Unit::Croup, Unit::Rump),
    (Unit::Hip, Unit::Rump),
    (Unit::Chest, Unit::Shoulder),
    (Unit::Throat, Unit::Shoulder),
    (Unit::Throat, Unit::Chest),
    (Unit::Underline, Unit::Ribs),
    (Unit::Underline, Unit::TuckUp),
    (Unit::TuckUp, Unit::Ribs),
    (Unit::HindBack, Unit::HindOut),
    (Unit::HindBack, Unit::HindIn),
    (Unit::HindFront, Unit::HindOut),
    (Unit::HindFront, Unit::HindIn),
    (Unit::Hock, Unit::HindBack),
    (Unit::Hock, Unit::HindOut),
    (Unit::ForeBack, Unit::ForeOut),
    (Unit::ForeBack, Unit::ForeIn),
    (Unit::ForeFront, Unit::ForeOut),
    (Unit::ForeFront, Unit::ForeIn),
];

/// Shorter clipped neighbours under this are alike or so far apart, mm; longer ones a comb's step
/// (balance-model-2.md 1).
const SHORT_MM: f64 = 10.0;
const SHORT_STEP_MM: f64 = 2.0;
const STEP_MM: f64 = 3.0;
/// Two lengths this near are one, mm: less than a hand can hold.
pub(super) const HAIRSBREADTH: f64 = 0.05;

/// Whether two clipped lengths may lie side by side: alike, or a size apart.
pub(super) fn may_meet(a: f64, b: f64) -> bool {
    let step = if a.min(b) < SHORT_MM {
        SHORT_STEP_MM
    } else {
        STEP_MM
    };
    is_alike(a, b) || (a - b).abs() >= step - HAIRSBREADTH
}

/// Whether two lengths are one.
pub(super) fn is_alike(a: f64, b: f64) -> bool {
    (a - b).abs() < HAIRSBREADTH
}

impl Unit {
    /// Minutes of the clipper, medium dog (balance-model-2.md 3, modelling choice).
    pub(super) const fn clipper_minutes(self) -> f64 {
        match self {
            Self::BackFront => 1.5,
            Self::Shoulder => 1.8,
            Self::Ribs => 2.2,
            Self::Hip => 1.2,
            Self::Throat | Self::BackRear | Self::Chest | Self::Underline => 1.0,
            Self::Rump => 0.8,
            Self::Croup => 0.7,
            Self::Hock => 0.4,
            _ => 0.6,
        }
    }
}
