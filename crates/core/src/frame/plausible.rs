use std::collections::BTreeMap;

use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use super::fill::SHORTEST_LEATHER_MM;
use super::{Angle, Measure, TakenAngle, TakenMeasure};
use crate::units::{Length, UnitSystem, length_text};

/// How much a problem matters.
#[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum Severity {
    /// The value is kept as typed but not used.
    Refused,
    /// The value is used; measuring again is advised.
    Unusual,
}

/// One sentence beside a field: what is wrong, the range, what to do.
#[derive(Clone, Debug, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
pub struct Problem {
    /// The field it belongs to, such as `measure.elbow_height` or `zone.chest`.
    pub field: String,
    /// How much it matters.
    pub severity: Severity,
    /// The sentence.
    pub message: String,
    /// Measures to mark on the drawing: both culprits of a contradiction.
    #[serde(default, skip_serializing_if = "Vec::is_empty")]
    pub culprits: Vec<Measure>,
}

impl Problem {
    /// A problem of a field that is not a measure.
    pub fn of(field: impl Into<String>, severity: Severity, message: impl Into<String>) -> Self {
        Self {
            field: field.into(),
            severity,
            message: message.into(),
            culprits: Vec::new(),
        }
    }
}

/// A usable measure, mm: left and right alike where only one was taken.
#[derive(Clone, Copy, Debug, PartialEq)]
pub(super) struct Usable {
    pub left: f64,
    pub right: f64,
}

/// Sorts what was typed into what can be used and what must be said, all problems at once.
///
/// # Units and shapes
/// `guessed_height_mm` is the height the shares refer to while none is measured. Returns the usable
/// measures and the problems in the order of [`Measure::ALL`].
pub(super) fn check(
    taken: &BTreeMap<Measure, TakenMeasure>,
    guessed_height_mm: f64,
    units: UnitSystem,
) -> (BTreeMap<Measure, Usable>, Vec<Problem>) {
    let mut usable = BTreeMap::new();
    let mut problems = Vec::new();
    let mut height = guessed_height_mm;
    let mut length = None;
    for measure in Measure::ALL {
        let Some(reading) = taken.get(&measure) else {
            continue;
        };
        let unit = match measure {
            Measure::HeightAtWithers => 1.0,
            Measure::LastRib => length.unwrap_or(1.05 * height),
            _ => height,
        };
        let left = reading.value_mm.as_mm();
        let apart = reading.right_mm.filter(|_| measure.is_paired());
        let right = apart.map_or(left, Length::as_mm);
        let mut is_refused = false;
        let sides = std::iter::once(left).chain(apart.map(Length::as_mm));
        for value in sides {
            let severity = judge(measure, value, unit)
                .filter(|s| *s == Severity::Refused || !reading.is_confirmed);
            if let Some(severity) = severity {
                is_refused |= severity == Severity::Refused;
                problems.push(out_of_range(measure, value, unit, severity, units));
            }
        }
        if is_refused {
            continue;
        }
        match measure {
            Measure::HeightAtWithers => height = left,
            Measure::BodyLength => length = Some(left),
            _ => {}
        }
        usable.insert(measure, Usable { left, right });
    }
    contradictions(&mut usable, &mut problems, height, units);
    // What is refused need not be called unusual as well: a field says one thing.
    let is_refused = |p: &Problem| p.severity == Severity::Refused;
    let refused: Vec<String> = problems
        .iter()
        .filter(|p| is_refused(p))
        .map(|p| p.field.clone())
        .collect();
    problems.retain(|p| is_refused(p) || !refused.contains(&p.field));
    (usable, problems)
}

fn judge(measure: Measure, value: f64, unit: f64) -> Option<Severity> {
    let ranges = measure.ranges();
    let within = |range: (f64, f64)| {
        let (low, high) = bounds_mm(measure, range, unit);
        value >= low && value <= high
    };
    if !within(ranges.refuse) {
        Some(Severity::Refused)
    } else if !within(ranges.unusual) {
        Some(Severity::Unusual)
    } else {
        None
    }
}

