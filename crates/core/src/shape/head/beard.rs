use kurbo::{Point, Vec2};

use super::super::curve::{open, signed_area};
use super::super::edge::combed_share;
use super::super::piece::{HairAt, Piece, PieceKind, Stroke};
use super::super::polyline::Locks;
use super::{FINE, Head};
use crate::coat::Zone;

/// How far under the head's axis brows are combed, degrees (dog-shape-2.md 3).
const BROW_DOWN_DEG: f64 = 20.0;

impl Head<'_> {
    /// A terrier's beard: a flat plane from the skull to the nose, combed forward to a square front
    /// that stands plumb under the nose, so that skull and beard run parallel.
    pub(super) fn brick(&self) -> Piece {
        let n = self.shares();
        let (mu, s, dm, pn, h) = (n.mu, n.s, n.dm, n.pn, n.h);
        let b = self.beard_reach_mm() / h;
        let (ahead, up) = self.ways();
        let under_nose = self.at(pn - 0.012, -s - 0.098);
        let low = [
            self.at(1.0 - 1.20 * mu, -s - dm),
            self.at(1.0 - mu, -s - 1.10 * dm - 0.16 * b),
            self.at(1.0 - 0.70 * mu, -s - dm - 0.58 * b),
            self.at(1.0 - 0.36 * mu, -s - dm - 0.90 * b),
            self.at(pn - 0.06, -s - dm - 1.04 * b),
        ];
        let front = [
            self.at(pn - 0.012, -s - dm - 0.90 * b),
            self.at(pn - 0.004, -s - 0.80 * dm - 0.28 * b),
            self.at(pn - 0.010, -s - 0.46 * dm),
        ];
        let nose = self
            .shape
            .head
            .at(self.shape.head.nose.0, self.shape.head.nose.1);
        // No further forward than the nose, along the muzzle or by the plumb line (handbook 4).
        let behind_nose = |p: Point| {
            let over = (p - nose).dot(ahead).max(0.0);
            let back = p - ahead * over;
            Point::new(back.x.min(nose.x), back.y)
        };
        let towards = 0.55 * ahead - up;
        let locks = Locks {
            deep: 0.10 * b * h,
            wide: 0.05 * self.build.height,
            towards: towards / towards.hypot(),
            seed: 3,
        };
        let low: Vec<Point> = locks
            .on(&open(&low, FINE))
            .into_iter()
            .map(behind_nose)
            .collect();
        let mut rising = vec![low[low.len() - 1]];
        rising.extend(front);
        rising.push(under_nose);
        let rising: Vec<Point> = open(&rising, FINE).into_iter().map(behind_nose).collect();
        let top = open(
            &[
                self.at(pn - 0.03, -s),
                self.at(1.0 - 0.45 * mu, -s + 0.020),
                self.at(1.0 - 0.85 * mu, -s + 0.02),
                low[0],
            ],
            8,
        );
        let cheek = open(
            &[
                self.at(1.0 - mu, -s - 0.35 * dm),
                self.at(1.0 - 1.05 * mu, -s - 0.70 * dm),
                self.at(1.0 - mu, -s - 1.08 * dm),
            ],
            8,
        );
        let outline = [&low, &rising[1..], &top[..top.len() - 1]].concat();
        let hair = self.hair_at(b * h, HairAt::Beard);
        Piece::near(
            PieceKind::Beard,
            outline,
            vec![
                Stroke::running_out(low, 0.95, 0.12 * h, 0.0).with_hair(hair),
                Stroke::plain(rising, 0.95),
                Stroke::plain(top[..17].to_vec(), 0.95),
                Stroke::running_out(cheek, 0.42, 0.06 * h, 0.05 * h),
            ],
        )
    }

    /// A terrier's brow: a lash from the skull over the eye, combed forward, its tip a corner.
    pub(super) fn brow(&self) -> Option<Piece> {
        let length = self.dressing.brow?;
        let n = self.shares();
        let (mu, s, dome) = (n.mu, n.s, n.dome);
        let height = self.build.height;
        let reach = length * combed_share(self.dressing.stand.of(Zone::Brow));
        let (axis, up) = self.ways();
        let ahead = Vec2::from_angle(self.shape.head.angle_rad - BROW_DOWN_DEG.to_radians());
        let tip = self.at(1.0 - mu, -0.50 * s) + ahead * reach;
        let over = open(
            &[
                self.at(0.74 - mu, dome + 0.012),
                self.at(0.93 - mu, 0.6 * dome + 0.040),
                self.at(1.0 - mu, -0.10 * s + 0.05) + ahead * (0.35 * reach),
                tip,
            ],
            8,
        );
        let under = open(
            &[
                tip,
                self.at(1.0 - mu, -0.50 * s - 0.03) + ahead * (0.55 * reach),
                self.at(0.985 - mu, -0.55 * s - 0.020) + ahead * (0.12 * reach),
                self.at(0.92 - mu, -0.35 * s + 0.005),
            ],
            8,
        );
        let towards = ahead - 0.8 * up;
        let locks = Locks {
            deep: 0.05 * reach,
            wide: 0.03 * height,
            towards: towards / towards.hypot(),
            seed: 2,
        };
        let under = locks.on(&under);
        let mut outline = over.clone();
        outline.extend(&under[1..]);
        if signed_area(&outline) < 0.0 {
            outline.reverse();
        }
        let (root, middle) = (over[8], over[16]);
        let mut strokes = vec![
            Stroke::running_out(over, 0.95, 0.012 * height, 0.0),
            Stroke::running_out(under, 0.8, 0.0, 0.02 * height),
        ];
        strokes.extend([0.2, 0.6].map(|t| {
            let from = root.lerp(middle, t);
            let hair = vec![
                from + (0.1 * axis - 0.02 * up) * reach,
                from + ((0.55 + 0.1 * t) * axis - (0.14 + 0.05 * t) * up) * reach,
            ];
            Stroke::running_out(hair, 0.4, 0.02 * height, 0.02 * height)
        }));
        Some(Piece::near(PieceKind::Brow, outline, strokes))
    }
}
