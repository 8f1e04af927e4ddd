use std::collections::BTreeMap;

use serde::{Deserialize, Serialize};
use utoipa::ToSchema;
use uuid::Uuid;

use super::as_left::came_out;
use super::walk::{Looked, WalkView, walk};
use crate::balance::{Subject, score};
use crate::coat::{CoatNow, LONGEST_MM, Zone, can_stand, whole_weeks};
use crate::frame::{Problem, Severity};
use crate::job::Job;
use crate::kit::UnderComb;
use crate::plan::Plan;
use crate::report::{BalanceRow, StrokeName, rows_of};
use crate::say::{Words, capital};
use crate::shape::Hand;
use crate::solve::{SolveError, Stroke, UnitCut, solve_lengths};
use crate::units::{Length, UnitSystem, length_text};

/// What a zone was really left at.
#[derive(Clone, Copy, Debug, Default, PartialEq, Serialize, Deserialize, ToSchema)]
#[serde(default)]
pub struct ZoneResult {
    /// On the left, or on both sides alike.
    pub left_mm: Option<Length>,
    /// On the right, where it was measured by itself.
    pub right_mm: Option<Length>,
    /// With which tool, where it was another than planned.
    pub tool: Option<Uuid>,
    /// Blade beneath the comb, where it was another than the salon's.
    pub under: Option<UnderComb>,
    /// Stroke, where it was another than planned.
    pub stroke: Option<StrokeName>,
}

impl ZoneResult {
    /// Whether nothing is said.
    pub fn is_empty(&self) -> bool {
        *self == Self::default()
    }

    /// Whether both lengths are such as hang on a dog.
    pub(crate) fn can_be(&self) -> bool {
        let sides = [self.left_mm, self.right_mm];
        let mut there = sides.into_iter().flatten().map(Length::as_mm);
        there.all(|mm| (0.0..=LONGEST_MM).contains(&mm))
    }

    /// Whether no more is left than stood before work.
    fn can_stand(&self, most_mm: Option<f64>) -> bool {
        let sides = [self.left_mm, self.right_mm].into_iter().flatten();
        sides.map(Length::as_mm).all(|mm| can_stand(mm, most_mm))
    }

    /// What is wrong with it, in one sentence.
    pub(crate) fn problem(&self, zone: Zone, units: UnitSystem) -> Option<Problem> {
        let most = length_text(Length::constant_mm(LONGEST_MM), units);
        let message = format!(
            "What was left on the {} cannot be: it lies between 0 and {most}; measure again.",
            zone.label()
        );
        let field = format!("result.{}", zone.label());
        (!self.can_be()).then(|| Problem::of(field, Severity::Refused, message))
    }

    /// Mean of both sides, mm.
    pub fn mean_mm(&self) -> Option<f64> {
        let left = self.left_mm.or(self.right_mm)?.as_mm();
        let right = self.right_mm.map_or(left, Length::as_mm);
        Some(f64::midpoint(left, right))
    }

    /// What was read on one side; on neither by name, what was read on both alike.
    pub(super) fn read_on(&self, hand: Option<Hand>) -> Option<Length> {
        match hand {
            Some(Hand::Left) => self.left_mm,
            Some(Hand::Right) => self.right_mm,
            None => self.left_mm.or(self.right_mm),
        }
    }

    /// With so much less on both sides, mm.
    fn less(self, mm: f64) -> Self {
        let less = |left: Length| Length::worked_out_mm((left.as_mm() - mm).max(0.0));
        Self {
            left_mm: self.left_mm.map(less),
            right_mm: self.right_mm.map(less),
            ..self
        }
    }

    /// With the longer side taken down to the other.
    fn level(self) -> Self {
        let shorter = match (self.left_mm, self.right_mm) {
            (Some(l), Some(r)) if r < l => Some(r),
            (Some(l), _) => Some(l),
            (None, right) => right,
        };
        Self {
            left_mm: shorter,
            right_mm: shorter,
            ..self
        }
    }

    pub(super) fn on(&self, hand: Hand) -> Option<f64> {
        let own = match hand {
            Hand::Left => self.left_mm,
            Hand::Right => self.right_mm.or(self.left_mm),
        };
        own.or(self.left_mm).or(self.right_mm).map(Length::as_mm)
    }
}

