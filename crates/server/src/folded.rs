use std::num::NonZero;
use std::sync::{Arc, Mutex, PoisonError};

use lru::LruCache;
use uuid::Uuid;
use veliform_core::dog::Dog;
use veliform_core::drawing::Drawing;
use veliform_core::grow::Return;
use veliform_core::visit::{PlanInBrief, Visit, fold};
use veliform_store::{Store, VisitHead};

use crate::error::ApiError;

/// Visits whose folded logs are remembered, those asked for last: what the salon's log is read for, and some
/// screens of dogs besides.
const MOST_VISITS: NonZero<usize> = NonZero::new(300).expect("more than none");

/// A visit as its log leaves it, with its dog.
#[derive(Debug)]
pub(crate) struct Folded {
    /// The dog as it stands today.
    pub dog: Dog,
    /// What all entries together say.
    pub visit: Visit,
    /// The plan kept with it, in brief, where lengths were measured after it: what was really left is held
    /// against it.
    pub plan: Option<PlanInBrief>,
    /// How it is drawn in a list, and by which version of the salon's settings.
    outline: Mutex<Option<(i64, Drawing)>>,
    /// When the dog comes back, if anything says so, and by which version of the settings.
    back: Mutex<Option<(i64, Option<Return>)>>,
}

impl Folded {
    /// When the dog comes back under these settings: worked out once.
    pub(crate) fn back(
        &self,
        settings: i64,
        work_out: impl FnOnce(&Self) -> Option<Return>,
    ) -> Option<Return> {
        let mut known = self.back.lock().unwrap_or_else(PoisonError::into_inner);
        match &*known {
            Some((of, back)) if *of == settings => back.clone(),
            _ => known.insert((settings, work_out(self))).1.clone(),
        }
    }

    /// How it is drawn in a list under these settings: drawn once.
    pub(crate) fn outline(&self, settings: i64, draw: impl FnOnce(&Self) -> Drawing) -> Drawing {
        let mut drawn = self.outline.lock().unwrap_or_else(PoisonError::into_inner);
        match &*drawn {
            Some((of, outline)) if *of == settings => outline.clone(),
            _ => drawn.insert((settings, draw(self))).1.clone(),
        }
    }
}

/// Folded visits by their ids. A log only ever grows: while nothing was received since and the dog was not
/// corrected, a visit stands as it did.
#[derive(Debug)]
pub(crate) struct FoldedVisits(Mutex<LruCache<Uuid, Known>>);

impl Default for FoldedVisits {
    fn default() -> Self {
        Self(Mutex::new(LruCache::new(MOST_VISITS)))
    }
}

#[derive(Debug)]
struct Known {
    /// What it was made of: the last entry received, the dog and the version it stood at.
    of: (i64, Uuid, i64),
    folded: Arc<Folded>,
}

impl FoldedVisits {
    /// A visit as the store has it now.
    pub(crate) fn of(&self, store: &mut Store, head: VisitHead) -> Result<Arc<Folded>, ApiError> {
        let (dog, version) = store.dog_version(head.dog)?;
        let of = (store.last_received(head.id)?, head.dog, version);
        let mut known = self.0.lock().unwrap_or_else(PoisonError::into_inner);
        if let Some(same) = known.get(&head.id).filter(|known| known.of == of) {
            return Ok(Arc::clone(&same.folded));
        }
        let visit = fold(&dog, &store.visit(head.id, 0)?.entries);
        let plan = if visit.results.is_empty() {
            None
        } else {
            store.newest_brief_of(head.id)?
        };
        let folded = Arc::new(Folded {
            dog,
            visit,
            plan,
            outline: Mutex::default(),
            back: Mutex::default(),
        });
        let remembered = Known {
            of,
            folded: Arc::clone(&folded),
        };
        known.put(head.id, remembered);
        Ok(folded)
    }
}
