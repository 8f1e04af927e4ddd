use kurbo::{Point, Rect, Vec2};

use super::{INK, around, dimension, fill, line, ring, word, work};
use crate::coat::Zone;
use crate::drawing::canvas::Painter;
use crate::drawing::on_end::dressing_of;
use crate::drawing::ring_marks::RingMarks;
use crate::drawing::scene::{Layers, Scene};
use crate::drawing::shapes::{Anchor, Role};
use crate::say::Words;
use crate::shape::{BothSides, Leg, Sole, dress_now, sole};

/// A front and a hind foot, lifted and seen from below.
pub(super) struct Soles<'a> {
    pub(super) painter: &'a mut Painter,
    pub(super) scene: &'a Scene<'a>,
    pub(super) dog: &'a BothSides<'a>,
}

/// Room round and between the feet, share of a foot's width.
const ROOM: f64 = 0.30;

/// Hair that stands round the foot now, mm.
fn hair_mm(scene: &Scene<'_>) -> f64 {
    dress_now(&scene.frame.build, scene.coat).zone_mm(Zone::Foot)
}

/// Where the middles of the two feet lie: front, then hind.
fn middles(scene: &Scene<'_>, dog: &BothSides<'_>) -> [(Leg, Point); 2] {
    let b = dog.left;
    let apart = 0.5 * b.foot_width * (1.0 + ROOM) + hair_mm(scene);
    [
        (Leg::Fore, Point::new(-apart, 0.0)),
        (Leg::Hind, Point::new(apart, 0.0)),
    ]
}

pub(super) fn page(scene: &Scene<'_>, dog: &BothSides<'_>) -> Rect {
    let b = dog.left;
    let half = Vec2::new(0.5 * b.foot_width, 0.5 * b.foot_length);
    let corners = middles(scene, dog)
        .into_iter()
        .flat_map(|(_, at)| [at - half, at + half]);
    around(corners, hair_mm(scene) + ROOM * b.foot_width)
}

impl Soles<'_> {
    pub(super) fn draw(mut self, layers: Layers) {
        let now = hair_mm(self.scene);
        let planned = self.scene.plan.filter(|_| layers.plan);
        let planned = planned.map(|_| dressing_of(self.scene).zone_mm(Zone::Foot));
        for (leg, at) in middles(self.scene, self.dog) {
            let sole = sole(self.dog.left, leg);
            let now = if layers.now { now } else { 0.0 };
            self.foot(&sole, at, now, planned.unwrap_or(now));
            let name = match leg {
                Leg::Fore => "front foot",
                Leg::Hind => "hind foot",
            };
            let under = Point::new(at.x, self.painter.page.y0 + 0.4 * self.painter.text_mm);
            word(
                self.painter,
                Role::ViewName,
                under,
                Anchor::Middle,
                name.into(),
            );
        }
        self.rings();
    }

    /// The walk's place on the feet, ringed at the front foot's heel.
    fn rings(&mut self) {
        let [(_, front), _] = middles(self.scene, self.dog);
        let heel = front - Vec2::new(0.0, 0.5 * self.dog.left.foot_length);
        let on_page = self.painter.on_page(&[heel])[0];
        for ring in self
            .scene
            .rings
            .iter()
            .filter(|ring| ring.zone == Zone::Foot)
        {
            let mut marks = RingMarks {
                painter: self.painter,
                scene: self.scene,
            };
            marks.ring(ring, on_page);
        }
    }

    fn foot(&mut self, sole: &Sole, at: Point, now: f64, planned: f64) {
        let painter = &mut *self.painter;
        let here =
            |points: &[Point]| -> Vec<Point> { points.iter().map(|p| *p + at.to_vec2()).collect() };
        // Hair stands away from the foot's middle all round.
        let in_hair = |mm: f64| -> Vec<Point> {
            let out = |p: &Point| *p + p.to_vec2() / p.to_vec2().hypot().max(1e-6) * mm;
            here(&sole.outline.iter().map(out).collect::<Vec<_>>())
        };
        if now > planned {
            fill(painter, Role::Now, &in_hair(now));
        }
        fill(painter, Role::PlanFill, &in_hair(planned));
        ring(painter, Role::PlanLine, &in_hair(planned), INK);
        // Within the ink, so that both are seen.
        let within: Vec<Point> = sole
            .outline
            .iter()
            .map(|p| Point::new(0.93 * p.x, 0.93 * p.y))
            .collect();
        if !self.scene.sites.is_empty() {
            work(painter, &[here(&within)]);
        }
        for pad in &sole.pads {
            fill(painter, Role::Feature, &here(pad));
        }
        for nail in &sole.nails {
            let page = painter.on_page(&here(nail));
            line(painter, Role::PlanLine, &page, 2.0 * INK);
        }
        let words = Words {
            house: self.scene.house,
            kit: &[],
        };
        let wide = sole.outline.iter().map(|p| p.x).fold(0.0, f64::max);
        let high = sole.outline.iter().map(|p| p.y).fold(0.0, f64::max);
        let over = at.y + high + now.max(planned) + 0.5 * painter.text_mm;
        let ends = [Point::new(at.x - wide, over), Point::new(at.x + wide, over)];
        dimension(painter, ends, words.whole(2.0 * wide));
    }
}
