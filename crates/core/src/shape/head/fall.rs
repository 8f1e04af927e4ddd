use super::super::curve::open;
use super::super::piece::{HairAt, Piece, PieceKind, Stroke};
use super::super::polyline::Locks;
use super::super::station::Station;
use super::{FINE, Head, PLUMB};

/// How much of the hair's length lies over the skull where it falls to the sides (dog-shape-2.md 3).
const CAP: f64 = 0.4;

impl Head<'_> {
    /// A drop coat's head: a flat cap, and the cheek's fall with its locks below the jaw.
    pub(super) fn fall(&self) -> Option<Piece> {
        let topknot = self.dressing.topknot?;
        let n = self.shares();
        let (mu, s, dm, ds, dome, h) = (n.mu, n.s, n.dm, n.ds, n.dome, n.h);
        let height = self.build.height;
        let o = 0.5 * self.stands_mm(topknot.crown) / h + 0.04;
        let top = open(
            &[
                self.at(1.015 - mu, -s + 0.05),
                self.at(0.965 - mu, 0.3 * dome + 0.22 * o),
                self.at((0.80 - mu).max(0.40), dome + CAP * o),
                self.at(0.25, dome + CAP * o),
                self.at(0.08, 0.7 * dome + 0.35 * o),
                self.edge.at(Station::CrestHigh),
            ],
            FINE,
        );
        let under = open(
            &[
                self.at(0.0, -0.52),
                self.at(0.14, -0.93 * ds - 0.10),
                self.at(0.40, -0.93 * ds - 0.16),
                self.at(0.88 - mu, -s - 1.1 * dm),
            ],
            FINE,
        );
        let locks = Locks {
            deep: 0.30 * o * h,
            wide: 0.045 * height,
            towards: PLUMB,
            seed: 5,
        };
        let low = locks.on(&under);
        let side = open(
            &[
                self.at(0.88 - mu, -s - 1.1 * dm),
                self.at(0.90 - mu, -0.5 * s - 0.10),
                self.at(1.015 - mu, -s + 0.05),
            ],
            8,
        );
        let mut outline = top.clone();
        outline.push(self.at(0.03, -0.30));
        outline.extend(&low);
        outline.extend(&side[1..side.len() - 1]);
        let hair = self.hair_at(topknot.crown, HairAt::Hanging);
        Some(Piece::near(
            PieceKind::Topknot,
            outline,
            vec![
                Stroke::running_out(top, 1.0, 0.0, 0.04 * height),
                Stroke::running_out(low, 0.8, 0.02 * height, 0.05 * height).with_hair(hair),
            ],
        ))
    }
}
