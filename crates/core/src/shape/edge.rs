use kurbo::{Point, Vec2};

use super::leg_place::LEG_PLACES;
use super::side::SideShape;
use super::station::{Cover, STATIONS, Station};
use crate::coat::{Stands, Zone};

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
}

/// How many zones there are.
pub(crate) const ZONES: usize = Zone::ALL.len();

impl Dressing {
    /// Length of a zone, mm.
    pub fn zone_mm(&self, zone: Zone) -> f64 {
        self.zones_mm[zone as usize]
    }
}

/// How the legs end over the feet.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct Hem {
    /// Height of the hem ring over the table, mm.
    pub height: f64,
    /// Widest bevel, mm.
    pub bevel: f64,
    /// Flare outward at the hem behind, mm.
    pub flare_back: f64,
    /// Flare outward at the hem in front, mm.
    pub flare_front: f64,
    /// How round the hem's corners are, share of the shorter side.
    pub round: f64,
}

/// Lengths of the topknot, mm.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct Topknot {
    /// Over the eyes.
    pub visor: f64,
    /// Before the crown.
    pub front: f64,
    /// Highest.
    pub crown: f64,
    /// Behind the crown.
    pub back: f64,
    /// Into the crest.
    pub nape: f64,
    /// For a round head: the cheek that carries the circle on.
    pub cheek: Option<f64>,
}

/// Lengths of the beard, mm, and how it is combed.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct Beard {
    /// At the side.
    pub side: f64,
    /// At the chin.
    pub chin: f64,
    /// Under the nose.
    pub front: f64,
    /// Forward tilt, degrees.
    pub tilt_deg: f64,
    /// Spread of the directions; 1 is a terrier's.
    pub spread: f64,
    /// Whether it is cut plumb under the nose, so that the nose stays the longest point.
    pub is_plumb: bool,
}

/// Lengths on the ear, mm.
#[derive(Clone, Copy, Debug, Default, PartialEq)]
pub struct EarCoat {
    /// Round the edge.
    pub edge: f64,
    /// Hanging from the tip.
    pub fringe: f64,
}

/// Lengths on the tail, mm.
#[derive(Clone, Copy, Debug, Default, PartialEq)]
pub struct TailCoat {
    /// At the root.
    pub root: f64,
    /// From the middle on.
    pub middle: f64,
    /// At the tip.
    pub tip: f64,
    /// How far the hair hangs instead of standing, 0 to 1.
    pub hang: f64,
    /// A plume laid over the back: only its outer side is an edge.
    pub is_fan: bool,
    /// A round end: share of the tail's length, and its length, mm.
    pub ball: Option<(f64, f64)>,
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
