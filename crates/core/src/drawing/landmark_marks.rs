use kurbo::{Point, Vec2};

use super::canvas::{Painter, Room};
use super::scene::Layers;
use super::shapes::{Anchor, Geometry, Role, Shape, Tag};
use super::simplify::tenth;
use crate::page::View;
use crate::shape::{BothSides, Landmark, Placed, Spread, landmarks};

/// Writes the landmarks of any view, with how sure each is.
pub(super) struct LandmarkMarks<'a> {
    pub(super) painter: &'a mut Painter,
    pub(super) dog: &'a BothSides<'a>,
    pub(super) spreads: &'a [Spread],
    pub(super) room: Room,
}

/// Corners of a soft disc.
const CORNERS: u32 = 28;

impl LandmarkMarks<'_> {
    pub(super) fn mark(mut self, layers: Layers) {
        let view = self.painter.view;
        let shown: Vec<Placed> = landmarks(self.dog)
            .into_iter()
            .filter(|p| p.landmark.shows_in(view) && !(view == View::Side && p.is_right))
            .collect();
        if layers.doubt {
            for placed in &shown {
                self.soft_disc(placed);
            }
        }
        if layers.landmarks {
            for placed in &shown {
                self.dot(placed);
            }
            let has_room = self.room == Room::Ample;
            for placed in shown.iter().filter(|p| !p.is_right && has_room) {
                self.name(placed);
            }
        }
    }

    fn on_page(&self, placed: &Placed) -> Point {
        self.painter
            .on_page(&[Point::from(placed.on(self.painter.view))])[0]
    }

    fn push(&mut self, role: Role, geometry: Geometry, landmark: Landmark) {
        self.painter.shapes.push(Shape {
            role,
            geometry,
            tag: Some(Tag::Landmark(landmark)),
        });
    }

    /// A quiet ellipse of one standard deviation round the landmark.
    fn soft_disc(&mut self, placed: &Placed) {
        let Some(spread) = self
            .spreads
            .iter()
            .find(|s| s.landmark == placed.landmark && s.is_right == placed.is_right)
        else {
            return;
        };
        let (across, up) = spread.on(self.painter.view);
        let at = self.on_page(placed);
        let points_mm = (0..CORNERS)
            .map(|i| Vec2::from_angle(std::f64::consts::TAU * f64::from(i) / f64::from(CORNERS)))
            .flat_map(|v| [tenth(at.x + across * v.x), tenth(at.y + up * v.y)])
            .collect();
        self.push(Role::Doubt, Geometry::Fill { points_mm }, placed.landmark);
    }

    fn dot(&mut self, placed: &Placed) {
        let at = self.on_page(placed);
        let radius_mm = 0.2 * self.painter.text_mm;
        self.push(
            Role::Landmark,
            Geometry::Disc {
                at_mm: [tenth(at.x), tenth(at.y)],
                radius_mm,
            },
            placed.landmark,
        );
    }

    fn name(&mut self, placed: &Placed) {
        let t = self.painter.text_mm;
        let page = self.on_page(placed);
        let near = |dx: f64, dy: f64, anchor| (page + Vec2::new(dx * t, dy * t), anchor);
        let places = [
            near(0.0, 1.0, Anchor::Middle),
            near(0.6, -0.3, Anchor::Start),
            near(-0.6, -0.3, Anchor::End),
            near(0.0, -1.4, Anchor::Middle),
            near(0.8, 1.2, Anchor::Start),
            near(-0.8, 1.2, Anchor::End),
            near(0.8, -1.6, Anchor::Start),
            near(-0.8, -1.6, Anchor::End),
            near(2.0, 0.6, Anchor::Start),
            near(-2.0, 0.6, Anchor::End),
            near(3.0, -0.6, Anchor::Start),
            near(-3.0, -0.6, Anchor::End),
            near(0.0, 2.2, Anchor::Middle),
            near(0.0, -2.6, Anchor::Middle),
        ];
        let size_mm = 0.85 * t;
        let (name, area) = (placed.landmark.label(), self.painter.page);
        let labels = &mut self.painter.labels;
        let found = labels
            .place(&places, name, size_mm, area, true)
            .or_else(|| labels.place(&places, name, size_mm, area, false));
        if let Some((at, anchor)) = found {
            self.push(
                Role::LandmarkName,
                Geometry::Text {
                    at_mm: [tenth(at.x), tenth(at.y)],
                    text: name.into(),
                    size_mm,
                    anchor,
                },
                placed.landmark,
            );
        }
    }
}
