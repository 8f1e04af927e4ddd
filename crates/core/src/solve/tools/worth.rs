//! What lengths are worth without a solve: the programme's value in closed form.

use crate::balance::{BalancePoint, GIVES_UP_AT, Subject};
use crate::solve::lengths::{Sought, floors_mm};

/// The programme's value of any set of lengths, all but the price of a change between clipped
/// neighbours: that is what the tools' own dues are for (balance-model-2.md 3).
#[derive(Clone, Debug)]
pub(super) struct Worth {
    spots: usize,
    /// Dense and symmetric, per mm².
    curve: Vec<f64>,
    /// Per mm.
    slope: Vec<f64>,
    /// Floor in mm and price per mm² under it.
    floors: Vec<Option<(f64, f64)>>,
    points: Vec<Point>,
}

/// A judged point in tolerances.
#[derive(Clone, Debug)]
struct Point {
    weight: f64,
    gives_up: bool,
    over: Vec<Over>,
}

/// One of its sides: `rest + Σ coefficient × length`, in tolerances.
#[derive(Clone, Debug)]
struct Over {
    rest: f64,
    coefficients: Vec<f64>,
}

impl Point {
    fn new(point: &BalancePoint) -> Self {
        let per = 1.0 / point.tolerance_mm;
        let over = point.over.iter().map(|expr| Over {
            rest: expr.rest() * per,
            coefficients: expr.coefficients().iter().map(|c| c * per).collect(),
        });
        Self {
            weight: point.weight,
            gives_up: point.judged.rule().gives_up,
            over: over.collect(),
        }
    }

    fn cost(&self, off: f64) -> f64 {
        let off = off.max(0.0);
        let cost = if self.gives_up && off > GIVES_UP_AT {
            2.0 * GIVES_UP_AT * off - GIVES_UP_AT * GIVES_UP_AT
        } else {
            off * off
        };
        self.weight * cost
    }
}

/// The points that some spots move, with how: for pricing a change there alone.
#[derive(Clone, Debug)]
pub(super) struct Touched {
    spots: Vec<usize>,
    points: Vec<TouchedPoint>,
}

#[derive(Clone, Debug)]
struct TouchedPoint {
    point: usize,
    /// One row a side of the point, one coefficient a spot.
    by_spot: Vec<Vec<f64>>,
}

impl Worth {
    pub(super) fn new(sought: &Sought, subject: &Subject) -> Self {
        let (curve, slope) = sought.programme().smooth();
        let mut floors = vec![None; subject.len()];
        for (i, floor, price) in floors_mm(subject) {
            floors[i] = Some((floor, price));
        }
        Self {
            spots: subject.len(),
            curve,
            slope,
            floors,
            points: sought.aimed.iter().map(Point::new).collect(),
        }
    }

    /// The points that spots move.
    pub(super) fn touched_by(&self, spots: &[usize]) -> Touched {
        let moves = |over: &Over| spots.iter().any(|i| over.coefficients[*i] != 0.0);
        let points = self.points.iter().enumerate();
        let points = points.filter(|(_, point)| point.over.iter().any(moves));
        let points = points.map(|(number, point)| {
            let of_spots = |over: &Over| spots.iter().map(|i| over.coefficients[*i]).collect();
            TouchedPoint {
                point: number,
                by_spot: point.over.iter().map(of_spots).collect(),
            }
        });
        Touched {
            points: points.collect(),
            spots: spots.to_vec(),
        }
    }

    /// The dog with these lengths, one a spot, mm.
    pub(super) fn standing(&self, lengths_mm: Vec<f64>) -> Standing<'_> {
        let n = self.spots;
        let pull: Vec<f64> = (0..n)
            .map(|i| {
                let row = &self.curve[i * n..(i + 1) * n];
                self.slope[i] + row.iter().zip(&lengths_mm).map(|(q, l)| q * l).sum::<f64>()
            })
            .collect();
        let of_row = |over: &Over| {
            let moved = over.coefficients.iter().zip(&lengths_mm);
            over.rest + moved.map(|(c, l)| c * l).sum::<f64>()
        };
        let over: Vec<Vec<f64>> = self
            .points
            .iter()
            .map(|point| point.over.iter().map(of_row).collect())
            .collect();
        let costs: Vec<f64> = self
            .points
            .iter()
            .zip(&over)
            .map(|(point, over)| point.cost(worst(over.iter().copied())))
            .collect();
        let smooth: f64 = lengths_mm
            .iter()
            .zip(pull.iter().zip(&self.slope))
            .map(|(l, (pull, slope))| 0.5 * l * (pull + slope))
            .sum();
        let floors: f64 = (0..n).map(|i| self.under(i, lengths_mm[i])).sum();
        Standing {
            value: costs.iter().sum::<f64>() + smooth + floors,
            worth: self,
            lengths_mm,
            pull,
            over,
            costs,
        }
    }

    /// What lying under a spot's floor costs.
    fn under(&self, spot: usize, mm: f64) -> f64 {
        self.floors[spot].map_or(0.0, |(floor, price)| {
            let short = (floor - mm).max(0.0);
            price * short * short
        })
    }
}

