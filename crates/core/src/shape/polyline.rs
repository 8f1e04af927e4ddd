use kurbo::{Line, ParamCurveNearest as _, Point, Vec2};

use super::noise::noise;
use super::piece::Stroke;

/// How far along a polyline each of its points lies, mm.
pub(super) fn along(points: &[Point]) -> Vec<f64> {
    let mut sum = 0.0;
    let steps = points.windows(2).map(|pair| {
        sum += pair[0].distance(pair[1]);
        sum
    });
    std::iter::once(0.0)
        .chain(steps)
        .take(points.len())
        .collect()
}

/// The polyline in even steps of about `step` mm, its ends kept.
pub(super) fn resampled(points: &[Point], step: f64) -> Vec<Point> {
    let lengths = along(points);
    let whole = lengths.last().copied().unwrap_or(0.0);
    #[expect(
        clippy::cast_possible_truncation,
        clippy::cast_sign_loss,
        reason = "a few hundred steps at most"
    )]
    let count = ((whole / step.max(1e-3)) as usize).clamp(2, MOST_STEPS);
    let mut next = 0;
    (0..=count)
        .map(|i| {
            let want = whole * i as f64 / count as f64;
            while next + 2 < points.len() && lengths[next + 1] < want {
                next += 1;
            }
            let (a, b) = (lengths[next], lengths[next + 1]);
            let t = ((want - a) / (b - a).max(1e-9)).clamp(0.0, 1.0);
            points[next].lerp(points[next + 1], t)
        })
        .collect()
}

/// No line on a dog needs more steps.
const MOST_STEPS: usize = 4000;

/// The edges of a closed outline.
fn edges(outline: &[Point]) -> impl Iterator<Item = (Point, Point)> + '_ {
    let ends = outline.iter().cycle().skip(1);
    outline.iter().copied().zip(ends.copied())
}

/// Whether a point lies inside a closed outline, by its edges (even and odd crossings).
fn is_within(point: Point, edges: impl Iterator<Item = (Point, Point)>) -> bool {
    edges.fold(false, |inside, (a, b)| {
        let crosses = (a.y > point.y) != (b.y > point.y)
            && point.x < a.x + (b.x - a.x) * (point.y - a.y) / (b.y - a.y);
        inside != crosses
    })
}

/// Whether a point lies inside a closed outline of which it is asked but once.
pub(crate) fn encloses(outline: &[Point], point: Point) -> bool {
    is_within(point, edges(outline))
}

/// Bands of heights that an outline is parted into: a few edges in each.
const BANDS: usize = 64;

/// A closed outline of which it is often asked what lies inside: its edges by the heights they cross.
pub(crate) struct Inside {
    low: f64,
    step: f64,
    /// Where each band's edges begin among all of them, and where the last one's end.
    begins: [usize; BANDS + 1],
    /// Band by band; an edge that crosses several stands in each.
    edges: Vec<(Point, Point)>,
}

impl Inside {
    /// Parts an outline into its bands.
    pub(crate) fn of(outline: &[Point]) -> Self {
        let heights = || outline.iter().map(|p| p.y);
        let low = heights().fold(f64::INFINITY, f64::min);
        let high = heights().fold(f64::NEG_INFINITY, f64::max);
        let mut inside = Self {
            low,
            step: ((high - low) / BANDS as f64).max(f64::MIN_POSITIVE),
            begins: [0; BANDS + 1],
            edges: Vec::new(),
        };
        // Every corner's band once: both walks over the edges, and two edges each, ask for it.
        let bands: Vec<usize> = outline.iter().map(|p| inside.band(p.y)).collect();
        let crossed = |i: usize, next: usize| {
            let (a, b) = (bands[i], bands[next]);
            a.min(b)..=a.max(b)
        };
        let next = |i: usize| if i + 1 < outline.len() { i + 1 } else { 0 };
        let mut counts = [0; BANDS];
        for i in 0..outline.len() {
            for count in &mut counts[crossed(i, next(i))] {
                *count += 1;
            }
        }
        for (band, count) in counts.into_iter().enumerate() {
            inside.begins[band + 1] = inside.begins[band] + count;
        }
        inside.edges = vec![(Point::ZERO, Point::ZERO); inside.begins[BANDS]];
        let mut free = inside.begins;
        for i in 0..outline.len() {
            let edge = (outline[i], outline[next(i)]);
            for place in &mut free[crossed(i, next(i))] {
                inside.edges[*place] = edge;
                *place += 1;
            }
        }
        inside
    }

