use actix_web::{get, web};
use uuid::Uuid;
use veliform_core::dog::Dog;
use veliform_core::visit::{EarlierVisit, KeptPlan, Past, PlanInBrief, fold, of_this_season, past};
use veliform_store::{Store, VisitLog};

use crate::blocking::{Salon, compute};
use crate::error::{ApiError, ErrorBody};

/// Most earlier visits read: years of them.
const MOST_VISITS: usize = 60;

/// What a dog's earlier visits tell this one.
#[utoipa::path(responses((status = 200, body = Past), (status = 404, body = ErrorBody)))]
#[get("/visits/{id}/past")]
pub(crate) async fn get_past(
    salon: web::Data<Salon>,
    id: web::Path<Uuid>,
) -> Result<web::Json<Past>, ApiError> {
    let id = id.into_inner();
    let head = salon.run(move |store| Ok(store.visit_head(id)?)).await?;
    let read = read_before(&salon, head.dog, head.began_ms, PlansRead::InBrief).await?;
    let answer = compute(move || {
        let (_, earlier) = read.folded();
        Ok(past(&earlier, head.began_ms))
    })
    .await?;
    Ok(web::Json(answer))
}

/// A dog with what was said and kept at its earlier visits, as it is read.
pub(super) struct Before {
    dog: Dog,
    visits: Vec<(VisitLog, Option<KeptPlan>, Option<PlanInBrief>)>,
}

/// What is read of the plans: the last is read whole, for its recipe, and with the others the one of this
/// time of the year.
#[derive(Clone, Copy, PartialEq, Eq)]
pub(super) enum PlansRead {
    /// Every other in brief.
    InBrief,
    /// What comes along to the next visit asks for no other.
    TheLast,
}

/// Reads a dog's visits that began before a moment, the newest of them.
pub(super) async fn read_before(
    salon: &Salon,
    dog: Uuid,
    before_ms: i64,
    plans: PlansRead,
) -> Result<Before, ApiError> {
    let (dog, heads) = salon
        .run(move |store| {
            let mut heads = store.visits_of(dog)?;
            heads.retain(|v| v.began_ms < before_ms);
            heads.truncate(MOST_VISITS);
            Ok((store.dog(dog)?, heads))
        })
        .await?;
    let began: Vec<i64> = heads.iter().map(|head| head.began_ms).collect();
    let of_season = of_this_season(&began, before_ms).filter(|_| plans == PlansRead::InBrief);
    let mut visits = Vec::with_capacity(heads.len());
    for (place, head) in heads.into_iter().enumerate() {
        // Newest first.
        let is_whole = place == 0 || of_season == Some(place);
        // One at a time: a tick at the table never waits for all.
        let read = move |store: &mut Store| {
            let plan = if is_whole {
                store.newest_plan_of(head.id)?
            } else {
                None
            };
            let in_brief = match plans {
                PlansRead::TheLast => plan.as_ref().map(PlanInBrief::of),
                PlansRead::InBrief => store.newest_brief_of(head.id)?,
            };
            Ok((store.visit(head.id, 0)?, plan, in_brief))
        };
        visits.push(salon.run(read).await?);
    }
    Ok(Before { dog, visits })
}

impl Before {
    /// Folds the logs: a computation.
    pub(super) fn folded(self) -> (Dog, Vec<EarlierVisit>) {
        let Self { dog, visits } = self;
        let earlier = visits
            .into_iter()
            .map(|(log, plan, in_brief)| EarlierVisit {
                id: log.head.id,
                began_ms: log.head.began_ms,
                visit: fold(&dog, &log.entries),
                plan,
                in_brief,
            })
            .collect();
        (dog, earlier)
    }
}
