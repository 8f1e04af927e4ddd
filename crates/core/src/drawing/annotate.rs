use kurbo::Point;

use super::canvas::{Painter, Room};
use super::notes::Notes;
use super::scene::{Layers, Scene};
use super::shapes::{Anchor, Geometry, Role, Shape, Tag};
use super::simplify::tenth;
use super::table::to_page;
use crate::say::Words;
use crate::shape::{BothSides, Station as S};

/// Writes marks on the drawing: measures, landmarks, lengths, chalk, pins.
pub(super) struct Annotator<'a> {
    pub(super) painter: &'a mut Painter,
    pub(super) scene: &'a Scene<'a>,
    pub(super) dog: &'a BothSides<'a>,
    pub(super) layers: Layers,
    pub(super) stick_x: f64,
    pub(super) room: Room,
}

impl Annotator<'_> {
    pub(super) fn annotate(mut self) {
        if self.layers.table {
            self.height_carrier();
        }
        self.knots();
        if let Some(report) = self.scene.report {
            if self.layers.lines {
                self.chalk_lines(report);
            }
            let notes = self
                .layers
                .pins
                .then(|| Notes::place(self.painter, report, self.room));
            if self.layers.lengths {
                self.lengths(report);
            }
            if let Some(notes) = notes {
                notes.draw(self.painter);
            }
            if self.layers.lines {
                self.chalk_words(report);
            }
        } else if self.layers.lengths {
            self.lengths_now();
            self.coat_marks();
        }
        if self.layers.measures {
            self.measures();
        }
    }

    pub(super) fn words(&self) -> Words<'_> {
        Words {
            house: self.scene.house,
            kit: &[],
        }
    }

    pub(super) fn h(&self) -> f64 {
        self.painter.height
    }

    pub(super) fn skin(&self, station: S) -> Point {
        self.dog.shape.skin(station)
    }

    pub(super) fn push(&mut self, role: Role, geometry: Geometry, tag: Option<Tag>) {
        self.painter.shapes.push(Shape {
            role,
            geometry,
            tag,
        });
    }

    pub(super) fn line(&mut self, role: Role, points: &[Point], width: f64, tag: Option<Tag>) {
        let points_mm = points
            .iter()
            .map(|p| to_page(*p))
            .flat_map(|p| [tenth(p.x), tenth(p.y)])
            .collect();
        let width_mm = width * self.h();
        self.push(
            role,
            Geometry::Line {
                points_mm,
                width_mm,
            },
            tag,
        );
    }

    /// A word at a page point, where it must stand.
    pub(super) fn text(
        &mut self,
        role: Role,
        at: Point,
        anchor: Anchor,
        text: &str,
        share: f64,
        tag: Option<Tag>,
    ) {
        let size_mm = share * self.painter.text_mm;
        self.painter.labels.occupy(at, anchor, text, size_mm);
        self.push(
            role,
            Geometry::Text {
                at_mm: [tenth(at.x), tenth(at.y)],
                text: text.into(),
                size_mm,
                anchor,
            },
            tag,
        );
    }

    /// A word at the first of some page points that is free of words and lines, else of words alone.
    pub(super) fn place_clear_first(
        &mut self,
        role: Role,
        candidates: &[(Point, Anchor)],
        text: &str,
        share: f64,
        tag: Option<Tag>,
    ) -> Option<Point> {
        let size_mm = share * self.painter.text_mm;
        let page = self.painter.page;
        let labels = &mut self.painter.labels;
        let free = labels.place_clear_first(candidates, text, size_mm, page)?;
        Some(self.put(role, free, text, size_mm, tag))
    }

    /// A word at the first free of some page points; says whether it found one.
    pub(super) fn place(
        &mut self,
        role: Role,
        candidates: &[(Point, Anchor)],
        text: &str,
        share: f64,
        tag: Option<Tag>,
        clear: bool,
    ) -> Option<Point> {
        let size_mm = share * self.painter.text_mm;
        let page = self.painter.page;
        let labels = &mut self.painter.labels;
        let free = labels.place(candidates, text, size_mm, page, clear)?;
        Some(self.put(role, free, text, size_mm, tag))
    }

    /// A word at a place found free; says where.
    fn put(
        &mut self,
        role: Role,
        (at, anchor): (Point, Anchor),
        text: &str,
        size_mm: f64,
        tag: Option<Tag>,
    ) -> Point {
        self.push(
            role,
            Geometry::Text {
                at_mm: [tenth(at.x), tenth(at.y)],
                text: text.into(),
                size_mm,
                anchor,
            },
            tag,
        );
        at
    }
}
