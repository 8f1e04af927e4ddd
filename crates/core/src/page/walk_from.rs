use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use super::view::View;

vocabulary! {
    /// From where the finished dog is looked at, in the order of the walk round it (handbook 6, 9. *Check*).
    #[derive(
        Clone, Copy, Debug, PartialEq, Eq, PartialOrd, Ord, Hash, Serialize, Deserialize, ToSchema,
    )]
    #[serde(rename_all = "snake_case")]
    pub enum WalkFrom {
        /// Its left side.
        Left => "Left side",
        /// Behind it, the tail held up.
        Behind => "Behind, tail up",
        /// Its right side: the dog turned round.
        Right => "Right side",
        /// In front of it.
        Front => "In front",
        /// Above it.
        Above => "Above",
        /// Below it: feet lifted, head down.
        Below => "Below",
        /// A few steps off, the dog walking on the floor.
        Walking => "On the floor, walking",
    }
}

impl WalkFrom {
    /// The same in one word, for the row of all.
    pub const fn short(self) -> &'static str {
        match self {
            Self::Left => "left",
            Self::Behind => "behind",
            Self::Right => "right",
            Self::Front => "front",
            Self::Above => "above",
            Self::Below => "below",
            Self::Walking => "walking",
        }
    }

    /// The view that shows the dog from there: from below and from afar its side.
    pub const fn view(self) -> View {
        match self {
            Self::Left | Self::Right | Self::Below | Self::Walking => View::Side,
            Self::Behind => View::Rear,
            Self::Front => View::Front,
            Self::Above => View::Top,
        }
    }
}
