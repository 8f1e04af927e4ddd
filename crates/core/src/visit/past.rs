use std::collections::BTreeMap;

use serde::{Deserialize, Serialize};
use utoipa::ToSchema;
use uuid::Uuid;

use super::fold::Visit;
use super::kept::{KeptPlan, PlanInBrief};
use super::recipe::{Recipe, Record};
use super::season::{SeasonRecipe, season};
use crate::body::{EarlierFound, Handling, Outcome};
use crate::coat::{Zone, resolve_coat};
use crate::finish::ZoneResult;
use crate::frame::{FrameInput, Measure, resolve};
use crate::kit::ONE_SIZE_MM;
use crate::learn::{GrowthReading, Learnt, growth_factor};
use crate::run::left_undone;
use crate::units::{Length, UnitSystem};

/// An earlier visit with what was kept of it.
#[derive(Clone, Debug)]
pub struct EarlierVisit {
    /// Its id.
    pub id: Uuid,
    /// When it began, milliseconds since 1970 in UTC.
    pub began_ms: i64,
    /// What was said.
    pub visit: Visit,
    /// The last plan kept at it; of the last visit, and of the one of this season.
    pub plan: Option<KeptPlan>,
    /// The same in brief, of every visit that has one.
    pub in_brief: Option<PlanInBrief>,
}

impl EarlierVisit {
    /// A visit with its plan whole.
    pub fn new(id: Uuid, began_ms: i64, visit: Visit, plan: Option<KeptPlan>) -> Self {
        Self {
            id,
            began_ms,
            visit,
            in_brief: plan.as_ref().map(PlanInBrief::of),
            plan,
        }
    }
}

/// One reading of a measure at an earlier visit.
#[derive(Clone, Copy, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct Reading {
    /// When that visit began, milliseconds since 1970 in UTC.
    pub began_ms: i64,
    /// What was read.
    pub value_mm: Length,
    /// One standard deviation.
    pub doubt_mm: Length,
}

/// A measure over the visits it was taken at, oldest first.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct MeasureHistory {
    /// Which.
    pub measure: Measure,
    /// Its name.
    pub label: String,
    /// Readings, this visit's not among them.
    pub readings: Vec<Reading>,
}

/// An earlier visit's frame, to lay over this one.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct EarlierFrame {
    /// The visit.
    pub visit: Uuid,
    /// When it began, milliseconds since 1970 in UTC.
    pub began_ms: i64,
    /// What the hands found then.
    pub frame: FrameInput,
}

/// The coat today if it was cut as planned last time and grew since.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct GrownCoat {
    /// Days since.
    pub days: u32,
    /// Every zone's length today.
    pub zones_mm: BTreeMap<Zone, Length>,
    /// Whether it grew from a plan that was kept; else from the coat as it came in then.
    pub is_from_plan: bool,
}

/// What earlier visits tell this one.
#[derive(Clone, Debug, Default, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct Past {
    /// Whether there was no visit before.
    #[serde(default)]
    pub is_first: bool,
    /// Frames of earlier visits, newest first.
    pub frames: Vec<EarlierFrame>,
    /// Measures over time.
    pub measures: Vec<MeasureHistory>,
    /// What was found, with what became of it.
    pub found: Vec<EarlierFound>,
    /// The coat grown since the last visit.
    pub coat: Option<GrownCoat>,
    /// How the dog was to be handled last time.
    pub handling: Option<Handling>,
    /// The last visit, to do again.
    #[serde(default)]
    pub last: Option<LastVisit>,
    /// What was done at this time of an earlier year, where it was otherwise than last time.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    #[schema(required = false)]
    pub season: Option<SeasonRecipe>,
    /// How fast this dog's coat grows against its texture's rate.
    #[serde(default)]
    pub growth: Option<Learnt>,
    /// What each zone was left at, visit by visit.
    #[serde(default)]
    pub zones: Vec<ZonePast>,
}

/// The last visit as the next one opens with it.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct LastVisit {
    /// Its id.
    pub visit: Uuid,
    /// When it began, milliseconds since 1970 in UTC.
    pub began_ms: i64,
    /// Days since.
    pub days: u32,
    /// What was done; none where no plan was kept.
    pub recipe: Option<Recipe>,
    /// The groom in words.
    pub record: Record,
    /// Notes for the next stylist.
    pub notes: Vec<String>,
    /// Steps that were put off and never done.
    pub left_undone: Vec<String>,
}

