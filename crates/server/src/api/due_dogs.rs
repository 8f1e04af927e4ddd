//! Dogs whose day to come back is near or past.

use actix_web::{get, web};
use jiff::Timestamp;
use jiff::tz::TimeZone;
use serde::Serialize;
use utoipa::ToSchema;
use uuid::Uuid;
use veliform_core::desk::Desk;
use veliform_core::dog::House;
use veliform_core::grow::{Due, Return};
use veliform_core::kit::Tool;
use veliform_store::DogName;

use crate::blocking::{Salon, compute};
use crate::clock::now_ms;
use crate::error::{ApiError, ErrorBody};
use crate::folded::Folded;

/// A dog that is due.
#[derive(Debug, Serialize, ToSchema)]
pub struct DueDog {
    dog: Uuid,
    name: String,
    owner: String,
    #[serde(flatten)]
    due: Due,
}

/// Days since its visit from which a dog can be due: one that was here today is not.
const SOONEST_DAYS: i64 = 1;
/// And to which: the latest day that is agreed, and half a year over it.
const LATEST_DAYS: i64 = 365 + 182;
/// Dogs looked through at most, those that were here last: each is planned once.
const MOST_LOOKED_AT: usize = 200;
/// So many are planned in one go: nobody else waits for longer.
const AT_ONCE: usize = 10;
/// Told of at most, the longest over first.
const MOST_TOLD: usize = 40;

/// Dogs that are due, or will be within a week; the longest over their day first.
#[utoipa::path(responses((status = 200, body = [DueDog]), (status = 500, body = ErrorBody)))]
#[get("/due-dogs")]
pub(crate) async fn list_due_dogs(
    salon: web::Data<Salon>,
) -> Result<web::Json<Vec<DueDog>>, ApiError> {
    let (names, (house, settings), kit) = salon
        .run(|store| Ok((store.dog_names()?, store.house_version()?, store.kit()?)))
        .await?;
    let now = now_ms();
    let mut away: Vec<(DogName, i64)> = names
        .into_iter()
        .filter(|dog| !dog.is_put_away)
        .filter_map(|dog| {
            let days = days_between(dog.last_visit?.1, now)?;
            (SOONEST_DAYS..=LATEST_DAYS)
                .contains(&days)
                .then_some((dog, days))
        })
        .collect();
    away.sort_by_key(|(_, days)| *days);
    away.truncate(MOST_LOOKED_AT);
    let heads = away.iter().filter_map(|(dog, _)| dog.head()).collect();
    let folded = salon.folded(heads).await?;
    let mut all: Vec<DueDog> = Vec::new();
    let mut rest = away.into_iter().zip(folded);
    loop {
        let some: Vec<_> = rest.by_ref().take(AT_ONCE).collect();
        if some.is_empty() {
            break;
        }
        let (house, kit) = (house.clone(), kit.clone());
        let due = compute(move || {
            let due = some.into_iter().filter_map(|((dog, days), folded)| {
                let back = folded.back(settings, |f| back(f, &house, &kit))?;
                Some(DueDog {
                    dog: dog.id,
                    name: dog.name,
                    owner: dog.owner,
                    due: back.due(u32::try_from(days).ok()?)?,
                })
            });
            Ok(due.collect::<Vec<_>>())
        });
        all.extend(due.await?);
    }
    all.sort_by(|a, b| {
        let longest = b.due.days_over.cmp(&a.due.days_over);
        longest.then_with(|| a.name.cmp(&b.name))
    });
    all.truncate(MOST_TOLD);
    Ok(web::Json(all))
}

/// Days from one moment to another by this machine's calendar; none where it has no such day.
fn days_between(from_ms: i64, to_ms: i64) -> Option<i64> {
    let day = |ms| {
        let at = Timestamp::from_millisecond(ms).ok()?;
        Some(at.to_zoned_datetime(TimeZone::system()).date())
    };
    let days = day(from_ms)?.until(day(to_ms)?).ok()?;
    Some(days.get_days().into())
}

/// When a dog comes back that was groomed: one whose look nobody chose was only looked at.
fn back(folded: &Folded, house: &House, kit: &[Tool]) -> Option<Return> {
    folded.visit.look?;
    let desk = Desk::new(&folded.dog, &folded.visit, house, kit);
    // A plan that cannot be made tells nobody's day.
    let (offer, _) = desk.agreed().ok()?;
    offer.back
}
