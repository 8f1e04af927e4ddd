//! The only place that turns what went wrong into a status and an answer.

use actix_web::http::StatusCode;
use actix_web::{HttpResponse, ResponseError};
use serde::Serialize;
use utoipa::ToSchema;
use veliform_core::frame::Problem;
use veliform_core::solve::SolveError;
use veliform_formats::{DogFileError, PageError, PhotoError, RasterError};
use veliform_store::StoreError;

/// Kinds of failure, stable for clients.
#[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum ErrorKind {
    /// Nothing there.
    NotFound,
    /// What was sent cannot be; say it differently.
    InvalidInput,
    /// It is already there, differently.
    Conflict,
    /// More than is taken.
    TooLarge,
    /// Not from this machine's own pages.
    Refused,
    /// Busy or closed; try again.
    Unavailable,
    /// A fault of ours.
    Internal,
}

/// What a failed request is answered with.
#[derive(Clone, Debug, Serialize, ToSchema)]
pub struct ErrorBody {
    /// The kind.
    pub kind: ErrorKind,
    /// One sentence: what is wrong and what to do.
    pub message: String,
    /// Sentences beside fields, where fields are wrong.
    pub fields: Vec<Problem>,
}

/// A failed request.
#[derive(Debug, thiserror::Error)]
pub enum ApiError {
    /// The salon's data.
    #[error(transparent)]
    Store(#[from] StoreError),
    /// A dog file.
    #[error(transparent)]
    DogFile(#[from] DogFileError),
    /// The solve.
    #[error(transparent)]
    Solve(#[from] SolveError),
    /// A picture.
    #[error(transparent)]
    Raster(#[from] RasterError),
    /// A photo.
    #[error(transparent)]
    Photo(#[from] PhotoError),
    /// A PDF.
    #[error(transparent)]
    Page(#[from] PageError),
    /// A value could not be written.
    #[error("the answer could not be written")]
    Write(#[from] serde_json::Error),
    /// Fields that cannot be.
    #[error("{}", .0.first().map_or("nothing is wrong", |p| p.message.as_str()))]
    Fields(Vec<Problem>),
    /// The body is not what it should be.
    #[error("{0}")]
    Body(String),
    /// More than is taken.
    #[error("{0}")]
    TooLarge(String),
    /// Not from this machine's own pages.
    #[error("{0}")]
    Refused(String),
    /// No such address.
    #[error("there is nothing at {0}")]
    NoAddress(String),
    /// The work was cut off.
    #[error("the work was cut off; try again")]
    CutOff,
}

impl ApiError {
    fn kind(&self) -> ErrorKind {
        match self {
            Self::Store(StoreError::NotFound { .. }) | Self::NoAddress(_) => ErrorKind::NotFound,
            Self::Store(StoreError::Full { .. }) => ErrorKind::InvalidInput,
            Self::Photo(PhotoError::TooManyBytes { .. } | PhotoError::TooManyPixels) => {
                ErrorKind::TooLarge
            }
            Self::Photo(PhotoError::OtherKind | PhotoError::Broken) => ErrorKind::InvalidInput,
            Self::Store(StoreError::Conflict { .. }) => ErrorKind::Conflict,
            Self::Store(StoreError::Database(_)) | Self::CutOff => ErrorKind::Unavailable,
            Self::Store(
                StoreError::Unreadable { .. }
                | StoreError::Unwritable(_)
                | StoreError::Migration(_),
            )
            | Self::Solve(_)
            | Self::Page(_)
            | Self::Write(_)
            | Self::Raster(RasterError::Svg(_) | RasterError::Encode(_)) => ErrorKind::Internal,
            Self::DogFile(DogFileError::TooLarge { .. }) | Self::TooLarge(_) => ErrorKind::TooLarge,
            Self::DogFile(
                DogFileError::Broken { .. }
                | DogFileError::OtherFormat { .. }
                | DogFileError::NewerVersion { .. }
                | DogFileError::Dog { .. },
            )
            | Self::Raster(RasterError::Size { .. })
            | Self::Fields(_)
            | Self::Body(_) => ErrorKind::InvalidInput,
            Self::Refused(_) => ErrorKind::Refused,
        }
    }
}

impl ResponseError for ApiError {
    fn status_code(&self) -> StatusCode {
        match self.kind() {
            ErrorKind::NotFound => StatusCode::NOT_FOUND,
            ErrorKind::InvalidInput => StatusCode::UNPROCESSABLE_ENTITY,
            ErrorKind::Conflict => StatusCode::CONFLICT,
            ErrorKind::TooLarge => StatusCode::PAYLOAD_TOO_LARGE,
            ErrorKind::Refused => StatusCode::FORBIDDEN,
            ErrorKind::Unavailable => StatusCode::SERVICE_UNAVAILABLE,
            ErrorKind::Internal => StatusCode::INTERNAL_SERVER_ERROR,
        }
    }

    fn error_response(&self) -> HttpResponse {
        let kind = self.kind();
        let is_ours = matches!(kind, ErrorKind::Internal | ErrorKind::Unavailable);
        if is_ours {
            let mut chain = self.to_string();
            let mut source = std::error::Error::source(self);
            while let Some(cause) = source {
                chain = format!("{chain}: {cause}");
                source = cause.source();
            }
            tracing::error!("{chain}");
        }
        let message = match kind {
            ErrorKind::Internal => {
                "That is a fault of Veliform. What you typed is kept; try again.".into()
            }
            _ => sentence(&self.to_string()),
        };
        let fields = match self {
            Self::Fields(fields) => fields.clone(),
            _ => Vec::new(),
        };
        HttpResponse::build(self.status_code()).json(ErrorBody {
            kind,
            message,
            fields,
        })
    }
}

/// A message as a sentence: capital first, full stop last.
fn sentence(text: &str) -> String {
    let mut letters = text.chars();
    let first = letters.next().map(|c| c.to_uppercase().to_string());
    let stop = if text.ends_with(['.', '!', '?']) {
        ""
    } else {
        "."
    };
    format!("{}{}{stop}", first.unwrap_or_default(), letters.as_str())
}
