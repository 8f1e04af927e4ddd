use std::collections::BTreeMap;

use schemars::JsonSchema;
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use crate::dog::Topic;
use crate::learn::{Learnt, Prior, learn};
use crate::run::{Run, StepState};

/// How long a kind of work really takes, against the table.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, JsonSchema, ToSchema)]
pub struct TopicLearnt {
    /// Which.
    pub topic: Topic,
    /// Its name.
    pub label: String,
    /// Factor on the table's minutes.
    pub factor: Learnt,
}

/// The table is off by about this factor at a new salon (logarithm; modelling choice: a third).
const TABLE_DOUBT: f64 = 0.3;
/// One groom's step scatters by about this (logarithm; modelling choice).
const STEP_SCATTER: f64 = 0.3;
/// Shorter steps were ticked in passing, not worked, minutes (modelling choice).
const PASSED_OVER: f64 = 0.2;

/// Learns from runs how long each kind of work takes: steps that were done, timed by moving on.
///
/// # Units and shapes
/// Factors on the table's own minutes, whatever factor a sheet was written with.
pub fn learn_minutes<'a>(runs: impl Iterator<Item = &'a Run>) -> Vec<TopicLearnt> {
    let mut readings: BTreeMap<Topic, Vec<f64>> = BTreeMap::new();
    for run in runs {
        for step in run.steps.iter().filter(|s| s.state == StepState::Done) {
            let Some(planned) = run.step(step.step) else {
                continue;
            };
            // What the table alone would say, whatever factor was in force then.
            let table = planned.minutes / planned.factor.max(1e-6);
            if step.minutes > PASSED_OVER && table > 0.0 {
                let reading = (step.minutes / table).ln();
                readings.entry(planned.topic).or_default().push(reading);
            }
        }
    }
    readings
        .into_iter()
        .map(|(topic, logs)| {
            let prior = Prior {
                value: 0.0,
                doubt: TABLE_DOUBT,
                scatter: STEP_SCATTER,
            };
            let learnt = learn(&logs, prior);
            let value = learnt.value.exp();
            TopicLearnt {
                topic,
                label: topic.label().into(),
                factor: Learnt {
                    value,
                    doubt: learnt.doubt * value,
                    ..learnt
                },
            }
        })
        .collect()
}
