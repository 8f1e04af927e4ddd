//! Minutes of a groom, medium dog (handbook 6, modelling choice unless marked there).

use crate::coat::{CoatNow, Knots};

pub(super) const NAILS: f64 = 5.0;
pub(super) const PADS: f64 = 4.0;
pub(super) const HYGIENE: f64 = 4.0;
pub(super) const EARS_CLEANED: f64 = 4.0;
pub(super) const BATH: f64 = 15.0;
pub(super) const DRY: f64 = 25.0;
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
pub(super) const HEAD: f64 = 15.0;
pub(super) const EARS: f64 = 4.0;
pub(super) const BLEND: f64 = 6.0;
pub(super) const CHECK: f64 = 4.0;
pub(super) const BLADE_CHANGE: f64 = 0.7;

/// Combing out, by the worst knots.
pub(super) fn comb_out(coat: &CoatNow) -> f64 {
    let worst = |knots: Knots| coat.knots.values().any(|k| *k == knots);
    15.0 + if worst(Knots::Tight) {
        30.0
    } else if worst(Knots::Few) {
        15.0
    } else {
        0.0
    }
}

/// Factor for the dog's size: × 0.7 toy, × 1.5 large.
pub(super) fn for_size(height_mm: f64) -> f64 {
    if height_mm < 280.0 {
        0.7
    } else if height_mm > 550.0 {
        1.5
    } else {
        1.0
    }
}
