use std::collections::BTreeMap;

use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use crate::page::View;
use crate::shape::Landmark;
use crate::units::Length;

/// A landmark touched on a photo: of the side nearer the camera, or of the other.
#[derive(Clone, Copy, Debug, PartialEq, Eq, PartialOrd, Ord, Serialize, Deserialize, ToSchema)]
pub struct PhotoPoint {
    /// Which.
    pub landmark: Landmark,
    /// The dog's right one of a pair.
    #[serde(default)]
    pub is_right: bool,
}

/// What gives a photo its scale.
#[derive(Clone, Copy, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
#[serde(tag = "by", rename_all = "snake_case")]
pub enum PhotoScale {
    /// A rod or a stretch of tape held beside the dog, its ends touched.
    Rod {
        /// Ends, pixels.
        ends_px: [[f64; 2]; 2],
        /// Its length.
        length_mm: Length,
    },
    /// The dog's own height at the withers, already known; withers and table edge are touched.
    KnownHeight {
        /// The height.
        height_mm: Length,
    },
}

/// Everything touched on a photo.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct PhotoMarks {
    /// From where it was taken.
    pub view: View,
    /// Width and height, pixels.
    pub size_px: [u32; 2],
    /// What gives the scale.
    pub scale: Option<PhotoScale>,
    /// Two points along the table's edge, pixels.
    pub table_px: Option<[[f64; 2]; 2]>,
    /// Landmarks touched: x to the right, y down, pixels.
    pub points: Vec<TouchedPoint>,
}

/// A landmark with its place on the photo.
#[derive(Clone, Copy, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct TouchedPoint {
    /// Which.
    #[serde(flatten)]
    pub point: PhotoPoint,
    /// Where, pixels.
    pub at_px: [f64; 2],
}

impl PhotoMarks {
    /// Where each landmark was touched last.
    pub(super) fn touched(&self) -> BTreeMap<PhotoPoint, [f64; 2]> {
        self.points.iter().map(|t| (t.point, t.at_px)).collect()
    }
}

/// When a photo was taken, against the groom.
#[derive(Clone, Copy, Debug, Default, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum PhotoMoment {
    /// Before any hair came off.
    #[default]
    Before,
    /// When it was done.
    After,
}
