//! What the balance does not judge: face, beard, brows, topknot, ears, feet and tail get the set of
//! tools that costs least, those in hand for nothing (balance-model.md 11).

use uuid::Uuid;

use super::choices::ROUGH_OFF_MM;
use super::laid_out::NOTHING_OFF_MM;
use super::unit_tables::HAIRSBREADTH;
use super::{Bench, Roughing, Stroke, UnitCut};
use crate::balance::bounds;
use crate::coat::{Knots, shortest_safe_mm};
use crate::kit::{Direction, Tool, ToolKind, full_leaves_mm};
use crate::look::FootFinish;
use crate::shape::{EarForm, HeadShape};
use crate::solve::units::Unit;

// Costs in mm² on a dog of 450 mm (balance-model.md 11, found by experiment).

/// Taking up one more tool: one blade does all it can before it is changed.
const TOOL: f64 = 8.0;
/// Scatter of shears.
const SCISSOR_SCATTER: f64 = 1.0;
/// One minute of shears.
const MINUTE: f64 = 3.0;
/// Too short counts double: hair cannot be added.
const TOO_SHORT: f64 = 2.0;
/// Shears without a rough-out take at most this many times the minutes.
const WITHOUT_ROUGHING: f64 = 4.0;
/// Each so many millimetres roughed too long add the minutes once more.
const ROUGH_MM: f64 = 20.0;
/// How far a roughing tool may be shorter than the longest length wanted, mm.
const ROUGH_SLACK: f64 = 0.5;
/// At most this many tools are weighed as a set, the best somewhere.
const MOST_TOOLS: usize = 12;

/// The cheapest choice of one option a unit, each tool counted once and those in hand not at all:
/// exact over the subsets of the tools that are best somewhere.
fn best_set(options: &[Vec<UnitCut>], in_hand: &[Uuid]) -> Vec<usize> {
    let tools = leading_tools(options);
    let price = |tool: &Uuid| if in_hand.contains(tool) { 0.0 } else { TOOL };
    let cheapest = |unit: &[UnitCut], allowed: &dyn Fn(Uuid) -> bool| {
        unit.iter()
            .enumerate()
            .filter(|(_, o)| o.tool.is_none_or(allowed))
            .min_by(|a, b| a.1.cost.total_cmp(&b.1.cost))
            .map(|(i, o)| (i, o.cost))
    };
    // Table: cost of each unit with each tool, and without any.
    let none = |_: Uuid| false;
    let free: Vec<f64> = options
        .iter()
        .map(|unit| cheapest(unit, &none).map_or(f64::INFINITY, |(_, c)| c))
        .collect();
    let with: Vec<Vec<f64>> = options
        .iter()
        .map(|unit| {
            tools
                .iter()
                .map(|tool| {
                    unit.iter()
                        .filter(|o| o.tool == Some(*tool))
                        .map(|o| o.cost)
                        .fold(f64::INFINITY, f64::min)
                })
                .collect()
        })
        .collect();
    // Cost of every subset: a unit takes the cheapest of its tools in the subset, which is the
    // cheaper of the subset without its lowest tool and that tool.
    let subsets = 1_usize << tools.len();
    let mut costs: Vec<f64> = (0..subsets)
        .map(|set| {
            let taken = tools.iter().enumerate().filter(|(n, _)| set >> n & 1 == 1);
            taken.map(|(_, tool)| price(tool)).sum()
        })
        .collect();
    let mut least = vec![0.0; subsets];
    for (unit, free) in with.iter().zip(&free) {
        least[0] = *free;
        costs[0] += free;
        for set in 1..subsets {
            let lowest = set.trailing_zeros() as usize;
            least[set] = least[set & (set - 1)].min(unit[lowest]);
            costs[set] += least[set];
        }
    }
    let best = costs
        .iter()
        .enumerate()
        .min_by(|a, b| a.1.total_cmp(b.1))
        .map_or(0, |(set, _)| set);
    let allowed = |tool: Uuid| {
        tools
            .iter()
            .position(|t| *t == tool)
            .is_some_and(|i| best >> i & 1 == 1)
    };
    options
        .iter()
        .map(|unit| cheapest(unit, &allowed).map_or(0, |(i, _)| i))
        .collect()
}

