use std::collections::BTreeMap;

use schemars::JsonSchema;
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use super::{Measure, TakenMeasure};
use crate::units::{Length, UnitSystem, length_text};

/// How much a problem matters.
#[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, Deserialize, JsonSchema, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum Severity {
    /// The value is kept as typed but not used.
    Refused,
    /// The value is used; measuring again is advised.
    Unusual,
}

/// One sentence beside a field: what is wrong, the range, what to do.
#[derive(Clone, Debug, PartialEq, Eq, Serialize, Deserialize, JsonSchema, ToSchema)]
pub struct Problem {
    /// The field it belongs to, such as `measure.elbow_height` or `zone.chest`.
    pub field: String,
    /// How much it matters.
    pub severity: Severity,
    /// The sentence.
    pub message: String,
}

/// Sorts what was typed into what can be used and what must be said, all problems at once.
///
/// # Units and shapes
/// `height_mm` is the height the shares refer to. Returns the usable measures and the problems in
/// the order of [`Measure::ALL`].
pub(super) fn check(
    taken: &BTreeMap<Measure, TakenMeasure>,
    guessed_height_mm: f64,
    units: UnitSystem,
) -> (BTreeMap<Measure, f64>, Vec<Problem>) {
    let mut usable = BTreeMap::new();
    let mut problems = Vec::new();
    let mut height = guessed_height_mm;
    let mut length = None;
    for measure in Measure::ALL {
        let Some(value) = taken.get(&measure).map(|t| t.value_mm.as_mm()) else {
            continue;
        };
        let ranges = measure.ranges();
        let unit = match measure {
            Measure::HeightAtWithers => 1.0,
            Measure::LastRib => length.unwrap_or(1.05 * height),
            _ => height,
        };
        let within = |(low, high): (f64, f64)| value >= low * unit && value <= high * unit;
        if !within(ranges.refuse) {
            problems.push(problem(
                measure,
                value,
                ranges.refuse,
                unit,
                Severity::Refused,
                units,
            ));
            continue;
        }
        if !within(ranges.unusual) {
            problems.push(problem(
                measure,
                value,
                ranges.unusual,
                unit,
                Severity::Unusual,
                units,
            ));
        }
        match measure {
            Measure::HeightAtWithers => height = value,
            Measure::BodyLength => length = Some(value),
            _ => {}
        }
        usable.insert(measure, value);
    }
    for (upper, lower) in MUST_RISE {
        if let (Some(&high), Some(&low)) = (usable.get(&upper), usable.get(&lower))
            && low >= high
        {
            problems.push(Problem {
                field: field(lower),
                severity: Severity::Refused,
                message: format!(
                    "{} {} cannot be at or over {} {}; measure both again.",
                    lower.label(),
                    text(low, units),
                    upper.label().to_lowercase(),
                    text(high, units)
                ),
            });
            usable.remove(&lower);
        }
    }
    (usable, problems)
}

/// Upper landmark, lower landmark: the order of the frame, facts of anatomy (common practice).
const MUST_RISE: [(Measure, Measure); 7] = [
    (Measure::ElbowHeight, Measure::WristHeight),
    (Measure::StifleHeight, Measure::HockHeight),
    (Measure::FlankFoldHeight, Measure::StifleHeight),
    (Measure::FlankFoldHeight, Measure::HockHeight),
    (Measure::PinBoneHeight, Measure::StifleHeight),
    (Measure::TailSetHeight, Measure::PinBoneHeight),
    (Measure::ElbowHeight, Measure::HockHeight),
];

pub(super) fn field(measure: Measure) -> String {
    format!(
        "measure.{}",
        measure.label().to_lowercase().replace([' ', '-'], "_")
    )
}

fn text(mm: f64, units: UnitSystem) -> String {
    let unit = match units {
        UnitSystem::Millimetres => "mm",
        UnitSystem::Inches => "in",
    };
    let shown = Length::from_mm(mm).map_or_else(|_| mm.to_string(), |l| length_text(l, units));
    format!("{shown} {unit}")
}

fn problem(
    measure: Measure,
    value: f64,
    (low, high): (f64, f64),
    unit: f64,
    severity: Severity,
    units: UnitSystem,
) -> Problem {
    let (verb, todo) = match severity {
        Severity::Refused => ("cannot be", "check the figure and type it again"),
        Severity::Unusual => ("is unusual", "measure again if you doubt it"),
    };
    Problem {
        field: field(measure),
        severity,
        message: format!(
            "{} {} {verb}: this dog's lies between {} and {}; {todo}.",
            measure.label(),
            text(value, units),
            text(low * unit, units),
            text(high * unit, units)
        ),
    }
}
