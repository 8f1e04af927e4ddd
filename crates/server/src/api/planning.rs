//! A plan in one answer, or its reasons after it in the same answer.

use std::collections::HashMap;
use std::io::Write as _;
use std::sync::{Arc, LazyLock, Mutex, PoisonError};
use std::time::Duration;

use actix_web::http::header;
use actix_web::web::Bytes;
use actix_web::{HttpRequest, HttpResponse, post, rt, web};
use flate2::Compression;
use flate2::write::GzEncoder;
use futures_util::stream;
use serde::{Deserialize, Serialize};
use tokio::sync::mpsc;
use tokio::time::sleep;
use utoipa::{IntoParams, ToSchema};
use uuid::Uuid;
use veliform_core::desk::{PlanView, Reasons};

use super::desk::OnTheDesk;
use crate::blocking::{Salon, compute};
use crate::body::Json;
use crate::error::{ApiError, ErrorBody};

/// A plan to make.
#[derive(Debug, Deserialize, ToSchema)]
pub struct PlanRequest {
    desk: OnTheDesk,
    /// Whether reasons are looked for; they take further solves.
    #[serde(default)]
    reasons: bool,
}

/// Solves the look chosen and writes the plan out.
#[utoipa::path(responses(
    (status = 200, body = PlanView),
    (status = 404, body = ErrorBody),
    (status = 422, body = ErrorBody)
))]
#[post("/plan")]
pub(crate) async fn plan_dog(
    salon: web::Data<Salon>,
    request: Json<PlanRequest>,
) -> Result<web::Json<PlanView>, ApiError> {
    let PlanRequest { desk, reasons } = request.into_inner();
    desk.compute(&salon, move |desk, options| {
        desk.plan_view(Reasons::wanted(reasons), options)
    })
    .await
}

/// Who asks.
#[derive(Debug, Deserialize, IntoParams)]
pub struct Asker {
    /// The page's own id: what it asked before is not worked for any more.
    page: Option<Uuid>,
}

/// Pages with the number of the question each asked last. A page that leaves an answer is not seen to
/// leave before something is written to it; that it asks anew is seen at once.
static ASKED_LAST: LazyLock<Mutex<HashMap<Uuid, u64>>> = LazyLock::new(Mutex::default);
/// Pages remembered: those of a few tables, with what they forget when they are loaded again.
const MOST_PAGES: usize = 64;

/// A page's question, to be told from those it asked after it.
#[derive(Clone, Copy)]
struct Asked(Option<(Uuid, u64)>);

impl Asked {
    fn by(page: Option<Uuid>) -> Self {
        Self(page.map(|page| {
            let mut last = ASKED_LAST.lock().unwrap_or_else(PoisonError::into_inner);
            if last.len() >= MOST_PAGES && !last.contains_key(&page) {
                last.clear();
            }
            let number = last.entry(page).or_default();
            *number += 1;
            (page, *number)
        }))
    }

    /// Whether its page has asked nothing since.
    fn is_newest(self) -> bool {
        self.0.is_none_or(|(page, number)| {
            let last = ASKED_LAST.lock().unwrap_or_else(PoisonError::into_inner);
            last.get(&page) == Some(&number)
        })
    }
}

/// A knob still being turned asks again within this time; reasons begin after it.
const STILL_TURNING: Duration = Duration::from_millis(25);

/// Solves the look chosen, then finds its reasons: two plan views as lines of JSON, the first without
/// reasons, as soon as it is there. A page that asks anew is not worked for any more: then the second
/// line is missing.
#[utoipa::path(params(Asker), responses(
    (status = 200, body = PlanView, content_type = "application/x-ndjson"),
    (status = 404, body = ErrorBody),
    (status = 422, body = ErrorBody)
))]
#[post("/plan-then-reasons")]
pub(crate) async fn plan_then_reasons(
    salon: web::Data<Salon>,
    asker: web::Query<Asker>,
    desk: Json<OnTheDesk>,
    request: HttpRequest,
) -> Result<HttpResponse, ApiError> {
    let asked = Asked::by(asker.page);
    let desk = Arc::new(desk.into_inner());
    let log = desk.log(&salon).await?;
    let mut lines = Lines::for_reader(&request);
    let (first_desk, first_log) = (Arc::clone(&desk), Arc::clone(&log));
    let (first, mut lines) = compute(move || {
        let view = first_desk.with(&first_log, |desk, options| {
            desk.plan_view(Reasons::Skip, options)
        })?;
        Ok((lines.line(&view)?, lines))
    })
    .await?;
    let mut answer = HttpResponse::Ok();
    answer.content_type("application/x-ndjson");
    // Named in any case: what is packed line by line here is not packed once more as a whole.
    answer.insert_header((header::CONTENT_ENCODING, lines.encoding()));
    let (sender, mut receiver) = mpsc::channel::<Bytes>(2);
    rt::spawn(async move {
        if sender.send(first).await.is_err() {
            return;
        }
        sleep(STILL_TURNING).await;
        if sender.is_closed() || !asked.is_newest() {
            return;
        }
        let waits = sender.clone();
        let tail = compute(move || {
            let is_wanted = || !waits.is_closed() && asked.is_newest();
            let view = desk.with(&log, |desk, options| {
                desk.plan_view(Reasons::FindWhile(&is_wanted), options)
            })?;
            let line = lines.line(&view)?;
            Ok([line, lines.end()?].concat())
        });
        // What cannot be told any more shows by the missing second line.
        if let Ok(tail) = tail.await {
            let _ = sender.send(tail.into()).await;
        }
    });
    Ok(answer.streaming(stream::poll_fn(move |context| {
        receiver
            .poll_recv(context)
            .map(|line| line.map(Ok::<_, ApiError>))
    })))
}

/// Lines of JSON, packed where the reader unpacks; each goes out whole.
struct Lines {
    packed: Option<GzEncoder<Vec<u8>>>,
}

impl Lines {
    fn for_reader(request: &HttpRequest) -> Self {
        let accepts = request.headers().get(header::ACCEPT_ENCODING);
        let takes_gzip = accepts
            .and_then(|v| v.to_str().ok())
            .is_some_and(|v| v.split(',').any(|one| one.trim() == "gzip"));
        Self {
            packed: takes_gzip.then(|| GzEncoder::new(Vec::new(), Compression::fast())),
        }
    }

    const fn encoding(&self) -> &'static str {
        match self.packed {
            Some(_) => "gzip",
            None => "identity",
        }
    }

    fn line(&mut self, value: &impl Serialize) -> Result<Bytes, ApiError> {
        let mut json = serde_json::to_vec(value)?;
        json.push(b'\n');
        let Some(packed) = &mut self.packed else {
            return Ok(json.into());
        };
        packed.write_all(&json).and_then(|()| packed.flush())?;
        Ok(std::mem::take(packed.get_mut()).into())
    }

    fn end(self) -> Result<Bytes, ApiError> {
        match self.packed {
            Some(packed) => Ok(packed.finish()?.into()),
            None => Ok(Bytes::new()),
        }
    }
}
