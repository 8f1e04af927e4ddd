//! The programme against a second, quite different solver, and against the conditions that prove
//! an optimum (handbook 8, *Geometry and solving*).

use crate::support;

use rstest::rstest;
use support::{ample_coat, both, build};
use veliform_core::balance::{Subject, balance_points};
use veliform_core::frame::Build;
use veliform_core::look::{Look, LookId};
use veliform_core::solve::{Matrix, Programme, programme};

fn written(look: &Look, height: f64, change: impl FnOnce(&mut Build, f64)) -> Programme {
    let coat = ample_coat(look, height);
    let subject = Subject::new(&both(&build(height, change)), &coat, look, &|_| 1.5);
    let (points, _) = balance_points(&subject);
    programme(&subject, &points).programme
}

fn dense(m: &Matrix) -> Vec<Vec<f64>> {
    let mut rows = vec![vec![0.0; m.columns]; m.rows];
    for ((i, j), v) in m.i.iter().zip(&m.j).zip(&m.v) {
        rows[*i][*j] += v;
    }
    rows
}

fn objective(p: &Matrix, q: &[f64], x: &[f64]) -> f64 {
    let mut value: f64 = q.iter().zip(x).map(|(q, x)| q * x).sum();
    for ((i, j), v) in p.i.iter().zip(&p.j).zip(&p.v) {
        let both = if i == j { 0.5 } else { 1.0 };
        value += both * v * x[*i] * x[*j];
    }
    value
}

#[rstest]
#[case::square(Look::shipped(LookId::Lamb), 460.0, 1.0, 0.0)]
#[case::long_dipped(Look::shipped(LookId::Lamb), 460.0, 1.12, 0.02)]
#[case::small_one_length(Look::shipped(LookId::OneLength), 260.0, 1.1, 0.025)]
#[case::large_one_length(Look::shipped(LookId::OneLength), 640.0, 1.05, 0.0)]
fn a_second_solver_finds_the_same_objective(
    #[case] look: Look,
    #[case] height: f64,
    #[case] length: f64,
    #[case] dip: f64,
) {
    let qp = written(&look, height, |b, h| {
        (b.length, b.back_drop) = (length * h, dip * h);
    });
    let (p, q, a, b) = qp.matrices();
    let ours = qp.solve().expect("solves");

    let upper = osqp::CscMatrix::from(&dense(&p)).into_upper_tri();
    let rows = osqp::CscMatrix::from(&dense(&a));
    let settings = osqp::Settings::default()
        .verbose(false)
        .eps_abs(1e-9)
        .eps_rel(1e-9)
        .max_iter(400_000)
        .polish(true);
    let low = vec![-1e30; b.len()];
    let mut other = osqp::Problem::new(upper, &q, rows, &low, &b, &settings).expect("sets up");
    let status = other.solve();
    let x = status.x().expect("the second solver has an answer");
    let theirs = objective(&p, &q, x);
    let scale = ours.objective.abs().max(1.0);
    assert!(
        (ours.objective - theirs).abs() / scale < 1e-6,
        "ours {} theirs {theirs}",
        ours.objective
    );
    for (mm, other) in ours.lengths_mm.iter().zip(x) {
        assert!((mm - other * 0.01 * height).abs() < 0.02, "{mm}");
    }
}

/// Feasible, priced at or over zero, priced only where tight: for a convex programme these prove
/// the optimum.
#[rstest]
#[case(Look::shipped(LookId::Lamb), 460.0, 1.12)]
#[case(Look::shipped(LookId::OneLength), 330.0, 1.18)]
#[case(Look::shipped(LookId::Lamb), 230.0, 1.0)]
fn the_answer_meets_the_conditions_of_an_optimum(
    #[case] look: Look,
    #[case] height: f64,
    #[case] length: f64,
) {
    let qp = written(&look, height, |b, h| b.length = length * h);
    let (_, _, a, b) = qp.matrices();
    let best = qp.solve().expect("solves");
    assert!(best.is_exact);
    let lengths: Vec<f64> = best
        .lengths_mm
        .iter()
        .map(|l| l / (0.01 * height))
        .collect();
    let rows = dense(&a);
    for ((row, bound), price) in rows.iter().zip(&b).zip(&best.prices) {
        assert!(*price >= -1e-7, "a price under zero: {price}");
        // Rows over lengths alone can be checked without the helpers.
        let touches_helpers = row[lengths.len()..].iter().any(|c| *c != 0.0);
        if !touches_helpers {
            let used: f64 = row.iter().zip(&lengths).map(|(c, l)| c * l).sum();
            let slack = bound - used;
            assert!(slack > -1e-6, "a bound is broken by {slack}");
            assert!(
                price * slack.max(0.0) < 1e-4,
                "priced {price} with slack {slack}"
            );
        }
    }
}
