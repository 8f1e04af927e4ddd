use kurbo::{Point, Vec2};

use super::curve::{SAMPLES, closed, oval};
use super::leg_place::Leg;
use crate::frame::Build;

/// A foot from below, about its middle, toes up, mm.
#[derive(Clone, Debug, PartialEq)]
pub struct Sole {
    /// The bare foot's edge.
    pub outline: Vec<Point>,
    /// The pads: the big one, then the four toes' from one side to the other.
    pub pads: Vec<Vec<Point>>,
    /// The nails, from root to tip, in the order of the toes.
    pub nails: Vec<[Point; 2]>,
}

/// A hind foot against a front one (common practice: front feet are the larger; shares from memory).
const HIND: (f64, f64) = (0.90, 0.96);

/// Half of the foot's edge from the toes backwards: shares of its width and length.
const EDGE: [(f64, f64); 7] = [
    (0.0, 0.46),
    (0.22, 0.44),
    (0.42, 0.27),
    (0.50, 0.02),
    (0.40, -0.26),
    (0.21, -0.42),
    (0.0, -0.46),
];
/// Half of the big pad likewise: rounded in front, lobed behind.
const BIG: [(f64, f64); 6] = [
    (0.0, -0.02),
    (0.15, -0.07),
    (0.27, -0.20),
    (0.22, -0.31),
    (0.10, -0.30),
    (0.0, -0.27),
];
/// Middles of the toes' pads on one side, the outer first, and half their width and length.
const TOES: [(f64, f64); 2] = [(0.34, 0.06), (0.135, 0.23)];
const TOE: (f64, f64) = (0.095, 0.125);
/// A nail begins so far before its pad's middle, and is so long, shares of the length.
const NAIL: (f64, f64) = (0.15, 0.08);
/// Corners of a toe's pad.
const ROUND: usize = 16;

/// A foot of this build from below: four toes' pads before a big one.
pub fn sole(build: &Build, leg: Leg) -> Sole {
    let share = match leg {
        Leg::Fore => (1.0, 1.0),
        Leg::Hind => HIND,
    };
    let (w, l) = (share.0 * build.foot_width, share.1 * build.foot_length);
    let at = |(x, y): (f64, f64)| Point::new(x * w, y * l);
    let whole = |half: &[(f64, f64)]| -> Vec<Point> {
        let other = half.iter().rev().filter(|p| p.0 > 0.0).map(|p| (-p.0, p.1));
        let points: Vec<Point> = half.iter().copied().chain(other).map(at).collect();
        closed(&points, SAMPLES)
    };
    let [outer, inner] = TOES;
    let toes = [outer, inner, (-inner.0, inner.1), (-outer.0, outer.1)];
    let toe = |middle| oval(at(middle), Vec2::new(TOE.0 * w, TOE.1 * l), ROUND);
    let nail = |(x, y): (f64, f64)| {
        let root = y + NAIL.0;
        [at((1.03 * x, root)), at((1.08 * x, root + NAIL.1))]
    };
    Sole {
        outline: whole(&EDGE),
        pads: std::iter::once(whole(&BIG)).chain(toes.map(toe)).collect(),
        nails: toes.map(nail).into(),
    }
}
