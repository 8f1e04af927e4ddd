use kurbo::{Point, Vec2};

use super::curve::{closed, open};
use super::edge::{TailCoat, visible_share};
use super::piece::{Piece, PieceKind, Stroke};
use crate::frame::{TailKind, TailShape};

/// Steps of the centre line (dog-shape.md 5).
const STEPS: usize = 12;
/// Samples a span of the outline.
const FINE: usize = 8;
const PLUMB: Vec2 = Vec2::new(0.0, -1.0);
/// Share of the hollow's radius that hair inside a bend may show (dog-shape.md 9).
const HOLLOW: f64 = 0.85;

fn carriage_deg(kind: TailKind) -> (f64, f64) {
    match kind {
        TailKind::Up => (68.0, 95.0),
        TailKind::Curl => (62.0, 235.0),
        TailKind::Sabre => (35.0, 62.0),
        TailKind::Level => (5.0, 22.0),
        TailKind::Low => (-14.0, -86.0),
        TailKind::Stub => (58.0, 62.0),
    }
}

/// The tail's centre line from its root, with directions and half widths.
pub(super) struct TailLine {
    pub centre: Vec<Point>,
    directions: Vec<Vec2>,
    pub half_widths: Vec<f64>,
    turn_rad: f64,
}

pub(super) fn tail_line(tail: &TailShape, tail_set: Point, height: f64) -> TailLine {
    let (a0, a1) = carriage_deg(tail.kind);
    let limit = (tail.length / (0.75 * tail.thickness)).to_degrees();
    let a1 = a0 + (a1 - a0).clamp(-limit, limit);
    let angle = |i: f64| (a0 + (a1 - a0) * i / STEPS as f64).to_radians();
    let ahead = |a: f64| Vec2::new(-a.cos(), a.sin());
    let step = tail.length / STEPS as f64;
    let mut centre = vec![tail_set + Vec2::new(0.03, -0.028) * height];
    for i in 0..STEPS {
        let last = centre[i];
        centre.push(last + step * ahead(angle(i as f64 + 0.5)));
    }
    let share = |i: usize| i as f64 / STEPS as f64;
    TailLine {
        centre,
        directions: (0..=STEPS).map(|i| ahead(angle(i as f64))).collect(),
        half_widths: (0..=STEPS)
            .map(|i| 0.5 * tail.thickness * (1.28 - 0.93 * share(i).powf(0.8)))
            .collect(),
        turn_rad: (a1 - a0).to_radians(),
    }
}

/// Length of the tail's coat at a share of the way from root to tip, mm.
pub(super) fn coat_along(coat: &TailCoat, t: f64) -> f64 {
    let lerp = |a: f64, b: f64, t: f64| a + (b - a) * t;
    if t < 0.34 {
        lerp(coat.root, coat.middle, t / 0.34)
    } else {
        lerp(
            coat.middle,
            0.5 * (coat.middle + coat.tip),
            (t - 0.34) / 0.66,
        )
    }
}

/// The tail with its hair; a plume or a round end where the coat says so (dog-shape.md 9).
pub(super) fn tail_pieces(
    tail: &TailShape,
    coat: &TailCoat,
    stand: f64,
    tail_set: Point,
    height: f64,
) -> Vec<Piece> {
    let line = tail_line(tail, tail_set, height);
    let hang = coat.hang * (1.0 - stand);
    let unit = |v: Vec2| v / v.hypot().max(1e-9);
    let is_bent = line.turn_rad.abs() > 0.5;
    let radius = tail.length / line.turn_rad.abs().max(1e-6);
    let side = |sign: f64| -> Vec<Point> {
        let is_inside = is_bent && sign * line.turn_rad > 0.0;
        (0..=STEPS)
            .map(|i| {
                let t = i as f64 / STEPS as f64;
                let d0 = line.directions[i];
                let normal = sign * Vec2::new(d0.y, -d0.x);
                let g = hang * (0.5 - 0.8 * normal.y).clamp(0.0, 1.0);
                let d = unit((1.0 - g) * normal + g * PLUMB);
                let length = coat_along(coat, t);
                let mut seen = length * visible_share(d, stand);
                if is_inside {
                    seen = seen.min((HOLLOW * (radius - line.half_widths[i])).max(0.0));
                }
                line.centre[i] + normal * line.half_widths[i] + d * seen
            })
            .collect()
    };
    let (over, under) = (side(1.0), side(-1.0));
    let end = line.directions[STEPS];
    let d = unit((1.0 - hang) * end + hang * PLUMB);
    let tip = line.centre[STEPS]
        + end * line.half_widths[STEPS]
        + d * (coat.tip * visible_share(d, stand));

    let every_other = |points: &[Point]| points.iter().step_by(2).copied().collect::<Vec<_>>();
    let mut pieces = Vec::new();
    if coat.is_fan && is_bent {
        let outer = if line.turn_rad > 0.0 { &under } else { &over };
        let mut edge = every_other(outer);
        edge.push(tip);
        let curve = open(&edge, FINE);
        let mut outline = curve.clone();
        outline.push(line.centre[0]);
        pieces.push(Piece::near(
            PieceKind::Tail,
            outline,
            vec![Stroke::plain(curve, 1.0)],
        ));
    } else {
        let mut ring = every_other(&over);
        ring.push(tip);
        let mut back = under.clone();
        back.reverse();
        ring.extend(every_other(&back));
        let outline = closed(&ring, FINE);
        let ink = outline[..=FINE * (ring.len() - 1)].to_vec();
        pieces.push(Piece::near(
            PieceKind::Tail,
            outline,
            vec![Stroke::plain(ink, 1.0)],
        ));
    }
    if let Some((at, length)) = coat.ball {
        let position = at * STEPS as f64;
        #[expect(
            clippy::cast_possible_truncation,
            clippy::cast_sign_loss,
            reason = "a share of the tail's own few steps"
        )]
        let i = (position.floor() as usize).min(STEPS - 1);
        let centre = line.centre[i].lerp(line.centre[i + 1], position - i as f64);
        let r = line.half_widths[i] + length * stand;
        let disc: Vec<Point> = (0..48)
            .map(|k| centre + r * Vec2::from_angle(std::f64::consts::TAU * f64::from(k) / 48.0))
            .collect();
        let mut ink = disc.clone();
        ink.push(disc[0]);
        pieces.push(Piece::near(
            PieceKind::TailBall,
            disc,
            vec![Stroke::plain(ink, 1.0)],
        ));
    }
    pieces
}
