use actix_web::{get, web};
use serde::Serialize;
use utoipa::ToSchema;
use veliform_core::desk::Desk;
use veliform_core::kit::Tool;
use veliform_core::plan::{Buy, Job, what_to_buy};
use veliform_core::salon_log::{
    ToolLearnt, ToolWork, TopicLearnt, learn_minutes, learn_tools, tool_work,
};
use veliform_core::visit::{KeptPlan, Visit, fold};
use veliform_store::Store;

use crate::blocking::{Salon, compute};
use crate::error::{ApiError, ErrorBody};

/// Newest visits read: the last months of two tables.
const MOST_VISITS: usize = 300;
/// Newest visits whose plans a new comb is tried on.
const MOST_PLANS: usize = 24;

/// What the salon's own log teaches.
#[derive(Debug, Serialize, ToSchema)]
pub struct SalonLog {
    /// Minutes really taken, against the table.
    minutes: Vec<TopicLearnt>,
    /// Lengths really left, tool by tool.
    tools: Vec<ToolLearnt>,
    /// What each tool did.
    work: Vec<ToolWork>,
    /// The combs that would improve most plans, the best first.
    buy: Vec<Buy>,
}

/// What the newest visits hold.
#[derive(Default)]
struct Newest {
    visits: Vec<Visit>,
    kept: Vec<(Visit, KeptPlan)>,
    jobs: Vec<Job>,
    kit: Vec<Tool>,
}

/// What the salon's own log teaches, from its newest visits.
#[utoipa::path(responses((status = 200, body = SalonLog), (status = 500, body = ErrorBody)))]
#[get("/salon-log")]
pub(crate) async fn get_salon_log(
    salon: web::Data<Salon>,
) -> Result<web::Json<SalonLog>, ApiError> {
    let newest = salon.run(|store| read(store)).await?;
    let answer = compute(move || {
        let runs = || newest.visits.iter().filter_map(|v| v.run.as_ref());
        Ok(SalonLog {
            minutes: learn_minutes(runs()),
            tools: learn_tools(&newest.kept, &newest.kit),
            work: tool_work(runs()),
            buy: what_to_buy(&newest.jobs, &newest.kit)?,
        })
    })
    .await?;
    Ok(web::Json(answer))
}

fn read(store: &Store) -> Result<Newest, ApiError> {
    let mut heads = Vec::new();
    for listing in store.dogs()? {
        for head in store.visits_of(listing.dog.id)? {
            heads.push((head.began_ms, head.id, listing.dog.clone()));
        }
    }
    heads.sort_by_key(|(began_ms, ..)| std::cmp::Reverse(*began_ms));
    heads.truncate(MOST_VISITS);
    let house = store.house()?;
    let mut newest = Newest {
        kit: store.kit()?,
        ..Newest::default()
    };
    for (_, id, dog) in heads {
        let visit = fold(&dog, &store.visit(id, 0)?.entries);
        if newest.jobs.len() < MOST_PLANS && visit.look.is_some() {
            let desk = Desk::new(&dog, &visit, &house, &newest.kit);
            newest.jobs.push(desk.chosen_job());
        }
        if !visit.results.is_empty()
            && let Some(plan) = store.plans_of(id)?.pop()
        {
            newest.kept.push((visit.clone(), plan));
        }
        newest.visits.push(visit);
    }
    Ok(newest)
}
