use actix_web::http::header;
use actix_web::{HttpResponse, get, web};
use jiff::tz::TimeZone;
use jiff::{Timestamp, ToSpan as _};
use serde::{Deserialize, Serialize};
use utoipa::{IntoParams, ToSchema};
use uuid::Uuid;
use veliform_core::desk::Reasons;
use veliform_core::drawing::{DrawOptions, Layers};
use veliform_formats::{Sheet, Theme, drawing_svg as write_drawing, pdf, png, sheet_pages};

use super::at_visit::AtVisit;
use super::files::attachment;
use crate::blocking::{Salon, compute};
use crate::error::{ApiError, ErrorBody};

/// Width of an exported drawing on paper, mm.
const DRAWING_WIDTH_MM: f64 = 180.0;

/// Size of a picture.
#[derive(Debug, Deserialize, IntoParams)]
pub struct PictureSize {
    /// Width in pixels, 16 to 4096.
    #[serde(default = "usual_width")]
    width: u32,
}

const fn usual_width() -> u32 {
    1600
}

/// The sheet's pages and the dog's name.
fn sheet(at: AtVisit) -> Result<(String, Vec<String>), ApiError> {
    let desk = at.desk();
    let solved = desk.plan(Reasons::Skip)?;
    let layers = Layers {
        lengths: true,
        lines: true,
        skin: false,
        ..Layers::default()
    };
    let drawing = desk.draw(
        Some(&solved),
        &DrawOptions {
            layers,
            text_share: 0.0185,
            ..DrawOptions::default()
        },
    );
    let pages = sheet_pages(&Sheet {
        name: &at.dog.name,
        owner: &at.dog.owner,
        salon: &at.house.name,
        day: &day(at.began_ms),
        plan: &solved.report,
        drawing: &drawing,
    });
    Ok((at.dog.name, pages))
}

/// A day as the screens write it.
pub(super) const DAY: &str = "%-d %B %Y";

/// A day by this machine's own calendar, so many days on.
pub(super) fn written(at_ms: i64, days: u32, how: &str) -> String {
    let at = Timestamp::from_millisecond(at_ms).map(|t| t.to_zoned_datetime(TimeZone::system()));
    at.and_then(|t| t.checked_add(i64::from(days).days()))
        .map(|t| t.strftime(how).to_string())
        .unwrap_or_default()
}

pub(super) fn day(at_ms: i64) -> String {
    written(at_ms, 0, DAY)
}

fn drawing(at: AtVisit) -> Result<(String, String), ApiError> {
    let desk = at.desk();
    let solved = desk.plan(Reasons::Find)?;
    let layers = Layers {
        lengths: true,
        lines: true,
        pins: true,
        ..Layers::default()
    };
    let options = DrawOptions {
        layers,
        ..DrawOptions::default()
    };
    let drawing = desk.draw(Some(&solved), &options);
    let svg = write_drawing(&drawing, Theme::Light, DRAWING_WIDTH_MM);
    Ok((at.dog.name, svg))
}

pub(super) fn file(name: &str, ending: &str, kind: &str, bytes: Vec<u8>) -> HttpResponse {
    HttpResponse::Ok()
        .content_type(kind)
        .insert_header((header::CONTENT_DISPOSITION, attachment(name, ending)))
        .body(bytes)
}

/// Reads a visit under the store's lock, and works on it outside.
pub(super) async fn work_at<T: Send + 'static>(
    salon: &Salon,
    visit: Uuid,
    work: impl FnOnce(AtVisit) -> Result<T, ApiError> + Send + 'static,
) -> Result<T, ApiError> {
    let at = salon.run(move |store| AtVisit::read(store, visit)).await?;
    compute(move || work(at)).await
}

/// Pages of something that is no visit's as PDF.
pub(super) async fn pdf_file(
    name: &str,
    ending: &str,
    pages: Vec<String>,
) -> Result<HttpResponse, ApiError> {
    let bytes = compute(move || Ok(pdf(&pages)?)).await?;
    Ok(file(name, ending, "application/pdf", bytes))
}

/// Pages of a visit as PDF.
pub(super) async fn printed(
    salon: &Salon,
    visit: Uuid,
    pages: impl FnOnce(AtVisit) -> Result<(String, Vec<String>), ApiError> + Send + 'static,
    ending: &str,
) -> Result<HttpResponse, ApiError> {
    let (name, bytes) = work_at(salon, visit, move |at| {
        let (name, pages) = pages(at)?;
        Ok((name, pdf(&pages)?))
    })
    .await?;
    Ok(file(&name, ending, "application/pdf", bytes))
}

/// Pages to print.
#[derive(Debug, Serialize, ToSchema)]
pub struct Pages {
    /// One A4 page each, SVG.
    pages: Vec<String>,
}

/// The cut sheet as A4 pages in SVG, shown in the page for printing.
#[utoipa::path(responses((status = 200, body = Pages), (status = 404, body = ErrorBody)))]
#[get("/visits/{visit}/sheet-pages")]
pub(crate) async fn get_sheet_pages(
    salon: web::Data<Salon>,
    visit: web::Path<Uuid>,
) -> Result<web::Json<Pages>, ApiError> {
    let visit = visit.into_inner();
    let (_, pages) = work_at(&salon, visit, sheet).await?;
    Ok(web::Json(Pages { pages }))
}

/// The cut sheet as PDF.
#[utoipa::path(responses((status = 200, content_type = "application/pdf", body = Vec<u8>), (status = 404, body = ErrorBody)))]
#[get("/visits/{visit}/sheet.pdf")]
pub(crate) async fn get_sheet_pdf(
    salon: web::Data<Salon>,
    visit: web::Path<Uuid>,
) -> Result<HttpResponse, ApiError> {
    printed(&salon, visit.into_inner(), sheet, "pdf").await
}

/// The drawing as SVG.
#[utoipa::path(responses((status = 200, content_type = "image/svg+xml", body = String), (status = 404, body = ErrorBody)))]
#[get("/visits/{visit}/drawing.svg")]
pub(crate) async fn get_drawing_svg(
    salon: web::Data<Salon>,
    visit: web::Path<Uuid>,
) -> Result<HttpResponse, ApiError> {
    let visit = visit.into_inner();
    let (name, svg) = work_at(&salon, visit, drawing).await?;
    Ok(file(&name, "svg", "image/svg+xml", svg.into_bytes()))
}

/// The drawing as PNG.
#[utoipa::path(
    params(PictureSize),
    responses((status = 200, content_type = "image/png", body = Vec<u8>), (status = 404, body = ErrorBody), (status = 422, body = ErrorBody))
)]
#[get("/visits/{visit}/drawing.png")]
pub(crate) async fn get_drawing_png(
    salon: web::Data<Salon>,
    visit: web::Path<Uuid>,
    size: web::Query<PictureSize>,
) -> Result<HttpResponse, ApiError> {
    let (visit, width) = (visit.into_inner(), size.width);
    let (name, bytes) = work_at(&salon, visit, move |at| {
        let (name, svg) = drawing(at)?;
        Ok((name, png(&svg, width)?))
    })
    .await?;
    Ok(file(&name, "png", "image/png", bytes))
}
