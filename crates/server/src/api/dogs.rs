use actix_web::{HttpRequest, HttpResponse, get, put, web};
use serde::{Deserialize, Serialize};
use utoipa::{IntoParams, ToSchema};
use uuid::Uuid;
use veliform_core::desk::Desk;
use veliform_core::dog::{Dog, House, nearness};
use veliform_core::drawing::{DrawOptions, Drawing, Layers};
use veliform_core::run::{Here, here};
use veliform_core::visit::{Visit, fold};
use veliform_store::{DogName, VisitHead};

use super::belongings::ONE_DAY_MS;
use crate::blocking::{Salon, compute};
use crate::body::Json;
use crate::clock::now_ms;
use crate::error::{ApiError, ErrorBody};
use crate::folded::Folded;
use crate::versions::{known_version, tag};

/// A dog in the studio's list.
#[derive(Debug, Serialize, ToSchema)]
pub struct DogCard {
    dog: Dog,
    /// Its latest visit.
    last_visit: Option<VisitCard>,
    /// Where it is, if it is here today; none before.
    #[serde(skip_serializing_if = "Option::is_none")]
    here: Option<Here>,
    /// Its outline, small.
    outline: Drawing,
}

/// A visit in a list.
#[derive(Debug, Serialize, ToSchema)]
pub struct VisitCard {
    pub(super) id: Uuid,
    pub(super) began_ms: i64,
}

/// A dog with its visits.
#[derive(Debug, Serialize, ToSchema)]
pub struct DogWithVisits {
    dog: Dog,
    /// Newest first.
    visits: Vec<VisitCard>,
}

/// Which dogs are listed.
#[derive(Debug, Deserialize, IntoParams)]
pub struct Wanted {
    /// Its name or its owner's, as somebody types it: case and accents count for nothing, two letters of a
    /// word may slip; all dogs without.
    #[serde(default)]
    find: String,
    /// How many at most, up to 200.
    #[serde(default = "usual_most")]
    most: usize,
}

/// Dogs on one screen of the studio.
const fn usual_most() -> usize {
    24
}

/// Most dogs in one list: each is drawn.
const MOST_DOGS: usize = 200;

/// Dogs, the one that was here last first; those that never were come at the end.
#[utoipa::path(params(Wanted), responses((status = 200, body = Vec<DogCard>)))]
#[get("/dogs")]
pub(crate) async fn list_dogs(
    salon: web::Data<Salon>,
    wanted: web::Query<Wanted>,
) -> Result<web::Json<Vec<DogCard>>, ApiError> {
    let Wanted { find, most } = wanted.into_inner();
    let names = salon.run(|store| Ok(store.dog_names()?)).await?;
    let names = compute(move || Ok(found(names, &find, most.min(MOST_DOGS)))).await?;
    let came: Vec<VisitHead> = names.iter().filter_map(DogName::head).collect();
    let mut folded = salon.folded(came).await?.into_iter();
    let (listed, (house, settings)) = salon
        .run(move |store| {
            let listed = names.into_iter().map(|name| {
                // In the order of the names, where there was a visit.
                let folded = name.last_visit.and_then(|_| folded.next());
                Ok((store.dog(name.id)?, name.last_visit, folded))
            });
            let listed: Result<Vec<_>, ApiError> = listed.collect();
            Ok((listed?, store.house_version()?))
        })
        .await?;
    let cards = compute(move || {
        let cards = listed
            .into_iter()
            .map(|(dog, last, folded)| card(dog, last, folded.as_deref(), (&house, settings)));
        Ok(cards.collect())
    })
    .await?;
    Ok(web::Json(cards))
}

