use std::collections::BTreeMap;

use schemars::JsonSchema;
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;
use uuid::Uuid;

use super::faults::{doubt_text, fault_sentence, range_text, value_text};
use super::knots::KnottedZone;
use super::make::{Job, METHOD, Plan};
use super::reasons::Reason;
use super::truths::coat_truths;
use super::words::Words;
use crate::balance::{
    BalancePoint, Judged, Reach, ReachOf, Subject, balance_points, evaluated_points, head_points,
    score,
};
use crate::coat::Zone;
use crate::lines::{ClipLine, clip_lines};
use crate::look::{LookId, Upkeep};
use crate::shape::{Dressing, HeadShape, View, dress_now};
use crate::sheet::{CutSheet, cut_sheet};
use crate::solve::{Stroke, Unit, UnitCut};
use crate::units::Length;

use super::dressed::{PlanCoat, dress_plan};

/// Where a value stands against its range.
#[derive(
    Clone, Copy, Debug, PartialEq, Eq, PartialOrd, Ord, Serialize, Deserialize, JsonSchema, ToSchema,
)]
#[serde(rename_all = "snake_case")]
pub enum Verdict {
    /// In the range.
    InRange,
    /// Outside by no more than the tolerance, or by less than 2 mm.
    WithinTolerance,
    /// Outside.
    Off,
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
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, JsonSchema, ToSchema)]
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
    /// The view it shows in.
    pub view: View,
    /// Where it shows, mm on that view's own plane.
    pub at_mm: [f64; 2],
    /// Zones that move it, the strongest first.
    #[serde(default)]
    pub moved_by: Vec<Zone>,
}

/// How a unit is cut, by name.
#[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, Deserialize, JsonSchema, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum StrokeName {
    /// Nothing comes off.
    Leave,
    /// Pressed flat, with the lay.
    Full,
    /// Against the lay.
    Against,
    /// Without weight.
    Skim,
    /// By shears.
    Scissor,
}

impl From<Stroke> for StrokeName {
    fn from(stroke: Stroke) -> Self {
        match stroke {
            Stroke::Leave => Self::Leave,
            Stroke::Full => Self::Full,
            Stroke::Against => Self::Against,
            Stroke::Skim => Self::Skim,
            Stroke::Scissor => Self::Scissor,
        }
    }
}

/// What one unit gets.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, JsonSchema, ToSchema)]
pub struct UnitRow {
    /// Which.
    pub unit: Unit,
    /// Its zone.
    pub zone: Zone,
    /// Its name.
    pub label: String,
    /// How it is cut.
    pub stroke: StrokeName,
    /// With what, in words.
    pub tool: String,
    /// The tool, where there is one.
    pub tool_id: Option<Uuid>,
    /// Length now.
    pub now_mm: Length,
    /// Shortest length it leaves.
    pub from_mm: Length,
    /// Longest length it leaves.
    pub to_mm: Length,
    /// The length as it stands on the sheet.
    pub text: String,
}

/// Balance cost of four coats; smaller is better.
#[derive(Clone, Copy, Debug, PartialEq, Serialize, Deserialize, JsonSchema, ToSchema)]
pub struct Scores {
    /// As it came.
    pub now: f64,
    /// Clipped evenly at the look's nominal lengths.
    pub uniform: f64,
    /// The exact solve.
    pub ideal: f64,
    /// What the tools leave.
    pub plan: f64,
}

/// A wish that cannot be met, with what can be had.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, JsonSchema, ToSchema)]
pub struct UnmetWish {
    /// Where.
    pub zone: Zone,
    /// One sentence.
    pub message: String,
}

