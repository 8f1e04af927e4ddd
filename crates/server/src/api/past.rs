use actix_web::{get, web};
use uuid::Uuid;
use veliform_core::visit::{EarlierVisit, Past, fold, past};

use crate::blocking::Salon;
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
    let answer = salon
        .run(move |store| {
            let head = store.visit_head(id)?;
            let dog = store.dog(head.dog)?;
            let mut earlier = Vec::new();
            for visit in store
                .visits_of(head.dog)?
                .into_iter()
                .filter(|v| v.began_ms < head.began_ms)
                .take(MOST_VISITS)
            {
                earlier.push(EarlierVisit {
                    id: visit.id,
                    began_ms: visit.began_ms,
                    visit: fold(&dog, &store.visit(visit.id, 0)?.entries),
                    plan: store.plans_of(visit.id)?.plans.pop(),
                });
            }
            Ok(past(&earlier, head.began_ms))
        })
        .await?;
    Ok(web::Json(answer))
}
