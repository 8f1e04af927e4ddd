//! Where the sites of handbook 10 B lie on the drawn dog.

use kurbo::{Point, Vec2};

use super::curve;
use super::head::eye_at;
use super::hygiene::HygieneArea;
use super::leg_place::Hand;
use super::station::Station as S;
use super::views::BothSides;
use crate::coat::Site;
use crate::page::View;

/// Corners of a round place.
const ROUND: usize = 20;

/// A site as one view shows it.
#[derive(Clone, Debug, PartialEq)]
pub struct SitePlace {
    /// On which side of the dog; none in the middle, and from the side, where both lie over one another.
    pub hand: Option<Hand>,
    /// Its edge, on the view's own plane, mm.
    pub outline: Vec<Point>,
}

/// Where a site shows in a view; nothing where it does not.
///
/// # Units and shapes
/// mm. Sizes are house values: what a fingertip or a palm covers on a dog of this height; those of the
/// hygiene area are its own.
pub fn site_places(
    site: Site,
    dog: &BothSides<'_>,
    hygiene: &HygieneArea,
    view: View,
) -> Vec<SitePlace> {
    match view {
        View::Side => from_the_side(site, dog, hygiene),
        View::Front => from_in_front(site, dog),
        View::Rear => from_behind(site, dog, hygiene),
        View::Top => Vec::new(),
    }
}

fn from_the_side(site: Site, dog: &BothSides<'_>, hygiene: &HygieneArea) -> Vec<SitePlace> {
    let (b, h) = (dog.left, dog.left.height);
    let at = |s: S| dog.shape.skin(s);
    let near = |centre: Point, x: f64, y: f64| oval(centre, (x * h, y * h));
    let base = dog.shape.head.at(b.ear.base.0, b.ear.base.1);
    let eye = eye_at(&dog.shape.head, &b.head);
    let outlines = match site {
        Site::EyeCorners => vec![near(eye + Vec2::new(0.022, -0.012) * h, 0.014, 0.014)],
        Site::BetweenEyes => vec![near(at(S::Stop), 0.018, 0.018)],
        Site::EarBase => vec![near(base, 0.026, 0.026)],
        Site::BehindEar => vec![near(base + Vec2::new(-0.04, -0.03) * h, 0.02, 0.03)],
        Site::UnderEar => vec![near(base + Vec2::new(0.005, -0.07) * h, 0.024, 0.03)],
        Site::InsideEar => vec![oval(
            base - Vec2::new(0.0, 0.45 * b.ear.length),
            (0.13 * b.ear.length, 0.25 * b.ear.length),
        )],
        Site::UnderCollar => vec![collar(dog)],
        Site::Armpit => vec![near(at(S::Elbow) + Vec2::new(0.035, 0.015) * h, 0.03, 0.03)],
        Site::Elbow => vec![near(at(S::Elbow), 0.022, 0.026)],
        Site::Belly => vec![belly(hygiene, h)],
        Site::Sheath => vec![near(
            at(S::FlankFold).lerp(at(S::BellyRear), 0.6),
            0.035,
            0.02,
        )],
        Site::InsideThigh => vec![near(at(S::Stifle).lerp(at(S::Buttock), 0.45), 0.05, 0.06)],
        Site::UnderTail => vec![near(at(S::UnderTail), 0.02, 0.03)],
        Site::BesideAnus => vec![near(at(S::PinBone), 0.016, 0.022)],
        Site::Pads => [S::ForePad, S::HindPad]
            .map(|s| near(at(s), 0.03, 0.012))
            .into(),
        Site::BetweenToes => [S::ForeToeTop, S::HindToeTop]
            .map(|s| near(at(s), 0.02, 0.016))
            .into(),
    };
    middle(outlines)
}

