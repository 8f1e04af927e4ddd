use kurbo::{Line, Point, Rect};

use super::shapes::Anchor;

/// Width of a letter against its em in the wider of the bundled faces, the one with figures.
pub(super) const LETTER: f64 = 0.61;
/// Height of a letter above and below the baseline against the em.
const ASCENT: f64 = 0.78;
const DESCENT: f64 = 0.22;

/// Squares that a thick line is covered with, at most.
const MOST_STEPS: f64 = 60.0;

/// Keeps words apart from each other and from lines.
#[derive(Debug, Default)]
pub(super) struct Labels {
    taken: Vec<Rect>,
    runs: Vec<RunOfLines>,
    ties: Vec<Line>,
}

/// Lines that belong together, and the area they lie in: most words are far from most of them.
#[derive(Debug)]
struct RunOfLines {
    around: Rect,
    lines: Vec<Line>,
}

impl RunOfLines {
    fn crosses(&self, area: Rect) -> bool {
        let is_aside = self.around.x1 < area.x0
            || self.around.x0 > area.x1
            || self.around.y1 < area.y0
            || self.around.y0 > area.y1;
        !is_aside && self.lines.iter().any(|line| crosses(*line, area))
    }
}

/// A place where a word could stand.
pub(super) type Candidate = (Point, Anchor);

impl Labels {
    /// Marks a polyline that no word may cross.
    pub(super) fn avoid(&mut self, mut points: impl ExactSizeIterator<Item = Point>) {
        let Some(mut last) = points.next() else {
            return;
        };
        let mut around = Rect::from_points(last, last);
        let mut lines = Vec::with_capacity(points.len());
        for next in points {
            around = around.union_pt(next);
            lines.push(Line::new(last, next));
            last = next;
        }
        self.runs.push(RunOfLines { around, lines });
    }

    /// Marks a leader: even a word that may lie over an edge keeps off it.
    pub(super) fn tie(&mut self, from: Point, to: Point) {
        self.ties.push(Line::new(from, to));
    }

    /// Marks a word that stands where it must.
    pub(super) fn occupy(&mut self, at: Point, anchor: Anchor, text: &str, size: f64) {
        self.taken.push(extent(at, anchor, text, size));
    }

    /// Marks an area that no word may stand on.
    pub(super) fn keep(&mut self, area: Rect) {
        self.taken.push(area);
    }

    /// Whether neither a word nor a line lies in an area.
    pub(super) fn is_free(&self, area: Rect) -> bool {
        self.is_untouched(area) && !self.is_crossed(area)
    }

    fn is_crossed(&self, area: Rect) -> bool {
        self.runs.iter().any(|run| run.crosses(area))
    }

    /// Whether neither a word nor a leader lies in an area.
    fn is_untouched(&self, area: Rect) -> bool {
        !self.taken.iter().any(|t| overlap(*t, area))
            && !self.ties.iter().any(|l| crosses(*l, area))
    }

    /// Whether a word lies so near to one side of an area.
    fn is_beside_a_word(&self, area: Rect, apart: f64) -> bool {
        let wide = Rect::new(area.x0 - apart, area.y0, area.x1 + apart, area.y1);
        apart > 0.0 && self.taken.iter().any(|t| overlap(*t, wide))
    }

    /// Whether a straight line from one point to another passes through no word.
    pub(super) fn is_clear(&self, from: Point, to: Point) -> bool {
        let line = Line::new(from, to);
        !self.taken.iter().any(|t| crosses(line, *t))
    }

