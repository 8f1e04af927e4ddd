use clarabel::algebra::CscMatrix;
use clarabel::solver::{
    DefaultSettingsBuilder, DefaultSolver, IPSolver, NonnegativeConeT, SolverStatus,
};

/// A convex quadratic programme in the making: lengths first, helpers after them.
///
/// Minimises ½ xᵀPx + qᵀx subject to rows `a·x <= b`. Lengths are counted in `unit_mm`, so that
/// the solver sees numbers of ordinary size (balance-model.md 1).
#[derive(Clone, Debug)]
pub struct Programme {
    lengths: usize,
    unit_mm: f64,
    variables: usize,
    /// Dense upper part over the lengths.
    quadratic: Vec<f64>,
    helper_quadratic: Vec<(usize, f64)>,
    linear: Vec<f64>,
    rows: Vec<Row>,
}

#[derive(Clone, Debug)]
struct Row {
    terms: Vec<(usize, f64)>,
    bound: f64,
}

/// Where the optimum lies and what each row costs.
#[derive(Clone, Debug)]
pub struct Optimum {
    /// Lengths, mm.
    pub lengths_mm: Vec<f64>,
    /// Price of every row, in the order the rows were added, per unit of the row.
    pub prices: Vec<f64>,
    /// Value of the objective, without constants.
    pub objective: f64,
    /// Whether the solver reached its tolerance.
    pub is_exact: bool,
    /// Iterations it took.
    pub iterations: u32,
}

/// How exactly a programme is solved.
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
pub enum Accuracy {
    /// Every optimality condition holds to 1e-4 (tried on random programmes).
    Full,
    /// Lengths are off by 0.03 mm at most (balance-model.md 4): to compare plans, not to show one.
    Rough,
}

impl Accuracy {
    /// What is asked of the solver's residuals and gap.
    const fn tolerance(self) -> f64 {
        match self {
            Self::Full => 1e-10,
            Self::Rough => 1e-6,
        }
    }
}

/// The solver takes about fifteen; far more means a broken programme.
const MOST_ITERATIONS: u32 = 200;

impl Programme {
    /// Starts with `lengths` unknown lengths.
    pub fn new(lengths: usize, unit_mm: f64) -> Self {
        Self {
            lengths,
            unit_mm,
            variables: lengths,
            quadratic: vec![0.0; lengths * lengths],
            helper_quadratic: Vec::new(),
            linear: vec![0.0; lengths],
            rows: Vec::new(),
        }
    }

    /// A new helper variable; returns its number.
    pub fn helper(&mut self) -> usize {
        self.variables += 1;
        self.linear.push(0.0);
        self.variables - 1
    }

    /// Adds `weight × helper²`.
    pub fn square_helper(&mut self, helper: usize, weight: f64) {
        self.helper_quadratic.push((helper, 2.0 * weight));
    }

    /// Adds `weight × helper`.
    pub fn cost_helper(&mut self, helper: usize, weight: f64) {
        self.linear[helper] += weight;
    }

    /// Adds `weight × (Σ coefficient × length_mm + constant)²` over a few lengths.
    pub fn square(&mut self, terms: &[(usize, f64)], constant: f64, weight: f64) {
        for &(i, a) in terms {
            let a = a * self.unit_mm;
            self.linear[i] += 2.0 * weight * constant * a;
            for &(j, b) in terms {
                if i <= j {
                    self.quadratic[i * self.lengths + j] += 2.0 * weight * a * b * self.unit_mm;
                }
            }
        }
    }

    /// Adds the row `Σ coefficient × length_mm + Σ coefficient × helper <= bound`.
    /// Returns its number.
    pub fn row(
        &mut self,
        lengths: impl IntoIterator<Item = (usize, f64)>,
        helpers: &[(usize, f64)],
        bound: f64,
    ) -> usize {
        let mut terms: Vec<(usize, f64)> = lengths
            .into_iter()
            .filter(|(_, c)| *c != 0.0)
            .map(|(i, c)| (i, c * self.unit_mm))
            .collect();
        terms.extend_from_slice(helpers);
        self.rows.push(Row { terms, bound });
        self.rows.len() - 1
    }

    /// Number of unknowns and rows.
    pub fn size(&self) -> (usize, usize) {
        (self.variables, self.rows.len())
    }

