use kurbo::{Point, Rect, Vec2};

use super::{INK, around, dimension, fill, ring, word, work};
use crate::coat::Site;
use crate::drawing::canvas::Painter;
use crate::drawing::on_end::dressing_of;
use crate::drawing::scene::Scene;
use crate::drawing::shapes::{Anchor, Geometry, Role};
use crate::drawing::simplify::tenth;
use crate::say::Words;
use crate::shape::curve::oval;
use crate::shape::{
    BothSides, HygieneArea, Leg, PieceKind, Station as S, hygiene_area, top_pieces,
};

/// The trunk from below, its head to the left.
pub(super) struct Under<'a> {
    pub(super) painter: &'a mut Painter,
    pub(super) scene: &'a Scene<'a>,
    pub(super) dog: &'a BothSides<'a>,
}

/// The rows of nipples lie so far from the midline, share of the rib width (modelling choice).
const NIPPLES_OUT: f64 = 0.17;
/// Pairs of nipples (common practice: four or five).
const PAIRS: u32 = 5;
/// The belly is cleared a little beyond them.
const BEYOND: f64 = 1.25;
/// Half of a leg's width where it leaves the trunk, share of the height (house values).
const FORE_HALF: f64 = 0.042;
const HIND_HALF: f64 = 0.062;
/// So much of a thigh's width is its inside.
const INSIDE: f64 = 0.35;
/// Corners of a round place.
const ROUND: usize = 28;

pub(super) fn page(dog: &BothSides<'_>) -> Rect {
    let (b, h) = (dog.left, dog.left.height);
    let widest = [b.shoulder_width, b.rib_width, b.thigh_width]
        .into_iter()
        .fold(0.0, f64::max);
    let half = 0.5 * widest + 0.16 * h;
    // The page's own x runs to the right, the dog's forward to the left.
    let ends = [
        Point::new(-(b.withers().x + 0.10 * h), -half),
        Point::new(0.12 * h, half),
    ];
    around(ends.into_iter(), 0.0)
}