/// Tools that are best for some unit, at most [`MOST_TOOLS`], the often best first.
fn leading_tools(options: &[Vec<UnitCut>]) -> Vec<Uuid> {
    let mut wins: Vec<(Uuid, usize)> = Vec::new();
    for unit in options {
        let mut ranked: Vec<&UnitCut> = unit.iter().filter(|o| o.tool.is_some()).collect();
        ranked.sort_by(|a, b| a.cost.total_cmp(&b.cost));
        for (place, option) in ranked.iter().take(3).enumerate() {
            let Some(tool) = option.tool else { continue };
            match wins.iter_mut().find(|(t, _)| *t == tool) {
                Some(win) => win.1 += 3 - place,
                None => wins.push((tool, 3 - place)),
            }
        }
    }
    wins.sort_by(|a, b| b.1.cmp(&a.1).then(a.0.cmp(&b.0)));
    wins.truncate(MOST_TOOLS);
    wins.into_iter().map(|(tool, _)| tool).collect()
}

/// Up to here a face, an ear or a foot is *clean*, mm (handbook 5, *Nominal lengths*: 0.5 to 1.5).
const CLEAN_MM: f64 = 2.0;
/// What is meant clean is left no longer than so many times that: half a millimetre shows on a face,
/// and a long-toothed blade is no tool for it (common practice; handbook 3: it catches skin).
const CLEAN_WITHIN: f64 = 1.6;

/// Leaves of a clean face's, ear's or foot's options those that come out clean; all where none does.
fn clean_enough(unit: Unit, wanted_mm: f64, options: Vec<UnitCut>) -> Vec<UnitCut> {
    let is_clean = matches!(unit, Unit::Face | Unit::Muzzle | Unit::Ears | Unit::Feet)
        && wanted_mm <= CLEAN_MM;
    let near = |cut: &UnitCut| {
        let longest = cut.leaves_mm.iter().copied().fold(0.0, f64::max);
        cut.stroke != Stroke::Scissor && longest <= CLEAN_WITHIN * wanted_mm.max(1.0)
    };
    if is_clean && options.iter().any(near) {
        options.into_iter().filter(near).collect()
    } else {
        options
    }
}