fn worst(over: impl Iterator<Item = f64>) -> f64 {
    over.fold(0.0, f64::max)
}

/// A dog with lengths on it, so laid out that a change at a few spots is priced by them alone.
#[derive(Clone, Debug)]
pub(super) struct Standing<'a> {
    worth: &'a Worth,
    /// Length at every spot, mm.
    pub(super) lengths_mm: Vec<f64>,
    /// Value of the programme.
    pub(super) value: f64,
    /// Slope of the smooth part at each spot.
    pull: Vec<f64>,
    over: Vec<Vec<f64>>,
    costs: Vec<f64>,
}

impl Standing<'_> {
    /// By how much the value changes with these lengths at the spots touched, in their order.
    pub(super) fn change(&self, touched: &Touched, to_mm: &[f64]) -> f64 {
        let n = self.worth.spots;
        let mut change = 0.0;
        for (a, (i, to)) in touched.spots.iter().zip(to_mm).enumerate() {
            let by = to - self.lengths_mm[*i];
            if by == 0.0 {
                continue;
            }
            let row = &self.worth.curve[i * n..(i + 1) * n];
            // The pairs before this one are counted from here, each once.
            let others: f64 = touched.spots[..a]
                .iter()
                .zip(to_mm)
                .map(|(j, to)| row[*j] * (to - self.lengths_mm[*j]))
                .sum();
            change += by * (self.pull[*i] + others + 0.5 * row[*i] * by);
            change += self.worth.under(*i, *to) - self.worth.under(*i, self.lengths_mm[*i]);
        }
        for point in &touched.points {
            let over = self.over[point.point].iter().zip(&point.by_spot);
            let off = over.map(|(at, by_spot)| {
                let moved = by_spot.iter().zip(touched.spots.iter().zip(to_mm));
                at + moved
                    .map(|(c, (i, to))| c * (to - self.lengths_mm[*i]))
                    .sum::<f64>()
            });
            change += self.worth.points[point.point].cost(worst(off)) - self.costs[point.point];
        }
        change
    }

    /// Gives the spots touched these lengths.
    pub(super) fn put(&mut self, touched: &Touched, to_mm: &[f64]) {
        let n = self.worth.spots;
        self.value += self.change(touched, to_mm);
        for point in &touched.points {
            let over = &mut self.over[point.point];
            for (at, by_spot) in over.iter_mut().zip(&point.by_spot) {
                let moved = by_spot.iter().zip(touched.spots.iter().zip(to_mm));
                *at += moved
                    .map(|(c, (i, to))| c * (to - self.lengths_mm[*i]))
                    .sum::<f64>();
            }
            self.costs[point.point] =
                self.worth.points[point.point].cost(worst(over.iter().copied()));
        }
        for (i, to) in touched.spots.iter().zip(to_mm) {
            let by = to - self.lengths_mm[*i];
            for (pull, q) in self
                .pull
                .iter_mut()
                .zip(&self.worth.curve[i * n..(i + 1) * n])
            {
                *pull += q * by;
            }
            self.lengths_mm[*i] = *to;
        }
    }
}

#[cfg(test)]
mod tests {
    use super::*;
    use approx::assert_abs_diff_eq;

    /// Two spots, curvature and slope by hand: ½(2a² + 2ab + 4b²) − a, one point 3 over at
    /// a + b = 0 that loses a tolerance a millimetre of a, a floor of 2 mm under b.
    fn by_hand() -> Worth {
        Worth {
            spots: 2,
            curve: vec![2.0, 1.0, 1.0, 4.0],
            slope: vec![-1.0, 0.0],
            floors: vec![None, Some((2.0, 10.0))],
            points: vec![Point {
                weight: 2.0,
                gives_up: true,
                over: vec![Over {
                    rest: 3.0,
                    coefficients: vec![-1.0, 0.0],
                }],
            }],
        }
    }

    fn value(a: f64, b: f64) -> f64 {
        let off = (3.0 - a).max(0.0);
        let point = if off > 2.0 {
            4.0 * off - 4.0
        } else {
            off * off
        };
        let short = (2.0 - b).max(0.0);
        a * a + a * b + 2.0 * b * b - a + 2.0 * point + 10.0 * short * short
    }

    #[test]
    fn a_change_is_worth_what_the_whole_is_worth_after_it_less_before() {
        let worth = by_hand();
        let mut dog = worth.standing(vec![0.5, 1.0]);
        assert_abs_diff_eq!(dog.value, value(0.5, 1.0), epsilon = 1e-12);
        let both = worth.touched_by(&[1, 0]);
        let change = value(2.0, 3.0) - value(0.5, 1.0);
        assert_abs_diff_eq!(dog.change(&both, &[3.0, 2.0]), change, epsilon = 1e-12);
        dog.put(&both, &[3.0, 2.0]);
        assert_abs_diff_eq!(dog.value, value(2.0, 3.0), epsilon = 1e-12);
        let first = worth.touched_by(&[0]);
        let change = value(4.0, 3.0) - value(2.0, 3.0);
        assert_abs_diff_eq!(dog.change(&first, &[4.0]), change, epsilon = 1e-12);
    }
}
