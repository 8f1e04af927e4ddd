use std::collections::BTreeMap;

use serde::{Deserialize, Serialize};
use utoipa::ToSchema;
use uuid::Uuid;

use super::event::{Borne, Cooling, OverReason, PutOff, RunEnd, RunEvent, Slip, ToolWord};
use super::knot::knot_note;
use crate::coat::{CombRegion, Limit, Zone};
use crate::shape::Hand;
use crate::sheet::{CutSheet, Step, StepKind};
use crate::units::{Length, parse_length};

/// How a step stands.
#[derive(Clone, Copy, Debug, Default, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum StepState {
    /// Still to do.
    #[default]
    Open,
    /// Done.
    Done,
    /// Put off to the end of this groom.
    Later,
    /// Put off into the bath.
    InTheBath,
    /// Put off to another visit.
    NotToday,
}

/// One step of the run.
#[derive(Clone, Debug, Default, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct StepRun {
    /// Its number on the sheet.
    pub step: u32,
    /// How it stands.
    pub state: StepState,
    /// Minutes spent on it, breaks left out.
    pub minutes: f64,
    /// Why it was put off.
    pub put_off_because: String,
    /// Why it took longer than planned.
    pub ran_over: Option<OverReason>,
    /// Which side stands finished while the other is worked.
    pub side_done: Option<Hand>,
    /// How its pair compared, where it was brought together.
    pub compared: Option<Compared>,
    /// How the dog took it; none where nobody said.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub borne: Option<Borne>,
}

/// A pair brought together.
#[derive(Clone, Copy, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct Compared {
    /// The longer; none where both are alike.
    pub longer: Option<Hand>,
    /// By how much.
    pub by_mm: Length,
}

/// A length read while at work.
#[derive(Clone, Copy, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct WorkReading {
    /// At which step.
    pub step: u32,
    /// Where.
    pub zone: Zone,
    /// On which side, where the zone stands twice.
    pub hand: Option<Hand>,
    /// What stands there.
    pub left_mm: Length,
}

/// What was noticed of a tool, or done to it.
#[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
pub struct ToolNote {
    /// Which.
    pub tool: Uuid,
    /// What.
    pub word: ToolWord,
    /// When, milliseconds since 1970.
    pub at_ms: i64,
}

/// A note at a step.
#[derive(Clone, Debug, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
pub struct RunNote {
    /// The step's number.
    pub step: u32,
    /// The note.
    pub text: String,
}

/// How and why a run ended.
#[derive(Clone, Debug, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
pub struct Ended {
    /// How.
    pub how: RunEnd,
    /// Why; may be empty.
    pub reason: String,
    /// When, milliseconds since 1970.
    pub at_ms: i64,
}

/// A groom at the table as it stands.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct Run {
    /// The sheet it was begun with.
    pub sheet: CutSheet,
    /// When it began, milliseconds since 1970.
    pub began_ms: i64,
    /// The steps, in the order they are done.
    pub steps: Vec<StepRun>,
    /// Notes at steps.
    pub notes: Vec<RunNote>,
    /// Where too much came off.
    pub slips: Vec<Slip>,
    /// Lengths read, the last of each step, zone and side.
    pub readings: Vec<WorkReading>,
    /// Where the comb was tried, and whether it passed.
    #[serde(default, skip_serializing_if = "BTreeMap::is_empty")]
    pub combed: BTreeMap<CombRegion, bool>,
    /// What was noticed of tools.
    pub tools: Vec<ToolNote>,
    /// Since when the present step is timed; none while the dog rests and after the end.
    pub timed_from_ms: Option<i64>,
    /// Since when a bare blade runs without being seen to.
    pub blade_from_ms: Option<i64>,
    /// Since when the dog has worked without a break; none while it rests.
    pub at_work_from_ms: Option<i64>,
    /// Whether this dog's own cautions were read.
    pub has_seen_cautions: bool,
    /// What was cut when the rest was last planned anew: it holds what is planned since.
    #[serde(default, skip_serializing_if = "BTreeMap::is_empty")]
    pub limits: BTreeMap<Zone, Limit>,
    /// Whether something happened since that the sheet does not know.
    #[serde(default, skip_serializing_if = "std::ops::Not::not")]
    pub has_changed: bool,
    /// What changed when the rest was planned anew, until the next step is done.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub renewed: Option<String>,
    /// How it ended; none while it goes on.
    pub ended: Option<Ended>,
}

