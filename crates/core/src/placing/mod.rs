//! Placing: where the lines lie is solved too (handbook 5; balance-model.md 10).

mod back_pass;
mod read_off;

pub use back_pass::{BackPass, place_back_pass};
pub(crate) use read_off::skirt_root_mm;
pub use read_off::{has_shelf, skirt_stop};
