use actix_web::{HttpResponse, get, web};
use serde::Serialize;
use utoipa::ToSchema;
use uuid::Uuid;
use veliform_core::desk::{Before, Desk};
use veliform_core::dog::{Dog, House};
use veliform_core::drawing::{DrawOptions, Drawing, Layers};
use veliform_core::say::Words;
use veliform_core::visit::{EarlierVisit, Life, Visit, life};
use veliform_formats::{LifePaper, life_pages};
use veliform_store::PhotoHead;

use super::papers::{day, pdf_file};
use super::past::{PlansRead, read_before};
use crate::blocking::{Salon, compute};
use crate::clock::now_ms;
use crate::error::{ApiError, ErrorBody};

/// A photo of a dog's life.
#[derive(Debug, Serialize, ToSchema)]
pub struct LifePhoto {
    id: Uuid,
    visit: Uuid,
    at_ms: i64,
}

/// A dog's life at this salon, on one page.
#[derive(Debug, Serialize, ToSchema)]
pub struct LifePage {
    dog: Dog,
    life: Life,
    /// The dog as it came last, over as it came first.
    outlines: Option<Drawing>,
    /// Its photos, the newest first.
    photos: Vec<LifePhoto>,
}

/// Everything a life is told from.
struct Told {
    dog: Dog,
    visits: Vec<EarlierVisit>,
    house: House,
    photos: Vec<PhotoHead>,
}

async fn read(salon: &Salon, id: Uuid) -> Result<Told, ApiError> {
    let before = read_before(salon, id, i64::MAX, PlansRead::InBrief).await?;
    let (house, photos) = salon
        .run(move |store| {
            let mut photos = Vec::new();
            for visit in store.visits_of(id)? {
                photos.extend(store.photos_of(visit.id)?);
            }
            Ok((store.house()?, photos))
        })
        .await?;
    let (dog, visits) = compute(move || Ok(before.folded())).await?;
    Ok(Told {
        dog: dog.at(now_ms()),
        visits,
        house,
        photos,
    })
}

impl Told {
    /// The newest visit's dog over the first measured one.
    fn outlines(&self) -> Option<Drawing> {
        let measured = |v: &&EarlierVisit| !v.visit.frame.measures.is_empty();
        let newest = self.visits.iter().max_by_key(|v| (v.began_ms, v.id))?;
        let mut older = self.visits.iter().filter(|v| v.id != newest.id);
        let first = older
            .by_ref()
            .filter(measured)
            .min_by_key(|v| (v.began_ms, v.id));
        let before = Before {
            frame: first.map(|v| v.visit.frame.clone()),
            ..Before::default()
        };
        Some(drawn(&self.dog, &newest.visit, &self.house, before))
    }
}

fn drawn(dog: &Dog, visit: &Visit, house: &House, before: Before) -> Drawing {
    let options = DrawOptions {
        layers: Layers {
            skin: false,
            ..Layers::default()
        },
        ..DrawOptions::default()
    };
    let desk = Desk::new(dog, visit, house, &[]).with_before(before);
    desk.draw(None, &options)
}

/// A dog's life: its visits on a line of time, what was found, left and written at them.
#[utoipa::path(responses((status = 200, body = LifePage), (status = 404, body = ErrorBody)))]
#[get("/dogs/{id}/life")]
pub(crate) async fn get_life(
    salon: web::Data<Salon>,
    id: web::Path<Uuid>,
) -> Result<web::Json<LifePage>, ApiError> {
    let told = read(&salon, id.into_inner()).await?;
    let page = compute(move || {
        Ok(LifePage {
            life: life(&told.visits),
            outlines: told.outlines(),
            photos: told
                .photos
                .iter()
                .map(|p| LifePhoto {
                    id: p.id,
                    visit: p.visit,
                    at_ms: p.at_ms,
                })
                .collect(),
            dog: told.dog,
        })
    })
    .await?;
    Ok(web::Json(page))
}

/// The same as A4 pages in PDF, for the owner or the vet: what was seen, never what it means.
#[utoipa::path(responses((status = 200, content_type = "application/pdf", body = Vec<u8>), (status = 404, body = ErrorBody)))]
#[get("/dogs/{id}/life.pdf")]
pub(crate) async fn get_life_pdf(
    salon: web::Data<Salon>,
    id: web::Path<Uuid>,
) -> Result<HttpResponse, ApiError> {
    let told = read(&salon, id.into_inner()).await?;
    let (name, pages) = compute(move || {
        let pages = life_pages(&LifePaper {
            dog: &told.dog,
            salon: &told.house.name,
            words: &Words {
                house: &told.house,
                kit: &[],
            },
            day: &day,
            today: &day(now_ms()),
            life: &life(&told.visits),
            outlines: told.outlines().as_ref(),
        });
        Ok((told.dog.name, pages))
    })
    .await?;
    pdf_file(&name, "life.pdf", pages).await
}
