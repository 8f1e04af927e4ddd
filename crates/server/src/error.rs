//! The only place that turns what went wrong into a status and an answer.

use actix_web::http::{StatusCode, header};
use actix_web::{HttpResponse, ResponseError};
use serde::Serialize;
use utoipa::ToSchema;
use veliform_core::frame::Problem;
use veliform_core::solve::SolveError;
use veliform_formats::{FileError, PageError, PhotoError, RasterError};
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
    /// It was changed since it was read.
    Changed,
    /// It is not said what it was changed from.
    Unconditional,
    /// More than is taken.
    TooLarge,
    /// The body is of another kind than is read here.
    OtherKind,
    /// The address is there, but not for this method.
    NotAllowed,
    /// Not from this machine's own pages.
    Refused,
    /// No room is left on the disk.
    DiskFull,
    /// Busy or closed; try again.
    Unavailable,
    /// A fault of ours.
    Internal,
}

/// What a failed request is answered with: problem details (RFC 9457), sent as
/// `application/problem+json`.
#[derive(Clone, Debug, Serialize, ToSchema)]
pub struct ErrorBody {
    /// The kind as a name of its own: `urn:veliform:` and the kind.
    #[serde(rename = "type")]
    pub kind_uri: String,
    /// The kind in a few words, always the same.
    pub title: &'static str,
    /// The status of the answer.
    pub status: u16,
    /// One sentence: what is wrong and what to do.
    pub detail: String,
    /// The kind.
    pub kind: ErrorKind,
    /// Sentences beside fields, where fields are wrong.
    pub fields: Vec<Problem>,
}

/// When a busy server is asked again, s.
const RETRY_AFTER_SECONDS: &str = "1";

/// How problem details are sent (RFC 9457, 3).
pub(crate) const PROBLEM_JSON: &str = "application/problem+json";

impl ErrorKind {
    const fn title(self) -> &'static str {
        match self {
            Self::NotFound => "Not found",
            Self::InvalidInput => "Cannot be",
            Self::Conflict => "There already, differently",
            Self::Changed => "Changed meanwhile",
            Self::Unconditional => "Changed from what?",
            Self::TooLarge => "Too large",
            Self::OtherKind => "Another kind of body",
            Self::NotAllowed => "Not done here",
            Self::Refused => "Refused",
            Self::DiskFull => "The disk is full",
            Self::Unavailable => "Busy or closed",
            Self::Internal => "A fault of Veliform",
        }
    }

    const fn uri(self) -> &'static str {
        match self {
            Self::NotFound => "urn:veliform:not_found",
            Self::InvalidInput => "urn:veliform:invalid_input",
            Self::Conflict => "urn:veliform:conflict",
            Self::Changed => "urn:veliform:changed",
            Self::Unconditional => "urn:veliform:unconditional",
            Self::TooLarge => "urn:veliform:too_large",
            Self::OtherKind => "urn:veliform:other_kind",
            Self::NotAllowed => "urn:veliform:not_allowed",
            Self::Refused => "urn:veliform:refused",
            Self::DiskFull => "urn:veliform:disk_full",
            Self::Unavailable => "urn:veliform:unavailable",
            Self::Internal => "urn:veliform:internal",
        }
    }
}

/// A failed request.
#[derive(Debug, thiserror::Error)]
pub enum ApiError {
    /// The salon's data.
    #[error(transparent)]
    Store(#[from] StoreError),
    /// A file brought in.
    #[error(transparent)]
    File(#[from] FileError),
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
    /// A value could not be packed.
    #[error("the answer could not be packed")]
    Pack(#[from] std::io::Error),
    /// Fields that cannot be.
    #[error("{}", .0.first().map_or("nothing is wrong", |p| p.message.as_str()))]
    Fields(Vec<Problem>),
    /// The body is not what it should be.
    #[error("{0}")]
    Body(String),
    /// More than is taken.
    #[error("{0}")]
    TooLarge(String),
    /// What was said belongs elsewhere.
    #[error(
        "this was said in another salon than the one that answers now; open that salon to keep it"
    )]
    OtherSalon,
    /// Not from this machine's own pages.
    #[error("{0}")]
    Refused(String),
    /// No such address.
    #[error("there is nothing at {0}")]
    NoAddress(String),
    /// A change that does not say what it changes.
    #[error(
        "send If-Match with the ETag that the settings were read with, so that nobody's change is written over"
    )]
    Unconditional,
    /// The body is of another kind.
    #[error("the body is not JSON; send it as application/json")]
    OtherKind,
    /// The address takes other methods.
    #[error("this address takes {0} only")]
    NotAllowed(String),
    /// Too many computations wait.
    #[error("Veliform is busy with other work; ask again in a moment")]
    Busy,
    /// What was sent came too slowly.
    #[error("what was sent did not come in time; send it again")]
    TooSlow,
    /// The work was cut off.
    #[error("the work was cut off; try again")]
    CutOff,
}

