use kurbo::Rect;

use super::canvas::Painter;
use super::shapes::{Geometry, Role};

/// Between two rows that are looked along, against the height of a word (modelling choice).
const ROW: f64 = 0.5;

/// Where nothing of the dog is painted: rows across the page, each with the stretches that it covers.
pub(super) struct FreePaper {
    from_y: f64,
    step: f64,
    rows: Vec<Vec<(f64, f64)>>,
}

impl FreePaper {
    /// The paper about what is painted so far.
    pub(super) fn about(painter: &Painter) -> Self {
        let step = ROW * painter.text_mm;
        let page = painter.page;
        #[expect(
            clippy::cast_possible_truncation,
            clippy::cast_sign_loss,
            reason = "rows of a page: a hundred or so"
        )]
        let count = (page.height() / step).ceil().max(0.0) as usize;
        let mut paper = Self {
            from_y: page.y0,
            step,
            rows: vec![Vec::new(); count],
        };
        let dog = [Role::Now, Role::NowFar, Role::PlanFill, Role::PlanFillFar];
        for shape in painter.shapes.iter().filter(|s| dog.contains(&s.role)) {
            if let Geometry::Fill { points_mm } = &shape.geometry {
                paper.cover(points_mm);
            }
        }
        paper
    }

    /// Takes the inside of a closed outline off the free paper.
    fn cover(&mut self, points_mm: &[f64]) {
        let points: Vec<(f64, f64)> = points_mm.chunks_exact(2).map(|p| (p[0], p[1])).collect();
        let low = points.iter().map(|p| p.1).fold(f64::INFINITY, f64::min);
        let high = points.iter().map(|p| p.1).fold(f64::NEG_INFINITY, f64::max);
        for (n, row) in self.rows.iter_mut().enumerate() {
            let y = self.from_y + self.step * n as f64;
            if y < low || y > high {
                continue;
            }
            let next = points.iter().cycle().skip(1);
            let mut crossed: Vec<f64> = points
                .iter()
                .zip(next)
                .filter(|(a, b)| (a.1 > y) != (b.1 > y))
                .map(|(a, b)| a.0 + (b.0 - a.0) * (y - a.1) / (b.1 - a.1))
                .collect();
            crossed.sort_by(f64::total_cmp);
            row.extend(crossed.chunks_exact(2).map(|pair| (pair[0], pair[1])));
        }
    }

    /// Whether an area lies on free paper, with a row to spare over and under it.
    pub(super) fn is_free(&self, area: Rect) -> bool {
        self.rows.iter().enumerate().all(|(n, row)| {
            let y = self.from_y + self.step * n as f64;
            let is_beside = y < area.y0 - self.step || y > area.y1 + self.step;
            is_beside
                || row
                    .iter()
                    .all(|(from, to)| *to < area.x0 || *from > area.x1)
        })
    }
}
