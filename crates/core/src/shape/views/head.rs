use kurbo::{Ellipse, Point, Shape as _, Vec2};

use super::super::curve::{SAMPLES, closed, open, signed_area};
use super::super::edge::{Beard, Dressing, combed_share, visible_share};
use super::super::head::parting_mm;
use super::super::leg_place::Hand;
use super::super::piece::{Piece, PieceKind, Stroke};
use super::super::station::Station as S;
use super::ring::{Mark, directions, eased_round, edge, lerp, symmetric, unit};
use super::{BothSides, round};
use crate::coat::Zone;
use crate::frame::EarKind;

/// Samples a span of small pieces.
const FINE: usize = 10;
/// Reach of head hair, share of the height (dog-shape.md 5).
const HEAD_REACH: f64 = 0.09;
const MUZZLE_REACH: f64 = 0.05;
const PLUMB: Vec2 = Vec2::new(0.0, -1.0);

/// Heights of the head, from the side view.
struct Heights {
    top: f64,
    brow: f64,
    eye: f64,
    nose: f64,
    lip: f64,
    chin: f64,
}

impl Heights {
    fn of(dog: &BothSides<'_>) -> Self {
        let y = |s: S| dog.shape.skin(s).y;
        let (axes, head) = (&dog.shape.head, &dog.left.head);
        Self {
            top: y(S::Crown).max(y(S::SkullBack)).max(y(S::Brow)),
            brow: y(S::Brow),
            eye: axes.at(0.945 - head.muzzle, -0.55 * axes.step - 0.025).y,
            nose: f64::midpoint(y(S::NoseTip), y(S::NoseTop)),
            lip: y(S::Lip),
            chin: y(S::Chin).min(y(S::ChinBack)),
        }
    }
}

/// Skull, muzzle, face and ears from in front (dog-shape.md 6).
pub(in crate::shape) fn head_front(dog: &BothSides<'_>, dressing: &Dressing) -> Vec<Piece> {
    let heights = Heights::of(dog);
    let mut pieces = vec![
        skull(dog, dressing, &heights, false),
        muzzle(dog, dressing, &heights),
    ];
    pieces.extend(face(dog, dressing, &heights));
    pieces.extend(brows(dog, dressing, &heights));
    pieces.extend(Hand::BOTH.map(|hand| ear(dog, dressing, hand, false)));
    pieces
}

/// The head from behind: its outline and ears, lighter.
pub(super) fn head_back(dog: &BothSides<'_>, dressing: &Dressing) -> Vec<Piece> {
    let heights = Heights::of(dog);
    let mut pieces = vec![skull(dog, dressing, &heights, true)];
    pieces.extend(Hand::BOTH.map(|hand| ear(dog, dressing, hand, true)));
    pieces
}

fn skull(dog: &BothSides<'_>, dressing: &Dressing, y: &Heights, is_far: bool) -> Piece {
    let head = &dog.left.head;
    let (h, half) = (head.length, 0.5 * head.skull_width * head.length);
    let topknot = dressing.topknot.as_ref();
    let temple = if topknot.is_some() {
        Zone::Topknot
    } else {
        Zone::Cheek
    };
    let half_ring = [
        Mark::zone(0.30 * half, y.top - 0.01 * h, Zone::Topknot),
        Mark::zone(
            0.72 * half,
            lerp(y.top, y.brow, 0.45) - 0.01 * h,
            Zone::Topknot,
        ),
        Mark::zone(0.96 * half, y.brow - 0.06 * h, temple),
        Mark::zone(half, y.eye - 0.06 * h, Zone::Cheek),
        Mark::zone(0.90 * half, lerp(y.eye, y.lip, 0.50), Zone::Cheek),
        Mark::zone(0.66 * half, lerp(y.eye, y.lip, 0.82), Zone::Cheek),
        Mark::zone(0.32 * half, y.lip - 0.01 * h, Zone::Cheek),
    ];
    let ring = symmetric(&half_ring);
    let low = y.brow - 0.06 * h;
    let lengths: Vec<f64> = ring
        .iter()
        .map(|m| match (topknot, m.grows) {
            (Some(t), super::ring::Grows::Zone(Zone::Topknot)) => {
                let up = ((m.at.y - low) / (y.top - low).max(1e-6)).clamp(0.0, 1.0);
                lerp(0.62 * t.front, t.crown, up)
            }
            _ => m.length(dressing),
        })
        .collect();
    let hair = directions(&ring, HEAD_REACH, dog.height());
    let points = edge(&ring, &hair, &eased_round(&lengths), &dressing.stand);
    let outline = closed(&points, SAMPLES);
    Piece {
        kind: PieceKind::Head,
        strokes: vec![Stroke::plain(round(&outline), 1.0)],
        outline,
        is_far,
    }
}

