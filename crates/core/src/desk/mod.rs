//! The desk: from a dog, its visit and the salon to everything a screen or sheet shows.
//!
//! One function per arrow of the data flow, called alike by server, command line and tests.

mod in_schools;
mod picture;
mod schools;
mod what_if;

use std::sync::Arc;

use schemars::JsonSchema;
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use crate::balance::Skin;
use crate::body::{EarlierFound, Found, Handling};
use crate::coat::{CoatNow, Zone, resolve_coat};
use crate::consult::{Offer, Talk, fit, offer, owners_limits};
use crate::dog::{Answer, Dog, House, Question};
use crate::drawing::{DrawOptions, Drawing, Layers, Scene, draw};
use crate::finish::{FinishReport, finish};
use crate::frame::{
    AngleValue, Frame, FrameInput, FrameValue, Measure, Problem, Severity, angles, resolve,
};
use crate::grow::{GrowPlan, Interval, grow_plan, interval};
use crate::kit::{Tool, is_driven};
use crate::look::{LineStop, Look, LookId, OwnLook};
use crate::plan::{
    BalanceRow, Job, LineOffer, Plan, PlanMemo, PlanReport, Why, Words, find_reasons,
    knotted_zones, line_offers, make_plan, now_rows, report,
};
use crate::run::{
    RescueOption, RunLengths, RunView, Slip, ToolWord, could_leave, rescue, run_view,
};
use crate::shape::{Dressing, spreads};
use crate::sheet::DogFacts;
use crate::solve::{SolveError, in_halves};
use crate::sure::{WhatNext, point_doubts, what_next};
use crate::units::{Length, length_text};
use crate::visit::{BigChange, LookChoice, MeasureHistory, Recipe, Visit, big_change, changed};

use in_schools::in_schools;
pub use picture::{PictureHere, PictureOffer};
pub use schools::{AnswerHere, QuestionHere};
pub use what_if::{PartHere, WhatIf};

/// A dog on the desk: everything resolved, nothing solved yet.
#[derive(Clone, Debug)]
pub struct Desk<'a> {
    dog: &'a Dog,
    visit: &'a Visit,
    house: &'a House,
    kit: &'a [Tool],
    before: Before,
    memo: Option<&'a PlanMemo>,
    /// The frame.
    pub frame: Frame,
    /// The coat today.
    pub coat: CoatNow,
    /// Sentences beside the fields.
    pub problems: Vec<Problem>,
}

/// What of earlier visits is drawn with this one.
#[derive(Clone, Debug, Default, PartialEq, Serialize, Deserialize, JsonSchema, ToSchema)]
#[serde(default)]
pub struct Before {
    /// The frame to lay over this one.
    pub frame: Option<FrameInput>,
    /// What was found then, faded.
    pub found: Vec<EarlierFound>,
    /// Measures over the visits before.
    pub measures: Vec<MeasureHistory>,
    /// Whether there was no visit before.
    pub is_first: bool,
    /// What was done last time, where it is known.
    pub recipe: Option<Recipe>,
}

/// One zone's coat as the screen shows it.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, JsonSchema, ToSchema)]
pub struct ZoneValue {
    /// Which.
    pub zone: Zone,
    /// Its name.
    pub label: String,
    /// Length now.
    pub length_mm: Length,
    /// Whether nobody said it.
    pub is_estimated: bool,
    /// The most that can be read there once work has begun; none where nobody said what stood.
    #[serde(default)]
    pub most_mm: Option<Length>,
}

/// What a screen needs without a plan.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, JsonSchema, ToSchema)]
pub struct Evaluation {
    /// The visit as it stands.
    pub visit: Visit,
    /// The frame, each number with its source and doubt.
    pub frame: Vec<FrameValue>,
    /// Its angles, with theirs.
    pub angles: Vec<AngleValue>,
    /// The coat, zone by zone.
    pub zones: Vec<ZoneValue>,
    /// Measures that changed since last time beyond what both readings can tell.
    pub changed: Vec<Measure>,
    /// Stand in use, 0 to 1.
    pub stand: f64,
    /// Balance of the coat as it is, judged by the look chosen, or the first.
    pub balance: Vec<BalanceRow>,
    /// Sentences beside the fields.
    pub problems: Vec<Problem>,
    /// The drawing.
    pub drawing: Drawing,
}

