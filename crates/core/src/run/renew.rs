use std::collections::{BTreeMap, BTreeSet};

use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use super::state::{Run, StepRun, StepState};
use crate::coat::{CoatNow, Limit, LimitCause, Zone, can_stand};
use crate::finish::AS_PLANNED_MM;
use crate::say::Words;
use crate::sheet::{CutSheet, Stands, Step, StepKind};
use crate::units::Length;

/// The rest of a groom planned anew, after something happened that the sheet did not know.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct Renewal {
    /// The whole sheet as it would be planned now.
    pub sheet: CutSheet,
    /// What changes in the steps to come, in one sentence.
    pub said: String,
}

/// Other lengths than these are not worth naming, mm (handbook 10: nothing is said of less than 2 mm).
const WORTH_NAMING_MM: f64 = 2.0;
/// Zones named in the sentence; more are counted (modelling choice: it is read at the table).
const MOST_NAMED: usize = 2;
/// Tools named in it: one for another.
const MOST_TOOLS: usize = 2;
/// Minutes more or less that are said.
const WORTH_MINUTES: f64 = 2.0;

/// The run with its rest planned anew from a sheet made with the same facts, and what changed; none where
/// the steps to come stay as they are.
pub fn renewal(run: &Run, sheet: CutSheet, words: &Words<'_>) -> Option<Renewal> {
    let mut renewed = run.clone();
    renewed.renew(&sheet, "");
    let (before, after) = (to_come(run), to_come(&renewed));
    if as_read(&before) == as_read(&after) {
        return None;
    }
    Some(Renewal {
        said: said(&before, &after, words),
        sheet,
    })
}

impl Run {
    /// What is cut already, as limits of the plan for the rest: what a done step left, and where a
    /// reading says that less stands than was planned.
    pub fn limits_now(&self) -> BTreeMap<Zone, Limit> {
        let mut limits = BTreeMap::new();
        for step in &self.sheet.steps {
            let is_done = self.state_of(step.number) == Some(StepState::Done);
            for (zone, stands) in &step.stands {
                let read = self.shortest_read(step.number, *zone);
                let limit = match read {
                    Some(read) if is_done => kept_between(Some(read), read),
                    None if is_done => kept_between(Some(stands.least_mm), stands.most_mm),
                    Some(read) if is_short(read, *stands) => kept_between(None, read),
                    _ => continue,
                };
                limits.insert(*zone, limit);
            }
        }
        limits
    }

    /// Something happened that the plan may follow.
    pub(crate) const fn mark_changed(&mut self) {
        if self.ended.is_none() {
            self.has_changed = true;
        }
    }

    /// What changed is known and the sheet stays: its renewal was taken back.
    pub(crate) fn keep_as_it_was(&mut self) {
        self.has_changed = false;
        self.renewed = None;
    }

    /// Whether a reading says that less stands than the sheet leaves.
    pub(super) fn is_read_short(&self, number: u32, zone: Zone, left_mm: Length) -> bool {
        let stands = self.step(number).and_then(|s| s.stands.get(&zone));
        stands.is_some_and(|stands| is_short(left_mm, *stands))
    }

    /// Takes the steps to come from a sheet planned anew: what is done or not wanted today stays, what is
    /// the same keeps its number, its minutes and its place.
    pub(super) fn renew(&mut self, sheet: &CutSheet, said: &str) {
        self.limits = self.limits_now();
        let is_closed = |s: &StepRun| matches!(s.state, StepState::Done | StepState::NotToday);
        let (closed, open): (Vec<StepRun>, Vec<StepRun>) =
            self.steps.iter().cloned().partition(is_closed);
        let steps_of = |runs: &[StepRun]| -> Vec<Step> {
            let steps = runs.iter().filter_map(|s| self.step(s.step));
            steps.cloned().collect()
        };
        let over = Over::of(steps_of(&closed), sheet);
        let mut old: Vec<Step> = steps_of(&open);
        let mut number = self.sheet.steps.iter().map(|s| s.number).max().unwrap_or(0);
        let mut steps = over.steps.clone();
        let mut places: Vec<StepRun> = Vec::new();
        for step in sheet.steps.iter().filter_map(|s| over.left_of(s)) {
            let same = old
                .iter()
                .position(|o| is_same_words(o, &step))
                .or_else(|| old.iter().position(|o| is_same_work(o, &step)));
            let there = same.map(|i| old.remove(i).number);
            let its = there.unwrap_or_else(|| {
                number += 1;
                number
            });
            let place = open.iter().find(|s| s.step == its);
            places.push(place.cloned().unwrap_or(StepRun {
                step: its,
                ..StepRun::default()
            }));
            steps.push(Step {
                number: its,
                ..step
            });
        }
        let places = in_their_places(&open, places);
        self.steps = closed.into_iter().chain(places).collect();
        self.sheet = CutSheet {
            minutes: steps.iter().map(|s| s.minutes).sum(),
            steps,
            ..sheet.clone()
        };
        self.has_changed = false;
        self.renewed = (!said.is_empty()).then(|| said.to_owned());
    }

