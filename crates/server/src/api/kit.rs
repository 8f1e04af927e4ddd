use actix_web::{HttpRequest, HttpResponse, get, put, web};
use uuid::Uuid;
use veliform_core::dog::House;
use veliform_core::kit::{Tool, check_tool};

use crate::blocking::Salon;
use crate::body::{Json, Whole};
use crate::clock::now_ms;
use crate::error::{ApiError, ErrorBody};
use crate::versions::{known_version, tag};

/// Settings with the version they stand at.
fn answer((house, version): (House, i64)) -> HttpResponse {
    HttpResponse::Ok().insert_header(tag(version)).json(house)
}

/// The salon's settings; `ETag` is the version they stand at.
#[utoipa::path(responses((status = 200, body = House)))]
#[get("/house")]
pub(crate) async fn get_house(salon: web::Data<Salon>) -> Result<HttpResponse, ApiError> {
    Ok(answer(salon.run(|store| Ok(store.house_version()?)).await?))
}

/// Keeps the salon's settings, all of them: `If-Match` says which version they were changed from
/// (RFC 9110, 13.1.1).
#[utoipa::path(
    request_body = House,
    params(("If-Match" = String, Header, description = "The `ETag` the settings were read with.")),
    responses(
        (status = 200, body = House),
        (status = 412, body = ErrorBody),
        (status = 422, body = ErrorBody),
        (status = 428, body = ErrorBody)
    )
)]
#[put("/house")]
pub(crate) async fn put_house(
    salon: web::Data<Salon>,
    request: HttpRequest,
    sent: Json<Whole<House>>,
) -> Result<HttpResponse, ApiError> {
    let known = known_version(&request).ok_or(ApiError::Unconditional)?;
    let house = sent.into_inner().0;
    let problems = house.check();
    if !problems.is_empty() {
        return Err(ApiError::Fields(problems));
    }
    let kept = salon
        .run(move |store| {
            store.change_house(&house, known, now_ms())?;
            Ok(store.house_version()?)
        })
        .await?;
    Ok(answer(kept))
}

/// The kit, the shortest first.
#[utoipa::path(responses((status = 200, body = Vec<Tool>)))]
#[get("/kit")]
pub(crate) async fn get_kit(salon: web::Data<Salon>) -> Result<web::Json<Vec<Tool>>, ApiError> {
    Ok(web::Json(salon.run(|store| Ok(store.kit()?)).await?))
}

/// Adds, corrects or retires a tool.
#[utoipa::path(responses((status = 200, body = Vec<Tool>), (status = 422, body = ErrorBody)))]
#[put("/kit/{id}")]
pub(crate) async fn put_tool(
    salon: web::Data<Salon>,
    id: web::Path<Uuid>,
    tool: Json<Tool>,
) -> Result<web::Json<Vec<Tool>>, ApiError> {
    let tool = Tool {
        id: id.into_inner(),
        ..tool.into_inner()
    };
    let kit = salon
        .run(move |store| {
            let problems = check_tool(&tool, store.house()?.units);
            if !problems.is_empty() {
                return Err(ApiError::Fields(problems));
            }
            store.put_tool(&tool, now_ms())?;
            Ok(store.kit()?)
        })
        .await?;
    Ok(web::Json(kit))
}
