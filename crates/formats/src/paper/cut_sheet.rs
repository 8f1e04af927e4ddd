use veliform_core::drawing::Drawing;
use veliform_core::report::PlanReport;

use super::hints::place_hints;
use super::placed::{BOLD, PLAIN, Placed, Room, letters};
use super::steps::place_steps;
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
const DRAWING_WIDTH: f64 = 118.0;
/// Its height, and where the steps begin under it: large, and smaller on a dog with many steps.
const DRAWINGS: [(f64, f64); 2] = [(70.0, 102.0), (50.0, 82.0)];
/// Words so large are read at arm's length, mm of em: 11 points (modelling choice).
const AT_ARMS_LENGTH: f64 = 3.9;
/// Where they begin on other pages, mm from the top.
const ON_OTHERS: f64 = 27.0;
/// Where hints begin: under the lists, and on a page of their own.
const HINTS_FROM: f64 = 99.0;
/// Where both end.
const WORDS_TO: f64 = HEIGHT - 18.0;

/// Writes the cut sheet as A4 pages in black and white. The first side is worked from, at arm's length:
/// the dog to scale, the steps with tool, what they leave and a box to tick. The second is read before:
/// lengths, lines by the hand, hints and cautions. Two sides of one leaf hold most dogs.
pub fn sheet_pages(sheet: &Sheet<'_>) -> Vec<String> {
    let room = |from| Room {
        from: [from, ON_OTHERS],
        to: WORDS_TO,
    };
    let [large, small] = DRAWINGS;
    let beside = place_steps(sheet.plan, &room(large.1));
    let closer = place_steps(sheet.plan, &room(small.1));
    // A smaller dog where the words beside a large one are small, and larger for it.
    let is_closer = closer.steps.len() < beside.steps.len()
        || beside.size < AT_ARMS_LENGTH && closer.size > beside.size;
    let (drawn, steps) = if is_closer {
        (small, closer.steps)
    } else {
        (large, beside.steps)
    };
    let hints = place_hints(sheet.plan, &room(HINTS_FROM));
    let of = steps.len() + hints.len();
    let first_hints = steps.len();
    steps
        .into_iter()
        .chain(hints)
        .enumerate()
        .map(|(i, words)| {
            let mut page = PageWriter::new(&format!("Cut sheet for {}", sheet.name));
            head(&mut page, sheet);
            if i == 0 {
                page.picture(sheet.drawing, 25.0, (DRAWING_WIDTH, drawn.0));
                said_first(&mut page, sheet.plan, drawn.0);
            }
            if i == first_hints {
                lengths(&mut page, sheet);
            }
            write(&mut page, words);
            foot(&mut page, sheet, (i + 1, of));
            page.end()
        })
        .collect()
}

fn write(page: &mut PageWriter, placed: Placed) {
    for y in placed.rules {
        page.rule(y, 0.2);
    }
    for (at, side) in placed.boxes {
        page.tick_box(at, side);
    }
    for (at, size, weight, family, anchor, text) in placed.words {
        page.text(at, size, weight, family, anchor, &text);
    }
}

/// Beside the drawing: what is done otherwise on this dog, its notes, and the tools to lay out.
fn said_first(page: &mut PageWriter, plan: &PlanReport, tall: f64) {
    let x = MARGIN + DRAWING_WIDTH + 4.0;
    let staged = plan
        .sheet
        .staged
        .iter()
        .map(|s| (s.sentence.as_str(), BOLD));
    let ways = plan.sheet.own_ways.iter().map(|way| (way.as_str(), BOLD));
    let notes = plan.sheet.notes.iter().map(|note| (note.as_str(), PLAIN));
    let said: Vec<(&str, u32)> = staged.chain(ways).chain(notes).collect();
    let tools = tools(plan);
    let lay_out = format!("To lay out: {tools}.");
    let mut parts: Vec<(&str, u32)> = said;
    if !tools.is_empty() {
        parts.push((&lay_out, PLAIN));
    }
    for size in [4.2, 3.8, 3.4, 3.0, 2.6] {
        let lines: Vec<(String, u32)> = parts
            .iter()
            .flat_map(|(text, weight)| {
                let lines = wrap(text, letters(WIDTH - MARGIN - x, size));
                lines.into_iter().map(|l| (l, *weight))
            })
            .collect();
        let line = 1.2 * size;
        if line * lines.len() as f64 > tall && size > 2.6 {
            continue;
        }
        let mut y = 25.0;
        for (text, weight) in lines {
            y += line;
            page.text((x, y), size, weight, TEXT, "start", &text);
        }
        return;
    }
}

/// The tools of the sheet in the order they are taken up.
fn tools(plan: &PlanReport) -> String {
    let mut named: Vec<&str> = Vec::new();
    let with_a_tool = plan.sheet.steps.iter().filter(|s| !s.tool.is_empty());
    for step in with_a_tool {
        if !named.contains(&step.tool.as_str()) {
            named.push(&step.tool);
        }
    }
    named.join(", ")
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

/// Where the lists end, mm from the top.
const LISTS_END: f64 = 97.0;
/// Widest rows of a list, mm.
const ROW: f64 = 3.4;

/// Lengths at the left, lines by the hand at the right, all of them: set closer where there are many.
fn lengths(page: &mut PageWriter, sheet: &Sheet<'_>) {
    let top = 28.5;
    let middle = 0.42 * WIDTH;
    let pitch = |rows: usize| ((LISTS_END - top) / rows.max(1) as f64).min(ROW);
    let row = pitch(sheet.plan.units.len());
    let mut y = top;
    for unit in &sheet.plan.units {
        let size = 0.88 * row;
        page.text(
            (MARGIN, y),
            size,
            PLAIN,
            TEXT,
            "start",
            &cut(&unit.label, 34),
        );
        page.text((middle - 6.0, y), size, BOLD, FIGURES, "end", &unit.text);
        y += row;
    }
    let row = pitch(sheet.plan.lines.len());
    let mut y = top;
    for line in &sheet.plan.lines {
        let hand = line.hand.iter().find(|h| h.distance_mm.as_mm() >= 1.0);
        let said = hand.map_or_else(|| line.mark.clone(), |h| format!("{} {}", h.text, h.from));
        let text = format!("{}: {said}", line.label);
        let size = 0.88 * row;
        let most = letters(WIDTH - MARGIN - middle, size);
        page.text((middle, y), size, PLAIN, TEXT, "start", &cut(&text, most));
        y += row;
    }
    page.rule(LISTS_END + 1.0, 0.2);
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
