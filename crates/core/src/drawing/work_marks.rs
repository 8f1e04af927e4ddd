use std::collections::BTreeMap;

use kurbo::Point;

use super::areas_in_view::AreasInView;
use super::canvas::Painter;
use super::scene::Scene;
use super::shapes::{Geometry, Role, Shape, Tag};
use super::simplify::{tenth, tenths};
use super::stroke_mark::{Runs, StrokeMark};
use super::zone_areas::ZoneAreas;
use crate::coat::Zone;
use crate::shape::curve::signed_area;
use crate::shape::{BothSides, SitePlace, hygiene_area, site_places};

/// Between the strokes of the hatching, share of the height.
const HATCH: f64 = 0.017;
/// Weight of the zone's edge and of its hatching, share of the height.
const EDGE: f64 = 0.0045;
const STROKE: f64 = 0.0018;

/// Marks where a step works, or what moves a point.
pub(super) struct WorkMarks<'a> {
    pub(super) painter: &'a mut Painter,
    pub(super) scene: &'a Scene<'a>,
    pub(super) dog: &'a BothSides<'a>,
}

impl WorkMarks<'_> {
    pub(super) fn mark(mut self, areas: Option<&AreasInView<'_>>) {
        let work = self.scene.work;
        let sites = self.scene.sites.iter();
        let hygiene = hygiene_area(self.dog, self.scene.belly);
        let places: Vec<SitePlace> = sites
            .flat_map(|site| site_places(*site, self.dog, &hygiene, self.painter.view))
            .collect();
        for place in places {
            self.paint(&[place.outline]);
        }
        let Some(areas) = areas.filter(|_| !work.is_empty()) else {
            return;
        };
        self.paint(&areas.of(work));
        let runs = self.scene.runs;
        if let Some(mark) = runs.and_then(|runs| self.stroke(areas, work, runs)) {
            mark.draw(self.painter);
        }
    }

    /// How the tool runs over the largest of these zones, and on through its neighbours.
    fn stroke(&self, areas: &AreasInView<'_>, work: &[Zone], runs: Runs) -> Option<StrokeMark> {
        let (view, h) = (self.painter.view, self.painter.height);
        let each = work
            .iter()
            .flat_map(|zone| areas.of(&[*zone]).into_iter().map(move |a| (*zone, a)));
        let size = |area: &[Point]| signed_area(area).abs();
        let (zone, area) = each.max_by(|a, b| size(&a.1).total_cmp(&size(&b.1)))?;
        StrokeMark::over(&area, &areas.of(work), zone, view, runs, h)
    }

    /// Lays every zone down as an area that answers a touch, with nothing to see: the whole zone, not
    /// only its digits.
    pub(super) fn lay_zones(&mut self, areas: &AreasInView<'_>) {
        let (over, under): (Vec<Zone>, Vec<Zone>) = Zone::ALL
            .into_iter()
            .partition(|zone| ZoneAreas::hangs(*zone));
        for zone in under.into_iter().chain(over) {
            for area in areas.of(&[zone]) {
                let page = self.painter.on_page(&area);
                let points_mm = tenths(&page);
                self.painter.shapes.push(Shape {
                    role: Role::ZoneArea,
                    geometry: Geometry::Fill { points_mm },
                    tag: Some(Tag::Zone(zone)),
                });
            }
        }
    }

    /// Hatches areas as one: where two of them meet no line is drawn.
    fn paint(&mut self, areas: &[Vec<Point>]) {
        let h = self.painter.height;
        let pages: Vec<Vec<Point>> = areas.iter().map(|a| self.painter.on_page(a)).collect();
        for page in &pages {
            for [a, b] in hatched(page, HATCH * h) {
                self.line(&[a, b], STROKE * h);
            }
        }
        for course in outer_edges(&pages) {
            self.line(&course, EDGE * h);
        }
    }

    fn line(&mut self, points: &[Point], width_mm: f64) {
        self.painter.shapes.push(Shape {
            role: Role::Work,
            geometry: Geometry::Line {
                points_mm: points
                    .iter()
                    .flat_map(|p| [tenth(p.x), tenth(p.y)])
                    .collect(),
                width_mm,
            },
            tag: None,
        });
    }
}

