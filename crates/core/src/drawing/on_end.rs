//! Where the zones lie from in front, from behind and from above: of each the part of its own drawn piece
//! between the lines where it meets its neighbours.

use std::ops::RangeInclusive;

use kurbo::Point;

use super::band::{ALL, within};
use super::scene::Scene;
use crate::coat::Zone;
use crate::page::View;
use crate::plan::{PlanCoat, dress_plan};
use crate::shape::{
    BothSides, Dressing, FACE_STATIONS, Face, Hand, Leg, LegPlace, Piece, PieceKind, Station as S,
    dress_now, eye_at, face_zone, front_pieces, leg_faces, rear_pieces, top_pieces, visible_share,
};

/// The middle of the breast is so broad, share of half the shoulders; the rest is the shoulder's (house value).
const BREAST: f64 = 0.72;
/// It ends so far over the breastbone and under it, shares of the height (house values).
const BREAST_UP: f64 = 0.08;
const BREAST_DOWN: f64 = 0.14;
/// The rump between the hips, share of half the thighs; it ends so far under the pin bone, and the hip so
/// far, shares of the height (house values).
const RUMP: f64 = 0.5;
const RUMP_DOWN: f64 = 0.09;
const HIP_DOWN: f64 = 0.13;
/// The croup from behind begins so far under its own bone, share of the height (house value).
const CROUP_DOWN: f64 = 0.03;
/// A hock begins at this share of its height (house value).
const HOCK: f64 = 0.4;
/// A foot that hair hides ends at this share of the height (house value).
const FOOT: f64 = 0.07;
/// Half the strip of the back and of the crest from above, shares of the height (house values).
const BACK: f64 = 0.055;
const CREST: f64 = 0.03;
/// From above the shoulder ends so far behind the withers and before them, the hip so far before its bone,
/// shares of the height (house values).
const SHOULDER_BACK: f64 = 0.13;
const SHOULDER_FORWARD: f64 = 0.05;
const HIP_FORWARD: f64 = 0.06;
/// Between the cheeks the muzzle, share of half the skull; the cheek ends so far over the eye, the brow so far,
/// shares of the height (house values).
const MUZZLE: f64 = 0.42;
const OVER_THE_EYE: f64 = 0.012;
const BROW_UP: f64 = 0.045;
/// From above the brow lies between these, shares of the head's length from the occiput past the muzzle's
/// share (house values).
const BROW_FROM: f64 = 0.98;
const BROW_TO: f64 = 1.08;

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

/// The zones of one view on end, on its own plane, mm: laid out once, asked often.
pub(super) struct OnEnd<'a> {
    view: View,
    dog: &'a BothSides<'a>,
    dressing: Dressing,
    pieces: Vec<Piece>,
}

impl<'a> OnEnd<'a> {
    pub(super) fn new(scene: &Scene<'_>, dog: &'a BothSides<'a>, view: View) -> Self {
        let dressing = dressing_of(scene);
        let pieces = match view {
            // From the side they are stations and edges: see `zone_areas`.
            View::Side => Vec::new(),
            View::Front => front_pieces(dog, &dressing),
            View::Rear => rear_pieces(dog, &dressing),
            View::Top => top_pieces(dog, &dressing),
        };
        Self {
            view,
            dog,
            dressing,
            pieces,
        }
    }

    /// Where a zone shows; nothing where it does not.
    pub(super) fn of(&self, zone: Zone) -> Vec<Vec<Point>> {
        match self.view {
            View::Side => Vec::new(),
            View::Front => self.front(zone),
            View::Rear => self.rear(zone),
            View::Top => self.top(zone),
        }
    }

