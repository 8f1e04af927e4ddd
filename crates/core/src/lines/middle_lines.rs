//! Lines of back, belly and skirt (handbook 5, *Clip lines*; balance-model.md 10).

use kurbo::Point;

use super::clip_line::{ClipLine, LeftAs};
use super::courses::{Draft, JOIN};
use crate::balance::{Place, waist_behind_mm};
use crate::coat::Zone;
use crate::look::LineName;
use crate::shape::{Station as S, TOPLINE, UNDERLINE};
use crate::solve::back_place;
use crate::units::Length;

impl Draft<'_> {
    /// Where the free solution falls through the look's length between the two passes; half way
    /// where it does not (balance-model.md 10).
    pub(super) fn back_pass(&self) -> Option<ClipLine> {
        let (front, Some(rear)) = back_place(self.subject) else {
            return None;
        };
        let stop = self.subject.lines.stop(LineName::BackPass)?;
        let over = |s: S| {
            let i = self.subject.find(Place::Side(s))?;
            Some(self.lengths_mm[i] - self.subject.spots[i].nominal)
        };
        let (a, b) = (over(front)?, over(rear)?);
        let t = if a > 0.0 && b < 0.0 { a / (a - b) } else { 0.5 };
        let place = self.edge.at(front).lerp(self.edge.at(rear), t);
        // A hand moved it along the back from there.
        let at =
            self.on_the_back(place.x - self.subject.lines.shift_mm(LineName::BackPass, self.h()));
        let (withers, hip) = (self.skin(S::Withers).x, self.skin(S::HipCrest).x);
        let down = 0.07 * self.h();
        Some(ClipLine {
            path_mm: vec![[at.x, at.y + 0.2 * down], [at.x, at.y - down]],
            above: "back in front of it".into(),
            below: "back behind it, over the croup".into(),
            hand: vec![
                self.hand("behind the withers", withers - at.x),
                self.hand("in front of the hip crest", at.x - hip),
            ],
            why: "The length changes here, so that dip and rear come out level.".into(),
            mark: format!("shorter {}", stop.label()),
            ..self.joined(Zone::Back, Zone::Croup, self.blank(LineName::BackPass))
        })
    }

    /// The point of the topline's edge over a place along the body.
    fn on_the_back(&self, x: f64) -> Point {
        let edges = self.edge.all(&TOPLINE);
        let mut pairs = edges.windows(2);
        let there = pairs.find(|two| two[1].x <= x);
        let [a, b] = there.map_or([edges[0], edges[1]], |two| [two[0], two[1]]);
        let t = (a.x - x) / (a.x - b.x).max(1e-6);
        Point::new(x, a.y + t * (b.y - a.y))
    }

    /// The root of a skirt, level along the ribs.
    pub(super) fn skirt(&self) -> Option<ClipLine> {
        let build = &self.subject.build;
        let y = self.subject.lines.skirt_root_mm(self.h(), build.elbow)?;
        let hem = self.edge.at(S::Brisket).y;
        let elbow = self.skin(S::Elbow);
        let (front, rear) = (elbow.x - 0.04 * self.h(), self.skin(S::FlankFold).x);
        let fold = self.skin(S::FlankFold).y;
        // Level at least as high as the hem behind (handbook 5: .02 H under the fold).
        let behind = y.max(fold - 0.02 * self.h());
        Some(ClipLine {
            path_mm: Self::path(&[
                Point::new(front, y),
                Point::new(f64::midpoint(front, rear), f64::midpoint(y, behind)),
                Point::new(rear, behind),
            ]),
            above: "ribs, body length".into(),
            below: format!(
                "skirt, its hair {} long, hanging",
                self.words.length(y - hem)
            ),
            hand: vec![
                self.hand("above the elbow", y - build.elbow),
                self.hand("above the flank fold", behind - fold),
                self.hand("below the elbow, its hem", build.elbow - hem),
            ],
            why: "The highest line whose hair still reaches the hem, just below the elbow.".into(),
            ..self.lifted_off(y - hem, self.blank(LineName::Skirt))
        })
    }

    /// The pass over a skirt runs straight down, then lifts off on a slope of 45° (handbook 5, *side*):
    /// it is joined over half the skirt's depth at most, so that the hem stays full.
    fn lifted_off(&self, depth_mm: f64, line: ClipLine) -> ClipLine {
        let step = (self.nominal(Zone::Underline) - self.nominal(Zone::Ribs)).abs();
        let over = (JOIN * step).min(0.5 * depth_mm).max(0.0);
        ClipLine {
            left: LeftAs::Blended {
                over_mm: Length::worked_out_mm(over.round()),
            },
            blend: format!(
                "Run straight down over the line, then lift off on a slope of 45° within {}.",
                self.words.length(over)
            ),
            blend_dy_mm: -over,
            ..line
        }
    }

    pub(super) fn waist(&self) -> ClipLine {
        let at = self.edge.at(S::LastRib);
        let back = waist_behind_mm(&self.subject.lines, self.h());
        let is_at_rib = back < 1.0;
        ClipLine {
            path_mm: vec![
                [at.x, at.y - 0.015 * self.h()],
                [at.x, at.y + 0.045 * self.h()],
            ],
            mark: if is_at_rib {
                "waist at the last rib".into()
            } else {
                format!("waist {} behind the last rib", self.words.bare(back))
            },
            above: "underline, rising to here".into(),
            below: "tuck-up and flank, kept".into(),
            hand: vec![self.hand("behind the last rib", back)],
            why: if is_at_rib {
                "At the last rib the line rises highest; the coat behind it is kept.".into()
            } else {
                "Just behind the last rib the line rises highest; further back lengthens the dog."
                    .into()
            },
            ..self.joined(Zone::Underline, Zone::TuckUp, self.blank(LineName::Waist))
        }
    }

    pub(super) fn underline(&self) -> ClipLine {
        let left = |s: S| self.skin(s).distance(self.edge.at(s));
        ClipLine {
            path_mm: self.along_edge(&UNDERLINE),
            mark: "underline".into(),
            above: "belly".into(),
            below: "nothing: this is the edge".into(),
            left: LeftAs::Hard,
            hand: vec![
                self.hand("below the brisket, at the elbow", left(S::Brisket)),
                self.hand("below the last rib", left(S::LastRib)),
                self.hand("below the flank fold", left(S::FlankFold)),
            ],
            why: "It rises evenly from just below the elbow to the waist.".into(),
            ..self.blank(LineName::Underline)
        }
    }
}
