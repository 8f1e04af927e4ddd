//! The plan: lengths that balance this dog, with owned tools.

mod buy;
mod dressed;
mod make;
mod memo;

pub(crate) use buy::MINUTE;
pub use buy::{Buy, what_to_buy};
pub(crate) use dressed::SETTLES;
pub use dressed::{PlanCoat, dress_plan};
pub use make::{METHOD, Plan, make_plan, make_plan_to};
pub use memo::{PlanMemo, Planning};
