use actix_web::{get, post, put, web};
use serde::{Deserialize, Serialize};
use utoipa::{IntoParams, ToSchema};
use uuid::Uuid;
use veliform_core::dog::Dog;
use veliform_core::run::RunEvent;
use veliform_core::salon_log::tool_after;
use veliform_core::visit::{Entry, EntryBody};
use veliform_store::Store;

use crate::blocking::Salon;
use crate::error::{ApiError, ErrorBody};

/// A visit to begin.
#[derive(Debug, Deserialize, ToSchema)]
pub struct NewVisit {
    dog: Uuid,
    /// Milliseconds since 1970 in UTC.
    began_ms: i64,
}

/// A visit with its log.
#[derive(Debug, Serialize, ToSchema)]
pub struct VisitLog {
    id: Uuid,
    dog: Dog,
    began_ms: i64,
    /// Entries received after what was asked for.
    entries: Vec<Entry>,
    /// Number of the last entry received.
    last: i64,
}

/// What a screen has seen.
#[derive(Debug, Deserialize, IntoParams)]
pub struct Seen {
    /// Number of the last entry it has.
    #[serde(default)]
    after: i64,
}

/// Entries to keep.
#[derive(Debug, Deserialize, ToSchema)]
pub struct NewEntries {
    entries: Vec<Entry>,
}

/// What became of entries sent.
#[derive(Debug, Serialize, ToSchema)]
pub struct Kept {
    /// How many were new.
    new: usize,
    /// Number of the last entry received.
    last: i64,
}

/// Most entries in one request.
const MOST_ENTRIES: usize = 2000;

/// Begins a visit; the same again changes nothing.
#[utoipa::path(responses((status = 200, body = VisitLog), (status = 404, body = ErrorBody)))]
#[put("/visits/{id}")]
pub(crate) async fn put_visit(
    salon: web::Data<Salon>,
    id: web::Path<Uuid>,
    visit: web::Json<NewVisit>,
) -> Result<web::Json<VisitLog>, ApiError> {
    let (id, visit) = (id.into_inner(), visit.into_inner());
    let log = salon
        .run(move |store| {
            store.begin_visit(id, visit.dog, visit.began_ms)?;
            read(store, id, 0)
        })
        .await?;
    Ok(web::Json(log))
}

/// A visit, with the entries a screen has not seen.
#[utoipa::path(params(Seen), responses((status = 200, body = VisitLog), (status = 404, body = ErrorBody)))]
#[get("/visits/{id}")]
pub(crate) async fn get_visit(
    salon: web::Data<Salon>,
    id: web::Path<Uuid>,
    seen: web::Query<Seen>,
) -> Result<web::Json<VisitLog>, ApiError> {
    let (id, after) = (id.into_inner(), seen.after);
    Ok(web::Json(
        salon.run(move |store| read(store, id, after)).await?,
    ))
}

fn read(store: &Store, id: Uuid, after: i64) -> Result<VisitLog, ApiError> {
    let log = store.visit(id, after)?;
    Ok(VisitLog {
        id,
        dog: store.dog(log.head.dog)?,
        began_ms: log.head.began_ms,
        entries: log.entries,
        last: log.last,
    })
}

/// Keeps entries, all or none; one that comes twice counts once.
#[utoipa::path(responses(
    (status = 200, body = Kept),
    (status = 404, body = ErrorBody),
    (status = 409, body = ErrorBody),
    (status = 422, body = ErrorBody)
))]
#[post("/visits/{id}/entries")]
pub(crate) async fn append_entries(
    salon: web::Data<Salon>,
    id: web::Path<Uuid>,
    body: web::Json<NewEntries>,
) -> Result<web::Json<Kept>, ApiError> {
    let (id, entries) = (id.into_inner(), body.into_inner().entries);
    if entries.len() > MOST_ENTRIES {
        return Err(ApiError::TooLarge(format!(
            "{} entries at once are more than the {MOST_ENTRIES} taken; send them in parts",
            entries.len()
        )));
    }
    let kept = salon
        .run(move |store| {
            let kept = store.append(id, &entries)?;
            if kept.new > 0 {
                note_tools(store, &entries)?;
            }
            Ok(kept)
        })
        .await?;
    Ok(web::Json(Kept {
        new: kept.new,
        last: kept.last,
    }))
}

/// What is noticed of a tool at the table stands in the kit from then on.
fn note_tools(store: &mut Store, entries: &[Entry]) -> Result<(), ApiError> {
    for entry in entries {
        let EntryBody::Run {
            event: RunEvent::ToolNoted { tool, word },
        } = &entry.body
        else {
            continue;
        };
        let known = store.kit()?.into_iter().find(|t| t.id == *tool);
        if let Some(changed) = known.and_then(|t| tool_after(&t, *word)) {
            store.put_tool(&changed, entry.at_ms)?;
        }
    }
    Ok(())
}
