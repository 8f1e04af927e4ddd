use schemars::JsonSchema;
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;
use uuid::Uuid;

use super::cautions::{Caution, Hazard, STANDING_CAUTION, cautions};
use super::faces::face_amounts;
use super::hands::hand_hint;
use super::minutes as m;
use crate::body::{Found, Handling};
use crate::coat::Zone;
use crate::dog::{Dog, House};
use crate::kit::ToolKind;
use crate::lines::ClipLine;
use crate::look::{FootFinish, LineName};
use crate::plan::{Job, Plan, Words, capital};
use crate::solve::{Stroke, Unit, UnitCut};

/// What the sheet says of the dog.
#[derive(Clone, Copy, Debug)]
pub struct DogFacts<'a> {
    /// The dog.
    pub dog: &'a Dog,
    /// Notes of this visit.
    pub notes: &'a [String],
    /// How the dog is to be handled, where somebody said.
    pub handling: Option<&'a Handling>,
    /// What was found on the body.
    pub found: &'a [Found],
}

impl DogFacts<'_> {
    /// Whether the dog works in short stretches: old, young, unwell (handbook 6, *breaks*).
    fn needs_breaks(&self) -> bool {
        self.dog.is_old() || self.dog.is_puppy() || self.handling.is_some_and(Handling::is_unwell)
    }
}

/// Stages of the groom, in order (handbook 6).
#[derive(
    Clone, Copy, Debug, PartialEq, Eq, PartialOrd, Ord, Serialize, Deserialize, JsonSchema, ToSchema,
)]
#[serde(rename_all = "snake_case")]
#[expect(missing_docs, reason = "the names are the handbook's")]
pub enum Stage {
    Prepare,
    Clip,
    FeetAndBevels,
    Scissor,
    Blend,
    Check,
}

impl Stage {
    /// Name on the sheet.
    pub const fn label(self) -> &'static str {
        match self {
            Self::Prepare => "Prepare",
            Self::Clip => "Clip",
            Self::FeetAndBevels => "Feet and bevels",
            Self::Scissor => "Scissor",
            Self::Blend => "Blend",
            Self::Check => "Check",
        }
    }
}

/// What kind of step it is, as the table run handles it.
#[derive(
    Clone, Copy, Debug, Default, PartialEq, Eq, Serialize, Deserialize, JsonSchema, ToSchema,
)]
#[serde(rename_all = "snake_case")]
pub enum StepKind {
    /// A small job, easily forgotten.
    Tick,
    /// The bath.
    Bath,
    /// Anything else.
    #[default]
    Work,
}

/// One step at the table.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, JsonSchema, ToSchema)]
pub struct Step {
    /// Its number.
    pub number: u32,
    /// Its stage.
    pub stage: Stage,
    /// The stage's name.
    pub stage_label: String,
    /// What is done.
    pub what: String,
    /// With which tool; empty where none is needed.
    pub tool: String,
    /// Stroke and direction; empty where none applies.
    pub stroke: String,
    /// Where it starts.
    pub from: String,
    /// Where it stops.
    pub to: String,
    /// Length left, by part.
    pub leaves: String,
    /// Minutes.
    pub minutes: f64,
    /// Zones touched.
    pub zones: Vec<Zone>,
    /// The bare blade should the comb not pass.
    pub instead: Option<String>,
    /// Cautions, this dog's first.
    pub cautions: Vec<Caution>,
    /// On legs, what comes off face by face, at three heights.
    #[serde(default)]
    pub amounts: Vec<String>,
    /// What kind of step it is.
    #[serde(default)]
    pub kind: StepKind,
    /// What the other hand does.
    #[serde(default)]
    pub hand: String,
    /// Whether a bare blade runs, which warms.
    #[serde(default)]
    pub is_bare_blade: bool,
    /// Whether a comb is to pass from skin to tip before the step begins.
    #[serde(default)]
    pub needs_comb_test: bool,
}

