use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use super::Measure;
use crate::units::Length;

vocabulary! {
    /// How a measure was got. Its doubt is one standard deviation (handbook 2).
    #[derive(
        Clone, Copy, Debug, Default, PartialEq, Eq, PartialOrd, Ord, Serialize, Deserialize, ToSchema,
    )]
    #[serde(rename_all = "snake_case")]
    pub enum Method {
        /// ± 4 mm.
        #[default]
        Tape => "Tape",
        /// ± 2 mm.
        HeightStick => "Stick",
        /// ± 2 mm.
        Caliper => "Caliper",
        /// ± 6 mm, or what the photo's own scale and tilt leave.
        Photo => "Photo",
        /// ± 10 mm: a landmark drawn to its place on the sheet by a finger (modelling choice: half a
        /// finger's width, at two to three pixels a millimetre).
        Drawn => "Drawn",
    }
}

impl Method {
    /// Those a hand holds.
    pub const IN_HAND: [Self; 3] = [Self::Tape, Self::HeightStick, Self::Caliper];

    /// One standard deviation, mm.
    pub const fn doubt_mm(self) -> f64 {
        match self {
            Self::Tape => 4.0,
            Self::HeightStick | Self::Caliper => 2.0,
            Self::Photo => 6.0,
            Self::Drawn => 10.0,
        }
    }

    /// What reads a measure while this is in hand: a length along the dog is taped, only heights
    /// go on the stick.
    #[must_use]
    pub const fn for_measure(self, measure: Measure) -> Self {
        match self {
            Self::HeightStick if !measure.is_height() => Self::Tape,
            other => other,
        }
    }
}

/// One measure as it was taken.
#[derive(Clone, Copy, Debug, Default, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct TakenMeasure {
    /// The value as read: of the left side, or of both where the right is not given.
    pub value_mm: Length,
    /// The right side, where it was measured apart.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub right_mm: Option<Length>,
    /// How it was got.
    pub method: Method,
    /// One standard deviation of this reading where it is known better than the method's.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub doubt_mm: Option<Length>,
    /// Measured again and found so, however unusual.
    #[serde(default)]
    pub is_confirmed: bool,
}

impl TakenMeasure {
    /// A reading for both sides with its method's own doubt.
    pub const fn by(method: Method, value_mm: Length) -> Self {
        Self {
            value_mm,
            right_mm: None,
            method,
            doubt_mm: None,
            is_confirmed: false,
        }
    }

    /// One standard deviation, mm.
    pub fn doubt(&self) -> f64 {
        self.doubt_mm
            .map_or(self.method.doubt_mm(), Length::as_mm)
            .abs()
    }
}

vocabulary! {
    /// Whether the dog stood square while it was measured; widens the doubt of what the feet decide.
    #[derive(Clone, Copy, Debug, Default, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
    #[serde(rename_all = "snake_case")]
    pub enum Stance {
        /// Rear pasterns upright, forefeet under the withers, weight on all four.
        #[default]
        Square => "Yes",
        /// Doubles the doubt.
        Nearly => "Nearly",
        /// Trebles the doubt.
        NotSquare => "No",
    }
}

impl Stance {
    /// Factor on the doubt of hock reach, hind angles, spacings and turnout (handbook 2,
    /// modelling choice).
    pub const fn doubt_factor(self) -> f64 {
        match self {
            Self::Square => 1.0,
            Self::Nearly => 2.0,
            Self::NotSquare => 3.0,
        }
    }
}
