use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use super::event::Slip;
use super::state::{Run, StepState};
use crate::balance::score;
use crate::coat::{Limit, LimitCause, Zone, whole_weeks};
use crate::job::Job;
use crate::look::{LOOK_HEIGHT_MM, LineName, LineStop};
use crate::plan::{Plan, Planning, make_plan_to};
use crate::say::Words;
use crate::schools::Answer;
use crate::solve::{Accuracy, SolveError};
use crate::units::Length;

/// What can be done about a slip (handbook 6, *uneven spots*).
#[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum RescueWay {
    /// The line stays where the plan has it; the spot shows until it has grown.
    KeepTheLine,
    /// The zone meets the spot half way.
    MeetHalfWay,
    /// The whole zone is taken down to the spot.
    LevelToIt,
    /// The same, with the line beside it shifted so that the outline suffers least.
    ShiftTheLine,
}

/// One way out, with what it costs.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
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
    /// Where a line is shifted to; none where lines stay.
    #[serde(default)]
    pub shifts: Option<LineStop>,
}

/// A spot that lies this deep under its line is as bad as a balance point one tolerance off, mm on
/// a dog of 450 mm (modelling choice: a coat reads even within 3 mm).
const DENT_MM: f64 = 3.0;
/// A line is shifted only for at least so much in balance: hands know where it lay (modelling
/// choice).
const WORTH_SHIFTING: f64 = 1.0;
/// Shallower spots are not seen, mm (modelling choice: a comb's own scatter).
const UNSEEN_MM: f64 = 1.0;

/// Share of a zone that a spot takes: what lies too short there counts so much of what the whole
/// zone would (modelling choice: a slip is a blade's width in a part of a hand or two).
const SPOT_SHARE: f64 = 0.3;
/// Each week that a whole zone needs to be as planned again counts so much of a balance point
/// (modelling choice: an owner sees it at every one of them).
const A_WEEK: f64 = 0.25;

/// Weighs the ways out of a slip: the salon's own first, then the least harm.
///
/// Harm is what the plan loses in balance, the hair lost against it (squared, in dents) and the weeks
/// until it has grown again, each for as much of the zone as it concerns. What is shorter than the
/// look goes is no way out and is left away. Zones whose steps are done keep the length they have.
///
/// # References
/// Handbook 6, *uneven spots*; weights are modelling choices.
///
/// # Errors
/// If the solver gives no answer, a fault of ours.
pub fn rescue(
    slip: &Slip,
    run: Option<&Run>,
    plan: &Plan,
    job: &Job,
    words: &Words<'_>,
    planning: Planning<'_>,
) -> Result<Vec<RescueOption>, SolveError> {
    let planned = plan
        .zone_mm(slip.zone)
        .unwrap_or(job.coat.length_mm(slip.zone));
    // As long as planned or longer is no slip.
    let left = slip.left_mm.as_mm().clamp(0.0, planned.max(0.0));
    let shortest = shortest_of_look(plan, job, slip.zone).min(planned);
    let before = score_of(plan);
    let done = done_zones(run, plan, slip.zone);
    let growth = job.coat.texture.growth_in(slip.zone);
    let weeks_from = |depth: f64| whole_weeks(growth.days_to(left, depth));
    let dents = |mm: f64| (mm * LOOK_HEIGHT_MM / plan.subject.height() / DENT_MM).powi(2);
    let harm_of = |mm: f64| {
        let weeks = whole_weeks(growth.days_to(planned - mm, mm));
        dents(mm) + A_WEEK * weeks.map_or(0.0, f64::from)
    };
    let mut weighed: Vec<(f64, RescueOption)> = Vec::new();
    for (way, line) in [
        (RescueWay::KeepTheLine, planned),
        (RescueWay::MeetHalfWay, f64::midpoint(planned, left)),
        (RescueWay::LevelToIt, left),
    ] {
        let is_kept = way == RescueWay::KeepTheLine;
        if !is_kept && line < shortest {
            continue;
        }
        let costs = if is_kept {
            0.0
        } else {
            (score_of(planning(&held(job, &done, slip.zone, line))?.as_ref()) - before).max(0.0)
        };
        let depth = line - left;
        let weeks = weeks_from(depth);
        let option = RescueOption {
            way,
            sentence: sentence(way, slip, (line, depth), costs, weeks, words),
            shows_mm: Length::from_mm(depth).unwrap_or(Length::ZERO),
            costs,
            weeks,
            limit_mm: if is_kept {
                None
            } else {
                Length::from_mm(line).ok()
            },
            shifts: None,
        };
        let harm = costs + harm_of(planned - line) + SPOT_SHARE * harm_of(depth);
        weighed.push((harm, option));
    }
    let levelled = weighed.iter().find(|(_, o)| o.way == RescueWay::LevelToIt);
    if let Some(by_level) = levelled.map(|(_, o)| o.costs)
        && let Some(shift) = shifted(&held(job, &done, slip.zone, left), slip, before, planning)?
        && shift.costs + WORTH_SHIFTING <= by_level
    {
        weighed.push((shift.costs + harm_of(planned - left), shift));
    }
    let ours = if job.house.schools.has(Answer::LevelDown) {
        RescueWay::LevelToIt
    } else {
        RescueWay::KeepTheLine
    };
    weighed.sort_by(|a, b| {
        let school = (b.1.way == ours).cmp(&(a.1.way == ours));
        school.then(a.0.total_cmp(&b.0))
    });
    Ok(weighed.into_iter().map(|(_, option)| option).collect())
}

