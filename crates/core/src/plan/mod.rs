//! The plan: lengths that balance this dog, with owned tools, verdicts and costs.

mod buy;
mod dressed;
mod faults;
mod knots;
mod make;
mod memo;
mod moves;
mod reasons;
mod report;
mod truths;
mod words;

pub use buy::{Buy, what_to_buy};
pub use dressed::{PlanCoat, dress_plan};
pub use knots::{KnotOffer, KnotWay, KnottedZone, knotted_zones};
pub use make::{Job, METHOD, Plan, make_plan, make_plan_to};
pub use memo::PlanMemo;
pub use moves::{LineOffer, StopOffer, line_offers};
pub use reasons::{Cause, Reason, find_reasons};
pub(crate) use report::span_text;
pub use report::{
    BalanceRow, PlanReport, Scores, StrokeName, UnitRow, UnmetWish, Verdict, Why, now_rows, report,
    rows_of,
};
pub use truths::coat_truths;
pub use words::Words;
pub(crate) use words::capital;
