use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use super::Texture;
use crate::page::Spot;
use crate::units::Length;

vocabulary! {
    /// A patch of another colour.
    #[derive(Clone, Copy, Debug, Default, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
    #[serde(rename_all = "snake_case")]
    pub enum Patch {
        /// None.
        #[default]
        None => "None",
        /// Light on dark.
        LightOnDark => "Light on dark",
        /// Dark on light.
        DarkOnLight => "Dark on light",
    }
}

vocabulary! {
    /// How the coat is finished (handbook 3, *Finish is part of the plan*).
    #[derive(Clone, Copy, Debug, Default, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
    #[serde(rename_all = "snake_case")]
    pub enum CoatFinish {
        /// Stands as the texture stands.
        #[default]
        BlownStraight => "Blown straight",
        /// Misted and patted back into curl.
        CurlBack => "Curl back",
    }
}

impl CoatFinish {
    /// Factor on the stand (handbook 3, modelling choice).
    pub const fn stand_factor(self) -> f64 {
        match self {
            Self::BlownStraight => 1.0,
            Self::CurlBack => 0.6,
        }
    }
}

vocabulary! {
    /// Which way the hair lies, where it does not lie as usual (towards the tail, and down the legs).
    #[derive(Clone, Copy, Debug, Default, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
    #[serde(rename_all = "snake_case")]
    pub enum Lay {
        /// Towards the tail, and down.
        #[default]
        AsUsual => "As usual",
        /// Towards the head.
        Forward => "Forward",
        /// Towards the back.
        Up => "Up",
        /// Across, from the middle outwards.
        Outward => "Outward",
    }
}

impl Lay {
    /// In a word or two, where it is not as usual.
    pub const fn words(self) -> Option<&'static str> {
        match self {
            Self::AsUsual => None,
            Self::Forward => Some("lies forward"),
            Self::Up => Some("lies up"),
            Self::Outward => Some("lies outward"),
        }
    }
}

/// What one zone of the coat carries beside its length and knots.
#[derive(Clone, Copy, Debug, Default, PartialEq, Serialize, Deserialize, ToSchema)]
#[serde(default)]
pub struct ZoneMarks {
    /// Texture where it differs.
    pub texture: Option<Texture>,
    /// A lock drawn out to its full length.
    pub drawn_out_mm: Option<Length>,
    /// The same lock settled: how far it stands off the skin.
    pub standing_mm: Option<Length>,
    /// A spot already shorter than its surroundings: how short.
    pub hole_mm: Option<Length>,
    /// Where that spot is.
    pub hole_at: Option<Spot>,
    /// A patch of another colour.
    pub patch: Patch,
    /// How high over the table the patch ends, where that is on the body's side.
    pub tone_edge_mm: Option<Length>,
    /// Which way the hair lies.
    pub lay: Lay,
    /// A whorl: one tool run one way leaves two lengths.
    pub has_whorl: bool,
    /// Stained.
    pub is_stained: bool,
    /// Hair in waves: it stands proud of what lies beside it at the same length.
    pub has_waves: bool,
    /// How far from the skin its knots begin.
    pub knot_from_skin_mm: Option<Length>,
}

impl ZoneMarks {
    /// Whether there is nothing to say.
    pub fn is_empty(&self) -> bool {
        *self == Self::default()
    }

    /// The stand its lock measured: standing height against drawn-out length, 0 to 1.
    pub fn measured_stand(&self) -> Option<f64> {
        let (long, high) = (self.drawn_out_mm?.as_mm(), self.standing_mm?.as_mm());
        (long > 0.0 && high >= 0.0 && high <= long).then(|| high / long)
    }

    /// Whether its knots lie outside a planned length, so that they go with the cut; none where
    /// nobody said how deep they are.
    pub fn knots_go_with(&self, planned_mm: f64) -> Option<bool> {
        Some(self.knot_from_skin_mm?.as_mm() >= planned_mm)
    }
}
