use kurbo::{Point, Vec2};

use super::super::curve::open;
use super::super::edge::{CoatEdge, Dressing, hanging_share};
use super::super::noise::noise;
use super::super::piece::{HairAt, Piece, PieceKind, Stroke};
use super::super::polyline::Locks;
use super::super::side::SideShape;
use super::super::station::Station;
use super::{FINE, PLUMB};
use crate::coat::Zone;
use crate::frame::Build;

/// Stations of the hem between chest and thigh, with how far it hangs there against its usual
/// (dog-shape-2.md 5).
const HEM: [(Station, f64); 7] = [
    (Station::ForechestLow, 1.05),
    (Station::ChestUnder, 1.15),
    (Station::Brisket, 0.95),
    (Station::Belly, 0.88),
    (Station::BellyRear, 0.90),
    (Station::LastRib, 0.98),
    (Station::TuckUp, 1.02),
];
/// The ribs' hair starts up the side: what is left of it under the body's own lower edge, as a share
/// of its length (modelling choice).
const BELOW: f64 = 0.55;
/// Lines of its fall from the back down.
const FALLS: u32 = 30;

/// A drop coat's sides, combed down over body and near legs: one hem from the breastbone to the
/// thigh, never above the planned underline.
pub(in crate::shape) fn curtain(
    edge: &CoatEdge,
    shape: &SideShape,
    build: &Build,
    dressing: &Dressing,
) -> Piece {
    let h = build.height;
    let c = BELOW * dressing.zone_mm(Zone::Ribs) * hanging_share(dressing.stand.of(Zone::Ribs));
    let down = |p: Point, mm: f64| p + PLUMB * mm;
    let e = |s: Station| edge.at(s);
    let tuck = e(Station::TuckUp).y;
    let thigh_back = e(Station::ThighBack);
    let mut hem = vec![
        e(Station::ThroatLow),
        down(e(Station::Breastbone), 0.02 * h),
        Point::new(
            e(Station::Forechest).x,
            shape.skin(Station::Forechest).y - 0.4 * c,
        ),
    ];
    hem.extend(HEM.map(|(station, share)| down(e(station), c * share * 0.6)));
    hem.extend([
        Point::new(shape.skin(Station::FlankFold).x - 0.06 * h, tuck - 0.75 * c),
        Point::new(0.08 * h, tuck - 0.65 * c),
        Point::new(thigh_back.x - 0.004 * h, tuck - 0.35 * c),
    ]);
    let smooth = open(&hem, 8);
    let (plain, hanging) = smooth.split_at(12);
    let towards = Vec2::new(-0.12, -1.0);
    let locks = Locks {
        deep: 0.40 * c.max(0.02 * h),
        wide: 0.062 * h,
        towards: towards / towards.hypot(),
        seed: 23,
    };
    let hanging = locks.on(hanging);
    let behind = [
        thigh_back.midpoint(e(Station::Buttock)),
        e(Station::Buttock),
        e(Station::PinBone),
    ];
    let mut outline = plain.to_vec();
    outline.extend(&hanging);
    outline.extend(behind);
    outline.extend([
        Point::new(0.05 * h, build.pin + 0.06 * h),
        Point::new(0.2 * h, 0.93 * h),
        shape.skin(Station::BackMid) - Vec2::new(0.0, 0.05 * h),
        shape.skin(Station::Withers) - Vec2::new(0.0, 0.08 * h),
        shape.skin(Station::ThroatMid) - Vec2::new(0.06 * h, 0.0),
    ]);
    let mut rear = vec![hanging[hanging.len() - 1]];
    rear.extend(behind);
    let mut strokes = vec![
        Stroke::running_out(hanging.clone(), 0.95, 0.06 * h, 0.0).with_hair(Some(HairAt::Hanging)),
        Stroke::plain(open(&rear, FINE), 1.0),
    ];
    strokes.extend(falls(&hanging, build, shape));
    Piece::near(PieceKind::Curtain, outline, strokes)
}

/// The fall of the hair from the back line down, in lines of uneven length.
fn falls(hem: &[Point], build: &Build, shape: &SideShape) -> Vec<Stroke> {
    let (h, l) = (build.height, build.length);
    let withers = shape.skin(Station::Withers).x;
    let (front, rear) = (hem[0].x - 0.03 * h, hem[hem.len() - 1].x + 0.05 * h);
    let lerp = |a: f64, b: f64, t: f64| a + (b - a) * t;
    (0..FALLS)
        .map(|i| {
            let t = (f64::from(i) + 0.5 + 0.6 * (noise(&[7, i]) - 0.5)) / f64::from(FALLS);
            let x = lerp(front, rear, t);
            let low = hem
                .iter()
                .min_by(|a, b| (a.x - x).abs().total_cmp(&(b.x - x).abs()))
                .map_or(0.0, |p| p.y);
            let over = if x < withers {
                lerp(0.97 * h, build.pin, 0.6 * (1.0 - x / (0.2 * h)).max(0.0)) - 0.03 * h
            } else {
                let share = (x - withers) / (l - withers);
                lerp(0.95 * h, shape.skin(Station::Breastbone).y, share)
            };
            let high = lerp(low, over, 0.30 + 0.70 * noise(&[8, i]));
            let ends = lerp(low, high, 0.04 + 0.35 * noise(&[9, i]));
            let lean = (x - 0.5 * l) * 0.03;
            let line = [
                Point::new(x - lean, high),
                Point::new(x, f64::midpoint(high, ends)),
                Point::new(x + lean, ends),
            ];
            Stroke::running_out(open(&line, 6), 0.42, 0.06 * h, 0.05 * h)
        })
        .collect()
}
