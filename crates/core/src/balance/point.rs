use kurbo::Point;

use super::expr::Expr;
use super::rules::Judged;
use crate::page::View;

/// What a value is divided by before it is shown.
#[derive(Clone, Debug, PartialEq)]
pub enum Divisor {
    /// Shown in millimetres.
    Millimetres,
    /// A ratio to another number.
    By(Expr),
}

/// One row of the judgement: a value, its range, and by how much it may miss.
#[derive(Clone, Debug, PartialEq)]
pub struct BalancePoint {
    /// Which number.
    pub judged: Judged,
    /// Expressions in mm that are over zero by as much as the value leaves its range.
    pub over: Vec<Expr>,
    /// Tolerance, mm.
    pub tolerance_mm: f64,
    /// Weight in the balance.
    pub weight: f64,
    /// The value.
    pub value: Expr,
    /// What the value is divided by.
    pub divisor: Divisor,
    /// Its range, in the unit it is shown in.
    pub range: (Option<f64>, Option<f64>),
    /// Where on the dog it shows.
    pub at: Shown,
}

/// A place in a view.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct Shown {
    /// The view.
    pub view: View,
    /// Skin point on that view's own plane, mm.
    pub at: Point,
}

impl BalancePoint {
    /// The value at these lengths, in the unit it is shown in.
    pub fn value_at(&self, lengths: &[f64]) -> f64 {
        let value = self.value.at(lengths);
        match &self.divisor {
            Divisor::Millimetres => value,
            Divisor::By(expr) => value / expr.at(lengths),
        }
    }

    /// Millimetres outside the range; zero inside.
    pub fn off_mm(&self, lengths: &[f64]) -> f64 {
        self.over.iter().map(|e| e.at(lengths)).fold(0.0, f64::max)
    }

    /// Tolerances outside the range; zero inside.
    pub fn off(&self, lengths: &[f64]) -> f64 {
        self.off_mm(lengths) / self.tolerance_mm
    }
}

/// Beyond this many tolerances a point that gives up costs in a straight line (Huber's knee).
pub const GIVES_UP_AT: f64 = 2.0;

impl BalancePoint {
    /// What the point costs at these lengths: weight × squared tolerances, straight beyond the knee.
    pub fn cost(&self, lengths: &[f64]) -> f64 {
        let off = self.off(lengths);
        let cost = if self.judged.rule().gives_up && off > GIVES_UP_AT {
            2.0 * GIVES_UP_AT * off - GIVES_UP_AT * GIVES_UP_AT
        } else {
            off * off
        };
        self.weight * cost
    }

    /// How strongly a spot moves it: the sum of its coefficients' sizes.
    pub fn pull_of(&self, spot: usize) -> f64 {
        self.over.iter().map(|e| e.coefficients()[spot].abs()).sum()
    }

    /// Whether a spot moves it at all.
    pub fn depends_on(&self, spot: usize) -> bool {
        self.over.iter().any(|e| e.coefficients()[spot] != 0.0)
    }
}

/// Balance cost of lengths: Σ weight × squared tolerances, straight beyond the knee.
pub fn score(points: &[BalancePoint], lengths: &[f64]) -> f64 {
    points.iter().map(|p| p.cost(lengths)).sum()
}
