use veliform_core::report::PlanReport;
use veliform_core::sheet::Row;

use super::placed::{BOLD, PLAIN, Placed, Room, letters};
use super::writer::{MARGIN, WIDTH, wrap};
use crate::fonts::{FIGURES, TEXT};

/// Sizes the rows are tried at, mm of em, the largest first: 13 points, what is read at arm's length, ten
/// for two dozen steps, and under nine only where one leaf would not hold them.
const SIZES: [f64; 11] = [4.6, 4.4, 4.2, 4.0, 3.9, 3.8, 3.7, 3.6, 3.4, 3.2, SMALLEST];
const SMALLEST: f64 = 3.0;
/// Line spacing against the em.
const LINE: f64 = 1.12;
/// Room over a row, lines.
const OVER: f64 = 0.22;
/// What a row leaves stands in its own column up to so many letters, under its name where it says
/// more.
const SHORT: usize = 9;

/// The rows as a hand works them: what, with which tool, what it leaves, minutes, a box to tick. At the
/// largest size that fits one side, else at the smallest on as many as it takes.
pub(super) fn place_steps(plan: &PlanReport, room: &Room) -> PlacedSteps {
    let rows = plan.sheet.rows();
    let placed = |size| PlacedSteps {
        size,
        steps: lay_out(&rows, size, room),
    };
    let mut sizes = SIZES.into_iter().map(placed);
    let fits = sizes.find(|placed| placed.steps.len() <= 1);
    fits.unwrap_or_else(|| placed(SMALLEST))
}

/// The rows on their pages, and how large they are set, mm of em.
pub(super) struct PlacedSteps {
    pub(super) size: f64,
    pub(super) steps: Vec<Placed>,
}

fn lay_out(rows: &[Row], size: f64, room: &Room) -> Vec<Placed> {
    let line = size * LINE;
    let mut pages = vec![Placed::default()];
    let mut y = room.from[0];
    for row in rows {
        let cells = cells(row, size);
        let tall = cells.iter().map(|c| c.lines.len()).max();
        let tall = tall.unwrap_or(1).max(1) as f64;
        if y + line * (tall + OVER) > room.to {
            pages.push(Placed::default());
            y = room.from[1];
        }
        let Some(page) = pages.last_mut() else {
            continue;
        };
        page.rules.push(y + 0.5 * OVER * line);
        y += (1.0 + OVER) * line - 0.14 * size;
        page.boxes.push(((MARGIN, y - 0.74 * size), 0.8 * size));
        for cell in cells {
            for (i, (text, weight)) in cell.lines.into_iter().enumerate() {
                let at = (cell.x, y + line * i as f64);
                page.words.push((at, size, weight, TEXT, "start", text));
            }
        }
        let minutes = format!("{:.0}", row.minutes.max(1.0));
        page.words
            .push(((WIDTH - MARGIN, y), size, PLAIN, FIGURES, "end", minutes));
        y += line * (tall - 1.0) + 0.14 * size;
    }
    pages
}

/// A column of wrapped lines, each with its weight.
struct Cell {
    x: f64,
    lines: Vec<(String, u32)>,
}

/// Columns of a row: what with its numbers and how, tool, what it leaves.
fn cells(row: &Row, size: f64) -> Vec<Cell> {
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
    let numbers = if row.first == row.last {
        row.first.to_string()
    } else {
        format!("{}–{}", row.first, row.last)
    };
    let is_short = row.leaves.chars().count() <= SHORT;
    let mut what = vec![(format!("{numbers} {}", row.what), BOLD)];
    what.extend((!row.how.is_empty()).then(|| (row.how.clone(), PLAIN)));
    what.extend((!is_short).then(|| (format!("leaves {}", row.leaves), PLAIN)));
    let leaves = if is_short { row.leaves.as_str() } else { "" };
    vec![
        column(MARGIN + 7.0, 98.0, &what),
        column(MARGIN + 107.0, 46.0, &[(row.tool.clone(), PLAIN)]),
        column(MARGIN + 156.0, 17.0, &[(leaves.into(), BOLD)]),
    ]
}
