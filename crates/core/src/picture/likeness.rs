use std::collections::BTreeMap;

use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use super::read::PictureRatio;
use crate::balance::{BalancePoint, Divisor, Judged, head_points};
use crate::coat::CoatNow;
use crate::grow::{FURTHEST_WEEKS, ample, coat_after};
use crate::job::Job;
use crate::look::Aim;
use crate::plan::{PlanCoat, dress_plan, make_plan_to};
use crate::say::Words;
use crate::solve::{Accuracy, SolveError};

/// When this dog can have a ratio of a picture.
#[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
#[serde(tag = "when", rename_all = "snake_case")]
pub enum Reached {
    /// Today.
    Now,
    /// After so many weeks, the coat left to grow.
    After {
        /// Weeks.
        weeks: u32,
    },
    /// Not in sixty weeks: the coat does not grow so long.
    NotThisCoat,
    /// Never: it is the frame.
    NotThisFrame,
}

/// A ratio of the picture on this dog.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct RatioHere {
    /// Which.
    pub aim: Aim,
    /// Its name.
    pub label: String,
    /// In the picture.
    pub picture: f64,
    /// On this dog, planned today.
    pub here: f64,
    /// When it is reached.
    pub reached: Reached,
    /// In one sentence.
    pub sentence: String,
}

/// How like its picture this dog can be.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct Likeness {
    /// Ratio by ratio.
    pub ratios: Vec<RatioHere>,
    /// All of it in one sentence.
    pub sentence: String,
}

/// A ratio on a planned dog: its value, how far it lies outside what counts as like the picture,
/// and what one of it is in mm.
#[derive(Clone, Copy)]
struct On {
    value: f64,
    out: f64,
    one_mm: f64,
}

/// Outside by less than this is still like, in tolerances: the solve stops where one more millimetre
/// costs more elsewhere (modelling choice).
const STILL_LIKE: f64 = 0.25;

impl On {
    fn is_like(self, aim: Aim) -> bool {
        self.out <= STILL_LIKE * aim.tolerance()
    }

    fn off_mm(self) -> f64 {
        self.out * self.one_mm
    }
}

/// Holds a picture's ratios against this dog: today, after weeks of growth, with all the hair in the
/// world.
///
/// # Units and shapes
/// `job` is in the picture's look, see [`super::picture_look`].
///
/// # Errors
/// If the solver gives no answer, a fault of ours.
pub fn likeness(
    ratios: &[PictureRatio],
    job: &Job,
    words: &Words<'_>,
) -> Result<Likeness, SolveError> {
    let today = planned(job, &job.coat)?;
    let ample = planned(job, &ample(job))?;
    let last = planned(job, &coat_after(&job.coat, FURTHEST_WEEKS))?;
    let mut between: BTreeMap<u32, BTreeMap<Aim, On>> = BTreeMap::new();
    let mut rows = Vec::new();
    for ratio in ratios {
        let (Some(here), Some(best), Some(late)) = (
            today.get(&ratio.aim),
            ample.get(&ratio.aim),
            last.get(&ratio.aim),
        ) else {
            continue;
        };
        let reached = if here.is_like(ratio.aim) {
            Reached::Now
        } else if late.is_like(ratio.aim) {
            let (mut no, mut yes) = (0, FURTHEST_WEEKS);
            while yes - no > 1 {
                let middle = u32::midpoint(no, yes);
                if let std::collections::btree_map::Entry::Vacant(free) = between.entry(middle) {
                    free.insert(planned(job, &coat_after(&job.coat, middle))?);
                }
                let is_there = between[&middle]
                    .get(&ratio.aim)
                    .is_some_and(|on| on.is_like(ratio.aim));
                if is_there {
                    yes = middle;
                } else {
                    no = middle;
                }
            }
            Reached::After { weeks: yes }
        } else if best.is_like(ratio.aim) {
            Reached::NotThisCoat
        } else {
            Reached::NotThisFrame
        };
        rows.push(RatioHere {
            aim: ratio.aim,
            label: ratio.aim.label().into(),
            picture: ratio.value,
            here: here.value,
            reached,
            sentence: sentence(reached, ratio.value, *here, *best, words),
        });
    }
    Ok(Likeness {
        sentence: whole(&rows),
        ratios: rows,
    })
}

