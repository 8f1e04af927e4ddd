use serde::{Deserialize, Serialize};
use utoipa::ToSchema;
use uuid::Uuid;

use super::past::{EarlierVisit, growth, left_mm, outcomes};
use super::recipe::Trust;
use super::weight::weight_problem;
use crate::body::{EarlierFound, Temper};
use crate::coat::{Knots, Zone};
use crate::dog::Programme;
use crate::frame::Measure;
use crate::learn::Learnt;
use crate::run::{StepState, left_undone};
use crate::units::Length;

/// What a zone was left at.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct ZoneLeft {
    /// Which.
    pub zone: Zone,
    /// Its name.
    pub label: String,
    /// What was left.
    pub left_mm: Length,
    /// Whether it was measured; else it is what the plan left.
    pub was_measured: bool,
}

/// One visit of a dog's life.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct LifeVisit {
    /// Its id.
    pub id: Uuid,
    /// When it began, milliseconds since 1970 in UTC.
    pub began_ms: i64,
    /// The look, by its name; empty where none was planned.
    pub look: String,
    /// Height at the withers as measured then; none where nobody did.
    pub height_mm: Option<Length>,
    /// Weight, kg; none where nobody weighed it.
    pub weight_kg: Option<f64>,
    /// The stage of its programme; empty for the whole groom.
    pub programme: String,
    /// Minutes the sheet had planned; none where no groom was run.
    pub planned_minutes: Option<f64>,
    /// Minutes worked at the table; none where no groom was run.
    pub worked_minutes: Option<f64>,
    /// What a few zones were left at.
    pub left: Vec<ZoneLeft>,
    /// Where it was knotted.
    pub knotted: Vec<String>,
    /// How it took being handled.
    pub temper: Temper,
    /// How its trust went; none where nobody said.
    pub trust: Option<Trust>,
    /// Steps that were put off and never done.
    pub left_undone: Vec<String>,
    /// What was written down.
    pub notes: Vec<String>,
}

/// The life of a dog at this salon (handbook 10 A): what was seen, never what it means.
#[derive(Clone, Debug, Default, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct Life {
    /// Its visits, the newest first.
    pub visits: Vec<LifeVisit>,
    /// What was found, with what became of it, the newest first.
    pub found: Vec<EarlierFound>,
    /// How fast its coat grows against its texture's rate.
    pub growth: Option<Learnt>,
}

/// Zones by which one groom is told from another: body, leg, head, tail.
const TELLING: [Zone; 5] = [
    Zone::Back,
    Zone::Ribs,
    Zone::ForeOut,
    Zone::Topknot,
    Zone::Tail,
];

/// A dog's visits, told one after another.
///
/// # Units and shapes
/// `visits` in any order.
pub fn life(visits: &[EarlierVisit]) -> Life {
    let mut ordered: Vec<&EarlierVisit> = visits.iter().collect();
    ordered.sort_by_key(|v| (v.began_ms, v.id));
    let became = outcomes(&ordered);
    let growth = growth(&ordered);
    ordered.reverse();
    Life {
        growth,
        found: ordered
            .iter()
            .flat_map(|v| v.visit.found.iter().map(|f| (v.began_ms, f)))
            .map(|(began_ms, found)| EarlierFound {
                found: found.clone(),
                began_ms,
                outcome: became.get(&found.id).copied(),
            })
            .collect(),
        visits: ordered.into_iter().map(told).collect(),
    }
}

fn told(visit: &EarlierVisit) -> LifeVisit {
    let said = &visit.visit;
    let run = said.run.as_ref();
    let worked = run.map(|run| {
        let done = run.steps.iter().filter(|s| s.state == StepState::Done);
        done.map(|s| s.minutes).sum()
    });
    let knotted = said.coat.knots.iter().filter(|(_, k)| **k != Knots::None);
    let height = said.frame.measures.get(&Measure::HeightAtWithers);
    let is_found_now = !said
        .frame
        .ago
        .measures
        .contains_key(&Measure::HeightAtWithers);
    let record = &said.record;
    let written = [
        &record.behaviour,
        &record.products,
        &record.told,
        &record.unfinished,
    ];
    LifeVisit {
        id: visit.id,
        began_ms: visit.began_ms,
        look: visit
            .in_brief
            .as_ref()
            .map(|plan| plan.look_name.clone())
            .unwrap_or_default(),
        height_mm: height.filter(|_| is_found_now).map(|taken| taken.value_mm),
        weight_kg: said.weight_kg.filter(|kg| weight_problem(*kg).is_none()),
        programme: said
            .programme
            .map(Programme::label)
            .unwrap_or_default()
            .into(),
        planned_minutes: run.map(|run| run.sheet.minutes),
        worked_minutes: worked,
        left: TELLING
            .into_iter()
            .filter_map(|zone| left(visit, zone))
            .collect(),
        knotted: knotted.map(|(zone, _)| zone.label().to_owned()).collect(),
        temper: said.handling.as_ref().map(|h| h.temper).unwrap_or_default(),
        trust: record.trust,
        left_undone: run.map_or_else(Vec::new, left_undone),
        notes: written
            .into_iter()
            .chain(&said.notes)
            .map(|text| text.trim().to_owned())
            .filter(|text| !text.is_empty())
            .collect(),
    }
}

fn left(visit: &EarlierVisit, zone: Zone) -> Option<ZoneLeft> {
    let (mm, was_measured) = left_mm(visit, zone)?;
    Some(ZoneLeft {
        zone,
        label: zone.label().into(),
        left_mm: Length::from_mm(mm).ok()?,
        was_measured,
    })
}
