use std::ops::RangeInclusive;

/// Weights a dog can have, kg: the smallest toys to the heaviest giants (common practice).
const WEIGHTS_KG: RangeInclusive<f64> = 0.5..=120.0;

/// What is wrong with a weight, in one sentence; nothing where a dog can have it. It is then kept as it
/// was typed, and counts for nothing.
pub(crate) fn weight_problem(kg: f64) -> Option<String> {
    let (least, most) = (WEIGHTS_KG.start(), WEIGHTS_KG.end());
    (!WEIGHTS_KG.contains(&kg)).then(|| {
        format!("No dog weighs {kg} kg; it lies between {least} and {most}. Weigh it again.")
    })
}
