use std::sync::Arc;

use actix_web::{get, web};
use serde::{Deserialize, Serialize};
use utoipa::{IntoParams, ToSchema};
use veliform_core::coat::Texture;
use veliform_core::desk::Desk;
use veliform_core::frame::DogSize;
use veliform_core::job::Job;
use veliform_core::look::LookId;
use veliform_core::plan::{Buy, what_to_buy};
use veliform_core::salon_log::{
    AlbumFilter, AlbumPage, DueWork, SortLearnt, ToolLearnt, ToolWork, TopicLearnt, album,
    due_work, learn_minutes, learn_tools, tool_work,
};

use crate::blocking::{Salon, compute};
use crate::error::{ApiError, ErrorBody};
use crate::folded::Folded;
use crate::workers::TwoThreads;

/// Newest visits read: the last months of two tables.
const MOST_VISITS: u32 = 200;
/// Newest visits whose plans a new comb is tried on, and how many are read to find those with a look.
const MOST_PLANS: usize = 8;
const MOST_TRIED: u32 = 24;

/// What the salon's own log teaches.
#[derive(Debug, Serialize, ToSchema)]
pub struct SalonLog {
    /// Minutes really taken, against the table.
    minutes: Vec<TopicLearnt>,
    /// How much longer each sort of groom takes than the others.
    sorts: Vec<SortLearnt>,
    /// Lengths really left, tool by tool.
    tools: Vec<ToolLearnt>,
    /// What each tool did.
    work: Vec<ToolWork>,
}

/// What the salon's own log teaches, from its newest visits.
#[utoipa::path(responses((status = 200, body = SalonLog), (status = 500, body = ErrorBody)))]
#[get("/salon-log")]
pub(crate) async fn get_salon_log(
    salon: web::Data<Salon>,
) -> Result<web::Json<SalonLog>, ApiError> {
    let kit = salon.run(|store| Ok(store.kit()?)).await?;
    let newest = newest(&salon, MOST_VISITS).await?;
    let answer = compute(move || {
        let runs = || newest.iter().filter_map(|p| p.visit.run.as_ref());
        let measured = newest
            .iter()
            .filter_map(|p| Some((&p.visit, p.plan.as_ref()?)));
        let learnt = learn_minutes(runs());
        Ok(SalonLog {
            minutes: learnt.topics,
            sorts: learnt.sorts,
            tools: learn_tools(measured, &kit),
            work: tool_work(runs(), &kit),
        })
    })
    .await?;
    Ok(web::Json(answer))
}

/// The combs that would improve most plans of the newest visits, the best first.
#[utoipa::path(responses((status = 200, body = [Buy]), (status = 500, body = ErrorBody)))]
#[get("/what-to-buy")]
pub(crate) async fn get_what_to_buy(
    salon: web::Data<Salon>,
) -> Result<web::Json<Vec<Buy>>, ApiError> {
    let (house, kit) = salon.run(|s| Ok((s.house()?, s.kit()?))).await?;
    let newest = newest(&salon, MOST_TRIED).await?;
    let buy = compute(move || {
        let with_look = newest.iter().filter(|p| p.visit.look.is_some());
        let jobs: Vec<Job> = with_look
            .take(MOST_PLANS)
            .map(|p| Desk::new(&p.dog, &p.visit, &house, &kit).chosen_job())
            .collect();
        Ok(what_to_buy(&jobs, &kit, &TwoThreads)?)
    })
    .await?;
    Ok(web::Json(buy))
}

/// What the kit asks for before the day.
#[utoipa::path(responses((status = 200, body = [DueWork]), (status = 500, body = ErrorBody)))]
#[get("/due")]
pub(crate) async fn get_due(salon: web::Data<Salon>) -> Result<web::Json<Vec<DueWork>>, ApiError> {
    let (kit, house) = salon
        .run(|store| Ok((store.kit()?, store.house()?)))
        .await?;
    let newest = newest(&salon, MOST_VISITS).await?;
    let due = compute(move || {
        let runs = newest.iter().filter_map(|p| p.visit.run.as_ref());
        Ok(due_work(&kit, &house, &tool_work(runs, &kit)))
    })
    .await?;
    Ok(web::Json(due))
}

/// What is looked for in the album.
#[derive(Debug, Deserialize, IntoParams)]
pub struct AlbumQuery {
    #[param(inline)]
    size: Option<DogSize>,
    #[param(inline)]
    texture: Option<Texture>,
    #[param(inline)]
    look: Option<LookId>,
}

/// The salon's own finished dogs that their owners let be shown, newest first.
#[utoipa::path(params(AlbumQuery), responses((status = 200, body = [AlbumPage])))]
#[get("/album")]
pub(crate) async fn get_album(
    salon: web::Data<Salon>,
    query: web::Query<AlbumQuery>,
) -> Result<web::Json<Vec<AlbumPage>>, ApiError> {
    let AlbumQuery {
        size,
        texture,
        look,
    } = query.into_inner();
    let filter = AlbumFilter {
        size,
        texture,
        look,
    };
    let newest = newest(&salon, MOST_VISITS).await?;
    Ok(web::Json(album(
        newest.iter().map(|p| (&p.dog, &p.visit)),
        &filter,
    )))
}

/// The newest visits as they stand.
async fn newest(salon: &Salon, most: u32) -> Result<Vec<Arc<Folded>>, ApiError> {
    let heads = salon
        .run(move |store| Ok(store.newest_visits(most)?))
        .await?;
    salon.folded(heads).await
}
