use veliform_core::report::PlanReport;
use veliform_core::sheet::{Stage, Step};

use super::writer::{MARGIN, WIDTH, wrap};
use crate::fonts::{FIGURES, TEXT};

/// Where steps may stand, mm from the top: from, on the first page and on the others, and to.
pub(super) struct Room {
    pub(super) from: [f64; 2],
    pub(super) to: f64,
}

/// A word on the page: place, em, weight, family, anchor, text.
type Word = ((f64, f64), f64, u32, &'static str, &'static str, String);

/// What stands on one page.
#[derive(Default)]
pub(super) struct Placed {
    pub(super) rules: Vec<f64>,
    pub(super) words: Vec<Word>,
}

/// Sizes the steps are tried at, mm of em, the largest first; the smallest is read at arm's length
/// (seen on paper).
const SIZES: [f64; 6] = [3.3, 3.1, 2.9, 2.7, 2.6, 2.5];
/// Sides of one leaf.
const SIDES: usize = 2;
/// Width of a letter against its em, on average.
const LETTER: f64 = 0.475;
/// Line spacing against the em.
const LINE: f64 = 1.16;
/// Room a stage's name takes, lines.
const STAGE: f64 = 1.5;
/// Room over a step, lines.
const OVER: f64 = 0.25;

/// Lays the steps out over pages: at the largest size that fits one leaf, else at the smallest on
/// as many as it takes. A step is never broken over two pages.
pub(super) fn place_steps(plan: &PlanReport, room: &Room) -> Vec<Placed> {
    let mut pages = Vec::new();
    for size in SIZES {
        pages = lay_out(plan, size, room);
        if pages.len() <= SIDES {
            break;
        }
    }
    pages
}

fn lay_out(plan: &PlanReport, size: f64, room: &Room) -> Vec<Placed> {
    let line = size * LINE;
    let mut pages = vec![Placed::default()];
    let mut stage: Option<Stage> = None;
    let mut y = room.from[0];
    for (text, weight) in said_first(plan) {
        for words in wrap(text, letters(WIDTH - 2.0 * MARGIN, size)) {
            if y + line > room.to {
                pages.push(Placed::default());
                y = room.from[1];
            }
            y += line;
            let word = ((MARGIN, y), size, weight, TEXT, "start", words);
            if let Some(page) = pages.last_mut() {
                page.words.push(word);
            }
        }
    }
    for step in &plan.sheet.steps {
        let row = cells(step, size);
        let tall = row.iter().map(|c| c.lines.len()).max().unwrap_or(1).max(1);
        let is_new = stage != Some(step.stage);
        let needs = line * (tall as f64 + OVER + if is_new { STAGE } else { 0.0 });
        let mut names_stage = is_new;
        if y + needs > room.to {
            pages.push(Placed::default());
            y = room.from[1];
            names_stage = true;
        }
        let Some(page) = pages.last_mut() else {
            continue;
        };
        if names_stage {
            stage = Some(step.stage);
            page.rules.push(y + 0.4 * line);
            y += STAGE * line;
            let word = step.stage_label.clone();
            let place = (MARGIN, y);
            page.words
                .push((place, 1.1 * size, BOLD, TEXT, "start", word));
        }
        y += (1.0 + OVER) * line;
        for cell in row {
            for (i, (text, weight)) in cell.lines.into_iter().enumerate() {
                let at = (cell.x, y + line * i as f64);
                page.words.push((at, size, weight, TEXT, "start", text));
            }
        }
        let minutes = format!("{:.0}", step.minutes.max(1.0));
        page.words
            .push(((WIDTH - MARGIN, y), size, 400, FIGURES, "end", minutes));
        y += line * (tall as f64 - 1.0);
    }
    pages
}

/// What stands over the steps: what is done otherwise on this dog, then the notes.
fn said_first(plan: &PlanReport) -> impl Iterator<Item = (&str, u32)> {
    let staged = plan
        .sheet
        .staged
        .iter()
        .map(|s| (s.sentence.as_str(), BOLD));
    let ways = plan.sheet.own_ways.iter().map(|way| (way.as_str(), BOLD));
    let notes = plan.sheet.notes.iter().map(|note| (note.as_str(), PLAIN));
    staged.chain(ways).chain(notes)
}

/// Letters that a width holds.
#[expect(
    clippy::cast_possible_truncation,
    clippy::cast_sign_loss,
    reason = "letters in a column"
)]
fn letters(width: f64, size: f64) -> usize {
    (width / (LETTER * size)).max(8.0) as usize
}

/// A column of wrapped lines, each with its weight.
struct Cell {
    x: f64,
    lines: Vec<(String, u32)>,
}

const PLAIN: u32 = 400;
const BOLD: u32 = 700;

/// Columns of a step: number, what, how with from and to and the other hand, cautions. What is
/// usual is printed once; this dog's own cautions stand at every step they belong to.
fn cells(step: &Step, size: f64) -> Vec<Cell> {
    let column = |x: f64, width: f64, parts: &[(String, u32)]| Cell {
        x,
        lines: parts
            .iter()
            .flat_map(|(text, weight)| {
                let lines = wrap(text, letters(width, size));
                lines.into_iter().map(|l| (l, *weight))
            })
            .collect(),
    };
    let mut what = vec![(step.what.clone(), BOLD)];
    if !step.leaves.is_empty() {
        what.push((format!("leaves {}", step.leaves), BOLD));
    }
    let mut how = step.tool.clone();
    if !step.stroke.is_empty() {
        how = format!("{how}, {}", step.stroke);
    }
    for (word, place) in [("from", &step.from), ("to", &step.to)] {
        if !place.is_empty() {
            how = format!("{how}; {word} {place}");
        }
    }
    if let Some(instead) = &step.instead {
        how = format!("{how}. {instead}");
    }
    let mut how = vec![(how.trim_start_matches("; ").to_owned(), PLAIN)];
    // One after another: a line each would not fit one leaf.
    if !step.amounts.is_empty() {
        how.push((format!("{}.", step.amounts.join(". ")), PLAIN));
    }
    if !step.hand.is_empty() && !step.hand_said_before {
        how.push((format!("Other hand: {}", step.hand), PLAIN));
    }
    let mut cautions: Vec<(String, u32)> = Vec::new();
    for caution in &step.cautions {
        if caution.is_this_dogs {
            cautions.push((format!("! {}", caution.text), BOLD));
        } else if !caution.is_said_before {
            cautions.push((caution.text.clone(), PLAIN));
        }
    }
    let number = [(step.number.to_string(), PLAIN)];
    vec![
        column(MARGIN, 5.0, &number),
        column(MARGIN + 6.0, 46.0, &what),
        column(MARGIN + 54.0, 74.0, &how),
        column(MARGIN + 130.0, 49.0, &cautions),
    ]
}
