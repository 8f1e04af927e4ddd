use schemars::JsonSchema;
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use crate::kit::UnderComb;
use crate::units::{Length, UnitSystem};

/// The salon's settings.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, JsonSchema, ToSchema)]
#[serde(default)]
pub struct House {
    /// The salon's name.
    pub name: String,
    /// Millimetres or inches, everywhere at once.
    pub units: UnitSystem,
    /// Breadth of the stylist's own index finger.
    pub finger_mm: Length,
    /// Blade beneath the combs.
    pub under_comb: UnderComb,
}

impl Default for House {
    fn default() -> Self {
        Self {
            name: "My salon".into(),
            units: UnitSystem::Millimetres,
            // Handbook 5: index finger 18 mm until the stylist measures their own (modelling choice).
            finger_mm: Length::constant_mm(18.0),
            under_comb: UnderComb::Thirty,
        }
    }
}
