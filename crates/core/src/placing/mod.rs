//! Placing: where the lines lie is solved too (handbook 5; balance-model.md 10).

mod back_pass;
mod read_off;
mod tone_edge;

pub(crate) use back_pass::back_pass_cost;
pub use back_pass::{BackPass, place_back_pass};
pub use read_off::{has_shelf, skirt_stop};
pub use tone_edge::off_the_tone_edge;
pub(crate) use tone_edge::tone_shifts;