/// A range in mm on a dog whose unit of that measure is so long.
fn bounds_mm(measure: Measure, (low, high): (f64, f64), unit: f64) -> (f64, f64) {
    let (low, high) = (low * unit, high * unit);
    match measure.whatever_height_mm() {
        Some((least, most)) => (low.max(least), high.min(most)),
        None => (low, high),
    }
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

/// What must fit into what: part, whole, room as a share of the height.
///
/// Two legs stand beside each other and under the body: a leg is not wider than the distance
/// between its middle and the other's, nor are the feet; the elbows stand under the chest
/// (dog-shape.md 12, combinations refused).
const MUST_FIT: [(Measure, Measure, f64); 4] = [
    (Measure::FootWidth, Measure::ForefootSpacing, 0.0),
    (Measure::FootWidth, Measure::HindFootSpacing, 0.0),
    (Measure::ForeLegFront, Measure::WristSpacing, 0.0),
    (Measure::ElbowSpacing, Measure::ChestWidth, 0.10),
];

/// A muzzle leaves room for a skull behind it: at most this share of the head's length (modelling choice: the
/// longest the drawn head was tried for).
pub(super) const MUZZLE_OF_HEAD: f64 = 0.69;

fn contradictions(
    usable: &mut BTreeMap<Measure, Usable>,
    problems: &mut Vec<Problem>,
    height: f64,
    units: UnitSystem,
) {
    let against = |one: Measure, of: f64, other: Measure, than: f64, verb: &str| Problem {
        field: one.field(),
        severity: Severity::Refused,
        message: format!(
            "{} {} {verb} {} {}; measure both again.",
            one.label(),
            text(of, units),
            other.label().to_lowercase(),
            text(than, units)
        ),
        culprits: vec![one, other],
    };
    for (upper, lower) in MUST_RISE {
        if let (Some(&high), Some(&low)) = (usable.get(&upper), usable.get(&lower))
            && (low.left >= high.left || low.right >= high.right)
        {
            let verb = "cannot be at or over";
            problems.push(against(lower, low.left, upper, high.left, verb));
            usable.remove(&lower);
        }
    }
    problems.extend(leather_too_long(usable, height, units));
    problems.extend(leather_against_nose(usable, height, units));
    problems.extend(ear_off_the_head(usable, height, units));
    for (part, whole, room) in MUST_FIT {
        if let (Some(&small), Some(&large)) = (usable.get(&part), usable.get(&whole))
            && small.left > large.left + room * height
        {
            let verb = "does not go with";
            problems.push(against(whole, large.left, part, small.left, verb));
            usable.remove(&whole);
        }
    }
    let (head, muzzle) = (Measure::HeadLength, Measure::MuzzleLength);
    if let (Some(&small), Some(&large)) = (usable.get(&muzzle), usable.get(&head))
        && small.left > MUZZLE_OF_HEAD * large.left
    {
        let verb = "does not go with";
        problems.push(against(head, large.left, muzzle, small.left, verb));
        usable.remove(&head);
    }
}

/// A head that nobody measured, and a neck, share of the height (handbook 2, *Usual proportions*).
const USUAL_HEAD_OR_NECK: f64 = 0.40;
/// Ear base to nose tip, shares of the head's length: where an ear can stand on it (modelling choice: from
/// behind the occiput to half way along the skull).
const EAR_TO_NOSE: (f64, f64) = (0.55, 1.15);

/// A leather longer than neck and head together (handbook 10, *Bad input*).
fn leather_too_long(
    usable: &mut BTreeMap<Measure, Usable>,
    height: f64,
    units: UnitSystem,
) -> Option<Problem> {
    let of = |measure| usable.get(&measure).map(|u: &Usable| u.left);
    let usual = USUAL_HEAD_OR_NECK * height;
    let most = of(Measure::NeckLength).unwrap_or(usual) + of(Measure::HeadLength).unwrap_or(usual);
    let leather = usable.get(&Measure::EarLeather)?;
    let longer = leather.left.max(leather.right);
    if longer <= most {
        return None;
    }
    usable.remove(&Measure::EarLeather);
    Some(Problem {
        field: Measure::EarLeather.field(),
        severity: Severity::Refused,
        message: format!(
            "Ear leather {} is longer than neck and head together, {}; measure all three again.",
            text(longer, units),
            text(most, units)
        ),
        culprits: vec![
            Measure::EarLeather,
            Measure::NeckLength,
            Measure::HeadLength,
        ],
    })
}

/// A leather by tape, and the same drawn forward, that put the ear where no ear stands; or the latter alone.
fn leather_against_nose(
    usable: &mut BTreeMap<Measure, Usable>,
    height: f64,
    units: UnitSystem,
) -> Option<Problem> {
    let short = *usable.get(&Measure::EarShortOfNose)?;
    let head = usable.get(&Measure::HeadLength);
    let head = head.map_or(USUAL_HEAD_OR_NECK * height, |u| u.left);
    let (least, most) = (EAR_TO_NOSE.0 * head, EAR_TO_NOSE.1 * head);
    let Some(leather) = usable.get(&Measure::EarLeather).copied() else {
        // Even the shortest leather would end so far from the nose only off the head.
        let reach = SHORTEST_LEATHER_MM + short.left.max(short.right);
        return (reach > most).then(|| {
            usable.remove(&Measure::EarShortOfNose);
            Problem {
                field: Measure::EarShortOfNose.field(),
                severity: Severity::Refused,
                message: format!(
                    "Ear short of the nose {} leaves no ear on a head of {}; measure both again.",
                    text(short.left, units),
                    text(head, units)
                ),
                culprits: vec![Measure::EarShortOfNose, Measure::HeadLength],
            }
        });
    };
    let stands = |reach: f64| (least..=most).contains(&reach);
    if stands(leather.left + short.left) && stands(leather.right + short.right) {
        return None;
    }
    usable.remove(&Measure::EarShortOfNose);
    Some(Problem {
        field: Measure::EarShortOfNose.field(),
        severity: Severity::Refused,
        message: format!(
            "Ear short of the nose {} does not go with ear leather {} on this head; measure both again.",
            text(short.left, units),
            text(leather.left, units)
        ),
        culprits: vec![Measure::EarShortOfNose, Measure::EarLeather],
    })
}

/// Jaw corner to ear base, shares of the head's length (modelling choice: from under the lowest ear of
/// dog-shape.md 2 to a finger over the skull).
const EAR_OVER_JAW: (f64, f64) = (0.12, 0.50);
/// Jaw corner to nose tip, share of the head's length, and how far types differ from it (dog-shape.md 2 and 3).
const JAW_TO_NOSE: f64 = 0.84;
const JAWS_DIFFER: f64 = 0.05;

/// An ear that stands under the jaw's corner or off the skull, or that jaw and nose put in two places.
fn ear_off_the_head(
    usable: &mut BTreeMap<Measure, Usable>,
    height: f64,
    units: UnitSystem,
) -> Option<Problem> {
    let over_jaw = usable.get(&Measure::JawToEar)?.left;
    let head = usable.get(&Measure::HeadLength);
    let head = head.map_or(USUAL_HEAD_OR_NECK * height, |u| u.left);
    let (least, most) = (EAR_OVER_JAW.0 * head, EAR_OVER_JAW.1 * head);
    let of = |measure| usable.get(&measure).map(|u: &Usable| u.left);
    let meets = of(Measure::EarShortOfNose).is_none_or(|short| {
        let past = match of(Measure::EarLeather) {
            Some(leather) => (leather + short - JAW_TO_NOSE * head).abs(),
            // Only what the shortest leather says.
            None => SHORTEST_LEATHER_MM + short - JAW_TO_NOSE * head,
        };
        past <= over_jaw - JAWS_DIFFER * head
    });
    if meets && (least..=most).contains(&over_jaw) {
        return None;
    }
    usable.remove(&Measure::JawToEar);
    Some(Problem {
        field: Measure::JawToEar.field(),
        severity: Severity::Refused,
        message: format!(
            "Jaw corner to ear base {} puts the ear where none stands on a head of {}; measure both again, and how far the ear reaches.",
            text(over_jaw, units),
            text(head, units)
        ),
        culprits: vec![Measure::JawToEar, Measure::HeadLength],
    })
}

/// Left and right further apart than this many of their doubts are named (modelling choice: two
/// readings of one height differ by √2 of a reading's doubt, so this is beyond chance at 95 %).
const SIDES_DIFFER_AT: f64 = 2.8;

/// Says which sides differ, and asks for the stance before a fault is believed (handbook 2).
pub(super) fn uneven_sides(
    taken: &BTreeMap<Measure, TakenMeasure>,
    usable: &BTreeMap<Measure, Usable>,
    units: UnitSystem,
) -> Vec<Problem> {
    usable
        .iter()
        .filter_map(|(measure, sides)| {
            let apart = sides.left - sides.right;
            let reading = taken.get(measure)?;
            let doubt = if reading.is_confirmed { f64::MAX } else { reading.doubt() };
            (apart.abs() > SIDES_DIFFER_AT * doubt).then(|| {
                let longer = if apart > 0.0 { "left" } else { "right" };
                let cause = if measure.is_of_the_ends() {
                    "an ear held askew does that. Hold both alike and measure them"
                } else if measure.is_height() {
                    "weight on one leg, or a foot not set square, does that. Set the dog square and measure both"
                } else {
                    "a foot not set square does that. Set the dog square and measure both"
                };
                Problem {
                    field: measure.field(),
                    severity: Severity::Unusual,
                    message: format!(
                        "{}: {longer} is {} more; {cause} again before believing it.",
                        measure.label(),
                        text(apart.abs(), units)
                    ),
                    culprits: vec![*measure],
                }
            })
        })
        .collect()
}

/// Sorts the angles read into usable ones, left and right, and what must be said.
pub(super) fn check_angles(
    taken: &BTreeMap<Angle, TakenAngle>,
) -> (BTreeMap<Angle, Usable>, Vec<Problem>) {
    let mut usable = BTreeMap::new();
    let mut problems = Vec::new();
    for (&angle, reading) in taken.iter().filter(|(a, _)| a.can_be_taken()) {
        let (refuse, unusual) = angle.ranges();
        let (left, right) = (
            reading.degrees,
            reading.right_degrees.unwrap_or(reading.degrees),
        );
        let outside = |(low, high): (f64, f64)| {
            [left, right]
                .into_iter()
                .find(|v| !(v.is_finite() && *v >= low && *v <= high))
        };
        let say = |value: f64, (low, high): (f64, f64), verb: &str, todo: &str| {
            format!(
                "{} {value:.0}° {verb}: it lies between {low:.0}° and {high:.0}°; {todo}.",
                angle.label()
            )
        };
        if let Some(value) = outside(refuse) {
            let message = say(
                value,
                refuse,
                "cannot be",
                "check the figure and type it again",
            );
            problems.push(Problem::of(angle.field(), Severity::Refused, message));
            continue;
        }
        if let Some(value) = outside(unusual) {
            let message = say(
                value,
                unusual,
                "is unusual",
                "measure again if you doubt it",
            );
            problems.push(Problem::of(angle.field(), Severity::Unusual, message));
        }
        usable.insert(angle, Usable { left, right });
    }
    (usable, problems)
}

impl Measure {
    /// The name its problems carry.
    pub fn field(self) -> String {
        named("measure", self.label())
    }
}

impl Angle {
    /// The name its problems carry.
    pub fn field(self) -> String {
        named("angle", self.label())
    }
}

fn named(of: &str, label: &str) -> String {
    let name = label
        .to_lowercase()
        .replace(", ", "_")
        .replace([' ', '-'], "_");
    format!("{of}.{name}")
}

pub(super) fn text(mm: f64, units: UnitSystem) -> String {
    let unit = match units {
        UnitSystem::Millimetres => "mm",
        UnitSystem::Inches => "in",
    };
    let shown = Length::from_mm(mm).map_or_else(|_| mm.to_string(), |l| length_text(l, units));
    format!("{shown} {unit}")
}

fn out_of_range(
    measure: Measure,
    value: f64,
    unit: f64,
    severity: Severity,
    units: UnitSystem,
) -> Problem {
    let ranges = measure.ranges();
    let (range, verb, todo) = match severity {
        Severity::Refused => (
            ranges.refuse,
            "cannot be",
            "check the figure and type it again",
        ),
        Severity::Unusual => (
            ranges.unusual,
            "is unusual",
            "measure again if you doubt it",
        ),
    };
    let (low, high) = bounds_mm(measure, range, unit);
    Problem {
        field: measure.field(),
        severity,
        message: format!(
            "{} {} {verb}: this dog's lies between {} and {}; {todo}.",
            measure.label(),
            text(value, units),
            text(low, units),
            text(high, units)
        ),
        culprits: vec![measure],
    }
}
