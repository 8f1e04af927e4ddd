use kurbo::{Point, Vec2};

use super::super::curve::open;
use super::super::edge::{Dressing, TopknotForm};
use super::super::piece::{HairAt, Piece, PieceKind, Stroke};
use super::super::polyline::{Inside, faded};
use super::super::side::SideShape;
use super::super::station::Station;
use super::{FINE, Head};
use crate::coat::Zone;
use crate::frame::Build;

/// A round head: one centre, and how far top, cheek and under-beard stand from it.
///
/// With hair alike all round it is a circle (dog-shape-2.md 3); otherwise it is three arcs, each as
/// long as its own hair lets it be.
#[derive(Clone, Copy, Debug, PartialEq)]
pub(in crate::shape) struct Ball {
    /// Centre, mm on the side page.
    pub centre: Point,
    /// To the top, mm.
    pub top: f64,
    /// To the cheek, mm.
    pub cheek: f64,
    /// To the under-beard, mm.
    pub under: f64,
    /// Direction of the skull, radians.
    turn_rad: f64,
}

/// The round head of a dressing that has one.
pub(in crate::shape) fn ball(
    shape: &SideShape,
    build: &Build,
    dressing: &Dressing,
) -> Option<Ball> {
    let topknot = dressing.topknot?;
    let TopknotForm::Round { cheek, under } = topknot.form else {
        return None;
    };
    let head = &build.head;
    let h = head.length;
    let skull = 0.5 * (head.dome + 0.93 * head.skull_depth) * h + 0.01 * h;
    let stands = |zone, length| skull + dressing.shaped_mm(zone, length);
    let top = stands(Zone::Topknot, topknot.crown);
    let cheek = stands(Zone::Cheek, cheek);
    let under = stands(Zone::Beard, under);
    // Its front stands over the eye.
    let (oh, rh) = ((top - skull) / h, f64::midpoint(top, cheek) / h);
    let p = (1.03 - 0.90 * head.muzzle + 0.25 * oh - 0.84 * rh).clamp(0.10, 0.42);
    let q = 0.5 * (head.dome - 0.93 * head.skull_depth);
    Some(Ball {
        centre: shape.head.at(p, q),
        top,
        cheek,
        under,
        turn_rad: shape.head.angle_rad,
    })
}

impl Ball {
    /// Its edge in a direction against the skull's, degrees.
    fn at(&self, deg: f64) -> Point {
        let (sin, cos) = deg.to_radians().sin_cos();
        let up = if sin > 0.0 { self.top } else { self.under };
        let reach = Vec2::new(cos * self.cheek, sin * up);
        let (s, c) = self.turn_rad.sin_cos();
        self.centre + Vec2::new(c * reach.x - s * reach.y, s * reach.x + c * reach.y)
    }

    fn arc(&self, from: f64, to: f64, steps: u32) -> Vec<Point> {
        (0..=steps)
            .map(|i| self.at(from + (to - from) * f64::from(i) / f64::from(steps)))
            .collect()
    }
}

impl Head<'_> {
    /// The ball, its upper line running on into the crest, its lower one fading into the neck.
    pub(super) fn round(&self, body: &Inside) -> Vec<Piece> {
        let (Some(ball), Some(topknot)) = (
            ball(self.shape, self.build, self.dressing),
            self.dressing.topknot,
        ) else {
            return Vec::new();
        };
        let h = self.build.height;
        let hair = self.hair_at(topknot.crown, HairAt::Body);
        let full = ball.arc(0.0, 355.0, 71);
        let top = ball.arc(6.0, 120.0, 23);
        let low = ball.arc(226.0, 334.0, 23);
        let nape = self.nape(&ball, &top, self.stands_mm(topknot.crown));
        let mut over = top;
        over.extend(nape.iter().skip(1));
        let mut behind = nape;
        behind.push(ball.centre);
        let over = Stroke::running_out(over, 1.0, 0.06 * self.build.head.length, 0.02 * h);
        let under = faded(&low, body, 0.05 * h, (true, false));
        vec![
            Piece::near(PieceKind::Topknot, behind, Vec::new()),
            Piece::near(
                PieceKind::Topknot,
                full,
                vec![over.with_hair(hair), under.with_hair(hair)],
            ),
        ]
    }

    /// From the back of the ball into the crest, never back over itself.
    fn nape(&self, ball: &Ball, top: &[Point], stands: f64) -> Vec<Point> {
        let h = self.build.height;
        let (mid, low) = (
            self.edge.at(Station::CrestMid),
            self.edge.at(Station::CrestLow),
        );
        let (last, before) = (top[top.len() - 1], top[top.len() - 3]);
        let bulge = self.shape.hair(Station::CrestMid) * (0.012 * h + 0.10 * stands);
        let way = open(&[before, last, last.midpoint(mid) + bulge, mid, low], FINE);
        let mut kept: Vec<Point> = Vec::new();
        let mut angle = f64::NEG_INFINITY;
        for point in way.into_iter().skip(FINE) {
            let out = point - ball.centre;
            let mut turned = out.atan2();
            if angle.is_finite() {
                let whole = std::f64::consts::TAU;
                turned += ((angle - turned) / whole).round() * whole;
            }
            let is_first = kept.is_empty();
            if is_first || turned > angle + 1e-4 && out.hypot() > 0.8 * ball.cheek {
                angle = turned;
                kept.push(point);
            }
        }
        kept
    }
}
