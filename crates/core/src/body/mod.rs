//! What is found on the body, and how the dog is to be handled. Recorded, never diagnosed.

mod found;
mod handling;

pub use found::{EarlierFound, Found, FoundKind, Outcome};
pub use handling::{BodyPart, Handling, Minds, SkinState, Temper, nails_word};
