use schemars::JsonSchema;
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

/// One tap on size: the first guess of the height before the stick is used.
#[derive(
    Clone, Copy, Debug, Default, PartialEq, Eq, Serialize, Deserialize, JsonSchema, ToSchema,
)]
#[serde(rename_all = "snake_case")]
pub enum DogSize {
    /// About 240 mm.
    Toy,
    /// About 340 mm.
    Small,
    /// About 460 mm.
    #[default]
    Medium,
    /// About 620 mm.
    Large,
}

impl DogSize {
    /// Height at withers guessed from the size, mm (modelling choice; shown as estimated, ± 15 %).
    pub const fn usual_height_mm(self) -> f64 {
        match self {
            Self::Toy => 240.0,
            Self::Small => 340.0,
            Self::Medium => 460.0,
            Self::Large => 620.0,
        }
    }
}

/// A family of builds with its own usual proportions and head (handbook 2; dog-shape.md 2).
#[derive(
    Clone, Copy, Debug, Default, PartialEq, Eq, Serialize, Deserialize, JsonSchema, ToSchema,
)]
#[serde(rename_all = "snake_case")]
pub enum BuildType {
    /// The handbook's ordinary medium dog.
    #[default]
    Ordinary,
    /// As long as tall, fine muzzle, high tail.
    SquareCurly,
    /// Long and low, broad, short muzzle.
    LongLow,
    /// Tall on the leg, flat skull.
    Leggy,
    /// Small, with a large round head.
    Toy,
    /// Deep muzzle, low ears, stub.
    Spaniel,
}

/// How an ear is carried.
#[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, Deserialize, JsonSchema, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum EarKind {
    /// Hangs from the root.
    Drop,
    /// Folds over in a V.
    Folded,
    /// Stands.
    Prick,
}

/// How a tail is carried.
#[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, Deserialize, JsonSchema, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum TailKind {
    /// Straight up.
    Up,
    /// Over the back.
    Curl,
    /// Gently raised.
    Sabre,
    /// Level with the back.
    Level,
    /// Hanging.
    Low,
    /// Docked or naturally short.
    Stub,
}

/// The frame in numbers: what the geometry starts from. Millimetres and degrees.
///
/// Heights are from the table; widths are whole widths. Axes as in handbook 2: x forward from the
/// plumb line through the pin bone, y up from the table, z to the dog's left.
#[derive(Clone, Debug, PartialEq)]
pub struct Build {
    /// Height at withers, mm.
    pub height: f64,
    /// Breastbone to pin bone, mm.
    pub length: f64,
    /// Elbow height, mm.
    pub elbow: f64,
    /// Height at hip crest, mm.
    pub hip: f64,
    /// Tail-set height, mm.
    pub tail_set: f64,
    /// Pin-bone height, mm.
    pub pin: f64,
    /// Flank-fold height, mm.
    pub flank: f64,
    /// Stifle height, mm.
    pub stifle: f64,
    /// Hock height, mm.
    pub hock: f64,
    /// Wrist height, mm.
    pub wrist: f64,
    /// Hock point behind the pin-bone plumb line, mm.
    pub hock_reach: f64,
    /// x of the bend behind the leg, mm (0.03 of the height in dog-shape.md; felt grades move it).
    pub bend_x: f64,
    /// Largest gap under a rod along the back, mm.
    pub back_drop: f64,
    /// Breastbone to last rib, mm.
    pub last_rib: f64,
    /// Withers to occiput, mm.
    pub neck: f64,
    /// Neck above level, degrees.
    pub neck_angle_deg: f64,
    /// Arch of the crest, share of the neck.
    pub crest_arch: f64,
    /// Shoulder layback from plumb, degrees.
    pub layback_deg: f64,
    /// Elbow behind the breastbone, mm.
    pub elbow_back: f64,
    /// Stifle before the pin bone, mm.
    pub stifle_forward: f64,
    /// Front leg, side on, mid forearm, mm.
    pub fore_leg: f64,
    /// Hind leg, side on, at the hock, mm.
    pub hind_leg: f64,
    /// Foot length, mm.
    pub foot_length: f64,
    /// Foot width, mm.
    pub foot_width: f64,
    /// Chest width, mm.
    pub chest_width: f64,
    /// Rib width at the last rib, mm.
    pub rib_width: f64,
    /// Loin width, mm.
    pub loin_width: f64,
    /// Hip width, mm.
    pub hip_width: f64,
    /// Thigh width, mm.
    pub thigh_width: f64,
    /// Neck width, mm.
    pub neck_width: f64,
    /// The head.
    pub head: HeadShape,
    /// The near ear.
    pub ear: EarShape,
    /// The tail.
    pub tail: TailShape,
}

/// The head, in shares of its own length unless said (dog-shape.md 2).
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct HeadShape {
    /// Occiput to nose tip, mm.
    pub length: f64,
    /// Occiput to nose tip above level, degrees.
    pub angle_deg: f64,
    /// Muzzle share.
    pub muzzle: f64,
    /// Skull depth.
    pub skull_depth: f64,
    /// Muzzle depth.
    pub muzzle_depth: f64,
    /// Strength of the stop, 0 to 1.
    pub stop: f64,
    /// Height of the dome.
    pub dome: f64,
    /// Strength of the flews, 0 to 1.
    pub flews: f64,
}

/// The ear leather.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct EarShape {
    /// How it is carried.
    pub kind: EarKind,
    /// Leather length, mm.
    pub length: f64,
    /// Leather width, share of its length.
    pub width: f64,
    /// Ear base in head axes.
    pub base: (f64, f64),
}

/// The tail bone.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct TailShape {
    /// How it is carried.
    pub kind: TailKind,
    /// Length, mm.
    pub length: f64,
    /// Thickness at the root, mm.
    pub thickness: f64,
}
