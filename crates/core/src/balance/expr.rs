use std::ops::{Add, Mul, Sub};

/// A number that depends on the coat lengths in a straight line: Σ coefficient × length + constant.
#[derive(Clone, Debug, PartialEq)]
pub struct Expr {
    coefficients: Vec<f64>,
    constant: f64,
}

impl Expr {
    /// A number that no length moves.
    pub fn constant(spots: usize, value: f64) -> Self {
        Self {
            coefficients: vec![0.0; spots],
            constant: value,
        }
    }

    /// `constant + coefficient × length[spot]`.
    pub fn of(spots: usize, spot: usize, coefficient: f64, constant: f64) -> Self {
        let mut expr = Self::constant(spots, constant);
        expr.coefficients[spot] = coefficient;
        expr
    }

    /// Its value at these lengths (mm, one per spot).
    pub fn at(&self, lengths: &[f64]) -> f64 {
        self.constant
            + self
                .coefficients
                .iter()
                .zip(lengths)
                .map(|(c, l)| c * l)
                .sum::<f64>()
    }

    /// Coefficients by spot.
    pub fn coefficients(&self) -> &[f64] {
        &self.coefficients
    }

    /// The part no length moves.
    pub fn rest(&self) -> f64 {
        self.constant
    }

    /// Mean of several.
    ///
    /// # Panics
    /// If there are none.
    pub fn mean(exprs: &[Self]) -> Self {
        let mut sum = exprs[0].clone();
        for expr in &exprs[1..] {
            sum = sum + expr;
        }
        sum * (1.0 / exprs.len() as f64)
    }
}

impl Add<&Self> for Expr {
    type Output = Self;
    fn add(mut self, other: &Self) -> Self {
        for (a, b) in self.coefficients.iter_mut().zip(&other.coefficients) {
            *a += b;
        }
        self.constant += other.constant;
        self
    }
}

impl Sub<&Self> for Expr {
    type Output = Self;
    fn sub(mut self, other: &Self) -> Self {
        for (a, b) in self.coefficients.iter_mut().zip(&other.coefficients) {
            *a -= b;
        }
        self.constant -= other.constant;
        self
    }
}

impl Add<f64> for Expr {
    type Output = Self;
    fn add(mut self, value: f64) -> Self {
        self.constant += value;
        self
    }
}

impl Mul<f64> for Expr {
    type Output = Self;
    fn mul(mut self, factor: f64) -> Self {
        self.coefficients.iter_mut().for_each(|c| *c *= factor);
        self.constant *= factor;
        self
    }
}
