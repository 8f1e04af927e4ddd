use kurbo::Point;

use super::super::curve::{SAMPLES, closed, open, signed_area};
use super::super::edge::{Dressing, hanging_share};
use super::super::finish::Hangs;
use super::super::leg_place::Hand;
use super::super::noise::noise;
use super::super::piece::{HairAt, Piece, PieceKind, Stroke};
use super::super::polyline::Locks;
use super::ring::{Mark, dressed, lerp};
use super::{BothSides, round};
use crate::coat::Zone;

/// Neck, shoulders and chest from in front; from behind only their outline, lighter.
pub(super) fn front_body(dog: &BothSides<'_>, dressing: &Dressing, is_far: bool) -> Piece {
    let b = dog.left;
    let (h, el) = (b.height, b.elbow);
    let (nh, sw) = (0.5 * b.neck_width, 0.5 * b.shoulder_width);
    let ya = b.point_of_shoulder().y;
    let yo = dog.shape.head.occiput.y;
    let z1 = b.fore.from_midline[0].min(dog.right.fore.from_midline[0]);
    let zo = (z1 + 0.725 * b.fore_leg_front).max(sw - 0.012 * h);
    let half = [
        Mark::hidden(0.78 * nh, yo - 0.04 * h),
        Mark::zone(0.92 * nh, lerp(yo, h, 0.42), Zone::NeckSide),
        Mark::zone(1.22 * nh, lerp(yo, h, 0.80), Zone::NeckSide),
        Mark::zone(lerp(nh, sw, 0.5), h - 0.035 * h, Zone::NeckSide),
        Mark::zone(0.86 * sw, lerp(h, ya, 0.40), Zone::Shoulder),
        Mark::zone(sw, lerp(h, ya, 0.74), Zone::Shoulder),
        Mark::zone(lerp(sw, zo, 0.35), ya - 0.005 * h, Zone::Shoulder),
        Mark::hidden(zo - 0.012 * h, el + 0.03 * h),
        Mark::zone(0.62 * z1, el - 0.002 * h, Zone::Chest),
        Mark::zone(0.25 * z1, el - 0.012 * h, Zone::Chest),
    ];
    let outline = closed(&dressed(&half, dressing, h), SAMPLES);
    let n = half.len();
    let strokes = if is_far {
        vec![Stroke::plain(round(&outline), 1.0)]
    } else {
        let cut = |from: usize, to: usize| outline[from * SAMPLES..=to * SAMPLES].to_vec();
        vec![
            Stroke::plain(cut(1, 6), 1.0),
            Stroke::plain(cut(8, 2 * n - 9), 0.8),
            Stroke::plain(cut(2 * n - 7, 2 * n - 2), 1.0),
        ]
    };
    Piece {
        kind: PieceKind::Body,
        outline,
        strokes,
        is_far,
    }
}

/// Chest hair that hangs before the legs: a bib, or a drop coat's curtain right across.
pub(super) fn bib(dog: &BothSides<'_>, dressing: &Dressing) -> Option<Piece> {
    let b = dog.left;
    let (h, el) = (b.height, b.elbow);
    let chest = dressing.zone_mm(Zone::Chest);
    let is_curtain = dressing.hangs == Hangs::Curtain;
    if dressing.hangs == Hangs::Nothing || chest < BIB * h {
        return None;
    }
    let (sw, ya) = (0.5 * b.shoulder_width, b.point_of_shoulder().y);
    let stands = 0.5 * dressing.zone_mm(Zone::Shoulder) * dressing.stand.of(Zone::Shoulder);
    let hang = chest * hanging_share(dressing.stand.of(Zone::Chest));
    let sides = if is_curtain { 0.7 * hang } else { -0.03 * h };
    let wide = sw + stands + if is_curtain { 0.35 * hang } else { -0.03 * h };
    let low = el - if is_curtain { 1.0 } else { 0.85 } * hang;
    let hem = [
        Point::new(-wide, el - sides),
        Point::new(-0.55 * wide, low + 0.02 * h),
        Point::new(0.0, low - 0.01 * h),
        Point::new(0.55 * wide, low + 0.02 * h),
        Point::new(wide, el - sides),
    ];
    let is_loose = dressing.texture.hangs_in_locks();
    let locks = Locks {
        deep: if is_loose { 0.20 } else { 0.07 } * hang,
        wide: 0.05 * h,
        towards: kurbo::Vec2::new(0.0, -1.0),
        seed: 29,
    };
    let hem = locks.on(&open(&hem, 12));
    let mut outline = hem.clone();
    outline.extend([
        Point::new(0.95 * sw + stands, lerp(h, ya, 0.5)),
        Point::new(0.0, 0.98 * h),
        Point::new(-0.95 * sw - stands, lerp(h, ya, 0.5)),
    ]);
    let mut strokes = falls(&hem, wide, ya + 0.10 * h, h);
    strokes.push(Stroke::running_out(hem, 0.95, 0.03 * h, 0.03 * h));
    if is_curtain {
        strokes.extend([1.0, -1.0].map(|s| {
            let line = [
                Point::new(s * (0.90 * sw + stands), lerp(h, ya, 0.30)),
                Point::new(s * lerp(sw + stands, wide, 0.6), lerp(ya, el, 0.3)),
                Point::new(s * wide, el - sides),
            ];
            Stroke::running_out(open(&line, 8), 1.0, 0.06 * h, 0.0)
        }));
    }
    let kind = if is_curtain {
        PieceKind::Curtain
    } else {
        PieceKind::Skirt
    };
    Some(Piece::near(kind, outline, strokes))
}

