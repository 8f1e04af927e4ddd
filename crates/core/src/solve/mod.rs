//! The solve: lengths by a convex quadratic programme, then owned tools, then reasons.

mod lengths;
mod programme;
mod shears;
mod tools;
mod units;
mod workers;

pub use lengths::{Built, Solution, Sought, programme, solve_lengths, solve_lengths_to};
pub use programme::{Accuracy, Matrix, Optimum, Programme, SolveError};
pub use tools::{
    Bench, BodyCut, Cutting, HeldOff, LegWay, Roughing, ShortBy, Stroke, UnitCut, choose_tools,
};
pub use units::Unit;
pub(crate) use units::{back_place, back_split};
pub use workers::{OneWorker, Workers, in_halves};
