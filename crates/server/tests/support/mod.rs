//! A salon in memory, and one way to ask it.
#![allow(dead_code, reason = "each test file uses its own part")]

use actix_web::http::{Method, StatusCode, header};
use actix_web::test::{TestRequest, call_service, init_service, read_body};
use serde_json::Value;
use veliform_server::app::{SharedSalon, app};
use veliform_server::demo;
use veliform_store::Store;

/// The demo salon, its first groom begun a millisecond after 1970.
pub fn salon() -> SharedSalon {
    let mut store = Store::in_memory().expect("opens");
    demo::fill(&mut store, 1).expect("fills");
    SharedSalon::new(store)
}

/// What goes with a request.
pub enum Body {
    None,
    Json(Value),
    Bytes(String, Vec<u8>),
}

/// One answer, read whole.
pub struct Answer {
    pub status: StatusCode,
    pub kind: String,
    pub allow: String,
    pub etag: Option<String>,
    pub bytes: Vec<u8>,
    /// What it says; null where it is no JSON.
    pub value: Value,
}

/// Sends one request to a fresh application on this salon; `known` is the version the sender knows.
pub async fn ask(
    salon: &SharedSalon,
    method: Method,
    path: &str,
    known: Option<&str>,
    body: Body,
) -> Answer {
    let service = init_service(app(salon).0).await;
    let mut request = TestRequest::default()
        .method(method)
        .uri(path)
        .insert_header((header::HOST, "127.0.0.1:4270"));
    if let Some(known) = known {
        request = request.insert_header((header::IF_MATCH, known));
    }
    request = match body {
        Body::None => request,
        Body::Json(body) => request.set_json(body),
        Body::Bytes(kind, bytes) => request
            .insert_header((header::CONTENT_TYPE, kind))
            .set_payload(bytes),
    };
    let answer = call_service(&service, request.to_request()).await;
    let text = |name| {
        let value = answer.headers().get(name)?;
        Some(value.to_str().ok()?.to_owned())
    };
    let (status, kind, allow, etag) = (
        answer.status(),
        text(header::CONTENT_TYPE).unwrap_or_default(),
        text(header::ALLOW).unwrap_or_default(),
        text(header::ETAG),
    );
    let bytes = read_body(answer).await.to_vec();
    Answer {
        status,
        kind,
        allow,
        etag,
        value: serde_json::from_slice(&bytes).unwrap_or(Value::Null),
        bytes,
    }
}

/// The demo's settings are its first version; nothing else that is asked needs one.
pub fn first_version(path: &str) -> Option<&'static str> {
    (path == "/api/house").then_some("\"1\"")
}
