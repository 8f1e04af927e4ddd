use kurbo::{Point, Vec2};

/// Share of the skin distance that neighbouring edge points keep at full reach (dog-shape.md 7).
const KEEP: f64 = 0.35;

/// One station of a run, as the hollow rule needs it.
#[derive(Clone, Copy, Debug)]
pub(super) struct RunStation {
    pub position: Point,
    /// Reach of the hair, mm.
    pub reach_mm: f64,
    pub firmness: f64,
    /// Only the part of the run ahead counts for the tangent (the withers, towards the back).
    pub looks_ahead: bool,
}

/// Hair directions along an open run: the outward normals, turned apart in hollows.
///
/// In a hollow the normals of neighbours lean towards each other and long hair would cross. The
/// directions nearest to the normals (least squares by firmness) that do not cross within the
/// reach come from an isotonic regression, by pooling adjacent violators: exact, linear time.
///
/// # Units and shapes
/// Anticlockwise run on a right-handed page; returns one unit vector per station.
///
/// # References
/// dog-shape.md 7 (our modelling choice).
pub(super) fn hair_directions(run: &[RunStation]) -> Vec<Vec2> {
    let n = run.len();
    let unit = |v: Vec2| v / v.hypot().max(1e-9);
    let mut angles: Vec<f64> = Vec::with_capacity(n);
    for i in 0..n {
        let back = if i > 0 {
            unit(run[i].position - run[i - 1].position)
        } else {
            Vec2::ZERO
        };
        let ahead = if i + 1 < n {
            unit(run[i + 1].position - run[i].position)
        } else {
            Vec2::ZERO
        };
        let mut tangent = if run[i].looks_ahead {
            ahead
        } else {
            back + ahead
        };
        if tangent.hypot() < 1e-6 {
            tangent = Vec2::new(-back.y, back.x);
        }
        let mut angle = (-tangent.x).atan2(tangent.y);
        if let Some(&previous) = angles.last() {
            let turn = std::f64::consts::TAU;
            angle += ((previous - angle) / turn).round() * turn;
        }
        angles.push(angle);
    }
    let mut shift = vec![0.0; n];
    for i in 1..n {
        let gap = run[i].position.distance(run[i - 1].position);
        let reach = run[i].reach_mm.max(run[i - 1].reach_mm).max(1e-3);
        shift[i] = shift[i - 1] + (1.0 - KEEP) * gap / reach;
    }
    let raised: Vec<f64> = angles.iter().zip(&shift).map(|(a, s)| a + s).collect();
    let weights: Vec<f64> = run.iter().map(|s| s.firmness).collect();
    never_falling(&raised, &weights)
        .iter()
        .zip(&shift)
        .map(|(a, s)| Vec2::from_angle(a - s))
        .collect()
}

/// The nearest never-falling sequence (weighted least squares), by pooling adjacent violators.
fn never_falling(values: &[f64], weights: &[f64]) -> Vec<f64> {
    let mut pools: Vec<(f64, f64, usize)> = Vec::with_capacity(values.len());
    for (&value, &weight) in values.iter().zip(weights) {
        let mut pool = (value, weight, 1);
        while let Some(&before) = pools.last() {
            if before.0 <= pool.0 {
                break;
            }
            pools.pop();
            let weight = before.1 + pool.1;
            let mean = (before.0 * before.1 + pool.0 * pool.1) / weight;
            pool = (mean, weight, before.2 + pool.2);
        }
        pools.push(pool);
    }
    pools
        .iter()
        .flat_map(|&(value, _, count)| std::iter::repeat_n(value, count))
        .collect()
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn pooling_gives_the_known_answer_of_a_small_case() {
        // By hand: 3 and 1 violate, mean 2; then 2 fits between.
        assert_eq!(
            never_falling(&[1.0, 3.0, 1.0, 4.0], &[1.0; 4]),
            vec![1.0, 2.0, 2.0, 4.0]
        );
        // Weight 3 on the 3: (9 + 1) / 4.
        assert_eq!(
            never_falling(&[1.0, 3.0, 1.0, 4.0], &[1.0, 3.0, 1.0, 1.0]),
            vec![1.0, 2.5, 2.5, 4.0]
        );
    }

    #[test]
    fn hair_in_a_sharp_hollow_does_not_cross_within_its_reach() {
        let at = |x: f64, y: f64| RunStation {
            position: Point::new(x, y),
            reach_mm: 60.0,
            firmness: 1.0,
            looks_ahead: false,
        };
        // A right-angled hollow, travelled so that the outside is in the corner.
        let run = [
            at(0.0, 60.0),
            at(0.0, 30.0),
            at(0.0, 0.0),
            at(-30.0, 0.0),
            at(-60.0, 0.0),
        ];
        let hair = hair_directions(&run);
        for i in 1..run.len() {
            let skin = run[i].position - run[i - 1].position;
            let edge = skin + 60.0 * (hair[i] - hair[i - 1]);
            assert!(
                skin.dot(edge) > 0.0,
                "the edge runs back between {} and {i}",
                i - 1
            );
        }
    }
}
