use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use crate::body::EarlierFound;
use crate::frame::FrameInput;
use crate::visit::{MeasureHistory, Recipe};

/// What of earlier visits is drawn with this one.
#[derive(Clone, Debug, Default, PartialEq, Serialize, Deserialize, ToSchema)]
#[serde(default)]
pub struct Before {
    /// The frame to lay over this one.
    pub frame: Option<FrameInput>,
    /// What was found then, faded.
    pub found: Vec<EarlierFound>,
    /// Measures over the visits before.
    pub measures: Vec<MeasureHistory>,
    /// Whether there was no visit before.
    pub is_first: bool,
    /// What was done last time, where it is known.
    pub recipe: Option<Recipe>,
}
