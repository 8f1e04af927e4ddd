use actix_web::http::header::ETag;
use actix_web::{HttpRequest, HttpResponse, delete, get, post, put, web};
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;
use uuid::Uuid;
use veliform_core::dog::{AtHome, Dog, is_same_name};
use veliform_core::frame::Problem;
use veliform_store::{Store, StoreError};

use super::belongings::WhatGoes;
use super::dogs::VisitCard;
use crate::blocking::Salon;
use crate::body::Json;
use crate::clock::now_ms;
use crate::error::{ApiError, ErrorBody};
use crate::versions::{MadeFrom, tag_of_all};

/// A dog on its owner's card.
#[derive(Debug, Serialize, ToSchema)]
pub struct DogOfOwner {
    id: Uuid,
    name: String,
    is_put_away: bool,
    last_visit: Option<VisitCard>,
}

/// An owner with all their dogs.
#[derive(Debug, Serialize, ToSchema)]
pub struct OwnerWithDogs {
    /// Their name.
    name: String,
    /// How they are reached.
    reach: String,
    /// What they said once for all visits.
    at_home: AtHome,
    /// Their dogs, the one that was here last first.
    dogs: Vec<DogOfOwner>,
    /// Dogs of somebody else who is called the same.
    namesakes_dogs: Vec<DogOfOwner>,
}

/// What is said of an owner.
#[derive(Debug, Deserialize, ToSchema)]
pub struct OwnerSaid {
    name: String,
    #[serde(default)]
    reach: String,
    #[serde(default)]
    at_home: AtHome,
}

/// The dogs whose owner is called alike: this one's, and those of others of the name.
struct OfTheName {
    /// The dog asked for.
    first: Dog,
    theirs: Vec<(Dog, DogOfOwner)>,
    namesakes: Vec<(Dog, DogOfOwner)>,
    /// Where their cards stand together.
    stands_at: ETag,
}

/// Dogs are one owner's where their owner is called the same, unless they were told apart.
fn of_the_name(store: &Store, dog: Uuid) -> Result<OfTheName, ApiError> {
    let first = store.dog(dog)?;
    let (mut theirs, mut namesakes, mut versions) = (Vec::new(), Vec::new(), Vec::new());
    for n in store.dog_names()? {
        if n.id != dog && !is_same_name(&n.owner, &first.owner) {
            continue;
        }
        let (other, version) = store.dog_version(n.id)?;
        let row = DogOfOwner {
            id: n.id,
            name: n.name,
            is_put_away: n.is_put_away,
            last_visit: n
                .last_visit
                .map(|(id, began_ms)| VisitCard { id, began_ms }),
        };
        if other.owner_id == first.owner_id {
            theirs.push((other, row));
            versions.push(version);
        } else {
            namesakes.push((other, row));
        }
    }
    Ok(OfTheName {
        first,
        theirs,
        namesakes,
        stands_at: tag_of_all(&versions),
    })
}

/// Whether a new name would make a dog's owner one with somebody else who is called so.
fn is_anothers(store: &Store, name: &str, dog: &Dog) -> Result<bool, ApiError> {
    if name.trim().is_empty() || is_same_name(name, &dog.owner) {
        return Ok(false);
    }
    for n in store.dog_names()? {
        if is_same_name(&n.owner, name) && store.dog(n.id)?.owner_id == dog.owner_id {
            return Ok(true);
        }
    }
    Ok(false)
}

/// The card as it is answered, with where it stands.
struct Card {
    owner: OwnerWithDogs,
    stands_at: ETag,
}

impl From<Card> for HttpResponse {
    fn from(card: Card) -> Self {
        Self::Ok().insert_header(card.stands_at).json(card.owner)
    }
}

fn card(store: &Store, dog: Uuid) -> Result<Card, ApiError> {
    let all = of_the_name(store, dog)?;
    let rows = |dogs: Vec<(Dog, DogOfOwner)>| dogs.into_iter().map(|(_, row)| row).collect();
    Ok(Card {
        owner: OwnerWithDogs {
            name: all.first.owner,
            reach: all.first.reach,
            at_home: all.first.at_home,
            dogs: rows(all.theirs),
            namesakes_dogs: rows(all.namesakes),
        },
        stands_at: all.stands_at,
    })
}

/// The owner of a dog, with all their dogs; `ETag` is where the card stands.
#[utoipa::path(responses((status = 200, body = OwnerWithDogs), (status = 404, body = ErrorBody)))]
#[get("/dogs/{id}/owner")]
pub(crate) async fn get_owner(
    salon: web::Data<Salon>,
    id: web::Path<Uuid>,
) -> Result<HttpResponse, ApiError> {
    let id = id.into_inner();
    Ok(salon.run(move |store| card(store, id)).await?.into())
}

