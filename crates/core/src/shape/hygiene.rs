use kurbo::Point;

use super::station::{Station as S, UNDERLINE};
use super::views::BothSides;
use crate::frame::TailKind;

/// Width of the strip under the tail, share of the height (handbook 10 B, modelling choice).
const STRIP: f64 = 0.05;
/// How far it goes up the tail's underside, share of the height (handbook 10 B, modelling choice).
const UP_THE_TAIL: f64 = 0.10;
/// Tuft left above it as cover, share of the height (handbook 10 B, modelling choice).
const COVER: f64 = 0.02;
/// Share of the way from flank to hock that the inside of the thigh is cleared (handbook 10 B).
const THIGH: f64 = 0.5;
/// Where the underline stands so much above the brisket it has risen, share of the height (handbook 10 B,
/// modelling choice).
const RISEN: f64 = 0.01;
/// Places tried along a stretch of the underline to find where it has risen.
const FINE: u32 = 40;

/// How far forward the belly is cleared (handbook 10 B).
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
pub enum BellyReach {
    /// Half way from brisket to flank.
    HalfWay,
    /// To where the underline rises off the brisket: a male wets it.
    ToTheRise,
    /// To the brisket: a male too young to lift its leg.
    Whole,
}

/// The hygiene area as this frame has it (handbook 10 B), mm.
#[derive(Clone, Debug, PartialEq)]
pub struct HygieneArea {
    /// Width of the strip under the tail.
    pub strip_wide_mm: f64,
    /// How far it goes up the tail's underside.
    pub up_the_tail_mm: f64,
    /// Tuft left above it as cover.
    pub cover_mm: f64,
    /// How far down the inside of the thigh, from the flank fold's height.
    pub thigh_down_mm: f64,
    /// How far forward on the belly, from the flank fold along the skin.
    pub belly_mm: f64,
    /// That stretch of the underline, from the flank fold forward, on the side page.
    pub belly: Vec<Point>,
}

/// The hygiene area of a dog.
///
/// # Units and shapes
/// mm. Where the tail is docked shorter, the strip ends with it.
pub fn hygiene_area(dog: &BothSides<'_>, reach: BellyReach) -> HygieneArea {
    let (b, h) = (dog.left, dog.left.height);
    let belly = belly(dog, reach);
    let lengths = belly.windows(2).map(|pair| pair[0].distance(pair[1]));
    let tail = match b.tail.kind {
        TailKind::Stub => b.tail.length.min(UP_THE_TAIL * h),
        TailKind::Up | TailKind::Curl | TailKind::Sabre | TailKind::Level | TailKind::Low => {
            UP_THE_TAIL * h
        }
    };
    HygieneArea {
        strip_wide_mm: STRIP * h,
        up_the_tail_mm: tail.min(b.tail.length),
        cover_mm: COVER * h,
        thigh_down_mm: THIGH * (b.flank - b.hock),
        belly_mm: lengths.sum(),
        belly,
    }
}

/// Along the underline from the flank fold forward to where the reach ends.
fn belly(dog: &BothSides<'_>, reach: BellyReach) -> Vec<Point> {
    let skin = |s: S| dog.shape.skin(s);
    let (flank, brisket) = (skin(S::FlankFold), skin(S::Brisket));
    let risen = brisket.y + RISEN * dog.left.height;
    let is_past = |p: Point| match reach {
        BellyReach::HalfWay => p.x > f64::midpoint(flank.x, brisket.x),
        BellyReach::ToTheRise => p.y < risen,
        BellyReach::Whole => false,
    };
    let mut course = vec![flank];
    for pair in UNDERLINE.windows(2) {
        let (from, to) = (skin(pair[0]), skin(pair[1]));
        let steps = (1..=FINE).map(|i| from.lerp(to, f64::from(i) / f64::from(FINE)));
        let end = steps.clone().find(|p| is_past(*p));
        course.push(end.unwrap_or(to));
        if end.is_some() {
            break;
        }
    }
    course
}
