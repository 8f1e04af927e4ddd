//! Versions of what two screens may change at once, as HTTP has them (RFC 9110, 8.8.3 and 13.1.1).

use actix_web::HttpRequest;
use actix_web::http::header::{ETag, EntityTag, Header as _, IfMatch};

/// The version something stands at.
pub(crate) fn tag(version: i64) -> ETag {
    ETag(EntityTag::new_strong(version.to_string()))
}

/// The version that a change is made from; none where the request does not say.
pub(crate) fn known_version(request: &HttpRequest) -> Option<i64> {
    match IfMatch::parse(request).ok()? {
        IfMatch::Items(tags) if !tags.is_empty() => {
            // A tag that is no version of ours was never the newest one.
            let versions = tags.iter().filter_map(|tag| tag.tag().parse().ok());
            Some(versions.max().unwrap_or(NO_VERSION))
        }
        _ => None,
    }
}

/// Stands for a version that never was.
const NO_VERSION: i64 = -1;
