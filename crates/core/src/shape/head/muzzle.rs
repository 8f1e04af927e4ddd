use super::super::curve::{closed, open};
use super::super::piece::{HairAt, Piece, PieceKind, Stroke};
use super::super::polyline::Locks;
use super::{FINE, Head, PLUMB};
use crate::coat::Zone;

impl Head<'_> {
    /// A short round muzzle: an oval about lips and chin, the nose at its front.
    pub(super) fn puff(&self) -> Piece {
        let n = self.shares();
        let (mu, s, dm, pn, h) = (n.mu, n.s, n.dm, n.pn, n.h);
        let length = self.dressing.beard.map_or(0.0, |b| b.length);
        let o = self.dressing.shaped_mm(Zone::Beard, length) / h;
        let lip = dm * (1.02 + 0.22 * n.flews);
        let ring = [
            self.at(pn - 0.010, -s + 0.006),
            self.at(1.0 - 0.34 * mu, -s + 0.030 + 0.50 * o),
            self.at(1.0 - 0.72 * mu, -s + 0.055 + 0.60 * o),
            self.at(1.0 - 1.08 * mu, -s - 0.02),
            self.at(1.0 - 1.22 * mu, -s - 0.55 * lip),
            self.at(1.0 - 1.06 * mu, -s - lip - 0.62 * o),
            self.at(1.0 - 0.66 * mu, -s - lip - 1.05 * o),
            self.at(1.0 - 0.30 * mu, -s - 0.95 * lip - 0.85 * o),
            self.at(pn - 0.040, -s - 0.72 * dm - 0.42 * o),
            self.at(pn - 0.012, -s - 0.085 - 0.10 * o),
        ];
        let outline = closed(&ring, FINE);
        let ink = [&outline[42..], &outline[..26]].concat();
        let stroke = Stroke::running_out(ink, 0.95, 0.34 * h, 0.20 * h);
        Piece::near(PieceKind::Muzzle, outline, vec![stroke])
    }

    /// A drop coat's beard, hanging plumb from the lips.
    pub(super) fn hanging_beard(&self) -> Piece {
        let n = self.shares();
        let (mu, s, dm, pn, h) = (n.mu, n.s, n.dm, n.pn, n.h);
        let reach = self.beard_reach_mm();
        let hangs = |p: f64, q: f64, share: f64| self.at(p, q) + PLUMB * (share * reach);
        let nose = self.at(pn - 0.02, -s - 0.012);
        let line = [
            self.at(1.0 - 0.98 * mu, -s - 0.35 * dm),
            hangs(1.0 - 1.04 * mu, -s - dm, 0.55),
            hangs(1.0 - 0.75 * mu, -s - 1.05 * dm, 1.0),
            hangs(1.0 - 0.35 * mu, -s - dm, 0.95),
            hangs(pn - 0.07, -s - 0.80 * dm, 0.55),
            hangs(pn - 0.02, -s - 0.50 * dm, 0.05),
        ];
        let locks = Locks {
            deep: 0.16 * reach,
            wide: 0.04 * self.build.height,
            towards: PLUMB,
            seed: 9,
        };
        let low = locks.on(&open(&line, FINE));
        let top = open(
            &[
                line[5],
                nose,
                self.at(1.0 - 0.45 * mu, -s + 0.035),
                self.at(1.0 - 0.92 * mu, -s + 0.045),
                line[0],
            ],
            8,
        );
        let mut outline = low.clone();
        outline.extend(&top[1..top.len() - 1]);
        let hair = self.hair_at(reach, HairAt::Hanging);
        Piece::near(
            PieceKind::Beard,
            outline,
            vec![
                Stroke::running_out(low, 0.9, 0.08 * h, 0.0).with_hair(hair),
                Stroke::plain(top[..17].to_vec(), 0.9),
                Stroke::running_out(top[16..].to_vec(), 0.45, 0.0, 0.1 * h),
            ],
        )
    }
}
