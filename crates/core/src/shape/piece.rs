use kurbo::Point;

use super::polyline::along;

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
    /// Long sides of a drop coat, combed down over body and legs.
    Curtain,
    /// Long hair behind a leg that is otherwise left.
    Feather,
    /// The upper end of a leg that begins over shoulder or thigh.
    Sleeve,
    Foot,
    HindLeg,
    ForeLeg,
    Head,
    /// The muzzle of a round or spaniel head, full under the nose.
    Muzzle,
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
    /// Over how much of its start it runs out thin, mm; nothing where it does not.
    pub start_mm: f64,
    /// The same at its end.
    pub end_mm: f64,
    /// What hair shows along it; none on a bare or close-cut edge.
    pub hair: Option<HairAt>,
}

/// Where along the dog an edge of hair lies: how its marks fall.
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
pub enum HairAt {
    /// Body, head: it stands.
    Body,
    /// A leg's column.
    Leg,
    /// Ear, fringe, skirt: it hangs.
    Hanging,
    /// A beard combed forward.
    Beard,
}

/// A tapered end runs out over this share of its length (dog-shape.md 10).
const TAPER: f64 = 0.16;

impl Stroke {
    pub(super) const fn plain(points: Vec<Point>, weight: f64) -> Self {
        Self::running_out(points, weight, 0.0, 0.0)
    }

    /// Ends that run out over a share of the stroke's own length.
    pub(super) fn tapered(points: Vec<Point>, weight: f64, ends: (bool, bool)) -> Self {
        let over = TAPER * along(&points).last().copied().unwrap_or(0.0);
        let at = |end: bool| if end { over } else { 0.0 };
        Self::running_out(points, weight, at(ends.0), at(ends.1))
    }

    /// Ends that run out over so many millimetres.
    pub(super) const fn running_out(
        points: Vec<Point>,
        weight: f64,
        start_mm: f64,
        end_mm: f64,
    ) -> Self {
        Self {
            points,
            weight,
            start_mm,
            end_mm,
            hair: None,
        }
    }

    pub(super) const fn with_hair(mut self, hair: Option<HairAt>) -> Self {
        self.hair = hair;
        self
    }

    pub(super) const fn weighing(mut self, weight: f64) -> Self {
        self.weight = weight;
        self
    }
}

impl Piece {
    pub(super) const fn near(kind: PieceKind, outline: Vec<Point>, strokes: Vec<Stroke>) -> Self {
        Self {
            kind,
            outline,
            strokes,
            is_far: false,
        }
    }

    pub(super) const fn lines(strokes: Vec<Stroke>) -> Self {
        Self::near(PieceKind::Lines, Vec::new(), strokes)
    }
}
