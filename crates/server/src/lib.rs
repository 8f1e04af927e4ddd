//! The web application and command line of Veliform.

mod api;
pub mod app;
mod batch;
mod blocking;
mod body;
pub mod cli;
mod clock;
mod commands;
pub mod demo;
mod document;
mod error;
mod folded;
mod front;
mod guard;
mod logs;
mod methods;
mod place;
mod serve;
mod versions;
mod workers;

pub use commands::run;
pub use front::Files;
pub use serve::{ServeError, Settings};
