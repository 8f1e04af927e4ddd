use std::collections::BTreeMap;

use serde::{Deserialize, Serialize};
use utoipa::ToSchema;
use uuid::Uuid;

use super::{Build, BuildType, FrameInput, Measure, Problem, Severity, resolve};
use crate::units::UnitSystem;

/// A proportion a salon found on its own dogs.
#[derive(Clone, Copy, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct OwnShare {
    /// Mean, share of the height at withers; of the body length for the last rib.
    pub share: f64,
    /// One standard deviation between dogs, same unit.
    pub spread: f64,
    /// How many dogs it rests on.
    pub dogs: u32,
}

/// A type a salon made from its own measured dogs: better starting estimates than one average.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct OwnType {
    /// Its id.
    pub id: Uuid,
    /// Its name.
    pub name: String,
    /// What all else is estimated from.
    pub base: BuildType,
    /// What was found.
    pub shares: BTreeMap<Measure, OwnShare>,
}

/// Fewest dogs a proportion rests on (modelling choice: two say nothing of their spread).
const FEWEST_DOGS: usize = 3;
/// Least spread believed, share of the value: a few alike dogs are luck (modelling choice).
const LEAST_SPREAD: f64 = 0.02;
/// Longest name, letters.
const NAME_LETTERS: usize = 40;

impl OwnType {
    /// Makes a type from the frames of measured dogs; only what was measured counts, felt and
    /// estimated numbers do not.
    ///
    /// # Errors
    /// With a sentence if the name is missing or too long, or no measure was taken on three dogs.
    pub fn from_dogs(
        id: Uuid,
        name: &str,
        base: BuildType,
        dogs: &[FrameInput],
    ) -> Result<Self, Problem> {
        let name = name.trim();
        let refuse =
            |field: &str, message: String| Err(Problem::of(field, Severity::Refused, message));
        if name.is_empty() {
            return refuse("type.name", "The type has no name; type one.".into());
        }
        if name.chars().count() > NAME_LETTERS {
            return refuse(
                "type.name",
                format!("The type's name is over {NAME_LETTERS} letters long; shorten it."),
            );
        }
        let mut found: BTreeMap<Measure, Vec<f64>> = BTreeMap::new();
        for input in dogs {
            let frame = resolve(input, UnitSystem::Millimetres);
            let is_usable = |m: &Measure| input.measures.contains_key(m) && frame.is_measured(*m);
            if !is_usable(&Measure::HeightAtWithers) {
                continue;
            }
            for measure in Measure::ALL.into_iter().filter(is_usable) {
                let unit = unit_of(measure, &frame.build);
                let list = found.entry(measure).or_default();
                list.push(measure.of(&frame.build) / unit);
            }
        }
        let shares: BTreeMap<Measure, OwnShare> = found
            .into_iter()
            .filter(|(m, list)| *m != Measure::HeightAtWithers && list.len() >= FEWEST_DOGS)
            .map(|(m, list)| (m, share_of(&list)))
            .collect();
        if shares.is_empty() {
            return refuse(
                "type.dogs",
                format!(
                    "No measure was taken on {FEWEST_DOGS} dogs yet; measure more of them first."
                ),
            );
        }
        Ok(Self {
            id,
            name: name.into(),
            base,
            shares,
        })
    }

    /// Lays its proportions over the usual build of its base.
    pub(super) fn lay_over(&self, usual: &mut Build) {
        for (measure, own) in self.possible() {
            let unit = unit_of(measure, usual);
            measure.set(usual, own.share * unit);
        }
    }

    /// One standard deviation between its dogs of a measure, same unit as its share.
    pub(super) fn spread(&self, measure: Measure) -> Option<f64> {
        self.possible()
            .find(|(m, _)| *m == measure)
            .map(|(_, own)| own.spread)
    }

    /// Its proportions a dog can have; a type that came in from elsewhere may hold anything.
    fn possible(&self) -> impl Iterator<Item = (Measure, OwnShare)> + '_ {
        self.shares
            .iter()
            .map(|(m, own)| (*m, *own))
            .filter(|(m, own)| {
                let (low, high) = m.ranges().refuse;
                *m != Measure::HeightAtWithers
                    && (low..=high).contains(&own.share)
                    && (0.0..=high).contains(&own.spread)
            })
    }
}

fn unit_of(measure: Measure, build: &Build) -> f64 {
    match measure {
        Measure::LastRib => build.length,
        _ => build.height,
    }
}

fn share_of(list: &[f64]) -> OwnShare {
    let n = list.len() as f64;
    let mean = list.iter().sum::<f64>() / n;
    let squares: f64 = list.iter().map(|v| (v - mean).powi(2)).sum();
    let spread = (squares / (n - 1.0)).sqrt();
    OwnShare {
        share: mean,
        spread: spread.max(LEAST_SPREAD * mean.abs()),
        dogs: u32::try_from(list.len()).unwrap_or(u32::MAX),
    }
}
