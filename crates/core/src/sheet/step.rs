use std::collections::BTreeMap;

use serde::{Deserialize, Deserializer, Serialize};
use utoipa::ToSchema;
use uuid::Uuid;

use super::cautions::Caution;
use super::staged::StagedSheet;
use crate::coat::{Site, Zone};
use crate::dog::{House, Sort, Topic};
use crate::units::Length;

/// Stages of the groom, in order (handbook 6).
#[derive(Clone, Copy, Debug, PartialEq, Eq, PartialOrd, Ord, Serialize, Deserialize, ToSchema)]
#[serde(rename_all = "snake_case")]
#[expect(missing_docs, reason = "the names are the handbook's")]
pub enum Stage {
    Prepare,
    Clip,
    FeetAndBevels,
    Scissor,
    Blend,
    Check,
}

impl Stage {
    /// Name on the sheet.
    pub const fn label(self) -> &'static str {
        match self {
            Self::Prepare => "Prepare",
            Self::Clip => "Clip",
            Self::FeetAndBevels => "Feet and bevels",
            Self::Scissor => "Scissor",
            Self::Blend => "Blend",
            Self::Check => "Check",
        }
    }
}

/// What kind of step it is, as the table run handles it.
#[derive(Clone, Copy, Debug, Default, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum StepKind {
    /// A small job, easily forgotten.
    Tick,
    /// The bath.
    Bath,
    /// The comb tried region by region.
    CombTest,
    /// Anything else.
    #[default]
    Work,
}

/// What stands on a zone once the last step on it is done.
#[derive(Clone, Copy, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct Stands {
    /// On the mean.
    pub mm: Length,
    /// Where it is shortest.
    pub least_mm: Length,
    /// Where it is longest.
    pub most_mm: Length,
}

/// Steps kept before the sentence was the screens' had it in front of the blade.
fn blade_alone<'de, D: Deserializer<'de>>(from: D) -> Result<Option<String>, D::Error> {
    let said = Option::<String>::deserialize(from)?;
    Ok(
        said.map(|text| match text.strip_prefix("If the comb stops: ") {
            Some(blade) => blade.to_owned(),
            None => text,
        }),
    )
}

/// One step at the table.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct Step {
    /// Its number.
    pub number: u32,
    /// Its stage.
    pub stage: Stage,
    /// The stage's name.
    pub stage_label: String,
    /// What is done.
    pub what: String,
    /// With which tool; empty where none is needed.
    pub tool: String,
    /// Stroke and direction; empty where none applies.
    pub stroke: String,
    /// Where it starts.
    pub from: String,
    /// Where it stops.
    pub to: String,
    /// Length left, by part.
    pub leaves: String,
    /// Minutes.
    pub minutes: f64,
    /// Zones touched.
    pub zones: Vec<Zone>,
    /// What stands where no later step cuts.
    #[serde(default, skip_serializing_if = "BTreeMap::is_empty")]
    pub stands: BTreeMap<Zone, Stands>,
    /// Sites worked on.
    #[serde(default, skip_serializing_if = "Vec::is_empty")]
    pub sites: Vec<Site>,
    /// The bare blade should the comb not pass.
    #[serde(default, deserialize_with = "blade_alone")]
    pub instead: Option<String>,
    /// Cautions, this dog's first; a usual one at the first step it belongs to.
    pub cautions: Vec<Caution>,
    /// What holds here as well and an earlier step says already: usual cautions. Read as a whole, a sheet
    /// says it once; at the table a step has all of its own.
    #[serde(default, skip_serializing_if = "Vec::is_empty")]
    pub again: Vec<String>,
    /// How much, place by place: on legs what comes off face by face at three heights; how far the hygiene
    /// area goes.
    #[serde(default)]
    pub amounts: Vec<String>,
    /// What kind of step it is.
    #[serde(default)]
    pub kind: StepKind,
    /// What the other hand does, at the first step where it does it.
    #[serde(default)]
    pub hand: String,
    /// The same at a later one.
    #[serde(default, skip_serializing_if = "String::is_empty")]
    pub hand_again: String,
    /// How its pair is brought together and compared; empty where nothing stands twice.
    #[serde(default)]
    pub pair: String,
    /// The kind of work, as the salon's clock knows it.
    #[serde(default)]
    pub topic: Topic,
    /// Factor on the table's minutes that the salon's log had taught.
    #[serde(default = "unchanged")]
    pub factor: f64,
    /// The tool, where it is one of the kit.
    #[serde(default)]
    pub tool_id: Option<Uuid>,
    /// Whether a bare blade runs, which warms.
    #[serde(default)]
    pub is_bare_blade: bool,
    /// Whether a comb is to pass from skin to tip before the step begins.
    #[serde(default)]
    pub needs_comb_test: bool,
}

impl Step {
    /// Every caution that holds here, whether an earlier step says it already or not.
    pub fn warns(&self) -> impl Iterator<Item = &str> {
        let here = self.cautions.iter().map(|c| c.text.as_str());
        here.chain(self.again.iter().map(String::as_str))
    }
}

/// The plan for the table.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct CutSheet {
    /// The steps in order.
    pub steps: Vec<Step>,
    /// Minutes altogether.
    pub minutes: f64,
    /// How often a tool is changed.
    pub tool_changes: u32,
    /// How often a bare blade is to be felt and swapped or cooled, its minutes in the steps.
    #[serde(default)]
    pub blade_pauses: u32,
    /// What was counted in, in one sentence.
    #[serde(default)]
    pub counted: String,
    /// Notes of the visit.
    pub notes: Vec<String>,
    /// What is done otherwise on this dog than on others, a sentence each.
    #[serde(default, skip_serializing_if = "Vec::is_empty")]
    pub own_ways: Vec<String>,
    /// Stands on every sheet.
    pub standing_caution: String,
    /// A bare blade is felt after so many minutes.
    #[serde(default = "usual_blade_minutes")]
    pub blade_minutes: f64,
    /// The dog rests after so many minutes; none where it needs no breaks.
    #[serde(default)]
    pub break_every_minutes: Option<f64>,
    /// What sort of groom it is.
    #[serde(default)]
    pub sorts: Vec<Sort>,
    /// The stage of a programme it is cut down to; none for the whole groom.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub staged: Option<Box<StagedSheet>>,
    /// What this salon does with a warm blade.
    #[serde(default)]
    pub warm_blade: String,
}

/// A sheet kept before the salon learnt its minutes.
const fn unchanged() -> f64 {
    1.0
}

/// What a sheet kept before blades were timed is run with.
fn usual_blade_minutes() -> f64 {
    House::default().blade_minutes
}
