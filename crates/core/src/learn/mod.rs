//! Learning from few readings: always a robust mean shrunk towards the default, with how many
//! readings it rests on (handbook 3 and 6).

mod estimate;
mod growth;

pub use estimate::{Learnt, Prior, learn};
pub use growth::{GrowthReading, growth_factor};
