//! Placing: where the lines lie is solved too (handbook 5; balance-model.md 10).

mod read_off;
mod tone_edge;

pub use read_off::{has_shelf, skirt_stop};
pub use tone_edge::off_the_tone_edge;
pub(crate) use tone_edge::tone_shifts;
