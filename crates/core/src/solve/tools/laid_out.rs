//! The dog laid out for the choice of tools: each unit with its spots, what it may be left at, and
//! what each tool of the kit leaves there.

use uuid::Uuid;

use super::unit_tables::{HAIRSBREADTH, JACKET};
use super::worth::{Touched, Worth};
use super::{Bench, HeldOff, ShortBy};
use crate::balance::Subject;
use crate::coat::{Knots, Zone};
use crate::kit::{Direction, ONE_SIZE_MM, Tool, ToolKind, full_leaves_mm, thinning_passes};
use crate::look::{Cut, LookId};
use crate::solve::units::Unit;

/// A pressed tool takes nothing off where it leaves no less than the coat less this, mm
/// (balance-model-2.md 1).
pub(super) const NOTHING_OFF_MM: f64 = 1.0;

/// A tool of the kit at one setting, run one way.
#[derive(Clone, Debug)]
pub(super) struct Way {
    pub(super) tool: Uuid,
    /// Which of the kit's tools it is, for counting them.
    pub(super) slot: usize,
    pub(super) direction: Direction,
    pub(super) is_blade: bool,
    at: Tool,
}

/// A blade and a comb leave the same within this, mm: half a size (modelling choice).
const ALIKE_MM: f64 = 0.5 * ONE_SIZE_MM;

/// Whether a tool is taken up beside the others of its kit: where one of the other kind leaves the same, the
/// salon may keep to one kind.
fn is_taken_up(tool: &Tool, kit: &[Tool], by: ShortBy) -> bool {
    let given_up = match by {
        ShortBy::WhatFits => return true,
        ShortBy::Combs => ToolKind::Blade,
        ShortBy::Blades => ToolKind::Comb,
    };
    let is_like = |other: &Tool| {
        let apart = other.leaves_mm.as_mm() - tool.leaves_mm.as_mm();
        other.kind != tool.kind && other.is_fit() && apart.abs() < ALIKE_MM
    };
    tool.kind != given_up || !kit.iter().any(is_like)
}

/// Every way the kit can be run, with the lay first.
pub(super) fn ways_of(kit: &[Tool], by: ShortBy) -> Vec<Way> {
    let is_used = |tool: &&Tool| tool.is_fit() && is_taken_up(tool, kit, by);
    let mut fit: Vec<&Tool> = kit.iter().filter(is_used).collect();
    fit.sort_by(|a, b| {
        a.leaves_mm
            .as_mm()
            .total_cmp(&b.leaves_mm.as_mm())
            .then(a.id.cmp(&b.id))
    });
    let run = |direction| {
        fit.iter().enumerate().flat_map(move |(slot, tool)| {
            tool.settings().into_iter().map(move |at| Way {
                tool: tool.id,
                slot,
                direction,
                is_blade: tool.kind == ToolKind::Blade,
                at,
            })
        })
    };
    run(Direction::WithTheLay)
        .chain(run(Direction::AgainstTheLay))
        .collect()
}

/// A unit of the judged body, laid out.
#[derive(Clone, Debug)]
pub(super) struct Placed {
    pub(super) unit: Unit,
    pub(super) spots: Vec<usize>,
    pub(super) touched: Touched,
    /// Shortest and longest allowed, and the hair there now, mm a spot.
    pub(super) low: Vec<f64>,
    pub(super) high: Vec<f64>,
    pub(super) now: Vec<f64>,
    /// Hair of the zone that lies in a tool's way, mm.
    pub(super) coat_mm: f64,
    /// How it stands there, 0 to 1.
    pub(super) stand: f64,
    pub(super) nominal_mm: f64,
    pub(super) cut: Cut,
    /// What each way leaves, mm; none where it may not be run here.
    pub(super) leaves: Vec<Option<f64>>,
    /// What each way leaves pressed, mm, where it is only to rough out; none where the hair stops it.
    pub(super) reach: Vec<Option<f64>>,
    /// Shorter than this shears do not go here, mm a spot.
    pub(super) shear_low: Vec<f64>,
    /// Whether shears may be used at all: not where the hair must go shorter than they cut.
    pub(super) can_shear: bool,
    /// Only thinned and set by hand: a back without a clipper.
    pub(super) is_by_hand: bool,
    /// How a tool is held off it.
    pub(super) held_off: HeldOff,
}

