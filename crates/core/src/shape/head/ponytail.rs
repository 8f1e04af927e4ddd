//! A tied topknot: the crown's hair gathered in a band, rising out of it and falling back (handbook 10 D; how
//! it is drawn is a modelling choice).

use kurbo::{Point, Vec2};

use super::super::curve::closed;
use super::super::edge::Ponytails;
use super::super::piece::{HairAt, Piece, PieceKind, Stroke};
use super::{FINE, Head};
use crate::frame::Build;

/// Along the skull one is tied over the brow; two, over the ears: so far before their base.
const OVER_THE_BROW: f64 = 0.62;
const BEFORE_THE_EAR: f64 = 0.08;
/// A ponytail is seen so long at most, share of the height: the rest falls in with the coat.
const SEEN: f64 = 0.20;
/// Half a bow against the ponytail's length.
const BOW: f64 = 0.16;
/// The tail's outline from its band: back and up, in shares of its length.
const TUFT: [(f64, f64); 8] = [
    (-0.06, 0.02),
    (-0.08, 0.34),
    (0.24, 0.46),
    (0.62, 0.20),
    (0.82, -0.30),
    (0.50, -0.04),
    (0.22, 0.12),
    (0.06, 0.0),
];

impl Head<'_> {
    /// The near ponytail, with its bow.
    pub(super) fn ponytail(&self) -> Vec<Piece> {
        let Some(tied) = self.dressing.ponytails else {
            return Vec::new();
        };
        let n = self.shares();
        let over = self.stands_mm(tied.under_band) / n.h;
        let high = if tied.count == 1 { 1.0 } else { 0.7 };
        let base = self.at(tied.along(self.build), high * n.dome + over);
        let (ahead, up) = self.ways();
        let place = |(back, rise): (f64, f64)| {
            let long = tied.seen_mm(self.build.height);
            base + (-back * ahead + rise * up) * long
        };
        tuft(
            base,
            &TUFT.map(place),
            tied.seen_mm(self.build.height),
            ahead,
        )
    }
}

impl Ponytails {
    /// Where along the head one is tied, share of its length from the occiput.
    pub(in crate::shape) fn along(self, build: &Build) -> f64 {
        match self.count {
            1 => OVER_THE_BROW.min(0.96 - build.head.muzzle),
            _ => build.ear.base.0 + BEFORE_THE_EAR,
        }
    }

    /// How long one is drawn, mm.
    pub(in crate::shape) fn seen_mm(self, height_mm: f64) -> f64 {
        self.length.min(SEEN * height_mm)
    }
}

/// The hair over a band, and the bow across it.
pub(in crate::shape) fn tuft(base: Point, ring: &[Point], long: f64, across: Vec2) -> Vec<Piece> {
    let outline = closed(ring, FINE);
    let mut ink = outline.clone();
    ink.extend(outline.first().copied());
    let stroke = Stroke::plain(ink, 0.9).with_hair(Some(HairAt::Hanging));
    let bow = [-1.0, 1.0].map(|side| {
        let end = base + side * BOW * long * across;
        let up = Vec2::new(-across.y, across.x) * 0.5 * BOW * long;
        Stroke::plain(vec![base, end + up, end - up, base], 1.2)
    });
    vec![
        Piece::near(PieceKind::Topknot, outline, vec![stroke]),
        Piece::lines(bow.into()),
    ]
}
