use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use crate::balance::score;
use crate::coat::{CoatNow, Zone, whole_weeks};
use crate::job::Job;
use crate::say::Words;
use crate::solve::{Accuracy, SolveError, solve_lengths_to};

/// One visit on the way to a look.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct GrowVisit {
    /// Weeks from today.
    pub week: u32,
    /// What is done then, in one sentence.
    pub todo: String,
    /// Balance cost the coat of that day allows.
    pub score: f64,
}

/// Something short that grows out.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct Filled {
    /// Where.
    pub zone: Zone,
    /// What it is, in one sentence with its date.
    pub sentence: String,
    /// Weeks until it is level; none if never.
    pub weeks: Option<u32>,
}

/// The way to a look that today's coat does not give.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct GrowPlan {
    /// Zones to leave alone.
    pub leave: Vec<Zone>,
    /// Visits on the way, today's first.
    pub visits: Vec<GrowVisit>,
    /// Weeks until the look is reached; zero if it is there, none if this coat never gets there
    /// within sixty weeks.
    pub reached_weeks: Option<u32>,
    /// All of it in one sentence.
    pub sentence: String,
    /// Holes and short spots with the day they are level.
    pub filled: Vec<Filled>,
}

/// How far ahead is looked, weeks.
pub(crate) const FURTHEST_WEEKS: u32 = 60;
/// Reached when the balance is within so much of what ample coat gives (balance-model.md 13).
const NEAR_ENOUGH: f64 = 2.0;
/// And when so much of the dog has so much of the look's own length (the count behind balance-model.md 13).
const MOST_OF_IT: f64 = 0.95;
const NEARLY: f64 = 0.85;
/// A coat that holds nothing back, against the look's own lengths (balance-model.md 8).
const AMPLE: f64 = 1.7;
const AMPLE_MM: f64 = 8.0;
/// A zone shorter than its nominal by less is not worth leaving alone, mm.
const WORTH_LEAVING_MM: f64 = 2.0;

/// Balance that a coat allows in the job's look.
fn reachable(job: &Job, coat: &CoatNow) -> Result<f64, SolveError> {
    let solution = solve_lengths_to(&job.subject_with(coat), Accuracy::Rough)?;
    Ok(score(&solution.points, &solution.lengths_mm))
}

/// The coat after weeks of growth.
pub(crate) fn coat_after(coat: &CoatNow, weeks: u32) -> CoatNow {
    Zone::ALL.into_iter().fold(coat.clone(), |coat, zone| {
        let growth = coat.texture.growth_in(zone);
        let mm = growth.after(coat.length_mm(zone), 7.0 * f64::from(weeks));
        coat.with_zone(zone, mm)
    })
}

/// A coat that holds nothing of the job's look back.
pub(crate) fn ample(job: &Job) -> CoatNow {
    let height = job.sides.left.height;
    Zone::ALL.into_iter().fold(job.coat.clone(), |coat, zone| {
        let nominal = job.look.nominal_mm(zone, height);
        let mm = AMPLE * nominal + AMPLE_MM * height / 450.0;
        let there = coat.length_mm(zone);
        coat.with_zone(zone, mm.max(there))
    })
}

/// Whether the coat gives the look its own lengths: short legs can balance, and are not the look.
fn is_long_enough(job: &Job, coat: &CoatNow) -> bool {
    let spots = job.subject_with(coat).spots;
    let long = spots
        .iter()
        .filter(|s| s.nominal.min(s.high) >= NEARLY * s.nominal)
        .count();
    long as f64 > MOST_OF_IT * spots.len() as f64
}

/// Weeks until a coat that is left alone gives the look, none if never within sixty.
///
/// More coat never makes the balance worse, so the weeks are halved, not tried one by one.
///
/// # Errors
/// If the solver gives no answer, a fault of ours.
///
/// # References
/// balance-model.md 13.
pub fn weeks_to_look(job: &Job) -> Result<Option<u32>, SolveError> {
    let enough = reachable(job, &ample(job))? + NEAR_ENOUGH;
    let is_there = |weeks: u32| -> Result<bool, SolveError> {
        let coat = coat_after(&job.coat, weeks);
        Ok(is_long_enough(job, &coat) && reachable(job, &coat)? <= enough)
    };
    if is_there(0)? {
        return Ok(Some(0));
    }
    if !is_there(FURTHEST_WEEKS)? {
        return Ok(None);
    }
    let (mut no, mut yes) = (0, FURTHEST_WEEKS);
    while yes - no > 1 {
        let middle = u32::midpoint(no, yes);
        if is_there(middle)? {
            yes = middle;
        } else {
            no = middle;
        }
    }
    Ok(Some(yes))
}