    fn band(&self, y: f64) -> usize {
        #[expect(
            clippy::cast_possible_truncation,
            clippy::cast_sign_loss,
            reason = "a float's cast saturates; what lies beyond is asked of the nearest band"
        )]
        let band = ((y - self.low) / self.step) as usize;
        band.min(BANDS - 1)
    }

    /// Whether a point lies inside (even and odd crossings).
    pub(crate) fn has(&self, point: Point) -> bool {
        let band = self.band(point.y);
        let edges = &self.edges[self.begins[band]..self.begins[band + 1]];
        is_within(point, edges.iter().copied())
    }
}

/// How far a point lies outside a closed outline, mm; less than nothing inside, without end where
/// there is none.
pub(super) fn outside_mm(point: Point, outline: &[Point]) -> f64 {
    let ends = outline.iter().cycle().skip(1);
    let nearest = outline
        .iter()
        .zip(ends)
        .map(|(a, b)| Line::new(*a, *b).nearest(point, 1e-3).distance_sq.sqrt())
        .fold(f64::INFINITY, f64::min);
    if encloses(outline, point) {
        -nearest
    } else {
        nearest
    }
}

/// The part of a stroke that lies outside a body, and `run` mm of it inside, where it runs out.
///
/// The upper end of a leg is drawn so: no line crosses the body, none breaks off at its edge.
pub(super) fn faded(points: &[Point], body: &Inside, run: f64, ends: (bool, bool)) -> Stroke {
    let fine = resampled(points, run / 8.0);
    let lengths = along(&fine);
    let (mut from, mut to) = (0, fine.len() - 1);
    let (mut start_mm, mut end_mm) = (0.0, 0.0);
    let is_outside = |p: &Point| !body.has(*p);
    if ends.0
        && let Some(first) = fine.iter().position(is_outside)
    {
        let begins = lengths[first] - run;
        from = lengths.partition_point(|l| *l < begins).min(first);
        start_mm = lengths[first] - lengths[from];
    }
    if ends.1
        && let Some(last) = fine.iter().rposition(is_outside)
    {
        let stops = lengths[last] + run;
        to = lengths.partition_point(|l| *l < stops).min(to);
        end_mm = lengths[to] - lengths[last];
    }
    Stroke::running_out(fine[from..=to].to_vec(), 1.0, start_mm, end_mm)
}

/// Ends of hanging hair along an edge: tips on the edge, round bays between them.
#[derive(Clone, Copy, Debug)]
pub(super) struct Locks {
    /// Depth of the deepest bay, mm.
    pub deep: f64,
    /// Usual width of a lock, mm.
    pub wide: f64,
    /// Which way the hair hangs, unit length.
    pub towards: Vec2,
    /// Which edge: no two look alike.
    pub seed: u32,
}

/// Share of the edge at either end over which locks come in.
const EASES_IN: f64 = 0.08;
/// Shape of a lock's side: 1 is a straight wedge (dog-shape-2.md 5).
const WEDGE: f64 = 0.75;

