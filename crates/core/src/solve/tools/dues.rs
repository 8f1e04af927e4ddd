//! What a choice of tools costs beside the balance, in points of it (balance-model-2.md 3).

use super::choices::{Choice, How};
use super::laid_out::{LaidOut, Way};
use super::unit_tables::{NEXT, is_alike, may_meet};
use super::{Bench, Roughing};
use crate::kit::Direction;
use crate::solve::units::Unit;

// Found by experiment (balance-model-2.md 3): a 1 % dip is 1.5 tolerances; at 3 a level back never
// gets a second length and a 2 % dip always does.

/// n lengths on the jacket cost this times (n − 1)².
const LENGTHS: f64 = 3.0;
/// A second one that was felt for costs only this.
const FELT_LENGTH: f64 = 1.0;
/// A line across the back.
pub(super) const LINE: f64 = 1.5;
/// A tool taken up.
pub(super) const TOOL: f64 = 0.6;
/// A minute of shears.
pub(super) const MINUTE: f64 = 0.4;
/// A clipper step under a minute: nearly a ban.
const SMALL_STEP: f64 = 4.0;
/// A minute, as a clipper step is counted.
const SMALL_MINUTES: f64 = 0.95;
/// A rough-out is a step of at least so much, minutes.
const ROUGH_MINUTES: f64 = 0.6;
/// Each way of roughing out after the first, once the lengths stand: it goes round the dog once more before the
/// shears (house value: three minutes of them).
pub(super) const ROUGH_AGAIN: f64 = 3.0 * MINUTE;
/// Each clipped length off the jacket in a look that is one length all over.
const OTHER_LENGTH: f64 = 1.0;
/// Neighbours too near one another, or strokes mixed on the jacket: a ban.
pub(super) const BAN: f64 = 50.0;

/// Ribs narrower than this share of the height are felt flat; a shoulder wider than the ribs by so much
/// heavy; a tail set under so much low (balance-model-2.md 2, as the study has them).
const FLAT_RIBS: f64 = 0.30;
const HEAVY_SHOULDER: f64 = 0.019;
const LOW_TAIL: f64 = 0.935;

/// What the hand felt that a comb may answer.
#[derive(Clone, Copy, Debug)]
pub(super) struct Felt {
    pub(super) has_flat_ribs: bool,
    pub(super) has_heavy_shoulder: bool,
    pub(super) has_low_tail: bool,
}

impl Felt {
    pub(super) fn on(bench: &Bench<'_>) -> Self {
        let build = &bench.subject.build;
        let h = build.height;
        Self {
            has_flat_ribs: build.rib_width < FLAT_RIBS * h,
            has_heavy_shoulder: build.shoulder_width - build.rib_width > HEAVY_SHOULDER * h,
            has_low_tail: build.tail_set < LOW_TAIL * h,
        }
    }
}

/// The price of lengths on the jacket.
pub(super) fn lengths_due(lengths: usize, is_felt: bool) -> f64 {
    match lengths {
        2 if is_felt => FELT_LENGTH,
        n => {
            let more = n.saturating_sub(1) as f64;
            LENGTHS * more * more
        }
    }
}

/// Counts what a whole choice costs beside the balance.
#[derive(Debug)]
pub(super) struct Dues<'a> {
    pub(super) laid_out: &'a LaidOut,
    pub(super) ways: &'a [Way],
    pub(super) felt: Felt,
    /// Neighbours, by number.
    next: Vec<(usize, usize)>,
    /// Whether the look is one length all over.
    is_one_length: bool,
    lines: f64,
    back: Option<usize>,
    rear: Option<usize>,
    croup: Option<usize>,
    ribs: Option<usize>,
}

impl<'a> Dues<'a> {
    pub(super) fn new(laid_out: &'a LaidOut, ways: &'a [Way], felt: Felt) -> Self {
        let next = NEXT
            .iter()
            .filter_map(|(a, b)| Some((laid_out.find(*a)?, laid_out.find(*b)?)))
            .collect();
        let of_jacket = |unit| laid_out.find(unit).filter(|u| laid_out.jacket.contains(u));
        let rear = laid_out.find(Unit::BackRear);
        Self {
            next,
            is_one_length: !laid_out.subject.look.scales,
            lines: if rear.is_some() { LINE } else { 0.0 },
            back: of_jacket(Unit::BackFront),
            rear: of_jacket(Unit::BackRear),
            croup: of_jacket(Unit::Croup),
            ribs: of_jacket(Unit::Ribs),
            laid_out,
            ways,
            felt,
        }
    }

    fn clipped_mm(choice: &Choice) -> Option<f64> {
        match choice.how {
            How::Clip { mm, .. } => Some(mm),
            _ => None,
        }
    }

