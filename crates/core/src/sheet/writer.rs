use std::collections::{BTreeMap, BTreeSet};

use uuid::Uuid;

use super::cautions::{CLIPPER_NOISE, Caution, Hazard, STANDING_CAUTION, by_name, cautions};
use super::counted::{count_pauses, counted};
use super::facts::DogFacts;
use super::feet::Feet;
use super::from_last::{SiteDone, lay};
use super::hands::hand_hint;
use super::minutes as m;
use super::names::{named, names_in_step};
use super::sorts::sorts;
use super::staged::{BREAK_EVERY_MINUTES as SHORT_BREAKS, StagedSheet, belongs};
use super::stands::put_stands;
use super::step::{CutSheet, Stage, Step, StepKind};
use crate::coat::{Site, Zone};
use crate::dog::{Programme, Sort, SortFactor, Topic};
use crate::job::Job;
use crate::kit::ToolKind;
use crate::lines::ClipLine;
use crate::look::LineName;
use crate::plan::Plan;
use crate::say::Words;
use crate::schools::{Answer, Question};
use crate::solve::{Stroke, Unit, UnitCut};

/// Work between two breaks, minutes (modelling choice after handbook 6, *breaks*: short for old,
/// young, unwell).
const BREAK_EVERY_MINUTES: f64 = 20.0;

/// Writes the steps of a plan in the order of the salon's schools; one tool does all it can before
/// it is changed, the longest first.
pub fn cut_sheet(
    plan: &Plan,
    job: &Job,
    facts: &DogFacts<'_>,
    lines: &[ClipLine],
    words: &Words<'_>,
) -> CutSheet {
    let mut writer = Writer {
        plan,
        job,
        facts,
        lines,
        words,
        size: m::for_size(job.sides.left.height),
        sorts: Vec::new(),
        steps: Vec::new(),
        tools: Vec::new(),
        roughed: None,
        has_met_clipper: false,
        has_said_legs: false,
    };
    writer.sorts = sorts(&writer);
    writer.prepare();
    match writer.answer(Question::Feet) {
        Answer::FeetFirst => {
            writer.feet(Feet::All);
            writer.clip();
            writer.scissor();
        }
        Answer::FeetHindFirst => {
            writer.feet(Feet::Hind);
            writer.clip();
            writer.feet(Feet::Front);
            writer.scissor();
        }
        _ => {
            writer.clip();
            writer.feet(Feet::All);
            writer.scissor();
        }
    }
    if facts.programme == Some(Programme::Meeting) {
        writer.dryer_from_afar();
    }
    writer.finish();
    if let Some(stage) = facts.programme {
        writer.steps.retain(|step| belongs(stage, step));
    }
    let needs_breaks = match writer.answer(Question::Breaks) {
        Answer::BreaksNone => false,
        Answer::BreaksAlways => true,
        _ => facts.needs_breaks(),
    };
    let warm_blade = match writer.answer(Question::Heat) {
        Answer::HeatSpray => "If it is warm: spray it, oil it, wipe it.",
        Answer::HeatComb => "If it is warm: put a comb on, or lay it down.",
        _ => "If it is warm: swap it for a cool one.",
    };
    let Writer {
        mut steps,
        tools,
        sorts,
        ..
    } = writer;
    let tool_changes = u32::try_from(tools.len().saturating_sub(1)).unwrap_or(u32::MAX);
    let nowhere = lay(&mut steps, facts.from_last);
    let minutes: f64 = steps.iter().map(|s| s.minutes).sum();
    let staged = facts.programme;
    let staged = staged.map(|stage| Box::new(StagedSheet::of(stage, facts.dog, minutes)));
    let break_every = staged
        .as_ref()
        .map_or(BREAK_EVERY_MINUTES, |_| SHORT_BREAKS);
    say_once(&mut steps);
    say_under_once(&mut steps, words);
    put_stands(&mut steps, plan);
    let blade_pauses = count_pauses(&mut steps, job.house.blade_minutes);
    CutSheet {
        counted: counted(&steps, tool_changes, blade_pauses, &job.house.clippers),
        blade_pauses,
        sorts,
        minutes: steps.iter().map(|s| s.minutes).sum(),
        steps,
        tool_changes,
        notes: notes(&job.look.order_note, facts, nowhere),
        own_ways: facts.own_ways.to_vec(),
        standing_caution: STANDING_CAUTION.into(),
        blade_minutes: job.house.blade_minutes,
        break_every_minutes: (needs_breaks || staged.is_some()).then_some(break_every),
        staged,
        warm_blade: warm_blade.into(),
    }
}