    /// The matrices, for a second solver: P (upper), q, A, b.
    pub fn matrices(&self) -> (Matrix, Vec<f64>, Matrix, Vec<f64>) {
        let n = self.variables;
        let mut p = Matrix::new(n, n);
        for i in 0..self.lengths {
            for j in i..self.lengths {
                let value = self.quadratic[i * self.lengths + j];
                if value != 0.0 {
                    p.push(i, j, value);
                }
            }
        }
        for &(i, value) in &self.helper_quadratic {
            p.push(i, i, value);
        }
        let mut a = Matrix::new(self.rows.len(), n);
        for (r, row) in self.rows.iter().enumerate() {
            for &(i, c) in &row.terms {
                a.push(r, i, c);
            }
        }
        let b = self.rows.iter().map(|r| r.bound).collect();
        (p, self.linear.clone(), a, b)
    }

    /// Moves a row's bound: a length may then go no further down or up.
    pub(super) fn bind(&mut self, row: usize, bound: f64) {
        self.rows[row].bound = bound;
    }

    /// What is a plain quadratic of the lengths in mm, without any helper: curvature, dense and
    /// symmetric, and slope at zero.
    pub(super) fn smooth(&self) -> (Vec<f64>, Vec<f64>) {
        let n = self.lengths;
        let per_mm = 1.0 / self.unit_mm;
        let mut curve = vec![0.0; n * n];
        for i in 0..n {
            for j in i..n {
                let value = self.quadratic[i * n + j] * per_mm * per_mm;
                curve[i * n + j] = value;
                curve[j * n + i] = value;
            }
        }
        let slope = self.linear[..n].iter().map(|q| q * per_mm).collect();
        (curve, slope)
    }

    /// The same programme with all lengths held but some: a small one, for comparing what only
    /// those can change. Its objective leaves out what is held.
    ///
    /// # Units and shapes
    /// `free` numbers the lengths that stay unknown, in their new order; `held_mm` gives a length
    /// for every one.
    #[must_use]
    pub fn holding(&self, free: &[usize], held_mm: &[f64]) -> Self {
        let mut places: Vec<Option<usize>> = vec![None; self.lengths];
        for (new, old) in free.iter().enumerate() {
            places[*old] = Some(new);
        }
        let place = |i: usize| places[i];
        let held: Vec<f64> = held_mm.iter().map(|mm| mm / self.unit_mm).collect();
        // Helpers that no free length's row speaks of have nothing left to choose.
        let touches = |row: &Row| {
            let mut terms = row.terms.iter();
            terms.any(|(i, _)| *i < self.lengths && place(*i).is_some())
        };
        let mut helpers: Vec<usize> = self
            .rows
            .iter()
            .filter(|row| touches(row))
            .flat_map(|row| row.terms.iter().map(|(i, _)| *i))
            .filter(|i| *i >= self.lengths)
            .collect();
        helpers.sort_unstable();
        helpers.dedup();
        let helper = |i: usize| helpers.binary_search(&i).ok().map(|h| free.len() + h);

        let mut small = Self::new(free.len(), self.unit_mm);
        for (a, &i) in free.iter().enumerate() {
            small.linear[a] = self.linear[i];
            for (j, held) in held.iter().enumerate() {
                let value = self.quadratic[i.min(j) * self.lengths + i.max(j)];
                match place(j) {
                    Some(b) if a <= b => small.quadratic[a * free.len() + b] = value,
                    Some(_) => {}
                    None => small.linear[a] += value * held,
                }
            }
        }
        for &old in &helpers {
            let new = small.helper();
            small.linear[new] = self.linear[old];
        }
        small.helper_quadratic = self
            .helper_quadratic
            .iter()
            .filter_map(|(i, value)| Some((helper(*i)?, *value)))
            .collect();
        for row in &self.rows {
            let is_known = |i: usize| i >= self.lengths && helper(i).is_some();
            if !touches(row) && !row.terms.iter().any(|(i, _)| is_known(*i)) {
                continue;
            }
            let mut bound = row.bound;
            let mut terms = Vec::with_capacity(row.terms.len());
            for &(i, c) in &row.terms {
                if i >= self.lengths {
                    terms.extend(helper(i).map(|h| (h, c)));
                } else if let Some(a) = place(i) {
                    terms.push((a, c));
                } else {
                    bound -= c * held[i];
                }
            }
            small.rows.push(Row { terms, bound });
        }
        small
    }

    /// Solves it in full.
    ///
    /// # Errors
    /// As [`Self::solve_to`].
    pub fn solve(&self) -> Result<Optimum, SolveError> {
        self.solve_to(Accuracy::Full)
    }

