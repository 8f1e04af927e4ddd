//! The solve: lengths by a convex quadratic programme, then owned tools, then reasons.

mod halves;
mod lengths;
mod programme;
mod shears;
mod tools;
mod units;

pub use halves::in_halves;
pub use lengths::{Built, Solution, Sought, programme, solve_lengths, solve_lengths_to};
pub use programme::{Accuracy, Matrix, Optimum, Programme, SolveError};
pub use tools::{
    Bench, BodyCut, Cutting, HeldOff, LegWay, Roughing, Stroke, UnitCut, choose_tools,
};
pub use units::Unit;
pub(crate) use units::{back_place, back_split};
