use kurbo::{Point, Rect, Vec2};

use super::annotate::Annotator;
use super::free_paper::FreePaper;
use super::shapes::{Anchor, Role, Tag};
use super::table::to_page;
use crate::report::PlanReport;

/// Where a blend ends is drawn thinner than its line, share of the height.
pub(super) const BLEND: f64 = 0.002;

impl Annotator<'_> {
    pub(super) fn chalk_lines(&mut self, report: &PlanReport) {
        let paper = FreePaper::about(self.painter);
        for line in &report.lines {
            let points: Vec<Point> = line
                .path_mm
                .iter()
                .map(|p| Point::new(p[0], p[1]))
                .collect();
            let tag = Some(Tag::Line(line.line));
            self.line(Role::ClipLine, &points, 0.006, tag);
            let page: Vec<Point> = points.iter().map(|p| to_page(*p)).collect();
            self.painter.labels.avoid(page.iter().copied());
            let up = Vec2::new(0.0, line.blend_dy_mm);
            // A blend that would end past the dog has no end to show.
            let is_on_dog = |p: &Point| !paper.is_free(Rect::from_points(*p + up, *p + up));
            if line.blend_dy_mm != 0.0 && page.iter().all(is_on_dog) {
                let to: Vec<Point> = points.iter().map(|p| *p + up).collect();
                self.line(Role::ClipLine, &to, BLEND, tag);
                let to: Vec<Point> = page.iter().map(|p| *p + up).collect();
                self.painter.labels.avoid(to.iter().copied());
            }
        }
    }

    pub(super) fn chalk_words(&mut self, report: &PlanReport) {
        let t = self.painter.text_mm;
        for line in &report.lines {
            let points: Vec<Point> = line
                .path_mm
                .iter()
                .map(|p| to_page(Point::new(p[0], p[1])))
                .collect();
            let (Some(first), Some(last)) = (points.first(), points.last()) else {
                continue;
            };
            // The head has no room for words; its lines are read in the list.
            if line.line.is_of_the_head() {
                continue;
            }
            let middle = points[points.len() / 2];
            let mut places = Vec::new();
            for reach in [0.9, 1.8, 2.8] {
                for base in [middle, *first, *last] {
                    places.extend([
                        (base + Vec2::new(0.0, reach * t), Anchor::Middle),
                        (base - Vec2::new(0.0, (reach + 0.6) * t), Anchor::Middle),
                        (base + Vec2::new(reach * t, 0.3 * t), Anchor::Start),
                        (base + Vec2::new(-reach * t, 0.3 * t), Anchor::End),
                        (base + Vec2::new(reach * t, -1.2 * t), Anchor::Start),
                        (base + Vec2::new(-reach * t, -1.2 * t), Anchor::End),
                    ]);
                }
            }
            // Under the table stand the rule's own numbers.
            places.retain(|(at, _)| at.y > 0.0);
            let tag = Some(Tag::Line(line.line));
            self.place(Role::ClipWords, &places, &line.mark, 0.9, tag, true);
        }
    }
}
