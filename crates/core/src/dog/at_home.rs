use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

vocabulary! {
    /// How much hair over the eyes an owner bears (handbook 10 A 8).
    #[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
    #[serde(rename_all = "snake_case")]
    pub enum HairOverEyes {
        /// None.
        None => "None",
        /// A little.
        ALittle => "A little",
        /// It does not matter.
        DoesNotMatter => "It does not matter",
    }
}

/// What an owner said once for all visits.
#[derive(Clone, Copy, Debug, Default, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
#[serde(default)]
pub struct AtHome {
    /// Minutes of brushing a week promised; none where nobody asked.
    pub brushing_minutes_a_week: Option<u32>,
    /// Hair over the eyes that is borne; none where nobody asked.
    pub hair_over_eyes: Option<HairOverEyes>,
    /// Whether photos may be shown to others; none where nobody asked.
    pub photos_may_be_shown: Option<bool>,
}

impl AtHome {
    /// Whether nothing was said.
    pub fn is_empty(&self) -> bool {
        *self == Self::default()
    }
}
