//! The column over its finished foot (handbook 4, *bevel*; 5, *Bevels*).

use super::evaluated::evaluated;
use super::point::{BalancePoint, Shown};
use super::rules::Judged;
use super::subject::Subject;
use crate::coat::Zone;
use crate::look::FootFinish;
use crate::page::View;
use crate::shape::{FACE_STATIONS, Face, Hand, Leg, LegPlace};

/// One round of the shears takes so much overhang, mm (handbook 5).
pub(crate) const A_ROUND_MM: f64 = 8.0;
/// Most rounds (handbook 5: a full coat four or five).
pub(crate) const MOST_ROUNDS: u32 = 5;
/// A foot is no wider than its column by more than this, share of the height (handbook 5: *d = w ±
/// .01 H*).
const FOOT_IN_COLUMN: f64 = 0.01;

/// The lowest place of a column's face, where its hem is.
const fn hem(leg: Leg, face: Face) -> LegPlace {
    LegPlace {
        leg,
        hand: Hand::Left,
        face,
        step: FACE_STATIONS - 1,
    }
}

/// Width of a left leg's column at its hem, mm, at these lengths.
pub(crate) fn column_mm(subject: &Subject, leg: Leg, lengths_mm: &[f64]) -> f64 {
    let edge = |face| subject.off_midline(hem(leg, face)).at(lengths_mm);
    edge(Face::Outer) - edge(Face::Inner)
}

/// Width of the finished foot, mm: the bare foot and the hair left at both its sides, none on a clean
/// one.
pub(crate) fn finished_foot_mm(subject: &Subject, hair_mm: f64) -> f64 {
    let hair = if subject.look.foot == FootFinish::Clean {
        0.0
    } else {
        hair_mm * subject.stand.of(Zone::Foot)
    };
    subject.build.foot_width + 2.0 * hair
}

/// How much wider than its finished foot the front column is at the hem: no foot stands out of it,
/// and the rounds of a bevel are enough; none where the foot is close to the nail.
pub(super) fn bevel(subject: &Subject, lengths_mm: &[f64], foot_mm: f64) -> Option<BalancePoint> {
    if subject.look.foot == FootFinish::Tight {
        return None;
    }
    let foot = finished_foot_mm(subject, foot_mm);
    let over = |lengths: &[f64]| column_mm(subject, Leg::Fore, lengths) - foot;
    // Where the look's own length does not cover the foot, it is meant to be seen.
    let least = over(&subject.nominal()).min(0.0) - FOOT_IN_COLUMN * subject.height();
    let shown = Shown {
        view: View::Front,
        at: subject.skin_of(hem(Leg::Fore, Face::Outer)),
    };
    let most = 2.0 * A_ROUND_MM * f64::from(MOST_ROUNDS);
    let range = (Some(least), Some(most));
    Some(evaluated(
        subject,
        Judged::Bevel,
        shown,
        over(lengths_mm),
        range,
    ))
}
