use schemars::JsonSchema;
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use super::event::Slip;
use super::state::{Run, StepState};
use crate::balance::score;
use crate::coat::{Limit, Zone, days_to_grow};
use crate::dog::Answer;
use crate::plan::{Job, Plan, Words, make_plan};
use crate::solve::SolveError;
use crate::units::Length;

/// What can be done about a slip (handbook 6, *uneven spots*).
#[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, Deserialize, JsonSchema, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum RescueWay {
    /// The line stays where the plan has it; the spot shows until it has grown.
    KeepTheLine,
    /// The zone meets the spot half way.
    MeetHalfWay,
    /// The whole zone is taken down to the spot.
    LevelToIt,
}

/// One way out, with what it costs.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, JsonSchema, ToSchema)]
pub struct RescueOption {
    /// Which.
    pub way: RescueWay,
    /// In one sentence.
    pub sentence: String,
    /// How deep the spot still lies under the line.
    pub shows_mm: Length,
    /// What the plan loses in balance.
    pub costs: f64,
    /// Weeks until the spot has grown up to the line; none where it never does.
    pub weeks: Option<u32>,
    /// The zone's new longest length; none where the line is kept.
    pub limit_mm: Option<Length>,
}

/// A spot that lies this deep under its line is as bad as a balance point one tolerance off, mm on
/// a dog of 450 mm (modelling choice: a coat reads even within 3 mm).
const DENT_MM: f64 = 3.0;
/// Shallower spots are not seen, mm (modelling choice: a comb's own scatter).
const UNSEEN_MM: f64 = 1.0;

/// Weighs the ways out of a slip, the least harm first.
///
/// Harm is what the plan loses in balance plus the square of the depth that still shows. Zones
/// whose steps are done keep the length they have.
///
/// # Errors
/// If the solver gives no answer, a fault of ours.
pub fn rescue(
    slip: &Slip,
    run: Option<&Run>,
    plan: &Plan,
    job: &Job,
    words: &Words<'_>,
) -> Result<Vec<RescueOption>, SolveError> {
    let planned = plan
        .zone_mm(slip.zone)
        .unwrap_or(job.coat.length_mm(slip.zone));
    // As long as planned or longer is no slip.
    let left = slip.left_mm.as_mm().clamp(0.0, planned.max(0.0));
    let before = score(&plan.solution.points, &plan.lengths_mm);
    let done = done_zones(run, plan, slip.zone);
    let mut weighed: Vec<(f64, RescueOption)> = Vec::new();
    for (way, line) in [
        (RescueWay::KeepTheLine, planned),
        (RescueWay::MeetHalfWay, f64::midpoint(planned, left)),
        (RescueWay::LevelToIt, left),
    ] {
        let costs = if way == RescueWay::KeepTheLine {
            0.0
        } else {
            let mut there = job.clone();
            for (zone, mm) in &done {
                there.coat.limits.insert(*zone, at_most(Some(*mm), *mm));
            }
            there.coat.limits.insert(slip.zone, at_most(None, line));
            let other = make_plan(&there)?;
            (score(&other.solution.points, &other.lengths_mm) - before).max(0.0)
        };
        let depth = (line - left).max(0.0);
        let scaled = depth * 450.0 / plan.subject.height() / DENT_MM;
        let weeks = whole_weeks(days_to_grow(left, depth, job.coat.texture));
        let option = RescueOption {
            way,
            sentence: sentence(way, slip.zone, (line, depth), costs, weeks, words),
            shows_mm: Length::from_mm(depth).unwrap_or_default(),
            costs,
            weeks,
            limit_mm: match way {
                RescueWay::KeepTheLine => None,
                _ => Length::from_mm(line).ok(),
            },
        };
        weighed.push((costs + scaled * scaled, option));
    }
    let levels = job.house.schools.has(Answer::LevelDown);
    let is_ours = |way| levels && way == RescueWay::LevelToIt;
    weighed.sort_by(|a, b| {
        let school = is_ours(b.1.way).cmp(&is_ours(a.1.way));
        school.then(a.0.total_cmp(&b.0))
    });
    Ok(weighed.into_iter().map(|(_, option)| option).collect())
}

fn at_most(least: Option<f64>, most: f64) -> Limit {
    Limit {
        not_shorter_mm: least.and_then(|mm| Length::from_mm(mm).ok()),
        not_longer_mm: Length::from_mm(most).ok(),
    }
}

/// Zones already cut, with what stands there now.
fn done_zones(run: Option<&Run>, plan: &Plan, but: Zone) -> Vec<(Zone, f64)> {
    let Some(run) = run else { return Vec::new() };
    let is_done = |number: u32| {
        run.steps
            .iter()
            .any(|s| s.step == number && s.state == StepState::Done)
    };
    let mut zones: Vec<Zone> = run
        .sheet
        .steps
        .iter()
        .filter(|s| is_done(s.number) && !s.leaves.is_empty())
        .flat_map(|s| s.zones.iter().copied())
        .filter(|z| *z != but)
        .collect();
    zones.sort_unstable();
    zones.dedup();
    zones
        .into_iter()
        .filter_map(|zone| Some((zone, plan.zone_mm(zone)?)))
        .collect()
}

fn whole_weeks(days: Option<f64>) -> Option<u32> {
    #[expect(
        clippy::cast_possible_truncation,
        clippy::cast_sign_loss,
        reason = "a few hundred days"
    )]
    let whole = |days: f64| (days / 7.0).ceil().clamp(0.0, 999.0) as u32;
    days.map(whole)
}

fn sentence(
    way: RescueWay,
    zone: Zone,
    (line, depth): (f64, f64),
    costs: f64,
    weeks: Option<u32>,
    words: &Words<'_>,
) -> String {
    let name = zone.label();
    let what = match way {
        RescueWay::KeepTheLine => format!("Keep the line on the {name}"),
        RescueWay::MeetHalfWay => {
            format!("Take the {name} to {}", words.length(line))
        }
        RescueWay::LevelToIt => format!("Level the {name} to the spot, {}", words.length(line)),
    };
    let shows = if depth < UNSEEN_MM {
        "the spot is gone".to_owned()
    } else {
        let grows = match weeks {
            Some(weeks) => format!("level again in {weeks} weeks"),
            None => "this coat does not grow so long".into(),
        };
        format!("the spot lies {} under, {grows}", words.length(depth))
    };
    let price = if way == RescueWay::KeepTheLine {
        "the rest of the plan stays".to_owned()
    } else if costs < 0.5 {
        "the balance holds".to_owned()
    } else {
        format!("it costs {costs:.0} in balance")
    };
    format!("{what}: {shows}; {price}.")
}