/// What a zone was left at after one visit.
#[derive(Clone, Copy, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct LeftThen {
    /// When that visit began, milliseconds since 1970 in UTC.
    pub began_ms: i64,
    /// What was left.
    pub left_mm: Length,
    /// Whether it was measured; else it is what the plan left.
    pub was_measured: bool,
    /// What it has grown to today.
    pub today_mm: Length,
}

/// A zone over the visits, newest first.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct ZonePast {
    /// Which.
    pub zone: Zone,
    /// Its name.
    pub label: String,
    /// A touch more or less, as an owner asks for it: one comb size.
    pub touch_mm: Length,
    /// Visits at which it was cut.
    pub left: Vec<LeftThen>,
}

/// Milliseconds of a day.
pub(super) const DAY_MS: i64 = 86_400_000;

/// Gathers what earlier visits tell a visit that began at `now_ms`.
///
/// # Units and shapes
/// `visits` in any order; those that began later, or at the same time, are left out.
pub fn past(visits: &[EarlierVisit], now_ms: i64) -> Past {
    let mut earlier: Vec<&EarlierVisit> = visits.iter().filter(|v| v.began_ms < now_ms).collect();
    earlier.sort_by_key(|v| (v.began_ms, v.id));
    let outcomes = outcomes(&earlier);
    let newest_first = || earlier.iter().rev();
    let growth = growth(&earlier);
    let factor = growth_of(&earlier);
    Past {
        growth,
        is_first: earlier.is_empty(),
        frames: newest_first()
            .filter(|v| !v.visit.frame.measures.is_empty())
            .map(|v| EarlierFrame {
                visit: v.id,
                began_ms: v.began_ms,
                frame: v.visit.frame.clone(),
            })
            .collect(),
        measures: histories(&earlier),
        found: newest_first()
            .flat_map(|v| v.visit.found.iter().map(|f| (v.began_ms, f)))
            .map(|(began_ms, found)| EarlierFound {
                found: found.clone(),
                began_ms,
                outcome: outcomes.get(&found.id).copied(),
            })
            .collect(),
        coat: earlier.last().map(|v| grown(v, now_ms, factor)),
        handling: newest_first().find_map(|v| v.visit.handling.clone()),
        last: earlier.last().map(|v| last_visit(v, now_ms)),
        season: season(&earlier, now_ms),
        zones: zones_past(&earlier, now_ms, factor),
    }
}

/// What became of everything found, by the last word on it; visits oldest first.
pub(super) fn outcomes(earlier: &[&EarlierVisit]) -> BTreeMap<Uuid, Outcome> {
    let all = earlier.iter().flat_map(|v| &v.visit.outcomes);
    all.map(|(found, outcome)| (*found, *outcome)).collect()
}

fn histories(earlier: &[&EarlierVisit]) -> Vec<MeasureHistory> {
    Measure::ALL
        .iter()
        .filter_map(|&measure| {
            let readings: Vec<Reading> = earlier
                .iter()
                .filter(|v| !v.visit.frame.ago.measures.contains_key(&measure))
                .filter_map(|v| {
                    let taken = v.visit.frame.measures.get(&measure)?;
                    Some(Reading {
                        began_ms: v.began_ms,
                        value_mm: taken.value_mm,
                        doubt_mm: Length::from_mm(taken.doubt()).ok()?,
                    })
                })
                .collect();
            (!readings.is_empty()).then(|| MeasureHistory {
                measure,
                label: measure.label().into(),
                readings,
            })
        })
        .collect()
}

pub(super) fn days_since(visit: &EarlierVisit, now_ms: i64) -> i64 {
    ((now_ms - visit.began_ms) / DAY_MS).max(0)
}

/// What was done at a visit; none where no plan of it was read.
pub(super) fn recipe_of(visit: &EarlierVisit) -> Option<Recipe> {
    let plan = visit.plan.as_ref()?;
    Some(Recipe::of(plan, &visit.visit))
}

fn last_visit(last: &EarlierVisit, now_ms: i64) -> LastVisit {
    let said = &last.visit;
    LastVisit {
        visit: last.id,
        began_ms: last.began_ms,
        days: u32::try_from(days_since(last, now_ms)).unwrap_or(u32::MAX),
        recipe: recipe_of(last),
        record: said.record.clone(),
        notes: said.notes.clone(),
        left_undone: said.run.as_ref().map_or_else(Vec::new, left_undone),
    }
}

