//! What one unit of the judged body can get (balance-model-2.md 1).

use super::laid_out::{NOTHING_OFF_MM, Placed, Way};
use super::unit_tables::JACKET;
use super::{Bench, LegWay, Roughing};
use crate::kit::{Direction, ONE_SIZE_MM, THINNED_MINUTES};
use crate::look::Cut;
use crate::solve::units::Unit;

/// A rough-out pressed flat may be shorter than the longest length wanted by so little, mm.
const ROUGH_SLACK_MM: f64 = 0.5;
/// A rough-out is worth a step where it takes at least one size off, mm.
pub(super) const ROUGH_OFF_MM: f64 = ONE_SIZE_MM;
/// Held off, a tool leaves a planned length where its own is at most this share of it, at least what the hand
/// can hold (`HeldOff`) …
const SKIM_SHARE: f64 = 0.8;
/// … and where at least the scatter of the stroke comes off: so many mm and this share.
const SKIM_SCATTER_MM: f64 = 4.0;
const SKIM_SCATTER: f64 = 0.1;
/// Minutes more where a skim is run with a tool far under half the length.
const SKIM_DEEP_MINUTES: f64 = 2.0;
/// Standing this much over the plan, a unit takes the shears' minutes once more, mm …
const OVER_MM: f64 = 15.0;
/// … up to so many times.
const MOST_TIMES: f64 = 4.0;
/// A zone the look scissors is pressed only where a tool does the same so nearly, mm.
const THE_SAME_MM: f64 = 1.5;
/// A clipped fold or leg face is scissored where its lengths spread so far, mm.
const SPREAD_MM: f64 = 3.0;

/// How a unit is cut.
#[derive(Clone, Copy, Debug, PartialEq)]
pub(super) enum How {
    /// Nothing comes off.
    Leave,
    /// One tool pressed flat.
    Clip { way: usize, mm: f64 },
    /// By shears, roughed out by a tool if there is one.
    Shears { rough: Option<(usize, Roughing)> },
}

/// One of the things a unit can get.
#[derive(Clone, Debug)]
pub(super) struct Choice {
    pub(super) how: How,
    /// Minutes of shears, medium dog.
    pub(super) minutes: f64,
    /// Length left at each spot, mm.
    pub(super) leaves: Vec<f64>,
}

impl Choice {
    pub(super) fn leave(placed: &Placed) -> Self {
        Self {
            how: How::Leave,
            minutes: 0.0,
            leaves: placed.now.clone(),
        }
    }

    /// One tool pressed flat; *left* where it takes nothing off.
    pub(super) fn clip(placed: &Placed, way: usize, mm: f64) -> Self {
        if !placed.takes_off(mm) && placed.may_stay() {
            return Self::leave(placed);
        }
        Self {
            how: How::Clip { way, mm },
            minutes: 0.0,
            leaves: placed.pressed(mm),
        }
    }

    /// The way whose tool is taken up, whichever it is for.
    pub(super) const fn way(&self) -> Option<usize> {
        match self.how {
            How::Clip { way, .. } => Some(way),
            How::Shears { rough } => match rough {
                Some((way, _)) => Some(way),
                None => None,
            },
            How::Leave => None,
        }
    }

    /// What roughs it out before the shears, and how.
    pub(super) const fn rough(&self) -> Option<(usize, Roughing)> {
        match self.how {
            How::Shears { rough } => rough,
            _ => None,
        }
    }

    pub(super) const fn is_shears(&self) -> bool {
        matches!(self.how, How::Shears { .. })
    }
}

impl Placed {
    /// How a way goes over hair that shears leave at these lengths without taking what they want: pressed
    /// where it is long enough, else held off where a hand can hold it; none where it may not.
    pub(super) fn roughed_by(&self, way: usize, leaves: &[f64]) -> Option<Roughing> {
        let (low, _, high) = spread(leaves);
        let mm = self.reach[way]?;
        if mm >= high - ROUGH_SLACK_MM {
            return Some(Roughing::Pressed);
        }
        let can_hold = mm <= SKIM_SHARE * low && mm >= self.held_off.least * high;
        can_hold.then_some(Roughing::HeldOff)
    }
}

