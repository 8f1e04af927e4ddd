use kurbo::{Point, Vec2};

use super::super::edge::{CoatEdge, Dressing, TopknotForm};
use super::super::piece::PieceKind;
use super::super::polyline::{Inside, outside_mm};
use super::super::side::SideShape;
use super::super::station::Station;
use super::super::views::{BothSides, head_front};
use super::face::{EYE, eye_at};
use super::{Head, ear_piece};
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
    let head = Head {
        shape,
        build,
        dressing,
        edge: &edge,
    };
    let form = dressing.topknot.map(|t| t.form);
    let is_round = matches!(form, Some(TopknotForm::Round { .. }));
    // The muzzle's own hair ends where its piece does, if it has one.
    let pieces = head.pieces(&Inside::of(&[]));
    let ink = |kinds: &[PieceKind]| -> Vec<Point> {
        pieces
            .iter()
            .filter(|p| kinds.contains(&p.kind))
            .flat_map(|p| p.outline.iter().copied())
            .collect()
    };
    let topknot = ink(&[PieceKind::Topknot]);
    let beard = ink(&[PieceKind::Beard, PieceKind::Muzzle]);
    let brow = ink(&[PieceKind::Brow]);
    let ear = ear_piece(build, dressing, &shape.head);
    let at = |stations: &[Station]| stations.iter().map(|s| edge.at(*s)).collect::<Vec<_>>();
    let muzzle = || {
        let own = if beard.is_empty() {
            at(&MUZZLE)
        } else {
            Vec::new()
        };
        own.into_iter().chain(beard.iter().copied())
    };
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
    let axes = &shape.head;
    let eye = eye_at(axes, &build.head) - axes.vector(EYE, 0.0);
    // A round head's outline runs round behind the face: there the fringe's own length tells.
    let eye_free = match &dressing.topknot {
        Some(t) if is_round || t.form == TopknotForm::Fall => FRINGE * build.head.length - t.visor,
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

/// The corners of the eyes are opened so far of the way from the inner corner to the ear (handbook 10 D).
const CORNER_SHARE: f64 = 0.4;

/// How far the corners of the eyes are opened, from the inner one towards the ear, mm.
pub fn eye_corner_mm(shape: &SideShape, build: &Build) -> f64 {
    CORNER_SHARE * eye_to_ear_mm(shape, build)
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
        .filter(|p| p.kind == PieceKind::Head)
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
