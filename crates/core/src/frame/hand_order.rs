use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use super::{Angle, Felt, Measure};

vocabulary! {
    /// Where the hand is, nose to tail, then down the legs (handbook 2, *Landmarks*).
    #[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
    #[serde(rename_all = "snake_case")]
    #[expect(missing_docs, reason = "Stop::label says it")]
    pub enum Stop {
        HeadAndNeck => "Head and neck",
        ChestAndShoulder => "Chest and shoulder",
        Back => "Withers and back",
        RibsAndLoin => "Ribs and loin",
        Rump => "Croup, tail and rump",
        FrontLegs => "Front legs",
        HindLegs => "Flank and hind legs",
    }
}

/// One thing to find at a stop.
#[derive(Clone, Copy, Debug, PartialEq, Eq, PartialOrd, Ord, Serialize, Deserialize, ToSchema)]
#[serde(tag = "of", content = "which", rename_all = "snake_case")]
pub enum Finding {
    /// A length.
    Measure(Measure),
    /// An angle.
    Angle(Angle),
    /// A felt grade.
    Felt(Felt),
}

impl Stop {
    /// What is found there, in the order of the hand.
    pub fn findings(self) -> Vec<Finding> {
        use Felt as F;
        use Finding::{Angle as A, Felt as Feel, Measure as M};
        use Measure as N;
        match self {
            Self::HeadAndNeck => vec![
                M(N::HeadLength),
                M(N::MuzzleLength),
                M(N::SkullWidth),
                M(N::JawToEar),
                M(N::EarLeather),
                M(N::EarShortOfNose),
                M(N::NeckLength),
                Feel(F::ShortNeck),
            ],
            Self::ChestAndShoulder => vec![
                M(N::ChestWidth),
                Feel(F::HeavyShoulder),
                A(Angle::ShoulderLayback),
                Feel(F::HeavyFrontLightRear),
            ],
            Self::Back => vec![
                M(N::HeightAtWithers),
                Feel(F::DipInBack),
                M(N::BackDrop),
                M(N::HipCrestHeight),
                Feel(F::HighInRear),
            ],
            Self::RibsAndLoin => vec![
                M(N::LastRib),
                M(N::RibWidth),
                Feel(F::ThinOverRibs),
                M(N::LoinWidth),
            ],
            Self::Rump => vec![
                M(N::TailSetHeight),
                Feel(F::LowTailSet),
                M(N::TailLength),
                M(N::PinBoneHeight),
                M(N::BodyLength),
                Feel(F::LongInBody),
                M(N::ThighWidth),
            ],
            Self::FrontLegs => vec![
                M(N::ElbowHeight),
                Feel(F::ShortOnLeg),
                M(N::WristHeight),
                M(N::ElbowSpacing),
                M(N::WristSpacing),
                M(N::ForefootSpacing),
                Feel(F::ForeLegsBowed),
                Feel(F::ForeFeetOut),
                Feel(F::ForeFeetIn),
                A(Angle::ForeTurnout),
                M(N::ForeLegSide),
                M(N::ForeLegFront),
                M(N::FootWidth),
            ],
            Self::HindLegs => vec![
                M(N::FlankFoldHeight),
                M(N::StifleHeight),
                M(N::HockHeight),
                M(N::HockReach),
                Feel(F::StraightBehind),
                Feel(F::WellBent),
                A(Angle::Stifle),
                A(Angle::Hock),
                M(N::StifleSpacing),
                M(N::HockSpacing),
                M(N::HindFootSpacing),
                Feel(F::HocksIn),
                Feel(F::HindBowedOut),
                Feel(F::WideBehind),
                A(Angle::HindTurnout),
                M(N::HindLegSide),
                M(N::HindLegFront),
            ],
        }
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn the_hand_finds_everything_once() {
        let mut found: Vec<Finding> = Stop::ALL.iter().flat_map(|s| s.findings()).collect();
        let count = found.len();
        found.sort_unstable();
        found.dedup();
        assert_eq!(found.len(), count, "nothing is asked twice");
        let taken = Angle::ALL.iter().filter(|a| a.can_be_taken()).count();
        assert_eq!(count, Measure::ALL.len() + Felt::ALL.len() + taken);
    }
}
