//! The judgement of a pet stylist, computed: pure values in, values out.
#![warn(missing_docs)]

pub mod balance;
pub mod coat;
pub mod frame;
pub mod kit;
pub mod look;
pub mod shape;
pub mod solve;
pub mod units;
