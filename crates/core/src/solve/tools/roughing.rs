//! What is roughed out before the shears, and by what: minutes only, no length moves.

use std::collections::BTreeSet;

use super::Roughing;
use super::choices::{Choice, How, by_shears};
use super::dues::{MINUTE, ROUGH_AGAIN};
use super::settle::{BETTER, Settled};
use crate::solve::units::Unit;

/// Rounds in which roughing settles among the tools in hand.
const ROUGH_ROUNDS: usize = 3;
/// A face that the tool lifts off while it goes round a leg (house value: two minutes of shears).
const LIFT_OFF: f64 = 2.0 * MINUTE;

impl Settled<'_> {
    /// No step of half a minute: each roughing tool, or one less.
    pub(super) fn settle_roughing(&mut self) {
        for _ in 0..ROUGH_ROUNDS {
            let before = self.value();
            for u in 0..self.options.len() {
                if self.options[u].len() > 1 && self.options[u][self.chosen[u]].is_shears() {
                    self.best_of(u, Choice::is_shears);
                }
            }
            self.a_tool_less();
            if self.value() > before - BETTER {
                break;
            }
        }
        self.fewer_rough_outs(|_| true);
    }

    /// Each pair of legs roughed out by going round it with one tool; the ways of the rest follow.
    pub(super) fn rough_out_by_pairs(&mut self) {
        self.by_one_tool(Unit::is_of_a_front_leg);
        self.by_one_tool(Unit::is_of_a_hind_leg);
        let on_legs = self.rough_outs_of(Unit::is_of_a_leg);
        self.fewer_rough_outs(|way| !on_legs.contains(way));
    }

    /// Ways of roughing out are left out as long as that is better. No length moves by it.
    fn fewer_rough_outs(&mut self, may: impl Fn(&(usize, Roughing)) -> bool) {
        let mut ways = self.rough_outs();
        while ways.iter().any(|way| may(way) && self.is_left_out(*way)) {
            ways = self.rough_outs();
        }
    }

    /// A pair of legs is gone round with one tool of the kit: the one that leaves the shears the least work. Where a
    /// face would lose too much by it, the hand lifts off, which takes its care.
    fn by_one_tool(&mut self, is_of_it: fn(Unit) -> bool) {
        let of_pair: Vec<usize> = (0..self.options.len())
            .filter(|u| is_of_it(self.laid_out.units[*u].unit))
            .collect();
        if of_pair.iter().all(|u| self.choice(*u).rough().is_none()) {
            return;
        }
        let is_face = |u: &&usize| !self.laid_out.units[**u].unit.is_of_a_joint();
        let faces: Vec<usize> = of_pair.iter().filter(is_face).copied().collect();
        let ways = self.offer_all_rough_outs(&of_pair);
        let by_way = ways.into_iter().map(Some).chain([None]).map(|way| {
            let chosen = self.roughed_with(&of_pair, way);
            let lifts_off = |way| faces.iter().filter(|u| !self.may_go_over(**u, way)).count();
            let care = LIFT_OFF * way.map_or(0, lifts_off) as f64;
            (self.with_rough_outs(&chosen) + care, way, chosen)
        });
        let Some((_, way, chosen)) = by_way.min_by(|a, b| a.0.total_cmp(&b.0)) else {
            return;
        };
        self.chosen = chosen;
        let Some(way) = way else { return };
        for u in of_pair {
            self.is_gone_over[u] = self.may_go_over(u, way);
        }
    }

    /// Lets these units be roughed out by every tool of the kit, each staying as it is for now; those that could.
    fn offer_all_rough_outs(&mut self, of_pair: &[usize]) -> BTreeSet<usize> {
        let mut ways = BTreeSet::new();
        for u in of_pair {
            let placed = &self.laid_out.units[*u];
            let now = self.choice(*u).how;
            if !self.choice(*u).is_shears() || !placed.can_shear {
                continue;
            }
            let shorn = by_shears(placed, self.dues.ways, &self.standing.lengths_mm);
            let Some(same) = shorn.iter().position(|choice| choice.how == now) else {
                continue;
            };
            ways.extend(shorn.iter().filter_map(Choice::rough).map(|(way, _)| way));
            self.options[*u] = shorn;
            self.chosen[*u] = same;
        }
        ways
    }

    /// The choice with these units roughed out with one tool wherever it takes something off, pressed where it is
    /// long enough and held off elsewhere.
    fn roughed_with(&self, of_pair: &[usize], way: Option<usize>) -> Vec<usize> {
        let mut chosen = self.chosen.clone();
        for u in of_pair.iter().filter(|u| self.choice(**u).is_shears()) {
            let by = |wanted: Option<usize>| {
                let mut all = self.options[*u].iter();
                all.position(|c| c.is_shears() && c.rough().map(|(way, _)| way) == wanted)
            };
            if let Some(n) = by(way).or_else(|| by(None)) {
                chosen[*u] = n;
            }
        }
        chosen
    }

    fn choice(&self, u: usize) -> &Choice {
        &self.options[u][self.chosen[u]]
    }

    /// Whether a tool that roughs out its neighbours may go over a unit as well, and leaves it what it is to be.
    fn may_go_over(&self, u: usize, way: usize) -> bool {
        let placed = &self.laid_out.units[u];
        let choice = self.choice(u);
        let reach = placed.reach[way];
        match choice.how {
            How::Shears { .. } => placed.roughed_by(way, &choice.leaves).is_some(),
            How::Clip { mm: clipped, .. } => reach.is_some_and(|mm| mm >= clipped),
            How::Leave => reach.is_some_and(|mm| !placed.takes_off(mm)),
        }
    }

    fn rough_outs(&self) -> BTreeSet<(usize, Roughing)> {
        self.rough_outs_of(|_| true)
    }

    /// The ways in which some units are roughed out.
    fn rough_outs_of(&self, is_of_them: fn(Unit) -> bool) -> BTreeSet<(usize, Roughing)> {
        let units = self.laid_out.units.iter().zip(self.plan());
        let of_them = units.filter(|(placed, _)| is_of_them(placed.unit));
        of_them.filter_map(|(_, choice)| choice.rough()).collect()
    }

    fn with_its_rough_outs(&self) -> f64 {
        self.with_rough_outs(&self.chosen)
    }

    /// The value of a choice that moves no length, its ways of roughing out counted.
    fn with_rough_outs(&self, chosen: &[usize]) -> f64 {
        let plan = self.plan_of(chosen);
        let ways: BTreeSet<_> = plan.iter().filter_map(|c| c.rough()).collect();
        self.standing.value + self.dues.of(&plan) + ROUGH_AGAIN * ways.len() as f64
    }

    /// Tries without one way of roughing out: what it roughs out takes the quickest of the others, or the shears
    /// alone. Says whether that is better, and stays.
    fn is_left_out(&mut self, without: (usize, Roughing)) -> bool {
        let (was, before) = (
            (self.chosen.clone(), self.standing.clone()),
            self.with_its_rough_outs(),
        );
        let others: BTreeSet<_> = self
            .rough_outs()
            .into_iter()
            .filter(|w| *w != without)
            .collect();
        for u in 0..self.options.len() {
            if self.options[u][self.chosen[u]].rough() == Some(without) {
                self.best_of(u, |choice| {
                    choice.is_shears() && choice.rough().is_none_or(|way| others.contains(&way))
                });
            }
        }
        let is_better = self.with_its_rough_outs() < before - BETTER;
        if !is_better {
            (self.chosen, self.standing) = was;
        }
        is_better
    }
}