/// Where a shorter pass levels a high rear, as short as that asks (balance-model-2.md 2).
const OF_THE_REAR: [Unit; 3] = [Unit::BackRear, Unit::Croup, Unit::Hip];

impl Placed {
    fn new(unit: Unit, bench: &Bench<'_>, subject: &Subject, worth: &Worth, ways: &[Way]) -> Self {
        let spots = unit.spots(subject);
        let zone = unit.zone();
        let of = |i: &usize| &subject.spots[*i];
        let low: Vec<f64> = spots.iter().map(|i| of(i).low).collect();
        let high: Vec<f64> = spots.iter().map(|i| of(i).high).collect();
        // A hem that hangs from the ribs reaches further than the hair beneath it.
        let now: Vec<f64> = spots
            .iter()
            .map(|i| bench.coat.length_mm(of(i).zone).max(of(i).high))
            .collect();
        let least = unit.shortest_by_shears_mm();
        let shear_low = low.iter().zip(&high).map(|(l, h)| l.max(least).min(*h));
        let shear_low: Vec<f64> = shear_low.collect();
        let can_shear = high
            .iter()
            .zip(&now)
            .all(|(h, n)| *h >= least.min(*n) - HAIRSBREADTH);
        let look = &subject.look;
        let is_by_hand = !look.has_clipper && look.cut(zone).is_by_hand() && can_shear;
        let mut placed = Self {
            touched: worth.touched_by(&spots),
            coat_mm: bench.coat.length_mm(zone),
            stand: bench.coat.stand.of(zone),
            nominal_mm: spots.first().map_or(0.0, |i| of(i).nominal),
            cut: spots.first().map_or(look.cut(zone), |i| of(i).cut),
            leaves: vec![None; ways.len()],
            reach: vec![None; ways.len()],
            unit,
            spots,
            low,
            high,
            now,
            shear_low,
            can_shear,
            is_by_hand,
            held_off: bench.held_off,
        };
        if !is_by_hand {
            placed.reach = ways.iter().map(|way| placed.reached(way, bench)).collect();
            let is_allowed = |mm: &Option<f64>| mm.filter(|mm| placed.is_allowed(*mm));
            placed.leaves = placed.reach.iter().map(is_allowed).collect();
            if !OF_THE_REAR.contains(&unit) {
                placed.keep_within(look.clips_within);
            }
        }
        placed
    }

    /// Of what may be left, what lies near enough to the look's own length, where anything does.
    fn keep_within(&mut self, (least, most): (f64, f64)) {
        let near = least * self.nominal_mm..=most * self.nominal_mm;
        let is_near = |mm: &f64| near.contains(mm);
        if self.leaves.iter().flatten().any(is_near) {
            for mm in &mut self.leaves {
                *mm = mm.filter(is_near);
            }
        }
    }

    /// What a way leaves pressed; none where knots, the hair or the salon forbid it.
    fn reached(&self, way: &Way, bench: &Bench<'_>) -> Option<f64> {
        let zone = self.unit.zone();
        // A comb attachment that meets a knot falls off or leaves a hole.
        if !way.is_blade && bench.coat.knots(zone) == Knots::Tight {
            return None;
        }
        let stand = bench.coat.stand.of(zone);
        let mm = full_leaves_mm(&way.at, bench.under, way.direction, stand);
        let is_with = way.direction == Direction::WithTheLay;
        (is_with || bench.bears_against(zone, mm)).then_some(mm)
    }

    /// Whether a pressed tool may leave so much: safe, and within what limits and knots ask.
    fn is_allowed(&self, mm: f64) -> bool {
        let mut spots = self.now.iter().zip(self.low.iter().zip(&self.high));
        spots.all(|(now, (low, high))| {
            let left = mm.min(*now);
            left >= low - HAIRSBREADTH && left <= high + HAIRSBREADTH
        })
    }

