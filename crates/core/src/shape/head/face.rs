use kurbo::{Point, Vec2};

use super::super::curve::{closed, open};
use super::super::edge::BeardForm;
use super::super::piece::{Piece, PieceKind, Stroke};
use super::{Head, HeadAxes};
use crate::coat::Zone;
use crate::frame::HeadShape;

/// Half the eye's opening, share of the head's length; against it its height, and its tilt, degrees
/// (dog-shape-2.md 1).
pub(super) const EYE: f64 = 0.040;
const EYE_OPEN: f64 = 0.78;
const EYE_TILT_DEG: f64 = 14.0;
/// A mouth shows up to this much beard about it, share of the height (dog-shape-2.md 3).
const MOUTH_UP_TO: f64 = 0.02;
const ROUND: u32 = 24;

/// Where the eye lies.
pub(crate) fn eye_at(axes: &HeadAxes, head: &HeadShape) -> Point {
    axes.at(0.945 - head.muzzle, -0.55 * axes.step - 0.030)
}

impl Head<'_> {
    /// Eye, nose and mouth; no mouth under a beard.
    pub(super) fn face(&self) -> Vec<Piece> {
        let n = self.shares();
        let (mu, s, dm, pn, h) = (n.mu, n.s, n.dm, n.pn, n.h);
        let turn =
            |i: u32| Vec2::from_angle(std::f64::consts::TAU * f64::from(i) / f64::from(ROUND));
        let eye = eye_at(&self.shape.head, &self.build.head);
        let r = EYE * h;
        let tilt = Vec2::from_angle(self.shape.head.angle_rad + EYE_TILT_DEG.to_radians());
        // An almond: its height runs out towards the outer corner.
        let almond = (0..ROUND)
            .map(|i| {
                let v = turn(i);
                let (x, y) = (r * v.x, EYE_OPEN * r * v.y * (1.0 - 0.10 * v.x));
                eye + Vec2::new(tilt.x * x - tilt.y * y, tilt.y * x + tilt.x * y)
            })
            .collect();
        let light = eye + Vec2::new(0.30 * r, 0.30 * r);
        let nose = [
            (-0.070, -0.008),
            (-0.050, -0.072),
            (-0.028, -0.092),
            (0.002, -0.074),
            (0.006, -0.030),
            (-0.026, 0.003),
        ]
        .map(|(a, b)| self.at(pn + a, -s + b));
        let mut pieces = vec![
            Piece::near(PieceKind::Eye, almond, Vec::new()),
            Piece::near(
                PieceKind::EyeLight,
                (0..ROUND).map(|i| light + 0.20 * r * turn(i)).collect(),
                Vec::new(),
            ),
            Piece::near(PieceKind::Nose, closed(&nose, 8), Vec::new()),
        ];
        if self.shows_mouth() {
            let mouth = [
                self.at(pn - 0.026, -s - 0.105),
                self.at(pn - 0.040, -s - 0.52 * dm),
                self.at(1.0 - 0.34 * mu, -s - 0.70 * dm - 0.06 * dm * n.flews),
                self.at(1.0 - 0.62 * mu, -s - 0.90 * dm - 0.08 * dm * n.flews),
                self.at(1.0 - 0.84 * mu, -s - 0.86 * dm),
            ];
            let stroke = Stroke::running_out(open(&mouth, 8), 0.5, 0.02 * h, 0.10 * h);
            pieces.push(Piece::lines(vec![stroke]));
        }
        pieces
    }

    fn shows_mouth(&self) -> bool {
        self.dressing.beard.is_none_or(|beard| match beard.form {
            BeardForm::Puff => {
                self.dressing.shaped_mm(Zone::Beard, beard.length) < MOUTH_UP_TO * self.build.height
            }
            BeardForm::Flews => true,
            BeardForm::Brick | BeardForm::Hanging => false,
        })
    }
}