    fn state_of(&self, number: u32) -> Option<StepState> {
        let there = self.steps.iter().find(|s| s.step == number);
        there.map(|s| s.state)
    }

    /// The shortest that was read on a zone at a step, where hair can stand so.
    fn shortest_read(&self, number: u32, zone: Zone) -> Option<Length> {
        let here = self.readings.iter();
        here.filter(|r| (r.step, r.zone) == (number, zone))
            .map(|r| r.left_mm)
            .filter(|mm| can_stand(mm.as_mm(), None))
            .reduce(Length::min)
    }
}

/// The coat's limits with those of what is cut already: nothing grows back, and what was asked to be
/// shorter since is cut once more.
pub(crate) fn with_cut(coat: &mut CoatNow, cut: &BTreeMap<Zone, Limit>) {
    for (zone, cut) in cut {
        let asked = coat.limits.get(zone).and_then(|l| l.not_longer_mm);
        let is_shorter = asked.is_some_and(|asked| {
            cut.not_longer_mm
                .is_none_or(|most| asked.as_mm() < most.as_mm())
        });
        let limit = if is_shorter {
            Limit {
                not_shorter_mm: None,
                not_longer_mm: asked,
                ..*cut
            }
        } else {
            *cut
        };
        coat.limits.insert(*zone, limit);
    }
}

fn kept_between(least: Option<Length>, most: Length) -> Limit {
    Limit {
        not_shorter_mm: least,
        not_longer_mm: Some(most),
        because: LimitCause::Cut,
    }
}

fn is_short(read: Length, stands: Stands) -> bool {
    read.as_mm() <= stands.least_mm.as_mm() - AS_PLANNED_MM
}

/// What is over: steps done, or not wanted today, against a sheet planned anew.
struct Over<'a> {
    steps: Vec<Step>,
    /// Those of them that the new sheet has in other words: they cover what they worked on.
    reworded: Vec<usize>,
    sheet: &'a CutSheet,
}

impl<'a> Over<'a> {
    fn of(steps: Vec<Step>, sheet: &'a CutSheet) -> Self {
        let is_there = |s: &Step| sheet.steps.iter().any(|f| is_same_words(s, f));
        let reworded = (0..steps.len()).filter(|i| !is_there(&steps[*i])).collect();
        Self {
            steps,
            reworded,
            sheet,
        }
    }

    /// What is still to do of a step of the new sheet; none where it is over.
    fn left_of(&self, step: &Step) -> Option<Step> {
        if let Some(done) = self.steps.iter().find(|s| is_same_words(s, step)) {
            let zones = step.zones.iter().copied();
            return part_of(step, zones.filter(|zone| self.is_cut_again(*zone, done)));
        }
        let covering: Vec<&Step> = self
            .reworded
            .iter()
            .map(|i| &self.steps[*i])
            .filter(|s| (s.stage, s.topic) == (step.stage, step.topic))
            .collect();
        if step.zones.is_empty() {
            let is_over = |s: &&Step| s.kind == step.kind && s.zones.is_empty();
            let is_one_of_many = step.kind == StepKind::Tick;
            let is_over = !is_one_of_many && covering.iter().any(is_over);
            return (!is_over).then(|| step.clone());
        }
        let is_left = |zone: &Zone| {
            let mut there = covering.iter().filter(|s| s.zones.contains(zone));
            there.all(|s| self.is_cut_again(*zone, s))
        };
        part_of(step, step.zones.iter().copied().filter(is_left))
    }

    /// Whether a zone that a step has cut is now to be shorter than that step left it.
    fn is_cut_again(&self, zone: Zone, done: &Step) -> bool {
        let now = self.sheet.steps.iter().find_map(|s| s.stands.get(&zone));
        let (Some(left), Some(now)) = (done.stands.get(&zone), now) else {
            return false;
        };
        now.most_mm.as_mm() <= left.least_mm.as_mm() - AS_PLANNED_MM
    }
}

/// A step for some of its zones, its minutes by their share; none where none is left.
fn part_of(step: &Step, zones: impl Iterator<Item = Zone>) -> Option<Step> {
    let zones: Vec<Zone> = zones.collect();
    if zones.is_empty() {
        return None;
    }
    if zones.len() == step.zones.len() {
        return Some(step.clone());
    }
    let names: Vec<&str> = zones.iter().map(|z| z.label()).collect();
    Some(Step {
        what: format!("{}: {}", step.what, names.join(", ")),
        minutes: step.minutes * zones.len() as f64 / step.zones.len() as f64,
        zones,
        ..step.clone()
    })
}

fn is_same_words(a: &Step, b: &Step) -> bool {
    (a.stage, &a.what) == (b.stage, &b.what)
}

