use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use crate::balance::{BalancePoint, Judged, score};
use crate::job::Job;
use crate::look::{LineName, LineStop};
use crate::placing::skirt_stop;
use crate::plan::{Plan, make_plan_to};
use crate::say::Words;
use crate::solve::{Accuracy, SolveError, Workers, back_split, in_halves, solve_lengths_to};
use crate::units::Length;

/// A place a line can be moved to, with what it costs.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct StopOffer {
    /// Which.
    pub stop: LineStop,
    /// In a few words.
    pub label: String,
    /// What the plan would lose in balance there; less than nothing is a gain.
    pub costs: f64,
    /// The same in words, with what suffers most.
    pub sentence: String,
    /// Whether the line lies there now.
    pub is_here: bool,
}

/// A step further between its places, with what it costs.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct Nudge {
    /// How far the line then lies from its place, upwards or to the rear.
    pub by_mm: Length,
    /// The step in words.
    pub label: String,
    /// What the plan would lose in balance; less than nothing is a gain.
    pub costs: f64,
    /// The same in words.
    pub sentence: String,
}

/// A line that can be moved.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct LineOffer {
    /// Which.
    pub line: LineName,
    /// Its name.
    pub label: String,
    /// Whether it was moved by hand on this dog.
    pub is_moved: bool,
    /// Its places.
    pub stops: Vec<StopOffer>,
    /// A step to either side of where it lies now; empty where it has none between its places.
    #[serde(default)]
    pub nudges: Vec<Nudge>,
}

/// Lines that can be moved, in the order of the sheet.
const MOVABLE: [LineName; 11] = [
    LineName::Nape,
    LineName::Bib,
    LineName::Shoulder,
    LineName::BackPass,
    LineName::Waist,
    LineName::Skirt,
    LineName::Thigh,
    LineName::Shelf,
    LineName::RumpDrop,
    LineName::Hock,
    LineName::TailBase,
];

/// Every place of every line that can be moved, each priced by a solve of its own.
///
/// # References
/// balance-model.md 10: places do not interact, so one is moved at a time.
///
/// # Errors
/// If the solver gives no answer, a fault of ours.
pub fn line_offers(
    job: &Job,
    plan: &Plan,
    workers: &dyn Workers,
) -> Result<Vec<LineOffer>, SolveError> {
    let here = &plan.subject.lines;
    let lines: Vec<LineName> = MOVABLE.into_iter().filter(|l| here.offers(*l)).collect();
    let back = BackHere::of(job, plan)?;

    let asked: Vec<LineStop> = lines
        .iter()
        .flat_map(|line| line.stops())
        .filter(|stop| is_offered(*stop, plan, job))
        .collect();
    let priced = in_halves(workers, &asked, |stops: &[LineStop]| {
        stops
            .iter()
            .map(|stop| {
                let stop = *stop;
                let (costs, most) = match stop.line() {
                    _ if here.has(stop) => (0.0, None),
                    LineName::BackPass => back.costs(&job.clone().placed(stop))?,
                    _ if is_root_only(stop) => (0.0, None),
                    _ => moved(&job.clone().placed(stop), plan)?,
                };
                Ok(StopOffer {
                    stop,
                    label: stop.label().into(),
                    costs,
                    sentence: sentence(here.has(stop), costs, most),
                    is_here: here.has(stop),
                })
            })
            .collect()
    })?;
    let nudged = in_halves(workers, &lines, |lines: &[LineName]| {
        lines
            .iter()
            .map(|line| nudges(*line, job, plan, &back))
            .collect()
    })?;
    Ok(lines
        .into_iter()
        .zip(nudged)
        .map(|(line, nudges)| LineOffer {
            line,
            label: line.label().into(),
            is_moved: here.is_moved(line),
            stops: priced
                .iter()
                .filter(|offer| offer.stop.line() == line)
                .cloned()
                .collect(),
            nudges,
        })
        .collect())
}

/// What the dog is worth in balance with the back cut as it is, tools and all.
struct BackHere {
    score: f64,
}

impl BackHere {
    fn of(job: &Job, plan: &Plan) -> Result<Self, SolveError> {
        let here = match plan.subject.lines.stop(LineName::BackPass) {
            Some(stop) => &job.clone().placed(stop),
            None => job,
        };
        Ok(Self {
            score: Self::score(here)?,
        })
    }

    fn score(job: &Job) -> Result<f64, SolveError> {
        let plan = make_plan_to(job, Accuracy::Rough)?;
        Ok(score(&plan.solution.points, &plan.lengths_mm))
    }

    /// What the plan loses with the back's line elsewhere.
    fn costs(&self, there: &Job) -> Result<(f64, Option<Judged>), SolveError> {
        let there = Self::score(there)?;
        Ok((there - self.score, Some(Judged::Topline)))
    }
}

