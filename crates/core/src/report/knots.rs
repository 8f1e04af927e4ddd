use std::sync::Arc;

use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use crate::balance::score;
use crate::coat::{Knots, Limit, LimitCause, Zone, whole_weeks};
use crate::job::Job;
use crate::plan::{MINUTE, Plan, Planning, make_plan};
use crate::say::Words;
use crate::shape::Hand;
use crate::sheet::{brush_out_minutes, for_size};
use crate::solve::SolveError;
use crate::units::Length;

/// What can be done about a knotted zone (handbook 3, *Knots: inside or outside?*).
#[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum KnotWay {
    /// Brushed out, if the dog bears it.
    Brush,
    /// Cut with the coat: what lies outside the edge goes by itself, what lies inside shortens the
    /// zone to the blade that goes under it.
    CutWith,
    /// The zone is cleared.
    Clear,
}

/// One way, with what it costs.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct KnotOffer {
    /// Which.
    pub way: KnotWay,
    /// Minutes it adds.
    pub minutes: f64,
    /// What it costs in balance, against the same coat without the knots.
    pub costs: f64,
    /// What is left on the zone.
    pub leaves_mm: Length,
    /// Weeks until it has grown to what the plan would leave without the knots; none where it
    /// never does.
    pub weeks: Option<u32>,
    /// In one sentence.
    pub sentence: String,
}

/// A knot met while at work (handbook 10 F).
#[derive(Clone, Copy, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct KnotHere {
    /// Where.
    pub zone: Zone,
    /// On which side, where the zone stands twice; none where nobody said.
    #[serde(default)]
    pub hand: Option<Hand>,
    /// How far off the skin it begins.
    pub off_skin_mm: Length,
}

/// A knotted zone with its ways, the cheapest first.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct KnottedZone {
    /// Which.
    pub zone: Zone,
    /// Its name.
    pub label: String,
    /// Ways, the cheapest first.
    pub ways: Vec<KnotOffer>,
}

/// A week until the hair is back against a point of balance (modelling choice: a month short of
/// the look is as bad as a point two tolerances off).
const WEEK: f64 = 1.0;
/// Hair that never grows back weighs as much as this many weeks (modelling choice: a year).
const NEVER: u32 = 52;
/// Less than this is not seen, in balance (modelling choice).
const NOTHING: f64 = 0.5;

/// A tool that leaves so much more goes under a knot all the same, mm (modelling choice: makers' own
/// scatter).
const WITHIN_MM: f64 = 0.5;

/// One knot under the brush, minutes on a medium dog (modelling choice: a third of what few knots take).
const ONE_KNOT_MINUTES: f64 = 5.0;

/// Ways out of a knot met in mid-groom, the cheapest first: outside the edge it goes with the cut; inside
/// it is brushed out, cut with the coat by what leaves no more than lies under it, or cleared (handbook 3,
/// *Knots: inside or outside?*). Where `brushed_enough`, brushing comes last: the dog has borne what it
/// bears.
///
/// # Errors
/// If the solver gives no answer, a fault of ours.
pub fn knot_ways(
    knot: &KnotHere,
    plan: &Plan,
    job: &Job,
    brushed_enough: bool,
    words: &Words<'_>,
    planning: Planning<'_>,
) -> Result<Vec<KnotOffer>, SolveError> {
    let mut under = job.clone();
    let off_skin = knot.off_skin_mm.as_mm().max(job.safe_mm(knot.zone));
    let limit = under.coat.limits.get(&knot.zone).copied();
    let most = limit.and_then(|l| l.not_longer_mm).map(Length::as_mm);
    under.coat.limits.insert(
        knot.zone,
        at_most(most.map_or(off_skin, |most| most.min(off_skin))),
    );
    let under = planning(&under)?;
    let minutes = ONE_KNOT_MINUTES * for_size(job.sides.left.height);
    let mut ways = ways_of(knot.zone, (minutes, plan, &under), job, words, planning)?;
    // What no tool of this kit leaves is no way out: the knot would stay in what is cut.
    ways.retain(|w| w.way == KnotWay::Brush || w.leaves_mm.as_mm() <= off_skin + WITHIN_MM);
    if brushed_enough && let Some(at) = ways.iter().position(|w| w.way == KnotWay::Brush) {
        let mut brush = ways.remove(at);
        brush
            .sentence
            .push_str(" It has borne enough brushing today.");
        ways.push(brush);
    }
    // Outside the edge it goes with the cut, and is not brushed.
    let is_outside = |w: &KnotOffer| {
        w.way == KnotWay::CutWith && plan.zone_mm(knot.zone).is_some_and(|mm| mm <= off_skin)
    };
    if ways.iter().any(is_outside) {
        ways.retain(|w| w.way == KnotWay::CutWith);
    }
    Ok(ways)
}

