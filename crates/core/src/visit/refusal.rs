//! What cannot be said at a visit: it would be kept and count for nothing, in silence.

use std::collections::BTreeSet;

use uuid::Uuid;

use super::card::too_long;
use super::entry::{Entry, EntryBody};
use super::fold::fold;
use crate::dog::Dog;
use crate::run::{Run, RunEvent};

/// A day to come back lies in these, days: later nobody keeps a day (modelling choice).
pub(super) const RETURN_DAYS: std::ops::RangeInclusive<u32> = 1..=365;

/// Why each of the new entries cannot count, in one sentence; none where it can. They are held against
/// the log as it was and as it is with them: what is undone or ticked may come in the same breath.
pub fn refusals(dog: &Dog, log: &[Entry], new: &[Entry]) -> Vec<Option<String>> {
    let all: Vec<Entry> = log.iter().chain(new).cloned().collect();
    let ids: BTreeSet<Uuid> = all.iter().map(|e| e.id).collect();
    let here: BTreeSet<Uuid> = log.iter().map(|e| e.id).collect();
    let is_of_a_run = |e: &Entry| matches!(e.body, EntryBody::Run { .. });
    let runs: Vec<Run> = if new.iter().any(is_of_a_run) {
        [log, &all]
            .into_iter()
            .filter_map(|entries| fold(dog, entries).run)
            .collect()
    } else {
        Vec::new()
    };
    new.iter()
        // What comes again was judged when it came.
        .map(|e| {
            if here.contains(&e.id) {
                return None;
            }
            comes_too_late(&e.body, log).or_else(|| refusal(&e.body, &ids, &runs))
        })
        .collect()
}

/// What is known lies under all that is said: once somebody spoke, it would wipe that away.
fn comes_too_late(body: &EntryBody, log: &[Entry]) -> Option<String> {
    let is_late = matches!(body, EntryBody::BroughtAlong { .. }) && !log.is_empty();
    is_late.then(|| {
        "what earlier visits know comes along when a visit begins; this one has begun".into()
    })
}

fn refusal(body: &EntryBody, ids: &BTreeSet<Uuid>, runs: &[Run]) -> Option<String> {
    match body {
        EntryBody::Undone { entry } | EntryBody::Redone { entry } if !ids.contains(entry) => Some(
            "there is nothing to take back: what this names was never said at this visit".into(),
        ),
        EntryBody::LineMoved {
            line,
            stop: Some(stop),
        } if stop.line() != *line => Some(format!(
            "the {} cannot lie there, that is a place of the {}; choose one of its own",
            line.label().to_lowercase(),
            stop.line().label().to_lowercase()
        )),
        EntryBody::ReturnAgreed { days: Some(days) } if !RETURN_DAYS.contains(days) => {
            Some("a dog comes back after a day to a year; choose a day between".into())
        }
        EntryBody::CardLineSaid {
            line,
            text: Some(text),
        } => too_long(*line, text),
        EntryBody::LineShifted { line, .. } if line.ways().is_none() => Some(format!(
            "the {} lies where its bones are and cannot be moved between its places",
            line.label().to_lowercase()
        )),
        EntryBody::SiteSet { site, marks } if marks.right.is_some() && !site.is_pair() => Some(
            format!("the dog has no left and right {}; say it once", site.at()),
        ),
        EntryBody::StillSo { what } if what.is_empty() => {
            Some("nothing is named as still so; name what was felt again".into())
        }
        EntryBody::WaySaid {
            question,
            answer: Some(answer),
            ..
        } if answer.question() != *question => Some(format!(
            "“{}” answers “{}”, not “{}”; choose one of its own answers",
            answer.label(),
            answer.question().label(),
            question.label()
        )),
        EntryBody::Run { event } => of_run(event, runs),
        _ => None,
    }
}

fn of_run(event: &RunEvent, runs: &[Run]) -> Option<String> {
    if matches!(event, RunEvent::Began { .. }) {
        return None;
    }
    let Some(run) = runs.last() else {
        return Some("no groom has begun at this visit; start at the table first".into());
    };
    let step = event.step()?;
    let is_there = |run: &Run| run.steps.iter().any(|s| s.step == step);
    if runs.iter().any(is_there) {
        return None;
    }
    let last = run.steps.iter().map(|s| s.step).max().unwrap_or_default();
    Some(format!(
        "the sheet in hand has no step {step}, it has {last}; show it again and choose one of its steps"
    ))
}