impl Locks {
    /// The edge with its locks: moved against `towards` only, so that no tip passes the edge and a
    /// graph stays a graph (dog-shape-2.md 5).
    pub(super) fn on(self, edge: &[Point]) -> Vec<Point> {
        let fine = resampled(edge, self.wide / 7.0);
        let lengths = along(&fine);
        let whole = lengths.last().copied().unwrap_or(0.0).max(1e-6);
        #[expect(
            clippy::cast_possible_truncation,
            clippy::cast_sign_loss,
            reason = "an edge has a few dozen locks"
        )]
        let count = ((whole / self.wide.max(1e-3)).round() as u32).clamp(2, 200);
        let mut cuts = vec![0.0];
        for i in 0..count {
            let width = 0.7 + 0.6 * noise(&[self.seed, i, 1]);
            cuts.push(cuts[cuts.len() - 1] + width);
        }
        let scale = whole / cuts[cuts.len() - 1];
        for cut in &mut cuts {
            *cut *= scale;
        }
        let mut lock = 0;
        fine.iter()
            .zip(&lengths)
            .map(|(p, at)| {
                while lock + 2 < cuts.len() && cuts[lock + 1] < *at {
                    lock += 1;
                }
                let u = (at - cuts[lock]) / (cuts[lock + 1] - cuts[lock]);
                let size = 0.45 + 0.55 * noise(&[self.seed, u32::try_from(lock).unwrap_or(0), 2]);
                let ease = (at.min(whole - at) / (EASES_IN * whole)).min(1.0);
                let tip = 1.0 - (2.0 * u - 1.0).abs().powf(WEDGE);
                *p - self.towards * (self.deep * size * ease * (1.0 - tip))
            })
            .collect()
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    fn square() -> Vec<Point> {
        [(0.0, 0.0), (10.0, 0.0), (10.0, 10.0), (0.0, 10.0)]
            .map(Point::from)
            .to_vec()
    }

    #[test]
    fn a_leg_s_line_runs_out_inside_the_body() {
        let line = [Point::new(5.0, 30.0), Point::new(5.0, -20.0)];
        let stroke = faded(&line, &Inside::of(&square()), 4.0, (false, true));
        // From 30 down, 10 is the body's edge on the way in, 0 on the way out: the last outside
        // stretch is below it.
        assert!((stroke.points[0].y - 30.0).abs() < 1e-9);
        assert!((stroke.points[stroke.points.len() - 1].y + 20.0).abs() < 1e-9);
        let half = [Point::new(5.0, 5.0), Point::new(5.0, -20.0)];
        let stroke = faded(&half, &Inside::of(&square()), 4.0, (true, false));
        assert!(
            (stroke.points[0].y - 4.0).abs() < 0.6,
            "{:?}",
            stroke.points[0]
        );
        assert!((stroke.start_mm - 4.0).abs() < 0.6);
    }

    /// By the definition, edge for edge: a spiral of many turns, asked on a grid that reaches beyond it.
    #[test]
    fn bands_tell_inside_as_all_edges_do() {
        let outline: Vec<Point> = (0..400)
            .map(|i| {
                let turn = f64::from(i) * 0.23;
                Point::ORIGIN + Vec2::from_angle(turn) * (20.0 + 60.0 * (turn * 1.7).sin().abs())
            })
            .collect();
        let inside = Inside::of(&outline);
        let mut found = 0;
        for x in -45..45 {
            for y in -45..45 {
                let at = Point::new(2.1 * f64::from(x), 2.1 * f64::from(y));
                assert_eq!(inside.has(at), is_within(at, edges(&outline)), "{at:?}");
                found += u32::from(inside.has(at));
            }
        }
        assert!((500..7_600).contains(&found), "{found} of 8100");
        assert!(!Inside::of(&[]).has(Point::ORIGIN));
    }

    #[test]
    fn no_lock_hangs_below_its_edge() {
        let edge = [Point::new(0.0, 0.0), Point::new(200.0, 0.0)];
        let locks = Locks {
            deep: 10.0,
            wide: 20.0,
            towards: Vec2::new(0.0, -1.0),
            seed: 3,
        };
        let hem = locks.on(&edge);
        assert!(hem.iter().all(|p| (0.0..=10.0 + 1e-9).contains(&p.y)));
        assert!(hem.iter().any(|p| p.y > 4.0) && hem.iter().any(|p| p.y < 0.5));
        assert!(hem.windows(2).all(|w| w[1].x > w[0].x));
    }

    #[test]
    fn distance_to_an_outline_has_its_sign() {
        assert!((outside_mm(Point::new(5.0, 13.0), &square()) - 3.0).abs() < 1e-9);
        assert!((outside_mm(Point::new(5.0, 8.0), &square()) + 2.0).abs() < 1e-9);
        assert!(outside_mm(Point::ZERO, &[]).is_infinite());
    }
}