fn spread(lengths: &[f64]) -> (f64, f64, f64) {
    let low = lengths.iter().copied().fold(f64::INFINITY, f64::min);
    let high = lengths.iter().copied().fold(0.0, f64::max);
    let mean = lengths.iter().sum::<f64>() / lengths.len().max(1) as f64;
    (low, mean, high)
}

/// The clipped length of a unit nearest to one wanted, among what is allowed there: a limit or a knot
/// that forbids it gets the nearest.
pub(super) fn nearest_clip(placed: &Placed, ways: &[Way], way: usize, mm: f64) -> Option<Choice> {
    if placed.leaves.get(way).is_some_and(Option::is_some) {
        return Some(Choice::clip(placed, way, mm));
    }
    let with_the_lay = |(n, leaves): (usize, &Option<f64>)| {
        let is_with = ways[n].direction == Direction::WithTheLay;
        leaves.filter(|_| is_with).map(|leaves| (n, leaves))
    };
    let allowed = placed.leaves.iter().enumerate().filter_map(with_the_lay);
    let nearest = allowed.min_by(|a, b| (a.1 - mm).abs().total_cmp(&(b.1 - mm).abs()));
    nearest.map(|(way, mm)| Choice::clip(placed, way, mm))
}

/// Ways of scissoring a unit to lengths: roughed out by a pressed tool, by one held off, or not.
pub(super) fn by_shears(placed: &Placed, ways: &[Way], lengths_mm: &[f64]) -> Vec<Choice> {
    let leaves = placed.shorn(lengths_mm);
    let (low, mean, high) = spread(&leaves);
    let base = placed.unit.scissor_minutes();
    let shears = |rough, minutes: f64| Choice {
        how: How::Shears { rough },
        minutes,
        leaves: leaves.clone(),
    };
    if placed.cut == Cut::Thinned {
        return if placed.lies_as_it_is(mean) {
            vec![Choice::leave(placed)]
        } else {
            vec![shears(None, THINNED_MINUTES)]
        };
    }
    if placed.is_by_hand {
        // Little comes off, so no roughing out is missed.
        return vec![shears(None, base)];
    }
    if placed.coat_mm - mean < NOTHING_OFF_MM && placed.may_stay() {
        return vec![Choice::leave(placed)];
    }
    let minutes = |over: f64| base * (1.0 + over.max(0.0) / OVER_MM).min(MOST_TIMES);
    let mut choices = vec![shears(None, minutes(placed.coat_mm - mean))];
    let scatter = placed.held_off.scatter * (SKIM_SCATTER_MM + SKIM_SCATTER * mean);
    for (n, way) in ways.iter().enumerate() {
        let Some(mm) = placed.reach[n].filter(|_| way.direction == Direction::WithTheLay) else {
            continue;
        };
        match placed.roughed_by(n, &leaves) {
            Some(Roughing::Pressed) if mm <= placed.coat_mm - ROUGH_OFF_MM => {
                choices.push(shears(Some((n, Roughing::Pressed)), minutes(mm - mean)));
            }
            Some(Roughing::HeldOff) if placed.coat_mm - high >= scatter => {
                let deep = SKIM_DEEP_MINUTES * (0.5 - mm / low).max(0.0);
                choices.push(shears(
                    Some((n, Roughing::HeldOff)),
                    minutes(scatter) + deep,
                ));
            }
            _ => {}
        }
    }
    choices
}

