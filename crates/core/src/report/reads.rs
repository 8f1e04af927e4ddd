use crate::balance::{BalancePoint, Judged};

/// How long a dog came and how long it reads under its plan: its length over its height.
#[derive(Clone, Copy, Debug, PartialEq)]
pub(crate) struct LengthRead {
    pub(crate) came: f64,
    pub(crate) reads: f64,
}

impl LengthRead {
    /// None where the dog's length is not judged.
    pub(crate) fn of(points: &[BalancePoint], now_mm: &[f64], plan_mm: &[f64]) -> Option<Self> {
        let body = points.iter().find(|p| p.judged == Judged::BodyRatio)?;
        Some(Self {
            came: body.value_at(now_mm),
            reads: body.value_at(plan_mm),
        })
    }

    /// Both in one sentence.
    pub(super) fn sentence(self) -> String {
        let (came, reads) = (long(self.came), long(self.reads));
        if came == reads {
            format!("Reads {reads}, as it came.")
        } else {
            format!("Reads {reads}; came {came}.")
        }
    }
}

/// A length over a height in words: whole per cent by which they differ; a square dog is as long as it is
/// tall.
pub(crate) fn long(ratio: f64) -> String {
    let per_cent = ((ratio - 1.0) * 100.0).round();
    if per_cent >= 1.0 {
        format!("{per_cent:.0} % long")
    } else if per_cent <= -1.0 {
        format!("{:.0} % short", -per_cent)
    } else {
        "square".into()
    }
}