/// What a screen needs with a plan.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, JsonSchema, ToSchema)]
pub struct PlanView {
    /// Everything but the plan.
    pub evaluation: Evaluation,
    /// The plan.
    pub plan: PlanReport,
    /// What of it is a big change against last time, with the dog as it went home then.
    #[serde(default)]
    pub change: Option<ChangeHere>,
}

/// A big change, old to lay beside new.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, JsonSchema, ToSchema)]
pub struct ChangeHere {
    /// What changes.
    #[serde(flatten)]
    pub change: BigChange,
    /// The dog as it went home last time.
    pub old: Drawing,
}

/// Looks shown side by side at most.
pub const MOST_SHOWN: usize = 3;

/// Longest interval that is followed, weeks.
pub const MOST_WEEKS: u32 = 26;

/// A look over the weeks ahead.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, JsonSchema, ToSchema)]
pub struct Ahead {
    /// What the weeks to the next visit do.
    pub interval: Interval,
    /// Its moments drawn, in their order.
    pub drawings: Vec<Drawing>,
    /// The way to the look from today's coat.
    pub way: GrowPlan,
}

/// Every look on this dog.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, JsonSchema, ToSchema)]
pub struct Offers {
    /// All looks, best first.
    pub offers: Vec<Offer>,
    /// Some of them drawn on this dog, at one scale.
    pub shown: Vec<ShownLook>,
    /// What the owner may want off or left, whatever the look.
    pub parts: Vec<PartHere>,
}

/// A look drawn on this dog.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, JsonSchema, ToSchema)]
pub struct ShownLook {
    /// Which.
    pub look: LookId,
    /// The dog in it.
    pub drawing: Drawing,
}

/// A plan with what it was made of, for drawing it in other ways.
#[derive(Clone, Debug)]
pub struct Solved {
    /// The plan.
    pub plan: Arc<Plan>,
    /// The plan, written out.
    pub report: PlanReport,
}

/// Whether reasons are looked for; they take further solves.
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
pub enum Reasons {
    /// Look for them, and say how sure the balance is.
    Find,
    /// Leave them out, as while a knob is turned.
    Skip,
}

impl<'a> Desk<'a> {
    /// Puts a dog on the desk.
    pub fn new(dog: &'a Dog, visit: &'a Visit, house: &'a House, kit: &'a [Tool]) -> Self {
        let frame = resolve(&visit.frame, house.units);
        let (coat, more) = resolve_coat(&visit.coat, frame.build.height, house.units);
        let mut problems = frame.problems.clone();
        problems.extend(more);
        problems.extend(visit.found.iter().flat_map(Found::check));
        problems.extend(visit.talk.iter().flat_map(Talk::check));
        let results = visit.results.iter();
        problems.extend(results.filter_map(|(zone, r)| r.problem(*zone, house.units)));
        problems.extend(visit.record.problem());
        problems.extend(visit.recipe.iter().filter_map(Recipe::problem));
        let corrections = visit.corrections.iter();
        problems.extend(corrections.filter_map(|c| c.problem(house.units)));
        problems.extend(visit.own_look.iter().flat_map(OwnLook::check));
        problems.extend(visit.look.and_then(|choice| body_problem(choice, house)));
        problems.extend(kit_problem(kit, house));
        problems.extend(shift_problems(visit, frame.build.height, house));
        Self {
            dog,
            visit,
            house,
            kit,
            before: Before::default(),
            memo: None,
            frame,
            coat,
            problems,
        }
    }

    /// Lays earlier visits beside this one.
    #[must_use]
    pub fn with_before(mut self, before: Before) -> Self {
        self.before = before;
        self
    }

    /// Looks for a plan among those made last before it is solved.
    #[must_use]
    pub const fn with_memo(mut self, memo: &'a PlanMemo) -> Self {
        self.memo = Some(memo);
        self
    }

    fn planned(&self, job: &Job) -> Result<Arc<Plan>, SolveError> {
        match self.memo {
            Some(memo) => memo.plan(job),
            None => make_plan(job).map(Arc::new),
        }
    }

