use actix_web::{get, put, web};
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;
use uuid::Uuid;
use veliform_core::dog::{AtHome, Dog, is_same_name};
use veliform_core::frame::Problem;
use veliform_store::Store;

use super::dogs::{VisitCard, now_ms};
use crate::blocking::Salon;
use crate::body::Json;
use crate::error::{ApiError, ErrorBody};

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

/// The dogs of one owner: those whose owner is called as this one's is.
fn of_one_owner(store: &Store, dog: Uuid) -> Result<(Dog, Vec<DogOfOwner>), ApiError> {
    let first = store.dog(dog)?;
    let all = store.dog_names()?.into_iter();
    let theirs = all.filter(|n| n.id == dog || is_same_name(&n.owner, &first.owner));
    let dogs = theirs
        .map(|n| DogOfOwner {
            id: n.id,
            name: n.name,
            is_put_away: n.is_put_away,
            last_visit: n
                .last_visit
                .map(|(id, began_ms)| VisitCard { id, began_ms }),
        })
        .collect();
    Ok((first, dogs))
}

fn card(store: &Store, dog: Uuid) -> Result<OwnerWithDogs, ApiError> {
    let (first, dogs) = of_one_owner(store, dog)?;
    Ok(OwnerWithDogs {
        name: first.owner,
        reach: first.reach,
        at_home: first.at_home,
        dogs,
    })
}

/// The owner of a dog, with all their dogs.
#[utoipa::path(responses((status = 200, body = OwnerWithDogs), (status = 404, body = ErrorBody)))]
#[get("/dogs/{id}/owner")]
pub(crate) async fn get_owner(
    salon: web::Data<Salon>,
    id: web::Path<Uuid>,
) -> Result<web::Json<OwnerWithDogs>, ApiError> {
    let id = id.into_inner();
    Ok(web::Json(salon.run(move |store| card(store, id)).await?))
}

/// Keeps what is said of an owner with each of their dogs, all or none.
#[utoipa::path(responses(
    (status = 200, body = OwnerWithDogs),
    (status = 404, body = ErrorBody),
    (status = 422, body = ErrorBody)
))]
#[put("/dogs/{id}/owner")]
pub(crate) async fn put_owner(
    salon: web::Data<Salon>,
    id: web::Path<Uuid>,
    said: Json<OwnerSaid>,
) -> Result<web::Json<OwnerWithDogs>, ApiError> {
    let (id, said) = (id.into_inner(), said.into_inner());
    let kept = salon
        .run(move |store| {
            let (_, theirs) = of_one_owner(store, id)?;
            let mut dogs = Vec::with_capacity(theirs.len());
            for DogOfOwner { id, .. } in theirs {
                dogs.push(Dog {
                    owner: said.name.trim().to_owned(),
                    reach: said.reach.trim().to_owned(),
                    at_home: said.at_home,
                    ..store.dog(id)?
                });
            }
            let problems: Vec<Problem> = dogs.iter().take(1).flat_map(Dog::check).collect();
            if !problems.is_empty() {
                return Err(ApiError::Fields(problems));
            }
            store.put_dogs(&dogs, now_ms())?;
            card(store, id)
        })
        .await?;
    Ok(web::Json(kept))
}
