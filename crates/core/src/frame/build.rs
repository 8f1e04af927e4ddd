use kurbo::{Point, Vec2};
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

vocabulary! {
    /// One tap on size: the first guess of the height before the stick is used.
    #[derive(Clone, Copy, Debug, Default, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
    #[serde(rename_all = "snake_case")]
    pub enum DogSize {
        /// About 240 mm.
        Toy => "Toy",
        /// About 340 mm.
        Small => "Small",
        /// About 460 mm.
        #[default]
        Medium => "Medium",
        /// About 620 mm.
        Large => "Large",
    }
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

vocabulary! {
    /// A family of builds with its own usual proportions and head (handbook 2; dog-shape.md 2).
    #[derive(Clone, Copy, Debug, Default, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
    #[serde(rename_all = "snake_case")]
    pub enum BuildType {
        /// The handbook's ordinary medium dog.
        #[default]
        Ordinary => "Ordinary",
        /// As long as tall, fine muzzle, high tail.
        SquareCurly => "Square, curly",
        /// Long and low, broad, short muzzle.
        LongLow => "Long and low",
        /// Tall on the leg, flat skull.
        Leggy => "Leggy",
        /// Small, with a large round head.
        Toy => "Toy",
        /// Deep muzzle, low ears, stub.
        Spaniel => "Spaniel-like",
        /// Square, harsh, long flat head, straight behind.
        Terrier => "Terrier-like",
        /// A little longer than tall, deep chest, strong head.
        Retriever => "Retriever-like",
        /// Very short face, broad skull and front.
        ShortFaced => "Short-faced",
    }
}

impl BuildType {
    /// Where its proportions come from, and how far dogs differ.
    pub const fn source(self) -> &'static str {
        match self {
            Self::Ordinary => "Ordinary medium dogs, from memory; ±10 %, hock ±6 %.",
            Self::SquareCurly | Self::LongLow | Self::Leggy | Self::Toy | Self::Spaniel => {
                "Drawn for this program from general knowledge of build; ±10 %, hock ±6 %."
            }
            Self::Terrier => "Square standards, from memory, else house values; ±10 %, hock ±6 %.",
            Self::Retriever => {
                "Published 12 : 11 and elbow at half height, from memory, else house values; ±10 %, hock ±6 %."
            }
            Self::ShortFaced => "House values from general knowledge of build; ±10 %, hock ±6 %.",
        }
    }
}

vocabulary! {
    /// How an ear is carried.
    #[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
    #[serde(rename_all = "snake_case")]
    pub enum EarKind {
        /// Hangs from the root.
        Drop => "Drop",
        /// Folds over in a V.
        Folded => "Folded",
        /// Stands.
        Prick => "Prick",
    }
}

vocabulary! {
    /// The top of the skull, as a flat hand over it finds it.
    #[derive(Clone, Copy, Debug, PartialEq, Eq, PartialOrd, Ord, Serialize, Deserialize, ToSchema)]
    #[serde(rename_all = "snake_case")]
    pub enum Dome {
        /// The hand lies flat from brow to occiput.
        Flat => "Flat",
        /// A little rounded.
        Usual => "Usual",
        /// Round like an apple.
        High => "High, round",
    }
}

/// From one dome to the next, shares of the head's length (modelling choice: between the types of
/// dog-shape.md 2, whose flat skulls rise by .03, round ones by .10 to .12).
const DOME_STEP: f64 = 0.03;
/// A skull that rises no more is flat, one that rises so much is high (dog-shape.md 2, the types' own).
const FLAT_DOME: f64 = 0.03;
const HIGH_DOME: f64 = 0.12;

impl Dome {
    /// What a skull is called that rises so much, share of the head's length.
    fn of(rises: f64) -> Self {
        if rises <= FLAT_DOME {
            Self::Flat
        } else if rises < HIGH_DOME {
            Self::Usual
        } else {
            Self::High
        }
    }

    const fn steps(self) -> f64 {
        match self {
            Self::Flat => -1.0,
            Self::Usual => 0.0,
            Self::High => 1.0,
        }
    }
}

