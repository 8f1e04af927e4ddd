//! Points that are evaluated under a plan, not solved: where a highest or deepest place lies is not
//! linear in the lengths (handbook 4; balance-model.md 5).

use kurbo::Point;

use super::expr::Expr;
use super::foot::bevel;
use super::lift_off::{shoulder_lift_mm, thigh_lift_mm};
use super::point::{BalancePoint, Divisor, Shown};
use super::rules::Judged;
use super::subject::Subject;
use super::tail::tail_points;
use crate::coat::Zone;
use crate::look::LineStop;
use crate::page::View;
use crate::shape::{Dressing, Station, TOPLINE};

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

/// Shoulder and thigh line lie level within this (handbook 4, *lift-off level*).
const LEVEL: f64 = 0.02;
/// Largest outward kink of the edge (handbook 4, *bump*).
const KINK: f64 = 0.01;
/// Neighbours further apart than this are no kink but a course, share of the height: twice the
/// handbook's .1, one way and the other.
const NEIGHBOURS: f64 = 0.2;
/// Runs of the edge that a bump is looked for along.
const RUNS: [&[S]; 3] = [
    &TOPLINE,
    &[S::PinBone, S::Buttock, S::ThighBack, S::ThighLow, S::Bend],
    &[S::Brisket, S::Belly, S::BellyRear, S::LastRib, S::TuckUp],
];

/// What is judged at these lengths but not solved: the waist's place, knee opposite bend, lift-off
/// level, flank need, bumps, the tail and the column over its foot.
pub fn evaluated_points(
    subject: &Subject,
    lengths_mm: &[f64],
    dressing: &Dressing,
) -> Vec<BalancePoint> {
    let h = subject.height();
    let edge = |s: S| (subject.x(s).at(lengths_mm), subject.y(s).at(lengths_mm));
    let mut points = Vec::new();
    let mut judge = |judged: Judged, station: S, value: f64, range| {
        let at = Shown {
            view: View::Side,
            at: subject.shape.skin(station),
        };
        points.push(evaluated(subject, judged, at, value, range));
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
        // On the skin, as a hand lays it off: the hair there leans back.
        let at = subject.shape.skin(apex).x;
        let behind = subject.build.length - subject.build.last_rib - at;
        judge(
            Judged::WaistPlace,
            apex,
            behind,
            (Some(0.0), Some(WAIST_BEHIND * h)),
        );
    }
    // A course that is even to the eye has no one deepest place: the nearest of both are compared.
    let fullest = furthest(&KNEE, (S::FlankFold, S::HockFront), PLATEAU * h, &edge);
    let deepest = furthest(&BEHIND, (S::PinBone, S::HockPoint), PLATEAU * h, &edge);
    let (fullest, apart) = fullest
        .iter()
        .flat_map(|knee| {
            deepest
                .iter()
                .map(|bend| (*knee, edge(*knee).1 - edge(*bend).1))
        })
        .min_by(|a, b| a.1.abs().total_cmp(&b.1.abs()))
        .unwrap_or((S::Stifle, 0.0));
    judge(
        Judged::KneeOpposite,
        fullest,
        apart,
        (Some(-OPPOSITE * h), Some(OPPOSITE * h)),
    );
    let is_high = [LineStop::LiftAtShoulder, LineStop::LiftAtHip];
    if is_high.into_iter().any(|stop| subject.lines.has(stop)) {
        let apart = thigh_lift_mm(subject) - shoulder_lift_mm(subject);
        judge(
            Judged::LiftOff,
            S::FlankFold,
            apart,
            (Some(-LEVEL * h), Some(LEVEL * h)),
        );
    }
    if subject.look.targets.fill == 0.0 {
        let skin = |s: S| subject.shape.skin(s).y;
        // Hair of the flank hangs, the waist's too: what shows is how far the edge lies below.
        let shows = |s: S| skin(s) - edge(s).1;
        let need = skin(S::FlankFold) - skin(S::LastRib);
        let given = shows(S::FlankFold) - shows(S::LastRib);
        judge(
            Judged::FlankNeed,
            S::FlankFold,
            given,
            (Some(need.max(0.0)), None),
        );
    }
    if let Some((station, kink)) = bump(subject, lengths_mm) {
        judge(Judged::Bump, station, kink, (None, Some(KINK * h)));
    }
    points.extend(tail_points(subject, dressing));
    points.extend(bevel(subject, lengths_mm, dressing.zone_mm(Zone::Foot)));
    points
}

/// The largest outward kink of the edge that neither skin nor look asks for, with where it lies, mm.
fn bump(subject: &Subject, lengths_mm: &[f64]) -> Option<(Station, f64)> {
    let nominal = subject.nominal();
    let at = |s: S, lengths: &[f64]| Point::new(subject.x(s).at(lengths), subject.y(s).at(lengths));
    let out = |three: &[S], of: &dyn Fn(S) -> Point| {
        let (a, b, c) = (of(three[0]), of(three[1]), of(three[2]));
        let along = (c - a) / a.distance(c).max(1e-6);
        let off = b - a;
        let apart = (along * off.dot(along) - off).hypot();
        let outward = subject.shape.hair(three[1]);
        apart * (off - along * off.dot(along)).dot(outward).signum()
    };
    let near = NEIGHBOURS * subject.height();
    RUNS.iter()
        .flat_map(|run| run.windows(3))
        .filter(|three| {
            let skin = |i: usize| subject.shape.skin(three[i]);
            skin(0).distance(skin(2)) <= near
        })
        .map(|three| {
            let asked = out(three, &|s| at(s, &nominal));
            let skin = out(three, &|s| subject.shape.skin(s));
            let kink = out(three, &|s| at(s, lengths_mm)) - asked.max(skin).max(0.0);
            (three[1], kink)
        })
        .max_by(|a, b| a.1.total_cmp(&b.1))
}

/// The stations furthest before a line through two others, and those within `plateau` mm of them.
fn furthest(among: &[S], line: (S, S), plateau: f64, edge: &dyn Fn(S) -> (f64, f64)) -> Vec<S> {
    let (a, b) = (edge(line.0), edge(line.1));
    let before = |s: &S| {
        let (x, y) = edge(*s);
        x - (a.0 + (b.0 - a.0) * (y - a.1) / (b.1 - a.1))
    };
    let most = among.iter().map(before).fold(f64::MIN, f64::max);
    among
        .iter()
        .filter(|s| before(s) >= most - plateau)
        .copied()
        .collect()
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
        tolerance_mm: judged.rule().tolerance * subject.look.tolerance * subject.height(),
        weight: judged.rule().weight,
        value,
        divisor: Divisor::Millimetres,
        range,
        at,
    }
}