/// The plan for the table.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, JsonSchema, ToSchema)]
pub struct CutSheet {
    /// The steps in order.
    pub steps: Vec<Step>,
    /// Minutes altogether.
    pub minutes: f64,
    /// How often a tool is changed.
    pub tool_changes: u32,
    /// Notes of the visit.
    pub notes: Vec<String>,
    /// Stands on every sheet.
    pub standing_caution: String,
    /// A bare blade is felt after so many minutes.
    #[serde(default = "usual_blade_minutes")]
    pub blade_minutes: f64,
    /// The dog rests after so many minutes; none where it needs no breaks.
    #[serde(default)]
    pub break_every_minutes: Option<f64>,
}

/// What a sheet kept before blades were timed is run with.
fn usual_blade_minutes() -> f64 {
    House::default().blade_minutes
}

/// Work between two breaks of a dog that is old, young or unwell, minutes (modelling choice after
/// handbook 6, *breaks*: short for old, young, unwell).
const BREAK_EVERY_MINUTES: f64 = 20.0;

/// Writes the steps of a plan in the handbook's order; one tool does all it can before it is
/// changed, the longest first.
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
        steps: Vec::new(),
        tools: Vec::new(),
    };
    writer.prepare();
    writer.clip();
    writer.feet();
    writer.scissor();
    writer.finish();
    let Writer { steps, tools, .. } = writer;
    CutSheet {
        minutes: steps.iter().map(|s| s.minutes).sum(),
        steps,
        tool_changes: u32::try_from(tools.len().saturating_sub(1)).unwrap_or(u32::MAX),
        notes: facts.notes.to_vec(),
        standing_caution: STANDING_CAUTION.into(),
        blade_minutes: job.house.blade_minutes,
        break_every_minutes: facts.needs_breaks().then_some(BREAK_EVERY_MINUTES),
    }
}

struct Writer<'a> {
    plan: &'a Plan,
    job: &'a Job,
    facts: &'a DogFacts<'a>,
    lines: &'a [ClipLine],
    words: &'a Words<'a>,
    size: f64,
    steps: Vec<Step>,
    tools: Vec<Uuid>,
}

/// A step before it is numbered.
#[derive(Default)]
struct Draft<'a> {
    what: String,
    tool: String,
    stroke: &'a str,
    from: String,
    to: String,
    leaves: String,
    minutes: f64,
    zones: Vec<Zone>,
    instead: Option<String>,
    hazards: &'a [Hazard],
    kind: StepKind,
    amounts: Vec<String>,
}

impl Draft<'_> {
    fn of(self, kind: StepKind) -> Self {
        Self { kind, ..self }
    }
}