/// A step a hand can lay off, mm (modelling choice).
const NUDGE_MM: f64 = 5.0;

/// A step to either side of where a line lies now.
fn nudges(
    line: LineName,
    job: &Job,
    plan: &Plan,
    back: &BackHere,
) -> Result<Vec<Nudge>, SolveError> {
    let subject = &plan.subject;
    let h = subject.height();
    let is_there = match line {
        LineName::BackPass => back_split(subject).1.is_some(),
        LineName::Skirt => subject
            .lines
            .skirt_root_mm(h, subject.build.elbow)
            .is_some(),
        _ => true,
    };
    let Some((more, less)) = line.ways().filter(|_| is_there) else {
        return Ok(Vec::new());
    };
    let words = Words {
        house: &job.house,
        kit: &job.kit,
    };
    let here = subject.lines.shift_mm(line, h);
    [(NUDGE_MM, more), (-NUDGE_MM, less)]
        .into_iter()
        .map(|(step, way)| {
            let by_mm = Length::worked_out_mm(here + step);
            let (costs, most) = shifted_to(line, by_mm, job, plan, back)?;
            Ok(Nudge {
                by_mm,
                label: format!("{} {way}", words.length(NUDGE_MM)),
                costs,
                sentence: sentence(false, costs, most),
            })
        })
        .collect()
}

/// What a line costs moved so far from its place, and the point that suffers most.
fn shifted_to(
    line: LineName,
    by: Length,
    job: &Job,
    plan: &Plan,
    back: &BackHere,
) -> Result<(f64, Option<Judged>), SolveError> {
    match line {
        // What is clipped changes, not the outline.
        LineName::Skirt | LineName::Thigh => Ok((0.0, None)),
        LineName::BackPass => {
            let lines = plan.subject.lines.clone().shifted(line, by);
            let moved = plan.subject.clone().with_lines(lines);
            if back_split(&plan.subject).1 == back_split(&moved).1 {
                return Ok((0.0, None));
            }
            let there = job.clone();
            let there = match plan.subject.lines.stop(line) {
                Some(stop) => there.placed(stop),
                None => there,
            };
            back.costs(&there.shifted(line, by))
        }
        _ => moved(&job.clone().shifted(line, by), plan),
    }
}

/// A skirt out of a longer root line than the coat reaches is not offered.
fn is_offered(stop: LineStop, plan: &Plan, job: &Job) -> bool {
    let highest = || skirt_stop(&plan.subject, &job.coat, &plan.lengths_mm);
    match stop {
        LineStop::HalfSkirt => highest() == LineStop::HalfSkirt,
        LineStop::LowSkirt => highest() != LineStop::FringeSkirt,
        _ => true,
    }
}

/// Where a skirt's or a tail's root lies changes what is clipped, not the outline.
const fn is_root_only(stop: LineStop) -> bool {
    matches!(stop.line(), LineName::TailBase | LineName::Skirt)
        && !matches!(stop, LineStop::NoSkirt)
}

/// What the exact lengths lose in balance with a line moved, and the point that suffers most.
fn moved(there: &Job, plan: &Plan) -> Result<(f64, Option<Judged>), SolveError> {
    let subject = there.subject();
    let solved = solve_lengths_to(&subject, Accuracy::Rough)?;
    let here = &plan.solution;
    let by_point = |points: &[BalancePoint], lengths: &[f64], judged| -> f64 {
        points
            .iter()
            .filter(|p| p.judged == judged)
            .map(|p| p.cost(lengths))
            .sum()
    };
    let costs = score(&solved.points, &solved.lengths_mm) - score(&here.points, &here.lengths_mm);
    let most = Judged::ALL
        .into_iter()
        .map(|judged| {
            let then = by_point(&solved.points, &solved.lengths_mm, judged);
            (
                then - by_point(&here.points, &here.lengths_mm, judged),
                judged,
            )
        })
        .max_by(|a, b| (a.0 * costs.signum()).total_cmp(&(b.0 * costs.signum())))
        .map(|(_, judged)| judged);
    Ok((costs, most))
}

/// Less is not seen, in balance: half a point just out of its tolerance (modelling choice).
const NOTHING: f64 = 0.5;

fn sentence(is_here: bool, costs: f64, most: Option<Judged>) -> String {
    let point = most.map(|j| format!(", {} most", j.rule().label.to_lowercase()));
    let point = point.unwrap_or_default();
    if is_here {
        "The line lies here.".into()
    } else if costs.abs() < NOTHING {
        "Balances as well.".into()
    } else if costs > 0.0 {
        format!("Costs {costs:.1} in balance{point}.")
    } else {
        format!("Gains {:.1} in balance{point}.", -costs)
    }
}
