use veliform_core::consult::{Offer, Talk};
use veliform_core::drawing::Drawing;

use super::writer::{HEIGHT, MARGIN, PageWriter, WIDTH, cut, wrap};
use crate::fonts::{FIGURES, TEXT};

/// What owner and stylist agree on.
#[derive(Clone, Copy, Debug)]
pub struct OwnerCard<'a> {
    /// The dog's name.
    pub name: &'a str,
    /// Whose it is.
    pub owner: &'a str,
    /// The salon's name.
    pub salon: &'a str,
    /// The day, as it is written.
    pub day: &'a str,
    /// The day to come back, as it is written, and why.
    pub back: Option<(&'a str, &'a str)>,
    /// The look agreed on.
    pub offer: &'a Offer,
    /// What was left and told, once the groom was written down.
    pub done: &'a [(&'static str, String)],
    /// What the owner said.
    pub talk: Option<&'a Talk>,
    /// This dog in it, over its coat of today.
    pub drawing: &'a Drawing,
    /// What is said on every paper.
    pub standing_caution: &'a str,
}

/// Room for the drawing, mm.
const ROOM: (f64, f64) = (WIDTH - 2.0 * MARGIN, 128.0);
const LINE: f64 = 6.2;
const SIZE: f64 = 4.6;
/// Letters a line of the card holds.
const LETTERS: usize = 84;
/// Letters a value holds beside its name: figures are wider.
const VALUE_LETTERS: usize = 48;
/// Lines a value takes at most: the card is one page.
const VALUE_LINES: usize = 3;

/// Writes the owner card as one A4 page in black and white.
pub fn owner_card_svg(card: &OwnerCard<'_>) -> String {
    let mut page = PageWriter::new(&format!("Owner card for {}", card.name));
    page.text((MARGIN, 20.0), 8.0, 700, TEXT, "start", &cut(card.name, 30));
    let who = [card.owner, card.salon, card.day]
        .iter()
        .filter(|s| !s.is_empty())
        .map(|s| cut(s, 40))
        .collect::<Vec<_>>()
        .join(" · ");
    page.text((WIDTH - MARGIN, 20.0), 3.6, 400, TEXT, "end", &who);
    page.rule(24.0, 0.5);
    let tall = page.picture(card.drawing, 27.0, ROOM);
    let mut y = 27.0 + tall + 12.0;
    page.text((MARGIN, y), 7.0, 700, TEXT, "start", &card.offer.name);
    page.text(
        (WIDTH - MARGIN, y),
        3.6,
        400,
        TEXT,
        "end",
        "grey: the coat as it came",
    );
    y += 8.0;
    let done = card.done.iter().cloned();
    for (name, value) in facts(card).into_iter().chain(done) {
        page.text((MARGIN, y), SIZE, 400, TEXT, "start", name);
        for line in wrap(&value, VALUE_LETTERS).into_iter().take(VALUE_LINES) {
            page.text((MARGIN + 52.0, y), SIZE, 700, FIGURES, "start", &line);
            y += LINE;
        }
    }
    if let Some(words) = card.talk.map(|t| t.words.trim()).filter(|w| !w.is_empty()) {
        y += 1.0;
        for line in wrap(&format!("“{words}”"), LETTERS).into_iter().take(3) {
            page.text((MARGIN, y), SIZE, 400, TEXT, "start", &line);
            y += LINE;
        }
    }
    if !card.offer.cannot.is_empty() {
        y += 2.0;
        page.text(
            (MARGIN, y),
            SIZE,
            700,
            TEXT,
            "start",
            "Not on this dog today",
        );
        y += LINE;
        for sentence in &card.offer.cannot {
            for line in wrap(sentence, LETTERS) {
                page.text((MARGIN, y), SIZE, 400, TEXT, "start", &line);
                y += LINE;
            }
        }
    }
    let agreed = HEIGHT - 24.0;
    page.text(
        (MARGIN, agreed),
        3.6,
        400,
        TEXT,
        "start",
        "Agreed: ____________________   ____________________",
    );
    page.rule(HEIGHT - 16.0, 0.3);
    let mut foot = HEIGHT - 11.5;
    for line in wrap(card.standing_caution, 112) {
        page.text((MARGIN, foot), 3.0, 700, TEXT, "start", &line);
        foot += 3.6;
    }
    page.end()
}

fn facts(card: &OwnerCard<'_>) -> Vec<(&'static str, String)> {
    let offer = card.offer;
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
    if let Some((day, why)) = card.back {
        facts.push(("Come back", format!("about {day}")));
        facts.push(("", why.to_owned()));
    }
    if !offer.knots_at.is_empty() {
        facts.push(("Knots first", offer.knots_at.join(", ")));
    }
    facts
}
