//! The talk with the owner: answers become limits and a ranked list of looks on this dog.

mod first_sight;
mod fit;
mod offer;
mod part;
mod suits;
mod talk;

pub use first_sight::{LookHere, looks_here};
pub use fit::{Fit, fit};
pub use offer::{Offer, offer};
pub use part::{Part, Wish};
pub use talk::{Talk, WishedBody, WishedEnds, WishedFace, WishedLegs, owners_limits};
