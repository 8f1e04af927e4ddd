use std::sync::Arc;

use actix_web::{post, web};
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;
use uuid::Uuid;
use veliform_core::coat::{Zone, standing_problem};
use veliform_core::consult::Wish;
use veliform_core::desk::{
    Ahead, Before, CardHere, Desk, Evaluation, Offers, PictureHere, QuestionHere, WaysAhead, WhatIf,
};
use veliform_core::dog::{Dog, House};
use veliform_core::drawing::DrawOptions;
use veliform_core::finish::FinishReport;
use veliform_core::kit::Tool;
use veliform_core::look::LookId;
use veliform_core::plan::PlanMemo;
use veliform_core::report::{KnotHere, KnotOffer, LineOffer};
use veliform_core::run::{RescueOption, RunView, Slip};
use veliform_core::solve::SolveError;
use veliform_core::sure::WhatNext;
use veliform_core::units::{Length, UnitSystem, length_text, parse_length};
use veliform_core::visit::{Entry, fold};

use crate::blocking::{Salon, at_once, compute};
use crate::body::Json;
use crate::error::{ApiError, ErrorBody};
use crate::workers::TwoThreads;

/// A dog on the desk: what it stands on comes with the request, but for the log of a kept visit.
#[derive(Debug, Deserialize, ToSchema)]
pub struct OnTheDesk {
    dog: Dog,
    /// The visit whose log the server has; none where the entries are the whole log.
    #[serde(default)]
    visit: Option<Uuid>,
    /// What was said; beside a kept visit's log, what it may not hold yet and what is only tried. One
    /// that stands in both counts once.
    entries: Vec<Entry>,
    #[serde(default)]
    house: House,
    #[serde(default)]
    kit: Vec<Tool>,
    #[serde(default)]
    options: DrawOptions,
    /// What of earlier visits is drawn with this one.
    #[serde(default)]
    before: Before,
}

/// Plans made last, on the page and for papers: those of a few dogs, with the knobs being turned on them.
pub(crate) static MADE_LAST: PlanMemo = PlanMemo::of(32);

impl OnTheDesk {
    /// Reads the log, if it is the server's.
    pub(super) async fn log(&self, salon: &Salon) -> Result<Arc<Vec<Entry>>, ApiError> {
        match self.visit {
            Some(visit) => salon.log(visit).await,
            None => Ok(Arc::default()),
        }
    }

    /// Folds the log and puts the dog on the desk.
    pub(super) fn with<T>(
        &self,
        log: &[Entry],
        work: impl FnOnce(&Desk<'_>, &DrawOptions) -> T,
    ) -> T {
        let visit = fold(&self.dog, log.iter().chain(&self.entries));
        let desk = Desk::new(&self.dog, &visit, &self.house, &self.kit)
            .with_before(self.before.clone())
            .with_memo(&MADE_LAST)
            .with_workers(&TwoThreads);
        work(&desk, &self.options)
    }

    /// Works on it as a computation, off the async threads.
    pub(super) async fn compute<T: Send + 'static>(
        self,
        salon: &Salon,
        work: impl FnOnce(&Desk<'_>, &DrawOptions) -> Result<T, SolveError> + Send + 'static,
    ) -> Result<web::Json<T>, ApiError> {
        let log = self.log(salon).await?;
        let answer = compute(move || Ok(self.with(&log, work)?)).await?;
        Ok(web::Json(answer))
    }
}

/// A touch to try.
#[derive(Debug, Deserialize, ToSchema)]
pub struct WhatIfRequest {
    desk: OnTheDesk,
    zone: Zone,
    wish: Wish,
}

/// A length as it was typed.
#[derive(Debug, Deserialize, ToSchema)]
pub struct TypedLength {
    text: String,
    #[serde(default)]
    units: UnitSystem,
    /// Where it was read on the dog: then it can be no longer than what stood there.
    #[serde(default)]
    read_on: Option<String>,
    /// The most that can be read there; none where nobody said what stood.
    #[serde(default)]
    most_mm: Option<Length>,
}

/// A length, understood.
#[derive(Debug, Serialize, ToSchema)]
pub struct ReadLength {
    length_mm: Length,
    text: String,
}

/// Evaluates without solving: frame, outline, balance of the coat as it is.
#[utoipa::path(responses(
    (status = 200, body = Evaluation),
    (status = 404, body = ErrorBody),
    (status = 422, body = ErrorBody)
))]
#[post("/evaluate")]
pub(crate) async fn evaluate_dog(
    salon: web::Data<Salon>,
    desk: Json<OnTheDesk>,
) -> Result<web::Json<Evaluation>, ApiError> {
    let desk = desk.into_inner();
    let log = desk.log(&salon).await?;
    let evaluate = |desk: &Desk<'_>, options: &DrawOptions| desk.evaluate(options);
    if log.len() > QUICK_ENTRIES {
        let answer = at_once(move || desk.with(&log, evaluate)).await?;
        return Ok(web::Json(answer));
    }
    // Under a third of a millisecond: quicker here than handed to another thread and back.
    let answer = web::Json(desk.with(&log, evaluate));
    Ok(answer)
}

