//! Shears: what a pair is, and how much a close of it takes (handbook 10 C 7).

use serde::{Deserialize, Serialize};
use utoipa::ToSchema;
use uuid::Uuid;

use crate::units::{Length, UnitSystem, length_text};

vocabulary! {
    /// How its blades run.
    #[derive(Clone, Copy, Debug, Default, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
    #[serde(rename_all = "snake_case")]
    pub enum ShearsForm {
        /// Straight.
        #[default]
        Straight => "Straight",
        /// Curved.
        Curved => "Curved",
    }
}

/// What its edge is.
#[derive(Clone, Copy, Debug, Default, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum ShearsEdge {
    /// Two whole edges: all that lies between them falls.
    #[default]
    Smooth,
    /// The same, one edge fluted, so that hair does not slip.
    Serrated,
    /// One blade has teeth: a share falls at a close.
    Toothed {
        /// How many teeth it has.
        teeth: u32,
        /// Share of the hair taken at a close, percent.
        takes_percent: u32,
    },
}

vocabulary! {
    /// The state a pair is in.
    #[derive(Clone, Copy, Debug, Default, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
    #[serde(rename_all = "snake_case")]
    pub enum ShearsState {
        /// It cuts along its whole length.
        #[default]
        Sharp => "Sharp",
        /// Its points fold the hair: nothing small is planned with it.
        DullAtTip => "Dull at the tip",
        /// Not planned with.
        Dull => "Dull",
        /// Not in the house.
        AtTheSharpener => "At the sharpener",
    }
}

/// A pair of shears of the salon's.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct Shears {
    /// Made by the screen that entered it.
    pub id: Uuid,
    /// Its whole length, points to ring, mm.
    pub long_mm: Length,
    /// How its blades run.
    #[serde(default)]
    pub form: ShearsForm,
    /// What its edge is.
    #[serde(default)]
    pub edge: ShearsEdge,
    /// Whether it is made for the left hand.
    #[serde(default)]
    pub is_left_handed: bool,
    /// Its state.
    #[serde(default)]
    pub state: ShearsState,
}

/// Whole lengths of pairs that are made, mm (common practice: 4 to 12 inches).
const LONG_MM: (f64, f64) = (100.0, 310.0);
/// Shares a toothed pair takes at a close, percent (handbook 10 C 7).
const TAKES_PERCENT: (u32, u32) = (5, 90);
/// Teeth of a pair: from coarse chunkers to fine thinners (common practice).
const TEETH: (u32, u32) = (5, 80);
/// With fewer teeth a pair is coarse (common practice: chunkers have up to about 24).
const FINE_FROM_TEETH: u32 = 25;
const MM_A_CM: f64 = 10.0;

impl Shears {
    /// Whether plans may use it.
    pub const fn is_fit(&self) -> bool {
        matches!(self.state, ShearsState::Sharp | ShearsState::DullAtTip)
    }

    /// Whether it has teeth.
    pub const fn is_toothed(&self) -> bool {
        matches!(self.edge, ShearsEdge::Toothed { .. })
    }

    /// Share of the hair a close takes, percent; all of it by whole edges.
    pub const fn takes_percent(&self) -> u32 {
        match self.edge {
            ShearsEdge::Toothed { takes_percent, .. } => takes_percent,
            ShearsEdge::Smooth | ShearsEdge::Serrated => 100,
        }
    }

    /// What it is called at a step: "16.5 cm curved shears", "46-tooth thinners, 15 cm"; its length to the
    /// half centimetre.
    pub fn name(&self, units: UnitSystem) -> String {
        let long = long_text(self.long_mm, units);
        let bend = match self.form {
            ShearsForm::Straight => "straight",
            ShearsForm::Curved => "curved",
        };
        let hand = if self.is_left_handed {
            "left-handed "
        } else {
            ""
        };
        match self.edge {
            ShearsEdge::Smooth => format!("{long} {hand}{bend} shears"),
            ShearsEdge::Serrated => format!("{long} {hand}{bend} serrated shears"),
            ShearsEdge::Toothed { teeth, .. } if teeth < FINE_FROM_TEETH => {
                format!("{hand}{teeth}-tooth chunkers, {long}")
            }
            ShearsEdge::Toothed { teeth, .. } => format!("{hand}{teeth}-tooth thinners, {long}"),
        }
    }

    /// How often it closes over a step from one length to a shorter one, each close taking its share of
    /// what still stands: ⌈ln(b/a) / ln(1 − share)⌉; none where it takes all at once, or nothing is to go.
    ///
    /// # Units
    /// Both lengths in mm.
    ///
    /// # References
    /// Handbook 10 C 7.
    pub fn closes(&self, from_mm: f64, to_mm: f64) -> Option<u32> {
        let ShearsEdge::Toothed { takes_percent, .. } = self.edge else {
            return None;
        };
        let share = f64::from(takes_percent) / 100.0;
        let is_a_step = to_mm > 0.0 && from_mm > to_mm;
        if !is_a_step || share <= 0.0 || share >= 1.0 {
            return None;
        }
        let closes = ((to_mm / from_mm).ln() / (1.0 - share).ln()).ceil();
        #[expect(
            clippy::cast_possible_truncation,
            clippy::cast_sign_loss,
            reason = "a handful of closes; a float's cast saturates"
        )]
        let closes = closes as u32;
        Some(closes)
    }

    /// What is wrong with it as typed, in one sentence.
    pub(crate) fn problem(&self, units: UnitSystem) -> Option<String> {
        let mm = self.long_mm.as_mm();
        let (least, most) = LONG_MM;
        if !(least..=most).contains(&mm) {
            let text = |mm| long_text(Length::constant_mm(mm), units);
            return Some(format!(
                "Shears of {} cannot be; measure from the points to the ring's end and type {} to {}.",
                long_text(self.long_mm, units),
                text(least).trim_end_matches(|c: char| c.is_alphabetic() || c == ' '),
                text(most)
            ));
        }
        let ShearsEdge::Toothed {
            teeth,
            takes_percent,
        } = self.edge
        else {
            return None;
        };
        if !(TEETH.0..=TEETH.1).contains(&teeth) {
            return Some(format!(
                "Shears with {teeth} teeth cannot be; count them and type {} to {}.",
                TEETH.0, TEETH.1
            ));
        }
        (!(TAKES_PERCENT.0..=TAKES_PERCENT.1).contains(&takes_percent)).then(|| {
            format!(
                "A close cannot take {takes_percent} % of the hair; type {} to {}.",
                TAKES_PERCENT.0, TAKES_PERCENT.1
            )
        })
    }
}

/// A pair's length as the trade says it: centimetres to the half, or inches.
fn long_text(long: Length, units: UnitSystem) -> String {
    match units {
        UnitSystem::Millimetres => {
            format!("{} cm", (long.as_mm() / MM_A_CM * 2.0).round() / 2.0)
        }
        UnitSystem::Inches => format!("{} in", length_text(long, units)),
    }
}