    const fn words(&self) -> Words<'a> {
        Words {
            house: self.house,
            kit: self.kit,
        }
    }

    fn job(&self, choice: LookChoice) -> Job {
        let mut look = Look::shipped(choice.look);
        if let Some(body) = choice.body_mm.map(Length::as_mm)
            && LOOK_BODY_MM.contains(&body)
        {
            look = look.with_body(body);
        }
        self.job_in(look)
    }

    fn job_in(&self, look: Look) -> Job {
        let height = self.frame.build.height;
        let look = in_schools(look, &self.house.schools);
        let look = self.lined(look.fitted(height, &|zone| self.coat.length_mm(zone)));
        let mut coat = self.coat.clone();
        if let Some(talk) = &self.visit.talk {
            let nominal = |zone| look.nominal_mm(zone, height);
            coat.limits
                .extend(owners_limits(talk, &self.coat, &nominal));
        }
        for (part, wish) in &self.visit.parts {
            let (length, there) = (|zone| look.nominal_mm(zone, height), &self.coat);
            if let Some((zone, limit)) = part.limit(*wish, there, &length, self.skin()) {
                coat.limits.entry(zone).or_insert(limit);
            }
        }
        let weeks_to = look.upkeep(height).weeks_to;
        if let Some(recipe) = &self.visit.recipe {
            let own = coat.limits.clone();
            coat.limits.extend(recipe.as_limits(&own));
        }
        Job {
            sides: self.frame.sides(),
            coat,
            look,
            kit: self.fit_today(),
            house: self.house.clone(),
            skin: self.skin(),
            cut_for_days: self.cut_for_days(weeks_to),
        }
    }

    /// The kit less what no clipper here drives, and what lost a tooth in this very run: out of use at
    /// once (handbook 3, *Kit*).
    fn fit_today(&self) -> Vec<Tool> {
        let broken = |tool: &Tool| {
            let notes = self.visit.run.iter().flat_map(|r| &r.tools);
            notes
                .filter(|n| n.tool == tool.id)
                .any(|n| n.word == ToolWord::ToothMissing)
        };
        let driven = |tool: &Tool| is_driven(tool, &self.house.clippers);
        let fit = self.kit.iter().filter(|t| !broken(t) && driven(t));
        fit.cloned().collect()
    }

    /// Days after the groom that this salon cuts for (handbook 6, *interval*); `weeks` are the look's
    /// own where the owner said none.
    fn cut_for_days(&self, weeks: u32) -> f64 {
        let said = self.visit.talk.as_ref().and_then(|t| t.weeks_to_next);
        let days = 7.0 * f64::from(said.unwrap_or(weeks).min(MOST_WEEKS));
        match self.house.schools.of(Question::Interval) {
            Answer::CutForMiddle => 0.5 * days,
            Answer::CutToLast => days,
            _ => 0.0,
        }
    }

    /// The look with its lines as this dog's visit has them, else as the salon does.
    fn lined(&self, look: Look) -> Look {
        let by_hand = &self.visit.lines;
        let of_house = |stop: &LineStop| by_hand.of(stop.line()).is_none();
        let look = self
            .house
            .lines
            .stops()
            .filter(of_house)
            .filter(|stop| look.offers(stop.line()))
            .fold(look.clone(), Look::schooled);
        let wished = self.visit.parts.iter();
        let look = wished
            .filter_map(|(part, wish)| part.stop(*wish))
            .filter(of_house)
            .chain(by_hand.stops())
            .filter(|stop| look.offers(stop.line()))
            .fold(look.clone(), Look::placed);
        let moved = self.visit.shifts.all();
        moved
            .filter(|(line, _)| look.offers(*line))
            .fold(look.clone(), |look, (line, by)| look.shifted(line, by))
    }

    /// Every line that can be moved, with what each of its places costs.
    ///
    /// # Errors
    /// If the solver gives no answer, a fault of ours.
    pub fn line_offers(&self) -> Result<Vec<LineOffer>, SolveError> {
        let job = self.chosen_job();
        line_offers(&job, self.planned(&job)?.as_ref())
    }

    /// An old dog's skin, or one found pale, scaly or sore, asks for one blade longer.
    fn skin(&self) -> Skin {
        let is_delicate = self
            .visit
            .handling
            .as_ref()
            .is_some_and(Handling::asks_for_longer);
        if is_delicate {
            Skin::Delicate
        } else {
            self.dog.skin()
        }
    }

    /// The look chosen, or the first, as a job to weigh by other means than a plan.
    pub fn chosen_job(&self) -> Job {
        match &self.visit.own_look {
            Some(own) if own.check().is_empty() => self.job_in(own.look()),
            _ => self.job(self.choice()),
        }
    }

    fn choice(&self) -> LookChoice {
        self.visit.look.unwrap_or(LookChoice {
            look: LookId::OneLength,
            body_mm: None,
        })
    }

    /// Evaluates without solving: frame, outline, balance of the coat as it is.
    pub fn evaluate(&self, options: &DrawOptions) -> Evaluation {
        let words = self.words();
        let balance = now_rows(&self.chosen_job(), &words);
        self.evaluation(balance, self.draw(None, options))
    }

    /// Solves the look chosen, or the first where none is.
    ///
    /// # Errors
    /// If the solver gives no answer, a fault of ours.
    pub fn plan(&self, reasons: Reasons) -> Result<Solved, SolveError> {
        self.solve(&self.chosen_job(), reasons)
    }

    fn solve(&self, job: &Job, reasons: Reasons) -> Result<Solved, SolveError> {
        let plan = self.planned(job)?;
        let why = match reasons {
            Reasons::Find => Why {
                reasons: find_reasons(&plan, job)?,
                knots: knotted_zones(&plan, job, &self.words())?,
                doubts: point_doubts(&self.visit.frame, &self.frame, job, &plan.lengths_mm),
            },
            Reasons::Skip => Why::default(),
        };
        let facts = DogFacts {
            dog: self.dog,
            notes: &self.visit.notes,
            handling: self.visit.handling.as_ref(),
            found: &self.visit.found,
            is_first_visit: self.before.is_first,
            stylist: &self.visit.stylist,
        };
        let report = report(&plan, job, &facts, why);
        Ok(Solved { plan, report })
    }

    /// Solves and draws.
    ///
    /// # Errors
    /// If the solver gives no answer, a fault of ours.
    pub fn plan_view(
        &self,
        reasons: Reasons,
        options: &DrawOptions,
    ) -> Result<PlanView, SolveError> {
        let solved = self.plan(reasons)?;
        let drawing = self.draw(Some(&solved), options);
        Ok(PlanView {
            change: self.change(&solved, options),
            evaluation: self.evaluation(solved.report.balance.clone(), drawing),
            plan: solved.report,
        })
    }

    /// What of a plan is a big change against last time.
    fn change(&self, solved: &Solved, options: &DrawOptions) -> Option<ChangeHere> {
        let last = self.before.recipe.as_ref()?;
        let change = big_change(last, &solved.plan, &self.words())?;
        let old = last.dressed(&solved.plan, &self.coat);
        // What is written on the sheet is the new plan's.
        let layers = Layers {
            lengths: false,
            lines: false,
            pins: false,
            now: false,
            ..options.layers
        };
        let options = DrawOptions { layers, ..*options };
        Some(ChangeHere {
            change,
            old: self.draw_as(Some(solved), Some(&old), &options),
        })
    }

    /// The look chosen, or the first, as an offer with its plan.
    ///
    /// # Errors
    /// If the solver gives no answer, a fault of ours.
    pub fn agreed(&self) -> Result<(Offer, Solved), SolveError> {
        self.offer_in(self.chosen_job())
    }

    fn offer_of(&self, choice: LookChoice) -> Result<(Offer, Solved), SolveError> {
        self.offer_in(self.job(choice))
    }

    fn offer_in(&self, job: Job) -> Result<(Offer, Solved), SolveError> {
        let solved = self.solve(&job, Reasons::Skip)?;
        let nothing_said = Talk::default();
        let talk = self.visit.talk.as_ref().unwrap_or(&nothing_said);
        let fit = fit(&job.look, talk, &job.coat, self.frame.build.height);
        Ok((offer(&fit, &solved.report, &job), solved))
    }

    /// The look chosen over the weeks to the next visit: today, half way and the last day, each
    /// drawn; and the way to it, if the coat is not there yet.
    ///
    /// # Errors
    /// If the solver gives no answer, a fault of ours.
    pub fn ahead(&self, weeks: Option<u32>, options: &DrawOptions) -> Result<Ahead, SolveError> {
        let job = self.chosen_job();
        let solved = self.solve(&job, Reasons::Skip)?;
        let said = self.visit.talk.as_ref().and_then(|t| t.weeks_to_next);
        let weeks = weeks
            .or(said)
            .unwrap_or(solved.report.upkeep.weeks_to)
            .clamp(1, MOST_WEEKS);
        let interval = interval(&solved.plan, &job.coat, weeks);
        let drawings = interval
            .moments
            .iter()
            .map(|moment| {
                let grown = Interval::dressed(&solved.plan, &job.coat, moment.days);
                self.draw_as(Some(&solved), Some(&grown), options)
            })
            .collect();
        Ok(Ahead {
            interval,
            drawings,
            way: grow_plan(&job, weeks)?,
        })
    }

    /// Every look on this dog, best first, the first `shown` with their drawing.
    ///
    /// # Errors
    /// If the solver gives no answer, a fault of ours.
    pub fn offers(&self, shown: &[LookId], options: &DrawOptions) -> Result<Offers, SolveError> {
        let weigh = |looks: &[LookId]| -> Result<Vec<(Offer, Solved)>, SolveError> {
            looks
                .iter()
                .map(|look| {
                    self.offer_of(LookChoice {
                        look: *look,
                        body_mm: None,
                    })
                })
                .collect()
        };
        let mut ranked = in_halves(&LookId::ALL, weigh)?;
        ranked.sort_by(|a, b| a.0.cost.total_cmp(&b.0.cost));
        let wanted: Vec<LookId> = if shown.is_empty() {
            ranked
                .iter()
                .take(MOST_SHOWN)
                .map(|(o, _)| o.look)
                .collect()
        } else {
            shown.iter().copied().take(MOST_SHOWN).collect()
        };
        let drawings = wanted
            .iter()
            .filter_map(|look| {
                let (_, solved) = ranked.iter().find(|(o, _)| o.look == *look)?;
                Some(ShownLook {
                    look: *look,
                    drawing: self.draw(Some(solved), options),
                })
            })
            .collect();
        Ok(Offers {
            shown: drawings,
            offers: ranked.into_iter().map(|(offer, _)| offer).collect(),
            parts: self.parts()?,
        })
    }

    /// What to measure next, judged by the look chosen, or the first.
    ///
    /// # Errors
    /// If the solver gives no answer, a fault of ours.
    pub fn what_next(&self) -> Result<WhatNext, SolveError> {
        let words = self.words();
        what_next(&self.visit.frame, &self.frame, &self.chosen_job(), &words)
    }

    /// The run at the table at a moment of the table's own clock; none before it begins.
    ///
    /// # Errors
    /// If the solver gives no answer, a fault of ours.
    pub fn run(&self, now_ms: i64) -> Result<Option<RunView>, SolveError> {
        let Some(run) = &self.visit.run else {
            return Ok(None);
        };
        let job = self.chosen_job();
        let plan = self.planned(&job)?;
        let now = plan.subject.now(&job.coat);
        let leave_out = || could_leave(run, &plan, self.kit, &now);
        let by_zone = |of: &dyn Fn(Zone) -> Option<f64>| {
            let known = Zone::ALL.into_iter().filter_map(|z| Some((z, of(z)?)));
            known.collect()
        };
        let lengths = RunLengths {
            planned: by_zone(&|z| plan.zone_mm(z)),
            most: by_zone(&|z| job.coat.most_mm(z)),
        };
        let view = run_view(run, &lengths, &self.words(), leave_out, now_ms);
        Ok(Some(view))
    }

    /// Ways out where too much came off, the least harm first.
    ///
    /// # Errors
    /// If the solver gives no answer, a fault of ours.
    pub fn rescue(&self, slip: &Slip) -> Result<Vec<RescueOption>, SolveError> {
        let job = self.chosen_job();
        let plan = self.planned(&job)?;
        let words = self.words();
        rescue(slip, self.visit.run.as_ref(), &plan, &job, &words)
    }

    /// What was left against the plan, and what to touch up.
    ///
    /// # Errors
    /// If the solver gives no answer, a fault of ours.
    pub fn finish(&self) -> Result<FinishReport, SolveError> {
        let job = self.chosen_job();
        let plan = self.planned(&job)?;
        let words = self.words();
        finish(&self.visit.results, &plan, &job, &words)
    }

    /// Draws the dog, with a plan or without.
    pub fn draw(&self, solved: Option<&Solved>, options: &DrawOptions) -> Drawing {
        self.draw_as(solved, None, options)
    }

    fn draw_as(
        &self,
        solved: Option<&Solved>,
        grown: Option<&Dressing>,
        options: &DrawOptions,
    ) -> Drawing {
        let earlier = self
            .before
            .frame
            .as_ref()
            .map(|input| resolve(input, self.house.units));
        let sure = if options.layers.doubt {
            spreads(&self.visit.frame, &self.frame)
        } else {
            Vec::new()
        };
        let run = self.visit.run.as_ref();
        let step = options.step.and_then(|n| run.and_then(|r| r.step(n)));
        let row = options.point.and_then(|judged| {
            let mut rows = solved?.report.balance.iter();
            rows.find(|r| r.judged == judged)
        });
        let work: &[Zone] = match (step, row) {
            (Some(step), _) => &step.zones,
            (None, Some(row)) => &row.moved_by,
            (None, None) => &[],
        };
        draw(
            &Scene {
                work,
                point: row.map(|r| r.judged),
                spreads: &sure,
                earlier: earlier.as_ref(),
                found: &self.visit.found,
                earlier_found: &self.before.found,
                frame: &self.frame,
                coat: &self.coat,
                plan: solved.map(|s| s.plan.as_ref()),
                report: solved.map(|s| &s.report),
                grown,
                house: self.house,
                name: &self.dog.name,
            },
            options,
        )
    }

    fn evaluation(&self, balance: Vec<BalanceRow>, drawing: Drawing) -> Evaluation {
        Evaluation {
            visit: self.visit.clone(),
            frame: self.frame.values.clone(),
            angles: angles(&self.visit.frame, &self.frame),
            zones: Zone::ALL
                .iter()
                .map(|zone| ZoneValue {
                    zone: *zone,
                    label: zone.label().into(),
                    length_mm: Length::worked_out_mm(self.coat.length_mm(*zone)),
                    is_estimated: self.coat.estimated.contains(zone),
                    most_mm: self
                        .coat
                        .most_mm(*zone)
                        .and_then(|mm| Length::from_mm(mm).ok()),
                })
                .collect(),
            changed: changed(&self.visit.frame, &self.before.measures),
            stand: self.coat.stand.all(),
            balance,
            problems: self.problems.clone(),
            drawing,
        }
    }
}

