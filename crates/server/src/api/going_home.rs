//! What the owner signs and takes home.

use actix_web::{HttpResponse, get, web};
use jiff::Timestamp;
use uuid::Uuid;
use veliform_core::drawing::{DrawOptions, Layers};
use veliform_core::grow::Return;
use veliform_core::sheet::STANDING_CAUTION;
use veliform_formats::{
    Agreement, OwnerCard, ReturnDay, agreement_svg, owner_card_pages, return_calendar,
};

use super::at_visit::AtVisit;
use super::papers::{DAY, day, file, printed, work_at, written};
use crate::blocking::Salon;
use crate::clock::now_ms;
use crate::error::{ApiError, ErrorBody};

/// A day to come by its name.
const BY_NAME: &str = "%A %-d %B";
/// A date, and a moment in UTC, as calendars write them (RFC 5545, 3.3.4 and 3.3.5).
const CALENDAR_DAY: &str = "%Y%m%d";
const CALENDAR_MOMENT: &str = "%Y%m%dT%H%M%SZ";

/// The dog as it goes home, or is to.
fn finished() -> Layers {
    Layers {
        skin: false,
        // After the groom the papers show the dog that goes home.
        as_left: true,
        ..Layers::default()
    }
}

fn owner_card(at: AtVisit) -> Result<(String, Vec<String>), ApiError> {
    let desk = at.desk();
    let (offer, solved) = desk.agreed()?;
    let here = desk.card_of(&offer, &solved);
    let layers = Layers {
        table: false,
        now: false,
        hair: false,
        found: false,
        ..finished()
    };
    let options = DrawOptions {
        layers,
        ..DrawOptions::default()
    };
    let drawing = desk.draw(Some(&solved), &options);
    let back = here.back.as_ref().map(|b| b.days);
    let back = back.map(|days| (written(at.began_ms, days, BY_NAME), days));
    let pages = owner_card_pages(&OwnerCard {
        name: &at.dog.name,
        salon: &at.house.name,
        day: &day(at.began_ms),
        back: back.as_ref().map(|(day, days)| (day.as_str(), *days)),
        lines: &here.lines,
        drawing: &drawing,
        standing_caution: STANDING_CAUTION,
    });
    Ok((at.dog.name, pages))
}

fn agreement(at: AtVisit) -> Result<(String, Vec<String>), ApiError> {
    let desk = at.desk();
    let (offer, solved) = desk.agreed()?;
    let options = DrawOptions {
        layers: finished(),
        ..DrawOptions::default()
    };
    let drawing = desk.draw(Some(&solved), &options);
    let back = offer.back.as_ref();
    let back = back.map(|b| written(at.began_ms, b.days, DAY));
    let mut more = Vec::new();
    if !at.visit.change_agreed.is_empty() {
        more.push(("Agreed by", at.visit.change_agreed.clone()));
    }
    if let Some(staged) = &solved.report.sheet.staged {
        more.push(("At home", staged.home_care.clone()));
    }
    let ways = &solved.report.sheet.own_ways;
    if !ways.is_empty() {
        more.push(("This dog's ways", ways.join(" ")));
    }
    let svg = agreement_svg(&Agreement {
        name: &at.dog.name,
        owner: &at.dog.owner,
        salon: &at.house.name,
        day: &day(at.began_ms),
        back: back.as_deref(),
        offer: &offer,
        more: &more,
        talk: at.visit.talk.as_ref(),
        drawing: &drawing,
        standing_caution: STANDING_CAUTION,
    });
    Ok((at.dog.name, vec![svg]))
}

/// The day to come back as a calendar's entry, and the dog's name.
fn return_day(at: AtVisit, visit: Uuid) -> Result<(String, String), ApiError> {
    let desk = at.desk();
    let (offer, _) = desk.agreed()?;
    let days = offer.back.as_ref().map_or(0, |back| back.days);
    let why = offer.back.as_ref().map(Return::for_the_owner);
    let moment = Timestamp::from_millisecond(now_ms()).unwrap_or_default();
    let calendar = return_calendar(&ReturnDay {
        id: &format!("{visit}-return"),
        name: &at.dog.name,
        salon: &at.house.name,
        day: &written(at.began_ms, days, CALENDAR_DAY),
        written: &moment.strftime(CALENDAR_MOMENT).to_string(),
        why: why.as_deref().unwrap_or_default(),
    });
    Ok((at.dog.name, calendar))
}

/// What is agreed as one A4 page in PDF, to be signed: this dog in its look, lengths, upkeep, price.
#[utoipa::path(responses((status = 200, content_type = "application/pdf", body = Vec<u8>), (status = 404, body = ErrorBody)))]
#[get("/visits/{visit}/agreement.pdf")]
pub(crate) async fn get_agreement(
    salon: web::Data<Salon>,
    visit: web::Path<Uuid>,
) -> Result<HttpResponse, ApiError> {
    printed(&salon, visit.into_inner(), agreement, "agreed.pdf").await
}

/// The owner card for the fridge as A5 pages in PDF: the dog as it goes home, its day to come back, what to do
/// until then.
#[utoipa::path(responses((status = 200, content_type = "application/pdf", body = Vec<u8>), (status = 404, body = ErrorBody)))]
#[get("/visits/{visit}/owner-card.pdf")]
pub(crate) async fn get_owner_card(
    salon: web::Data<Salon>,
    visit: web::Path<Uuid>,
) -> Result<HttpResponse, ApiError> {
    printed(&salon, visit.into_inner(), owner_card, "owner.pdf").await
}

/// The day to come back, for the owner's own calendar.
#[utoipa::path(responses((status = 200, content_type = "text/calendar", body = String), (status = 404, body = ErrorBody)))]
#[get("/visits/{visit}/return.ics")]
pub(crate) async fn get_return_day(
    salon: web::Data<Salon>,
    visit: web::Path<Uuid>,
) -> Result<HttpResponse, ApiError> {
    let visit = visit.into_inner();
    let (name, text) = work_at(&salon, visit, move |at| return_day(at, visit)).await?;
    let kind = "text/calendar; charset=utf-8";
    Ok(file(&name, "return.ics", kind, text.into_bytes()))
}
