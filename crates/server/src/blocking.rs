use std::sync::{Arc, Mutex, PoisonError};

use actix_web::web;
use veliform_store::Store;

use crate::error::ApiError;

/// The salon's data, shared by the workers.
#[derive(Clone, Debug)]
pub struct Salon(Arc<Mutex<Store>>);

impl Salon {
    /// Shares a store.
    pub fn new(store: Store) -> Self {
        Self(Arc::new(Mutex::new(store)))
    }

    /// Runs one use case off the async threads.
    pub(crate) async fn run<T: Send + 'static>(
        &self,
        work: impl FnOnce(&mut Store) -> Result<T, ApiError> + Send + 'static,
    ) -> Result<T, ApiError> {
        let store = Arc::clone(&self.0);
        web::block(move || {
            // A panic in an earlier use case rolled its transaction back: the store is sound.
            let mut store = store.lock().unwrap_or_else(PoisonError::into_inner);
            work(&mut store)
        })
        .await
        .map_err(|_| ApiError::CutOff)?
    }
}

/// Runs a computation off the async threads.
pub(crate) async fn compute<T: Send + 'static>(
    work: impl FnOnce() -> Result<T, ApiError> + Send + 'static,
) -> Result<T, ApiError> {
    web::block(work).await.map_err(|_| ApiError::CutOff)?
}
