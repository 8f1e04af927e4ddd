//! A contrasting patch draws the eye to wherever its edge lies (handbook 4): the line keeps off it,
//! or is drawn along it where the salon likes that.

use crate::balance::{Subject, shoulder_lift_mm, thigh_lift_mm};
use crate::coat::{CoatNow, Patch, Zone};
use crate::look::LineName;

/// So near an edge of colour counts as on it, share of the height (balance-model.md 10).
const NEAR: f64 = 0.03;
/// Unit of how far the line is moved, share of the height (balance-model.md 10).
const MOVED: f64 = 0.02;
/// What lying on the edge costs (balance-model.md 10).
const ON_THE_EDGE: f64 = 4.0;
/// A line is moved no further off a tone edge, share of the height (modelling choice, within what
/// its worked examples allow).
const ALLOWED: f64 = 0.07;

/// A line is moved for no less, mm: no hand lays it off (modelling choice).
const LEAST_MM: f64 = 0.5;

/// Where a line that would lie at `line` is put beside a colour's edge.
///
/// Of the line's own place and 0.03 H to both sides of the edge, as far as is allowed, the one with
/// the least ((y − p)/.02 H)² + 4·max(0, 1 − |y − e|/.03 H)².
///
/// # Units and shapes
/// Heights over the table in mm.
///
/// # References
/// balance-model.md 10, *Tone edge*.
pub fn off_the_tone_edge(line: f64, edge: f64, (low, high): (f64, f64), height_mm: f64) -> f64 {
    let near = NEAR * height_mm;
    let cost = |y: f64| {
        let moved = (y - line) / (MOVED * height_mm);
        let on = (1.0 - (y - edge).abs() / near).max(0.0);
        moved * moved + ON_THE_EDGE * on * on
    };
    [line, edge - near, edge + near]
        .map(|y| y.clamp(low, high))
        .into_iter()
        .min_by(|a, b| cost(*a).total_cmp(&cost(*b)))
        .unwrap_or(line)
}

/// How far level lines are moved for the colours' edges near them, mm upwards; lines that a hand put
/// somewhere stay there.
///
/// `is_drawn`: the salon draws its line along the edge instead.
pub(crate) fn tone_shifts(
    subject: &Subject,
    coat: &CoatNow,
    is_drawn: bool,
) -> Vec<(LineName, f64)> {
    let (h, lines) = (subject.height(), &subject.lines);
    let level = |line| match line {
        LineName::Shoulder => Some(shoulder_lift_mm(subject)),
        LineName::Thigh => Some(thigh_lift_mm(subject)),
        LineName::Skirt => lines.skirt_root_mm(h, subject.build.elbow),
        _ => None,
    };
    BESIDE
        .into_iter()
        .filter(|(line, _)| lines.offers(*line) && !lines.is_moved(*line))
        .filter_map(|(line, zones)| {
            let edge = zones.iter().find_map(|zone| tone_edge(coat, *zone))?;
            let place = level(line)?;
            let allowed = (place - ALLOWED * h, place + ALLOWED * h);
            let y = if is_drawn {
                edge.clamp(allowed.0, allowed.1)
            } else {
                off_the_tone_edge(place, edge, allowed, h)
            };
            ((y - place).abs() > LEAST_MM).then_some((line, y - place))
        })
        .collect()
}

/// Zones whose patch may end at a level line.
const BESIDE: [(LineName, &[Zone]); 3] = [
    (LineName::Shoulder, &[Zone::Shoulder, Zone::ForeOut]),
    (LineName::Skirt, &[Zone::Ribs, Zone::Underline]),
    (LineName::Thigh, &[Zone::Hip, Zone::HindOut]),
];

fn tone_edge(coat: &CoatNow, zone: Zone) -> Option<f64> {
    let marks = coat.marks.get(&zone)?;
    let edge = marks.tone_edge_mm?.as_mm();
    (marks.patch != Patch::None).then_some(edge)
}
