use uuid::Uuid;

use super::cautions::Hazard;
use super::faces::face_amounts;
use super::minutes as m;
use super::step::{Stage, StepKind};
use super::writer::{Draft, Writer};
use crate::dog::{Answer, Question};
use crate::kit::{ClipperFit, ONE_SIZE_MM};
use crate::look::LineName;
use crate::say::capital;
use crate::solve::{Stroke, Unit, UnitCut};

impl Writer<'_> {
    /// Share of the clipping that is left with a wide blade: a third more at every stroke (handbook 3).
    fn width_share(&self, tool: Uuid) -> f64 {
        let mut kit = self.job.kit.iter();
        let is_wide = kit.any(|t| t.id == tool && t.fits == ClipperFit::Wide);
        if is_wide { m::WIDE_BLADE } else { 1.0 }
    }

    /// Clipper work by tool, longest first.
    pub(super) fn clip(&mut self) {
        let plan = self.plan;
        let mut groups: Vec<(Uuid, Stroke, Vec<&UnitCut>)> = Vec::new();
        let mut alone: Vec<(Uuid, Stroke, Vec<&UnitCut>)> = Vec::new();
        for cut in &plan.cuts {
            let Some(tool) = cut.tool else { continue };
            if cut.unit == Unit::Feet {
                continue;
            }
            if is_shaped_by_hand(cut.unit) {
                alone.push((tool, cut.stroke, vec![cut]));
                continue;
            }
            match groups
                .iter_mut()
                .find(|(t, s, _)| *t == tool && *s == cut.stroke)
            {
                Some((_, _, cuts)) => cuts.push(cut),
                None => groups.push((tool, cut.stroke, vec![cut])),
            }
        }
        groups.append(&mut alone);
        let longest = |tool: Uuid| {
            self.job
                .kit
                .iter()
                .find(|t| t.id == tool)
                .map_or(0.0, |t| t.leaves_mm.as_mm())
        };
        groups.sort_by(|a, b| {
            longest(b.0)
                .total_cmp(&longest(a.0))
                .then(order_of(a.1).cmp(&order_of(b.1)))
        });
        let body_units = groups
            .iter()
            .flat_map(|g| &g.2)
            .filter(|c| !c.unit.is_of_a_leg() && !is_shaped_by_hand(c.unit))
            .count()
            .max(1) as f64;
        for (tool, stroke, cuts) in groups {
            let is_blade = self.is_blade(tool);
            let legs = cuts.iter().filter(|c| c.unit.is_of_a_leg()).count() as f64;
            let body = cuts.len() as f64 - legs;
            // A leg has about five faces; both sides of the dog are done.
            let minutes = match clipped_part(&cuts) {
                Some(minutes) => minutes,
                None => m::BODY_CLIPPED * body / body_units + 4.0 * m::LEG_SKIMMED * legs / 5.0,
            };
            let minutes = minutes * self.width_share(tool) + self.change(tool);
            let touches_flank = cuts
                .iter()
                .any(|c| matches!(c.unit, Unit::TuckUp | Unit::FlankAndKnee | Unit::Underline));
            let touches_face = cuts
                .iter()
                .any(|c| matches!(c.unit, Unit::Face | Unit::Beard | Unit::Topknot));
            let mut hazards = vec![if is_blade {
                Hazard::BareBlade
            } else {
                Hazard::Comb
            }];
            if touches_flank {
                hazards.push(Hazard::Flank);
            }
            if touches_face {
                hazards.push(Hazard::Face);
            }
            if legs > 0.0 {
                hazards.push(Hazard::Legs);
            }
            if cuts.iter().any(|c| c.unit == Unit::Ears) {
                hazards.push(Hazard::Ears);
            }
            if cuts.iter().any(|c| c.unit == Unit::Tail) {
                hazards.push(Hazard::Tail);
            }
            let units: Vec<Unit> = cuts.iter().map(|c| c.unit).collect();
            let instead = self
                .words
                .blade_instead(tool)
                .filter(|_| !is_blade)
                .map(|t| format!("If the comb stops: {} blade, bare", t.printed));
            let (from, to) = self.ends(&cuts);
            if stroke != Stroke::Scissor
                && let Some(longer) = self.first_layer_tool(&units, tool)
            {
                self.first_layer(&units, longer, m::FIRST_LAYER * minutes);
            }
            self.push(
                Stage::Clip,
                Draft {
                    what: match units.as_slice() {
                        [one] if is_shaped_by_hand(*one) => format!("Clip the {}", one.label()),
                        _ => capital(&self.named(&units)),
                    },
                    tool: self.words.tool(tool),
                    stroke: match stroke {
                        Stroke::Against => "full, against the lay",
                        Stroke::Skim => "skim, weight off",
                        Stroke::Scissor => "rough out by a skim, the rest to shears",
                        _ => "full, with the lay",
                    },
                    from,
                    to,
                    leaves: if stroke == Stroke::Scissor {
                        String::new()
                    } else {
                        self.leaves(&cuts)
                    },
                    minutes,
                    zones: cuts.iter().map(|c| c.unit.zone()).collect(),
                    instead,
                    hazards: &hazards,
                    pair: "",
                    kind: StepKind::Work,
                    topic: None,
                    tool_id: Some(tool),
                    // What is only roughed out here is said where it is finished.
                    amounts: if stroke == Stroke::Scissor {
                        self.roughed(&cuts, tool, legs / 5.0 * 4.0)
                    } else {
                        face_amounts(&cuts, plan, &self.job.coat, self.words)
                    },
                },
            );
        }
    }

    /// How deep the comb goes where it only roughs out, where it stops, and what that saves.
    fn roughed(&self, cuts: &[&UnitCut], tool: Uuid, legs: f64) -> Vec<String> {
        let known = self.job.kit.iter().find(|t| t.id == tool);
        let Some(comb) = known.map(|t| t.leaves_mm.as_mm()) else {
            return Vec::new();
        };
        let to_shears = |cut: &&&UnitCut| -> Option<(f64, f64)> {
            let left = |mm: &f64| (comb - mm).max(0.0);
            let each: Vec<f64> = cut.leaves_mm.iter().map(left).collect();
            let least = each.iter().copied().reduce(f64::min)?;
            Some((least, each.into_iter().fold(0.0, f64::max)))
        };
        let spans = cuts.iter().filter_map(|cut| to_shears(&cut));
        let (least, most) = spans.fold((f64::INFINITY, 0.0_f64), |(a, b), (low, high)| {
            (a.min(low), b.max(high))
        });
        let mut said = Vec::new();
        if most >= 1.0 {
            let span = self.words.span(least.min(most), most);
            said.push(format!(
                "The shears take {span} {} more; comb and blade stop a finger above the bevel",
                self.words.unit()
            ));
        }
        if legs >= 1.0 {
            let with = legs * (m::LEG_SKIMMED + m::LEG_AFTER_SKIMMING) * self.size;
            let alone = legs * m::LEG_SCISSORED * self.size;
            said.push(format!(
                "Legs so: {with:.0} minutes, by shears alone {alone:.0}"
            ));
        }
        said
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
                stroke: "full, with the lay",
                minutes,
                zones: units.iter().map(|u| u.zone()).collect(),
                hazards,
                ..Draft::default()
            },
        );
    }

    /// Where a clipping step starts and stops, from the lines around its units.
    fn ends(&self, cuts: &[&UnitCut]) -> (String, String) {
        let has = |units: &[Unit]| cuts.iter().any(|c| units.contains(&c.unit));
        let mut from = Vec::new();
        let mut to = Vec::new();
        if has(&[Unit::BackFront, Unit::BackRear]) {
            match self.answer(Question::ClipStarts) {
                Answer::FromRear => from.push("start at the rear, towards the head".into()),
                Answer::FromDip => from.push("start behind the dip, over the rear".into()),
                _ => {}
            }
        }
        if has(&[Unit::BackFront, Unit::Crest, Unit::Shoulder]) {
            from.push(self.line(LineName::Nape));
        }
        if has(&[Unit::Throat]) {
            from.push("Throat: jaw corner, downwards".into());
            to.push(self.line(LineName::Throat));
        }
        if has(&[Unit::BackFront]) != has(&[Unit::BackRear]) {
            to.push(self.line(LineName::BackPass));
        }
        if has(&[Unit::BackRear, Unit::Croup]) {
            to.push(self.line(LineName::TailBase));
        }
        if has(&[Unit::Shoulder, Unit::Chest]) {
            to.push(self.line(LineName::Shoulder));
        }
        if has(&[Unit::Hip]) {
            to.push(self.line(LineName::Thigh));
        }
        if has(&[Unit::Rump]) {
            to.push(self.line(LineName::RumpDrop));
        }
        if has(&[Unit::Underline]) {
            to.push(self.line(LineName::Waist));
            to.push(self.line(LineName::Skirt));
        }
        if has(&[Unit::Face]) {
            from.push("Face: corner of the eye to the top of the ear set".into());
        }
        if has(&[Unit::ForeBack, Unit::ForeFront, Unit::ForeOut]) {
            from.push("Legs: elbow".into());
            to.push("a finger above the foot".into());
        }
        if has(&[Unit::HindBack, Unit::HindFront, Unit::HindOut, Unit::Hock]) {
            from.push("Hind legs: thigh line".into());
            to.push("a finger above the foot".into());
        }
        to.retain(|line| !line.is_empty());
        to.dedup();
        (from.join("; "), to.join("; "))
    }
}

/// Minutes of the clipper on an ear, topknot or tail; none for the rest.
fn clipped_part(cuts: &[&UnitCut]) -> Option<f64> {
    let whole = match cuts.first()?.unit {
        Unit::Ears => m::EARS,
        Unit::Topknot => m::HEAD,
        Unit::Tail => m::TAIL,
        _ => return None,
    };
    Some(m::CLIPPED_SHARE * whole)
}

/// What is clipped by itself and shaped by hand after it.
pub(super) const fn is_shaped_by_hand(unit: Unit) -> bool {
    matches!(unit, Unit::Ears | Unit::Topknot | Unit::Tail)
}

/// With one tool in hand: full passes, then skims, then rough-outs.
const fn order_of(stroke: Stroke) -> u8 {
    match stroke {
        Stroke::Full => 0,
        Stroke::Against => 1,
        Stroke::Skim => 2,
        Stroke::Scissor | Stroke::Leave => 3,
    }
}
