//! The owner card: what goes home to the fridge in a few lines, each of which the salon may word otherwise
//! or leave out.

use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use super::fold::Visit;
use super::recipe::lengths_left;
use crate::body::Found;
use crate::consult::Offer;
use crate::grow::{Return, ReturnBecause};
use crate::report::PlanReport;
use crate::say::{Words, capital};

vocabulary! {
    /// A part of the owner card.
    #[derive(
        Clone, Copy, Debug, PartialEq, Eq, PartialOrd, Ord, Hash, Serialize, Deserialize, ToSchema,
    )]
    #[serde(rename_all = "snake_case")]
    pub enum CardLine {
        /// Why the dog comes back on its day.
        NextVisit => "Next visit",
        /// What was cut.
        Today => "Today",
        /// What the owner does until then.
        AtHome => "At home",
        /// What was found that a vet should see.
        Vet => "Have a vet look at",
        /// What else the owner was told.
        Told => "Please note",
        /// What is left to grow.
        Grow => "Left to grow",
        /// What is done otherwise on this dog (handbook 10 A 8).
        Ways => "This dog's ways",
        /// What was not done.
        NotDone => "Not done today",
        /// How the dog was.
        Was => "At the table",
    }
}

/// A line of the card as it goes home.
#[derive(Clone, Debug, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
pub struct CardText {
    /// Which part.
    pub line: CardLine,
    /// What stands over it, in bold.
    pub title: String,
    /// What it says; empty where it is left out.
    pub text: String,
    /// What it says where nobody says otherwise.
    pub usual: String,
}

/// Longest text of a line, letters: seven lines of the card (modelling choice).
pub(crate) const CARD_LETTERS: usize = 200;
/// Places named to be brushed first: what an owner keeps in mind (modelling choice).
const MOST_PLACES: usize = 3;
/// Lengths named of those that were measured: two lines of the card (modelling choice).
const MOST_LENGTHS: usize = 5;

/// The card of a visit, each part that has something to say, in the order they are read.
pub fn owner_card(
    visit: &Visit,
    offer: &Offer,
    report: &PlanReport,
    words: &Words<'_>,
) -> Vec<CardText> {
    CardLine::ALL
        .into_iter()
        .filter_map(|line| {
            let usual = usual(line, visit, offer, report, words);
            let said = visit.card.get(&line);
            if usual.is_empty() && said.is_none_or(String::is_empty) {
                return None;
            }
            Some(CardText {
                title: title(line, offer),
                text: said.unwrap_or(&usual).clone(),
                line,
                usual,
            })
        })
        .collect()
}

fn title(line: CardLine, offer: &Offer) -> String {
    match line {
        CardLine::Today => format!("{}: {}", line.label(), offer.name.to_lowercase()),
        CardLine::AtHome => format!(
            "{}, {} minutes a week",
            line.label(),
            offer.upkeep.brushing_minutes_a_week
        ),
        _ => line.label().to_owned(),
    }
}

fn usual(
    line: CardLine,
    visit: &Visit,
    offer: &Offer,
    report: &PlanReport,
    words: &Words<'_>,
) -> String {
    let record = &visit.record;
    match line {
        CardLine::NextVisit => offer
            .back
            .as_ref()
            .map_or_else(String::new, Return::for_the_owner),
        CardLine::Today => today(visit, offer, words),
        CardLine::AtHome => at_home(offer, report),
        CardLine::Vet => {
            // What was told already stands there.
            let found = visit.found.iter().filter(|f| f.vet_look);
            let words = found.map(Found::in_words);
            let untold: Vec<String> = words.filter(|w| !record.told.contains(w)).collect();
            sentence(&untold.join("; "))
        }
        CardLine::Told => sentence(&record.told),
        CardLine::Grow => {
            let zones: Vec<&str> = record.grow.iter().map(|z| z.label()).collect();
            sentence(&zones.join(", "))
        }
        CardLine::Ways => report.sheet.own_ways.join(" "),
        CardLine::NotDone => sentence(&record.unfinished),
        CardLine::Was => sentence(&record.behaviour),
    }
}

/// The lengths the dog goes home with: as measured, else as planned.
fn today(visit: &Visit, offer: &Offer, words: &Words<'_>) -> String {
    let mut left = lengths_left(&visit.results, words);
    if left.is_empty() {
        let planned = offer.lengths.iter();
        left = planned.map(|l| format!("{} {}", l.label, l.text)).collect();
    }
    left.truncate(MOST_LENGTHS);
    sentence(&left.join(", "))
}

/// Where to brush first and how, with what comes of leaving it.
fn at_home(offer: &Offer, report: &PlanReport) -> String {
    let mut places = offer.knots_at.clone();
    places.truncate(MOST_PLACES);
    let first = match places.as_slice() {
        [] => "Brush to the skin".to_owned(),
        [place] => format!("Brush first {place}"),
        [places @ .., last] => format!("Brush first {} and {last}", places.join(", ")),
    };
    let mut said = format!("{first}, then comb: it must pass.");
    let waits = offer.back.iter().flat_map(|back| &back.if_you_wait);
    for later in waits.filter(|later| later.because == ReturnBecause::Knots) {
        said = format!("{said} {}", later.sentence);
    }
    if let Some(staged) = &report.sheet.staged {
        said = format!("{} {said}", staged.home_care);
    }
    said
}

/// A phrase as a sentence: a capital before it, a stop behind it.
fn sentence(phrase: &str) -> String {
    match phrase.trim().trim_end_matches(['.', ';', ',']) {
        "" => String::new(),
        phrase => format!("{}.", capital(phrase)),
    }
}

/// Why a line cannot be said so; none where it can.
pub(super) fn too_long(line: CardLine, text: &str) -> Option<String> {
    let letters = text.chars().count();
    (letters > CARD_LETTERS).then(|| {
        format!(
            "“{}” on the card has {letters} letters; shorten it to {CARD_LETTERS}",
            line.label()
        )
    })
}
