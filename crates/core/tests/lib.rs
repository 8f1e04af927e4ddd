//! The core's tests stand in `main.rs`.
