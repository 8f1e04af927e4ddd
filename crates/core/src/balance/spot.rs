use kurbo::{Point, Vec2};

use crate::coat::Zone;
use crate::look::Cut;
use crate::shape::{LegPlace, Station};

/// A place on the body's width, seen from above (balance-model.md 2, *top*).
#[derive(Clone, Copy, Debug, PartialEq, Eq, PartialOrd, Ord)]
#[expect(missing_docs, reason = "the names are the landmarks'")]
pub enum Width {
    Neck,
    Shoulder,
    RibFront,
    LastRib,
    Loin,
    Hip,
    Thigh,
}

impl Width {
    /// From front to rear.
    pub const ALL: [Self; 7] = [
        Self::Neck,
        Self::Shoulder,
        Self::RibFront,
        Self::LastRib,
        Self::Loin,
        Self::Hip,
        Self::Thigh,
    ];
}

/// Where a length is chosen: a station of the side view, a place on the body's width, or one on a
/// leg seen on end.
#[derive(Clone, Copy, Debug, PartialEq, Eq, PartialOrd, Ord)]
pub enum Place {
    /// A station of the side view.
    Side(Station),
    /// A place on the body's width.
    Width(Width),
    /// A place on a leg seen on end.
    Leg(LegPlace),
}

/// One unknown of the balance: a place with its geometry, its coat and what the look wants there.
#[derive(Clone, Debug, PartialEq)]
pub struct Spot {
    /// Where.
    pub place: Place,
    /// Zone of the coat.
    pub zone: Zone,
    /// Skin point, mm; for widths (half width, 0), for legs on end
    /// (distance from the midline outward, height).
    pub skin: Point,
    /// Hair direction; for widths outward.
    pub hair: Vec2,
    /// Share of a hair's length that shows.
    pub shows: f64,
    /// What the look would give here, mm.
    pub nominal: f64,
    /// How the look cuts here.
    pub cut: Cut,
    /// Shortest allowed, mm.
    pub low: f64,
    /// Longest there is, or is allowed, mm.
    pub high: f64,
    /// Below this the look is left unless nothing else helps, mm (soft).
    pub floor: f64,
    /// Whether the floor is off: a zone of tight knots.
    pub is_free_of_floor: bool,
}
