//! Measures off a photo, and a simulated camera whose truth is known.

mod camera;
mod marks;
mod read;

pub use camera::{Camera, CameraShot, shoot};
pub use marks::{PhotoMarks, PhotoMoment, PhotoPoint, PhotoScale, TouchedPoint};
pub use read::{PhotoMeasure, PhotoReading, read_photo};
