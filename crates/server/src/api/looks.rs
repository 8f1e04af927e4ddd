use actix_web::http::header;
use actix_web::{HttpResponse, get, post, web};
use uuid::Uuid;
use veliform_core::dog::House;
use veliform_core::look::OwnLook;
use veliform_formats::{read_look_file, write_look_file};
use veliform_store::StoreError;

use super::files::attachment;
use crate::blocking::{Salon, compute};
use crate::clock::now_ms;
use crate::error::{ApiError, ErrorBody};

/// A look of the salon's own as a look file.
#[utoipa::path(responses(
    (status = 200, content_type = "application/json", body = serde_json::Value),
    (status = 404, body = ErrorBody)
))]
#[get("/looks/{id}/file")]
pub(crate) async fn export_look(
    salon: web::Data<Salon>,
    id: web::Path<Uuid>,
) -> Result<HttpResponse, ApiError> {
    let id = id.into_inner();
    let house = salon.run(|store| Ok(store.house()?)).await?;
    let missing = StoreError::NotFound { what: "look", id };
    let look = house.own_looks.into_iter().find(|own| own.id == id);
    let look = look.ok_or(missing)?;
    let bytes = write_look_file(&look)?;
    Ok(HttpResponse::Ok()
        .content_type("application/json; charset=utf-8")
        .insert_header((
            header::CONTENT_DISPOSITION,
            attachment(&look.name, "look.json"),
        ))
        .body(bytes))
}

/// Takes a look file in as a look of the salon's own, and answers with the look as it stands here.
#[utoipa::path(
    request_body(content = String, content_type = "application/json"),
    responses(
        (status = 200, body = OwnLook),
        (status = 413, body = ErrorBody),
        (status = 422, body = ErrorBody)
    )
)]
#[post("/looks/import")]
pub(crate) async fn import_look(
    salon: web::Data<Salon>,
    body: Result<web::Bytes, actix_web::Error>,
) -> Result<web::Json<OwnLook>, ApiError> {
    let body = body.map_err(|_| {
        ApiError::TooLarge("the look file is larger than Veliform reads; export it again".into())
    })?;
    let look = compute(move || Ok(read_look_file(&body)?)).await?;
    let here = salon
        .run(move |store| {
            let (mut house, version) = store.house_version()?;
            let here = beside(&mut house, look);
            let problems = house.check();
            if !problems.is_empty() {
                return Err(ApiError::Fields(problems));
            }
            store.change_house(&house, version, now_ms())?;
            Ok(here)
        })
        .await?;
    Ok(web::Json(here))
}

/// Puts a look beside the salon's own. The same again counts once, and is offered again where it was put
/// away; one that was changed meanwhile, here or there, comes as another look.
fn beside(house: &mut House, look: OwnLook) -> OwnLook {
    let mut look = OwnLook {
        is_put_away: false,
        ..look
    };
    if let Some(here) = house.own_looks.iter_mut().find(|own| own.id == look.id) {
        let offered = OwnLook {
            is_put_away: false,
            ..here.clone()
        };
        if offered == look {
            *here = offered;
            return look;
        }
        look.id = Uuid::new_v4();
    }
    house.own_looks.push(look.clone());
    look
}
