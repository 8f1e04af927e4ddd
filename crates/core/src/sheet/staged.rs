use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use super::cautions::Hazard;
use super::step::{Stage, Step, StepKind};
use super::writer::{Draft, Writer};
use crate::coat::Zone;
use crate::dog::{Dog, Programme, Topic};

/// The stage of a programme that a sheet is cut down to.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct StagedSheet {
    /// Which.
    pub stage: Programme,
    /// Its name.
    pub label: String,
    /// What it is about and how long it may last, in one sentence.
    pub sentence: String,
    /// What the owner does at home until the next visit.
    pub home_care: String,
}

/// Work between two breaks in a programme, minutes (modelling choice after handbook 10 F).
pub(super) const BREAK_EVERY_MINUTES: f64 = 10.0;
/// Minutes the dryer runs from afar (modelling choice).
const DRYER_FROM_AFAR: f64 = 3.0;
/// The head's own zones.
const HEAD: [Zone; 6] = [
    Zone::Topknot,
    Zone::Cheek,
    Zone::Brow,
    Zone::Muzzle,
    Zone::Beard,
    Zone::Ear,
];

impl StagedSheet {
    pub(super) fn of(stage: Programme, dog: &Dog, minutes: f64) -> Self {
        let most = Programme::minutes_at_most(dog);
        let rest = if minutes > most {
            "what is left then waits for the next visit"
        } else {
            "stop sooner if it has had enough"
        };
        Self {
            stage,
            label: stage.label().into(),
            sentence: format!(
                "{}, no more than that today: {most:.0} minutes at most, a break every {BREAK_EVERY_MINUTES:.0}; {rest}.",
                crate::say::capital(stage.label())
            ),
            home_care: stage.home_care().into(),
        }
    }
}

/// Whether a step belongs to a stage (handbook 10 A 9).
pub(super) fn belongs(stage: Programme, step: &Step) -> bool {
    let is_of_head = !step.zones.is_empty() && step.zones.iter().all(|z| HEAD.contains(z));
    let is_a_clip = step.stage == Stage::Clip || step.topic == Topic::Clip;
    match (stage, step.stage) {
        (_, Stage::Check) => true,
        (Programme::Meeting, Stage::Prepare) => {
            !is_a_clip && step.kind != StepKind::Bath && step.topic != Topic::Dry
        }
        (Programme::Meeting, _) => false,
        (Programme::FeetAndFace, Stage::Prepare | Stage::FeetAndBevels) => !is_a_clip,
        (Programme::FeetAndFace, _) => is_of_head,
        (Programme::FirstTidy, _) => !is_a_clip || is_of_head,
    }
}

impl Writer<'_> {
    /// The dryer is met before it dries.
    pub(super) fn dryer_from_afar(&mut self) {
        let draft = Draft {
            what: "Dryer from afar: let it hear the air, then feel it on the shoulder".into(),
            minutes: DRYER_FROM_AFAR,
            hazards: &[Hazard::Dryer],
            ..Draft::default()
        };
        self.push(Stage::Prepare, draft.of(StepKind::Work, Topic::SmallJobs));
    }
}