impl Bench<'_> {
    /// The cuts of all that the balance does not judge, beside tools that are in hand already.
    pub(super) fn set_apart(&self, in_hand: &[Uuid]) -> Vec<UnitCut> {
        let apart = Unit::on(self.subject).filter(|unit| unit.spots(self.subject).is_empty());
        let options: Vec<Vec<UnitCut>> = apart.map(|unit| self.options(unit)).collect();
        let chosen = best_set(&options, in_hand);
        let cuts = options.iter().zip(chosen);
        cuts.map(|(unit, i)| unit[i].clone()).collect()
    }

    /// A zone that the balance does not judge: the look's length as far as it can be had.
    fn set_length(&self, unit: Unit) -> Wanted {
        let zone = unit.zone();
        let (low, high) = bounds(self.coat, zone, shortest_safe_mm(zone, self.skin));
        let nominal = self.subject.look.nominal_mm(zone, self.subject.height());
        Wanted {
            ideal: nominal.min(high).max(low),
            low,
            high,
            now: self.coat.length_mm(zone),
        }
    }

    fn options(&self, unit: Unit) -> Vec<UnitCut> {
        let wanted = [self.set_length(unit)];
        let scale = (450.0 / self.subject.height()).powi(2);
        let zone = unit.zone();
        let knots = self.coat.knots(zone);
        let mut options = Vec::new();
        let mut offer = |stroke,
                         tool: Option<Uuid>,
                         leaves: &dyn Fn(&Wanted) -> f64,
                         extra: f64,
                         minutes: f64| {
            let leaves_mm: Vec<f64> = wanted.iter().map(|w| leaves(w).min(w.now)).collect();
            let is_allowed = wanted
                .iter()
                .zip(&leaves_mm)
                .all(|(w, l)| *l >= w.low - HAIRSBREADTH && *l <= w.high + HAIRSBREADTH);
            if !is_allowed {
                return;
            }
            let miss = wanted
                .iter()
                .zip(&leaves_mm)
                .map(|(w, l)| {
                    let off = l - w.ideal;
                    off * off * if off < 0.0 { TOO_SHORT } else { 1.0 }
                })
                .sum::<f64>()
                / wanted.len() as f64;
            options.push(UnitCut {
                unit,
                stroke,
                tool,
                is_gone_over: false,
                roughing: (stroke == Stroke::Scissor && tool.is_some())
                    .then_some(Roughing::Pressed),
                wanted_mm: wanted.iter().map(|w| w.ideal).collect(),
                leaves_mm,
                scissor_minutes: minutes,
                cost: miss * scale + extra,
            });
        };
        offer(Stroke::Leave, None, &|w| w.now, 0.0, 0.0);
        let by_shears = unit.shortest_by_shears_mm();
        let shorn = |w: &Wanted| w.ideal.max(by_shears);
        let longest = wanted.iter().map(&shorn).fold(0.0, f64::max);
        let mean = wanted.iter().map(&shorn).sum::<f64>() / wanted.len() as f64;
        let over = |stands: f64| 1.0 + (stands - mean).max(0.0) / ROUGH_MM;
        // What lies in the tool's way is the zone's own hair, however far a hem hangs.
        let coat_mm = self.coat.length_mm(zone);
        let minutes = unit.scissor_minutes();
        let stand = self.coat.stand.of(zone);
        // A natural back is thinned, never clipped, and a long beard and brows are combed forward
        // and set by shears; little comes off, so no roughing out is missed.
        let look = &self.subject.look;
        let is_natural = !look.has_clipper;
        let is_lashed = look.finish.head == Some(HeadShape::Terrier)
            && matches!(unit, Unit::Beard | Unit::Brows);
        // An ear that hangs in its feather is set by shears.
        let is_feathered = unit == Unit::Ears && look.finish.ear == EarForm::Feathered;
        let is_by_eye = self.is_head_by_eye && matches!(unit, Unit::Beard | Unit::Topknot);
        // A foot that is not clean is set by shears.
        let is_shod = unit == Unit::Feet && look.foot != FootFinish::Clean;
        // What has to come shorter than shears go is blade work all the same.
        let is_by_hand = (is_natural || is_lashed || is_feathered || is_by_eye || is_shod)
            && wanted.iter().all(|w| w.high >= by_shears.min(w.now));
        let kit: &[Tool] = if is_by_hand { &[] } else { self.kit };
        for tool in &kit
            .iter()
            .filter(|t| t.is_fit())
            .flat_map(Tool::settings)
            .collect::<Vec<_>>()
        {
            if tool.kind == ToolKind::Comb && knots == Knots::Tight {
                continue; // A comb attachment that meets a knot falls off or leaves a hole.
            }
            let full = full_leaves_mm(tool, self.under, Direction::WithTheLay, stand);
            let takes_off = |mm: f64, least: f64| mm <= coat_mm - least + HAIRSBREADTH;
            if takes_off(full, NOTHING_OFF_MM) {
                offer(Stroke::Full, Some(tool.id), &|_| full, 0.0, 0.0);
            }
            match tool.kind {
                ToolKind::Blade => {
                    let against = full_leaves_mm(tool, self.under, Direction::AgainstTheLay, stand);
                    if self.bears_against(zone, against) && takes_off(against, NOTHING_OFF_MM) {
                        offer(Stroke::Against, Some(tool.id), &|_| against, 0.0, 0.0);
                    }
                }
                // On a head, an ear or a tail no comb is held off: the hair moves (common practice).
                ToolKind::Comb => {}
            }
            if full >= longest - ROUGH_SLACK && takes_off(full, ROUGH_OFF_MM) {
                let more = minutes * over(full);
                let extra = SCISSOR_SCATTER + MINUTE * more;
                offer(Stroke::Scissor, Some(tool.id), &shorn, extra, more);
            }
        }
        let more = if is_by_hand {
            minutes
        } else {
            minutes * over(coat_mm).min(WITHOUT_ROUGHING)
        };
        let extra = SCISSOR_SCATTER + MINUTE * more;
        offer(Stroke::Scissor, None, &shorn, extra, more);
        if options.is_empty() {
            // No blade reaches what is asked for: the shears stop where they have to.
            options.push(UnitCut {
                unit,
                stroke: Stroke::Scissor,
                tool: None,
                roughing: None,
                is_gone_over: false,
                wanted_mm: wanted.iter().map(|w| w.ideal).collect(),
                leaves_mm: wanted.iter().map(|w| shorn(w).min(w.now)).collect(),
                scissor_minutes: more,
                cost: extra,
            });
        }
        let asked = wanted.iter().map(|w| w.ideal).fold(0.0, f64::max);
        clean_enough(unit, asked, options)
    }
}

