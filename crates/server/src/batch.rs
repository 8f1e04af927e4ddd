//! Plans for dog files, one or many, without a server.

use std::path::{Path, PathBuf};
use std::sync::atomic::{AtomicUsize, Ordering};
use std::thread;

use veliform_core::desk::{Desk, Reasons};
use veliform_core::dog::House;
use veliform_core::kit::Tool;
use veliform_core::look::LookId;
use veliform_core::visit::{LookChoice, Visit, fold};
use veliform_formats::{plan_text, read_dog_file};

use crate::cli::Format;
use crate::commands::{CommandError, read_file};
use crate::error::ApiError;

/// What every dog of a batch is planned with.
#[derive(Debug)]
pub struct Batch {
    /// The salon's settings.
    pub house: House,
    /// Its kit.
    pub kit: Vec<Tool>,
    /// One look for all; each visit's own where none is given.
    pub look: Option<LookId>,
    /// Whether to look for what points stay off for.
    pub reasons: bool,
    /// How a plan is written.
    pub format: Format,
}

impl Batch {
    /// Plans every file on all cores; the answers in the order of the files.
    pub fn plan(&self, files: &[PathBuf]) -> Vec<Result<String, CommandError>> {
        on_all_cores(files, |file| self.plan_one(file, files.len() == 1))
    }

    fn plan_one(&self, dog_file: &Path, is_alone: bool) -> Result<String, CommandError> {
        let file = read_dog_file(&read_file(dog_file)?).map_err(ApiError::from)?;
        let latest = file
            .visits
            .iter()
            .max_by_key(|v| (v.began_ms, v.id))
            .ok_or(CommandError::NoVisit)?;
        let mut visit: Visit = fold(&file.dog, &latest.entries);
        if let Some(look) = self.look {
            visit.look = Some(LookChoice {
                look,
                body_mm: None,
            });
        }
        let desk = Desk::new(&file.dog, &visit, &self.house, &self.kit);
        let solved = desk
            .plan(Reasons::wanted(self.reasons))
            .map_err(ApiError::from)?;
        let mut text = match self.format {
            Format::Text => plan_text(&file.dog, &solved.report),
            Format::Json if is_alone => sorted(&solved.report, true)?,
            Format::Json => sorted(&solved.report, false)?,
        };
        if !text.ends_with('\n') {
            text.push('\n');
        }
        Ok(text)
    }
}

/// JSON with its keys sorted; a plan of many stands on one line, so that a program can read line by
/// line.
fn sorted(report: &impl serde::Serialize, is_spread: bool) -> Result<String, CommandError> {
    let mut value = serde_json::to_value(report).map_err(ApiError::from)?;
    value.sort_all_objects();
    let text = if is_spread {
        serde_json::to_string_pretty(&value)
    } else {
        serde_json::to_string(&value)
    };
    Ok(text.map_err(ApiError::from)?)
}

/// Works through a list on every core, each taking the next when it is free.
fn on_all_cores<T: Sync, R: Send>(list: &[T], work: impl Fn(&T) -> R + Sync) -> Vec<R> {
    let cores = thread::available_parallelism().map_or(1, usize::from);
    let next = AtomicUsize::new(0);
    let take = || {
        let mut done = Vec::new();
        loop {
            let place = next.fetch_add(1, Ordering::Relaxed);
            let Some(one) = list.get(place) else {
                return done;
            };
            done.push((place, work(one)));
        }
    };
    let mut all: Vec<(usize, R)> = thread::scope(|scope| {
        let beside: Vec<_> = (1..cores.min(list.len()))
            .map(|_| scope.spawn(take))
            .collect();
        let mut all = take();
        for other in beside {
            let done = other.join();
            all.extend(done.unwrap_or_else(|cause| std::panic::resume_unwind(cause)));
        }
        all
    });
    all.sort_by_key(|(place, _)| *place);
    all.into_iter().map(|(_, done)| done).collect()
}
