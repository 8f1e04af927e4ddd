//! What is drawn: shapes in millimetres with a role, once, for browser, SVG, PDF and PNG.

mod annotate;
mod areas_in_view;
mod asked_marks;
mod body_marks;
mod canvas;
mod chalk;
mod close_up;
mod coat_marks;
mod compose;
mod labels;
mod landmark_marks;
mod measures;
mod on_end;
mod patches;
mod pins;
mod point_marks;
mod ring_marks;
mod role_look;
mod scene;
mod shapes;
mod simplify;
mod site_marks;
mod stroke_mark;
mod table;
mod view_marks;
mod work_marks;
mod zone_areas;
mod zone_numbers;

pub use compose::draw;
pub use ring_marks::Ring;
pub use role_look::{Paint, RoleLook};
pub use scene::{DrawOptions, Layers, Scene, Sheet};
pub use shapes::{Anchor, Drawing, Geometry, Role, Shape, Tag, ViewPlace};
pub use stroke_mark::Runs;
