//! The balance with the tools inside: how the body's length is cut is enumerated, edges and legs settle
//! beside it with whole tools, the shears follow in a solve of their own (balance-model-2.md).

mod choices;
mod dues;
mod jacket;
mod laid_out;
mod roughing;
mod set_apart;
mod settle;
mod unit_tables;
mod worth;

use uuid::Uuid;

use self::choices::{Choice, How};
use self::dues::{Dues, Felt};
use self::jacket::{Jackets, Priced};
use self::laid_out::{LaidOut, Way, ways_of};
use self::settle::Settled;
use self::unit_tables::HAIRSBREADTH;
use self::worth::Worth;
use super::lengths::Sought;
use super::programme::{Accuracy, SolveError};
use super::units::Unit;
use crate::balance::Subject;
use crate::coat::{CoatNow, Skin};
use crate::kit::{Direction, Tool, UnderComb};
use crate::look::{By, Cut, LineName, LineStop};

/// How a unit is cut (handbook 3, *Strokes*).
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
pub enum Stroke {
    /// Nothing comes off.
    Leave,
    /// Pressed flat, with the lay.
    Full,
    /// Against the lay.
    Against,
    /// By shears, roughed out by the tool if there is one.
    Scissor,
    /// Thinned or stripped until it lies; its length stays.
    Thin,
}

/// How a tool roughs out what shears finish.
#[derive(Clone, Copy, Debug, PartialEq, Eq, PartialOrd, Ord)]
pub enum Roughing {
    /// Pressed flat: it leaves its own length.
    Pressed,
    /// Held off: it leaves the planned length, with the hand's scatter (handbook 10 C).
    HeldOff,
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
    /// How the tool roughs out, where shears finish.
    pub roughing: Option<Roughing>,
    /// Whether the tool that roughs out its pair of legs goes over it, be there much to lose or little.
    pub is_gone_over: bool,
    /// Length wanted at each of its spots, mm.
    pub wanted_mm: Vec<f64>,
    /// Length the cut leaves at each of its spots, mm.
    pub leaves_mm: Vec<f64>,
    /// Minutes of shears, medium dog; zero for the clipper.
    pub scissor_minutes: f64,
    /// Cost in mm² where the unit is chosen apart (balance-model.md 11).
    cost: f64,
}

/// What the choice of tools depends on.
#[derive(Clone, Copy, Debug)]
pub struct Bench<'a> {
    /// The dog under the look.
    pub subject: &'a Subject,
    /// Its coat.
    pub coat: &'a CoatNow,
    /// The kit.
    pub kit: &'a [Tool],
    /// Blade beneath the combs.
    pub under: UnderComb,
    /// How delicate the skin is.
    pub skin: Skin,
    /// The longest length clipped against the lay, mm (handbook 6, *clip direction*).
    pub against_at_most_mm: f64,
    /// Whether it is clipped so wherever the coat bears it.
    pub is_against_everywhere: bool,
    /// What is taken up where a blade and a comb leave the same (handbook 10 I).
    pub short_by: ShortBy,
    /// How legs are brought to their length (handbook 6, *legs*).
    pub legs: LegWay,
    /// Whether the tuck-up is cleared with the body (handbook 6, *tuck-up*).
    pub is_tuck_up_cleared: bool,
    /// Whether topknot and beard are shaped by shears alone (handbook 6, *head tools*).
    pub is_head_by_eye: bool,
    /// How the hand at the table holds a tool off the hair.
    pub held_off: HeldOff,
}

/// How far off the hair a hand can hold a tool, and how evenly.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct HeldOff {
    /// Factor on the scatter of what it leaves.
    pub scatter: f64,
    /// The shortest tool that is held off, share of the length left.
    pub least: f64,
}

/// How much more a stroke scatters over a dog that does not stand (handbook 10 C 1).
const RESTLESS: f64 = 1.5;

impl HeldOff {
    /// A hand that knows the stroke: not over six times the tool's own length (handbook 10 C 1).
    pub const SURE: Self = Self {
        scatter: 1.0,
        least: 1.0 / 6.0,
    };
    /// The same over a dog that does not stand and nobody holds: half as much scatter again (handbook 10 C 1).
    #[must_use]
    pub fn on_a_restless_dog(self) -> Self {
        Self {
            scatter: RESTLESS * self.scatter,
            ..self
        }
    }

    /// One that learns it: twice the scatter (handbook 10 C 1), and a third of the length at least by the
    /// tool itself (handbook 3, *Skim*: one comb longer; the share is a modelling choice).
    pub const LEARNING: Self = Self {
        scatter: 2.0,
        least: 1.0 / 3.0,
    };
}

