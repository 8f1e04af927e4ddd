use std::collections::BTreeMap;

use serde::{Deserialize, Serialize};
use utoipa::ToSchema;
use uuid::Uuid;

vocabulary! {
    /// A place touched on the outline of the dog in an owner's picture, seen from the side.
    #[derive(Clone, Copy, Debug, PartialEq, Eq, PartialOrd, Ord, Serialize, Deserialize, ToSchema)]
    #[serde(rename_all = "snake_case")]
    #[expect(missing_docs, reason = "each is described by PicturePoint::label")]
    pub enum PicturePoint {
        ForeFoot => "Front foot, where it stands on the table",
        HindFoot => "Hind foot, where it stands on the table",
        Withers => "Top of the back over the withers",
        Breastbone => "Foremost of the chest",
        PinBone => "Rearmost, at the pin bone",
        Brisket => "Lowest of the chest, behind the elbow",
        Waist => "Highest of the underline",
        ColumnBack => "Back of the front leg, half way down",
        ColumnFront => "Front of the front leg, half way down",
        Knee => "Front of the knee, where it is fullest",
        Bend => "Bend behind, where it is deepest",
        Hock => "Back of the hock",
        HeadTop => "Top of the head",
        UnderBeard => "Lowest of chin or beard",
        EarEnd => "End of the ear",
    }
}

impl PicturePoint {
    /// Whether a picture says something without it.
    pub const fn can_be_left(self) -> bool {
        matches!(self, Self::HeadTop | Self::UnderBeard | Self::EarEnd)
    }
}

/// An owner's picture with what was touched on it.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct OwnersPicture {
    /// The photo, as it is kept with the visit.
    pub photo: Uuid,
    /// Its width and height, pixels.
    pub size_px: [u32; 2],
    /// Places touched: x to the right, y down, pixels.
    #[serde(default)]
    pub points: BTreeMap<PicturePoint, [f64; 2]>,
}

/// A finger on a magnified picture, share of its longer side, one standard deviation
/// (modelling choice).
pub(crate) const CLICK_SHARE: f64 = 0.0012;
/// A dog stood by hand is square to the camera within this, degrees (modelling choice).
pub(crate) const STOOD_DEG: f64 = 4.0;
