use std::collections::BTreeMap;

use serde::{Deserialize, Serialize};
use utoipa::ToSchema;
use uuid::Uuid;

use crate::dog::House;
use crate::kit::{ShearsState, Tool, ToolKind, ToolState};
use crate::run::{Run, StepState, ToolWord};

/// What runs say a tool did.
#[derive(Clone, Copy, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct ToolWork {
    /// Which.
    pub tool: Uuid,
    /// Minutes it ran, altogether.
    pub minutes: f64,
    /// Grooms it was used at.
    pub grooms: u32,
    /// When it was used last, milliseconds since 1970 in UTC.
    pub last_ms: i64,
    /// Minutes since it was sharpened; altogether where nobody said when.
    pub since_sharpened: f64,
    /// When it was oiled last; none where it never was.
    pub oiled_ms: Option<i64>,
    /// How often it ran hot since it was oiled or sharpened.
    pub hot: u32,
    /// Whether it was noted dull since it was sharpened.
    pub is_dull: bool,
}

impl ToolWork {
    const fn of(tool: Uuid) -> Self {
        Self {
            tool,
            minutes: 0.0,
            grooms: 0,
            last_ms: 0,
            since_sharpened: 0.0,
            oiled_ms: None,
            hot: 0,
            is_dull: false,
        }
    }

    fn note(&mut self, word: ToolWord, at_ms: i64) {
        match word {
            ToolWord::Oiled => {
                self.oiled_ms = Some(at_ms);
                self.hot = 0;
            }
            ToolWord::RunsHot => self.hot += 1,
            ToolWord::Dull => self.is_dull = true,
            // A missing tooth is a state of the tool itself; points are those of shears.
            ToolWord::ToothMissing | ToolWord::DullAtTip => {}
        }
    }
}

/// Adds up what each tool did over runs, whatever their order: the kit's log writes itself.
pub fn tool_work<'a>(runs: impl Iterator<Item = &'a Run>, kit: &[Tool]) -> Vec<ToolWork> {
    let mut runs: Vec<&Run> = runs.collect();
    runs.sort_by_key(|r| r.began_ms);
    let sharpened = |tool: Uuid| {
        let known = kit.iter().find(|t| t.id == tool);
        known.and_then(|t| t.sharpened_ms).unwrap_or(i64::MIN)
    };
    let mut work: BTreeMap<Uuid, ToolWork> = BTreeMap::new();
    for run in runs {
        let mut here: BTreeMap<Uuid, f64> = BTreeMap::new();
        for step in run.steps.iter().filter(|s| s.state == StepState::Done) {
            let tool = run.step(step.step).and_then(|s| s.tool_id);
            if let Some(tool) = tool {
                *here.entry(tool).or_default() += step.minutes;
            }
        }
        for (tool, minutes) in here {
            let all = work.entry(tool).or_insert(ToolWork::of(tool));
            all.minutes += minutes;
            all.grooms += 1;
            all.last_ms = run.began_ms;
            if run.began_ms >= sharpened(tool) {
                all.since_sharpened += minutes;
            }
        }
        for note in run.tools.iter().filter(|n| n.at_ms >= sharpened(n.tool)) {
            let all = work.entry(note.tool).or_insert(ToolWork::of(note.tool));
            all.note(note.word, note.at_ms);
        }
    }
    work.into_values().collect()
}

/// Something to see to before the day.
#[derive(Clone, Debug, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
pub struct DueWork {
    /// Which tool.
    pub tool: Uuid,
    /// What and why, in one sentence.
    pub sentence: String,
}

/// A blade is sent out after so many minutes of running (modelling choice: about fifty grooms of a
/// quarter of an hour).
const SHARPEN_AFTER_MINUTES: f64 = 750.0;
/// A blade that ran hot so often wants more than a pause (modelling choice).
const HOT_AGAIN: u32 = 2;

/// What the kit asks for before the day, the gravest first (handbook 3, *Kit*; common practice).
pub fn due_work(kit: &[Tool], house: &House, work: &[ToolWork]) -> Vec<DueWork> {
    let mut due: Vec<(u8, DueWork)> = Vec::new();
    for tool in kit.iter().filter(|t| !t.retired) {
        let did = work.iter().find(|w| w.tool == tool.id);
        let name = match tool.kind {
            ToolKind::Blade => format!("the {} blade", tool.printed),
            ToolKind::Comb => format!("the {} comb", tool.printed),
        };
        let mut say = |grave: u8, sentence: String| {
            let tool = tool.id;
            due.push((grave, DueWork { tool, sentence }));
        };
        if tool.state == ToolState::ToothMissing {
            say(0, format!("Put {name} away: a tooth is missing."));
            continue;
        }
        if tool.state == ToolState::Dull || did.is_some_and(|d| d.is_dull) {
            say(1, format!("Have {name} sharpened: it pulls."));
            continue;
        }
        let Some(did) = did.filter(|_| tool.kind == ToolKind::Blade) else {
            continue;
        };
        if did.since_sharpened >= SHARPEN_AFTER_MINUTES {
            let hours = did.since_sharpened / 60.0;
            say(
                2,
                format!("Have {name} sharpened: it ran {hours:.0} hours since the last time."),
            );
        }
        if did.hot >= HOT_AGAIN {
            say(
                3,
                format!(
                    "Clean and oil {name}, and try it cold: it ran hot {} times.",
                    did.hot
                ),
            );
        } else if did.grooms > 0 && did.oiled_ms.is_none_or(|at| at < did.last_ms) {
            say(
                4,
                format!("A drop of oil on {name}, top of the teeth, before it runs."),
            );
        }
    }
    for pair in &house.shears {
        let name = pair.name(house.units);
        let sentence = match pair.state {
            ShearsState::Sharp | ShearsState::AtTheSharpener => continue,
            ShearsState::Dull => format!("Have the {name} sharpened: dull."),
            ShearsState::DullAtTip => {
                format!("Have the {name} sharpened: the points fold the hair.")
            }
        };
        let tool = pair.id;
        due.push((1, DueWork { tool, sentence }));
    }
    due.sort_by_key(|(grave, _)| *grave);
    due.into_iter().map(|(_, due)| due).collect()
}
