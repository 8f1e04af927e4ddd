//! Measuring devices: the line a device says, and stand-ins that ship with the program.

mod line;
mod simulated;

pub use line::{DeviceKind, DeviceLine, parse_line};
pub use simulated::{Fault, simulate, simulate_coat};
