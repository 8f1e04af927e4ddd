use kurbo::{Point, Vec2};

use super::super::curve::closed;
use super::super::edge::Dressing;
use super::super::piece::{Piece, PieceKind, Stroke};
use super::super::station::Station;
use super::super::tail::{TailLine, coat_along, tail_line};
use super::{BothSides, round};
use crate::coat::Zone;

/// Samples a span of the outline.
const FINE: usize = 8;
/// Under this rise a tail from behind is only a disc, share of the height (dog-shape.md 6).
const DISC_UNDER: f64 = 0.16;

/// The tail's centre line with its half widths, hair included.
pub(super) struct Seen {
    pub line: TailLine,
    pub half_widths: Vec<f64>,
}

pub(super) fn seen_tail(dog: &BothSides<'_>, dressing: &Dressing) -> Seen {
    let b = dog.left;
    let line = tail_line(&b.tail, dog.shape.skin(Station::TailSet), b.height);
    let steps = line.centre.len() - 1;
    let half_widths = (0..=steps)
        .map(|i| {
            let t = i as f64 / steps as f64;
            line.half_widths[i] + coat_along(&dressing.tail, t) * dressing.stand.of(Zone::Tail)
        })
        .collect();
    Seen { line, half_widths }
}

/// A disc as a closed polygon.
pub(super) fn disc(centre: Point, radius: f64) -> Vec<Point> {
    (0..48)
        .map(|k| centre + radius * Vec2::from_angle(std::f64::consts::TAU * f64::from(k) / 48.0))
        .collect()
}

/// The ball at the end of a tail: where it stands on the centre line, and its radius.
pub(super) fn ball(seen: &Seen, dressing: &Dressing) -> Option<(Point, f64)> {
    let (at, length) = dressing.tail.ball?;
    let steps = seen.line.centre.len() - 1;
    let place = at * steps as f64;
    #[expect(
        clippy::cast_possible_truncation,
        clippy::cast_sign_loss,
        reason = "a share of the tail's own few steps"
    )]
    let i = (place.floor() as usize).min(steps - 1);
    let centre = seen.line.centre[i].lerp(seen.line.centre[i + 1], place - i as f64);
    Some((
        centre,
        seen.line.half_widths[i] + length * dressing.stand.of(Zone::Tail),
    ))
}

/// The tail from behind: its heights with its half widths, round at the end.
pub(super) fn tail_from_behind(dog: &BothSides<'_>, dressing: &Dressing) -> Vec<Piece> {
    let seen = seen_tail(dog, dressing);
    let heights: Vec<f64> = seen.line.centre.iter().map(|p| p.y).collect();
    let rise = |i: usize| (heights[i] - heights[0]).abs();
    let last = (0..heights.len())
        .max_by(|a, b| rise(*a).total_cmp(&rise(*b)))
        .unwrap_or(0);
    let piece = |outline: Vec<Point>, kind, weight, ends| {
        let strokes = vec![Stroke::tapered(round(&outline), weight, ends)];
        Piece::near(kind, outline, strokes)
    };
    let mut pieces = Vec::new();
    if rise(last) < DISC_UNDER * dog.height() || last < 3 {
        let middle = seen.line.centre[heights.len() / 2];
        let hair: f64 = seen.half_widths.iter().sum::<f64>() / heights.len() as f64;
        let at = Point::new(0.0, middle.y);
        pieces.push(piece(disc(at, hair), PieceKind::Tail, 0.9, (false, false)));
    } else {
        let is_up = heights[last] >= heights[0];
        let way = if is_up { 1.0 } else { -1.0 };
        let tip = seen.half_widths[last];
        let side = |sign: f64| -> Vec<Point> {
            (0..=last)
                .step_by(3)
                .map(|i| Point::new(sign * seen.half_widths[i], heights[i]))
                .collect()
        };
        let mut ring = side(-1.0);
        ring.extend([
            Point::new(-0.8 * tip, heights[last] + 0.55 * way * tip),
            Point::new(0.0, heights[last] + way * tip),
            Point::new(0.8 * tip, heights[last] + 0.55 * way * tip),
        ]);
        let mut back = side(1.0);
        back.reverse();
        ring.extend(back);
        if is_up {
            // Clockwise so far: up the left, down the right.
            ring.reverse();
        }
        let outline = closed(&ring, FINE);
        let ink = outline[..=FINE * (ring.len() - 1)].to_vec();
        pieces.push(Piece::near(
            PieceKind::Tail,
            outline,
            vec![Stroke::tapered(ink, 1.0, (is_up, is_up))],
        ));
    }
    if let Some((centre, radius)) = ball(&seen, dressing) {
        let at = Point::new(0.0, centre.y);
        pieces.push(piece(
            disc(at, radius),
            PieceKind::TailBall,
            1.0,
            (false, false),
        ));
    }
    pieces
}
