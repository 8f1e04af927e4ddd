use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

/// A value learnt from readings.
#[derive(Clone, Copy, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct Learnt {
    /// The value.
    pub value: f64,
    /// One standard deviation.
    pub doubt: f64,
    /// Readings it rests on.
    pub readings: u32,
}

/// What is believed before any reading.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct Prior {
    /// The default.
    pub value: f64,
    /// How far off defaults usually are, one standard deviation.
    pub doubt: f64,
    /// Scatter of a single reading at least, one standard deviation: two alike by chance prove
    /// nothing.
    pub scatter: f64,
}

/// Readings further than so many scatters from the middle count less (Huber's constant: 95 %
/// efficiency on clean data; published in his robust statistics, from memory).
const HUBER: f64 = 1.345;
/// Median absolute deviation to standard deviation, for normal scatter (from memory).
const MAD_TO_SD: f64 = 1.4826;
/// Rounds of re-weighting; more change nothing (tried).
const ROUNDS: usize = 50;

/// A robust mean of readings, shrunk towards the default.
///
/// # Units and shapes
/// Readings, default and doubts in one unit; readings that are no numbers are left out.
pub fn learn(readings: &[f64], prior: Prior) -> Learnt {
    let mut sorted: Vec<f64> = readings.iter().copied().filter(|r| r.is_finite()).collect();
    sorted.sort_by(f64::total_cmp);
    let Some(middle) = median(&sorted) else {
        return Learnt {
            value: prior.value,
            doubt: prior.doubt,
            readings: 0,
        };
    };
    let mut away: Vec<f64> = sorted.iter().map(|r| (r - middle).abs()).collect();
    away.sort_by(f64::total_cmp);
    let scatter = (MAD_TO_SD * median(&away).unwrap_or(0.0)).max(prior.scatter);
    // The likeliest value under Huber's loss: far readings count less, and what is far is judged
    // from the value itself, default included, so that a single wild one cannot carry it off.
    let of_default = 1.0 / (prior.doubt * prior.doubt);
    let mut value = prior.value;
    let mut whole = of_default;
    for _ in 0..ROUNDS {
        let weigh = |r: f64| (HUBER * scatter / (r - value).abs().max(1e-12)).min(1.0);
        let weights: Vec<f64> = sorted
            .iter()
            .map(|r| weigh(*r) / (scatter * scatter))
            .collect();
        let pulled: f64 = weights.iter().zip(&sorted).map(|(w, r)| w * r).sum();
        whole = of_default + weights.iter().sum::<f64>();
        value = (pulled + of_default * prior.value) / whole;
    }
    Learnt {
        value,
        doubt: whole.sqrt().recip(),
        readings: u32::try_from(sorted.len()).unwrap_or(u32::MAX),
    }
}

fn median(sorted: &[f64]) -> Option<f64> {
    let n = sorted.len();
    let upper = sorted.get(n / 2)?;
    Some(if n % 2 == 1 {
        *upper
    } else {
        f64::midpoint(*upper, sorted[n / 2 - 1])
    })
}
