use kurbo::{Line, ParamCurveNearest as _, Point, Vec2};

use super::edge::{CoatEdge, Dressing};
use super::head_pieces::{EYE, beard_piece, brow_piece, ear_piece, eye_at, topknot_piece};
use super::piece::Piece;
use super::side::SideShape;
use super::station::Station;
use super::views::{BothSides, head_front};
use crate::coat::Zone;
use crate::frame::{Build, EarKind};

/// Where a dressed head ends from the side, mm on the dog's own plane.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct HeadEdges {
    /// Its highest point.
    pub top: Point,
    /// Its lowest, under the beard.
    pub under_beard: Point,
    /// The end of the ear; none where it is carried up.
    pub ear_end: Option<Point>,
    /// The foremost hair of the muzzle.
    pub foremost: Point,
    /// How far the tip of the nose stands before it, along the muzzle or plumb line against plumb
    /// line, whichever shows it longer, mm.
    ///
    /// A head carried low shows a hanging beard ahead along the muzzle, one carried high ahead by
    /// the plumb line; neither is longer than the nose to the eye.
    pub nose_before: f64,
    /// The outer corner of the eye.
    pub eye: Point,
    /// How far the nearest edge of topknot or brow stays off it, mm; less than nothing where hair
    /// lies over it.
    pub eye_free: f64,
}

/// Longest fringe that leaves the eye open, share of the head's length (modelling choice: the eye
/// lies about so far under the brow).
pub(crate) const FRINGE: f64 = 0.12;

/// Stations over the skull, and round the muzzle.
const SKULL: [Station; 3] = [Station::SkullBack, Station::Crown, Station::Brow];
const MUZZLE: [Station; 4] = [
    Station::LipFront,
    Station::Lip,
    Station::Chin,
    Station::ChinBack,
];

/// Measures a dressed head from the side.
pub fn head_edges(shape: &SideShape, build: &Build, dressing: &Dressing) -> HeadEdges {
    let edge = CoatEdge::new(shape, dressing);
    let stand = |zone| dressing.stand.of(zone);
    let ink = |piece: Option<Piece>| piece.map_or_else(Vec::new, |p| p.outline);
    let topknot = ink(dressing
        .topknot
        .as_ref()
        .map(|t| topknot_piece(t, stand(Zone::Topknot), shape, build, &edge)));
    let beard = ink(dressing
        .beard
        .as_ref()
        .map(|b| beard_piece(b, stand(Zone::Beard), &shape.head, &build.head)));
    let ear = ear_piece(&build.ear, &dressing.ear, stand(Zone::Ear), &shape.head);
    let at = |stations: &[Station]| stations.iter().map(|s| edge.at(*s)).collect::<Vec<_>>();
    let muzzle = || at(&MUZZLE).into_iter().chain(beard.iter().copied());
    let is_round = dressing.topknot.is_some_and(|t| t.cheek.is_some());
    let round = topknot.iter().copied().filter(|_| is_round);
    let crown = shape.skin(Station::Crown);
    let ahead = shape.head.vector(1.0, 0.0) / shape.head.length;
    let nose = shape.skin(Station::NoseTip);
    let (nose_before, foremost) = [ahead, Vec2::new(1.0, 0.0)]
        .into_iter()
        .filter_map(|way| {
            let along = |p: Point| p.to_vec2().dot(way);
            let foremost = muzzle().max_by(|a, b| along(*a).total_cmp(&along(*b)))?;
            Some((along(nose) - along(foremost), foremost))
        })
        .max_by(|a, b| a.0.total_cmp(&b.0))
        .unwrap_or((0.0, nose));
    let brow = ink(dressing
        .brow
        .map(|mm| brow_piece(mm, stand(Zone::Brow), &shape.head, &build.head)));
    let axes = &shape.head;
    let eye = eye_at(axes, &build.head) - axes.vector(EYE, 0.0);
    // A round head's outline runs round behind the face: there the fringe's own length tells.
    let eye_free = match &dressing.topknot {
        Some(t) if is_round => FRINGE * build.head.length - t.visor,
        _ => outside_mm(eye, &topknot).min(outside_mm(eye, &brow)),
    };
    HeadEdges {
        top: highest(at(&SKULL).into_iter().chain(topknot.iter().copied())).unwrap_or(crown),
        under_beard: lowest(muzzle().chain(round)).unwrap_or(shape.skin(Station::Chin)),
        ear_end: (build.ear.kind != EarKind::Prick)
            .then(|| lowest(ear.outline.into_iter()))
            .flatten(),
        foremost,
        nose_before,
        eye,
        eye_free,
    }
}

/// From the eye to where the ear is set on, mm.
pub fn eye_to_ear_mm(shape: &SideShape, build: &Build) -> f64 {
    let ear = shape.head.at(build.ear.base.0, build.ear.base.1);
    eye_at(&shape.head, &build.head).distance(ear)
}

/// How far a point lies outside a closed outline, mm; less than nothing inside, without end where
/// there is none.
fn outside_mm(point: Point, outline: &[Point]) -> f64 {
    let ends = outline.iter().cycle().skip(1);
    let edges = outline.iter().zip(ends).map(|(a, b)| Line::new(*a, *b));
    let mut inside = false;
    let mut nearest = f64::INFINITY;
    for edge in edges {
        nearest = nearest.min(edge.nearest(point, 1e-3).distance_sq.sqrt());
        let (a, b) = (edge.p0, edge.p1);
        let crosses = (a.y > point.y) != (b.y > point.y);
        if crosses && point.x < a.x + (b.x - a.x) * (point.y - a.y) / (b.y - a.y) {
            inside = !inside;
        }
    }
    if inside { -nearest } else { nearest }
}

fn highest(points: impl Iterator<Item = Point>) -> Option<Point> {
    points.max_by(|a, b| a.y.total_cmp(&b.y))
}

fn lowest(points: impl Iterator<Item = Point>) -> Option<Point> {
    points.min_by(|a, b| a.y.total_cmp(&b.y))
}

/// Directions in which a head is held against a circle.
const DIRECTIONS: usize = 24;

/// How far the head seen from in front leaves one circle through its cheeks, top and under-beard,
/// mm; ears left out.
pub fn off_circle_mm(dog: &BothSides<'_>, dressing: &Dressing) -> f64 {
    let points: Vec<Point> = head_front(dog, dressing)
        .into_iter()
        .filter(|p| p.kind == super::piece::PieceKind::Head)
        .flat_map(|p| p.outline)
        .collect();
    let (Some(top), Some(low)) = (
        highest(points.iter().copied()),
        lowest(points.iter().copied()),
    ) else {
        return 0.0;
    };
    let centre = Point::new(0.0, f64::midpoint(top.y, low.y));
    let turn = std::f64::consts::TAU / DIRECTIONS as f64;
    // Furthest out in each direction: the pieces cover each other.
    let mut reach = [0.0_f64; DIRECTIONS];
    for point in points {
        let out = point - centre;
        #[expect(
            clippy::cast_possible_truncation,
            clippy::cast_sign_loss,
            reason = "a turn divided by a part of it"
        )]
        let i =
            (out.atan2().rem_euclid(std::f64::consts::TAU) / turn).round() as usize % DIRECTIONS;
        reach[i] = reach[i].max(out.hypot());
    }
    let quarter = DIRECTIONS / 4;
    let radius = (0..4).map(|q| reach[q * quarter]).sum::<f64>() / 4.0;
    let seen = reach.iter().filter(|r| **r > 0.0);
    seen.map(|r| (r - radius).abs()).fold(0.0, f64::max)
}
