use veliform_core::report::PlanReport;
use veliform_core::sheet::{Stage, Step};

use super::placed::{BOLD, PLAIN, Placed, Room, letters};
use super::writer::{MARGIN, WIDTH, wrap};
use crate::fonts::{FIGURES, TEXT};

/// Sizes the steps are tried at, mm of em, the largest first: 13 points where there are few, nine where
/// there are two dozen, eight at the least.
const SIZES: [f64; 11] = [4.6, 4.3, 4.0, 3.8, 3.6, 3.4, 3.2, 3.1, 3.0, 2.9, 2.8];
/// Line spacing against the em.
const LINE: f64 = 1.14;
/// Room a stage's name takes, lines.
const STAGE: f64 = 0.9;
/// Room over a step, lines.
const OVER: f64 = 0.28;
/// What a step leaves stands in its own column up to so many letters, under its name where it says
/// more.
const SHORT: usize = 11;

/// The steps as a hand works them, a row each: what, with which tool, what it leaves, minutes, a box to
/// tick. At the largest size that fits one side, else at the smallest on as many as it takes.
pub(super) fn place_steps(plan: &PlanReport, room: &Room) -> Vec<Placed> {
    let mut pages = Vec::new();
    for size in SIZES {
        pages = lay_out(plan, size, room);
        if pages.len() <= 1 {
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
            page.rules.push(y + 0.35 * line);
            y += STAGE * line;
            let word = step.stage_label.clone();
            page.words
                .push(((MARGIN, y), 0.66 * size, PLAIN, TEXT, "start", word));
        }
        y += (1.0 + OVER) * line;
        page.boxes.push(((MARGIN, y - 0.74 * size), 0.8 * size));
        for cell in row {
            for (i, (text, weight)) in cell.lines.into_iter().enumerate() {
                let at = (cell.x, y + line * i as f64);
                page.words.push((at, size, weight, TEXT, "start", text));
            }
        }
        let minutes = format!("{:.0}", step.minutes.max(1.0));
        page.words
            .push(((WIDTH - MARGIN, y), size, PLAIN, FIGURES, "end", minutes));
        y += line * (tall as f64 - 1.0);
    }
    pages
}

/// A column of wrapped lines, each with its weight.
struct Cell {
    x: f64,
    lines: Vec<(String, u32)>,
}

/// Columns of a step: number, what, tool and stroke, what it leaves.
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
    let is_short = step.leaves.chars().count() <= SHORT;
    let mut what = vec![(step.what.clone(), BOLD)];
    if !is_short {
        what.push((format!("leaves {}", step.leaves), PLAIN));
    }
    let how = match (step.tool.is_empty(), step.stroke.is_empty()) {
        (false, false) => format!("{}, {}", step.tool, step.stroke),
        _ => format!("{}{}", step.tool, step.stroke),
    };
    let leaves = if is_short {
        step.leaves.clone()
    } else {
        String::new()
    };
    vec![
        column(MARGIN + 6.0, 7.0, &[(step.number.to_string(), PLAIN)]),
        column(MARGIN + 13.0, 76.0, &what),
        column(MARGIN + 91.0, 64.0, &[(how, PLAIN)]),
        column(MARGIN + 157.0, 23.0, &[(leaves, BOLD)]),
    ]
}
