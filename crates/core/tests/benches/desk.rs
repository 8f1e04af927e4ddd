//! Speed of the core: evaluate, solve, plan, reasons; and the second solver on the same problem.
//!
//! `cargo bench -p veliform-core-tests --bench desk`

use std::hint::black_box;

use criterion::{Criterion, criterion_group, criterion_main};
use mimalloc::MiMalloc;
use uuid::Uuid;
use veliform_core::balance::{Subject, balance_points};
use veliform_core::coat::resolve_coat;
use veliform_core::desk::{Desk, Reasons};
use veliform_core::dog::{Dog, House};
use veliform_core::drawing::{DrawOptions, Layers, Sheet};
use veliform_core::frame::{Felt, Grade, Measure, Method, TakenMeasure, resolve};
use veliform_core::kit::{Tool, ToolKind, ToolState};
use veliform_core::look::{Look, LookId};
use veliform_core::shape::{
    BothSides, dress_now, front_pieces, rear_pieces, side_pieces, top_pieces,
};
use veliform_core::solve::{Matrix, Workers, programme, solve_lengths};
use veliform_core::units::{Length, UnitSystem};
use veliform_core::visit::{LookChoice, Visit, fold};

/// The program's own allocator: what is measured is what it runs.
#[global_allocator]
static ALLOCATOR: MiMalloc = MiMalloc;

/// Both cores, as the server hands them in.
#[derive(Debug)]
struct TwoThreads;

impl Workers for TwoThreads {
    #[expect(clippy::disallowed_methods, reason = "here the bench calls the core")]
    fn both(&self, one: &mut (dyn FnMut() + Send), other: &mut (dyn FnMut() + Send)) {
        std::thread::scope(|scope| {
            scope.spawn(one);
            other();
        });
    }
}

fn dog() -> Dog {
    serde_json::from_value(serde_json::json!({
        "id": Uuid::from_u128(1), "name": "Turntable", "texture": "fleece"
    }))
    .expect("a dog")
}

/// A long, dipped dog in a short coat: every part of the plan has something to do.
fn visit(dog: &Dog) -> Visit {
    let mut visit = fold(dog, &[]);
    for (measure, mm) in [
        (Measure::HeightAtWithers, 440.0),
        (Measure::BodyLength, 484.0),
    ] {
        let taken = TakenMeasure::by(Method::Tape, Length::constant_mm(mm));
        visit.frame.measures.insert(measure, taken);
    }
    visit.frame.felt.insert(Felt::DipInBack, Grade::Marked);
    visit.frame.felt.insert(Felt::HighInRear, Grade::Slight);
    visit.coat.all_over_mm = Some(Length::constant_mm(24.0));
    visit.look = Some(LookChoice {
        look: LookId::Lamb,
        body_mm: None,
    });
    visit
}

fn kit() -> Vec<Tool> {
    let blades = [0.25, 0.5, 1.2, 1.5, 3.2, 6.3, 9.5].map(|mm| (ToolKind::Blade, mm));
    let combs = [13.0, 16.0, 19.0, 22.0, 25.0, 32.0, 38.0, 51.0].map(|mm| (ToolKind::Comb, mm));
    blades
        .into_iter()
        .chain(combs)
        .enumerate()
        .map(|(n, (kind, mm))| Tool {
            id: Uuid::from_u128(n as u128 + 2),
            kind,
            printed: format!("{mm}"),
            leaves_mm: Length::constant_mm(mm),
            state: ToolState::Fine,
            retired: false,
            sharpened_ms: None,
            to_mm: None,
            fits: veliform_core::kit::ClipperFit::Any,
        })
        .collect()
}

