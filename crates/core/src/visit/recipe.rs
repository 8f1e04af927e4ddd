use std::collections::BTreeMap;

use serde::{Deserialize, Serialize};
use utoipa::ToSchema;
use uuid::Uuid;

use super::entry::LookChoice;
use super::fold::Visit;
use super::kept::KeptPlan;
use crate::coat::{LONGEST_MM, Limit, Zone};
use crate::dog::House;
use crate::finish::{AS_PLANNED_MM, ZoneResult};
use crate::frame::{Problem, Severity};
use crate::look::{LookId, Placement, Shifts};
use crate::report::{StrokeName, UnitRow};
use crate::run::{Run, StepRun, StepState};
use crate::say::Words;
use crate::sheet::{SiteDone, Step};
use crate::units::{Length, UnitSystem, length_text};

/// What a zone was left at last time, and how.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct RecipeZone {
    /// Which.
    pub zone: Zone,
    /// Its name.
    pub label: String,
    /// Shortest length left.
    pub from_mm: Length,
    /// Longest length left.
    pub to_mm: Length,
    /// With what and how, in words.
    pub how: String,
    /// Whether it was measured after the groom; else it is what the plan left.
    pub was_measured: bool,
}

impl RecipeZone {
    fn can_be(&self) -> bool {
        let (from, to) = (self.from_mm.as_mm(), self.to_mm.as_mm());
        0.0 <= from && from <= to && to <= LONGEST_MM
    }
}

/// What was done, so that anyone can do it again.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct Recipe {
    /// The look.
    pub look: LookChoice,
    /// Its name.
    pub look_name: String,
    /// Lines moved by hand.
    pub lines: Placement,
    /// How far they were moved between their places.
    #[serde(default)]
    pub shifts: Shifts,
    /// The owner's limits, what was corrected since among them.
    pub limits: BTreeMap<Zone, Limit>,
    /// Zones that were cut.
    pub zones: Vec<RecipeZone>,
    /// Sites that were done, with what.
    #[serde(default, skip_serializing_if = "Vec::is_empty")]
    pub sites: Vec<SiteDone>,
}

impl Recipe {
    /// The recipe of a kept plan as it was done at a visit: with what was really left where that was
    /// measured, and with what, where that was said or run otherwise; without what was left undone.
    pub fn of(plan: &KeptPlan, done: &Visit) -> Self {
        let run = done.run.as_ref().filter(|run| run.ended.is_some());
        let mut zones: Vec<RecipeZone> = Vec::new();
        let cut = |row: &&UnitRow| row.stroke != StrokeName::Leave;
        for row in plan.report.units.iter().filter(cut) {
            match zones.iter_mut().find(|z| z.zone == row.zone) {
                Some(there) => {
                    if row.from_mm < there.from_mm {
                        there.from_mm = row.from_mm;
                    }
                    if row.to_mm > there.to_mm {
                        there.to_mm = row.to_mm;
                    }
                }
                None => zones.push(RecipeZone {
                    zone: row.zone,
                    label: row.zone.label().into(),
                    from_mm: row.from_mm,
                    to_mm: row.to_mm,
                    how: row.tool.clone(),
                    was_measured: false,
                }),
            }
        }
        if let Some(run) = run {
            zones.retain(|zone| was_cut(run, zone.zone));
        }
        for zone in &mut zones {
            let said = done.results.get(&zone.zone);
            let otherwise = said.and_then(|result| said_otherwise(plan, zone.zone, result));
            let at_the_table = || run.and_then(|run| run_otherwise(plan, run, zone.zone));
            if let Some(how) = otherwise.or_else(at_the_table) {
                zone.how = how;
            }
            let result = said.filter(|r| r.can_be());
            let Some(left) = result.and_then(ZoneResult::mean_mm) else {
                continue;
            };
            // What was left otherwise moves the whole zone.
            let by = left - f64::midpoint(zone.from_mm.as_mm(), zone.to_mm.as_mm());
            let moved = |mm: Length| Length::from_mm((mm.as_mm() + by).max(0.0));
            zone.from_mm = moved(zone.from_mm).unwrap_or(zone.from_mm);
            zone.to_mm = moved(zone.to_mm).unwrap_or(zone.to_mm);
            zone.was_measured = true;
        }
        Self {
            look: plan.visit.look.unwrap_or(LookChoice {
                look: LookId::OneLength,
                body_mm: None,
            }),
            look_name: plan.report.look_name.clone(),
            lines: plan.visit.lines.clone(),
            shifts: plan.visit.shifts.clone(),
            limits: done.coat.limits.clone(),
            zones,
            sites: run.map_or_else(Vec::new, sites_done),
        }
    }

