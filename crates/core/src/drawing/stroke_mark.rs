use kurbo::{Point, Vec2};

use super::canvas::Painter;
use super::shapes::{Geometry, Role, Shape};
use super::simplify::tenth;
use crate::coat::Zone;
use crate::page::View;

/// Which way a tool is run over a zone.
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
pub enum Runs {
    /// With the lay of the hair.
    WithTheLay,
    /// Against it.
    Against,
}

/// Weight of the arrow, its start and its stop, share of the height.
const WEIGHT: f64 = 0.009;
const START: f64 = 0.016;
const STOP: f64 = 0.016;
const STOP_HALF: f64 = 0.055;
const BARB: f64 = 0.035;
/// How far from the zone's ends the arrow keeps, share of its way.
const INSET: f64 = 0.12;
/// A shorter way is not worth an arrow, share of the height.
const LEAST: f64 = 0.05;

/// The lay of the hair over a zone on its view's own plane, unit length (common practice: from the
/// head back and down, on legs and chest down).
fn lay(zone: Zone, view: View) -> Vec2 {
    let way = match (view, zone) {
        (View::Front | View::Rear, _) => Vec2::new(0.0, -1.0),
        (View::Top, _) => Vec2::new(-1.0, 0.0),
        (View::Side, Zone::Underline | Zone::TuckUp | Zone::Flank | Zone::Topknot) => {
            Vec2::new(-1.0, 0.0)
        }
        (View::Side, Zone::Cheek | Zone::Muzzle | Zone::Beard | Zone::Tail) => {
            Vec2::new(-1.0, -0.15)
        }
        (
            View::Side,
            Zone::Crest | Zone::Back | Zone::Croup | Zone::Ribs | Zone::Hip | Zone::NeckSide,
        ) => Vec2::new(-1.0, -0.22),
        (View::Side, Zone::Shoulder) => Vec2::new(-0.5, -0.85),
        (View::Side, _) => Vec2::new(0.0, -1.0),
    };
    way / way.hypot()
}

/// Where a tool is put down, how it runs and where it stops, over one zone.
pub(super) struct StrokeMark {
    start: Point,
    stop: Point,
}

impl StrokeMark {
    /// Through the middle of an area, and on through those beside it; none where that is too small for an
    /// arrow.
    pub(super) fn over(
        area: &[Point],
        beside: &[Vec<Point>],
        zone: Zone,
        view: View,
        runs: Runs,
        height: f64,
    ) -> Option<Self> {
        let lies = lay(zone, view);
        // Hair on a crest lies along it, however upright the neck.
        let with = match (view, zone) {
            (View::Side, Zone::Crest) => long_way(area, lies),
            _ => lies,
        };
        let way = match runs {
            Runs::WithTheLay => with,
            Runs::Against => -with,
        };
        let middle = centroid(area)?;
        let (from, to) = chord(area, beside, middle, way)?;
        let inset = (to - from) * INSET;
        let (start, stop) = (from + inset, to - inset);
        (start.distance(stop) >= LEAST * height).then_some(Self { start, stop })
    }

    pub(super) fn draw(&self, painter: &mut Painter) {
        let h = painter.height;
        let page = painter.on_page(&[self.start, self.stop]);
        let (start, stop) = (page[0], page[1]);
        painter.labels.cover(start, stop, 1.5 * WEIGHT * h);
        let way = (stop - start) / start.distance(stop).max(1e-9);
        let across = Vec2::new(-way.y, way.x);
        let half = across * (STOP_HALF * h);
        painter
            .labels
            .cover(stop - half, stop + half, 0.5 * STOP * h);
        let mut push = |geometry| {
            painter.shapes.push(Shape {
                role: Role::StrokeMark,
                geometry,
                tag: None,
            });
        };
        let line = |points: &[Point], width: f64| Geometry::Line {
            points_mm: points
                .iter()
                .flat_map(|p| [tenth(p.x), tenth(p.y)])
                .collect(),
            width_mm: width * h,
        };
        let tip = stop - way * (0.6 * STOP * h);
        let barb = |side: f64| tip - way * (BARB * h) + across * (side * 0.6 * BARB * h);
        push(line(&[start, tip], WEIGHT));
        push(line(&[barb(1.0), tip, barb(-1.0)], WEIGHT));
        push(line(&[stop - half, stop + half], STOP));
        push(Geometry::Disc {
            at_mm: [tenth(start.x), tenth(start.y)],
            radius_mm: START * h,
        });
    }
}

/// The way an area is longest, unit length, turned as the hair lies (the axis of its corners' largest scatter).
fn long_way(area: &[Point], lies: Vec2) -> Vec2 {
    let many = area.len().max(1) as f64;
    let mean = area.iter().fold(Vec2::ZERO, |sum, p| sum + p.to_vec2()) / many;
    let (mut xx, mut xy, mut yy) = (0.0, 0.0, 0.0);
    for off in area.iter().map(|p| p.to_vec2() - mean) {
        (xx, xy, yy) = (xx + off.x * off.x, xy + off.x * off.y, yy + off.y * off.y);
    }
    let axis = Vec2::from_angle(0.5 * (2.0 * xy).atan2(xx - yy));
    if axis.dot(lies) < 0.0 { -axis } else { axis }
}