/// What is wanted at one spot, mm.
#[derive(Clone, Copy, Debug)]
struct Wanted {
    ideal: f64,
    low: f64,
    high: f64,
    now: f64,
}

#[cfg(test)]
mod tests {
    use super::*;
    use proptest::prelude::*;

    fn option(tool: Option<u128>, cost: f64) -> UnitCut {
        UnitCut {
            unit: Unit::Ears,
            stroke: Stroke::Full,
            tool: tool.map(Uuid::from_u128),
            roughing: None,
            is_gone_over: false,
            wanted_mm: vec![],
            leaves_mm: vec![],
            scissor_minutes: 0.0,
            cost,
        }
    }

    /// Cost of a choice: its options and each tool once.
    fn cost_of(options: &[Vec<UnitCut>], chosen: &[usize]) -> f64 {
        let cuts: Vec<&UnitCut> = options.iter().zip(chosen).map(|(o, i)| &o[*i]).collect();
        let mut tools: Vec<Uuid> = cuts.iter().filter_map(|c| c.tool).collect();
        tools.sort_unstable();
        tools.dedup();
        cuts.iter().map(|c| c.cost).sum::<f64>() + TOOL * tools.len() as f64
    }

    /// Every combination of options, tool costs counted once a tool.
    fn exhaustive(options: &[Vec<UnitCut>]) -> f64 {
        let mut best = f64::INFINITY;
        let mut chosen = vec![0; options.len()];
        loop {
            best = best.min(cost_of(options, &chosen));
            let Some(u) = (0..chosen.len()).find(|u| chosen[*u] + 1 < options[*u].len()) else {
                return best;
            };
            chosen[..u].fill(0);
            chosen[u] += 1;
        }
    }

    proptest! {
        /// Tool assignment against exhaustive search on small cases (handbook 8).
        #[test]
        fn the_chosen_set_of_tools_is_the_cheapest_of_all(
            costs in prop::collection::vec(prop::collection::vec(0.0_f64..40.0, 4), 5)
        ) {
            let options: Vec<Vec<UnitCut>> = costs
                .iter()
                .map(|unit| {
                    unit.iter()
                        .enumerate()
                        .map(|(i, c)| option((i > 0).then_some(i as u128), *c))
                        .collect()
                })
                .collect();
            let ours = cost_of(&options, &best_set(&options, &[]));
            prop_assert!((ours - exhaustive(&options)).abs() < 1e-9);
        }
    }
}
