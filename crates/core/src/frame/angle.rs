use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

vocabulary! {
    /// An angle of the frame, degrees (handbook 2 and 8).
    #[derive(Clone, Copy, Debug, PartialEq, Eq, PartialOrd, Ord, Serialize, Deserialize, ToSchema)]
    #[serde(rename_all = "snake_case")]
    pub enum Angle {
        /// Shoulder blade from plumb.
        ShoulderLayback => "Shoulder layback",
        /// Shoulder blade to upper arm.
        Shoulder => "Shoulder to upper arm",
        /// Upper arm to forearm.
        Elbow => "Elbow angle",
        /// Pelvis to thigh.
        Hip => "Hip angle",
        /// Thigh to lower thigh.
        Stifle => "Stifle angle",
        /// Lower thigh to rear pastern.
        Hock => "Hock angle",
        /// Forefoot from straight ahead, outward positive.
        ForeTurnout => "Turnout of the forefoot",
        /// Hind foot from straight ahead, outward positive.
        HindTurnout => "Turnout of the hind foot",
    }
}

/// One standard deviation of an angle read off an angle rule or by eye along it, degrees
/// (modelling choice).
const READ_DOUBT_DEG: f64 = 5.0;
/// The same from landmarks on a photo, degrees (modelling choice).
const PHOTO_DOUBT_DEG: f64 = 4.0;

/// How an angle was got.
#[derive(Clone, Copy, Debug, Default, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum AngleMethod {
    /// Two arms laid along the bones.
    #[default]
    AngleRule,
    /// Landmarks on a photo.
    Photo,
}

impl AngleMethod {
    /// One standard deviation, degrees.
    pub const fn doubt_deg(self) -> f64 {
        match self {
            Self::AngleRule => READ_DOUBT_DEG,
            Self::Photo => PHOTO_DOUBT_DEG,
        }
    }
}

/// One angle as it was read.
#[derive(Clone, Copy, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct TakenAngle {
    /// Of the left side, or of both where the right is not given.
    pub degrees: f64,
    /// The right side, where it was read apart.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub right_degrees: Option<f64>,
    /// How it was got.
    #[serde(default)]
    pub method: AngleMethod,
}

impl Angle {
    /// How it is read.
    pub const fn how_to_find(self) -> &'static str {
        match self {
            Self::ShoulderLayback => "Ridge of the blade against a plumb line.",
            Self::Shoulder => "From the landmarks.",
            Self::Elbow => "From the landmarks.",
            Self::Hip => "From the landmarks.",
            Self::Stifle => "Along thigh and lower thigh, dog stood square.",
            Self::Hock => "Along lower thigh and rear pastern, dog stood square.",
            Self::ForeTurnout => "Middle toes against straight ahead, from above.",
            Self::HindTurnout => "Middle toes against straight ahead, from above.",
        }
    }

    /// Whether it is typed in; the others only follow from the landmarks.
    pub const fn can_be_taken(self) -> bool {
        matches!(
            self,
            Self::ShoulderLayback
                | Self::Stifle
                | Self::Hock
                | Self::ForeTurnout
                | Self::HindTurnout
        )
    }

    /// Whether how the feet stand decides it (handbook 2: hind angles and turnout).
    pub const fn hangs_on_stance(self) -> bool {
        !matches!(self, Self::ShoulderLayback | Self::Shoulder | Self::Elbow)
    }

    /// Degrees outside which it is refused, and outside which it is unusual.
    ///
    /// Joints: published range of motion, flexion to extension (Jaegger, Marcellin-Little and
    /// Levine, Am J Vet Res 2002, goniometry of Labradors; from memory): shoulder 57–165, elbow
    /// 36–165, hip 50–162, stifle 42–162, tarsus 39–164. A standing dog is unusual within 20° of
    /// either end (modelling choice). Layback and turnout: dog-shape.md 2, widened (modelling
    /// choice).
    pub const fn ranges(self) -> ((f64, f64), (f64, f64)) {
        match self {
            Self::ShoulderLayback => ((5.0, 60.0), (20.0, 42.0)),
            Self::Shoulder => ((57.0, 165.0), (57.0, 145.0)),
            Self::Elbow => ((36.0, 165.0), (56.0, 160.0)),
            Self::Hip => ((50.0, 162.0), (70.0, 142.0)),
            Self::Stifle => ((42.0, 162.0), (80.0, 155.0)),
            Self::Hock => ((39.0, 164.0), (90.0, 160.0)),
            Self::ForeTurnout => ((-30.0, 60.0), (-15.0, 40.0)),
            Self::HindTurnout => ((-25.0, 50.0), (-10.0, 30.0)),
        }
    }

    /// What is published beside it: a reference, never a verdict.
    pub const fn reference(self) -> &'static str {
        match self {
            Self::ShoulderLayback => {
                "Classic text 45° from level; measured standing dogs nearer 30° from plumb (from memory)."
            }
            Self::Shoulder => "Classic text 90°; joint moves 57–165° (from memory).",
            Self::Elbow => "Joint moves 36–165° (Labradors, 2002, from memory).",
            Self::Hip => "Joint moves 50–162° (Labradors, 2002, from memory).",
            Self::Stifle => "Joint moves 42–162° (Labradors, 2002, from memory).",
            Self::Hock => "Joint moves 39–164° (Labradors, 2002, from memory).",
            Self::ForeTurnout | Self::HindTurnout => "Straight ahead is 0°; outward is positive.",
        }
    }
}
