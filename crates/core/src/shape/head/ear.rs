use kurbo::{Point, Vec2};

use super::super::curve::{closed, open, signed_area};
use super::super::edge::Dressing;
use super::super::finish::EarForm;
use super::super::piece::{HairAt, Piece, PieceKind, Stroke};
use super::super::polyline::Locks;
use super::{HeadAxes, MARKED, PLUMB, lerp};
use crate::coat::Texture;
use crate::frame::{Build, EarKind, EarShape};

/// Samples a span.
const SPAN: usize = 8;

/// One point of the ear leather: across, along, how far its hair hangs.
type Leather = (f64, f64, f64);

/// A leaf, widest at .6 of its length; a V with its fold; a prick ear (dog-shape-2.md 4).
const DROP: [Leather; 10] = [
    (-0.12, 0.10, 0.0),
    (-0.36, 0.03, 0.05),
    (-0.50, -0.26, 0.25),
    (-0.58, -0.60, 0.6),
    (-0.46, -0.90, 0.9),
    (-0.08, -1.0, 1.0),
    (0.26, -0.86, 0.75),
    (0.40, -0.54, 0.35),
    (0.33, -0.20, 0.12),
    (0.20, 0.08, 0.0),
];
const FOLDED: [Leather; 9] = [
    (-0.36, -0.02, 0.0),
    (-0.34, 0.12, 0.0),
    (-0.02, 0.22, 0.0),
    (0.32, 0.13, 0.0),
    (0.50, -0.14, 0.25),
    (0.56, -0.50, 0.6),
    (0.50, -0.80, 0.9),
    (0.18, -0.56, 0.6),
    (-0.14, -0.28, 0.3),
];
const PRICK: [Leather; 8] = [
    (0.36, -0.12, 0.0),
    (0.37, 0.20, 0.1),
    (0.26, 0.58, 0.1),
    (0.02, 1.0, 0.05),
    (-0.26, 0.60, 0.1),
    (-0.40, 0.20, 0.1),
    (-0.36, -0.10, 0.0),
    (0.0, -0.18, 0.0),
];

/// Hair of an ear's clipped upper part, share of the height; to where it is clipped along the leather.
const CLIPPED: f64 = 0.003;
const CLIPPED_TO: f64 = -0.30;
/// Near the root hair counts so little, above this share of the leather.
const AT_ROOT: f64 = 0.35;
const ROOT_TO: f64 = -0.10;
/// Share of the leather below which its hair ends in locks.
const LOCKS_FROM: f64 = -0.62;
/// Shortest fringe that ends in locks, share of the height.
const LOCKED: f64 = 0.04;

/// Shift of the far prick ear, shares of the head's length (dog-shape.md 5).
const FAR_EAR: Vec2 = Vec2::new(0.13, 0.015);
/// Shift of a drop ear on a round head, shares of the head's length (dog-shape-2.md 4).
const ON_A_BALL: Vec2 = Vec2::new(-0.06, 0.02);

/// The tip of the leather, hair away.
pub(in crate::shape) fn ear_tip(build: &Build, axes: &HeadAxes) -> Point {
    let ear = &build.ear;
    let (table, tip): (&[Leather], usize) = match ear.kind {
        EarKind::Drop => (&DROP, 5),
        EarKind::Folded => (&FOLDED, 6),
        EarKind::Prick => (&PRICK, 3),
    };
    let (x, y, _) = table[tip];
    axes.at(ear.base.0, ear.base.1) + Vec2::new(x * ear.width, y) * ear.length
}

/// The far prick ear behind the head.
pub(in crate::shape) fn far_ear(near: &Piece, head_length: f64) -> Piece {
    let shift = FAR_EAR * head_length;
    let mut far = near.clone();
    far.is_far = true;
    let strokes = far.strokes.iter_mut().flat_map(|s| &mut s.points);
    far.outline
        .iter_mut()
        .chain(strokes)
        .for_each(|p| *p += shift);
    far
}

