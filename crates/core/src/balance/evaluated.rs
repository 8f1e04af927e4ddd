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

/// Stations the underline's highest place is looked for among, from the rear forward.
const UNDERLINE: [S; 5] = [
    S::FlankFold,
    S::TuckUp,
    S::LastRib,
    S::BellyRear,
    S::Brisket,
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
        let value = Expr::constant(subject.len(), value);
        points.push(BalancePoint {
            judged,
            over: vec![value.clone() + -high, value.clone() * -1.0 + low],
            tolerance_mm: judged.tolerance_share() * subject.look.tolerance * h,
            weight: judged.weight(),
            value,
            divisor: Divisor::Millimetres,
            range: (Some(low), Some(high)),
            at: Shown {
                view: View::Side,
                at: subject.shape.skin(station),
            },
        });
    };
    let highest = UNDERLINE
        .into_iter()
        .max_by(|a, b| edge(*a).1.total_cmp(&edge(*b).1));
    // Short looks rise to the flank and are not faulted (handbook 4, *waist place*).
    if subject.look.targets.fill == 0.0
        && let Some(apex) = highest
    {
        let behind = subject.build.length - subject.build.last_rib - edge(apex).0;
        judge(Judged::WaistPlace, apex, behind, (0.0, WAIST_BEHIND * h));
    }
    let fullest = KNEE
        .into_iter()
        .max_by(|a, b| edge(*a).0.total_cmp(&edge(*b).0));
    let deepest = BEHIND
        .into_iter()
        .max_by(|a, b| edge(*a).0.total_cmp(&edge(*b).0));
    if let (Some(knee), Some(bend)) = (fullest, deepest) {
        let apart = edge(knee).1 - edge(bend).1;
        judge(
            Judged::KneeOpposite,
            knee,
            apart,
            (-OPPOSITE * h, OPPOSITE * h),
        );
    }
    points
}
