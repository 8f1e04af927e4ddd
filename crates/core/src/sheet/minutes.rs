//! Minutes of a groom, medium dog (handbook 6, modelling choice unless marked there).

use crate::coat::Knots;
use crate::dog::Topic;
use crate::job::Job;

pub(super) const NAILS: f64 = 5.0;
/// Minutes more for every millimetre nails stand past the foot (modelling choice).
pub(super) const LONG_NAILS: f64 = 1.0;
pub(super) const PADS: f64 = 4.0;
pub(super) const HYGIENE: f64 = 4.0;
/// Both ears; the eye corners are counted by themselves (handbook 6 has 4 for both).
pub(super) const EARS_CLEANED: f64 = 2.0;
/// Filled, massaged and wiped (modelling choice).
pub(super) const EARS_FILLED: f64 = 4.0;
/// On a coat of [`WET_COAT_MM`].
pub(super) const BATH: f64 = 15.0;
/// On the same coat.
pub(super) const DRY: f64 = 25.0;
/// Mean length over the whole dog at which bath and dryer take their minutes, mm (modelling choice).
pub(super) const WET_COAT_MM: f64 = 40.0;
/// Bath and dryer take at least and at most this share of their minutes, however short or long the coat
/// (modelling choice).
pub(super) const WET_COAT: (f64, f64) = (0.6, 1.6);
/// The body clipped again after it was roughed out: only its edges are levelled (modelling choice).
pub(super) const AFTER_ROUGHING: f64 = 0.6;
pub(super) const BODY_CLIPPED: f64 = 10.0;
/// One leg (common practice).
pub(super) const LEG_SKIMMED: f64 = 0.6;
pub(super) const FOOT_EDGE: f64 = 2.0;
/// Scooped with the shortest blade (common practice).
pub(super) const BEVEL_SCOOPED: f64 = 3.5;
/// One leg by shears alone.
pub(super) const LEG_SCISSORED: f64 = 20.0;
/// One leg by shears after skimming (common practice).
pub(super) const LEG_AFTER_SKIMMING: f64 = 5.0;
pub(super) const UNDERLINE_AND_TUCK_UP: f64 = 4.0;
pub(super) const REAR: f64 = 3.0;
pub(super) const TAIL: f64 = 4.0;
/// A whole head by shears: its six cuts together.
pub(super) const HEAD: f64 =
    BETWEEN_EYES + EYES_OPENED + EAR_RING + UNDER_BEARD + HEAD_SIDES + TOPKNOT;
/// The head's cuts, together the quarter of an hour of handbook 6 (10 D, modelling choice).
pub(super) const BETWEEN_EYES: f64 = 2.0;
pub(super) const EYES_OPENED: f64 = 2.0;
pub(super) const EAR_RING: f64 = 2.0;
pub(super) const UNDER_BEARD: f64 = 2.0;
pub(super) const HEAD_SIDES: f64 = 3.0;
pub(super) const TOPKNOT: f64 = 4.0;
pub(super) const EARS: f64 = 4.0;
/// The upper part of both ears by a blade (modelling choice).
pub(super) const UPPER_EARS: f64 = 3.0;
pub(super) const BLEND: f64 = 6.0;
pub(super) const CHECK: f64 = 4.0;
/// Taking up another tool.
pub const BLADE_CHANGE: f64 = 0.7;

/// A step that stands by itself takes at least so long, the tool taken up and the place found
/// (modelling choice).
pub(super) const LEAST_STEP: f64 = 2.0;
/// Both eye corners (modelling choice).
pub(super) const EYE_CORNERS: f64 = 2.0;
/// Clearing a site left and right (modelling choice).
pub(super) const SITE_CLEARED: f64 = 2.0;
/// A comb through twelve regions (modelling choice).
pub(super) const COMB_TEST: f64 = 2.0;
/// A small job that has nothing to take off (modelling choice).
pub(super) const LOOKED_AT: f64 = 0.5;
/// Knots cut out instead of brushed (modelling choice).
pub(super) const KNOTS_CUT: f64 = 5.0;
/// One bevel by shears, full coat (common practice).
pub(super) const BEVEL_SCISSORED: f64 = 15.0;
/// Share of the clipping that is left with a wide blade (handbook 3).
pub(super) const WIDE_BLADE: f64 = 0.75;
/// Bows and bands taken off, and a ponytail parted and tied (modelling choices).
pub(super) const BANDS_OFF: f64 = 1.0;
pub(super) const PONYTAIL: f64 = 2.5;
/// A bladed body gone over by a comb (modelling choice).
pub(super) const POLISH: f64 = 3.0;
/// A topknot whose length stays: over the ears and off the eyes, half of a head shaped from the start
/// (modelling choice).
pub(super) const HEAD_LEFT_LONG: f64 = 0.5 * HEAD;
/// Share of an ear's, topknot's or tail's minutes that the clipper takes where one runs there first;
/// the shears have the rest (modelling choice).
pub(super) const CLIPPED_SHARE: f64 = 0.4;
/// A pass against the lay and one with it, against the first alone (handbook 10 C 3, modelling choice).
pub(super) const SECOND_PASS: f64 = 1.4;
/// Share of a pass that a lighter first layer takes (modelling choice).
pub(super) const FIRST_LAYER: f64 = 0.6;

/// Minutes more that knots take under the brush, on this dog and at this salon.
pub fn brush_out_minutes(worst: Knots, job: &Job) -> f64 {
    let factor = job.house.minute_factors.get(&Topic::CombOut);
    knots(Some(worst)) * for_size(job.sides.left.height) * factor.copied().unwrap_or(1.0)
}

/// More under the brush for the worst knots that stay (handbook 6).
pub(super) fn knots(worst: Option<Knots>) -> f64 {
    match worst {
        Some(Knots::Tight) => 30.0,
        Some(Knots::Few) => 15.0,
        Some(Knots::None) | None => 0.0,
    }
}

/// Factor for how the dog stands: × 0.9 with a helper, × 1.3 where it is restless (handbook 6).
pub(super) fn held(has_helper: bool, is_restless: bool) -> f64 {
    let helper = if has_helper { 0.9 } else { 1.0 };
    let restless = if is_restless { 1.3 } else { 1.0 };
    helper * restless
}

/// Factor for the dog's size: × 0.7 toy, × 1.5 large.
pub fn for_size(height_mm: f64) -> f64 {
    if height_mm < 280.0 {
        0.7
    } else if height_mm > 550.0 {
        1.5
    } else {
        1.0
    }
}
