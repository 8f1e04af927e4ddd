//! The dog as the salon knows it, and the salon's own settings.

mod at_home;
mod born;
mod find;
mod house;
mod programme;
mod sort;
mod topic;

pub use at_home::{AtHome, HairOverEyes};
pub(crate) use born::month_of;
pub use born::{BirthMonth, NoMonth};
pub use find::{is_same_name, nearness};
pub use house::House;
pub use programme::Programme;
use serde::{Deserialize, Serialize};
pub use sort::{Sort, SortBy, SortFactor};
pub use topic::Topic;
use utoipa::ToSchema;
use uuid::Uuid;

use crate::coat::{CoatColour, Skin, Texture};
use crate::frame::{BuildType, DogSize, EarKind, Problem, Severity, TailKind};

vocabulary! {
    /// The dog's sex.
    #[derive(Clone, Copy, Debug, Default, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
    #[serde(rename_all = "snake_case")]
    pub enum Sex {
        /// Female.
        Female => "Female",
        /// Male.
        Male => "Male",
        /// Not said.
        #[default]
        Unknown => "Not said",
    }
}

/// A dog of the salon.
#[derive(Clone, Debug, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
pub struct Dog {
    /// Made by the screen that entered it.
    pub id: Uuid,
    /// Its name; the only thing that must be given.
    pub name: String,
    /// Whose it is.
    #[serde(default)]
    pub owner: String,
    /// Its sex.
    #[serde(default)]
    pub sex: Sex,
    /// Whether it is neutered; none where nobody said.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub is_neutered: Option<bool>,
    /// Its age in whole months: when entered, or by the calendar where the month of birth is known.
    #[serde(default)]
    pub age_months: Option<u16>,
    /// When it was born.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    #[schema(value_type = Option<String>)]
    pub born: Option<BirthMonth>,
    /// How its owner is reached.
    #[serde(default, skip_serializing_if = "String::is_empty")]
    pub reach: String,
    /// Which of several owners of that name; none where there is but one.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub owner_id: Option<Uuid>,
    /// What its owner said once for all visits.
    #[serde(default, skip_serializing_if = "AtHome::is_empty")]
    pub at_home: AtHome,
    /// Died or left: not listed, not lost.
    #[serde(default, skip_serializing_if = "std::ops::Not::not")]
    pub is_put_away: bool,
    /// One tap on size.
    #[serde(default)]
    pub size: DogSize,
    /// Coat texture.
    #[serde(default)]
    pub texture: Texture,
    /// How dark its hair is; none where nobody said.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub colour: Option<CoatColour>,
    /// Whether an undercoat lies under its coat: the back is not taken short.
    #[serde(default, skip_serializing_if = "std::ops::Not::not")]
    pub has_double_coat: bool,
    /// The family of builds it estimates from.
    #[serde(default)]
    pub build: BuildType,
    /// Ear carriage where it differs from the build's.
    #[serde(default)]
    pub ear: Option<EarKind>,
    /// Tail carriage where it differs from the build's.
    #[serde(default)]
    pub tail: Option<TailKind>,
    /// What a colleague must know: ticklish feet, hates spray.
    #[serde(default)]
    pub handling: String,
}

/// Longest name and note, in letters: what fits on the sheet and in a caution.
const NAME_LETTERS: usize = 60;
const NOTE_LETTERS: usize = 400;
const REACH_LETTERS: usize = 120;
/// Age from which skin and joints are treated as an old dog's, months (modelling choice: 9 years).
const OLD_MONTHS: u16 = 108;
/// Age under which it is a puppy, months (common practice).
const PUPPY_MONTHS: u16 = 8;
/// Most minutes of brushing a week that are believed: two hours a day (common practice).
const MOST_BRUSHING: u32 = 840;
/// No dog is older (published records end near 30 years, from memory).
const OLDEST_MONTHS: u16 = 372;

impl Dog {
    /// As old as it is at a moment, milliseconds since 1970 in UTC.
    #[must_use]
    pub fn at(mut self, now_ms: i64) -> Self {
        if let Some(born) = self.born {
            let months = u16::try_from(born.months_at(now_ms)).unwrap_or_default();
            self.age_months = Some(months.min(OLDEST_MONTHS));
        }
        self
    }

    /// What is wrong with its month of birth, held against today; nothing where it can be.
    pub fn check_born(&self, now_ms: i64) -> Option<Problem> {
        let months = self.born?.months_at(now_ms);
        let message = if months < 0 {
            "The month of birth lies ahead; check it."
        } else if months > i64::from(OLDEST_MONTHS) {
            "No dog is so old; check the month of birth."
        } else {
            return None;
        };
        Some(Problem::of("dog.born", Severity::Refused, message))
    }

    /// Whether hair over its eyes brings its owner back.
    pub fn minds_hair_over_eyes(&self) -> bool {
        self.at_home.hair_over_eyes != Some(HairOverEyes::DoesNotMatter)
    }

    /// Whether it is treated as an old dog.
    pub fn is_old(&self) -> bool {
        self.age_months.is_some_and(|m| m >= OLD_MONTHS)
    }

    /// Whether its hair is pale.
    pub fn is_pale(&self) -> bool {
        self.colour == Some(CoatColour::Pale)
    }

    /// Whether it is a puppy.
    pub fn is_puppy(&self) -> bool {
        self.age_months.is_some_and(|m| m < PUPPY_MONTHS)
    }

    /// What its skin asks for.
    pub fn skin(&self) -> Skin {
        Skin {
            colour: self.colour.unwrap_or_default(),
            is_delicate: self.is_old(),
            is_double: self.has_double_coat,
        }
    }

    /// All that is wrong with it as typed; empty when it can be kept.
    pub fn check(&self) -> Vec<Problem> {
        let mut problems = Vec::new();
        let mut refuse = |field: &str, message: String| {
            problems.push(Problem::of(field, Severity::Refused, message));
        };
        if self.name.trim().is_empty() {
            refuse("dog.name", "The dog has no name; type one.".into());
        }
        for (field, what, text, most) in [
            ("dog.name", "name", &self.name, NAME_LETTERS),
            ("dog.owner", "owner's name", &self.owner, NAME_LETTERS),
            (
                "dog.reach",
                "way to reach the owner",
                &self.reach,
                REACH_LETTERS,
            ),
            (
                "dog.handling",
                "handling note",
                &self.handling,
                NOTE_LETTERS,
            ),
        ] {
            let letters = text.chars().count();
            if letters > most {
                refuse(
                    field,
                    format!("The {what} has {letters} letters; shorten it to {most}."),
                );
            }
        }
        let brushing = self.at_home.brushing_minutes_a_week;
        if let Some(minutes) = brushing.filter(|m| *m > MOST_BRUSHING) {
            refuse(
                "owner.brushing",
                format!("Nobody brushes {minutes} minutes a week; type 0 to {MOST_BRUSHING}."),
            );
        }
        if let Some(months) = self.age_months.filter(|m| *m > OLDEST_MONTHS) {
            refuse(
                "dog.age_months",
                format!(
                    "Age {} years cannot be: a dog's lies between 0 and {}; check it.",
                    months / 12,
                    OLDEST_MONTHS / 12
                ),
            );
        }
        problems
    }
}
