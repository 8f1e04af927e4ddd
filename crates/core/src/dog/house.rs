use std::collections::BTreeMap;

use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use super::sort::SortFactor;
use super::topic::Topic;
use crate::frame::{Problem, Severity};
use crate::kit::{Clipper, Shears, UnderComb};
use crate::look::{LineStop, OwnLook, Placement};
use crate::schools::Schools;
use crate::units::{Length, UnitSystem, length_text};

/// The salon's settings.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
#[serde(default)]
pub struct House {
    /// The salon's name.
    pub name: String,
    /// Millimetres or inches, everywhere at once.
    pub units: UnitSystem,
    /// Breadth of the stylist's own index finger.
    pub finger_mm: Length,
    /// Blade beneath the combs.
    pub under_comb: UnderComb,
    /// Price of an hour at the table, in the salon's own money.
    pub table_rate: f64,
    /// A bare blade is felt on the wrist after so many minutes.
    pub blade_minutes: f64,
    /// Lines as this salon has them on every dog, where it does not leave them to look and solve.
    pub lines: Placement,
    /// Its answers where practitioners disagree.
    pub schools: Schools,
    /// Factors on the table's minutes, where this salon took over what its log taught.
    pub minute_factors: BTreeMap<Topic, f64>,
    /// Factors on sorts of grooms, likewise.
    pub minutes_by: Vec<SortFactor>,
    /// Its clippers; while it names none, every tool is taken to fit.
    pub clippers: Vec<Clipper>,
    /// Its shears; while none hangs there, steps say what kind and length they want.
    pub shears: Vec<Shears>,
    /// Who works at its tables.
    pub stylists: Vec<String>,
    /// Which of them are still learning: tools that forgive (handbook 10 G, *Hands differ*).
    pub learning: Vec<String>,
    /// Which of them are left-handed: their pairs are worked from the right, with left-handed shears
    /// (handbook 10 C 9).
    pub left_handed: Vec<String>,
    /// Its own looks.
    pub own_looks: Vec<OwnLook>,
}

impl Default for House {
    fn default() -> Self {
        Self {
            name: "My salon".into(),
            units: UnitSystem::Millimetres,
            // Handbook 5: index finger 18 mm until the stylist measures their own (modelling choice).
            finger_mm: Length::constant_mm(18.0),
            under_comb: UnderComb::Thirty,
            table_rate: USUAL_RATE,
            blade_minutes: BLADE_MINUTES,
            // Handbook 6, *waist peaks*: behind the last rib by up to 25 mm, adjustable.
            lines: Placement::of_one(LineStop::BehindRib),
            schools: Schools::default(),
            minute_factors: BTreeMap::new(),
            minutes_by: Vec::new(),
            clippers: Vec::new(),
            shears: Vec::new(),
            stylists: Vec::new(),
            learning: Vec::new(),
            left_handed: Vec::new(),
            own_looks: Vec::new(),
        }
    }
}

/// Breadths an index finger can have, mm (common practice; a child's to a large man's).
const FINGER_MM: (f64, f64) = (8.0, 30.0);
/// An hour at the table until the salon says its own (modelling choice).
const USUAL_RATE: f64 = 40.0;
/// A bare blade is felt after so many minutes until the salon says its own (handbook 7, modelling
/// choice).
const BLADE_MINUTES: f64 = 4.0;
/// Minutes a salon may say.
const BLADE_MINUTES_RANGE: (f64, f64) = (1.0, 15.0);
/// Factors on the table's minutes that a hand can have (modelling choice).
const FACTORS: (f64, f64) = (0.2, 5.0);
/// Most an hour can cost.
const HIGHEST_RATE: f64 = 100_000.0;
/// Most looks of its own a salon can choose among at a glance (modelling choice).
const MOST_OWN_LOOKS: usize = 24;
/// Longest name of a salon or of a stylist, letters: what fits on the sheet.
const NAME_LETTERS: usize = 60;
/// Most stylists at the tables of one salon (modelling choice).
const MOST_STYLISTS: usize = 24;
/// Most clippers (modelling choice).
const MOST_CLIPPERS: usize = 24;
/// Most pairs of shears (modelling choice).
const MOST_SHEARS: usize = 24;

