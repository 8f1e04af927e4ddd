//! The finished tail, judged as it is carried (handbook 10 E; 5, *Tail*).

use kurbo::Point;

use super::evaluated::evaluated;
use super::point::{BalancePoint, Shown};
use super::rules::Judged;
use super::subject::Subject;
use crate::coat::Zone;
use crate::frame::TailKind;
use crate::page::View;
use crate::shape::{Dressing, Station, TailEdges, TailForm, tail_edges};

/// Two sides of a tail are alike, and a U is one, within this, share of the height (handbook 10 E).
pub(crate) const TAIL_ALIKE: f64 = 0.009;
/// A tail whose hair is shorter has no shape of its own, mm (modelling choice).
pub(crate) const SHAPED_MM: f64 = 20.0;
/// Nearer to the root than this share of the bone a tail is no U yet: its base is set off from the
/// croup (modelling choice after handbook 10 E, *base held down and off*).
const FROM_ROOT: f64 = 0.3;

/// A finished tail's points: even about its bone where it is asked so, nothing behind the dog where
/// it lies over the back. None on a tail that the look keeps, or too short for a shape.
pub(super) fn tail_points(subject: &Subject, dressing: &Dressing) -> Vec<BalancePoint> {
    let h = subject.height();
    let form = subject.look.finish.tail_on(&subject.build);
    if form == TailForm::Untouched || subject.look.nominal_mm(Zone::Tail, h) < SHAPED_MM {
        return Vec::new();
    }
    let root = subject.shape.skin(Station::TailSet);
    let edges = tail_edges(&subject.build, dressing, root);
    let uneven = match form {
        TailForm::U => Some(off_u_mm(&edges)),
        TailForm::Rounded => sides_apart_mm(&edges),
        _ => None,
    };
    let mut points = Vec::new();
    let mut judge = |judged, at, value, most| {
        let shown = Shown {
            view: View::Side,
            at,
        };
        points.push(evaluated(subject, judged, shown, value, (None, Some(most))));
    };
    if let Some(uneven) = uneven {
        let middle = edges.bone[edges.bone.len() / 2];
        judge(Judged::TailEven, middle, uneven, TAIL_ALIKE * h);
    }
    if subject.build.tail.kind == TailKind::Curl {
        // Its own rear is where the bare pin bone is: what the rump wears is another matter.
        let rear = subject.shape.skin(Station::PinBone).x;
        let hindmost = hindmost(&edges);
        judge(Judged::TailBehind, hindmost, rear - hindmost.x, 0.0);
    }
    points
}

/// Hair off the bone at each of its places, a list for each side, mm.
fn hair_mm(edges: &TailEdges) -> Vec<Vec<f64>> {
    let off = |side: &Vec<Point>| {
        let places = side.iter().zip(&edges.bone).zip(&edges.half_widths);
        places
            .map(|((edge, bone), half)| edge.distance(*bone) - half)
            .collect()
    };
    edges.sides.iter().map(off).collect()
}

/// The places that belong to the shape, not to the base.
fn shaped(hair: &[f64]) -> impl Iterator<Item = f64> {
    let last = hair.len().saturating_sub(1) as f64;
    hair.iter()
        .enumerate()
        .filter(move |(i, _)| *i as f64 >= FROM_ROOT * last)
        .map(|(_, mm)| *mm)
}

/// How far a tail leaves a U about its bone: the largest departure of its hair, on the sides a hand
/// shapes, from their mean.
///
/// # Units and shapes
/// mm; none of a tail without places.
pub fn off_u_mm(edges: &TailEdges) -> f64 {
    let hair: Vec<f64> = hair_mm(edges)
        .iter()
        .flat_map(|side| shaped(side))
        .collect();
    let mean = hair.iter().sum::<f64>() / hair.len().max(1) as f64;
    hair.iter().map(|mm| (mm - mean).abs()).fold(0.0, f64::max)
}

/// How much fuller one side of a tail is than the other, at the worst place, mm; nothing to compare
/// where one side lies inside a bend.
pub fn sides_apart_mm(edges: &TailEdges) -> Option<f64> {
    let [over, under] = <[Vec<f64>; 2]>::try_from(hair_mm(edges)).ok()?;
    let apart = shaped(&over)
        .zip(shaped(&under))
        .map(|(a, b)| (a - b).abs());
    Some(apart.fold(0.0, f64::max))
}

/// What of a tail reaches furthest behind.
fn hindmost(edges: &TailEdges) -> Point {
    let all = edges.sides.iter().flatten().chain([&edges.tip]);
    all.copied()
        .min_by(|a, b| a.x.total_cmp(&b.x))
        .unwrap_or(edges.tip)
}