/// A log of so many entries is folded in a fraction of a millisecond.
const QUICK_ENTRIES: usize = 500;

/// What one touch on a zone would do.
#[utoipa::path(responses(
    (status = 200, body = WhatIf),
    (status = 404, body = ErrorBody),
    (status = 422, body = ErrorBody)
))]
#[post("/what-if")]
pub(crate) async fn try_what_if(
    salon: web::Data<Salon>,
    request: Json<WhatIfRequest>,
) -> Result<web::Json<WhatIf>, ApiError> {
    let WhatIfRequest { desk, zone, wish } = request.into_inner();
    desk.compute(&salon, move |desk, options| {
        desk.what_if(zone, wish, options)
    })
    .await
}

/// The owner's picture on this dog: its ratios as targets, and when each can be had.
#[utoipa::path(responses(
    (status = 200, body = Option<PictureHere>),
    (status = 404, body = ErrorBody),
    (status = 422, body = ErrorBody)
))]
#[post("/picture")]
pub(crate) async fn hold_picture(
    salon: web::Data<Salon>,
    desk: Json<OnTheDesk>,
) -> Result<web::Json<Option<PictureHere>>, ApiError> {
    let work = |desk: &Desk<'_>, options: &DrawOptions| desk.picture(options);
    desk.into_inner().compute(&salon, work).await
}

/// The lines that can be moved, with what each of their places costs.
#[utoipa::path(responses(
    (status = 200, body = Vec<LineOffer>),
    (status = 404, body = ErrorBody),
    (status = 422, body = ErrorBody)
))]
#[post("/lines")]
pub(crate) async fn offer_lines(
    salon: web::Data<Salon>,
    desk: Json<OnTheDesk>,
) -> Result<web::Json<Vec<LineOffer>>, ApiError> {
    desk.into_inner()
        .compute(&salon, |desk, _| desk.line_offers())
        .await
}

/// Where practitioners disagree: every answer tried on this dog.
#[utoipa::path(responses(
    (status = 200, body = Vec<QuestionHere>),
    (status = 404, body = ErrorBody),
    (status = 422, body = ErrorBody)
))]
#[post("/schools")]
pub(crate) async fn compare_schools(
    salon: web::Data<Salon>,
    desk: Json<OnTheDesk>,
) -> Result<web::Json<Vec<QuestionHere>>, ApiError> {
    desk.into_inner()
        .compute(&salon, |desk, _| desk.schools())
        .await
}

/// The looks to offer.
#[derive(Debug, Deserialize, ToSchema)]
pub struct ConsultRequest {
    desk: OnTheDesk,
    /// Looks to draw; the best three where none is named.
    #[serde(default)]
    shown: Vec<LookId>,
}

/// Every look on this dog, best first, up to three of them drawn.
#[utoipa::path(responses(
    (status = 200, body = Offers),
    (status = 404, body = ErrorBody),
    (status = 422, body = ErrorBody)
))]
#[post("/consult")]
pub(crate) async fn consult(
    salon: web::Data<Salon>,
    request: Json<ConsultRequest>,
) -> Result<web::Json<Offers>, ApiError> {
    let ConsultRequest { desk, shown } = request.into_inner();
    desk.compute(&salon, move |desk, options| desk.offers(&shown, options))
        .await
}

/// The weeks to look ahead.
#[derive(Debug, Deserialize, ToSchema)]
pub struct AheadRequest {
    desk: OnTheDesk,
    /// Weeks to the next visit; what the owner said, or the look's own, where not given.
    #[serde(default)]
    weeks: Option<u32>,
}

/// The look chosen over the weeks to the next visit, and the way to it.
#[utoipa::path(responses(
    (status = 200, body = Ahead),
    (status = 404, body = ErrorBody),
    (status = 422, body = ErrorBody)
))]
#[post("/ahead")]
pub(crate) async fn look_ahead(
    salon: web::Data<Salon>,
    request: Json<AheadRequest>,
) -> Result<web::Json<Ahead>, ApiError> {
    let AheadRequest { desk, weeks } = request.into_inner();
    desk.compute(&salon, move |desk, options| desk.ahead(weeks, options))
        .await
}

/// The owner card, line by line.
#[utoipa::path(responses(
    (status = 200, body = CardHere),
    (status = 404, body = ErrorBody),
    (status = 422, body = ErrorBody)
))]
#[post("/card")]
pub(crate) async fn show_card(
    salon: web::Data<Salon>,
    desk: Json<OnTheDesk>,
) -> Result<web::Json<CardHere>, ApiError> {
    desk.into_inner()
        .compute(&salon, |desk, _| desk.card())
        .await
}

