use std::collections::BTreeMap;

use schemars::JsonSchema;
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use super::usual::usual_build;
use super::{
    Build, BuildType, DogSize, EarKind, Felt, Grade, Measure, Problem, Stance, TailKind,
    TakenMeasure, plausible,
};
use crate::units::{Length, UnitSystem};

/// Everything the hands found, as the visit holds it.
#[derive(Clone, Debug, Default, PartialEq, Serialize, Deserialize, JsonSchema, ToSchema)]
pub struct FrameInput {
    /// One tap on size.
    pub size: DogSize,
    /// The family of builds it estimates from.
    pub build: BuildType,
    /// Ear carriage where it differs from the build's.
    pub ear: Option<EarKind>,
    /// Tail carriage where it differs from the build's.
    pub tail: Option<TailKind>,
    /// Whether the dog stood square.
    pub stance: Stance,
    /// Measures taken.
    pub measures: BTreeMap<Measure, TakenMeasure>,
    /// Grades felt; a missing one was not asked.
    pub felt: BTreeMap<Felt, Grade>,
}

/// Where a number of the frame comes from.
#[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, Deserialize, JsonSchema, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum Origin {
    /// Tape.
    Tape,
    /// Height stick.
    HeightStick,
    /// Caliper.
    Caliper,
    /// A felt grade.
    Felt,
    /// Usual proportions.
    Estimated,
}

/// One number of the frame with its source and doubt.
#[derive(Clone, Copy, Debug, PartialEq, Serialize, Deserialize, JsonSchema, ToSchema)]
pub struct FrameValue {
    /// Which.
    pub measure: Measure,
    /// Its value.
    pub value_mm: Length,
    /// One standard deviation.
    pub doubt_mm: Length,
    /// Where it comes from.
    pub origin: Origin,
}

/// The frame, resolved: numbers for the geometry, their sources, and what must be said.
#[derive(Clone, Debug, PartialEq)]
pub struct Frame {
    /// What the geometry starts from.
    pub build: Build,
    /// Every measure with its source, in the order of [`Measure::ALL`].
    pub values: Vec<FrameValue>,
    /// Sentences beside the fields.
    pub problems: Vec<Problem>,
}

/// Doubt of an estimate from usual proportions, share of the value (handbook 2).
const ESTIMATE_DOUBT: f64 = 0.10;
/// The same for the hock (handbook 2).
const HOCK_DOUBT: f64 = 0.06;
/// The same for a height guessed from one tap on size (modelling choice).
const SIZE_DOUBT: f64 = 0.15;
/// Least doubt shown, mm: nobody reads a tape on a dog better (modelling choice).
const LEAST_DOUBT_MM: f64 = 0.5;

/// Turns what was typed and felt into the frame.
///
/// A measure wins over a felt grade, a grade over the usual proportion. Values that cannot be are
/// left out and named in `problems`; estimates give way so that the joints stay in order. Never
/// fails: with nothing given it is the type's usual dog.
///
/// # Units and shapes
/// Input lengths and results in mm; `units` only words the sentences.
pub fn resolve(input: &FrameInput, units: UnitSystem) -> Frame {
    let guessed = input.size.usual_height_mm();
    let (usable, problems) = plausible::check(&input.measures, guessed, units);
    let height = usable
        .get(&Measure::HeightAtWithers)
        .copied()
        .unwrap_or(guessed);
    let given = Given {
        usable: &usable,
        input,
        height,
    };
    let usual = usual_build(input.build, height);
    let mut build = usual.clone();
    given.fill(&usual, &mut build);
    keep_in_order(&usable, &mut build);
    if let Some(kind) = input.ear {
        build.ear.kind = kind;
    }
    if let Some(kind) = input.tail {
        build.tail.kind = kind;
    }
    let values = Measure::ALL
        .iter()
        .map(|&measure| given.value(measure, &build))
        .collect();
    Frame {
        build,
        values,
        problems,
    }
}

struct Given<'a> {
    usable: &'a BTreeMap<Measure, f64>,
    input: &'a FrameInput,
    height: f64,
}

