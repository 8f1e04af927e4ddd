//! A plan in one answer, or its reasons after it in the same answer.

use std::io::Write as _;
use std::sync::Arc;
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
use utoipa::ToSchema;
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

/// A knob still being turned asks again within this time; reasons begin after it.
const STILL_TURNING: Duration = Duration::from_millis(25);

/// Solves the look chosen, then finds its reasons: two plan views as lines of JSON, the first without
/// reasons, as soon as it is there. Whoever goes away after the first is not worked for any more.
#[utoipa::path(responses(
    (status = 200, body = PlanView, content_type = "application/x-ndjson"),
    (status = 404, body = ErrorBody),
    (status = 422, body = ErrorBody)
))]
#[post("/plan-then-reasons")]
pub(crate) async fn plan_then_reasons(
    salon: web::Data<Salon>,
    desk: Json<OnTheDesk>,
    request: HttpRequest,
) -> Result<HttpResponse, ApiError> {
    let desk = Arc::new(desk.into_inner());
    let log = desk.log(&salon).await?;
    let mut lines = Lines::for_reader(&request);
    let (asked, said) = (Arc::clone(&desk), Arc::clone(&log));
    let (first, mut lines) = compute(move || {
        let view = asked.with(&said, |desk, options| {
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
        if sender.is_closed() {
            return;
        }
        let waits = sender.clone();
        let tail = compute(move || {
            let is_wanted = || !waits.is_closed();
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
