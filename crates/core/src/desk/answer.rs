use std::fmt;
use std::sync::Arc;

use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use super::Desk;
use super::knots_again::KnotsAgain;
use crate::coat::Zone;
use crate::consult::LookHere;
use crate::drawing::{DrawOptions, Drawing, Layers};
use crate::frame::{AngleValue, FrameValue, Measure, Problem, angles};
use crate::job::Job;
use crate::plan::Plan;
use crate::report::{BalanceRow, PlanReport, Why, find_reasons, knotted_zones, now_rows, report};
use crate::sheet::DogFacts;
use crate::solve::SolveError;
use crate::sure::point_doubts;
use crate::units::Length;
use crate::visit::{BigChange, RecordWord, Visit, big_change, changed, record_words};

/// One zone's coat as the screen shows it.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
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
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
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
    /// Balance of the coat as it is, judged by the look chosen, or the first; beside a plan, the plan's
    /// own says both.
    pub balance: Vec<BalanceRow>,
    /// Sentences beside the fields.
    pub problems: Vec<Problem>,
    /// All looks by coat, build and what the owner said, the best first.
    #[serde(default)]
    pub looks: Vec<LookHere>,
    /// Phrases offered for the record of the groom.
    #[serde(default)]
    pub record_words: Vec<RecordWord>,
    /// The drawing.
    pub drawing: Drawing,
}

/// What a screen needs with a plan.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct PlanView {
    /// Everything but the plan.
    pub evaluation: Evaluation,
    /// The plan.
    pub plan: PlanReport,
    /// What of it is a big change against last time, with the dog as it went home then.
    #[serde(default)]
    pub change: Option<ChangeHere>,
    /// Parts that knotted at visit after visit, with what it costs to take them off; empty until reasons
    /// are asked for.
    #[serde(default, skip_serializing_if = "Vec::is_empty")]
    pub knots_again: Vec<KnotsAgain>,
}

/// A big change, old to lay beside new.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct ChangeHere {
    /// What changes.
    #[serde(flatten)]
    pub change: BigChange,
    /// The dog as it went home last time.
    pub old: Drawing,
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
#[derive(Clone, Copy)]
pub enum Reasons<'a> {
    /// Look for them, and say how sure the balance is.
    Find,
    /// The same for as long as somebody waits: given up with [`SolveError::NotWanted`] once this says no.
    FindWhile(&'a dyn Fn() -> bool),
    /// Leave them out, as while a knob is turned.
    Skip,
}

impl Reasons<'_> {
    /// Look for them, or leave them out.
    pub const fn wanted(are_wanted: bool) -> Self {
        if are_wanted { Self::Find } else { Self::Skip }
    }
}

impl fmt::Debug for Reasons<'_> {
    fn fmt(&self, f: &mut fmt::Formatter<'_>) -> fmt::Result {
        f.write_str(match self {
            Self::Find => "Find",
            Self::FindWhile(_) => "FindWhile",
            Self::Skip => "Skip",
        })
    }
}

impl Desk<'_> {
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
    pub fn plan(&self, reasons: Reasons<'_>) -> Result<Solved, SolveError> {
        self.solve(&self.chosen_job(), reasons)
    }

    /// What a plan's reasons take, for as long as somebody waits.
    fn why(&self, plan: &Plan, job: &Job, is_wanted: &dyn Fn() -> bool) -> Result<Why, SolveError> {
        let reasons = find_reasons(plan, job, is_wanted)?;
        let knots = knotted_zones(plan, job, &self.words())?;
        if !is_wanted() {
            return Err(SolveError::NotWanted);
        }
        Ok(Why {
            reasons,
            knots,
            doubts: point_doubts(&self.visit.frame, &self.frame, job, &plan.lengths_mm),
        })
    }

    pub(super) fn solve(&self, job: &Job, reasons: Reasons<'_>) -> Result<Solved, SolveError> {
        let plan = self.planned(job)?;
        let why = match reasons {
            Reasons::Find => self.why(&plan, job, &|| true)?,
            Reasons::FindWhile(is_wanted) => self.why(&plan, job, is_wanted)?,
            Reasons::Skip => Why::default(),
        };
        let own_ways = self.own_ways();
        let facts = self.facts(&own_ways);
        let report = report(&plan, job, &facts, why);
        Ok(Solved { plan, report })
    }

    /// What a sheet knows of the dog beside its plan.
    pub(super) fn facts<'f>(&'f self, own_ways: &'f [String]) -> DogFacts<'f> {
        DogFacts {
            dog: self.dog,
            notes: &self.visit.notes,
            handling: self.visit.handling.as_ref(),
            found: &self.visit.found,
            is_first_visit: self.before.is_first,
            days_since_last: self.visit.known_days,
            stylist: &self.visit.stylist,
            brushing_minutes_a_week: self.brushing(),
            return_agreed_days: self.visit.return_agreed_days,
            programme: self.visit.programme,
            from_last: &self.visit.from_last,
            sites_last: self.before.recipe.as_ref().map_or(&[], |r| &r.sites),
            own_ways,
        }
    }

    /// Solves and draws.
    ///
    /// # Errors
    /// If the solver gives no answer, a fault of ours.
    pub fn plan_view(
        &self,
        reasons: Reasons<'_>,
        options: &DrawOptions,
    ) -> Result<PlanView, SolveError> {
        let solved = self.plan(reasons)?;
        let drawing = self.draw(Some(&solved), options);
        Ok(PlanView {
            change: self.change(&solved, options),
            knots_again: match reasons {
                Reasons::Skip => Vec::new(),
                Reasons::Find | Reasons::FindWhile(_) => self.knots_again(&solved.plan)?,
            },
            evaluation: self.evaluation(Vec::new(), drawing),
            plan: solved.report,
        })
    }

    /// Minutes of brushing a week that the owner promised, today or once for all; none where nobody asked.
    pub(super) fn brushing(&self) -> Option<u32> {
        let at_talk = self.visit.talk.as_ref();
        let at_talk = at_talk.and_then(|talk| talk.brushing_minutes_a_week);
        at_talk.or(self.dog.at_home.brushing_minutes_a_week)
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
            looks: self.looks(),
            record_words: record_words(self.visit),
            drawing,
        }
    }
}
