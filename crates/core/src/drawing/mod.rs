//! What is drawn: shapes in millimetres with a role, once, for browser, SVG, PDF and PNG.

mod annotate;
mod body_marks;
mod compose;
mod labels;
mod landmark_marks;
mod on_end;
mod pins;
mod point_marks;
mod shapes;
mod simplify;
mod table;
mod view_marks;
mod work_marks;

pub use compose::{DrawOptions, Layers, Scene, Sheet, draw};
pub use shapes::{Anchor, Drawing, Geometry, Role, Shape, Tag, ViewPlace};
