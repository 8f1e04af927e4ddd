use std::collections::BTreeMap;

use serde::Serialize;
use utoipa::ToSchema;
use veliform_core::body::FoundKind;
use veliform_core::coat::{Site, Texture, Zone};
use veliform_core::device::DeviceKind;
use veliform_core::frame::{Angle, Bend, BuildType, Felt, Finding, Grade, Measure, Method, Stop};
use veliform_core::look::{Aim, LineName, LineStop, LookId};
use veliform_core::page::View;
use veliform_core::picture::PicturePoint;
use veliform_core::run::RunEnd;
use veliform_core::schools::{Answer, Question};
use veliform_core::shape::{Drag, Landmark};
use veliform_core::units::Length;

use super::choices::Word;

/// A measure's words.
#[derive(Debug, Serialize, ToSchema)]
pub struct MeasureWord {
    pub(super) measure: Measure,
    pub(super) label: &'static str,
    pub(super) how: &'static str,
    /// Whether it is one of the quick eight.
    pub(super) is_quick: bool,
    /// Whether the dog has two of it.
    pub(super) is_paired: bool,
    /// What reads it while a method is in hand.
    pub(super) read_by: BTreeMap<Method, Method>,
    /// The device that reads it.
    pub(super) device: DeviceKind,
    /// The name its problems carry.
    pub(super) field: String,
}

/// An angle's words.
#[derive(Debug, Serialize, ToSchema)]
pub struct AngleWord {
    pub(super) angle: Angle,
    pub(super) label: &'static str,
    pub(super) how: &'static str,
    /// Whether it is typed in; the others only follow from the landmarks.
    pub(super) can_be_taken: bool,
    /// What is published beside it: a reference, never a verdict.
    pub(super) reference: &'static str,
    pub(super) field: String,
}

/// The row of five that asks how the hind leg is bent.
#[derive(Debug, Serialize, ToSchema)]
pub struct BendQuestion {
    pub(super) label: &'static str,
    pub(super) how: &'static str,
    pub(super) answers: Vec<BendWord>,
}

/// A bend of the hind leg, in words.
#[derive(Debug, Serialize, ToSchema)]
pub struct BendWord {
    pub(super) bend: Bend,
    pub(super) label: &'static str,
    /// What is said with it.
    pub(super) felt: Felt,
    pub(super) grade: Grade,
}

/// A stop of the hand.
#[derive(Debug, Serialize, ToSchema)]
pub struct StopWord {
    pub(super) stop: Stop,
    pub(super) label: &'static str,
    pub(super) findings: Vec<Finding>,
}

/// A landmark's words.
#[derive(Debug, Serialize, ToSchema)]
pub struct LandmarkWord {
    pub(super) landmark: Landmark,
    pub(super) label: &'static str,
    /// Views it shows in, with the measure touching it opens there.
    pub(super) views: Vec<LandmarkView>,
}

/// A landmark in a view.
#[derive(Debug, Serialize, ToSchema)]
pub struct LandmarkView {
    pub(super) view: View,
    pub(super) opens: Option<Measure>,
    /// Whether it is marked on a photo taken so.
    pub(super) is_on_photo: bool,
    /// How dragging it there reads as that measure.
    pub(super) drag: Option<Drag>,
}

/// A type's words.
#[derive(Debug, Serialize, ToSchema)]
pub struct BuildWord {
    pub(super) build: BuildType,
    pub(super) label: &'static str,
    /// Where its proportions come from, and how far dogs differ.
    pub(super) source: &'static str,
}

/// What can be found on the body, in words.
#[derive(Debug, Serialize, ToSchema)]
pub struct FoundWord {
    pub(super) kind: FoundKind,
    pub(super) label: &'static str,
    /// Whether it usually reads: have a vet look at this.
    pub(super) is_for_the_vet: bool,
}

/// A site, in words.
#[derive(Debug, Serialize, ToSchema)]
pub struct SiteWord {
    pub(super) site: Site,
    pub(super) label: &'static str,
    /// Whether a dog has it left and right.
    pub(super) is_pair: bool,
}

/// A felt grade's words.
#[derive(Debug, Serialize, ToSchema)]
pub struct FeltWord {
    pub(super) felt: Felt,
    pub(super) label: &'static str,
    pub(super) how: &'static str,
    /// Whether left and right can differ.
    pub(super) is_paired: bool,
    /// Whether the quick way asks it.
    pub(super) is_quick: bool,
}

/// A zone's words.
#[derive(Debug, Serialize, ToSchema)]
pub struct ZoneWord {
    pub(super) zone: Zone,
    pub(super) label: &'static str,
    /// Whether a dog has it on both sides.
    pub(super) is_pair: bool,
}

/// A texture's words.
#[derive(Debug, Serialize, ToSchema)]
pub struct TextureWord {
    pub(super) texture: Texture,
    pub(super) label: &'static str,
    pub(super) stand: f64,
}

/// A look's words.
#[derive(Debug, Serialize, ToSchema)]
pub struct LookWord {
    pub(super) look: LookId,
    pub(super) name: &'static str,
    pub(super) summary: &'static str,
    /// Owners' own words for it.
    pub(super) aliases: &'static [&'static str],
    pub(super) body_mm: Length,
    pub(super) body_choices_mm: Vec<Length>,
}

/// A question on which practitioners disagree, in words.
#[derive(Debug, Serialize, ToSchema)]
pub struct QuestionWord {
    pub(super) question: Question,
    pub(super) label: &'static str,
    /// Why our default is what it is.
    pub(super) why: &'static str,
    /// The answers, our default first.
    pub(super) answers: Vec<Word<Answer>>,
}

/// A line a salon can have its own way, in words.
#[derive(Debug, Serialize, ToSchema)]
pub struct LineWord {
    pub(super) line: LineName,
    pub(super) label: &'static str,
    pub(super) stops: Vec<Word<LineStop>>,
}

/// A place to touch on an owner's picture, in words.
#[derive(Debug, Serialize, ToSchema)]
pub struct PictureWord {
    pub(super) point: PicturePoint,
    pub(super) label: &'static str,
    pub(super) can_be_left: bool,
}

/// A number that can be aimed at, in words.
#[derive(Debug, Serialize, ToSchema)]
pub struct AimWord {
    pub(super) aim: Aim,
    pub(super) label: &'static str,
    pub(super) from: f64,
    pub(super) to: f64,
}

/// How a run ended, in words.
#[derive(Debug, Serialize, ToSchema)]
pub struct RunEndWord {
    pub(super) how: RunEnd,
    pub(super) label: &'static str,
    /// What follows from it.
    pub(super) means: &'static str,
    /// What stands over a groom that ended so.
    pub(super) over: &'static str,
}
