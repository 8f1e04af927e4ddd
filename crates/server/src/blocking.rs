use std::num::NonZero;
use std::sync::{Arc, LazyLock, Mutex, PoisonError};

use actix_web::web;
use tokio::sync::Semaphore;
use uuid::Uuid;
use veliform_core::visit::Entry;
use veliform_store::{Store, VisitHead};

use crate::error::ApiError;
use crate::folded::{Folded, FoldedVisits};
use crate::front::{Files, no_files};
use crate::logs::Logs;

/// Visits read without giving the store away.
const AT_ONCE: usize = 10;

/// The salon's data, shared by the workers.
#[derive(Clone, Debug)]
pub struct Salon {
    store: Arc<Mutex<Store>>,
    logs: Arc<Logs>,
    folded: Arc<FoldedVisits>,
    front: Files,
}

impl Salon {
    /// Shares a store.
    pub fn new(store: Store) -> Self {
        Self {
            store: Arc::new(Mutex::new(store)),
            logs: Arc::default(),
            folded: Arc::default(),
            front: no_files,
        }
    }

    /// The same, served with a front end.
    #[must_use]
    pub(crate) fn with_front(self, front: Files) -> Self {
        Self { front, ..self }
    }

    /// The front end it is served with.
    pub(crate) const fn front(&self) -> Files {
        self.front
    }

    /// Reads or writes the salon's data off the async threads. Everybody waits for everybody here:
    /// what is read is worked on afterwards, in [`compute`].
    pub(crate) async fn run<T: Send + 'static>(
        &self,
        work: impl FnOnce(&mut Store) -> Result<T, ApiError> + Send + 'static,
    ) -> Result<T, ApiError> {
        let store = Arc::clone(&self.store);
        web::block(move || {
            // A panic in an earlier use case rolled its transaction back: the store is sound.
            let mut store = store.lock().unwrap_or_else(PoisonError::into_inner);
            work(&mut store)
        })
        .await
        .map_err(|_| ApiError::CutOff)?
    }

    /// A visit's whole log; what was read before is not read again.
    pub(crate) async fn log(&self, visit: Uuid) -> Result<Arc<Vec<Entry>>, ApiError> {
        let logs = Arc::clone(&self.logs);
        self.run(move |store| logs.of(store, visit)).await
    }

    /// Visits as their logs leave them; what nothing came to is not read again. A few at a time: a tick at
    /// the table never waits for all.
    pub(crate) async fn folded(&self, heads: Vec<VisitHead>) -> Result<Vec<Arc<Folded>>, ApiError> {
        let mut all = Vec::with_capacity(heads.len());
        for some in heads.chunks(AT_ONCE) {
            let (some, folded) = (some.to_vec(), Arc::clone(&self.folded));
            let read = move |store: &mut Store| {
                some.into_iter()
                    .map(|head| folded.of(store, head))
                    .collect()
            };
            let read: Vec<Arc<Folded>> = self.run(read).await?;
            all.extend(read);
        }
        Ok(all)
    }
}

/// Places for work on this machine's cores, shared by all who ask.
struct Gate {
    /// Who may be let in at all, waiting or at work.
    places: Arc<Semaphore>,
    /// Who may be at work.
    turns: Arc<Semaphore>,
}

impl Gate {
    fn of(at_work: usize, let_in: usize) -> Self {
        Self {
            places: Arc::new(Semaphore::new(let_in)),
            turns: Arc::new(Semaphore::new(at_work)),
        }
    }
}

/// So many computations a core are let in; those beyond are asked to come again, before the queue is
/// longer than a person waits: four plans of the slowest dog are under half a second.
const LET_IN_A_CORE: usize = 4;

static COMPUTATIONS: LazyLock<Gate> = LazyLock::new(|| {
    let cores = std::thread::available_parallelism().map_or(2, NonZero::get);
    Gate::of(cores, cores * LET_IN_A_CORE)
});

/// Runs small work off the async threads, at once: what a tick at the table needs never waits for plans
/// and papers.
pub(crate) async fn at_once<T: Send + 'static>(
    work: impl FnOnce() -> T + Send + 'static,
) -> Result<T, ApiError> {
    web::block(work).await.map_err(|_| ApiError::CutOff)
}

/// Runs a computation off the async threads, without the store: no more at once than there are cores.
///
/// # Errors
/// [`ApiError::Busy`] where too many wait already; otherwise the computation's own.
pub(crate) async fn compute<T: Send + 'static>(
    work: impl FnOnce() -> Result<T, ApiError> + Send + 'static,
) -> Result<T, ApiError> {
    let gate = &*COMPUTATIONS;
    let place = Arc::clone(&gate.places).try_acquire_owned();
    let place = place.map_err(|_| ApiError::Busy)?;
    let turn = Arc::clone(&gate.turns).acquire_owned().await;
    let turn = turn.map_err(|_| ApiError::CutOff)?;
    web::block(move || {
        let result = work();
        // Given back by the work itself: whoever asked may be gone before it ends.
        drop((turn, place));
        result
    })
    .await
    .map_err(|_| ApiError::CutOff)?
}
