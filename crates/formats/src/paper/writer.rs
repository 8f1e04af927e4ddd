use std::fmt::Write as _;

use veliform_core::drawing::Drawing;

use crate::fonts::{FIGURES, cannot_print};
use crate::svg::{Theme, drawing_group, escape, num};

/// A4 upright, mm.
pub(super) const WIDTH: f64 = 210.0;
pub(super) const HEIGHT: f64 = 297.0;
pub(super) const MARGIN: f64 = 12.0;

/// Writes one A4 page in black and white.
pub(super) struct PageWriter {
    out: String,
}

impl PageWriter {
    pub(super) fn new(title: &str) -> Self {
        Self {
            out: format!(
                r##"<svg xmlns="http://www.w3.org/2000/svg" width="210mm" height="297mm" viewBox="0 0 210 297" role="img"><title>{}</title><rect width="210" height="297" fill="#ffffff"/>"##,
                escape(title)
            ),
        }
    }

    pub(super) fn end(mut self) -> String {
        self.out.push_str("</svg>\n");
        self.out
    }

    pub(super) fn text(
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
            escape(&printable(text))
        );
        debug_assert!(done.is_ok(), "writing to a string does not fail");
    }

    /// A box to tick: its upper left corner and side, mm.
    pub(super) fn tick_box(&mut self, (x, y): (f64, f64), side: f64) {
        let done = write!(
            self.out,
            r##"<rect x="{}" y="{}" width="{2}" height="{2}" fill="none" stroke="#000000" stroke-width="0.35"/>"##,
            num(x),
            num(y),
            num(side)
        );
        debug_assert!(done.is_ok(), "writing to a string does not fail");
    }

    pub(super) fn rule(&mut self, y: f64, width: f64) {
        let done = write!(
            self.out,
            r##"<line x1="{MARGIN}" y1="{0}" x2="{1}" y2="{0}" stroke="#000000" stroke-width="{width}"/>"##,
            num(y),
            WIDTH - MARGIN
        );
        debug_assert!(done.is_ok(), "writing to a string does not fail");
    }

    /// The dog to scale with its scale bar, in a room of so many mm from this height down; how tall
    /// it came out.
    pub(super) fn picture(&mut self, drawing: &Drawing, top_mm: f64, room: (f64, f64)) -> f64 {
        let [left, bottom, right, top] = drawing.bounds_mm;
        let scale = (room.0 / (right - left)).min(room.1 / (top - bottom));
        let done = write!(
            self.out,
            r#"<g transform="translate({} {}) scale({scale:.5})">{}</g>"#,
            num(MARGIN),
            num(top_mm),
            drawing_group(drawing, Theme::Paper)
        );
        debug_assert!(done.is_ok(), "writing to a string does not fail");
        // A bar of 10 cm of the dog, and what the scale is.
        let (x, y) = (MARGIN + 1.0, top_mm + (top - bottom) * scale + 1.0);
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
        (top - bottom) * scale
    }
}

/// A text with a gap, to be filled in by hand, for each letter that no face on board holds.
fn printable(text: &str) -> String {
    let missing = cannot_print(text);
    text.chars()
        .map(|c| if missing.contains(&c) { '_' } else { c })
        .collect()
}

/// What is said where a paper has such gaps; none where it has not.
pub(super) fn gaps_said<'a>(texts: impl IntoIterator<Item = &'a str>) -> Option<String> {
    let missing: usize = texts.into_iter().map(|t| cannot_print(t).len()).sum();
    (missing > 0).then(|| {
        "Some letters cannot be printed here: write them in by hand where “_” stands.".into()
    })
}

/// Breaks a text into lines of at most so many letters, at spaces where it can.
pub(super) fn wrap(text: &str, most: usize) -> Vec<String> {
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
pub(super) fn cut(text: &str, most: usize) -> String {
    if text.chars().count() <= most {
        return text.to_owned();
    }
    text.chars()
        .take(most.saturating_sub(1))
        .chain(['…'])
        .collect()
}
