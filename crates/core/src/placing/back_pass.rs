use crate::balance::{BalancePoint, Place, Subject};
use crate::look::{LineName, LineStop};
use crate::shape::{Station as S, TOPLINE};
use crate::solve::{Accuracy, Programme, SolveError, programme};

/// Stations of one pass hold (nearly) one length: cost of a difference of 0.02 H (balance-model.md
/// 10).
const ONE_LENGTH: f64 = 60.0;
const ONE_LENGTH_UNIT: f64 = 0.02;
/// Cost of a second length along the back.
const SECOND_LENGTH: f64 = 0.35;

/// Where the shorter length along the back begins, with what each place costs.
#[derive(Clone, Debug, PartialEq)]
pub struct BackPass {
    /// The cheapest.
    pub stop: LineStop,
    /// Cost of every place over the cheapest, in balance.
    pub costs: Vec<(LineStop, f64)>,
}

/// Places the start of the shorter back pass: each of its four places is solved, everything but
/// the back held where the free solution has it, and the cheapest is kept.
///
/// # Units and shapes
/// `lengths_mm` is the free solution, one length per spot.
///
/// # References
/// balance-model.md 10: agrees with the whole programme in 79 of 80 dogs.
///
/// # Errors
/// If the solver gives no answer, a fault of ours.
pub fn place_back_pass(
    subject: &Subject,
    points: &[BalancePoint],
    lengths_mm: &[f64],
) -> Result<BackPass, SolveError> {
    let passes = Passes::new(subject, points, lengths_mm);
    let mut costs = Vec::with_capacity(4);
    for stop in LineName::BackPass.stops() {
        costs.push((stop, passes.cost(first_of_rear(stop))?));
    }
    let least = costs.iter().map(|(_, c)| *c).fold(f64::INFINITY, f64::min);
    for (_, cost) in &mut costs {
        *cost -= least;
    }
    let cheapest = costs.iter().find(|(_, cost)| *cost <= 0.0);
    Ok(BackPass {
        stop: cheapest.map_or(LineStop::OnePass, |(stop, _)| *stop),
        costs,
    })
}

/// What a back whose rear pass begins at this station costs, in balance; comparable with itself only.
///
/// # Errors
/// If the solver gives no answer, a fault of ours.
pub(crate) fn back_pass_cost(
    subject: &Subject,
    points: &[BalancePoint],
    lengths_mm: &[f64],
    rear_from: Option<S>,
) -> Result<f64, SolveError> {
    let split = TOPLINE.iter().position(|s| Some(*s) == rear_from);
    Passes::new(subject, points, lengths_mm).cost(split.unwrap_or(TOPLINE.len()))
}

/// The back alone, everything else held.
struct Passes {
    small: Programme,
    nominal: Vec<f64>,
    unit: f64,
}

impl Passes {
    fn new(subject: &Subject, points: &[BalancePoint], lengths_mm: &[f64]) -> Self {
        let back: Vec<usize> = TOPLINE
            .iter()
            .filter_map(|s| subject.find(Place::Side(*s)))
            .collect();
        Self {
            small: programme(subject, points)
                .programme
                .holding(&back, lengths_mm),
            nominal: back.iter().map(|i| subject.spots[*i].nominal).collect(),
            unit: ONE_LENGTH_UNIT * subject.height(),
        }
    }

    fn cost(&self, split: usize) -> Result<f64, SolveError> {
        let mut one = self.small.clone();
        for pass in [0..split, split..TOPLINE.len()] {
            hold_together(&mut one, pass, &self.nominal, self.unit);
        }
        let second = if split == TOPLINE.len() {
            0.0
        } else {
            SECOND_LENGTH
        };
        Ok(one.solve_to(Accuracy::Rough)?.objective + second)
    }
}

/// Number of the first station of the rear pass; all of them are the front's where one runs through.
const fn first_of_rear(stop: LineStop) -> usize {
    match stop {
        LineStop::MidBack => 3,
        LineStop::BehindDip => 5,
        LineStop::AtHip => 6,
        _ => TOPLINE.len(),
    }
}

fn hold_together(small: &mut Programme, pass: std::ops::Range<usize>, nominal: &[f64], unit: f64) {
    for i in pass.start + 1..pass.end {
        let step = (nominal[i] - nominal[i - 1]) / unit;
        small.square(&[(i, 1.0 / unit), (i - 1, -1.0 / unit)], -step, ONE_LENGTH);
    }
}
