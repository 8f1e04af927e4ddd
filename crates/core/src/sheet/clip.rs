use uuid::Uuid;

use super::cautions::Hazard;
use super::minutes as m;
use super::names::gone_round;
use super::pass::{Area, Part, Pass, Run, is_shaped_by_hand};
use super::rows::USUAL_STROKE;
use super::step::Stage;
use super::writer::{Draft, Writer};
use crate::coat::Texture;
use crate::kit::{ClipperFit, ONE_SIZE_MM, Tool};
use crate::say::capital;
use crate::schools::{Answer, Question};
use crate::solve::{Roughing, Stroke, Unit, UnitCut};

/// A back that dips by so much of the height is seen to (balance-model-2.md 3: 1 % is 1.5 tolerances).
const DIP_SEEN: f64 = 0.01;

impl<'a> Writer<'a> {
    /// Share of the clipping that is left with a wide blade: a third more at every stroke (handbook 3).
    fn width_share(&self, tool: Uuid) -> f64 {
        let mut kit = self.job.kit.iter();
        let is_wide = kit.any(|t| t.id == tool && t.fits == ClipperFit::Wide);
        if is_wide { m::WIDE_BLADE } else { 1.0 }
    }

    /// Clipper work by tool and part of the dog, so that a step has one start and one stop: what is too
    /// little for a step of its own goes along with what the tool in hand does beside it.
    pub(super) fn clip(&mut self) {
        let mut passes = self.passes();
        let body_units = passes
            .iter()
            .flat_map(Pass::cuts)
            .filter(|c| !c.unit.is_of_a_leg() && !is_shaped_by_hand(c.unit))
            .count()
            .max(1) as f64;
        // The longest step of a tool takes what is too short for one along.
        passes.sort_by(|a, b| {
            let minutes = |pass: &Pass<'_>| self.pass_minutes(pass, body_units);
            minutes(b).total_cmp(&minutes(a))
        });
        let mut joined: Vec<Pass<'a>> = Vec::new();
        for pass in passes {
            let minutes = self.pass_minutes(&pass, body_units) * self.size;
            let with_it = joined.iter_mut().find(|other| other.takes_along(&pass));
            match with_it {
                Some(other) if minutes < m::LEAST_STEP || other.goes_round_with(&pass) => {
                    other.take_along(pass);
                }
                _ => joined.push(pass),
            }
        }
        for pass in self.in_order(joined) {
            self.clip_pass(&pass, body_units);
        }
        self.polish();
        self.upper_ears_by_blade();
        self.between_eyes_by_blade();
    }

    /// Body before legs before head and tail, and one tool does all it can before it is changed: a tool
    /// comes with the first part it has, the longer before the shorter (handbook 10 C).
    fn in_order(&self, passes: Vec<Pass<'a>>) -> Vec<Pass<'a>> {
        let kit = &self.job.kit;
        let order = |tool: Uuid| {
            let regions = passes.iter().filter(|p| p.tool == tool).map(Pass::region);
            let own = kit.iter().find(|t| t.id == tool);
            (regions.min(), own.map_or(0.0, |t| t.leaves_mm.as_mm()))
        };
        let mut keyed: Vec<_> = passes.iter().map(|p| order(p.tool)).zip(0..).collect();
        keyed.sort_by(|((region, mm), a), ((other, other_mm), b)| {
            let by_tool = region.cmp(other).then(other_mm.total_cmp(mm));
            let key = |n: usize| {
                let pass = &passes[n];
                (pass.tool, pass.region(), pass.area(), pass.parts[0].run)
            };
            by_tool.then(key(*a).cmp(&key(*b)))
        });
        let mut passes: Vec<Option<Pass<'a>>> = passes.into_iter().map(Some).collect();
        let by_order = keyed.into_iter();
        by_order.filter_map(|(_, n)| passes[n].take()).collect()
    }

    /// What the clipper does, a tool, a stroke and a part of the dog at a time, in the order it is done.
    fn passes(&self) -> Vec<Pass<'a>> {
        let plan = self.plan;
        let mut passes: Vec<Pass<'a>> = Vec::new();
        for cut in plan.cuts.iter().filter(|c| c.unit != Unit::Feet) {
            let Some(tool) = cut.tool else { continue };
            let run = Run::of(cut);
            let same = passes.iter_mut().find(|pass| {
                let is_same = pass.tool == tool && pass.parts[0].run == run;
                is_same && pass.area() == Area::of(cut.unit) && !pass.is_by_itself()
            });
            match same.filter(|_| !is_shaped_by_hand(cut.unit)) {
                Some(pass) => pass.parts[0].cuts.push(cut),
                None => passes.push(Pass {
                    tool,
                    parts: vec![Part {
                        run,
                        cuts: vec![cut],
                    }],
                }),
            }
        }
        passes
    }

