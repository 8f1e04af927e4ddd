//! Which pair of shears goes where (handbook 10 C 7).

use super::writer::Writer;
use crate::schools::{Answer, Question};

/// Where a pair of shears works.
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
pub(super) enum Place {
    /// Face, feet, under the tail: where a long pair hurts.
    Small,
    /// The legs.
    Columns,
    /// The rest.
    Body,
}

/// Heights up to which a pair of this length goes, mm, and the pair (handbook 10 C 7).
const TO_300: (f64, &str) = (300.0, "14–16 cm");
const TO_550: (f64, &str) = (550.0, "18–20 cm");
/// On columns of a taller dog.
const OVER_550: &str = "from 23 cm";
/// Never longer than this at face, feet and under the tail.
const SMALL: &str = "up to 16 cm";

impl Writer<'_> {
    /// The pair that shapes here: of the salon's kind, of the length that the dog and the place ask for.
    pub(super) fn shears(&self, place: Place) -> String {
        let kind = match self.answer(Question::Shaping) {
            Answer::ShapeStraight => "straight shears",
            Answer::ShapeCurved => "curved shears",
            Answer::ShapeTexturiser => "texturiser, then fine shears",
            Answer::ShapeChunkers => "chunkers",
            _ => "shears",
        };
        format!("{kind}, {}", self.length_for(place))
    }

    fn length_for(&self, place: Place) -> &'static str {
        let height = self.job.sides.left.height;
        match place {
            _ if height < TO_300.0 => TO_300.1,
            Place::Small => SMALL,
            Place::Columns if height > TO_550.0 => OVER_550,
            Place::Columns | Place::Body => TO_550.1,
        }
    }
}
