use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

/// What a hand feels where no number was taken, in the order a hand travels (handbook 2).
#[derive(Clone, Copy, Debug, PartialEq, Eq, PartialOrd, Ord, Serialize, Deserialize, ToSchema)]
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
    /// Body longer than usual for the height.
    LongInBody,
    /// Ribs show to the hand or to the eye.
    ThinOverRibs,
    /// Shoulder wider than the ribs.
    HeavyShoulder,
    /// Strong before, slight behind.
    HeavyFrontLightRear,
    /// Elbow nearer the table than usual.
    ShortOnLeg,
    /// Front feet point outward.
    ForeFeetOut,
    /// Front feet point inward.
    ForeFeetIn,
    /// The forearm leaves the straight line.
    ForeLegsBowed,
    /// The hind leg has little bend.
    StraightBehind,
    /// The hind leg has much bend.
    WellBent,
    /// Hocks nearer together than the feet.
    HocksIn,
    /// Hocks further apart than the feet.
    HindBowedOut,
    /// Hind legs stand wide.
    WideBehind,
}

vocabulary! {
    /// How strongly something is felt.
    #[derive(Clone, Copy, Debug, Default, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
    #[serde(rename_all = "snake_case")]
    pub enum Grade {
        /// Not there.
        #[default]
        None => "None",
        /// There when looked for.
        Slight => "Slight",
        /// Plain.
        Marked => "Marked",
    }
}

impl Grade {
    /// Whether it is not there.
    pub fn is_none(&self) -> bool {
        *self == Self::None
    }
}

struct About {
    label: &'static str,
    how_to_feel: &'static str,
    slight: f64,
    marked: f64,
    doubt: f64,
}

impl Felt {
    /// In the order of the hand: neck, dip, high rear, tail set, ribs, shoulder, fore feet, fore
    /// legs, bend behind, hocks.
    pub const ALL: [Self; 17] = [
        Self::ShortNeck,
        Self::DipInBack,
        Self::HighInRear,
        Self::LowTailSet,
        Self::LongInBody,
        Self::ThinOverRibs,
        Self::HeavyShoulder,
        Self::HeavyFrontLightRear,
        Self::ShortOnLeg,
        Self::ForeFeetOut,
        Self::ForeFeetIn,
        Self::ForeLegsBowed,
        Self::StraightBehind,
        Self::WellBent,
        Self::HocksIn,
        Self::HindBowedOut,
        Self::WideBehind,
    ];

