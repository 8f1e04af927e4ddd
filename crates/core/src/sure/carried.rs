use crate::balance::balance_points;
use crate::frame::{Doubt, Frame, FrameInput, Offsets, resolve_moved};
use crate::job::Job;

/// Levels a doubt is tried at: below, at and above its value.
const LEVELS: usize = 3;
/// The outer levels, in standard deviations: with the middle one as often, their variance is 1.
const OUTER: f64 = 1.224_744_871_391_589;

/// One standard deviation of every balance point, in the unit its value is shown in.
///
/// The plan is *cut as told* on a frame that is not sure: lengths stay, and the frame is tried with
/// all its doubts at once, by an orthogonal array: every doubt below, at and above its value equally
/// often, and every pair of doubts in all nine ways. What is straight comes out exactly as by adding
/// variances one by one; what hangs on the furthest of several edges, which one doubt alone does not
/// move, comes out as by drawing at random.
///
/// # Units and shapes
/// `lengths_mm` one per unknown of the job's subject; one result per point, in the order of
/// [`balance_points`].
///
/// # References
/// balance-model.md 12: within 7 % of Monte-Carlo for all points but the topline with a felt dip,
/// which cannot be negative.
pub fn point_doubts(input: &FrameInput, frame: &Frame, job: &Job, lengths_mm: &[f64]) -> Vec<f64> {
    let values = |offsets: &Offsets| -> Vec<f64> {
        let moved = Job {
            sides: resolve_moved(input, offsets),
            ..job.clone()
        };
        let (points, _) = balance_points(&moved.subject());
        points.iter().map(|p| p.value_at(lengths_mm)).collect()
    };
    let doubts: Vec<Doubt> = frame
        .doubts
        .iter()
        .copied()
        .filter(|d| d.sigma > 0.0)
        .collect();
    let tried: Vec<Vec<f64>> = orthogonal(doubts.len())
        .iter()
        .map(|run| {
            let moved = doubts.iter().zip(run);
            values(&Offsets::all(moved.map(|(doubt, level)| {
                (doubt.finding, (*level as f64 - 1.0) * OUTER * doubt.sigma)
            })))
        })
        .collect();
    let points = tried.first().map_or(0, Vec::len);
    (0..points)
        .map(|i| spread(tried.iter().map(|run| run[i])))
        .collect()
}

/// One standard deviation of equally likely values.
fn spread(values: impl ExactSizeIterator<Item = f64> + Clone) -> f64 {
    let n = values.len() as f64;
    let mean = values.clone().sum::<f64>() / n;
    (values.map(|v| (v - mean).powi(2)).sum::<f64>() / n).sqrt()
}

/// The smallest orthogonal array of strength two with three levels and at least so many columns:
/// one row a run, one level a column.
///
/// # References
/// Rao and Hamming's construction (from memory): runs are all words of k digits, columns the words
/// whose first digit that is not zero is one, a level their scalar product, all modulo three.
fn orthogonal(columns: usize) -> Vec<Vec<usize>> {
    let mut digits = 1;
    while (LEVELS.pow(digits) - 1) / (LEVELS - 1) < columns {
        digits += 1;
    }
    let word = |n: usize| (0..digits).map(move |d| n / LEVELS.pow(d) % LEVELS);
    let runs = 0..LEVELS.pow(digits);
    let of_columns: Vec<usize> = runs
        .clone()
        .filter(|n| word(*n).find(|digit| *digit != 0) == Some(1))
        .take(columns)
        .collect();
    let level = |run, column| {
        word(run)
            .zip(word(column))
            .map(|(a, b)| a * b)
            .sum::<usize>()
    };
    runs.map(|run| of_columns.iter().map(|c| level(run, *c) % LEVELS).collect())
        .collect()
}

#[cfg(test)]
mod tests {
    use super::*;

    /// Strength two: each pair of columns shows every pair of levels equally often.
    #[test]
    fn every_pair_of_doubts_is_tried_in_all_nine_ways() {
        let array = orthogonal(40);
        assert_eq!((array.len(), array[0].len()), (81, 40));
        for a in 0..40 {
            for b in 0..a {
                let mut seen = [0; LEVELS * LEVELS];
                for run in &array {
                    seen[LEVELS * run[a] + run[b]] += 1;
                }
                assert!(seen.iter().all(|n| *n == 9), "{a} {b} {seen:?}");
            }
        }
    }
}
