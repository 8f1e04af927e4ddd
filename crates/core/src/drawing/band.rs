//! Parts of a drawn piece between straight lines: a zone seen on end is what of its own piece lies there.

use std::ops::RangeInclusive;

use kurbo::Point;

/// Fewer corners are no area.
const LEAST_CORNERS: usize = 3;

/// A span without an end on one side or both.
pub(super) const ALL: RangeInclusive<f64> = f64::NEG_INFINITY..=f64::INFINITY;

/// What of a closed outline lies between two pairs of lines along the page's axes; nothing where none does.
///
/// # Units and shapes
/// mm on the view's own plane.
///
/// # References
/// Sutherland and Hodgman, *Reentrant polygon clipping* (1974), from memory: one line at a time.
pub(super) fn within(
    outline: &[Point],
    across: &RangeInclusive<f64>,
    up: &RangeInclusive<f64>,
) -> Option<Vec<Point>> {
    let sides: [(f64, f64, f64); 4] = [
        (1.0, 0.0, *across.start()),
        (-1.0, 0.0, -across.end()),
        (0.0, 1.0, *up.start()),
        (0.0, -1.0, -up.end()),
    ];
    let left = sides
        .into_iter()
        .filter(|(_, _, least)| least.is_finite())
        .fold(outline.to_vec(), |area, (x, y, least)| {
            beyond(&area, |p| x * p.x + y * p.y - least)
        });
    (left.len() >= LEAST_CORNERS).then_some(left)
}

/// What of an area lies where a linear measure of its points is not negative.
fn beyond(area: &[Point], measure: impl Fn(Point) -> f64) -> Vec<Point> {
    let mut kept = Vec::with_capacity(area.len() + LEAST_CORNERS);
    let before = area.iter().cycle().skip(area.len().saturating_sub(1));
    for (from, to) in before.zip(area) {
        let (a, b) = (measure(*from), measure(*to));
        if (a < 0.0) != (b < 0.0) {
            kept.push(from.lerp(*to, a / (a - b)));
        }
        if b >= 0.0 {
            kept.push(*to);
        }
    }
    kept
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::shape::curve::signed_area;

    fn square() -> Vec<Point> {
        [(0.0, 0.0), (10.0, 0.0), (10.0, 10.0), (0.0, 10.0)]
            .map(Point::from)
            .to_vec()
    }

    /// Two bands that meet share the square out between them.
    #[test]
    fn bands_share_an_area_out() {
        let low = within(&square(), &ALL, &(f64::NEG_INFINITY..=4.0)).expect("there");
        let high = within(&square(), &ALL, &(4.0..=f64::INFINITY)).expect("there");
        assert!((signed_area(&low) - 40.0).abs() < 1e-9);
        assert!((signed_area(&high) - 60.0).abs() < 1e-9);
        let corner = within(&square(), &(7.0..=20.0), &(-5.0..=2.0)).expect("there");
        assert!((signed_area(&corner) - 6.0).abs() < 1e-9);
        assert_eq!(within(&square(), &(11.0..=20.0), &ALL), None);
    }
}