const MS_A_MINUTE: f64 = 60_000.0;
/// Longest time one step is believed to take, minutes: a lid closed overnight is no work at the
/// table (modelling choice).
const LONGEST_STEP_MINUTES: f64 = 180.0;

impl Run {
    /// Begins with a sheet.
    pub fn begin(sheet: &CutSheet, at_ms: i64) -> Self {
        let mut run = Self {
            steps: sheet
                .steps
                .iter()
                .map(|s| StepRun {
                    step: s.number,
                    ..StepRun::default()
                })
                .collect(),
            sheet: sheet.clone(),
            began_ms: at_ms,
            notes: Vec::new(),
            slips: Vec::new(),
            readings: Vec::new(),
            combed: BTreeMap::new(),
            tools: Vec::new(),
            timed_from_ms: Some(at_ms),
            blade_from_ms: None,
            at_work_from_ms: Some(at_ms),
            has_seen_cautions: false,
            limits: BTreeMap::new(),
            has_changed: false,
            renewed: None,
            ended: None,
        };
        run.watch_blade(at_ms);
        run
    }

    /// Takes an event in. What cannot be is let pass: a step done twice counts once, a step the
    /// sheet does not have is nothing, and after the end only a reason, a note, a tool
    /// or a step taken up again counts.
    pub fn take(&mut self, event: &RunEvent, at_ms: i64) {
        let is_afterword = matches!(
            event,
            RunEvent::Reopened { .. }
                | RunEvent::RanOver { .. }
                | RunEvent::Noted { .. }
                | RunEvent::Took { .. }
                | RunEvent::ToolNoted { .. }
        );
        if self.ended.is_some() && !is_afterword {
            return;
        }
        match event {
            RunEvent::Began { .. } => {}
            RunEvent::Done { step } => {
                if self
                    .step(*step)
                    .is_some_and(|s| s.kind == StepKind::CombTest)
                {
                    self.comb_passes_elsewhere();
                }
                self.close(*step, StepState::Done, "", at_ms);
            }
            RunEvent::Put {
                step,
                until,
                reason,
            } => {
                let state = match until {
                    PutOff::Later => StepState::Later,
                    // A bath that is over washes nothing more.
                    PutOff::InTheBath if self.bath_is_to_come() => StepState::InTheBath,
                    PutOff::InTheBath => StepState::Later,
                    PutOff::NotToday => StepState::NotToday,
                };
                self.close(*step, state, reason, at_ms);
            }
            RunEvent::Reopened { step } => {
                self.charge(at_ms);
                if let Some(there) = self.step_mut(*step) {
                    there.state = StepState::Open;
                    self.ended = None;
                    self.timed_from_ms = Some(at_ms);
                    self.at_work_from_ms.get_or_insert(at_ms);
                }
            }
            RunEvent::Noted { step, text } => {
                let text = text.trim();
                if !text.is_empty() {
                    self.notes.push(RunNote {
                        step: *step,
                        text: text.to_owned(),
                    });
                }
            }
            RunEvent::Took { step, borne } => {
                if let Some(there) = self.step_mut(*step) {
                    there.borne = Some(*borne);
                }
            }
            RunEvent::RanOver { step, reason } => {
                if let Some(there) = self.step_mut(*step) {
                    there.ran_over = Some(*reason);
                }
            }
            RunEvent::Paused => {
                self.charge(at_ms);
                self.timed_from_ms = None;
                self.at_work_from_ms = None;
            }
            RunEvent::Resumed => {
                if self.timed_from_ms.is_none() {
                    self.timed_from_ms = Some(at_ms);
                    self.at_work_from_ms = Some(at_ms);
                }
            }
            RunEvent::BladeSeenTo { how } => {
                if self.blade_from_ms.is_some() {
                    self.blade_from_ms = Some(at_ms);
                }
                let tool = self.current().and_then(|s| s.tool_id);
                if let (Cooling::Oiled, Some(tool)) = (how, tool) {
                    self.note_tool(tool, ToolWord::Oiled, at_ms);
                }
            }
            RunEvent::Moved { step, before } => {
                self.charge(at_ms);
                self.move_step(*step, *before);
            }
            RunEvent::Split { step, zones } => self.split(*step, zones),
            RunEvent::OneSideDone { step, hand } => {
                if let Some(there) = self.step_mut(*step) {
                    there.side_done = Some(*hand);
                }
            }
            RunEvent::Measured {
                step,
                zone,
                hand,
                left_mm,
            } => self.read(WorkReading {
                step: *step,
                zone: *zone,
                hand: hand.filter(|_| zone.is_pair()),
                left_mm: *left_mm,
            }),
            RunEvent::MeasuredAs {
                step,
                zone,
                hand,
                typed,
                units,
            } => match parse_length(typed, *units) {
                Ok(left_mm) => self.read(WorkReading {
                    step: *step,
                    zone: *zone,
                    hand: hand.filter(|_| zone.is_pair()),
                    left_mm,
                }),
                // Nothing typed is lost: what does not read stands as a note.
                Err(_) => self.notes.push(RunNote {
                    step: *step,
                    text: format!("Read on the {}: “{}”", zone.label(), typed.trim()),
                }),
            },
            RunEvent::Compared {
                step,
                longer,
                by_mm,
            } => {
                if let Some(there) = self.step_mut(*step) {
                    there.compared = Some(Compared {
                        longer: *longer,
                        by_mm: *by_mm,
                    });
                }
            }
            RunEvent::CombTried { region, passes } => {
                self.combed.insert(*region, *passes);
            }
            RunEvent::ToolNoted { tool, word } => {
                self.note_tool(*tool, *word, at_ms);
                if word.changes_the_plan() {
                    self.mark_changed();
                }
            }
            RunEvent::KnotMet {
                step, knot, way, ..
            } => self.notes.push(RunNote {
                step: *step,
                text: knot_note(knot, *way),
            }),
            RunEvent::Renewed { sheet, said } => {
                self.charge(at_ms);
                self.renew(sheet, said);
            }
            RunEvent::CautionsSeen => self.has_seen_cautions = true,
            RunEvent::Slipped { slip } => self.slips.push(*slip),
            RunEvent::Ended { how, reason } => {
                self.charge(at_ms);
                self.timed_from_ms = None;
                self.at_work_from_ms = None;
                self.ended = Some(Ended {
                    how: *how,
                    reason: reason.trim().to_owned(),
                    at_ms,
                });
            }
        }
        self.watch_blade(at_ms);
    }

