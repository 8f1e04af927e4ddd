use kurbo::{Point, Vec2};

use super::super::leg_place::{Face, Hand, LEG_PLACES, Leg, LegPlace};
use super::BothSides;
use super::leg::leg_parts;

/// Skin point and hair direction at every place, in the order of [`LegPlace::all`].
///
/// # Units and shapes
/// mm; x is the distance from the midline, positive to the dog's left, y the height.
pub fn leg_faces(dog: &BothSides<'_>) -> [(Point, Vec2); LEG_PLACES] {
    let mut faces = [(Point::ORIGIN, Vec2::ZERO); LEG_PLACES];
    for leg in Leg::BOTH {
        for hand in Hand::ALL {
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
