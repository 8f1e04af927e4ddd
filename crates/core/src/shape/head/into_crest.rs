use kurbo::{ParamCurve as _, Point, QuadBez};

use super::super::curve::open;
use super::super::edge::TopknotForm;
use super::super::piece::{HairAt, Piece, PieceKind, Stroke};
use super::super::station::Station;
use super::{FINE, FRINGE, Head};

/// Exponent of the cap's superellipse: fuller than a half circle (dog-shape-2.md 3).
const FULLNESS: f64 = 2.35;
/// Directions at which the cap is laid out, degrees.
const CAP: [f64; 7] = [8.0, 32.0, 56.0, 80.0, 104.0, 128.0, 150.0];
/// Steps of its lower edge.
const EDGE: u32 = 14;

impl Head<'_> {
    /// A topknot whose outline runs on through the crest's own points, so that no notch is left.
    pub(super) fn cap(&self) -> Option<Piece> {
        let topknot = self.dressing.topknot?;
        let TopknotForm::IntoCrest { runs_on } = topknot.form else {
            return None;
        };
        let n = self.shares();
        let (mu, s, h) = (n.mu, n.s, n.h);
        let stands = self.stands_mm(topknot.crown);
        let visor = self.stands_mm(topknot.visor);
        let front = 1.0 - mu + 0.22 * visor / h;
        let back = -0.03 - 0.42 * stands / h;
        let half = 0.5 * (front - back);
        let foot = 0.015;
        let rise = n.dome + stands / h - foot;
        let dome = CAP.map(|deg| {
            let (sin, cos) = deg.to_radians().sin_cos();
            let power = 2.0 / FULLNESS;
            self.at(
                0.5 * (front + back) + half * cos.signum() * cos.abs().powf(power),
                foot + rise * sin.abs().powf(power),
            )
        });
        // A fringe longer than the eye is deep hangs over it.
        let hangs = (topknot.visor / h - FRINGE).max(0.0);
        let start = self.at(0.995 - mu, (-s + 0.05).min(-0.07) - hangs);
        let lift = |station: Station, share: f64| {
            self.edge.at(station) + self.shape.hair(station) * (stands * share * runs_on)
        };
        let mut line = vec![self.at(front - 0.035, -0.045 - 0.5 * hangs)];
        line.extend(dome);
        line.extend([
            lift(Station::CrestHigh, 0.30),
            lift(Station::CrestMid, 0.10),
            self.edge.at(Station::CrestLow),
            self.edge.at(Station::NeckBase),
        ]);
        let mut ink = vec![start];
        ink.extend(open(&line, FINE));
        let skin = |station| self.shape.skin(station);
        let (ear_p, ear_q) = self.build.ear.base;
        let before_ear = self.at(ear_p + 0.08, ear_q - 0.01);
        let over_eye = self.at(0.93 - mu, -0.30 * s + 0.015 - hangs);
        let edge = QuadBez::new(before_ear, over_eye, start);
        let lower: Vec<Point> = (0..=EDGE)
            .map(|i| edge.eval(f64::from(i) / f64::from(EDGE)))
            .collect();
        let mut outline = ink.clone();
        outline.extend([
            skin(Station::NeckBase).lerp(skin(Station::ThroatLow), 0.30),
            skin(Station::CrestMid).lerp(skin(Station::ThroatMid), 0.45),
            self.at(0.12, -0.20),
        ]);
        outline.extend(&lower[..lower.len() - 1]);
        let hair = self.hair_at(topknot.crown, HairAt::Body);
        let over = Stroke::running_out(ink, 1.0, 0.01 * self.build.height, 0.0).with_hair(hair);
        let under = Stroke::running_out(lower, 0.55, 0.10 * h, 0.0);
        Some(Piece::near(PieceKind::Topknot, outline, vec![over, under]))
    }
}
