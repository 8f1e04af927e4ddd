//! The solve: lengths by a convex quadratic programme, then owned tools, then reasons.

mod lengths;
mod programme;

pub use lengths::{Built, Solution, programme, solve_lengths};
pub use programme::{Matrix, Optimum, Programme, SolveError};
