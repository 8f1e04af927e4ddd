use std::fmt::Write as _;

use veliform_core::drawing::Drawing;
use veliform_core::plan::PlanReport;
use veliform_core::sheet::{Stage, Step};

use crate::fonts::{FIGURES, TEXT};
use crate::svg::{Theme, drawing_group, escape, num};

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

/// A4 upright, mm.
const WIDTH: f64 = 210.0;
const HEIGHT: f64 = 297.0;
const MARGIN: f64 = 12.0;
/// Room for the drawing, mm.
const DRAWING_WIDTH: f64 = 122.0;
const DRAWING_HEIGHT: f64 = 92.0;
/// Width of a letter against its em, on average.
const LETTER: f64 = 0.475;
/// Sizes the steps are tried at, mm of em, the largest first.
const SIZES: [f64; 7] = [3.3, 3.0, 2.8, 2.6, 2.4, 2.2, 2.0];

/// Writes the cut sheet as one A4 page in black and white: the dog to scale with a scale bar, the
/// steps, the cautions, the standing caution.
pub fn sheet_svg(sheet: &Sheet<'_>) -> String {
    let mut page = PageWriter {
        out: format!(
            r#"<svg xmlns="http://www.w3.org/2000/svg" width="210mm" height="297mm" viewBox="0 0 210 297" role="img"><title>Cut sheet for {}</title><rect width="210" height="297" fill="{}"/>"#,
            escape(sheet.name),
            "#ffffff"
        ),
    };
    page.head(sheet);
    page.picture(sheet.drawing);
    page.lengths(sheet);
    page.steps(sheet.plan);
    page.foot(sheet);
    page.out.push_str("</svg>\n");
    page.out
}

struct PageWriter {
    out: String,
}

/// A column of wrapped lines.
struct Cell {
    x: f64,
    lines: Vec<String>,
    is_bold: bool,
}

impl PageWriter {
    fn text(
        &mut self,
        (x, y): (f64, f64),
        size: f64,
        weight: u32,
        family: &str,
        anchor: &str,
        text: &str,
    ) {
        let done = write!(
            self.out,
            r##"<text x="{}" y="{}" font-family="{family}" font-size="{}" font-weight="{weight}" text-anchor="{anchor}" fill="#000000">{}</text>"##,
            num(x),
            num(y),
            num(size),
            escape(text)
        );
        debug_assert!(done.is_ok(), "writing to a string does not fail");
    }

    fn rule(&mut self, y: f64, width: f64) {
        let done = write!(
            self.out,
            r##"<line x1="{MARGIN}" y1="{0}" x2="{1}" y2="{0}" stroke="#000000" stroke-width="{width}"/>"##,
            num(y),
            WIDTH - MARGIN
        );
        debug_assert!(done.is_ok(), "writing to a string does not fail");
    }

    fn head(&mut self, sheet: &Sheet<'_>) {
        let most = 34;
        self.text(
            (MARGIN, 19.0),
            7.0,
            700,
            TEXT,
            "start",
            &cut(sheet.name, most),
        );
        let minutes = sheet.plan.sheet.minutes.round();
        let hours = format!("{:.0} h {:02.0}", (minutes / 60.0).floor(), minutes % 60.0);
        self.text(
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
        self.text((WIDTH - MARGIN, 20.0), 3.2, 400, TEXT, "end", &who);
        self.rule(23.0, 0.5);
    }

    fn picture(&mut self, drawing: &Drawing) {
        let [left, bottom, right, top] = drawing.bounds_mm;
        let scale = (DRAWING_WIDTH / (right - left)).min(DRAWING_HEIGHT / (top - bottom));
        let done = write!(
            self.out,
            r#"<g transform="translate({} 25) scale({scale:.5})">{}</g>"#,
            num(MARGIN),
            drawing_group(drawing, Theme::Paper)
        );
        debug_assert!(done.is_ok(), "writing to a string does not fail");
        // A bar of 10 cm of the dog, and what the scale is.
        let (x, y) = (MARGIN + 1.0, 25.0 + (top - bottom) * scale + 1.0);
        let bar = 100.0 * scale;
        let done = write!(
            self.out,
            r##"<path d="M{0} {1} v-2 m0 1 h{2} m0 -1 v2" fill="none" stroke="#000000" stroke-width="0.35"/>"##,
            num(x),
            num(y),
            num(bar)
        );
        debug_assert!(done.is_ok(), "writing to a string does not fail");
        self.text(
            (x + bar + 2.0, y),
            2.8,
            400,
            FIGURES,
            "start",
            &format!("10 cm of the dog, scale 1:{:.1}", 1.0 / scale),
        );
    }

    /// Lengths and hand distances beside the drawing.
    fn lengths(&mut self, sheet: &Sheet<'_>) {
        let x = MARGIN + DRAWING_WIDTH + 4.0;
        let mut y = 29.0;
        for unit in &sheet.plan.units {
            self.text((x, y), 2.7, 400, TEXT, "start", &cut(&unit.label, 30));
            self.text((WIDTH - MARGIN, y), 2.7, 700, FIGURES, "end", &unit.text);
            y += 3.3;
        }
        y += 0.6;
        for line in &sheet.plan.lines {
            let hand = line.hand.iter().find(|h| h.distance_mm.as_mm() >= 1.0);
            let said = hand.map_or_else(|| line.mark.clone(), |h| format!("{} {}", h.text, h.from));
            if y > 124.0 {
                break;
            }
            self.text(
                (x, y),
                2.0,
                400,
                TEXT,
                "start",
                &cut(&format!("{}: {said}", line.label), 66),
            );
            y += 2.5;
        }
    }

    fn steps(&mut self, plan: &PlanReport) {
        let bottom = HEIGHT - 18.0;
        let rows = SIZES
            .iter()
            .map(|size| lay_out(plan, *size))
            .find(|rows| rows.end <= bottom)
            .unwrap_or_else(|| lay_out(plan, SIZES[SIZES.len() - 1]));
        for y in rows.rules {
            self.rule(y, 0.2);
        }
        for (at, size, weight, family, anchor, text) in rows.words {
            self.text(at, size, weight, family, anchor, &text);
        }
    }

    fn foot(&mut self, sheet: &Sheet<'_>) {
        self.rule(HEIGHT - 16.0, 0.3);
        let mut y = HEIGHT - 12.5;
        for line in wrap(&sheet.plan.sheet.standing_caution, 112) {
            self.text((MARGIN, y), 3.0, 700, TEXT, "start", &line);
            y += 3.6;
        }
        self.text(
            (WIDTH - MARGIN, HEIGHT - 5.0),
            2.2,
            400,
            TEXT,
            "end",
            &format!("Veliform, {}", sheet.plan.method),
        );
    }
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

/// Breaks a text into lines of at most so many letters, at spaces where it can.
fn wrap(text: &str, most: usize) -> Vec<String> {
    let mut lines = Vec::new();
    let mut line = String::new();
    for word in text.split_whitespace() {
        let word = cut(word, most);
        let long = line.chars().count() + 1 + word.chars().count();
        if !line.is_empty() && long > most {
            lines.push(std::mem::take(&mut line));
        }
        if !line.is_empty() {
            line.push(' ');
        }
        line.push_str(&word);
    }
    if !line.is_empty() {
        lines.push(line);
    }
    lines
}

/// Shortens a text that would run out of its place.
fn cut(text: &str, most: usize) -> String {
    if text.chars().count() <= most {
        return text.to_owned();
    }
    text.chars()
        .take(most.saturating_sub(1))
        .chain(['…'])
        .collect()
}
