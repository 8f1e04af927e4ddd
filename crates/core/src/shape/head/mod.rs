//! The head from the side: skull, hair on it, muzzle, beard, brows, ears, face (dog-shape-2.md 3
//! and 4).

mod axes;
mod beard;
mod crown;
mod ear;
mod edges;
mod face;
mod fall;
mod into_crest;
mod muzzle;
mod ponytail;
mod round;

use kurbo::{Point, Vec2};

pub use axes::HeadAxes;
pub(crate) use axes::parting_mm;
pub(super) use ear::{ear_piece, ear_tip, far_ear};
pub(crate) use edges::FRINGE;
pub use edges::{HeadEdges, eye_corner_mm, eye_to_ear_mm, head_edges, off_circle_mm};
pub(crate) use face::eye_at;
pub(super) use ponytail::tuft;
pub(super) use round::{Ball, ball};

use super::curve::{SAMPLES, closed};
use super::edge::{BeardForm, CoatEdge, Dressing, TopknotForm, combed_share};
use super::piece::{HairAt, Piece, PieceKind, Stroke};
use super::polyline::Inside;
use super::side::SideShape;
use super::station::{Station, stretch};
use crate::coat::Zone;
use crate::frame::Build;

/// Samples a span of the small pieces (dog-shape.md 5, *Ear*).
const FINE: usize = 10;
const PLUMB: Vec2 = Vec2::new(0.0, -1.0);

/// A dressed head.
pub(super) struct Head<'a> {
    pub shape: &'a SideShape,
    pub build: &'a Build,
    pub dressing: &'a Dressing,
    pub edge: &'a CoatEdge,
}

impl Head<'_> {
    fn at(&self, p: f64, q: f64) -> Point {
        self.shape.head.at(p, q)
    }

    /// Unit vectors along the skull and up from it.
    fn ways(&self) -> (Vec2, Vec2) {
        let ahead = Vec2::from_angle(self.shape.head.angle_rad);
        (ahead, Vec2::new(-ahead.y, ahead.x))
    }

    /// The head's own numbers: muzzle share, stop's step, muzzle and skull depth, dome, p of the nose.
    const fn shares(&self) -> Shares {
        let head = &self.build.head;
        Shares {
            mu: head.muzzle,
            s: self.shape.head.step,
            dm: head.muzzle_depth,
            ds: head.skull_depth,
            dome: head.dome,
            pn: self.shape.head.nose.0,
            flews: head.flews,
            h: head.length,
        }
    }

    /// How far the topknot's hair stands off the skull, mm.
    fn stands_mm(&self, length: f64) -> f64 {
        self.dressing.shaped_mm(Zone::Topknot, length)
    }

    /// How far the beard's hair reaches when it is combed, mm.
    fn beard_reach_mm(&self) -> f64 {
        let length = self.dressing.beard.map_or(0.0, |b| b.length);
        length * combed_share(self.dressing.stand.of(Zone::Beard))
    }

    /// Everything of the head but its ears, in drawing order.
    pub(super) fn pieces(&self, body: &Inside) -> Vec<Piece> {
        let form = self.dressing.topknot.map(|t| t.form);
        let mut pieces = vec![self.base(form)];
        match form {
            Some(TopknotForm::Round { .. }) => pieces.extend(self.round(body)),
            Some(TopknotForm::IntoCrest { .. }) => pieces.extend(self.cap()),
            Some(TopknotForm::Crown) => pieces.extend(self.crown()),
            Some(TopknotForm::Fall) => pieces.extend(self.fall()),
            None => {}
        }
        pieces.extend(self.muzzle());
        pieces.extend(self.face());
        pieces.extend(self.brow());
        pieces.extend(self.ponytail());
        pieces
    }

    /// The muzzle's own piece, where hair gives it one.
    fn muzzle(&self) -> Option<Piece> {
        match self.dressing.beard?.form {
            BeardForm::Puff => Some(self.puff()),
            BeardForm::Brick => Some(self.brick()),
            BeardForm::Flews => Some(self.lips()),
            BeardForm::Hanging => Some(self.hanging_beard()),
        }
    }

    /// The head's own outline: in its coat, or bare where pieces cover it.
    fn base(&self, form: Option<TopknotForm>) -> Piece {
        let mut names = stretch(Station::JawIn, Station::CrestMid).to_vec();
        names.push(Station::NapeIn);
        let is_covered = matches!(form, Some(TopknotForm::Round { .. } | TopknotForm::Fall));
        if is_covered {
            let skin: Vec<Point> = names.iter().map(|s| self.shape.skin(*s)).collect();
            return Piece::near(PieceKind::Head, closed(&skin, SAMPLES), Vec::new());
        }
        let outline = closed(&self.edge.all(&names), SAMPLES);
        let ink = outline[SAMPLES..=14 * SAMPLES].to_vec();
        let over = 0.05 * self.build.height;
        let stroke = Stroke::running_out(ink, 1.0, over, 0.0);
        Piece::near(PieceKind::Head, outline, vec![stroke])
    }

    /// Hair marks along a piece of the head, where its hair is long enough to show.
    fn hair_at(&self, length: f64, at: HairAt) -> Option<HairAt> {
        (length >= MARKED * self.build.height).then_some(at)
    }
}

/// Shortest hair whose texture shows, share of the height (dog-shape-2.md 8).
pub(super) const MARKED: f64 = 0.015;

/// The head's own numbers, in dog-shape.md's letters.
#[derive(Clone, Copy)]
struct Shares {
    mu: f64,
    s: f64,
    dm: f64,
    ds: f64,
    dome: f64,
    pn: f64,
    flews: f64,
    /// Length, mm.
    h: f64,
}

fn lerp(a: f64, b: f64, t: f64) -> f64 {
    a + (b - a) * t
}
