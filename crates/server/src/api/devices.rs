use std::time::Duration;

use actix_web::http::header;
use actix_web::web::Bytes;
use actix_web::{HttpResponse, get, web};
use futures_util::stream;
use serde::de::DeserializeOwned;
use serde::{Deserialize, Serialize};
use utoipa::{IntoParams, ToSchema};
use uuid::Uuid;
use veliform_core::coat::Zone;
use veliform_core::desk::Reasons;
use veliform_core::device::{DeviceKind, DeviceLine, Fault, parse_line, simulate, simulate_coat};
use veliform_core::frame::Measure;

use super::at_visit::AtVisit;
use crate::blocking::{Salon, compute};
use crate::error::{ApiError, ErrorBody};

/// What a simulated device is asked.
#[derive(Debug, Deserialize, IntoParams)]
pub struct Asked {
    /// The visit whose dog stands there.
    visit: Uuid,
    /// Measures in the order they are taken, with commas between.
    #[serde(default)]
    ask: String,
    /// Or zones of the coat, as they were left, likewise.
    #[serde(default)]
    zones: String,
    /// The dog it measures: the same number is the same dog.
    #[serde(default)]
    seed: u64,
    /// What goes wrong.
    #[serde(default)]
    #[param(inline)]
    fault: Fault,
    /// Milliseconds between readings.
    #[serde(default = "usual_pace")]
    pace_ms: u64,
}

const fn usual_pace() -> u64 {
    1200
}

/// Slowest and quickest a simulated device sends, ms.
const PACE_MS: (u64, u64) = (50, 10_000);

/// Readings of a simulated device, one server-sent event per line it says, its data what the line
/// was read as. It ships with the program and is no real device; docs/formats/device-line.md says
/// what a line holds.
#[utoipa::path(
    params(Asked, ("kind" = inline(DeviceKind), Path)),
    responses((status = 200, content_type = "text/event-stream", body = DeviceEvent), (status = 404, body = ErrorBody))
)]
#[get("/simulated-devices/{kind}/lines")]
pub(crate) async fn stream_readings(
    salon: web::Data<Salon>,
    kind: web::Path<DeviceKind>,
    asked: web::Query<Asked>,
) -> Result<HttpResponse, ApiError> {
    let (kind, asked) = (kind.into_inner(), asked.into_inner());
    let measures: Vec<Measure> = named(&asked.ask, "measure")?;
    let zones: Vec<Zone> = named(&asked.zones, "zone")?;
    let at = salon
        .run(move |store| AtVisit::read(store, asked.visit))
        .await?;
    let sent = compute(move || {
        let desk = at.desk();
        if zones.is_empty() {
            let build = &desk.frame.build;
            return Ok(simulate(kind, build, &measures, asked.seed, asked.fault));
        }
        let plan = desk.plan(Reasons::Skip)?.plan;
        let of = |zone: &Zone| plan.zone_mm(*zone).unwrap_or(desk.coat.length_mm(*zone));
        let planned: Vec<f64> = zones.iter().map(of).collect();
        Ok(simulate_coat(kind, &planned, asked.seed, asked.fault))
    })
    .await?;
    let pace = Duration::from_millis(asked.pace_ms.clamp(PACE_MS.0, PACE_MS.1));
    let events = stream::unfold(
        (sent.into_iter(), true),
        move |(mut left, is_first)| async move {
            if !is_first {
                tokio::time::sleep(pace).await;
            }
            let lines = left.next()?;
            let text: String = lines
                .iter()
                .filter_map(|l| event_of(&l.to_string()))
                .collect();
            // A lost reading is silence; an empty comment keeps the line open.
            let text = if text.is_empty() {
                ":\n\n".into()
            } else {
                text
            };
            Some((Ok::<_, actix_web::Error>(Bytes::from(text)), (left, false)))
        },
    );
    Ok(HttpResponse::Ok()
        .content_type("text/event-stream")
        .insert_header((header::CACHE_CONTROL, "no-store"))
        .streaming(events))
}

/// One event of a device: what its line says, or that the line is broken.
#[derive(Debug, Serialize, ToSchema)]
#[serde(untagged)]
enum DeviceEvent {
    /// A line that reads.
    Line(DeviceLine),
    /// A line that does not, in one sentence.
    Trouble {
        /// What is wrong and what to do.
        sentence: String,
    },
}

/// A line as an event, read as a real device's would be; a line that says nothing known is none.
fn event_of(line: &str) -> Option<String> {
    let event = match parse_line(line) {
        Ok(said) => DeviceEvent::Line(said?),
        Err(sentence) => DeviceEvent::Trouble { sentence },
    };
    let data = serde_json::to_string(&event).ok()?;
    Some(format!("data: {data}\n\n"))
}

/// A list of names with commas between.
fn named<T: DeserializeOwned>(asked: &str, what: &str) -> Result<Vec<T>, ApiError> {
    asked
        .split(',')
        .filter(|w| !w.is_empty())
        .map(|word| {
            serde_json::from_value(serde_json::Value::String(word.into())).map_err(|_| {
                ApiError::Body(format!(
                    "“{word}” is no {what}; ask for {what}s by their names, with commas between."
                ))
            })
        })
        .collect()
}
