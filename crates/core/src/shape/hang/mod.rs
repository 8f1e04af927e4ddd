//! What hangs from the body or stands over it: skirt, curtain, feather, sleeves (dog-shape-2.md 5
//! and 6).

mod curtain;
mod feather;
mod skirt;
mod sleeves;

pub(super) use curtain::curtain;
pub(super) use feather::{behind_fore, behind_hind};
pub(super) use skirt::{cut_skirt, hanging_skirt};
pub(super) use sleeves::{fore_sleeve, hind_sleeve, nape_v};

use kurbo::{Point, Vec2};

use super::edge::Dressing;
use super::polyline::Locks;
use super::station::Station;

const PLUMB: Vec2 = Vec2::new(0.0, -1.0);
/// Samples a span of a hem.
const FINE: usize = 10;
/// Hair that curls hangs in shallower locks (dog-shape-2.md 5).
const CURLED: f64 = 0.35;

/// How deep locks hang in this coat, against hair that falls straight.
const fn looseness(dressing: &Dressing) -> f64 {
    if dressing.texture.hangs_in_locks() {
        1.0
    } else {
        CURLED
    }
}

/// The body's lower edge with its ends in locks, tips on the edge itself.
pub(super) fn hanging_underline(under: &[Point], dressing: &Dressing, height: f64) -> Vec<Point> {
    let length = dressing.lengths[Station::Belly.index()];
    let locks = Locks {
        deep: (0.5 * length).min(0.035 * height) * looseness(dressing),
        wide: 0.05 * height,
        towards: PLUMB,
        seed: 13,
    };
    locks.on(under)
}
