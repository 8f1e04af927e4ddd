use kurbo::{Point, Vec2};

/// Drops points that lie within `tolerance` of the line through their neighbours, and rounds to a tenth of a
/// millimetre.
///
/// # Units and shapes
/// Open or closed polyline, mm; returns x, y, x, y, …
pub(super) fn simplified(points: &[Point], tolerance: f64) -> Vec<f64> {
    points
        .iter()
        .zip(kept(points, tolerance))
        .filter(|(_, kept)| *kept)
        .flat_map(|(p, _)| [tenth(p.x), tenth(p.y)])
        .collect()
}

/// Which points stay where those within `tolerance` of the line through their neighbours go.
///
/// # References
/// Ramer (1972); Douglas and Peucker (1973), from memory.
pub(super) fn kept(points: &[Point], tolerance: f64) -> Vec<bool> {
    let mut keep = vec![false; points.len()];
    let Some(last) = points.len().checked_sub(1) else {
        return keep;
    };
    keep[0] = true;
    keep[last] = true;
    let mut stack = vec![(0, last)];
    while let Some((a, b)) = stack.pop() {
        let run = Run::between(points[a], points[b]);
        let mut far = (a, tolerance * tolerance * run.length_sq);
        for (i, point) in points.iter().enumerate().take(b).skip(a + 1) {
            let distance = run.distance_scaled(*point);
            // Of two as far the later, as long as one is too far at all.
            if distance > far.1 || far.0 > a && distance >= far.1 {
                far = (i, distance);
            }
        }
        let (i, _) = far;
        if i > a {
            keep[i] = true;
            stack.push((a, i));
            stack.push((i, b));
        }
    }
    keep
}

/// A segment that many points are held against.
struct Run {
    from: Point,
    along: Vec2,
    length_sq: f64,
}

impl Run {
    fn between(from: Point, to: Point) -> Self {
        let along = to - from;
        Self {
            from,
            along,
            length_sq: along.hypot2().max(1e-12),
        }
    }

    /// Squared distance of a point, times the run's own squared length: the same for all that are compared,
    /// and no division in the innermost of loops.
    fn distance_scaled(&self, p: Point) -> f64 {
        let out = p - self.from;
        let ahead = out.dot(self.along);
        if ahead <= 0.0 {
            out.hypot2() * self.length_sq
        } else if ahead >= self.length_sq {
            (out - self.along).hypot2() * self.length_sq
        } else {
            let aside = out.cross(self.along);
            aside * aside
        }
    }
}

/// Points to a tenth of a millimetre: x, y, x, y, …
pub(super) fn tenths(points: &[Point]) -> Vec<f64> {
    let each = points.iter().flat_map(|p| [tenth(p.x), tenth(p.y)]);
    each.collect()
}

pub(super) fn tenth(mm: f64) -> f64 {
    (mm * 10.0).round() / 10.0 + 0.0
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn a_straight_line_keeps_its_ends_and_a_corner_stays() {
        let line: Vec<Point> = (0..=20)
            .map(|i| Point::new(f64::from(i), f64::from((i - 10).max(0))))
            .collect();
        assert_eq!(
            simplified(&line, 0.05),
            vec![0.0, 0.0, 10.0, 0.0, 20.0, 10.0]
        );
    }
}
