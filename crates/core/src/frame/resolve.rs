use std::collections::BTreeMap;

use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use super::age::Ago;
use super::build::DOCKED;
use super::doubt::{Doubt, Offsets};
use super::fill::{Given, Side};
use super::joints::angle_of;
use super::plausible::{self, Problem, Severity, Usable};
use super::usual::usual_build;
use super::{
    Angle, Build, BuildType, DogSize, Dome, EarKind, Felt, Finding, Grade, Measure, OwnType,
    Stance, TailKind, TakenAngle, TakenMeasure,
};
use crate::units::{Length, UnitSystem};

/// Everything the hands found, as the visit holds it.
#[derive(Clone, Debug, Default, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct FrameInput {
    /// One tap on size.
    pub size: DogSize,
    /// The family of builds it estimates from.
    pub build: BuildType,
    /// A type of the salon's own, laid over that family.
    #[serde(default)]
    pub own_type: Option<OwnType>,
    /// Ear carriage where it differs from the build's.
    pub ear: Option<EarKind>,
    /// Tail carriage where it differs from the build's.
    pub tail: Option<TailKind>,
    /// The skull's top where it differs from the build's.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub dome: Option<Dome>,
    /// Whether the dog stood square.
    pub stance: Stance,
    /// Measures taken.
    pub measures: BTreeMap<Measure, TakenMeasure>,
    /// Angles read.
    #[serde(default)]
    pub angles: BTreeMap<Angle, TakenAngle>,
    /// Grades felt on the left, or on both sides alike; a missing one was not asked.
    pub felt: BTreeMap<Felt, Grade>,
    /// Grades felt on the right where it differs.
    #[serde(default)]
    pub felt_right: BTreeMap<Felt, Grade>,
    /// How old what came along from earlier visits is.
    #[serde(default, skip_serializing_if = "Ago::is_empty")]
    pub ago: Ago,
}

/// Where a number of the frame comes from.
#[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum Origin {
    /// Tape.
    Tape,
    /// Height stick.
    HeightStick,
    /// Caliper.
    Caliper,
    /// Landmarks on a photo.
    Photo,
    /// Set on the drawing by a finger.
    Drawn,
    /// An angle rule.
    AngleRule,
    /// A felt grade.
    Felt,
    /// Usual proportions, or what follows from them.
    Estimated,
}

/// One length of the frame with its source and doubt.
#[derive(Clone, Copy, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct FrameValue {
    /// Which.
    pub measure: Measure,
    /// Its value: of the left side, or of both.
    pub value_mm: Length,
    /// The right side, where it is not as the left.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub right_mm: Option<Length>,
    /// One standard deviation.
    pub doubt_mm: Length,
    /// Where it comes from.
    pub origin: Origin,
}

/// One angle of the frame with its source and doubt.
#[derive(Clone, Copy, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct AngleValue {
    /// Which.
    pub angle: Angle,
    /// Degrees: of the left side, or of both.
    pub degrees: f64,
    /// The right side, where it is not as the left.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub right_degrees: Option<f64>,
    /// One standard deviation, degrees.
    pub doubt_degrees: f64,
    /// Where it comes from.
    pub origin: Origin,
}

/// The frame, resolved: numbers for the geometry, their sources, and what must be said.
#[derive(Clone, Debug, PartialEq)]
pub struct Frame {
    /// The left side: what the side view is drawn and judged from.
    pub build: Build,
    /// The right side.
    pub right: Build,
    /// Every measure with its source, in the order of [`Measure::ALL`].
    pub values: Vec<FrameValue>,
    /// Everything that is not sure.
    pub doubts: Vec<Doubt>,
    /// Sentences beside the fields.
    pub problems: Vec<Problem>,
}

/// Least doubt shown, mm: nobody reads a tape on a dog better (modelling choice).
const LEAST_DOUBT_MM: f64 = 0.5;
/// An angle read further than this many of its doubts from the drawn one is doubted aloud
/// (two standard deviations).
const ANGLE_APART: f64 = 2.0;

/// Turns what was typed and felt into the frame.
///
/// A measure wins over a felt grade, a grade over the usual proportion. Values that cannot be are
/// left out and named in `problems`; estimates give way so that the joints stay in order. Never
/// fails: with nothing given it is the type's usual dog.
///
/// # Units and shapes
/// Input lengths and results in mm; `units` only words the sentences.
pub fn resolve(input: &FrameInput, units: UnitSystem) -> Frame {
    let (given, mut problems) = sort(input, units);
    let still = Offsets::default();
    let build = given.side(Side::Left, &still);
    let right = given.side(Side::Right, &still);
    problems.extend(angles_apart(&given, &build));
    let values = Measure::ALL
        .iter()
        .map(|&measure| {
            let (origin, doubt) = given.origin(measure, measure.of(&build));
            let (left, other) = (measure.of(&build), measure.of(&right));
            FrameValue {
                measure,
                value_mm: length(left),
                right_mm: ((left - other).abs() > 0.05).then(|| length(other)),
                doubt_mm: length(doubt.max(LEAST_DOUBT_MM)),
                origin,
            }
        })
        .collect();
    Frame {
        doubts: given.doubts(&build),
        build,
        right,
        values,
        problems,
    }
}

