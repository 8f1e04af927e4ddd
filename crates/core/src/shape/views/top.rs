use kurbo::{Point, Vec2};

use super::super::curve::{SAMPLES, closed, signed_area};
use super::super::dog::near_leg_pieces;
use super::super::edge::Dressing;
use super::super::head::tuft;
use super::super::leg_place::{Hand, Leg};
use super::super::piece::{Piece, PieceKind, Stroke};
use super::super::polyline::Inside;
use super::super::station::Station as S;
use super::super::tail::Tail;
use super::leg::leg_on_end;
use super::ring::{BODY_REACH, Mark, directions, lerp};
use super::tail::{disc, seen_tail};
use super::{BothSides, round};
use crate::coat::{Stands, Zone};
use crate::frame::EarKind;

/// Samples a span of small pieces.
const FINE: usize = 10;
/// Exponent of the rounded leg columns from above (dog-shape.md 6).
const COLUMN_EXPONENT: f64 = 2.6;
/// Reach of head hair, share of the height (dog-shape.md 5).
const HEAD_REACH: f64 = 0.09;

/// The dog from above: page (x, z), head at positive x, its left at positive z.
///
/// # Units and shapes
/// mm; pieces in drawing order, every outline anticlockwise.
pub fn top_pieces(dog: &BothSides<'_>, dressing: &Dressing) -> Vec<Piece> {
    let mut pieces = columns(dog, dressing);
    let seen = seen_tail(dog, dressing);
    let tail = tail_from_above(dog, &seen);
    let mean = seen.line.centre.iter().map(|p| p.y).sum::<f64>() / seen.line.centre.len() as f64;
    let is_low = mean < dog.left.tail_set;
    if is_low {
        pieces.extend(tail.clone());
    }
    pieces.push(body(dog, dressing));
    pieces.push(spine(dog));
    if !is_low {
        pieces.extend(tail);
    }
    pieces.push(head(dog, dressing));
    pieces.extend(Hand::ALL.map(|hand| ear(dog, dressing, hand)));
    pieces.push(nose(dog));
    pieces.extend(ponytails(dog, dressing));
    pieces
}

/// Coat seen from above lies off the skin by its stand alone (dog-shape.md 8, *Top view*).
fn flat_edge(
    marks: &[Mark],
    lengths: &[f64],
    reach: f64,
    stands: &Stands,
    height: f64,
) -> Vec<Point> {
    let hair = directions(marks, reach, height);
    marks
        .iter()
        .zip(&hair)
        .zip(lengths)
        .map(|((m, d), length)| m.at + *d * (length * m.stand(stands)))
        .collect()
}

fn both_sides(half: &[Mark]) -> Vec<Mark> {
    let mirrored = half.iter().rev().map(|m| Mark {
        at: Point::new(m.at.x, -m.at.y),
        ..*m
    });
    half.iter().copied().chain(mirrored).collect()
}

fn body(dog: &BothSides<'_>, dressing: &Dressing) -> Piece {
    let b = dog.left;
    let h = b.height;
    let [nh, sw, rw, lw, hw, tw] = [
        b.neck_width,
        b.shoulder_width,
        b.rib_width,
        b.loin_width,
        b.hip_width,
        b.thigh_width,
    ]
    .map(|w| 0.5 * w);
    let (xo, xw) = (dog.shape.head.occiput.x, b.withers().x);
    let (xr, xi) = (b.length - b.last_rib, dog.shape.skin(S::HipCrest).x);
    let half = [
        Mark::hidden(xo + 0.02 * h, 0.86 * nh),
        Mark::zone(lerp(xo, xw, 0.5), 0.98 * nh, Zone::NeckSide),
        Mark::zone(lerp(xo, xw, 0.7), 1.12 * nh, Zone::NeckSide),
        Mark::zone(
            xw + (0.055 * h).min(0.16 * (xo - xw)),
            lerp(nh, sw, 0.5),
            Zone::NeckSide,
        ),
        Mark::zone(xw - 0.005 * h, lerp(nh, sw, 0.84), Zone::Shoulder),
        Mark::zone(xw - 0.08 * h, sw, Zone::Shoulder),
        Mark::zone(lerp(xw, xr, 0.52), lerp(sw, rw, 0.8), Zone::Ribs),
        Mark::zone(xr, rw, Zone::Ribs),
        Mark::zone(lerp(xr, xi, 0.34), lerp(rw, lw, 0.62), Zone::Ribs),
        Mark::zone(lerp(xr, xi, 0.68), lw, Zone::Ribs),
        Mark::zone(xi, hw, Zone::Hip),
        Mark::zone(0.105 * h, tw, Zone::Hip),
        Mark::zone(0.035 * h, 0.5 * (tw + 0.6 * hw), Zone::Rump),
        Mark::zone(0.0, 0.34 * hw, Zone::Rump),
    ];
    let marks = both_sides(&half);
    let lengths: Vec<f64> = marks.iter().map(|m| m.length(dressing)).collect();
    let points = flat_edge(&marks, &lengths, BODY_REACH, &dressing.stand, h);
    let outline = closed(&points, SAMPLES);
    let ink = outline[..=SAMPLES * (marks.len() - 1)].to_vec();
    Piece::near(PieceKind::Body, outline, vec![Stroke::plain(ink, 1.0)])
}

