use kurbo::{Point, Vec2};

/// Samples a span of a curve is cut into; enough on screen (dog-shape.md 3).
pub const SAMPLES: usize = 12;

/// Closed centripetal Catmull-Rom through the points (pyramid form, exponent ½).
///
/// # Units and shapes
/// Points in mm, in order, not repeated at the end; returns `points.len() * samples` points,
/// starting at the first and hitting every one of them.
///
/// # References
/// dog-shape.md 3; Barry and Goldman's pyramid (from memory).
pub fn closed(points: &[Point], samples: usize) -> Vec<Point> {
    let n = points.len();
    let at = |i: usize| points[i % n];
    let mut curve = Vec::with_capacity(n * samples);
    for i in 0..n {
        sample_span(
            [at(i + n - 1), at(i), at(i + 1), at(i + 2)],
            samples,
            &mut curve,
        );
    }
    curve
}

/// Open centripetal Catmull-Rom; the missing end neighbour mirrors the second point in the first.
///
/// # Units and shapes
/// At least two points in mm; returns `(points.len() - 1) * samples + 1` points.
pub fn open(points: &[Point], samples: usize) -> Vec<Point> {
    let n = points.len();
    if n < 2 {
        return points.to_vec();
    }
    let mirror = |end: Point, next: Point| Point::new(2.0 * end.x - next.x, 2.0 * end.y - next.y);
    let first = mirror(points[0], points[1]);
    let last = mirror(points[n - 1], points[n - 2]);
    let at = |i: isize| match usize::try_from(i) {
        Err(_) => first,
        Ok(i) if i >= n => last,
        Ok(i) => points[i],
    };
    let mut curve = Vec::with_capacity((n - 1) * samples + 1);
    for i in 0..n.cast_signed() - 1 {
        sample_span(
            [at(i - 1), at(i), at(i + 1), at(i + 2)],
            samples,
            &mut curve,
        );
    }
    curve.push(points[n - 1]);
    curve
}

/// One span, from the second point to the third. The pyramid over four knots is a cubic: it is laid
/// out once by its ends and end tangents, and only the cubic is evaluated at every sample.
fn sample_span(p: [Point; 4], samples: usize, curve: &mut Vec<Point>) {
    let knot = |a: Point, b: Point| a.distance(b).sqrt().max(1e-6);
    let [before, here, after] = [knot(p[0], p[1]), knot(p[1], p[2]), knot(p[2], p[3])];
    let along = p[2] - p[1];
    let tangent = |from: Vec2, over: f64, whole: Vec2| {
        from * (here / over) - whole * (here / (over + here)) + along
    };
    let leaving = tangent(p[1] - p[0], before, p[2] - p[0]);
    let arriving = tangent(p[3] - p[2], after, p[3] - p[1]);
    // Hermite's cubic in powers of u.
    let square = 3.0 * along - 2.0 * leaving - arriving;
    let cube = leaving + arriving - 2.0 * along;
    curve.extend((0..samples).map(|i| {
        let u = i as f64 / samples as f64;
        p[1] + u * (leaving + u * (square + u * cube))
    }));
}

/// Rounds the corners of an open polyline by quadratic arcs that start `share` of the shorter
/// side from the corner (dog-shape.md 9).
pub fn rounded(points: &[Point], share: f64) -> Vec<Point> {
    let (Some(&first), Some(&last)) = (points.first(), points.last()) else {
        return Vec::new();
    };
    let mut out = vec![first];
    for corner in points.windows(3) {
        let (a, b, c) = (corner[0], corner[1], corner[2]);
        let reach = share * a.distance(b).min(c.distance(b));
        let towards = |end: Point| {
            let v = end - b;
            b + v * (reach / v.hypot().max(1e-9))
        };
        let (p, q) = (towards(a), towards(c));
        for i in 0..=6 {
            let t = f64::from(i) / 6.0;
            out.push(p.lerp(b, t).lerp(b.lerp(q, t), t));
        }
    }
    out.push(last);
    out
}

