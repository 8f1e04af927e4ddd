//! Versions of what two screens may change at once, as HTTP has them (RFC 9110, 8.8.3 and 13.1.1).

use actix_web::HttpRequest;
use actix_web::http::header::{ETag, EntityTag, Header as _, IfMatch};

/// The version something stands at.
pub(crate) fn tag(version: i64) -> ETag {
    ETag(EntityTag::new_strong(version.to_string()))
}

/// The version several things stand at together.
pub(crate) fn tag_of_all(versions: &[i64]) -> ETag {
    let texts: Vec<String> = versions.iter().map(i64::to_string).collect();
    ETag(EntityTag::new_strong(texts.join(".")))
}

/// What a change is made from; one that does not say is taken as it comes.
pub(crate) struct MadeFrom(Option<Vec<EntityTag>>);

impl MadeFrom {
    pub(crate) fn of(request: &HttpRequest) -> Self {
        match IfMatch::parse(request) {
            Ok(IfMatch::Items(tags)) if !tags.is_empty() => Self(Some(tags)),
            _ => Self(None),
        }
    }

    /// Whether it is made from what stands there now.
    pub(crate) fn is(&self, stands_at: &ETag) -> bool {
        let is_this = |tags: &Vec<EntityTag>| tags.iter().any(|t| t.strong_eq(&stands_at.0));
        self.0.as_ref().is_none_or(is_this)
    }
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
