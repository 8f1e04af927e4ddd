//! The body's length: one, or two at a placed line (balance-model-2.md 2).

use super::choices::{Choice, How, nearest_clip};
use super::dues::{BAN, Dues, LINE, TOOL, lengths_due};
use super::laid_out::{LaidOut, Way};
use super::unit_tables::{is_alike, may_meet};
use super::worth::{Standing, Touched};
use crate::kit::Direction;
use crate::solve::units::Unit;

/// Lengths tried lie within this share of the nominal …
const LEAST_SHARE: f64 = 0.3;
/// … and this, or so many mm more, whichever is longer.
const MOST_SHARE: f64 = 2.0;
const MOST_MORE_MM: f64 = 7.0;
/// A main length lies within so many mm of the nominal, or this share of it.
const MAIN_MM: f64 = 3.0;
const MAIN_SHARE: f64 = 0.35;
/// So many main lengths are tried; where somebody named one, only the nearest owned.
const MAINS: usize = 4;
const MAINS_NAMED: usize = 1;
/// The best so many are refined by ribs, croup and shoulder; the best so many of one pass always.
const REFINED: usize = 10;
const REFINED_ONES: usize = 4;
/// Longer and shorter lengths tried there.
const LONGER_CROUPS: usize = 3;
const LONGER_RIBS: usize = 2;
const SHORTER_SHOULDERS: usize = 2;

/// A way with what it leaves on the back, mm.
type Length = (usize, f64);

/// Which length goes where on the jacket.
#[derive(Clone, Copy, Debug)]
pub(super) struct Pattern {
    body: Length,
    rear: Option<Length>,
    is_hip_rear: bool,
    croup: Option<Length>,
    ribs: Option<Length>,
    shoulder: Option<Length>,
}

impl Pattern {
    const fn one(body: Length) -> Self {
        Self {
            body,
            rear: None,
            is_hip_rear: false,
            croup: None,
            ribs: None,
            shoulder: None,
        }
    }

    fn of(&self, unit: Unit) -> Length {
        let rear = self.rear.unwrap_or(self.body);
        match unit {
            Unit::BackRear => rear,
            Unit::Croup => self.croup.unwrap_or(rear),
            Unit::Hip if self.is_hip_rear => rear,
            Unit::Ribs => self.ribs.unwrap_or(self.body),
            Unit::Shoulder => self.shoulder.unwrap_or(self.body),
            _ => self.body,
        }
    }
}

/// A jacket with what it costs, the rest of the dog held where the free solution has it.
#[derive(Clone, Debug)]
pub(super) struct Priced {
    /// Number of the layout it is cut under.
    pub(super) layout: usize,
    pub(super) pattern: Pattern,
    /// What each unit of the jacket gets, in the layout's order.
    pub(super) cuts: Vec<Choice>,
    /// Balance, pulls and dues.
    pub(super) price: f64,
}

impl Priced {
    pub(super) const fn is_one_pass(&self) -> bool {
        self.pattern.rear.is_none()
    }

    /// The ways of its body and of its shorter pass.
    pub(super) fn ways(&self) -> (usize, Option<usize>) {
        (self.pattern.body.0, self.pattern.rear.map(|(way, _)| way))
    }

    /// What tells it from another: where its line lies and which two lengths it has.
    pub(super) fn is_like(&self, other: &Self) -> bool {
        let rear = |p: &Pattern| p.rear.map(|(way, _)| way);
        self.layout == other.layout
            && self.pattern.body.0 == other.pattern.body.0
            && rear(&self.pattern) == rear(&other.pattern)
    }

    /// Whether all of it is clipped to one length.
    pub(super) fn is_one_length(&self) -> bool {
        let mut lengths = self.cuts.iter().filter_map(|cut| match cut.how {
            How::Clip { mm, .. } => Some(mm),
            _ => None,
        });
        let first = lengths.next();
        self.is_one_pass() && first.is_none_or(|first| lengths.all(|mm| is_alike(mm, first)))
    }
}

/// Prices jackets under one place of the back's line.
pub(super) struct Jackets<'a> {
    pub(super) number: usize,
    pub(super) laid_out: &'a LaidOut,
    pub(super) dues: &'a Dues<'a>,
    pub(super) ways: &'a [Way],
    pub(super) touched: &'a Touched,
    pub(super) spots: &'a [usize],
    pub(super) standing: &'a Standing<'a>,
    /// Every unit left as it is: the rest of the dog while the jacket is priced.
    pub(super) left: &'a [Choice],
}