/// Every ratio on this dog planned in a coat, tools left out.
fn planned(job: &Job, coat: &CoatNow) -> Result<BTreeMap<Aim, On>, SolveError> {
    let job = Job {
        coat: coat.clone(),
        kit: Vec::new(),
        ..job.clone()
    };
    let plan = make_plan_to(&job, Accuracy::Rough)?;
    let lengths = &plan.solution.lengths_mm;
    let head = head_points(&plan.subject, &dress_plan(&plan, coat, PlanCoat::Ideal));
    let points: Vec<&BalancePoint> = plan.solution.points.iter().chain(&head).collect();
    let height = plan.subject.height();
    Ok(Aim::ALL
        .into_iter()
        .filter_map(|aim| {
            let point = points.iter().find(|p| p.judged == judged(aim))?;
            let one_mm = match &point.divisor {
                Divisor::By(whole) => whole.at(lengths),
                Divisor::Millimetres => height,
            };
            let value = point.value.at(lengths) / one_mm;
            // Against the picture itself, not against what the frame makes of it.
            let (low, high) = job.look.targets.of(aim)?;
            let out = (low - value).max(value - high).max(0.0);
            Some((aim, On { value, out, one_mm }))
        })
        .collect())
}

/// Which balance point holds a ratio.
const fn judged(aim: Aim) -> Judged {
    match aim {
        Aim::BodyRatio => Judged::BodyRatio,
        Aim::GapRatio => Judged::GapRatio,
        Aim::LegShare => Judged::LegShare,
        Aim::Rise => Judged::UnderlineRise,
        Aim::Angulation => Judged::RearAngulation,
        Aim::SetIn => Judged::RearSetIn,
        Aim::ColumnShare => Judged::ColumnShare,
        Aim::HeadSize => Judged::HeadSize,
        Aim::EarEnd => Judged::EarEnd,
    }
}

fn sentence(reached: Reached, picture: f64, here: On, best: On, words: &Words<'_>) -> String {
    match reached {
        Reached::Now => "This dog can have it today.".into(),
        Reached::After { weeks } => format!(
            "Not today, by {}; after {weeks} {} of growth.",
            words.length(here.off_mm()),
            if weeks == 1 { "week" } else { "weeks" }
        ),
        Reached::NotThisCoat => format!(
            "Off by {}: this coat does not grow so long in sixty weeks.",
            words.length(here.off_mm())
        ),
        Reached::NotThisFrame => format!(
            "Never on this dog: its frame gives {:.2} at best where the picture has {picture:.2}, {} apart.",
            best.value,
            words.length(best.off_mm())
        ),
    }
}

fn whole(rows: &[RatioHere]) -> String {
    let now = rows.iter().filter(|r| r.reached == Reached::Now).count();
    let weeks = rows.iter().filter_map(|r| match r.reached {
        Reached::After { weeks } => Some(weeks),
        _ => None,
    });
    let later = weeks.clone().count();
    let never: Vec<String> = rows
        .iter()
        .filter(|r| matches!(r.reached, Reached::NotThisFrame | Reached::NotThisCoat))
        .map(|r| r.label.to_lowercase())
        .collect();
    let all = rows.len();
    if now == all {
        return "This dog can look like its picture today.".into();
    }
    let mut parts = vec![format!("{now} of {all} can be had today")];
    if let Some(weeks) = weeks.max() {
        parts.push(format!("{later} more within {weeks} weeks"));
    }
    let mut text = parts.join(", ");
    if !never.is_empty() {
        text = format!("{text}; never on this dog: {}", never.join(", "));
    }
    format!("{text}.")
}
