use kurbo::{Point, Vec2};

use super::super::curve::open;
use super::super::edge::{CoatEdge, Dressing};
use super::super::piece::{HairAt, Piece, PieceKind, Stroke};
use super::super::side::SideShape;
use super::super::station::Station;
use super::FINE;
use crate::frame::Build;

/// How high a sleeve stands over elbow and flank fold, share of the height (dog-shape-2.md 6).
const OVER_ELBOW: f64 = 0.16;
const OVER_FOLD: f64 = 0.08;

/// The front leg's upper end: rounded over the shoulder, the step from body to leg seen all round.
pub(in crate::shape) fn fore_sleeve(edge: &CoatEdge, shape: &SideShape, build: &Build) -> Piece {
    let (h, el) = (build.height, build.elbow);
    let top = el + OVER_ELBOW * h;
    let e = |s: Station| edge.at(s);
    let back = e(Station::ElbowLow).x;
    let front = e(Station::ForearmFrontHigh).x;
    let shoulder = (shape.point_of_shoulder.x - 0.010 * h).max(front + 0.01 * h);
    let across = |t: f64, y: f64| Point::new(back + (shoulder - back) * t, y);
    let line = [
        e(Station::ForearmFront),
        e(Station::ForearmFrontHigh).midpoint(e(Station::ForearmFront)),
        Point::new(
            f64::midpoint(front, shoulder),
            el - 0.10 * (el - build.wrist),
        ),
        Point::new(shoulder, el + 0.055 * h),
        across(0.90, top - 0.02 * h),
        across(0.55, top + 0.028 * h),
        across(0.20, top - 0.01 * h),
        Point::new(back + 0.004 * h, el + 0.06 * h),
        e(Station::ElbowLow),
        e(Station::ForearmBackHigh),
        e(Station::ForearmBack),
    ];
    let outline = open(&line, FINE);
    let stroke = Stroke::plain(outline.clone(), 1.0).with_hair(Some(HairAt::Leg));
    Piece::near(PieceKind::Sleeve, outline, vec![stroke])
}

/// The hind leg's: from the flank over the thigh to the step under the pin bone.
pub(in crate::shape) fn hind_sleeve(edge: &CoatEdge, shape: &SideShape, build: &Build) -> Piece {
    let h = build.height;
    let y = build.flank + OVER_FOLD * h;
    let e = |s: Station| edge.at(s);
    let line = [
        Point::new(e(Station::ThighFront).x + 0.01 * h, build.flank - 0.02 * h),
        Point::new(shape.skin(Station::FlankFold).x - 0.01 * h, y - 0.02 * h),
        Point::new(0.16 * h, y + 0.055 * h),
        Point::new(0.06 * h, y + 0.035 * h),
        e(Station::Buttock).lerp(e(Station::ThighBack), 0.35),
    ];
    let hem = open(&line, FINE);
    let mut outline = hem.clone();
    outline.extend([
        Point::new(0.02 * h, y - 0.12 * h),
        Point::new(0.15 * h, y - 0.14 * h),
    ]);
    let stroke = Stroke::running_out(hem, 0.9, 0.03 * h, 0.02 * h).with_hair(Some(HairAt::Leg));
    Piece::near(PieceKind::Sleeve, outline, vec![stroke])
}

/// The V on the nape where a very short body ends: from behind the ear to its point on the crest.
pub(in crate::shape) fn nape_v(
    edge: &CoatEdge,
    shape: &SideShape,
    build: &Build,
    dressing: &Dressing,
) -> Option<Piece> {
    if !dressing.has_nape_v {
        return None;
    }
    let h = build.height;
    let (jaw, crest) = (shape.skin(Station::JawAngle), shape.skin(Station::CrestMid));
    let point = edge
        .at(Station::CrestMid)
        .lerp(edge.at(Station::CrestLow), 0.35);
    let line = [
        jaw.lerp(crest, 0.35) + Vec2::new(-0.01, 0.02) * h,
        jaw.lerp(crest, 0.6).lerp(point, 0.55) - Vec2::new(0.0, 0.012 * h),
        point,
    ];
    let stroke = Stroke::running_out(open(&line, FINE), 0.7, 0.05 * h, 0.0);
    Some(Piece::lines(vec![stroke]))
}
