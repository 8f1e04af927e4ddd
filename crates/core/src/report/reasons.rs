use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use super::faults::{fault_sentence, is_high};
use super::rows::NOTHING_COUNTS_UNDER_MM;
use crate::balance::{BalancePoint, Judged, head_points, head_size_off};
use crate::coat::{CoatNow, Knots, Zone};
use crate::job::Job;
use crate::page::{View, place};
use crate::plan::{Plan, PlanCoat, dress_plan};
use crate::say::Words;
use crate::solve::{Accuracy, Solution, SolveError, solve_lengths_to};

/// What holds a point off.
#[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum Cause {
    /// Hair that is not there.
    MissingHair,
    /// The owner's limit.
    OwnersLimit,
    /// Tight knots.
    Knots,
    /// The frame itself.
    Frame,
    /// The kit: the exact lengths would do, the owned tools do not.
    Kit,
}

/// Why a point stays off, in the words of the trade.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct Reason {
    /// Which point.
    pub judged: Judged,
    /// What holds it.
    pub cause: Cause,
    /// What is wrong and by how much.
    pub fault: String,
    /// What would help.
    pub remedy: String,
    /// The view it shows in.
    pub view: View,
    /// Where it shows, mm on that view's own plane.
    #[serde(serialize_with = "place")]
    pub at_mm: [f64; 2],
}

/// More coat tried, mm on a dog of 450 mm (balance-model.md 9).
const TRIED_MM: [f64; 5] = [4.0, 8.0, 12.0, 16.0, 24.0];
/// Zones tried, dearest first.
const ZONES: usize = 5;
/// Solves at most.
const MOST_SOLVES: usize = 24;
/// A price below this is nothing.
const LEAST_WORTH: f64 = 1e-3;
/// An improvement worth a sentence, tolerances (modelling choice).
const WORTH_SAYING: f64 = 0.3;
/// How near to the coat there now a length counts as held by it, mm.
const AT_THE_COAT: f64 = 0.02;

/// Finds what holds each point that the plan leaves off.
///
/// Prices rank the zones, they do not predict: so the first zones are solved again with more
/// coat, and the first amount that brings the point within tolerance is said; or how far it
/// narrows; or that it is the frame. Limits and knots are priced by one solve without them.
///
/// # References
/// balance-model.md 9; at most 24 solves.
///
/// # Errors
/// If the solver gives no answer, a fault of ours; [`SolveError::NotWanted`] as soon as `is_wanted`
/// says that nobody waits any more.
pub fn find_reasons(
    plan: &Plan,
    job: &Job,
    is_wanted: &dyn Fn() -> bool,
) -> Result<Vec<Reason>, SolveError> {
    let words = Words {
        house: &job.house,
        kit: &job.kit,
    };
    let off = points_off(plan);
    let head = head_reason(plan, job, &words);
    if off.is_empty() {
        return Ok(head.into_iter().collect());
    }
    let mut search = Search {
        job,
        is_wanted,
        scale: job.sides.left.height / 450.0,
        solves: 0,
        known: Vec::new(),
    };
    let unbound = search.without_limits_and_knots()?;
    let zones = dearest_zones(plan, &job.coat);
    for zone in &zones {
        search.grown(&[*zone], 8.0)?;
    }
    let mut reasons = Vec::with_capacity(off.len());
    for p in off {
        let point = &plan.solution.points[p];
        let at = point.at.at;
        let (cause, remedy) = search.explain(plan, p, &zones, &unbound, &words)?;
        reasons.push(Reason {
            judged: point.judged,
            cause,
            fault: fault_sentence(point, &plan.lengths_mm, &words),
            remedy,
            view: point.at.view,
            at_mm: [at.x, at.y],
        });
    }
    reasons.extend(head);
    Ok(reasons)
}

/// Why the head's size stays off: the topknot that is missing, or the skull.
fn head_reason(plan: &Plan, job: &Job, words: &Words<'_>) -> Option<Reason> {
    let dressing = dress_plan(plan, &job.coat, PlanCoat::Tools);
    let points = head_points(&plan.subject, &dressing);
    let point = points.iter().find(|p| p.judged == Judged::HeadSize)?;
    let lengths = &plan.lengths_mm;
    if point.off(lengths) <= 1.0 || point.off_mm(lengths) < NOTHING_COUNTS_UNDER_MM {
        return None;
    }
    let subject = job.subject().today();
    let safe = |zone| job.safe_mm(zone);
    let scale = job.sides.left.height / 450.0;
    let is_right = |more: f64| {
        let coat = job.coat.with_more(&[Zone::Topknot], more * scale);
        let off = head_size_off(&subject, &coat, &plan.solution.lengths_mm, &safe);
        off.is_some_and(|off| off <= 1.0)
    };
    let (cause, remedy) = match TRIED_MM.into_iter().find(|more| is_right(*more)) {
        Some(more) => (
            Cause::MissingHair,
            cure(&job.coat, &[Zone::Topknot], more * scale, words),
        ),
        None => (Cause::Frame, SKULL.into()),
    };
    let at = point.at.at;
    Some(Reason {
        judged: point.judged,
        cause,
        fault: fault_sentence(point, lengths, words),
        remedy,
        view: point.at.view,
        at_mm: [at.x, at.y],
    })
}

