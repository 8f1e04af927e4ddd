//! The tail as it is carried: its outline's own points, and the picture that follows what the salon asks of it
//! (handbook 10 E; 5, *Tail*). Tolerances are the handbook's .009 of the height.

use crate::support;

use kurbo::Point;
use rstest::rstest;
use support::table::{kit, mm};
use support::{ample_coat, both, build, plain_job};
use uuid::Uuid;
use veliform_core::balance::{Judged, off_u_mm, sides_apart_mm};
use veliform_core::coat::Zone;
use veliform_core::desk::{Desk, Reasons};
use veliform_core::dog::{Dog, House};
use veliform_core::frame::{Build, Measure, Method, TailKind, TakenMeasure};
use veliform_core::look::{LineName, Look, LookId};
use veliform_core::plan::{PlanCoat, dress_plan, make_plan};
use veliform_core::report::{BalanceRow, PlanReport, Verdict};
use veliform_core::schools::{Answer, Schools};
use veliform_core::shape::{
    Dressing, Piece, PieceKind, Station, TailEdges, TailForm, dress_now, side_pieces, side_shape,
    tail_edges,
};
use veliform_core::visit::{LookChoice, fold};

/// A tail of 200 mm drawn by hand: straight, level, its bone 20 mm thick, with so much hair over and under
/// it at the share of its way to the tip.
fn drawn(over: impl Fn(f64) -> f64, under: impl Fn(f64) -> f64) -> TailEdges {
    let shares = || (0..=10).map(|i| f64::from(i) / 10.0);
    let at = |t: f64, y: f64| Point::new(-200.0 * t, y);
    TailEdges {
        bone: shares().map(|t| at(t, 0.0)).collect(),
        half_widths: vec![10.0; 11],
        sides: vec![
            shares().map(|t| at(t, 10.0 + over(t))).collect(),
            shares().map(|t| at(t, -10.0 - under(t))).collect(),
        ],
        tip: at(1.15, 0.0),
    }
}

/// Worked by hand: a U of 30 mm; one a third fuller beneath; one that runs out from 40 mm to none, 3 mm less
/// at every place from three tenths (28 mm) on; what is bare at its base is none of the shape.
#[rstest]
#[case::a_u(drawn(|_| 30.0, |_| 30.0), 0.0, 0.0)]
#[case::bare_at_its_base(drawn(|t| if t < 0.25 { 0.0 } else { 30.0 }, |_| 30.0), 0.0, 0.0)]
#[case::fuller_beneath(drawn(|_| 30.0, |_| 40.0), 5.0, 10.0)]
#[case::one_lock_beneath(drawn(|_| 30.0, |t| if (t - 0.5).abs() < 0.01 { 46.0 } else { 30.0 }), 15.0, 16.0)]
#[case::running_out(drawn(|t| 40.0 * (1.0 - t), |t| 40.0 * (1.0 - t)), 14.0, 0.0)]
fn an_outline_by_hand_leaves_its_u_by_so_much(
    #[case] tail: TailEdges,
    #[case] off_u: f64,
    #[case] apart: f64,
) {
    assert!(
        (off_u_mm(&tail) - off_u).abs() < 0.01,
        "{}",
        off_u_mm(&tail)
    );
    let sides = sides_apart_mm(&tail).expect("two sides");
    assert!((sides - apart).abs() < 0.01, "{sides}");
}

/// Inside a bend no hand comes: one side is left, there is none to hold it against.
#[test]
fn a_bent_tail_has_one_side_to_shape() {
    let mut bent = drawn(|_| 30.0, |_| 0.0);
    bent.sides.truncate(1);
    assert!(off_u_mm(&bent) < 0.01);
    assert_eq!(sides_apart_mm(&bent), None);
    let curl = build(300.0, |b, _| b.tail.kind = TailKind::Curl);
    let shape = side_shape(&curl);
    let look = Look::shipped(LookId::OneLength);
    let dressing = dress_now(&curl, &ample_coat(&look, 300.0));
    let edges = tail_edges(&curl, &dressing, shape.skin(Station::TailSet));
    assert_eq!(edges.sides.len(), 1);
}

