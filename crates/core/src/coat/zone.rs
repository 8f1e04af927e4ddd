use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

vocabulary! {
    /// A zone of the coat: what a stylist would cut alike (handbook 3; dog-shape.md 5 and 8).
    #[derive(
        Clone, Copy, Debug, PartialEq, Eq, PartialOrd, Ord, Hash, Serialize, Deserialize, ToSchema,
    )]
    #[serde(rename_all = "snake_case")]
    pub enum Zone {
        /// Top of the head.
        Topknot => "topknot",
        /// Side of the head.
        Cheek => "cheeks",
        /// Over the eyes.
        Brow => "eyebrows",
        /// Upper muzzle.
        Muzzle => "muzzle",
        /// Lower muzzle and chin.
        Beard => "beard",
        /// The ear.
        Ear => "ears",
        /// Jaw to breastbone.
        Throat => "throat",
        /// Top of the neck.
        Crest => "crest",
        /// Side of the neck.
        NeckSide => "neck side",
        /// Front of the body, the bib.
        Chest => "chest",
        /// Side of the shoulder.
        Shoulder => "shoulder",
        /// Withers to hip crest.
        Back => "back",
        /// Side of the ribs.
        Ribs => "ribs",
        /// Side of the hip and upper thigh.
        Hip => "hip",
        /// Hip crest to tail set.
        Croup => "croup",
        /// Under the tail, over and below the pin bone.
        Rump => "rump",
        /// Underline of the chest and belly.
        Underline => "underline",
        /// Last rib to flank.
        TuckUp => "tuck-up",
        /// The flank fold.
        Flank => "flank",
        /// Front of the knee.
        Knee => "front of the knee",
        /// Front of the hind leg below the knee.
        HindFront => "hind leg, front",
        /// Back of the hind leg down to the hock.
        HindBack => "hind leg, back",
        /// Outside of the hind leg.
        HindOut => "hind leg, outside",
        /// Inside of the hind leg.
        HindIn => "hind leg, inside",
        /// Hock and rear pastern.
        Hock => "hock",
        /// Back of the front leg.
        ForeBack => "front leg, back",
        /// Front of the front leg.
        ForeFront => "front leg, front",
        /// Outside of the front leg.
        ForeOut => "front leg, outside",
        /// Inside of the front leg.
        ForeIn => "front leg, inside",
        /// The four feet.
        Foot => "feet",
        /// The tail.
        Tail => "tail",
    }
}

impl Zone {
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