    /// What is wrong with it, in one sentence; such a zone is left out.
    pub(crate) fn problem(&self) -> Option<Problem> {
        let wrong = self.zones.iter().find(|zone| !zone.can_be())?;
        let message = format!(
            "Last time's length on the {} cannot be and is left out; measure what stands there.",
            wrong.zone.label()
        );
        Some(Problem::of("recipe", Severity::Unusual, message))
    }

    /// The lengths as limits, so that a plan comes out as it did: a zone's own limit goes before.
    pub fn as_limits(&self, own: &BTreeMap<Zone, Limit>) -> BTreeMap<Zone, Limit> {
        self.zones
            .iter()
            .filter(|zone| zone.can_be())
            .map(|zone| {
                let own = own.get(&zone.zone).copied().unwrap_or_default();
                let mut to = zone.to_mm.as_mm() + AS_PLANNED_MM;
                let mut from = (zone.from_mm.as_mm() - AS_PLANNED_MM).max(0.0);
                if let Some(most) = own.not_longer_mm.map(Length::as_mm) {
                    to = to.min(most);
                    from = from.min(most - 2.0 * AS_PLANNED_MM).max(0.0);
                }
                if let Some(least) = own.not_shorter_mm.map(Length::as_mm) {
                    from = from.max(least);
                    to = to.max(least + 2.0 * AS_PLANNED_MM);
                }
                let limit = Limit {
                    not_shorter_mm: Length::from_mm(from).ok(),
                    not_longer_mm: Length::from_mm(to).ok(),
                    ..Limit::default()
                };
                (zone.zone, limit)
            })
            .collect()
    }
}

/// Steps of a run that cut a zone.
fn steps_on(run: &Run, zone: Zone) -> impl Iterator<Item = &Step> {
    let steps = run.sheet.steps.iter();
    steps.filter(move |step| step.stands.contains_key(&zone))
}

fn is_done(run: &Run, step: &Step) -> bool {
    let of = |s: &&StepRun| s.step == step.number;
    let found = run.steps.iter().find(of);
    found.is_some_and(|s| s.state == StepState::Done)
}

/// Sites that a run did with a tool, each by the first step that names one.
fn sites_done(run: &Run) -> Vec<SiteDone> {
    let mut sites: Vec<SiteDone> = Vec::new();
    let steps = run.sheet.steps.iter();
    for step in steps.filter(|s| !s.tool.is_empty() && is_done(run, s)) {
        for site in &step.sites {
            if sites.iter().all(|there| there.site != *site) {
                sites.push(SiteDone {
                    site: *site,
                    label: site.label().into(),
                    tool: step.tool.clone(),
                    leaves: step.leaves.clone(),
                });
            }
        }
    }
    sites.sort_by_key(|done| done.site);
    sites
}

/// Whether a zone was cut at the table; one that no step names was.
fn was_cut(run: &Run, zone: Zone) -> bool {
    let mut steps = steps_on(run, zone).peekable();
    steps.peek().is_none() || steps.any(|step| is_done(run, step))
}

/// With what and how a zone was done, where somebody said that it was otherwise than planned.
fn said_otherwise(plan: &KeptPlan, zone: Zone, result: &ZoneResult) -> Option<String> {
    if result.tool.is_none() && result.under.is_none() && result.stroke.is_none() {
        return None;
    }
    let row = plan.report.units.iter().find(|row| row.zone == zone)?;
    let house = House {
        under_comb: result.under.unwrap_or(plan.house.under_comb),
        ..plan.house.clone()
    };
    let words = Words {
        house: &house,
        kit: &plan.kit,
    };
    let stroke = result.stroke.unwrap_or(row.stroke);
    // Shears alone follow no tool, unless one was said.
    let planned = row.tool_id.filter(|_| result.stroke.is_none());
    let tool = match (result.tool, stroke) {
        (None, StrokeName::Scissor) => planned,
        (tool, _) => tool.or(row.tool_id),
    };
    let tool = tool.map(|tool| words.tool(tool));
    Some(stroke.with(tool.as_deref(), true))
}

/// The same, where the steps were planned anew at the table and another tool was run there.
fn run_otherwise(plan: &KeptPlan, run: &Run, zone: Zone) -> Option<String> {
    let planned = plan.report.units.iter().filter(|row| row.zone == zone);
    let planned: Vec<Uuid> = planned.filter_map(|row| row.tool_id).collect();
    let done: Vec<&Step> = steps_on(run, zone).filter(|s| is_done(run, s)).collect();
    let is_as_planned = |step: &&Step| step.tool_id.is_none_or(|tool| planned.contains(&tool));
    let other = done.into_iter().find(|step| !is_as_planned(step))?;
    Some(if other.stroke.is_empty() {
        other.tool.clone()
    } else {
        format!("{}, {}", other.tool, other.stroke)
    })
}

