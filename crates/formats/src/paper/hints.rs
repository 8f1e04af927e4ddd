use veliform_core::report::PlanReport;
use veliform_core::sheet::{Step, StepKind};

use super::placed::{BOLD, PLAIN, Placed, Room, letters};
use super::writer::{MARGIN, WIDTH, wrap};
use crate::fonts::TEXT;

/// Sizes the hints are tried at, mm of em, the largest first; the smallest is read in the hand.
const SIZES: [f64; 9] = [3.6, 3.4, 3.2, 3.0, 2.8, 2.7, 2.6, 2.5, 2.4];
const LINE: f64 = 1.16;
/// Room over a step's hints, lines.
const OVER: f64 = 0.3;
/// Room between the two columns, mm.
const GAP: f64 = 6.0;

/// Hints step by step, in two columns: from where to where, what comes off, what the other hand does,
/// cautions. What is usual is printed once; this dog's own cautions stand at every step they belong to.
pub(super) fn place_hints(plan: &PlanReport, room: &Room) -> Vec<Placed> {
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
    let width = 0.5 * (WIDTH - 2.0 * MARGIN - GAP);
    let mut pages = vec![Placed::default()];
    let (mut column, mut from) = (0.0, room.from[0]);
    let mut y = from;
    for step in &plan.sheet.steps {
        let lines: Vec<(String, u32)> = hints(step)
            .into_iter()
            .flat_map(|(text, weight)| {
                let lines = wrap(&text, letters(width, size));
                lines.into_iter().map(move |l| (l, weight))
            })
            .collect();
        // A name alone says nothing.
        if lines.len() < 2 {
            continue;
        }
        y += OVER * line;
        for (i, (text, weight)) in lines.iter().enumerate() {
            // A name keeps its first hint beside it.
            let needs = if i == 0 { 2.0 * line } else { line };
            if y + needs > room.to {
                if column > 0.5 {
                    pages.push(Placed::default());
                    (column, from) = (0.0, room.from[1]);
                } else {
                    column = 1.0;
                }
                y = from;
            }
            y += line;
            let x = MARGIN + column * (width + GAP);
            if let Some(page) = pages.last_mut() {
                page.words
                    .push(((x, y), size, *weight, TEXT, "start", text.clone()));
            }
        }
    }
    pages
}

/// A step's name and what is to know of it.
fn hints(step: &Step) -> Vec<(String, u32)> {
    let mut said = vec![(format!("{} {}", step.number, step.what), BOLD)];
    let mut way = Vec::new();
    // On the first side it stands in a row of many, which says no stroke.
    if step.kind != StepKind::Work && !step.stroke.is_empty() {
        way.push(format!("How: {}.", step.stroke));
    }
    for (word, place) in [("From", &step.from), ("Stop:", &step.to)] {
        if !place.is_empty() {
            way.push(format!("{word} {place}."));
        }
    }
    way.extend(
        step.instead
            .iter()
            .map(|instead| format!("If the comb stops: {instead}.")),
    );
    way.extend(step.amounts.iter().map(|amount| format!("{amount}.")));
    if !step.hand.is_empty() {
        way.push(format!("Other hand: {}", step.hand));
    }
    if !way.is_empty() {
        said.push((way.join(" "), PLAIN));
    }
    for caution in &step.cautions {
        if caution.is_this_dogs {
            said.push((format!("! {}", caution.text), BOLD));
        } else {
            said.push((caution.text.clone(), PLAIN));
        }
    }
    said
}
