use actix_web::http::header;
use actix_web::{HttpResponse, get, post, web};
use serde::Serialize;
use utoipa::ToSchema;
use uuid::Uuid;
use veliform_formats::{VisitRecord, read_dog_file, write_dog_file};
use veliform_store::Store;

use crate::blocking::{Salon, compute};
use crate::clock::now_ms;
use crate::demo::into_import;
use crate::error::{ApiError, ErrorBody};

/// A dog's visits with their entries and plans, as a dog file holds them.
pub(crate) fn records(store: &Store, dog: Uuid) -> Result<Vec<VisitRecord>, ApiError> {
    store
        .visits_of(dog)?
        .into_iter()
        .map(|head| {
            let plans = store.plans_of(head.id)?;
            for plan in &plans.unreadable {
                // It stays in the data file; a dog file holds only what can be read again.
                tracing::warn!(
                    "plan {} of visit {} does not read: left out",
                    plan.id,
                    head.id
                );
            }
            Ok(VisitRecord {
                id: head.id,
                began_ms: head.began_ms,
                entries: store.visit(head.id, 0)?.entries,
                plans: plans.plans,
            })
        })
        .collect()
}

/// A dog with its visits as a dog file.
#[utoipa::path(responses(
    (status = 200, content_type = "application/json", body = serde_json::Value),
    (status = 404, body = ErrorBody)
))]
#[get("/dogs/{id}/file")]
pub(crate) async fn export_dog(
    salon: web::Data<Salon>,
    id: web::Path<Uuid>,
) -> Result<HttpResponse, ApiError> {
    let id = id.into_inner();
    let (dog, visits) = salon
        .run(move |store| Ok((store.dog(id)?, records(store, id)?)))
        .await?;
    let (name, bytes) = compute(move || {
        let bytes = write_dog_file(&dog, &visits)?;
        Ok((dog.name, bytes))
    })
    .await?;
    Ok(HttpResponse::Ok()
        .content_type("application/json; charset=utf-8")
        .insert_header((header::CONTENT_DISPOSITION, attachment(&name, "dog.json")))
        .body(bytes))
}

/// A file name a browser can save: plain letters and figures only.
pub(crate) fn attachment(name: &str, ending: &str) -> String {
    let plain: String = name
        .chars()
        .map(|c| if c.is_ascii_alphanumeric() { c } else { '-' })
        .take(40)
        .collect();
    format!("attachment; filename=\"{plain}.{ending}\"")
}

/// What came in with a dog file.
#[derive(Debug, Serialize, ToSchema)]
pub struct Imported {
    dog: Uuid,
    name: String,
    visits: usize,
}

/// Takes a dog file in, all or nothing.
#[utoipa::path(
    request_body(content = String, content_type = "application/json"),
    responses(
        (status = 200, body = Imported),
        (status = 409, body = ErrorBody),
        (status = 413, body = ErrorBody),
        (status = 422, body = ErrorBody)
    )
)]
#[post("/dogs/import")]
pub(crate) async fn import_dog(
    salon: web::Data<Salon>,
    body: Result<web::Bytes, actix_web::Error>,
) -> Result<web::Json<Imported>, ApiError> {
    let body = body.map_err(|_| {
        ApiError::TooLarge("the dog file is larger than Veliform reads; export fewer visits".into())
    })?;
    let (dog, visits) = compute(move || {
        let file = read_dog_file(&body)?;
        let visits = file.visits.into_iter().map(into_import);
        Ok((file.dog, visits.collect::<Result<Vec<_>, ApiError>>()?))
    })
    .await?;
    let imported = salon
        .run(move |store| {
            store.import(&dog, &visits, now_ms())?;
            Ok(Imported {
                dog: dog.id,
                name: dog.name,
                visits: visits.len(),
            })
        })
        .await?;
    Ok(web::Json(imported))
}

/// The JSON Schema of the dog file.
#[utoipa::path(responses((status = 200, content_type = "application/schema+json", body = serde_json::Value)))]
#[get("/schema/dog-file")]
pub(crate) async fn get_schema() -> Result<HttpResponse, ApiError> {
    Ok(HttpResponse::Ok()
        .content_type("application/schema+json")
        .json(veliform_formats::schema()?))
}
