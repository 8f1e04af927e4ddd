use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

vocabulary! {
    /// A direction the dog is seen from.
    #[derive(Clone, Copy, Debug, Default, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
    #[serde(rename_all = "snake_case")]
    pub enum View {
        /// From its left, facing left.
        #[default]
        Side => "side",
        /// From in front.
        Front => "front",
        /// From behind.
        Rear => "rear",
        /// From above, facing left.
        Top => "top",
    }
}

impl View {
    /// How a title says it.
    pub const fn seen_from(self) -> &'static str {
        match self {
            Self::Side => "from the side",
            Self::Front => "from in front",
            Self::Rear => "from behind",
            Self::Top => "from above",
        }
    }
}

impl View {
    /// How a view's own axes run on the page: the dog faces left from the side and from above, is
    /// seen as it stands from in front, and mirrored so from behind (handbook 2, *Axes*).
    pub const fn page_signs(self) -> (f64, f64) {
        match self {
            Self::Side | Self::Rear => (-1.0, 1.0),
            Self::Front => (1.0, 1.0),
            Self::Top => (-1.0, -1.0),
        }
    }
}
