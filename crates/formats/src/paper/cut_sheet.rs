use veliform_core::drawing::Drawing;
use veliform_core::plan::PlanReport;
use veliform_core::sheet::{Stage, Step};

use super::writer::{HEIGHT, MARGIN, PageWriter, WIDTH, cut, wrap};
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
/// Width of a letter against its em, on average.
const LETTER: f64 = 0.475;
/// Sizes the steps are tried at, mm of em, the largest first.
const SIZES: [f64; 8] = [3.3, 3.0, 2.8, 2.6, 2.4, 2.2, 2.0, 1.9];

/// Writes the cut sheet as one A4 page in black and white: the dog to scale with a scale bar, the
/// steps, the cautions, the standing caution.
pub fn sheet_svg(sheet: &Sheet<'_>) -> String {
    let mut page = PageWriter::new(&format!("Cut sheet for {}", sheet.name));
    head(&mut page, sheet);
    page.picture(sheet.drawing, 25.0, (DRAWING_WIDTH, DRAWING_HEIGHT));
    lengths(&mut page, sheet);
    steps(&mut page, sheet.plan);
    foot(&mut page, sheet);
    page.end()
}

/// A column of wrapped lines.
struct Cell {
    x: f64,
    lines: Vec<String>,
    is_bold: bool,
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

/// Lengths and hand distances beside the drawing.
fn lengths(page: &mut PageWriter, sheet: &Sheet<'_>) {
    let x = MARGIN + DRAWING_WIDTH + 4.0;
    let mut y = 29.0;
    for unit in &sheet.plan.units {
        page.text((x, y), 2.4, 400, TEXT, "start", &cut(&unit.label, 34));
        page.text((WIDTH - MARGIN, y), 2.4, 700, FIGURES, "end", &unit.text);
        y += 2.7;
    }
    y += 0.6;
    for line in &sheet.plan.lines {
        let hand = line.hand.iter().find(|h| h.distance_mm.as_mm() >= 1.0);
        let said = hand.map_or_else(|| line.mark.clone(), |h| format!("{} {}", h.text, h.from));
        if y > 124.0 {
            break;
        }
        page.text(
            (x, y),
            2.0,
            400,
            TEXT,
            "start",
            &cut(&format!("{}: {said}", line.label), 66),
        );
        y += 2.2;
    }
}

fn steps(page: &mut PageWriter, plan: &PlanReport) {
    let bottom = HEIGHT - 18.0;
    let rows = SIZES
        .iter()
        .map(|size| lay_out(plan, *size))
        .find(|rows| rows.end <= bottom)
        .unwrap_or_else(|| lay_out(plan, SIZES[SIZES.len() - 1]));
    for y in rows.rules {
        page.rule(y, 0.2);
    }
    for (at, size, weight, family, anchor, text) in rows.words {
        page.text(at, size, weight, family, anchor, &text);
    }
}

fn foot(page: &mut PageWriter, sheet: &Sheet<'_>) {
    page.rule(HEIGHT - 16.0, 0.3);
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
        &format!("Veliform, {}", sheet.plan.method),
    );
}

type Word = ((f64, f64), f64, u32, &'static str, &'static str, String);

/// The steps laid out at one size.
struct Rows {
    rules: Vec<f64>,
    words: Vec<Word>,
    end: f64,
}

/// Where the steps begin, mm from the top.
const STEPS_FROM: f64 = 124.0;
/// Line spacing against the em.
const LINE: f64 = 1.16;

fn lay_out(plan: &PlanReport, size: f64) -> Rows {
    let line = size * LINE;
    let mut rows = Rows {
        rules: Vec::new(),
        words: Vec::new(),
        end: STEPS_FROM,
    };
    let mut stage: Option<Stage> = None;
    let mut said: Vec<&str> = Vec::new();
    let mut y = STEPS_FROM;
    for step in &plan.sheet.steps {
        if stage != Some(step.stage) {
            stage = Some(step.stage);
            y += 0.3 * line;
            rows.rules.push(y);
            let word = step.stage_label.clone();
            rows.words
                .push(((MARGIN, y + line), size, 700, TEXT, "start", word));
        }
        y += line;
        let row = cells(step, size, &mut said);
        let tall = row.iter().map(|c| c.lines.len()).max().unwrap_or(1).max(1);
        for cell in row {
            let weight = if cell.is_bold { 700 } else { 400 };
            for (i, text) in cell.lines.into_iter().enumerate() {
                let at = (cell.x, y + line * i as f64);
                rows.words.push((at, size, weight, TEXT, "start", text));
            }
        }
        let minutes = format!("{:.0}", step.minutes.max(1.0));
        rows.words
            .push(((WIDTH - MARGIN, y), size, 400, FIGURES, "end", minutes));
        y += line * (tall as f64 - 1.0);
    }
    rows.end = y;
    rows
}

/// Columns of a step: number, what, how with from and to, cautions. A usual caution is printed
/// once; this dog's own stand at every step they belong to.
fn cells<'a>(step: &'a Step, size: f64, said: &mut Vec<&'a str>) -> Vec<Cell> {
    let letters = |width: f64| (width / (LETTER * size)).max(8.0);
    let column = |x: f64, width: f64, text: &str, is_bold: bool| Cell {
        x,
        #[expect(
            clippy::cast_possible_truncation,
            clippy::cast_sign_loss,
            reason = "letters in a column"
        )]
        lines: wrap(text, letters(width) as usize),
        is_bold,
    };
    let mut what = step.what.clone();
    if !step.leaves.is_empty() {
        what = format!("{what}: {}", step.leaves);
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
    let how = how.trim_start_matches("; ");
    let mut cautions: Vec<String> = Vec::new();
    for caution in &step.cautions {
        if caution.is_this_dogs {
            cautions.push(format!("! {}", caution.text));
        } else if !said.contains(&caution.text.as_str()) {
            said.push(&caution.text);
            cautions.push(caution.text.clone());
        }
    }
    vec![
        column(MARGIN + 21.0, 5.0, &step.number.to_string(), false),
        column(MARGIN + 25.5, 43.0, &what, true),
        column(MARGIN + 70.5, 60.0, how, false),
        column(MARGIN + 132.0, 48.0, &cautions.join(" "), false),
    ]
}
