use actix_web::{get, put, web};
use uuid::Uuid;
use veliform_core::dog::House;
use veliform_core::kit::{Tool, check_tool};

use crate::blocking::Salon;
use crate::body::Json;
use crate::error::{ApiError, ErrorBody};

fn now_ms() -> i64 {
    jiff::Timestamp::now().as_millisecond()
}

/// The salon's settings.
#[utoipa::path(responses((status = 200, body = House)))]
#[get("/house")]
pub(crate) async fn get_house(salon: web::Data<Salon>) -> Result<web::Json<House>, ApiError> {
    Ok(web::Json(salon.run(|store| Ok(store.house()?)).await?))
}

/// Keeps the salon's settings.
#[utoipa::path(responses((status = 200, body = House), (status = 422, body = ErrorBody)))]
#[put("/house")]
pub(crate) async fn put_house(
    salon: web::Data<Salon>,
    house: Json<House>,
) -> Result<web::Json<House>, ApiError> {
    let house = house.into_inner();
    let problems = house.check();
    if !problems.is_empty() {
        return Err(ApiError::Fields(problems));
    }
    let kept = salon
        .run(move |store| {
            store.put_house(&house, now_ms())?;
            Ok(store.house()?)
        })
        .await?;
    Ok(web::Json(kept))
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