impl House {
    /// All that is wrong with the settings as typed; empty when they can be kept.
    pub fn check(&self) -> Vec<Problem> {
        let mut problems = Vec::new();
        let mut refuse = |field: &str, message: String| {
            problems.push(Problem::of(field, Severity::Refused, message));
        };
        let offered = self.own_looks.iter().filter(|own| !own.is_put_away);
        let offered = offered.count();
        if offered > MOST_OWN_LOOKS {
            refuse(
                "house.own_looks",
                format!(
                    "There are {offered} looks of your own; keep at most {MOST_OWN_LOOKS}, and put the others away."
                ),
            );
        }
        let letters = self.name.chars().count();
        if letters > NAME_LETTERS {
            refuse(
                "house.name",
                format!("The salon's name has {letters} letters; shorten it to {NAME_LETTERS}."),
            );
        }
        if !(0.0..=HIGHEST_RATE).contains(&self.table_rate) {
            refuse(
                "house.table_rate",
                format!(
                    "An hour at the table cannot cost {}; it lies between 0 and {HIGHEST_RATE:.0}.",
                    self.table_rate
                ),
            );
        }
        if self.stylists.len() > MOST_STYLISTS {
            refuse(
                "house.stylists",
                format!(
                    "There are {} stylists; keep at most {MOST_STYLISTS}.",
                    self.stylists.len()
                ),
            );
        }
        if self.clippers.len() > MOST_CLIPPERS {
            refuse(
                "house.clippers",
                format!(
                    "There are {} clippers; keep at most {MOST_CLIPPERS}.",
                    self.clippers.len()
                ),
            );
        }
        for clipper in &self.clippers {
            if let Some(message) = clipper.problem() {
                refuse("house.clippers", message);
            }
        }
        if self.shears.len() > MOST_SHEARS {
            refuse(
                "house.shears",
                format!(
                    "There are {} pairs of shears; keep at most {MOST_SHEARS}.",
                    self.shears.len()
                ),
            );
        }
        for pair in &self.shears {
            if let Some(message) = pair.problem(self.units) {
                refuse("house.shears", message);
            }
        }
        for name in &self.stylists {
            let letters = name.chars().count();
            if name.trim().is_empty() {
                refuse(
                    "house.stylists",
                    "A stylist has no name; type one, or take the line out.".into(),
                );
            } else if letters > NAME_LETTERS {
                refuse(
                    "house.stylists",
                    format!(
                        "A stylist's name has {letters} letters; shorten it to {NAME_LETTERS}."
                    ),
                );
            }
        }
        let unknown = |name: &&String| !self.stylists.contains(name);
        if let Some(name) = self.learning.iter().find(unknown) {
            refuse(
                "house.learning",
                format!("{name} is still learning and does not work here; add them first."),
            );
        }
        if let Some(name) = self.left_handed.iter().find(unknown) {
            refuse(
                "house.left_handed",
                format!("{name} is left-handed and does not work here; add them first."),
            );
        }
        let taken_over = self.minute_factors.iter().map(|(t, f)| (t.label(), f));
        let by_sort = self
            .minutes_by
            .iter()
            .map(|s| (s.sort.name.as_str(), &s.factor));
        for (what, factor) in taken_over.chain(by_sort) {
            if !(FACTORS.0..=FACTORS.1).contains(factor) {
                refuse(
                    "house.minute_factors",
                    format!(
                        "{what} cannot take {factor:.2} times the usual; choose {} to {}.",
                        FACTORS.0, FACTORS.1
                    ),
                );
            }
        }
        let (least, most) = BLADE_MINUTES_RANGE;
        if !(least..=most).contains(&self.blade_minutes) {
            refuse(
                "house.blade_minutes",
                format!(
                    "A blade cannot be felt every {} minutes; choose {least:.0} to {most:.0}.",
                    self.blade_minutes
                ),
            );
        }
        let (low, high) = FINGER_MM;
        if !(low..=high).contains(&self.finger_mm.as_mm()) {
            let text = |length| length_text(length, self.units);
            refuse(
                "house.finger_mm",
                format!(
                    "Finger {} cannot be: it lies between {} and {}; lay it on the rule.",
                    text(self.finger_mm),
                    text(Length::constant_mm(low)),
                    text(Length::constant_mm(high))
                ),
            );
        }
        problems.extend(self.own_looks.iter().flat_map(OwnLook::check));
        problems
    }
}
