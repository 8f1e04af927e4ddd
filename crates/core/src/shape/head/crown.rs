use super::super::curve::{closed, open};
use super::super::piece::{HairAt, Piece, PieceKind, Stroke};
use super::super::station::Station;
use super::{FINE, Head};

/// How far a spaniel's lips stand full below their line, share of the height (dog-shape-2.md 3).
const FULL_LIPS: f64 = 0.016;

impl Head<'_> {
    /// A spaniel's crown: of even height and flat, from over the brows to the occiput.
    pub(super) fn crown(&self) -> Option<Piece> {
        let topknot = self.dressing.topknot?;
        let n = self.shares();
        let (mu, s, dome) = (n.mu, n.s, n.dome);
        let o = self.stands_mm(topknot.crown) / n.h;
        let line = [
            self.at(1.0 - mu, -0.55 * s + 0.02),
            self.at(0.955 - mu, 0.55 * dome + 0.55 * o),
            self.at((0.80 - mu).max(0.36), dome + o),
            self.at(0.28, dome + o),
            self.at(0.13, 0.85 * dome + 0.9 * o),
            self.at(0.0, 0.55 * o),
        ];
        let over = open(&line, FINE);
        let ink = over[4..].to_vec();
        let mut outline = over;
        outline.extend([
            self.edge.at(Station::CrestHigh),
            self.at(0.10, -0.20),
            self.at(0.40, -0.14),
            self.at(0.88 - mu, -0.06),
        ]);
        let hair = self.hair_at(topknot.crown, HairAt::Body);
        let stroke = Stroke::running_out(ink, 1.0, 0.0, 0.02 * self.build.height).with_hair(hair);
        Some(Piece::near(PieceKind::Topknot, outline, vec![stroke]))
    }

    /// A spaniel's muzzle: full under its lip line.
    pub(super) fn lips(&self) -> Piece {
        let n = self.shares();
        let (mu, s, dm, pn, h) = (n.mu, n.s, n.dm, n.pn, n.h);
        let full = FULL_LIPS * self.build.height / h;
        let ring = [
            self.at(pn - 0.02, -s - 0.30 * dm),
            self.at(1.0 - 0.55 * mu, -s - 0.02),
            self.at(1.0 - 0.90 * mu, -s - 0.25 * dm),
            self.at(1.0 - mu, -s - 0.75 * dm),
            self.at(1.0 - 0.86 * mu, -s - 1.20 * dm - full),
            self.at(1.0 - 0.55 * mu, -s - dm * (1.16 + 0.12 * n.flews) - full),
            self.at(pn - (0.28 * mu).min(0.12), -s - 1.02 * dm - full),
            self.at(pn - 0.02, -s - 0.70 * dm),
            self.at(pn - 0.012, -s - 0.42 * dm),
        ];
        let outline = closed(&ring, FINE);
        let ink = outline[3 * FINE..].to_vec();
        let stroke = Stroke::running_out(ink, 0.9, 0.08 * h, 0.02 * h);
        Piece::near(PieceKind::Muzzle, outline, vec![stroke])
    }
}