/// The shortest a look lets a zone be on this dog, mm: its floor, and what is safe.
fn shortest_of_look(plan: &Plan, job: &Job, zone: Zone) -> f64 {
    let spots = plan.subject.spots.iter().filter(|s| s.zone == zone);
    let floor = spots.map(|s| s.floor).reduce(f64::min).unwrap_or(0.0);
    floor.max(job.safe_mm(zone))
}

/// The job with the zones that are done held as they are, and the slipped one at most so long.
fn held(job: &Job, done: &[(Zone, f64)], zone: Zone, most: f64) -> Job {
    let mut there = job.clone();
    for (zone, mm) in done {
        there.coat.limits.insert(*zone, at_most(Some(*mm), *mm));
    }
    there.coat.limits.insert(zone, at_most(None, most));
    there
}

fn score_of(plan: &Plan) -> f64 {
    score(&plan.solution.points, &plan.lengths_mm)
}

/// Lines that a slip beside them can shift: those that part one length from another on the body.
const SHIFTED: [LineName; 6] = [
    LineName::Nape,
    LineName::Shoulder,
    LineName::BackPass,
    LineName::Waist,
    LineName::Thigh,
    LineName::RumpDrop,
];

/// The best place of the best line around a levelled spot, found among rough plans and priced by a whole
/// one; none where no line can be moved.
fn shifted(
    levelled: &Job,
    slip: &Slip,
    before: f64,
    planning: Planning<'_>,
) -> Result<Option<RescueOption>, SolveError> {
    let mut best: Option<(f64, LineStop)> = None;
    for stop in SHIFTED.iter().flat_map(|line| line.stops()) {
        if levelled.lines.has(stop) || !levelled.lines.offers(stop.line()) {
            continue;
        }
        let there = levelled.clone().placed(stop);
        let scored = score_of(&make_plan_to(&there, Accuracy::Rough)?);
        if best.is_none_or(|(least, _)| scored < least) {
            best = Some((scored, stop));
        }
    }
    let Some((_, stop)) = best else {
        return Ok(None);
    };
    let there = planning(&levelled.clone().placed(stop))?;
    let costs = (score_of(&there) - before).max(0.0);
    Ok(Some(RescueOption {
        way: RescueWay::ShiftTheLine,
        sentence: format!(
            "Level the {} to the spot and shift a line, {} {}: the spot is gone; {}.",
            named(slip),
            stop.line().label().to_lowercase(),
            stop.label(),
            price(costs)
        ),
        shows_mm: Length::default(),
        costs,
        weeks: None,
        limit_mm: Some(slip.left_mm),
        shifts: Some(stop),
    }))
}

fn at_most(least: Option<f64>, most: f64) -> Limit {
    Limit {
        not_shorter_mm: least.and_then(|mm| Length::from_mm(mm).ok()),
        not_longer_mm: Length::from_mm(most).ok(),
        because: LimitCause::Slip,
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

/// The zone with its side, where that was said.
fn named(slip: &Slip) -> String {
    match slip.hand.filter(|_| slip.zone.is_pair()) {
        Some(hand) => format!("{}, {}", slip.zone.label(), hand.label()),
        None => slip.zone.label().into(),
    }
}

fn sentence(
    way: RescueWay,
    slip: &Slip,
    (line, depth): (f64, f64),
    costs: f64,
    weeks: Option<u32>,
    words: &Words<'_>,
) -> String {
    let name = named(slip);
    let what = match way {
        RescueWay::KeepTheLine => format!("Leave the spot on the {name} and keep the line"),
        RescueWay::MeetHalfWay => format!("Take the {name} to {}", words.length(line)),
        RescueWay::LevelToIt | RescueWay::ShiftTheLine => {
            format!("Level the {name} to the spot, {}", words.length(line))
        }
    };
    let shows = if depth < UNSEEN_MM {
        "the spot is gone".to_owned()
    } else {
        let grows = match weeks {
            Some(1) => "grown out in a week".to_owned(),
            Some(weeks) => format!("grown out in {weeks} weeks"),
            None => "this coat does not grow so long".into(),
        };
        format!("the spot lies {} under, {grows}", words.length(depth))
    };
    let price = if way == RescueWay::KeepTheLine {
        "the rest of the plan stays".to_owned()
    } else {
        price(costs)
    };
    format!("{what}: {shows}; {price}.")
}

/// What a way costs, as a person says it: a point just leaving its tolerance costs one.
fn price(costs: f64) -> String {
    if costs < 0.5 {
        "the outline holds".to_owned()
    } else if costs < 3.0 {
        "the outline loses a little".to_owned()
    } else {
        format!("the outline loses much ({costs:.0} points)")
    }
}
