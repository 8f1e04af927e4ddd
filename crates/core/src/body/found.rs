use serde::{Deserialize, Serialize};
use utoipa::ToSchema;
use uuid::Uuid;

use crate::frame::{Problem, Severity};
use crate::page::Spot;
use crate::units::Length;

vocabulary! {
    /// What a hand, an eye or a nose finds on the body (handbook 7).
    #[derive(Clone, Copy, Debug, PartialEq, Eq, PartialOrd, Ord, Serialize, Deserialize, ToSchema)]
    #[serde(rename_all = "snake_case")]
    #[expect(missing_docs, reason = "FoundKind::label says it")]
    pub enum FoundKind {
        Lump => "lump",
        Sore => "sore",
        HotSpot => "hot spot",
        LooseTooth => "loose tooth",
        EarSmell => "ear smells",
        Parasite => "parasite",
        ForeDewclaw => "dewclaw, front",
        HindDewclaw => "dewclaw, hind",
        Nail => "nail",
        MattedPlace => "matted place",
        PainOrStiffness => "pain or stiffness",
    }
}

impl FoundKind {
    /// Whether it usually reads *have a vet look at this* (handbook 7: wound, smell, loose tooth,
    /// lump, fleas or ticks, hot spot: record, tell the owner, vet).
    pub const fn is_for_the_vet(self) -> bool {
        !matches!(
            self,
            Self::ForeDewclaw | Self::HindDewclaw | Self::Nail | Self::MattedPlace
        )
    }
}

/// Something found on the body.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct Found {
    /// Made by the screen that put it there.
    pub id: Uuid,
    /// What.
    pub kind: FoundKind,
    /// Where it was put.
    #[serde(flatten)]
    pub spot: Spot,
    /// How large.
    #[serde(default)]
    pub size_mm: Option<Length>,
    /// A word.
    #[serde(default)]
    pub word: String,
    /// Whether the owner was told.
    #[serde(default)]
    pub owner_told: bool,
    /// Whether a vet should look.
    #[serde(default)]
    pub vet_look: bool,
}

/// Longest word, letters: what fits beside a mark.
const WORD_LETTERS: usize = 80;
/// Largest place that can be found on a dog, mm (common sense).
const LARGEST_MM: f64 = 500.0;

impl Found {
    /// What it is, with its word if there is one.
    pub fn in_words(&self) -> String {
        match self.word.trim() {
            "" => self.kind.label().to_owned(),
            word => format!("{}, {word}", self.kind.label()),
        }
    }

    /// What is wrong with it as typed.
    pub fn check(&self) -> Vec<Problem> {
        let mut problems = Vec::new();
        let mut refuse = |field: &str, message: String| {
            problems.push(Problem::of(
                format!("found.{}.{field}", self.id),
                Severity::Refused,
                message,
            ));
        };
        if !self.spot.is_on_the_dog() {
            refuse(
                "place",
                "The mark lies beside the dog; take it off and touch the place on the dog.".into(),
            );
        }
        if self.word.chars().count() > WORD_LETTERS {
            refuse(
                "word",
                format!("The word is over {WORD_LETTERS} letters long; shorten it."),
            );
        }
        if let Some(size) = self.size_mm.map(Length::as_mm)
            && !(size > 0.0 && size <= LARGEST_MM)
        {
            refuse(
                "size",
                format!(
                    "Size {size:.0} mm cannot be: it lies between 1 and {LARGEST_MM:.0} mm; measure again."
                ),
            );
        }
        problems
    }
}

vocabulary! {
    /// What became of something found at an earlier visit.
    #[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
    #[serde(rename_all = "snake_case")]
    pub enum Outcome {
        /// No longer there.
        Gone => "gone",
        /// As it was.
        Same => "same",
        /// Smaller.
        Smaller => "smaller",
        /// Larger: told to the owner again.
        Larger => "larger",
        /// A vet has seen it.
        SeenByVet => "seen by a vet",
    }
}

/// Something found at an earlier visit.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct EarlierFound {
    /// What was found.
    pub found: Found,
    /// When that visit began, milliseconds since 1970 in UTC.
    pub began_ms: i64,
    /// What became of it by the last visit that said so.
    pub outcome: Option<Outcome>,
}