impl Given<'_> {
    fn felt_mm(&self, felt: Felt) -> f64 {
        let grade = self.input.felt.get(&felt).copied().unwrap_or_default();
        felt.share(grade) * self.height
    }

    fn or(&self, measure: Measure, otherwise: f64) -> f64 {
        self.usable.get(&measure).copied().unwrap_or(otherwise)
    }

    /// What hangs together moves together: an estimate keeps its usual distance from its
    /// neighbour that was measured or felt (flank over elbow, tail set under hip crest, …).
    fn fill(&self, usual: &Build, b: &mut Build) {
        let h = self.height;
        b.length = self.or(Measure::BodyLength, usual.length);
        b.elbow = self.or(
            Measure::ElbowHeight,
            usual.elbow - self.felt_mm(Felt::ShortOnLeg),
        );
        b.hip = self.or(
            Measure::HipCrestHeight,
            usual.hip + self.felt_mm(Felt::HighInRear),
        );
        b.tail_set = self.or(
            Measure::TailSetHeight,
            b.hip - (usual.hip - usual.tail_set) - self.felt_mm(Felt::LowTailSet),
        );
        b.pin = self.or(Measure::PinBoneHeight, usual.pin.min(b.tail_set - 0.06 * h));
        b.flank = self.or(
            Measure::FlankFoldHeight,
            b.elbow + (usual.flank - usual.elbow),
        );
        // A dog lower at the elbow is lower at the knee, a little less so (modelling choice).
        b.stifle = self.or(
            Measure::StifleHeight,
            usual.stifle + 0.8 * (b.elbow - usual.elbow),
        );
        b.hock = self.or(Measure::HockHeight, usual.hock);
        b.wrist = self.or(Measure::WristHeight, usual.wrist);
        b.hock_reach = self.or(Measure::HockReach, usual.hock_reach);
        b.back_drop = self.or(Measure::BackDrop, self.felt_mm(Felt::DipInBack));
        b.last_rib = self.or(Measure::LastRib, usual.last_rib / usual.length * b.length);
        b.neck = self.or(
            Measure::NeckLength,
            usual.neck - self.felt_mm(Felt::ShortNeck),
        );
        b.head.length = self.or(Measure::HeadLength, usual.head.length);
        b.chest_width = self.or(Measure::ChestWidth, usual.chest_width);
        let wider = b.chest_width / usual.chest_width;
        b.rib_width = usual.rib_width * wider - self.felt_mm(Felt::ThinOverRibs);
        b.loin_width = usual.loin_width * wider;
        b.foot_width = self.or(Measure::FootWidth, usual.foot_width);
        b.foot_length = usual.foot_length * b.foot_width / usual.foot_width;
        b.bend_x = usual.bend_x - self.felt_mm(Felt::StraightBehind) + self.felt_mm(Felt::WellBent);
    }

    fn value(&self, measure: Measure, build: &Build) -> FrameValue {
        let value = read(measure, build);
        let (origin, doubt) = self.origin(measure, value);
        let of = |mm: f64| Length::from_mm(mm).unwrap_or_default();
        FrameValue {
            measure,
            value_mm: of(value),
            doubt_mm: of(doubt.max(LEAST_DOUBT_MM)),
            origin,
        }
    }

    fn origin(&self, measure: Measure, value: f64) -> (Origin, f64) {
        let stance = match measure {
            Measure::HockReach => self.input.stance.doubt_factor(),
            _ => 1.0,
        };
        if self.usable.contains_key(&measure) {
            let method = self.input.measures[&measure].method;
            let origin = match method {
                super::Method::Tape => Origin::Tape,
                super::Method::HeightStick => Origin::HeightStick,
                super::Method::Caliper => Origin::Caliper,
            };
            return (origin, method.doubt_mm() * stance);
        }
        let felt = match measure {
            Measure::ElbowHeight => Some(Felt::ShortOnLeg),
            Measure::HipCrestHeight => Some(Felt::HighInRear),
            Measure::TailSetHeight => Some(Felt::LowTailSet),
            Measure::BackDrop => Some(Felt::DipInBack),
            Measure::NeckLength => Some(Felt::ShortNeck),
            _ => None,
        };
        match felt {
            Some(felt) if self.input.felt.contains_key(&felt) => {
                (Origin::Felt, felt.doubt_share() * self.height)
            }
            // Not answered counts as none, with double doubt (handbook 2).
            Some(felt) => (Origin::Estimated, 2.0 * felt.doubt_share() * self.height),
            None => {
                let share = match measure {
                    Measure::HeightAtWithers => SIZE_DOUBT,
                    Measure::HockHeight => HOCK_DOUBT,
                    _ => ESTIMATE_DOUBT,
                };
                (Origin::Estimated, share * value.abs() * stance)
            }
        }
    }
}

fn read(measure: Measure, b: &Build) -> f64 {
    match measure {
        Measure::HeightAtWithers => b.height,
        Measure::BodyLength => b.length,
        Measure::ElbowHeight => b.elbow,
        Measure::HipCrestHeight => b.hip,
        Measure::LastRib => b.last_rib,
        Measure::HockHeight => b.hock,
        Measure::ChestWidth => b.chest_width,
        Measure::FootWidth => b.foot_width,
        Measure::BackDrop => b.back_drop,
        Measure::TailSetHeight => b.tail_set,
        Measure::PinBoneHeight => b.pin,
        Measure::FlankFoldHeight => b.flank,
        Measure::StifleHeight => b.stifle,
        Measure::WristHeight => b.wrist,
        Measure::HockReach => b.hock_reach,
        Measure::NeckLength => b.neck,
        Measure::HeadLength => b.head.length,
    }
}

/// Moves estimates, never measures, until the joints are in the order dog-shape.md 2 was tested for.
fn keep_in_order(usable: &BTreeMap<Measure, f64>, b: &mut Build) {
    let h = b.height;
    let free = |measure| !usable.contains_key(&measure);
    if free(Measure::WristHeight) {
        b.wrist = b.wrist.min(0.48 * b.elbow);
    } else if free(Measure::ElbowHeight) {
        b.elbow = b.elbow.max(b.wrist / 0.48);
    }
    if free(Measure::StifleHeight) {
        let under_flank = b.flank - 0.06 * h;
        if !free(Measure::FlankFoldHeight) {
            b.stifle = b.stifle.min(under_flank);
        }
        if !free(Measure::HockHeight) {
            let over_hock = b.hock + 0.10 * h;
            // Where both neighbours were measured too close, it stands half way between them.
            b.stifle = if free(Measure::FlankFoldHeight) || over_hock <= under_flank {
                b.stifle.max(over_hock)
            } else {
                f64::midpoint(b.hock, b.flank)
            };
        }
    }
    if free(Measure::HockHeight) {
        b.hock = b.hock.min(b.stifle - 0.10 * h).max(0.2 * b.stifle);
    }
    if free(Measure::FlankFoldHeight) {
        b.flank = b
            .flank
            .min(b.elbow + 0.20 * h)
            .max(b.elbow)
            .max(b.stifle + 0.06 * h);
    }
    if free(Measure::PinBoneHeight) {
        b.pin = b.pin.min(0.90 * h).min(b.tail_set - 0.06 * h);
    } else if free(Measure::TailSetHeight) {
        b.tail_set = b.tail_set.max(b.pin + 0.06 * h);
    }
    b.elbow_back = b.elbow_back.min(0.72 * b.length - b.stifle_forward);
}
