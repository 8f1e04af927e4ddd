use std::collections::BTreeMap;

use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use super::faults::{doubt_text, fault_sentence, range_text, value_text};
use crate::balance::{
    BalancePoint, Judged, Reach, ReachOf, Subject, balance_points, evaluated_points, head_points,
};
use crate::coat::Zone;
use crate::job::Job;
use crate::page::{View, place};
use crate::plan::Plan;
use crate::say::Words;
use crate::shape::{Dressing, HeadShape, dress_now};
use crate::units::Length;

/// Where a value stands against its range.
#[derive(Clone, Copy, Debug, PartialEq, Eq, PartialOrd, Ord, Serialize, Deserialize, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum Verdict {
    /// In the range.
    InRange,
    /// Outside by no more than the tolerance, or by less than 2 mm.
    WithinTolerance,
    /// Outside.
    Off,
    /// Outside, because the owner wants it so: nobody is told off for a wish.
    AsWished,
}

/// In the words of a verdict nothing counts under this, mm (handbook 4).
pub(super) const NOTHING_COUNTS_UNDER_MM: f64 = 2.0;

impl Verdict {
    fn of(point: &BalancePoint, lengths: &[f64]) -> Self {
        let (off, mm) = (point.off(lengths), point.off_mm(lengths));
        if off <= 1e-6 {
            Self::InRange
        } else if off <= 1.0 || mm < NOTHING_COUNTS_UNDER_MM {
            Self::WithinTolerance
        } else {
            Self::Off
        }
    }
}

/// One balance point on the screen.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct BalanceRow {
    /// Which.
    pub judged: Judged,
    /// Its name.
    pub label: String,
    /// Value with the coat as it is.
    pub now: String,
    /// Value under the plan; the same as now where there is no plan.
    pub plan: String,
    /// One standard deviation of the plan's value, the frame being as sure as it is; empty until
    /// asked for.
    pub doubt: Option<String>,
    /// What is asked.
    pub target: String,
    /// For points of length: what the look asks, what this frame can give at best.
    pub frame: Option<String>,
    /// Verdict on the coat as it is.
    pub verdict_now: Verdict,
    /// Verdict on the plan.
    pub verdict: Verdict,
    /// What is wrong under the plan, where it is off.
    pub fault: Option<String>,
    /// The view it shows in; the first method knew the side alone.
    #[serde(default)]
    #[schema(required)]
    pub view: View,
    /// Where it shows, mm on that view's own plane.
    #[serde(serialize_with = "place")]
    pub at_mm: [f64; 2],
    /// Zones that move it, the strongest first.
    #[serde(default)]
    pub moved_by: Vec<Zone>,
}

/// Balance points of the coat as it is, judged by a look, without a solve.
pub fn now_rows(job: &Job, words: &Words<'_>) -> Vec<BalanceRow> {
    let subject = job.subject().today();
    let (points, reach) = balance_points(&subject);
    let now = subject.now(&job.coat);
    let of_now = [
        points,
        more_points(&subject, &now, &dress_now(&subject.build, &job.coat)),
    ]
    .concat();
    let coats = Coats {
        now: (&of_now, &now),
        plan: (&of_now, &now),
    };
    rows(&subject, &reach, &coats, &[], words)
}

/// What is evaluated on a coat, not solved.
pub(super) fn more_points(
    subject: &Subject,
    lengths_mm: &[f64],
    dressing: &Dressing,
) -> Vec<BalancePoint> {
    let mut points = evaluated_points(subject, lengths_mm, dressing);
    points.extend(head_points(subject, dressing));
    points
}

/// Two coats of a dog: points with the lengths they are judged at.
pub(super) struct Coats<'a> {
    pub(super) now: (&'a [BalancePoint], &'a [f64]),
    pub(super) plan: (&'a [BalancePoint], &'a [f64]),
}

/// Balance points of a plan's dog with other lengths than planned, beside the plan's own.
pub fn rows_of(plan: &Plan, lengths_mm: &[f64], words: &Words<'_>) -> Vec<BalanceRow> {
    let solution = &plan.solution;
    let coats = Coats {
        now: (&solution.points, &plan.lengths_mm),
        plan: (&solution.points, lengths_mm),
    };
    rows(&plan.subject, &solution.reach, &coats, &[], words)
}

