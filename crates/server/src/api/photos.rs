use std::collections::BTreeMap;

use actix_web::http::header;
use actix_web::{HttpResponse, delete, get, post, web};
use serde::{Deserialize, Serialize};
use tokio::sync::Semaphore;
use tokio::time::timeout;
use utoipa::{IntoParams, ToSchema};
use uuid::Uuid;
use veliform_core::desk::Reasons;
use veliform_core::page::View;
use veliform_core::photo::{Camera, PhotoMarks, PhotoReading, TouchedPoint, read_photo, shoot};
use veliform_core::picture::PicturePoint;
use veliform_core::plan::{PlanCoat, dress_plan};
use veliform_core::shape::dress_now;
use veliform_core::units::{Length, UnitSystem};
use veliform_formats::{
    KeptPhoto, MOST_PHOTO_BYTES, PhotoError, Theme, drawing_svg, keep_photo, png,
};
use veliform_store::PhotoHead;

use super::at_visit::AtVisit;
use super::visits::dated;
use crate::blocking::{Salon, compute};
use crate::body::{BODY_TIME, Json};
use crate::error::{ApiError, ErrorBody};

/// A photo of a visit, without its picture.
#[derive(Debug, Serialize, ToSchema)]
pub struct Photo {
    id: Uuid,
    view: View,
    at_ms: i64,
    /// Taken by the simulated camera.
    is_simulated: bool,
    width: u32,
    height: u32,
}

impl From<PhotoHead> for Photo {
    fn from(head: PhotoHead) -> Self {
        Self {
            id: head.id,
            view: head.view,
            at_ms: head.at_ms,
            is_simulated: head.is_simulated,
            width: head.width,
            height: head.height,
        }
    }
}

/// What a photo is sent with.
#[derive(Debug, Deserialize, IntoParams)]
pub struct SentWith {
    /// Made by the screen.
    id: Uuid,
    /// From where it was taken.
    #[param(inline)]
    view: View,
    /// Milliseconds since 1970 in UTC.
    at_ms: i64,
}

/// A picture for the simulated camera to take.
#[derive(Debug, Deserialize, ToSchema)]
pub struct SimulatedShot {
    id: Uuid,
    at_ms: i64,
    #[serde(default)]
    camera: Camera,
    /// The dog as the plan leaves it, instead of as it came.
    #[serde(default)]
    is_finished: bool,
}

/// A simulated photo with its known truth.
#[derive(Debug, Serialize, ToSchema)]
pub struct SimulatedPhoto {
    photo: Photo,
    /// Where every landmark truly lies, pixels.
    truth: Vec<TouchedPoint>,
    /// Ends of the rod, pixels.
    rod_px: [[f64; 2]; 2],
    /// Its length.
    rod_mm: Length,
    /// Two points of the table's edge, pixels.
    table_px: [[f64; 2]; 2],
    /// From the side: where the coat's edge truly lies, pixels.
    edges_px: BTreeMap<PicturePoint, [f64; 2]>,
}

/// Marks to read.
#[derive(Debug, Deserialize, ToSchema)]
pub struct MarksToRead {
    marks: PhotoMarks,
    #[serde(default)]
    units: UnitSystem,
}

/// Opens a photo, writes it anew without metadata, and keeps it; nothing is kept if it is refused.
#[utoipa::path(
    params(SentWith),
    request_body(content = Vec<u8>, content_type = "image/*"),
    responses(
        (status = 200, body = Photo),
        (status = 413, body = ErrorBody),
        (status = 422, body = ErrorBody)
    )
)]
#[post("/visits/{visit}/photos")]
pub(crate) async fn add_photo(
    salon: web::Data<Salon>,
    visit: web::Path<Uuid>,
    with: web::Query<SentWith>,
    sent: web::Payload,
) -> Result<web::Json<Photo>, ApiError> {
    dated(with.at_ms).map_err(ApiError::Body)?;
    let kept = open_one(sent).await?;
    let with = with.into_inner();
    let head = PhotoHead {
        id: with.id,
        visit: visit.into_inner(),
        at_ms: with.at_ms,
        view: with.view,
        is_simulated: false,
        width: kept.width,
        height: kept.height,
    };
    keep(&salon, head, kept).await
}

/// One photo is taken in and opened at a time, however many are sent: an opened one takes a hundred
/// megabytes.
static OPENING: Semaphore = Semaphore::const_new(1);

async fn open_one(sent: web::Payload) -> Result<KeptPhoto, ApiError> {
    let turn = OPENING.acquire().await.map_err(|_| ApiError::CutOff)?;
    let sent = timeout(BODY_TIME, sent.to_bytes_limited(MOST_PHOTO_BYTES)).await;
    let bytes = sent
        .map_err(|_| ApiError::TooSlow)?
        .map_err(|_| PhotoError::TooManyBytes)?
        .map_err(|_| ApiError::CutOff)?;
    // The turn goes with the work: whoever sent it may be gone before it ends.
    compute(move || {
        let kept = keep_photo(&bytes);
        drop(turn);
        Ok(kept?)
    })
    .await
}