/// What a unit can get beside its neighbours: never nothing.
pub(super) fn choices(
    placed: &Placed,
    bench: &Bench<'_>,
    ways: &[Way],
    lengths_mm: &[f64],
) -> Vec<Choice> {
    let mut all = Vec::new();
    if placed.may_stay() {
        all.push(Choice::leave(placed));
    }
    let wanted: Vec<f64> = placed.spots.iter().map(|i| lengths_mm[*i]).collect();
    let (low, mean, high) = spread(&wanted);
    let is_near = |mm: f64| (mm - mean).abs() <= THE_SAME_MM;
    // What the look scissors is scissored, but where one comb of the trunk does the same.
    let is_scissored = placed.cut.is_by_hand() && placed.can_shear;
    let is_combed = bench.legs == LegWay::Combed && placed.unit.is_of_a_leg();
    let may_press = |mm: f64| {
        !is_scissored
            || is_combed
            || (placed.unit.is_of_the_trunk() && high - low < SPREAD_MM && is_near(mm))
    };
    let pressed: Vec<(usize, f64)> = placed
        .leaves
        .iter()
        .enumerate()
        .filter_map(|(way, leaves)| Some((way, (*leaves)?)))
        .filter(|(_, mm)| may_press(*mm))
        .collect();
    let takes_off = pressed.iter().filter(|(_, mm)| placed.takes_off(*mm));
    all.extend(takes_off.map(|(way, mm)| Choice::clip(placed, *way, *mm)));
    let has_near = pressed.iter().any(|(_, mm)| is_near(*mm));
    let is_needed = placed.cut.is_by_hand() || high - low >= SPREAD_MM || !has_near;
    let is_shorn = placed.cut.is_by_hand() || is_open(placed) || pressed.is_empty();
    if placed.can_shear && is_shorn && (is_needed || all.is_empty() || is_edge(placed)) {
        for choice in by_shears(placed, ways, lengths_mm) {
            if choice.how != How::Leave || all.is_empty() {
                all.push(choice);
            }
        }
    }
    if all.is_empty() {
        // No blade reaches what is asked for: the nearest tool, or the shears stop where they have to.
        let least = placed.high.iter().copied().fold(f64::INFINITY, f64::min);
        let near = nearest_clip(placed, ways, ways.len(), least);
        all.push(near.unwrap_or_else(|| by_shears_alone(placed, lengths_mm)));
    }
    as_legs_are_done(placed, bench.legs, all)
}

/// Whether shears may follow what the look clips here: edges, folds and legs, never the jacket.
fn is_open(placed: &Placed) -> bool {
    placed.unit == Unit::TuckUp || !JACKET.contains(&placed.unit)
}

/// Edges of the body that shears may follow hair by hair.
const fn is_edge(placed: &Placed) -> bool {
    matches!(
        placed.unit,
        Unit::Underline | Unit::TuckUp | Unit::Chest | Unit::Rump
    )
}

/// Shears where nothing else goes: as near to what is allowed as they cut.
fn by_shears_alone(placed: &Placed, lengths_mm: &[f64]) -> Choice {
    let least = placed.unit.shortest_by_shears_mm();
    let stop = placed.spots.iter().zip(&placed.now);
    Choice {
        how: How::Shears { rough: None },
        minutes: MOST_TIMES * placed.unit.scissor_minutes(),
        leaves: stop
            .map(|(i, now)| lengths_mm[*i].max(least).min(*now))
            .collect(),
    }
}

/// Leaves of a leg's choices those that the salon takes; all where none is left.
fn as_legs_are_done(placed: &Placed, legs: LegWay, choices: Vec<Choice>) -> Vec<Choice> {
    let is_taken = |choice: &Choice| match (legs, choice.how) {
        (LegWay::Skimmed, _) | (_, How::Leave) => true,
        (LegWay::Scissored, how) => how == How::Shears { rough: None },
        (LegWay::Combed, _) => !choice.is_shears(),
    };
    let has_other = |choice: &Choice| is_taken(choice) && choice.how != How::Leave;
    if !placed.unit.is_of_a_leg() || !choices.iter().any(has_other) {
        return choices;
    }
    choices.into_iter().filter(is_taken).collect()
}