    fn pass_minutes(&self, pass: &Pass<'_>, body_units: f64) -> f64 {
        let legs = pass.cuts().filter(|c| c.unit.is_of_a_leg()).count() as f64;
        let body = pass.cuts().count() as f64 - legs;
        let again = if self.roughed.is_some() {
            m::AFTER_ROUGHING
        } else {
            1.0
        };
        let minutes = self.clipped_part(pass).unwrap_or_else(|| {
            again * m::BODY_CLIPPED * body / body_units + m::LEG_SKIMMED * legs_of(legs)
        });
        minutes * self.width_share(pass.tool)
    }

    fn clip_pass(&mut self, pass: &Pass<'_>, body_units: f64) {
        let tool = pass.tool;
        let is_blade = self.is_blade(tool);
        let runs = if self.joins_twice(pass.parts[0].run) {
            m::SECOND_PASS
        } else {
            1.0
        };
        let minutes = runs * self.pass_minutes(pass, body_units) + self.change(tool);
        let has = |units: &[Unit]| pass.cuts().any(|c| units.contains(&c.unit));
        let mut hazards = vec![if is_blade {
            Hazard::BareBlade
        } else {
            Hazard::Comb
        }];
        let is_held_off = pass.parts.iter().any(|part| part.run == Run::RoughHeldOff);
        if is_held_off && !self.has_helper() {
            hazards.push(Hazard::HeldOff);
        }
        if has(&[
            Unit::TuckUp,
            Unit::FlankAndKnee,
            Unit::Flank,
            Unit::Underline,
        ]) {
            hazards.push(Hazard::Flank);
        }
        if has(&[Unit::Face, Unit::Muzzle, Unit::Beard, Unit::Topknot]) {
            hazards.push(Hazard::Face);
        }
        let legs = pass.cuts().filter(|c| c.unit.is_of_a_leg()).count() as f64;
        if legs > 0.0 {
            hazards.push(Hazard::Legs);
        }
        if has(&[Unit::Ears]) {
            hazards.push(Hazard::Ears);
        }
        if has(&[Unit::Tail]) {
            hazards.push(Hazard::Tail);
        }
        let cuts: Vec<&UnitCut> = pass.cuts().collect();
        let units: Vec<Unit> = cuts.iter().map(|c| c.unit).collect();
        let instead = self
            .words
            .blade_instead(tool)
            .filter(|_| !is_blade)
            .map(|t| format!("{} blade, bare", t.printed));
        let (from, to) = self.ends(&cuts);
        let main = &pass.parts[0];
        if !main.run.is_roughing()
            && let Some(longer) = self.first_layer_tool(&units, tool)
        {
            self.first_layer(&units, longer, m::FIRST_LAYER * minutes);
        }
        let finished: Vec<&UnitCut> = cuts
            .iter()
            .filter(|c| c.stroke != Stroke::Scissor)
            .copied()
            .collect();
        let mut amounts = Vec::new();
        for other in &pass.parts[1..] {
            let units: Vec<Unit> = other.cuts.iter().map(|c| c.unit).collect();
            amounts.push(format!(
                "{}: {}",
                capital(&self.named(&units)),
                other.run.stroke()
            ));
        }
        let roughed: Vec<&UnitCut> = pass
            .cuts()
            .filter(|c| c.stroke == Stroke::Scissor)
            .collect();
        if !roughed.is_empty() {
            amounts.extend(self.roughed(&roughed, legs > 0.0));
        }
        amounts.extend(self.second_pass(main.run, tool));
        amounts.extend(self.dipped(&units));
        amounts.extend(self.rolled(&units));
        let leaves = self.leaves(&finished);
        self.push(
            Stage::Clip,
            Draft {
                what: match units.as_slice() {
                    [one] if is_shaped_by_hand(*one) => format!("Clip the {}", one.label()),
                    // What goes along in another way is said below, with how.
                    _ => {
                        if main.run.is_roughing() {
                            format!(
                                "Rough out {}",
                                gone_round(&units, &self.plan.cuts).join(", ")
                            )
                        } else {
                            let units: Vec<Unit> = main.cuts.iter().map(|c| c.unit).collect();
                            capital(&self.named(&units))
                        }
                    }
                },
                tool: self.words.tool(tool),
                stroke: main.run.stroke(),
                from,
                to,
                leaves,
                minutes,
                zones: units.iter().map(|u| u.zone()).collect(),
                instead,
                hazards: &hazards,
                tool_id: Some(tool),
                amounts,
                ..Draft::default()
            },
        );
    }

