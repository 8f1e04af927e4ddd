//! Lines of the head: cheek, visor, crown, parting, and the ends of beard and ear (handbook 5). Shares
//! of the head and the ear without a source of their own are modelling choices: as they are drawn.

use kurbo::{Point, Vec2};

use super::clip_line::{ClipLine, LeftAs};
use super::courses::Draft;
use crate::coat::Zone;
use crate::frame::EarKind;
use crate::look::{EarRule, LineName};
use crate::schools::{Answer, Question};
use crate::shape::{HeadShape, Station as S, parting_mm};

/// A cheek or an ear this short is clipped, mm: longer ones are shaped (handbook 5, *Nominal
/// lengths*: clipped ones are 0.5 to 1.5; modelling choice).
const CLIPPED_UP_TO_MM: f64 = 3.0;

/// Where on a leather a line can lie, up from its tip: nearer to either end there is none (modelling choice).
const ALONG_THE_LEATHER: std::ops::RangeInclusive<f64> = 0.2..=0.8;

impl Draft<'_> {
    /// The lines this look has on the head, from the top down.
    pub(super) fn head_lines(&self) -> Vec<ClipLine> {
        [
            self.crown(),
            self.visor(),
            self.parting(),
            self.cheek(),
            self.beard_end(),
            self.ear_end(),
        ]
        .into_iter()
        .flatten()
        .collect()
    }

    fn shape_is(&self, shape: HeadShape) -> bool {
        self.subject.look.finish.head == Some(shape)
    }

    fn eye(&self) -> Point {
        self.head.eye
    }

    fn ear_top(&self) -> Point {
        let base = self.subject.build.ear.base;
        self.subject.shape.head.at(base.0, base.1)
    }

    /// Half round from over the brows to the occiput, on the skull.
    fn crown(&self) -> Option<ClipLine> {
        if !self.shape_is(HeadShape::Spaniel) {
            return None;
        }
        let head = &self.subject.shape.head;
        let down = head.vector(0.0, -0.10);
        Some(ClipLine {
            path_mm: Self::path(&[
                self.skin(S::Brow),
                self.skin(S::Crown) + down,
                self.skin(S::SkullBack) + down,
                self.skin(S::Occiput),
            ]),
            above: "crown, by comb, its middle lowered last".into(),
            below: "cheek, clipped".into(),
            hand: vec![self.hand("below the top of the skull", 0.10 * head.length)],
            why:
                "Half round on the skull, from over the brows to the occiput; its edge is blended."
                    .into(),
            ..self.joined(Zone::Topknot, Zone::Cheek, self.blank(LineName::Crown))
        })
    }

    /// The corners cut back from the inside corner of the eye towards the ear.
    fn visor(&self) -> Option<ClipLine> {
        let topknot = self.dressing.topknot.as_ref()?;
        let head = &self.subject.shape.head;
        let inside = self.eye() + head.vector(0.072, 0.0);
        let up = head.vector(0.0, 0.07);
        Some(ClipLine {
            path_mm: Self::path(&[inside, self.eye() + up, self.ear_top() + 0.4 * up]),
            above: "topknot".into(),
            below: "eye, both outer corners seen".into(),
            left: LeftAs::Hard,
            hand: vec![
                self.hand("over the outer corner of the eye", up.hypot()),
                self.hand("of fringe over the eyes", topknot.visor),
            ],
            why:
                "Cut back from the inside corner of the eye towards the ear: a U from above, open \
                  from the side."
                    .into(),
            ..self.blank(LineName::Visor)
        })
    }

    fn parting(&self) -> Option<ClipLine> {
        let length = self.dressing.brow?;
        let root = self.skin(S::Brow);
        Some(ClipLine {
            path_mm: Self::path(&[root, self.skin(S::Stop)]),
            above: "brow, one on each side".into(),
            below: "bridge of the nose, short".into(),
            left: LeftAs::Hard,
            hand: vec![
                self.hand("between the brows", parting_mm(&self.subject.build.head)),
                self.hand("of brow, combed forward", length),
            ],
            why:
                "Each brow's outer edge is set plumb over the cheek, then its front; a little finger \
                 parts them."
                    .into(),
            ..self.blank(LineName::Parting)
        })
    }

    /// From the corner of the eye to the top of the ear set, straight.
    fn cheek(&self) -> Option<ClipLine> {
        if self.subject.look.nominal_mm(Zone::Cheek, self.h()) > CLIPPED_UP_TO_MM {
            return None;
        }
        let (eye, ear) = (self.eye(), self.ear_top());
        let keeps_muzzle = self.shape_is(HeadShape::Spaniel) || self.shape_is(HeadShape::Terrier);
        Some(ClipLine {
            path_mm: Self::path(&[eye, eye.lerp(ear, 0.5), ear]),
            above: "skull".into(),
            below: if keeps_muzzle {
                "cheek, clipped; it stops before the muzzle, which stays full".into()
            } else {
                "cheek, clipped".into()
            },
            hand: vec![self.hand("from the eye's corner to the ear set", eye.distance(ear))],
            why: "Straight from the corner of the eye to the top of the ear, skin taut.".into(),
            ..self.joined(Zone::Topknot, Zone::Cheek, self.blank(LineName::Cheek))
        })
    }

    /// Where a beard that hangs ends.
    fn beard_end(&self) -> Option<ClipLine> {
        self.dressing.beard?;
        let low = self.head.under_beard;
        let chin = self.skin(S::Chin);
        let half = Vec2::new(0.10 * self.subject.shape.head.length, 0.0);
        Some(ClipLine {
            path_mm: Self::path(&[low - half, low + half]),
            above: "beard".into(),
            below: "nothing: this is the edge".into(),
            left: LeftAs::Hard,
            hand: vec![self.hand("below the chin", chin.y - low.y)],
            why: "No further forward than the nose; straight reads masculine, rounded feminine."
                .into(),
            ..self.blank(LineName::BeardEnd)
        })
    }

    /// Where the ear ends, against what limits it; on a clipped ear where the clipping begins.
    fn ear_end(&self) -> Option<ClipLine> {
        let look = &self.subject.look;
        let ear = &self.subject.build.ear;
        let school = self.words.house.schools.of(Question::EarShort);
        if school == Answer::EarTip || look.nominal_mm(Zone::Ear, self.h()) <= CLIPPED_UP_TO_MM {
            return Some(self.short_ear(school));
        }
        let end = self.head.ear_end?;
        let half = Vec2::new(0.35 * ear.width * ear.length, 0.0);
        let shoulder = self.subject.shape.point_of_shoulder.y;
        let beard = self.head.under_beard.y;
        let (hand, why) = match look.ear_rule {
            EarRule::OverShoulder => (
                self.hand("above the point of shoulder, its limit", end.y - shoulder),
                "Not below the point of shoulder; the leather reaches the nose tip.",
            ),
            EarRule::BesideBeard => (
                self.hand("below the end of the beard", beard - end.y),
                "Just under the beard's line, or level with it.",
            ),
            EarRule::AsItIs => (
                self.hand("of hair past the leather", self.dressing.ear.fringe),
                "Both ears brought forward to the nose: the longer one loses the difference.",
            ),
        };
        Some(ClipLine {
            path_mm: Self::path(&[end - half, end + half]),
            above: "ear".into(),
            below: "nothing: this is the edge".into(),
            left: LeftAs::Hard,
            hand: vec![hand],
            why: why.into(),
            ..self.blank(LineName::EarEnd)
        })
    }

    /// The share of a hanging leather, up from its tip, at which it meets the jaw's height; none where it
    /// does not hang past it (handbook 10 D).
    fn jaw_on_the_leather(&self, root: Point, tip: Point) -> Option<f64> {
        if self.subject.build.ear.kind != EarKind::Drop {
            return None;
        }
        let up = (self.skin(S::JawAngle).y - tip.y) / (root.y - tip.y);
        ALONG_THE_LEATHER.contains(&up).then_some(up)
    }

    /// So much of the leather short, outward and off the edge: half of it, unless the salon has it
    /// otherwise (handbook 5, *ear*; shares of fold and tip are modelling choices).
    fn short_ear(&self, school: Answer) -> ClipLine {
        let ear = &self.subject.build.ear;
        let root = self.ear_top();
        let tip = self.head.ear_end.unwrap_or(root);
        let (up, from) = match school {
            Answer::EarTip => (0.2, "up from the tip, a small triangle on both sides"),
            Answer::EarToFold => (0.65, "up from the tip, to the natural fold"),
            _ => match self.jaw_on_the_leather(root, tip) {
                Some(up) => (up, "up from the tip, level with the jaw"),
                None => (0.5, "up from the tip, half the leather"),
            },
        };
        let middle = tip.lerp(root, up);
        let half = Vec2::new(0.5 * ear.width * ear.length, 0.0);
        ClipLine {
            path_mm: Self::path(&[middle - half, middle + half]),
            above: "ear base".into(),
            below: "ear, clipped outward and off the edge".into(),
            left: LeftAs::Hard,
            hand: vec![self.hand(from, up * ear.length)],
            why: "Ear flat, a finger behind the tip.".into(),
            ..self.blank(LineName::EarEnd)
        }
    }
}
