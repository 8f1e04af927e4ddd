use super::state::Run;
use crate::coat::{CoatInput, Knots, Limit, LimitCause};
use crate::dog::Topic;
use crate::report::{KnotHere, KnotWay};
use crate::units::Length;

/// What is known of the coat once a knot was met: that it knots there, and where it is cut, that it goes
/// short there.
pub(crate) fn put_knot(coat: &mut CoatInput, knot: &KnotHere, way: KnotWay, leaves_mm: Length) {
    coat.knots.entry(knot.zone).or_insert(Knots::Few);
    if way == KnotWay::Brush {
        return;
    }
    let asked = coat.limits.get(&knot.zone).copied().unwrap_or_default();
    let most = asked
        .not_longer_mm
        .map_or(leaves_mm, |most| most.min(leaves_mm));
    let limit = Limit {
        not_longer_mm: Some(most),
        because: LimitCause::Knots,
        ..asked
    };
    coat.limits.insert(knot.zone, limit);
}

/// A knot for the record, in one sentence.
pub(super) fn knot_note(knot: &KnotHere, way: KnotWay) -> String {
    let at = match knot.hand.filter(|_| knot.zone.is_pair()) {
        Some(hand) => format!("{}, {}", knot.zone.label(), hand.label()),
        None => knot.zone.label().to_owned(),
    };
    let did = match way {
        KnotWay::Brush => "brushed out",
        KnotWay::CutWith => "cut with the coat",
        KnotWay::Clear => "cleared",
    };
    format!(
        "Knot on the {at}, {:.0} mm off the skin: {did}.",
        knot.off_skin_mm.as_mm()
    )
}

impl Run {
    /// Minutes the dog was brushed so far.
    pub fn brushed_minutes(&self) -> f64 {
        let is_brushing = |number| {
            self.step(number)
                .is_some_and(|step| step.topic == Topic::CombOut)
        };
        let there = self.steps.iter().filter(|s| is_brushing(s.step));
        there.map(|s| s.minutes).sum()
    }
}
