//! Points that are evaluated under a plan, not solved: where a highest or deepest place lies is not
//! linear in the lengths (handbook 4; balance-model.md 5).

use super::expr::Expr;
use super::point::{BalancePoint, Divisor, Judged, Shown};
use super::subject::Subject;
use crate::shape::{Station, View};

/// The waist peaks this far behind the last rib at most, share of the height (handbook 4).
const WAIST_BEHIND: f64 = 0.055;
/// The knee's fullest and the bend's deepest lie at the same height within this (handbook 4).
const OPPOSITE: f64 = 0.10;

use Station as S;

/// Less of a rise is none to the eye, share of the height: the tolerance of the underline's rise
/// (balance-model.md 5).
const PLATEAU: f64 = 0.01;
/// Stations the underline's highest place is looked for among, from the front back.
const UNDERLINE: [S; 5] = [
    S::Brisket,
    S::BellyRear,
    S::LastRib,
    S::TuckUp,
    S::FlankFold,
];
/// Stations along the front of the thigh, and behind it.
const KNEE: [S; 3] = [S::Stifle, S::GaskinFront, S::ThighFront];
const BEHIND: [S; 3] = [S::ThighBack, S::Bend, S::AboveHock];

/// Where the waist lies and whether the knee stands opposite the bend, at these lengths.
pub fn evaluated_points(subject: &Subject, lengths_mm: &[f64]) -> Vec<BalancePoint> {
    let h = subject.height();
    let edge = |s: S| (subject.x(s).at(lengths_mm), subject.y(s).at(lengths_mm));
    let mut points = Vec::new();
    let mut judge = |judged: Judged, station: S, value: f64, (low, high): (f64, f64)| {
        let at = Shown {
            view: View::Side,
            at: subject.shape.skin(station),
        };
        points.push(evaluated(
            subject,
            judged,
            at,
            value,
            (Some(low), Some(high)),
        ));
    };
    let highest = UNDERLINE.map(|s| edge(s).1).into_iter().fold(0.0, f64::max);
    // Where the line no longer rises to the eye: the rest of the way is a plateau.
    let apex = UNDERLINE
        .into_iter()
        .find(|s| edge(*s).1 >= highest - PLATEAU * h);
    // Short looks rise to the flank and are not faulted (handbook 4, *waist place*).
    if subject.look.targets.fill == 0.0
        && let Some(apex) = apex
    {
        let behind = subject.build.length - subject.build.last_rib - edge(apex).0;
        judge(Judged::WaistPlace, apex, behind, (0.0, WAIST_BEHIND * h));
    }
    let fullest = furthest(KNEE, (S::FlankFold, S::HockFront), &edge);
    let deepest = furthest(BEHIND, (S::PinBone, S::HockPoint), &edge);
    let apart = edge(fullest).1 - edge(deepest).1;
    judge(
        Judged::KneeOpposite,
        fullest,
        apart,
        (-OPPOSITE * h, OPPOSITE * h),
    );
    points
}

/// Which of these stations stands furthest before the straight line between two others.
fn furthest(among: [S; 3], (high, low): (S, S), edge: &dyn Fn(S) -> (f64, f64)) -> S {
    let ((xh, yh), (xl, yl)) = (edge(high), edge(low));
    let before = |s: S| {
        let (x, y) = edge(s);
        x - (xl + (xh - xl) * (y - yl) / (yh - yl))
    };
    let [mut best, others @ ..] = among;
    for other in others {
        if before(other) > before(best) {
            best = other;
        }
    }
    best
}

/// A point whose value is known and moved by no length, mm.
pub(super) fn evaluated(
    subject: &Subject,
    judged: Judged,
    at: Shown,
    value: f64,
    range: (Option<f64>, Option<f64>),
) -> BalancePoint {
    let value = Expr::constant(subject.len(), value);
    let over = [
        range.1.map(|high| value.clone() + -high),
        range.0.map(|low| value.clone() * -1.0 + low),
    ];
    BalancePoint {
        judged,
        over: over.into_iter().flatten().collect(),
        tolerance_mm: judged.tolerance_share() * subject.look.tolerance * subject.height(),
        weight: judged.weight(),
        value,
        divisor: Divisor::Millimetres,
        range,
        at,
    }
}