    /// From handbook 2's table (modelling choice, house values); thin ribs carry no number there:
    /// 2 and 4 % narrower ribs are ours (modelling choice).
    const fn about(self) -> About {
        let (label, how_to_feel, slight, marked, doubt) = match self {
            Self::ShortNeck => (
                "Short neck",
                "Hand's breadths from withers to skull.",
                0.04,
                0.08,
                0.015,
            ),
            Self::DipInBack => (
                "Dip in the back",
                "Flat hand from neck to tail.",
                0.015,
                0.035,
                0.007,
            ),
            Self::HighInRear => (
                "High in the rear",
                "Lift the tail, flat hand over the hips.",
                0.015,
                0.04,
                0.008,
            ),
            Self::LowTailSet => (
                "Low tail set",
                "Finger on the root of the tail.",
                0.03,
                0.07,
                0.012,
            ),
            Self::LongInBody => (
                "Long in body",
                "Both hands along the side, against the height.",
                0.05,
                0.12,
                0.02,
            ),
            Self::ThinOverRibs => (
                "Thin over the ribs",
                "Fingertips along the ribs.",
                0.02,
                0.04,
                0.01,
            ),
            Self::HeavyShoulder => (
                "Heavy shoulder",
                "Flat hands from shoulders back over the ribs.",
                0.02,
                0.05,
                0.01,
            ),
            Self::HeavyFrontLightRear => (
                "Heavy front, light rear",
                "Both hands round chest, then round thighs.",
                0.0,
                0.0,
                0.0,
            ),
            Self::ShortOnLeg => (
                "Short on leg",
                "Elbow against half the height.",
                0.03,
                0.07,
                0.012,
            ),
            Self::ForeFeetOut => (
                "Front feet turned out",
                "From above: where the middle toes point.",
                10.0,
                22.0,
                4.0,
            ),
            Self::ForeFeetIn => (
                "Front feet turned in",
                "From above: where the middle toes point.",
                8.0,
                15.0,
                4.0,
            ),
            Self::ForeLegsBowed => (
                "Front legs bowed",
                "Thumb and finger down both sides of the forearm.",
                0.01,
                0.025,
                0.005,
            ),
            Self::StraightBehind => (
                "Straight behind",
                "Follow the back of the thigh: little curve.",
                0.025,
                0.05,
                0.01,
            ),
            Self::WellBent => (
                "Well bent behind",
                "Follow the back of the thigh: deep curve.",
                0.02,
                0.04,
                0.01,
            ),
            Self::HocksIn => (
                "Hocks in",
                "From behind: hocks against feet.",
                0.03,
                0.07,
                0.012,
            ),
            Self::HindBowedOut => (
                "Hind legs bowed out",
                "From behind: hocks against feet.",
                0.03,
                0.07,
                0.012,
            ),
            Self::WideBehind => (
                "Wide behind",
                "From behind: a hand between the legs.",
                0.03,
                0.07,
                0.012,
            ),
        };
        About {
            label,
            how_to_feel,
            slight,
            marked,
            doubt,
        }
    }

    /// The question's name on the screen.
    pub const fn label(self) -> &'static str {
        self.about().label
    }

    /// What the hand does to find out.
    pub const fn how_to_feel(self) -> &'static str {
        self.about().how_to_feel
    }

    /// The ten of the first minute, in the order of the hand (handbook 2, *Felt grades*: neck, dip, high
    /// rear, tail set, ribs, shoulder, fore feet, fore legs, bend behind, hocks). The bend is asked one way
    /// or the other, see [`Felt::opposite`].
    pub const QUICK_TEN: [Self; 10] = [
        Self::ShortNeck,
        Self::DipInBack,
        Self::HighInRear,
        Self::LowTailSet,
        Self::ThinOverRibs,
        Self::HeavyShoulder,
        Self::ForeFeetOut,
        Self::ForeLegsBowed,
        Self::StraightBehind,
        Self::HocksIn,
    ];

    /// Whether left and right can differ.
    pub const fn is_paired(self) -> bool {
        self.is_in_degrees() || matches!(self, Self::ForeLegsBowed)
    }

    /// Whether a grade stands for degrees instead of a share of the height.
    pub const fn is_in_degrees(self) -> bool {
        matches!(self, Self::ForeFeetOut | Self::ForeFeetIn)
    }

    /// The feeling that rules this one out: a leg is straight or well bent, never both.
    pub const fn opposite(self) -> Option<Self> {
        match self {
            Self::StraightBehind => Some(Self::WellBent),
            Self::WellBent => Some(Self::StraightBehind),
            Self::ForeFeetOut => Some(Self::ForeFeetIn),
            Self::ForeFeetIn => Some(Self::ForeFeetOut),
            Self::HocksIn => Some(Self::HindBowedOut),
            Self::HindBowedOut => Some(Self::HocksIn),
            _ => None,
        }
    }

    /// What a grade stands for: a share of the height at withers, or degrees.
    pub const fn amount(self, grade: Grade) -> f64 {
        let about = self.about();
        match grade {
            Grade::None => 0.0,
            Grade::Slight => about.slight,
            Grade::Marked => about.marked,
        }
    }

    /// One standard deviation of a felt grade, in the same unit (handbook 2).
    pub const fn doubt(self) -> f64 {
        self.about().doubt
    }
}
