//! The front end, as the program that serves it has it embedded.

use actix_web::http::{Method, header};
use actix_web::{HttpRequest, HttpResponse, web};
use rust_embed::EmbeddedFile;

use crate::error::ApiError;
use crate::methods::Addresses;

/// The front end's files by their path. They are the program's, not this library's: so that the library is
/// built while the front end is.
pub type Files = fn(&str) -> Option<EmbeddedFile>;

/// A library by itself has no front end.
pub(crate) fn no_files(_: &str) -> Option<EmbeddedFile> {
    None
}

/// Serves a file of the front end; an address it does not know is the browser router's.
pub(crate) async fn serve(
    request: HttpRequest,
    addresses: web::Data<Addresses>,
    files: web::Data<Files>,
) -> Result<HttpResponse, ApiError> {
    let path = request.path().trim_start_matches('/').to_owned();
    let no_address = || ApiError::NoAddress(request.path().to_owned());
    if let Some(methods) = addresses.allowed(request.path()) {
        return Err(ApiError::NotAllowed(methods.to_owned()));
    }
    if !matches!(*request.method(), Method::GET | Method::HEAD) || path.starts_with("api/") {
        return Err(no_address());
    }
    if let Some(file) = files(&path).filter(|_| !path.is_empty()) {
        return Ok(answer(&request, &path, &file));
    }
    if path.starts_with("assets/") {
        return Err(no_address());
    }
    match files("index.html") {
        Some(file) => Ok(answer(&request, "index.html", &file)),
        None => Ok(HttpResponse::Ok()
            .content_type("text/plain; charset=utf-8")
            .body(
                "This build has no front end: run `npm --prefix web run build` and build again.",
            )),
    }
}

fn answer(request: &HttpRequest, name: &str, file: &EmbeddedFile) -> HttpResponse {
    let sum = file.metadata.sha256_hash();
    let sum = u64::from_be_bytes([
        sum[0], sum[1], sum[2], sum[3], sum[4], sum[5], sum[6], sum[7],
    ]);
    let tag = format!("\"{sum:016x}\"");
    let cache = if name.starts_with("assets/") {
        "public, max-age=31536000, immutable"
    } else {
        "no-cache"
    };
    let is_known = request
        .headers()
        .get(header::IF_NONE_MATCH)
        .is_some_and(|known| known.as_bytes() == tag.as_bytes());
    if is_known {
        return HttpResponse::NotModified()
            .insert_header((header::ETAG, tag))
            .finish();
    }
    let kind = mime_guess::from_path(name).first_or_octet_stream();
    let kind = if kind.type_() == "text" || kind.subtype() == "javascript" {
        format!("{kind}; charset=utf-8")
    } else {
        kind.to_string()
    };
    HttpResponse::Ok()
        .content_type(kind)
        .insert_header((header::ETAG, tag))
        .insert_header((header::CACHE_CONTROL, cache))
        .body(file.data.clone().into_owned())
}