/// Keeps what is said of an owner with each of their dogs, all or none: `If-Match` says from where, so that
/// two screens do not write over one another. An owner who is called as another is from here on stays apart
/// from them until somebody says that they are one.
#[utoipa::path(
    request_body = OwnerSaid,
    params(("If-Match" = Option<String>, Header, description = "The `ETag` the card was read with.")),
    responses(
        (status = 200, body = OwnerWithDogs),
        (status = 404, body = ErrorBody),
        (status = 412, body = ErrorBody),
        (status = 422, body = ErrorBody)
    )
)]
#[put("/dogs/{id}/owner")]
pub(crate) async fn put_owner(
    salon: web::Data<Salon>,
    id: web::Path<Uuid>,
    request: HttpRequest,
    said: Json<OwnerSaid>,
) -> Result<HttpResponse, ApiError> {
    let (id, said) = (id.into_inner(), said.into_inner());
    let from = MadeFrom::of(&request);
    let kept = salon
        .run(move |store| {
            let all = of_the_name(store, id)?;
            if !from.is(&all.stands_at) {
                let what = "owner's card was";
                return Err(StoreError::Changed { what }.into());
            }
            let owner_id = if is_anothers(store, &said.name, &all.first)? {
                Some(Uuid::new_v4())
            } else {
                all.first.owner_id
            };
            let dogs: Vec<Dog> = all
                .theirs
                .into_iter()
                .map(|(dog, _)| Dog {
                    owner: said.name.trim().to_owned(),
                    reach: said.reach.trim().to_owned(),
                    at_home: said.at_home,
                    owner_id,
                    ..dog
                })
                .collect();
            let problems: Vec<Problem> = dogs.iter().take(1).flat_map(Dog::check).collect();
            if !problems.is_empty() {
                return Err(ApiError::Fields(problems));
            }
            store.put_dogs(&dogs, now_ms())?;
            card(store, id)
        })
        .await?;
    Ok(kept.into())
}

/// Tells a dog's owner apart from another of the same name: from here on it has an owner's card of its own.
#[utoipa::path(responses((status = 200, body = OwnerWithDogs), (status = 404, body = ErrorBody)))]
#[post("/dogs/{id}/owner/apart")]
pub(crate) async fn tell_owners_apart(
    salon: web::Data<Salon>,
    id: web::Path<Uuid>,
) -> Result<HttpResponse, ApiError> {
    let id = id.into_inner();
    let kept = salon
        .run(move |store| {
            let dog = Dog {
                owner_id: Some(Uuid::new_v4()),
                ..store.dog(id)?
            };
            store.put_dog(&dog, now_ms())?;
            card(store, id)
        })
        .await?;
    Ok(kept.into())
}

/// Whose dog it is after all.
#[derive(Debug, Deserialize, ToSchema)]
pub struct SameOwner {
    /// A dog of the other one of that name.
    with: Uuid,
}

/// Makes one of two owners of the same name: all dogs of the other are this one's, with what is said here.
#[utoipa::path(responses(
    (status = 200, body = OwnerWithDogs),
    (status = 404, body = ErrorBody),
    (status = 422, body = ErrorBody)
))]
#[post("/dogs/{id}/owner/same")]
pub(crate) async fn join_owners(
    salon: web::Data<Salon>,
    id: web::Path<Uuid>,
    same: Json<SameOwner>,
) -> Result<HttpResponse, ApiError> {
    let (id, with) = (id.into_inner(), same.into_inner().with);
    let kept = salon
        .run(move |store| {
            let OfTheName {
                first, namesakes, ..
            } = of_the_name(store, id)?;
            let other = store.dog(with)?.owner_id;
            let theirs = namesakes.into_iter().filter(|(d, _)| d.owner_id == other);
            let come: Vec<Dog> = theirs
                .map(|(dog, _)| Dog {
                    owner: first.owner.clone(),
                    owner_id: first.owner_id,
                    reach: first.reach.clone(),
                    at_home: first.at_home,
                    ..dog
                })
                .collect();
            if come.is_empty() {
                return Err(ApiError::Body(
                    "that dog’s owner is called otherwise; give both the same name first".into(),
                ));
            }
            store.put_dogs(&come, now_ms())?;
            card(store, id)
        })
        .await?;
    Ok(kept.into())
}

fn dogs_of(store: &Store, dog: Uuid) -> Result<Vec<Uuid>, ApiError> {
    let theirs = of_the_name(store, dog)?.theirs;
    Ok(theirs.into_iter().map(|(dog, _)| dog.id).collect())
}

/// What would go if the owner were forgotten, with all their dogs.
#[utoipa::path(responses((status = 200, body = WhatGoes), (status = 404, body = ErrorBody)))]
#[get("/dogs/{id}/owner/belongings")]
pub(crate) async fn get_owners_belongings(
    salon: web::Data<Salon>,
    id: web::Path<Uuid>,
) -> Result<web::Json<WhatGoes>, ApiError> {
    let id = id.into_inner();
    let all = salon
        .run(move |store| Ok(store.belongings(&dogs_of(store, id)?)?))
        .await?;
    Ok(web::Json(all.into()))
}

/// Forgets an owner with all their dogs and what belongs to these, on the owner's wish, all or nothing;
/// answers what went. Copies of the data file made before still hold it.
#[utoipa::path(responses((status = 200, body = WhatGoes), (status = 404, body = ErrorBody)))]
#[delete("/dogs/{id}/owner")]
pub(crate) async fn forget_owner(
    salon: web::Data<Salon>,
    id: web::Path<Uuid>,
) -> Result<web::Json<WhatGoes>, ApiError> {
    let id = id.into_inner();
    let gone = salon
        .run(move |store| {
            let dogs = dogs_of(store, id)?;
            Ok(store.forget(&dogs)?)
        })
        .await?;
    Ok(web::Json(gone.into()))
}
