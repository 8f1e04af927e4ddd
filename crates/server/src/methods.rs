//! What an address takes: HEAD wherever GET is, and 405 where only the method is wrong.

use actix_web::Error;
use actix_web::body::MessageBody;
use actix_web::dev::{ServiceRequest, ServiceResponse};
use actix_web::http::Method;
use actix_web::middleware::Next;
use utoipa::openapi::OpenApi;
use utoipa::openapi::path::PathItem;

/// Answers HEAD as GET; the body is left away when it is sent (RFC 9110, 9.3.2).
pub(crate) async fn head_as_get<B: MessageBody>(
    mut request: ServiceRequest,
    next: Next<B>,
) -> Result<ServiceResponse<B>, Error> {
    if request.method() == Method::HEAD {
        request.head_mut().method = Method::GET;
    }
    next.call(request).await
}

/// The addresses of the document with what each takes.
#[derive(Clone, Debug)]
pub(crate) struct Addresses(Vec<(Vec<String>, String)>);

impl Addresses {
    pub(crate) fn of(document: &OpenApi) -> Self {
        let paths = document.paths.paths.iter();
        Self(
            paths
                .map(|(path, item)| (split(path), methods(item)))
                .collect(),
        )
    }

    /// The methods an address takes, as `Allow` lists them; none where there is nothing.
    pub(crate) fn allowed(&self, path: &str) -> Option<&str> {
        let wanted = split(path);
        let is_it = |known: &[String]| {
            known.len() == wanted.len()
                && known
                    .iter()
                    .zip(&wanted)
                    .all(|(k, w)| k.starts_with('{') || k == w)
        };
        let found = self.0.iter().find(|(known, _)| is_it(known))?;
        Some(&found.1)
    }
}

fn split(path: &str) -> Vec<String> {
    path.trim_matches('/')
        .split('/')
        .map(str::to_owned)
        .collect()
}

fn methods(item: &PathItem) -> String {
    let all = [
        ("GET, HEAD", item.get.is_some()),
        ("PUT", item.put.is_some()),
        ("POST", item.post.is_some()),
        ("DELETE", item.delete.is_some()),
    ];
    let there: Vec<&str> = all.iter().filter(|m| m.1).map(|m| m.0).collect();
    there.join(", ")
}
