use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use super::view::View;

/// From where the finished dog is looked at, in the order of the walk round it (handbook 6, 9. *Check*).
#[derive(
    Clone, Copy, Debug, PartialEq, Eq, PartialOrd, Ord, Hash, Serialize, Deserialize, ToSchema,
)]
#[serde(rename_all = "snake_case")]
pub enum WalkFrom {
    /// Its left side.
    Left,
    /// Behind it, the tail held up.
    Behind,
    /// Its right side: the dog turned round.
    Right,
    /// In front of it.
    Front,
    /// Above it.
    Above,
    /// Below it: feet lifted, head down.
    Below,
    /// A few steps off, the dog walking on the floor.
    Walking,
}

impl WalkFrom {
    /// All, in the order of the walk.
    pub const ALL: [Self; 7] = [
        Self::Left,
        Self::Behind,
        Self::Right,
        Self::Front,
        Self::Above,
        Self::Below,
        Self::Walking,
    ];

    /// What its page is called.
    pub const fn label(self) -> &'static str {
        match self {
            Self::Left => "Left side",
            Self::Behind => "Behind, tail up",
            Self::Right => "Right side",
            Self::Front => "In front",
            Self::Above => "Above",
            Self::Below => "Below",
            Self::Walking => "On the floor, walking",
        }
    }

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
