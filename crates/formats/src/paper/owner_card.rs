use veliform_core::drawing::Drawing;
use veliform_core::visit::{CardLine, CardText};

use super::placed::letters;
use super::writer::{PageWriter, cut, gaps_said, wrap};
use crate::fonts::TEXT;

/// What goes home to the fridge.
#[derive(Clone, Copy, Debug)]
pub struct OwnerCard<'a> {
    /// The dog's name.
    pub name: &'a str,
    /// The salon's name.
    pub salon: &'a str,
    /// The day of the groom, as it is written.
    pub day: &'a str,
    /// The day to come back, as it is written, and how many days that is; none where nobody said.
    pub back: Option<(&'a str, u32)>,
    /// What it says, in the order it is read.
    pub lines: &'a [CardText],
    /// The dog as it goes home.
    pub drawing: &'a Drawing,
    /// What is said on every paper.
    pub standing_caution: &'a str,
}

/// A5 across, mm (ISO 216).
const WIDTH: f64 = 210.0;
const HEIGHT: f64 = 148.0;
const MARGIN: f64 = 10.0;
/// Two columns.
const COLUMN: f64 = 91.0;
const RIGHT: f64 = WIDTH - MARGIN - COLUMN;
/// 16 point, read from two steps away (modelling choice).
const SIZE: f64 = 16.0 * 25.4 / 72.0;
const LINE: f64 = 7.0;
/// Between two parts.
const GAP: f64 = 4.0;
/// The name and the day to come back.
const LARGE: f64 = 9.5;
const DAY: f64 = 7.2;
/// What stands at the foot.
const SMALL: f64 = 2.8;
const TOP: f64 = 20.0;
/// The lowest line of a column.
const BOTTOM: f64 = HEIGHT - 16.0;
/// Room for the dog beneath its name.
const DOG_TOP: f64 = 25.0;
const DOG_TALL: f64 = 52.0;
/// The day to come back, and the weeks to it.
const NEXT: f64 = 88.0;
const WEEKS: f64 = HEIGHT - 22.0;
const MOST_WHY: usize = 3;
/// Weeks drawn at least.
const LEAST_WEEKS: u32 = 8;

/// Writes the owner card as A5 pages in black and white: one, where nobody wrote a letter.
pub fn owner_card_pages(card: &OwnerCard<'_>) -> Vec<String> {
    let mut pages = Vec::new();
    let mut page = begun(card);
    front(&mut page, card);
    let mut column = RIGHT;
    let mut y = TOP;
    for part in parts(card) {
        let tall = LINE * part.len() as f64;
        if y > TOP && y - LINE + tall > BOTTOM {
            if column == RIGHT {
                pages.push(std::mem::replace(&mut page, begun(card)).end());
                column = MARGIN;
            } else {
                column = RIGHT;
            }
            y = TOP;
        }
        for (weight, line) in part {
            page.text((column, y), SIZE, weight, TEXT, "start", &line);
            y += LINE;
        }
        y += GAP;
    }
    pages.push(page.end());
    pages
}

/// A page with what stands on each.
fn begun(card: &OwnerCard<'_>) -> PageWriter {
    let mut page = PageWriter::sized(&format!("Owner card for {}", card.name), (WIDTH, HEIGHT));
    page.stroke(
        (MARGIN, HEIGHT - 12.0),
        (WIDTH - MARGIN, HEIGHT - 12.0),
        0.3,
    );
    let salon = format!("{} · {}", cut(card.salon, 40), card.day);
    page.text((MARGIN, HEIGHT - 8.0), 3.6, 700, TEXT, "start", &salon);
    page.text(
        (MARGIN, HEIGHT - 4.0),
        SMALL,
        400,
        TEXT,
        "start",
        card.standing_caution,
    );
    let texts = card.lines.iter().flat_map(|l| [l.title.as_str(), &l.text]);
    if let Some(said) = gaps_said(texts.chain([card.name, card.salon])) {
        page.text(
            (WIDTH - MARGIN, HEIGHT - 8.0),
            SMALL,
            400,
            TEXT,
            "end",
            &said,
        );
    }
    page
}

