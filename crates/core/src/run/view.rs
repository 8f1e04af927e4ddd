use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use super::event::OverReason;
use super::late::LeaveOut;
use super::renew::Renewal;
use super::state::{Run, StepRun, StepState};
use super::told::{AtStep, RunLengths, at_steps};
use crate::say::Words;
use crate::sheet::FromLastTime;
use crate::units::Length;

/// A step put off, as it stays in sight.
#[derive(Clone, Debug, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
pub struct PutOffStep {
    /// Its number.
    pub step: u32,
    /// What it is, and until when it is put off.
    pub words: String,
}

/// A step that took longer than planned.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct RanOver {
    /// Its number.
    pub step: u32,
    /// What it is, and by how many minutes.
    pub words: String,
    /// Why, where it was said.
    pub reason: Option<OverReason>,
}

/// A run as the table sees it at one moment.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct RunView {
    /// The run.
    pub run: Run,
    /// Steps to come, the one in hand first.
    pub queue: Vec<u32>,
    /// What is said at each of them.
    pub at: Vec<AtStep>,
    /// This dog's own cautions on the whole sheet, each once.
    pub own_cautions: Vec<String>,
    /// Minutes worked.
    pub worked_minutes: f64,
    /// Minutes planned for what is to come.
    pub to_go_minutes: f64,
    /// Minutes behind the plan; negative when ahead.
    pub late_minutes: f64,
    /// How the time stands, in one sentence.
    pub pace: String,
    /// What could be left out, where it is late.
    pub could_leave: Vec<LeaveOut>,
    /// When a bare blade is to be felt, milliseconds since 1970.
    pub feel_blade_ms: Option<i64>,
    /// When the dog should rest, milliseconds since 1970; none for a dog that needs no breaks.
    pub break_ms: Option<i64>,
    /// What the blade beneath the combs leaves: so short is the hair where a comb falls off.
    #[serde(default)]
    pub under_comb_mm: Length,
    /// Steps done that took longer than planned: each asks for one reason.
    pub ran_over: Vec<RanOver>,
    /// What was put off.
    pub put_off: Vec<PutOffStep>,
    /// The rest planned anew, where something happened that the sheet does not know and that changes it.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub anew: Option<Renewal>,
}

/// Running late is said from here on, minutes (modelling choice).
const LATE_MINUTES: f64 = 5.0;

/// A step that took this much longer than planned asks for its reason, minutes (modelling choice).
const OVER_MINUTES: f64 = 3.0;

/// Looks at a run at a moment of the table's own clock, beside the lengths planned and before work.
pub fn run_view(
    run: &Run,
    lengths: &RunLengths,
    words: &Words<'_>,
    leave_out: impl FnOnce() -> Vec<LeaveOut>,
    now_ms: i64,
) -> RunView {
    let queue = run.queue();
    let in_hand = queue.first().copied();
    let (mut worked, mut late) = (0.0, 0.0);
    for step in &run.steps {
        let planned = run.step(step.step).map_or(0.0, |s| s.minutes);
        let spent = run.minutes_on(step.step, now_ms);
        worked += spent;
        late += match step.state {
            StepState::Done => spent - planned,
            // Begun and put off, or not today: the time is gone, the work is not.
            StepState::Later | StepState::InTheBath | StepState::NotToday => spent,
            StepState::Open if in_hand == Some(step.step) => (spent - planned).max(0.0),
            StepState::Open => spent,
        };
    }
    let planned = |n: &u32| run.step(*n).map_or(0.0, |s| s.minutes);
    let to_go = queue.iter().map(planned).sum::<f64>()
        - in_hand.map_or(0.0, |n| run.minutes_on(n, now_ms).min(planned(&n)));
    let is_late = late >= LATE_MINUTES;
    let after = |from: Option<i64>, minutes: f64| from.map(|at| at.saturating_add(ms(minutes)));
    RunView {
        own_cautions: own_cautions(run),
        worked_minutes: worked,
        to_go_minutes: to_go,
        late_minutes: late,
        pace: pace(worked, to_go, late),
        could_leave: if is_late { leave_out() } else { Vec::new() },
        feel_blade_ms: after(run.blade_from_ms, run.sheet.blade_minutes),
        break_ms: run
            .sheet
            .break_every_minutes
            .and_then(|every| after(run.at_work_from_ms, every)),
        under_comb_mm: Length::constant_mm(words.house.under_comb.leaves_mm()),
        ran_over: ran_over(run),
        put_off: put_off(run),
        anew: None,
        at: at_steps(run, &queue, lengths, words),
        queue,
        run: run.clone(),
    }
}