/// Both sides of the frame with some of its numbers moved: for carrying doubt through.
pub fn resolve_moved(input: &FrameInput, offsets: &Offsets) -> Sides {
    let (given, _) = sort(input, UnitSystem::Millimetres);
    Sides {
        left: given.side(Side::Left, offsets),
        right: given.side(Side::Right, offsets),
    }
}

/// A dog's two sides.
#[derive(Clone, Debug, PartialEq)]
pub struct Sides {
    /// Left.
    pub left: Build,
    /// Right.
    pub right: Build,
}

impl Frame {
    /// Its two sides.
    pub fn sides(&self) -> Sides {
        Sides {
            left: self.build.clone(),
            right: self.right.clone(),
        }
    }
}

/// Every angle with its source and doubt; those not read follow from the landmarks and carry
/// their doubt.
pub fn angles(input: &FrameInput, frame: &Frame) -> Vec<AngleValue> {
    let (given, _) = sort(input, UnitSystem::Millimetres);
    let moved: Vec<(Build, Build)> = frame
        .doubts
        .iter()
        .map(|d| {
            let at = |by: f64| given.side(Side::Left, &Offsets::of(d.finding, by));
            (at(d.sigma), at(-d.sigma))
        })
        .collect();
    Angle::ALL
        .iter()
        .map(|&angle| {
            let degrees = angle_of(angle, &frame.build);
            let other = angle_of(angle, &frame.right);
            let spread: f64 = moved
                .iter()
                .map(|(up, down)| (angle_of(angle, up) - angle_of(angle, down)) / 2.0)
                .map(|d| d * d)
                .sum();
            AngleValue {
                angle,
                degrees,
                right_degrees: ((degrees - other).abs() > 0.5).then_some(other),
                doubt_degrees: spread.sqrt(),
                origin: given.angle_origin(angle),
            }
        })
        .collect()
}

/// A tail that is said to be docked and was measured long.
fn docked_and_long(
    input: &FrameInput,
    usable: &BTreeMap<Measure, Usable>,
    units: UnitSystem,
) -> Option<Problem> {
    if input.tail != Some(TailKind::Stub) {
        return None;
    }
    let height = usable
        .get(&Measure::HeightAtWithers)
        .map_or(input.size.usual_height_mm(), |u| u.left);
    let tail = usable.get(&Measure::TailLength)?.left;
    let most = DOCKED * height;
    (tail > most).then(|| Problem {
        field: Measure::TailLength.field(),
        severity: Severity::Unusual,
        message: format!(
            "Tail length {} is no docked tail: on this dog that ends at {}. Say how the tail is carried, or measure it again.",
            plausible::text(tail, units),
            plausible::text(most, units)
        ),
        culprits: vec![Measure::TailLength],
    })
}

fn sort(input: &FrameInput, units: UnitSystem) -> (Given<'_>, Vec<Problem>) {
    let guessed = input.size.usual_height_mm();
    let (usable, mut problems) = plausible::check(&input.measures, guessed, units);
    problems.extend(plausible::uneven_sides(&input.measures, &usable, units));
    let (angles, more) = plausible::check_angles(&input.angles);
    problems.extend(more);
    problems.extend(docked_and_long(input, &usable, units));
    let height = usable
        .get(&Measure::HeightAtWithers)
        .map_or(guessed, |u| u.left);
    let usual = input.usual(height);
    let given = Given {
        usable,
        angles,
        input,
        height,
        usual,
    };
    (given, problems)
}

/// Angles that were read but that heights and reach do not allow.
fn angles_apart(given: &Given<'_>, build: &Build) -> Vec<Problem> {
    [Angle::Stifle, Angle::Hock]
        .into_iter()
        .filter_map(|angle| {
            let read = given.angles.get(&angle)?.left;
            let drawn = angle_of(angle, build);
            let doubt = given.input.angles.get(&angle)?.method.doubt_deg();
            ((read - drawn).abs() > ANGLE_APART * doubt).then(|| Problem {
                field: angle.field(),
                severity: Severity::Unusual,
                message: format!(
                    "{} {read:.0}° does not go with the heights and the reach of hock and stifle, which give {drawn:.0}°; set the dog square and measure them again.",
                    angle.label()
                ),
                culprits: vec![Measure::StifleHeight, Measure::HockHeight],
            })
        })
        .collect()
}

impl FrameInput {
    /// The usual build at a height, the salon's own type laid over its family.
    pub(super) fn usual(&self, height_mm: f64) -> Build {
        let Some(own) = &self.own_type else {
            return usual_build(self.build, height_mm);
        };
        let mut usual = usual_build(own.base, height_mm);
        own.lay_over(&mut usual);
        usual
    }
}

fn length(mm: f64) -> Length {
    Length::worked_out_mm(mm)
}

impl Frame {
    /// Whether a measure was taken and is used.
    pub(super) fn is_measured(&self, measure: Measure) -> bool {
        self.values
            .iter()
            .any(|v| v.measure == measure && !matches!(v.origin, Origin::Estimated | Origin::Felt))
    }

    /// One standard deviation of a measure, mm.
    pub fn doubt_of(&self, finding: Finding) -> f64 {
        self.doubts
            .iter()
            .find(|d| d.finding == finding)
            .map_or(0.0, |d| d.sigma)
    }
}