vocabulary! {
    /// How a tail is carried.
    #[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
    #[serde(rename_all = "snake_case")]
    pub enum TailKind {
        /// Straight up.
        Up => "Up",
        /// Over the back.
        Curl => "Over the back",
        /// Gently raised.
        Sabre => "Sabre",
        /// Level with the back.
        Level => "Level",
        /// Hanging.
        Low => "Low",
        /// Docked or naturally short.
        Stub => "Docked, short",
    }
}

impl TailKind {
    /// Whether it is carried over the line of the back.
    pub const fn is_carried_up(self) -> bool {
        !matches!(self, Self::Level | Self::Low)
    }
}

/// One side of the frame in numbers: what the geometry starts from. Millimetres and degrees.
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
    /// Front leg, front on, mid forearm, mm.
    pub fore_leg_front: f64,
    /// Hind leg, from behind, at the hock, mm.
    pub hind_leg_front: f64,
    /// How the front leg of this side stands.
    pub fore: LegStand,
    /// How the hind leg of this side stands.
    pub hind: LegStand,
    /// Foot length, mm.
    pub foot_length: f64,
    /// Foot width, mm.
    pub foot_width: f64,
    /// Chest width, mm.
    pub chest_width: f64,
    /// Shoulder width: the chest's unless a heavy shoulder was felt, mm.
    pub shoulder_width: f64,
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
    /// What a hand found its top to be; none where nobody felt it.
    pub top_found: Option<Dome>,
    /// Strength of the flews, 0 to 1.
    pub flews: f64,
    /// Skull width.
    pub skull_width: f64,
    /// Muzzle width.
    pub muzzle_width: f64,
}

/// A tail is docked, or short by birth, up to this length, share of the height (handbook 10 E).
pub(super) const DOCKED: f64 = 0.25;
/// Where the stop lies below the muzzle's share and over the bridge, in head axes (dog-shape.md 3).
const STOP_AT: (f64, f64) = (1.015, 0.022);
/// The jaw corner, along the skull and in shares of its depth, in head axes (dog-shape.md 3).
const JAW_CORNER: (f64, f64) = (0.22, -0.93);
/// The muzzle's share that the drawn head was tried for (modelling choice).
const MUZZLES: (f64, f64) = (0.02, 0.72);

impl HeadShape {
    /// The stop's step, in shares of the head's length (dog-shape.md 3).
    pub fn step(&self) -> f64 {
        0.02 + 0.11 * self.stop
    }

    /// The nose tip in head axes, so that occiput to nose tip is the head's length exactly.
    pub fn nose(&self) -> (f64, f64) {
        let q = -(self.step() + 0.055);
        ((1.0 - q * q).sqrt(), q)
    }

    /// The stop in head axes.
    pub fn stop_at(&self) -> (f64, f64) {
        (STOP_AT.0 - self.muzzle, STOP_AT.1 - self.step())
    }

    /// What its top is: as a hand found it, else its type's.
    pub fn top(&self) -> Dome {
        self.top_found.unwrap_or_else(|| Dome::of(self.dome))
    }

    /// Gives it the top a hand found, from its type's own.
    pub(super) fn set_top(&mut self, found: Dome) {
        self.dome += DOME_STEP * (found.steps() - self.top().steps());
        self.top_found = Some(found);
    }

    /// The jaw corner in head axes (dog-shape.md 3).
    pub fn jaw_corner(&self) -> (f64, f64) {
        (JAW_CORNER.0, JAW_CORNER.1 * self.skull_depth)
    }

    /// Stop to nose tip, mm.
    pub fn muzzle_mm(&self) -> f64 {
        let (nose, stop) = (self.nose(), self.stop_at());
        self.length * (nose.0 - stop.0).hypot(nose.1 - stop.1)
    }

    /// Puts the stop so far from the nose tip, as far as a head is drawn.
    pub(super) fn set_muzzle_mm(&mut self, mm: f64) {
        let (nose, stop) = (self.nose(), self.stop_at());
        let (away, up) = (mm / self.length, nose.1 - stop.1);
        let along = (away * away - up * up).max(0.0).sqrt();
        self.muzzle = (STOP_AT.0 - nose.0 + along).clamp(MUZZLES.0, MUZZLES.1);
    }
}

