use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

/// What can be measured on the frame in millimetres (handbook 2, *Measures*).
#[derive(Clone, Copy, Debug, PartialEq, Eq, PartialOrd, Ord, Serialize, Deserialize, ToSchema)]
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
    /// Stop to nose tip.
    MuzzleLength,
    /// Across the skull before the ears.
    SkullWidth,
    /// Jaw corner up to the ear base.
    JawToEar,
    /// Ear base to the tip of the leather.
    EarLeather,
    /// From the tip of the leather, drawn forward, to the nose tip; less than nothing where it reaches past.
    EarShortOfNose,
    /// Root to the felt end of the bone.
    TailLength,
    /// Between the front legs at the elbow, centre to centre.
    ElbowSpacing,
    /// The same at the wrist.
    WristSpacing,
    /// The same at the foot.
    ForefootSpacing,
    /// Between the hind legs at the stifle, centre to centre.
    StifleSpacing,
    /// The same at the hock.
    HockSpacing,
    /// The same at the foot.
    HindFootSpacing,
    /// Across the loin from above.
    LoinWidth,
    /// Across the ribs at the last rib.
    RibWidth,
    /// Across the thigh muscles from behind.
    ThighWidth,
    /// Front leg side on, mid forearm, skin.
    ForeLegSide,
    /// Hind leg side on, at the hock, skin.
    HindLegSide,
    /// Front leg front on, mid forearm, skin.
    ForeLegFront,
    /// Hind leg from behind, at the hock, skin.
    HindLegFront,
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

/// What is known of a measure beside its number.
struct About {
    label: &'static str,
    how_to_find: &'static str,
    refuse: (f64, f64),
    unusual: (f64, f64),
    is_paired: bool,
}

impl Measure {
    /// Every measure, in the order of the handbook.
    pub const ALL: [Self; 36] = [
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
        Self::MuzzleLength,
        Self::SkullWidth,
        Self::JawToEar,
        Self::EarLeather,
        Self::EarShortOfNose,
        Self::TailLength,
        Self::ElbowSpacing,
        Self::WristSpacing,
        Self::ForefootSpacing,
        Self::StifleSpacing,
        Self::HockSpacing,
        Self::HindFootSpacing,
        Self::LoinWidth,
        Self::RibWidth,
        Self::ThighWidth,
        Self::ForeLegSide,
        Self::HindLegSide,
        Self::ForeLegFront,
        Self::HindLegFront,
    ];

