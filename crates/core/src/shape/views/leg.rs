use kurbo::{Point, Vec2};

use super::super::curve::{SAMPLES, closed, open};
use super::super::edge::{Dressing, Hem};
use super::super::finish::HemShape;
use super::super::head::MARKED;
use super::super::hem::{Column, OverFoot};
use super::super::leg_place::{FACE_STATIONS, Face, Hand, Leg, LegPlace};
use super::super::piece::{HairAt, Piece, PieceKind, Stroke};
use super::super::polyline::{Inside, faded};
use super::BothSides;
use super::ring::{Grows, Mark, directions, edge, lerp};
use crate::coat::Zone;
use crate::frame::{Build, LegStand};

/// Reach of leg hair seen on end, share of the height (dog-shape.md 6).
const REACH: f64 = 0.12;

/// A leg seen on end: its stations from the body down the outside and up the inside.
pub(super) struct OnEnd {
    outer: Vec<Mark>,
    foot_out: Vec<Mark>,
    foot_in: Vec<Mark>,
    inner: Vec<Mark>,
    /// Hidden ends inside the body.
    top: Vec<Point>,
    foot: Foot,
    /// First of the outer marks that are the column's.
    column_from: usize,
}

/// The foot seen on end.
struct Foot {
    centre: f64,
    half: f64,
    height: f64,
}

impl Foot {
    /// Turned out, a foot is seen longer and stands further out (dog-shape.md 6).
    fn of(b: &Build, stand: &LegStand, sign: f64, height: f64) -> Self {
        let turn = stand.turnout_deg.to_radians();
        let half = 0.5 * (b.foot_width * turn.cos() + 0.55 * b.foot_length * turn.sin().abs());
        let shift = sign * 0.34 * b.foot_length * turn.sin();
        Self {
            centre: sign * stand.from_midline[2] + shift,
            half,
            height,
        }
    }

    fn side(&self, sign: f64, widths: [f64; 3]) -> [Mark; 3] {
        let x = |share: f64| self.centre + sign * self.half * share;
        [
            Mark::zone(x(widths[0]), 0.86 * self.height, Zone::Foot),
            Mark::zone(x(widths[1]), 0.42 * self.height, Zone::Foot),
            Mark::pad(x(widths[2]), 0.0),
        ]
    }
}

/// dog-shape.md 6, *Front leg*, in its letters.
fn front_leg(dog: &BothSides<'_>, hand: Hand) -> OnEnd {
    let b = dog.build(hand);
    let (h, el, w, s) = (b.height, b.elbow, b.wrist, hand.sign());
    let a = 0.5 * b.fore_leg_front;
    let [z1, z2, z3] = b.fore.from_midline.map(|z| s * z);
    let zm = f64::midpoint(z1, z2) + s * b.fore.bow;
    let sw = 0.5 * b.shoulder_width;
    let ya = b.point_of_shoulder().y;
    let zo = (z1.abs() + 1.45 * a).max(sw - 0.012 * h);
    let z23 = lerp(z2, z3, 0.55);
    let fg = (0.085 * h).min(0.48 * w);
    let foot = Foot::of(b, &b.fore, s, fg);
    let drift = 0.3 * (foot.centre - z3);
    let out = |x: f64, y: f64| Mark::zone(x, y, Zone::ForeOut);
    let inn = |x: f64, y: f64| Mark::zone(x, y, Zone::ForeIn);
    let outer = vec![
        Mark::hidden(s * (sw - 0.012 * h), ya + 0.05 * h),
        Mark::zone(s * lerp(sw, zo, 0.35), ya - 0.005 * h, Zone::Shoulder),
        Mark::zone(s * zo, el + 0.03 * h, Zone::Shoulder),
        out(z1 + 1.38 * s * a, el - 0.05 * (el - w)),
        out(lerp(z1, zm, 0.45) + 1.16 * s * a, el - 0.27 * (el - w)),
        out(zm + s * a, f64::midpoint(el, w)),
        out(lerp(z2, zm, 0.42) + 0.86 * s * a, w + 0.20 * (el - w)),
        out(z2 + 0.96 * s * a, w),
    ];
    let pastern =
        |sign: f64| Mark::zone(z23 + sign * 0.84 * a + drift, lerp(fg, w, 0.45), Zone::Foot);
    let mut foot_out = vec![pastern(s)];
    foot_out.extend(foot.side(s, [0.86, 1.0, 0.80]));
    let mut foot_in = foot.side(-s, [0.86, 1.0, 0.80]).to_vec();
    foot_in.reverse();
    foot_in.push(pastern(-s));
    let inner = vec![
        inn(z2 - 0.96 * s * a, w),
        inn(lerp(z2, zm, 0.42) - 0.86 * s * a, w + 0.20 * (el - w)),
        inn(zm - s * a, f64::midpoint(el, w)),
        inn(lerp(z1, zm, 0.45) - 1.10 * s * a, el - 0.27 * (el - w)),
        inn(z1 - 1.12 * s * a, el - 0.02 * (el - w)),
        Mark::hidden(z1 - 0.95 * s * a, el + 0.06 * h),
    ];
    OnEnd {
        outer,
        foot_out,
        foot_in,
        inner,
        top: vec![
            Point::new(s * (z1.abs() - 0.2 * a).min(sw - 0.095 * h), el + 0.13 * h),
            Point::new(s * (sw - 0.06 * h), ya + 0.06 * h),
        ],
        foot,
        column_from: 3,
    }
}

