use actix_web::{get, web};
use serde::{Deserialize, Serialize};
use utoipa::{IntoParams, ToSchema};
use veliform_core::coat::Texture;
use veliform_core::desk::Desk;
use veliform_core::dog::Dog;
use veliform_core::frame::DogSize;
use veliform_core::job::Job;
use veliform_core::look::LookId;
use veliform_core::plan::{Buy, what_to_buy};
use veliform_core::salon_log::{
    AlbumFilter, AlbumPage, DueWork, SortLearnt, ToolLearnt, ToolWork, TopicLearnt, album,
    due_work, learn_minutes, learn_tools, tool_work,
};
use veliform_core::visit::{KeptPlan, Visit, fold};
use veliform_store::{Store, VisitHead};

use crate::blocking::{Salon, compute};
use crate::error::{ApiError, ErrorBody};
use crate::workers::TwoThreads;

/// Newest visits read: the last months of two tables.
const MOST_VISITS: u32 = 200;
/// Visits read without giving the store away.
const AT_ONCE: usize = 10;
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

/// A visit of the log.
struct Past {
    dog: Dog,
    visit: Visit,
    /// The plan kept with it, where it is asked for and lengths were measured after it.
    plan: Option<KeptPlan>,
}

/// Whether the plans of measured visits are read: only what was really left is held against them.
#[derive(Clone, Copy, PartialEq, Eq)]
enum Plans {
    Read,
    Skip,
}

/// What the salon's own log teaches, from its newest visits.
#[utoipa::path(responses((status = 200, body = SalonLog), (status = 500, body = ErrorBody)))]
#[get("/salon-log")]
pub(crate) async fn get_salon_log(
    salon: web::Data<Salon>,
) -> Result<web::Json<SalonLog>, ApiError> {
    let kit = salon.run(|store| Ok(store.kit()?)).await?;
    let newest = newest(&salon, MOST_VISITS, Plans::Read).await?;
    let answer = compute(move || {
        let runs = || newest.iter().filter_map(|p| p.visit.run.as_ref());
        let measured: Vec<(Visit, KeptPlan)> = newest
            .iter()
            .filter_map(|p| Some((p.visit.clone(), p.plan.clone()?)))
            .collect();
        let learnt = learn_minutes(runs());
        Ok(SalonLog {
            minutes: learnt.topics,
            sorts: learnt.sorts,
            tools: learn_tools(&measured, &kit),
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
    let newest = newest(&salon, MOST_TRIED, Plans::Skip).await?;
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
    let kit = salon.run(|store| Ok(store.kit()?)).await?;
    let newest = newest(&salon, MOST_VISITS, Plans::Skip).await?;
    let due = compute(move || {
        let runs = newest.iter().filter_map(|p| p.visit.run.as_ref());
        Ok(due_work(&kit, &tool_work(runs, &kit)))
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
    let newest = newest(&salon, MOST_VISITS, Plans::Skip).await?;
    Ok(web::Json(album(
        newest.iter().map(|p| (&p.dog, &p.visit)),
        &filter,
    )))
}

/// The newest visits as they stand, a few at a time: a tick at the table never waits for all.
async fn newest(salon: &Salon, most: u32, plans: Plans) -> Result<Vec<Past>, ApiError> {
    let heads = salon
        .run(move |store| Ok(store.newest_visits(most)?))
        .await?;
    let mut past = Vec::with_capacity(heads.len());
    for some in heads.chunks(AT_ONCE) {
        let some = some.to_vec();
        past.extend(salon.run(move |store| read(store, &some, plans)).await?);
    }
    Ok(past)
}

fn read(store: &Store, heads: &[VisitHead], plans: Plans) -> Result<Vec<Past>, ApiError> {
    heads
        .iter()
        .map(|head| {
            let dog = store.dog(head.dog)?;
            let visit = fold(&dog, &store.visit(head.id, 0)?.entries);
            let plan = match plans {
                Plans::Read if !visit.results.is_empty() => store.newest_plan_of(head.id)?,
                Plans::Read | Plans::Skip => None,
            };
            Ok(Past { dog, visit, plan })
        })
        .collect()
}