fn from_in_front(site: Site, dog: &BothSides<'_>) -> Vec<SitePlace> {
    let (b, h) = (dog.left, dog.left.height);
    let half = 0.5 * b.head.skull_width * b.head.length;
    let eye = eye_at(&dog.shape.head, &b.head).y;
    let base = dog.shape.head.at(b.ear.base.0, b.ear.base.1).y;
    let [elbow, _, foot] = b.fore.from_midline;
    match site {
        Site::EyeCorners => pair((0.26 * half, eye - 0.01 * h), (0.012 * h, 0.014 * h)),
        Site::BetweenEyes => middle(vec![oval(Point::new(0.0, eye), (0.014 * h, 0.022 * h))]),
        Site::EarBase => pair((0.95 * half, base), (0.02 * h, 0.022 * h)),
        Site::UnderEar => pair((0.9 * half, base - 0.07 * h), (0.02 * h, 0.03 * h)),
        Site::Armpit => pair((0.6 * elbow, b.elbow + 0.03 * h), (0.03 * h, 0.035 * h)),
        Site::UnderCollar => {
            let throat = dog.shape.skin(S::ThroatLow).y;
            middle(vec![oval(
                Point::new(0.0, throat),
                (0.45 * b.neck_width, 0.016 * h),
            )])
        }
        Site::BetweenToes => pair((foot, 0.025 * h), (0.4 * b.foot_width, 0.014 * h)),
        Site::InsideEar
        | Site::BehindEar
        | Site::Elbow
        | Site::Belly
        | Site::InsideThigh
        | Site::Sheath
        | Site::UnderTail
        | Site::BesideAnus
        | Site::Pads => Vec::new(),
    }
}

fn from_behind(site: Site, dog: &BothSides<'_>, hygiene: &HygieneArea) -> Vec<SitePlace> {
    let (b, h) = (dog.left, dog.left.height);
    let [stifle, _, foot] = b.hind.from_midline;
    match site {
        Site::UnderTail => {
            let (top, low) = (dog.shape.skin(S::UnderTail).y, b.flank);
            let half = 0.5 * hygiene.strip_wide_mm;
            middle(vec![vec![
                Point::new(-half, low),
                Point::new(half, low),
                Point::new(half, top),
                Point::new(-half, top),
            ]])
        }
        Site::BesideAnus => pair((0.03 * h, b.pin), (0.012 * h, 0.022 * h)),
        Site::InsideThigh => {
            let half = 0.5 * hygiene.thigh_down_mm;
            pair((0.45 * stifle, b.flank - half), (0.022 * h, half))
        }
        Site::Pads => pair((foot, 0.012 * h), (0.45 * b.foot_width, 0.012 * h)),
        Site::EyeCorners
        | Site::BetweenEyes
        | Site::InsideEar
        | Site::UnderEar
        | Site::BehindEar
        | Site::EarBase
        | Site::UnderCollar
        | Site::Armpit
        | Site::Elbow
        | Site::Belly
        | Site::Sheath
        | Site::BetweenToes => Vec::new(),
    }
}

/// The belly's stretch, a palm deep.
fn belly(hygiene: &HygieneArea, h: f64) -> Vec<Point> {
    let up = Vec2::new(0.0, 0.045 * h);
    let course = &hygiene.belly;
    let back = course.iter().rev().map(|p| *p + up);
    course.iter().copied().chain(back).collect()
}

/// A collar's width about the middle of the neck.
fn collar(dog: &BothSides<'_>) -> Vec<Point> {
    let half = 0.018 * dog.left.height;
    let (crest, throat) = (dog.shape.skin(S::CrestMid), dog.shape.skin(S::ThroatMid));
    let across = throat - crest;
    let along = Vec2::new(across.y, -across.x) / across.hypot().max(1e-6) * half;
    vec![crest + along, throat + along, throat - along, crest - along]
}

fn middle(outlines: Vec<Vec<Point>>) -> Vec<SitePlace> {
    let places = outlines.into_iter();
    places
        .map(|outline| SitePlace {
            hand: None,
            outline,
        })
        .collect()
}

/// The same on the dog's left and right.
fn pair((x, y): (f64, f64), half: (f64, f64)) -> Vec<SitePlace> {
    Hand::ALL
        .map(|hand| SitePlace {
            hand: Some(hand),
            outline: oval(Point::new(hand.sign() * x, y), half),
        })
        .into()
}

fn oval(centre: Point, half: (f64, f64)) -> Vec<Point> {
    curve::oval(centre, Vec2::from(half), ROUND)
}
