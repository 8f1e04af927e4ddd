use crate::body::Found;
use crate::consult::Talk;
use crate::dog::House;
use crate::frame::{Frame, Problem, Severity};
use crate::kit::{Tool, is_driven};
use crate::look::OwnLook;
use crate::say::Words;
use crate::units::{Length, length_text};
use crate::visit::{LookChoice, Recipe, Visit, weight_problem};

/// What was said, to be looked through for what cannot be.
pub(super) struct Said<'a> {
    pub(super) visit: &'a Visit,
    pub(super) house: &'a House,
    pub(super) kit: &'a [Tool],
}

impl Said<'_> {
    /// Every sentence beside a field: the frame's, the coat's (`of_coat`), then those of all else said.
    pub(super) fn problems(&self, frame: &Frame, of_coat: Vec<Problem>) -> Vec<Problem> {
        let Self { visit, house, kit } = *self;
        let mut problems = frame.problems.clone();
        problems.extend(of_coat);
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
        let of_weight = visit.weight_kg.and_then(weight_problem);
        problems.extend(of_weight.map(|said| Problem::of("weight", Severity::Refused, said)));
        problems.extend(kit_problem(kit, house));
        problems.extend(shift_problems(visit, frame.build.height, house));
        problems
    }
}

/// Body lengths a look may be asked for, mm: from a close clip to the longest comb (common practice).
pub(super) const LOOK_BODY_MM: std::ops::RangeInclusive<f64> = 2.0..=60.0;

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