    /// Solves it. Deterministic: the same programme gives the same bits.
    ///
    /// # Errors
    /// If the solver refuses the programme's data, which would be a fault of ours; the status in
    /// the result says whether the tolerance was reached.
    pub fn solve_to(&self, accuracy: Accuracy) -> Result<Optimum, SolveError> {
        let (p, q, a, b) = self.matrices();
        let rows = b.len();
        let csc = |m: Matrix| CscMatrix::new_from_triplets(m.rows, m.columns, m.i, m.j, m.v);
        let settings = DefaultSettingsBuilder::default()
            .verbose(false)
            .tol_gap_abs(accuracy.tolerance())
            .tol_gap_rel(accuracy.tolerance())
            .tol_feas(accuracy.tolerance())
            .max_iter(MOST_ITERATIONS)
            .build()
            .map_err(|_| SolveError::Refused)?;
        let cones = [NonnegativeConeT(rows)];
        let mut solver = DefaultSolver::new(&csc(p), &q, &csc(a), &b, &cones, settings)
            .map_err(|_| SolveError::Refused)?;
        solver.solve();
        let solution = &solver.solution;
        if solution.x.iter().any(|x| !x.is_finite()) {
            return Err(SolveError::NoAnswer);
        }
        Ok(Optimum {
            lengths_mm: solution.x[..self.lengths]
                .iter()
                .map(|x| x * self.unit_mm)
                .collect(),
            prices: solution.z.clone(),
            objective: solution.obj_val,
            is_exact: matches!(
                solution.status,
                SolverStatus::Solved | SolverStatus::AlmostSolved
            ),
            iterations: solution.iterations,
        })
    }
}

/// A sparse matrix as triplets.
#[derive(Clone, Debug, Default)]
pub struct Matrix {
    /// Number of rows.
    pub rows: usize,
    /// Number of columns.
    pub columns: usize,
    /// Row of each entry.
    pub i: Vec<usize>,
    /// Column of each entry.
    pub j: Vec<usize>,
    /// Value of each entry.
    pub v: Vec<f64>,
}

impl Matrix {
    fn new(rows: usize, columns: usize) -> Self {
        Self {
            rows,
            columns,
            ..Self::default()
        }
    }

    fn push(&mut self, i: usize, j: usize, value: f64) {
        self.i.push(i);
        self.j.push(j);
        self.v.push(value);
    }
}

/// The solver gave no answer.
#[derive(Clone, Copy, Debug, PartialEq, Eq, thiserror::Error)]
pub enum SolveError {
    /// The data were refused.
    #[error("the balance could not be set up; please report this dog")]
    Refused,
    /// No finite answer came back.
    #[error("the balance found no answer; please report this dog")]
    NoAnswer,
    /// Whoever asked no longer waits for it.
    #[error("nobody waits for this answer any more")]
    NotWanted,
}

#[cfg(test)]
mod tests {
    use super::*;
    use approx::assert_abs_diff_eq;

    /// By hand: minimise (x − 3)² + (y − 1)² with x <= 2 and x + y <= 2.5 gives x = 2, y = 0.5,
    /// both prices 1.
    #[test]
    fn a_case_worked_by_hand_comes_out_with_its_prices() {
        let mut programme = Programme::new(2, 1.0);
        programme.square(&[(0, 1.0)], -3.0, 1.0);
        programme.square(&[(1, 1.0)], -1.0, 1.0);
        programme.row([(0, 1.0)], &[], 2.0);
        programme.row([(0, 1.0), (1, 1.0)], &[], 2.5);
        let best = programme.solve().expect("solves");
        assert!(best.is_exact);
        assert_abs_diff_eq!(best.lengths_mm[0], 2.0, epsilon = 1e-7);
        assert_abs_diff_eq!(best.lengths_mm[1], 0.5, epsilon = 1e-7);
        assert_abs_diff_eq!(best.prices[0], 1.0, epsilon = 1e-6);
        assert_abs_diff_eq!(best.prices[1], 1.0, epsilon = 1e-6);
    }

    /// balance-model.md 15, example 1: ends fixed at 10, dip 6 mm, tolerance 3, pull .5 over 9.
    #[test]
    fn the_first_worked_example_gives_108_over_19() {
        let mut programme = Programme::new(1, 4.5);
        programme.square(&[(0, -1.0 / 3.0)], 6.0 / 3.0, 1.0);
        programme.square(&[(0, 1.0 / 9.0)], 0.0, 0.5);
        let best = programme.solve().expect("solves");
        assert_abs_diff_eq!(best.lengths_mm[0], 108.0 / 19.0, epsilon = 1e-6);

        // … and with 0.6 |y| / 9 to each of two fixed neighbours, 97.2 / 19.
        for _ in 0..2 {
            let step = programme.helper();
            programme.cost_helper(step, 0.6);
            programme.row([(0, 1.0 / 9.0)], &[(step, -1.0)], 0.0);
            programme.row([(0, -1.0 / 9.0)], &[(step, -1.0)], 0.0);
        }
        let best = programme.solve().expect("solves");
        assert_abs_diff_eq!(best.lengths_mm[0], 97.2 / 19.0, epsilon = 1e-6);
    }
}