/// The ear: its leather moved out by its hair, the more it hangs the more plumb.
pub(in crate::shape) fn ear_piece(build: &Build, dressing: &Dressing, axes: &HeadAxes) -> Piece {
    let (ear, coat, height) = (&build.ear, &dressing.ear, build.height);
    let is_drop = ear.kind == EarKind::Drop;
    let is_feathered = coat.form == EarForm::Feathered && is_drop;
    let is_on_ball = is_drop
        && dressing
            .topknot
            .is_some_and(|t| matches!(t.form, super::super::edge::TopknotForm::Round { .. }));
    let shift = if is_on_ball {
        ON_A_BALL * axes.length
    } else {
        Vec2::ZERO
    };
    let base = axes.at(ear.base.0, ear.base.1) + shift;
    let table: &[Leather] = match ear.kind {
        EarKind::Drop => &DROP,
        EarKind::Folded => &FOLDED,
        EarKind::Prick => &PRICK,
    };
    // A clipped upper part is seen narrow.
    let narrow = |along: f64| {
        if is_feathered && along > -0.35 {
            0.80
        } else {
            1.0
        }
    };
    let place =
        |x: f64, y: f64| base + Vec2::new(x * narrow(y) * ear.width * ear.length, y * ear.length);
    let mut leather: Vec<(Point, Leather)> = table.iter().map(|p| (place(p.0, p.1), *p)).collect();
    let points: Vec<Point> = leather.iter().map(|(p, _)| *p).collect();
    if signed_area(&points) < 0.0 {
        leather.reverse();
    }
    let n = leather.len();
    let unit = |v: Vec2| v / v.hypot().max(1e-9);
    let ring: Vec<Point> = (0..n)
        .map(|i| {
            let (p, (_, along, hang)) = leather[i];
            let (before, after) = (leather[(i + n - 1) % n].0, leather[(i + 1) % n].0);
            let t = unit(after - p) + unit(p - before);
            let normal = unit(Vec2::new(t.y, -t.x));
            let d = unit((1.0 - 0.85 * hang) * normal + 0.85 * hang * PLUMB);
            let edge = match (is_feathered, along) {
                (true, a) if a > CLIPPED_TO => CLIPPED * height,
                (true, _) => coat.edge,
                (false, a) if a > ROOT_TO && is_drop => AT_ROOT * coat.edge,
                (false, _) => coat.edge,
            };
            p + d * lerp(edge, coat.fringe.max(edge), hang)
        })
        .collect();
    let curve = closed(&ring, SPAN);
    let long = coat.edge.max(coat.fringe);
    let hair = (long >= MARKED * height).then_some(HairAt::Hanging);
    let outline = if is_drop {
        open_at_root(&curve, place(-0.12, 0.10), n)
    } else {
        curve
    };
    let outline = with_locks(outline, ear, dressing, base, height);
    let mut ink = outline.clone();
    let stroke = if is_drop {
        Stroke::running_out(ink, 0.85, 0.02 * height, 0.02 * height)
    } else {
        ink.extend(outline.first().copied());
        Stroke::plain(ink, 0.9)
    };
    let mut strokes = vec![stroke.with_hair(hair)];
    let across = ear.width * ear.length;
    let line = |points: [(f64, f64); 3]| {
        let points = points.map(|(x, y)| base + Vec2::new(x * across, y * ear.length));
        Stroke::running_out(open(&points, 6), 0.45, 0.02 * height, 0.02 * height)
    };
    match ear.kind {
        EarKind::Drop => {}
        EarKind::Folded => strokes.push(line([(-0.30, 0.05), (0.02, 0.02), (0.40, 0.02)])),
        EarKind::Prick => strokes.push(line([(0.14, 0.02), (0.10, 0.42), (0.03, 0.72)])),
    }
    Piece::near(PieceKind::Ear, outline, strokes)
}

/// The curve from the front of its root round to the back of it: a drop ear's root shows no line.
fn open_at_root(curve: &[Point], root: Point, stations: usize) -> Vec<Point> {
    let near = |p: &Point| p.distance_squared(root);
    let first = (0..stations)
        .min_by(|a, b| near(&curve[a * SPAN]).total_cmp(&near(&curve[b * SPAN])))
        .unwrap_or(0);
    let from = first * SPAN;
    let whole = curve.iter().cycle().skip(from);
    whole.take(SPAN * (stations - 1) + 1).copied().collect()
}

/// Ends of long hanging hair in locks; only the lower part of the outline.
fn with_locks(
    outline: Vec<Point>,
    ear: &EarShape,
    dressing: &Dressing,
    base: Point,
    height: f64,
) -> Vec<Point> {
    let coat = &dressing.ear;
    let is_soft = matches!(dressing.texture, Texture::Silky | Texture::Feathered);
    let hangs_loose = is_soft && coat.form != EarForm::Round || coat.form == EarForm::Locks;
    if !hangs_loose || ear.kind == EarKind::Prick || coat.fringe < LOCKED * height {
        return outline;
    }
    let low = |p: &Point| p.y < base.y + LOCKS_FROM * ear.length;
    let (Some(from), Some(to)) = (outline.iter().position(low), outline.iter().rposition(low))
    else {
        return outline;
    };
    if to < from + SPAN {
        return outline;
    }
    let locks = Locks {
        deep: 0.16 * coat.fringe,
        wide: 0.036 * height,
        towards: PLUMB,
        seed: 11,
    };
    let mut out = outline[..from].to_vec();
    out.extend(locks.on(&outline[from..=to]));
    out.extend(&outline[to + 1..]);
    out
}
