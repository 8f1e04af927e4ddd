use schemars::JsonSchema;
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use crate::units::Length;

/// Which line (handbook 5, *Clip lines*).
#[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, Deserialize, JsonSchema, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum LineName {
    /// Behind the occiput, or along a kept crest.
    Nape,
    /// Jaw to breastbone.
    Throat,
    /// Down the shoulder, lifting away at the elbow.
    Shoulder,
    /// Highest point of the underline.
    Waist,
    /// Elbow to flank.
    Underline,
    /// Flank over the thigh.
    Thigh,
    /// Pin bone to bend.
    RumpDrop,
    /// Where the leg's own length begins.
    Hock,
    /// Above the root of the tail.
    TailBase,
}

impl LineName {
    /// Name on the screen.
    pub const fn label(self) -> &'static str {
        match self {
            Self::Nape => "Nape",
            Self::Throat => "Throat",
            Self::Shoulder => "Shoulder",
            Self::Waist => "Waist",
            Self::Underline => "Underline",
            Self::Thigh => "Thigh",
            Self::RumpDrop => "Rump drop",
            Self::Hock => "Hock",
            Self::TailBase => "Tail base",
        }
    }
}

/// How the join is left.
#[derive(Clone, Copy, Debug, PartialEq, Serialize, Deserialize, JsonSchema, ToSchema)]
#[serde(rename_all = "snake_case", tag = "how")]
pub enum LeftAs {
    /// A line that may be seen.
    Hard,
    /// Blended over so many millimetres.
    Blended {
        /// Over this far.
        over_mm: Length,
    },
}

/// A distance from a bone that can be felt.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, JsonSchema, ToSchema)]
pub struct HandDistance {
    /// The bone, and the direction from it.
    pub from: String,
    /// The distance.
    pub distance_mm: Length,
    /// As it is said: with the unit and finger-breadths.
    pub text: String,
}

/// Where one length ends.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, JsonSchema, ToSchema)]
pub struct ClipLine {
    /// Which.
    pub line: LineName,
    /// Its name.
    pub label: String,
    /// Its course on the side page, mm.
    pub path_mm: Vec<[f64; 2]>,
    /// In a few words, for the drawing.
    pub mark: String,
    /// What is above or before it.
    pub above: String,
    /// What is below or behind it.
    pub below: String,
    /// How the join is left.
    pub left: LeftAs,
    /// Distances a hand can lay off.
    pub hand: Vec<HandDistance>,
    /// Why there.
    pub why: String,
}
