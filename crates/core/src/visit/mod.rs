//! A visit is a log of entries, folded into its present state (ARCHITECTURE.md).

mod big_change;
mod card;
mod entry;
mod fold;
mod kept;
mod known;
mod life;
mod order;
mod past;
mod recipe;
mod record_words;
mod refusal;
mod season;
mod weight;

pub use big_change::{BigChange, HalfWay, big_change};
pub(crate) use card::CARD_LETTERS;
pub use card::{CardLine, CardText, owner_card};
pub use entry::{Entry, EntryBody, LookChoice};
pub use fold::{UndoStep, Visit, WayOf, fold};
pub use kept::{FullPass, KeptPlan, PlanInBrief};
pub use known::{KnownDog, known};
pub use life::{Life, LifeVisit, ZoneLeft, life};
pub use order::next_stamp;
pub use past::{
    EarlierFrame, EarlierVisit, GrownCoat, LastVisit, LeftThen, MeasureHistory, Past, Reading,
    ZonePast, changed, past,
};
pub use recipe::{Correction, Recipe, RecipeZone, Record, Trust, Wants};
pub use record_words::{RecordPart, RecordWord, record_words};
pub use refusal::refusals;
pub use season::{SeasonRecipe, SeasonZone, of_this_season};
pub(crate) use weight::weight_problem;
