//! The dog's geometry: stations, curves, hair directions, coat edge and pieces (dog-shape.md).

/// Curves through stations.
pub mod curve;
mod dog;
mod dress;
mod edge;
mod hair;
mod head;
mod head_edges;
mod head_pieces;
mod hygiene;
mod landmark;
mod leg_place;
mod legs;
mod piece;
mod side;
mod sites;
mod spread;
mod station;
mod tail;
mod views;

pub use dog::{side_pieces, side_pieces_beside};
pub(crate) use dress::SKIRT_PIECE;
pub use dress::{Finish, HeadShape, TOPKNOT_AT_SKULL, bare, dress_by_zone, dress_now, eased};
pub use edge::{
    Beard, CoatEdge, Dressing, EarCoat, Hem, SkirtCoat, TailCoat, Topknot, hanging_share,
    visible_share,
};
pub use head::HeadAxes;
pub(crate) use head::parting_mm;
pub(crate) use head_edges::FRINGE;
pub use head_edges::{HeadEdges, eye_to_ear_mm, head_edges, off_circle_mm};
pub use hygiene::{BellyReach, HygieneArea, hygiene_area};
pub use landmark::{Drag, DragAxis, Landmark, Placed, landmarks};
pub use leg_place::{FACE_STATIONS, Face, Hand, LEG_PLACES, Leg, LegPlace};
pub use piece::{Piece, PieceKind, Stroke};
pub use side::{SideShape, side_shape};
pub use sites::{SitePlace, site_places};
pub use spread::{Spread, spreads};
pub use station::{Cover, STATIONS, Station, TOPLINE, UNDERLINE};
pub use views::{BothSides, front_pieces, leg_faces, rear_pieces, top_pieces};