const SKULL: &str = "That is the skull's own size; more topknot would be another look.";

/// The worst row of every point that is off under the plan, most serious first.
fn points_off(plan: &Plan) -> Vec<usize> {
    let points = &plan.solution.points;
    let off = |p: &BalancePoint| p.off(&plan.lengths_mm);
    let mut worst: Vec<usize> = Judged::ALL
        .iter()
        .filter_map(|judged| {
            (0..points.len())
                .filter(|i| points[*i].judged == *judged)
                .max_by(|a, b| off(&points[*a]).total_cmp(&off(&points[*b])))
        })
        .filter(|i| off(&points[*i]) > 1.0 && points[*i].off_mm(&plan.lengths_mm) >= 2.0)
        .collect();
    worst.sort_by(|a, b| {
        let weigh = |i: usize| points[i].weight * off(&points[i]);
        weigh(*b).total_cmp(&weigh(*a))
    });
    worst
}

/// Zones where the coat there now is what holds, dearest first.
fn dearest_zones(plan: &Plan, coat: &CoatNow) -> Vec<Zone> {
    let mut prices: Vec<(Zone, f64)> = Vec::new();
    for (i, spot) in plan.subject.spots.iter().enumerate() {
        let is_all_there_is =
            plan.solution.lengths_mm[i] >= coat.length_mm(spot.zone) - AT_THE_COAT;
        let worth = plan.solution.worth[i].max(0.0);
        if !is_all_there_is || worth <= 0.0 {
            continue;
        }
        match prices.iter_mut().find(|(zone, _)| *zone == spot.zone) {
            Some((_, price)) => *price += worth,
            None => prices.push((spot.zone, worth)),
        }
    }
    prices.retain(|(_, price)| *price > LEAST_WORTH);
    prices.sort_by(|a, b| b.1.total_cmp(&a.1));
    prices
        .into_iter()
        .take(ZONES)
        .map(|(zone, _)| zone)
        .collect()
}

type Grown = (Vec<Zone>, f64, Vec<f64>);

struct Search<'a> {
    job: &'a Job,
    is_wanted: &'a dyn Fn() -> bool,
    scale: f64,
    solves: usize,
    known: Vec<Grown>,
}

