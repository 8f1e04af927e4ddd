use actix_web::{get, put, web};
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;
use uuid::Uuid;
use veliform_core::desk::{Desk, Reasons};
use veliform_core::drawing::{DrawOptions, Layers};
use veliform_core::plan::METHOD;
use veliform_core::visit::{Entry, EntryBody, KeptPlan, next_stamp};

use veliform_store::{PackedPlan, Store, StoreError};

use super::at_visit::AtVisit;
use super::visits::dated;
use crate::blocking::{Salon, compute};
use crate::body::Json;
use crate::error::{ApiError, ErrorBody};

/// Keeping a plan.
#[derive(Debug, Deserialize, ToSchema)]
pub struct KeepPlan {
    /// Id of the entry that says so.
    entry: Uuid,
    /// Milliseconds since 1970 in UTC.
    at_ms: i64,
}

/// A kept plan, as it was.
#[derive(Debug, Serialize, ToSchema)]
pub struct PlanAsKept {
    plan: KeptPlan,
    /// Said where today's method would come out otherwise.
    newer: Option<String>,
}

/// A kept plan in a list.
#[derive(Debug, Serialize, ToSchema)]
pub struct PlanCard {
    id: Uuid,
    at_ms: i64,
    method: String,
    look_name: String,
    right: u32,
    points: usize,
    /// Why it cannot be opened; none where it can.
    problem: Option<String>,
}

/// Keeps the plan of a visit as it stands.
#[utoipa::path(responses((status = 200, body = PlanAsKept), (status = 404, body = ErrorBody)))]
#[put("/visits/{visit}/plans/{id}")]
pub(crate) async fn keep_plan(
    salon: web::Data<Salon>,
    path: web::Path<(Uuid, Uuid)>,
    body: Json<KeepPlan>,
) -> Result<web::Json<PlanAsKept>, ApiError> {
    let ((visit, id), KeepPlan { entry, at_ms }) = (path.into_inner(), body.into_inner());
    dated(at_ms).map_err(ApiError::Body)?;
    let here = salon
        .run(move |store| match store.plan(id) {
            Ok(kept) if store.visit_of_plan(id)? == visit => Ok(Here::Kept(Box::new(kept))),
            Ok(_) => Err(StoreError::Conflict { what: "plan", id }.into()),
            Err(StoreError::NotFound { .. }) => {
                Ok(Here::Open(Box::new(AtVisit::read(store, visit)?)))
            }
            Err(other) => Err(other.into()),
        })
        .await?;
    let plan = match here {
        Here::Kept(plan) => *plan,
        Here::Open(at) => {
            let (plan, packed) = compute(move || {
                let plan = plan_of(*at, id, at_ms)?;
                let packed = PackedPlan::of(&plan)?;
                Ok((plan, packed))
            })
            .await?;
            salon
                .run(move |store| write(store, visit, entry, &packed))
                .await?;
            plan
        }
    };
    Ok(web::Json(compute(move || as_kept(plan)).await?))
}

/// What stands under a plan's id.
enum Here {
    Kept(Box<KeptPlan>),
    Open(Box<AtVisit>),
}

/// Keeps the plan of a visit as it stands, under these ids of plan and entry.
pub(crate) fn keep(
    store: &mut Store,
    visit: Uuid,
    (id, entry): (Uuid, Uuid),
    at_ms: i64,
) -> Result<(), ApiError> {
    let plan = plan_of(AtVisit::read(store, visit)?, id, at_ms)?;
    write(store, visit, entry, &PackedPlan::of(&plan)?)
}

/// The plan of a visit as it stands, with all it was made of.
fn plan_of(at: AtVisit, id: Uuid, at_ms: i64) -> Result<KeptPlan, ApiError> {
    let view = at.desk().plan_view(Reasons::Find, &with_marks())?;
    Ok(KeptPlan {
        id,
        at_ms,
        method: METHOD.into(),
        dog: at.dog,
        visit: at.visit,
        house: at.house,
        kit: at.kit,
        report: view.plan,
        drawing: view.evaluation.drawing,
    })
}

/// Keeps a plan, with the entry that says so.
fn write(store: &mut Store, visit: Uuid, entry: Uuid, plan: &PackedPlan) -> Result<(), ApiError> {
    let entry = Entry {
        id: entry,
        at_ms: plan.at_ms(),
        stamp_ms: Some(next_stamp(store.newest_stamp(visit)?, plan.at_ms())),
        author: String::new(),
        body: EntryBody::PlanKept { plan: plan.id() },
    };
    Ok(store.keep_plan(visit, plan, &entry)?)
}

fn with_marks() -> DrawOptions {
    DrawOptions {
        layers: Layers {
            lines: true,
            lengths: true,
            pins: true,
            // A plan is kept small: its hair can be drawn again.
            hair: false,
            ..Layers::default()
        },
        ..DrawOptions::default()
    }
}

/// Says how today's method would differ from a kept plan, by solving its inputs again.
fn as_kept(plan: KeptPlan) -> Result<PlanAsKept, ApiError> {
    let newer = if plan.method == METHOD {
        None
    } else {
        let desk = Desk::new(&plan.dog, &plan.visit, &plan.house, &plan.kit);
        let today = desk.plan(Reasons::Skip)?.report;
        let moved = plan
            .report
            .units
            .iter()
            .zip(&today.units)
            .filter(|(was, is)| was.text != is.text)
            .count();
        Some(format!(
            "Saved by “{}”; today's “{METHOD}” would change {moved} of {} lengths.",
            plan.method,
            plan.report.units.len()
        ))
    };
    Ok(PlanAsKept { plan, newer })
}

/// Plans kept at a visit, oldest first.
#[utoipa::path(responses((status = 200, body = Vec<PlanCard>), (status = 404, body = ErrorBody)))]
#[get("/visits/{visit}/plans")]
pub(crate) async fn list_plans(
    salon: web::Data<Salon>,
    visit: web::Path<Uuid>,
) -> Result<web::Json<Vec<PlanCard>>, ApiError> {
    let visit = visit.into_inner();
    let cards = salon
        .run(move |store| {
            store.visit_head(visit)?;
            let found = store.plans_of(visit)?;
            let read = found.plans.into_iter().map(|p| PlanCard {
                id: p.id,
                at_ms: p.at_ms,
                method: p.method,
                look_name: p.report.look_name,
                right: p.report.right,
                points: p.report.balance.len(),
                problem: None,
            });
            let unread = found.unreadable.into_iter().map(|p| PlanCard {
                id: p.id,
                at_ms: p.at_ms,
                look_name: String::new(),
                right: 0,
                points: 0,
                problem: Some(format!(
                    "A plan saved by “{}” does not read in this version; it stays in the data file.",
                    p.method
                )),
                method: p.method,
            });
            let mut cards: Vec<PlanCard> = read.chain(unread).collect();
            cards.sort_by_key(|c| (c.at_ms, c.id));
            Ok(cards)
        })
        .await?;
    Ok(web::Json(cards))
}

/// A kept plan, as it was.
#[utoipa::path(responses((status = 200, body = PlanAsKept), (status = 404, body = ErrorBody)))]
#[get("/plans/{id}")]
pub(crate) async fn get_plan(
    salon: web::Data<Salon>,
    id: web::Path<Uuid>,
) -> Result<web::Json<PlanAsKept>, ApiError> {
    let id = id.into_inner();
    let plan = salon.run(move |store| Ok(store.plan(id)?)).await?;
    let kept = compute(move || as_kept(plan)).await?;
    Ok(web::Json(kept))
}