fn spine(dog: &BothSides<'_>) -> Piece {
    let h = dog.height();
    let (xw, xi) = (dog.left.withers().x, dog.shape.skin(S::HipCrest).x);
    let line = [xw + 0.02 * h, 0.5 * (xw + xi), xi, 0.10 * h].map(|x| Point::new(x, 0.0));
    Piece::near(
        PieceKind::Lines,
        Vec::new(),
        vec![Stroke::tapered(line.to_vec(), 0.4, (true, true))],
    )
}

fn head(dog: &BothSides<'_>, dressing: &Dressing) -> Piece {
    let (axes, head) = (&dog.shape.head, &dog.left.head);
    let x = |p: f64, q: f64| axes.at(p, q).x;
    let (mu, (pn, qn)) = (head.muzzle, axes.nose);
    let (sw, mw) = (
        0.5 * head.skull_width * head.length,
        0.5 * head.muzzle_width * head.length,
    );
    let half = [
        Mark::zone(x(pn, qn), 0.34 * mw, Zone::Muzzle),
        Mark::zone(x(pn - 0.05, 0.0), 0.82 * mw, Zone::Muzzle),
        Mark::zone(x(1.0 - 0.55 * mu, 0.0), mw, Zone::Muzzle),
        Mark::zone(x(1.0 - 0.95 * mu, 0.0), lerp(mw, sw, 0.35), Zone::Cheek),
        Mark::zone(x(0.86 - mu, 0.0), 0.90 * sw, Zone::Topknot),
        Mark::zone(x(0.26, 0.0), sw, Zone::Topknot),
        Mark::zone(x(0.10, 0.0), 0.82 * sw, Zone::Topknot),
        Mark::zone(x(-0.02, 0.0), 0.42 * sw, Zone::Topknot),
    ];
    let marks = both_sides(&half);
    let n = marks.len();
    let raw: Vec<f64> = marks
        .iter()
        .map(|m| match (m.grows, &dressing.topknot, &dressing.beard) {
            (super::ring::Grows::Zone(Zone::Topknot), Some(t), _) => 0.8 * t.crown,
            (super::ring::Grows::Zone(Zone::Muzzle), _, Some(beard)) => {
                m.length(dressing).max(0.35 * beard.length)
            }
            _ => m.length(dressing),
        })
        .collect();
    // Two passes ¼, ½, ¼ along the open run; the ends stand by themselves.
    let mut lengths = raw;
    for _ in 0..2 {
        let before = lengths.clone();
        for i in 0..n {
            lengths[i] = 0.25 * before[i.saturating_sub(1)]
                + 0.5 * before[i]
                + 0.25 * before[(i + 1).min(n - 1)];
        }
    }
    let points = flat_edge(&marks, &lengths, HEAD_REACH, &dressing.stand, dog.height());
    let outline = closed(&points, SAMPLES);
    Piece::near(
        PieceKind::Head,
        outline.clone(),
        vec![Stroke::plain(round(&outline), 1.0)],
    )
}

