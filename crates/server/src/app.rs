//! One function makes application and OpenAPI document, for server, tests and the command line.

use actix_web::body::MessageBody;
use actix_web::dev::{ServiceFactory, ServiceRequest, ServiceResponse};
use actix_web::middleware::{Compress, DefaultHeaders, from_fn};
use actix_web::{App, Error, web};
use tracing_actix_web::TracingLogger;
use utoipa::OpenApi as _;
use utoipa::openapi::OpenApi;
use utoipa_actix_web::AppExt as _;

use crate::api;
use crate::blocking::Salon;
use crate::error::ApiError;
use crate::methods::Addresses;
use crate::{document, front, guard, methods};

pub use crate::blocking::Salon as SharedSalon;

/// What pages may load: only what ships with the program.
const CONTENT_POLICY: &str = "default-src 'self'; img-src 'self' data: blob:; object-src 'none'; \
     base-uri 'none'; form-action 'self'; frame-ancestors 'none'";

#[derive(utoipa::OpenApi)]
#[openapi(info(
    title = "Veliform",
    description = "The server of Veliform, on this machine only. Lengths in millimetres."
))]
struct Doc;

/// The application and its OpenAPI document.
pub fn app(
    salon: &Salon,
) -> (
    App<
        impl ServiceFactory<
            ServiceRequest,
            Config = (),
            Response = ServiceResponse<impl MessageBody + use<>>,
            Error = Error,
            InitError = (),
        > + use<>,
    >,
    OpenApi,
) {
    let path = web::PathConfig::default()
        .error_handler(|_, request| ApiError::NoAddress(request.path().to_owned()).into());
    let query = web::QueryConfig::default()
        .error_handler(|error, _| refused_query(&error.to_string()).into());
    let payload = web::PayloadConfig::new(veliform_formats::MOST_BYTES + 1);
    let (app, mut document) = App::new()
        .into_utoipa_app()
        .openapi(Doc::openapi())
        .app_data(web::Data::new(salon.clone()))
        .app_data(path)
        .app_data(query)
        .app_data(payload)
        .service(utoipa_actix_web::scope("/api").configure(api::routes))
        .split_for_parts();
    document::complete(&mut document);
    let app = app
        .app_data(web::Data::new(Addresses::of(&document)))
        .app_data(web::Data::new(salon.front()))
        .default_service(web::to(front::serve))
        .wrap(Compress::default())
        .wrap(from_fn(methods::head_as_get))
        .wrap(from_fn(guard::own_pages_only))
        .wrap(
            DefaultHeaders::new()
                .add(("Content-Security-Policy", CONTENT_POLICY))
                // What says nothing of its own is a dog's and its owner's: no cache keeps it.
                .add(("Cache-Control", "no-store"))
                .add(("Cross-Origin-Opener-Policy", "same-origin"))
                .add(("Cross-Origin-Resource-Policy", "same-origin"))
                .add(("X-Content-Type-Options", "nosniff"))
                .add(("Referrer-Policy", "no-referrer")),
        )
        .wrap(TracingLogger::default());
    (app, document)
}

fn refused_query(what: &str) -> ApiError {
    // The reader's own words name the field and follow a colon.
    let what = what
        .rsplit(": ")
        .next()
        .unwrap_or(what)
        .trim_end_matches('.');
    ApiError::Body(format!(
        "the address does not say what it must ({what}); docs/formats/openapi.json lists the requests"
    ))
}
