//! `veliform`: parses, starts logging, runs, says what went wrong.

use std::process::ExitCode;

use clap::Parser as _;
use tracing_subscriber::EnvFilter;
use veliform_server::{cli::Cli, run};

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
    match run(cli) {
        Ok(()) => ExitCode::SUCCESS,
        Err(error) => {
            eprintln!("veliform: {error}");
            ExitCode::FAILURE
        }
    }
}
