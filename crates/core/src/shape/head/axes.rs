use kurbo::{Point, Vec2};

use crate::frame::HeadShape;

/// The head's own axes: p along the skull, q up, both in shares of the head's length.
#[derive(Clone, Copy, Debug)]
pub struct HeadAxes {
    /// The occiput.
    pub occiput: Point,
    /// Head length, mm.
    pub length: f64,
    /// Direction of the skull above level, radians.
    pub angle_rad: f64,
    /// The stop's step `s`.
    pub step: f64,
    /// p and q of the nose tip, so that occiput to nose tip is the head's length exactly.
    pub nose: (f64, f64),
}

impl HeadAxes {
    pub(in crate::shape) fn new(occiput: Point, head: &HeadShape) -> Self {
        let nose = head.nose();
        Self {
            occiput,
            length: head.length,
            angle_rad: head.angle_deg.to_radians() + (-nose.1).asin(),
            step: head.step(),
            nose,
        }
    }

    /// The point at (p, q) of the head axes.
    pub fn at(&self, p: f64, q: f64) -> Point {
        self.occiput + self.vector(p, q)
    }

    /// The vector (p, q) of the head axes, mm.
    pub fn vector(&self, p: f64, q: f64) -> Vec2 {
        turn(Vec2::new(p, q) * self.length, self.angle_rad)
    }
}

/// Parting between a terrier's brows, mm (handbook 5: a little finger wide), on a small head no more
/// than this share of the skull's width (modelling choice).
const PARTING_MM: f64 = 14.0;
const PARTING: f64 = 0.14;

/// Width of the parting between a terrier's brows, mm.
pub(crate) fn parting_mm(head: &HeadShape) -> f64 {
    PARTING_MM.min(PARTING * head.skull_width * head.length)
}

/// Turns a vector anticlockwise.
fn turn(v: Vec2, angle_rad: f64) -> Vec2 {
    let (sin, cos) = angle_rad.sin_cos();
    Vec2::new(cos * v.x - sin * v.y, sin * v.x + cos * v.y)
}
