use std::fs;
use std::io::Write as _;
use std::path::{Path, PathBuf};

use uuid::Uuid;
use veliform_core::dog::House;
use veliform_core::kit::Tool;
use veliform_formats::{read_dog_file, roles_css, schema, write_dog_file};
use veliform_store::Store;

use crate::api::records;
use crate::app::{SharedSalon, app};
use crate::batch::Batch;
use crate::cli::{Cli, Command};
use crate::clock::{self, now_ms};
use crate::demo;
use crate::error::ApiError;
use crate::front::Files;
use crate::place::data_file;
use crate::serve::{ServeError, Settings, open, open_or_begin, serve};

/// Why a command failed.
#[derive(Debug, thiserror::Error)]
pub enum CommandError {
    /// It does not serve.
    #[error(transparent)]
    Serve(#[from] ServeError),
    /// Anything the application itself refuses.
    #[error(transparent)]
    Api(#[from] ApiError),
    /// A file.
    #[error("{path}: {source}")]
    File {
        /// The file.
        path: PathBuf,
        /// The system's own error.
        #[source]
        source: std::io::Error,
    },
    /// No place for the data.
    #[error("there is no folder for a person's own data here; say where with --data.")]
    NoHome,
    /// No such dog.
    #[error("there is no dog “{0}” in this salon; give its name or id.")]
    NoDog(String),
    /// More than one dog of that name.
    #[error("several dogs here are called “{name}”; give the id of one: {ids}.")]
    SeveralDogs {
        /// The name given.
        name: String,
        /// Ids and owners.
        ids: String,
    },
    /// The dog file has no visit.
    #[error("the dog file holds no visit, so there is nothing to plan.")]
    NoVisit,
    /// Some of many files could not be planned; each said why.
    #[error("{failed} of {files} dog files could not be planned.")]
    SomeFailed {
        /// How many could not.
        failed: usize,
        /// Of how many.
        files: usize,
    },
    /// Output went away.
    #[error("the output could not be written: {0}")]
    Output(#[from] std::io::Error),
}

/// Runs a command to its end.
///
/// # Errors
/// With one sentence that says what to do.
pub fn run(cli: Cli, front: Files) -> Result<(), CommandError> {
    match cli.command {
        Command::Serve {
            data,
            bind,
            port,
            at,
        } => {
            at.into_iter().for_each(clock::set);
            let data = data_file(data)?;
            let kept = format!("The salon's data is in {}.", data.display());
            start(Settings {
                data,
                bind,
                port,
                may_move: false,
                front,
                greeting: vec![kept, "Stop with Ctrl-C.".into()],
            })
        }
        Command::Demo { folder, port, at } => {
            at.into_iter().for_each(clock::set);
            run_demo(&folder, port, front)
        }
        Command::Plan {
            dog_files,
            look,
            format,
            no_reasons,
            data,
        } => {
            let (house, kit) = salon_of(data.as_deref())?;
            let batch = Batch {
                house,
                kit,
                look,
                reasons: !no_reasons,
                format,
            };
            plan(&batch, &dog_files)
        }
        Command::Schema => print_json(schema().map_err(ApiError::from)?),
        Command::Roles => {
            write!(std::io::stdout(), "{}", roles_css())?;
            Ok(())
        }
        Command::Openapi => {
            let salon = SharedSalon::new(Store::in_memory().map_err(ApiError::from)?);
            let document = app(&salon).1;
            print_json(serde_json::to_value(document).map_err(ApiError::from)?)
        }
        Command::Export {
            data,
            dog,
            newest,
            out,
        } => export(&data_file(data)?, &dog, newest, out.as_deref()),
        Command::ExportAll { data, folder } => export_all(&data_file(data)?, &folder),
        Command::Import { data, dog_file } => import(&data_file(data)?, &dog_file),
        Command::Backup { data, copy } => back_up(&data_file(data)?, &copy),
        Command::Restore { data, copy } => restore(&data_file(data)?, &copy),
    }
}

fn start(settings: Settings) -> Result<(), CommandError> {
    actix_web::rt::System::new().block_on(serve(settings))?;
    Ok(())
}

fn run_demo(folder: &Path, port: u16, front: Files) -> Result<(), CommandError> {
    fs::create_dir_all(folder).map_err(|source| CommandError::File {
        path: folder.to_owned(),
        source,
    })?;
    let data = folder.join("salon.db");
    let mut store = open_or_begin(&data)?.0;
    demo::fill(&mut store, now_ms())?;
    drop(store);
    start(Settings {
        data,
        bind: std::net::Ipv4Addr::LOCALHOST.into(),
        port,
        may_move: true,
        front,
        greeting: vec![
            format!("Its demo data is kept in {}.", folder.display()),
            "Try this: open Turntable, go to Plan, and see what her dipped back needs.".into(),
            "Stop with Ctrl-C.".into(),
        ],
    })
}

pub(crate) fn read_file(path: &Path) -> Result<Vec<u8>, CommandError> {
    let file = |source| CommandError::File {
        path: path.to_owned(),
        source,
    };
    let size = fs::metadata(path).map_err(file)?.len();
    if size > veliform_formats::MOST_BYTES as u64 {
        return Err(ApiError::TooLarge(format!(
            "{} has {size} bytes; the largest dog file read is {}",
            path.display(),
            veliform_formats::MOST_BYTES
        ))
        .into());
    }
    fs::read(path).map_err(file)
}

fn print_json(mut value: serde_json::Value) -> Result<(), CommandError> {
    // Sorted, so that the committed documents change only when their contents do.
    value.sort_all_objects();
    let text = serde_json::to_string_pretty(&value).map_err(ApiError::from)?;
    writeln!(std::io::stdout(), "{text}")?;
    Ok(())
}

/// Settings and kit of a salon; the demo salon's where none is given.
fn salon_of(data: Option<&Path>) -> Result<(House, Vec<Tool>), CommandError> {
    if let Some(data) = data {
        let store = open(data)?;
        let kit = store.kit().map_err(ApiError::from)?;
        Ok((store.house().map_err(ApiError::from)?, kit))
    } else {
        let salon = demo::salon()?;
        Ok((salon.house, salon.kit))
    }
}

/// So many files are planned before the first is written: what is kept in memory stays small.
const AT_ONCE: usize = 64;

fn plan(batch: &Batch, dog_files: &[PathBuf]) -> Result<(), CommandError> {
    if let [_] = dog_files {
        for text in batch.plan(dog_files) {
            write!(std::io::stdout(), "{}", text?)?;
        }
        return Ok(());
    }
    let mut failed = 0;
    for some in dog_files.chunks(AT_ONCE) {
        for (file, plan) in some.iter().zip(batch.plan(some)) {
            match plan {
                Ok(text) => write!(std::io::stdout(), "{text}")?,
                Err(error) => {
                    failed += 1;
                    writeln!(std::io::stderr(), "{}: {error}", file.display())?;
                }
            }
        }
    }
    if failed == 0 {
        return Ok(());
    }
    Err(CommandError::SomeFailed {
        failed,
        files: dog_files.len(),
    })
}

fn export(
    data: &Path,
    dog: &str,
    newest: Option<usize>,
    out: Option<&Path>,
) -> Result<(), CommandError> {
    let store = open(data)?;
    let dogs = store.dogs().map_err(ApiError::from)?;
    let wanted = Uuid::parse_str(dog).ok();
    let called: Vec<_> = dogs
        .iter()
        .filter(|d| Some(d.dog.id) == wanted || d.dog.name.to_lowercase() == dog.to_lowercase())
        .collect();
    let found = match called.as_slice() {
        [] => return Err(CommandError::NoDog(dog.to_owned())),
        [one] => *one,
        many => {
            let each = many
                .iter()
                .map(|d| format!("{} of {}", d.dog.id, d.dog.owner));
            return Err(CommandError::SeveralDogs {
                name: dog.to_owned(),
                ids: each.collect::<Vec<_>>().join("; "),
            });
        }
    };
    let mut visits = records(&store, found.dog.id)?;
    // The newest come first.
    visits.truncate(newest.unwrap_or(usize::MAX));
    let bytes = write_dog_file(&found.dog, &visits).map_err(ApiError::from)?;
    if bytes.len() > veliform_formats::MOST_BYTES {
        writeln!(
            std::io::stderr(),
            "This file is larger than is read again; write fewer visits with --newest."
        )?;
    }
    match out {
        Some(path) => write_file(path, &bytes),
        None => Ok(std::io::stdout().write_all(&bytes)?),
    }
}

fn write_file(path: &Path, bytes: &[u8]) -> Result<(), CommandError> {
    fs::write(path, bytes).map_err(|source| CommandError::File {
        path: path.to_owned(),
        source,
    })
}

fn export_all(data: &Path, folder: &Path) -> Result<(), CommandError> {
    let store = open(data)?;
    fs::create_dir_all(folder).map_err(|source| CommandError::File {
        path: folder.to_owned(),
        source,
    })?;
    let dogs = store.dogs().map_err(ApiError::from)?;
    for listing in &dogs {
        let visits = records(&store, listing.dog.id)?;
        let bytes = write_dog_file(&listing.dog, &visits).map_err(ApiError::from)?;
        write_file(&folder.join(format!("{}.dog.json", listing.dog.id)), &bytes)?;
    }
    writeln!(
        std::io::stdout(),
        "{} dogs are in {}.",
        dogs.len(),
        folder.display()
    )?;
    Ok(())
}

fn back_up(data: &Path, copy: &Path) -> Result<(), CommandError> {
    let at = |path: &Path, source| ServeError::Store {
        path: path.to_owned(),
        source,
    };
    open(data)?.back_up(copy).map_err(|e| at(copy, e))?;
    writeln!(
        std::io::stdout(),
        "A whole copy, checked, is in {}. `veliform restore` puts it back.",
        copy.display()
    )?;
    Ok(())
}

fn restore(data: &Path, copy: &Path) -> Result<(), CommandError> {
    let aside = Store::restore(copy, data).map_err(|source| ServeError::Store {
        path: copy.to_owned(),
        source,
    })?;
    let mut out = std::io::stdout();
    writeln!(out, "{} is back in {}.", copy.display(), data.display())?;
    if let Some(aside) = aside {
        writeln!(out, "What stood there is kept in {}.", aside.display())?;
    }
    Ok(())
}

fn import(data: &Path, dog_file: &Path) -> Result<(), CommandError> {
    let file = read_dog_file(&read_file(dog_file)?).map_err(ApiError::from)?;
    let (mut store, is_new) = open_or_begin(data)?;
    if is_new {
        writeln!(
            std::io::stdout(),
            "A new salon begins in {}.",
            data.display()
        )?;
    }
    let visits = file.visits.into_iter().map(demo::into_import);
    let visits: Vec<_> = visits.collect::<Result<_, _>>()?;
    store
        .import(&file.dog, &visits, now_ms())
        .map_err(ApiError::from)?;
    writeln!(
        std::io::stdout(),
        "{} is here, {} {}.",
        file.dog.name,
        visits.len(),
        if visits.len() == 1 { "visit" } else { "visits" }
    )?;
    Ok(())
}
