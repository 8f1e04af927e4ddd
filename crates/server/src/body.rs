//! A request's body: read by type, refused in a sentence.

use std::pin::Pin;
use std::time::Duration;

use actix_web::dev::Payload;
use actix_web::http::header;
use actix_web::web::Bytes;
use actix_web::{FromRequest, HttpRequest};
use serde::de::{DeserializeOwned, Error as _};
use serde::{Deserialize, Deserializer, Serialize};
use tokio::time::timeout;
use veliform_formats::read_json;

use crate::error::ApiError;

/// Largest request body but for dog files and photos, bytes: a visit of thousands of entries.
pub(crate) const MOST_JSON: usize = 4 * 1024 * 1024;

/// Time a body may take to arrive: over this machine's own wire even the largest is there at once.
pub(crate) const BODY_TIME: Duration = Duration::from_secs(10);

/// A body of JSON.
///
/// Like Actix Web's own extractor, whose name the OpenAPI document is made by, but with the place
/// and the nearest words where it does not read.
#[derive(Debug)]
pub(crate) struct Json<T>(T);

impl<T> Json<T> {
    pub(crate) fn into_inner(self) -> T {
        self.0
    }
}

impl<T: DeserializeOwned + 'static> FromRequest for Json<T> {
    type Error = ApiError;
    type Future = Pin<Box<dyn Future<Output = Result<Self, ApiError>>>>;

    fn from_request(request: &HttpRequest, payload: &mut Payload) -> Self::Future {
        let length = request
            .headers()
            .get(header::CONTENT_LENGTH)
            .and_then(|v| v.to_str().ok())
            .and_then(|v| v.parse::<usize>().ok());
        let is_json = request
            .headers()
            .get(header::CONTENT_TYPE)
            .and_then(|v| v.to_str().ok())
            .is_some_and(|kind| kind.split(';').next().map(str::trim) == Some("application/json"));
        let bytes = Bytes::from_request(request, payload);
        Box::pin(async move {
            if length.is_some_and(|n| n > MOST_JSON) {
                return Err(too_large());
            }
            if !is_json {
                return Err(ApiError::OtherKind);
            }
            let bytes = timeout(BODY_TIME, bytes).await;
            let bytes = bytes
                .map_err(|_| ApiError::TooSlow)?
                .map_err(|_| too_large())?;
            if bytes.len() > MOST_JSON {
                return Err(too_large());
            }
            let value = read_json(&bytes).map_err(|e| ApiError::Body(e.to_string()))?;
            Ok(Self(value))
        })
    }
}

fn too_large() -> ApiError {
    ApiError::TooLarge("the request is larger than Veliform takes; send less at once".into())
}

/// A value that says all its fields: what is left out would be set to its usual value unsaid.
#[derive(Debug)]
pub(crate) struct Whole<T>(pub T);

impl<'de, T> Deserialize<'de> for Whole<T>
where
    T: DeserializeOwned + Default + Serialize,
{
    fn deserialize<D: Deserializer<'de>>(reader: D) -> Result<Self, D::Error> {
        let said = serde_json::Map::deserialize(reader)?;
        let usual = serde_json::to_value(T::default()).map_err(D::Error::custom)?;
        let fields = usual.as_object().into_iter().flatten();
        let missing: Vec<&str> = fields
            .map(|(field, _)| field.as_str())
            .filter(|field| !said.contains_key(*field))
            .collect();
        if !missing.is_empty() {
            let missing = missing.join(", ");
            return Err(D::Error::custom(format!(
                "not all is said: {missing} missing"
            )));
        }
        let value = serde_json::from_value(said.into()).map_err(D::Error::custom)?;
        Ok(Self(value))
    }
}
