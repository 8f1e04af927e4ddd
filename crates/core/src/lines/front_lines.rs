//! Lines of neck, chest and shoulder (handbook 5, *Clip lines*).

use kurbo::{Point, Vec2};

use super::clip_line::ClipLine;
use super::courses::Draft;
use crate::balance::shoulder_lift_mm;
use crate::coat::Zone;
use crate::look::{LineName, LineStop};
use crate::shape::Station as S;

/// Crest line below the top of the neck, share of the neck's length (modelling choice).
const CREST_DEPTH: f64 = 0.30;

impl Draft<'_> {
    pub(super) fn nape(&self) -> ClipLine {
        let keeps_crest = self.subject.lines.has(LineStop::CrestKept);
        let head = &self.subject.shape.head;
        let (occiput, withers) = (self.skin(S::Occiput), self.skin(S::Withers));
        let depth = CREST_DEPTH * self.subject.build.neck;
        let down = |station: S| self.skin(station) - self.subject.shape.hair(station) * depth;
        if keeps_crest {
            let ear = self.subject.build.ear.base;
            let start = head.at(ear.0 - 0.12, ear.1 + 0.02);
            ClipLine {
                path_mm: Self::path(&[
                    start,
                    down(S::CrestMid),
                    down(S::CrestLow),
                    withers - Vec2::new(0.02, 0.03) * self.h(),
                ]),
                mark: "crest kept".into(),
                above: "crest, scissored into the topknot".into(),
                below: "neck side, body length".into(),
                hand: vec![
                    self.hand("behind the ear base, at the start", 0.12 * head.length),
                    self.hand("below the top of the neck, half way", depth),
                ],
                why: "A kept crest leaves the head a join into the neck.".into(),
                ..self.joined(Zone::Crest, Zone::NeckSide, self.blank(LineName::Nape))
            }
        } else {
            ClipLine {
                path_mm: Self::path(&[
                    self.edge.at(S::Occiput),
                    occiput.lerp(self.skin(S::JawAngle), 0.3),
                ]),
                mark: "from the occiput".into(),
                above: "head, one size longer".into(),
                below: "neck, body length".into(),
                hand: vec![self.hand("behind the occiput", 0.02 * self.h())],
                why: "The body's length starts just behind the skull.".into(),
                ..self.joined(Zone::Topknot, Zone::Crest, self.blank(LineName::Nape))
            }
        }
    }

    pub(super) fn throat(&self) -> ClipLine {
        let (jaw, bone) = (self.skin(S::JawAngle), self.skin(S::Breastbone));
        let inside = 0.05 * self.h();
        ClipLine {
            path_mm: Self::path(&[
                jaw.lerp(self.skin(S::CrestMid), 0.30),
                self.skin(S::ThroatMid) - Vec2::new(inside, 0.0),
                self.skin(S::ThroatLow) - Vec2::new(0.8 * inside, 0.0),
                bone,
            ]),
            mark: "throat stops on the breastbone".into(),
            above: "throat".into(),
            below: "neck side and chest".into(),
            hand: vec![
                self.hand("below the breastbone", 0.0),
                self.hand("inside the front edge of the neck", inside),
            ],
            why: "A short throat lengthens the neck; below the bone it would bare the chest."
                .into(),
            ..self.joined(Zone::Throat, Zone::Chest, self.blank(LineName::Throat))
        }
    }

    /// A crescent across the chest from shoulder to shoulder, tucking under; none where the chest is
    /// as its neighbours.
    pub(super) fn bib(&self) -> Option<ClipLine> {
        let lines = &self.subject.lines;
        let is_full = lines.has(LineStop::BibFull);
        if !is_full && !lines.has(LineStop::BibCrescent) {
            return None;
        }
        let shoulder = self.subject.shape.point_of_shoulder;
        let bone = self.skin(S::Breastbone);
        // How far under the breastbone the crescent hangs (modelling choice).
        let under = if is_full { 0.02 } else { 0.05 } * self.h();
        let low = self.skin(S::ChestUnder);
        Some(ClipLine {
            path_mm: Self::path(&[
                Point::new(bone.x - 0.02 * self.h(), bone.y - under),
                shoulder - Vec2::new(0.0, under),
                Point::new(0.5 * (shoulder.x + low.x), low.y + 0.02 * self.h()),
                low,
            ]),
            above: "throat and shoulder".into(),
            below: "bib, its own length".into(),
            hand: vec![
                self.hand("below the breastbone", under),
                self.hand("below the point of shoulder", under),
            ],
            why: "A crescent from shoulder to shoulder, tucked under, keeps the front round."
                .into(),
            ..self.joined(Zone::Throat, Zone::Chest, self.blank(LineName::Bib))
        })
    }

    pub(super) fn shoulder(&self) -> ClipLine {
        let shoulder = self.subject.shape.point_of_shoulder;
        let elbow = self.skin(S::Elbow);
        let is_high = self.subject.lines.has(LineStop::LiftAtShoulder);
        // Where the lift-off lies over the elbow.
        let up = shoulder_lift_mm(self.subject) - elbow.y;
        let end = Point::new(elbow.x, elbow.y + up + 0.02 * self.h());
        ClipLine {
            path_mm: Self::path(&[
                shoulder + Vec2::new(-0.02, if is_high { 0.03 } else { 0.0 }) * self.h(),
                Point::new(0.5 * (shoulder.x + elbow.x), end.y - 0.005 * self.h()),
                end,
            ]),
            above: "shoulder, body length".into(),
            below: "front leg".into(),
            hand: vec![
                self.hand("above the elbow", up),
                self.hand("below the point of shoulder", shoulder.y - elbow.y - up),
            ],
            why: if is_high {
                "The legs begin high in this look: lift away at the front of the shoulder.".into()
            } else {
                "The leg's muscle tilts in there: lift away, do not follow it.".into()
            },
            ..self.joined(
                Zone::Shoulder,
                Zone::ForeFront,
                self.blank(LineName::Shoulder),
            )
        }
    }
}