/// Prices the three ways out of every tightly knotted zone that the plan cuts.
///
/// # Errors
/// If the solver gives no answer, a fault of ours.
pub fn knotted_zones(
    plan: &Plan,
    job: &Job,
    words: &Words<'_>,
) -> Result<Vec<KnottedZone>, SolveError> {
    let knotted: Vec<Zone> = Zone::ALL
        .into_iter()
        .filter(|z| job.coat.knots(*z) == Knots::Tight && plan.zone_mm(*z).is_some())
        .collect();
    knotted
        .iter()
        .map(|zone| {
            let minutes = brush_out_minutes(Knots::Tight, job) / knotted.len() as f64;
            priced(*zone, minutes, plan, job, words)
        })
        .collect()
}

fn priced(
    zone: Zone,
    brushing: f64,
    plan: &Plan,
    job: &Job,
    words: &Words<'_>,
) -> Result<KnottedZone, SolveError> {
    let mut without = job.clone();
    without.coat.knots.remove(&zone);
    let solved = |job: &Job| make_plan(job).map(Arc::new);
    let free = make_plan(&without)?;
    Ok(KnottedZone {
        zone,
        label: zone.label().into(),
        ways: ways_of(zone, (brushing, &free, plan), job, words, &solved)?,
    })
}

/// The ways, the cheapest first, where brushing out takes so many minutes and leaves the first plan, and
/// cutting with the coat leaves the second.
fn ways_of(
    zone: Zone,
    (brushing, free, with_coat): (f64, &Plan, &Plan),
    job: &Job,
    words: &Words<'_>,
    planning: Planning<'_>,
) -> Result<Vec<KnotOffer>, SolveError> {
    let cost = |p: &Plan| score(&p.solution.points, &p.lengths_mm);
    let left = |p: &Plan| p.zone_mm(zone).unwrap_or_default();
    let best = cost(free);
    let mut cleared = job.clone();
    let safe = at_most(job.safe_mm(zone));
    cleared.coat.limits.insert(zone, safe);
    let cleared = planning(&cleared)?;
    let growth = job.coat.texture.growth_in(zone);
    let offer = |way: KnotWay, minutes: f64, other: &Plan| {
        let costs = (cost(other) - best).max(0.0);
        let mm = left(other);
        let short = (left(free) - mm).max(0.0);
        let weeks = whole_weeks(growth.days_to(mm, short));
        KnotOffer {
            way,
            minutes,
            costs,
            leaves_mm: Length::worked_out_mm(mm),
            weeks,
            sentence: sentence(way, (minutes, costs, weeks), (mm, left(free)), words),
        }
    };
    let mut ways = vec![
        offer(KnotWay::Brush, brushing, free),
        offer(KnotWay::CutWith, 0.0, with_coat),
        offer(KnotWay::Clear, 0.0, &cleared),
    ];
    // Cleared to what the cut leaves anyway is no way of its own.
    if ways[2].leaves_mm.as_mm() + 1.0 > ways[1].leaves_mm.as_mm() {
        ways.remove(2);
    }
    let weighs =
        |o: &KnotOffer| o.costs + MINUTE * o.minutes + WEEK * f64::from(o.weeks.unwrap_or(NEVER));
    ways.sort_by(|a, b| weighs(a).total_cmp(&weighs(b)));
    Ok(ways)
}

fn at_most(mm: f64) -> Limit {
    Limit {
        not_shorter_mm: None,
        not_longer_mm: Length::from_mm(mm).ok(),
        because: LimitCause::Knots,
    }
}

fn sentence(
    way: KnotWay,
    (minutes, costs, weeks): (f64, f64, Option<u32>),
    (left, free): (f64, f64),
    words: &Words<'_>,
) -> String {
    let mm = words.whole(left);
    let does = match way {
        KnotWay::Brush => format!(
            "Brush out, if the dog bears it: {mm} stays, about {:.0} minutes more",
            minutes.ceil()
        ),
        KnotWay::CutWith if left + 0.5 > free => {
            format!("Cut with the coat: they lie outside the edge, {mm} stays")
        }
        KnotWay::CutWith => format!("Cut with the coat: {mm} stays"),
        KnotWay::Clear => format!("Clear it: {mm} stays, nothing left to knot"),
    };
    let price = if costs < NOTHING {
        "the balance holds".to_owned()
    } else {
        format!("it costs {costs:.1} in balance")
    };
    let back = match weeks {
        Some(0 | 1) => String::new(),
        Some(weeks) => format!(", {weeks} weeks until the hair is back"),
        None => ", and the hair does not come back so far".to_owned(),
    };
    format!("{does}; {price}{back}.")
}
