use kurbo::Point;

use super::areas_in_view::{AreasInView, largest, middle_of};
use super::canvas::Painter;
use super::scene::Scene;
use super::shapes::{Anchor, Geometry, Role, Shape, Tag};
use super::simplify::tenth;
use crate::coat::Zone;
use crate::page::View;
use crate::shape::Hand;

/// A place to look at on the finished dog, as the drawing rings it.
#[derive(Clone, Debug, PartialEq)]
pub struct Ring {
    /// Its number in the walk.
    pub number: u32,
    /// Where.
    pub zone: Zone,
    /// On which side of the dog; none for the middle, or both.
    pub hand: Option<Hand>,
    /// What was said of it; none while it is still to be looked at.
    pub says: Option<String>,
}

/// Draws the rings of a stance.
pub(super) struct RingMarks<'a> {
    pub(super) painter: &'a mut Painter,
    pub(super) scene: &'a Scene<'a>,
}

/// Radius of a ring, share of the height (modelling choice: a fingertip on a sheet of 600 px).
pub(super) const RADIUS: f64 = 0.052;
/// Size of its word against ordinary text (modelling choice).
const WORD: f64 = 1.25;

impl RingMarks<'_> {
    pub(super) fn mark(&mut self, areas: &AreasInView<'_>) {
        for ring in self.scene.rings {
            for at in self.places(areas, ring) {
                self.ring(ring, at);
            }
        }
    }

    /// The middle of the ring's zone, on the page: on both sides where it asks of no one side of a pair
    /// seen on end; nowhere where this view does not show it.
    fn places(&self, areas: &AreasInView<'_>, ring: &Ring) -> Vec<Point> {
        let areas = areas.of(&[ring.zone]);
        // Seen on end a pair stands left, then right.
        let shown: Vec<&Vec<Point>> = match (ring.hand, areas.as_slice()) {
            (Some(Hand::Left), [left, _]) => vec![left],
            (Some(Hand::Right), [_, right]) => vec![right],
            (None, [left, right]) if self.painter.view != View::Side => vec![left, right],
            _ => largest(&areas).into_iter().collect(),
        };
        let middles: Vec<Point> = shown.into_iter().map(|area| middle_of(area)).collect();
        self.painter.on_page(&middles)
    }

    pub(super) fn ring(&mut self, ring: &Ring, at: Point) {
        let tag = Some(Tag::Ring(ring.number));
        let role = if ring.says.is_some() {
            Role::RingSeen
        } else {
            Role::Ring
        };
        self.painter.shapes.push(Shape {
            role,
            geometry: Geometry::Disc {
                at_mm: [tenth(at.x), tenth(at.y)],
                radius_mm: tenth(RADIUS * self.painter.height),
            },
            tag,
        });
        let Some(text) = &ring.says else { return };
        let size_mm = WORD * self.painter.text_mm;
        self.painter.shapes.push(Shape {
            role: Role::RingWord,
            geometry: Geometry::Text {
                at_mm: [tenth(at.x), tenth(at.y - 0.35 * size_mm)],
                text: text.clone(),
                size_mm,
                anchor: Anchor::Middle,
            },
            tag,
        });
    }
}
