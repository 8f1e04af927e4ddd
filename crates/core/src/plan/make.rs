use crate::balance::{Subject, fit_head};
use crate::coat::Zone;
use crate::dog::{Answer, Question};
use crate::job::Job;
use crate::kit::Tool;
use crate::look::{LineName, LineStop, Look};
use crate::placing::{has_shelf, place_back_pass, skirt_stop, tone_shifts};
use crate::solve::{
    Accuracy, Bench, LegWay, Solution, SolveError, UnitCut, choose_tools, solve_lengths_to,
};

/// Name and number of the method; a saved plan keeps it, so that an old plan can say when a newer
/// method would differ.
pub const METHOD: &str = "balance 7, shears off the skin and tools that cut";

/// What counts as very short, mm (handbook 5, look 10: against the lay, 10 mm or less).
const VERY_SHORT_MM: f64 = 10.0;

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
}

impl Plan {
    /// Mean length the plan leaves on a zone, mm; none where it says nothing of it.
    pub fn zone_mm(&self, zone: Zone) -> Option<f64> {
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
    let solution = solve_lengths_to(&subject, accuracy)?;
    let mut subject = subject.today();
    place_lines(&mut subject, &solution, job)?;
    let safe = |zone| job.safe_mm(zone);
    fit_head(&mut subject, &job.coat, &solution.lengths_mm, &safe);
    let (cuts, lengths_mm) = cut_with(&subject, &solution, job, &job.kit);
    Ok(Plan {
        subject,
        solution,
        cuts,
        lengths_mm,
    })
}

/// Puts the lines that the solve chooses to their places, unless a hand or the salon did.
fn place_lines(subject: &mut Subject, solution: &Solution, job: &Job) -> Result<(), SolveError> {
    let is_free = |look: &Look, line| look.offers(line) && !look.is_put(line);
    if is_free(&subject.look, LineName::BackPass) {
        let back = place_back_pass(subject, &solution.points, &solution.lengths_mm)?;
        subject.look.solved_at(back.stop);
    }
    if is_free(&subject.look, LineName::Shelf) {
        let stop = if has_shelf(subject, &solution.lengths_mm) {
            LineStop::ShelfKept
        } else {
            LineStop::ShelfClean
        };
        subject.look.solved_at(stop);
    }
    if is_free(&subject.look, LineName::Skirt) {
        let stop = skirt_stop(subject, &job.coat, &solution.lengths_mm);
        subject.look.solved_at(stop);
        // Only now is it known how high its root would lie.
        for (line, mm) in tone_shifts(subject, &job.coat, job.draws_colour_edges()) {
            if line == LineName::Skirt {
                subject.look.solved_shift(line, mm);
            }
        }
    }
    Ok(())
}

/// Turns exact lengths into cuts with a kit: one cut a unit, and the length left at every spot, mm.
pub(super) fn cut_with(
    subject: &Subject,
    solution: &Solution,
    job: &Job,
    kit: &[Tool],
) -> (Vec<UnitCut>, Vec<f64>) {
    let bench = Bench {
        subject,
        coat: &job.coat,
        points: &solution.points,
        kit,
        under: job.house.under_comb,
        skin: job.skin,
        against_at_most_mm: match job.house.schools.of(Question::Direction) {
            Answer::WithTheLay => 0.0,
            Answer::AgainstTheLay => f64::INFINITY,
            _ => VERY_SHORT_MM,
        },
        legs: match job.house.schools.of(Question::LegTools) {
            Answer::LegsScissored => LegWay::Scissored,
            Answer::LegsByComb => LegWay::Combed,
            _ => LegWay::Skimmed,
        },
        is_head_by_eye: job.house.schools.has(Answer::HeadByEye),
    };
    let cuts = choose_tools(&bench, &solution.lengths_mm);
    let mut lengths_mm = solution.lengths_mm.clone();
    for cut in &cuts {
        for (i, l) in cut.unit.spots(subject).into_iter().zip(&cut.leaves_mm) {
            lengths_mm[i] = *l;
        }
    }
    (cuts, lengths_mm)
}