impl Search<'_> {
    fn solve(&mut self, coat: &CoatNow) -> Result<Solution, SolveError> {
        if !(self.is_wanted)() {
            return Err(SolveError::NotWanted);
        }
        self.solves += 1;
        solve_lengths_to(&self.job.subject_with(coat), Accuracy::Rough)
    }

    /// Tolerances off of every point with some zones grown; `None` when too many were solved.
    fn grown(&mut self, zones: &[Zone], more: f64) -> Result<Option<Vec<f64>>, SolveError> {
        if let Some((_, _, off)) = self
            .known
            .iter()
            .find(|(z, m, _)| z == zones && (m - more).abs() < 1e-9)
        {
            return Ok(Some(off.clone()));
        }
        if self.solves >= MOST_SOLVES {
            return Ok(None);
        }
        let coat = self.job.coat.with_more(zones, more * self.scale);
        let solution = self.solve(&coat)?;
        let off: Vec<f64> = solution
            .points
            .iter()
            .map(|p| p.off(&solution.lengths_mm))
            .collect();
        self.known.push((zones.to_vec(), more, off.clone()));
        Ok(Some(off))
    }

    fn without_limits_and_knots(&mut self) -> Result<Unbound, SolveError> {
        let mut unbound = Unbound::default();
        let mut coat = self.job.coat.clone();
        if !coat.limits.is_empty() {
            coat.limits.clear();
            let solution = self.solve(&coat)?;
            unbound.no_limits = Some(solution.off());
        }
        let mut coat = self.job.coat.clone();
        if coat.knots.values().any(|k| *k == Knots::Tight) {
            coat.knots.clear();
            let solution = self.solve(&coat)?;
            unbound.no_knots = Some(solution.off());
        }
        Ok(unbound)
    }

    fn explain(
        &mut self,
        plan: &Plan,
        p: usize,
        zones: &[Zone],
        unbound: &Unbound,
        words: &Words<'_>,
    ) -> Result<(Cause, String), SolveError> {
        let point = &plan.solution.points[p];
        let ideal = point.off(&plan.solution.lengths_mm);
        if ideal <= 1.0 {
            return Ok((
                Cause::Kit,
                "Hair by hair it could be had; with these tools it is as near as it comes.".into(),
            ));
        }
        let tolerance = point.tolerance_mm;
        for (without, cause) in [
            (&unbound.no_limits, Cause::OwnersLimit),
            (&unbound.no_knots, Cause::Knots),
        ] {
            if let Some(off) = without
                && ideal - off[p] >= WORTH_SAYING
            {
                let cost = words.length((ideal - off[p]) * tolerance);
                let remedy = match cause {
                    Cause::OwnersLimit => format!("The owner's limit costs {cost} here."),
                    _ => format!("The tight knots cost {cost} here; brushed out, it comes back."),
                };
                return Ok((cause, remedy));
            }
        }
        let mut order: Vec<Zone> = zones.to_vec();
        let mut help: Vec<(Zone, f64)> = Vec::new();
        for zone in &order {
            let off = self.grown(&[*zone], 8.0)?.map_or(ideal, |off| off[p]);
            help.push((*zone, ideal - off));
        }
        help.sort_by(|a, b| b.1.total_cmp(&a.1));
        order.clear();
        order.extend(help.iter().filter(|(_, h)| *h > 1e-3).map(|(z, _)| *z));
        let mut best: Option<(Vec<Zone>, f64, f64)> = None;
        for count in 1..=order.len().min(3) {
            for more in TRIED_MM {
                let Some(off) = self.grown(&order[..count], more)? else {
                    break;
                };
                if off[p] <= 1.0 {
                    let mm = more * self.scale;
                    let sentence = cure(&self.job.coat, &order[..count], mm, words);
                    return Ok((Cause::MissingHair, sentence));
                }
                if best.as_ref().is_none_or(|b| off[p] < b.2 - 1e-6) {
                    best = Some((order[..count].to_vec(), more, off[p]));
                }
            }
        }
        if let Some((zones, more, off)) = best
            && ideal - off >= WORTH_SAYING
        {
            let (was, is) = (words.bare(ideal * tolerance), words.bare(off * tolerance));
            return Ok((
                Cause::MissingHair,
                format!(
                    "{} more {} narrows it from {was} to {is} {}.",
                    words.whole(more * self.scale),
                    places(&zones),
                    words.unit()
                ),
            ));
        }
        Ok((Cause::Frame, frame_sentence(plan, point)))
    }
}

/// What growth brings a point right, and when that will have grown.
fn cure(coat: &CoatNow, zones: &[Zone], mm: f64, words: &Words<'_>) -> String {
    let weeks = zones
        .iter()
        .map(|zone| {
            let growth = coat.texture.growth_in(*zone);
            growth.days_to(coat.length_mm(*zone), mm)
        })
        .try_fold(0.0_f64, |most, days| days.map(|d| most.max(d / 7.0)));
    let when = match weeks {
        Some(weeks) => format!("about {:.0} weeks", weeks.ceil().max(1.0)),
        None => "this coat does not grow so long".into(),
    };
    format!(
        "{} more {} brings it right: {when}.",
        words.whole(mm),
        places(zones)
    )
}

#[derive(Default)]
struct Unbound {
    no_limits: Option<Vec<f64>>,
    no_knots: Option<Vec<f64>>,
}

fn places(zones: &[Zone]) -> String {
    let names: Vec<&str> = zones.iter().map(|z| z.place()).collect();
    match names.as_slice() {
        [] => String::new(),
        [one] => (*one).to_owned(),
        [most @ .., last] => format!("{} and {last}", most.join(", ")),
    }
}

const FRAME: &str = "That is the frame; hair does not change it.";

/// What the frame asks too much of hair, in the words of an eye; how much stands with the point's row.
fn frame_sentence(plan: &Plan, point: &BalancePoint) -> String {
    match (point.judged, is_high(point, &plan.lengths_mm)) {
        (Judged::BodyRatio, true) => {
            let long = 100.0 * (plan.solution.reach.body_ratio.best - 1.0);
            format!("Built long: at best it reads {long:.0} % long.")
        }
        (Judged::GapRatio, true) => "Built open underneath: hair closes it no further.".into(),
        (Judged::LegShare, false) => "Built low on the leg: hair shows no more of it.".into(),
        _ => FRAME.into(),
    }
}

impl Solution {
    fn off(&self) -> Vec<f64> {
        self.points
            .iter()
            .map(|p| p.off(&self.lengths_mm))
            .collect()
    }
}
