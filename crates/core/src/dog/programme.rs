use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use super::Dog;

vocabulary! {
    /// Stages by which a puppy, an old or a shy dog learns the groom over its visits; after the last comes the
    /// whole groom (handbook 10 A 9).
    #[derive(Clone, Copy, Debug, PartialEq, Eq, PartialOrd, Ord, Serialize, Deserialize, ToSchema)]
    #[serde(rename_all = "snake_case")]
    pub enum Programme {
        /// Hygiene, eyes, pads, brushing; the dryer from afar.
        Meeting => "first meeting",
        /// Bath and dryer; then feet and face.
        FeetAndFace => "feet and face",
        /// The outline tidied, no clipper on the body.
        FirstTidy => "first tidy",
    }
}

/// Minutes a puppy bears, until it is four months old and until it is one no more (modelling choice after
/// handbook 10 F: 20 minutes, 10 for the young).
const YOUNGEST_MINUTES: f64 = 20.0;
const PUPPY_MINUTES: f64 = 40.0;
/// Minutes any other dog in a programme bears (modelling choice).
const OTHER_MINUTES: f64 = 60.0;
/// Age under which a puppy bears the least, months (modelling choice).
const YOUNGEST_MONTHS: u16 = 4;

impl Programme {
    /// The stage after it; none for the whole groom.
    pub const fn next(self) -> Option<Self> {
        match self {
            Self::Meeting => Some(Self::FeetAndFace),
            Self::FeetAndFace => Some(Self::FirstTidy),
            Self::FirstTidy => None,
        }
    }

    /// What the owner does at home until the next visit (common practice).
    pub const fn home_care(self) -> &'static str {
        match self {
            Self::Meeting => {
                "Each day for two minutes: hold every foot, look into ears and mouth, a soft brush all over; a hair dryer running in the next room."
            }
            Self::FeetAndFace => {
                "Each day: comb the face and the feet, hold the chin still for as long as it stays calm, then let go."
            }
            Self::FirstTidy => {
                "Every other day: brush and comb from the skin, standing on a table with a mat, a hand on the dog."
            }
        }
    }

    /// Minutes at the table that a dog of this age bears.
    pub fn minutes_at_most(dog: &Dog) -> f64 {
        match dog.age_months {
            Some(months) if months < YOUNGEST_MONTHS => YOUNGEST_MINUTES,
            _ if dog.is_puppy() => PUPPY_MINUTES,
            _ => OTHER_MINUTES,
        }
    }
}