/// A closed oval about a place, half so long along either axis, with so many corners, mm.
pub fn oval(centre: Point, half: Vec2, corners: usize) -> Vec<Point> {
    (0..corners)
        .map(|i| Vec2::from_angle(std::f64::consts::TAU * i as f64 / corners as f64))
        .map(|turn| centre + Vec2::new(turn.x * half.x, turn.y * half.y))
        .collect()
}

/// Signed area of a closed polygon, mm²; positive when it runs anticlockwise.
pub fn signed_area(points: &[Point]) -> f64 {
    let n = points.len();
    (0..n)
        .map(|i| {
            let (a, b) = (points[i], points[(i + 1) % n]);
            a.x * b.y - b.x * a.y
        })
        .sum::<f64>()
        / 2.0
}

#[cfg(test)]
mod tests {
    use super::*;
    use approx::assert_abs_diff_eq;
    use kurbo::{BezPath, ParamCurveArclen, Shape};

    fn circle(n: usize, r: f64) -> Vec<Point> {
        (0..n)
            .map(|i| {
                let a = std::f64::consts::TAU * i as f64 / n as f64;
                Point::new(r * a.cos(), r * a.sin())
            })
            .collect()
    }

    #[test]
    fn the_curve_goes_through_every_station() {
        let stations = circle(7, 100.0);
        let curve = closed(&stations, SAMPLES);
        for (i, station) in stations.iter().enumerate() {
            assert_abs_diff_eq!(curve[i * SAMPLES].distance(*station), 0.0, epsilon = 1e-9);
        }
    }

    /// Barry and Goldman's pyramid of straight mixes, as they give it (from memory).
    #[test]
    fn a_span_is_the_pyramid_of_straight_mixes() {
        let p = [(0.0, 0.0), (10.0, 40.0), (55.0, 30.0), (60.0, -20.0)].map(Point::from);
        let knot = |a: Point, b: Point| a.distance(b).sqrt();
        let mut t = [0.0; 4];
        for i in 1..4 {
            t[i] = t[i - 1] + knot(p[i - 1], p[i]);
        }
        let mut curve = Vec::new();
        sample_span(p, SAMPLES, &mut curve);
        for (i, got) in curve.into_iter().enumerate() {
            let at = t[1] + (t[2] - t[1]) * i as f64 / SAMPLES as f64;
            let mix = |a: Point, b: Point, from: f64, to: f64| a.lerp(b, (at - from) / (to - from));
            let a = [0, 1, 2].map(|k| mix(p[k], p[k + 1], t[k], t[k + 1]));
            let b = [0, 1].map(|k| mix(a[k], a[k + 1], t[k], t[k + 2]));
            assert_abs_diff_eq!(
                got.distance(mix(b[0], b[1], t[1], t[2])),
                0.0,
                epsilon = 1e-9
            );
        }
    }

    /// The area against `geo`, the circumference against kurbo's own arc length of a circle.
    #[test]
    fn area_and_length_agree_with_two_geometry_libraries() {
        use geo::Area as _;
        let curve = closed(&circle(24, 100.0), SAMPLES);
        let ring: geo::LineString = curve.iter().map(|p| (p.x, p.y)).collect();
        let other = geo::Polygon::new(ring, vec![]).signed_area();
        assert_abs_diff_eq!(signed_area(&curve), other, epsilon = 1e-6);

        let mut path = BezPath::new();
        path.move_to(curve[0]);
        for p in curve.iter().skip(1) {
            path.line_to(*p);
        }
        path.close_path();
        let round: f64 = kurbo::Circle::new((0.0, 0.0), 100.0)
            .to_path(1e-6)
            .segments()
            .map(|s| s.arclen(1e-6))
            .sum();
        let ours: f64 = path.segments().map(|s| s.arclen(1e-6)).sum();
        assert_abs_diff_eq!(ours, round, epsilon = 0.5);
    }

    #[test]
    fn a_rounded_corner_stays_inside_the_corner() {
        let l = [(0.0, 10.0), (0.0, 0.0), (10.0, 0.0)].map(Point::from);
        let out = rounded(&l, 0.4);
        assert!(out.iter().all(|p| p.x >= 0.0 && p.y >= 0.0));
        assert!(out.iter().all(|p| *p != Point::ZERO));
    }
}