fn is_same_work(a: &Step, b: &Step) -> bool {
    let work = |s: &Step| (s.stage, s.topic, s.tool_id, s.zones.clone());
    !a.zones.is_empty() && work(a) == work(b)
}

/// Steps that were to come keep the order they were put in; new ones follow what the new sheet has
/// before them.
fn in_their_places(old: &[StepRun], new: Vec<StepRun>) -> Vec<StepRun> {
    let order: Vec<u32> = new.iter().map(|s| s.step).collect();
    let place = |number: u32| new.iter().find(|s| s.step == number);
    let kept = old.iter().filter_map(|s| place(s.step));
    let mut placed: Vec<StepRun> = kept.cloned().collect();
    for (i, step) in new.iter().enumerate() {
        if placed.iter().any(|s| s.step == step.step) {
            continue;
        }
        let mut before = order[..i].iter().rev();
        let after = before.find_map(|n| placed.iter().position(|s| s.step == *n));
        placed.insert(after.map_or(0, |at| at + 1), step.clone());
    }
    placed
}

fn to_come(run: &Run) -> Vec<&Step> {
    run.queue().iter().filter_map(|n| run.step(*n)).collect()
}

fn as_read<'a>(steps: &[&'a Step]) -> BTreeSet<Vec<&'a str>> {
    steps.iter().map(|step| read(step)).collect()
}

/// What a stylist reads of a step.
fn read(step: &Step) -> Vec<&str> {
    let amounts = step.amounts.iter().map(String::as_str);
    let cautions = step.cautions.iter().map(|c| c.text.as_str());
    [
        &step.what,
        &step.tool,
        &step.stroke,
        &step.from,
        &step.to,
        &step.leaves,
    ]
    .into_iter()
    .chain(&step.instead)
    .map(String::as_str)
    .chain(amounts)
    .chain(cautions)
    .collect()
}

/// What changed, in one sentence: lengths first, then tools, then minutes.
fn said(before: &[&Step], after: &[&Step], words: &Words<'_>) -> String {
    let mut changes = lengths_changed(before, after, words);
    changes.extend(tools_changed(before, after));
    let minutes = |steps: &[&Step]| steps.iter().map(|s| s.minutes).sum::<f64>();
    let more = minutes(after) - minutes(before);
    if more.abs() >= WORTH_MINUTES {
        let which = if more > 0.0 { "more" } else { "less" };
        changes.push(format!("{:.0} minutes {which}", more.abs()));
    }
    if changes.is_empty() {
        changes.push("how it is done changes, no length does".into());
    }
    format!("Planned anew: {}.", changes.join("; "))
}

fn lengths_changed(before: &[&Step], after: &[&Step], words: &Words<'_>) -> Vec<String> {
    let stands = |steps: &[&Step]| -> BTreeMap<Zone, f64> {
        let all = steps.iter().flat_map(|s| &s.stands);
        all.map(|(zone, stands)| (*zone, stands.mm.as_mm()))
            .collect()
    };
    let (was, is) = (stands(before), stands(after));
    let mut changed: Vec<(Zone, f64, f64)> = is
        .iter()
        .filter_map(|(zone, is)| Some((*zone, *is, *was.get(zone)?)))
        .filter(|(_, is, was)| (is - was).abs() >= WORTH_NAMING_MM)
        .collect();
    changed.sort_by(|a, b| (b.1 - b.2).abs().total_cmp(&(a.1 - a.2).abs()));
    let more = changed.len().saturating_sub(MOST_NAMED);
    let named = changed.iter().take(MOST_NAMED);
    let mut list: Vec<String> = named
        .map(|(zone, is, was)| {
            format!(
                "{} {}, was {}",
                zone.label(),
                words.told(*is, false),
                words.told(*was, false)
            )
        })
        .collect();
    match more {
        0 => {}
        1 => list.push("one place more".into()),
        _ => list.push(format!("{more} places more")),
    }
    list
}

fn new_or_gone(was: &BTreeSet<String>, is: &BTreeSet<String>) -> usize {
    is.symmetric_difference(was).count()
}

fn tools_changed(before: &[&Step], after: &[&Step]) -> Option<String> {
    let tools = |steps: &[&Step]| -> BTreeSet<String> {
        let all = steps.iter().map(|s| s.tool.clone());
        all.filter(|t| !t.is_empty()).collect()
    };
    let (was, is) = (tools(before), tools(after));
    if new_or_gone(&was, &is) > MOST_TOOLS {
        return Some("other tools".into());
    }
    let list = |set: Vec<&String>| {
        let names: Vec<&str> = set.into_iter().map(String::as_str).collect();
        names.join(", ")
    };
    let (new, gone) = (
        list(is.difference(&was).collect()),
        list(was.difference(&is).collect()),
    );
    match (new.is_empty(), gone.is_empty()) {
        (true, true) => None,
        (false, true) => Some(format!("{new} comes in")),
        (true, false) => Some(format!("without {gone}")),
        (false, false) => Some(format!("{new} for {gone}")),
    }
}
