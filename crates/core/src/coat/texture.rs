use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

vocabulary! {
    /// Coat texture: it gives the stand, the growth and what strokes it bears (handbook 3).
    #[derive(Clone, Copy, Debug, Default, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
    #[serde(rename_all = "snake_case")]
    pub enum Texture {
        /// Tight curl.
        #[default]
        Curl => "Tight curl",
        /// Fleece or wave.
        Fleece => "Fleece or wave",
        /// Harsh, wiry.
        Harsh => "Harsh",
        /// Silky drop coat.
        Silky => "Silky drop",
        /// Flat and feathered.
        Feathered => "Flat, feathered",
    }
}

impl Texture {
    /// Whether its ends hang apart in locks rather than curl together (handbook 3).
    pub const fn hangs_in_locks(self) -> bool {
        matches!(self, Self::Harsh | Self::Silky | Self::Feathered)
    }

    /// How far a combed-up hair stands off the skin against its own length, 0 to 1.
    ///
    /// Handbook 3 (modelling choice, editable); a measured stand replaces it.
    pub const fn stand(self) -> f64 {
        match self {
            Self::Curl => 0.95,
            Self::Fleece => 0.85,
            Self::Harsh => 0.6,
            Self::Silky => 0.35,
            Self::Feathered => 0.25,
        }
    }

    /// Early growth, mm a day (handbook 3, from memory of published hair-growth studies).
    pub const fn growth_mm_per_day(self) -> f64 {
        match self {
            Self::Curl | Self::Fleece => 0.34,
            Self::Silky => 0.30,
            Self::Harsh | Self::Feathered => 0.22,
        }
    }

    /// Length the coat grows towards, mm (handbook 3, from memory).
    pub const fn terminal_mm(self) -> f64 {
        match self {
            Self::Curl | Self::Fleece => 250.0,
            Self::Silky => 220.0,
            Self::Harsh => 60.0,
            Self::Feathered => 90.0,
        }
    }

    /// Coat as it usually comes in, all over, on a dog of 460 mm, where nobody said (modelling choice).
    pub const fn usual_length_mm(self) -> f64 {
        match self {
            Self::Curl => 45.0,
            Self::Fleece => 50.0,
            Self::Harsh => 40.0,
            Self::Silky => 70.0,
            Self::Feathered => 50.0,
        }
    }
}