    /// Marks a thick line that no word may stand on.
    pub(super) fn cover(&mut self, from: Point, to: Point, half_mm: f64) {
        let steps = (from.distance(to) / half_mm.max(1e-6)).ceil();
        #[expect(
            clippy::cast_possible_truncation,
            clippy::cast_sign_loss,
            reason = "a few dozen squares; a float's cast saturates"
        )]
        let steps = steps.clamp(1.0, MOST_STEPS) as u32;
        for n in 0..=steps {
            let at = from.lerp(to, f64::from(n) / f64::from(steps));
            let square = Rect::from_center_size(at, (2.0 * half_mm, 2.0 * half_mm));
            self.taken.push(square);
        }
    }

    /// The same for a number, which also keeps a figure's width from its neighbours on the line: two
    /// lengths side by side must never read as one.
    pub(super) fn place_number(
        &mut self,
        candidates: &[Candidate],
        text: &str,
        size: f64,
        page: Rect,
        clear_of_lines: bool,
    ) -> Option<Candidate> {
        self.place_apart(
            candidates,
            (text, size),
            LETTER * size,
            page,
            clear_of_lines,
        )
    }

    /// The first candidate where the word is free of other words, and of lines if asked.
    pub(super) fn place(
        &mut self,
        candidates: &[Candidate],
        text: &str,
        size: f64,
        page: Rect,
        clear_of_lines: bool,
    ) -> Option<Candidate> {
        self.place_apart(candidates, (text, size), 0.0, page, clear_of_lines)
    }

    /// The first candidate that is free of words and lines, else of words alone.
    pub(super) fn place_clear_first(
        &mut self,
        candidates: &[Candidate],
        text: &str,
        size: f64,
        page: Rect,
    ) -> Option<Candidate> {
        let clear = self.place(candidates, text, size, page, true);
        clear.or_else(|| self.place(candidates, text, size, page, false))
    }

    /// The first candidate that is free, so far to both sides from other words.
    fn place_apart(
        &mut self,
        candidates: &[Candidate],
        (text, size): (&str, f64),
        apart: f64,
        page: Rect,
        clear_of_lines: bool,
    ) -> Option<Candidate> {
        let free = candidates.iter().copied().find(|(at, anchor)| {
            let area = extent(*at, *anchor, text, size);
            let is_on_page = page.contains(area.origin())
                && page.contains(Point::new(area.max_x(), area.max_y()));
            is_on_page
                && self.is_untouched(area)
                && !self.is_beside_a_word(area, apart)
                && !(clear_of_lines && self.is_crossed(area))
        });
        if let Some((at, anchor)) = free {
            self.occupy(at, anchor, text, size);
        }
        free
    }
}

fn extent(at: Point, anchor: Anchor, text: &str, size: f64) -> Rect {
    let width = LETTER * size * text.chars().count() as f64;
    let left = match anchor {
        Anchor::Start => at.x,
        Anchor::Middle => at.x - width / 2.0,
        Anchor::End => at.x - width,
    };
    Rect::new(
        left,
        at.y - DESCENT * size,
        left + width,
        at.y + ASCENT * size,
    )
}

fn overlap(a: Rect, b: Rect) -> bool {
    a.x0 < b.x1 && b.x0 < a.x1 && a.y0 < b.y1 && b.y0 < a.y1
}

/// Whether a line passes through a rectangle.
fn crosses(line: Line, area: Rect) -> bool {
    let is_aside = line.p0.x.max(line.p1.x) < area.x0
        || line.p0.x.min(line.p1.x) > area.x1
        || line.p0.y.max(line.p1.y) < area.y0
        || line.p0.y.min(line.p1.y) > area.y1;
    if is_aside {
        return false;
    }
    if area.contains(line.p0) || area.contains(line.p1) {
        return true;
    }
    let corners = [
        Point::new(area.x0, area.y0),
        Point::new(area.x1, area.y0),
        Point::new(area.x1, area.y1),
        Point::new(area.x0, area.y1),
    ];
    (0..4).any(|i| {
        let side = Line::new(corners[i], corners[(i + 1) % 4]);
        let turn = |a: Point, b: Point, c: Point| (b - a).cross(c - a);
        let apart = |l: Line, a: Point, b: Point| turn(l.p0, l.p1, a) * turn(l.p0, l.p1, b) < 0.0;
        apart(line, side.p0, side.p1) && apart(side, line.p0, line.p1)
    })
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn a_word_goes_where_neither_word_nor_line_is() {
        let page = Rect::new(0.0, 0.0, 100.0, 100.0);
        let mut labels = Labels::default();
        labels.occupy(Point::new(10.0, 10.0), Anchor::Start, "taken", 10.0);
        labels.avoid([Point::new(0.0, 50.0), Point::new(100.0, 50.0)].into_iter());
        let places = [
            (Point::new(12.0, 12.0), Anchor::Start), // over the word
            (Point::new(12.0, 48.0), Anchor::Start), // over the line
            (Point::new(90.0, 80.0), Anchor::Start), // off the page
            (Point::new(12.0, 80.0), Anchor::Start),
        ];
        let place = labels.place(&places, "free", 10.0, page, true);
        assert_eq!(place, Some(places[3]));
    }

    #[test]
    fn two_numbers_keep_a_figures_width_apart() {
        let page = Rect::new(0.0, 0.0, 100.0, 100.0);
        let mut labels = Labels::default();
        labels.occupy(Point::new(10.0, 10.0), Anchor::Start, "35", 10.0);
        // "35" ends at 22.2: a number at 24 would read on with it, one at 29 does not.
        let places = [24.0, 29.0].map(|x| (Point::new(x, 10.0), Anchor::Start));
        assert_eq!(
            labels.place_number(&places, "3.2", 10.0, page, true),
            Some(places[1])
        );
    }
}
