//! Where on the drawn dog: the views, and a place touched on one of them.

mod place;
mod spot;
mod view;

pub(crate) use place::{course, place};
pub use spot::Spot;
pub use view::View;