vocabulary! {
    /// What the owner found wrong with last time.
    #[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
    #[serde(rename_all = "snake_case")]
    pub enum Wants {
        /// It was too long.
        Shorter => "Shorter",
        /// It was too short.
        Longer => "Longer",
    }
}

/// A complaint, found by zone and date: it becomes a limit.
#[derive(Clone, Copy, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct Correction {
    /// Where.
    pub zone: Zone,
    /// The visit it is about began then, milliseconds since 1970 in UTC.
    pub began_ms: i64,
    /// What was left there then.
    pub left_mm: Length,
    /// What the owner wants instead.
    pub wants: Wants,
    /// By how much.
    pub by_mm: Length,
}

impl Correction {
    /// Whether the lengths are such as hang on a dog, before and after.
    pub(super) fn can_be(&self) -> bool {
        let (left, by) = (self.left_mm.as_mm(), self.by_mm.as_mm());
        (0.0..=LONGEST_MM).contains(&left) && by > 0.0 && by <= LONGEST_MM
    }

    /// What is wrong with it, in one sentence; it is then no limit.
    pub(crate) fn problem(&self, units: UnitSystem) -> Option<Problem> {
        let message = format!(
            "The {} cannot be corrected by {} from {}; type how much of what was left is too much.",
            self.zone.label(),
            length_text(self.by_mm, units),
            length_text(self.left_mm, units)
        );
        (!self.can_be()).then(|| Problem::of("correction", Severity::Refused, message))
    }

    /// The limit it makes of the owner's limit so far: the other end stays, unless it contradicts.
    pub fn into_limit(&self, own: Limit) -> Limit {
        let (left, by) = (self.left_mm.as_mm(), self.by_mm.as_mm());
        let at = |mm: f64| Length::from_mm(mm.max(0.0)).ok();
        match self.wants {
            Wants::Shorter => {
                let most = at(left - by);
                Limit {
                    not_shorter_mm: own.not_shorter_mm.filter(|least| Some(*least) <= most),
                    not_longer_mm: most,
                    ..Limit::default()
                }
            }
            Wants::Longer => {
                let least = at(left + by);
                Limit {
                    not_shorter_mm: least,
                    not_longer_mm: own.not_longer_mm.filter(|most| Some(*most) >= least),
                    ..Limit::default()
                }
            }
        }
    }
}

vocabulary! {
    /// How a dog's trust went at a visit (handbook 10 A 4).
    #[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
    #[serde(rename_all = "snake_case")]
    pub enum Trust {
        /// It bore more than last time.
        Grows => "Grows",
        /// As before.
        Steady => "Steady",
        /// It bore less.
        Falls => "Falls",
    }
}

/// The groom in words, written in a minute.
#[derive(Clone, Debug, Default, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
#[serde(default)]
pub struct Record {
    /// How the dog behaved.
    pub behaviour: String,
    /// Finish and products.
    pub products: String,
    /// What the owner was told of findings.
    pub told: String,
    /// What is to grow, and is left alone.
    pub grow: Vec<Zone>,
    /// What is unfinished.
    pub unfinished: String,
    /// How its trust went; none where nobody said.
    #[serde(skip_serializing_if = "Option::is_none")]
    #[schema(required = false)]
    pub trust: Option<Trust>,
}

/// What was left where, a phrase a zone.
pub(super) fn lengths_left(results: &BTreeMap<Zone, ZoneResult>, words: &Words<'_>) -> Vec<String> {
    results
        .iter()
        .filter(|(_, r)| r.can_be())
        .filter_map(|(zone, r)| Some(format!("{} {}", zone.label(), words.length(r.mean_mm()?))))
        .collect()
}

/// Longest text of a record, letters: what a colleague reads in a minute.
const RECORD_LETTERS: usize = 600;

impl Record {
    /// What is wrong with it, in one sentence.
    pub(crate) fn problem(&self) -> Option<Problem> {
        let texts = [
            ("behaviour", &self.behaviour),
            ("products", &self.products),
            ("what was told", &self.told),
            ("what is unfinished", &self.unfinished),
        ];
        let (name, text) = texts
            .into_iter()
            .find(|(_, text)| text.chars().count() > RECORD_LETTERS)?;
        let message = format!(
            "The record of {name} has {} letters; shorten it to {RECORD_LETTERS}.",
            text.chars().count()
        );
        Some(Problem::of("record", Severity::Unusual, message))
    }

    /// Whether nothing is said.
    pub fn is_empty(&self) -> bool {
        *self == Self::default()
    }
}