/// dog-shape.md 6, *Hind leg, rear*, in its letters.
fn hind_leg(dog: &BothSides<'_>, hand: Hand) -> OnEnd {
    let b = dog.build(hand);
    let (h, hk, st, s) = (b.height, b.hock, b.stifle, hand.sign());
    let a = 0.5 * b.hind_leg_front;
    let [z1, z2, z3] = b.hind.from_midline.map(|z| s * z);
    let tw = 0.5 * b.thigh_width;
    let yt = lerp(b.pin, st, 0.42);
    let so = (0.60 * (tw - z1.abs())).max(1.15 * a);
    let zg = lerp(z1, z2, 0.55) + s * b.hind.bow;
    let yf = b.flank + 0.015 * h;
    let foot = Foot::of(b, &b.hind, s, (0.088 * h).min(0.36 * hk));
    let out = |x: f64, y: f64| Mark::zone(x, y, Zone::HindOut);
    let inn = |x: f64, y: f64| Mark::zone(x, y, Zone::HindIn);
    let above_hock = |sign: f64| {
        (
            lerp(z1, z2, 0.86) + 0.80 * sign * a + 0.3 * s * b.hind.bow,
            hk + 0.16 * (st - hk),
        )
    };
    let pastern = |sign: f64| (lerp(z2, z3, 0.5) + 0.82 * sign * a, 0.52 * hk);
    let at = |make: &dyn Fn(f64, f64) -> Mark, p: (f64, f64)| make(p.0, p.1);
    let outer = vec![
        Mark::hidden(
            s * (tw - 0.06 * h).max(0.6 * tw),
            (b.pin - 0.02 * h).max(yf + 0.04 * h),
        ),
        Mark::zone(s * tw, yt, Zone::Hip),
        out(z1 + 1.18 * s * so, st + 0.03 * h),
        out(zg + s * lerp(so, a, 0.45), lerp(st, hk, 0.52)),
        at(&out, above_hock(s)),
        Mark::zone(z2 + s * a, 0.985 * hk, Zone::Hock),
        at(&out, pastern(s)),
    ];
    let foot_out = foot.side(s, [0.84, 0.96, 0.78]).to_vec();
    let mut foot_in = foot.side(-s, [0.84, 0.96, 0.78]).to_vec();
    foot_in.reverse();
    let inner = vec![
        at(&inn, pastern(-s)),
        inn(z2 - s * a, 0.985 * hk),
        at(&inn, above_hock(-s)),
        inn(zg - 0.95 * s * lerp(so, a, 0.45), lerp(st, hk, 0.52)),
        inn(s * (z1.abs() - 0.98 * so).max(0.02 * h), st + 0.01 * h),
        inn(
            s * (0.52 * z1.abs() - 0.30 * so).max(0.014 * h),
            lerp(st, yf, 0.62),
        ),
        inn(0.01 * s * h, yf),
        Mark::hidden(0.02 * s * h, yf + 0.10 * h),
    ];
    OnEnd {
        outer,
        foot_out,
        foot_in,
        inner,
        top: vec![Point::new(
            s * (0.05 * h).min(0.35 * tw),
            (b.pin - 0.03 * h).max(yf + 0.13 * h),
        )],
        foot,
        column_from: 2,
    }
}