    fn front(&self, zone: Zone) -> Vec<Vec<Point>> {
        let (b, h) = (self.dog.left, self.dog.left.height);
        let shoulder = 0.5 * b.shoulder_width;
        let breast = self.skin(S::Breastbone).y;
        let half = 0.5 * b.head.skull_width * b.head.length;
        let eye = eye_at(&self.dog.shape.head, &b.head).y;
        let breast_from = breast - BREAST_DOWN * h;
        let breast_to = breast + BREAST_UP * h;
        let brow = eye + OVER_THE_EYE * h..=eye + BROW_UP * h;
        match zone {
            Zone::ForeOut | Zone::ForeIn | Zone::ForeFront => self.legs(Leg::Fore, zone),
            Zone::Chest => self.body(&middle(BREAST * shoulder), &(breast_from..=breast_to)),
            Zone::Throat => {
                let chin = self.skin(S::Chin).y;
                self.body(&middle(BREAST * shoulder), &(breast_to..=chin))
            }
            Zone::Shoulder => self.beside(BREAST * shoulder, &(breast_from..=h)),
            Zone::Topknot => self
                .whole(&[PieceKind::Topknot])
                .or_else(|| self.of_the_head(&ALL, &from(eye + BROW_UP * h)))
                .unwrap_or_default(),
            Zone::Brow => self
                .whole(&[PieceKind::Brow])
                .or_else(|| self.of_the_head(&ALL, &brow))
                .unwrap_or_default(),
            Zone::Cheek => {
                let up_to = up_to(eye + OVER_THE_EYE * h);
                let sides = [from(MUZZLE * half), up_to_minus(MUZZLE * half)];
                let of = |across| self.of_the_head(&across, &up_to).unwrap_or_default();
                sides.into_iter().flat_map(of).collect()
            }
            Zone::Muzzle | Zone::Beard => self
                .whole(&[PieceKind::Muzzle, PieceKind::Beard])
                .or_else(|| {
                    self.of_the_head(&middle(MUZZLE * half), &up_to(eye - OVER_THE_EYE * h))
                })
                .unwrap_or_default(),
            Zone::Ear => self.whole(&[PieceKind::Ear]).unwrap_or_default(),
            Zone::Foot => self.feet(PieceKind::ForeLeg),
            _ => Vec::new(),
        }
    }

    fn rear(&self, zone: Zone) -> Vec<Vec<Point>> {
        let (b, h) = (self.dog.left, self.dog.left.height);
        let rump = RUMP * 0.5 * b.thigh_width;
        let pin = self.skin(S::PinBone).y;
        let croup = self.skin(S::Croup).y - CROUP_DOWN * h;
        match zone {
            Zone::HindOut => {
                let thighs = self.beside(rump, &up_to(pin - HIP_DOWN * h));
                joined(self.legs(Leg::Hind, zone), thighs)
            }
            Zone::HindBack => {
                let low = up_to(pin - RUMP_DOWN * h);
                let halves = [0.0..=rump, -rump..=0.0];
                let thighs = halves.iter().flat_map(|half| self.body(half, &low));
                joined(self.legs(Leg::Hind, zone), thighs.collect())
            }
            Zone::HindIn => self.legs(Leg::Hind, zone),
            Zone::Hock => self
                .near(PieceKind::HindLeg)
                .filter_map(|leg| within(&leg.outline, &ALL, &(HOCK * b.hock..=b.hock)))
                .collect(),
            Zone::Rump => self.body(&middle(rump), &(pin - RUMP_DOWN * h..=croup)),
            Zone::Hip => self.beside(rump, &(pin - HIP_DOWN * h..=croup)),
            Zone::Croup => self.body(&ALL, &from(croup)),
            Zone::Tail => self
                .whole(&[PieceKind::Tail, PieceKind::TailBall])
                .unwrap_or_default(),
            Zone::Foot => self.feet(PieceKind::HindLeg),
            _ => Vec::new(),
        }
    }

    fn top(&self, zone: Zone) -> Vec<Vec<Point>> {
        let (b, h) = (self.dog.left, self.dog.left.height);
        let x = |s: S| self.skin(s).x;
        let (withers, hip, tail) = (x(S::Withers), x(S::HipCrest), x(S::TailSet));
        let shoulder = withers - SHOULDER_BACK * h..=withers + SHOULDER_FORWARD * h;
        let hip_from = hip + HIP_FORWARD * h;
        let brow = [BROW_FROM, BROW_TO]
            .map(|from_ear| self.dog.shape.head.at(from_ear - b.head.muzzle, 0.0).x);
        let along_sides = |along: RangeInclusive<f64>| {
            let sides = [from(BACK * h), up_to_minus(BACK * h)];
            let of = |across| self.body(&along, &across);
            sides.into_iter().flat_map(of).collect()
        };
        match zone {
            Zone::Topknot => self.of_the_head(&up_to(brow[0]), &ALL).unwrap_or_default(),
            Zone::Brow => self
                .of_the_head(&(brow[0]..=brow[1]), &ALL)
                .unwrap_or_default(),
            Zone::Muzzle => self.of_the_head(&from(brow[1]), &ALL).unwrap_or_default(),
            Zone::Ear => self.whole(&[PieceKind::Ear]).unwrap_or_default(),
            Zone::Tail => self
                .whole(&[PieceKind::Tail, PieceKind::TailBall])
                .unwrap_or_default(),
            Zone::Crest => self.body(&(withers..=x(S::CrestHigh)), &middle(CREST * h)),
            Zone::Back => self.body(&(hip..=withers), &middle(BACK * h)),
            Zone::Croup => self.body(&(tail..=hip), &middle(BACK * h)),
            Zone::Shoulder => along_sides(shoulder),
            Zone::Ribs => along_sides(hip_from..=*shoulder.start()),
            Zone::Hip => along_sides(0.0..=hip_from),
            _ => Vec::new(),
        }
    }

