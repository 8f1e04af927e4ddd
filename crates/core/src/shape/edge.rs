use kurbo::{Point, Vec2};

use super::finish::{EarForm, Hangs, HemShape, TailForm};
use super::leg_place::LEG_PLACES;
use super::side::SideShape;
use super::station::{Cover, STATIONS, Station};
use crate::coat::{Stands, Texture, Zone};

/// A coat on the side view: a length at every station, and the pieces that hang by themselves.
#[derive(Clone, Debug, PartialEq)]
pub struct Dressing {
    /// How far a combed-up hair stands off the skin against its own length, 0 to 1.
    pub stand: Stands,
    /// Length at each station, mm; zero where no hair grows.
    pub lengths: [f64; STATIONS],
    /// Length by zone for what is not a station of the side view, mm, in the order of
    /// [`Zone::ALL`].
    pub zones_mm: [f64; ZONES],
    /// Lengths of a plan on the legs' faces seen on end, mm, in the order of [`super::LegPlace::all`].
    pub columns: Option<[f64; LEG_PLACES]>,
    /// Leg hems; none on the bare frame.
    pub hem: Option<Hem>,
    /// Topknot, where long enough to be a piece of its own.
    pub topknot: Option<Topknot>,
    /// Ponytails, where the crown is tied.
    pub ponytails: Option<Ponytails>,
    /// Beard, where long enough to be a piece of its own.
    pub beard: Option<Beard>,
    /// Length of brows combed forward, mm, where the head keeps them.
    pub brow: Option<f64>,
    /// Hair of the ear.
    pub ear: EarCoat,
    /// Hair of the tail.
    pub tail: TailCoat,
    /// Skirt hanging from the side.
    pub skirt: Option<SkirtCoat>,
    /// What else hangs from the body.
    pub hangs: Hangs,
    /// Whether legs begin as sleeves over shoulder and thigh.
    pub has_sleeves: bool,
    /// Whether the body's length ends in a V on the crest.
    pub has_nape_v: bool,
    /// The hair's texture: what its marks look like.
    pub texture: Texture,
}

/// How many zones there are.
pub(crate) const ZONES: usize = Zone::ALL.len();

impl Dressing {
    /// Length of a zone, mm.
    pub fn zone_mm(&self, zone: Zone) -> f64 {
        self.zones_mm[zone as usize]
    }

    /// What the eye sees of a zone's hair that is shaped to stand, mm: blown and scissored, it stands
    /// at least by [`SHAPED_STAND`].
    pub(super) fn shaped_mm(&self, zone: Zone, length: f64) -> f64 {
        length * self.stand.of(zone).max(SHAPED_STAND)
    }
}

/// How the legs end over the feet.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct Hem {
    /// Its shape.
    pub shape: HemShape,
    /// Widest bevel, mm.
    pub bevel: f64,
    /// Flare outward at the hem behind, mm.
    pub flare_back: f64,
    /// Flare outward at the hem in front, mm.
    pub flare_front: f64,
}

/// The crown's hair, tied.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct Ponytails {
    /// One over the brow, or one a side.
    pub count: u8,
    /// Length of the hair in them, mm.
    pub length: f64,
    /// What lies on the skull, combed to the band, mm.
    pub under_band: f64,
}

/// Hair on the skull, where it is a piece of its own.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct Topknot {
    /// How it is shaped.
    pub form: TopknotForm,
    /// Length over the eyes, mm.
    pub visor: f64,
    /// Length on the crown, mm.
    pub crown: f64,
}

/// How hair on the skull is shaped.
#[derive(Clone, Copy, Debug, PartialEq)]
pub enum TopknotForm {
    /// The upper arc of a round head; lengths of cheek and under-beard, mm, carry it on.
    Round {
        /// At the cheek.
        cheek: f64,
        /// Under the jaw.
        under: f64,
    },
    /// A cap that runs into the crest; how far it lifts the crest, a share.
    IntoCrest {
        /// 1 on a full crest, ½ where it ends in a V.
        runs_on: f64,
    },
    /// A spaniel's flat crown.
    Crown,
    /// It falls to both sides.
    Fall,
}

/// A beard that is a piece of its own.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct Beard {
    /// How it is shaped.
    pub form: BeardForm,
    /// Length at the chin, mm.
    pub length: f64,
}

/// How a beard is shaped.
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
pub enum BeardForm {
    /// Short and round about the muzzle.
    Puff,
    /// Combed forward to a square front.
    Brick,
    /// A spaniel's full lips.
    Flews,
    /// It hangs from the lips.
    Hanging,
}

/// Lengths on the ear, mm.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct EarCoat {
    /// How it is finished.
    pub form: EarForm,
    /// Round the edge.
    pub edge: f64,
    /// Hanging from the tip.
    pub fringe: f64,
}

impl Default for EarCoat {
    fn default() -> Self {
        Self {
            form: EarForm::Clean,
            edge: 0.0,
            fringe: 0.0,
        }
    }
}

/// Lengths on the tail, mm.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct TailCoat {
    /// How it is shaped.
    pub form: TailForm,
    /// At the root.
    pub root: f64,
    /// How far from its root the bone is bare.
    pub bare: f64,
    /// Longest.
    pub length: f64,
}

impl Default for TailCoat {
    fn default() -> Self {
        Self {
            form: TailForm::Thin,
            root: 0.0,
            bare: 0.0,
            length: 0.0,
        }
    }
}

/// A skirt hanging from a root line along the side.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct SkirtCoat {
    /// Height of the root line, mm.
    pub root_height: f64,
    /// Length of the hanging hair, mm.
    pub length: f64,
    /// Whether its hem is cut along the planned underline; else it hangs as it came.
    pub is_cut: bool,
    /// Whether it hides the legs.
    pub covers_legs: bool,
}

/// How far blown and scissored hair stands at least (dog-shape-2.md, house value).
const SHAPED_STAND: f64 = 0.55;

/// How far a hair of length 1 that hangs from the side reaches down (dog-shape.md 9, *Skirt*).
pub fn hanging_share(stand: f64) -> f64 {
    1.0 - 0.5 * stand
}

/// The same of a hair combed forward or down over the face: beard and brow (dog-shape.md 9).
pub(super) fn combed_share(stand: f64) -> f64 {
    1.0 - 0.35 * stand
}

/// What the eye sees of a hair of length 1 along direction `n` (handbook 3, *What the eye sees*).
///
/// Linear in the length, which is what makes the balance exactly solvable; a modelling choice.
pub fn visible_share(n: Vec2, stand: f64) -> f64 {
    stand + (1.0 - stand) * (-n.y).max(0.0)
}

/// The coat edge at every station.
#[derive(Clone, Debug)]
pub struct CoatEdge {
    points: [Point; STATIONS],
}

impl CoatEdge {
    /// Offsets every station along its hair.
    pub fn new(shape: &SideShape, dressing: &Dressing) -> Self {
        let points = std::array::from_fn(|i| {
            let station = Station::ALL[i];
            let hair = shape.hair(station);
            let seen = match station.cover() {
                Cover::Coat(zone) => {
                    dressing.lengths[i] * visible_share(hair, dressing.stand.of(zone))
                }
                Cover::Bare | Cover::Hidden => 0.0,
            };
            shape.skin(station) + hair * seen
        });
        Self { points }
    }

    /// Edge point of a station, mm.
    pub fn at(&self, station: Station) -> Point {
        self.points[station.index()]
    }

    /// Edge points of several stations, in order.
    pub fn all(&self, stations: &[Station]) -> Vec<Point> {
        stations.iter().map(|s| self.at(*s)).collect()
    }
}
