use kurbo::{Point, Vec2};

use super::leg::{Leg, leg_parts};
use super::{BothSides, Hand};

/// Faces of a leg on end: where a column is judged, from the joint down to the wrist or pastern.
pub const FACE_STATIONS: usize = 5;

/// A face of a leg seen on end.
#[derive(Clone, Copy, Debug, PartialEq, Eq, PartialOrd, Ord)]
pub enum Face {
    /// Away from the dog.
    Outer,
    /// Towards the other leg.
    Inner,
}

impl Face {
    /// Both.
    pub const BOTH: [Self; 2] = [Self::Outer, Self::Inner];
}

/// A place on a leg seen on end.
#[derive(Clone, Copy, Debug, PartialEq, Eq, PartialOrd, Ord)]
pub struct LegPlace {
    /// Front or hind leg.
    pub leg: Leg,
    /// Which side of the dog.
    pub hand: Hand,
    /// Which face.
    pub face: Face,
    /// From the top down, under [`FACE_STATIONS`].
    pub step: usize,
}

impl LegPlace {
    /// All of them: front legs first, left before right, outer before inner, from the top down.
    pub fn all() -> impl Iterator<Item = Self> {
        Leg::BOTH.into_iter().flat_map(|leg| {
            Hand::BOTH.into_iter().flat_map(move |hand| {
                Face::BOTH.into_iter().flat_map(move |face| {
                    (0..FACE_STATIONS).map(move |step| Self {
                        leg,
                        hand,
                        face,
                        step,
                    })
                })
            })
        })
    }

    /// Where it stands in [`LegPlace::all`].
    pub const fn index(self) -> usize {
        let face = (self.leg as usize * 2 + self.hand as usize) * 2 + self.face as usize;
        face * FACE_STATIONS + self.step
    }
}

/// How many places there are on four legs.
pub const LEG_PLACES: usize = 2 * 2 * 2 * FACE_STATIONS;

/// Skin point and hair direction at every place, in the order of [`LegPlace::all`].
///
/// # Units and shapes
/// mm; x is the distance from the midline, positive to the dog's left, y the height.
pub fn leg_faces(dog: &BothSides<'_>) -> [(Point, Vec2); LEG_PLACES] {
    let mut faces = [(Point::ORIGIN, Vec2::ZERO); LEG_PLACES];
    for leg in Leg::BOTH {
        for hand in Hand::BOTH {
            let parts = leg_parts(dog, leg, hand);
            for face in Face::BOTH {
                for (step, place) in parts.face(face).into_iter().enumerate() {
                    let index = LegPlace {
                        leg,
                        hand,
                        face,
                        step,
                    }
                    .index();
                    faces[index] = place;
                }
            }
        }
    }
    faces
}
