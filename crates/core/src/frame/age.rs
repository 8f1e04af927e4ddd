use std::collections::BTreeMap;

use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use super::angle::Angle;
use super::felt::Felt;
use super::measure::Measure;

/// How long ago what comes along from earlier visits was found, days; what a hand said at this visit
/// is not in it.
#[derive(Clone, Debug, Default, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
#[serde(default)]
pub struct Ago {
    /// Measures.
    pub measures: BTreeMap<Measure, u32>,
    /// Angles.
    pub angles: BTreeMap<Angle, u32>,
    /// Felt grades, of both sides.
    pub felt: BTreeMap<Felt, u32>,
}

/// A grown dog's measure drifts by so much of the height in a year (handbook 10 A 2, modelling choice).
const DRIFT_A_YEAR: f64 = 0.004;
/// The doubt of a grade felt earlier grows by half, and so does that of an angle read (handbook 10 A 2 for
/// grades; for angles a modelling choice of ours).
const AGED: f64 = 1.5;
const DAYS_A_YEAR: f64 = 365.25;

impl Ago {
    /// Whether everything was found at this visit.
    pub fn is_empty(&self) -> bool {
        self.measures.is_empty() && self.angles.is_empty() && self.felt.is_empty()
    }

    /// A hand said of it now: it is as old as this visit.
    pub(crate) fn is_found_now(&mut self, found: Known) {
        match found {
            Known::Measure(measure) => drop(self.measures.remove(&measure)),
            Known::Angle(angle) => drop(self.angles.remove(&angle)),
            Known::Felt(felt) => drop(self.felt.remove(&felt)),
        }
    }

    /// One standard deviation of a reading of `doubt_mm`, its age in it, mm.
    pub(super) fn doubt_mm(&self, measure: Measure, doubt_mm: f64, height_mm: f64) -> f64 {
        let days = self.measures.get(&measure).copied().unwrap_or_default();
        doubt_mm.hypot(DRIFT_A_YEAR * height_mm * f64::from(days) / DAYS_A_YEAR)
    }

    /// Factor on the doubt of an angle.
    pub(super) fn of_angle(&self, angle: Angle) -> f64 {
        if self.angles.contains_key(&angle) {
            AGED
        } else {
            1.0
        }
    }

    /// Factor on the doubt of a felt grade, either end of its pair.
    pub(super) fn of_felt(&self, felt: Felt) -> f64 {
        let is_aged = |f| self.felt.contains_key(&f);
        if is_aged(felt) || felt.opposite().is_some_and(is_aged) {
            AGED
        } else {
            1.0
        }
    }
}

/// One thing known of the frame.
#[derive(Clone, Copy, Debug, PartialEq, Eq, PartialOrd, Ord, Serialize, Deserialize, ToSchema)]
#[serde(tag = "of", content = "which", rename_all = "snake_case")]
pub enum Known {
    /// A measure.
    Measure(Measure),
    /// An angle.
    Angle(Angle),
    /// A felt grade.
    Felt(Felt),
}
