use kurbo::{Point, Vec2};

use super::canvas::Painter;
use super::on_end::{areas, dressing_of};
use super::scene::Scene;
use super::shapes::{Geometry, Role, Shape, Tag};
use super::simplify::tenth;
use super::stroke_mark::{Runs, StrokeMark};
use crate::coat::Zone;
use crate::page::View;
use crate::shape::curve::signed_area;
use crate::shape::{BothSides, CoatEdge, SitePlace, Station as S, hygiene_area, site_places};

/// How far a zone at the edge reaches into the dog, share of the height (modelling choice: two
/// fingers on a middling dog).
const INWARD: f64 = 0.055;
/// Between the strokes of the hatching, share of the height.
const HATCH: f64 = 0.017;
/// Weight of the zone's edge and of its hatching, share of the height.
const EDGE: f64 = 0.0045;
const STROKE: f64 = 0.0018;
/// Corners of a round zone.
const ROUND: usize = 28;

/// Marks where a step works, or what moves a point.
pub(super) struct WorkMarks<'a> {
    pub(super) painter: &'a mut Painter,
    pub(super) scene: &'a Scene<'a>,
    pub(super) dog: &'a BothSides<'a>,
}

impl WorkMarks<'_> {
    pub(super) fn mark(mut self) {
        let work = self.scene.work;
        let sites = self.scene.sites.iter();
        let hygiene = hygiene_area(self.dog, self.scene.belly);
        let places: Vec<SitePlace> = sites
            .flat_map(|site| site_places(*site, self.dog, &hygiene, self.painter.view))
            .collect();
        for place in places {
            self.paint(&place.outline);
        }
        if work.is_empty() {
            return;
        }
        for area in self.of_zones(work) {
            self.paint(&area);
        }
        if let Some(mark) = self.scene.runs.and_then(|runs| self.stroke(work, runs)) {
            mark.draw(self.painter);
        }
    }

    /// How the tool runs over the largest of these zones.
    fn stroke(&self, work: &[Zone], runs: Runs) -> Option<StrokeMark> {
        let (view, h) = (self.painter.view, self.painter.height);
        let areas = work
            .iter()
            .flat_map(|zone| self.of_zones(&[*zone]).into_iter().map(move |a| (*zone, a)));
        let size = |area: &[Point]| signed_area(area).abs();
        let (zone, area) = areas.max_by(|a, b| size(&a.1).total_cmp(&size(&b.1)))?;
        StrokeMark::over(&area, zone, view, runs, h)
    }

    /// Lays every zone down as an area that answers a touch, with nothing to see: the whole zone, not
    /// only its digits.
    pub(super) fn lay_zones(&mut self) {
        // Sides of the body first: the bands along the edge lie over them.
        let (sides, edges): (Vec<Zone>, Vec<Zone>) = Zone::ALL
            .into_iter()
            .partition(|zone| self.painter.view == View::Side && self.within(*zone).is_some());
        for zone in sides.into_iter().chain(edges) {
            for area in self.of_zones(&[zone]) {
                let page = self.painter.on_page(&area);
                let points_mm = page.iter().flat_map(|p| [tenth(p.x), tenth(p.y)]).collect();
                self.painter.shapes.push(Shape {
                    role: Role::ZoneArea,
                    geometry: Geometry::Fill { points_mm },
                    tag: Some(Tag::Zone(zone)),
                });
            }
        }
    }

    /// Where zones show in this view.
    pub(super) fn of_zones(&self, zones: &[Zone]) -> Vec<Vec<Point>> {
        if self.painter.view == View::Side {
            let mut areas = self.along_the_edge(zones);
            areas.extend(zones.iter().filter_map(|zone| self.within(*zone)));
            areas
        } else {
            let seen = |zone: &Zone| areas(self.scene, self.dog, self.painter.view, *zone);
            zones.iter().flat_map(seen).collect()
        }
    }

    /// Runs of neighbouring stations the step works on: from the coat's edge a little inward.
    fn along_the_edge(&self, work: &[Zone]) -> Vec<Vec<Point>> {
        let edge = CoatEdge::new(&self.dog.shape, &dressing_of(self.scene));
        let is_work = |s: &S| s.zone().is_some_and(|z| work.contains(&z));
        S::ALL
            .chunk_by(|a, b| is_work(a) == is_work(b))
            .filter(|run| run.len() > 1 && run.iter().all(is_work))
            .map(|run| {
                let depth = INWARD * self.painter.height;
                let outer = run.iter().map(|s| edge.at(*s));
                let inner = run.iter().rev().map(|s| {
                    // On a thin leg the two sides' bands do not cross.
                    let depth = if s.zone().is_some_and(Zone::is_leg) {
                        0.35 * depth
                    } else {
                        depth
                    };
                    self.dog.shape.skin(*s) - self.dog.shape.hair(*s) * depth
                });
                outer.chain(inner).collect()
            })
            .collect()
    }

    /// What lies within the outline: sides of the body, outsides of legs, cheek, ear and tail.
    fn within(&self, zone: Zone) -> Option<Vec<Point>> {
        let h = self.painter.height;
        let at = |s: S| self.dog.shape.skin(s);
        let by = |s: S, x: f64, y: f64| at(s) + Vec2::new(x, y) * h;
        let (head, ear) = (&self.dog.shape.head, &self.scene.frame.build.ear);
        let column = |list: &[S]| Some(list.iter().map(|s| at(*s)).collect());
        let (centre, half) = match zone {
            Zone::Shoulder => (by(S::Withers, 0.02, -0.24), (0.085, 0.17)),
            Zone::Ribs => (by(S::BackMid, 0.02, -0.20), (0.17, 0.15)),
            Zone::Hip => (by(S::HipCrest, -0.03, -0.17), (0.10, 0.14)),
            Zone::NeckSide => (at(S::ThroatMid).lerp(at(S::CrestMid), 0.5), (0.05, 0.08)),
            Zone::Cheek => (head.at(0.46, -0.22), (0.06, 0.06)),
            Zone::Ear => (
                head.at(ear.base.0, ear.base.1) - Vec2::new(0.0, 0.55 * ear.length),
                (0.25 * ear.length / h, 0.5 * ear.length / h),
            ),
            Zone::Tail => {
                let tail = &self.scene.frame.build.tail;
                let end = tail.length.min(0.3 * h);
                (at(S::TailSet) + Vec2::new(-0.2, 0.6) * end, (0.06, 0.09))
            }
            Zone::ForeOut | Zone::ForeIn => {
                return column(&[
                    S::ElbowLow,
                    S::ForearmBack,
                    S::WristBack,
                    S::WristFront,
                    S::ForearmFront,
                    S::ForearmFrontHigh,
                ]);
            }
            Zone::HindOut | Zone::HindIn => {
                return column(&[
                    S::ThighBack,
                    S::ThighLow,
                    S::Bend,
                    S::AboveHock,
                    S::HockFront,
                    S::GaskinFront,
                    S::Stifle,
                    S::ThighFront,
                ]);
            }
            _ => return None,
        };
        let corner = |i: usize| {
            let turn = Vec2::from_angle(std::f64::consts::TAU * i as f64 / ROUND as f64);
            centre + Vec2::new(turn.x * half.0, turn.y * half.1) * h
        };
        Some((0..ROUND).map(corner).collect())
    }

    fn paint(&mut self, area: &[Point]) {
        let h = self.painter.height;
        let mut page = self.painter.on_page(area);
        for [a, b] in hatched(&page, HATCH * h) {
            self.line(&[a, b], STROKE * h);
        }
        page.extend(page.first().copied());
        self.line(&page, EDGE * h);
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

/// Slanting strokes inside a polygon, so far apart.
pub(super) fn hatched(polygon: &[Point], apart: f64) -> Vec<[Point; 2]> {
    // A stroke is where x + y is constant; between pairs of crossings it lies inside.
    let level = |p: Point| p.x + p.y;
    let levels = polygon.iter().map(|p| level(*p));
    let (low, high) = levels.fold((f64::INFINITY, f64::NEG_INFINITY), |(a, b), l| {
        (a.min(l), b.max(l))
    });
    let mut strokes = Vec::new();
    let mut at = low + 0.5 * apart;
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