    const fn about(self) -> About {
        let (label, how_to_find, refuse, unusual, is_paired) = match self {
            Self::HeightAtWithers => (
                "Height at withers",
                "Highest point of the shoulder blades, to the table.",
                (120.0, 1000.0),
                (180.0, 820.0),
                false,
            ),
            Self::BodyLength => (
                "Body length",
                "Breastbone to pin bone, tape held level.",
                (0.7, 1.9),
                (0.85, 1.55),
                false,
            ),
            Self::ElbowHeight => (
                "Elbow height",
                "Point of the elbow, to the table.",
                (0.3, 0.68),
                (0.38, 0.6),
                true,
            ),
            Self::HipCrestHeight => (
                "Height at hip crest",
                "The two bumps beside the spine, to the table.",
                (0.85, 1.15),
                (0.95, 1.06),
                false,
            ),
            Self::LastRib => (
                "Last rib from breastbone",
                "Breastbone back to where the ribs stop.",
                (0.4, 0.8),
                (0.5, 0.7),
                false,
            ),
            Self::HockHeight => (
                "Hock height",
                "Rearmost bump of the heel joint, to the table.",
                (0.12, 0.42),
                (0.18, 0.33),
                true,
            ),
            Self::ChestWidth => (
                "Chest width",
                "Widest across the chest, from in front.",
                (0.12, 0.6),
                (0.2, 0.46),
                false,
            ),
            Self::FootWidth => (
                "Foot width",
                "Bare forefoot, hair parted.",
                (0.04, 0.22),
                (0.07, 0.15),
                false,
            ),
            Self::BackDrop => (
                "Back drop",
                "Rod from withers to hip crest: largest gap below.",
                (0.0, 0.08),
                (0.0, 0.05),
                false,
            ),
            Self::TailSetHeight => (
                "Tail-set height",
                "Root of the tail, to the table.",
                (0.75, 1.12),
                (0.84, 1.02),
                false,
            ),
            Self::PinBoneHeight => (
                "Pin-bone height",
                "Bump under the tail, to the table.",
                (0.6, 0.98),
                (0.7, 0.9),
                false,
            ),
            Self::FlankFoldHeight => (
                "Flank-fold height",
                "Thin skin before the thigh, to the table.",
                (0.36, 0.82),
                (0.46, 0.7),
                false,
            ),
            Self::StifleHeight => (
                "Stifle height",
                "Front of the bent knee, to the table.",
                (0.26, 0.66),
                (0.34, 0.56),
                true,
            ),
            Self::WristHeight => (
                "Wrist height",
                "Front of the wrist, to the table.",
                (0.08, 0.3),
                (0.11, 0.24),
                true,
            ),
            Self::HockReach => (
                "Hock reach",
                "Hock point behind a plumb line from the pin bone.",
                (-0.06, 0.2),
                (-0.02, 0.14),
                true,
            ),
            Self::NeckLength => (
                "Neck length",
                "Withers to the bump behind the skull.",
                (0.18, 0.7),
                (0.25, 0.55),
                false,
            ),
            Self::HeadLength => (
                "Head length",
                "Bump behind the skull to the nose tip.",
                (0.22, 0.65),
                (0.28, 0.52),
                false,
            ),
            Self::MuzzleLength => (
                "Muzzle length",
                "Stop to the nose tip.",
                (0.02, 0.34),
                (0.05, 0.25),
                false,
            ),
            Self::SkullWidth => (
                "Skull width",
                "Across the skull at its widest, before the ears.",
                (0.1, 0.38),
                (0.14, 0.3),
                false,
            ),
            Self::JawToEar => (
                "Jaw corner to ear base",
                "Corner of the jaw straight up to the ear's base.",
                (0.04, 0.24),
                (0.08, 0.19),
                false,
            ),
            Self::EarLeather => (
                "Ear leather",
                "Ear base to the tip of the leather, the hair parted.",
                (0.05, 0.62),
                (0.09, 0.42),
                true,
            ),
            Self::EarShortOfNose => (
                "Ear short of the nose",
                "Ear drawn forward: its leather's tip to the nose tip; minus where it reaches past.",
                (-0.4, 0.4),
                (-0.15, 0.25),
                true,
            ),
            Self::TailLength => (
                "Tail length",
                "Root to the felt end of the bone.",
                (0.0, 0.9),
                (0.03, 0.62),
                false,
            ),
            Self::ElbowSpacing => (
                "Front spacing at the elbow",
                "Middle of one front leg to the other, at the elbow.",
                (0.08, 0.42),
                (0.12, 0.34),
                false,
            ),
            Self::WristSpacing => (
                "Front spacing at the wrist",
                "Middle of one front leg to the other, at the wrist.",
                (0.06, 0.42),
                (0.1, 0.34),
                false,
            ),
            Self::ForefootSpacing => (
                "Front spacing at the foot",
                "Middle of one forefoot to the other.",
                (0.06, 0.44),
                (0.1, 0.36),
                false,
            ),
            Self::StifleSpacing => (
                "Hind spacing at the stifle",
                "Middle of one knee to the other, from behind.",
                (0.08, 0.42),
                (0.12, 0.34),
                false,
            ),
            Self::HockSpacing => (
                "Hind spacing at the hock",
                "Middle of one hock to the other, from behind.",
                (0.04, 0.42),
                (0.08, 0.34),
                false,
            ),
            Self::HindFootSpacing => (
                "Hind spacing at the foot",
                "Middle of one hind foot to the other.",
                (0.06, 0.44),
                (0.1, 0.36),
                false,
            ),
            Self::LoinWidth => (
                "Loin width",
                "Narrowest across the loin, from above.",
                (0.1, 0.5),
                (0.16, 0.4),
                false,
            ),
            Self::RibWidth => (
                "Rib width",
                "Across the ribs at the last rib, from above.",
                (0.14, 0.62),
                (0.22, 0.5),
                false,
            ),
            Self::ThighWidth => (
                "Thigh width",
                "Widest across both thighs, from behind.",
                (0.13, 0.56),
                (0.2, 0.44),
                false,
            ),
            Self::ForeLegSide => (
                "Front leg, side on",
                "Through the forearm half way, from the side.",
                (0.035, 0.18),
                (0.06, 0.13),
                true,
            ),
            Self::HindLegSide => (
                "Hind leg, side on",
                "Through the hock, from the side.",
                (0.03, 0.17),
                (0.055, 0.12),
                true,
            ),
            Self::ForeLegFront => (
                "Front leg, front on",
                "Through the forearm half way, from in front.",
                (0.03, 0.17),
                (0.05, 0.12),
                true,
            ),
            Self::HindLegFront => (
                "Hind leg, from behind",
                "Through the hock, from behind.",
                (0.025, 0.16),
                (0.045, 0.11),
                true,
            ),
        };
        About {
            label,
            how_to_find,
            refuse,
            unusual,
            is_paired,
        }
    }

