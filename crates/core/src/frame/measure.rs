use schemars::JsonSchema;
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use crate::units::Length;

/// What can be measured on the frame (handbook 2, *Measures*); the side view and the body's widths.
#[derive(
    Clone, Copy, Debug, PartialEq, Eq, PartialOrd, Ord, Serialize, Deserialize, JsonSchema, ToSchema,
)]
#[serde(rename_all = "snake_case")]
pub enum Measure {
    /// Table to the highest point of the shoulder blades.
    HeightAtWithers,
    /// Breastbone to pin bone, level.
    BodyLength,
    /// Table to elbow.
    ElbowHeight,
    /// Table to the hip crest.
    HipCrestHeight,
    /// Breastbone back to the last rib, level.
    LastRib,
    /// Table to the hock point.
    HockHeight,
    /// Across the chest from the front.
    ChestWidth,
    /// Across a bare forefoot.
    FootWidth,
    /// Largest gap under a rod laid from withers to hip crest.
    BackDrop,
    /// Table to the root of the tail.
    TailSetHeight,
    /// Table to the pin bone.
    PinBoneHeight,
    /// Table to the flank fold.
    FlankFoldHeight,
    /// Table to the stifle.
    StifleHeight,
    /// Table to the wrist.
    WristHeight,
    /// How far the hock point stands behind the pin-bone plumb line.
    HockReach,
    /// Withers to occiput.
    NeckLength,
    /// Occiput to nose tip.
    HeadLength,
}

/// The first eight, about four minutes, in the order they are asked (handbook 2).
pub const QUICK_EIGHT: [Measure; 8] = [
    Measure::HeightAtWithers,
    Measure::BodyLength,
    Measure::ElbowHeight,
    Measure::HipCrestHeight,
    Measure::LastRib,
    Measure::HockHeight,
    Measure::ChestWidth,
    Measure::FootWidth,
];

impl Measure {
    /// Every measure, in the order of the handbook.
    pub const ALL: [Self; 17] = [
        Self::HeightAtWithers,
        Self::BodyLength,
        Self::ElbowHeight,
        Self::HipCrestHeight,
        Self::LastRib,
        Self::HockHeight,
        Self::ChestWidth,
        Self::FootWidth,
        Self::BackDrop,
        Self::TailSetHeight,
        Self::PinBoneHeight,
        Self::FlankFoldHeight,
        Self::StifleHeight,
        Self::WristHeight,
        Self::HockReach,
        Self::NeckLength,
        Self::HeadLength,
    ];

