//! Lengths and how they are written for a reader. Millimetres only inside.

mod display;
mod length;

pub(crate) use display::half_fingers;
pub use display::{UnitSystem, fingers_text, length_text, parse_length};
pub use length::{Length, NotFinite};

/// Millimetres in one inch, exactly (international yard and pound agreement, 1959).
pub const MM_PER_INCH: f64 = 25.4;
