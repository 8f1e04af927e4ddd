//! Pages to print: black and white, the dog to scale.

mod agreement;
mod cut_sheet;
mod hints;
mod life;
mod owner_card;
mod placed;
mod steps;
mod writer;

pub use agreement::{Agreement, agreement_svg};
pub use cut_sheet::{Sheet, sheet_pages};
pub use life::{LifePaper, life_pages};
pub use owner_card::{OwnerCard, owner_card_pages};