fn speed(c: &mut Criterion) {
    let (dog, house, kit) = (dog(), House::default(), kit());
    let visit = visit(&dog);
    let options = DrawOptions {
        layers: Layers {
            lengths: true,
            lines: true,
            pins: true,
            ..Layers::default()
        },
        ..DrawOptions::default()
    };
    let frame = resolve(&visit.frame, UnitSystem::Millimetres);
    let (coat, _) = resolve_coat(&visit.coat, frame.build.height, UnitSystem::Millimetres);
    let look = Look::shipped(LookId::Lamb);
    let subject = Subject::new(&frame.sides(), &coat, &look, &|_| 2.0);

    c.bench_function("evaluate: frame, outline, balance, no drawing", |b| {
        b.iter(|| {
            let frame = resolve(black_box(&visit.frame), UnitSystem::Millimetres);
            let (coat, _) = resolve_coat(&visit.coat, frame.build.height, UnitSystem::Millimetres);
            let subject = Subject::new(&frame.sides(), &coat, &look, &|_| 2.0);
            let now = subject.now(&coat);
            let (points, _) = balance_points(&subject);
            points.iter().map(|p| p.off(&now)).sum::<f64>()
        });
    });
    c.bench_function("evaluate with its drawing", |b| {
        b.iter(|| Desk::new(&dog, black_box(&visit), &house, &kit).evaluate(&options));
    });
    let four = DrawOptions {
        sheet: Sheet::Four,
        layers: Layers {
            measures: true,
            landmarks: true,
            ..Layers::default()
        },
        ..DrawOptions::default()
    };
    c.bench_function("evaluate: outlines of four views, no drawing", |b| {
        let dressing = dress_now(&frame.build, &coat);
        b.iter(|| {
            let frame = resolve(black_box(&visit.frame), UnitSystem::Millimetres);
            let dog = BothSides::of(&frame);
            side_pieces(&dog.shape, dog.left, &dressing).len()
                + front_pieces(&dog, &dressing).len()
                + rear_pieces(&dog, &dressing).len()
                + top_pieces(&dog, &dressing).len()
        });
    });
    c.bench_function("evaluate with four views drawn", |b| {
        b.iter(|| Desk::new(&dog, black_box(&visit), &house, &kit).evaluate(&four));
    });
    let solved = Desk::new(&dog, &visit, &house, &kit)
        .plan(Reasons::Skip)
        .expect("solves");
    c.bench_function("four views of a plan drawn, once it is solved", |b| {
        let desk = Desk::new(&dog, &visit, &house, &kit);
        b.iter(|| desk.draw(Some(black_box(&solved)), &four));
    });
    c.bench_function("what to measure next", |b| {
        b.iter(|| {
            Desk::new(&dog, black_box(&visit), &house, &kit)
                .with_workers(&TwoThreads)
                .what_next()
                .expect("solves")
        });
    });
    c.bench_function("solve alone", |b| {
        b.iter(|| solve_lengths(black_box(&subject)).expect("solves"));
    });
    c.bench_function("plan with tools, lines and sheet", |b| {
        b.iter(|| {
            Desk::new(&dog, black_box(&visit), &house, &kit)
                .plan(Reasons::Skip)
                .expect("solves")
        });
    });
    c.bench_function("all looks ranked, the first three drawn", |b| {
        b.iter(|| {
            Desk::new(&dog, black_box(&visit), &house, &kit)
                .with_workers(&TwoThreads)
                .offers(&[], &options)
                .expect("solves")
        });
    });
    c.bench_function("three looks solved and drawn, one after another", |b| {
        let three = [LookId::Lamb, LookId::OneLength, LookId::LambEasy].map(|look| Visit {
            look: Some(LookChoice {
                look,
                body_mm: None,
            }),
            ..visit.clone()
        });
        b.iter(|| {
            three.each_ref().map(|visit| {
                let desk = Desk::new(&dog, black_box(visit), &house, &kit);
                let solved = desk.plan(Reasons::Skip).expect("solves");
                desk.draw(Some(&solved), &options)
            })
        });
    });
    c.bench_function("grow plan with its three drawings", |b| {
        b.iter(|| {
            Desk::new(&dog, black_box(&visit), &house, &kit)
                .ahead(None, &options)
                .expect("solves")
        });
    });
    c.bench_function("every place of every line, priced", |b| {
        b.iter(|| {
            Desk::new(&dog, black_box(&visit), &house, &kit)
                .with_workers(&TwoThreads)
                .line_offers()
        });
    });
    c.bench_function("every school tried on the dog", |b| {
        b.iter(|| {
            Desk::new(&dog, black_box(&visit), &house, &kit)
                .with_workers(&TwoThreads)
                .schools()
        });
    });
    c.bench_function("plan with its drawing", |b| {
        b.iter(|| {
            Desk::new(&dog, black_box(&visit), &house, &kit)
                .plan_view(Reasons::Skip, &options)
                .expect("solves")
        });
    });
    c.bench_function("plan with reasons", |b| {
        b.iter(|| {
            Desk::new(&dog, black_box(&visit), &house, &kit)
                .plan(Reasons::Find)
                .expect("solves")
        });
    });

    let (points, _) = balance_points(&subject);
    let built = programme(&subject, &points).programme;
    let (p, q, a, bound) = built.matrices();
    let dense = |m: &Matrix| {
        let mut rows = vec![vec![0.0; m.columns]; m.rows];
        for ((i, j), v) in m.i.iter().zip(&m.j).zip(&m.v) {
            rows[*i][*j] += v;
        }
        rows
    };
    let (p, a) = (dense(&p), dense(&a));
    let low = vec![-1e30; bound.len()];
    c.bench_function("the second solver on the same problem", |b| {
        b.iter(|| {
            let settings = osqp::Settings::default()
                .verbose(false)
                .eps_abs(1e-7)
                .eps_rel(1e-7)
                .max_iter(400_000);
            let upper = osqp::CscMatrix::from(black_box(&p)).into_upper_tri();
            let rows = osqp::CscMatrix::from(&a);
            let mut problem =
                osqp::Problem::new(upper, &q, rows, &low, &bound, &settings).expect("sets up");
            problem.solve().x().map(<[f64]>::to_vec)
        });
    });
}

criterion_group!(benches, speed);
criterion_main!(benches);
