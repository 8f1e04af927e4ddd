use std::collections::VecDeque;
use std::sync::{Arc, Mutex, PoisonError};

use uuid::Uuid;
use veliform_core::visit::Entry;
use veliform_store::Store;

use crate::error::ApiError;

/// Visits whose logs are kept at hand: more than stand on tables at once.
const MOST_VISITS: usize = 12;

/// Logs of the visits at work. A log only ever grows, so that what came since is all that is read.
#[derive(Debug, Default)]
pub(crate) struct Logs(Mutex<VecDeque<Known>>);

#[derive(Clone, Debug)]
struct Known {
    visit: Uuid,
    last: i64,
    entries: Arc<Vec<Entry>>,
}

impl Logs {
    /// A visit's whole log as the store has it now.
    pub(crate) fn of(&self, store: &Store, visit: Uuid) -> Result<Arc<Vec<Entry>>, ApiError> {
        let mut logs = self.0.lock().unwrap_or_else(PoisonError::into_inner);
        let at = logs.iter().position(|known| known.visit == visit);
        let mut known = at.and_then(|at| logs.remove(at)).unwrap_or(Known {
            visit,
            last: 0,
            entries: Arc::default(),
        });
        let news = store.visit(visit, known.last)?;
        if !news.entries.is_empty() {
            known.last = news.last;
            Arc::make_mut(&mut known.entries).extend(news.entries);
        }
        let entries = Arc::clone(&known.entries);
        logs.truncate(MOST_VISITS - 1);
        logs.push_front(known);
        Ok(entries)
    }
}
