use kurbo::{Point, Rect, Vec2};

use super::{INK, around, dimension, fill, line, ring, word, work};
use crate::drawing::canvas::Painter;
use crate::drawing::on_end::dressing_of;
use crate::drawing::scene::Scene;
use crate::drawing::shapes::{Anchor, Role};
use crate::say::Words;
use crate::shape::curve::oval;
use crate::shape::{BothSides, PieceKind, eye_at, eye_corner_mm, top_pieces};

/// The head from above, its nose to the left: the corners of the eyes are opened in a U (handbook 4).
pub(super) struct HeadAbove<'a> {
    pub(super) painter: &'a mut Painter,
    pub(super) scene: &'a Scene<'a>,
    pub(super) dog: &'a BothSides<'a>,
}

/// Inner and outer corner of an eye, share of half the skull's width (house values, as the face is drawn from
/// in front).
const INNER: f64 = 0.34;
const OUTER: f64 = 0.66;
/// An eye from above, half its length and width, share of the head's length.
const EYE: (f64, f64) = (0.055, 0.035);
/// The U's floor lies so far before the eyes, share of the head's length.
const FLOOR: f64 = 0.05;
/// Corners of an eye.
const ROUND: usize = 16;
/// Places along the U's floor.
const FLOOR_STEPS: u32 = 12;

pub(super) fn page(dog: &BothSides<'_>) -> Rect {
    let (head, ear) = (&dog.left.head, &dog.left.ear);
    let (nose, back) = (
        dog.shape.head.at(1.0, 0.0).x,
        dog.shape.head.at(-0.1, 0.0).x,
    );
    let half = 0.5 * head.skull_width * head.length + 0.36 * ear.length;
    let corners = [Point::new(-nose, -half), Point::new(-back, half)];
    around(corners.into_iter(), 0.28 * head.length)
}

impl HeadAbove<'_> {
    pub(super) fn draw(mut self) {
        self.head();
        let far = eye_corner_mm(&self.dog.shape, self.dog.left);
        let corners = [1.0, -1.0].map(|side| self.corner(side, far));
        work(self.painter, &corners);
        for side in [1.0, -1.0] {
            let eye = self.eye(side);
            fill(self.painter, Role::Feature, &eye);
        }
        let u = self.painter.on_page(&self.u(far));
        line(self.painter, Role::ClipLine, &u, 1.6 * INK);
        self.number(far);
        let painter = self.painter;
        let edge = 0.4 * painter.text_mm;
        let at = Point::new(painter.page.x0 + edge, painter.page.y0 + edge);
        word(
            painter,
            Role::ViewName,
            at,
            Anchor::Start,
            "from above".into(),
        );
    }

    /// Neck, head and ears in their coat, and the nose.
    fn head(&mut self) {
        for piece in top_pieces(self.dog, &dressing_of(self.scene)) {
            let role = match piece.kind {
                PieceKind::Body | PieceKind::Head | PieceKind::Ear => Role::PlanFill,
                PieceKind::Nose => Role::Feature,
                _ => continue,
            };
            fill(self.painter, role, &piece.outline);
            if role == Role::PlanFill {
                ring(self.painter, Role::PlanLine, &piece.outline, INK);
            }
        }
    }

    /// Half the skull's width, mm.
    fn half(&self) -> f64 {
        let head = &self.dog.left.head;
        0.5 * head.skull_width * head.length
    }

    /// Where the eyes lie along the head.
    fn eyes_at(&self) -> f64 {
        eye_at(&self.dog.shape.head, &self.dog.left.head).x
    }

    fn eye(&self, side: f64) -> Vec<Point> {
        let middle = Point::new(self.eyes_at(), side * 0.5 * (INNER + OUTER) * self.half());
        let long = Vec2::new(EYE.0, EYE.1) * self.dog.left.head.length;
        oval(middle, long, ROUND)
    }

    /// The inner corner of an eye, where the cut begins.
    fn inner(&self, side: f64) -> Point {
        let before = FLOOR * self.dog.left.head.length;
        Point::new(self.eyes_at() + before, side * INNER * self.half())
    }

    /// Where it ends: back towards the ear, over the outer corner.
    fn end(&self, side: f64, far: f64) -> Point {
        self.inner(side) + Vec2::new(-far, side * (OUTER - INNER) * self.half())
    }

    /// What comes off beside an eye.
    fn corner(&self, side: f64, far: f64) -> Vec<Point> {
        let (inner, end) = (self.inner(side), self.end(side, far));
        vec![
            inner,
            end,
            Point::new(end.x, side * 1.02 * self.half()),
            Point::new(inner.x, side * 0.92 * self.half()),
        ]
    }

    /// The U: from one end round before the eyes to the other.
    fn u(&self, far: f64) -> Vec<Point> {
        let deep = FLOOR * self.dog.left.head.length;
        let floor = (0..=FLOOR_STEPS).map(|i| {
            let share = f64::from(i) / f64::from(FLOOR_STEPS);
            let bow = deep * 4.0 * share * (1.0 - share);
            self.inner(-1.0).lerp(self.inner(1.0), share) + Vec2::new(bow, 0.0)
        });
        let ends = [-1.0, 1.0].map(|side| self.end(side, far));
        std::iter::once(ends[0])
            .chain(floor)
            .chain([ends[1]])
            .collect()
    }

    /// How far the corners are opened, beside the ear.
    fn number(&mut self, far: f64) {
        let words = Words {
            house: self.scene.house,
            kit: &[],
        };
        let beside =
            0.8 * self.half() + 0.36 * self.dog.left.ear.length + 0.8 * self.painter.text_mm;
        let ends = [self.inner(1.0).x, self.end(1.0, far).x].map(|x| Point::new(x, -beside));
        dimension(self.painter, ends, words.whole(far));
    }
}