impl Jackets<'_> {
    /// Every jacket under this line, the refinements of the best among them, the cheapest first.
    pub(super) fn all(&self) -> Vec<Priced> {
        let mut all = Vec::new();
        for direction in [Direction::WithTheLay, Direction::AgainstTheLay] {
            let lengths = self.lengths(direction);
            let mut first: Vec<Priced> = self
                .patterns(&lengths)
                .into_iter()
                .filter_map(|pattern| self.price(pattern))
                .collect();
            first.sort_by(|a, b| a.price.total_cmp(&b.price));
            let best = first.iter().take(REFINED);
            let ones = first.iter().filter(|p| p.is_one_pass()).take(REFINED_ONES);
            let refined: Vec<Priced> = best
                .chain(ones)
                .flat_map(|priced| self.refined(&priced.pattern, &lengths))
                .filter_map(|pattern| self.price(pattern))
                .collect();
            all.extend(first);
            all.extend(refined);
        }
        all.sort_by(|a, b| a.price.total_cmp(&b.price));
        all
    }

    /// Lengths the kit leaves on the back in one direction, allowed on all of the jacket where any is.
    fn lengths(&self, direction: Direction) -> Vec<Length> {
        let Some(back) = self.laid_out.find(Unit::BackFront) else {
            return Vec::new();
        };
        let back = &self.laid_out.units[back];
        let (least, most) = (
            LEAST_SHARE * back.nominal_mm,
            (MOST_SHARE * back.nominal_mm).max(back.nominal_mm + MOST_MORE_MM),
        );
        let safe = |way: usize, mm: f64| {
            self.laid_out.jacket.iter().all(|u| {
                let unit = &self.laid_out.units[*u];
                let mm = unit.reach[way].unwrap_or(mm);
                unit.pressed(mm)
                    .iter()
                    .zip(&unit.low)
                    .all(|(left, low)| *left >= low - super::unit_tables::HAIRSBREADTH)
            })
        };
        let owned: Vec<Length> = back
            .reach
            .iter()
            .enumerate()
            .filter(|(way, _)| self.ways[*way].direction == direction)
            .filter_map(|(way, mm)| Some((way, (*mm)?)))
            .filter(|(way, mm)| safe(*way, *mm))
            .collect();
        let near: Vec<Length> = owned
            .iter()
            .filter(|(_, mm)| (least..=most).contains(mm))
            .copied()
            .collect();
        if near.is_empty() {
            let off = |l: &&Length| (l.1 - back.nominal_mm).abs();
            let nearest = owned.iter().min_by(|a, b| off(a).total_cmp(&off(b)));
            return nearest.copied().into_iter().collect();
        }
        near
    }

    fn nominal_mm(&self) -> f64 {
        let back = self.laid_out.find(Unit::BackFront);
        back.map_or(0.0, |u| self.laid_out.units[u].nominal_mm)
    }

    fn patterns(&self, lengths: &[Length]) -> Vec<Pattern> {
        let nominal = self.nominal_mm();
        let off = |l: &Length| (l.1.max(1e-6) / nominal.max(1e-6)).ln().abs();
        let mut sorted = lengths.to_vec();
        sorted.sort_by(|a, b| off(a).total_cmp(&off(b)));
        let named = self.laid_out.subject.look.named_body_mm;
        sorted.truncate(named.map_or(MAINS, |_| MAINS_NAMED));
        let is_main = |l: &&Length| (l.1 - nominal).abs() <= MAIN_MM.max(MAIN_SHARE * nominal);
        let mut mains: Vec<Length> = sorted.iter().filter(is_main).copied().collect();
        if mains.is_empty() {
            mains.extend(sorted.first());
        }
        if self.laid_out.find(Unit::BackRear).is_none() {
            return mains.into_iter().map(Pattern::one).collect();
        }
        let mut two = Vec::new();
        for body in &mains {
            for rear in lengths {
                if is_alike(body.1, rear.1) || !may_meet(body.1, rear.1) {
                    continue;
                }
                for is_hip_rear in [false, true] {
                    two.push(Pattern {
                        rear: Some(*rear),
                        is_hip_rear,
                        ..Pattern::one(*body)
                    });
                }
            }
        }
        if two.is_empty() {
            return mains.into_iter().map(Pattern::one).collect();
        }
        two
    }

    /// A pattern with other ribs, croup or shoulder, where the hand felt what they answer.
    fn refined(&self, pattern: &Pattern, lengths: &[Length]) -> Vec<Pattern> {
        let mut sorted = lengths.to_vec();
        sorted.sort_by(|a, b| a.1.total_cmp(&b.1));
        let longer = |than: Length, most: usize| -> Vec<Length> {
            let fit = sorted
                .iter()
                .filter(|l| l.1 > than.1 && may_meet(l.1, than.1));
            fit.filter(|l| !is_alike(l.1, than.1))
                .take(most)
                .copied()
                .collect()
        };
        let shorter = |than: Length, most: usize| -> Vec<Length> {
            let fit = sorted
                .iter()
                .rev()
                .filter(|l| l.1 < than.1 && may_meet(l.1, than.1));
            fit.filter(|l| !is_alike(l.1, than.1))
                .take(most)
                .copied()
                .collect()
        };
        let felt = &self.dues.felt;
        let or_none = |is_felt: bool, lengths: Vec<Length>| -> Vec<Option<Length>> {
            let some = lengths.into_iter().filter(|_| is_felt).map(Some);
            std::iter::once(None).chain(some).collect()
        };
        let behind = pattern.rear.unwrap_or(pattern.body);
        let croups = or_none(felt.has_low_tail, longer(behind, LONGER_CROUPS));
        let ribs = or_none(felt.has_flat_ribs, longer(pattern.body, LONGER_RIBS));
        let mut shoulders = shorter(pattern.body, SHORTER_SHOULDERS);
        shoulders.extend(pattern.rear);
        let shoulders = or_none(felt.has_heavy_shoulder, shoulders);
        let mut more = Vec::new();
        for croup in &croups {
            for ribs in &ribs {
                for shoulder in &shoulders {
                    if croup.is_some() || ribs.is_some() || shoulder.is_some() {
                        more.push(Pattern {
                            croup: *croup,
                            ribs: *ribs,
                            shoulder: *shoulder,
                            ..*pattern
                        });
                    }
                }
            }
        }
        more
    }

    /// What a pattern costs with all else held; none where a unit cannot have any such length.
    fn price(&self, pattern: Pattern) -> Option<Priced> {
        let jacket = &self.laid_out.jacket;
        let cuts: Vec<Choice> = jacket
            .iter()
            .map(|u| {
                let placed = &self.laid_out.units[*u];
                let (way, back_mm) = pattern.of(placed.unit);
                let mm = placed.reach[way].unwrap_or(back_mm);
                nearest_clip(placed, self.ways, way, mm)
            })
            .collect::<Option<_>>()?;
        let mut to_mm: Vec<f64> = self
            .spots
            .iter()
            .map(|i| self.standing.lengths_mm[*i])
            .collect();
        for (u, cut) in jacket.iter().zip(&cuts) {
            for (i, mm) in self.laid_out.units[*u].spots.iter().zip(&cut.leaves) {
                if let Some(at) = self.spots.iter().position(|s| s == i) {
                    to_mm[at] = *mm;
                }
            }
        }
        let dues = self.dues_of(&pattern, &cuts);
        Some(Priced {
            layout: self.number,
            price: self.standing.value + self.standing.change(self.touched, &to_mm) + dues,
            pattern,
            cuts,
        })
    }

    fn dues_of(&self, pattern: &Pattern, cuts: &[Choice]) -> f64 {
        let jacket = &self.laid_out.jacket;
        let mut plan: Vec<&Choice> = self.left.iter().collect();
        for (u, cut) in jacket.iter().zip(cuts) {
            plan[*u] = cut;
        }
        let mut tools: Vec<usize> = cuts
            .iter()
            .filter_map(|cut| cut.way().map(|way| self.ways[way].slot))
            .collect();
        tools.sort_unstable();
        tools.dedup();
        let line = if pattern.rear.is_some() { LINE } else { 0.0 };
        lengths_due(self.dues.jacket_lengths(&plan), self.dues.is_felt(&plan))
            + TOOL * tools.len() as f64
            + BAN * self.dues.banned(&plan)
            + line
    }
}
