use actix_web::{get, web};
use serde::Serialize;
use utoipa::ToSchema;
use uuid::Uuid;
use veliform_core::desk::{Before, Desk, Evaluation};
use veliform_core::dog::Dog;
use veliform_core::drawing::DrawOptions;
use veliform_core::visit::{Entry, EntryBody, KnownDog, Past, fold, known, past};

use super::desk::MADE_LAST;
use super::past::{PlansRead, read_before};
use crate::blocking::{Salon, compute};
use crate::clock::now_ms;
use crate::error::{ApiError, ErrorBody};

/// A dog's next visit as it would begin now: a device keeps it, to begin with the server away.
#[derive(Debug, Serialize, ToSchema)]
pub struct NextVisit {
    dog: Dog,
    /// The salon it would belong to.
    salon: Uuid,
    /// What would come along.
    entries: Vec<Entry>,
    /// The dog as it would stand there.
    evaluation: Evaluation,
    /// What earlier visits tell it.
    past: Past,
}

/// What a dog's next visit would begin with now.
#[utoipa::path(responses((status = 200, body = NextVisit), (status = 404, body = ErrorBody)))]
#[get("/dogs/{id}/next")]
pub(crate) async fn get_next(
    salon: web::Data<Salon>,
    id: web::Path<Uuid>,
) -> Result<web::Json<NextVisit>, ApiError> {
    let (id, now) = (id.into_inner(), now_ms());
    let before = read_before(&salon, id, now, PlansRead::InBrief).await?;
    let (house, kit, name) = salon
        .run(|store| Ok((store.house()?, store.kit()?, store.salon_id()?)))
        .await?;
    let next = compute(move || {
        let (dog, earlier) = before.folded();
        let dog = dog.at(now);
        // No visit stands behind it yet: its own id comes when it begins.
        let brought = known(&dog, &earlier, now).map(|known| brought(Uuid::nil(), now, known));
        let entries: Vec<Entry> = brought.into_iter().collect();
        let past = past(&earlier, now);
        let visit = fold(&dog, &entries);
        let before = Before {
            measures: past.measures.clone(),
            is_first: past.is_first,
            recipe: past.last.as_ref().and_then(|last| last.recipe.clone()),
            ..Before::default()
        };
        let desk = Desk::new(&dog, &visit, &house, &kit)
            .with_before(before)
            .with_memo(&MADE_LAST);
        Ok(NextVisit {
            evaluation: desk.evaluate(&DrawOptions::default()),
            salon: name,
            entries,
            past,
            dog,
        })
    })
    .await?;
    Ok(web::Json(next))
}

/// What is known of a dog, as the first entry of a visit. Its id is the visit's own but for its last bit, so
/// that two screens that begin the same visit write the same entry.
pub(super) fn brought(visit: Uuid, began_ms: i64, known: KnownDog) -> Entry {
    Entry {
        id: Uuid::from_u128(visit.as_u128() ^ 1),
        at_ms: began_ms,
        stamp_ms: Some(began_ms),
        author: String::new(),
        body: EntryBody::BroughtAlong {
            known: Box::new(known),
        },
    }
}
