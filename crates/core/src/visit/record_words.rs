use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use super::fold::Visit;
use crate::coat::CoatFinish;
use crate::run::{Borne, Run, RunEnd, left_undone};

/// A part of the record.
#[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum RecordPart {
    /// How the dog behaved.
    Behaviour,
    /// Finish and products.
    Products,
    /// What the owner was told.
    Told,
    /// What is unfinished.
    Unfinished,
}

/// A phrase offered for the record: one touch instead of a line typed.
#[derive(Clone, Debug, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
pub struct RecordWord {
    /// Where it goes.
    pub part: RecordPart,
    /// The phrase.
    pub text: String,
    /// Whether this visit itself says so: the run, the hands, the coat. Those stand first.
    pub is_seen: bool,
}

/// Usual phrases (common practice, handbook 9): what most grooms are written down as.
const USUAL: [(RecordPart, &[&str]); 3] = [
    (
        RecordPart::Behaviour,
        &[
            "quiet",
            "lively",
            "tired towards the end",
            "minded the dryer",
            "minded the clipper",
            "minded its feet",
            "two to hold",
        ],
    ),
    (
        RecordPart::Products,
        &["mild shampoo", "conditioner", "detangler", "no scent"],
    ),
    (
        RecordPart::Told,
        &["nothing found", "brushing shown", "to rest and drink now"],
    ),
];

/// Phrases offered for this visit's record, what it says itself before what is usual.
pub fn record_words(visit: &Visit) -> Vec<RecordWord> {
    let seen = |part, text| RecordWord {
        part,
        text,
        is_seen: true,
    };
    let mut words: Vec<RecordWord> = Vec::new();
    if let Some(run) = &visit.run {
        let behaved = behaved(run).into_iter();
        words.extend(behaved.map(|text| seen(RecordPart::Behaviour, text)));
        let undone = left_undone(run).into_iter();
        words.extend(undone.map(|text| seen(RecordPart::Unfinished, text)));
        let slips = run.slips.iter();
        words.extend(slips.map(|slip| {
            let text = format!("a slip on the {}, it grows", slip.zone.label());
            seen(RecordPart::Told, text)
        }));
    }
    let finish = match visit.coat.finish {
        CoatFinish::BlownStraight => "blown straight",
        CoatFinish::CurlBack => "patted back into curl",
    };
    words.push(seen(RecordPart::Products, finish.into()));
    words.extend(visit.found.iter().map(|found| {
        let what = found.in_words();
        let text = if found.vet_look {
            format!("{what}: a vet should look")
        } else {
            what
        };
        seen(RecordPart::Told, text)
    }));
    let has_found = !visit.found.is_empty();
    for (part, texts) in USUAL {
        let is_offered = |text: &&&str| !(has_found && **text == "nothing found");
        words.extend(texts.iter().filter(is_offered).map(|text| RecordWord {
            part,
            text: (*text).into(),
            is_seen: false,
        }));
    }
    let mut there: Vec<RecordWord> = Vec::new();
    for word in words {
        if !there
            .iter()
            .any(|w| w.part == word.part && w.text == word.text)
        {
            there.push(word);
        }
    }
    there
}

/// What the dog would not have and where it fidgeted; a whole groom without either was quiet.
fn behaved(run: &Run) -> Vec<String> {
    let of = |borne: Borne| -> Vec<String> {
        let steps = run.steps.iter().filter(|s| s.borne == Some(borne));
        steps
            .filter_map(|s| run.step(s.step))
            .map(|step| first_words(&step.what))
            .collect()
    };
    let mut said = Vec::new();
    let (refused, fidgeted) = (of(Borne::Refused), of(Borne::Fidgets));
    if !refused.is_empty() {
        said.push(format!("would not have: {}", refused.join(", ")));
    }
    if !fidgeted.is_empty() {
        said.push(format!("fidgeted: {}", fidgeted.join(", ")));
    }
    let is_whole = run
        .ended
        .as_ref()
        .is_some_and(|end| end.how == RunEnd::Finished);
    if said.is_empty() && is_whole {
        said.push("quiet".into());
    }
    said
}

/// A step's name without its hint.
fn first_words(what: &str) -> String {
    let name = what.split([':', ';']).next().unwrap_or(what);
    let mut letters = name.chars();
    letters.next().map_or_else(String::new, |first| {
        first.to_lowercase().chain(letters).collect()
    })
}