    /// What is done first where the back dips: the hair in the dip is raised before anything is taken off
    /// beside it (handbook 4, *Dip in the back*).
    fn dipped(&self, units: &[Unit]) -> Option<String> {
        let build = &self.plan.subject.build;
        let is_seen = build.back_drop >= DIP_SEEN * build.height;
        (is_seen && units.contains(&Unit::BackFront))
            .then(|| "Comb the dip up first; look again after the pass".into())
    }

    /// Where the comb stops that only roughs out held off, and what roughing out saves.
    fn roughed(&mut self, cuts: &[&UnitCut], is_of_legs: bool) -> Vec<String> {
        let mut said = Vec::new();
        let held_off: Vec<&UnitCut> = cuts
            .iter()
            .filter(|c| c.roughing == Some(Roughing::HeldOff))
            .copied()
            .collect();
        if !held_off.is_empty() {
            let depth = held_off.iter().flat_map(|c| c.leaves_mm.iter().copied());
            let (low, high) = depth.fold((f64::INFINITY, 0.0_f64), |(a, b), mm| {
                (a.min(mm), b.max(mm))
            });
            said.push(format!(
                "Leave {} {} and a little",
                self.words.told_span(low, high, true),
                self.words.unit()
            ));
        }
        let legs = self.legs_roughed();
        if is_of_legs && legs >= 1.0 && !std::mem::replace(&mut self.has_said_legs, true) {
            let with = legs * (m::LEG_SKIMMED + m::LEG_AFTER_SKIMMING) * self.size;
            let alone = legs * m::LEG_SCISSORED * self.size;
            said.push(format!("Saves {:.0} minutes of shears", alone - with));
        }
        said
    }

    /// How many legs are roughed out before the shears.
    fn legs_roughed(&self) -> f64 {
        let is_roughed = |c: &&UnitCut| c.unit.is_of_a_leg() && c.roughing.is_some();
        legs_of(self.plan.cuts.iter().filter(is_roughed).count() as f64)
    }

    /// With which tool the body's first light layer is taken, where there is one (handbook 6,
    /// *layers*).
    fn first_layer_tool(&self, units: &[Unit], tool: Uuid) -> Option<Uuid> {
        let is_asked = match self.answer(Question::Layers) {
            Answer::OneLayer => false,
            Answer::TwoLayers => true,
            _ => self.facts.is_first_visit,
        };
        let is_body = units.contains(&Unit::BackFront);
        let stands = self.job.coat.length_mm(Unit::BackFront.zone());
        self.one_longer(tool, stands - ONE_SIZE_MM)
            .filter(|_| is_asked && is_body)
    }

