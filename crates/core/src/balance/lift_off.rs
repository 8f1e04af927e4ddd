//! Heights at which the body's length ends on shoulder and thigh (handbook 5, *Default positions*).

use super::subject::Subject;
use crate::look::{LineName, LineStop};
use crate::shape::Station;

/// Thigh line over the flank fold, share of the height (after the sketch's two fingers).
const THIGH_OVER_FOLD: f64 = 0.08;

/// Height over the table at which the clipper lifts away on the shoulder, mm: at the elbow; in the
/// high school at the point of shoulder, or higher where the thigh's line must lie higher.
pub fn shoulder_lift_mm(subject: &Subject) -> f64 {
    let place = if subject.lines.has(LineStop::LiftAtShoulder) {
        high_mm(subject)
    } else {
        subject.build.elbow
    };
    place + subject.lines.shift_mm(LineName::Shoulder, subject.height())
}

/// The same on the thigh, mm: a little over the flank fold; in the high school level with the
/// shoulder's.
pub fn thigh_lift_mm(subject: &Subject) -> f64 {
    let place = if subject.lines.has(LineStop::LiftAtHip) {
        high_mm(subject)
    } else {
        low_thigh_mm(subject)
    };
    place + subject.lines.shift_mm(LineName::Thigh, subject.height())
}

fn low_thigh_mm(subject: &Subject) -> f64 {
    subject.shape.skin(Station::FlankFold).y + THIGH_OVER_FOLD * subject.height()
}

/// Where both lift off high: no thigh shows its muscle under a line lower than the usual one.
fn high_mm(subject: &Subject) -> f64 {
    subject.shape.point_of_shoulder.y.max(low_thigh_mm(subject))
}
