use kurbo::{Point, Vec2};

use super::super::curve::closed;
use super::super::edge::Dressing;
use super::super::piece::{Piece, PieceKind, Stroke};
use super::super::station::Station;
use super::super::tail::Tail;
use super::{BothSides, round};

/// Samples a span of the outline.
const FINE: usize = 8;
/// Under this rise a tail from behind is only a disc, share of the height (dog-shape.md 6).
const DISC_UNDER: f64 = 0.16;

/// A disc as a closed polygon.
pub(super) fn disc(centre: Point, radius: f64) -> Vec<Point> {
    (0..48)
        .map(|k| centre + radius * Vec2::from_angle(std::f64::consts::TAU * f64::from(k) / 48.0))
        .collect()
}

/// The tail as it stands in the side view: what other views take their places from.
pub(super) fn seen_tail<'a>(dog: &BothSides<'_>, dressing: &'a Dressing) -> Tail<'a> {
    Tail::of(dog.left, dressing, dog.shape.skin(Station::TailSet))
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
        let hair: f64 =
            (0..heights.len()).map(|i| seen.half_width(i)).sum::<f64>() / heights.len() as f64;
        let at = Point::new(0.0, middle.y);
        pieces.push(piece(disc(at, hair), PieceKind::Tail, 0.9, (false, false)));
    } else {
        let is_up = heights[last] >= heights[0];
        let way = if is_up { 1.0 } else { -1.0 };
        let tip = seen.half_width(last);
        let side = |sign: f64| -> Vec<Point> {
            (0..=last)
                .step_by(3)
                .map(|i| Point::new(sign * seen.half_width(i), heights[i]))
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
    if let Some((centre, radius)) = seen.ball() {
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
