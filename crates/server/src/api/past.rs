use actix_web::{get, web};
use uuid::Uuid;
use veliform_core::visit::{EarlierVisit, Past, fold, past};
use veliform_store::Store;

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
    let (dog, heads, began_ms) = salon
        .run(move |store| {
            let head = store.visit_head(id)?;
            let mut heads = store.visits_of(head.dog)?;
            heads.retain(|v| v.began_ms < head.began_ms);
            heads.truncate(MOST_VISITS);
            Ok((store.dog(head.dog)?, heads, head.began_ms))
        })
        .await?;
    let mut earlier = Vec::with_capacity(heads.len());
    for head in heads {
        // One at a time: a tick at the table never waits for all.
        let read =
            move |store: &mut Store| Ok((store.visit(head.id, 0)?, store.newest_plan_of(head.id)?));
        earlier.push(salon.run(read).await?);
    }
    let answer = compute(move || {
        let earlier: Vec<EarlierVisit> = earlier
            .into_iter()
            .map(|(log, plan)| EarlierVisit {
                id: log.head.id,
                began_ms: log.head.began_ms,
                visit: fold(&dog, &log.entries),
                plan,
            })
            .collect();
        Ok(past(&earlier, began_ms))
    })
    .await?;
    Ok(web::Json(answer))
}