fn muzzle(dog: &BothSides<'_>, dressing: &Dressing, y: &Heights) -> Piece {
    let head = &dog.left.head;
    let (h, half) = (head.length, 0.5 * head.muzzle_width * head.length);
    let half_ring = [
        Mark::hidden(0.52 * half, y.eye - 0.02 * h),
        Mark::zone(0.86 * half, y.nose + 0.02 * h, Zone::Muzzle),
        Mark::zone(half, lerp(y.nose, y.chin, 0.45), Zone::Muzzle),
        Mark::zone(0.84 * half, y.chin + 0.03 * h, Zone::Beard),
        Mark::zone(0.36 * half, y.chin - 0.008 * h, Zone::Beard),
    ];
    let ring = symmetric(&half_ring);
    let points = match &dressing.beard {
        Some(beard) => hanging_muzzle(&ring, beard, dressing.stand.of(Zone::Beard)),
        None => standing_muzzle(&ring, dressing, dog.height()),
    };
    let outline = closed(&points, SAMPLES);
    let ink = outline[..=(2 * half_ring.len() - 1) * SAMPLES].to_vec();
    Piece::near(
        PieceKind::Head,
        outline,
        vec![Stroke::tapered(ink, 0.7, (true, true))],
    )
}

/// Hair of the lower muzzle hangs (dog-shape.md 6).
fn hanging_muzzle(ring: &[Mark], beard: &Beard, stand: f64) -> Vec<Point> {
    let seen = combed_share(stand);
    // How far out each point's hair leans, and how long it is, from the eye down.
    let hang = [
        (1.0, 0.0),
        (1.0, 0.18 * beard.side),
        (0.8, 0.36 * beard.side),
        (0.5, 0.75 * beard.side),
        (0.12, beard.chin),
    ];
    ring.iter()
        .zip(hang.iter().chain(hang.iter().rev()))
        .map(|(m, (out, length))| {
            let way = Vec2::new(m.at.x.signum() * out, 0.3 * out - 1.0);
            m.at + unit(way) * (length * seen)
        })
        .collect()
}

fn standing_muzzle(ring: &[Mark], dressing: &Dressing, height: f64) -> Vec<Point> {
    let hair = directions(ring, MUZZLE_REACH, height);
    let lengths: Vec<f64> = ring
        .iter()
        .enumerate()
        .map(|(i, m)| {
            let share = if i == 1 || i == ring.len() - 2 {
                0.5
            } else {
                1.0
            };
            share * m.length(dressing)
        })
        .collect();
    edge(ring, &hair, &lengths, &dressing.stand)
}

/// Eyes, nose, mouth, and the thin line of the visor under a topknot.
fn face(dog: &BothSides<'_>, dressing: &Dressing, y: &Heights) -> Vec<Piece> {
    let head = &dog.left.head;
    let h = head.length;
    let (skull, half) = (0.5 * head.skull_width * h, 0.5 * head.muzzle_width * h);
    let r = 0.029 * h;
    let eye = |x: f64| -> Vec<Point> {
        Ellipse::new((x, y.eye), (r, 0.92 * r), 0.0)
            .to_path(0.05)
            .path_segments(0.05)
            .flat_map(|segment| {
                use kurbo::ParamCurve as _;
                (0..4).map(move |i| segment.eval(f64::from(i) / 4.0))
            })
            .collect()
    };
    let mut pieces: Vec<Piece> = [0.43 * skull, -0.43 * skull]
        .map(|x| Piece::near(PieceKind::Eye, eye(x), Vec::new()))
        .into();
    let n = 0.28 * half;
    let nose = [
        (-1.0, 0.55),
        (-1.05, -0.15),
        (-0.35, -0.80),
        (0.35, -0.80),
        (1.05, -0.15),
        (1.0, 0.55),
    ]
    .map(|(a, b)| Point::new(a * n, y.nose + b * n));
    pieces.push(Piece::near(
        PieceKind::Nose,
        closed(&nose, FINE),
        Vec::new(),
    ));
    let lines = |points: Vec<Point>, weight: f64, ends| {
        Piece::near(
            PieceKind::Lines,
            Vec::new(),
            vec![Stroke::tapered(points, weight, ends)],
        )
    };
    let at = |x: f64, t: f64| Point::new(x, lerp(y.nose, y.chin, t));
    pieces.push(lines(
        vec![Point::new(0.0, y.nose - 0.8 * n), at(0.0, 0.50)],
        0.45,
        (false, false),
    ));
    let mouth = [
        at(-0.62 * half, 0.70),
        at(-0.25 * half, 0.62),
        at(0.0, 0.50),
        at(0.25 * half, 0.62),
        at(0.62 * half, 0.70),
    ];
    pieces.push(lines(open(&mouth, 6), 0.45, (false, false)));
    if dressing.topknot.is_some() {
        let v = y.eye + 0.055 * h;
        let visor = [
            (-0.92, -0.03),
            (-0.45, 0.02),
            (0.0, 0.035),
            (0.45, 0.02),
            (0.92, -0.03),
        ]
        .map(|(a, b)| Point::new(a * skull, v + b * h));
        pieces.push(lines(open(&visor, 8), 0.7, (true, true)));
    }
    pieces
}

