use crate::balance::{BalancePoint, Divisor, GIVES_UP_AT};
use crate::say::Words;

/// What is wrong, as a stylist would say it: one sentence with how much, as an eye says it.
///
/// # Units and shapes
/// `lengths` in mm per spot, as everywhere in the balance.
pub(super) fn fault_sentence(point: &BalancePoint, lengths: &[f64], words: &Words<'_>) -> String {
    // Up to where a point's price rises it is off by a little; past that it cannot be overlooked.
    let by = if point.off(lengths) <= GIVES_UP_AT {
        "a little".to_owned()
    } else {
        words.by_eye(point.off_mm(lengths))
    };
    point.judged.rule().fault(is_high(point, lengths), &by)
}

/// Whether a point is over its range, rather than under it.
pub(super) fn is_high(point: &BalancePoint, lengths: &[f64]) -> bool {
    let value = point.value_at(lengths);
    point.range.1.is_some_and(|high| value > high) || point.range.0.is_none_or(|low| value >= low)
}

/// One standard deviation beside a value, one figure finer than the value.
pub(super) fn doubt_text(point: &BalancePoint, doubt: f64, words: &Words<'_>) -> String {
    match point.divisor {
        Divisor::By(_) => format!("±{doubt:.3}"),
        Divisor::Millimetres => format!("±{}", words.bare(doubt)),
    }
}

/// A value as it stands on the screen.
pub(super) fn value_text(point: &BalancePoint, value: f64, words: &Words<'_>) -> String {
    match &point.divisor {
        Divisor::By(_) => format!("{value:.2}"),
        Divisor::Millimetres => words.bare(value),
    }
}

/// A range as it stands on the screen.
pub(super) fn range_text(point: &BalancePoint, words: &Words<'_>) -> String {
    let text = |value: f64| value_text(point, value, words);
    match point.range {
        (Some(low), Some(high)) if matches!(point.divisor, Divisor::By(_)) && low <= 0.0 => {
            format!("up to {}", text(high))
        }
        (Some(low), Some(high)) => format!("{} to {}", text(low), text(high)),
        (None, Some(high)) => format!("up to {}", text(high)),
        (Some(low), None) => format!("from {}", text(low)),
        (None, None) => "any".into(),
    }
}