/// Where an area's own weight lies; none of an area without any.
fn centroid(area: &[Point]) -> Option<Point> {
    let (mut twice, mut sum) = (0.0, Vec2::ZERO);
    for (a, b) in area.iter().zip(area.iter().cycle().skip(1)) {
        let cross = a.x * b.y - b.x * a.y;
        twice += cross;
        sum += (a.to_vec2() + b.to_vec2()) * cross;
    }
    (twice.abs() > 1e-6).then(|| (sum / (3.0 * twice)).to_point())
}

/// Areas so near one another on a line are one, mm: they meet along an edge.
const MEET_MM: f64 = 0.5;

/// Where a line through a point enters and leaves the part of an area that lies about that point, and of the
/// areas it goes on through.
fn chord(
    area: &[Point],
    beside: &[Vec<Point>],
    through: Point,
    way: Vec2,
) -> Option<(Point, Point)> {
    let own = crossings(area, through, way);
    let (mut before, mut after) = own.into_iter().find(|(a, b)| *a <= 0.0 && *b >= 0.0)?;
    let mut others: Vec<(f64, f64)> = beside
        .iter()
        .flat_map(|area| crossings(area, through, way))
        .collect();
    // From the point outwards, each may lead on to the next.
    others.sort_by(|a, b| a.0.total_cmp(&b.0));
    for (a, b) in &others {
        if *a <= after + MEET_MM {
            after = after.max(*b);
        }
    }
    others.sort_by(|a, b| b.1.total_cmp(&a.1));
    for (a, b) in &others {
        if *b >= before - MEET_MM {
            before = before.min(*a);
        }
    }
    Some((through + way * before, through + way * after))
}

/// The stretches of a line that lie within an area, by the way along it from a point.
fn crossings(area: &[Point], from: Point, way: Vec2) -> Vec<(f64, f64)> {
    let across = Vec2::new(-way.y, way.x);
    let mut along: Vec<f64> = area
        .iter()
        .zip(area.iter().cycle().skip(1))
        .filter_map(|(a, b)| {
            let (sa, sb) = ((*a - from).dot(across), (*b - from).dot(across));
            ((sa < 0.0) != (sb < 0.0)).then(|| (a.lerp(*b, sa / (sa - sb)) - from).dot(way))
        })
        .collect();
    along.sort_by(f64::total_cmp);
    along
        .chunks_exact(2)
        .map(|pair| (pair[0], pair[1]))
        .collect()
}

#[cfg(test)]
mod tests {
    use super::*;

    fn square() -> Vec<Point> {
        [(0.0, 0.0), (100.0, 0.0), (100.0, 60.0), (0.0, 60.0)]
            .map(Point::from)
            .to_vec()
    }

    /// Handbook 10 C: with the lay a leg is run downward, against it upward.
    #[test]
    fn a_leg_is_run_downward_and_against_the_lay_upward() {
        let mark = |runs| {
            StrokeMark::over(&square(), &[], Zone::HindOut, View::Side, runs, 400.0).expect("large")
        };
        let with = mark(Runs::WithTheLay);
        assert!(with.start.y > with.stop.y && (with.start.x - 50.0).abs() < 1e-9);
        let against = mark(Runs::Against);
        assert_eq!((against.start, against.stop), (with.stop, with.start));
        // 12 % of the way is kept from either end.
        assert!((with.start.y - (60.0 - 0.12 * 60.0)).abs() < 1e-9);
    }

    /// Hair lies along the crest (common practice): on an upright neck the arrow runs down it, not across.
    #[test]
    fn a_crest_is_run_along_however_upright_it_is() {
        // Leaning back by one in five, 20 mm wide.
        let neck = [(20.0, 100.0), (40.0, 100.0), (20.0, 0.0), (0.0, 0.0)].map(Point::from);
        let runs = Runs::WithTheLay;
        let mark = StrokeMark::over(&neck, &[], Zone::Crest, View::Side, runs, 400.0);
        let mark = mark.expect("large");
        let way = mark.stop - mark.start;
        assert!(way.y < -60.0 && way.x < 0.0, "{way:?}");
        assert!((way.x / way.y - 0.2).abs() < 0.1, "{way:?}");
    }

    /// By hand: through two squares that meet the arrow runs on, over a gap it does not.
    #[test]
    fn an_arrow_runs_on_through_the_area_beside() {
        let beside = |gap: f64| {
            vec![
                square()
                    .iter()
                    .map(|p| *p - Vec2::new(100.0 + gap, 0.0))
                    .collect(),
            ]
        };
        let long = |areas: &[Vec<Point>]| {
            let ends = chord(
                &square(),
                areas,
                Point::new(50.0, 30.0),
                Vec2::new(-1.0, 0.0),
            );
            let (from, to) = ends.expect("inside");
            from.distance(to)
        };
        assert!((long(&[]) - 100.0).abs() < 1e-9);
        assert!((long(&beside(0.0)) - 200.0).abs() < 1e-9);
        assert!((long(&beside(9.0)) - 100.0).abs() < 1e-9);
    }

    #[test]
    fn the_back_is_run_towards_the_tail_and_a_speck_gets_no_arrow() {
        let over =
            |zone, h| StrokeMark::over(&square(), &[], zone, View::Side, Runs::WithTheLay, h);
        let back = over(Zone::Back, 400.0).expect("large");
        assert!(back.stop.x < back.start.x - 50.0);
        assert!(over(Zone::Back, 4000.0).is_none());
    }
}
