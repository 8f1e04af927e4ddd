//! Pages to print: black and white, the dog to scale.

mod cut_sheet;
mod owner_card;
mod writer;

pub use cut_sheet::{Sheet, sheet_svg};
pub use owner_card::{OwnerCard, owner_card_svg};
