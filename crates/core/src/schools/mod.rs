//! Where practitioners disagree: the questions, the answers, what a salon, a dog or a look says of them.

mod table;

use std::collections::BTreeMap;

use serde::{Deserialize, Serialize};
pub use table::{Answer, Question};
use utoipa::ToSchema;

impl Question {
    /// Whether the plan hangs on it: what is cut, how long and with which tool. The others order and word
    /// the steps of the same plan.
    pub const fn is_of_the_plan(self) -> bool {
        match self {
            Self::Direction
            | Self::ShortBy
            | Self::Interval
            | Self::TuckUp
            | Self::BellyFront
            | Self::LegTools
            | Self::FrontLeg
            | Self::RearLeg
            | Self::Underline
            | Self::HindInside
            | Self::HeadTools
            | Self::Fringe
            | Self::Ponytails
            | Self::Crown
            | Self::EarShort
            | Self::EarLength
            | Self::Brows
            | Self::ColourEdge => true,
            Self::Washing
            | Self::Nails
            | Self::Pads
            | Self::EarsCleaned
            | Self::InsideThigh
            | Self::Hygiene
            | Self::Sheath
            | Self::Armpits
            | Self::KnotsWay
            | Self::Layers
            | Self::ClipStarts
            | Self::Feet
            | Self::Bevel
            | Self::FootEdge
            | Self::FootHeld
            | Self::Passes
            | Self::Polish
            | Self::DropCoat
            | Self::Finishing
            | Self::FarSide
            | Self::Legs
            | Self::BellyReached
            | Self::HeadBegins
            | Self::BackBrushing
            | Self::Edge
            | Self::Head
            | Self::Ends
            | Self::TailEnd
            | Self::BetweenEyes
            | Self::EyeCorners
            | Self::Shaping
            | Self::Joining
            | Self::Heat
            | Self::Holding
            | Self::Breaks
            | Self::Uneven => false,
        }
    }
}

/// The salon's answers; what it leaves out is answered by our default.
#[derive(Clone, Debug, Default, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
#[serde(transparent)]
pub struct Schools(BTreeMap<Question, Answer>);

impl Schools {
    /// The answer in force.
    pub fn of(&self, question: Question) -> Answer {
        self.said(question).unwrap_or(question.answers()[0])
    }

    /// Whether this is the answer in force.
    pub fn has(&self, answer: Answer) -> bool {
        self.of(answer.question()) == answer
    }

    /// The same with one answer given.
    #[must_use]
    pub fn with(mut self, answer: Answer) -> Self {
        self.0.insert(answer.question(), answer);
        self
    }

    /// The same with one question left open again.
    #[must_use]
    pub fn without(mut self, question: Question) -> Self {
        self.0.remove(&question);
        self
    }

    /// What was said of a question; none where nothing was.
    pub fn said(&self, question: Question) -> Option<Answer> {
        let own = self.0.get(&question).copied();
        own.filter(|answer| answer.question() == question)
    }

    /// Every answer that was said, in the order of the groom.
    pub fn answers(&self) -> impl Iterator<Item = Answer> + '_ {
        self.0.keys().filter_map(|question| self.said(*question))
    }

    /// Whether nothing was said.
    pub fn is_empty(&self) -> bool {
        self.answers().next().is_none()
    }

    /// These answers before those below: what is said here wins.
    #[must_use]
    pub fn over(&self, below: &Self) -> Self {
        self.answers().fold(below.clone(), Self::with)
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn every_answer_belongs_to_its_question_and_the_first_is_ours() {
        for question in Question::ALL {
            assert!(question.answers().len() >= 2, "{}", question.label());
            for answer in question.answers() {
                assert_eq!(answer.question(), *question);
            }
            assert!(Schools::default().has(question.answers()[0]));
        }
    }

    #[test]
    fn an_answer_kept_under_another_question_counts_for_nothing() {
        let typed: Schools =
            serde_json::from_str(r#"{"nails":"two_layers","legs":"legs_by_side"}"#).expect("reads");
        assert!(typed.has(Answer::NailsBefore) && typed.has(Answer::LegsBySide));
    }
}
