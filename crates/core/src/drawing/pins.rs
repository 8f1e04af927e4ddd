use kurbo::{Point, Vec2};

use super::canvas::Painter;
use super::shapes::{Anchor, Geometry, Role, Shape, Tag};
use super::simplify::tenth;
use crate::report::Reason;

/// Pins on what stays off where no note of it finds paper, numbered as the reasons are.
pub(super) struct Pins(Vec<(u32, Point)>);

impl Pins {
    /// At their places, moved apart where they would cover one another; keeps room for them.
    pub(super) fn place(painter: &mut Painter, reasons: &[(u32, &Reason)]) -> Self {
        let t = painter.text_mm;
        let mut places: Vec<(u32, Point)> = Vec::new();
        for (number, reason) in reasons.iter().copied() {
            let mut at = painter.on_page(&[Point::new(reason.at_mm[0], reason.at_mm[1])])[0];
            while places.iter().any(|(_, p)| p.distance(at) < 1.6 * t) {
                at += Vec2::new(1.6 * t, 0.0);
            }
            places.push((number, at));
            let below = at - Vec2::new(0.0, 0.4 * t);
            painter.labels.occupy(below, Anchor::Middle, "00", 1.5 * t);
        }
        Self(places)
    }

    pub(super) fn draw(self, painter: &mut Painter) {
        let t = painter.text_mm;
        for (number, at) in self.0 {
            let tag = Some(Tag::Pin(number));
            painter.shapes.push(Shape {
                role: Role::Pin,
                geometry: Geometry::Disc {
                    at_mm: [tenth(at.x), tenth(at.y)],
                    radius_mm: 0.75 * t,
                },
                tag,
            });
            painter.shapes.push(Shape {
                role: Role::PinNumber,
                geometry: Geometry::Text {
                    at_mm: [tenth(at.x), tenth(at.y - 0.32 * t)],
                    text: number.to_string(),
                    size_mm: 0.95 * t,
                    anchor: Anchor::Middle,
                },
                tag,
            });
        }
    }
}