/// A zone as planned and as it came out.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct ResultRow {
    /// Which.
    pub zone: Zone,
    /// Its name.
    pub label: String,
    /// Length planned: of a zone that is cut in passes of several lengths the one that was measured, the
    /// foremost until then.
    pub planned_mm: Length,
    /// The same as the sheet tells it, every pass.
    pub planned: String,
    /// What its passes are left at, front to rear, mm: one where all are alike.
    #[serde(skip)]
    #[schema(ignore)]
    pub passes_mm: Vec<f64>,
    /// How it was to be cut.
    pub tool: String,
    /// Whether it stands twice, so that both sides are measured.
    pub is_pair: bool,
    /// Whether it is one of the few worth measuring on every dog.
    pub is_quick: bool,
    /// The most that can be read there; none where nobody said what stood.
    pub most_mm: Option<Length>,
    /// What it was really left at.
    pub result: ZoneResult,
    /// Longer than planned by, mm; negative when shorter; none where not measured.
    pub off_mm: Option<f64>,
    /// Left longer than right by, mm; none where not both were measured.
    pub apart_mm: Option<f64>,
}

impl ResultRow {
    /// Its name, with the side where a pair was measured on one alone.
    fn measured_at(&self) -> String {
        let label = capital(&self.label);
        match (self.is_pair, self.result.left_mm, self.result.right_mm) {
            (true, Some(_), None) => format!("{label}, left"),
            (true, None, Some(_)) => format!("{label}, right"),
            _ => label,
        }
    }

    /// How much longer than planned the shorter side is, mm.
    fn shorter_off_mm(&self) -> Option<f64> {
        Some(self.off_mm? - 0.5 * self.apart_mm.unwrap_or(0.0).abs())
    }
}

/// One thing to touch up.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct TouchUp {
    /// Where.
    pub zone: Zone,
    /// What to do, in one sentence.
    pub sentence: String,
    /// How much comes off.
    pub off_mm: Length,
    /// Minutes it takes.
    pub minutes: f64,
    /// What it brings in balance.
    pub gains: f64,
    /// What is left there once it is done.
    pub after: ZoneResult,
}

/// The dog as it stands after the groom.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct FinishReport {
    /// Zones, the quick ones first.
    pub rows: Vec<ResultRow>,
    /// How many were measured.
    pub measured: u32,
    /// What to touch up, the least work first.
    pub touch_ups: Vec<TouchUp>,
    /// What came out too short: nothing to cut, but to know.
    pub too_short: Vec<String>,
    /// The balance as it came out.
    pub balance: Vec<BalanceRow>,
    /// Where to look, walking round.
    pub walk: Vec<WalkView>,
    /// How it stands, in one sentence.
    pub sentence: String,
}

/// Longer or shorter by less is as planned, mm (modelling choice: a comb's own scatter, handbook 3).
pub const AS_PLANNED_MM: f64 = 1.5;
/// Left and right further apart than this are seen, mm (common practice: a thin finger's edge).
const APART_MM: f64 = 2.0;
/// A touch-up takes this share of the minutes the shears take for the whole zone (modelling
/// choice: one pass over what was shaped before).
const TOUCH_SHARE: f64 = 0.4;

/// Zones worth measuring on every dog: six to ten (modelling choice: what the balance hangs on, and
/// the pairs an owner sees).
const QUICK: [Zone; 9] = [
    Zone::Back,
    Zone::Ribs,
    Zone::Chest,
    Zone::Underline,
    Zone::TuckUp,
    Zone::HindOut,
    Zone::ForeOut,
    Zone::Topknot,
    Zone::Ear,
];

