use crate::balance::balance_points;
use crate::frame::{Frame, FrameInput, Offsets, resolve_moved};
use crate::plan::Job;

/// Outer point of Gauss and Hermite's three, in standard deviations: √3 (from memory).
const OUTER_POINT: f64 = 1.732_050_807_568_877_2;
/// Its weight; the middle one has what is left of 1.
const OUTER_WEIGHT: f64 = 1.0 / 6.0;

/// One standard deviation of every balance point, in the unit its value is shown in.
///
/// The plan is *cut as told* on a frame that is not sure: lengths stay, every doubt of the frame is
/// carried through by itself, by Gauss and Hermite's three points, and the variances added. A value
/// that is the furthest of several edges has a kink, which the middle point sees and a derivative
/// does not; for what is straight it is the central difference.
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
    let here = values(&Offsets::default());
    let mut variances = vec![0.0; here.len()];
    for doubt in frame.doubts.iter().filter(|d| d.sigma > 0.0) {
        let out = OUTER_POINT * doubt.sigma;
        let up = values(&Offsets::of(doubt.finding, out));
        let down = values(&Offsets::of(doubt.finding, -out));
        for (i, middle) in here.iter().enumerate() {
            let (a, b) = (up[i] - middle, down[i] - middle);
            let mean = OUTER_WEIGHT * (a + b);
            variances[i] += OUTER_WEIGHT * (a * a + b * b) - mean * mean;
        }
    }
    variances.into_iter().map(|v| v.max(0.0).sqrt()).collect()
}
