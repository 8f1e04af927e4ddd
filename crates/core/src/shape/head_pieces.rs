use kurbo::{Ellipse, Point, Shape, Vec2};

use super::curve::{closed, open, signed_area};
use super::edge::{Beard, CoatEdge, Dressing, EarCoat, Topknot, combed_share, visible_share};
use super::head::HeadAxes;
use super::piece::{Piece, PieceKind, Stroke};
use super::side::SideShape;
use super::station::Station;
use crate::frame::{Build, EarKind, EarShape, HeadShape};

/// Samples a span for the small pieces (dog-shape.md 5, *Ear*).
const FINE: usize = 10;
const PLUMB: Vec2 = Vec2::new(0.0, -1.0);

fn unit(v: Vec2) -> Vec2 {
    v / v.hypot().max(1e-9)
}

/// The topknot, with the round head where a cheek length carries the circle on (dog-shape.md 9).
pub(super) fn topknot_piece(
    topknot: &Topknot,
    stand: f64,
    shape: &SideShape,
    build: &Build,
    edge: &CoatEdge,
) -> Piece {
    let (axes, head) = (&shape.head, &build.head);
    let (mu, s, dome) = (head.muzzle, axes.step, head.dome);
    let hd = |p: f64, q: f64| axes.at(p, q);
    let centre = hd(0.36, -0.16);
    let lerp = |a: f64, b: f64, t: f64| a + (b - a) * t;
    let roots = [
        hd(1.01 - mu, -s + 0.03),
        hd(0.95 - mu, 0.5 * dome - 0.06 * s),
        hd(0.44, 0.9 * dome),
        hd(0.31, dome),
        hd(0.16, 0.85 * dome),
        hd(0.03, 0.02),
    ];
    let lengths = [
        topknot.visor,
        lerp(topknot.visor, topknot.front, 0.75),
        topknot.front,
        topknot.crown,
        lerp(topknot.crown, topknot.back, 0.6),
        topknot.back,
    ];
    let ahead = unit(axes.vector(1.0, 0.0));
    let direction = |i: usize, root: Point| {
        let d = unit(root - centre);
        match i {
            0 => unit(0.35 * d + 0.9 * ahead + Vec2::new(0.0, 0.1)),
            1 => unit(0.75 * d + 0.35 * ahead),
            _ => d,
        }
    };
    let hang = |root: Point, d: Vec2, length: f64| root + d * (length * visible_share(d, stand));
    let mut dome_line: Vec<Point> = roots
        .iter()
        .zip(lengths)
        .enumerate()
        .map(|(i, (root, length))| hang(*root, direction(i, *root), length))
        .collect();

    if let Some(cheek) = topknot.cheek {
        let (ds, dm) = (head.skull_depth, head.muzzle_depth);
        dome_line.truncate(5);
        let round = [
            (hd(0.02, -0.12), 0.0),
            (hd(0.04, -0.28), 0.5),
            (hd(0.14, -0.80 * ds), 0.8),
            (hd(0.30, -0.95 * ds), 1.0),
            (hd(0.88 - mu, -s - 1.05 * dm), 0.8),
        ];
        dome_line.extend(
            round.map(|(root, t)| hang(root, unit(root - centre), lerp(topknot.back, cheek, t))),
        );
        let count = dome_line.len();
        dome_line.extend([hd(1.01 - mu, -s - 0.62 * dm), hd(1.03 - mu, -s - 0.22 * dm)]);
        let outline = closed(&dome_line, FINE);
        let ink = outline[..=FINE * (count - 1) + FINE].to_vec();
        return Piece::near(
            PieceKind::Topknot,
            outline,
            vec![Stroke::tapered(ink, 1.0, (false, true))],
        );
    }

    if let Some(last) = dome_line.last_mut() {
        *last = last.midpoint(edge.at(Station::Occiput));
    }
    dome_line.push(edge.at(Station::CrestHigh));
    let count = dome_line.len();
    let ear = build.ear.base;
    dome_line.extend([
        shape
            .skin(Station::CrestHigh)
            .lerp(shape.skin(Station::JawAngle), 0.30),
        hd(ear.0 + 0.02, ear.1 - 0.02),
        hd(0.84 - mu, -0.5 * s - 0.015),
        hd(0.98 - mu, -0.6 * s + 0.02),
    ]);
    let outline = closed(&dome_line, FINE);
    let ink = outline[..=FINE * (count - 1)].to_vec();
    let visor = outline[FINE * (dome_line.len() - 2)..].to_vec();
    Piece::near(
        PieceKind::Topknot,
        outline,
        vec![
            Stroke::tapered(ink, 1.0, (false, true)),
            Stroke::tapered(visor, 0.7, (true, false)),
        ],
    )
}