/// A terrier's brows, foreshortened: what is combed forward is seen by how far it drops.
fn brows(dog: &BothSides<'_>, dressing: &Dressing, y: &Heights) -> Vec<Piece> {
    let Some(length) = dressing.brow else {
        return Vec::new();
    };
    let head = &dog.left.head;
    let (h, skull) = (head.length, 0.5 * head.skull_width * head.length);
    let reach = length * combed_share(dressing.stand.of(Zone::Brow));
    // Combed 24 degrees under the head's axis (dog-shape.md 9).
    let drop = 0.41 * reach;
    let inner = 0.5 * parting_mm(head);
    Hand::BOTH
        .map(|hand| {
            let s = hand.sign();
            let at = |x: f64, y: f64| Point::new(s * x, y);
            let over = [
                at(inner, y.eye + 0.06 * h),
                at(0.36 * skull, y.eye + 0.085 * h),
                at(0.60 * skull, y.eye + 0.06 * h),
            ];
            // A lash: straight down to its tip beside the nose, the eye's outer corner free.
            let mut outline = open(&over, FINE);
            outline.extend([
                at(0.16 * skull, y.eye - drop),
                at(inner, y.eye - 0.55 * drop),
            ]);
            if signed_area(&outline) < 0.0 {
                outline.reverse();
            }
            Piece::near(
                PieceKind::Brow,
                outline.clone(),
                vec![Stroke::plain(round(&outline), 0.7)],
            )
        })
        .into()
}

/// Leather of an ear from in front: across, along, share that hangs (dog-shape.md 6).
type Leather = (f64, f64, f64);

const DROP: [Leather; 10] = [
    (0.66, 0.13, 0.0),
    (1.06, 0.03, 0.1),
    (1.20, -0.38, 0.2),
    (1.25, -0.76, 0.6),
    (1.14, -0.96, 0.9),
    (0.98, -1.0, 1.0),
    (0.84, -0.90, 0.8),
    (0.78, -0.60, 0.3),
    (0.76, -0.25, 0.1),
    (0.74, -0.02, 0.0),
];
const FOLDED: [Leather; 7] = [
    (0.45, 0.16, 0.0),
    (0.95, 0.24, 0.0),
    (1.22, 0.10, 0.0),
    (1.16, -0.30, 0.1),
    (0.92, -0.80, 0.4),
    (0.66, -0.40, 0.2),
    (0.52, -0.05, 0.0),
];
const PRICK: [Leather; 5] = [
    (0.98, -0.10, 0.0),
    (1.12, 0.35, 0.0),
    (0.90, 1.0, 0.0),
    (0.62, 0.55, 0.0),
    (0.40, 0.06, 0.0),
];

fn ear(dog: &BothSides<'_>, dressing: &Dressing, hand: Hand, is_far: bool) -> Piece {
    let (head, ear) = (&dog.left.head, &dog.left.ear);
    let s = hand.sign();
    let skull = 0.5 * head.skull_width * head.length;
    let base = dog.shape.head.at(ear.base.0, ear.base.1).y;
    let (table, spread): (&[Leather], f64) = match ear.kind {
        EarKind::Drop => (&DROP, 0.85),
        EarKind::Folded => (&FOLDED, 0.9),
        EarKind::Prick => (&PRICK, 1.0),
    };
    let width = 0.95 * spread * ear.width * ear.length;
    let place = |p: &Leather| {
        Point::new(
            s * (0.70 * skull + (p.0 - 0.62) * width),
            base + p.1 * ear.length,
        )
    };
    let mut leather: Vec<(Point, f64)> = table.iter().map(|p| (place(p), p.2)).collect();
    let points: Vec<Point> = leather.iter().map(|(p, _)| *p).collect();
    if signed_area(&points) < 0.0 {
        leather.reverse();
    }
    let n = leather.len();
    let coat = &dressing.ear;
    let ring: Vec<Point> = (0..n)
        .map(|i| {
            let (p, hang) = leather[i];
            let (before, after) = (leather[(i + n - 1) % n].0, leather[(i + 1) % n].0);
            let t = unit(after - p) + unit(p - before);
            let normal = unit(Vec2::new(t.y, -t.x));
            let d = unit((1.0 - 0.8 * hang) * normal + 0.8 * hang * PLUMB);
            // On the face side the hair counts little, so the eyes stay free.
            let free = if d.x * s < -0.1 {
                0.15 + 0.5 * hang
            } else {
                1.0
            };
            let length = 0.7 * (1.0 - hang) * coat.edge + hang * coat.fringe.max(coat.edge);
            p + d * (free * length * visible_share(d, dressing.stand.of(Zone::Ear)))
        })
        .collect();
    let outline = closed(&ring, FINE);
    Piece {
        kind: PieceKind::Ear,
        strokes: vec![Stroke::plain(round(&outline), 0.8)],
        outline,
        is_far,
    }
}