/// Shortest chest hair that hangs as a bib, share of the height (modelling choice).
const BIB: f64 = 0.045;
/// Lines down a bib.
const FALLS: u32 = 9;

fn falls(hem: &[Point], wide: f64, top: f64, h: f64) -> Vec<Stroke> {
    (0..FALLS)
        .map(|i| {
            let t = (f64::from(i) + 0.5 + 0.5 * (noise(&[5, i]) - 0.5)) / f64::from(FALLS);
            let x = 0.92 * wide * (2.0 * t - 1.0);
            let low = hem
                .iter()
                .min_by(|a, b| (a.x - x).abs().total_cmp(&(b.x - x).abs()))
                .map_or(0.0, |p| p.y);
            let high = lerp(low, top, 0.35 + 0.6 * noise(&[6, i]));
            let line = [
                Point::new(0.90 * x, high),
                Point::new(0.96 * x, f64::midpoint(high, low)),
                Point::new(x, low + 0.02 * h),
            ];
            Stroke::running_out(open(&line, 6), 0.42, 0.06 * h, 0.03 * h)
        })
        .collect()
}

/// The upper end of a front leg that begins over the shoulder.
pub(super) fn sleeve(dog: &BothSides<'_>, dressing: &Dressing, hand: Hand) -> Piece {
    let b = dog.build(hand);
    let (h, el, s) = (b.height, b.elbow, hand.sign());
    let a = 0.5 * b.fore_leg_front;
    let z = b.fore.from_midline[0];
    let (sw, yl) = (0.5 * b.shoulder_width, el + 0.16 * h);
    let stands = |zone| dressing.zone_mm(zone) * dressing.stand.of(zone);
    let (out, body) = (stands(Zone::ForeOut), stands(Zone::Shoulder));
    let inner = stands(Zone::ForeIn).min(0.6 * (z - a).max(0.0));
    let line = [
        (z + 1.15 * a + out, el - 0.10 * (el - b.wrist)),
        (
            (sw + body + 0.35 * out).max(z + 1.1 * a + out),
            el + 0.05 * h,
        ),
        (sw + body + 0.15 * out, yl - 0.02 * h),
        (lerp(sw, z, 0.55), yl + 0.015 * h),
        ((z - a - 0.5 * inner).max(0.03 * h), yl - 0.05 * h),
        ((z - a - inner).max(0.014 * h), el),
    ]
    .map(|(x, y)| Point::new(s * x, y));
    let mut outline = open(&line, 10);
    let stroke = Stroke::plain(outline.clone(), 1.0).with_hair(Some(HairAt::Leg));
    if signed_area(&outline) < 0.0 {
        outline.reverse();
    }
    Piece::near(PieceKind::Sleeve, outline, vec![stroke])
}

/// A short plumb line at the breastbone and one inside each shoulder.
pub(super) fn bib_stroke(dog: &BothSides<'_>) -> Piece {
    let b = dog.left;
    let h = b.height;
    let sw = 0.5 * b.shoulder_width;
    let y = b.elbow + 0.13 * h;
    let line = |points: &[(f64, f64)], weight: f64| {
        let points: Vec<Point> = points.iter().map(|p| Point::from(*p)).collect();
        Stroke::tapered(open(&points, 8), weight, (true, true))
    };
    let mut strokes = vec![line(
        &[
            (0.0, y + 0.015 * h),
            (0.0, y - 0.02 * h),
            (0.0, y - 0.06 * h),
        ],
        0.5,
    )];
    for s in [1.0, -1.0] {
        strokes.push(line(
            &[
                (0.62 * s * sw, y + 0.05 * h),
                (0.66 * s * sw, y - 0.01 * h),
                (0.60 * s * sw, y - 0.06 * h),
            ],
            0.45,
        ));
    }
    Piece::near(PieceKind::Lines, Vec::new(), strokes)
}