    fn skin(&self, station: S) -> Point {
        self.dog.shape.skin(station)
    }

    /// What of a kind stands before the rest of the dog.
    fn near(&self, kind: PieceKind) -> impl Iterator<Item = &Piece> {
        let near = move |piece: &&Piece| piece.kind == kind && !piece.is_far;
        self.pieces.iter().filter(near)
    }

    /// These pieces whole; none where the dog has none.
    fn whole(&self, kinds: &[PieceKind]) -> Option<Vec<Vec<Point>>> {
        let all = kinds.iter().flat_map(|kind| self.near(*kind));
        let areas: Vec<Vec<Point>> = all.map(|piece| piece.outline.clone()).collect();
        (!areas.is_empty()).then_some(areas)
    }

    /// The feet, or what of the legs hides them.
    fn feet(&self, leg: PieceKind) -> Vec<Vec<Point>> {
        let low = up_to(FOOT * self.dog.left.height);
        let of = |leg: &Piece| within(&leg.outline, &ALL, &low);
        self.whole(&[PieceKind::Foot])
            .unwrap_or_else(|| self.near(leg).filter_map(of).collect())
    }

    /// A part of the head itself.
    fn of_the_head(
        &self,
        across: &RangeInclusive<f64>,
        up: &RangeInclusive<f64>,
    ) -> Option<Vec<Vec<Point>>> {
        let head = self.near(PieceKind::Head).last()?;
        within(&head.outline, across, up).map(|area| vec![area])
    }

    /// A part of the body that stands foremost.
    fn body(&self, across: &RangeInclusive<f64>, up: &RangeInclusive<f64>) -> Vec<Vec<Point>> {
        let body = self.near(PieceKind::Body).last();
        let area = body.and_then(|body| within(&body.outline, across, up));
        area.into_iter().collect()
    }

    /// The body's sides, further from its middle than so much.
    fn beside(&self, beyond: f64, up: &RangeInclusive<f64>) -> Vec<Vec<Point>> {
        let sides = [from(beyond), up_to_minus(beyond)];
        sides.iter().flat_map(|side| self.body(side, up)).collect()
    }

    /// Both legs: a face from the coat's edge to the middle of the leg, the front or back of one whole.
    fn legs(&self, leg: Leg, zone: Zone) -> Vec<Vec<Point>> {
        Hand::ALL
            .map(|hand| {
                let edge = |face, step| {
                    let place = LegPlace {
                        leg,
                        hand,
                        face,
                        step,
                    };
                    leg_edge(self.dog, &self.dressing, place)
                };
                let outer = (0..FACE_STATIONS).map(|s| edge(Face::Outer, s));
                let inner = (0..FACE_STATIONS).map(|s| edge(Face::Inner, s));
                let middle = outer.clone().zip(inner.clone()).map(|(a, b)| a.midpoint(b));
                let (one, other): (Vec<Point>, Vec<Point>) = if zone == face_zone(leg, Face::Outer)
                {
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
}

/// Each leg with the thigh over it: one ring, that goes round the thigh where the leg's ends.
fn joined(legs: Vec<Vec<Point>>, thighs: Vec<Vec<Point>>) -> Vec<Vec<Point>> {
    let mut thighs = thighs.into_iter();
    let with_thigh = |mut leg: Vec<Point>| {
        if let (Some(end), Some(mut thigh)) = (leg.last().copied(), thighs.next()) {
            let nearest = (0..thigh.len())
                .min_by(|a, b| thigh[*a].distance(end).total_cmp(&thigh[*b].distance(end)));
            thigh.rotate_left(nearest.unwrap_or_default());
            leg.extend(thigh);
        }
        leg
    };
    legs.into_iter().map(with_thigh).collect()
}

/// So far to both sides of the middle.
fn middle(half: f64) -> RangeInclusive<f64> {
    -half..=half
}

fn from(least: f64) -> RangeInclusive<f64> {
    least..=f64::INFINITY
}

fn up_to(most: f64) -> RangeInclusive<f64> {
    f64::NEG_INFINITY..=most
}

/// The other side of the middle, from as far on.
fn up_to_minus(least: f64) -> RangeInclusive<f64> {
    f64::NEG_INFINITY..=-least
}
