use actix_web::{delete, get, post, web};
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;
use uuid::Uuid;
use veliform_store::Belongings;

use crate::blocking::Salon;
use crate::body::Json;
use crate::error::{ApiError, ErrorBody};

/// What belongs to a dog, or to all dogs of an owner, counted.
#[derive(Debug, Serialize, ToSchema)]
pub struct WhatGoes {
    visits: u32,
    entries: u32,
    plans: u32,
    photos: u32,
}

impl From<Belongings> for WhatGoes {
    fn from(all: Belongings) -> Self {
        let Belongings {
            visits,
            entries,
            plans,
            photos,
        } = all;
        Self {
            visits,
            entries,
            plans,
            photos,
        }
    }
}

/// What would go if the dog were forgotten.
#[utoipa::path(responses((status = 200, body = WhatGoes), (status = 404, body = ErrorBody)))]
#[get("/dogs/{id}/belongings")]
pub(crate) async fn get_belongings(
    salon: web::Data<Salon>,
    id: web::Path<Uuid>,
) -> Result<web::Json<WhatGoes>, ApiError> {
    let id = id.into_inner();
    let all = salon.run(move |store| Ok(store.belongings(&[id])?)).await?;
    Ok(web::Json(all.into()))
}

/// Forgets a dog with all that belongs to it, on its owner's wish; answers what went. Copies of the data
/// file made before still hold it.
#[utoipa::path(responses((status = 200, body = WhatGoes), (status = 404, body = ErrorBody)))]
#[delete("/dogs/{id}")]
pub(crate) async fn forget_dog(
    salon: web::Data<Salon>,
    id: web::Path<Uuid>,
) -> Result<web::Json<WhatGoes>, ApiError> {
    let id = id.into_inner();
    let gone = salon.run(move |store| Ok(store.forget(&[id])?)).await?;
    Ok(web::Json(gone.into()))
}

/// The dog that was entered twice.
#[derive(Debug, Deserialize, ToSchema)]
pub struct EnteredTwice {
    other: Uuid,
}

/// What a merge did.
#[derive(Debug, Serialize, ToSchema)]
pub struct Merged {
    /// Visits that came.
    visits: usize,
    /// When visits of both began on one day, milliseconds since 1970 in UTC: both stay.
    same_day_ms: Vec<i64>,
}

/// Two visits within so long are one day's, ms.
pub(super) const ONE_DAY_MS: i64 = 18 * 3_600_000;

/// Makes one of a dog that was entered twice: the visits of the other are this one's, whose card stays.
#[utoipa::path(responses(
    (status = 200, body = Merged),
    (status = 404, body = ErrorBody),
    (status = 422, body = ErrorBody)
))]
#[post("/dogs/{id}/merge")]
pub(crate) async fn merge_dogs(
    salon: web::Data<Salon>,
    id: web::Path<Uuid>,
    twice: Json<EnteredTwice>,
) -> Result<web::Json<Merged>, ApiError> {
    let (id, other) = (id.into_inner(), twice.into_inner().other);
    let merged = salon
        .run(move |store| {
            let theirs = store.visits_of(other)?;
            let same_day_ms = store
                .visits_of(id)?
                .into_iter()
                .map(|v| v.began_ms)
                .filter(|at| theirs.iter().any(|v| (v.began_ms - at).abs() < ONE_DAY_MS))
                .collect();
            Ok(Merged {
                visits: store.merge(id, other)?,
                same_day_ms,
            })
        })
        .await?;
    Ok(web::Json(merged))
}
