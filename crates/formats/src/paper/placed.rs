/// Where words may stand, mm from the top: from, on the first page and on the others, and to.
pub(super) struct Room {
    pub(super) from: [f64; 2],
    pub(super) to: f64,
}

/// A word on the page: place, em, weight, family, anchor, text.
pub(super) type Word = ((f64, f64), f64, u32, &'static str, &'static str, String);

/// What stands on one page.
#[derive(Default)]
pub(super) struct Placed {
    pub(super) rules: Vec<f64>,
    /// Boxes to tick: upper left corner and side, mm.
    pub(super) boxes: Vec<((f64, f64), f64)>,
    pub(super) words: Vec<Word>,
}

pub(super) const PLAIN: u32 = 400;
pub(super) const BOLD: u32 = 700;

/// Width of a letter against its em, on average.
const LETTER: f64 = 0.475;

/// Letters that a width holds.
#[expect(
    clippy::cast_possible_truncation,
    clippy::cast_sign_loss,
    reason = "letters in a column"
)]
pub(super) fn letters(width: f64, size: f64) -> usize {
    (width / (LETTER * size)).max(6.0) as usize
}
