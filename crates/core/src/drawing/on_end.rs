use kurbo::{Point, Vec2};

use super::scene::Scene;
use crate::coat::Zone;
use crate::page::View;
use crate::plan::{PlanCoat, dress_plan};
use crate::shape::curve;
use crate::shape::{
    BothSides, Dressing, FACE_STATIONS, Face, Hand, Leg, LegPlace, Station as S, dress_now, eye_at,
    face_zone, leg_faces, visible_share,
};

/// Corners of a round zone.
const ROUND: usize = 28;

/// The dog in the coat that is drawn, for marks on its legs seen on end and on its outline.
pub(super) fn dressing_of(scene: &Scene<'_>) -> Dressing {
    match scene.plan {
        Some(plan) => dress_plan(plan, scene.coat, PlanCoat::Tools),
        None => dress_now(&scene.frame.build, scene.coat),
    }
}

/// The coat's edge at a place on a leg, on its view's own plane.
pub(super) fn leg_edge(dog: &BothSides<'_>, dressing: &Dressing, place: LegPlace) -> Point {
    let (skin, hair) = leg_faces(dog)[place.index()];
    let zone = place.zone();
    let length = match &dressing.columns {
        Some(columns) => columns[place.index()],
        None => dressing.zone_mm(zone),
    };
    skin + hair * (length * visible_share(hair, dressing.stand.of(zone)))
}

/// Where a zone shows from in front, from behind and from above, on that view's own plane; nothing
/// where it does not.
pub(super) fn areas(
    scene: &Scene<'_>,
    dog: &BothSides<'_>,
    view: View,
    zone: Zone,
) -> Vec<Vec<Point>> {
    match view {
        View::Side => Vec::new(),
        View::Front => front(scene, dog, zone),
        View::Rear => rear(scene, dog, zone),
        View::Top => top(dog, zone),
    }
}

fn front(scene: &Scene<'_>, dog: &BothSides<'_>, zone: Zone) -> Vec<Vec<Point>> {
    let (b, h) = (dog.left, dog.left.height);
    let shoulder = 0.5 * b.shoulder_width;
    let breast = dog.shape.skin(S::Breastbone).y;
    let head = &b.head;
    let (top, chin) = (dog.shape.skin(S::Crown).y, dog.shape.skin(S::Chin).y);
    let half = 0.5 * head.skull_width * head.length;
    match zone {
        Zone::ForeOut | Zone::ForeIn | Zone::ForeFront => legs(scene, dog, Leg::Fore, zone),
        Zone::Chest => vec![oval((0.0, breast - 0.02 * h), (0.75 * shoulder, 0.10 * h))],
        Zone::Throat => vec![oval((0.0, breast + 0.15 * h), (0.5 * shoulder, 0.06 * h))],
        Zone::Shoulder => both(
            (0.82 * shoulder, breast + 0.04 * h),
            (0.25 * shoulder, 0.10 * h),
        ),
        Zone::Topknot => vec![oval((0.0, top), (0.8 * half, 0.04 * h))],
        Zone::Cheek => {
            // From the corner of the eye to the ear set, down to the jaw, beside the muzzle.
            let eye = eye_at(&dog.shape.head, head).y;
            mirrored(&[
                (0.66 * half, eye - 0.01 * h),
                (0.95 * half, eye + 0.02 * h),
                (0.62 * half, chin + 0.02 * h),
                (0.50 * half, eye - 0.06 * h),
                (0.42 * half, eye - 0.022 * h),
            ])
        }
        Zone::Brow => both(
            (0.45 * half, 0.72 * top + 0.28 * chin),
            (0.4 * half, 0.02 * h),
        ),
        Zone::Muzzle | Zone::Beard => vec![oval((0.0, chin), (0.6 * half, 0.03 * h))],
        Zone::Ear => {
            let base = dog.shape.head.at(b.ear.base.0, b.ear.base.1).y;
            let long = 0.5 * b.ear.length;
            both((1.05 * half, base - long), (0.3 * half, long))
        }
        Zone::Foot => feet(b.fore.from_midline[2], b.foot_width, h),
        _ => Vec::new(),
    }
}

