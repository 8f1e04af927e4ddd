use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use super::back::{Return, grown};
use super::drifts::drifted;
use crate::balance::{BalancePoint, Judged, score};
use crate::coat::{CoatNow, Zone};
use crate::plan::{Plan, PlanCoat, dress_plan};
use crate::shape::{Dressing, LegPlace, Station};

/// When in the interval.
#[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
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
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
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
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct Interval {
    /// Weeks to the next visit.
    pub weeks: u32,
    /// Today, half way, the last day.
    pub moments: Vec<Moment>,
    /// When to come back, and why.
    pub back: Return,
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

/// Follows a plan over the weeks to the next visit.
pub fn interval(plan: &Plan, coat: &CoatNow, weeks: u32, back: Return) -> Interval {
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
            left: drifted(off.iter().copied().filter(|j| !today.contains(j)))
                .into_iter()
                .map(str::to_owned)
                .collect(),
        }
    })
    .collect();
    Interval {
        weeks,
        moments,
        back,
    }
}

impl Interval {
    /// The dog as it stands at a moment of the interval.
    pub fn dressed(plan: &Plan, coat: &CoatNow, days: u32) -> Dressing {
        let mut dressing = dress_plan(plan, coat, PlanCoat::Tools);
        let grow = |zone: Zone, length: &mut f64| {
            if *length > 0.0 {
                let growth = coat.texture.growth_in(zone);
                *length = growth.after(*length, f64::from(days));
            }
        };
        for (station, length) in Station::ALL.into_iter().zip(&mut dressing.lengths) {
            if let Some(zone) = station.zone() {
                grow(zone, length);
            }
        }
        for (zone, length) in Zone::ALL.into_iter().zip(&mut dressing.zones_mm) {
            grow(zone, length);
        }
        if let Some(columns) = &mut dressing.columns {
            for (place, length) in LegPlace::all().zip(columns) {
                grow(place.zone(), length);
            }
        }
        dressing
    }
}
