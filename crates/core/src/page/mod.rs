//! Where on the drawn dog: the views, the walk round it, and a place touched on one of them.

mod place;
mod spot;
mod view;
mod walk_from;

pub(crate) use place::{course, place};
pub use spot::Spot;
pub use view::View;
pub use walk_from::WalkFrom;
