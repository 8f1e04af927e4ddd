/// The course of the underline from the elbow to the waist (handbook 5, *underline*).
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
pub enum UnderlineShape {
    /// Rising to the waist, as the look's targets have it.
    Rising,
    /// Level with the elbow.
    Straight,
    /// Fullest half way.
    Round,
}

/// What a straight underline may rise, share of the height: nothing the eye takes for a rise
/// (modelling choice: the tolerance of the rise, balance-model.md 5).
pub(super) const LEVEL: (f64, f64) = (-0.01, 0.01);

impl UnderlineShape {
    /// How far the belly hangs under the straight line brisket to last rib, share of the height; none
    /// where only steadiness is asked (modelling choice: once and twice what the eye takes for level).
    pub const fn hangs(self) -> Option<(f64, f64)> {
        match self {
            Self::Round => Some((0.012, 0.03)),
            Self::Rising | Self::Straight => None,
        }
    }
}