/// Checks what was left against the plan.
///
/// What was not measured counts as planned. Where hair is left to take, the dog is solved again
/// with what it has now: what the balance would still take off is what to touch up.
///
/// # Errors
/// If the solver gives no answer, a fault of ours.
pub fn finish(
    results: &BTreeMap<Zone, ZoneResult>,
    looked: &[Looked],
    plan: &Plan,
    job: &Job,
    words: &Words<'_>,
) -> Result<FinishReport, SolveError> {
    let results = that_can_be(results, &job.coat);
    let rows = result_rows(&results, plan, job, words);
    let came_out = came_out(&results, plan);
    let points = &plan.solution.points;
    let before = score(points, &came_out);
    let ideal = solve_lengths(&job.aimed(left_standing(&plan.subject, &came_out)))?.lengths_mm;
    let mut touch_ups: Vec<TouchUp> = Vec::new();
    for row in &rows {
        // A pair that differs is levelled first; only what is still too long then comes off both.
        let Some(over) = row.shorter_off_mm() else {
            continue;
        };
        let unit = units_of(plan, row.zone);
        let spots: Vec<usize> = unit
            .iter()
            .flat_map(|c| c.unit.spots(&plan.subject))
            .collect();
        let (take, gains) = if spots.is_empty() {
            (over, 0.0)
        } else {
            let mut taken = came_out.clone();
            for i in &spots {
                taken[*i] = taken[*i].min(ideal[*i]);
            }
            let off = spots.iter().map(|i| came_out[*i] - taken[*i]).sum::<f64>();
            // Back to the plan, not past it: a new plan is made before a groom, not at its end.
            let most = over.max(0.0);
            (
                (off / spots.len() as f64).min(most),
                before - score(points, &taken),
            )
        };
        let minutes = TOUCH_SHARE * unit.iter().map(|c| c.unit.scissor_minutes()).sum::<f64>();
        if take >= AS_PLANNED_MM {
            touch_ups.push(TouchUp {
                zone: row.zone,
                sentence: format!("{}: {} shorter", row.measured_at(), whole(take, words)),
                off_mm: Length::worked_out_mm(take),
                minutes,
                gains: gains.max(0.0),
                after: row.result.less(take),
            });
        }
        let apart = row.apart_mm.filter(|a| a.abs() >= APART_MM);
        if let Some(apart) = apart {
            let (longer, other) = if apart > 0.0 {
                ("left", "right")
            } else {
                ("right", "left")
            };
            let by = whole(apart.abs(), words);
            touch_ups.push(TouchUp {
                zone: row.zone,
                sentence: format!(
                    "{}, {longer}: {by} shorter, as the {other}",
                    capital(&row.label)
                ),
                off_mm: Length::worked_out_mm(apart.abs()),
                minutes: 0.5 * minutes,
                gains: 0.0,
                after: row.result.level(),
            });
        }
    }
    touch_ups.sort_by(|a, b| a.minutes.total_cmp(&b.minutes));
    let measured = rows.iter().filter(|r| r.off_mm.is_some()).count();
    Ok(FinishReport {
        too_short: too_short(&rows, job, words),
        sentence: sentence(measured, looked, &touch_ups),
        balance: rows_of(plan, &came_out, words),
        walk: walk(plan, &job.coat, &rows, &results, looked),
        measured: u32::try_from(measured).unwrap_or(u32::MAX),
        touch_ups,
        rows,
    })
}

/// What cannot be is said beside its field and counts for nothing.
pub(crate) fn that_can_be(
    results: &BTreeMap<Zone, ZoneResult>,
    coat: &CoatNow,
) -> BTreeMap<Zone, ZoneResult> {
    results
        .iter()
        .filter(|(zone, r)| r.can_be() && r.can_stand(coat.most_mm(**zone)))
        .map(|(z, r)| (*z, *r))
        .collect()
}

pub(super) fn units_of(plan: &Plan, zone: Zone) -> Vec<&UnitCut> {
    plan.cuts.iter().filter(|c| c.unit.zone() == zone).collect()
}

/// The length that a reading on these units is compared with, mm: a zone in passes of several lengths was
/// read on the nearest of them; the foremost where nothing was read yet, none where nothing is planned.
pub(super) fn planned_beside(units: &[&UnitCut], read_mm: Option<f64>) -> Option<f64> {
    let mut means = units.iter().filter_map(|cut| mean_of(cut));
    match read_mm {
        Some(read) => means.min_by(|a, b| (a - read).abs().total_cmp(&(b - read).abs())),
        None => means.next(),
    }
}

/// What a unit is left at on the mean, mm.
fn mean_of(cut: &UnitCut) -> Option<f64> {
    let lengths = &cut.leaves_mm;
    (!lengths.is_empty()).then(|| lengths.iter().sum::<f64>() / lengths.len() as f64)
}

/// What these units are left at, front to rear, mm; alike ones once.
fn passes(units: &[&UnitCut]) -> Vec<f64> {
    let mut passes: Vec<f64> = Vec::new();
    for mm in units.iter().filter_map(|cut| mean_of(cut)) {
        if passes.iter().all(|there| (there - mm).abs() >= 1.0) {
            passes.push(mm);
        }
    }
    passes
}

