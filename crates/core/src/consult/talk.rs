use std::collections::BTreeMap;

use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use crate::coat::{CoatNow, Limit, Zone};
use crate::frame::{Problem, Severity};
use crate::kit::ONE_SIZE_MM;
use crate::look::{MOST_MINUTES, MOST_WEEKS};
use crate::units::Length;

vocabulary! {
    /// How long the owner wants the body.
    #[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
    #[serde(rename_all = "snake_case")]
    pub enum WishedBody {
        /// Under a finger's half: no brushing to speak of.
        Short => "Short",
        /// Soft to the hand.
        Medium => "Soft",
        /// As long as it can be kept.
        Long => "Long",
    }
}

vocabulary! {
    /// What legs the owner wants.
    #[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
    #[serde(rename_all = "snake_case")]
    pub enum WishedLegs {
        /// As the body.
        AsBody => "As body",
        /// Fuller than the body.
        Fuller => "Fuller",
        /// As full as they come.
        Big => "Big",
    }
}

vocabulary! {
    /// What face the owner wants.
    #[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
    #[serde(rename_all = "snake_case")]
    pub enum WishedFace {
        /// Shaved clean.
        Clean => "Clean",
        /// Round.
        Round => "Round",
        /// Brows and beard.
        Bearded => "Beard",
        /// Tidied only.
        Natural => "Natural",
    }
}

vocabulary! {
    /// What becomes of ears or tail.
    #[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
    #[serde(rename_all = "snake_case")]
    pub enum WishedEnds {
        /// Off.
        Short => "Short",
        /// Left as they are.
        Left => "Left",
    }
}

/// The six questions, each with an answer or none; and what was liked last time.
#[derive(Clone, Debug, Default, PartialEq, Serialize, Deserialize, ToSchema)]
#[serde(default)]
pub struct Talk {
    /// How long on the body?
    pub body: Option<WishedBody>,
    /// What legs?
    pub legs: Option<WishedLegs>,
    /// What face?
    pub face: Option<WishedFace>,
    /// The ears?
    pub ears: Option<WishedEnds>,
    /// The tail?
    pub tail: Option<WishedEnds>,
    /// How many minutes a week can be brushed?
    pub brushing_minutes_a_week: Option<u32>,
    /// How many weeks to the next visit?
    pub weeks_to_next: Option<u32>,
    /// Zones that were too short last time.
    pub was_too_short: Vec<Zone>,
    /// Zones that were too long last time.
    pub was_too_long: Vec<Zone>,
    /// What else was said, in the owner's words.
    pub words: String,
}

/// Longest words that are kept: what fits on the owner card.
const WORDS_LETTERS: usize = 240;

impl Talk {
    /// What is wrong with the answers as given; empty when all can be.
    pub fn check(&self) -> Vec<Problem> {
        let mut problems = Vec::new();
        let mut refuse = |field: &str, message: String| {
            problems.push(Problem::of(field, Severity::Refused, message));
        };
        if self.words.chars().count() > WORDS_LETTERS {
            let message =
                format!("The owner's words are over {WORDS_LETTERS} letters; shorten them.");
            refuse("talk.words", message);
        }
        if self
            .brushing_minutes_a_week
            .is_some_and(|m| m > MOST_MINUTES)
        {
            let message =
                format!("Nobody brushes over {MOST_MINUTES} minutes a week; ask the owner again.");
            refuse("talk.brushing", message);
        }
        if self.weeks_to_next.is_some_and(|w| w > MOST_WEEKS) {
            let message = format!("The next visit lies within {MOST_WEEKS} weeks; choose fewer.");
            refuse("talk.weeks", message);
        }
        let both = |zone: &&Zone| self.was_too_long.contains(zone);
        if let Some(zone) = self.was_too_short.iter().find(both) {
            let message = format!(
                "The {} cannot have been both too short and too long; take it off one list.",
                zone.label()
            );
            refuse("talk.last_time", message);
        }
        problems
    }
}

/// The limits an owner's answers set on a coat, beside those set zone by zone.
///
/// Ears and tail *left* keep every millimetre there is. What was too short last time stays one size
/// longer than the look's own length, what was too long comes one size shorter.
///
/// # Units and shapes
/// `nominal_mm` gives the look's length of a zone, mm.
pub fn owners_limits(
    talk: &Talk,
    coat: &CoatNow,
    nominal_mm: &dyn Fn(Zone) -> f64,
) -> BTreeMap<Zone, Limit> {
    let mut limits = BTreeMap::new();
    let length = |mm: f64| Length::from_mm(mm.max(0.0)).ok();
    for (wish, zone) in [(talk.ears, Zone::Ear), (talk.tail, Zone::Tail)] {
        if wish == Some(WishedEnds::Left) {
            let limit = Limit {
                not_shorter_mm: length(coat.length_mm(zone)),
                not_longer_mm: None,
                ..Limit::default()
            };
            limits.insert(zone, limit);
        }
    }
    for zone in &talk.was_too_short {
        let wish = nominal_mm(*zone) + ONE_SIZE_MM;
        let limit = Limit {
            not_shorter_mm: length(wish.min(coat.length_mm(*zone))),
            not_longer_mm: None,
            ..Limit::default()
        };
        limits.entry(*zone).or_insert(limit);
    }
    for zone in &talk.was_too_long {
        let limit = Limit {
            not_shorter_mm: None,
            not_longer_mm: length(nominal_mm(*zone) - ONE_SIZE_MM),
            ..Limit::default()
        };
        limits.entry(*zone).or_insert(limit);
    }
    // What was said zone by zone holds over what follows from the talk.
    limits.retain(|zone, _| !coat.limits.contains_key(zone));
    limits
}
