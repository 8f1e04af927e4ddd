use super::step::{CutSheet, Stage, Step, StepKind};
use crate::dog::Topic;
use crate::say::capital;

/// How a tool is usually run: pressed on the skin, with the lay of the hair. A row does not say it.
pub(super) const USUAL_STROKE: &str = "with the lay";
/// The same where shears finish: the name of what is done says that it roughs out.
pub(super) const ROUGHING_STROKE: &str = "with the lay; shears finish";

/// A row of the printed sheet: a step, or some that are done one after another without a look at the
/// paper between them.
#[derive(Clone, Debug, PartialEq)]
pub struct Row {
    /// Number of its first step.
    pub first: u32,
    /// Number of its last step.
    pub last: u32,
    /// What is done.
    pub what: String,
    /// How, where that is not as usual; which, where it is more than one.
    pub how: String,
    /// With which tools.
    pub tool: String,
    /// What it leaves.
    pub leaves: String,
    /// Minutes.
    pub minutes: f64,
}

/// What is read as one.
#[derive(Clone, Copy, PartialEq, Eq)]
enum Together {
    SmallJobs,
    Washing,
}

impl Together {
    /// The small jobs before the bath, clean to dirty; the bath with what follows it.
    fn of(step: &Step) -> Option<Self> {
        match (step.stage, step.kind, step.topic) {
            (Stage::Prepare, StepKind::Tick, _) => Some(Self::SmallJobs),
            (Stage::Prepare, StepKind::CombTest | StepKind::Bath, _)
            | (Stage::Prepare, _, Topic::Dry) => Some(Self::Washing),
            _ => None,
        }
    }
}

impl CutSheet {
    /// The sheet as paper has it: what is read as one thing is one row.
    pub fn rows(&self) -> Vec<Row> {
        self.steps
            .chunk_by(|a, b| Together::of(a).is_some() && Together::of(a) == Together::of(b))
            .filter_map(row)
            .collect()
    }
}

fn row(steps: &[Step]) -> Option<Row> {
    let (first, last) = (steps.first()?, steps.last()?);
    let names = |by: &str| {
        let mut names = Vec::new();
        for step in steps {
            let mut letters = step.what.chars();
            let small = letters.next().into_iter().flat_map(char::to_lowercase);
            names.push(small.chain(letters).collect::<String>());
        }
        names.join(by)
    };
    let (what, how) = match (steps, Together::of(first)) {
        ([one], _) if [USUAL_STROKE, ROUGHING_STROKE].contains(&one.stroke.as_str()) => {
            (one.what.clone(), String::new())
        }
        ([one], _) => (one.what.clone(), one.stroke.clone()),
        (_, Some(Together::SmallJobs)) => ("Small jobs".into(), names("; ")),
        _ => (capital(&names(", ")), String::new()),
    };
    Some(Row {
        first: first.number,
        last: last.number,
        what,
        how,
        tool: each_once(steps, |s| &s.tool).join(", "),
        leaves: each_once(steps, |s| &s.leaves).join("; "),
        minutes: steps.iter().map(|s| s.minutes).sum(),
    })
}

/// What these steps say of one thing, nothing of it twice.
fn each_once(steps: &[Step], of: impl Fn(&Step) -> &str) -> Vec<&str> {
    let mut said: Vec<&str> = Vec::new();
    for word in steps.iter().map(of) {
        if !word.is_empty() && !said.contains(&word) {
            said.push(word);
        }
    }
    said
}
