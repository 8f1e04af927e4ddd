//! The judgement of a pet stylist, computed: pure values in, values out. No files, clock, environment or
//! network; the same inputs give the same bits.
//!
//! **Units.** Lengths are millimetres, angles degrees, times milliseconds since 1970 in UTC unless a name
//! says minutes, days or weeks. [`units::Length`] is a length a person can say: finite, to a hundredth.
//!
//! **Frame.** x runs forward from the plumb line through the pin bone, y up from the table, z to the dog's
//! left. Seen from the side the dog faces left, so the page's x runs the other way
//! ([`page::View::page_signs`]).
//!
//! **Where to begin reading.** [`visit::fold`] turns what was said into a visit; [`desk::Desk`] puts it on
//! the desk and answers every question a screen or paper has; [`frame::resolve`] and [`shape::side_shape`]
//! make the dog, [`balance::balance_points`] what the eye judges, [`solve::solve_lengths`] the lengths,
//! [`plan::make_plan`] the plan, [`report::report`] its words. Rooms stand on floors, each only on those
//! below it; ARCHITECTURE.md lists them and a test holds them.
#![warn(missing_docs)]

#[macro_use]
mod vocabulary;

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
pub mod job;
pub mod kit;
pub mod learn;
pub mod lines;
pub mod look;
pub mod page;
pub mod photo;
pub mod picture;
pub mod placing;
pub mod plan;
pub mod report;
pub mod run;
pub mod salon_log;
pub mod say;
pub mod schools;
pub mod shape;
pub mod sheet;
pub mod solve;
pub mod sure;
pub mod units;
pub mod visit;