/// What is planned on these units as the sheet tells it, front to rear.
fn as_told(units: &[&UnitCut], words: &Words<'_>) -> String {
    let mut told: Vec<String> = Vec::new();
    for cut in units {
        let low = cut.leaves_mm.iter().copied().fold(f64::INFINITY, f64::min);
        let high = cut.leaves_mm.iter().copied().fold(0.0, f64::max);
        let span = words.told_span(low, high, cut.stroke == Stroke::Scissor);
        if low <= high && !told.contains(&span) {
            told.push(span);
        }
    }
    told.join(", then ")
}

fn result_rows(
    results: &BTreeMap<Zone, ZoneResult>,
    plan: &Plan,
    job: &Job,
    words: &Words<'_>,
) -> Vec<ResultRow> {
    let row = |zone: Zone, units: &[&UnitCut]| -> ResultRow {
        let result = results.get(&zone).copied().unwrap_or_default();
        let planned = planned_beside(units, result.mean_mm()).unwrap_or_default();
        let apart = result.left_mm.zip(result.right_mm);
        ResultRow {
            zone,
            label: zone.label().into(),
            planned_mm: Length::worked_out_mm(planned),
            planned: as_told(units, words),
            passes_mm: passes(units),
            tool: units
                .iter()
                .find_map(|c| c.tool)
                .map_or_else(|| "shears".into(), |t| words.tool(t)),
            is_pair: zone.is_pair(),
            is_quick: QUICK.contains(&zone),
            most_mm: job
                .coat
                .most_mm(zone)
                .and_then(|mm| Length::from_mm(mm).ok()),
            off_mm: result.mean_mm().map(|mm| mm - planned),
            apart_mm: apart.map(|(l, r)| l.as_mm() - r.as_mm()),
            result,
        }
    };
    let mut zones: Vec<Zone> = QUICK.to_vec();
    zones.extend(Zone::ALL.into_iter().filter(|z| !QUICK.contains(z)));
    zones
        .into_iter()
        .filter_map(|zone| {
            let units = units_of(plan, zone);
            let is_cut = units.iter().any(|c| c.stroke != Stroke::Leave);
            (is_cut || results.contains_key(&zone)).then(|| row(zone, &units))
        })
        .collect()
}

/// The same dog with no more hair than it came out with.
fn left_standing(subject: &Subject, came_out: &[f64]) -> Subject {
    let mut left = subject.clone();
    for (spot, mm) in left.spots.iter_mut().zip(came_out) {
        spot.high = *mm;
        spot.low = spot.low.min(*mm);
    }
    left
}

fn too_short(rows: &[ResultRow], job: &Job, words: &Words<'_>) -> Vec<String> {
    rows.iter()
        .filter_map(|row| {
            let under = -row.off_mm?;
            if under < AS_PLANNED_MM {
                return None;
            }
            let now = row.result.mean_mm()?;
            let growth = job.coat.texture.growth_in(row.zone);
            let weeks = whole_weeks(growth.days_to(now, under));
            let grows = weeks.map_or_else(
                || "it does not grow back so far".to_owned(),
                |weeks| match weeks {
                    1 => "right in a week".to_owned(),
                    weeks => format!("right in {weeks} weeks"),
                },
            );
            Some(format!(
                "{}: too short by {}; {grows}.",
                row.measured_at(),
                whole(under, words)
            ))
        })
        .collect()
}

/// A length to the millimetre: nobody takes off less.
fn whole(mm: f64, words: &Words<'_>) -> String {
    words.length(mm.round())
}

fn sentence(measured: usize, looked: &[Looked], touch_ups: &[TouchUp]) -> String {
    match (measured, touch_ups) {
        (0, _) if !looked.is_empty() => "Nothing to touch up so far.".into(),
        (0, _) => "Nothing measured yet: six to ten lengths tell how it came out.".into(),
        (_, []) => "As planned: nothing to touch up.".into(),
        (_, list) => {
            let minutes: f64 = list.iter().map(|t| t.minutes).sum();
            format!(
                "{} to touch up, about {}; the least work first.",
                list.len(),
                if minutes <= 1.0 {
                    "a minute".to_owned()
                } else {
                    format!("{:.0} minutes", minutes.ceil())
                }
            )
        }
    }
}