/// A dressed dog under a look whose tail is shaped so.
fn dressed(build: &Build, look: LookId, form: TailForm) -> Dressing {
    let look = Look::shipped(look).with_tail(form);
    let job = plain_job(both(build), ample_coat(&look, build.height), look);
    let plan = make_plan(&job).expect("solves");
    dress_plan(&plan, &job.coat, PlanCoat::Tools)
}

/// What is drawn of the tail: its outlines.
fn tail_drawn(build: &Build, dressing: &Dressing) -> Vec<Vec<Point>> {
    let is_tail = |p: &Piece| matches!(p.kind, PieceKind::Tail | PieceKind::TailBall);
    let pieces = side_pieces(&side_shape(build), build, dressing).into_iter();
    pieces.filter(is_tail).map(|p| p.outline).collect()
}

/// A U is drawn as one on every carriage and size, within .009 of the height (handbook 10 E), on a coat that
/// stands; what a hand cannot reach is not counted.
#[rstest]
fn a_u_is_drawn_as_a_u(
    #[values(250.0, 450.0, 640.0)] height: f64,
    #[values(
        TailKind::Up,
        TailKind::Curl,
        TailKind::Sabre,
        TailKind::Level,
        TailKind::Low
    )]
    kind: TailKind,
) {
    let dog = build(height, |b, h| {
        b.tail.kind = kind;
        b.tail.length = 0.4 * h;
    });
    let root = side_shape(&dog).skin(Station::TailSet);
    let edges = |form| tail_edges(&dog, &dressed(&dog, LookId::ToyJacket, form), root);
    if kind != TailKind::Curl {
        // Laid over the back it is cut at the plumb line too.
        let off = off_u_mm(&edges(TailForm::U));
        assert!(off <= 0.009 * height, "{off}");
        let apart = sides_apart_mm(&edges(TailForm::Rounded)).unwrap_or_default();
        assert!(apart <= 0.009 * height, "{apart}");
    }
    // The hair ends past the felt end of the bone, by 5 mm at the least (handbook 10 E).
    let u = edges(TailForm::U);
    let past = u.tip.distance(u.bone[u.bone.len() - 1]);
    assert!(past >= 5.0, "{past}");
}

/// A ball stands on docked tails alone, up to a quarter of the height; a full one bares .05 of it at most and
/// a docked one is rounded to a ball (handbook 10 E; dog-shape-2.md, *Tails follow handbook 10 E*).
#[rstest]
#[case::docked(0.24, true)]
#[case::full(0.26, false)]
fn a_ball_is_for_docked_tails(#[case] share: f64, #[case] is_docked: bool) {
    let dog = build(450.0, |b, h| {
        b.tail.kind = TailKind::Up;
        b.tail.length = share * h;
    });
    for form in [TailForm::Ball, TailForm::Rounded] {
        let dressing = dressed(&dog, LookId::Lamb, form);
        assert_eq!(dressing.tail.form == TailForm::Ball, is_docked, "{form:?}");
    }
    let bare = dressed(&dog, LookId::Lamb, TailForm::Ball).tail.bare;
    assert!(bare <= 0.05 * 450.0, "{bare}");
    assert_eq!(bare > 0.0, !is_docked);
}

/// A look that keeps the tail keeps it, whatever the salon does to others.
#[test]
fn a_kept_tail_is_left_alone() {
    let dog = build(450.0, |_, _| {});
    for look in [LookId::CylinderFleece, LookId::DropComfort] {
        assert_eq!(
            Look::shipped(look).with_tail(TailForm::U).finish.tail,
            TailForm::Untouched
        );
        let report = report(look, TailKind::Curl, &[Answer::TailU]);
        let is_tail = |r: &&BalanceRow| matches!(r.judged, Judged::TailEven | Judged::TailBehind);
        assert_eq!(report.balance.iter().filter(is_tail).count(), 0);
    }
    let kept = dressed(&dog, LookId::CylinderFleece, TailForm::Rounded);
    assert_eq!(kept.tail.form, TailForm::Untouched);
}

