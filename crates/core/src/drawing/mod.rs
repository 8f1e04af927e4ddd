//! What is drawn: shapes in millimetres with a role, once, for browser, SVG, PDF and PNG.

mod annotate;
mod compose;
mod labels;
mod shapes;
mod simplify;
mod table;

pub use compose::{DrawOptions, Layers, Scene, draw_side};
pub use shapes::{Anchor, Drawing, Geometry, Role, Shape, Tag};
