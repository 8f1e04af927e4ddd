use kurbo::Point;

use super::canvas::Painter;
use super::scene::Scene;
use super::shapes::{Geometry, Role, Shape, Tag};
use super::simplify::tenth;
use super::work_marks::hatched;
use crate::coat::{Knots, Site, SiteSkin};
use crate::shape::{BothSides, Hand, hygiene_area, site_places};

/// Draws what was said of sites: knots hatched, skin to keep off ringed; each can be touched.
pub(super) struct SiteMarksDrawn<'a> {
    pub(super) painter: &'a mut Painter,
    pub(super) scene: &'a Scene<'a>,
    pub(super) dog: &'a BothSides<'a>,
}

/// Between the strokes over knots that are few and tight, share of the height.
const APART: (f64, f64) = (0.016, 0.009);
/// Weight of a stroke and of a ring, share of the height.
const STROKE: f64 = 0.003;
const RING: f64 = 0.004;

impl SiteMarksDrawn<'_> {
    pub(super) fn mark(mut self) {
        let hygiene = hygiene_area(self.dog, self.scene.belly);
        for (site, marks) in &self.scene.coat.sites {
            let [left, right] = marks.sides();
            for place in site_places(*site, self.dog, &hygiene, self.painter.view) {
                // From the side both lie over one another: the worse is seen.
                let (knots, skin) = match place.hand {
                    Some(Hand::Left) => (left.knots, left.skin),
                    Some(Hand::Right) => (right.knots, right.skin),
                    None => (marks.knots(), marks.skin()),
                };
                self.place(*site, &place.outline, knots, skin);
            }
        }
    }

    fn place(&mut self, site: Site, outline: &[Point], knots: Knots, skin: SiteSkin) {
        let h = self.painter.height;
        let mut page = self.painter.on_page(outline);
        let apart = match knots {
            Knots::None => None,
            Knots::Few => Some(APART.0),
            Knots::Tight => Some(APART.1),
        };
        for [a, b] in apart.map_or_else(Vec::new, |apart| hatched(&page, apart * h)) {
            self.line(site, Role::Knots, &[a, b], STROKE * h);
        }
        if skin != SiteSkin::Sound {
            page.extend(page.first().copied());
            self.line(site, Role::SoreSkin, &page, RING * h);
        }
    }

    fn line(&mut self, site: Site, role: Role, points: &[Point], width_mm: f64) {
        let flat = points.iter().flat_map(|p| [tenth(p.x), tenth(p.y)]);
        self.painter.shapes.push(Shape {
            role,
            geometry: Geometry::Line {
                points_mm: flat.collect(),
                width_mm,
            },
            tag: Some(Tag::Site(site)),
        });
    }
}