/// Laid over the back and shaken, what falls behind the dog is cut (handbook 5, *Tail*): the picture ends at
/// the plumb line from the pin bone, within the half per cent a curve swells between its places.
#[rstest]
fn nothing_of_a_tail_over_the_back_falls_behind(
    #[values(230.0, 300.0, 450.0)] height: f64,
    #[values(LookId::LongLegs, LookId::ToyJacket, LookId::OneLength, LookId::Lamb)] look: LookId,
) {
    let dog = build(height, |b, h| {
        b.tail.kind = TailKind::Curl;
        b.tail.length = 0.5 * h;
    });
    let form = Look::shipped(look).finish.tail;
    let outlines = tail_drawn(&dog, &dressed(&dog, look, form));
    let hindmost = outlines
        .iter()
        .flatten()
        .map(|p| p.x)
        .fold(f64::MAX, f64::min);
    assert!(hindmost >= -0.005 * height, "{hindmost}");
}

/// What was said of a tail carried so, planned under a look with a coat of 80 mm.
fn report(look: LookId, kind: TailKind, answers: &[Answer]) -> PlanReport {
    let dog: Dog = serde_json::from_value(serde_json::json!({
        "id": Uuid::from_u128(4), "name": "Ballast", "texture": "curl", "sex": "female", "tail": kind
    }))
    .expect("a dog");
    let mut visit = fold(&dog, &[]);
    let height = TakenMeasure::by(Method::HeightStick, mm(400.0));
    visit
        .frame
        .measures
        .insert(Measure::HeightAtWithers, height);
    visit.coat.all_over_mm = Some(mm(80.0));
    visit.look = Some(LookChoice {
        look,
        body_mm: None,
    });
    let house = House {
        schools: answers
            .iter()
            .copied()
            .fold(Schools::default(), Schools::with),
        ..House::default()
    };
    let kit = kit();
    let desk = Desk::new(&dog, &visit, &house, &kit);
    desk.plan(Reasons::Skip).expect("solves").report
}

fn row(report: &PlanReport, judged: Judged) -> Option<&BalanceRow> {
    report.balance.iter().find(|row| row.judged == judged)
}

/// A grown coat is uneven about the bone and falls behind the dog; the plan mends both. Nothing is judged
/// that is not asked: a U only where one is wanted, a fall only over the back.
#[test]
fn a_plan_says_what_it_makes_of_the_tail() {
    let up = report(LookId::ToyJacket, TailKind::Up, &[Answer::TailU]);
    let even = row(&up, Judged::TailEven).expect("asked");
    assert_eq!(even.verdict_now, Verdict::Off);
    assert_eq!(even.verdict, Verdict::InRange);
    assert_eq!(even.moved_by, [Zone::Tail]);
    assert!(row(&up, Judged::TailBehind).is_none());
    let curl = report(LookId::ToyJacket, TailKind::Curl, &[]);
    let behind = row(&curl, Judged::TailBehind).expect("laid over the back");
    assert_eq!(behind.verdict_now, Verdict::Off);
    assert_eq!(behind.verdict, Verdict::InRange);
    assert!(row(&curl, Judged::TailEven).is_none());
}

/// The line at the root says a short V on a full tail, a long bare stretch on a docked one alone (handbook 5).
#[test]
fn a_full_tail_bares_a_short_v() {
    let report = report(LookId::Lamb, TailKind::Up, &[]);
    let line = report.lines.iter().find(|l| l.line == LineName::TailBase);
    let path = &line.expect("a V").path_mm;
    let far = path
        .iter()
        .flat_map(|a| path.iter().map(move |b| (a[0] - b[0]).hypot(a[1] - b[1])))
        .fold(0.0, f64::max);
    assert!(far <= 0.15 * 400.0, "{far}");
}