impl Writer<'_> {
    fn push(&mut self, stage: Stage, draft: Draft<'_>) {
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
            minutes: (draft.minutes * self.size * 10.0).round() / 10.0,
            zones: draft.zones,
            instead: draft.instead,
            hand: hand_hint(draft.hazards).into(),
            is_bare_blade: draft.hazards.contains(&Hazard::BareBlade),
            needs_comb_test: draft.hazards.contains(&Hazard::Comb),
            kind: draft.kind,
            amounts: draft.amounts,
            cautions: cautions(draft.hazards, self.facts, &self.job.coat),
        });
    }

    fn prepare(&mut self) {
        let simple = |what: &str, minutes: f64, hazards: &'static [Hazard]| Draft {
            what: what.into(),
            minutes,
            hazards,
            kind: StepKind::Tick,
            ..Draft::default()
        };
        let list = [
            simple(
                "Nails, dewclaws too",
                m::NAILS,
                &[Hazard::Start, Hazard::NailsAndPads],
            ),
            simple("Pads: level with them", m::PADS, &[Hazard::NailsAndPads]),
            simple("Hygiene area, cool blade", m::HYGIENE, &[Hazard::Hygiene]),
            simple("Ears and eye corners", m::EARS_CLEANED, &[Hazard::EarCanal]),
            simple(
                "Comb out from the skin, twice",
                m::comb_out(&self.job.coat),
                &[Hazard::CombOut],
            )
            .of(StepKind::Work),
            simple("Bath", m::BATH, &[Hazard::Bath]).of(StepKind::Bath),
            simple("Dry straight; comb test per zone", m::DRY, &[Hazard::Dryer]).of(StepKind::Work),
        ];
        for draft in list {
            self.push(Stage::Prepare, draft);
        }
    }

    fn is_blade(&self, tool: Uuid) -> bool {
        let mut kit = self.job.kit.iter();
        kit.any(|t| t.id == tool && t.kind == ToolKind::Blade)
    }

    fn line(&self, name: LineName) -> String {
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

    fn span(&self, cut: &UnitCut) -> String {
        let from = cut.leaves_mm.iter().copied().fold(f64::INFINITY, f64::min);
        let to = cut.leaves_mm.iter().copied().fold(0.0, f64::max);
        crate::plan::span_text(from, to, self.words)
    }

    fn leaves(&self, cuts: &[&UnitCut]) -> String {
        let mut parts: Vec<(String, Vec<Unit>)> = Vec::new();
        for cut in cuts {
            let span = self.span(cut);
            match parts.iter_mut().find(|(s, _)| *s == span) {
                Some((_, units)) => units.push(cut.unit),
                None => parts.push((span, vec![cut.unit])),
            }
        }
        match parts.as_slice() {
            [(span, _)] => format!("{span} {}", self.words.unit()),
            _ => parts
                .iter()
                .map(|(span, units)| format!("{} {span}", named(units).join(", ")))
                .collect::<Vec<_>>()
                .join("; "),
        }
    }

    /// Clipper work by tool, longest first.
    fn clip(&mut self) {
        let plan = self.plan;
        let mut groups: Vec<(Uuid, Stroke, Vec<&UnitCut>)> = Vec::new();
        for cut in &plan.cuts {
            let Some(tool) = cut.tool else { continue };
            if matches!(
                cut.unit,
                Unit::Feet | Unit::Ears | Unit::Topknot | Unit::Tail
            ) {
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
            .filter(|c| !c.unit.is_of_a_leg())
            .count()
            .max(1) as f64;
        for (tool, stroke, cuts) in groups {
            let is_blade = self.is_blade(tool);
            let legs = cuts.iter().filter(|c| c.unit.is_of_a_leg()).count() as f64;
            let body = cuts.len() as f64 - legs;
            // A leg has about five faces; both sides of the dog are done.
            let minutes = m::BODY_CLIPPED * body / body_units
                + 4.0 * m::LEG_SKIMMED * legs / 5.0
                + self.change(tool);
            let touches_flank = cuts
                .iter()
                .any(|c| matches!(c.unit, Unit::TuckUp | Unit::FlankAndKnee | Unit::Underline));
            let touches_face = cuts
                .iter()
                .any(|c| matches!(c.unit, Unit::Face | Unit::Beard));
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
            let units: Vec<Unit> = cuts.iter().map(|c| c.unit).collect();
            let instead = self
                .words
                .blade_instead(tool)
                .filter(|_| !is_blade)
                .map(|t| format!("If the comb stops: {} blade, bare", t.printed));
            let (from, to) = self.ends(&cuts);
            self.push(
                Stage::Clip,
                Draft {
                    what: capital(&named(&units).join(", ")),
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
                    kind: StepKind::Work,
                    // What is only roughed out here is said where it is finished.
                    amounts: if stroke == Stroke::Scissor {
                        Vec::new()
                    } else {
                        face_amounts(&cuts, plan, &self.job.coat, self.words)
                    },
                },
            );
        }
    }

    /// Where a clipping step starts and stops, from the lines around its units.
    fn ends(&self, cuts: &[&UnitCut]) -> (String, String) {
        let has = |units: &[Unit]| cuts.iter().any(|c| units.contains(&c.unit));
        let mut from = Vec::new();
        let mut to = Vec::new();
        if has(&[Unit::BackFront, Unit::Crest, Unit::Shoulder]) {
            from.push(self.line(LineName::Nape));
        }
        if has(&[Unit::Throat]) {
            from.push("Throat: jaw corner, downwards".into());
            to.push(self.line(LineName::Throat));
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
        to.dedup();
        (from.join("; "), to.join("; "))
    }

    /// Minutes for taking up a tool: none for the first, none for the one in hand.
    fn change(&mut self, tool: Uuid) -> f64 {
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

    fn feet(&mut self) {
        let feet = self.plan.cuts.iter().find(|c| c.unit == Unit::Feet);
        let (tool, leaves) = feet.map_or((String::new(), String::new()), |cut| {
            (
                cut.tool
                    .map_or_else(|| "shears".into(), |t| self.words.tool(t)),
                format!("{} {}", self.span(cut), self.words.unit()),
            )
        });
        let is_blade = feet
            .and_then(|cut| cut.tool)
            .is_some_and(|t| self.is_blade(t));
        let hazards: &[Hazard] = if is_blade {
            &[Hazard::Feet, Hazard::BareBlade]
        } else {
            &[Hazard::Feet]
        };
        let (what, minutes, from, to) = match self.job.look.foot {
            FootFinish::Clean => (
                "Clean feet, then bevel: comb down, scoop up at 45°",
                4.0 * (m::FOOT_EDGE + m::BEVEL_SCOOPED),
                "between the nails",
                "no higher than the first toe joint",
            ),
            FootFinish::Round => (
                "Round feet: comb down, flat round the nails, then tilt a little",
                4.0 * 2.0 * m::FOOT_EDGE,
                "foot flat, weight on it",
                "nails not fully showing",
            ),
            FootFinish::Hidden => (
                "Feet under the flare: push the leg up, round the foot, comb back, bevel",
                4.0 * (2.0 * m::FOOT_EDGE + m::BEVEL_SCOOPED),
                "foot flat, weight on it",
                "no hair past the toe from above",
            ),
            FootFinish::Tight => (
                "Tight feet: comb back between the toes, trim in parts with a margin",
                4.0 * 1.5 * m::FOOT_EDGE,
                "to the nail",
                "round and close, level with the pads",
            ),
        };
        self.push(
            Stage::FeetAndBevels,
            Draft {
                what: what.into(),
                tool,
                from: from.into(),
                to: to.into(),
                leaves,
                minutes,
                zones: vec![Zone::Foot],
                hazards,
                ..Draft::default()
            },
        );
    }

    fn scissor(&mut self) {
        let groups: [(&str, &[Unit], f64, &[Hazard]); 8] = [
            (
                "Hind legs: back, outside, inside, front last",
                &[
                    Unit::HindBack,
                    Unit::Hock,
                    Unit::HindOut,
                    Unit::HindIn,
                    Unit::HindFront,
                    Unit::FlankAndKnee,
                ],
                2.0,
                &[Hazard::Legs, Hazard::Shears],
            ),
            (
                "Front legs: back, outside, inside, front",
                &[Unit::ForeBack, Unit::ForeOut, Unit::ForeIn, Unit::ForeFront],
                2.0,
                &[Hazard::Legs],
            ),
            (
                "Underline and tuck-up",
                &[Unit::Underline, Unit::TuckUp],
                m::UNDERLINE_AND_TUCK_UP,
                &[Hazard::Flank],
            ),
            (
                "Body and rear",
                &[
                    Unit::Chest,
                    Unit::Rump,
                    Unit::Croup,
                    Unit::BackFront,
                    Unit::BackRear,
                    Unit::Shoulder,
                    Unit::Ribs,
                    Unit::Hip,
                    Unit::Throat,
                ],
                m::REAR,
                &[Hazard::Shears],
            ),
            ("Crest into the back", &[Unit::Crest], m::REAR, &[]),
            ("Tail", &[Unit::Tail], m::TAIL, &[Hazard::Tail]),
            (
                "Head: muzzle and sides, then topknot",
                &[Unit::Beard, Unit::Face, Unit::Topknot],
                m::HEAD,
                &[Hazard::Face],
            ),
            ("Ears last", &[Unit::Ears], m::EARS, &[Hazard::Ears]),
        ];
        let plan = self.plan;
        for (what, units, minutes, hazards) in groups {
            let cuts: Vec<&UnitCut> = units
                .iter()
                .filter_map(|u| plan.cuts.iter().find(|c| c.unit == *u))
                .filter(|c| {
                    c.stroke == Stroke::Scissor
                        || (matches!(c.unit, Unit::Ears | Unit::Topknot | Unit::Tail)
                            && c.stroke != Stroke::Leave)
                })
                .collect();
            if cuts.is_empty() {
                continue;
            }
            // Legs and body were roughed out by the clipper before; head and tail are now.
            let rough: Vec<Uuid> = {
                let mut tools: Vec<Uuid> = cuts
                    .iter()
                    .filter(|c| matches!(c.unit, Unit::Ears | Unit::Topknot | Unit::Tail))
                    .filter_map(|c| c.tool)
                    .collect();
                tools.sort_unstable();
                tools.dedup();
                tools
            };
            let is_legs = units[0].is_of_a_leg();
            let minutes = if is_legs {
                // Two legs; what was roughed out first takes a quarter of the shears' time.
                let roughed = cuts.iter().filter(|c| c.tool.is_some()).count() as f64;
                let share = roughed / cuts.len() as f64;
                let each = share * m::LEG_AFTER_SKIMMING + (1.0 - share) * m::LEG_SCISSORED;
                2.0 * each * cuts.len() as f64 / units.len() as f64
            } else {
                minutes
            };
            let changes: f64 = rough.iter().map(|t| self.change(*t)).sum();
            let tools: Vec<String> = rough.iter().map(|t| self.words.tool(*t)).collect();
            self.push(
                Stage::Scissor,
                Draft {
                    what: what.into(),
                    tool: if tools.is_empty() {
                        "shears".into()
                    } else {
                        format!("shears after the {}", tools.join(" and the "))
                    },
                    stroke: "",
                    from: scissor_from(units[0]).into(),
                    to: scissor_to(units[0]).into(),
                    leaves: self.leaves(&cuts),
                    minutes: minutes + changes,
                    zones: cuts.iter().map(|c| c.unit.zone()).collect(),
                    instead: None,
                    hazards,
                    kind: StepKind::Work,
                    amounts: face_amounts(&cuts, plan, &self.job.coat, self.words),
                },
            );
        }
    }

    fn finish(&mut self) {
        self.push(
            Stage::Blend,
            Draft {
                what: "Thinners over every join, coarse before fine".into(),
                tool: "thinning shears".into(),
                minutes: m::BLEND,
                hazards: &[Hazard::Shears],
                ..Draft::default()
            },
        );
        self.push(
            Stage::Check,
            Draft {
                what: "Both sides, behind, front, above; then on the floor, walking".into(),
                minutes: m::CHECK,
                hazards: &[Hazard::Floor],
                ..Draft::default()
            },
        );
    }
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

fn scissor_from(first: Unit) -> &'static str {
    match first {
        Unit::HindBack => "pin bone",
        Unit::ForeBack => "elbow",
        Unit::Underline => "just below the elbow",
        Unit::Crest => "behind the ear",
        Unit::Tail => "end of the bone, felt",
        Unit::Beard => "between the eyes",
        Unit::Ears => "front edge",
        _ => "",
    }
}

fn scissor_to(first: Unit) -> &'static str {
    match first {
        Unit::HindBack | Unit::ForeBack => "the bevel",
        Unit::Underline => "front of the thigh",
        Unit::Crest => "withers",
        Unit::Tail => "beyond it",
        Unit::Beard => "over the ears",
        Unit::Ears => "tip",
        _ => "",
    }
}

/// Units that stand together under one name.
const TOGETHER: [(&[Unit], &str); 6] = [
    (
        &[Unit::BackFront, Unit::BackRear, Unit::Croup],
        "back and croup",
    ),
    (&[Unit::BackFront, Unit::BackRear], "back"),
    (&[Unit::Shoulder, Unit::Ribs, Unit::Hip], "sides"),
    (&[Unit::HindOut, Unit::ForeOut], "outside of all legs"),
    (&[Unit::HindIn, Unit::ForeIn], "inside of all legs"),
    (&[Unit::HindFront, Unit::ForeFront], "front of all legs"),
];

/// Names of units in a sentence, those that stand together under one.
fn named(units: &[Unit]) -> Vec<&'static str> {
    let mut left = units.to_vec();
    let mut names = Vec::new();
    for (group, name) in TOGETHER {
        if group.iter().all(|u| left.contains(u)) {
            left.retain(|u| !group.contains(u));
            names.push(name);
        }
    }
    names.extend(left.into_iter().map(Unit::label));
    names
}
