use serde::{Deserialize, Serialize};
use utoipa::ToSchema;
use uuid::Uuid;

use super::clipper::ClipperFit;
use crate::frame::{Problem, Severity};
use crate::units::{Length, UnitSystem, length_text};

/// One comb size, mm (handbook 5: one size = 3 mm).
pub const ONE_SIZE_MM: f64 = 3.0;

/// What kind of tool.
#[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum ToolKind {
    /// A clipper blade, used bare.
    Blade,
    /// A guide comb over a blade.
    Comb,
}

vocabulary! {
    /// The state a tool is in.
    #[derive(Clone, Copy, Debug, Default, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
    #[serde(rename_all = "snake_case")]
    pub enum ToolState {
        /// Fit for work.
        #[default]
        Fine => "Fine",
        /// Runs warm: still used, watched.
        WarmRunning => "Runs warm",
        /// Dull: not planned with.
        Dull => "Dull",
        /// A tooth is missing: not planned with.
        ToothMissing => "Tooth missing",
    }
}

/// One blade or comb.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct Tool {
    /// Made by the screen that entered it.
    pub id: Uuid,
    /// Blade or comb.
    pub kind: ToolKind,
    /// What is printed on it, as its owner calls it.
    pub printed: String,
    /// Length it leaves with the lay; a comb's is true over a 30.
    pub leaves_mm: Length,
    /// The longest it is set to, where it is an adjustable blade; `leaves_mm` is then its shortest.
    #[serde(default)]
    pub to_mm: Option<Length>,
    /// What clipper it fits.
    #[serde(default)]
    pub fits: ClipperFit,
    /// Its state.
    #[serde(default)]
    pub state: ToolState,
    /// Out of the kit for good.
    #[serde(default)]
    pub retired: bool,
    /// When it was sharpened last, or bought, milliseconds since 1970 in UTC; none where nobody said.
    #[serde(default)]
    pub sharpened_ms: Option<i64>,
}

/// An adjustable blade is set by feel to about so many lengths (handbook 3: several lengths in one
/// tool; modelling choice).
const SETTINGS: u32 = 4;

impl Tool {
    /// The tool at each length it can be set to: itself, or an adjustable blade from its shortest to
    /// its longest.
    pub fn settings(&self) -> Vec<Self> {
        let (from, to) = (self.leaves_mm.as_mm(), self.to_mm.map(Length::as_mm));
        let Some(to) = to.filter(|to| *to > from) else {
            return vec![self.clone()];
        };
        (0..SETTINGS)
            .map(|n| {
                let share = f64::from(n) / f64::from(SETTINGS - 1);
                let leaves_mm = Length::from_mm(from + share * (to - from));
                Self {
                    leaves_mm: leaves_mm.unwrap_or(self.leaves_mm),
                    ..self.clone()
                }
            })
            .collect()
    }

    /// Whether plans may use it: owned and fit.
    pub const fn is_fit(&self) -> bool {
        !self.retired && matches!(self.state, ToolState::Fine | ToolState::WarmRunning)
    }
}

vocabulary! {
    /// The blade beneath the combs (handbook 6, school; default 30).
    #[derive(Clone, Copy, Debug, Default, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
    #[serde(rename_all = "snake_case")]
    pub enum UnderComb {
        /// A 40: smoother, closer at every slip.
        Forty => "40",
        /// A 30: a comb's marked length is then true.
        #[default]
        Thirty => "30",
        /// A 10: a millimetre longer, safer.
        Ten => "10",
    }
}

impl UnderComb {
    /// Length the blade leaves bare, mm (industry numbering, from memory; handbook 3).
    pub const fn leaves_mm(self) -> f64 {
        match self {
            Self::Forty => 0.25,
            Self::Thirty => 0.5,
            Self::Ten => 1.5,
        }
    }

    /// Its number.
    pub const fn number(self) -> &'static str {
        match self {
            Self::Forty => "40",
            Self::Thirty => "30",
            Self::Ten => "10",
        }
    }
}

/// Longest comb that can be entered, mm: half as long again as the longest in use (common practice).
const LONGEST_MM: f64 = 80.0;

/// All that is wrong with a tool as typed; empty when it can be kept.
pub fn check_tool(tool: &Tool, units: UnitSystem) -> Vec<Problem> {
    let mut problems = Vec::new();
    if tool.printed.trim().is_empty() {
        problems.push(Problem::of(
            "tool.printed",
            Severity::Refused,
            "The tool has no name; type what is printed on it.",
        ));
    }
    if tool.printed.chars().count() > 40 {
        problems.push(Problem::of(
            "tool.printed",
            Severity::Refused,
            "The tool's name is over 40 letters long; shorten it.",
        ));
    }
    if let Some(to) = tool.to_mm
        && !(tool.leaves_mm.as_mm()..=LONGEST_MM).contains(&to.as_mm())
    {
        problems.push(Problem::of(
            "tool.to_mm",
            Severity::Refused,
            "An adjustable blade's longest setting is under its shortest, or over 80 mm; type both again.",
        ));
    }
    let mm = tool.leaves_mm.as_mm();
    if !(0.1..=LONGEST_MM).contains(&mm) {
        let text = |mm| length_text(Length::constant_mm(mm), units);
        problems.push(Problem::of("tool.leaves_mm", Severity::Refused, format!(
                "Leaves {} cannot be: a blade or comb leaves between {} and {}; type the length it leaves.",
                length_text(tool.leaves_mm, units),
                text(0.1),
                text(LONGEST_MM)
            )));
    }
    problems
}
