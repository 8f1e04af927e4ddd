use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use super::zone::Zone;

vocabulary! {
    /// How dark the hair is: under pale hair the skin shows, and burns (handbook 3, *Shortest safe*).
    #[derive(Clone, Copy, Debug, Default, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
    #[serde(rename_all = "snake_case")]
    pub enum CoatColour {
        /// Dark: it can go shorter.
        Dark => "Dark",
        /// Neither.
        #[default]
        Mid => "Mid",
        /// Pale, or thin.
        Pale => "Pale",
    }
}

/// What the skin under a coat asks for (handbook 3, *Shortest safe*).
#[derive(Clone, Copy, Debug, Default, PartialEq, Eq)]
pub struct Skin {
    /// How dark the hair over it is.
    pub colour: CoatColour,
    /// Old, sore or scaly: one blade longer.
    pub is_delicate: bool,
    /// Under a double coat, whose back is not taken short.
    pub is_double: bool,
}

impl Skin {
    /// Nothing known against the usual lengths.
    pub const ORDINARY: Self = Self {
        colour: CoatColour::Mid,
        is_delicate: false,
        is_double: false,
    };
    /// One blade longer than those.
    pub const DELICATE: Self = Self {
        is_delicate: true,
        ..Self::ORDINARY
    };
}

/// A comb cannot pass tight knots; the blade that goes under them leaves about this, mm
/// (a 7, from memory; modelling choice).
pub const UNDER_KNOTS_MM: f64 = 3.2;

/// The back of a double coat is left at least so long, mm (handbook 3).
const DOUBLE_BACK_MM: f64 = 13.0;

/// Shortest safe length of a zone, mm (handbook 3 and 10 C 8, modelling choice: dark, ordinary, pale; each
/// with what it is on delicate skin, one blade longer).
pub fn shortest_safe_mm(zone: Zone, skin: Skin) -> f64 {
    if skin.is_double && matches!(zone, Zone::Back | Zone::Croup) {
        return DOUBLE_BACK_MM;
    }
    let [dark, mid, pale] = match zone {
        _ if zone.is_leg() => [(3.0, 4.8), (3.0, 4.8), (5.0, 6.3)],
        Zone::Cheek | Zone::Brow | Zone::Muzzle | Zone::Beard | Zone::Throat => [(0.5, 1.5); 3],
        Zone::Ear => [(0.5, 1.2), (1.2, 1.5), (1.5, 2.0)],
        Zone::Foot => [(0.5, 1.2); 3],
        _ => [(1.5, 2.0), (2.0, 2.8), (5.0, 6.3)],
    };
    let (usual, delicate) = match skin.colour {
        CoatColour::Dark => dark,
        CoatColour::Mid => mid,
        CoatColour::Pale => pale,
    };
    if skin.is_delicate { delicate } else { usual }
}