    /// The next longer tool that is fit and leaves no more than so much: a layer takes hair off.
    fn one_longer(&self, tool: Uuid, most_mm: f64) -> Option<Uuid> {
        let kit = &self.job.kit;
        let mm = |t: &crate::kit::Tool| t.leaves_mm.as_mm();
        let own = kit.iter().find(|t| t.id == tool).map(mm)?;
        kit.iter()
            .filter(|t| t.is_fit() && mm(t) > own + 1.0 && mm(t) <= most_mm)
            .min_by(|a, b| mm(a).total_cmp(&mm(b)))
            .map(|t| t.id)
    }

    /// Whether a pass against the lay is followed by one with it (handbook 10 C 3).
    fn joins_twice(&self, run: Run) -> bool {
        run == Run::Against && self.has(Answer::PassTwice)
    }

    /// The pass after one against the lay: with the lay by the next longer tool, so that edges join and no
    /// length changes.
    fn second_pass(&self, run: Run, tool: Uuid) -> Option<String> {
        if !self.joins_twice(run) {
            return None;
        }
        let kit = &self.job.kit;
        let here = kit.iter().find(|t| t.id == tool)?;
        let is_longer = |t: &&Tool| {
            t.is_fit() && t.kind == here.kind && t.leaves_mm.as_mm() > here.leaves_mm.as_mm()
        };
        let next = kit
            .iter()
            .filter(is_longer)
            .min_by(|a, b| a.leaves_mm.as_mm().total_cmp(&b.leaves_mm.as_mm()))?;
        Some(format!(
            "Then with the lay by the {}, over hip and shoulder: it joins the edges",
            self.words.tool(next.id)
        ))
    }

    /// A drop coat lies flat under the clipper; where the salon rolls the skin, it says so on the body.
    fn rolled(&self, units: &[Unit]) -> Option<String> {
        let is_body = |u: &Unit| matches!(u, Unit::Ribs | Unit::Shoulder | Unit::Hip);
        let rolls = self.job.coat.texture == Texture::Silky
            && self.has(Answer::DropRolled)
            && units.iter().any(is_body);
        rolls.then(|| "Roll the skin under the blade: three passes side by side".into())
    }

    /// The lighter layer before the one that leaves the length.
    fn first_layer(&mut self, units: &[Unit], longer: Uuid, minutes: f64) {
        let is_blade = self.is_blade(longer);
        let hazards: &[Hazard] = if is_blade {
            &[Hazard::BareBlade]
        } else {
            &[Hazard::Comb]
        };
        let minutes = minutes + self.change(longer);
        // Only where the longer tool takes something off.
        let known = self.job.kit.iter().find(|t| t.id == longer);
        let leaves = known.map_or(0.0, |t| t.leaves_mm.as_mm());
        let coat = &self.job.coat;
        let stands = |u: &&Unit| coat.length_mm(u.zone()) >= leaves + ONE_SIZE_MM;
        let units: Vec<Unit> = units.iter().filter(stands).copied().collect();
        self.push(
            Stage::Clip,
            Draft {
                what: format!(
                    "{}: a first light layer, then comb out",
                    capital(&self.named(&units))
                ),
                tool: self.words.tool(longer),
                tool_id: Some(longer),
                stroke: USUAL_STROKE,
                minutes,
                zones: units.iter().map(|u| u.zone()).collect(),
                hazards,
                ..Draft::default()
            },
        );
    }
}

/// How many legs so many of their faces are: the four have ten, each counted on both sides.
fn legs_of(faces: f64) -> f64 {
    4.0 * faces / 10.0
}

impl Writer<'_> {
    /// Minutes of the clipper on an ear, topknot or tail; none for the rest.
    fn clipped_part(&self, pass: &Pass<'_>) -> Option<f64> {
        let whole = match pass.cuts().next()?.unit {
            Unit::Ears => m::EARS,
            // With the top of a round head its sides are clipped as well.
            Unit::Topknot if self.has_round_head() => m::HEAD,
            Unit::Topknot => m::TOPKNOT,
            Unit::Tail => m::TAIL,
            _ => return None,
        };
        Some(m::CLIPPED_SHARE * whole)
    }
}
