use uuid::Uuid;

use super::units::Unit;
use crate::balance::{BalancePoint, Subject, bounds};
use crate::coat::{CoatNow, Knots, Skin, Zone, shortest_safe_mm};
use crate::kit::{
    Direction, ONE_SIZE_MM, Tool, ToolKind, UnderComb, full_leaves_mm, skim_leaves_mm,
};
use crate::look::{Cut, FootFinish};
use crate::shape::HeadShape;

/// How a unit is cut (handbook 3, *Strokes*).
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
pub enum Stroke {
    /// Nothing comes off.
    Leave,
    /// Pressed flat, with the lay.
    Full,
    /// Against the lay.
    Against,
    /// The clipper's weight taken off it; only the tips go.
    Skim,
    /// By shears, roughed out by the tool if there is one.
    Scissor,
}

/// What one unit gets.
#[derive(Clone, Debug, PartialEq)]
pub struct UnitCut {
    /// Which unit.
    pub unit: Unit,
    /// How.
    pub stroke: Stroke,
    /// With which tool; none for shears alone and for what is left.
    pub tool: Option<Uuid>,
    /// Length wanted at each of its spots, mm.
    pub wanted_mm: Vec<f64>,
    /// Length the cut leaves at each of its spots, mm.
    pub leaves_mm: Vec<f64>,
    /// Minutes of shears, medium dog; zero for the clipper.
    pub scissor_minutes: f64,
    /// Cost in mm² (balance-model.md 11).
    cost: f64,
}

// Costs in mm² on a dog of 450 mm (balance-model.md 11, found by experiment).

/// Taking up one more tool: one blade does all it can before it is changed.
const TOOL: f64 = 8.0;
/// Scatter of the hand in a skim.
const SKIM_SCATTER: f64 = 2.0;
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
/// A pressed tool takes nothing off where it leaves no less than the coat less this, mm
/// (balance-model-2.md 1).
const NOTHING_OFF_MM: f64 = 1.0;
/// A rough-out is worth a step where it takes at least one size off, mm (balance-model-2.md 1).
const ROUGH_OFF_MM: f64 = ONE_SIZE_MM;
/// A tool may miss a limit or a safe length by so little, mm: less than a hand can hold.
const HAIRSBREADTH: f64 = 0.05;
/// At most this many tools are weighed as a set, the best somewhere.
const MOST_TOOLS: usize = 12;
/// Balance cost in mm² when single swaps are judged, and the share of the miss that then counts.
const SWAP_BALANCE: f64 = 5.0;
const SWAP_MISS: f64 = 0.25;
/// Rounds of single swaps; a third changes nothing more (tried).
const SWAP_ROUNDS: usize = 2;

/// What the choice of tools depends on.
#[derive(Clone, Copy, Debug)]
pub struct Bench<'a> {
    /// The dog under the look.
    pub subject: &'a Subject,
    /// Its coat.
    pub coat: &'a CoatNow,
    /// The judged points.
    pub points: &'a [BalancePoint],
    /// The kit.
    pub kit: &'a [Tool],
    /// Blade beneath the combs.
    pub under: UnderComb,
    /// How delicate the skin is.
    pub skin: Skin,
    /// The longest length clipped against the lay, mm (handbook 6, *clip direction*).
    pub against_at_most_mm: f64,
    /// How legs are brought to their length (handbook 6, *legs*).
    pub legs: LegWay,
    /// Whether topknot and beard are shaped by shears alone (handbook 6, *head tools*).
    pub is_head_by_eye: bool,
}

/// How a salon brings legs to their length.
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
pub enum LegWay {
    /// By comb where that is near enough, else skimmed and scissored.
    Skimmed,
    /// By shears alone.
    Scissored,
    /// By combs alone, where one leaves an allowed length.
    Combed,
}

/// Turns the lengths wanted into owned tools: the set of tools that costs least, exactly, then
/// single swaps judged by what they do to the balance.
///
/// # Units and shapes
/// `ideal_mm` holds one length per spot of the subject. Returns one cut per unit in the order of
/// [`Unit::ALL`]; no rear pass along the back where one runs through.
///
/// # References
/// balance-model.md 11.
pub fn choose_tools(bench: &Bench<'_>, ideal_mm: &[f64]) -> Vec<UnitCut> {
    let options: Vec<Vec<UnitCut>> = Unit::on(bench.subject)
        .map(|unit| bench.options(unit, ideal_mm))
        .collect();
    let chosen = best_set(&options);
    bench.swap(&options, chosen, ideal_mm)
}

