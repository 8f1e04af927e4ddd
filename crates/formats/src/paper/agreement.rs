use veliform_core::consult::{Offer, Talk};
use veliform_core::drawing::Drawing;

use super::writer::{HEIGHT, MARGIN, PageWriter, WIDTH, cut, wrap};
use crate::fonts::{FIGURES, TEXT};

/// What owner and stylist agree on, before the first hair comes off.
#[derive(Clone, Copy, Debug)]
pub struct Agreement<'a> {
    /// The dog's name.
    pub name: &'a str,
    /// Whose it is.
    pub owner: &'a str,
    /// The salon's name.
    pub salon: &'a str,
    /// The day, as it is written.
    pub day: &'a str,
    /// The day to come back, as it is written.
    pub back: Option<&'a str>,
    /// The look agreed on.
    pub offer: &'a Offer,
    /// What else was agreed: by whom, at home, this dog's ways.
    pub more: &'a [(&'static str, String)],
    /// What the owner said.
    pub talk: Option<&'a Talk>,
    /// This dog in it, over its coat of today.
    pub drawing: &'a Drawing,
    /// What is said on every paper.
    pub standing_caution: &'a str,
}

/// What is signed.
const CONSENT: &str =
    "Agreed: this look, its lengths, its price. Knots, skin or the dog may ask for less.";
/// Where it is signed, mm from the top.
const SIGNED: f64 = HEIGHT - 34.0;
/// Room for the drawing, mm.
const DOG_TOP: f64 = 27.0;
const LEAST_TALL: f64 = 44.0;
const MOST_TALL: f64 = 128.0;
/// From under the dog to the first line: the look's name stands between.
const UNDER_DOG: f64 = 20.0;
const LINE: f64 = 6.2;
const SIZE: f64 = 4.6;
/// Letters a line of the slip holds.
const LETTERS: usize = 72;
/// Letters a value holds beside its name: figures are wider.
const VALUE_LETTERS: usize = 46;
/// Lines a value takes at most: the slip is one page.
const VALUE_LINES: usize = 3;

/// A line of the slip: what it is about, where that is said, and what it says.
struct Row {
    name: &'static str,
    text: String,
    weight: u32,
    family: &'static str,
    /// From the left margin, mm.
    at: f64,
}

/// Writes what is agreed, to be signed, as one A4 page in black and white.
pub fn agreement_svg(slip: &Agreement<'_>) -> String {
    let mut page = PageWriter::new(&format!("Agreed for {}", slip.name));
    page.text((MARGIN, 20.0), 8.0, 700, TEXT, "start", &cut(slip.name, 30));
    let who = [slip.owner, slip.salon, slip.day]
        .iter()
        .filter(|s| !s.is_empty())
        .map(|s| cut(s, 40))
        .collect::<Vec<_>>()
        .join(" · ");
    page.text((WIDTH - MARGIN, 20.0), 3.6, 400, TEXT, "end", &who);
    page.rule(24.0, 0.5);
    let rows = rows(slip);
    // The dog has what room the words leave it.
    let tall = SIGNED - 10.0 - DOG_TOP - UNDER_DOG - LINE * rows.len() as f64;
    let room = (WIDTH - 2.0 * MARGIN, tall.clamp(LEAST_TALL, MOST_TALL));
    let mut y = DOG_TOP + page.picture(slip.drawing, DOG_TOP, room) + 12.0;
    page.text((MARGIN, y), 7.0, 700, TEXT, "start", &slip.offer.name);
    page.text(
        (WIDTH - MARGIN, y),
        3.6,
        400,
        TEXT,
        "end",
        "grey: the coat as it came",
    );
    y += UNDER_DOG - 12.0;
    for row in rows {
        page.text((MARGIN, y), SIZE, 400, TEXT, "start", row.name);
        let at = (MARGIN + row.at, y);
        page.text(at, SIZE, row.weight, row.family, "start", &row.text);
        y += LINE;
    }
    page.text((MARGIN, SIGNED), 3.6, 400, TEXT, "start", CONSENT);
    for (x, who) in [(MARGIN, "Owner"), (WIDTH / 2.0, "Stylist")] {
        page.text((x, SIGNED + 11.0), 3.6, 400, TEXT, "start", who);
        let end = (x + 86.0, SIGNED + 11.0);
        page.stroke((x + 14.0, SIGNED + 11.0), end, 0.3);
    }
    page.rule(HEIGHT - 16.0, 0.3);
    let mut foot = HEIGHT - 11.5;
    for line in wrap(slip.standing_caution, 112) {
        page.text((MARGIN, foot), 3.0, 700, TEXT, "start", &line);
        foot += 3.6;
    }
    page.end()
}

/// Everything that is agreed, the owner's own words, and what the look cannot do on this dog.
fn rows(slip: &Agreement<'_>) -> Vec<Row> {
    let plain = |text: String| Row {
        name: "",
        text,
        weight: 400,
        family: TEXT,
        at: 0.0,
    };
    let mut rows = Vec::new();
    let more = slip.more.iter().cloned();
    for (name, value) in facts(slip).into_iter().chain(more) {
        let lines = wrap(&value, VALUE_LETTERS).into_iter().take(VALUE_LINES);
        rows.extend(lines.enumerate().map(|(n, text)| Row {
            name: if n == 0 { name } else { "" },
            text,
            weight: 700,
            family: FIGURES,
            at: 52.0,
        }));
    }
    if let Some(words) = slip.talk.map(|t| t.words.trim()).filter(|w| !w.is_empty()) {
        let lines = wrap(&format!("“{words}”"), LETTERS).into_iter().take(3);
        rows.extend(lines.map(plain));
    }
    if !slip.offer.cannot.is_empty() {
        rows.push(Row {
            weight: 700,
            ..plain("Not on this dog today".into())
        });
        let cannot = slip.offer.cannot.iter();
        rows.extend(cannot.flat_map(|said| wrap(said, LETTERS)).map(plain));
    }
    rows
}

fn facts(slip: &Agreement<'_>) -> Vec<(&'static str, String)> {
    let offer = slip.offer;
    let lengths: Vec<String> = offer
        .lengths
        .iter()
        .map(|l| format!("{} {}", l.label, l.text))
        .collect();
    let mut facts = vec![
        ("Lengths", lengths.join(" · ")),
        ("At the table", format!("{:.0} min", offer.minutes)),
        (
            "Price",
            format!("{} to {}", offer.price_from, offer.price_to),
        ),
        (
            "Brushing at home",
            format!("{} min a week", offer.upkeep.brushing_minutes_a_week),
        ),
    ];
    if let Some(day) = slip.back {
        facts.push(("Come back", format!("about {day}")));
    }
    if !offer.knots_at.is_empty() {
        facts.push(("Knots first", offer.knots_at.join(", ")));
    }
    facts
}
