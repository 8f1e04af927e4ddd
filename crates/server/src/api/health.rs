use actix_web::{get, web};
use serde::Serialize;
use utoipa::ToSchema;
use veliform_core::plan::METHOD;

use crate::clock::now_ms;

/// The program, alive.
#[derive(Debug, Serialize, ToSchema)]
pub struct Health {
    /// Version of the program.
    version: &'static str,
    /// Name and number of the method.
    method: &'static str,
    /// Now, by the salon's clock, milliseconds since 1970 in UTC.
    now_ms: i64,
}

/// Says that the program is alive.
#[utoipa::path(responses((status = 200, body = Health)))]
#[get("/health")]
pub(crate) async fn get_health() -> web::Json<Health> {
    web::Json(Health {
        version: env!("CARGO_PKG_VERSION"),
        method: METHOD,
        now_ms: now_ms(),
    })
}
