use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use super::Zone;

vocabulary! {
    /// A region a coat is combed out by, and the comb is tried in (handbook 10 F).
    #[derive(Clone, Copy, Debug, PartialEq, Eq, PartialOrd, Ord, Serialize, Deserialize, ToSchema)]
    #[serde(rename_all = "snake_case")]
    #[expect(missing_docs, reason = "CombRegion::label says it")]
    pub enum CombRegion {
        HindLegs => "hind legs",
        FrontLegs => "front legs",
        Hips => "hips",
        Belly => "belly",
        Sides => "sides",
        Shoulders => "shoulders",
        Chest => "chest",
        Back => "back",
        Neck => "neck",
        Tail => "tail",
        Ears => "ears",
        Head => "head",
    }
}

impl CombRegion {
    /// The region a zone is combed with.
    pub const fn of(zone: Zone) -> Self {
        match zone {
            Zone::Topknot | Zone::Cheek | Zone::Brow | Zone::Muzzle | Zone::Beard => Self::Head,
            Zone::Ear => Self::Ears,
            Zone::Throat | Zone::Crest | Zone::NeckSide => Self::Neck,
            Zone::Chest => Self::Chest,
            Zone::Shoulder => Self::Shoulders,
            Zone::Back | Zone::Croup => Self::Back,
            Zone::Ribs => Self::Sides,
            Zone::Hip | Zone::Rump => Self::Hips,
            Zone::Underline | Zone::TuckUp | Zone::Flank => Self::Belly,
            Zone::Knee
            | Zone::HindFront
            | Zone::HindBack
            | Zone::HindOut
            | Zone::HindIn
            | Zone::Hock => Self::HindLegs,
            Zone::ForeBack | Zone::ForeFront | Zone::ForeOut | Zone::ForeIn | Zone::Foot => {
                Self::FrontLegs
            }
            Zone::Tail => Self::Tail,
        }
    }

    /// Minutes of its first round on a medium dog with 50 mm of a silky coat, nothing knotted: together with
    /// the second round the quarter of an hour of handbook 6, shared out by the hair there is (modelling
    /// choice).
    pub const fn base_minutes(self) -> f64 {
        match self {
            Self::HindLegs => 1.6,
            Self::FrontLegs => 1.4,
            Self::Sides | Self::Head => 1.1,
            Self::Back => 0.9,
            Self::Hips | Self::Belly | Self::Neck => 0.8,
            Self::Shoulders | Self::Chest => 0.6,
            Self::Tail | Self::Ears => 0.5,
        }
    }
}
