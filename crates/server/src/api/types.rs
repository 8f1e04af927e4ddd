use actix_web::{get, post, web};
use serde::Deserialize;
use utoipa::ToSchema;
use uuid::Uuid;
use veliform_core::frame::{BuildType, FrameInput, OwnType};
use veliform_core::visit::fold;
use veliform_store::Store;

use crate::blocking::Salon;
use crate::body::Json;
use crate::error::{ApiError, ErrorBody};

/// A type to make from measured dogs.
#[derive(Debug, Deserialize, ToSchema)]
pub struct NewOwnType {
    id: Uuid,
    name: String,
    base: BuildType,
    /// Dogs whose last measured visit counts.
    dogs: Vec<Uuid>,
    /// Milliseconds since 1970 in UTC.
    at_ms: i64,
}

/// Types the salon made from its own measured dogs.
#[utoipa::path(responses((status = 200, body = Vec<OwnType>)))]
#[get("/own-types")]
pub(crate) async fn list_own_types(
    salon: web::Data<Salon>,
) -> Result<web::Json<Vec<OwnType>>, ApiError> {
    Ok(web::Json(salon.run(|store| Ok(store.own_types()?)).await?))
}

/// Makes a type from measured dogs.
#[utoipa::path(responses(
    (status = 200, body = OwnType),
    (status = 404, body = ErrorBody),
    (status = 422, body = ErrorBody)
))]
#[post("/own-types")]
pub(crate) async fn make_own_type(
    salon: web::Data<Salon>,
    new: Json<NewOwnType>,
) -> Result<web::Json<OwnType>, ApiError> {
    let new = new.into_inner();
    let own = salon
        .run(move |store| {
            let mut frames = Vec::new();
            for dog in &new.dogs {
                frames.extend(last_measured(store, *dog)?);
            }
            let own = OwnType::from_dogs(new.id, &new.name, new.base, &frames)
                .map_err(|problem| ApiError::Fields(vec![problem]))?;
            store.put_own_type(&own, new.at_ms)?;
            Ok(own)
        })
        .await?;
    Ok(web::Json(own))
}

/// The frame of a dog's newest visit at which something was measured.
fn last_measured(store: &Store, dog: Uuid) -> Result<Option<FrameInput>, ApiError> {
    let known = store.dog(dog)?;
    for visit in store.visits_of(dog)? {
        let frame = fold(&known, &store.visit(visit.id, 0)?.entries).frame;
        if !frame.measures.is_empty() {
            return Ok(Some(frame));
        }
    }
    Ok(None)
}
