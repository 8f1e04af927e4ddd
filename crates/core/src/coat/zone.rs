use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

/// A zone of the coat: what a stylist would cut alike (handbook 3; dog-shape.md 5 and 8).
#[derive(
    Clone, Copy, Debug, PartialEq, Eq, PartialOrd, Ord, Hash, Serialize, Deserialize, ToSchema,
)]
#[serde(rename_all = "snake_case")]
pub enum Zone {
    /// Top of the head.
    Topknot,
    /// Side of the head.
    Cheek,
    /// Over the eyes.
    Brow,
    /// Upper muzzle.
    Muzzle,
    /// Lower muzzle and chin.
    Beard,
    /// The ear.
    Ear,
    /// Jaw to breastbone.
    Throat,
    /// Top of the neck.
    Crest,
    /// Side of the neck.
    NeckSide,
    /// Front of the body, the bib.
    Chest,
    /// Side of the shoulder.
    Shoulder,
    /// Withers to hip crest.
    Back,
    /// Side of the ribs.
    Ribs,
    /// Side of the hip and upper thigh.
    Hip,
    /// Hip crest to tail set.
    Croup,
    /// Under the tail, over and below the pin bone.
    Rump,
    /// Underline of the chest and belly.
    Underline,
    /// Last rib to flank.
    TuckUp,
    /// The flank fold.
    Flank,
    /// Front of the knee.
    Knee,
    /// Front of the hind leg below the knee.
    HindFront,
    /// Back of the hind leg down to the hock.
    HindBack,
    /// Outside of the hind leg.
    HindOut,
    /// Inside of the hind leg.
    HindIn,
    /// Hock and rear pastern.
    Hock,
    /// Back of the front leg.
    ForeBack,
    /// Front of the front leg.
    ForeFront,
    /// Outside of the front leg.
    ForeOut,
    /// Inside of the front leg.
    ForeIn,
    /// The four feet.
    Foot,
    /// The tail.
    Tail,
}

impl Zone {
    /// All zones, head to tail, then down the legs.
    pub const ALL: [Self; 31] = [
        Self::Topknot,
        Self::Cheek,
        Self::Brow,
        Self::Muzzle,
        Self::Beard,
        Self::Ear,
        Self::Throat,
        Self::Crest,
        Self::NeckSide,
        Self::Chest,
        Self::Shoulder,
        Self::Back,
        Self::Ribs,
        Self::Hip,
        Self::Croup,
        Self::Rump,
        Self::Underline,
        Self::TuckUp,
        Self::Flank,
        Self::Knee,
        Self::HindFront,
        Self::HindBack,
        Self::HindOut,
        Self::HindIn,
        Self::Hock,
        Self::ForeBack,
        Self::ForeFront,
        Self::ForeOut,
        Self::ForeIn,
        Self::Foot,
        Self::Tail,
    ];

    /// The zone's name in a sentence.
    pub const fn label(self) -> &'static str {
        match self {
            Self::Topknot => "topknot",
            Self::Cheek => "cheeks",
            Self::Brow => "eyebrows",
            Self::Muzzle => "muzzle",
            Self::Beard => "beard",
            Self::Ear => "ears",
            Self::Throat => "throat",
            Self::Crest => "crest",
            Self::NeckSide => "neck side",
            Self::Chest => "chest",
            Self::Shoulder => "shoulder",
            Self::Back => "back",
            Self::Ribs => "ribs",
            Self::Hip => "hip",
            Self::Croup => "croup",
            Self::Rump => "rump",
            Self::Underline => "underline",
            Self::TuckUp => "tuck-up",
            Self::Flank => "flank",
            Self::Knee => "front of the knee",
            Self::HindFront => "hind leg, front",
            Self::HindBack => "hind leg, back",
            Self::HindOut => "hind leg, outside",
            Self::HindIn => "hind leg, inside",
            Self::Hock => "hock",
            Self::ForeBack => "front leg, back",
            Self::ForeFront => "front leg, front",
            Self::ForeOut => "front leg, outside",
            Self::ForeIn => "front leg, inside",
            Self::Foot => "feet",
            Self::Tail => "tail",
        }
    }

    /// Where on the dog a shortage shows, as a stylist says it.
    pub const fn place(self) -> &'static str {
        match self {
            Self::Knee => "in front of the knee",
            Self::ForeBack => "behind the front leg",
            Self::ForeFront => "in front of the front leg",
            Self::Flank => "at the flank",
            Self::TuckUp => "at the tuck-up",
            Self::Underline => "along the underline",
            Self::Back => "along the back",
            Self::Croup => "on the croup",
            Self::Rump => "on the rump",
            Self::HindBack => "behind the hind leg",
            Self::HindFront => "in front of the hind leg",
            Self::Hock => "behind the hock",
            Self::Chest => "at the chest",
            Self::Throat => "at the throat",
            Self::Crest => "on the crest",
            Self::NeckSide => "on the side of the neck",
            Self::Shoulder => "on the shoulder",
            Self::Ribs => "over the ribs",
            Self::Hip => "over the hip",
            Self::Topknot => "on the topknot",
            Self::Cheek => "on the cheeks",
            Self::Brow => "at the eyebrows",
            Self::Muzzle => "on the muzzle",
            Self::Beard => "on the beard",
            Self::Ear => "on the ears",
            Self::HindOut => "outside the hind leg",
            Self::HindIn => "inside the hind leg",
            Self::ForeOut => "outside the front leg",
            Self::ForeIn => "inside the front leg",
            Self::Foot => "on the feet",
            Self::Tail => "on the tail",
        }
    }

    /// Whether a dog has it twice, so that left and right are compared.
    pub const fn is_pair(self) -> bool {
        self.is_leg()
            || matches!(
                self,
                Self::Ear | Self::Cheek | Self::Shoulder | Self::Ribs | Self::Hip | Self::Foot
            )
    }

    /// Zones of the legs above the feet.
    pub const fn is_leg(self) -> bool {
        matches!(
            self,
            Self::Knee
                | Self::HindFront
                | Self::HindBack
                | Self::HindOut
                | Self::HindIn
                | Self::Hock
                | Self::ForeBack
                | Self::ForeFront
                | Self::ForeOut
                | Self::ForeIn
        )
    }

    /// Zones whose length the balance chooses: all but head, feet and tail.
    pub const fn is_judged(self) -> bool {
        !self.is_head() && !matches!(self, Self::Foot | Self::Tail)
    }

    /// Zones of the head.
    pub const fn is_head(self) -> bool {
        matches!(
            self,
            Self::Topknot | Self::Cheek | Self::Brow | Self::Muzzle | Self::Beard | Self::Ear
        )
    }
}
