use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use crate::look::{LineName, LineStop};
use crate::page::{View, course};
use crate::units::Length;

/// How the join is left.
#[derive(Clone, Copy, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
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
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct HandDistance {
    /// The bone, and the direction from it.
    pub from: String,
    /// The distance.
    pub distance_mm: Length,
    /// As it is said: with the unit and finger-breadths; on the left where the sides differ.
    pub text: String,
    /// On the dog's right, where a hand would feel the difference.
    #[serde(default)]
    pub right: Option<String>,
}

/// A course in a view.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct ViewPath {
    /// Which view.
    pub view: View,
    /// The course, mm on that view's own plane.
    #[serde(serialize_with = "course")]
    pub path_mm: Vec<[f64; 2]>,
}

/// Where one length ends.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct ClipLine {
    /// Which.
    pub line: LineName,
    /// Its name.
    pub label: String,
    /// Its course on the side page, mm.
    #[serde(serialize_with = "course")]
    pub path_mm: Vec<[f64; 2]>,
    /// In a few words, for the drawing.
    pub mark: String,
    /// What is above or before it.
    pub above: String,
    /// What is below or behind it.
    pub below: String,
    /// How the join is left.
    pub left: LeftAs,
    /// How the step is joined, in a sentence; empty where there is none.
    #[serde(default)]
    pub blend: String,
    /// How far its blend reaches from a level line into the longer hair, mm upwards.
    #[serde(default)]
    pub blend_dy_mm: f64,
    /// Its course in the other views it shows in.
    #[serde(default)]
    pub elsewhere: Vec<ViewPath>,
    /// Distances a hand can lay off.
    pub hand: Vec<HandDistance>,
    /// Why there.
    pub why: String,
    /// The place it lies in, where it can be moved; none where bones alone say.
    #[serde(default)]
    pub stop: Option<LineStop>,
    /// Whether it was moved there by hand.
    #[serde(default)]
    pub is_moved: bool,
}
