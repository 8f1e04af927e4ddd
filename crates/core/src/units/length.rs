use std::fmt;
use std::ops::{Add, Div, Mul, Neg, Sub};

use serde::{Deserialize, Serialize};
use utoipa::openapi::schema::{ObjectBuilder, Type};
use utoipa::openapi::{RefOr, Schema as ApiSchema};

/// A value that is not a number or not finite was offered as a length.
#[derive(Clone, Copy, Debug, PartialEq, thiserror::Error)]
#[error("{value} is not a length; give a number of millimetres")]
pub struct NotFinite {
    /// The value that was refused.
    pub value: f64,
}

/// A finite signed length, stored in millimetres.
///
/// There is no `Length * Length` and no conversion from a bare number without naming the unit.
///
/// # Examples
/// ```
/// use veliform_core::units::Length;
/// let comb = Length::from_mm(13.0)?;
/// let blade = Length::from_mm(1.5)?;
/// assert_eq!((comb + blade).as_mm(), 14.5);
/// assert_eq!(comb / Length::from_mm(26.0)?, 0.5);
/// # Ok::<(), veliform_core::units::NotFinite>(())
/// ```
#[derive(Clone, Copy, Default, PartialEq, PartialOrd, Serialize, Deserialize)]
#[serde(try_from = "f64", into = "f64")]
pub struct Length {
    mm: f64,
}

impl Length {
    /// The length of nothing.
    pub const ZERO: Self = Self { mm: 0.0 };

    /// Takes a number of millimetres; refuses NaN and infinity and never repairs them.
    pub const fn from_mm(mm: f64) -> Result<Self, NotFinite> {
        if mm.is_finite() {
            Ok(Self { mm })
        } else {
            Err(NotFinite { value: mm })
        }
    }

    /// Takes a constant written in this crate's own tables.
    ///
    /// # Panics
    /// If `mm` is not finite: at compile time where it is used in a constant.
    pub const fn constant_mm(mm: f64) -> Self {
        assert!(mm.is_finite(), "a table holds a value that is not finite");
        Self { mm }
    }

    /// Takes a number that this crate worked out from lengths, which are finite, and from a solve, whose
    /// answer is checked.
    ///
    /// # Panics
    /// If it is not finite all the same: a plan that is not made hurts nobody, a plan that says 0 mm
    /// where nothing was worked out may.
    pub fn worked_out_mm(mm: f64) -> Self {
        assert!(mm.is_finite(), "a length was worked out as {mm}");
        Self { mm }
    }

    /// The number of millimetres.
    pub const fn as_mm(self) -> f64 {
        self.mm
    }

    /// The shorter of two lengths.
    #[must_use]
    pub const fn min(self, other: Self) -> Self {
        Self {
            mm: self.mm.min(other.mm),
        }
    }

    /// Whether two lengths differ by at most `tolerance`.
    pub fn approx_eq(self, other: Self, tolerance: Self) -> bool {
        (self.mm - other.mm).abs() <= tolerance.mm
    }
}

impl fmt::Debug for Length {
    fn fmt(&self, f: &mut fmt::Formatter<'_>) -> fmt::Result {
        write!(f, "{} mm", self.mm)
    }
}

impl TryFrom<f64> for Length {
    type Error = NotFinite;
    fn try_from(mm: f64) -> Result<Self, NotFinite> {
        Self::from_mm(mm)
    }
}

impl From<Length> for f64 {
    fn from(length: Length) -> Self {
        length.mm
    }
}

impl Add for Length {
    type Output = Self;
    fn add(self, other: Self) -> Self {
        Self {
            mm: self.mm + other.mm,
        }
    }
}

impl Sub for Length {
    type Output = Self;
    fn sub(self, other: Self) -> Self {
        Self {
            mm: self.mm - other.mm,
        }
    }
}

impl Neg for Length {
    type Output = Self;
    fn neg(self) -> Self {
        Self { mm: -self.mm }
    }
}

impl Mul<f64> for Length {
    type Output = Self;
    fn mul(self, factor: f64) -> Self {
        Self {
            mm: self.mm * factor,
        }
    }
}

impl Div for Length {
    type Output = f64;
    fn div(self, other: Self) -> f64 {
        self.mm / other.mm
    }
}

impl utoipa::PartialSchema for Length {
    fn schema() -> RefOr<ApiSchema> {
        ObjectBuilder::new()
            .schema_type(Type::Number)
            .description(Some("A length in millimetres."))
            .into()
    }
}

impl utoipa::ToSchema for Length {}