/// The plan as it is shown, saved and exported.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, JsonSchema, ToSchema)]
pub struct PlanReport {
    /// Name and number of the method.
    pub method: String,
    /// The look.
    pub look: LookId,
    /// Its name.
    pub look_name: String,
    /// Body length it was asked for.
    pub body_mm: Length,
    /// Whether the solver reached its accuracy.
    pub is_exact: bool,
    /// What each unit gets.
    pub units: Vec<UnitRow>,
    /// The balance points.
    pub balance: Vec<BalanceRow>,
    /// How many points are right or within tolerance.
    pub right: u32,
    /// Balance cost.
    pub scores: Scores,
    /// Why points stay off; empty until asked for.
    pub reasons: Vec<Reason>,
    /// Tightly knotted zones with what can be done about each; empty until asked for.
    #[serde(default)]
    pub knots: Vec<KnottedZone>,
    /// What a hand knows of this coat under this plan.
    #[serde(default)]
    pub truths: Vec<String>,
    /// The clip lines.
    pub lines: Vec<ClipLine>,
    /// The steps.
    pub sheet: CutSheet,
    /// What the owner takes on.
    pub upkeep: Upkeep,
    /// Wishes that cannot be met.
    pub unmet: Vec<UnmetWish>,
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
fn more_points(subject: &Subject, lengths_mm: &[f64], dressing: &Dressing) -> Vec<BalancePoint> {
    let mut points = evaluated_points(subject, lengths_mm, dressing);
    points.extend(head_points(subject, dressing));
    points
}

/// Two coats of a dog: points with the lengths they are judged at.
struct Coats<'a> {
    now: (&'a [BalancePoint], &'a [f64]),
    plan: (&'a [BalancePoint], &'a [f64]),
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

/// What takes further solves: empty where nobody asked.
#[derive(Clone, Debug, Default)]
pub struct Why {
    /// Why points stay off.
    pub reasons: Vec<Reason>,
    /// What can be done about knots.
    pub knots: Vec<KnottedZone>,
    /// One standard deviation per balance point.
    pub doubts: Vec<f64>,
}

/// Writes a plan out for people.
///
/// The cautions of the sheet come from the visit.
pub fn report(plan: &Plan, job: &Job, facts: &crate::sheet::DogFacts<'_>, why: Why) -> PlanReport {
    let words = Words {
        house: &job.house,
        kit: &job.kit,
    };
    let subject = &plan.subject;
    let points = &plan.solution.points;
    let now = subject.now(&job.coat);
    let tools = dress_plan(plan, &job.coat, PlanCoat::Tools);
    let with_more = |lengths: &[f64], dressing: &Dressing| {
        [points.clone(), more_points(subject, lengths, dressing)].concat()
    };
    let of_now = with_more(&now, &dress_now(&subject.build, &job.coat));
    let of_plan = with_more(&plan.lengths_mm, &tools);
    let coats = Coats {
        now: (&of_now, &now),
        plan: (&of_plan, &plan.lengths_mm),
    };
    let balance = rows(subject, &plan.solution.reach, &coats, &why.doubts, &words);
    let right = balance.iter().filter(|r| r.verdict != Verdict::Off).count();
    let lines = clip_lines(subject, &plan.solution.lengths_mm, &tools, &words);
    let is_one_pass = !plan.cuts.iter().any(|c| c.unit == Unit::BackRear);
    let sheet = cut_sheet(plan, job, facts, &lines, &words);
    PlanReport {
        method: METHOD.into(),
        look: job.look.id,
        look_name: job.look.called().into(),
        body_mm: Length::worked_out_mm(job.look.body_mm),
        is_exact: plan.solution.is_exact,
        units: plan
            .cuts
            .iter()
            .map(|cut| unit_row(cut, is_one_pass, job, &words))
            .collect(),
        right: u32::try_from(right).unwrap_or(u32::MAX),
        scores: Scores {
            now: score(points, &now),
            uniform: score(points, &subject.uniform()),
            ideal: score(points, &plan.solution.lengths_mm),
            plan: score(points, &plan.lengths_mm),
        },
        balance,
        reasons: why.reasons,
        knots: why.knots,
        truths: coat_truths(plan, job, &words),
        lines,
        sheet,
        upkeep: job.look.upkeep(subject.height()),
        unmet: unmet(subject, &words),
    }
}

fn rows(
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
            let worst = |(points, lengths): (&'_ [BalancePoint], &[f64])| -> Option<usize> {
                let of_kind = (0..points.len()).filter(|i| points[*i].judged == *judged);
                let off = |i: &usize| points[*i].off(lengths);
                of_kind.max_by(|a, b| off(a).total_cmp(&off(b)))
            };
            let (i, i_now) = (worst(coats.plan)?, worst(coats.now)?);
            let (point, point_now) = (&coats.plan.0[i], &coats.now.0[i_now]);
            let verdict = Verdict::of(point, plan);
            let at = point.at.at;
            Some(BalanceRow {
                judged: *judged,
                label: judged.label().into(),
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

/// A zone that moves a point less than this share of the strongest is not named (modelling choice).
const LEAST_PULL: f64 = 0.25;

/// Zones that move a kind of point, the strongest first.
fn moved_by(judged: Judged, points: &[BalancePoint], subject: &Subject) -> Vec<Zone> {
    match judged {
        Judged::HeadSize => return vec![Zone::Topknot, Zone::Beard],
        Judged::HeadRound => return vec![Zone::Cheek, Zone::Topknot, Zone::Beard],
        Judged::NoseLongest => return vec![Zone::Beard, Zone::Muzzle],
        Judged::EarEnd | Judged::EarOverShoulder => return vec![Zone::Ear],
        Judged::EyeOpen if subject.look.finish.head == Some(HeadShape::Terrier) => {
            return vec![Zone::Brow];
        }
        Judged::EyeOpen => return vec![Zone::Topknot],
        Judged::LiftOff => return vec![Zone::Shoulder, Zone::Hip],
        Judged::FlankNeed => return vec![Zone::Flank, Zone::TuckUp, Zone::Underline],
        Judged::Bevel => return vec![Zone::ForeOut, Zone::ForeIn],
        Judged::WaistPlace => return vec![Zone::TuckUp, Zone::Flank],
        Judged::KneeOpposite => return vec![Zone::Knee, Zone::HindBack],
        _ => {}
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

fn unit_row(cut: &UnitCut, is_one_pass: bool, job: &Job, words: &Words<'_>) -> UnitRow {
    let of = |mm: f64| Length::worked_out_mm(mm);
    let from = cut.leaves_mm.iter().copied().fold(f64::INFINITY, f64::min);
    let to = cut.leaves_mm.iter().copied().fold(0.0, f64::max);
    let zone = cut.unit.zone();
    UnitRow {
        unit: cut.unit,
        zone,
        label: if cut.unit == Unit::BackFront && is_one_pass {
            "back".into()
        } else {
            cut.unit.label().into()
        },
        stroke: cut.stroke.into(),
        tool: tool_text(cut, job.look.has_clipper, words),
        tool_id: cut.tool,
        now_mm: of(job.coat.length_mm(zone)),
        from_mm: of(from),
        to_mm: of(to),
        text: span_text(from, to, words),
    }
}

/// One length, or the span where it changes along the unit.
pub(crate) fn span_text(from: f64, to: f64, words: &Words<'_>) -> String {
    let (low, high) = (words.bare(from), words.bare(to));
    if low == high || to - from < 1.5 {
        words.bare(f64::midpoint(from, to))
    } else {
        format!("{low}–{high}")
    }
}

fn tool_text(cut: &UnitCut, has_clipper: bool, words: &Words<'_>) -> String {
    match (cut.stroke, cut.tool) {
        (Stroke::Leave, _) => "leave as it is".into(),
        (Stroke::Full, Some(tool)) => format!("{}, with the lay", words.tool(tool)),
        (Stroke::Against, Some(tool)) => format!("{}, against the lay", words.tool(tool)),
        (Stroke::Skim, Some(tool)) => format!("skim, {}", words.tool(tool)),
        (Stroke::Scissor, Some(tool)) => format!("shears after the {}", words.tool(tool)),
        (_, None) if has_clipper => "shears".into(),
        (_, None) => "thinning shears".into(),
    }
}

fn unmet(subject: &Subject, words: &Words<'_>) -> Vec<UnmetWish> {
    subject
        .unmet
        .iter()
        .map(|wish| {
            let (zone, wanted, given) = (
                wish.zone.label(),
                words.length(wish.wish_mm),
                words.length(wish.given_mm),
            );
            UnmetWish {
                zone: wish.zone,
                message: if wish.is_too_long {
                    format!(
                        "The {zone}: {wanted} is asked for; {given} is all there is. Let it grow."
                    )
                } else {
                    format!(
                        "The {zone}: {wanted} is asked for; {given} is the shortest that is safe."
                    )
                },
            }
        })
        .collect()
}
