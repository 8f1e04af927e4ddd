use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use super::{Desk, Reasons, Solved};
use crate::report::PlanReport;
use crate::schools::{Answer, Question};
use crate::solve::{SolveError, in_halves};
use crate::visit::WayOf;

/// An answer, with what it would change on this dog.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct AnswerHere {
    /// Which.
    pub answer: Answer,
    /// In a few words.
    pub label: String,
    /// Whether it is in force on this dog.
    pub is_ours: bool,
    /// Whether the salon answers so, or leaves it to this answer.
    pub is_salons: bool,
    /// Minutes more than the answer in force takes on this dog.
    pub minutes: f64,
    /// Balance lost against it; less than nothing is a gain.
    pub costs: f64,
    /// What changes, in one sentence.
    pub sentence: String,
}

/// A question on which practitioners disagree, on this dog.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct QuestionHere {
    /// Which.
    pub question: Question,
    /// In a word or two.
    pub label: String,
    /// Why our default is what it is.
    pub why: String,
    /// Where the answer in force comes from.
    pub of: WayOf,
    /// Whether another answer would change anything on this dog.
    pub matters: bool,
    /// The answers, our default first.
    pub answers: Vec<AnswerHere>,
}

/// Minutes that nobody notices (modelling choice).
const SAME_MINUTES: f64 = 0.5;
/// What is said of an answer that is all the same here.
const CHANGES_NOTHING: &str = "Changes nothing on this dog.";
/// Balance that nobody sees (as for a line's places).
const SAME_BALANCE: f64 = 0.5;

impl Desk<'_> {
    /// Every question with every answer tried on this dog: two schools beside one another. Those that
    /// change something here come first, each part in the order of the groom.
    ///
    /// # Errors
    /// If the solver gives no answer, a fault of ours.
    pub fn schools(&self) -> Result<Vec<QuestionHere>, SolveError> {
        let Solved { plan, report: ours } = self.plan(Reasons::Skip)?;
        let as_planned = Desk {
            as_planned: Some(plan),
            ..self.clone()
        };
        let mut questions = in_halves(self.workers, Question::ALL, |questions: &[Question]| {
            let tried = questions.iter().map(|question| {
                // What only the steps hang on is written anew, not solved anew.
                let desk = if question.is_of_the_plan() {
                    self
                } else {
                    &as_planned
                };
                desk.question_here(*question, &ours)
            });
            tried.collect::<Result<Vec<_>, SolveError>>()
        })?;
        questions.sort_by_key(|q| !q.matters);
        Ok(questions)
    }

    fn question_here(
        &self,
        question: Question,
        ours: &PlanReport,
    ) -> Result<QuestionHere, SolveError> {
        let answers = question.answers().iter();
        let answers: Vec<AnswerHere> = answers
            .map(|answer| self.answer_here(*answer, ours))
            .collect::<Result<_, _>>()?;
        let changes = |a: &AnswerHere| !a.is_ours && a.sentence != CHANGES_NOTHING;
        Ok(QuestionHere {
            question,
            label: question.label().into(),
            why: question.why().into(),
            of: self.visit.way_of(question, &self.house.schools),
            matters: answers.iter().any(changes),
            answers,
        })
    }

    fn answer_here(&self, answer: Answer, ours: &PlanReport) -> Result<AnswerHere, SolveError> {
        let salon = &self.house.schools;
        let is_ours = self.visit.ways_over(salon).has(answer);
        let (minutes, costs, sentence) = if is_ours {
            (0.0, 0.0, "As we do it.".into())
        } else {
            let mut visit = self.visit.clone();
            visit.ways_today = visit.ways_today.with(answer);
            let desk = Desk {
                visit: &visit,
                // Asked once: what is remembered for the table is not pushed out for it.
                memo: None,
                ..self.clone()
            };
            let theirs = desk.plan(Reasons::Skip)?.report;
            let minutes = theirs.sheet.minutes - ours.sheet.minutes;
            let costs = theirs.scores.plan - ours.scores.plan;
            (minutes, costs, sentence(minutes, costs, ours, &theirs))
        };
        Ok(AnswerHere {
            answer,
            label: answer.label().into(),
            is_ours,
            is_salons: salon.has(answer),
            minutes,
            costs,
            sentence,
        })
    }
}

fn sentence(minutes: f64, costs: f64, ours: &PlanReport, theirs: &PlanReport) -> String {
    let mut parts = Vec::new();
    if minutes.abs() >= SAME_MINUTES {
        let word = if minutes > 0.0 { "more" } else { "less" };
        parts.push(format!("{:.0} min {word}", minutes.abs().max(1.0)));
    }
    if costs.abs() >= SAME_BALANCE {
        let word = if costs > 0.0 { "costs" } else { "gains" };
        parts.push(format!("{word} {:.1} in balance", costs.abs()));
    }
    let changes = theirs.sheet.tool_changes.cast_signed() - ours.sheet.tool_changes.cast_signed();
    if changes != 0 {
        let word = if changes > 0 { "more" } else { "fewer" };
        let noun = if changes.abs() == 1 {
            "change"
        } else {
            "changes"
        };
        parts.push(format!("{} {word} {noun} of tool", changes.abs()));
    }
    let order = |report: &PlanReport| -> Vec<String> {
        let steps = report.sheet.steps.iter();
        steps
            .map(|s| format!("{} {} {}", s.what, s.tool, s.stroke))
            .collect()
    };
    match parts.as_slice() {
        [] if order(ours) != order(theirs) => "Other steps, the same minutes.".into(),
        [] => CHANGES_NOTHING.into(),
        _ => {
            let mut text = parts.join(", ");
            text.push('.');
            crate::say::capital(&text)
        }
    }
}