/// Body lengths a look may be asked for, mm: from a close clip to the longest comb (common practice).
const LOOK_BODY_MM: std::ops::RangeInclusive<f64> = 2.0..=60.0;

/// What is said of lines moved further from their places than they go.
fn shift_problems(visit: &Visit, height_mm: f64, house: &House) -> Vec<Problem> {
    let words = Words { house, kit: &[] };
    let far = visit.shifts.too_far(height_mm);
    far.map(|(line, most)| {
        let message = format!(
            "{}: a line is moved {} from its place at most and lies there; choose another place.",
            line.label(),
            words.whole(most)
        );
        Problem::of("lines", Severity::Unusual, message)
    })
    .collect()
}

/// What is said where clippers are named and none of them takes anything of the kit.
fn kit_problem(kit: &[Tool], house: &House) -> Option<Problem> {
    let mut fit = kit.iter().filter(|t| t.is_fit()).peekable();
    fit.peek()?;
    let is_idle = fit.all(|tool| !is_driven(tool, &house.clippers));
    is_idle.then(|| {
        let message = "None of the clippers takes a tool of this kit, so the plan is shears alone; \
                       say on the kit page what fits which.";
        Problem::of("kit", Severity::Unusual, message)
    })
}

/// What is said of a body length no look can have; the look's own is used then.
fn body_problem(choice: LookChoice, house: &House) -> Option<Problem> {
    let body = choice.body_mm?;
    let (low, high) = (*LOOK_BODY_MM.start(), *LOOK_BODY_MM.end());
    let text = |mm| length_text(Length::constant_mm(mm), house.units);
    (!LOOK_BODY_MM.contains(&body.as_mm())).then(|| {
        Problem::of(
            "look.body",
            Severity::Refused,
            format!(
                "Body length {} cannot be: it lies between {} and {}; the look's own is used.",
                length_text(body, house.units),
                text(low),
                text(high)
            ),
        )
    })
}