/// The cheapest choice of one option a unit, each tool counted once: exact over the subsets of
/// the tools that are best somewhere.
pub fn best_set(options: &[Vec<UnitCut>]) -> Vec<usize> {
    let tools = leading_tools(options);
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
        .map(|set| TOOL * f64::from(set.count_ones()))
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

/// Cost of a choice: its options and each tool once.
pub fn cost_of(options: &[Vec<UnitCut>], chosen: &[usize]) -> f64 {
    let cuts: Vec<&UnitCut> = options.iter().zip(chosen).map(|(o, i)| &o[*i]).collect();
    let mut tools: Vec<Uuid> = cuts.iter().filter_map(|c| c.tool).collect();
    tools.sort_unstable();
    tools.dedup();
    cuts.iter().map(|c| c.cost).sum::<f64>() + TOOL * tools.len() as f64
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
    let is_clean = matches!(unit, Unit::Face | Unit::Ears | Unit::Feet) && wanted_mm <= CLEAN_MM;
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
    /// Lengths wanted, lowest and highest allowed, and coat there now, per spot of a unit.
    fn spots(&self, unit: Unit, ideal_mm: &[f64]) -> Vec<Wanted> {
        let spots = unit.spots(self.subject);
        if spots.is_empty() {
            return vec![self.set_length(unit.zone())];
        }
        spots
            .into_iter()
            .map(|i| {
                let spot = &self.subject.spots[i];
                Wanted {
                    ideal: ideal_mm[i],
                    low: spot.low,
                    high: spot.high,
                    // A hem that hangs from the ribs reaches further than the hair beneath it.
                    now: self.coat.length_mm(spot.zone).max(spot.high),
                }
            })
            .collect()
    }

    /// A zone that the balance does not judge: the look's length as far as it can be had.
    fn set_length(&self, zone: Zone) -> Wanted {
        let (low, high) = bounds(self.coat, zone, shortest_safe_mm(zone, self.skin));
        let nominal = self.subject.look.nominal_mm(zone, self.subject.height());
        Wanted {
            ideal: nominal.min(high).max(low),
            low,
            high,
            now: self.coat.length_mm(zone),
        }
    }

    fn options(&self, unit: Unit, ideal_mm: &[f64]) -> Vec<UnitCut> {
        let wanted = self.spots(unit, ideal_mm);
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
        let is_natural = !look.has_clipper && look.cut(zone) == Cut::Scissored;
        let is_lashed = look.finish.head == Some(HeadShape::Terrier)
            && matches!(unit, Unit::Beard | Unit::Brows);
        let is_by_eye = self.is_head_by_eye && matches!(unit, Unit::Beard | Unit::Topknot);
        // A foot that is not clean is set by shears.
        let is_shod = unit == Unit::Feet && look.foot != FootFinish::Clean;
        // What has to come shorter than shears go is blade work all the same.
        let is_by_hand = (is_natural || is_lashed || is_by_eye || is_shod)
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
                    if self.coat.texture.bears_against() && knots == Knots::None {
                        let against =
                            full_leaves_mm(tool, self.under, Direction::AgainstTheLay, stand);
                        if against <= self.against_at_most_mm && takes_off(against, NOTHING_OFF_MM)
                        {
                            offer(Stroke::Against, Some(tool.id), &|_| against, 0.0, 0.0);
                        }
                    }
                }
                ToolKind::Comb => {
                    let skim = skim_leaves_mm(tool, self.under);
                    if takes_off(skim, NOTHING_OFF_MM) {
                        offer(Stroke::Skim, Some(tool.id), &|_| skim, SKIM_SCATTER, 0.0);
                    }
                }
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
                wanted_mm: wanted.iter().map(|w| w.ideal).collect(),
                leaves_mm: wanted.iter().map(|w| shorn(w).min(w.now)).collect(),
                scissor_minutes: more,
                cost: extra,
            });
        }
        let asked = wanted.iter().map(|w| w.ideal).fold(0.0, f64::max);
        self.as_legs_are_done(unit, clean_enough(unit, asked, options))
    }

    /// Leaves of a leg's options those that the salon takes; all where none is left.
    fn as_legs_are_done(&self, unit: Unit, options: Vec<UnitCut>) -> Vec<UnitCut> {
        let is_taken = |cut: &UnitCut| match (self.legs, cut.stroke) {
            (LegWay::Skimmed, _) | (_, Stroke::Leave) => true,
            (LegWay::Scissored, stroke) => stroke == Stroke::Scissor && cut.tool.is_none(),
            (LegWay::Combed, stroke) => stroke != Stroke::Scissor,
        };
        let has_other = |cut: &UnitCut| is_taken(cut) && cut.stroke != Stroke::Leave;
        if !unit.is_of_a_leg() || !options.iter().any(has_other) {
            return options;
        }
        options.into_iter().filter(is_taken).collect()
    }

    /// Single swaps judged by the balance they give: fewer minutes at the same score.
    fn swap(
        &self,
        options: &[Vec<UnitCut>],
        mut chosen: Vec<usize>,
        ideal_mm: &[f64],
    ) -> Vec<UnitCut> {
        let places: Vec<Vec<usize>> = Unit::on(self.subject)
            .map(|unit| unit.spots(self.subject))
            .collect();
        // A swap moves only the points its unit's spots move.
        let moved: Vec<Vec<&BalancePoint>> = places
            .iter()
            .map(|spots| {
                let touches = |p: &&BalancePoint| spots.iter().any(|i| p.depends_on(*i));
                self.points.iter().filter(touches).collect()
            })
            .collect();
        let mut lengths = ideal_mm.to_vec();
        let put = |lengths: &mut [f64], u: usize, option: &UnitCut| {
            for (i, l) in places[u].iter().zip(&option.leaves_mm) {
                lengths[*i] = *l;
            }
        };
        for (u, i) in chosen.iter().enumerate() {
            put(&mut lengths, u, &options[u][*i]);
        }
        let mut used: Vec<(Uuid, usize)> = Vec::new();
        for (unit, i) in options.iter().zip(&chosen) {
            count(&mut used, unit[*i].tool, 1);
        }
        for _ in 0..SWAP_ROUNDS {
            for u in 0..options.len() {
                if places[u].is_empty() {
                    continue;
                }
                let was = chosen[u];
                count(&mut used, options[u][was].tool, -1);
                let mut best = (f64::INFINITY, was);
                for (i, option) in options[u].iter().enumerate() {
                    let is_new = option
                        .tool
                        .is_some_and(|t| !used.iter().any(|(u, n)| *u == t && *n > 0));
                    let cost = SWAP_MISS * option.cost + if is_new { TOOL } else { 0.0 };
                    if cost >= best.0 {
                        continue;
                    }
                    put(&mut lengths, u, option);
                    let balance: f64 = moved[u].iter().map(|p| p.cost(&lengths)).sum();
                    let cost = cost + SWAP_BALANCE * balance;
                    if cost < best.0 - 1e-9 {
                        best = (cost, i);
                    }
                }
                chosen[u] = best.1;
                put(&mut lengths, u, &options[u][best.1]);
                count(&mut used, options[u][best.1].tool, 1);
            }
        }
        options
            .iter()
            .zip(chosen)
            .map(|(unit, i)| unit[i].clone())
            .collect()
    }
}

fn count(used: &mut Vec<(Uuid, usize)>, tool: Option<Uuid>, by: isize) {
    let Some(tool) = tool else { return };
    match used.iter_mut().find(|(t, _)| *t == tool) {
        Some((_, n)) => *n = n.saturating_add_signed(by),
        None => used.push((tool, usize::from(by > 0))),
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
            unit: Unit::BackFront,
            stroke: Stroke::Full,
            tool: tool.map(Uuid::from_u128),
            wanted_mm: vec![],
            leaves_mm: vec![],
            scissor_minutes: 0.0,
            cost,
        }
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
            let ours = cost_of(&options, &best_set(&options));
            prop_assert!((ours - exhaustive(&options)).abs() < 1e-9);
        }
    }
}
