//! The owner's picture: another dog, whose ratios become targets (handbook 4; *Honesty*).

mod likeness;
mod point;
mod read;

pub use likeness::{Likeness, RatioHere, Reached, likeness};
pub(crate) use point::{CLICK_SHARE, STOOD_DEG};
pub use point::{OwnersPicture, PicturePoint};
pub use read::{PictureRatio, PictureReading, nearest_look, picture_look, read_picture};