/// Dogs of a name, the nearest to what was typed first, of those the one that was here last. One that was
/// put away is found by its name, and stands in no list.
fn found(names: Vec<DogName>, typed: &str, most: usize) -> Vec<DogName> {
    if typed.trim().is_empty() {
        let here = names.into_iter().filter(|dog| !dog.is_put_away);
        return here.take(most).collect();
    }
    let mut near: Vec<(usize, DogName)> = names
        .into_iter()
        .filter_map(|dog| Some((nearness(typed, &dog.name, &dog.owner)?, dog)))
        .collect();
    near.sort_by_key(|(slips, _)| *slips);
    near.into_iter().take(most).map(|(_, dog)| dog).collect()
}

/// A dog as the list shows it.
fn card(
    dog: Dog,
    last: Option<(Uuid, i64)>,
    folded: Option<&Folded>,
    (house, settings): (&House, i64),
) -> DogCard {
    let now = now_ms();
    let run = folded.and_then(|folded| folded.visit.run.as_ref());
    DogCard {
        here: last.and_then(|(_, began_ms)| {
            // A groom that is only begun today brings an older visit back.
            let came_ms = run.map_or(began_ms, |run| run.began_ms);
            let is_here = (0..ONE_DAY_MS).contains(&(now - came_ms));
            is_here.then(|| here(run, now))
        }),
        outline: match folded {
            Some(folded) => folded.outline(settings, |f| outline(&f.dog, &f.visit, house)),
            None => outline(&dog, &fold(&dog, []), house),
        },
        last_visit: last.map(|(id, began_ms)| VisitCard { id, began_ms }),
        dog,
    }
}

/// The dog as it came to its latest visit, without table or marks.
fn outline(dog: &Dog, visit: &Visit, house: &House) -> Drawing {
    let layers = Layers {
        table: false,
        skin: false,
        ..Layers::default()
    };
    let options = DrawOptions {
        layers,
        is_small: true,
        ..DrawOptions::default()
    };
    Desk::new(dog, visit, house, &[]).draw(None, &options)
}

/// One dog with its visits; `ETag` is the version it stands at.
#[utoipa::path(responses((status = 200, body = DogWithVisits), (status = 404, body = ErrorBody)))]
#[get("/dogs/{id}")]
pub(crate) async fn get_dog(
    salon: web::Data<Salon>,
    id: web::Path<Uuid>,
) -> Result<HttpResponse, ApiError> {
    let id = id.into_inner();
    let (found, version) = salon
        .run(move |store| {
            let visits = store.visits_of(id)?;
            let (dog, version) = store.dog_version(id)?;
            let found = DogWithVisits {
                dog: dog.at(now_ms()),
                visits: visits
                    .into_iter()
                    .map(|v| VisitCard {
                        id: v.id,
                        began_ms: v.began_ms,
                    })
                    .collect(),
            };
            Ok((found, version))
        })
        .await?;
    Ok(HttpResponse::Ok().insert_header(tag(version)).json(found))
}

/// Keeps a new dog, or a correction of one: `If-Match` says which version was corrected, so that two
/// screens do not write over one another.
#[utoipa::path(
    request_body = Dog,
    params(("If-Match" = Option<String>, Header, description = "The `ETag` the dog was read with.")),
    responses(
        (status = 200, body = Dog),
        (status = 412, body = ErrorBody),
        (status = 422, body = ErrorBody)
    )
)]
#[put("/dogs/{id}")]
pub(crate) async fn put_dog(
    salon: web::Data<Salon>,
    id: web::Path<Uuid>,
    request: HttpRequest,
    dog: Json<Dog>,
) -> Result<web::Json<Dog>, ApiError> {
    let known = known_version(&request);
    let dog = Dog {
        id: id.into_inner(),
        ..dog.into_inner()
    };
    let mut problems = dog.check();
    problems.extend(dog.check_born(now_ms()));
    if !problems.is_empty() {
        return Err(ApiError::Fields(problems));
    }
    let kept = salon
        .run(move |store| {
            match known {
                Some(known) => store.correct_dog(&dog, known, now_ms())?,
                None => store.put_dog(&dog, now_ms())?,
            }
            Ok(dog)
        })
        .await?;
    Ok(web::Json(kept))
}