fn rear(scene: &Scene<'_>, dog: &BothSides<'_>, zone: Zone) -> Vec<Vec<Point>> {
    let (b, h) = (dog.left, dog.left.height);
    let thigh = 0.5 * b.thigh_width;
    let pin = dog.shape.skin(S::PinBone).y;
    match zone {
        Zone::HindOut | Zone::HindIn | Zone::HindBack => legs(scene, dog, Leg::Hind, zone),
        Zone::Hock => both(
            (b.hind.from_midline[1], 0.7 * b.hock),
            (0.045 * h, 0.3 * b.hock),
        ),
        Zone::Rump => vec![oval((0.0, pin), (0.45 * thigh, 0.08 * h))],
        Zone::Hip => both((0.72 * thigh, pin - 0.02 * h), (0.25 * thigh, 0.11 * h)),
        Zone::Croup => vec![oval(
            (0.0, dog.shape.skin(S::Croup).y),
            (0.6 * thigh, 0.035 * h),
        )],
        Zone::Tail => vec![oval(
            (0.0, dog.shape.skin(S::TailSet).y + 0.04 * h),
            (0.06 * h, 0.07 * h),
        )],
        Zone::Foot => feet(b.hind.from_midline[2], b.foot_width, h),
        _ => Vec::new(),
    }
}

fn top(dog: &BothSides<'_>, zone: Zone) -> Vec<Vec<Point>> {
    let (b, h) = (dog.left, dog.left.height);
    let x = |s: S| dog.shape.skin(s).x;
    // Along the spine from one station to another, so wide.
    let strip = |from: S, to: S, half: f64| {
        let (a, b) = (x(from), x(to));
        vec![oval((0.5 * (a + b), 0.0), (0.5 * (a - b), half))]
    };
    let beside = |at: f64, width: f64, long: f64| {
        both((0.36 * width, at), (0.12 * width, long))
            .into_iter()
            .map(|area| area.into_iter().map(|p| Point::new(p.y, p.x)).collect())
            .collect()
    };
    let rib = b.length - b.last_rib;
    match zone {
        Zone::Brow => both(
            (
                0.25 * b.head.skull_width * b.head.length,
                dog.shape.head.at(1.06 - b.head.muzzle, 0.0).x,
            ),
            (0.2 * b.head.skull_width * b.head.length, 0.025 * h),
        )
        .into_iter()
        .map(|area| area.into_iter().map(|p| Point::new(p.y, p.x)).collect())
        .collect(),
        Zone::Crest => strip(S::CrestHigh, S::NeckBase, 0.03 * h),
        Zone::Back => strip(S::Withers, S::HipCrest, 0.05 * h),
        Zone::Croup => strip(S::HipCrest, S::TailSet, 0.05 * h),
        Zone::Shoulder => beside(x(S::Withers), b.shoulder_width, 0.08 * h),
        Zone::Ribs => beside(0.5 * (rib + x(S::Withers)), b.rib_width, 0.16 * h),
        Zone::Hip => beside(0.5 * x(S::HipCrest), b.thigh_width, 0.09 * h),
        _ => Vec::new(),
    }
}

/// Both legs: a face from the coat's edge to the middle of the leg, the front or back of one whole.
fn legs(scene: &Scene<'_>, dog: &BothSides<'_>, leg: Leg, zone: Zone) -> Vec<Vec<Point>> {
    let dressing = dressing_of(scene);
    Hand::BOTH
        .map(|hand| {
            let edge = |face, step| {
                let place = LegPlace {
                    leg,
                    hand,
                    face,
                    step,
                };
                leg_edge(dog, &dressing, place)
            };
            let outer = (0..FACE_STATIONS).map(|s| edge(Face::Outer, s));
            let inner = (0..FACE_STATIONS).map(|s| edge(Face::Inner, s));
            let middle = outer.clone().zip(inner.clone()).map(|(a, b)| a.midpoint(b));
            let (one, other): (Vec<Point>, Vec<Point>) = if zone == face_zone(leg, Face::Outer) {
                (outer.collect(), middle.collect())
            } else if zone == face_zone(leg, Face::Inner) {
                (inner.collect(), middle.collect())
            } else {
                (outer.collect(), inner.collect())
            };
            one.into_iter().chain(other.into_iter().rev()).collect()
        })
        .into()
}

fn feet(from_midline: f64, width: f64, h: f64) -> Vec<Vec<Point>> {
    both((from_midline, 0.035 * h), (0.55 * width, 0.035 * h))
}

/// An area on the dog's left and right.
fn mirrored(left: &[(f64, f64)]) -> Vec<Vec<Point>> {
    [1.0, -1.0]
        .map(|side| left.iter().map(|(x, y)| Point::new(side * x, *y)).collect())
        .into()
}

/// The same on the dog's left and right.
fn both((x, y): (f64, f64), half: (f64, f64)) -> Vec<Vec<Point>> {
    vec![oval((x, y), half), oval((-x, y), half)]
}

fn oval(centre: (f64, f64), half: (f64, f64)) -> Vec<Point> {
    curve::oval(Point::from(centre), Vec2::from(half), ROUND)
}
