use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

/// What the front legs should look like (handbook 5, *Legs*).
#[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum ForeLegShape {
    /// Parallel on all sides, plumb, flush with the body.
    Tube,
    /// Flat in front, gently full behind, in at the elbow and in at the foot.
    D,
    /// Narrow at the top, wider at the foot; wider than the body is meant.
    Flare,
    /// As the feather hangs: not judged.
    AsItHangs,
}

/// What the hind legs should look like from behind (handbook 5, *Legs*).
#[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum HindLegShape {
    /// Parallel.
    Parallel,
    /// Feet wider than the hips.
    A,
    /// As the feather hangs: not judged.
    AsItHangs,
}

impl HindLegShape {
    /// Those a look can be given.
    pub const ALL: [Self; 2] = [Self::Parallel, Self::A];

    /// Its name on the screen.
    pub const fn label(self) -> &'static str {
        match self {
            Self::Parallel => "parallel",
            Self::A => "A",
            Self::AsItHangs => "as it hangs",
        }
    }
}

/// Half the flare of the front leg seen from in front, from its middle to its ends, and from the
/// side; share of the height (balance-model.md 5: ± .02, ± .007 wider below).
const FLARE_ON_END: f64 = 0.02;
const FLARE_SIDE: f64 = 0.007;
/// How much fuller a D is behind, half way down; share of the height (balance-model.md 5).
const D_BEHIND: f64 = 0.012;

impl ForeLegShape {
    /// Those a look can be given.
    pub const ALL: [Self; 3] = [Self::Tube, Self::D, Self::Flare];

    /// Its name on the screen.
    pub const fn label(self) -> &'static str {
        match self {
            Self::Tube => "tube",
            Self::D => "D, full behind",
            Self::Flare => "flare",
            Self::AsItHangs => "as it hangs",
        }
    }

    /// How far the outer edge stands out of plumb seen from in front, share of the height; `t` runs
    /// from −1 at the top of the column to 1 at its foot.
    pub(crate) fn out_on_end(self, t: f64) -> f64 {
        match self {
            Self::Flare => FLARE_ON_END * t,
            _ => 0.0,
        }
    }

    /// How far the edges stand forward of plumb seen from the side, behind and in front.
    pub(crate) fn forward(self, t: f64) -> (f64, f64) {
        match self {
            Self::Flare => (-FLARE_SIDE * t, FLARE_SIDE * t),
            // Full in the middle, in at both ends; what counts is the departure from its own mean.
            Self::D => (-D_BEHIND * (1.0 - t * t), 0.0),
            Self::Tube | Self::AsItHangs => (0.0, 0.0),
        }
    }
}