/// The beard (dog-shape.md 9): six directions from plumb, forward positive.
pub(super) fn beard_piece(beard: &Beard, stand: f64, axes: &HeadAxes, head: &HeadShape) -> Piece {
    let (mu, s, dm) = (head.muzzle, axes.step, head.muzzle_depth);
    let pn = axes.nose.0;
    let hd = |p: f64, q: f64| axes.at(p, q);
    let lerp = |a: f64, b: f64, t: f64| a + (b - a) * t;
    let roots = [
        hd(1.0 - 1.02 * mu, -s - 0.72 * dm),
        hd(1.0 - 0.80 * mu, -s - dm),
        hd(1.0 - 0.48 * mu, -s - dm),
        hd(pn - 0.10, -s - 0.88 * dm),
        hd(pn - 0.045, -s - 0.52 * dm),
        hd(pn - 0.02, -s - 0.085),
    ];
    let angles = [-16.0, -6.0, 3.0, 14.0, 36.0, 62.0];
    let lengths = [
        0.45 * beard.side,
        beard.side,
        0.5 * (beard.side + beard.chin),
        beard.chin,
        lerp(beard.chin, beard.front, 0.55),
        beard.front,
    ];
    let seen = combed_share(stand);
    let mut ring: Vec<Point> = roots
        .iter()
        .zip(angles)
        .zip(lengths)
        .map(|((root, angle), length)| {
            let turned = (angle * beard.spread + beard.tilt_deg).to_radians();
            *root + Vec2::new(turned.sin(), -turned.cos()) * (length * seen)
        })
        .collect();
    ring.extend([
        hd(pn - 0.035, -s - 0.045),
        hd(1.0 - 0.40 * mu, -s - 0.05),
        hd(1.0 - 0.80 * mu, -s - 0.10),
        hd(1.0 - mu, -s - 0.45 * dm),
    ]);
    let mut outline = closed(&ring, FINE);
    if beard.is_plumb {
        let nose = axes.at(axes.nose.0, axes.nose.1).x;
        for point in &mut outline {
            point.x = point.x.min(nose);
        }
    }
    let ink = outline[..=FINE * roots.len()].to_vec();
    Piece::near(
        PieceKind::Beard,
        outline,
        vec![Stroke::tapered(ink, 1.0, (true, false))],
    )
}

/// How far under the head's axis brows are combed, degrees (dog-shape.md 9).
const BROW_DOWN_DEG: f64 = 24.0;

/// A terrier's brow: a wedge from the skull over the eye, combed forward (dog-shape.md 9).
///
/// # Units and shapes
/// `length` in mm; `stand` of the brow's hair.
pub(super) fn brow_piece(length: f64, stand: f64, axes: &HeadAxes, head: &HeadShape) -> Piece {
    let (mu, s, dome) = (head.muzzle, axes.step, head.dome);
    let hd = |p: f64, q: f64| axes.at(p, q);
    let reach = length * combed_share(stand);
    let ahead = Vec2::from_angle(axes.angle_rad - BROW_DOWN_DEG.to_radians());
    let up = Vec2::new(-ahead.y, ahead.x);
    let ring = [
        hd(0.83 - mu, 0.8 * dome),
        hd(0.95 - mu, 0.5 * dome) + up * (0.06 * reach),
        hd(1.01 - mu, -0.25 * s) + ahead * (0.38 * reach) + up * (0.13 * reach),
        hd(1.0 - mu, -0.6 * s) + ahead * reach,
        hd(0.98 - mu, -0.55 * s - 0.045) + ahead * (0.30 * reach),
        hd(0.98 - mu, -0.55 * s - 0.012),
        hd(0.89 - mu, -0.45 * s + 0.012),
    ];
    // Its tip is a corner: hair, not a paddle.
    let over = open(&ring[..4], FINE);
    let under = open(&ring[3..], FINE);
    let ink: Vec<Point> = over.iter().chain(&under[1..]).copied().collect();
    let mut outline = ink.clone();
    if signed_area(&outline) < 0.0 {
        outline.reverse();
    }
    Piece::near(
        PieceKind::Brow,
        outline,
        vec![Stroke::tapered(ink, 0.8, (true, true))],
    )
}

/// Where the eye lies (dog-shape.md 5, *Face*).
pub(super) fn eye_at(axes: &HeadAxes, head: &HeadShape) -> Point {
    axes.at(0.945 - head.muzzle, -0.55 * axes.step - 0.025)
}

/// Half the eye's opening, share of the head's length (dog-shape.md 5, *Face*).
pub(super) const EYE: f64 = 0.036;

/// One point of the ear leather: across, along, share that hangs, whether it lies at the root.
type LeatherPoint = (f64, f64, f64, bool);