/// Says a usual caution, and what the other hand does, at the first step it belongs to. This dog's own
/// cautions stand at each step, those of the whole dog from the second on by name.
fn say_once(steps: &mut [Step]) {
    let mut said: BTreeSet<String> = BTreeSet::new();
    for step in steps {
        for own in step.cautions.iter_mut().filter(|c| c.is_this_dogs) {
            if let Some(name) = by_name(&own.text)
                && !said.insert(own.text.clone())
            {
                own.text = name;
            }
        }
        let (new, again) = std::mem::take(&mut step.cautions)
            .into_iter()
            .partition(|c: &Caution| c.is_this_dogs || said.insert(c.text.clone()));
        step.cautions = new;
        step.again = again.into_iter().map(|c| c.text).collect();
        if !step.hand.is_empty() && !said.insert(step.hand.clone()) {
            step.hand_again = std::mem::take(&mut step.hand);
        }
    }
}

/// Says the blade beneath at the first comb: the salon has one for all of them.
fn say_under_once(steps: &mut [Step], words: &Words<'_>) {
    let combs = steps.iter_mut().filter_map(|step| {
        let comb = words.comb_alone(step.tool_id?)?;
        Some((step, comb))
    });
    for (step, comb) in combs.skip(1) {
        step.tool = comb;
    }
}

/// What is to be minded: of the look first, then of this dog.
fn notes(of_look: &str, facts: &DogFacts<'_>, of_last_time: Vec<String>) -> Vec<String> {
    let look = (!of_look.is_empty()).then(|| of_look.to_owned());
    look.into_iter()
        .chain(of_last_time)
        .chain(facts.notes.iter().cloned())
        .collect()
}

/// Writes steps one after another.
pub(super) struct Writer<'a> {
    pub(super) plan: &'a Plan,
    pub(super) job: &'a Job,
    pub(super) facts: &'a DogFacts<'a>,
    lines: &'a [ClipLine],
    pub(super) words: &'a Words<'a>,
    pub(super) size: f64,
    sorts: Vec<Sort>,
    steps: Vec<Step>,
    tools: Vec<Uuid>,
    /// What was roughed out before the bath, and the length that was left there, mm.
    pub(super) roughed: Option<(f64, Vec<Zone>)>,
    /// Whether a step ran a clipper already.
    has_met_clipper: bool,
    /// Whether it was said what roughing the legs out saves.
    pub(super) has_said_legs: bool,
}

/// A step before it is numbered.
#[derive(Default)]
pub(super) struct Draft<'a> {
    pub(super) what: String,
    pub(super) tool: String,
    pub(super) stroke: &'a str,
    pub(super) from: String,
    pub(super) to: String,
    pub(super) leaves: String,
    pub(super) minutes: f64,
    pub(super) zones: Vec<Zone>,
    pub(super) sites: &'a [Site],
    pub(super) instead: Option<String>,
    pub(super) hazards: &'a [Hazard],
    pub(super) kind: StepKind,
    /// Where it is another than its stage's.
    pub(super) topic: Option<Topic>,
    pub(super) tool_id: Option<Uuid>,
    pub(super) amounts: Vec<String>,
    /// How its pair is compared.
    pub(super) pair: &'a str,
}

impl Draft<'_> {
    pub(super) fn of(self, kind: StepKind, topic: Topic) -> Self {
        Self {
            kind,
            topic: Some(topic),
            ..self
        }
    }
}