/// The run to look at.
#[derive(Debug, Deserialize, ToSchema)]
pub struct RunRequest {
    desk: OnTheDesk,
    /// The table's own clock, milliseconds since 1970.
    now_ms: i64,
}

/// The run at the table; nothing before it begins.
#[utoipa::path(responses(
    (status = 200, body = Option<RunView>),
    (status = 404, body = ErrorBody),
    (status = 422, body = ErrorBody)
))]
#[post("/run")]
pub(crate) async fn look_at_run(
    salon: web::Data<Salon>,
    request: Json<RunRequest>,
) -> Result<web::Json<Option<RunView>>, ApiError> {
    let RunRequest { desk, now_ms } = request.into_inner();
    desk.compute(&salon, move |desk, _| desk.run(now_ms)).await
}

/// A slip to mend.
#[derive(Debug, Deserialize, ToSchema)]
pub struct RescueRequest {
    desk: OnTheDesk,
    slip: Slip,
}

/// Ways out where too much came off, the least harm first.
#[utoipa::path(responses(
    (status = 200, body = Vec<RescueOption>),
    (status = 404, body = ErrorBody),
    (status = 422, body = ErrorBody)
))]
#[post("/rescue")]
pub(crate) async fn mend_slip(
    salon: web::Data<Salon>,
    request: Json<RescueRequest>,
) -> Result<web::Json<Vec<RescueOption>>, ApiError> {
    let RescueRequest { desk, slip } = request.into_inner();
    desk.compute(&salon, move |desk, _| desk.rescue(&slip))
        .await
}

/// A knot met at the table.
#[derive(Debug, Deserialize, ToSchema)]
pub struct KnotRequest {
    desk: OnTheDesk,
    knot: KnotHere,
}

/// Ways out of a knot met in mid-groom, the cheapest first.
#[utoipa::path(responses(
    (status = 200, body = Vec<KnotOffer>),
    (status = 404, body = ErrorBody),
    (status = 422, body = ErrorBody)
))]
#[post("/knot")]
pub(crate) async fn knot_here(
    salon: web::Data<Salon>,
    request: Json<KnotRequest>,
) -> Result<web::Json<Vec<KnotOffer>>, ApiError> {
    let KnotRequest { desk, knot } = request.into_inner();
    desk.compute(&salon, move |desk, _| desk.knot_here(&knot))
        .await
}

/// A zone that a step to come works on.
#[derive(Debug, Deserialize, ToSchema)]
pub struct WaysAheadRequest {
    desk: OnTheDesk,
    zone: Zone,
}

/// Ways out of what may go wrong at a zone, before it does.
#[utoipa::path(responses(
    (status = 200, body = WaysAhead),
    (status = 404, body = ErrorBody),
    (status = 422, body = ErrorBody)
))]
#[post("/ways-ahead")]
pub(crate) async fn ways_ahead(
    salon: web::Data<Salon>,
    request: Json<WaysAheadRequest>,
) -> Result<web::Json<WaysAhead>, ApiError> {
    let WaysAheadRequest { desk, zone } = request.into_inner();
    desk.compute(&salon, move |desk, _| desk.ways_ahead(zone))
        .await
}

/// What was left against the plan, and what to touch up.
#[utoipa::path(responses(
    (status = 200, body = FinishReport),
    (status = 404, body = ErrorBody),
    (status = 422, body = ErrorBody)
))]
#[post("/finish")]
pub(crate) async fn check_finish(
    salon: web::Data<Salon>,
    desk: Json<OnTheDesk>,
) -> Result<web::Json<FinishReport>, ApiError> {
    desk.into_inner()
        .compute(&salon, |desk, _| desk.finish())
        .await
}

/// What to measure next, the most telling first.
#[utoipa::path(responses(
    (status = 200, body = WhatNext),
    (status = 404, body = ErrorBody),
    (status = 422, body = ErrorBody)
))]
#[post("/next-measure")]
pub(crate) async fn find_next_measure(
    salon: web::Data<Salon>,
    desk: Json<OnTheDesk>,
) -> Result<web::Json<WhatNext>, ApiError> {
    desk.into_inner()
        .compute(&salon, |desk, _| desk.what_next())
        .await
}

/// Understands a length as it was typed.
#[utoipa::path(responses((status = 200, body = ReadLength), (status = 422, body = ErrorBody)))]
#[post("/length")]
pub(crate) async fn read_length(
    typed: Json<TypedLength>,
) -> Result<web::Json<ReadLength>, ApiError> {
    let typed = typed.into_inner();
    let length = parse_length(&typed.text, typed.units).map_err(ApiError::Body)?;
    if let Some(place) = &typed.read_on
        && let Some(problem) = standing_problem(place, length, typed.most_mm, typed.units)
    {
        return Err(ApiError::Body(problem));
    }
    Ok(web::Json(ReadLength {
        length_mm: length,
        text: length_text(length, typed.units),
    }))
}
