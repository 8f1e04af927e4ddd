use veliform_core::drawing::Drawing;
use veliform_core::report::PlanReport;

use super::steps::{Placed, Room, place_steps};
use super::writer::{HEIGHT, MARGIN, PageWriter, WIDTH, cut, gaps_said, wrap};
use crate::fonts::{FIGURES, TEXT};

/// What the printed sheet shows.
#[derive(Clone, Copy, Debug)]
pub struct Sheet<'a> {
    /// The dog's name.
    pub name: &'a str,
    /// Whose it is.
    pub owner: &'a str,
    /// The salon's name.
    pub salon: &'a str,
    /// The day, as it is written.
    pub day: &'a str,
    /// The plan.
    pub plan: &'a PlanReport,
    /// The dog.
    pub drawing: &'a Drawing,
}

/// Room for the drawing, mm.
const DRAWING_WIDTH: f64 = 122.0;
const DRAWING_HEIGHT: f64 = 92.0;
/// Where the steps begin on the first page and on the others, mm from the top.
const STEPS_FROM: [f64; 2] = [124.0, 27.0];
/// Where they end.
const STEPS_TO: f64 = HEIGHT - 18.0;

/// Writes the cut sheet as A4 pages in black and white: the dog to scale with a scale bar, the
/// steps, the cautions, the standing caution. Two sides of one leaf hold most dogs, in letters that
/// are read at arm's length.
pub fn sheet_pages(sheet: &Sheet<'_>) -> Vec<String> {
    let room = Room {
        from: STEPS_FROM,
        to: STEPS_TO,
    };
    let pages = place_steps(sheet.plan, &room);
    let of = pages.len();
    pages
        .into_iter()
        .enumerate()
        .map(|(i, steps)| {
            let mut page = PageWriter::new(&format!("Cut sheet for {}", sheet.name));
            head(&mut page, sheet);
            if i == 0 {
                page.picture(sheet.drawing, 25.0, (DRAWING_WIDTH, DRAWING_HEIGHT));
                lengths(&mut page, sheet);
            }
            write(&mut page, steps);
            foot(&mut page, sheet, (i + 1, of));
            page.end()
        })
        .collect()
}

fn write(page: &mut PageWriter, steps: Placed) {
    for y in steps.rules {
        page.rule(y, 0.2);
    }
    for (at, size, weight, family, anchor, text) in steps.words {
        page.text(at, size, weight, family, anchor, &text);
    }
}

fn head(page: &mut PageWriter, sheet: &Sheet<'_>) {
    let most = 34;
    page.text(
        (MARGIN, 19.0),
        7.0,
        700,
        TEXT,
        "start",
        &cut(sheet.name, most),
    );
    let minutes = sheet.plan.sheet.minutes.round();
    let hours = format!("{:.0} h {:02.0}", (minutes / 60.0).floor(), minutes % 60.0);
    page.text(
        (WIDTH - MARGIN, 15.0),
        4.0,
        700,
        TEXT,
        "end",
        &format!("{} · {hours}", sheet.plan.look_name),
    );
    let who = [sheet.owner, sheet.salon, sheet.day]
        .iter()
        .filter(|s| !s.is_empty())
        .map(|s| cut(s, 40))
        .collect::<Vec<_>>()
        .join(" · ");
    page.text((WIDTH - MARGIN, 20.0), 3.2, 400, TEXT, "end", &who);
    page.rule(23.0, 0.5);
}

/// Where the list beside the drawing ends, mm from the top.
const LIST_ENDS: f64 = 124.0;
/// Lengths take so much of its height at most, mm, so that every line finds room below them.
const LENGTHS_TALL: f64 = 66.0;

/// Lengths and hand distances beside the drawing, all of them: set closer where there are many.
fn lengths(page: &mut PageWriter, sheet: &Sheet<'_>) {
    let x = MARGIN + DRAWING_WIDTH + 4.0;
    let mut y = 29.0;
    let pitch = (LENGTHS_TALL / sheet.plan.units.len().max(1) as f64).min(2.7);
    let size = (0.92 * pitch).min(2.4);
    for unit in &sheet.plan.units {
        page.text((x, y), size, 400, TEXT, "start", &cut(&unit.label, 34));
        page.text((WIDTH - MARGIN, y), size, 700, FIGURES, "end", &unit.text);
        y += pitch;
    }
    y += 0.6;
    let pitch = ((LIST_ENDS - y) / sheet.plan.lines.len().max(1) as f64).min(2.2);
    for line in &sheet.plan.lines {
        let hand = line.hand.iter().find(|h| h.distance_mm.as_mm() >= 1.0);
        let said = hand.map_or_else(|| line.mark.clone(), |h| format!("{} {}", h.text, h.from));
        page.text(
            (x, y),
            0.9 * pitch,
            400,
            TEXT,
            "start",
            &cut(&format!("{}: {said}", line.label), 66),
        );
        y += pitch;
    }
}

fn foot(page: &mut PageWriter, sheet: &Sheet<'_>, (number, of): (usize, usize)) {
    page.rule(HEIGHT - 16.0, 0.3);
    page.text(
        (MARGIN, HEIGHT - 5.0),
        2.2,
        400,
        TEXT,
        "start",
        &sheet.plan.sheet.counted,
    );
    let notes = sheet.plan.sheet.notes.iter().map(String::as_str);
    let named = [sheet.name, sheet.owner, sheet.salon];
    if let Some(said) = gaps_said(named.into_iter().chain(notes)) {
        page.text((WIDTH - MARGIN, 22.3), 2.2, 400, TEXT, "end", &said);
    }
    let mut y = HEIGHT - 12.5;
    for line in wrap(&sheet.plan.sheet.standing_caution, 112) {
        page.text((MARGIN, y), 3.0, 700, TEXT, "start", &line);
        y += 3.6;
    }
    page.text(
        (WIDTH - MARGIN, HEIGHT - 5.0),
        2.2,
        400,
        TEXT,
        "end",
        &format!("page {number} of {of} · Veliform, {}", sheet.plan.method),
    );
}
