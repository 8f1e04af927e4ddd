use schemars::JsonSchema;
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

/// What a hand feels where no number was taken, in the order a hand travels (handbook 2).
#[derive(
    Clone, Copy, Debug, PartialEq, Eq, PartialOrd, Ord, Serialize, Deserialize, JsonSchema, ToSchema,
)]
#[serde(rename_all = "snake_case")]
pub enum Felt {
    /// Neck shorter than usual.
    ShortNeck,
    /// The back sags below the line withers to hip crest.
    DipInBack,
    /// Hip crest above the withers.
    HighInRear,
    /// Tail root lower than usual.
    LowTailSet,
    /// Ribs show to the hand or to the eye.
    ThinOverRibs,
    /// Elbow nearer the table than usual.
    ShortOnLeg,
    /// The hind leg has little bend.
    StraightBehind,
    /// The hind leg has much bend.
    WellBent,
}

/// How strongly something is felt.
#[derive(
    Clone, Copy, Debug, Default, PartialEq, Eq, Serialize, Deserialize, JsonSchema, ToSchema,
)]
#[serde(rename_all = "snake_case")]
pub enum Grade {
    /// Not there.
    #[default]
    None,
    /// There when looked for.
    Slight,
    /// Plain.
    Marked,
}

impl Felt {
    /// In the order of the hand: neck, dip, high rear, tail set, ribs, legs, bend behind.
    pub const ALL: [Self; 8] = [
        Self::ShortNeck,
        Self::DipInBack,
        Self::HighInRear,
        Self::LowTailSet,
        Self::ThinOverRibs,
        Self::ShortOnLeg,
        Self::StraightBehind,
        Self::WellBent,
    ];

    /// The question's name on the screen.
    pub const fn label(self) -> &'static str {
        match self {
            Self::ShortNeck => "Short neck",
            Self::DipInBack => "Dip in the back",
            Self::HighInRear => "High in the rear",
            Self::LowTailSet => "Low tail set",
            Self::ThinOverRibs => "Thin over the ribs",
            Self::ShortOnLeg => "Short on leg",
            Self::StraightBehind => "Straight behind",
            Self::WellBent => "Well bent behind",
        }
    }

    /// What the hand does to find out.
    pub const fn how_to_feel(self) -> &'static str {
        match self {
            Self::ShortNeck => "Hand's breadths from withers to skull.",
            Self::DipInBack => "Flat hand from neck to tail.",
            Self::HighInRear => "Lift the tail, flat hand over the hips.",
            Self::LowTailSet => "Finger on the root of the tail.",
            Self::ThinOverRibs => "Fingertips along the ribs.",
            Self::ShortOnLeg => "Elbow against half the height.",
            Self::StraightBehind => "Follow the back of the thigh: little curve.",
            Self::WellBent => "Follow the back of the thigh: deep curve.",
        }
    }

    /// What a grade stands for, as a share of the height at withers.
    ///
    /// From handbook 2's table (modelling choice, house values); thin ribs carry no number there:
    /// 2 and 4 % narrower ribs are ours, from the study's thin dogs.
    pub const fn share(self, grade: Grade) -> f64 {
        let (slight, marked) = match self {
            Self::ShortNeck => (0.04, 0.08),
            Self::DipInBack => (0.015, 0.035),
            Self::HighInRear => (0.015, 0.04),
            Self::LowTailSet | Self::ShortOnLeg => (0.03, 0.07),
            Self::ThinOverRibs | Self::WellBent => (0.02, 0.04),
            Self::StraightBehind => (0.025, 0.05),
        };
        match grade {
            Grade::None => 0.0,
            Grade::Slight => slight,
            Grade::Marked => marked,
        }
    }

    /// One standard deviation of a felt grade, share of the height (handbook 2).
    pub const fn doubt_share(self) -> f64 {
        match self {
            Self::ShortNeck => 0.015,
            Self::DipInBack => 0.007,
            Self::HighInRear => 0.008,
            Self::LowTailSet | Self::ShortOnLeg => 0.012,
            Self::ThinOverRibs | Self::StraightBehind | Self::WellBent => 0.01,
        }
    }
}
