use actix_web::{get, post, put, web};
use serde::{Deserialize, Serialize};
use utoipa::{IntoParams, ToSchema};
use uuid::Uuid;
use veliform_core::dog::Dog;
use veliform_core::visit::{Entry, known, refusals};
use veliform_formats::read_json;
use veliform_store::{Store, StoreError};

use super::next_visit::brought;
use super::past::{PlansRead, read_before};
use crate::blocking::{Salon, at_once, compute};
use crate::body::Json;
use crate::clock::now_ms;
use crate::error::{ApiError, ErrorBody, sentence};

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
    /// The salon it belongs to.
    salon: Uuid,
    /// This machine's clock, by which a screen sets its own: milliseconds since 1970 in UTC.
    now_ms: i64,
    /// Entries received after what was asked for.
    entries: Vec<Entry>,
    /// Number of the last entry received.
    last: i64,
    /// Whether more came after the last: an answer holds so many and no more.
    has_more: bool,
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
    /// The salon they were said in; where another answers, nothing is kept.
    #[serde(default)]
    salon: Option<Uuid>,
    /// Each is read by itself: one that does not read keeps none of the others from being kept.
    #[schema(value_type = Vec<Entry>)]
    entries: Vec<serde_json::Value>,
}

/// What became of entries sent.
#[derive(Debug, Serialize, ToSchema)]
pub struct Kept {
    /// How many were new.
    new: usize,
    /// Number of the last entry received.
    last: i64,
    /// Those that were not kept, each with why.
    refused: Vec<RefusedEntry>,
}

/// An entry that was not kept.
#[derive(Debug, Serialize, ToSchema)]
pub struct RefusedEntry {
    /// Its place among those sent, from 0.
    place: usize,
    /// One sentence: what is wrong and what to do.
    detail: String,
}

/// Entries that read, with their places, and those that do not.
fn read_entries(sent: Vec<serde_json::Value>) -> (Vec<(usize, Entry)>, Vec<RefusedEntry>) {
    let (mut good, mut refused) = (Vec::new(), Vec::new());
    for (place, value) in sent.into_iter().enumerate() {
        let read = longest_text(&value).and_then(|()| {
            read_json::<Entry>(value.to_string().as_bytes()).map_err(|e| e.to_string())
        });
        let on_a_calendar = |entry: Entry| {
            dated(entry.at_ms)?;
            dated(entry.stamp())?;
            Ok(entry)
        };
        match read.and_then(on_a_calendar) {
            Ok(entry) => good.push((place, entry)),
            Err(why) => refused.push(RefusedEntry {
                place,
                detail: sentence(&why),
            }),
        }
    }
    (good, refused)
}

/// Most letters in one text: two closely written pages.
const MOST_LETTERS: usize = 6000;

/// Refuses a text that nobody would read again, wherever it stands.
fn longest_text(value: &serde_json::Value) -> Result<(), String> {
    match value {
        serde_json::Value::String(text) => {
            let letters = text.chars().count();
            if letters > MOST_LETTERS {
                return Err(format!(
                    "a text of {letters} letters is longer than is saved, {MOST_LETTERS}; shorten it"
                ));
            }
            Ok(())
        }
        serde_json::Value::Array(list) => list.iter().try_for_each(longest_text),
        serde_json::Value::Object(fields) => fields.values().try_for_each(longest_text),
        _ => Ok(()),
    }
}

/// The first and the last moment that can be written on a paper: the years 1900 to 2199, ms since 1970.
const DATED_MS: (i64, i64) = (-2_208_988_800_000, 7_258_118_400_000);

/// Refuses a moment that no calendar of a salon holds.
pub(crate) fn dated(at_ms: i64) -> Result<(), String> {
    if (DATED_MS.0..DATED_MS.1).contains(&at_ms) {
        return Ok(());
    }
    Err("the date lies outside the years 1900 to 2199; set the clock of this device".into())
}

/// Entries that can count at this visit, and those that cannot, each with why.
fn tell_apart(
    dog: &Dog,
    log: &[Entry],
    new: Vec<(usize, Entry)>,
) -> (Vec<(usize, Entry)>, Vec<RefusedEntry>) {
    let entries: Vec<Entry> = new.iter().map(|(_, e)| e.clone()).collect();
    let (mut good, mut refused) = (Vec::new(), Vec::new());
    for (sent, why) in new.into_iter().zip(refusals(dog, log, &entries)) {
        match why {
            None => good.push(sent),
            Some(why) => refused.push(RefusedEntry {
                place: sent.0,
                detail: sentence(&why),
            }),
        }
    }
    (good, refused)
}

