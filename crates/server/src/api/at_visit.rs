use uuid::Uuid;
use veliform_core::desk::{Before, Desk};
use veliform_core::dog::{Dog, House};
use veliform_core::kit::Tool;
use veliform_core::visit::{Visit, fold};
use veliform_store::Store;

use super::desk::MADE_LAST;
use crate::error::ApiError;

/// A kept visit, with all that its desk stands on.
pub(crate) struct AtVisit {
    pub dog: Dog,
    pub house: House,
    pub kit: Vec<Tool>,
    pub visit: Visit,
    pub began_ms: i64,
    is_first: bool,
}

impl AtVisit {
    /// Reads a visit with its dog, the salon's settings and kit.
    pub(crate) fn read(store: &Store, visit: Uuid) -> Result<Self, ApiError> {
        let log = store.visit(visit, 0)?;
        let dog = store.dog(log.head.dog)?.at(log.head.began_ms);
        let mut visits = store.visits_of(log.head.dog)?.into_iter();
        Ok(Self {
            is_first: !visits.any(|v| v.began_ms < log.head.began_ms),
            visit: fold(&dog, &log.entries),
            dog,
            house: store.house()?,
            kit: store.kit()?,
            began_ms: log.head.began_ms,
        })
    }

    /// Puts it on the desk.
    pub(crate) fn desk(&self) -> Desk<'_> {
        let before = Before {
            is_first: self.is_first,
            ..Before::default()
        };
        Desk::new(&self.dog, &self.visit, &self.house, &self.kit)
            .with_before(before)
            .with_memo(&MADE_LAST)
    }
}
