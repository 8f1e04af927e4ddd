//! The dog's geometry: stations, curves, hair directions, coat edge and pieces (dog-shape.md,
//! dog-shape-2.md).

/// Curves through stations.
pub mod curve;
mod dog;
mod dress;
mod edge;
mod finish;
mod forms;
mod hair;
mod hair_marks;
mod hang;
mod head;
mod hem;
mod hygiene;
mod landmark;
mod leg_place;
mod legs;
mod noise;
mod piece;
pub(crate) mod polyline;
mod side;
mod sites;
mod sole;
mod spread;
mod station;
mod tail;
mod views;

pub(crate) use dog::hanging_pieces;
pub use dog::{side_pieces, side_pieces_beside};
pub(crate) use dress::BARE_V;
pub(crate) use dress::SKIRT_PIECE;
pub(crate) use dress::TIED_FROM_MM;
pub use dress::{TOPKNOT_AT_SKULL, bare, dress_by_zone, dress_now, eased};
pub use edge::{
    Beard, BeardForm, CoatEdge, Dressing, EarCoat, Hem, Ponytails, SkirtCoat, TailCoat, Topknot,
    TopknotForm, hanging_share, visible_share,
};
pub use finish::{EarForm, Finish, Hangs, HeadShape, HemShape, TailForm};
pub use hair_marks::hair_marks;
pub(crate) use head::{FRINGE, eye_at, parting_mm};
pub use head::{HeadAxes, HeadEdges, eye_corner_mm, eye_to_ear_mm, head_edges, off_circle_mm};
pub use hygiene::{BellyReach, HygieneArea, hygiene_area};
pub use landmark::{Drag, DragAxis, Landmark, Placed, landmarks};
pub use leg_place::{FACE_STATIONS, Face, Hand, LEG_PLACES, Leg, LegPlace, face_zone};
pub use piece::{HairAt, Piece, PieceKind, Stroke};
pub use side::{SideShape, side_shape};
pub use sites::{SitePlace, site_places};
pub use sole::{Sole, sole};
pub use spread::{Spread, spreads};
pub use station::{Cover, STATIONS, Station, TOPLINE, UNDERLINE};
pub use tail::{TailEdges, tail_edges};
pub use views::{BothSides, front_pieces, leg_faces, rear_pieces, top_pieces};
