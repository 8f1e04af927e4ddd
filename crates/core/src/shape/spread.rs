use super::landmark::{Landmark, landmarks};
use super::views::BothSides;
use crate::frame::{Frame, FrameInput, Offsets, resolve_moved};
use crate::page::View;

/// How far a landmark may lie from where it is drawn.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct Spread {
    /// Which.
    pub landmark: Landmark,
    /// On the dog's right side.
    pub is_right: bool,
    /// One standard deviation along x, y and z, mm.
    pub sigma: [f64; 3],
}

/// Carries every doubt of the frame through to the landmarks.
///
/// # Units and shapes
/// mm; one spread per landmark, in the order of [`landmarks`]. Central differences at ± one
/// standard deviation, squares added (balance-model.md 12).
pub fn spreads(input: &FrameInput, frame: &Frame) -> Vec<Spread> {
    let mut list: Vec<Spread> = landmarks(&BothSides::of(frame))
        .iter()
        .map(|p| Spread {
            landmark: p.landmark,
            is_right: p.is_right,
            sigma: [0.0; 3],
        })
        .collect();
    for doubt in &frame.doubts {
        let at = |by: f64| {
            landmarks(&BothSides::between(&resolve_moved(
                input,
                &Offsets::of(doubt.finding, by),
            )))
        };
        for ((spread, up), down) in list.iter_mut().zip(at(doubt.sigma)).zip(at(-doubt.sigma)) {
            for axis in 0..3 {
                spread.sigma[axis] += (0.5 * (up.at[axis] - down.at[axis])).powi(2);
            }
        }
    }
    for spread in &mut list {
        spread.sigma = spread.sigma.map(f64::sqrt);
    }
    list
}

impl Spread {
    /// One standard deviation across and up a view's page, mm.
    pub const fn on(&self, view: View) -> (f64, f64) {
        let [x, y, z] = self.sigma;
        match view {
            View::Side => (x, y),
            View::Front | View::Rear => (z, y),
            View::Top => (x, z),
        }
    }
}