/// Ribs seen behind the shoulders, or before the hips.
pub(super) fn ribs(dog: &BothSides<'_>, dressing: &Dressing) -> Piece {
    let b = dog.left;
    let (h, el, r) = (b.height, b.elbow, 0.5 * b.rib_width);
    let half = [
        Mark::zone(0.30 * r, h - 0.004 * h, Zone::Back),
        Mark::zone(0.80 * r, h - 0.10 * (h - el), Zone::Ribs),
        Mark::zone(0.99 * r, lerp(h, el, 0.42), Zone::Ribs),
        Mark::zone(0.86 * r, lerp(h, el, 0.74), Zone::Ribs),
        Mark::zone(0.42 * r, el + 0.02 * h, Zone::Underline),
    ];
    let outline = closed(&dressed(&half, dressing, h), SAMPLES);
    Piece {
        kind: PieceKind::Body,
        strokes: vec![Stroke::plain(round(&outline), 1.0)],
        outline,
        is_far: true,
    }
}

/// A skirt from in front or behind: a tub round the ribs (dog-shape.md 9).
pub(super) fn skirt(dog: &BothSides<'_>, dressing: &Dressing) -> Option<Piece> {
    let skirt = dressing.skirt?;
    let b = dog.left;
    let stand = dressing.stand.of(Zone::Underline);
    let seen = hanging_share(stand);
    let y = skirt.root_height;
    let length = (skirt.length * seen).min(y - 4.0);
    let ribs = dressing.zone_mm(Zone::Ribs) * dressing.stand.of(Zone::Ribs);
    let z = 0.5 * b.rib_width + ribs.min(0.25 * skirt.length) + 0.02 * b.height;
    let half = [(0.90, 0.0), (1.0, 0.4), (0.98, 0.96), (0.5, 1.0)];
    let left = half.iter().map(|(a, t)| Point::new(-a * z, y - t * length));
    let right = half
        .iter()
        .rev()
        .map(|(a, t)| Point::new(a * z, y - t * length));
    let outline = closed(&left.chain(right).collect::<Vec<_>>(), SAMPLES);
    let ink = outline[..=SAMPLES * 7].to_vec();
    Some(Piece {
        kind: PieceKind::Skirt,
        outline,
        strokes: vec![Stroke::plain(ink, 0.9)],
        is_far: true,
    })
}

/// Croup, hips and thighs from behind.
pub(super) fn rump(dog: &BothSides<'_>, dressing: &Dressing) -> Piece {
    let b = dog.left;
    let h = b.height;
    let (hw, tw) = (0.5 * b.hip_width, 0.5 * b.thigh_width);
    let yt = lerp(b.pin, b.stifle, 0.42);
    let half = [
        Mark::zone(0.28 * hw, b.hip.max(b.tail_set), Zone::Croup),
        Mark::zone(0.80 * hw, b.hip - 0.035 * h, Zone::Croup),
        Mark::zone(hw, b.hip - 0.11 * h, Zone::Hip),
        Mark::zone(
            lerp(hw, tw, 0.72),
            lerp(b.hip - 0.1 * h, yt, 0.55),
            Zone::Hip,
        ),
        Mark::zone(tw, yt, Zone::Hip),
        Mark::hidden(0.93 * tw, lerp(yt, b.stifle, 0.55)),
        Mark::hidden(0.35 * tw, b.stifle + 0.06 * h),
    ];
    let outline = closed(&dressed(&half, dressing, h), SAMPLES);
    let n = half.len();
    let left = outline[..=4 * SAMPLES].to_vec();
    let mut right = outline[SAMPLES * (2 * n - 5)..].to_vec();
    right.push(outline[0]);
    Piece::near(
        PieceKind::Body,
        outline,
        vec![Stroke::plain(left, 1.0), Stroke::plain(right, 1.0)],
    )
}

/// The line between the thighs.
pub(super) fn midline(dog: &BothSides<'_>) -> Piece {
    let b = dog.left;
    let h = b.height;
    let fork = b.flank + 0.015 * h;
    let top = b.hip.min(b.tail_set);
    let points = vec![
        Point::new(0.0, top - 0.16 * h),
        Point::new(0.0, 0.5 * (top - 0.1 * h + fork)),
        Point::new(0.0, fork),
    ];
    Piece::near(
        PieceKind::Lines,
        Vec::new(),
        vec![Stroke::tapered(points, 0.6, (true, false))],
    )
}
