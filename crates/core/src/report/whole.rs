use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use super::knots::KnottedZone;
use super::reads::LengthRead;
use super::reasons::Reason;
use super::rows::{BalanceRow, Coats, Verdict, mark_wishes, more_points, rows};
use super::second_length::{SecondLength, second_length};
use super::truths::coat_truths;
use super::units::{UnitRow, unit_row};
use crate::balance::{Subject, score};
use crate::coat::Zone;
use crate::grow::{Return, back};
use crate::job::Job;
use crate::lines::{ClipLine, clip_lines};
use crate::look::{LookId, Upkeep};
use crate::plan::{METHOD, Plan, PlanCoat, dress_plan};
use crate::say::Words;
use crate::shape::{Dressing, dress_now};
use crate::sheet::{CutSheet, DogFacts, cut_sheet};
use crate::solve::Unit;
use crate::units::Length;

/// Balance cost of four coats; smaller is better.
#[derive(Clone, Copy, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
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
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct UnmetWish {
    /// Where.
    pub zone: Zone,
    /// One sentence.
    pub message: String,
}

/// The plan as it is shown, saved and exported.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
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
    /// How long the dog reads, and how long it came.
    #[serde(default, skip_serializing_if = "String::is_empty")]
    pub reads: String,
    /// How many points are right or within tolerance.
    pub right: u32,
    /// How many are off because the owner wants it so: they count neither way.
    #[serde(default)]
    pub wished: u32,
    /// Balance cost.
    pub scores: Scores,
    /// Why points stay off, by view and from the top down; empty until asked for.
    pub reasons: Vec<Reason>,
    /// Tightly knotted zones with what can be done about each; empty until asked for.
    #[serde(default)]
    pub knots: Vec<KnottedZone>,
    /// The other way of cutting the body, where the eye would tell them apart.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    #[schema(required = false)]
    pub second_length: Option<SecondLength>,
    /// What a hand knows of this coat under this plan.
    #[serde(default)]
    pub truths: Vec<String>,
    /// The clip lines.
    pub lines: Vec<ClipLine>,
    /// The steps.
    pub sheet: CutSheet,
    /// What the owner takes on.
    pub upkeep: Upkeep,
    /// When to come back, and why; early methods did not say.
    #[serde(default)]
    pub back: Option<Return>,
    /// Wishes that cannot be met.
    pub unmet: Vec<UnmetWish>,
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
pub fn report(plan: &Plan, job: &Job, facts: &DogFacts<'_>, why: Why) -> PlanReport {
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
    let mut balance = rows(subject, &plan.solution.reach, &coats, &why.doubts, &words);
    mark_wishes(&mut balance, job, plan);
    let count = |verdicts: &[Verdict]| {
        let there = balance.iter().filter(|r| verdicts.contains(&r.verdict));
        u32::try_from(there.count()).unwrap_or(u32::MAX)
    };
    let right = count(&[Verdict::InRange, Verdict::WithinTolerance]);
    let wished = count(&[Verdict::AsWished]);
    let is_wished = |judged| {
        let mut rows = balance.iter();
        rows.any(|r| r.judged == judged && r.verdict == Verdict::AsWished)
    };
    let mut reasons = why.reasons;
    reasons.retain(|reason| !is_wished(reason.judged));
    // As they lie on the dog, from the top down: a pin's number and its words stand level.
    reasons.sort_by(|a, b| {
        let view = |r: &Reason| r.view as u8;
        view(a)
            .cmp(&view(b))
            .then(b.at_mm[1].total_cmp(&a.at_mm[1]))
    });
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
        reads: LengthRead::of(points, &now, &plan.lengths_mm)
            .map_or_else(String::new, LengthRead::sentence),
        right,
        wished,
        scores: Scores {
            now: score(points, &now),
            uniform: score(points, &subject.uniform()),
            ideal: score(points, &plan.solution.lengths_mm),
            plan: score(points, &plan.lengths_mm),
        },
        balance,
        reasons,
        knots: why.knots,
        second_length: second_length(plan, job, &words),
        truths: coat_truths(plan, job, &words),
        lines,
        sheet,
        upkeep: job.look.upkeep(subject.height()),
        back: Some(
            back(
                plan,
                &job.coat,
                facts.brushing_minutes_a_week,
                facts.dog.minds_hair_over_eyes(),
            )
            .agreed(facts.return_agreed_days),
        ),
        unmet: unmet(subject, &words),
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