/// What a salon takes up where a blade and a comb leave the same.
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
pub enum ShortBy {
    /// Whichever balances best.
    WhatFits,
    /// The comb, which keeps the warm blade off the skin.
    Combs,
    /// The bare blade, which cuts closer.
    Blades,
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

/// A whole choice of tools.
#[derive(Clone, Debug)]
pub struct Cutting {
    /// One cut a unit, in the order of [`Unit::ALL`]; no rear pass where one runs through.
    pub cuts: Vec<UnitCut>,
    /// Length left at every spot, mm.
    pub lengths_mm: Vec<f64>,
    /// Where the back's shorter pass begins.
    pub back_pass: Option<LineStop>,
    /// How the body is cut; none where no clipper runs there.
    pub body: Option<BodyCut>,
    /// The best other way: one length for two, or two for one.
    pub other_body: Option<BodyCut>,
}

/// How the body is cut, with the rest settled beside it: for saying what one length leaves and a
/// second would cost.
#[derive(Clone, Debug, PartialEq)]
pub struct BodyCut {
    /// Where the back's line lies.
    pub stop: Option<LineStop>,
    /// The tool of the body's length.
    pub body: Uuid,
    /// The tool of the shorter pass; none where one runs through.
    pub rear: Option<Uuid>,
    /// Length at every spot, mm, the shears not yet solved again.
    pub lengths_mm: Vec<f64>,
    /// Minutes of shears, medium dog.
    pub scissor_minutes: f64,
    /// How many tools it takes up.
    pub tools: usize,
}

/// How thoroughly jackets are tried.
struct Effort {
    /// So many jackets are solved beside, and settled.
    tried: usize,
    /// So many of them are finished by a solve of the shears.
    finished: usize,
    /// Whether the rest is solved before it is settled.
    is_solved_first: bool,
}

/// For a plan that is shown (balance-model-2.md 4).
const FULL: Effort = Effort {
    tried: 5,
    finished: 2,
    is_solved_first: true,
};
/// For plans that are only compared.
const ROUGH: Effort = Effort {
    tried: 2,
    finished: 1,
    is_solved_first: false,
};
/// A family of jackets is tried while its best lies within so much of the cheapest, in balance: no
/// refinement made up more (balance-model-2.md 4).
const WITHIN: f64 = 25.0;

/// Chooses how each unit is cut, with the tools owned, so that the whole balances best: enumerates the
/// body's length, settles edges and legs beside the best of them, and solves what the shears do again.
///
/// # Units and shapes
/// `wanted_mm` is the free solution, one length per spot of the subject, mm.
///
/// # References
/// balance-model-2.md 4.
///
/// # Errors
/// If the solver gives no answer.
pub fn choose_tools(
    bench: &Bench<'_>,
    sought: &Sought,
    wanted_mm: &[f64],
    accuracy: Accuracy,
) -> Result<Cutting, SolveError> {
    let effort = match accuracy {
        Accuracy::Full => FULL,
        Accuracy::Rough => ROUGH,
    };
    let worth = Worth::new(sought, bench.subject);
    let ways = ways_of(bench.kit, bench.short_by);
    let felt = Felt::on(bench);
    let stops = stops_tried(bench.subject);
    let laid_out: Vec<LaidOut> = stops
        .iter()
        .map(|stop| {
            let subject = bench.subject.clone();
            let lines = subject.lines.clone();
            let lines = match stop {
                Some(stop) => lines.put(*stop, By::Solve),
                None => lines,
            };
            LaidOut::new(bench, subject.with_lines(lines), &worth, &ways)
        })
        .collect();
    let dues: Vec<Dues<'_>> = laid_out.iter().map(|l| Dues::new(l, &ways, felt)).collect();
    let jackets = priced(&laid_out, &dues, &ways, &worth, wanted_mm);

    let mut tried: Vec<(f64, Settled<'_>, Option<&Priced>)> = Vec::new();
    for jacket in picked(&jackets, effort.tried, laid_out.len()) {
        let dues = &dues[jacket.map_or(0, |j| j.layout)];
        let wanted = match jacket.filter(|_| effort.is_solved_first) {
            Some(jacket) => beside_jacket(jacket, dues.laid_out, sought, bench, wanted_mm)?,
            None => wanted_mm.to_vec(),
        };
        let mut settled = Settled::beside(jacket, bench, dues, &worth, &wanted);
        settled.settle();
        tried.push((settled.value(), settled, jacket));
    }
    tried.sort_by(|a, b| a.0.total_cmp(&b.0));
    let bodies: Vec<BodyCut> = tried
        .iter()
        .filter_map(|(_, settled, jacket)| Some(body_cut(settled, (*jacket)?, &ways)))
        .collect();
    tried.truncate(effort.finished);
    let mut best: Option<(f64, Settled<'_>, Option<&Priced>)> = None;
    for (_, first, jacket) in tried {
        let dues = &dues[jacket.map_or(0, |j| j.layout)];
        let again = first.solve_rest(sought, accuracy)?;
        let mut settled = if effort.is_solved_first {
            let mut settled = Settled::beside(jacket, bench, dues, &worth, &again);
            settled.settle();
            settled
        } else {
            first
        };
        let last = settled.solve_rest(sought, accuracy)?;
        settled.finish(&last);
        let value = settled.value();
        if best.as_ref().is_none_or(|(least, ..)| value < *least) {
            best = Some((value, settled, jacket));
        }
    }
    let Some((_, mut best, jacket)) = best else {
        return Err(SolveError::NoAnswer);
    };
    best.rough_out_by_pairs();
    let is_one_pass = jacket.is_none_or(Priced::is_one_pass);
    let of = |is_one: bool| bodies.iter().find(|b| b.rear.is_none() == is_one).cloned();
    Ok(Cutting {
        body: of(is_one_pass),
        other_body: of(!is_one_pass),
        ..cutting(&best, bench, &ways, wanted_mm)
    })
}

/// Places of the back's line that are tried: where a hand put it only there, where the salon has one
/// there or none; none where the look has no such line.
fn stops_tried(subject: &Subject) -> Vec<Option<LineStop>> {
    let lines = &subject.lines;
    let line = LineName::BackPass;
    if !lines.offers(line) {
        return vec![None];
    }
    match (lines.by(line), lines.stop(line)) {
        (Some(By::Hand), _) => vec![None],
        (Some(By::House), Some(LineStop::OnePass)) => vec![None],
        (Some(By::House), stop) => vec![Some(LineStop::OnePass), stop],
        // A line that was moved along the back is there.
        _ if lines.is_moved(line) => line.stops().skip(1).map(Some).collect(),
        _ => line.stops().map(Some).collect(),
    }
}

/// All jackets under all places of the line, the cheapest first; none where nothing of the body is clipped.
fn priced(
    laid_out: &[LaidOut],
    dues: &[Dues<'_>],
    ways: &[Way],
    worth: &Worth,
    wanted_mm: &[f64],
) -> Vec<Priced> {
    let standing = worth.standing(wanted_mm.to_vec());
    let mut all = Vec::new();
    for (number, (laid_out, dues)) in laid_out.iter().zip(dues).enumerate() {
        let mut spots: Vec<usize> = laid_out
            .jacket
            .iter()
            .flat_map(|u| laid_out.units[*u].spots.iter().copied())
            .collect();
        spots.sort_unstable();
        let left: Vec<Choice> = laid_out.units.iter().map(Choice::leave).collect();
        let jackets = Jackets {
            number,
            laid_out,
            dues,
            ways,
            touched: &worth.touched_by(&spots),
            spots: &spots,
            standing: &standing,
            left: &left,
        };
        if !spots.is_empty() {
            all.extend(jackets.all());
        }
    }
    all.sort_by(|a, b| a.price.total_cmp(&b.price));
    all
}

/// The jackets worth a solve: the best of one length, the best of each family near the cheapest, then
/// the next that differ in a length. A dog without a jacket is settled once.
fn picked(jackets: &[Priced], most: usize, layouts: usize) -> Vec<Option<&Priced>> {
    let Some(cheapest) = jackets.first() else {
        return if layouts == 0 { Vec::new() } else { vec![None] };
    };
    let mut picked: Vec<&Priced> = Vec::new();
    let family = |is_one: bool| jackets.iter().find(move |j| j.is_one_pass() == is_one);
    // One length is always tried, if only to say what it would leave.
    let one = jackets.iter().find(|j| j.is_one_length());
    let best = [Some(cheapest), one, family(true), family(false)];
    for (place, jacket) in best.into_iter().enumerate() {
        let Some(jacket) = jacket else { continue };
        let is_near = place == 1 || jacket.price < cheapest.price + WITHIN;
        if is_near && !picked.iter().any(|p| p.is_like(jacket)) {
            picked.push(jacket);
        }
    }
    for jacket in jackets {
        if picked.len() >= most {
            break;
        }
        if !picked.iter().any(|p| p.is_like(jacket)) {
            picked.push(jacket);
        }
    }
    picked.truncate(most);
    picked.into_iter().map(Some).collect()
}

/// The rest of the dog solved beside a jacket that is held.
fn beside_jacket(
    jacket: &Priced,
    laid_out: &LaidOut,
    sought: &Sought,
    bench: &Bench<'_>,
    wanted_mm: &[f64],
) -> Result<Vec<f64>, SolveError> {
    let mut lengths = wanted_mm.to_vec();
    let mut is_held = vec![false; lengths.len()];
    for (u, cut) in laid_out.jacket.iter().zip(&jacket.cuts) {
        for (i, mm) in laid_out.units[*u].spots.iter().zip(&cut.leaves) {
            lengths[*i] = *mm;
            is_held[*i] = true;
        }
    }
    let free: Vec<usize> = (0..lengths.len()).filter(|i| !is_held[*i]).collect();
    let mut lowest: Vec<f64> = bench.subject.spots.iter().map(|s| s.low).collect();
    for placed in &laid_out.units {
        if placed.unit.is_of_a_leg() && placed.cut == Cut::Scissored {
            for (i, low) in placed.spots.iter().zip(&placed.shear_low) {
                lowest[*i] = *low;
            }
        }
    }
    sought.rest(&free, &lengths, &lowest, Accuracy::Rough)
}

/// Writes a settled choice down, with what is chosen apart from the balance.
fn cutting(settled: &Settled<'_>, bench: &Bench<'_>, ways: &[Way], wanted_mm: &[f64]) -> Cutting {
    let subject = settled.subject();
    let lengths_mm = settled.lengths_mm().to_vec();
    let mut cuts: Vec<UnitCut> = Vec::new();
    let mut in_hand: Vec<Uuid> = Vec::new();
    for ((unit, choice), is_gone_over) in settled.cuts().zip(&settled.is_gone_over) {
        let way = choice.way().map(|way| &ways[way]);
        in_hand.extend(way.map(|way| way.tool));
        let is_thinned = is_thinned(unit, subject, bench.coat);
        cuts.push(UnitCut {
            unit,
            stroke: match choice.how {
                How::Leave => Stroke::Leave,
                How::Clip { .. } => match way.map(|w| w.direction) {
                    Some(Direction::AgainstTheLay) => Stroke::Against,
                    _ => Stroke::Full,
                },
                How::Shears { .. } if is_thinned => Stroke::Thin,
                How::Shears { .. } => Stroke::Scissor,
            },
            tool: way.map(|way| way.tool),
            roughing: match choice.how {
                How::Shears { rough } => rough.map(|(_, how)| how),
                _ => None,
            },
            is_gone_over: *is_gone_over,
            wanted_mm: unit.spots(subject).iter().map(|i| wanted_mm[*i]).collect(),
            leaves_mm: if is_thinned {
                vec![bench.coat.length_mm(unit.zone()); choice.leaves.len()]
            } else {
                choice.leaves.clone()
            },
            scissor_minutes: choice.minutes,
            cost: 0.0,
        });
    }
    in_hand.sort_unstable();
    in_hand.dedup();
    let bench = Bench { subject, ..*bench };
    cuts.extend(bench.set_apart(&in_hand));
    cuts.sort_by_key(|cut| Unit::ALL.iter().position(|u| *u == cut.unit));
    Cutting {
        cuts,
        lengths_mm,
        back_pass: subject.lines.stop(LineName::BackPass),
        body: None,
        other_body: None,
    }
}

/// Whether a unit's coat is laid flat and keeps its length: where a limit or a knot asks for less, it is cut.
fn is_thinned(unit: Unit, subject: &Subject, coat: &CoatNow) -> bool {
    let now = coat.length_mm(unit.zone());
    let mut spots = unit.spots(subject).into_iter().map(|i| &subject.spots[i]);
    subject.look.cut(unit.zone()) == Cut::Thinned && spots.all(|s| s.high >= now - HAIRSBREADTH)
}

/// How a body is cut, told.
fn body_cut(settled: &Settled<'_>, jacket: &Priced, ways: &[Way]) -> BodyCut {
    let mut tools: Vec<usize> = settled
        .cuts()
        .filter_map(|(_, choice)| choice.way().map(|way| ways[way].slot))
        .collect();
    tools.sort_unstable();
    tools.dedup();
    let (body, rear) = jacket.ways();
    BodyCut {
        stop: settled.subject().lines.stop(LineName::BackPass),
        body: ways[body].tool,
        rear: rear.map(|way| ways[way].tool),
        lengths_mm: settled.lengths_mm().to_vec(),
        scissor_minutes: settled.cuts().map(|(_, choice)| choice.minutes).sum(),
        tools: tools.len(),
    }
}
