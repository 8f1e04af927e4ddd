//! Edges and legs beside a jacket: one unit at a time, judged by the whole; then whole tools in or
//! out (balance-model-2.md 4).

use std::collections::BTreeSet;

use super::Bench;
use super::choices::{Choice, How, by_shears, choices};
use super::dues::{Dues, MINUTE};
use super::jacket::Priced;
use super::laid_out::{LaidOut, Placed, Way};
use super::worth::{Standing, Worth};
use crate::balance::Subject;
use crate::solve::lengths::Sought;
use crate::solve::programme::{Accuracy, SolveError};
use crate::solve::units::Unit;

/// Rounds until nothing moves any more; most stop after three.
const ROUNDS: usize = 6;
/// A change for the better is worth at least so much, in balance.
pub(super) const BETTER: f64 = 1e-6;
/// Unit of how far a start lies off what is wanted, share of the height: 3 mm on a dog of 450.
const START_UNIT: f64 = 1.0 / 150.0;

/// A whole choice of tools in the making.
pub(super) struct Settled<'a> {
    bench: &'a Bench<'a>,
    pub(super) laid_out: &'a LaidOut,
    pub(super) dues: &'a Dues<'a>,
    pub(super) options: Vec<Vec<Choice>>,
    pub(super) chosen: Vec<usize>,
    /// Of the legs, what the tool that roughs them out goes over.
    pub(super) is_gone_over: Vec<bool>,
    pub(super) standing: Standing<'a>,
}

/// Which of the kit's tools a choice takes up.
fn slot_of(ways: &[Way], choice: &Choice) -> Option<usize> {
    choice.way().map(|way| ways[way].slot)
}

impl<'a> Settled<'a> {
    /// Starts with a jacket, or none, and each other unit at what lies nearest to the lengths wanted.
    pub(super) fn beside(
        jacket: Option<&Priced>,
        bench: &'a Bench<'a>,
        dues: &'a Dues<'a>,
        worth: &'a Worth,
        wanted_mm: &[f64],
    ) -> Self {
        let laid_out = dues.laid_out;
        let h = bench.subject.height();
        let mut is_held = vec![false; laid_out.units.len()];
        let mut options: Vec<Vec<Choice>> = vec![Vec::new(); laid_out.units.len()];
        if let Some(jacket) = jacket {
            for (u, cut) in laid_out.jacket.iter().zip(&jacket.cuts) {
                is_held[*u] = true;
                options[*u] = vec![cut.clone()];
            }
        }
        for (u, placed) in laid_out.units.iter().enumerate() {
            if !is_held[u] {
                options[u] = choices(placed, bench, dues.ways, wanted_mm);
            }
        }
        let nearest = |(placed, options): (&Placed, &Vec<Choice>)| {
            let unit = (START_UNIT * h).powi(2);
            let cost = |choice: &Choice| {
                let off = placed.spots.iter().zip(&choice.leaves);
                let off: f64 = off.map(|(i, l)| (l - wanted_mm[*i]).powi(2)).sum();
                off / placed.spots.len() as f64 / unit + MINUTE * choice.minutes
            };
            let all = options.iter().enumerate();
            all.min_by(|a, b| cost(a.1).total_cmp(&cost(b.1)))
                .map_or(0, |(n, _)| n)
        };
        let chosen: Vec<usize> = laid_out.units.iter().zip(&options).map(nearest).collect();
        let mut lengths = wanted_mm.to_vec();
        for (placed, (options, n)) in laid_out.units.iter().zip(options.iter().zip(&chosen)) {
            for (i, mm) in placed.spots.iter().zip(&options[*n].leaves) {
                lengths[*i] = *mm;
            }
        }
        Self {
            bench,
            laid_out,
            dues,
            is_gone_over: vec![false; options.len()],
            options,
            chosen,
            standing: worth.standing(lengths),
        }
    }

    pub(super) fn plan(&self) -> Vec<&Choice> {
        self.plan_of(&self.chosen)
    }

    pub(super) fn plan_of(&self, chosen: &[usize]) -> Vec<&Choice> {
        self.options
            .iter()
            .zip(chosen)
            .map(|(o, n)| &o[*n])
            .collect()
    }

    /// Balance, pulls and dues of the whole.
    pub(super) fn value(&self) -> f64 {
        self.standing.value + self.dues.of(&self.plan())
    }

    /// Takes what is better until nothing is.
    pub(super) fn settle(&mut self) {
        for _ in 0..ROUNDS {
            let before = self.value();
            self.each_unit();
            self.a_tool_less();
            self.a_tool_more();
            if self.value() > before - BETTER {
                break;
            }
        }
    }

    /// The best option of each unit, the others as they are.
    fn each_unit(&mut self) {
        for u in 0..self.options.len() {
            if self.options[u].len() < 2 {
                continue;
            }
            let placed = &self.laid_out.units[u];
            let mut plan = self.plan();
            let mut best = (f64::INFINITY, self.chosen[u]);
            for (n, option) in self.options[u].iter().enumerate() {
                let value = self.standing.change(&placed.touched, &option.leaves);
                plan[u] = option;
                let value = value + self.dues.of(&plan);
                if value < best.0 - BETTER {
                    best = (value, n);
                }
            }
            self.choose(u, best.1);
        }
    }

    fn choose(&mut self, u: usize, n: usize) {
        self.chosen[u] = n;
        let leaves = &self.options[u][n].leaves;
        self.standing.put(&self.laid_out.units[u].touched, leaves);
    }

    fn slots_in_hand(&self) -> BTreeSet<usize> {
        let ways = self.dues.ways;
        self.plan()
            .into_iter()
            .filter_map(|c| slot_of(ways, c))
            .collect()
    }

