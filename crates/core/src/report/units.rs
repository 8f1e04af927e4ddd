use serde::{Deserialize, Serialize};
use utoipa::ToSchema;
use uuid::Uuid;

use crate::coat::Zone;
use crate::job::Job;
use crate::say::Words;
use crate::solve::{Roughing, Stroke, Unit, UnitCut};
use crate::units::Length;

vocabulary! {
    /// How a unit is cut, by name.
    #[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
    #[serde(rename_all = "snake_case")]
    pub enum StrokeName {
        /// Nothing comes off.
        Leave => "left as it is",
        /// Pressed flat, with the lay.
        Full => "pressed, with the lay",
        /// Against the lay.
        Against => "against the lay",
        /// Without weight.
        Skim => "weight off, skimmed",
        /// By shears.
        Scissor => "by shears",
        /// Thinned or stripped until it lies; its length stays.
        Thin => "thinned until it lies",
    }
}

impl From<Stroke> for StrokeName {
    fn from(stroke: Stroke) -> Self {
        match stroke {
            Stroke::Leave => Self::Leave,
            Stroke::Full => Self::Full,
            Stroke::Against => Self::Against,
            Stroke::Scissor => Self::Scissor,
            Stroke::Thin => Self::Thin,
        }
    }
}

/// What one unit gets.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct UnitRow {
    /// Which.
    pub unit: Unit,
    /// Its zone.
    pub zone: Zone,
    /// Its name.
    pub label: String,
    /// How it is cut.
    pub stroke: StrokeName,
    /// With what, in words.
    pub tool: String,
    /// The tool, where there is one.
    pub tool_id: Option<Uuid>,
    /// Length now.
    pub now_mm: Length,
    /// Shortest length it leaves.
    pub from_mm: Length,
    /// Longest length it leaves.
    pub to_mm: Length,
    /// The length as it stands on the sheet.
    pub text: String,
}

/// What a unit gets, in words.
pub(super) fn unit_row(cut: &UnitCut, is_one_pass: bool, job: &Job, words: &Words<'_>) -> UnitRow {
    let of = |mm: f64| Length::worked_out_mm(mm);
    let from = cut.leaves_mm.iter().copied().fold(f64::INFINITY, f64::min);
    let to = cut.leaves_mm.iter().copied().fold(0.0, f64::max);
    let zone = cut.unit.zone();
    UnitRow {
        unit: cut.unit,
        zone,
        label: if cut.unit == Unit::BackFront && is_one_pass {
            "back".into()
        } else {
            cut.unit.label().into()
        },
        stroke: cut.stroke.into(),
        tool: tool_text(cut, job.look.has_clipper, words),
        tool_id: cut.tool,
        now_mm: of(job.coat.length_mm(zone)),
        from_mm: of(from),
        to_mm: of(to),
        text: words.told_span(from, to, cut.stroke == Stroke::Scissor),
    }
}

fn tool_text(cut: &UnitCut, has_clipper: bool, words: &Words<'_>) -> String {
    let tool = cut.tool.map(|tool| words.tool(tool));
    let tool = match cut.roughing {
        Some(Roughing::HeldOff) => tool.map(|tool| format!("{tool} held off")),
        _ => tool,
    };
    StrokeName::from(cut.stroke).with(tool.as_deref(), has_clipper)
}

impl StrokeName {
    /// The stroke with its tool, in a few words; shears where there is none, thinning ones where the look is
    /// done without a clipper.
    pub(crate) fn with(self, tool: Option<&str>, has_clipper: bool) -> String {
        match (self, tool) {
            (Self::Leave, _) => "leave as it is".into(),
            (Self::Full, Some(tool)) => format!("{tool}, with the lay"),
            (Self::Against, Some(tool)) => format!("{tool}, against the lay"),
            (Self::Skim, Some(tool)) => format!("skim, {tool}"),
            (Self::Thin, _) => "thinned until it lies".into(),
            (Self::Scissor, Some(tool)) => format!("shears after the {tool}"),
            (_, None) if has_clipper => "shears".into(),
            (_, None) => "thinning shears".into(),
        }
    }
}