    /// Steps still to come, in the order they are done: what was put into the bath follows the
    /// bath, what was put off comes at the end.
    pub fn queue(&self) -> Vec<u32> {
        if self.ended.is_some() {
            return Vec::new();
        }
        let with = |state: StepState| -> Vec<u32> {
            self.steps
                .iter()
                .filter(|s| s.state == state)
                .map(|s| s.step)
                .collect()
        };
        let place = |number: u32| self.steps.iter().position(|s| s.step == number);
        let bath = self.bath().and_then(|s| place(s.number));
        let (to_bath, after): (Vec<u32>, Vec<u32>) = with(StepState::Open)
            .into_iter()
            .partition(|n| place(*n) <= bath);
        [
            to_bath,
            with(StepState::InTheBath),
            after,
            with(StepState::Later),
        ]
        .concat()
    }

    fn bath(&self) -> Option<&Step> {
        self.sheet.steps.iter().find(|s| s.kind == StepKind::Bath)
    }

    fn bath_is_to_come(&self) -> bool {
        let number = self.bath().map(|s| s.number);
        self.steps
            .iter()
            .any(|s| Some(s.step) == number && s.state == StepState::Open)
    }

    /// The step in hand.
    pub fn current(&self) -> Option<&Step> {
        self.queue().first().and_then(|n| self.step(*n))
    }

