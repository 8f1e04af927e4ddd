use crate::balance::{Place, Subject};
use crate::coat::{CoatNow, Zone};
use crate::look::LineStop;
use crate::shape::Station as S;

/// Bend this close, share of its nominal, makes the hair over the pin bone a shelf
/// (balance-model.md 10).
const CLOSE_BEND: f64 = 0.65;

/// Whether a solution keeps a shelf: full under the pin bone, close at the bend.
///
/// # References
/// balance-model.md 10, *Shelf*: read off the free solution.
pub fn has_shelf(subject: &Subject, lengths_mm: &[f64]) -> bool {
    let share = |station: S| {
        let i = subject.find(Place::Side(station))?;
        Some(lengths_mm[i] / subject.spots[i].nominal.max(1e-6))
    };
    let (pin, bend) = (share(S::PinBone), share(S::Bend));
    pin.is_some_and(|p| p >= 1.0 - 1e-6) && bend.is_some_and(|b| b <= CLOSE_BEND)
}

/// The highest root line whose hair still reaches the planned edge under the brisket.
///
/// # Units and shapes
/// `lengths_mm` holds one planned length per spot.
pub fn skirt_stop(subject: &Subject, coat: &CoatNow, lengths_mm: &[f64]) -> LineStop {
    let brisket = subject.y(S::Brisket).at(lengths_mm);
    let hangs = coat.length_mm(Zone::Ribs);
    let reaches = |stop: &LineStop| {
        let root = stop.skirt_root_mm(subject.height(), subject.build.elbow);
        root.is_some_and(|y| y - hangs <= brisket)
    };
    [LineStop::HalfSkirt, LineStop::LowSkirt]
        .into_iter()
        .find(reaches)
        .unwrap_or(LineStop::FringeSkirt)
}
