use schemars::JsonSchema;
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use crate::balance::{BalancePoint, Judged, score};
use crate::coat::{CoatNow, Zone, days_to_grow, grown_mm};
use crate::plan::{Plan, PlanCoat, dress_plan};
use crate::shape::{Dressing, FRINGE};

/// When in the interval.
#[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, Deserialize, JsonSchema, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum MomentName {
    /// As it leaves the table.
    Today,
    /// Half way to the next visit.
    Middle,
    /// The last day before it.
    LastDay,
}

/// The plan at one moment of the interval.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, JsonSchema, ToSchema)]
pub struct Moment {
    /// Which.
    pub name: MomentName,
    /// Days after the visit.
    pub days: u32,
    /// How many kinds of balance points are off.
    pub off: u32,
    /// Balance cost.
    pub score: f64,
    /// Which points have left since today, in a few words.
    pub left: Vec<String>,
}

/// What the weeks to the next visit do to a plan.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, JsonSchema, ToSchema)]
pub struct Interval {
    /// Weeks to the next visit.
    pub weeks: u32,
    /// Today, half way, the last day.
    pub moments: Vec<Moment>,
    /// Weeks after which the outline is lost, if that is within half a year.
    pub return_weeks: Option<u32>,
    /// When to come back and why, in one sentence.
    pub return_sentence: String,
    /// When hair hangs into the eyes, in days; none if it does already or never will.
    pub eyes_covered_days: Option<u32>,
    /// The first zone that is long enough to knot.
    pub knots_from: Option<KnotsFrom>,
}

/// A zone that begins to knot.
#[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, Deserialize, JsonSchema, ToSchema)]
pub struct KnotsFrom {
    /// Which.
    pub zone: Zone,
    /// Days after the visit.
    pub days: u32,
}

/// Come back when so many points have left their tolerance: it reproduces the habit of four to six
/// weeks (balance-model.md 13, common practice).
const POINTS_LOST: usize = 3;
/// How far ahead the outline is followed, weeks.
const FURTHEST_WEEKS: u32 = 26;
/// Share of the topknot that hangs over the eyes as a visor (dog-shape.md 13, as drawn).
const VISOR: f64 = 0.5;
/// Hair longer than this knots where it rubs, mm (modelling choice).
const KNOTS_FROM_MM: f64 = 35.0;

/// Lengths of a plan after so many days, each grown from what the tools leave.
fn grown(plan: &Plan, coat: &CoatNow, days: f64) -> Vec<f64> {
    plan.lengths_mm
        .iter()
        .map(|l| grown_mm(*l, days, coat.texture))
        .collect()
}

/// Kinds of points that are off at these lengths.
fn lost(points: &[BalancePoint], lengths: &[f64]) -> Vec<Judged> {
    Judged::ALL
        .into_iter()
        .filter(|judged| {
            points
                .iter()
                .any(|p| p.judged == *judged && p.off(lengths) > 1.0)
        })
        .collect()
}

/// Single rows that are off at these lengths: what the return counts.
fn rows_lost(points: &[BalancePoint], lengths: &[f64]) -> usize {
    points.iter().filter(|p| p.off(lengths) > 1.0).count()
}

/// Follows a plan over the weeks to the next visit.
///
/// # References
/// balance-model.md 13: back when the third point leaves its tolerance.
pub fn interval(plan: &Plan, coat: &CoatNow, weeks: u32) -> Interval {
    let points = &plan.solution.points;
    let days = weeks * 7;
    let today = lost(points, &plan.lengths_mm);
    let moments = [
        (MomentName::Today, 0),
        (MomentName::Middle, days / 2),
        (MomentName::LastDay, days),
    ]
    .into_iter()
    .map(|(name, days)| {
        let lengths = grown(plan, coat, f64::from(days));
        let off = lost(points, &lengths);
        Moment {
            name,
            days,
            off: u32::try_from(off.len()).unwrap_or(u32::MAX),
            score: score(points, &lengths),
            left: off
                .iter()
                .filter(|j| !today.contains(j))
                .map(|j| j.rule().label.to_lowercase())
                .collect(),
        }
    })
    .collect();
    let base = rows_lost(points, &plan.lengths_mm);
    let return_weeks = (1..=FURTHEST_WEEKS).find(|week| {
        let lengths = grown(plan, coat, 7.0 * f64::from(*week));
        rows_lost(points, &lengths) >= base + POINTS_LOST
    });
    let return_sentence = match return_weeks {
        Some(week) => {
            let lengths = grown(plan, coat, 7.0 * f64::from(week));
            let first: Vec<String> = lost(points, &lengths)
                .into_iter()
                .filter(|j| !today.contains(j))
                .take(2)
                .map(|j| j.rule().label.to_lowercase())
                .collect();
            if first.is_empty() {
                format!("Back after {week} weeks: then the outline goes.")
            } else {
                format!("Back after {week} weeks: then {} go.", first.join(" and "))
            }
        }
        None => "The outline holds for half a year; knots and eyes set the date.".into(),
    };
    let whole = |days: f64| {
        #[expect(
            clippy::cast_possible_truncation,
            clippy::cast_sign_loss,
            reason = "a few hundred days"
        )]
        let days = days.ceil().clamp(0.0, 9999.0) as u32;
        days
    };
    let dressing = dress_plan(plan, coat, PlanCoat::Tools);
    // A topknot too short to stand as a piece hangs over the eyes by its share all the same.
    let fringe = dressing
        .topknot
        .map_or(VISOR * dressing.zone_mm(Zone::Topknot), |t| t.visor);
    let room = FRINGE * plan.subject.build.head.length;
    let eyes_covered_days = (fringe < room)
        .then(|| days_to_grow(fringe, room - fringe, coat.texture))
        .flatten()
        .map(whole);
    let knots_from = first_to_knot(plan, coat).map(|(zone, days)| KnotsFrom {
        zone,
        days: whole(days),
    });
    Interval {
        weeks,
        moments,
        return_weeks,
        return_sentence,
        eyes_covered_days,
        knots_from,
    }
}

/// Of the zones where the look knots, the first to grow long enough; a curl and a fleece only
/// (common practice: they hold what falls out).
fn first_to_knot(plan: &Plan, coat: &CoatNow) -> Option<(Zone, f64)> {
    if coat.stand.all() < 0.8 {
        return None;
    }
    let dressing = dress_plan(plan, coat, PlanCoat::Tools);
    plan.subject
        .look
        .knots_at
        .iter()
        .filter_map(|zone| {
            let there = dressing.zone_mm(*zone);
            let days = if there >= KNOTS_FROM_MM {
                Some(0.0)
            } else {
                days_to_grow(there, KNOTS_FROM_MM - there, coat.texture)
            };
            days.map(|d| (*zone, d))
        })
        .min_by(|a, b| a.1.total_cmp(&b.1))
}

impl Interval {
    /// The dog as it stands at a moment of the interval.
    pub fn dressed(plan: &Plan, coat: &CoatNow, days: u32) -> Dressing {
        let mut dressing = dress_plan(plan, coat, PlanCoat::Tools);
        let grow = |length: &mut f64| {
            if *length > 0.0 {
                *length = grown_mm(*length, f64::from(days), coat.texture);
            }
        };
        dressing.lengths.iter_mut().for_each(grow);
        dressing.zones_mm.iter_mut().for_each(grow);
        if let Some(columns) = &mut dressing.columns {
            columns.iter_mut().for_each(grow);
        }
        dressing
    }
}
