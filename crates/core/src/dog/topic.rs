use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

/// A kind of work the salon's clock knows (handbook 6, *Minutes*).
#[derive(
    Clone, Copy, Debug, Default, PartialEq, Eq, PartialOrd, Ord, Serialize, Deserialize, ToSchema,
)]
#[serde(rename_all = "snake_case")]
#[expect(missing_docs, reason = "each is named by Topic::label")]
pub enum Topic {
    SmallJobs,
    CombOut,
    Bath,
    Dry,
    #[default]
    Clip,
    Feet,
    Scissor,
    Blend,
    Check,
}

impl Topic {
    /// In a word or two.
    pub const fn label(self) -> &'static str {
        match self {
            Self::SmallJobs => "Nails, pads, hygiene, ears",
            Self::CombOut => "Combing out",
            Self::Bath => "Bath",
            Self::Dry => "Drying",
            Self::Clip => "Clipping",
            Self::Feet => "Feet and bevels",
            Self::Scissor => "Scissoring",
            Self::Blend => "Blending",
            Self::Check => "Checking",
        }
    }
}
