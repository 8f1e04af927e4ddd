use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

vocabulary! {
    /// By what grooms are sorted, to learn how long they take.
    #[derive(Clone, Copy, Debug, PartialEq, Eq, PartialOrd, Ord, Serialize, Deserialize, ToSchema)]
    #[serde(rename_all = "snake_case")]
    #[expect(missing_docs, reason = "the names say it")]
    pub enum SortBy {
        Stylist => "Stylist",
        Size => "Size",
        Coat => "Coat",
        Knots => "Knots",
        Look => "Look",
    }
}

/// One sort of groom: a stylist's, a large dog's, a curly coat's.
#[derive(Clone, Debug, PartialEq, Eq, PartialOrd, Ord, Serialize, Deserialize, ToSchema)]
pub struct Sort {
    /// By what it is sorted.
    pub by: SortBy,
    /// Which, in words.
    pub name: String,
}

/// How much longer a sort of groom takes at this salon, where it took that over from its log.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct SortFactor {
    /// Which.
    pub sort: Sort,
    /// Factor on the minutes of every step.
    pub factor: f64,
}
