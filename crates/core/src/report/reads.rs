use crate::balance::{BalancePoint, Judged};

/// How long the dog reads under the plan and how long it came, in one sentence; empty where its length is
/// not judged.
///
/// # Units and shapes
/// Whole per cent of the height by which the length differs from it: a square dog is as long as it is tall.
pub(super) fn reads(points: &[BalancePoint], now_mm: &[f64], plan_mm: &[f64]) -> String {
    let Some(body) = points.iter().find(|p| p.judged == Judged::BodyRatio) else {
        return String::new();
    };
    let (came, reads) = (
        length(body.value_at(now_mm)),
        length(body.value_at(plan_mm)),
    );
    if came == reads {
        format!("Reads {reads}, as it came.")
    } else {
        format!("Reads {reads}; came {came}.")
    }
}

fn length(ratio: f64) -> String {
    let per_cent = ((ratio - 1.0) * 100.0).round();
    if per_cent >= 1.0 {
        format!("{per_cent:.0} % long")
    } else if per_cent <= -1.0 {
        format!("{:.0} % short", -per_cent)
    } else {
        "square".into()
    }
}
