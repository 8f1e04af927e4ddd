//! The dog from in front, from behind and from above (dog-shape.md 6).

mod body;
mod ear;
mod face;
mod faces;
mod head;
mod leg;
mod ring;
mod tail;
mod top;

use kurbo::{Point, Vec2};

use self::body::{bib, bib_stroke, front_body, midline, ribs, rump, skirt, sleeve};
pub use self::faces::leg_faces;
use self::head::head_back;
pub(in crate::shape) use self::head::head_front;
use self::leg::leg_on_end;
use self::tail::tail_from_behind;
pub use self::top::top_pieces;
use super::edge::Dressing;
use super::finish::Hangs;
use super::leg_place::{Hand, Leg};
use super::piece::Piece;
use super::polyline::Inside;
use super::side::{SideShape, side_shape};
use crate::frame::{Build, Frame, Sides};

/// Both sides of a dog with the side view they share.
#[derive(Clone, Debug)]
pub struct BothSides<'a> {
    /// The left side.
    pub left: &'a Build,
    /// The right side.
    pub right: &'a Build,
    /// The side view of the left side: what front, rear and top take their heights from.
    pub shape: SideShape,
}

impl<'a> BothSides<'a> {
    /// Lays out two sides.
    pub fn between(sides: &'a Sides) -> Self {
        Self {
            left: &sides.left,
            right: &sides.right,
            shape: side_shape(&sides.left),
        }
    }

    /// Lays out both sides of a frame.
    pub fn of(frame: &'a Frame) -> Self {
        Self {
            left: &frame.build,
            right: &frame.right,
            shape: side_shape(&frame.build),
        }
    }

    pub(super) fn build(&self, hand: Hand) -> &'a Build {
        match hand {
            Hand::Left => self.left,
            Hand::Right => self.right,
        }
    }

    fn height(&self) -> f64 {
        self.left.height
    }
}

/// What stands behind is raised by this share of the height, as seen from a little above
/// (dog-shape.md 6).
const BEHIND: Vec2 = Vec2::new(0.0, 0.015);

/// The dog from in front: page (z, y), its left at positive z.
///
/// # Units and shapes
/// mm; pieces in drawing order, every outline anticlockwise.
pub fn front_pieces(dog: &BothSides<'_>, dressing: &Dressing) -> Vec<Piece> {
    let mut pieces = legs(dog, Leg::Hind, dressing, None);
    pieces.push(ribs(dog, dressing));
    pieces.extend(skirt(dog, dressing));
    let body = front_body(dog, dressing, false);
    let legs = legs(dog, Leg::Fore, dressing, Some(&Inside::of(&body.outline)));
    pieces.push(body);
    let bib = bib(dog, dressing);
    let covers = dressing.hangs == Hangs::Curtain;
    if !covers {
        pieces.extend(bib.iter().cloned());
    }
    pieces.extend(legs);
    if covers {
        pieces.extend(bib);
    }
    if dressing.has_sleeves {
        pieces.extend(Hand::ALL.map(|hand| sleeve(dog, dressing, hand)));
    } else {
        pieces.push(bib_stroke(dog));
    }
    pieces.extend(head_front(dog, dressing));
    pieces
}

/// The dog from behind: page (z, y), its left at positive z; the screen mirrors it.
///
/// # Units and shapes
/// mm; pieces in drawing order, every outline anticlockwise.
pub fn rear_pieces(dog: &BothSides<'_>, dressing: &Dressing) -> Vec<Piece> {
    let mut pieces = legs(dog, Leg::Fore, dressing, None);
    pieces.push(front_body(dog, dressing, true));
    pieces.extend(head_back(dog, dressing));
    pieces.push(ribs(dog, dressing));
    pieces.extend(skirt(dog, dressing));
    let body = rump(dog, dressing);
    let legs = legs(dog, Leg::Hind, dressing, Some(&Inside::of(&body.outline)));
    pieces.push(body);
    pieces.extend(legs);
    pieces.push(midline(dog));
    pieces.extend(tail_from_behind(dog, dressing));
    pieces
}

/// Both legs of a pair; without a body before them they stand behind.
fn legs(dog: &BothSides<'_>, leg: Leg, dressing: &Dressing, body: Option<&Inside>) -> Vec<Piece> {
    let shift = if body.is_none() {
        BEHIND * dog.height()
    } else {
        Vec2::ZERO
    };
    Hand::ALL
        .into_iter()
        .flat_map(|hand| leg_on_end(dog, leg, hand, dressing, shift, body))
        .collect()
}

/// Closes an outline into a stroke.
fn round(outline: &[Point]) -> Vec<Point> {
    let mut points = outline.to_vec();
    points.extend(outline.first().copied());
    points
}
