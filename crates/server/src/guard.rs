//! Answers only this machine's own pages: checks `Host` and `Origin`.

use actix_web::body::MessageBody;
use actix_web::dev::{ServiceRequest, ServiceResponse};
use actix_web::http::header;
use actix_web::middleware::Next;
use actix_web::{Error, HttpRequest};

use crate::error::ApiError;

/// Refuses requests whose `Host` is not this machine, or that come from another page.
pub(crate) async fn own_pages_only<B: MessageBody>(
    request: ServiceRequest,
    next: Next<B>,
) -> Result<ServiceResponse<B>, Error> {
    check(request.request())?;
    next.call(request).await
}

fn check(request: &HttpRequest) -> Result<(), ApiError> {
    let text = |name: header::HeaderName| {
        request
            .headers()
            .get(name)
            .and_then(|value| value.to_str().ok())
    };
    let host = text(header::HOST)
        .or_else(|| {
            request
                .uri()
                .authority()
                .map(actix_web::http::uri::Authority::as_str)
        })
        .unwrap_or_default();
    if !is_this_machine(host) {
        return Err(ApiError::Refused(
            "Veliform answers on this machine only; open it by its own address".into(),
        ));
    }
    if let Some(origin) = text(header::ORIGIN) {
        let from = origin.strip_prefix("http://").unwrap_or_default();
        if from != host {
            return Err(ApiError::Refused(
                "another page asked for this; open Veliform itself".into(),
            ));
        }
    }
    Ok(())
}

/// Whether a `Host` header names the loopback interface, with or without a port.
fn is_this_machine(host: &str) -> bool {
    let name = match host.rsplit_once(':') {
        Some((name, port)) if port.chars().all(|c| c.is_ascii_digit()) => name,
        _ => host,
    };
    matches!(name, "localhost" | "127.0.0.1" | "[::1]")
}

#[cfg(test)]
mod tests {
    use super::is_this_machine;

    #[test]
    fn only_the_loopback_interface_is_this_machine() {
        for host in [
            "localhost",
            "localhost:4270",
            "127.0.0.1:1",
            "[::1]:80",
            "[::1]",
        ] {
            assert!(is_this_machine(host), "{host}");
        }
        for host in [
            "",
            "evil.example",
            "127.0.0.1.evil.example",
            "localhost.evil:80",
            "10.0.0.1",
        ] {
            assert!(!is_this_machine(host), "{host}");
        }
    }
}
