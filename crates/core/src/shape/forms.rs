use kurbo::{Point, Vec2};

use super::curve::open;
use super::edge::{CoatEdge, Dressing};
use super::finish::Hangs;
use super::piece::{Piece, Stroke};
use super::side::SideShape;
use super::station::Station;
use crate::frame::Build;

/// A coat under this shows the body's own forms, share of the height (modelling choice).
const SHOWS_FORMS: f64 = 0.02;

/// Thin lines where a body turns: upper arm, chest, flank; on a short coat the blade and the tendon
/// over the hock too (dog-shape-2.md 6).
pub(super) fn form_lines(
    shape: &SideShape,
    build: &Build,
    dressing: &Dressing,
    edge: &CoatEdge,
) -> Piece {
    let (h, el) = (build.height, build.elbow);
    let skin = |s: Station| shape.skin(s);
    let by = |x: f64, y: f64| Vec2::new(x, y) * h;
    let line = |points: [Point; 3], weight: f64, ends: (f64, f64)| {
        Stroke::running_out(open(&points, 8), weight, ends.0 * h, ends.1 * h)
    };
    let is_short = |s: Station| dressing.lengths[s.index()] < SHOWS_FORMS * h;
    let body_is_short = is_short(Station::BackMid);
    let mut strokes = Vec::new();
    if !dressing.has_sleeves && dressing.hangs != Hangs::Curtain {
        let elbow = skin(Station::Elbow);
        let weight = if body_is_short { 0.7 } else { 0.55 };
        strokes.push(line(
            [
                Point::new(edge.at(Station::Elbow).x, el) + by(0.004, -0.005),
                elbow + by(0.012, 0.055),
                elbow + by(0.040, 0.125),
            ],
            weight,
            (0.0, 0.07),
        ));
        let (arm, shoulder) = (edge.at(Station::ArmFront).x, shape.point_of_shoulder.x);
        let towards = |t: f64| arm + (shoulder - arm) * t;
        strokes.push(line(
            [
                Point::new(arm - 0.006 * h, el + 0.02 * h),
                Point::new(towards(0.42), el + 0.055 * h),
                Point::new(towards(0.60), el + 0.105 * h),
            ],
            0.5,
            (0.03, 0.05),
        ));
        let fold = skin(Station::FlankFold);
        strokes.push(line(
            [
                fold + by(0.0, 0.03),
                fold + by(-0.010, 0.085),
                fold + by(-0.035, 0.135),
            ],
            0.42,
            (0.02, 0.06),
        ));
    }
    if body_is_short {
        let (shoulder, withers) = (shape.point_of_shoulder, skin(Station::Withers));
        strokes.push(line(
            [
                shoulder + by(-0.045, 0.06),
                shoulder.midpoint(withers) + by(0.005, 0.0),
                withers + by(-0.01, -0.10),
            ],
            0.26,
            (0.08, 0.10),
        ));
    }
    if is_short(Station::AboveHock) && is_short(Station::GaskinLow) {
        let (hock, bend) = (skin(Station::HockPoint), skin(Station::Bend));
        strokes.push(line(
            [
                hock + by(0.030, 0.012),
                hock.midpoint(bend) + by(0.022, 0.0),
                bend + by(0.022, 0.03),
            ],
            0.32,
            (0.02, 0.03),
        ));
    }
    Piece::lines(strokes)
}
