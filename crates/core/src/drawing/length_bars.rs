//! How long the dog reads and how long it came, as two lengths under the table's rule.

use kurbo::Point;

use super::canvas::Painter;
use super::on_end::dressing_of;
use super::scene::Scene;
use super::shapes::{Anchor, Geometry, Role};
use super::simplify::tenth;
use super::table::to_page;
use crate::report::{LengthRead, long};
use crate::shape::{BothSides, CoatEdge, Dressing, Station as S, dress_now};

/// How far under the table the two lie, their ends' height and weight; shares of the height (modelling
/// choice, as the sizes below: to be read on a tablet).
const READS_AT: f64 = -0.074;
const CAME_AT: f64 = -0.114;
const END: f64 = 0.014;
const WEIGHT: f64 = 0.0045;
const THIN: f64 = 0.0025;
/// Size of their words against ordinary text, and a letter's width against it.
const SIZE: f64 = 1.0;
const LETTER: f64 = 0.61;
/// Size of the words at the mark of a square dog.
const SMALL: f64 = 0.94;
/// As long as it is tall within this: where square would be is not shown beside it.
const SQUARE: f64 = 0.01;
/// Dash and gap of the mark of a square dog, share of the height.
const DASH: f64 = 0.008;

/// Draws both under a dog seen from the side; nothing where its length is not judged.
pub(super) fn length_bars(painter: &mut Painter, scene: &Scene<'_>, dog: &BothSides<'_>) {
    let Some(plan) = scene.plan else { return };
    let now = plan.subject.now(scene.coat);
    let Some(length) = LengthRead::of(&plan.solution.points, &now, &plan.lengths_mm) else {
        return;
    };
    let planned = dressing_of(scene);
    let came = dress_now(dog.left, scene.coat);
    let ends = |dressing: &Dressing| {
        let edge = CoatEdge::new(&dog.shape, dressing);
        [edge.at(S::Breastbone).x, edge.at(S::PinBone).x]
    };
    let mut bars = Bars { painter };
    bars.bar(
        READS_AT,
        ends(&planned),
        &format!("reads {}", long(length.reads)),
        (Role::PlanLine, Role::DimensionNumber, WEIGHT),
    );
    bars.bar(
        CAME_AT,
        ends(&came),
        &format!("came {}", long(length.came)),
        (Role::Leader, Role::EstimatedNumber, THIN),
    );
    if (length.reads - 1.0).abs() > SQUARE {
        let [front, rear] = ends(&planned);
        let tall = (front - rear) / length.reads;
        bars.square(rear + tall);
    }
}

struct Bars<'a> {
    painter: &'a mut Painter,
}

impl Bars<'_> {
    /// A length with its words in a gap of it.
    fn bar(&mut self, at: f64, [front, rear]: [f64; 2], words: &str, look: (Role, Role, f64)) {
        let (line, text, weight) = look;
        let h = self.painter.height;
        let size = SIZE * self.painter.text_mm;
        let y = at * h;
        let middle = f64::midpoint(front, rear);
        let half = 0.5 * LETTER * size * (words.chars().count() + 2) as f64;
        let stretches = [
            [(front, y), (middle + half, y)],
            [(middle - half, y), (rear, y)],
            [(front, y - END * h), (front, y + END * h)],
            [(rear, y - END * h), (rear, y + END * h)],
        ];
        self.strokes(
            line,
            stretches.into_iter().map(|ends| ends.map(Point::from)),
            weight * h,
        );
        let at = to_page(Point::new(middle, y - 0.36 * size));
        self.painter.labels.occupy(at, Anchor::Middle, words, size);
        self.painter.push(
            text,
            Geometry::Text {
                at_mm: [tenth(at.x), tenth(at.y)],
                text: words.into(),
                size_mm: size,
                anchor: Anchor::Middle,
            },
        );
    }

    /// Where the breastbone of a dog as long as this one is tall would be.
    fn square(&mut self, x: f64) {
        let h = self.painter.height;
        let (low, high) = (CAME_AT - END, READS_AT + END);
        let dashes: Vec<[Point; 2]> = std::iter::successors(Some(low), |y| Some(y + 2.0 * DASH))
            .take_while(|y| *y < high)
            .map(|y| [Point::new(x, y * h), Point::new(x, (y + DASH) * h)])
            .collect();
        self.strokes(Role::Leader, dashes.into_iter(), THIN * h);
        let size = SMALL * self.painter.text_mm;
        let at = to_page(Point::new(x, CAME_AT * h - END * h - 0.9 * size));
        self.painter.push(
            Role::ZoneTool,
            Geometry::Text {
                at_mm: [tenth(at.x), tenth(at.y)],
                text: "square would be here".into(),
                size_mm: size,
                anchor: Anchor::Middle,
            },
        );
    }

    fn strokes(&mut self, role: Role, ends: impl Iterator<Item = [Point; 2]>, width_mm: f64) {
        let ends_mm = ends
            .flat_map(|pair| pair.map(to_page))
            .flat_map(|p| [tenth(p.x), tenth(p.y)])
            .collect();
        self.painter
            .push(role, Geometry::Strokes { ends_mm, width_mm });
    }
}
