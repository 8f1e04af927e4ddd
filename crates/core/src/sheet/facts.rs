use super::from_last::{FromLastTime, SiteDone};
use crate::body::{Found, Handling, Temper};
use crate::dog::{Dog, Programme};
use crate::schools::{Answer, Question, Schools};

/// Minutes of brushing that a dog bears at one groom (handbook 10 F, modelling choice).
const BEARS: f64 = 20.0;
/// The same of an old, young or unwell one.
const TENDER_BEARS: f64 = 10.0;

/// What the sheet says of the dog.
#[derive(Clone, Copy, Debug)]
pub struct DogFacts<'a> {
    /// The dog.
    pub dog: &'a Dog,
    /// Notes of this visit.
    pub notes: &'a [String],
    /// How the dog is to be handled, where somebody said.
    pub handling: Option<&'a Handling>,
    /// What was found on the body.
    pub found: &'a [Found],
    /// Whether the dog was never here before.
    pub is_first_visit: bool,
    /// Days since the visit before, where it is known.
    pub days_since_last: Option<u32>,
    /// Who works; empty where nobody said.
    pub stylist: &'a str,
    /// Minutes of brushing a week that the owner promised; none where nobody asked.
    pub brushing_minutes_a_week: Option<u32>,
    /// The day agreed to come back, days after the visit; none for the day that is advised.
    pub return_agreed_days: Option<u32>,
    /// The stage of its programme; none for the whole groom.
    pub programme: Option<Programme>,
    /// What last time's run says of steps.
    pub from_last: &'a [FromLastTime],
    /// With what sites were done last time.
    pub sites_last: &'a [SiteDone],
    /// What is done otherwise on this dog than on others, a sentence each.
    pub own_ways: &'a [String],
}

impl DogFacts<'_> {
    /// Whether somebody holds the dog (handbook 6, *holding*): as the salon has it, or its record asks.
    pub fn has_helper(&self, schools: &Schools) -> bool {
        match schools.of(Question::Holding) {
            Answer::HeldByHelper => true,
            Answer::HeldByRecord => self.handling.is_some_and(|h| h.needs_second_person),
            _ => false,
        }
    }

    /// Whether it does not stand by its temper (handbook 6, *restless*).
    pub fn is_restless(&self) -> bool {
        self.handling.is_some_and(|h| h.temper == Temper::Lively)
    }

    /// Whether nobody here knows how it stands: never here before, and nobody said.
    pub(super) fn is_unknown(&self) -> bool {
        let is_said = self.handling.is_some_and(|h| h.temper != Temper::Unknown);
        self.is_first_visit && !is_said
    }

    /// Whether it is never stood up on its hind legs: old, stiff, in whelp, a weak heart, fits
    /// (handbook 7).
    pub(super) fn never_stands_up(&self) -> bool {
        self.dog.is_old() || self.handling.is_some_and(Handling::is_unwell)
    }

    /// Minutes of brushing that this dog bears at one groom (handbook 10 F).
    pub fn brushing_borne(&self) -> f64 {
        if self.needs_breaks() {
            TENDER_BEARS
        } else {
            BEARS
        }
    }

    /// Whether the dog works in short stretches: old, young, unwell (handbook 6, *breaks*).
    pub(super) fn needs_breaks(&self) -> bool {
        self.dog.is_old() || self.dog.is_puppy() || self.handling.is_some_and(Handling::is_unwell)
    }
}
