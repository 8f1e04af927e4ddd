use std::collections::BTreeMap;

use super::{Angle, Felt, Finding, Measure};

/// How far each number of the frame is moved off its value while its doubt is carried through:
/// mm for measures and for the felt bend and bow, degrees for angles; an angle of stifle that was
/// not read stands for the place of the knee, mm.
///
/// An estimate that hangs on a moved number moves with it, so that doubt reaches all that was
/// estimated from it.
#[derive(Clone, Debug, Default, PartialEq)]
pub struct Offsets(BTreeMap<Finding, f64>);

impl Offsets {
    /// Everything where it was found but one number.
    pub fn of(finding: Finding, by: f64) -> Self {
        Self(BTreeMap::from([(finding, by)]))
    }

    /// Several numbers moved at once.
    pub fn all(offsets: impl IntoIterator<Item = (Finding, f64)>) -> Self {
        Self(offsets.into_iter().collect())
    }

    pub(super) fn measure(&self, measure: Measure) -> f64 {
        self.at(Finding::Measure(measure))
    }

    pub(super) fn angle(&self, angle: Angle) -> f64 {
        self.at(Finding::Angle(angle))
    }

    pub(super) fn felt(&self, felt: Felt) -> f64 {
        self.at(Finding::Felt(felt))
    }

    fn at(&self, finding: Finding) -> f64 {
        self.0.get(&finding).copied().unwrap_or(0.0)
    }
}

/// One number of the frame that is not sure.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct Doubt {
    /// Which.
    pub finding: Finding,
    /// One standard deviation, in the unit of [`Offsets`].
    pub sigma: f64,
    /// Whether a hand or tape has been there.
    pub is_taken: bool,
}
