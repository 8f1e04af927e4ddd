use std::fmt::Write as _;

use veliform_core::drawing::Drawing;

use crate::fonts::{FIGURES, cannot_print};
use crate::svg::{Theme, drawing_group, escape, num};

/// A4 upright, mm.
pub(super) const WIDTH: f64 = 210.0;
pub(super) const HEIGHT: f64 = 297.0;
pub(super) const MARGIN: f64 = 12.0;

/// Writes one page in black and white.
pub(super) struct PageWriter {
    out: String,
}

impl PageWriter {
    /// An A4 page, upright.
    pub(super) fn new(title: &str) -> Self {
        Self::sized(title, (WIDTH, HEIGHT))
    }

    /// A page so wide and high, mm.
    pub(super) fn sized(title: &str, (width, height): (f64, f64)) -> Self {
        Self {
            out: format!(
                r##"<svg xmlns="http://www.w3.org/2000/svg" width="{width}mm" height="{height}mm" viewBox="0 0 {width} {height}" role="img"><title>{}</title><rect width="{width}" height="{height}" fill="#ffffff"/>"##,
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

    /// A straight stroke from one point to another, mm.
    pub(super) fn stroke(&mut self, from: (f64, f64), to: (f64, f64), width: f64) {
        let done = write!(
            self.out,
            r##"<line x1="{}" y1="{}" x2="{}" y2="{}" stroke="#000000" stroke-width="{width}"/>"##,
            num(from.0),
            num(from.1),
            num(to.0),
            num(to.1)
        );
        debug_assert!(done.is_ok(), "writing to a string does not fail");
    }

    /// A part of a drawing as large as a room takes it, its upper left corner there, mm; its scale.
    pub(super) fn dog(
        &mut self,
        drawing: &Drawing,
        [left, bottom, right, top]: [f64; 4],
        corner: (f64, f64),
        room: (f64, f64),
    ) -> f64 {
        let scale = (room.0 / (right - left)).min(room.1 / (top - bottom));
        let done = write!(
            self.out,
            r#"<g transform="translate({} {}) scale({scale:.5})">{}</g>"#,
            num(corner.0 - scale * (left - drawing.bounds_mm[0])),
            num(corner.1 - scale * (drawing.bounds_mm[3] - top)),
            drawing_group(drawing, Theme::Paper)
        );
        debug_assert!(done.is_ok(), "writing to a string does not fail");
        scale
    }

    /// The dog to scale with its scale bar, in a room of so many mm from this height down; how tall
    /// it came out.
    pub(super) fn picture(&mut self, drawing: &Drawing, top_mm: f64, room: (f64, f64)) -> f64 {
        let [_, bottom, _, top] = drawing.bounds_mm;
        let scale = self.dog(drawing, drawing.bounds_mm, (MARGIN, top_mm), room);
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

/// Breaks a text into lines of at most so many letters, at spaces where it can, never between a number and its
/// unit.
pub(super) fn wrap(text: &str, most: usize) -> Vec<String> {
    let mut words: Vec<String> = Vec::new();
    for word in text.split_whitespace() {
        let is_unit = ["mm", "in"].contains(&word.trim_end_matches(|c| !char::is_alphabetic(c)));
        match words.last_mut() {
            Some(number)
                if is_unit
                    && number.ends_with(|c: char| c.is_ascii_digit())
                    && number.chars().count() + 1 + word.chars().count() <= most =>
            {
                number.push(' ');
                number.push_str(word);
            }
            _ => words.push(word.to_owned()),
        }
    }
    let mut lines = Vec::new();
    let mut line = String::new();
    for word in words {
        let word = cut(&word, most);
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
