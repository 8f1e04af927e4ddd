//! Balance: what the eye judges, as numbers linear in the coat lengths (handbook 4).

mod evaluated;
mod expr;
mod foot;
mod head;
mod lift_off;
mod on_end;
mod point;
mod points;
mod reach;
mod rules;
mod spot;
mod subject;
mod tail;

pub use evaluated::evaluated_points;
pub use expr::Expr;
pub(crate) use foot::{A_ROUND_MM, MOST_ROUNDS, column_mm, finished_foot_mm};
pub use head::{fit_head, head_points};
pub(crate) use head::{head_size_off, over_flat_skull_mm};
pub(crate) use lift_off::{shoulder_lift_mm, thigh_lift_mm};
pub use point::{BalancePoint, Divisor, GIVES_UP_AT, Shown, score};
pub use points::balance_points;
pub use reach::{Reach, ReachOf};
pub use rules::{Judged, Rule};
pub use spot::{Place, Spot, Width};
pub(crate) use subject::bounds;
pub(crate) use subject::waist_behind_mm;
pub use subject::{Subject, Unmet};
pub(crate) use tail::{SHAPED_MM, TAIL_ALIKE};
pub use tail::{off_u_mm, sides_apart_mm};
