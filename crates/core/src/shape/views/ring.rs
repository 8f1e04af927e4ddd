use kurbo::{Point, Vec2};

use super::super::edge::{Dressing, visible_share};
use super::super::hair::{RunStation, hair_directions};
use crate::coat::{Stands, Zone};

/// One station of a ring or run seen on end.
#[derive(Clone, Copy, Debug)]
pub(super) struct Mark {
    pub at: Point,
    pub grows: Grows,
}

/// What grows there.
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
pub(super) enum Grows {
    /// Lies inside another piece; no hair.
    Hidden,
    /// A pad; no hair.
    Pad,
    /// Coat of a zone.
    Zone(Zone),
}

impl Mark {
    pub(super) const fn zone(x: f64, y: f64, zone: Zone) -> Self {
        Self {
            at: Point::new(x, y),
            grows: Grows::Zone(zone),
        }
    }

    pub(super) const fn hidden(x: f64, y: f64) -> Self {
        Self {
            at: Point::new(x, y),
            grows: Grows::Hidden,
        }
    }

    pub(super) const fn pad(x: f64, y: f64) -> Self {
        Self {
            at: Point::new(x, y),
            grows: Grows::Pad,
        }
    }

    pub(super) const fn is_hidden(&self) -> bool {
        matches!(self.grows, Grows::Hidden)
    }

    /// Length of its coat, mm.
    pub(super) fn length(&self, dressing: &Dressing) -> f64 {
        match self.grows {
            Grows::Zone(zone) => dressing.zone_mm(zone),
            Grows::Hidden | Grows::Pad => 0.0,
        }
    }

    /// How far its coat stands.
    pub(super) const fn stand(&self, stands: &Stands) -> f64 {
        match self.grows {
            Grows::Zone(zone) => stands.of(zone),
            Grows::Hidden | Grows::Pad => stands.all(),
        }
    }

    fn reach(&self, ordinary: f64) -> f64 {
        match self.grows {
            Grows::Hidden => 0.001,
            Grows::Pad => 0.003,
            Grows::Zone(Zone::Foot) => 0.03,
            Grows::Zone(_) => ordinary,
        }
    }
}

/// Hair directions along marks; `reach` of ordinary coat as a share of the height.
pub(super) fn directions(marks: &[Mark], reach: f64, height: f64) -> Vec<Vec2> {
    let run: Vec<RunStation> = marks
        .iter()
        .map(|m| RunStation {
            position: m.at,
            reach_mm: m.reach(reach) * height,
            firmness: 1.0,
            looks_ahead: false,
        })
        .collect();
    hair_directions(&run)
}

/// The coat edge over marks: each offset along its hair by what shows of its length.
pub(super) fn edge(marks: &[Mark], hair: &[Vec2], lengths: &[f64], stands: &Stands) -> Vec<Point> {
    marks
        .iter()
        .zip(hair)
        .zip(lengths)
        .map(|((mark, d), length)| mark.at + *d * (length * visible_share(*d, mark.stand(stands))))
        .collect()
}

/// Half a symmetric ring, top to bottom at positive z, made whole: anticlockwise from the top.
pub(super) fn symmetric(half: &[Mark]) -> Vec<Mark> {
    let mirrored = half.iter().map(|m| Mark {
        at: Point::new(-m.at.x, m.at.y),
        ..*m
    });
    mirrored.chain(half.iter().rev().copied()).collect()
}

/// Reach of hair on bodies seen on end, share of the height (dog-shape.md 6).
pub(super) const BODY_REACH: f64 = 0.14;

/// A symmetric body dressed: its edge points.
pub(super) fn dressed(half: &[Mark], dressing: &Dressing, height: f64) -> Vec<Point> {
    let ring = symmetric(half);
    let hair = directions(&ring, BODY_REACH, height);
    let lengths: Vec<f64> = ring.iter().map(|m| m.length(dressing)).collect();
    edge(&ring, &hair, &lengths, &dressing.stand)
}

/// Two passes ¼, ½, ¼ round a ring (dog-shape.md 6, *Head, front*).
pub(super) fn eased_round(lengths: &[f64]) -> Vec<f64> {
    let mut out = lengths.to_vec();
    let n = out.len();
    for _ in 0..2 {
        let before = out.clone();
        for i in 0..n {
            out[i] = 0.25 * before[(i + n - 1) % n] + 0.5 * before[i] + 0.25 * before[(i + 1) % n];
        }
    }
    out
}

pub(super) fn lerp(a: f64, b: f64, t: f64) -> f64 {
    a + (b - a) * t
}

pub(super) fn unit(v: Vec2) -> Vec2 {
    v / v.hypot().max(1e-9)
}