    /// Each tool tried without: every unit it cuts takes the best of the others.
    pub(super) fn a_tool_less(&mut self) {
        let ways = self.dues.ways;
        for slot in self.slots_in_hand() {
            let (was, before) = ((self.chosen.clone(), self.standing.clone()), self.value());
            let is_needed = (0..self.options.len()).any(|u| {
                let uses = slot_of(ways, &self.options[u][self.chosen[u]]) == Some(slot);
                let has_other = || {
                    self.options[u]
                        .iter()
                        .any(|c| slot_of(ways, c) != Some(slot))
                };
                uses && !has_other()
            });
            if is_needed {
                continue;
            }
            for u in 0..self.options.len() {
                if slot_of(ways, &self.options[u][self.chosen[u]]) == Some(slot) {
                    self.best_of(u, |choice| slot_of(ways, choice) != Some(slot));
                }
            }
            if self.value() > before - BETTER {
                (self.chosen, self.standing) = was;
            }
        }
    }

    /// Takes the best of some of a unit's options, by the whole's value.
    pub(super) fn best_of(&mut self, u: usize, may: impl Fn(&Choice) -> bool) {
        let touched = &self.laid_out.units[u].touched;
        let mut plan = self.plan();
        let mut best: Option<(f64, usize)> = None;
        for (n, option) in self.options[u].iter().enumerate() {
            if !may(option) {
                continue;
            }
            let value = self.standing.change(touched, &option.leaves);
            plan[u] = option;
            let value = value + self.dues.of(&plan);
            if best.is_none_or(|(b, _)| value < b) {
                best = Some((value, n));
            }
        }
        if let Some((_, n)) = best {
            self.choose(u, n);
        }
    }

    /// Each tool of the kit tried wherever it helps, for several faces at once.
    fn a_tool_more(&mut self) {
        let ways = self.dues.ways;
        let slots: BTreeSet<usize> = ways.iter().map(|way| way.slot).collect();
        for slot in slots {
            let (was, before) = ((self.chosen.clone(), self.standing.clone()), self.value());
            let mut has_changed = false;
            for u in 0..self.options.len() {
                let now = MINUTE * self.options[u][self.chosen[u]].minutes;
                let touched = &self.laid_out.units[u].touched;
                let with = self.options[u].iter().enumerate();
                let with = with.filter(|(_, c)| slot_of(ways, c) == Some(slot));
                let local =
                    |c: &Choice| self.standing.change(touched, &c.leaves) + MINUTE * c.minutes;
                let best = with
                    .map(|(n, c)| (local(c), n))
                    .min_by(|a, b| a.0.total_cmp(&b.0));
                if let Some((value, n)) = best
                    && value < now - BETTER
                    && n != self.chosen[u]
                {
                    self.choose(u, n);
                    has_changed = true;
                }
            }
            if has_changed && self.value() > before - BETTER {
                (self.chosen, self.standing) = was;
            }
        }
    }

    /// The scissored units solved again with everything pressed held, none under what shears leave;
    /// then settled again with those lengths.
    ///
    /// # Errors
    /// If the solver gives no answer.
    pub(super) fn solve_rest(
        &self,
        sought: &Sought,
        accuracy: Accuracy,
    ) -> Result<Vec<f64>, SolveError> {
        let mut lowest: Vec<f64> = self.bench.subject.spots.iter().map(|s| s.low).collect();
        let mut free = Vec::new();
        for (placed, choice) in self.laid_out.units.iter().zip(self.plan()) {
            if choice.is_shears() {
                for (i, low) in placed.spots.iter().zip(&placed.shear_low) {
                    lowest[*i] = *low;
                    free.push(*i);
                }
            }
        }
        sought.rest(&free, &self.standing.lengths_mm, &lowest, accuracy)
    }

    /// Scissored units get the lengths of the last solve; roughing follows them with the tools in hand.
    pub(super) fn finish(&mut self, lengths_mm: &[f64]) {
        let (ways, in_hand) = (self.dues.ways, self.slots_in_hand());
        for u in 0..self.options.len() {
            let placed = &self.laid_out.units[u];
            // Shears that stop where they have to stay there.
            if !self.options[u][self.chosen[u]].is_shears() || !placed.can_shear {
                continue;
            }
            // A salon that scissors its legs alone roughs none of them out.
            let roughed_before = self.options[u]
                .iter()
                .any(|c| matches!(c.how, How::Shears { rough: Some(_) }));
            let mut shorn: Vec<Choice> = by_shears(placed, ways, lengths_mm)
                .into_iter()
                .filter(Choice::is_shears)
                .filter(|c| slot_of(ways, c).is_none_or(|s| in_hand.contains(&s)))
                .filter(|c| roughed_before || c.way().is_none())
                .collect();
            if shorn.is_empty() {
                continue;
            }
            shorn.sort_by(|a, b| a.minutes.total_cmp(&b.minutes));
            self.options[u] = shorn;
            self.choose(u, 0);
        }
        self.settle_roughing();
    }

    /// The subject with the back's line where this jacket has it.
    pub(super) const fn subject(&self) -> &Subject {
        &self.laid_out.subject
    }

    /// What each unit gets.
    pub(super) fn cuts(&self) -> impl Iterator<Item = (Unit, &Choice)> {
        self.laid_out.units.iter().map(|p| p.unit).zip(self.plan())
    }

    /// Length left at every spot, mm.
    pub(super) fn lengths_mm(&self) -> &[f64] {
        &self.standing.lengths_mm
    }
}
