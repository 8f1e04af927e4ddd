use veliform_core::body::{EarlierFound, Temper};
use veliform_core::dog::Dog;
use veliform_core::drawing::Drawing;
use veliform_core::say::Words;
use veliform_core::visit::{Life, LifeVisit, Trust};

use super::writer::{HEIGHT, MARGIN, PageWriter, WIDTH, cut, gaps_said, wrap};
use crate::fonts::TEXT;

/// A dog's life, to print.
#[derive(Clone, Copy)]
#[expect(
    missing_debug_implementations,
    reason = "how a day is written is a function"
)]
pub struct LifePaper<'a> {
    /// The dog.
    pub dog: &'a Dog,
    /// The salon's name.
    pub salon: &'a str,
    /// How this salon says lengths.
    pub words: &'a Words<'a>,
    /// How a day is written, by milliseconds since 1970 in UTC.
    pub day: &'a dyn Fn(i64) -> String,
    /// The day it is printed.
    pub today: &'a str,
    /// What was seen.
    pub life: &'a Life,
    /// The dog as it came last, over as it came first.
    pub outlines: Option<&'a Drawing>,
}

/// Room for the drawing, mm.
const ROOM: (f64, f64) = (120.0, 62.0);
const SIZE: f64 = 3.4;
const LINE: f64 = 4.4;
/// Letters a line holds.
const LETTERS: usize = 112;
/// Where the text ends, mm from the top.
const TO: f64 = HEIGHT - 18.0;
const BOLD: u32 = 700;
const PLAIN: u32 = 400;

/// What stands at the foot of every page.
const NO_DIAGNOSIS: &str =
    "What was seen at the table; it is no diagnosis. Ask a veterinary surgeon what it means.";

/// Writes a dog's life as A4 pages in black and white, for its owner or the vet.
pub fn life_pages(paper: &LifePaper<'_>) -> Vec<String> {
    let mut pages = vec![begun(paper)];
    let mut y = 28.0;
    if let (Some(drawing), Some(page)) = (paper.outlines, pages.last_mut()) {
        y += page.picture(drawing, y, ROOM) + 10.0;
    }
    for (text, weight) in lines(paper) {
        for words in wrap(&text, LETTERS) {
            if y + LINE > TO {
                pages.push(begun(paper));
                y = 28.0;
            }
            y += LINE;
            if let Some(page) = pages.last_mut() {
                page.text((MARGIN, y), SIZE, weight, TEXT, "start", &words);
            }
        }
    }
    let of = pages.len();
    let numbered = (1..).zip(pages);
    numbered
        .map(|(number, page)| ended(page, number, of))
        .collect()
}

fn begun(paper: &LifePaper<'_>) -> PageWriter {
    let dog = paper.dog;
    let mut page = PageWriter::new(&format!("The life of {}", dog.name));
    page.text(
        (MARGIN, 19.0),
        7.0,
        BOLD,
        TEXT,
        "start",
        &cut(&dog.name, 34),
    );
    let who: Vec<String> = [dog.owner.as_str(), paper.salon, paper.today]
        .iter()
        .filter(|s| !s.is_empty())
        .map(|s| cut(s, 40))
        .collect();
    page.text(
        (WIDTH - MARGIN, 19.0),
        3.4,
        PLAIN,
        TEXT,
        "end",
        &who.join(" · "),
    );
    if let Some(said) = gaps_said([dog.name.as_str(), dog.owner.as_str()]) {
        page.text((WIDTH - MARGIN, 22.3), 2.2, PLAIN, TEXT, "end", &said);
    }
    page.rule(23.0, 0.5);
    page
}

fn ended(mut page: PageWriter, number: usize, of: usize) -> String {
    page.rule(HEIGHT - 16.0, 0.3);
    page.text(
        (MARGIN, HEIGHT - 11.0),
        3.0,
        BOLD,
        TEXT,
        "start",
        NO_DIAGNOSIS,
    );
    let place = format!("page {number} of {of}");
    page.text(
        (WIDTH - MARGIN, HEIGHT - 5.0),
        2.4,
        PLAIN,
        TEXT,
        "end",
        &place,
    );
    page.end()
}

/// Lines with their weights: the visits, the newest first, then all that was found.
fn lines(paper: &LifePaper<'_>) -> Vec<(String, u32)> {
    let mut lines = Vec::new();
    for visit in &paper.life.visits {
        lines.push((head(visit, paper), BOLD));
        lines.extend(of_visit(visit, paper.words).into_iter().map(|l| (l, PLAIN)));
    }
    if !paper.life.found.is_empty() {
        lines.push(("Found on the body".into(), BOLD));
        let found = paper.life.found.iter();
        lines.extend(found.map(|f| (of_found(f, paper), PLAIN)));
    }
    lines
}

fn head(visit: &LifeVisit, paper: &LifePaper<'_>) -> String {
    let mut parts = vec![(paper.day)(visit.began_ms)];
    if !visit.look.is_empty() {
        parts.push(visit.look.clone());
    }
    if let Some(worked) = visit.worked_minutes {
        parts.push(format!("{worked:.0} min at the table"));
    }
    if let Some(kg) = visit.weight_kg {
        parts.push(format!("{kg} kg"));
    }
    if let Some(height) = visit.height_mm {
        parts.push(format!(
            "{} at the withers",
            paper.words.length(height.as_mm())
        ));
    }
    parts.join(" · ")
}

fn of_visit(visit: &LifeVisit, words: &Words<'_>) -> Vec<String> {
    let left: Vec<String> = visit
        .left
        .iter()
        .map(|z| format!("{} {}", z.label, words.length(z.left_mm.as_mm())))
        .collect();
    let took = [temper(visit.temper), visit.trust.map(trust)];
    let took: Vec<&str> = took.into_iter().flatten().collect();
    let notes = visit.notes.iter().cloned();
    [
        ("Left: ", left.join(", ")),
        ("Knots: ", visit.knotted.join(", ")),
        ("Handling: ", took.join(", ")),
        ("Not done: ", visit.left_undone.join(", ")),
    ]
    .into_iter()
    .filter(|(_, text)| !text.is_empty())
    .map(|(what, text)| format!("{what}{text}."))
    .chain(notes)
    .collect()
}

const fn temper(temper: Temper) -> Option<&'static str> {
    match temper {
        Temper::Unknown => None,
        Temper::Calm => Some("calm"),
        Temper::Lively => Some("lively"),
        Temper::Nervous => Some("nervous"),
        Temper::MayBite => Some("may bite"),
    }
}

const fn trust(trust: Trust) -> &'static str {
    match trust {
        Trust::Grows => "trust grows",
        Trust::Steady => "trust steady",
        Trust::Falls => "trust falls",
    }
}

fn of_found(found: &EarlierFound, paper: &LifePaper<'_>) -> String {
    let what = found.found.kind.label();
    let word = found.found.word.trim();
    let word = if word.is_empty() {
        String::new()
    } else {
        format!(", {word}")
    };
    let became = found
        .outcome
        .map_or("nothing said of it since", |o| o.label());
    let vet = if found.found.vet_look {
        " A vet's look was advised."
    } else {
        ""
    };
    format!(
        "{}: {what}{word}; {became}.{vet}",
        (paper.day)(found.began_ms)
    )
}
