use kurbo::{Point, Vec2};

use super::{Angle, Build};

/// Centre of the knee behind the front of the knee, share of the height (modelling choice).
const KNEE_BEHIND: f64 = 0.035;
/// Centre of the hock before the hock point, share of the height (modelling choice).
const HOCK_BEFORE: f64 = 0.03;
/// Hip joint on the line from hip crest to pin bone, share of the way (modelling choice).
const HIP_ON_PELVIS: f64 = 0.6;
/// x of the hip crest, share of the height (dog-shape.md 5).
const HIP_CREST_X: f64 = 0.21;

/// Centres of the joints of one side, mm on the side page.
struct Joints {
    blade_top: Point,
    shoulder: Point,
    elbow: Point,
    wrist: Point,
    hip_crest: Point,
    hip: Point,
    knee: Point,
    hock: Point,
}

impl Joints {
    fn of(b: &Build) -> Self {
        let h = b.height;
        let shoulder = b.point_of_shoulder();
        let hip_crest = Point::new(HIP_CREST_X * h, b.hip);
        let fore_x = b.length - b.elbow_back;
        Self {
            blade_top: b.blade_top(),
            shoulder,
            elbow: Point::new(fore_x, b.elbow),
            wrist: Point::new(fore_x, b.wrist),
            hip_crest,
            hip: hip_crest.lerp(Point::new(0.0, b.pin), HIP_ON_PELVIS),
            knee: Point::new(b.stifle_forward - KNEE_BEHIND * h, b.stifle),
            hock: Point::new(HOCK_BEFORE * h - b.hock_reach, b.hock),
        }
    }
}

/// An angle of the frame as drawn, degrees.
///
/// # References
/// Joint centres stand at house distances from the landmarks a hand finds (modelling choice).
pub(crate) fn angle_of(angle: Angle, b: &Build) -> f64 {
    let j = Joints::of(b);
    let between = |at: Point, a: Point, c: Point| {
        let (u, v) = (a - at, c - at);
        u.cross(v).atan2(u.dot(v)).abs().to_degrees()
    };
    match angle {
        Angle::ShoulderLayback => b.layback_deg,
        Angle::Shoulder => between(j.shoulder, j.blade_top, j.elbow),
        Angle::Elbow => between(j.elbow, j.shoulder, j.wrist),
        Angle::Hip => between(j.hip, j.hip_crest, j.knee),
        Angle::Stifle => between(j.knee, j.hip, j.hock),
        // The rear pastern of a dog stood square is plumb (handbook 2, *Stance*).
        Angle::Hock => between(j.hock, j.knee, j.hock - Vec2::new(0.0, 1.0)),
        Angle::ForeTurnout => b.fore.turnout_deg,
        Angle::HindTurnout => b.hind.turnout_deg,
    }
}

/// Range the stifle's and the hock's places are searched in, shares of the height: dog-shape.md
/// 2's, widened by a third.
const STIFLE_RANGE: (f64, f64) = (0.10, 0.32);
const REACH_RANGE: (f64, f64) = (-0.06, 0.20);

/// What may move so that the hind leg takes the angles that were read.
pub(super) struct HindAngles {
    pub stifle_deg: Option<f64>,
    pub hock_deg: Option<f64>,
    pub is_reach_free: bool,
}

/// Moves the knee forward or back, and the hock where it was not measured, to the angles read.
pub(super) fn bend_hind_leg(wanted: &HindAngles, b: &mut Build) {
    let h = b.height;
    let HindAngles {
        stifle_deg,
        hock_deg,
        is_reach_free,
    } = *wanted;
    // Each angle rises or falls steadily with the place it moves, so halving finds it; with both
    // free, one after the other closes in on both.
    for _ in 0..12 {
        if let Some(goal) = stifle_deg {
            b.stifle_forward = search(STIFLE_RANGE, h, |x| {
                angle_of(
                    Angle::Stifle,
                    &Build {
                        stifle_forward: x,
                        ..b.clone()
                    },
                ) - goal
            });
        }
        match hock_deg {
            Some(goal) if is_reach_free => {
                b.hock_reach = search(REACH_RANGE, h, |x| {
                    angle_of(
                        Angle::Hock,
                        &Build {
                            hock_reach: x,
                            ..b.clone()
                        },
                    ) - goal
                });
            }
            Some(goal) if stifle_deg.is_none() => {
                b.stifle_forward = search(STIFLE_RANGE, h, |x| {
                    angle_of(
                        Angle::Hock,
                        &Build {
                            stifle_forward: x,
                            ..b.clone()
                        },
                    ) - goal
                });
            }
            _ => {}
        }
    }
}

/// The place in a range of the height where `off` changes sign, or the end nearer to it.
fn search(range: (f64, f64), height: f64, off: impl Fn(f64) -> f64) -> f64 {
    let (mut low, mut high) = (range.0 * height, range.1 * height);
    let (at_low, at_high) = (off(low), off(high));
    if at_low.signum() == at_high.signum() {
        return if at_low.abs() < at_high.abs() {
            low
        } else {
            high
        };
    }
    for _ in 0..40 {
        let middle = f64::midpoint(low, high);
        if off(middle).signum() == at_low.signum() {
            low = middle;
        } else {
            high = middle;
        }
    }
    f64::midpoint(low, high)
}
