use actix_web::{get, put, web};
use serde::{Deserialize, Serialize};
use utoipa::{IntoParams, ToSchema};
use uuid::Uuid;
use veliform_core::desk::Desk;
use veliform_core::dog::{Dog, House};
use veliform_core::drawing::{DrawOptions, Drawing, Layers};
use veliform_core::visit::{Entry, fold};
use veliform_store::DogListing;

use crate::blocking::{Salon, compute};
use crate::body::Json;
use crate::error::{ApiError, ErrorBody};

/// A dog in the studio's list.
#[derive(Debug, Serialize, ToSchema)]
pub struct DogCard {
    dog: Dog,
    /// Its latest visit.
    last_visit: Option<VisitCard>,
    /// Its outline, small.
    outline: Drawing,
}

/// A visit in a list.
#[derive(Debug, Serialize, ToSchema)]
pub struct VisitCard {
    id: Uuid,
    began_ms: i64,
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
    /// Letters in its name or its owner's; all dogs without.
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
    let find = find.trim().to_lowercase();
    let (listed, house) = salon
        .run(move |store| {
            let mut dogs = store.dogs()?;
            dogs.retain(|listing| {
                let Dog { name, owner, .. } = &listing.dog;
                [name, owner]
                    .iter()
                    .any(|n| n.to_lowercase().contains(&find))
            });
            dogs.sort_by_key(|d| std::cmp::Reverse(d.last_visit.map(|(_, began_ms)| began_ms)));
            let listed = dogs
                .into_iter()
                .take(most.min(MOST_DOGS))
                .map(|listing| {
                    let entries = match listing.last_visit {
                        Some((id, _)) => store.visit(id, 0)?.entries,
                        None => Vec::new(),
                    };
                    Ok((listing, entries))
                })
                .collect::<Result<Vec<_>, ApiError>>()?;
            Ok((listed, store.house()?))
        })
        .await?;
    let cards = compute(move || {
        let card = |(listing, entries): (DogListing, Vec<Entry>)| DogCard {
            outline: outline(&listing.dog, &entries, &house),
            dog: listing.dog,
            last_visit: listing
                .last_visit
                .map(|(id, began_ms)| VisitCard { id, began_ms }),
        };
        Ok(listed.into_iter().map(card).collect())
    })
    .await?;
    Ok(web::Json(cards))
}

/// The dog as it came to its latest visit, without table or marks.
fn outline(dog: &Dog, entries: &[Entry], house: &House) -> Drawing {
    let visit = fold(dog, entries);
    let layers = Layers {
        table: false,
        skin: false,
        ..Layers::default()
    };
    let options = DrawOptions {
        layers,
        ..DrawOptions::default()
    };
    Desk::new(dog, &visit, house, &[]).draw(None, &options)
}

/// One dog with its visits.
#[utoipa::path(responses((status = 200, body = DogWithVisits), (status = 404, body = ErrorBody)))]
#[get("/dogs/{id}")]
pub(crate) async fn get_dog(
    salon: web::Data<Salon>,
    id: web::Path<Uuid>,
) -> Result<web::Json<DogWithVisits>, ApiError> {
    let id = id.into_inner();
    let found = salon
        .run(move |store| {
            let visits = store.visits_of(id)?;
            Ok(DogWithVisits {
                dog: store.dog(id)?,
                visits: visits
                    .into_iter()
                    .map(|v| VisitCard {
                        id: v.id,
                        began_ms: v.began_ms,
                    })
                    .collect(),
            })
        })
        .await?;
    Ok(web::Json(found))
}

/// Keeps a new dog, or a correction of one.
#[utoipa::path(responses((status = 200, body = Dog), (status = 422, body = ErrorBody)))]
#[put("/dogs/{id}")]
pub(crate) async fn put_dog(
    salon: web::Data<Salon>,
    id: web::Path<Uuid>,
    dog: Json<Dog>,
) -> Result<web::Json<Dog>, ApiError> {
    let dog = Dog {
        id: id.into_inner(),
        ..dog.into_inner()
    };
    let problems = dog.check();
    if !problems.is_empty() {
        return Err(ApiError::Fields(problems));
    }
    let kept = salon
        .run(move |store| {
            store.put_dog(&dog, jiff::Timestamp::now().as_millisecond())?;
            Ok(dog)
        })
        .await?;
    Ok(web::Json(kept))
}