/// How one leg stands, seen from in front, behind or above.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct LegStand {
    /// Distance from the dog's midline at elbow or stifle, at wrist or hock, and at the foot, mm.
    pub from_midline: [f64; 3],
    /// The foot from straight ahead, outward positive, degrees.
    pub turnout_deg: f64,
    /// Midshaft off the straight line, outward positive, mm.
    pub bow: f64,
}

impl Build {
    /// Whether the tail is docked, or short by birth.
    pub fn is_docked(&self) -> bool {
        self.tail.length <= DOCKED * self.height
    }

    /// Jaw corner to ear base, mm.
    pub fn ear_base_to_jaw(&self) -> f64 {
        let (jaw, base) = (self.head.jaw_corner(), self.ear.base);
        self.head.length * (jaw.0 - base.0).hypot(jaw.1 - base.1)
    }

    /// Puts the ear base so far over the jaw corner.
    pub(super) fn set_ear_base_to_jaw(&mut self, mm: f64) {
        let (jaw, along) = (
            self.head.jaw_corner(),
            self.head.jaw_corner().0 - self.ear.base.0,
        );
        let away = mm / self.head.length;
        let up = (away * away - along * along).max(0.0).sqrt();
        self.ear.base.1 = jaw.1 + up;
    }

    /// Puts the ear base where both distances are true, over the line from jaw corner to nose.
    pub(super) fn set_ear_base_between(&mut self, to_jaw_mm: f64, to_nose_mm: f64) {
        let (jaw, nose) = (
            Vec2::from(self.head.jaw_corner()),
            Vec2::from(self.head.nose()),
        );
        let (a, b) = (to_jaw_mm / self.head.length, to_nose_mm / self.head.length);
        let apart = (nose - jaw).hypot();
        let forward = (nose - jaw) / apart;
        let along = (a * a - b * b + apart * apart) / (2.0 * apart);
        let up = (a * a - along * along).max(0.0).sqrt();
        let base = jaw + along * forward + up * Vec2::new(-forward.y, forward.x);
        self.ear.base = (base.x, base.y);
    }

    /// Puts the ear base so far from the nose tip, along the head.
    pub(super) fn set_ear_base_to_nose(&mut self, mm: f64) {
        let (nose, up) = (self.head.nose(), self.ear.base.1 - self.head.nose().1);
        let away = mm / self.head.length;
        self.ear.base.0 = nose.0 - (away * away - up * up).max(0.0).sqrt();
    }

    /// Ear base to nose tip, as a leather drawn forward reaches, mm.
    pub fn ear_base_to_nose(&self) -> f64 {
        let (nose, base) = (self.head.nose(), self.ear.base);
        self.head.length * (nose.0 - base.0).hypot(nose.1 - base.1)
    }

    /// Height of the deepest point behind the leg, between pin bone and hock, mm.
    ///
    /// # References
    /// Between dog-shape.md 5 and dog-shape-2.md 1 (a house value).
    pub fn bend_height(&self) -> f64 {
        self.hock + 0.36 * (self.stifle - self.hock) + 0.055 * self.height
    }

    /// Point of shoulder on the side page, mm (dog-shape.md 5).
    pub fn point_of_shoulder(&self) -> Point {
        Point::new(
            self.length - 0.015 * self.height,
            self.elbow + 0.07 * self.height,
        )
    }

    /// Withers on the side page, mm: the blade leans back from the point of shoulder.
    pub fn withers(&self) -> Point {
        self.blade_top() - Vec2::new(WITHERS_BACK * self.height, 0.0)
    }

    /// Where the ridge of the blade, carried on, reaches the withers' height, mm on the side page.
    pub(crate) fn blade_top(&self) -> Point {
        let shoulder = self.point_of_shoulder();
        let lean = self.layback_deg.to_radians().tan();
        Point::new(shoulder.x - (self.height - shoulder.y) * lean, self.height)
    }
}

/// How far the withers lie behind the blade's line, share of the height (dog-shape-2.md 1).
const WITHERS_BACK: f64 = 0.030;

/// The ear leather.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct EarShape {
    /// How it is carried.
    pub kind: EarKind,
    /// Leather length, mm.
    pub length: f64,
    /// How far a leather drawn forward stays short of the nose tip, mm; nothing where it reaches it, or
    /// nobody looked.
    pub short_of_nose: f64,
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
