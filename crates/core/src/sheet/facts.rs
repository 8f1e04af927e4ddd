use crate::body::{Found, Handling};
use crate::dog::Dog;

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
    /// Who works; empty where nobody said.
    pub stylist: &'a str,
}

impl DogFacts<'_> {
    /// Whether the dog works in short stretches: old, young, unwell (handbook 6, *breaks*).
    pub(super) fn needs_breaks(&self) -> bool {
        self.dog.is_old() || self.dog.is_puppy() || self.handling.is_some_and(Handling::is_unwell)
    }
}
