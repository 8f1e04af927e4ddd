use crate::balance::balance_points;
use crate::frame::{Frame, FrameInput, Offsets, resolve_moved};
use crate::plan::Job;

/// One standard deviation of every balance point, in the unit its value is shown in.
///
/// The plan is *cut as told* on a frame that is not sure: lengths stay, every doubt of the frame is
/// carried through by central differences at ± one standard deviation, squares added.
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
    let mut squares = vec![0.0; values(&Offsets::default()).len()];
    for doubt in frame.doubts.iter().filter(|d| d.sigma > 0.0) {
        let up = values(&Offsets::of(doubt.finding, doubt.sigma));
        let down = values(&Offsets::of(doubt.finding, -doubt.sigma));
        for ((square, a), b) in squares.iter_mut().zip(up).zip(down) {
            *square += (0.5 * (a - b)).powi(2);
        }
    }
    squares.into_iter().map(f64::sqrt).collect()
}