/// The edges of polygons that no two of them share, in courses.
pub(super) fn outer_edges(polygons: &[Vec<Point>]) -> Vec<Vec<Point>> {
    type Key = (u64, u64);
    // Neighbours share the very points they meet along.
    let key = |p: Point| -> Key { (p.x.to_bits(), p.y.to_bits()) };
    let edge = |a: Point, b: Point| {
        let (a, b) = (key(a), key(b));
        if a < b { (a, b) } else { (b, a) }
    };
    let sides = |polygon: &[Point]| -> Vec<(Point, Point)> {
        let next = polygon.iter().cycle().skip(1);
        polygon.iter().copied().zip(next.copied()).collect()
    };
    let mut times: BTreeMap<(Key, Key), usize> = BTreeMap::new();
    for (a, b) in polygons.iter().flat_map(|p| sides(p)) {
        *times.entry(edge(a, b)).or_default() += 1;
    }
    let is_outer = |(a, b): &(Point, Point)| times.get(&edge(*a, *b)) == Some(&1);
    let mut courses = Vec::new();
    for polygon in polygons {
        let mut sides = sides(polygon);
        // A course begins where the one before it ended, not in its middle.
        let inner = sides.iter().position(|side| !is_outer(side));
        sides.rotate_left(inner.unwrap_or(0));
        let runs = sides.chunk_by(|a, b| is_outer(a) == is_outer(b));
        for run in runs.filter(|run| is_outer(&run[0])) {
            let mut course = vec![run[0].0];
            course.extend(run.iter().map(|(_, b)| *b));
            courses.push(course);
        }
    }
    courses
}

/// Slanting strokes inside a polygon, so far apart: they run on from one polygon into the next.
pub(super) fn hatched(polygon: &[Point], apart: f64) -> Vec<[Point; 2]> {
    // A stroke is where x + y is constant; between pairs of crossings it lies inside.
    let level = |p: Point| p.x + p.y;
    let levels = polygon.iter().map(|p| level(*p));
    let (low, high) = levels.fold((f64::INFINITY, f64::NEG_INFINITY), |(a, b), l| {
        (a.min(l), b.max(l))
    });
    let mut strokes = Vec::new();
    let mut at = ((low / apart).floor() + 0.5) * apart;
    while at < high {
        let mut crossings: Vec<Point> = (0..polygon.len())
            .filter_map(|i| {
                let (a, b) = (polygon[i], polygon[(i + 1) % polygon.len()]);
                let (la, lb) = (level(a), level(b));
                ((la < at) != (lb < at)).then(|| a.lerp(b, (at - la) / (lb - la)))
            })
            .collect();
        crossings.sort_by(|a, b| a.x.total_cmp(&b.x));
        strokes.extend(crossings.chunks_exact(2).map(|pair| [pair[0], pair[1]]));
        at += apart;
    }
    strokes
}

#[cfg(test)]
mod tests {
    use super::*;

    /// By hand: a square of side 10 crossed at x + y = 5, 10 and 15.
    /// By hand: two squares side by side are bounded as one oblong.
    #[test]
    fn where_two_squares_meet_no_line_is_drawn() {
        let square = |x: f64| -> Vec<Point> {
            [(0.0, 0.0), (10.0, 0.0), (10.0, 10.0), (0.0, 10.0)]
                .map(|(dx, y)| Point::new(x + dx, y))
                .into()
        };
        let courses = outer_edges(&[square(0.0), square(10.0)]);
        let long =
            |course: &Vec<Point>| -> f64 { course.windows(2).map(|w| w[0].distance(w[1])).sum() };
        assert_eq!(courses.len(), 2, "{courses:?}");
        assert!((courses.iter().map(long).sum::<f64>() - 60.0).abs() < 1e-9);
        let alone = outer_edges(&[square(0.0)]);
        assert!(
            (long(&alone[0]) - 40.0).abs() < 1e-9 && alone.len() == 1,
            "{alone:?}"
        );
    }

    #[test]
    fn a_square_is_hatched_across_its_corner() {
        let square = [(0.0, 0.0), (10.0, 0.0), (10.0, 10.0), (0.0, 10.0)].map(Point::from);
        let strokes = hatched(&square, 20.0 / 3.0);
        let lengths: Vec<f64> = strokes.iter().map(|[a, b]| a.distance(*b)).collect();
        assert_eq!(lengths.len(), 3);
        let by_hand = [10.0 / 3.0, 10.0, 10.0 / 3.0].map(|side| side * 2.0_f64.sqrt());
        for (got, want) in lengths.iter().zip(by_hand) {
            assert!((got - want).abs() < 1e-9, "{lengths:?}");
        }
    }
}
