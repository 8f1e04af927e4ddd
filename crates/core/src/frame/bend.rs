use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use super::{Felt, Grade};

vocabulary! {
    /// The bend of the hind leg as one row of five: a leg is straight or well bent, never both
    /// (handbook 2, *Felt grades*).
    #[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
    #[serde(rename_all = "snake_case")]
    pub enum Bend {
        /// Straight, marked.
        VeryStraight => "Very straight",
        /// Straight, slight.
        Straight => "Straight",
        /// Neither.
        Usual => "Usual",
        /// Well bent, slight.
        Bent => "Bent",
        /// Well bent, marked.
        WellBent => "Well bent",
    }
}

impl Bend {
    /// What the row asks.
    pub const QUESTION: &'static str = "Bend behind";
    /// How it is felt.
    pub const HOW: &'static str = "Follow the back of the thigh to the hock.";

    /// What is said with it.
    pub const fn said(self) -> (Felt, Grade) {
        match self {
            Self::VeryStraight => (Felt::StraightBehind, Grade::Marked),
            Self::Straight => (Felt::StraightBehind, Grade::Slight),
            Self::Usual => (Felt::StraightBehind, Grade::None),
            Self::Bent => (Felt::WellBent, Grade::Slight),
            Self::WellBent => (Felt::WellBent, Grade::Marked),
        }
    }
}