/// How fast this dog's coat grows against its texture's rate.
pub(super) fn growth_of(earlier: &[&EarlierVisit]) -> f64 {
    growth(earlier).map_or(1.0, |g| g.value)
}

/// Zones measured after one visit and combed out at the next; none where nothing was.
pub(super) fn growth(earlier: &[&EarlierVisit]) -> Option<Learnt> {
    let readings: Vec<GrowthReading> = earlier
        .windows(2)
        .flat_map(|two| {
            let (then, next) = (two[0], two[1]);
            let days = days_since(then, next.began_ms) as f64;
            then.visit.results.iter().filter_map(move |(zone, result)| {
                Some(GrowthReading {
                    zone: *zone,
                    left_mm: result.can_be().then(|| result.mean_mm()).flatten()?,
                    now_mm: next.visit.coat.zones_mm.get(zone)?.as_mm(),
                    days,
                })
            })
        })
        .collect();
    let texture = earlier.last()?.visit.coat.texture;
    (!readings.is_empty()).then(|| growth_factor(&readings, texture))
}

/// What a zone was left at, mm, and whether that was measured; else it is what the plan left.
pub(super) fn left_mm(visit: &EarlierVisit, zone: Zone) -> Option<(f64, bool)> {
    let result = visit.visit.results.get(&zone).filter(|r| r.can_be());
    if let Some(measured) = result.and_then(ZoneResult::mean_mm) {
        return Some((measured, true));
    }
    let planned = visit.in_brief.as_ref()?.left_mm.get(&zone)?;
    Some((planned.as_mm(), false))
}

fn zones_past(earlier: &[&EarlierVisit], now_ms: i64, factor: f64) -> Vec<ZonePast> {
    let left_at = |visit: &EarlierVisit, zone: Zone| -> Option<LeftThen> {
        let (left, was_measured) = left_mm(visit, zone)?;
        let days = factor * days_since(visit, now_ms) as f64;
        let growth = visit.visit.coat.texture.growth_in(zone);
        let today = growth.after(left, days);
        Some(LeftThen {
            began_ms: visit.began_ms,
            left_mm: Length::from_mm(left).ok()?,
            was_measured,
            today_mm: Length::from_mm(today).ok()?,
        })
    };
    Zone::ALL
        .iter()
        .filter_map(|&zone| {
            let visits = earlier.iter().rev();
            let left: Vec<LeftThen> = visits.filter_map(|v| left_at(v, zone)).collect();
            (!left.is_empty()).then(|| ZonePast {
                zone,
                label: zone.label().into(),
                touch_mm: Length::constant_mm(ONE_SIZE_MM),
                left,
            })
        })
        .collect()
}

pub(super) fn grown(last: &EarlierVisit, now_ms: i64, factor: f64) -> GrownCoat {
    let days = days_since(last, now_ms);
    let texture = last.visit.coat.texture;
    let height = resolve(&last.visit.frame, UnitSystem::Millimetres)
        .build
        .height;
    let (then, _) = resolve_coat(&last.visit.coat, height, UnitSystem::Millimetres);
    let left = |zone: Zone| left_mm(last, zone).map_or_else(|| then.length_mm(zone), |(mm, _)| mm);
    let zones_mm = Zone::ALL
        .iter()
        .filter_map(|&zone| {
            let mm = texture
                .growth_in(zone)
                .after(left(zone), factor * days as f64);
            Some((zone, Length::from_mm((2.0 * mm).round() / 2.0).ok()?))
        })
        .collect();
    GrownCoat {
        days: u32::try_from(days).unwrap_or(u32::MAX),
        zones_mm,
        is_from_plan: last.in_brief.is_some(),
    }
}

/// Two readings further apart than this many of their common doubts differ: beyond chance at 95 %.
const CHANGED_AT: f64 = 1.96;

/// Measures taken now that differ from their last reading beyond what both can tell.
pub fn changed(now: &FrameInput, before: &[MeasureHistory]) -> Vec<Measure> {
    before
        .iter()
        .filter(|history| {
            let (Some(taken), Some(last)) =
                (now.measures.get(&history.measure), history.readings.last())
            else {
                return false;
            };
            let apart = (taken.value_mm.as_mm() - last.value_mm.as_mm()).abs();
            apart > CHANGED_AT * taken.doubt().hypot(last.doubt_mm.as_mm())
        })
        .map(|history| history.measure)
        .collect()
}
