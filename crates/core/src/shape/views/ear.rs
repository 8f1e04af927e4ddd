use kurbo::{Point, Vec2};

use super::super::curve::{closed, signed_area};
use super::super::finish::EarForm;
use super::super::leg_place::Hand;
use super::super::piece::{HairAt, Piece, PieceKind, Stroke};
use super::head::{FINE, OnEnd};
use super::ring::unit;
use crate::frame::EarKind;

const PLUMB: Vec2 = Vec2::new(0.0, -1.0);

/// One point of an ear from in front: across and along its leather, share of the edge's hair there,
/// how far the hair hangs (dog-shape-2.md 6).
type Leather = (f64, f64, f64, f64);

const DROP: [Leather; 9] = [
    (0.0, 0.16, 0.0, 0.0),
    (0.10, 0.10, 0.5, 0.0),
    (0.40, -0.22, 0.8, 0.1),
    (0.52, -0.58, 1.0, 0.5),
    (0.40, -0.92, 1.0, 0.9),
    (0.06, -1.0, 0.4, 1.0),
    (-0.22, -0.80, 0.3, 0.7),
    (-0.24, -0.42, 0.2, 0.2),
    (-0.16, -0.10, 0.0, 0.0),
];
const FOLDED: [Leather; 7] = [
    (-0.46, 0.16, 0.3, 0.0),
    (-0.02, 0.30, 0.4, 0.0),
    (0.42, 0.18, 0.5, 0.0),
    (0.40, -0.16, 1.0, 0.2),
    (0.12, -0.70, 1.0, 0.9),
    (-0.14, -0.36, 0.4, 0.5),
    (-0.38, -0.02, 0.2, 0.0),
];
const PRICK: [Leather; 6] = [
    (-0.34, -0.02, 0.0, 0.0),
    (-0.30, 0.42, 0.15, 0.0),
    (0.10, 1.02, 0.3, 0.0),
    (0.36, 0.48, 0.5, 0.0),
    (0.34, -0.05, 0.5, 0.1),
    (0.0, -0.20, 0.0, 0.0),
];
/// How wide a hanging leather is seen from in front, against its width from the side.
const SEEN_WIDE: f64 = 0.72;
/// Inner end of a drop ear's root, against the head's length: it lies on the head's side.
const INSIDE: f64 = 0.10;

/// An ear rooted so far from the midline.
pub(super) fn ear(head: &OnEnd<'_>, hand: Hand, root: f64, is_far: bool) -> Piece {
    let ear = &head.dog.left.ear;
    let coat = &head.dressing.ear;
    let sign = hand.sign();
    let base = head.dog.shape.head.at(ear.base.0, ear.base.1).y;
    let is_feathered = coat.form == EarForm::Feathered && ear.kind == EarKind::Drop;
    let (table, wide): (&[Leather], f64) = match ear.kind {
        EarKind::Drop => (&DROP, SEEN_WIDE),
        EarKind::Folded => (&FOLDED, SEEN_WIDE),
        EarKind::Prick => (&PRICK, 1.0),
    };
    let width = wide * ear.width * ear.length;
    let place = |i: usize, p: &Leather| {
        let inner = if ear.kind == EarKind::Drop && i == 0 {
            -INSIDE * head.h
        } else {
            0.0
        };
        Point::new(root + inner + p.0 * width, base + p.1 * ear.length)
    };
    let points: Vec<Point> = table.iter().enumerate().map(|(i, p)| place(i, p)).collect();
    let sum = points.iter().fold(Vec2::ZERO, |s, p| s + p.to_vec2());
    let middle = (sum / points.len() as f64).to_point();
    let ring: Vec<Point> = points
        .iter()
        .zip(table)
        .map(|(p, (_, along, share, hang))| {
            let out = unit(*p - middle);
            let d = unit((1.0 - 0.85 * hang) * out + 0.85 * hang * PLUMB);
            let clipped = is_feathered && *along > -0.30;
            let edge = if clipped { 0.0 } else { share * coat.edge };
            let p = *p + d * ((1.0 - hang) * edge + hang * coat.fringe.max(edge));
            Point::new(sign * p.x, p.y)
        })
        .collect();
    let mut outline = closed(&ring, FINE);
    let is_drop = ear.kind == EarKind::Drop;
    let mut ink = if is_drop {
        outline[..=FINE * (ring.len() - 1)].to_vec()
    } else {
        outline.clone()
    };
    if !is_drop {
        ink.extend(outline.first().copied());
    }
    if signed_area(&outline) < 0.0 {
        outline.reverse();
    }
    let hair = head.hair(coat.edge.max(coat.fringe), HairAt::Hanging);
    let over = if is_drop {
        0.02 * head.dog.height()
    } else {
        0.0
    };
    Piece {
        kind: PieceKind::Ear,
        strokes: vec![Stroke::running_out(ink, 0.9, over, over).with_hair(hair)],
        outline,
        is_far,
    }
}