    /// A step of the sheet.
    pub fn step(&self, number: u32) -> Option<&Step> {
        self.sheet.steps.iter().find(|s| s.number == number)
    }

    /// Minutes spent on a step so far, the present stretch included.
    pub fn minutes_on(&self, number: u32, now_ms: i64) -> f64 {
        let kept = self
            .steps
            .iter()
            .find(|s| s.step == number)
            .map_or(0.0, |s| s.minutes);
        let is_current = self.current().is_some_and(|s| s.number == number);
        kept + if is_current {
            self.stretch(now_ms)
        } else {
            0.0
        }
    }

    pub(super) fn step_mut(&mut self, number: u32) -> Option<&mut StepRun> {
        self.steps.iter_mut().find(|s| s.step == number)
    }

    /// A comb test that is done passed wherever nobody said that it stops.
    fn comb_passes_elsewhere(&mut self) {
        for region in CombRegion::ALL {
            self.combed.entry(region).or_insert(true);
        }
    }

    fn read(&mut self, reading: WorkReading) {
        let is_there = |r: &WorkReading| {
            (r.step, r.zone, r.hand) == (reading.step, reading.zone, reading.hand)
        };
        self.readings.retain(|r| !is_there(r));
        if self.is_read_short(reading.step, reading.zone, reading.left_mm) {
            self.mark_changed();
        }
        if self.step(reading.step).is_some() {
            self.readings.push(reading);
        }
    }

    fn note_tool(&mut self, tool: Uuid, word: ToolWord, at_ms: i64) {
        self.tools.push(ToolNote { tool, word, at_ms });
    }

    fn close(&mut self, number: u32, state: StepState, reason: &str, at_ms: i64) {
        let before = self.steps.iter().find(|s| s.step == number);
        let Some(before) = before.map(|s| s.state) else {
            return;
        };
        if before == state || before == StepState::Done {
            return; // A double tap, or another screen was quicker.
        }
        self.charge(at_ms);
        self.renewed = None;
        if let Some(there) = self.step_mut(number) {
            there.state = state;
            reason.trim().clone_into(&mut there.put_off_because);
        }
        // Ticking a step says that the work goes on.
        self.timed_from_ms = Some(at_ms);
        self.at_work_from_ms.get_or_insert(at_ms);
    }

    /// Books the time since the last event on the step in hand.
    fn charge(&mut self, at_ms: i64) {
        let minutes = self.stretch(at_ms);
        let current = self.current().map(|s| s.number);
        if let Some(there) = current.and_then(|n| self.step_mut(n)) {
            there.minutes += minutes;
        }
        if self.timed_from_ms.is_some() {
            self.timed_from_ms = Some(at_ms);
        }
    }

    /// Minutes since the step in hand is timed; none for a clock that was set back.
    fn stretch(&self, now_ms: i64) -> f64 {
        let Some(from) = self.timed_from_ms else {
            return 0.0;
        };
        let minutes = now_ms.saturating_sub(from) as f64 / MS_A_MINUTE;
        minutes.clamp(0.0, LONGEST_STEP_MINUTES)
    }

    /// A blade warms while steps with a bare blade follow one another.
    fn watch_blade(&mut self, at_ms: i64) {
        let runs = self.timed_from_ms.is_some() && self.current().is_some_and(|s| s.is_bare_blade);
        self.blade_from_ms = if runs {
            Some(self.blade_from_ms.unwrap_or(at_ms))
        } else {
            None
        };
    }
}