fn ear(dog: &BothSides<'_>, dressing: &Dressing, hand: Hand) -> Piece {
    let (head, ear) = (&dog.left.head, &dog.left.ear);
    let base = dog.shape.head.at(ear.base.0, ear.base.1).x;
    let (l, w) = (ear.length, ear.width * ear.length);
    let e = 0.5 * dressing.ear.edge;
    let z = 0.80 * 0.5 * head.skull_width * head.length;
    let points: Vec<(f64, f64)> = match ear.kind {
        EarKind::Folded => vec![
            (-0.25 * w, z - 0.10 * l),
            (-0.30 * w, z + 0.14 * l),
            (0.35 * w, z + 0.22 * l),
            (0.80 * w, z + 0.10 * l),
            (0.30 * w, z - 0.14 * l),
        ],
        EarKind::Drop => vec![
            (-0.30 * w, z - 0.04 * l),
            (-0.62 * w - e, z + 0.20 * l),
            (-0.1 * w, z + 0.34 * l + e),
            (0.50 * w + e, z + 0.22 * l),
            (0.34 * w, z - 0.06 * l),
        ],
        EarKind::Prick => vec![
            (-0.20 * w, z - 0.10 * l),
            (-0.25 * w, z + 0.25 * l),
            (0.1 * w, z + 0.30 * l),
            (0.30 * w, z + 0.05 * l),
        ],
    };
    let s = hand.sign();
    let mut ring: Vec<Point> = points
        .iter()
        .map(|(a, b)| Point::new(base + a, s * b))
        .collect();
    if hand == Hand::Left {
        ring.reverse();
    }
    let outline = closed(&ring, FINE);
    Piece::near(
        PieceKind::Ear,
        outline.clone(),
        vec![Stroke::plain(round(&outline), 0.8)],
    )
}

/// A ponytail from above, in shares of its length: back from its band and out from the middle (modelling
/// choice).
const FALLS_BACK: [(f64, f64); 7] = [
    (-0.06, -0.04),
    (-0.06, 0.10),
    (0.28, 0.26),
    (0.70, 0.18),
    (0.86, 0.02),
    (0.50, -0.10),
    (0.16, -0.08),
];

/// The crown's hair where it is tied: in the middle, or a side each.
fn ponytails(dog: &BothSides<'_>, dressing: &Dressing) -> Vec<Piece> {
    let Some(tied) = dressing.ponytails else {
        return Vec::new();
    };
    let head = &dog.left.head;
    let long = tied.seen_mm(dog.height());
    let x = dog.shape.head.at(tied.along(dog.left), 0.0).x;
    let one = |side: f64, from_middle: f64| {
        let base = Point::new(x, side * from_middle);
        let mut ring = FALLS_BACK.map(|(back, out)| base + Vec2::new(-back, side * out) * long);
        if signed_area(&ring) < 0.0 {
            ring.reverse();
        }
        tuft(base, &ring, long, Vec2::new(0.0, 1.0))
    };
    if tied.count == 1 {
        return one(1.0, 0.0);
    }
    let half = 0.55 * 0.5 * head.skull_width * head.length;
    [1.0, -1.0].map(|side| one(side, half)).concat()
}

fn nose(dog: &BothSides<'_>) -> Piece {
    let (axes, head) = (&dog.shape.head, &dog.left.head);
    let x = axes.at(axes.nose.0 - 0.02, 0.0).x;
    let (mw, h) = (0.5 * head.muzzle_width * head.length, head.length);
    let ring = [
        (-0.05 * h, -0.22 * mw),
        (0.0, -0.40 * mw),
        (0.03 * h, 0.0),
        (0.0, 0.40 * mw),
        (-0.05 * h, 0.22 * mw),
    ]
    .map(|(a, b)| Point::new(x + a, b));
    Piece::near(PieceKind::Nose, closed(&ring, FINE), Vec::new())
}

/// The lowest part of the legs under the body, lighter: columns where there is coat, else feet.
fn columns(dog: &BothSides<'_>, dressing: &Dressing) -> Vec<Piece> {
    let side = near_leg_pieces(&dog.shape, dog.left, dressing);
    let mut pieces = Vec::new();
    for (leg, kind) in [
        (Leg::Fore, PieceKind::ForeLeg),
        (Leg::Hind, PieceKind::HindLeg),
    ] {
        for hand in Hand::ALL {
            let b = dog.build(hand);
            let (joint, stand, toe) = match leg {
                Leg::Fore => (b.elbow, &b.fore, S::ForeToe),
                Leg::Hind => (b.stifle, &b.hind, S::HindToe),
            };
            let s = hand.sign();
            let outline: Vec<Point> = if dressing.hem.is_none() {
                let turn = Vec2::from_angle(s * stand.turnout_deg.to_radians());
                let centre = Point::new(
                    dog.shape.skin(toe).x - 0.5 * b.foot_length,
                    s * stand.from_midline[2],
                );
                let half = (0.5 * b.foot_length, 0.5 * b.foot_width);
                rounded_box(half)
                    .into_iter()
                    .map(|v| {
                        centre + Vec2::new(v.x * turn.x - v.y * turn.y, v.x * turn.y + v.y * turn.x)
                    })
                    .collect()
            } else {
                let low = 0.45 * joint;
                let from_side = side
                    .iter()
                    .filter(|p| p.kind == kind)
                    .flat_map(|p| &p.outline)
                    .filter(|p| p.y < low)
                    .map(|p| p.x);
                let (x0, x1) = extent(from_side);
                let on_end =
                    leg_on_end(dog, leg, hand, dressing, Vec2::ZERO, Some(&Inside::of(&[])));
                let from_end = on_end
                    .iter()
                    .filter(|p| p.kind == kind)
                    .flat_map(|p| &p.outline)
                    .filter(|p| p.y < low)
                    .map(|p| p.x);
                let (z0, z1) = extent(from_end);
                let centre = Point::new(f64::midpoint(x0, x1), f64::midpoint(z0, z1));
                rounded_box((0.5 * (x1 - x0), 0.5 * (z1 - z0)))
                    .into_iter()
                    .map(|v| centre + v)
                    .collect()
            };
            pieces.push(Piece {
                kind,
                strokes: vec![Stroke::plain(round(&outline), 1.0)],
                outline,
                is_far: true,
            });
        }
    }
    pieces
}

