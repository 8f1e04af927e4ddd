use kurbo::Point;

/// Drops points that lie within `tolerance` of the line through their neighbours
/// (Ramer, Douglas and Peucker), and rounds to a tenth of a millimetre.
///
/// # Units and shapes
/// Open or closed polyline, mm; returns x, y, x, y, …
pub(super) fn simplified(points: &[Point], tolerance: f64) -> Vec<f64> {
    let mut keep = vec![false; points.len()];
    if let (Some(first), Some(last)) = (keep.first().copied(), points.len().checked_sub(1)) {
        debug_assert!(!first);
        keep[0] = true;
        keep[last] = true;
        let mut stack = vec![(0, last)];
        while let Some((a, b)) = stack.pop() {
            let far = (a + 1..b)
                .map(|i| (i, distance_sq(points[i], points[a], points[b])))
                .max_by(|x, y| x.1.total_cmp(&y.1));
            if let Some((i, distance)) = far
                && distance > tolerance * tolerance
            {
                keep[i] = true;
                stack.push((a, i));
                stack.push((i, b));
            }
        }
    }
    points
        .iter()
        .zip(keep)
        .filter(|(_, kept)| *kept)
        .flat_map(|(p, _)| [tenth(p.x), tenth(p.y)])
        .collect()
}

/// Squared distance of a point from a segment.
fn distance_sq(p: Point, a: Point, b: Point) -> f64 {
    let along = b - a;
    let t = ((p - a).dot(along) / along.hypot2().max(1e-12)).clamp(0.0, 1.0);
    (p - (a + along * t)).hypot2()
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