/// A leg laid out with its hair.
pub(super) struct Parts {
    on_end: OnEnd,
    /// All marks, in the order they are drawn: anticlockwise, the left leg from its inner edge.
    marks: Vec<Mark>,
    hair: Vec<Vec2>,
    is_left: bool,
}

pub(super) fn leg_parts(dog: &BothSides<'_>, leg: Leg, hand: Hand) -> Parts {
    let on_end = match leg {
        Leg::Fore => front_leg(dog, hand),
        Leg::Hind => hind_leg(dog, hand),
    };
    let is_left = hand == Hand::Left;
    let mut marks: Vec<Mark> = [
        &on_end.outer,
        &on_end.foot_out,
        &on_end.foot_in,
        &on_end.inner,
    ]
    .into_iter()
    .flatten()
    .copied()
    .collect();
    if is_left {
        marks.reverse();
    }
    let hair = directions(&marks, REACH, dog.height());
    Parts {
        on_end,
        marks,
        hair,
        is_left,
    }
}

impl Parts {
    /// Skin and hair of a face's column, from the top down.
    pub(super) fn face(&self, face: Face) -> Vec<(Point, Vec2)> {
        self.places(face)
            .into_iter()
            .map(|i| (self.marks[i].at, self.hair[i]))
            .collect()
    }

    /// Where a face's column stands among the marks, from the top down.
    fn places(&self, face: Face) -> Vec<usize> {
        let parts = &self.on_end;
        let (count, feet) = (self.marks.len(), parts.foot_out.len() + parts.foot_in.len());
        let along: Vec<usize> = match face {
            Face::Outer => (parts.column_from..parts.outer.len()).collect(),
            // The inner marks run up.
            Face::Inner => (0..FACE_STATIONS)
                .rev()
                .map(|i| parts.outer.len() + feet + i)
                .collect(),
        };
        let in_drawing = |i: usize| if self.is_left { count - 1 - i } else { i };
        along.into_iter().map(in_drawing).collect()
    }
}

