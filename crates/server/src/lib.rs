//! The web application and command line of Veliform.

mod api;
pub mod app;
mod batch;
mod blocking;
pub mod cli;
mod commands;
pub mod demo;
mod error;
mod front;
mod guard;
mod serve;

pub use commands::run;
pub use serve::{ServeError, Settings};
