//! The judgement of a pet stylist, computed: pure values in, values out.
#![warn(missing_docs)]

pub mod balance;
pub mod body;
pub mod coat;
pub mod consult;
pub mod desk;
pub mod device;
pub mod dog;
pub mod drawing;
pub mod finish;
pub mod frame;
pub mod grow;
pub mod kit;
pub mod learn;
pub mod lines;
pub mod look;
pub mod photo;
pub mod picture;
pub mod placing;
pub mod plan;
pub mod run;
pub mod salon_log;
pub mod shape;
pub mod sheet;
pub mod solve;
pub mod sure;
pub mod units;
pub mod visit;
