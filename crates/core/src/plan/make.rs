use crate::balance::{Subject, fit_head};
use crate::coat::Zone;
use crate::job::Job;
use crate::kit::Tool;
use crate::look::{By, LineName, LineStop, Lines};
use crate::placing::{has_shelf, skirt_stop, tone_shifts};
use crate::schools::{Answer, Question};
use crate::solve::{
    Accuracy, Bench, BodyCut, Cutting, LegWay, ShortBy, Solution, SolveError, Sought, UnitCut,
    choose_tools,
};

/// Name and number of the method; a saved plan keeps it, so that an old plan can say when a newer
/// method would differ.
pub const METHOD: &str = "balance 13, legs roughed out by the pair";

/// Up to here hair is clipped against the lay where nobody asks for more, mm (handbook 10 C, house
/// value).
const AGAINST_UP_TO_MM: f64 = 13.0;

/// A solved plan: the ideal, and what the owned tools make of it.
#[derive(Clone, Debug)]
pub struct Plan {
    /// The dog under the look.
    pub subject: Subject,
    /// The exact solve.
    pub solution: Solution,
    /// One cut per unit.
    pub cuts: Vec<UnitCut>,
    /// Length at every spot as the tools leave it, mm.
    pub lengths_mm: Vec<f64>,
    /// How the body is cut; none where no clipper runs there.
    pub body: Option<BodyCut>,
    /// The best other way: one length for two, or two for one.
    pub other_body: Option<BodyCut>,
}

impl Plan {
    /// Mean length the plan leaves on a zone, mm; none where it says nothing of it.
    pub fn zone_mm(&self, zone: Zone) -> Option<f64> {
        // Muzzle and cheeks are cut alike, unless one of the two is held.
        let zone = match zone {
            Zone::Muzzle if !self.subject.has_muzzle_apart => Zone::Cheek,
            zone => zone,
        };
        let lengths: Vec<f64> = self
            .cuts
            .iter()
            .filter(|c| c.unit.zone() == zone)
            .flat_map(|c| c.leaves_mm.iter().copied())
            .collect();
        (!lengths.is_empty()).then(|| lengths.iter().sum::<f64>() / lengths.len() as f64)
    }
}

/// Solves a job: exact lengths, then owned tools.
///
/// Deterministic. Never infeasible: a wish that cannot be met is clipped to what can and reported
/// in [`Subject::unmet`]; with no tool in the kit the plan is shears alone.
///
/// # Errors
/// If the solver gives no answer, a fault of ours.
pub fn make_plan(job: &Job) -> Result<Plan, SolveError> {
    make_plan_to(job, Accuracy::Full)
}

/// The same as exactly as asked: a rough plan is for comparing, never for showing.
///
/// # Errors
/// If the solver gives no answer, a fault of ours.
pub fn make_plan_to(job: &Job, accuracy: Accuracy) -> Result<Plan, SolveError> {
    let subject = job.subject();
    let sought = Sought::of(&subject);
    let solution = sought.solve(&subject, accuracy)?;
    let subject = with_lines_solved(subject.today(), &solution, job);
    let safe = |zone| job.safe_mm(zone);
    let subject = fit_head(subject, &job.coat, &solution.lengths_mm, &safe);
    let cutting = cut_with(&subject, &sought, &solution, job, &job.kit, accuracy)?;
    let lines = subject.lines.clone();
    let lines = match cutting.back_pass {
        Some(stop) => lines.put(stop, By::Solve),
        None => lines,
    };
    Ok(Plan {
        subject: subject.with_lines(lines),
        solution,
        cuts: cutting.cuts,
        lengths_mm: cutting.lengths_mm,
        body: cutting.body,
        other_body: cutting.other_body,
    })
}

/// The dog with the lines that the solve chooses in their places, unless a hand or the salon put them.
fn with_lines_solved(subject: Subject, solution: &Solution, job: &Job) -> Subject {
    let is_free = |lines: &Lines, line| lines.offers(line) && !lines.is_put(line);
    let mut lines = subject.lines.clone();
    if is_free(&lines, LineName::Shelf) {
        let stop = if has_shelf(&subject, &solution.lengths_mm) {
            LineStop::ShelfKept
        } else {
            LineStop::ShelfClean
        };
        lines = lines.put(stop, By::Solve);
    }
    if !is_free(&lines, LineName::Skirt) {
        return subject.with_lines(lines);
    }
    let stop = skirt_stop(&subject, &job.coat, &solution.lengths_mm);
    let subject = subject.with_lines(lines.put(stop, By::Solve));
    // Only now is it known how high its root would lie.
    let off_the_edge = tone_shifts(&subject, &job.coat, job.draws_colour_edges())
        .into_iter()
        .find(|(line, _)| *line == LineName::Skirt);
    match off_the_edge {
        Some((line, mm)) => {
            let lines = subject.lines.clone().shifted_by_solve(line, mm);
            subject.with_lines(lines)
        }
        None => subject,
    }
}

/// Turns exact lengths into cuts with a kit.
pub(super) fn cut_with(
    subject: &Subject,
    sought: &Sought,
    solution: &Solution,
    job: &Job,
    kit: &[Tool],
    accuracy: Accuracy,
) -> Result<Cutting, SolveError> {
    let schools = &job.house.schools;
    let bench = Bench {
        subject,
        coat: &job.coat,
        kit,
        under: job.house.under_comb,
        skin: job.skin,
        against_at_most_mm: match schools.of(Question::Direction) {
            Answer::WithTheLay => 0.0,
            Answer::AgainstTheLay => f64::INFINITY,
            _ => AGAINST_UP_TO_MM,
        },
        is_against_everywhere: schools.has(Answer::AgainstTheLay),
        short_by: match schools.of(Question::ShortBy) {
            Answer::ShortByComb => ShortBy::Combs,
            Answer::ShortByBlade => ShortBy::Blades,
            _ => ShortBy::WhatFits,
        },
        legs: match schools.of(Question::LegTools) {
            Answer::LegsScissored => LegWay::Scissored,
            Answer::LegsByComb => LegWay::Combed,
            _ => LegWay::Skimmed,
        },
        is_tuck_up_cleared: schools.has(Answer::TuckUpCleared),
        is_head_by_eye: schools.has(Answer::HeadByEye),
        held_off: job.held_off,
    };
    choose_tools(&bench, sought, &solution.lengths_mm, accuracy)
}
