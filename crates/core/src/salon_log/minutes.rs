use std::collections::{BTreeMap, BTreeSet};

use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use crate::dog::{Sort, Topic};
use crate::learn::{Learnt, Prior, learn};
use crate::run::{Run, StepState};

/// How long a kind of work really takes, against the table.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct TopicLearnt {
    /// Which.
    pub topic: Topic,
    /// Its name.
    pub label: String,
    /// Factor on the table's minutes.
    pub factor: Learnt,
}

/// How much longer a sort of groom takes than this salon's others.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct SortLearnt {
    /// Which.
    pub sort: Sort,
    /// By what it is sorted, in a word.
    pub label: String,
    /// Factor on the minutes of every step.
    pub factor: Learnt,
}

/// What runs teach of minutes.
#[derive(Clone, Debug, Default, PartialEq)]
pub struct MinutesLearnt {
    /// By kind of work.
    pub topics: Vec<TopicLearnt>,
    /// By sort of groom, beyond what the kind of work explains.
    pub sorts: Vec<SortLearnt>,
}

/// The table is off by about this factor at a new salon (logarithm; modelling choice: a third).
const TABLE_DOUBT: f64 = 0.3;
/// Sorts of grooms lie about this far apart (logarithm; modelling choice: a fifth).
const SORT_DOUBT: f64 = 0.2;
/// One groom's step scatters by about this (logarithm; modelling choice).
const STEP_SCATTER: f64 = 0.3;
/// Shorter steps were ticked in passing, not worked, minutes (modelling choice).
const PASSED_OVER: f64 = 0.2;
/// Kinds of work and sorts of grooms are fitted in turn; more rounds change nothing (tried).
const ROUNDS: usize = 4;

/// One step timed by moving on.
struct Timed<'a> {
    topic: Topic,
    sorts: &'a [Sort],
    /// Logarithm of what it took over what the table says.
    log: f64,
}

/// Learns from runs how long each kind of work takes, and how much longer each sort of groom:
/// steps that were done, timed by moving on.
///
/// Each value explains what the others leave: a curly coat that only one stylist cuts is not
/// counted twice.
///
/// # Units and shapes
/// Factors on the table's own minutes, whatever factor a sheet was written with.
pub fn learn_minutes<'a>(runs: impl Iterator<Item = &'a Run>) -> MinutesLearnt {
    let steps: Vec<Timed<'a>> = runs.flat_map(timed).collect();
    let mut topics: BTreeMap<Topic, Learnt> = BTreeMap::new();
    let mut sorts: BTreeMap<&Sort, Learnt> = BTreeMap::new();
    let of = |learnt: Option<&Learnt>| learnt.map_or(0.0, |l| l.value);
    // Where all grooms are of one sort there is nothing to tell it from.
    let all: BTreeSet<&Sort> = steps.iter().flat_map(|s| s.sorts).collect();
    let has_another = |sort: &Sort| all.iter().any(|o| o.by == sort.by && *o != sort);
    let names: Vec<&Sort> = all.iter().copied().filter(|s| has_another(s)).collect();
    for _ in 0..ROUNDS {
        let mut left: BTreeMap<Topic, Vec<f64>> = BTreeMap::new();
        for step in &steps {
            let by_sort: f64 = step.sorts.iter().map(|s| of(sorts.get(s))).sum();
            left.entry(step.topic).or_default().push(step.log - by_sort);
        }
        topics = fit(left, TABLE_DOUBT);
        for name in &names {
            let residuals: Vec<f64> = steps
                .iter()
                .filter(|s| s.sorts.contains(*name))
                .map(|s| {
                    let others = s.sorts.iter().filter(|other| other != name);
                    let by_sort: f64 = others.map(|o| of(sorts.get(o))).sum();
                    s.log - of(topics.get(&s.topic)) - by_sort
                })
                .collect();
            sorts.insert(name, learn(&residuals, prior(SORT_DOUBT)));
        }
    }
    MinutesLearnt {
        topics: topics
            .into_iter()
            .map(|(topic, learnt)| TopicLearnt {
                topic,
                label: topic.label().into(),
                factor: as_factor(learnt),
            })
            .collect(),
        sorts: sorts
            .into_iter()
            .map(|(sort, learnt)| SortLearnt {
                sort: sort.clone(),
                label: sort.by.label().into(),
                factor: as_factor(learnt),
            })
            .collect(),
    }
}

fn timed(run: &Run) -> Vec<Timed<'_>> {
    run.steps
        .iter()
        .filter(|s| s.state == StepState::Done && s.minutes > PASSED_OVER)
        .filter_map(|step| {
            let planned = run.step(step.step)?;
            // What the table alone would say, whatever factor was in force then.
            let table = planned.minutes / planned.factor.max(1e-6);
            (table > 0.0).then(|| Timed {
                topic: planned.topic,
                sorts: &run.sheet.sorts,
                log: (step.minutes / table).ln(),
            })
        })
        .collect()
}

const fn prior(doubt: f64) -> Prior {
    Prior {
        value: 0.0,
        doubt,
        scatter: STEP_SCATTER,
    }
}

fn fit<K: Ord>(readings: BTreeMap<K, Vec<f64>>, doubt: f64) -> BTreeMap<K, Learnt> {
    readings
        .into_iter()
        .map(|(key, logs)| (key, learn(&logs, prior(doubt))))
        .collect()
}

/// From logarithms to factors.
fn as_factor(learnt: Learnt) -> Learnt {
    let value = learnt.value.exp();
    Learnt {
        value,
        doubt: learnt.doubt * value,
        ..learnt
    }
}
