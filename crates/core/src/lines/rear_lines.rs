//! Lines of hip, rump, hind leg and tail (handbook 5, *Clip lines*).

use kurbo::{Point, Vec2};

use super::clip_line::{ClipLine, LeftAs};
use super::courses::Draft;
use crate::balance::thigh_lift_mm;
use crate::coat::Zone;
use crate::look::{FootFinish, LineName, LineStop};
use crate::shape::{BARE_V, Station as S};

/// Length of the bare root under a tail's ball, share of the tail (dog-shape.md 13, lamb).
const BARE_ROOT: f64 = 0.5;

impl Draft<'_> {
    pub(super) fn thigh(&self) -> ClipLine {
        let fold = self.skin(S::FlankFold);
        let is_high = self.subject.lines.has(LineStop::LiftAtHip);
        let over = thigh_lift_mm(self.subject) - fold.y;
        let drop = self.skin(S::Buttock);
        ClipLine {
            path_mm: Self::path(&[
                fold,
                Point::new(fold.x - 0.06 * self.h(), fold.y + over),
                Point::new(0.5 * fold.x, fold.y + 1.15 * over),
                Point::new(
                    drop.x + 0.01 * self.h(),
                    drop.y
                        + if is_high {
                            0.6 * over
                        } else {
                            -0.02 * self.h()
                        },
                ),
            ]),
            mark: format!("{} over the fold", self.words.distance(over)),
            above: "hip, body length".into(),
            below: "hind leg; the thigh muscle stays widest".into(),
            hand: vec![self.hand("above the flank fold", over)],
            why: if is_high {
                "Level with the shoulder's line; lift away off the hip towards the knee.".into()
            } else {
                "Lift away off the hip towards the knee, the muscle stays the widest place.".into()
            },
            ..self.joined(Zone::Hip, Zone::HindOut, self.blank(LineName::Thigh))
        }
    }

    /// Hair kept under the tail; a clean drop has no line of its own there.
    pub(super) fn shelf(&self) -> Option<ClipLine> {
        if !self.subject.lines.has(LineStop::ShelfKept) {
            return None;
        }
        let left = |s: S| self.skin(s).distance(self.edge.at(s));
        Some(ClipLine {
            path_mm: self.along_edge(&[S::UnderTail, S::PinBone]),
            above: "under the tail".into(),
            below: "rump drop".into(),
            hand: vec![self.hand("behind the pin bone", left(S::PinBone))],
            why: "Hair under the tail and a close bend give a straight leg its angle.".into(),
            ..self.joined(Zone::Rump, Zone::HindBack, self.blank(LineName::Shelf))
        })
    }

    pub(super) fn rump_drop(&self) -> ClipLine {
        let left = |s: S| self.skin(s).distance(self.edge.at(s));
        let bend = self.skin(S::Bend);
        let hock = self.skin(S::HockPoint);
        let is_to_bend = self.subject.lines.has(LineStop::DropToBend);
        let ends = if is_to_bend {
            bend.y
        } else {
            self.skin(S::AboveHock).y
        };
        ClipLine {
            path_mm: self.along_edge(&[S::PinBone, S::Buttock, S::ThighBack, S::ThighLow, S::Bend]),
            mark: if is_to_bend {
                "straight down to the bend".into()
            } else {
                "straight down, out above the hock".into()
            },
            above: "rump".into(),
            below: "back of the hind leg".into(),
            hand: vec![
                self.hand("behind the pin bone", left(S::PinBone)),
                self.hand("behind the bend", left(S::Bend)),
                self.hand("above the hock point, where it ends", ends - hock.y),
            ],
            why: "It drops plumb from the pin bone; at the bend it is closest.".into(),
            ..self.joined(Zone::Rump, Zone::HindBack, self.blank(LineName::RumpDrop))
        }
    }

    /// None where the hock is taken as the back of the leg.
    pub(super) fn hock(&self) -> Option<ClipLine> {
        if self.subject.lines.has(LineStop::HockTaken) {
            return None;
        }
        let (back, front) = (self.edge.at(S::HockPoint), self.edge.at(S::HockFront));
        let y = self.skin(S::HockPoint).y;
        Some(ClipLine {
            path_mm: vec![[back.x, y], [front.x, y]],
            mark: "leg length from the hock".into(),
            above: "back of the hind leg".into(),
            below: "hock and pastern, full".into(),
            hand: vec![self.hand("above the hock point", 0.0)],
            why: "Hair kept behind the hock fills a thin pastern.".into(),
            ..self.joined(Zone::HindBack, Zone::Hock, self.blank(LineName::Hock))
        })
    }

    /// None where the tail keeps its hair down to the root.
    pub(super) fn tail_base(&self) -> Option<ClipLine> {
        let look = &self.subject.look;
        let set = self.skin(S::TailSet);
        // The long bare stretch belongs to docked tails (handbook 5).
        let is_ball = look.finish.has_tail_ball() && self.subject.build.is_docked();
        let tail = self.subject.build.tail.length;
        let (along, mark, why) = match self.subject.lines.stop(LineName::TailBase)? {
            LineStop::TailKept => return None,
            LineStop::TailToHip => {
                let reach = set.distance(self.skin(S::HipCrest)).min(tail);
                let why = "Laid over the back, the tail is bare to about the hip crest.";
                (reach, "tail clipped to the hip crest", why)
            }
            LineStop::TailV => {
                let bare = if is_ball {
                    BARE_ROOT * tail
                } else {
                    BARE_V * self.h()
                };
                let why = "A V over the root sets a raised tail off the back.";
                (bare, "V above the root", why)
            }
            _ => {
                let why = "A clean root sets the tail off the back.";
                (BARE_V * self.h(), "band at the root", why)
            }
        };
        Some(ClipLine {
            path_mm: Self::path(&[
                set + Vec2::new(0.05, 0.015) * self.h(),
                set + Vec2::new(0.005, -0.035) * self.h(),
                self.skin(S::UnderTail) + Vec2::new(0.01, -0.01) * self.h(),
            ]),
            mark: mark.into(),
            above: "croup, body length".into(),
            below: if is_ball {
                "bare root, then the ball".into()
            } else {
                "tail, its own length".into()
            },
            left: if look.foot == FootFinish::Clean {
                LeftAs::Hard
            } else {
                self.join(Zone::Croup, Zone::Tail)
            },
            hand: vec![self.hand("along the tail from its root", along)],
            why: why.into(),
            ..self.blank(LineName::TailBase)
        })
    }
}