    /// How many lengths the jacket has: hair shorter than the comb is no length of its own.
    pub(super) fn jacket_lengths(&self, plan: &[&Choice]) -> usize {
        let mut lengths: Vec<f64> = Vec::new();
        let mut by_shears = false;
        for u in &self.laid_out.jacket {
            match plan[*u].how {
                How::Clip { mm, .. } if !lengths.iter().any(|l| is_alike(*l, mm)) => {
                    lengths.push(mm);
                }
                How::Shears { .. } => by_shears = true,
                _ => {}
            }
        }
        lengths.len() + usize::from(by_shears)
    }

    /// Whether a second length answers what the hand felt: flat ribs, a low tail.
    pub(super) fn is_felt(&self, plan: &[&Choice]) -> bool {
        let mm = |u: Option<usize>| u.and_then(|u| Self::clipped_mm(plan[u]));
        let ribs = self.felt.has_flat_ribs
            && mm(self.ribs).is_some_and(|ribs| mm(self.back).is_none_or(|b| !is_alike(ribs, b)));
        let croup = self.felt.has_low_tail
            && self.croup.is_some_and(|u| {
                let behind = mm(self.rear.or(self.back));
                plan[u].is_shears()
                    || mm(self.croup)
                        .is_some_and(|c| behind.is_some_and(|b| c > b && !is_alike(c, b)))
            });
        ribs || croup
    }

    /// What the whole costs, in points of balance.
    pub(super) fn of(&self, plan: &[&Choice]) -> f64 {
        let mut tools = 0_u64;
        // Minutes by tool and stroke: with the lay, against it, held off.
        let mut steps: Vec<((usize, u8), f64)> = Vec::with_capacity(8);
        let mut step =
            |key: (usize, u8), minutes: f64| match steps.iter_mut().find(|(k, _)| *k == key) {
                Some((_, m)) => *m += minutes,
                None => steps.push((key, minutes)),
            };
        let mut shears = 0.0;
        for (placed, choice) in self.laid_out.units.iter().zip(plan) {
            shears += choice.minutes;
            let minutes = placed.unit.clipper_minutes();
            let Some(way) = choice.way().map(|w| &self.ways[w]) else {
                continue;
            };
            tools |= 1 << (way.slot % 64);
            match choice.how {
                How::Clip { .. } => {
                    let is_against = way.direction == Direction::AgainstTheLay;
                    step((way.slot, u8::from(is_against)), minutes);
                }
                How::Shears { rough } => {
                    let is_held_off = rough.is_some_and(|(_, how)| how == Roughing::HeldOff);
                    let stroke = if is_held_off { 2 } else { 0 };
                    step((way.slot, stroke), minutes.max(ROUGH_MINUTES));
                }
                How::Leave => {}
            }
        }
        let small = steps
            .iter()
            .filter(|(_, minutes)| *minutes < SMALL_MINUTES)
            .count() as f64;
        lengths_due(self.jacket_lengths(plan), self.is_felt(plan))
            + TOOL * f64::from(tools.count_ones())
            + MINUTE * shears
            + SMALL_STEP * small
            + OTHER_LENGTH * self.other_lengths(plan)
            + BAN * self.banned(plan)
            + self.lines
    }

    /// Clipped lengths off the jacket, in a look of one length.
    fn other_lengths(&self, plan: &[&Choice]) -> f64 {
        if !self.is_one_length {
            return 0.0;
        }
        let jacket = &self.laid_out.jacket;
        let of = |u: usize| Self::clipped_mm(plan[u]);
        let of_jacket: Vec<f64> = jacket.iter().filter_map(|u| of(*u)).collect();
        let mut others: Vec<f64> = Vec::new();
        for u in 0..plan.len() {
            if let Some(mm) = of(u)
                && !of_jacket.iter().chain(&others).any(|l| is_alike(*l, mm))
            {
                others.push(mm);
            }
        }
        others.len() as f64
    }

    /// Neighbours too near, and strokes mixed on the jacket.
    pub(super) fn banned(&self, plan: &[&Choice]) -> f64 {
        let jacket = &self.laid_out.jacket;
        let against = |u: usize| match plan[u].how {
            How::Clip { way, .. } => self.ways[way].direction == Direction::AgainstTheLay,
            _ => false,
        };
        let bad = self.next.iter().filter(|(a, b)| {
            let (Some(one), Some(other)) = (Self::clipped_mm(plan[*a]), Self::clipped_mm(plan[*b]))
            else {
                return false;
            };
            let both = jacket.contains(a) && jacket.contains(b);
            !may_meet(one, other) || (both && against(*a) != against(*b))
        });
        bad.count() as f64
    }
}