impl ApiError {
    fn kind(&self) -> ErrorKind {
        match self {
            Self::Store(StoreError::NotFound { .. }) | Self::NoAddress(_) | Self::OtherSalon => {
                ErrorKind::NotFound
            }
            Self::Store(StoreError::Full { .. } | StoreError::SameDog) => ErrorKind::InvalidInput,
            Self::Store(StoreError::Changed { .. }) => ErrorKind::Changed,
            Self::Store(StoreError::DiskFull) => ErrorKind::DiskFull,
            Self::Unconditional => ErrorKind::Unconditional,
            Self::Photo(PhotoError::TooManyBytes | PhotoError::TooManyPixels) => {
                ErrorKind::TooLarge
            }
            Self::Photo(PhotoError::OtherKind | PhotoError::Broken) => ErrorKind::InvalidInput,
            Self::Store(StoreError::Conflict { .. }) => ErrorKind::Conflict,
            Self::Store(StoreError::Database(_)) | Self::CutOff | Self::Busy | Self::TooSlow => {
                ErrorKind::Unavailable
            }
            Self::Store(
                StoreError::Unreadable { .. }
                | StoreError::BadId { .. }
                | StoreError::NoFile
                | StoreError::NotMade(_)
                | StoreError::Foreign
                | StoreError::InUse
                | StoreError::OtherJournal
                | StoreError::Newer
                | StoreError::Damaged(_)
                | StoreError::Unwritable(_)
                | StoreError::Packing(_)
                | StoreError::Migration(_),
            )
            | Self::Solve(_)
            | Self::Page(_)
            | Self::Write(_)
            | Self::Pack(_)
            | Self::Raster(RasterError::Svg(_) | RasterError::Encode(_)) => ErrorKind::Internal,
            Self::File(FileError::TooLarge { .. }) | Self::TooLarge(_) => ErrorKind::TooLarge,
            Self::File(
                FileError::Broken { .. }
                | FileError::UnknownField { .. }
                | FileError::OtherFormat { .. }
                | FileError::NewerVersion { .. }
                | FileError::CannotBe { .. },
            )
            | Self::Raster(RasterError::Size { .. })
            | Self::Fields(_)
            | Self::Body(_) => ErrorKind::InvalidInput,
            Self::OtherKind => ErrorKind::OtherKind,
            Self::NotAllowed(_) => ErrorKind::NotAllowed,
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
            ErrorKind::Changed => StatusCode::PRECONDITION_FAILED,
            ErrorKind::Unconditional => StatusCode::PRECONDITION_REQUIRED,
            ErrorKind::TooLarge => StatusCode::PAYLOAD_TOO_LARGE,
            ErrorKind::OtherKind => StatusCode::UNSUPPORTED_MEDIA_TYPE,
            ErrorKind::NotAllowed => StatusCode::METHOD_NOT_ALLOWED,
            ErrorKind::Refused => StatusCode::FORBIDDEN,
            ErrorKind::DiskFull => StatusCode::INSUFFICIENT_STORAGE,
            ErrorKind::Unavailable => StatusCode::SERVICE_UNAVAILABLE,
            ErrorKind::Internal => StatusCode::INTERNAL_SERVER_ERROR,
        }
    }

    fn error_response(&self) -> HttpResponse {
        let kind = self.kind();
        let is_ours = matches!(kind, ErrorKind::Internal | ErrorKind::Unavailable)
            && !matches!(self, Self::Busy | Self::TooSlow);
        if is_ours {
            let mut chain = self.to_string();
            let mut source = std::error::Error::source(self);
            while let Some(cause) = source {
                chain = format!("{chain}: {cause}");
                source = cause.source();
            }
            tracing::error!("{chain}");
        }
        let detail = match kind {
            ErrorKind::Internal => {
                "That is a fault of Veliform. What you typed is saved; try again.".into()
            }
            _ => sentence(&self.to_string()),
        };
        let fields = match self {
            Self::Fields(fields) => fields.clone(),
            _ => Vec::new(),
        };
        let status = self.status_code();
        let mut answer = HttpResponse::build(status);
        if let Self::NotAllowed(methods) = self {
            answer.insert_header((header::ALLOW, methods.clone()));
        }
        if kind == ErrorKind::Unavailable {
            answer.insert_header((header::RETRY_AFTER, RETRY_AFTER_SECONDS));
        }
        let body = ErrorBody {
            kind_uri: kind.uri().into(),
            title: kind.title(),
            status: status.as_u16(),
            detail,
            kind,
            fields,
        };
        // The header is set first: `json` leaves it as it is.
        answer.content_type(PROBLEM_JSON).json(body)
    }
}

/// A message as a sentence: capital first, full stop last.
pub(crate) fn sentence(text: &str) -> String {
    let mut letters = text.chars();
    let first = letters.next().map(|c| c.to_uppercase().to_string());
    let stop = if text.ends_with(['.', '!', '?']) {
        ""
    } else {
        "."
    };
    format!("{}{}{stop}", first.unwrap_or_default(), letters.as_str())
}