    /// The name on the screen.
    pub const fn label(self) -> &'static str {
        match self {
            Self::HeightAtWithers => "Height at withers",
            Self::BodyLength => "Body length",
            Self::ElbowHeight => "Elbow height",
            Self::HipCrestHeight => "Height at hip crest",
            Self::LastRib => "Last rib from breastbone",
            Self::HockHeight => "Hock height",
            Self::ChestWidth => "Chest width",
            Self::FootWidth => "Foot width",
            Self::BackDrop => "Back drop",
            Self::TailSetHeight => "Tail-set height",
            Self::PinBoneHeight => "Pin-bone height",
            Self::FlankFoldHeight => "Flank-fold height",
            Self::StifleHeight => "Stifle height",
            Self::WristHeight => "Wrist height",
            Self::HockReach => "Hock reach",
            Self::NeckLength => "Neck length",
            Self::HeadLength => "Head length",
        }
    }

    /// How a hand finds it, in a few words (handbook 2, landmarks).
    pub const fn how_to_find(self) -> &'static str {
        match self {
            Self::HeightAtWithers => "Highest point of the shoulder blades, to the table.",
            Self::BodyLength => "Breastbone to pin bone, tape held level.",
            Self::ElbowHeight => "Point of the elbow, to the table.",
            Self::HipCrestHeight => "The two bumps beside the spine, to the table.",
            Self::LastRib => "Breastbone back to where the ribs stop.",
            Self::HockHeight => "Rearmost bump of the heel joint, to the table.",
            Self::ChestWidth => "Widest across the chest, from in front.",
            Self::FootWidth => "Bare forefoot, hair parted.",
            Self::BackDrop => "Rod from withers to hip crest: largest gap below.",
            Self::TailSetHeight => "Root of the tail, to the table.",
            Self::PinBoneHeight => "Bump under the tail, to the table.",
            Self::FlankFoldHeight => "Thin skin before the thigh, to the table.",
            Self::StifleHeight => "Front of the bent knee, to the table.",
            Self::WristHeight => "Front of the wrist, to the table.",
            Self::HockReach => "Hock point behind a plumb line from the pin bone.",
            Self::NeckLength => "Withers to the bump behind the skull.",
            Self::HeadLength => "Bump behind the skull to the nose tip.",
        }
    }

    /// Range outside which a value is refused, and the narrower one outside which it is unusual.
    ///
    /// Shares of the height at withers; for [`Self::LastRib`] of the body length; for the height
    /// itself millimetres. The inner range is the one in which the drawn dog was tested for
    /// crossing edges (dog-shape.md 2); the outer is that range widened by about a third
    /// (modelling choice).
    pub const fn ranges(self) -> Ranges {
        let (refuse, unusual) = match self {
            Self::HeightAtWithers => ((120.0, 1000.0), (180.0, 820.0)),
            Self::BodyLength => ((0.70, 1.90), (0.85, 1.55)),
            Self::ElbowHeight => ((0.30, 0.68), (0.38, 0.60)),
            Self::HipCrestHeight => ((0.85, 1.15), (0.95, 1.06)),
            Self::LastRib => ((0.40, 0.80), (0.50, 0.70)),
            Self::HockHeight => ((0.12, 0.42), (0.18, 0.33)),
            Self::ChestWidth => ((0.12, 0.60), (0.20, 0.46)),
            Self::FootWidth => ((0.04, 0.22), (0.07, 0.15)),
            Self::BackDrop => ((0.0, 0.08), (0.0, 0.05)),
            Self::TailSetHeight => ((0.75, 1.12), (0.84, 1.02)),
            Self::PinBoneHeight => ((0.60, 0.98), (0.70, 0.90)),
            Self::FlankFoldHeight => ((0.36, 0.82), (0.46, 0.70)),
            Self::StifleHeight => ((0.26, 0.66), (0.34, 0.56)),
            Self::WristHeight => ((0.08, 0.30), (0.11, 0.24)),
            Self::HockReach => ((-0.06, 0.20), (-0.02, 0.14)),
            Self::NeckLength => ((0.18, 0.70), (0.25, 0.55)),
            Self::HeadLength => ((0.22, 0.65), (0.28, 0.52)),
        };
        Ranges { refuse, unusual }
    }
}

/// Lowest and highest value of a measure: possible, and usual.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct Ranges {
    /// Outside it the value is refused.
    pub refuse: (f64, f64),
    /// Outside it the stylist is asked to measure again.
    pub unusual: (f64, f64),
}

/// How a measure was got. Its doubt is one standard deviation (handbook 2).
#[derive(
    Clone, Copy, Debug, Default, PartialEq, Eq, Serialize, Deserialize, JsonSchema, ToSchema,
)]
#[serde(rename_all = "snake_case")]
pub enum Method {
    /// ± 4 mm.
    #[default]
    Tape,
    /// ± 2 mm.
    HeightStick,
    /// ± 2 mm.
    Caliper,
}

impl Method {
    /// One standard deviation, mm.
    pub const fn doubt_mm(self) -> f64 {
        match self {
            Self::Tape => 4.0,
            Self::HeightStick | Self::Caliper => 2.0,
        }
    }
}

/// One measure as it was taken.
#[derive(Clone, Copy, Debug, PartialEq, Serialize, Deserialize, JsonSchema, ToSchema)]
pub struct TakenMeasure {
    /// The value, as read.
    pub value_mm: Length,
    /// How it was got.
    pub method: Method,
}

/// Whether the dog stood square while it was measured; widens the doubt of what the feet decide.
#[derive(
    Clone, Copy, Debug, Default, PartialEq, Eq, Serialize, Deserialize, JsonSchema, ToSchema,
)]
#[serde(rename_all = "snake_case")]
pub enum Stance {
    /// Rear pasterns upright, forefeet under the withers, weight on all four.
    #[default]
    Square,
    /// Doubles the doubt.
    Nearly,
    /// Trebles the doubt.
    NotSquare,
}

impl Stance {
    /// Factor on the doubt of hock reach and the bend behind (handbook 2, modelling choice).
    pub const fn doubt_factor(self) -> f64 {
        match self {
            Self::Square => 1.0,
            Self::Nearly => 2.0,
            Self::NotSquare => 3.0,
        }
    }
}
