//! The plan written out: what is judged, why it stays off, what would help, in the trade's words.

mod faults;
mod knots;
mod moves;
mod reads;
mod reasons;
mod rows;
mod second_length;
mod truths;
mod units;
mod whole;

pub use knots::{KnotHere, KnotOffer, KnotWay, KnottedZone, knot_ways, knotted_zones};
pub use moves::{LineOffer, StopOffer, line_offers};
pub(crate) use reads::{LengthRead, long};
pub use reasons::{Cause, Reason, find_reasons};
pub(crate) use rows::planned_value;
pub use rows::{BalanceRow, Verdict, now_rows, rows_of};
pub use second_length::SecondLength;
pub use truths::coat_truths;
pub use units::{StrokeName, UnitRow};
pub use whole::{PlanReport, Scores, UnmetWish, Why, report};