fn extent(values: impl Iterator<Item = f64>) -> (f64, f64) {
    values.fold((f64::MAX, f64::MIN), |(low, high), v| {
        (low.min(v), high.max(v))
    })
}

/// A superellipse round the origin.
fn rounded_box(half: (f64, f64)) -> Vec<Vec2> {
    (0..40)
        .map(|i| {
            let angle = std::f64::consts::TAU * f64::from(i) / 40.0;
            let bulge = |v: f64| v.signum() * v.abs().powf(2.0 / COLUMN_EXPONENT);
            Vec2::new(half.0 * bulge(angle.cos()), half.1 * bulge(angle.sin()))
        })
        .collect()
}

/// Shortest tail seen from above, share of the height: a shorter one is a spot over the croup.
const TAIL_SEEN: f64 = 0.03;

/// The centre line and its half widths with points between, so that the discs melt into one.
fn finely(seen: &Tail<'_>) -> (Vec<Point>, Vec<f64>) {
    let points = &seen.line.centre;
    let widths: Vec<f64> = (0..points.len()).map(|i| seen.half_width(i)).collect();
    let steps = 6 * (points.len() - 1);
    (0..=steps)
        .map(|k| {
            let (i, t) = ((k / 6).min(points.len() - 2), (k % 6) as f64 / 6.0);
            let t = if k == steps { 1.0 } else { t };
            (
                points[i].lerp(points[i + 1], t),
                lerp(widths[i], widths[i + 1], t),
            )
        })
        .unzip()
}

/// Discs along the centre line, seen as one shape.
fn tail_from_above(dog: &BothSides<'_>, seen: &Tail<'_>) -> Vec<Piece> {
    let (centre, half_widths) = finely(seen);
    let (back, front) = extent(centre.iter().map(|p| p.x));
    let mut pieces = Vec::new();
    let mut add = |kind, outline: Vec<Point>| {
        let strokes = vec![Stroke::plain(round(&outline), 1.0)];
        pieces.push(Piece::near(kind, outline, strokes));
    };
    if front - back > TAIL_SEEN * dog.height() {
        let half = |x: f64| {
            centre
                .iter()
                .zip(&half_widths)
                .map(|(p, w)| (w * w - (x - p.x).powi(2)).max(0.0).sqrt())
                .fold(0.0, f64::max)
        };
        let (x0, x1) = centre
            .iter()
            .zip(&half_widths)
            .fold((f64::MAX, f64::MIN), |(low, high), (p, w)| {
                (low.min(p.x - w), high.max(p.x + w))
            });
        let xs: Vec<f64> = (0..=40)
            .map(|i| {
                // Denser at the ends, where the outline turns.
                let t = 0.5 - 0.5 * (std::f64::consts::PI * f64::from(i) / 40.0).cos();
                lerp(x0, x1, t)
            })
            .collect();
        let lower = xs.iter().map(|x| Point::new(*x, -half(*x)));
        let upper = xs[1..40].iter().rev().map(|x| Point::new(*x, half(*x)));
        add(PieceKind::Tail, lower.chain(upper).collect());
    }
    if let Some((at, radius)) = seen.ball() {
        add(PieceKind::TailBall, disc(Point::new(at.x, 0.0), radius));
    }
    pieces
}