#[expect(
    clippy::cast_possible_truncation,
    reason = "minutes of a groom, far from the ends of i64"
)]
fn ms(minutes: f64) -> i64 {
    (minutes * 60_000.0).round() as i64
}

fn clock(minutes: f64) -> String {
    let whole = minutes.max(0.0).round();
    format!("{}:{:02.0}", (whole / 60.0).floor(), whole % 60.0)
}

fn pace(worked: f64, to_go: f64, late: f64) -> String {
    let how = if late >= LATE_MINUTES {
        format!("{late:.0} minutes late")
    } else if late <= -LATE_MINUTES {
        format!("{:.0} minutes ahead", -late)
    } else {
        "on time".to_owned()
    };
    format!("{} done, {} to go, {how}.", clock(worked), clock(to_go))
}

fn own_cautions(run: &Run) -> Vec<String> {
    let mut list: Vec<String> = Vec::new();
    for caution in run.sheet.steps.iter().flat_map(|s| &s.cautions) {
        if caution.is_this_dogs && !list.contains(&caution.text) {
            list.push(caution.text.clone());
        }
    }
    list
}

fn ran_over(run: &Run) -> Vec<RanOver> {
    run.steps
        .iter()
        .filter(|s| s.state == StepState::Done)
        .filter_map(|s| {
            let step = run.step(s.step)?;
            let over = s.minutes - step.minutes;
            (over >= OVER_MINUTES).then(|| RanOver {
                step: s.step,
                words: format!("{}: {over:.0} min over", step.what),
                reason: s.ran_over,
            })
        })
        .collect()
}

/// What was put off and never done, in words.
pub fn left_undone(run: &Run) -> Vec<String> {
    put_off(run).into_iter().map(|off| off.words).collect()
}

/// What a run says of its steps to the next: notes at them, and what was put off and never done.
pub fn from_last(run: &Run) -> Vec<FromLastTime> {
    let told = |number: u32, text: &str, is_undone: bool| {
        let step = run.step(number)?;
        Some(FromLastTime {
            stage: step.stage,
            what: step.what.clone(),
            zones: step.zones.clone(),
            text: text.to_owned(),
            is_undone,
        })
    };
    let is_undone = |s: &&StepRun| !matches!(s.state, StepState::Open | StepState::Done);
    let undone = run.steps.iter().filter(is_undone);
    let notes = run.notes.iter();
    undone
        .filter_map(|s| told(s.step, &s.put_off_because, true))
        .chain(notes.filter_map(|n| told(n.step, &n.text, false)))
        .collect()
}

fn put_off(run: &Run) -> Vec<PutOffStep> {
    run.steps
        .iter()
        .filter_map(|s| {
            let until = match s.state {
                StepState::Open | StepState::Done => return None,
                StepState::Later => "later",
                StepState::InTheBath => "in the bath",
                StepState::NotToday => "not today",
            };
            let what = &run.step(s.step)?.what;
            let why = match s.put_off_because.as_str() {
                "" => String::new(),
                why => format!(" ({why})"),
            };
            Some(PutOffStep {
                step: s.step,
                words: format!("{what}: {until}{why}"),
            })
        })
        .collect()
}
