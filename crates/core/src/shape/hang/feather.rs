use kurbo::{Point, Vec2};

use super::super::curve::open;
use super::super::edge::{CoatEdge, Dressing};
use super::super::piece::{HairAt, Piece, PieceKind, Stroke};
use super::super::polyline::Locks;
use super::super::station::Station;
use super::{FINE, looseness};
use crate::frame::Build;

/// Stations the feather hangs from, with its length there against its longest (dog-shape-2.md 5).
const HIND: [(Station, f64); 6] = [
    (Station::PinBone, 0.10),
    (Station::Buttock, 0.50),
    (Station::ThighBack, 0.85),
    (Station::ThighLow, 1.0),
    (Station::Bend, 0.45),
    (Station::AboveHock, 0.0),
];
const FORE: [(Station, f64); 7] = [
    (Station::Elbow, 0.45),
    (Station::ElbowLow, 0.75),
    (Station::ForearmBackHigh, 0.80),
    (Station::ForearmBack, 0.68),
    (Station::ForearmBackLow, 0.50),
    (Station::WristBack, 0.28),
    (Station::PasternBack, 0.05),
];
/// Which way it hangs: back and down.
const HIND_WAY: Vec2 = Vec2::new(-0.50, -0.87);
const FORE_WAY: Vec2 = Vec2::new(-0.42, -0.90);
/// How far its ends hang past the edge, against the hair's length (modelling choice: the edge is
/// where most of the hair ends, its longest locks hang over it).
const PAST: f64 = 0.45;

/// Feather behind the thigh; none where the hair is too short to hang.
pub(in crate::shape) fn behind_hind(
    edge: &CoatEdge,
    build: &Build,
    dressing: &Dressing,
) -> Option<Piece> {
    let inside = [
        Station::AboveHock,
        Station::Bend,
        Station::ThighBack,
        Station::PinBone,
    ];
    feather(&HIND, HIND_WAY, &inside, 17, (edge, build, dressing))
}

/// Feather behind the front leg.
pub(in crate::shape) fn behind_fore(
    edge: &CoatEdge,
    build: &Build,
    dressing: &Dressing,
) -> Option<Piece> {
    let inside = [
        Station::PasternBack,
        Station::WristBack,
        Station::ForearmBack,
        Station::ElbowLow,
        Station::Elbow,
    ];
    feather(&FORE, FORE_WAY, &inside, 19, (edge, build, dressing))
}

/// Shortest hair that shows as feather, share of the height.
const LEAST: f64 = 0.03;

fn feather(
    roots: &[(Station, f64)],
    way: Vec2,
    inside: &[Station],
    seed: u32,
    (edge, build, dressing): (&CoatEdge, &Build, &Dressing),
) -> Option<Piece> {
    let h = build.height;
    let longest = roots
        .iter()
        .map(|(s, _)| dressing.lengths[s.index()])
        .fold(0.0, f64::max);
    if longest < LEAST * h {
        return None;
    }
    let towards = way / way.hypot();
    let line: Vec<Point> = roots
        .iter()
        .map(|(s, share)| {
            let length = dressing.lengths[s.index()];
            edge.at(*s) + towards * (PAST * share * length)
        })
        .collect();
    let locks = Locks {
        deep: 0.30 * longest * looseness(dressing).max(0.6),
        wide: 0.045 * h,
        towards,
        seed,
    };
    let hem = locks.on(&open(&line, FINE));
    let mut outline = hem.clone();
    outline.extend(
        inside
            .iter()
            .map(|s| edge.at(*s) + Vec2::new(0.03 * h, 0.0)),
    );
    let stroke =
        Stroke::running_out(hem, 0.95, 0.05 * h, 0.02 * h).with_hair(Some(HairAt::Hanging));
    Some(Piece::near(PieceKind::Feather, outline, vec![stroke]))
}