    /// Whether a pressed tool that leaves so much takes anything off.
    pub(super) fn takes_off(&self, mm: f64) -> bool {
        mm <= self.coat_mm - NOTHING_OFF_MM + HAIRSBREADTH
    }

    /// What a pressed tool leaves at each spot, mm.
    pub(super) fn pressed(&self, mm: f64) -> Vec<f64> {
        self.now.iter().map(|now| mm.min(*now)).collect()
    }

    /// Wanted lengths as far as shears can leave them, mm a spot.
    pub(super) fn shorn(&self, lengths_mm: &[f64]) -> Vec<f64> {
        let bounds = self.shear_low.iter().zip(&self.high);
        let wanted = self.spots.iter().zip(bounds);
        wanted
            .map(|(i, (low, high))| lengths_mm[*i].min(*high).max(*low))
            .collect()
    }

    /// Whether a coat that would lie as a mean of so many mm asks for less than half a pass of thinning.
    pub(super) fn lies_as_it_is(&self, mean_mm: f64) -> bool {
        let lies = self.stand * mean_mm / self.coat_mm.max(1.0);
        thinning_passes(self.stand, lies) == 0
    }

    /// Whether all the coat may stay.
    pub(super) fn may_stay(&self) -> bool {
        let mut spots = self.now.iter().zip(&self.high);
        spots.all(|(now, high)| *now <= high + HAIRSBREADTH)
    }
}

/// The judged body under one place of the back's line.
#[derive(Clone, Debug)]
pub(super) struct LaidOut {
    pub(super) subject: Subject,
    pub(super) units: Vec<Placed>,
    /// Numbers of the units that go in the body's one length.
    pub(super) jacket: Vec<usize>,
}

/// A unit whose nominal is so near the back's goes in its length, mm (balance-model-2.md 1).
const OF_THE_JACKET_MM: f64 = 3.0;

impl LaidOut {
    pub(super) fn new(bench: &Bench<'_>, subject: Subject, worth: &Worth, ways: &[Way]) -> Self {
        let units: Vec<Placed> = Unit::on(&subject)
            .map(|unit| Placed::new(unit, bench, &subject, worth, ways))
            .filter(|placed| !placed.spots.is_empty())
            .collect();
        let back = subject.look.nominal_mm(Zone::Back, subject.height());
        let is_of_it = |placed: &Placed| {
            JACKET.contains(&placed.unit)
                && (placed.unit != Unit::TuckUp || bench.is_tuck_up_cleared)
                && placed.cut == Cut::Clipped
                && (placed.nominal_mm - back).abs() <= OF_THE_JACKET_MM
                && placed.leaves.iter().any(Option::is_some)
        };
        let jacket = (0..units.len()).filter(|u| is_of_it(&units[*u])).collect();
        Self {
            subject,
            units,
            jacket,
        }
    }

    /// Where a unit stands in the list.
    pub(super) fn find(&self, unit: Unit) -> Option<usize> {
        self.units.iter().position(|placed| placed.unit == unit)
    }
}

impl Bench<'_> {
    /// Whether a stroke against the lay that leaves so much may be run on a zone (handbook 10 C):
    /// short, where nothing stands in its way, and only where the trade runs it so.
    pub(super) fn bears_against(&self, zone: Zone, mm: f64) -> bool {
        let marks = self.coat.marks.get(&zone);
        let is_broken = marks.is_some_and(|m| m.has_whorl || m.hole_mm.is_some());
        if is_broken || self.coat.knots(zone) != Knots::None || mm > self.against_at_most_mm {
            return false;
        }
        let is_everywhere = self.is_against_everywhere || self.subject.look.id == LookId::Summer;
        is_everywhere
            || matches!(
                zone,
                Zone::Throat
                    | Zone::Underline
                    | Zone::Cheek
                    | Zone::Muzzle
                    | Zone::Beard
                    | Zone::Foot
            )
    }
}