/// Most entries in one request, and in one answer.
const MOST_ENTRIES: usize = 2000;

/// Begins a visit with what is known of the dog, and answers with it; the same again changes nothing, and
/// a dog that another screen began a visit of goes on with that one.
#[utoipa::path(responses((status = 200, body = VisitLog), (status = 404, body = ErrorBody)))]
#[put("/visits/{id}")]
pub(crate) async fn put_visit(
    salon: web::Data<Salon>,
    id: web::Path<Uuid>,
    visit: Json<NewVisit>,
) -> Result<web::Json<VisitLog>, ApiError> {
    let (id, visit) = (id.into_inner(), visit.into_inner());
    dated(visit.began_ms).map_err(ApiError::Body)?;
    let began_ms = visit.began_ms;
    let before = read_before(&salon, visit.dog, began_ms, PlansRead::TheLast).await?;
    let known = compute(move || {
        let (dog, earlier) = before.folded();
        Ok(known(&dog, &earlier, began_ms))
    })
    .await?;
    let entry = known.map(|known| brought(id, began_ms, known));
    let log = salon
        .run(move |store| {
            let id = store.begin_visit(id, visit.dog, began_ms, entry.as_slice())?;
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
    let log = store.visit_part(id, after, MOST_ENTRIES)?;
    Ok(VisitLog {
        id,
        dog: store.dog(log.head.dog)?.at(log.head.began_ms),
        began_ms: log.head.began_ms,
        salon: store.salon_id()?,
        now_ms: now_ms(),
        has_more: log.entries.len() == MOST_ENTRIES,
        entries: log.entries,
        last: log.last,
    })
}

/// Keeps entries; one that comes twice counts once. What cannot be kept is named, and keeps none of the
/// others from being kept.
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
    body: Json<NewEntries>,
) -> Result<web::Json<Kept>, ApiError> {
    let (id, NewEntries { salon: of, entries }) = (id.into_inner(), body.into_inner());
    if entries.len() > MOST_ENTRIES {
        return Err(ApiError::TooLarge(format!(
            "{} entries at once are more than the {MOST_ENTRIES} taken; send them in parts",
            entries.len()
        )));
    }
    let sent = entries.len();
    let (good, mut refused) = read_entries(entries);
    let dog = salon
        .run(move |store| {
            if of.is_some_and(|of| store.salon_id().is_ok_and(|here| here != of)) {
                return Err(ApiError::OtherSalon);
            }
            Ok(store.dog(store.visit_head(id)?.dog)?)
        })
        .await?;
    let log = salon.log(id).await?;
    let (good, cannot_be) = at_once(move || tell_apart(&dog, &log, good)).await?;
    refused.extend(cannot_be);
    let (places, good): (Vec<usize>, Vec<Entry>) = good.into_iter().unzip();
    let ids: Vec<Uuid> = good.iter().map(|e| e.id).collect();
    let kept = salon.run(move |store| Ok(store.append(id, &good)?)).await?;
    let in_conflict = kept.conflicts.iter().filter_map(|id| {
        let place = ids.iter().position(|other| other == id)?;
        let conflict = StoreError::Conflict {
            what: "entry",
            id: *id,
        };
        Some((places[place], conflict))
    });
    let conflicts: Vec<(usize, StoreError)> = in_conflict.collect();
    // Where nothing could be kept the request itself has failed.
    if sent > 0 && conflicts.len() + refused.len() == sent {
        let first = refused.into_iter().next().map(|r| ApiError::Body(r.detail));
        let conflict = conflicts.into_iter().next().map(|(_, c)| c.into());
        return Err(first.or(conflict).unwrap_or(ApiError::CutOff));
    }
    refused.extend(conflicts.into_iter().map(|(place, conflict)| RefusedEntry {
        place,
        detail: sentence(&conflict.to_string()),
    }));
    refused.sort_by_key(|r| r.place);
    Ok(web::Json(Kept {
        new: kept.new,
        last: kept.last,
        refused,
    }))
}