/// Plans the way to the job's look: what to leave, what to do meanwhile, when it is there.
///
/// # Errors
/// If the solver gives no answer, a fault of ours.
pub fn grow_plan(job: &Job, weeks_between: u32) -> Result<GrowPlan, SolveError> {
    let height = job.sides.left.height;
    let words = Words {
        house: &job.house,
        kit: &job.kit,
    };
    let leave: Vec<Zone> = Zone::ALL
        .into_iter()
        .filter(|zone| {
            let short = job.look.nominal_mm(*zone, height) - job.coat.length_mm(*zone);
            zone.is_judged() && short > WORTH_LEAVING_MM
        })
        .collect();
    let reached_weeks = weeks_to_look(job)?;
    let step = weeks_between.clamp(1, FURTHEST_WEEKS);
    let last = reached_weeks.unwrap_or(FURTHEST_WEEKS);
    let mut visits = Vec::new();
    let mut week = 0;
    loop {
        let coat = coat_after(&job.coat, week);
        let is_last = week >= last;
        visits.push(GrowVisit {
            week,
            todo: todo(week, is_last && reached_weeks.is_some(), &leave, job),
            score: reachable(job, &coat)?,
        });
        if is_last {
            break;
        }
        week = (week + step).min(last);
    }
    let sentence = match reached_weeks {
        Some(0) => "The coat gives this look today.".into(),
        Some(weeks) => {
            let visits = match visits.len() - 1 {
                1 => "at the next visit".to_owned(),
                more => format!("at the visit {more} from now"),
            };
            format!(
                "Leave the hair {}; the look is there after {weeks} weeks, {visits}.",
                places(&leave)
            )
        }
        None => "This coat does not get there in sixty weeks; choose a shorter look.".into(),
    };
    Ok(GrowPlan {
        filled: filled(job, &words),
        leave,
        visits,
        reached_weeks,
        sentence,
    })
}

fn todo(week: u32, is_reached: bool, leave: &[Zone], job: &Job) -> String {
    let look = job.look.called().to_lowercase();
    match (week, is_reached) {
        (0, true) => format!("Cut the {look}."),
        (0, false) => format!(
            "Cut the rest to the {look}; leave the hair {}, only even its ends.",
            places(leave)
        ),
        (_, true) => format!("Cut the {look}: everything is long enough."),
        (_, false) => format!(
            "Feet, face and hygiene; the rest to the {look}, still nothing off {}.",
            places(leave)
        ),
    }
}

fn places(zones: &[Zone]) -> String {
    match zones {
        [] => "as it is".into(),
        [one] => one.place().into(),
        [one, two] => format!("{} and {}", one.place(), two.place()),
        [one, two, ..] => format!(
            "{}, {} and in {} more zones",
            one.place(),
            two.place(),
            zones.len() - 2
        ),
    }
}

/// Holes with the day they are level with the look's own length: (planned − hole)/rate (handbook 4).
fn filled(job: &Job, words: &Words<'_>) -> Vec<Filled> {
    let height = job.sides.left.height;
    job.coat
        .marks
        .iter()
        .filter_map(|(zone, marks)| {
            let hole = marks.hole_mm?.as_mm();
            let planned = job.look.nominal_mm(*zone, height);
            if planned <= hole {
                return None;
            }
            let growth = job.coat.texture.growth_in(*zone);
            let weeks = whole_weeks(growth.days_to(hole, planned - hole));
            let when = match weeks {
                Some(weeks) => format!("is level after {weeks} weeks; keep the line over it."),
                None => "will not grow level; take the line to it over a few visits.".into(),
            };
            Some(Filled {
                zone: *zone,
                sentence: format!("The hole of {} {} {when}", words.length(hole), zone.place()),
                weeks,
            })
        })
        .collect()
}