    /// The name on the screen.
    pub const fn label(self) -> &'static str {
        self.about().label
    }

    /// How a hand finds it, in a few words (handbook 2, landmarks).
    pub const fn how_to_find(self) -> &'static str {
        self.about().how_to_find
    }

    /// Whether the dog has two of it, a left and a right.
    pub const fn is_paired(self) -> bool {
        self.about().is_paired
    }

    /// Whether it stands up from the table, so that a height stick reads it (handbook 2).
    pub const fn is_height(self) -> bool {
        matches!(
            self,
            Self::HeightAtWithers
                | Self::ElbowHeight
                | Self::HipCrestHeight
                | Self::HockHeight
                | Self::TailSetHeight
                | Self::PinBoneHeight
                | Self::FlankFoldHeight
                | Self::StifleHeight
                | Self::WristHeight
        )
    }

    /// Whether how the feet stand decides it, so that a crooked stance widens its doubt
    /// (handbook 2: hock reach and spacings).
    pub const fn hangs_on_stance(self) -> bool {
        matches!(
            self,
            Self::HockReach
                | Self::ElbowSpacing
                | Self::WristSpacing
                | Self::ForefootSpacing
                | Self::StifleSpacing
                | Self::HockSpacing
                | Self::HindFootSpacing
        )
    }

    /// Whether it moves the picture of head and tail and what is cut there, and nothing of the body: what the
    /// body's plan hangs on is asked for before it.
    pub const fn is_of_the_ends(self) -> bool {
        matches!(
            self,
            Self::MuzzleLength
                | Self::SkullWidth
                | Self::JawToEar
                | Self::EarLeather
                | Self::EarShortOfNose
                | Self::TailLength
        )
    }

    /// Bounds in mm that hold whatever the dog's height; none where its height says all.
    ///
    /// # References
    /// Leather 20 to 250 mm (handbook 10 D).
    pub(super) const fn whatever_height_mm(self) -> Option<(f64, f64)> {
        match self {
            Self::EarLeather => Some((20.0, 250.0)),
            _ => None,
        }
    }

    /// Range outside which a value is refused, and the narrower one outside which it is unusual.
    ///
    /// Shares of the height at withers; for [`Self::LastRib`] of the body length; for the height
    /// itself millimetres. The inner range is the one in which the drawn dog was tested for
    /// crossing edges (dog-shape.md 2); the outer is that range widened by about a third
    /// (modelling choice).
    pub const fn ranges(self) -> Ranges {
        let about = self.about();
        Ranges {
            refuse: about.refuse,
            unusual: about.unusual,
        }
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
