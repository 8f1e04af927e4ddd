use kurbo::{Point, Vec2};

use super::canvas::Painter;
use super::scene::Scene;
use super::shapes::{Anchor, Geometry, Role, Shape, Tag};
use super::simplify::tenth;
use crate::units::Length;

/// Draws what was found on the body: this visit's as numbered discs, earlier ones as faded rings;
/// holes in the coat as rings.
pub(super) struct BodyMarks<'a> {
    pub(super) painter: &'a mut Painter,
    pub(super) scene: &'a Scene<'a>,
}

/// Smallest mark that a finger finds again, against the text's height.
const LEAST: f64 = 0.75;
const RING: u32 = 32;

impl BodyMarks<'_> {
    pub(super) fn mark(mut self) {
        let view = self.painter.view;
        for earlier in self.scene.earlier_found {
            if earlier.found.spot.view == view && earlier.found.spot.is_on_the_dog() {
                let size = earlier.found.size_mm.map(Length::as_mm);
                self.ring(Role::FoundEarlier, earlier.found.spot.at, size, None);
            }
        }
        for (zone, marks) in &self.scene.coat.marks {
            if let Some(spot) = marks
                .hole_at
                .filter(|s| s.view == view && s.is_on_the_dog())
            {
                self.ring(Role::Hole, spot.at, None, Some(Tag::Zone(*zone)));
            }
        }
        for (i, found) in self.scene.found.iter().enumerate() {
            if found.spot.view == view && found.spot.is_on_the_dog() {
                let number = u32::try_from(i + 1).unwrap_or(u32::MAX);
                self.disc(found.spot.at, number);
            }
        }
    }

    fn place(&self, at: [f64; 2]) -> Point {
        let h = self.painter.height;
        self.painter.on_page(&[Point::new(at[0] * h, at[1] * h)])[0]
    }

    fn push(&mut self, role: Role, geometry: Geometry, tag: Option<Tag>) {
        self.painter.shapes.push(Shape {
            role,
            geometry,
            tag,
        });
    }

    fn disc(&mut self, at: [f64; 2], number: u32) {
        let t = self.painter.text_mm;
        let at = self.place(at);
        let tag = Some(Tag::Found(number));
        self.push(
            Role::Found,
            Geometry::Disc {
                at_mm: [tenth(at.x), tenth(at.y)],
                radius_mm: LEAST * t,
            },
            tag,
        );
        self.push(
            Role::FoundNumber,
            Geometry::Text {
                at_mm: [tenth(at.x), tenth(at.y - 0.32 * t)],
                text: number.to_string(),
                size_mm: 0.95 * t,
                anchor: Anchor::Middle,
            },
            tag,
        );
    }

    fn ring(&mut self, role: Role, at: [f64; 2], size_mm: Option<f64>, tag: Option<Tag>) {
        let t = self.painter.text_mm;
        let at = self.place(at);
        let radius = (0.5 * size_mm.unwrap_or(0.0)).clamp(LEAST * t, 0.3 * self.painter.height);
        let points_mm = (0..=RING)
            .map(|i| Vec2::from_angle(std::f64::consts::TAU * f64::from(i) / f64::from(RING)))
            .flat_map(|v| [tenth(at.x + radius * v.x), tenth(at.y + radius * v.y)])
            .collect();
        let width_mm = 0.12 * t;
        self.push(
            role,
            Geometry::Line {
                points_mm,
                width_mm,
            },
            tag,
        );
    }
}