const DROP: [LeatherPoint; 9] = [
    (-0.20, 0.06, 0.0, true),
    (-0.46, -0.10, 0.1, false),
    (-0.60, -0.44, 0.3, false),
    (-0.54, -0.76, 0.7, false),
    (-0.16, -1.0, 1.0, false),
    (0.26, -0.90, 0.7, false),
    (0.44, -0.56, 0.3, false),
    (0.42, -0.20, 0.1, false),
    (0.34, 0.06, 0.0, true),
];
const FOLDED: [LeatherPoint; 8] = [
    (-0.34, 0.02, 0.0, true),
    (-0.36, 0.10, 0.0, false),
    (-0.02, 0.20, 0.0, true),
    (0.34, 0.10, 0.0, false),
    (0.52, -0.22, 0.2, false),
    (0.60, -0.80, 0.6, false),
    (0.22, -0.56, 0.4, false),
    (-0.14, -0.26, 0.1, false),
];
const PRICK: [LeatherPoint; 8] = [
    (-0.36, -0.10, 0.0, true),
    (-0.40, 0.18, 0.0, false),
    (-0.30, 0.55, 0.0, false),
    (0.02, 1.0, 0.0, false),
    (0.28, 0.56, 0.0, false),
    (0.38, 0.16, 0.0, false),
    (0.36, -0.12, 0.0, true),
    (0.0, -0.16, 0.0, false),
];

/// The ear, its leather offset by its hair (dog-shape.md 5 and 9).
pub(super) fn ear_piece(ear: &EarShape, coat: &EarCoat, stand: f64, axes: &HeadAxes) -> Piece {
    let table: &[LeatherPoint] = match ear.kind {
        EarKind::Drop => &DROP,
        EarKind::Folded => &FOLDED,
        EarKind::Prick => &PRICK,
    };
    let base = axes.at(ear.base.0, ear.base.1);
    let place = |p: &LeatherPoint| base + Vec2::new(p.0 * ear.width * ear.length, p.1 * ear.length);
    let mut leather: Vec<(Point, LeatherPoint)> = table.iter().map(|p| (place(p), *p)).collect();
    let points: Vec<Point> = leather.iter().map(|(p, _)| *p).collect();
    if signed_area(&points) < 0.0 {
        leather.reverse();
    }
    let n = leather.len();
    let ring: Vec<Point> = (0..n)
        .map(|i| {
            let (p, (_, _, hang, is_root)) = leather[i];
            let (before, after) = (leather[(i + n - 1) % n].0, leather[(i + 1) % n].0);
            let t = unit(after - p) + unit(p - before);
            let normal = unit(Vec2::new(t.y, -t.x));
            let d = unit((1.0 - 0.8 * hang) * normal + 0.8 * hang * PLUMB);
            let root = if is_root { 0.4 } else { 1.0 };
            let length = coat.edge * root * (1.0 - hang) + hang * coat.fringe.max(coat.edge);
            p + d * (length * visible_share(d, stand))
        })
        .collect();
    let outline = closed(&ring, FINE);
    let stroke = match ear.kind {
        EarKind::Drop => Stroke::tapered(outline[..=FINE * (n - 1)].to_vec(), 0.8, (true, true)),
        EarKind::Folded | EarKind::Prick => {
            let mut round = outline.clone();
            round.extend(outline.first().copied());
            Stroke::plain(round, 0.8)
        }
    };
    Piece::near(PieceKind::Ear, outline, vec![stroke])
}

/// Shift of the far prick ear, shares of the head's length (dog-shape.md 5).
pub(super) const FAR_EAR: Vec2 = Vec2::new(0.13, 0.015);

/// Nose, eye and mouth; no mouth under a beard.
pub(super) fn face_pieces(axes: &HeadAxes, head: &HeadShape, dressing: &Dressing) -> Vec<Piece> {
    let (mu, s, dm) = (head.muzzle, axes.step, head.muzzle_depth);
    let pn = axes.nose.0;
    let hd = |p: f64, q: f64| axes.at(p, q);
    let nose = [
        (-0.075, -0.008),
        (-0.03, -0.002),
        (0.004, -0.045),
        (-0.005, -0.085),
        (-0.05, -0.075),
    ]
    .map(|(a, b)| hd(pn + a, -s + b));
    let eye = eye_at(axes, head);
    let r = EYE * axes.length;
    let oval = |centre: Point, rx: f64, ry: f64| -> Vec<Point> {
        Ellipse::new(centre, (rx, ry), 0.0)
            .to_path(0.05)
            .path_segments(0.05)
            .flat_map(|segment| {
                use kurbo::ParamCurve as _;
                (0..4).map(move |i| segment.eval(f64::from(i) / 4.0))
            })
            .collect()
    };
    let mut pieces = vec![
        Piece::near(PieceKind::Nose, closed(&nose, FINE), Vec::new()),
        Piece::near(PieceKind::Eye, oval(eye, r, 0.84 * r), Vec::new()),
        Piece::near(
            PieceKind::EyeLight,
            oval(eye + Vec2::new(0.32 * r, 0.32 * r), 0.22 * r, 0.22 * r),
            Vec::new(),
        ),
    ];
    if dressing.beard.is_none() {
        let mouth = [
            hd(pn - 0.03, -s - 0.47 * dm),
            hd(1.0 - 0.35 * mu, -s - 0.74 * dm),
            hd(1.0 - 0.72 * mu, -s - 0.86 * dm),
            hd(1.0 - 0.86 * mu, -s - 0.80 * dm),
        ];
        pieces.push(Piece::near(
            PieceKind::Lines,
            Vec::new(),
            vec![Stroke::plain(open(&mouth, FINE), 0.45)],
        ));
    }
    pieces
}
