//! Places that no view of the standing dog shows, drawn by themselves for the step that works there
//! (handbook 10 B): a lifted foot's pads, the belly and the inside of the thighs, the U over the eyes.

mod head_above;
mod soles;
mod under;

use kurbo::{Point, Rect};

use self::head_above::HeadAbove;
use self::soles::Soles;
use self::under::Under;
use super::canvas::Painter;
use super::labels::Labels;
use super::scene::{DrawOptions, Scene};
use super::shapes::{Anchor, Drawing, Geometry, Role};
use super::simplify::{tenth, tenths};
use super::work_marks::{hatched, outer_edges};
use crate::coat::{Site, Zone};
use crate::page::View;
use crate::shape::BothSides;

/// What is drawn by itself.
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
pub(super) enum CloseUp {
    /// The feet from below.
    Soles,
    /// The dog's belly from below.
    Under,
    /// The head from above.
    HeadAbove,
}

/// Height of text against the page's width: a close-up is read at the table.
const TEXT: f64 = 0.045;
/// Weights of ink, of hatching and of a zone's edge, and room between strokes, shares of the page's width.
const INK: f64 = 0.006;
const STROKE: f64 = 0.0028;
const EDGE: f64 = 0.006;
const HATCH: f64 = 0.022;

impl CloseUp {
    /// What shows where a step works on these sites and zones; none where the standing dog does.
    pub(super) fn of(sites: &[Site], work: &[Zone]) -> Option<Self> {
        let all = |these: &[Site]| sites.iter().all(|site| these.contains(site));
        let any = |these: &[Site]| sites.iter().any(|site| these.contains(site));
        let feet = [Site::Pads, Site::BetweenToes];
        let inside = [Site::Belly, Site::InsideThigh, Site::Sheath];
        if sites.is_empty() {
            (work == [Zone::Brow]).then_some(Self::HeadAbove)
        } else if all(&feet) {
            Some(Self::Soles)
        } else if any(&inside) && !any(&feet) {
            Some(Self::Under)
        } else {
            None
        }
    }

    /// Draws it to scale.
    pub(super) fn draw(
        self,
        scene: &Scene<'_>,
        dog: &BothSides<'_>,
        options: &DrawOptions,
    ) -> Drawing {
        let page = match self {
            Self::Soles => soles::page(scene, dog),
            Self::Under => under::page(dog),
            Self::HeadAbove => head_above::page(dog),
        };
        let view = match self {
            Self::Soles => View::Front,
            Self::Under | Self::HeadAbove => View::Top,
        };
        let mut painter = Painter {
            shapes: Vec::new(),
            labels: Labels::default(),
            page,
            text_mm: TEXT * page.width(),
            height: page.width() * INK / super::canvas::INK,
            smooth_mm: 0.0004 * page.width(),
            view,
        };
        match self {
            Self::Soles => Soles {
                painter: &mut painter,
                scene,
                dog,
            }
            .draw(options.layers),
            Self::Under => Under {
                painter: &mut painter,
                scene,
                dog,
            }
            .draw(),
            Self::HeadAbove => HeadAbove {
                painter: &mut painter,
                scene,
                dog,
            }
            .draw(),
        }
        let seen = match self {
            Self::Soles => "feet from below",
            Self::Under => "belly from below",
            Self::HeadAbove => "head from above",
        };
        Drawing {
            title: format!("{}: {seen}, to scale", scene.name),
            bounds_mm: [page.x0, page.y0, page.x1, page.y1].map(tenth),
            views: Vec::new(),
            shapes: painter.shapes,
            focus_mm: None,
        }
    }
}

/// A number along what it measures, with a bar at either end.
fn dimension(painter: &mut Painter, ends: [Point; 2], text: String) {
    let page = painter.on_page(&ends);
    let (a, b) = (page[0], page[1]);
    let along = (b - a) / a.distance(b).max(1e-9);
    let across = kurbo::Vec2::new(-along.y, along.x) * (0.3 * painter.text_mm);
    line(painter, Role::Dimension, &[a, b], INK * 0.6);
    for end in [a, b] {
        line(
            painter,
            Role::Dimension,
            &[end - across, end + across],
            INK * 0.6,
        );
    }
    let middle = a.midpoint(b);
    let at = Point::new(middle.x, middle.y + 0.35 * painter.text_mm);
    word(painter, Role::DimensionNumber, at, Anchor::Middle, text);
}

fn word(painter: &mut Painter, role: Role, at: Point, anchor: Anchor, text: String) {
    let size_mm = painter.text_mm;
    painter.labels.occupy(at, anchor, &text, size_mm);
    painter.push(
        role,
        Geometry::Text {
            at_mm: [tenth(at.x), tenth(at.y)],
            text,
            size_mm,
            anchor,
        },
    );
}

/// A line on the page, its weight a share of the page's width.
fn line(painter: &mut Painter, role: Role, page: &[Point], weight: f64) {
    let points_mm = tenths(page);
    let width_mm = weight * painter.page.width();
    painter.push(
        role,
        Geometry::Line {
            points_mm,
            width_mm,
        },
    );
}

fn fill(painter: &mut Painter, role: Role, outline: &[Point]) {
    let page = painter.on_page(outline);
    let points_mm = tenths(&page);
    painter.push(role, Geometry::Fill { points_mm });
}

/// A closed line round an outline.
fn ring(painter: &mut Painter, role: Role, outline: &[Point], weight: f64) {
    let mut page = painter.on_page(outline);
    page.extend(page.first().copied());
    line(painter, role, &page, weight);
}

/// Where the step works: hatched, with an edge round all of it.
fn work(painter: &mut Painter, areas: &[Vec<Point>]) {
    let pages: Vec<Vec<Point>> = areas.iter().map(|a| painter.on_page(a)).collect();
    let apart = HATCH * painter.page.width();
    for stroke in pages.iter().flat_map(|page| hatched(page, apart)) {
        line(painter, Role::Work, &stroke, STROKE);
    }
    for course in outer_edges(&pages) {
        line(painter, Role::Work, &course, EDGE);
    }
}

/// The smallest page round these points of a view's own plane, with so much room.
fn around(points: impl Iterator<Item = Point>, room: f64) -> Rect {
    let all = points.fold(None, |all: Option<Rect>, p| {
        Some(all.map_or(Rect::from_points(p, p), |r| r.union_pt(p)))
    });
    all.unwrap_or_default().inflate(room, room)
}