/// Every kind of point once, by the worst of its kind.
pub(super) fn rows(
    subject: &Subject,
    reach: &Reach,
    coats: &Coats<'_>,
    doubts: &[f64],
    words: &Words<'_>,
) -> Vec<BalanceRow> {
    let (now, plan) = (coats.now.1, coats.plan.1);
    Judged::ALL
        .iter()
        .filter_map(|judged| {
            let (i, i_now) = (worst(*judged, coats.plan)?, worst(*judged, coats.now)?);
            let (point, point_now) = (&coats.plan.0[i], &coats.now.0[i_now]);
            let verdict = Verdict::of(point, plan);
            let at = point.at.at;
            Some(BalanceRow {
                judged: *judged,
                label: judged.rule().label.into(),
                now: value_text(point_now, point_now.value_at(now), words),
                plan: value_text(point, point.value_at(plan), words),
                doubt: doubts.get(i).map(|d| doubt_text(point, *d, words)),
                target: range_text(point, words),
                frame: frame_text(*judged, reach),
                verdict_now: Verdict::of(point_now, now),
                verdict,
                fault: (verdict == Verdict::Off).then(|| fault_sentence(point, plan, words)),
                view: point.at.view,
                at_mm: [at.x, at.y],
                moved_by: moved_by(*judged, coats.plan.0, subject),
            })
        })
        .collect()
}

/// The worst point of a kind at some lengths, by its place.
fn worst(judged: Judged, (points, lengths): (&[BalancePoint], &[f64])) -> Option<usize> {
    let of_kind = (0..points.len()).filter(|i| points[*i].judged == judged);
    let off = |i: &usize| points[*i].off(lengths);
    of_kind.max_by(|a, b| off(a).total_cmp(&off(b)))
}

/// What the plan makes of a judged number, in its own unit: as its row says it, unrounded.
pub(crate) fn planned_value(plan: &Plan, judged: Judged) -> Option<f64> {
    let (points, lengths) = (&plan.solution.points[..], &plan.lengths_mm[..]);
    let point = &points[worst(judged, (points, lengths))?];
    Some(point.value_at(lengths))
}

/// Takes the fault off rows whose strongest zone lies at a limit of the owner's own, on the side that the
/// limit holds: that is a wish, no fault.
pub(super) fn mark_wishes(rows: &mut [BalanceRow], job: &Job, plan: &Plan) {
    let is_held = |zone: &Zone| {
        let limit = job.coat.limits.get(zone);
        let Some(limit) = limit.filter(|l| l.because.is_the_owners()) else {
            return false;
        };
        let Some(mm) = plan.zone_mm(*zone) else {
            return true;
        };
        let is_at = |bound: Option<Length>| {
            bound.is_some_and(|bound| (bound.as_mm() - mm).abs() < AT_A_LIMIT_MM)
        };
        is_at(limit.not_longer_mm) || is_at(limit.not_shorter_mm)
    };
    for row in rows.iter_mut().filter(|r| r.verdict == Verdict::Off) {
        if row.moved_by.first().is_some_and(is_held) {
            row.verdict = Verdict::AsWished;
            row.fault = None;
        }
    }
}

/// How near to an owner's limit a zone lies at it, mm (modelling choice: less is not seen).
const AT_A_LIMIT_MM: f64 = 1.0;

/// A zone that moves a point less than this share of the strongest is not named (modelling choice).
const LEAST_PULL: f64 = 0.25;

/// Zones that move a kind of point, the strongest first.
fn moved_by(judged: Judged, points: &[BalancePoint], subject: &Subject) -> Vec<Zone> {
    let rule = judged.rule();
    if !rule.moved_by.is_empty() {
        // Over the eye hangs what the look has there.
        let has_brows = subject.look.finish.head == Some(HeadShape::Terrier);
        let hangs_not = if has_brows { Zone::Topknot } else { Zone::Brow };
        let movers = rule.moved_by.iter().copied();
        return match judged {
            Judged::EyeOpen => movers.filter(|zone| *zone != hangs_not).collect(),
            _ => movers.collect(),
        };
    }
    let mut pulls: BTreeMap<Zone, f64> = BTreeMap::new();
    for point in points.iter().filter(|p| p.judged == judged) {
        for (i, spot) in subject.spots.iter().enumerate() {
            let pull = point.pull_of(i);
            let most = pulls.entry(spot.zone).or_default();
            *most = most.max(pull);
        }
    }
    let strongest = pulls.values().copied().fold(0.0, f64::max);
    let mut ranked: Vec<(Zone, f64)> = pulls
        .into_iter()
        .filter(|(_, pull)| *pull > 0.0 && *pull >= LEAST_PULL * strongest)
        .collect();
    ranked.sort_by(|a, b| b.1.total_cmp(&a.1));
    ranked.into_iter().map(|(zone, _)| zone).collect()
}

fn frame_text(judged: Judged, reach: &Reach) -> Option<String> {
    let of: &ReachOf = match judged {
        Judged::BodyRatio => &reach.body_ratio,
        Judged::GapRatio => reach.gap_ratio.as_ref()?,
        Judged::LegShare => reach.leg_share.as_ref()?,
        _ => return None,
    };
    Some(format!(
        "look asks {:.2} to {:.2}, this frame gives {:.2} at best",
        of.asked.0, of.asked.1, of.best
    ))
}
