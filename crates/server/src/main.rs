//! `veliform`: parses, starts logging, runs, says what went wrong.

use std::process::ExitCode;

use clap::Parser as _;
use mimalloc::MiMalloc;
use rust_embed::Embed;
use tracing_subscriber::EnvFilter;
use veliform_server::{cli::Cli, run};

/// Gives back what a large answer took: the system's own keeps a pool for each thread.
#[global_allocator]
static ALLOCATOR: MiMalloc = MiMalloc;

/// The front end, built before the program is.
#[derive(Embed)]
#[folder = "../../web/dist"]
#[allow_missing = true]
struct Front;

fn main() -> ExitCode {
    let cli = Cli::parse();
    tracing_subscriber::fmt()
        .with_env_filter(
            EnvFilter::try_from_env("VELIFORM_LOG")
                .unwrap_or_else(|_| EnvFilter::new("warn,veliform_server=info")),
        )
        .with_writer(std::io::stderr)
        .with_target(false)
        .init();
    match run(cli, Front::get) {
        Ok(()) => ExitCode::SUCCESS,
        Err(error) => {
            eprintln!("veliform: {error}");
            ExitCode::FAILURE
        }
    }
}
