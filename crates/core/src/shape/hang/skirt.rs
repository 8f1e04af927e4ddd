use kurbo::Point;

use super::super::curve::{open, signed_area};
use super::super::edge::{CoatEdge, Dressing, SkirtCoat, hanging_share};
use super::super::noise::noise;
use super::super::piece::{HairAt, Piece, PieceKind, Stroke};
use super::super::polyline::Locks;
use super::super::side::SideShape;
use super::super::station::Station;
use super::{FINE, PLUMB, looseness};
use crate::coat::Zone;
use crate::frame::Build;

/// Lengths of an uncut skirt from front to rear against its longest (dog-shape.md 13, spaniel).
const SKIRT_SHAPE: [f64; 6] = [0.82, 0.96, 1.0, 0.97, 0.91, 0.73];

/// Stations the hem of a cut skirt runs through, from behind the elbow to the thigh.
const HEM: [Station; 7] = [
    Station::ChestUnder,
    Station::Brisket,
    Station::Belly,
    Station::BellyRear,
    Station::LastRib,
    Station::TuckUp,
    Station::FlankFold,
];
/// Lines down the fall of its hair.
const FALLS: u32 = 11;

/// A cut skirt: a curtain from its root line down to the planned underline, which is its hem.
///
/// It lies over the body and under the near legs, so that it flows into elbow and thigh; its root
/// shows no line.
pub(in crate::shape) fn cut_skirt(
    skirt: &SkirtCoat,
    edge: &CoatEdge,
    dressing: &Dressing,
    build: &Build,
) -> Piece {
    let h = build.height;
    let mut points = edge.all(&HEM);
    points[0] += kurbo::Vec2::new(0.010, 0.010) * h;
    points[6] += kurbo::Vec2::new(-0.035, -0.010) * h;
    let locks = Locks {
        deep: 0.020 * h * looseness(dressing),
        wide: 0.05 * h,
        towards: PLUMB,
        seed: 13,
    };
    let hem = locks.on(&open(&points, FINE));
    let (front, rear) = (hem[0].x, hem[hem.len() - 1].x - 0.02 * h);
    let mut outline: Vec<Point> = hem.clone();
    outline.extend([
        Point::new(rear, skirt.root_height),
        Point::new(f64::midpoint(front, rear), skirt.root_height),
        Point::new(front, skirt.root_height),
    ]);
    if signed_area(&outline) < 0.0 {
        outline.reverse();
    }
    let mut strokes = falls(&hem, skirt.root_height, h);
    strokes.insert(
        0,
        Stroke::running_out(hem, 0.95, 0.02 * h, 0.03 * h).with_hair(Some(HairAt::Hanging)),
    );
    Piece::near(PieceKind::Skirt, outline, strokes)
}

/// Thin lines down the skirt, longer and shorter, never as far as its root in a row.
fn falls(hem: &[Point], root: f64, h: f64) -> Vec<Stroke> {
    let last = (hem.len() - 1) as f64;
    (0..FALLS)
        .map(|i| {
            let share = (f64::from(i) + 0.5 + 0.5 * (noise(&[3, i]) - 0.5)) / f64::from(FALLS);
            #[expect(
                clippy::cast_possible_truncation,
                clippy::cast_sign_loss,
                reason = "a share of the hem's own points"
            )]
            let low = hem[(share * last) as usize];
            let high = low.y + (root - low.y) * (0.50 + 0.45 * noise(&[4, i]));
            let lean = 0.012 * h * (1.0 - 2.0 * share);
            let line = [
                Point::new(low.x - lean, high),
                Point::new(low.x - 0.6 * lean + 0.004 * h, f64::midpoint(high, low.y)),
                Point::new(low.x, low.y + 0.012 * h),
            ];
            Stroke::running_out(open(&line, 6), 0.42, 0.05 * h, 0.02 * h)
        })
        .collect()
}

/// A skirt that was not cut hangs plumb from a root line behind the elbow to the thigh.
pub(in crate::shape) fn hanging_skirt(
    skirt: &SkirtCoat,
    shape: &SideShape,
    build: &Build,
    dressing: &Dressing,
) -> Piece {
    let h = build.height;
    let front = shape.skin(Station::Elbow).x + 0.05 * h;
    let rear = 0.20 * h;
    let last = SKIRT_SHAPE.len() - 1;
    let hangs = hanging_share(dressing.stand.of(Zone::Underline));
    let at = |i: usize| front + (rear - front) * i as f64 / last as f64;
    let hem: Vec<Point> = SKIRT_SHAPE
        .iter()
        .enumerate()
        .map(|(i, share)| {
            let y = skirt.root_height - hangs * share * skirt.length;
            // The skirt's clearance over the table, mm, does not scale (dog-shape.md 9).
            Point::new(at(i), y.max(3.0))
        })
        .collect();
    let locks = Locks {
        deep: 0.12 * skirt.length * looseness(dressing),
        wide: 0.05 * h,
        towards: PLUMB,
        seed: 17,
    };
    let curve = locks.on(&open(&hem, FINE));
    let mut outline = vec![Point::new(front, skirt.root_height)];
    outline.extend(&curve);
    outline.push(Point::new(rear, skirt.root_height));
    outline.reverse();
    let stroke = Stroke::tapered(curve, 0.9, (true, true)).with_hair(Some(HairAt::Hanging));
    Piece::near(PieceKind::Skirt, outline, vec![stroke])
}
