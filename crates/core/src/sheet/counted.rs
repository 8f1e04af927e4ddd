use super::minutes as m;
use super::step::Step;
use crate::dog::Topic;
use crate::kit::{Clipper, longest_run_minutes};

/// Adds a pause wherever a bare blade has run for so many minutes, step after step with the same
/// blade (handbook 7, *Heat*); how many there are.
pub(super) fn count_pauses(steps: &mut [Step], every_minutes: f64) -> u32 {
    let (mut warm, mut pauses, mut in_hand) = (0.0, 0_u32, None);
    for step in steps {
        if !step.is_bare_blade || step.tool_id != in_hand {
            warm = 0.0;
        }
        in_hand = step.tool_id;
        if !step.is_bare_blade {
            continue;
        }
        warm += step.minutes;
        while warm > every_minutes {
            warm -= every_minutes;
            pauses += 1;
            step.minutes = ((step.minutes + m::BLADE_CHANGE) * 10.0).round() / 10.0;
        }
    }
    pauses
}

/// What was counted in, in one sentence, and whether the clipper's charge lasts.
pub(super) fn counted(
    steps: &[Step],
    tool_changes: u32,
    pauses: u32,
    clippers: &[Clipper],
) -> String {
    let many = |n: u32, one: &str, more: &str| match n {
        0 => None,
        1 => Some(format!("1 {one}")),
        n => Some(format!("{n} {more}")),
    };
    let drying: f64 = steps
        .iter()
        .filter(|s| s.topic == Topic::Dry)
        .map(|s| s.minutes)
        .sum();
    let parts: Vec<String> = [
        many(tool_changes, "tool change", "tool changes"),
        many(pauses, "pause for a warm blade", "pauses for a warm blade"),
        (drying >= 1.0)
            .then(|| format!("{drying:.0} min drying, when the other table's dog can be begun")),
    ]
    .into_iter()
    .flatten()
    .collect();
    let counted = (!parts.is_empty()).then(|| format!("Counted in: {}.", parts.join(", ")));
    let said: Vec<String> = counted.into_iter().chain(charge(steps, clippers)).collect();
    said.join(" ")
}

/// Said where the clipping takes longer than a charge lasts (handbook 3: run time is finite).
fn charge(steps: &[Step], clippers: &[Clipper]) -> Option<String> {
    let lasts = f64::from(longest_run_minutes(clippers)?);
    let clipped: f64 = steps
        .iter()
        .filter(|s| s.topic == Topic::Clip)
        .map(|s| s.minutes)
        .sum();
    (clipped > lasts).then(|| {
        format!(
            "The clipper runs {lasts:.0} min on a charge and clips {clipped:.0} here: charge it \
             during the bath."
        )
    })
}