impl Writer<'_> {
    pub(super) fn push(&mut self, stage: Stage, draft: Draft<'_>) {
        let topic = draft.topic.unwrap_or(match stage {
            Stage::Prepare => Topic::SmallJobs,
            Stage::Clip => Topic::Clip,
            Stage::FeetAndBevels => Topic::Feet,
            Stage::Scissor => Topic::Scissor,
            Stage::Blend => Topic::Blend,
            Stage::Check => Topic::Check,
        });
        let factor = self.learnt(topic);
        let runs = [Hazard::BareBlade, Hazard::Comb].map(|h| draft.hazards.contains(&h));
        let mut cautions = cautions(draft.hazards, self.facts, &self.job.coat);
        cautions.splice(0..0, self.met(stage, &draft));
        if runs.contains(&true) && std::mem::replace(&mut self.has_met_clipper, true) {
            cautions.retain(|c| c.text != CLIPPER_NOISE);
        }
        let mut minutes = draft.minutes * self.minutes_factor(topic);
        if draft.kind == StepKind::Work {
            minutes = minutes.max(m::LEAST_STEP);
        }
        let mut amounts = draft.amounts;
        amounts.extend(self.sites_last(draft.sites, &draft.tool));
        let number = u32::try_from(self.steps.len() + 1).unwrap_or(u32::MAX);
        self.steps.push(Step {
            number,
            stage,
            stage_label: stage.label().into(),
            what: draft.what,
            tool: draft.tool,
            stroke: draft.stroke.into(),
            from: draft.from,
            to: draft.to,
            leaves: draft.leaves,
            minutes: (minutes * 10.0).round() / 10.0,
            topic,
            factor,
            tool_id: draft.tool_id,
            zones: draft.zones,
            stands: BTreeMap::new(),
            sites: draft.sites.to_vec(),
            instead: draft.instead,
            hand: hand_hint(draft.hazards).into(),
            hand_again: String::new(),
            pair: draft.pair.into(),
            is_bare_blade: draft.hazards.contains(&Hazard::BareBlade),
            needs_comb_test: draft.hazards.contains(&Hazard::Comb),
            kind: draft.kind,
            amounts,
            cautions,
            again: Vec::new(),
        });
    }

    /// With what these sites were done last time, where it was another tool than today's: each tool once.
    fn sites_last(&self, sites: &[Site], tool: &str) -> Vec<String> {
        let mut told: Vec<&SiteDone> = Vec::new();
        if tool.is_empty() {
            return Vec::new();
        }
        let last = self.facts.sites_last.iter();
        for done in last.filter(|done| sites.contains(&done.site)) {
            if told.iter().all(|there| there.tool != done.tool) {
                told.push(done);
            }
        }
        told.iter()
            .filter_map(|done| done.said_beside(tool))
            .collect()
    }

    /// What the salon's log taught of a topic, and of this sort of groom.
    fn learnt(&self, topic: Topic) -> f64 {
        let factors = &self.job.house.minute_factors;
        factors.get(&topic).copied().unwrap_or(1.0) * self.sort_factor()
    }

    /// This dog's minutes against the table's: by its size, how it stands, and what the log taught.
    pub(super) fn minutes_factor(&self, topic: Topic) -> f64 {
        let held = m::held(self.has_helper(), self.facts.is_restless());
        self.size * held * self.learnt(topic)
    }

    /// Sites that a blade has cleared so far: shears and a look into an ear take no knot out.
    pub(super) fn sites_cleared(&self) -> impl Iterator<Item = Site> {
        let by_blade = self.steps.iter().filter(|s| s.is_bare_blade);
        by_blade.flat_map(|s| &s.sites).copied()
    }

    /// How much longer this sort of groom takes here, where the salon took that over.
    fn sort_factor(&self) -> f64 {
        let by_sort = &self.job.house.minutes_by;
        let is_this = |s: &&SortFactor| self.sorts.contains(&s.sort);
        by_sort.iter().filter(is_this).map(|s| s.factor).product()
    }

    /// Whether somebody holds the dog (handbook 6, *holding*).
    pub(super) fn has_helper(&self) -> bool {
        self.facts.has_helper(&self.job.house.schools)
    }

    /// The salon's answer.
    pub(super) fn answer(&self, question: Question) -> Answer {
        self.job.house.schools.of(question)
    }

    /// Whether the salon answers so.
    pub(super) fn has(&self, answer: Answer) -> bool {
        self.job.house.schools.has(answer)
    }

    pub(super) fn is_blade(&self, tool: Uuid) -> bool {
        let mut kit = self.job.kit.iter();
        kit.any(|t| t.id == tool && t.kind == ToolKind::Blade)
    }

    pub(super) fn line(&self, name: LineName) -> String {
        self.lines
            .iter()
            .find(|l| l.line == name)
            .map(|l| {
                let hand = l.hand.first().filter(|h| h.distance_mm.as_mm() >= 1.0);
                match hand {
                    Some(hand) => format!("{}: {} {}", name.label(), hand.text, hand.from),
                    None => format!("{}: {}", name.label(), l.mark),
                }
            })
            .unwrap_or_default()
    }

    pub(super) fn span(&self, cut: &UnitCut) -> String {
        let from = cut.leaves_mm.iter().copied().fold(f64::INFINITY, f64::min);
        let to = cut.leaves_mm.iter().copied().fold(0.0, f64::max);
        let is_by_shears = cut.stroke == Stroke::Scissor;
        self.words.told_span(from, to, is_by_shears)
    }

    /// Names of units in a sentence; a back that is cut in one pass is just the back.
    pub(super) fn named(&self, units: &[Unit]) -> String {
        let is_one_pass = !self.plan.cuts.iter().any(|c| c.unit == Unit::BackRear);
        let mut units = units.to_vec();
        if is_one_pass && units.contains(&Unit::BackFront) {
            units.push(Unit::BackRear);
        }
        named(&units).join(", ")
    }

    pub(super) fn leaves(&self, cuts: &[&UnitCut]) -> String {
        let mut parts: Vec<(String, Vec<Unit>)> = Vec::new();
        for cut in cuts {
            let span = self.span(cut);
            match parts.iter_mut().find(|(s, _)| *s == span) {
                Some((_, units)) => units.push(cut.unit),
                None => parts.push((span, vec![cut.unit])),
            }
        }
        match parts.as_slice() {
            [] => String::new(),
            [(span, _)] => format!("{span} {}", self.words.unit()),
            _ => self.leaves_apart(cuts, parts),
        }
    }

    /// What several parts of one step are left at: faces of a leg by name; elsewhere what most of the step
    /// leaves stands first and needs no names, for the step has them.
    fn leaves_apart(&self, cuts: &[&UnitCut], mut parts: Vec<(String, Vec<Unit>)>) -> String {
        let all: Vec<Unit> = cuts.iter().map(|cut| cut.unit).collect();
        if all.iter().all(|unit| unit.is_of_a_leg()) {
            let name_of = names_in_step(&all);
            let said = parts.iter().map(|(span, units)| {
                let names: Vec<&str> = units.iter().map(|unit| name_of(*unit)).collect();
                format!("{} {span}", names.join(", "))
            });
            return said.collect::<Vec<_>>().join("; ");
        }
        let is_most = |units: &[Unit]| 2 * units.len() > all.len();
        parts.sort_by_key(|(_, units)| !is_most(units));
        let said = parts.iter().map(|(span, units)| {
            if is_most(units) {
                format!("{span} {}", self.words.unit())
            } else {
                format!("{} {span}", self.named(units))
            }
        });
        said.collect::<Vec<_>>().join("; ")
    }

    /// Minutes for taking up a tool: none for the first, none for the one in hand.
    pub(super) fn change(&mut self, tool: Uuid) -> f64 {
        if self.tools.last() == Some(&tool) {
            return 0.0;
        }
        self.tools.push(tool);
        if self.tools.len() == 1 {
            0.0
        } else {
            m::BLADE_CHANGE
        }
    }
}
