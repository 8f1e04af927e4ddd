use kurbo::Point;

use super::super::curve::{SAMPLES, closed, open};
use super::super::edge::{Dressing, hanging_share};
use super::super::piece::{Piece, PieceKind, Stroke};
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
    let z = 0.5 * b.rib_width + 0.25 * stand * skirt.length + 0.02 * b.height;
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