async fn keep(
    salon: &Salon,
    head: PhotoHead,
    kept: KeptPhoto,
) -> Result<web::Json<Photo>, ApiError> {
    salon
        .run(move |store| Ok(store.keep_photo(&head, &kept.jpeg)?))
        .await?;
    Ok(web::Json(head.into()))
}

/// Takes a picture of the dog as it stands in the visit by the simulated camera.
#[utoipa::path(responses((status = 200, body = SimulatedPhoto), (status = 404, body = ErrorBody)))]
#[post("/visits/{visit}/simulated-photos")]
pub(crate) async fn take_simulated_photo(
    salon: web::Data<Salon>,
    visit: web::Path<Uuid>,
    shot: Json<SimulatedShot>,
) -> Result<web::Json<SimulatedPhoto>, ApiError> {
    let (visit, shot) = (visit.into_inner(), shot.into_inner());
    let camera = shot.camera;
    check(&camera)?;
    let at = salon.run(move |store| AtVisit::read(store, visit)).await?;
    let (taken, kept) = compute(move || {
        let desk = at.desk();
        let dressing = if shot.is_finished {
            let plan = desk.plan(Reasons::Skip)?.plan;
            dress_plan(&plan, &desk.coat, PlanCoat::Tools)
        } else {
            dress_now(&desk.frame.build, &desk.coat)
        };
        let taken = shoot(&desk.frame, &dressing, &camera);
        let width = camera.size_px[0];
        let svg = drawing_svg(&taken.picture, Theme::Light, f64::from(width));
        let kept = keep_photo(&png(&svg, width)?)?;
        Ok((taken, kept))
    })
    .await?;
    let head = PhotoHead {
        id: shot.id,
        visit,
        at_ms: shot.at_ms,
        view: camera.view,
        is_simulated: true,
        width: kept.width,
        height: kept.height,
    };
    let photo = keep(&salon, head, kept).await?.into_inner();
    Ok(web::Json(SimulatedPhoto {
        photo,
        truth: taken.truth,
        rod_px: taken.rod_px,
        rod_mm: Length::worked_out_mm(camera.rod_mm),
        table_px: taken.table_px,
        edges_px: taken.edges_px,
    }))
}

/// What the simulated camera can do.
fn check(camera: &Camera) -> Result<(), ApiError> {
    let is_fine = camera.turn_deg.abs() <= 45.0
        && camera.tilt_deg.abs() <= 30.0
        && (800.0..=6000.0).contains(&camera.distance_mm)
        && (50.0..=1000.0).contains(&camera.rod_mm)
        && camera.size_px.iter().all(|s| (200..=2000).contains(s))
        && camera.view != View::Top;
    if is_fine {
        return Ok(());
    }
    Err(ApiError::Body(
        "The simulated camera turns up to 45°, leans up to 30°, stands 0.8 to 6 m away and takes side, front and rear; choose within that.".into(),
    ))
}

/// Photos of a visit, oldest first.
#[utoipa::path(responses((status = 200, body = Vec<Photo>), (status = 404, body = ErrorBody)))]
#[get("/visits/{visit}/photos")]
pub(crate) async fn list_photos(
    salon: web::Data<Salon>,
    visit: web::Path<Uuid>,
) -> Result<web::Json<Vec<Photo>>, ApiError> {
    let visit = visit.into_inner();
    let photos = salon
        .run(move |store| {
            store.visit_head(visit)?;
            Ok(store.photos_of(visit)?)
        })
        .await?;
    Ok(web::Json(photos.into_iter().map(Photo::from).collect()))
}

/// A photo's picture as it was written anew.
#[utoipa::path(responses((status = 200, content_type = "image/jpeg", body = Vec<u8>), (status = 404, body = ErrorBody)))]
#[get("/photos/{id}.jpg")]
pub(crate) async fn get_photo(
    salon: web::Data<Salon>,
    id: web::Path<Uuid>,
) -> Result<HttpResponse, ApiError> {
    let id = id.into_inner();
    let jpeg = salon.run(move |store| Ok(store.photo_jpeg(id)?)).await?;
    Ok(HttpResponse::Ok()
        .content_type("image/jpeg")
        .insert_header((
            header::CACHE_CONTROL,
            "private, max-age=31536000, immutable",
        ))
        .body(jpeg))
}

/// Takes a photo off the visit for good.
#[utoipa::path(responses((status = 204), (status = 404, body = ErrorBody)))]
#[delete("/photos/{id}.jpg")]
pub(crate) async fn delete_photo(
    salon: web::Data<Salon>,
    id: web::Path<Uuid>,
) -> Result<HttpResponse, ApiError> {
    let id = id.into_inner();
    salon.run(move |store| Ok(store.delete_photo(id)?)).await?;
    Ok(HttpResponse::NoContent().finish())
}

/// Reads measures off the landmarks touched on a photo.
#[utoipa::path(responses((status = 200, body = PhotoReading), (status = 422, body = ErrorBody)))]
#[post("/read-photo")]
pub(crate) async fn read_marks(
    request: Json<MarksToRead>,
) -> Result<web::Json<PhotoReading>, ApiError> {
    let MarksToRead { marks, units } = request.into_inner();
    Ok(web::Json(read_photo(&marks, units)))
}
