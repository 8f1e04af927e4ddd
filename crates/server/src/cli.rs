//! The command line.

use std::net::IpAddr;
use std::path::PathBuf;

use clap::{Parser, Subcommand, ValueEnum};
use jiff::Timestamp;
use veliform_core::look::LookId;

/// Plans a pet stylist's work on a dog's own outline.
#[derive(Debug, Parser)]
#[command(version, about)]
pub struct Cli {
    /// What to do.
    #[command(subcommand)]
    pub command: Command,
}

/// Port used unless another is asked for.
pub const USUAL_PORT: u16 = 4270;

/// What to do.
#[derive(Debug, Subcommand)]
pub enum Command {
    /// Serve a salon's data to the browser on this machine.
    Serve {
        /// The salon's data file; the one in this person's data folder unless given.
        #[arg(long, env = "VELIFORM_DATA")]
        data: Option<PathBuf>,
        /// Address to listen on: this machine only.
        #[arg(long, default_value = "127.0.0.1")]
        bind: IpAddr,
        /// Port to listen on; 0 picks a free one.
        #[arg(long, default_value_t = USUAL_PORT)]
        port: u16,
        /// The moment it is to be, such as 2027-03-01T09:00:00Z, for trying what time brings; now unless
        /// given.
        #[arg(long)]
        at: Option<Timestamp>,
    },
    /// Serve the demo salon; a free port is picked if the usual one is taken.
    Demo {
        /// Folder the demo data is kept in.
        #[arg(long, default_value = "demo-data")]
        folder: PathBuf,
        /// Port to listen on; 0 picks a free one.
        #[arg(long, default_value_t = USUAL_PORT)]
        port: u16,
        /// The moment it is to be, such as 2027-03-01T09:00:00Z, for trying what time brings; now unless
        /// given.
        #[arg(long)]
        at: Option<Timestamp>,
    },
    /// Plan the latest visit of dog files, without a server.
    Plan {
        /// The dog files; many are planned on all cores.
        #[arg(required = true)]
        dog_files: Vec<PathBuf>,
        /// The look; the visit's own unless given.
        #[arg(long, value_parser = parse_look)]
        look: Option<LookId>,
        /// How to write the plan; the JSON of many has one plan a line.
        #[arg(long, default_value = "text")]
        format: Format,
        /// Leave out why points stay off, which takes most of the time.
        #[arg(long)]
        no_reasons: bool,
        /// The salon's data file whose kit and settings are used; the demo salon's unless given.
        #[arg(long)]
        data: Option<PathBuf>,
    },
    /// Write the JSON Schema of the dog file.
    Schema,
    /// Write the OpenAPI document of the server.
    Openapi,
    /// Write the style sheet of the drawing's roles.
    Roles,
    /// Write a dog with its visits as a dog file.
    Export {
        /// The salon's data file; the one in this person's data folder unless given.
        #[arg(long, env = "VELIFORM_DATA")]
        data: Option<PathBuf>,
        /// The dog's name or id.
        dog: String,
        /// Only so many of its newest visits.
        #[arg(long)]
        newest: Option<usize>,
        /// Where to write; standard output unless given.
        #[arg(long)]
        out: Option<PathBuf>,
    },
    /// Write every dog of a salon into a folder, a dog file each.
    ExportAll {
        /// The salon's data file; the one in this person's data folder unless given.
        #[arg(long, env = "VELIFORM_DATA")]
        data: Option<PathBuf>,
        /// The folder; made if it is not there.
        folder: PathBuf,
    },
    /// Write a safe copy of a salon, also while it is served.
    Backup {
        /// The salon's data file; the one in this person's data folder unless given.
        #[arg(long, env = "VELIFORM_DATA")]
        data: Option<PathBuf>,
        /// The copy to write; no file of that name may be there.
        copy: PathBuf,
    },
    /// Put a copy back in place of a salon's data file, which is kept beside it.
    Restore {
        /// The salon's data file; the one in this person's data folder unless given.
        #[arg(long, env = "VELIFORM_DATA")]
        data: Option<PathBuf>,
        /// The copy.
        copy: PathBuf,
    },
    /// Take a dog file in.
    Import {
        /// The salon's data file; the one in this person's data folder unless given.
        #[arg(long, env = "VELIFORM_DATA")]
        data: Option<PathBuf>,
        /// The dog file.
        dog_file: PathBuf,
    },
}

/// A look by its name on the command line: as in a dog file, with hyphens.
fn parse_look(name: &str) -> Result<LookId, String> {
    let key = |id: &LookId| -> String {
        let word = serde_json::to_value(id).unwrap_or_default();
        word.as_str().unwrap_or_default().replace('_', "-")
    };
    LookId::ALL
        .into_iter()
        .find(|id| key(id) == name)
        .ok_or_else(|| {
            let known: Vec<String> = LookId::ALL.iter().map(key).collect();
            format!("there is no such look; choose one of {}", known.join(", "))
        })
}

/// How a plan is written.
#[derive(Clone, Copy, Debug, ValueEnum)]
pub enum Format {
    /// For people.
    Text,
    /// For programs.
    Json,
}