impl Under<'_> {
    pub(super) fn draw(mut self) {
        // Seen from below, the dog's left lies where its right lies from above.
        let turned = BothSides {
            left: self.dog.right,
            right: self.dog.left,
            shape: self.dog.shape.clone(),
        };
        let pieces = top_pieces(&turned, &dressing_of(self.scene));
        for body in pieces.iter().filter(|p| p.kind == PieceKind::Body) {
            fill(self.painter, Role::PlanFill, &body.outline);
            ring(self.painter, Role::PlanLine, &body.outline, INK);
        }
        self.nipples();
        let [fore, hind] = [Leg::Fore, Leg::Hind].map(|leg| self.legs(leg));
        for leg in fore.iter().chain(&hind) {
            fill(self.painter, Role::PlanFillFar, leg);
            ring(self.painter, Role::PlanLine, leg, 0.7 * INK);
        }
        let hygiene = hygiene_area(self.dog, self.scene.belly);
        let areas = self.areas(&hygiene, &hind);
        work(self.painter, &areas);
        self.numbers(&hygiene);
    }

    /// Both legs where they leave the trunk, cut across: left, then right as seen from below.
    fn legs(&self, leg: Leg) -> [Vec<Point>; 2] {
        let (b, h) = (self.dog.left, self.dog.left.height);
        let x = |s: S| self.dog.shape.skin(s).x;
        let (from, to, out, half) = match leg {
            Leg::Fore => (
                x(S::ElbowLow),
                x(S::ForearmFrontHigh),
                b.fore.from_midline[0],
                FORE_HALF,
            ),
            Leg::Hind => (
                x(S::ThighBack),
                x(S::ThighFront),
                b.hind.from_midline[0],
                HIND_HALF,
            ),
        };
        let half = Vec2::new(0.5 * (to - from), (half * h).min(0.8 * out));
        [1.0, -1.0].map(|side| oval(Point::new(f64::midpoint(from, to), side * out), half, ROUND))
    }

    fn has(&self, site: Site) -> bool {
        self.scene.sites.contains(&site)
    }

    /// Where the belly's cleared part begins at the flank, and ends forward.
    fn belly(area: &HygieneArea) -> (f64, f64) {
        let x = |p: Option<&Point>| p.map_or(0.0, |p| p.x);
        (x(area.belly.first()), x(area.belly.last()))
    }

    fn areas(&self, hygiene: &HygieneArea, hind_legs: &[Vec<Point>]) -> Vec<Vec<Point>> {
        let h = self.dog.left.height;
        let mut areas = Vec::new();
        if self.has(Site::Belly) {
            let (flank, end) = Self::belly(hygiene);
            let half = BEYOND * NIPPLES_OUT * self.dog.left.rib_width;
            let shoulder = end - 0.35 * half;
            areas.push(vec![
                Point::new(flank, -0.8 * half),
                Point::new(shoulder, -half),
                Point::new(end, -0.5 * half),
                Point::new(end, 0.5 * half),
                Point::new(shoulder, half),
                Point::new(flank, 0.8 * half),
            ]);
        }
        if self.has(Site::InsideThigh) {
            areas.extend(hind_legs.iter().map(|leg| inside(leg)));
        }
        if self.has(Site::Sheath) {
            let (flank, end) = Self::belly(hygiene);
            let at = Point::new(flank + 0.3 * (end - flank), 0.0);
            areas.push(oval(at, Vec2::new(0.05, 0.02) * h, ROUND));
        }
        if self.has(Site::UnderTail) {
            let half = 0.5 * hygiene.strip_wide_mm;
            let [front, back] = [0.07 * h, 0.0];
            areas.push(vec![
                Point::new(back, -half),
                Point::new(front, -half),
                Point::new(front, half),
                Point::new(back, half),
            ]);
        }
        areas
    }

    fn nipples(&mut self) {
        let b = self.dog.left;
        let from = self.dog.shape.skin(S::FlankFold).x;
        let to = self.dog.shape.skin(S::Elbow).x;
        for pair in 0..PAIRS {
            let share = (f64::from(pair) + 0.3) / f64::from(PAIRS);
            for side in [-1.0, 1.0] {
                let z = side * NIPPLES_OUT * b.rib_width;
                let at = self
                    .painter
                    .on_page(&[Point::new(from + share * (to - from), z)])[0];
                self.painter.push(
                    Role::PlanLine,
                    Geometry::Disc {
                        at_mm: [tenth(at.x), tenth(at.y)],
                        radius_mm: 0.9 * INK * self.painter.page.width(),
                    },
                );
            }
        }
    }

    /// How far forward, and how far down the thigh.
    fn numbers(&mut self, hygiene: &HygieneArea) {
        let words = Words {
            house: self.scene.house,
            kit: &[],
        };
        let text_mm = self.painter.text_mm;
        let b = self.dog.left;
        if self.has(Site::Belly) {
            let (flank, end) = Self::belly(hygiene);
            let z = BEYOND * NIPPLES_OUT * b.rib_width + 1.7 * text_mm;
            let ends = [Point::new(flank, z), Point::new(end, z)];
            dimension(self.painter, ends, words.whole(hygiene.belly_mm));
        }
        if self.has(Site::InsideThigh) {
            let down = format!(
                "{} down inside the thigh",
                words.whole(hygiene.thigh_down_mm)
            );
            let at = Point::new(
                self.painter.page.x1 - 0.4 * text_mm,
                self.painter.page.y0 + 0.5 * text_mm,
            );
            word(self.painter, Role::DimensionNumber, at, Anchor::End, down);
        }
        let page = self.painter.page;
        let name = Point::new(page.x0 + 0.4 * text_mm, page.y1 - 1.3 * text_mm);
        word(
            self.painter,
            Role::ViewName,
            name,
            Anchor::Start,
            "from below".into(),
        );
    }
}

/// The part of a leg that faces the other.
fn inside(leg: &[Point]) -> Vec<Point> {
    let out = |p: &Point| p.y.abs();
    let (near, far) = leg
        .iter()
        .map(out)
        .fold((f64::INFINITY, 0.0), |(a, b), z| (z.min(a), z.max(b)));
    let is_inside = |p: &&Point| out(p) <= near + INSIDE * (far - near);
    // The inside is one stretch of the round: it begins after a place that is not in it.
    let begins = leg.iter().position(|p| !is_inside(&p)).unwrap_or(0);
    let turned = leg.iter().cycle().skip(begins).take(leg.len());
    turned.filter(is_inside).copied().collect()
}
