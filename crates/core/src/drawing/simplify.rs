use kurbo::{Point, Vec2};

/// Drops points that lie within `tolerance` of the line through their neighbours, and rounds to a tenth of a
/// millimetre.
///
/// # Units and shapes
/// Open or closed polyline, mm, each coordinate times its sign; returns x, y, x, y, …
pub(super) fn simplified(points: &[Point], signs: (f64, f64), tolerance: f64) -> Vec<f64> {
    let kept = kept(points, tolerance);
    let mut flat = Vec::with_capacity(2 * kept.iter().filter(|kept| **kept).count());
    for (p, _) in points.iter().zip(kept).filter(|(_, kept)| *kept) {
        flat.push(tenth(signs.0 * p.x));
        flat.push(tenth(signs.1 * p.y));
    }
    flat
}

/// Which points stay where those within `tolerance` of the line through their neighbours go.
///
/// One walk along the line: from the last point kept, a ray must pass all since within the tolerance; the
/// first point outside what is left of those rays keeps the one before it.
///
/// # References
/// Williams (1978); Sklansky and Gonzalez (1980), from memory.
pub(super) fn kept(points: &[Point], tolerance: f64) -> Vec<bool> {
    let mut keep = vec![false; points.len()];
    let Some(last) = points.len().checked_sub(1) else {
        return keep;
    };
    keep[0] = true;
    keep[last] = true;
    let mut rays = Rays::from(points[0]);
    // The furthest from the last kept, and where the walk goes on.
    let (mut furthest, mut i) = ((0, 0.0), 1);
    while i <= last {
        let distance = points[i].distance(rays.from);
        let stands = if distance < furthest.1 - tolerance {
            // The line has turned back: no run ends short of where it has been.
            Some(furthest.0)
        } else if rays.reach(points[i], distance, tolerance) {
            None
        } else {
            Some(i - 1)
        };
        if let Some(stands) = stands {
            keep[stands] = true;
            rays = Rays::from(points[stands]);
            furthest = (stands, 0.0);
            i = stands + 1;
            continue;
        }
        if distance > furthest.1 {
            furthest = (i, distance);
        }
        i += 1;
    }
    keep
}

/// The directions from a point in which a straight run passes near enough to all it was shown.
struct Rays {
    from: Point,
    /// The outermost, clockwise and anticlockwise; none as long as all will do.
    between: Option<(Vec2, Vec2)>,
}

impl Rays {
    const fn from(from: Point) -> Self {
        Self {
            from,
            between: None,
        }
    }

    /// Whether a run may end here; narrows the rays to those that pass it within `tolerance`.
    fn reach(&mut self, point: Point, distance: f64, tolerance: f64) -> bool {
        let way = point - self.from;
        if let Some((right, left)) = self.between
            && (right.cross(way) < 0.0 || way.cross(left) < 0.0)
        {
            return false;
        }
        if distance <= tolerance {
            return true;
        }
        // Aside by as much, a ray passes a hair nearer than the tolerance.
        let aside = Vec2::new(-way.y, way.x) * (tolerance / distance);
        let (mut right, mut left) = (way - aside, way + aside);
        if let Some((to_right, to_left)) = self.between {
            if to_right.cross(right) < 0.0 {
                right = to_right;
            }
            if to_left.cross(left) > 0.0 {
                left = to_left;
            }
        }
        self.between = Some((right, left));
        true
    }
}

/// Points to a tenth of a millimetre: x, y, x, y, …
pub(super) fn tenths(points: &[Point]) -> Vec<f64> {
    let mut flat = Vec::with_capacity(2 * points.len());
    for p in points {
        flat.push(tenth(p.x));
        flat.push(tenth(p.y));
    }
    flat
}

pub(super) fn tenth(mm: f64) -> f64 {
    // Every number of a drawing comes by here: a cast is quicker than the library's rounding.
    #[expect(
        clippy::cast_possible_truncation,
        clippy::cast_precision_loss,
        reason = "tenths of a drawing's millimetres are far from a whole number's end"
    )]
    let tenths = (mm * 10.0 + 0.5_f64.copysign(mm)) as i64 as f64;
    tenths / 10.0
}

#[cfg(test)]
mod tests {
    use kurbo::{Line, ParamCurveNearest as _};

    use super::*;

    /// By the definition: what is dropped lies by the run that stands for it. Half a tolerance more at a
    /// run's very end, which the line may overshoot before it turns. Straight, curled, jagged, there and back.
    #[test]
    fn what_is_dropped_lies_by_what_stays() {
        let each = |of: &dyn Fn(f64) -> Point| (0..=600).map(|i| of(f64::from(i))).collect();
        let lines: [Vec<Point>; 4] = [
            each(&|i| Point::new(i, 0.002 * i * i)),
            each(&|i| Point::ORIGIN + Vec2::from_angle(0.05 * i) * (5.0 + 0.1 * i)),
            each(&|i| Point::new(0.3 * i, (i * 1.7).sin() * (i % 40.0) * 0.05)),
            each(&|i| Point::new((0.02 * i).sin() * 100.0, 0.01 * i)),
        ];
        for (line, tolerance) in lines.iter().flat_map(|l| [(l, 0.05), (l, 0.4)]) {
            let keep = kept(line, tolerance);
            let places: Vec<usize> = (0..line.len()).filter(|i| keep[*i]).collect();
            assert!(places.len() < line.len());
            for run in places.windows(2) {
                let straight = Line::new(line[run[0]], line[run[1]]);
                for point in &line[run[0]..=run[1]] {
                    let off = straight.nearest(*point, 1e-6).distance_sq.sqrt();
                    assert!(off <= 1.5 * tolerance, "{off} for {tolerance}");
                }
            }
        }
    }

    #[test]
    fn a_straight_line_keeps_its_ends_and_a_corner_stays() {
        let line: Vec<Point> = (0..=20)
            .map(|i| Point::new(f64::from(i), f64::from((i - 10).max(0))))
            .collect();
        assert_eq!(
            simplified(&line, (1.0, 1.0), 0.05),
            vec![0.0, 0.0, 10.0, 0.0, 20.0, 10.0]
        );
    }
}
