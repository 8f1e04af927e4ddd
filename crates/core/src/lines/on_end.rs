//! The courses of lines in front, rear and top view (handbook 5: drawn in every view in which a line
//! shows). Shares of a view's own widths are modelling choices: about where the side view has them.

use kurbo::Point;

use super::clip_line::ViewPath;
use super::courses::Draft;
use crate::balance::{shoulder_lift_mm, thigh_lift_mm};
use crate::look::{LineName, LineStop};
use crate::page::View;
use crate::shape::Station as S;

impl Draft<'_> {
    /// Where a line shows in the other views, mm on each view's own plane.
    pub(super) fn elsewhere(&self, line: LineName, side_mm: &[[f64; 2]]) -> Vec<ViewPath> {
        let b = &self.subject.build;
        let shoulder = 0.5 * b.shoulder_width;
        let thigh = 0.5 * b.thigh_width;
        let across = |view, y: f64, out: f64, inside: f64| -> Vec<ViewPath> {
            [1.0, -1.0]
                .map(|s| ViewPath {
                    view,
                    path_mm: vec![[s * out, y], [s * inside, y]],
                })
                .into()
        };
        let one = |view, points: &[Point]| {
            vec![ViewPath {
                view,
                path_mm: Self::path(points),
            }]
        };
        match line {
            LineName::Throat => {
                let (jaw, bone) = (self.skin(S::JawAngle).y, self.skin(S::Breastbone).y);
                one(
                    View::Front,
                    &[
                        Point::new(-0.45 * shoulder, jaw),
                        Point::new(0.0, bone),
                        Point::new(0.45 * shoulder, jaw),
                    ],
                )
            }
            LineName::Bib => {
                let y = self.skin(S::Breastbone).y;
                let low = y - 0.07 * self.h();
                one(
                    View::Front,
                    &[
                        Point::new(-0.8 * shoulder, y),
                        Point::new(0.0, low),
                        Point::new(0.8 * shoulder, y),
                    ],
                )
            }
            LineName::Shoulder => {
                let y = shoulder_lift_mm(self.subject);
                across(View::Front, y, shoulder, 0.4 * shoulder)
            }
            LineName::Thigh => across(View::Rear, thigh_lift_mm(self.subject), thigh, 0.35 * thigh),
            LineName::Shelf => one(
                View::Rear,
                &[
                    Point::new(-0.4 * thigh, b.pin),
                    Point::new(0.4 * thigh, b.pin),
                ],
            ),
            LineName::Hock => {
                let (out, y) = (b.hind.from_midline[1], b.hock);
                let half = 0.5 * b.hind_leg;
                across(View::Rear, y, out + half, out - half)
            }
            LineName::BackPass => {
                let x = side_mm.first().map_or(0.0, |p| p[0]);
                let half = 0.5 * b.loin_width;
                one(View::Top, &[Point::new(x, -half), Point::new(x, half)])
            }
            LineName::TailBase => {
                let x = self.skin(S::TailSet).x;
                let up = if self.subject.lines.has(LineStop::TailV) {
                    0.05 * self.h()
                } else {
                    0.01 * self.h()
                };
                let half = 0.06 * self.h();
                one(
                    View::Top,
                    &[
                        Point::new(x - 0.01 * self.h(), -half),
                        Point::new(x + up, 0.0),
                        Point::new(x - 0.01 * self.h(), half),
                    ],
                )
            }
            LineName::Nape => {
                let x = side_mm.last().map_or(0.0, |p| p[0]);
                let half = 0.35 * b.neck_width;
                one(View::Top, &[Point::new(x, -half), Point::new(x, half)])
            }
            _ => Vec::new(),
        }
    }
}