/// The left of the front: the dog, its day and the weeks to it.
fn front(page: &mut PageWriter, card: &OwnerCard<'_>) {
    // A long name is written smaller.
    let fits = COLUMN / (0.6 * card.name.chars().count().max(1) as f64);
    let size = LARGE.min(fits).max(SIZE);
    let name = cut(card.name, letters(COLUMN, size));
    page.text((MARGIN, TOP), size, 700, TEXT, "start", &name);
    let drawn = card.drawing.drawn_mm();
    let (wide, tall) = (drawn[2] - drawn[0], drawn[3] - drawn[1]);
    let beside = (COLUMN - wide * (COLUMN / wide).min(DOG_TALL / tall)) / 2.0;
    let scale = page.dog(
        card.drawing,
        drawn,
        (MARGIN + beside, DOG_TOP),
        (COLUMN, DOG_TALL),
    );
    let floor = DOG_TOP + scale * tall;
    page.stroke((MARGIN, floor), (MARGIN + COLUMN, floor), 0.5);
    let Some((day, days)) = card.back else { return };
    page.text(
        (MARGIN, NEXT),
        DAY,
        700,
        TEXT,
        "start",
        CardLine::NextVisit.label(),
    );
    page.text((MARGIN, NEXT + 8.0), DAY, 700, TEXT, "start", day);
    let why = why(card);
    for (n, line) in why.iter().enumerate() {
        let y = NEXT + 15.5 + LINE * n as f64;
        page.text((MARGIN, y), SIZE, 400, TEXT, "start", line);
    }
    if why.len() < MOST_WHY {
        weeks(page, days);
    }
}

/// Why on that day, in the lines that stand beneath it; none where it is too long for them.
fn why(card: &OwnerCard<'_>) -> Vec<String> {
    let why = card.lines.iter().find(|l| l.line == CardLine::NextVisit);
    let why = wrap(why.map_or("", |l| &l.text), letters(COLUMN, SIZE));
    if why.len() > MOST_WHY {
        Vec::new()
    } else {
        why
    }
}

/// The weeks to the day as a rule with a mark on it.
fn weeks(page: &mut PageWriter, days: u32) {
    let most = LEAST_WEEKS.max(days / 7 + 2);
    let at = |days: u32| MARGIN + COLUMN * f64::from(days) / f64::from(7 * most);
    page.stroke((MARGIN, WEEKS), (MARGIN + COLUMN, WEEKS), 0.4);
    // Numbers of a long wait stand apart.
    let each = most.div_ceil(12);
    for week in 0..=most {
        let x = at(7 * week);
        page.stroke((x, WEEKS), (x, WEEKS - 3.0), 0.3);
        if week > 0 && week + 1 < most && week % each == 0 {
            let text = week.to_string();
            page.text((x, WEEKS + 4.6), 3.6, 400, TEXT, "middle", &text);
        }
    }
    let end = (MARGIN + COLUMN, WEEKS + 4.6);
    page.text(end, 3.6, 400, TEXT, "end", "weeks");
    page.stroke((at(days), WEEKS), (at(days), WEEKS - 7.0), 1.4);
}

/// The lines of the other parts: each its title in bold, then what it says.
fn parts(card: &OwnerCard<'_>) -> Vec<Vec<(u32, String)>> {
    let most = letters(COLUMN, SIZE);
    let is_beneath_its_day = card.back.is_some() && !why(card).is_empty();
    let said = card.lines.iter();
    said.filter(|l| !l.text.is_empty())
        .filter(|l| l.line != CardLine::NextVisit || !is_beneath_its_day)
        .map(|l| {
            let title = wrap(&l.title, most).into_iter().map(|line| (700, line));
            let text = wrap(&l.text, most).into_iter().map(|line| (400, line));
            title.chain(text).collect()
        })
        .collect()
}
