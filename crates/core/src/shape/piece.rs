use kurbo::Point;

/// A closed piece of the dog, painted over the ones before it (dog-shape.md 4).
#[derive(Clone, Debug, PartialEq)]
pub struct Piece {
    /// What it is.
    pub kind: PieceKind,
    /// Closed outline, mm.
    pub outline: Vec<Point>,
    /// Ink lines that belong to it.
    pub strokes: Vec<Stroke>,
    /// Far pieces are drawn a tone darker and thinner.
    pub is_far: bool,
}

/// What a piece is.
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
#[expect(missing_docs, reason = "the names say it")]
pub enum PieceKind {
    Tail,
    TailBall,
    Body,
    Skirt,
    Foot,
    HindLeg,
    ForeLeg,
    Head,
    Topknot,
    Beard,
    Brow,
    Ear,
    Nose,
    Eye,
    EyeLight,
    /// Strokes only: the topline, the mouth.
    Lines,
}

/// One ink line.
#[derive(Clone, Debug, PartialEq)]
pub struct Stroke {
    /// Open or closed polyline, mm.
    pub points: Vec<Point>,
    /// Weight against the plan's edge.
    pub weight: f64,
    /// Whether the start runs out thin.
    pub tapers_at_start: bool,
    /// Whether the end runs out thin.
    pub tapers_at_end: bool,
}

impl Stroke {
    pub(super) fn plain(points: Vec<Point>, weight: f64) -> Self {
        Self::tapered(points, weight, (false, false))
    }

    pub(super) fn tapered(points: Vec<Point>, weight: f64, ends: (bool, bool)) -> Self {
        Self {
            points,
            weight,
            tapers_at_start: ends.0,
            tapers_at_end: ends.1,
        }
    }
}

impl Piece {
    pub(super) fn near(kind: PieceKind, outline: Vec<Point>, strokes: Vec<Stroke>) -> Self {
        Self {
            kind,
            outline,
            strokes,
            is_far: false,
        }
    }
}