/// One leg from in front or behind, a bare foot first: near ones run out in the body they stand
/// before, far ones have none.
pub(super) fn leg_on_end(
    dog: &BothSides<'_>,
    leg: Leg,
    hand: Hand,
    dressing: &Dressing,
    shift: Vec2,
    body: Option<&Inside>,
) -> Vec<Piece> {
    let is_far = body.is_none();
    let h = dog.height();
    // Anticlockwise: the left leg runs down its inner and up its outer edge.
    let laid_out = leg_parts(dog, leg, hand);
    let lengths = leg_lengths(&laid_out, leg, hand, dressing);
    let Parts {
        on_end: parts,
        marks,
        hair,
        is_left,
    } = laid_out;
    let mut top = parts.top.clone();
    let feet = parts.foot_out.len() + parts.foot_in.len();
    let mut first_foot = parts.outer.len();
    if is_left {
        top.reverse();
        first_foot = parts.inner.len();
    }
    let mut points = edge(&marks, &hair, &lengths, &dressing.stand);
    points.iter_mut().chain(&mut top).for_each(|p| *p += shift);

    let shows = |m: &Mark| !m.is_hidden();
    let from = marks.iter().position(shows).unwrap_or(0);
    let to = marks.iter().rposition(shows).unwrap_or(0);
    let ends = (is_left, !is_left);
    let kind = match leg {
        Leg::Fore => PieceKind::ForeLeg,
        Leg::Hind => PieceKind::HindLeg,
    };
    let toes = if is_far {
        Vec::new()
    } else {
        toe_lines(&parts.foot, shift)
    };
    let is_long = lengths.iter().any(|l| *l >= MARKED * h);
    let hair = is_long.then_some(HairAt::Leg);
    let ink = |points: Vec<Point>| match body {
        Some(body) => faded(&points, body, RUN_OUT * h, (true, true)),
        None => Stroke::tapered(points, 1.0, ends),
    };
    let hem = match dressing.hem {
        Some(hem) if hem.shape != HemShape::Bare => hem,
        _ => {
            let mut ring = points;
            ring.extend(top);
            let outline = closed(&ring, SAMPLES);
            let line = outline[from * SAMPLES..=to * SAMPLES].to_vec();
            let mut strokes = vec![ink(line).with_hair(hair)];
            strokes.extend(toes);
            return vec![Piece {
                kind,
                outline,
                strokes,
                is_far,
            }];
        }
    };
    let (a, b) = (first_foot, first_foot + feet - 1);
    let mut pieces = Vec::new();
    if hem.shape == HemShape::Clean {
        let mut foot = vec![marks[a - 1].at + shift];
        foot.extend(&points[a..=b]);
        foot.push(marks[b + 1].at + shift);
        let mut ring = foot.clone();
        ring.push(foot[0].midpoint(foot[foot.len() - 1]) + Vec2::new(0.0, 0.03 * h));
        let mut strokes = vec![Stroke::plain(open(&foot, SAMPLES), 0.8)];
        strokes.extend(toes);
        pieces.push(Piece {
            kind: PieceKind::Foot,
            outline: closed(&ring, SAMPLES),
            strokes,
            is_far,
        });
    }
    let mut up = points[b + 1..].to_vec();
    up.extend(&top);
    let joint = dog.build(hand);
    let (below, above) = (marks[a - 1].at.x, marks[b + 1].at.x);
    let column = Column {
        down: points[..a].to_vec(),
        up,
        over: OverFoot {
            foot: (
                parts.foot.centre - parts.foot.half + shift.x,
                parts.foot.centre + parts.foot.half + shift.x,
            ),
            pastern: (below.min(above) + shift.x, below.max(above) + shift.x),
            arch: parts.foot.height,
            hair: 0.012 * h,
            ground: shift.y,
        },
        // What stands out at the hem is the column's own, on both its faces.
        hem: Hem {
            flare_back: 0.0,
            flare_front: 0.0,
            ..hem
        },
        joint_y: match leg {
            Leg::Fore => joint.elbow,
            Leg::Hind => joint.stifle,
        } + shift.y,
        height: h,
    };
    let Some(ended) = column.ended(from, to - (b + 1)) else {
        return pieces;
    };
    let mut strokes = vec![ink(ended.ink).with_hair(hair)];
    strokes.extend(ended.turned.filter(|_| !is_far));
    pieces.push(Piece {
        kind,
        outline: ended.outline,
        strokes,
        is_far,
    });
    pieces
}

/// How far inside the body a leg's upper line runs out, share of the height (dog-shape-2.md 6).
const RUN_OUT: f64 = 0.08;

/// Lengths down a leg: its faces eased into one another, or, where a plan says them, the column's
/// own.
fn leg_lengths(laid_out: &Parts, leg: Leg, hand: Hand, dressing: &Dressing) -> Vec<f64> {
    let marks = &laid_out.marks;
    let mut flat: Vec<f64> = marks.iter().map(|m| m.length(dressing)).collect();
    let is_leg_hair = |m: &Mark| matches!(m.grows, Grows::Zone(z) if z != Zone::Foot);
    let mut planned = vec![false; marks.len()];
    if let Some(columns) = &dressing.columns {
        for face in Face::BOTH {
            for (step, i) in laid_out.places(face).into_iter().enumerate() {
                let place = LegPlace {
                    leg,
                    hand,
                    face,
                    step,
                };
                flat[i] = columns[place.index()];
                planned[i] = true;
            }
        }
    }
    let mut eased = flat.clone();
    for i in 1..marks.len() - 1 {
        if is_leg_hair(&marks[i]) && !planned[i] {
            let or_here = |k: usize| {
                if is_leg_hair(&marks[k]) {
                    flat[k]
                } else {
                    flat[i]
                }
            };
            eased[i] = 0.25 * or_here(i - 1) + 0.5 * flat[i] + 0.25 * or_here(i + 1);
        }
    }
    eased
}

/// Three lines for the toes (dog-shape-2.md 6).
fn toe_lines(foot: &Foot, shift: Vec2) -> Vec<Stroke> {
    [-0.48, 0.0, 0.48]
        .into_iter()
        .map(|u| {
            let line = vec![
                Point::new(foot.centre + u * foot.half, 0.01 * foot.height) + shift,
                Point::new(foot.centre + 0.92 * u * foot.half, 0.62 * foot.height) + shift,
            ];
            Stroke::running_out(line, 0.45, 0.0, 0.3 * foot.height)
        })
        .collect()
}
