use kurbo::{Point, Vec2};

use super::super::curve::{closed, open, signed_area};
use super::super::edge::{BeardForm, combed_share};
use super::super::head::parting_mm;
use super::super::leg_place::Hand;
use super::super::piece::{Piece, PieceKind, Stroke};
use super::head::{FINE, OnEnd, mirrored};
use super::ring::lerp;
use crate::coat::Zone;

/// Half the eye's opening, share of the head's length; how far apart eyes stand, share of half the
/// skull (dog-shape-2.md 6).
const EYE: f64 = 0.036;
const EYES: f64 = 0.46;
const ROUND: u32 = 24;

/// The muzzle: its own skin, fuller by its hair, or a beard.
pub(super) fn muzzle(head: &OnEnd<'_>) -> Piece {
    let (h, m) = (head.h, head.muzzle);
    let flews = head.dog.left.head.flews;
    let beard = head.dressing.beard;
    if let Some(piece) = beard.and_then(|b| head.beard(b.form)) {
        return piece;
    }
    // How far hair widens it, and how far it deepens it.
    let (wide, deep, from, kind) = match beard.map(|b| b.form) {
        Some(BeardForm::Puff) => {
            let length = beard.map_or(0.0, |b| b.length);
            let o = head.stands_mm(Zone::Beard, length);
            (0.75 * o, 0.9 * o, head.eye - 0.015 * h, PieceKind::Muzzle)
        }
        Some(BeardForm::Flews) => {
            let full = 0.018 * head.dog.height() + 0.10 * m * flews;
            let deep = 0.10 * head.dog.left.head.muzzle_depth * h * flews;
            (full, deep, head.eye - 0.03 * h, PieceKind::Muzzle)
        }
        _ => {
            let grows = |zone| {
                let length = head.dressing.zone_mm(zone);
                length * combed_share(head.dressing.stand.of(zone))
            };
            let deep = 0.6 * grows(Zone::Beard) + 0.05 * h * flews;
            let wide = 0.5 * grows(Zone::Muzzle) + 0.10 * m * flews;
            (wide, deep, head.eye - 0.03 * h, PieceKind::Head)
        }
    };
    let half = [
        Point::new(0.42 * m + 0.3 * wide, from),
        Point::new(0.80 * m + 0.6 * wide, lerp(from, head.nose, 0.55)),
        Point::new(m + wide, lerp(head.nose, head.chin, 0.30)),
        Point::new(0.92 * m + wide, lerp(head.nose, head.chin, 0.72)),
        Point::new(0.50 * m + 0.6 * wide, head.chin - 0.008 * h - deep),
    ];
    let outline = mirrored(&half);
    let ink = outline[FINE / 2..outline.len() - FINE - FINE / 2].to_vec();
    let stroke = Stroke::running_out(ink, 0.7, 0.12 * h, 0.12 * h);
    Piece::near(kind, outline, vec![stroke])
}

/// Eyes, nose and mouth; no mouth under a beard.
pub(super) fn face(head: &OnEnd<'_>) -> Vec<Piece> {
    let (h, m, skull) = (head.h, head.muzzle, head.skull);
    let r = EYE * h;
    let disc = |at: Point, rx: f64, ry: f64| -> Vec<Point> {
        (0..ROUND)
            .map(|i| {
                let v = Vec2::from_angle(std::f64::consts::TAU * f64::from(i) / f64::from(ROUND));
                at + Vec2::new(rx * v.x, ry * v.y)
            })
            .collect()
    };
    let mut pieces = Vec::new();
    for hand in Hand::ALL {
        let at = Point::new(hand.sign() * EYES * skull, head.eye);
        pieces.push(Piece::near(
            PieceKind::Eye,
            disc(at, r, 0.86 * r),
            Vec::new(),
        ));
        let light = at + Vec2::new(0.0, 0.4 * r);
        pieces.push(Piece::near(
            PieceKind::EyeLight,
            disc(light, 0.2 * r, 0.2 * r),
            Vec::new(),
        ));
    }
    let n = 0.30 * m + 0.012 * h;
    let nose = [
        (-1.0, 0.42),
        (-0.95, -0.15),
        (-0.32, -0.75),
        (0.32, -0.75),
        (0.95, -0.15),
        (1.0, 0.42),
        (0.5, 0.62),
        (-0.5, 0.62),
    ]
    .map(|(x, y)| Point::new(x * n, head.nose + y * n));
    pieces.push(Piece::near(PieceKind::Nose, closed(&nose, 6), Vec::new()));
    let form = head.dressing.beard.map(|b| b.form);
    if matches!(form, Some(BeardForm::Brick | BeardForm::Hanging)) {
        return pieces;
    }
    let is_puffed = form == Some(BeardForm::Puff);
    let meets = lerp(head.nose, head.chin, if is_puffed { 0.55 } else { 0.62 });
    let down = Point::new(0.0, meets);
    let mut strokes = vec![Stroke::plain(
        vec![Point::new(0.0, head.nose - 0.7 * n), down],
        0.5,
    )];
    let lips = if is_puffed {
        [(0.20, 0.03), (0.40, 0.02)]
    } else {
        [(0.34, 0.02), (0.62, 0.045)]
    };
    strokes.extend(Hand::ALL.map(|hand| {
        let at = |(x, y): (f64, f64)| Point::new(hand.sign() * x * m, meets - y * h);
        let line = [down, at(lips[0]), at(lips[1])];
        Stroke::running_out(open(&line, 6), 0.5, 0.0, 0.04 * h)
    }));
    pieces.push(Piece::lines(strokes));
    pieces
}

/// A terrier's brows: two lashes combed forward, seen by how far they drop; the eyes' outer corners
/// stay free.
pub(super) fn brows(head: &OnEnd<'_>) -> Vec<Piece> {
    let Some(length) = head.dressing.brow else {
        return Vec::new();
    };
    let (h, skull, eye) = (head.h, head.skull, head.eye);
    let reach = 0.55 * length * combed_share(head.dressing.stand.of(Zone::Brow));
    let inner = (0.5 * parting_mm(&head.dog.left.head)).max(0.10 * skull);
    Hand::ALL
        .map(|hand| {
            let at = |x: f64, y: f64| Point::new(hand.sign() * x, y);
            let ring = [
                at(0.86 * skull, eye + 0.16 * h),
                at(0.34 * skull, eye + 0.15 * h),
                at(inner, eye - 0.02 * h),
                at(0.24 * skull, eye - 0.45 * reach),
                at(0.42 * skull, eye - 0.01 * h),
                at(0.74 * skull, eye + 0.06 * h),
            ];
            let mut outline = closed(&ring, FINE);
            let mut ink = outline.clone();
            ink.extend(outline.first().copied());
            if signed_area(&outline) < 0.0 {
                outline.reverse();
            }
            let hair = vec![
                at(0.50 * skull, eye + 0.11 * h),
                at(0.27 * skull, eye - 0.10 * reach),
            ];
            let thin = 0.02 * head.dog.height();
            Piece::near(
                PieceKind::Brow,
                outline,
                vec![
                    Stroke::plain(ink, 0.8),
                    Stroke::running_out(hair, 0.42, thin, thin),
                ],
            )
        })
        .into()
}
