//! Every look is known by its own signs, on any dog (dog-shape-2.md 7 and 11; handbook 5, *Looks*): the
//! signs are measured on the drawn pieces, and no piece crosses itself.

use crate::support;

use kurbo::Point;
use proptest::strategy::Strategy as _;
use proptest::strategy::ValueTree as _;
use proptest::test_runner::TestRunner;
use rstest::rstest;
use support::random::{builds, is_simple, types};
use veliform_core::coat::{Stands, Texture, Zone};
use veliform_core::frame::{Build, BuildType, FrameInput, Measure, Method, TakenMeasure, resolve};
use veliform_core::look::{Look, LookId};
use veliform_core::shape::{
    BothSides, Dressing, HemShape, Piece, PieceKind as K, Station as S, dress_by_zone,
    front_pieces, rear_pieces, side_pieces, side_shape, top_pieces,
};
use veliform_core::units::{Length, UnitSystem};

/// The look's own lengths on a dog whose coat allows them; what it keeps is .13 H.
fn dressed(build: &Build, look: &Look, texture: Texture) -> Dressing {
    let h = build.height;
    let stand = Stands::even(texture.stand());
    dress_by_zone(build, texture, stand, look.finish, &|zone| {
        let longest = match zone {
            Zone::Ear | Zone::Tail => 0.13,
            Zone::Muzzle => 0.03,
            Zone::Topknot | Zone::Cheek => 0.12,
            Zone::Foot => 0.03,
            Zone::Beard | Zone::Brow => 0.15,
            Zone::Back | Zone::Croup | Zone::Crest | Zone::Hip | Zone::Shoulder => 0.09,
            _ => 0.12,
        };
        look.nominal_mm(zone, h).min(longest * h)
    })
}

/// What tells looks apart, each on a scale on which 1 is a clear difference to the eye.
fn signs(build: &Build, dressing: &Dressing) -> Vec<f64> {
    let shape = side_shape(build);
    let pieces = side_pieces(&shape, build, dressing);
    let h = build.height;
    let points = |kind: K| -> Vec<Point> {
        let near = pieces.iter().filter(|p| !p.is_far && p.kind == kind);
        near.flat_map(|p| p.outline.iter().copied()).collect()
    };
    let has = |kind: K| f64::from(u8::from(!points(kind).is_empty()));
    let high = |points: &[Point]| points.iter().map(|p| p.y).fold(f64::MIN, f64::max);
    let low = |points: &[Point]| points.iter().map(|p| p.y).fold(f64::MAX, f64::min);
    let width = |kind: K, from: f64, to: f64| {
        let xs = points(kind)
            .into_iter()
            .filter(|p| (from..=to).contains(&p.y));
        let (a, b) = xs.fold((f64::MAX, f64::MIN), |(a, b), p| (a.min(p.x), b.max(p.x)));
        (b - a).max(0.0) / h
    };
    let skin = |s: S| shape.skin(s);
    let crown = high(&points(K::Topknot)).max(high(&points(K::Head)));
    let muzzle: Vec<Point> = [K::Beard, K::Muzzle].map(points).concat();
    let under = if muzzle.is_empty() {
        0.0
    } else {
        (skin(S::Chin).y - low(&muzzle)) / h
    };
    let edge = |s: S| dressing.lengths[s.index()] / h;
    let mid = 0.5 * (build.elbow + build.wrist);
    let leg = width(K::ForeLeg, mid - 0.03 * h, mid + 0.03 * h);
    let foot = width(K::ForeLeg, 0.0, 0.10 * h);
    vec![
        (crown - skin(S::Crown).y) / (0.05 * h),
        under / 0.05,
        f64::from(u8::from(dressing.brow.is_some())) * 2.0,
        has(K::Beard) * 1.5,
        has(K::Muzzle) * 1.0,
        has(K::Topknot) * 1.0,
        has(K::Foot) * 2.0,
        has(K::Sleeve) * 2.5,
        has(K::Skirt) * 1.5,
        has(K::Curtain) * 1.5,
        has(K::Feather) * 1.5,
        edge(S::BackMid) / 0.02,
        edge(S::CrestMid) / 0.03,
        (leg - build.fore_leg / h) / 0.06,
        (foot - leg) / 0.06,
        edge(S::HockPoint) / 0.04,
        dressing.tail.length / (0.08 * h),
        match dressing.hem.map(|hem| hem.shape) {
            Some(HemShape::Bare) | None => 2.0,
            Some(HemShape::Bevel | HemShape::Bell) => 1.0,
            _ => 0.0,
        },
    ]
}

fn distance(a: &[f64], b: &[f64]) -> f64 {
    a.iter().zip(b).map(|(a, b)| (a - b).powi(2)).sum()
}

fn of_type(build: BuildType, height: f64) -> Build {
    let mut input = FrameInput {
        build,
        ..FrameInput::default()
    };
    let taken = TakenMeasure::by(Method::Tape, Length::from_mm(height).expect("finite"));
    input.measures.insert(Measure::HeightAtWithers, taken);
    resolve(&input, UnitSystem::Millimetres).build
}

/// Of a hundred random dogs in a random look at least 95 are named rightly by the nearest of the eleven
/// looks as a square, curly-built dog of the same coat wears them.
#[rstest]
fn the_look_is_named_by_its_signs(
    #[values(Texture::Curl, Texture::Harsh, Texture::Silky, Texture::Feathered)] texture: Texture,
) {
    let usual = of_type(BuildType::SquareCurly, 460.0);
    let looks = LookId::ALL.map(Look::shipped);
    let known: Vec<Vec<f64>> = looks
        .iter()
        .map(|look| signs(&usual, &dressed(&usual, look, texture)))
        .collect();
    let mut runner = TestRunner::deterministic();
    let (mut right, mut all, mut wrong) = (0, 0, Vec::new());
    for _ in 0..40 {
        let build = builds().new_tree(&mut runner).expect("a dog").current();
        for (i, look) in looks.iter().enumerate() {
            let seen = signs(&build, &dressed(&build, look, texture));
            let nearest = (0..known.len())
                .min_by(|a, b| distance(&known[*a], &seen).total_cmp(&distance(&known[*b], &seen)))
                .expect("eleven looks");
            all += 1;
            right += usize::from(nearest == i);
            if nearest != i {
                wrong.push((look.id, looks[nearest].id));
            }
        }
    }
    assert!(100 * right >= 95 * all, "{right} of {all}: {wrong:?}");
}

/// No two looks are twins on any type of dog.
#[test]
fn no_look_is_another_s_twin() {
    let mut runner = TestRunner::deterministic();
    for _ in 0..12 {
        let build = of_type(
            types().new_tree(&mut runner).expect("a type").current(),
            400.0,
        );
        let all = LookId::ALL.map(|id| {
            let look = Look::shipped(id);
            (id, signs(&build, &dressed(&build, &look, Texture::Fleece)))
        });
        for (i, (a, of_a)) in all.iter().enumerate() {
            for (b, of_b) in &all[i + 1..] {
                let apart = distance(of_a, of_b).sqrt();
                assert!(apart > 0.8, "{a:?} and {b:?}: {apart}");
            }
        }
    }
}

/// dog-shape-2.md 3: with hair alike on top, cheek and under the jaw a round head is one circle, from
/// the side and from in front but for a broad skull.
#[rstest]
fn a_round_head_is_a_circle(#[values(10.0, 25.0, 40.0)] mm: f64) {
    let build = of_type(BuildType::SquareCurly, 460.0);
    let finish = Look::shipped(LookId::LambEasy).finish;
    let dressing = dress_by_zone(&build, Texture::Curl, Stands::even(0.95), finish, &|_| mm);
    let side = side_pieces(&side_shape(&build), &build, &dressing);
    let ball = side
        .iter()
        .filter(|p| p.kind == K::Topknot)
        .max_by_key(|p| p.outline.len())
        .expect("a ball");
    let n = ball.outline.len() as f64;
    let sum = ball
        .outline
        .iter()
        .fold((0.0, 0.0), |s, p| (s.0 + p.x, s.1 + p.y));
    let centre = Point::new(sum.0 / n, sum.1 / n);
    let radii: Vec<f64> = ball.outline.iter().map(|p| p.distance(centre)).collect();
    let mean = radii.iter().sum::<f64>() / n;
    assert!(
        radii.iter().all(|r| (r - mean).abs() < 0.005 * mean),
        "{radii:?}"
    );
    // The skull's half depth and a hundredth of the head, and what stands of the hair.
    let head = &build.head;
    let skull = (0.5 * (head.dome + 0.93 * head.skull_depth) + 0.01) * head.length;
    assert!((mean - skull - 0.95 * mm).abs() < 0.01 * mean, "{mean}");
}

/// A topknot runs on into the crest: its line leaves no notch (dog-shape-2.md 3).
#[test]
fn a_topknot_runs_into_the_crest() {
    let build = of_type(BuildType::SquareCurly, 460.0);
    let look = Look::shipped(LookId::Lamb);
    let dressing = dressed(&build, &look, Texture::Curl);
    let pieces = side_pieces(&side_shape(&build), &build, &dressing);
    let cap = pieces.iter().find(|p| p.kind == K::Topknot).expect("a cap");
    let line = &cap.strokes[0].points;
    let from = line.len() - 40;
    // Behind the skull the line falls all the way: what rises again would be a notch.
    assert!(line[from..].windows(2).all(|w| w[1].y <= w[0].y + 1e-6));
}

/// Handbook 4: no corner between neck and back; dog-shape-2.md 11: the bare crest turns by at most 6° a
/// hundredth of the height.
#[test]
fn the_crest_runs_into_the_withers_in_one_curve() {
    for kind in [
        BuildType::Ordinary,
        BuildType::SquareCurly,
        BuildType::LongLow,
        BuildType::Leggy,
        BuildType::Spaniel,
        BuildType::Terrier,
    ] {
        let build = of_type(kind, 500.0);
        let shape = side_shape(&build);
        let run: Vec<Point> = S::ALL[S::Occiput.index()..=S::BackFront.index()]
            .iter()
            .map(|s| shape.skin(*s))
            .collect();
        let curve = veliform_core::shape::curve::open(&run, 12);
        let within = &curve[12..12 * 6];
        for three in within.windows(3) {
            let (a, b) = (three[1] - three[0], three[2] - three[1]);
            let turn = a.cross(b).atan2(a.dot(b)).to_degrees().abs();
            let step = 0.5 * (a.hypot() + b.hypot()) / (0.01 * 500.0);
            assert!(turn <= 6.0 * step, "{kind:?}: {turn} in {step}");
        }
    }
}

/// Handbook 5, *Feet*: only under a clean hem is a foot seen, and only there is it drawn apart.
#[test]
fn feet_show_as_the_look_has_them() {
    let build = of_type(BuildType::SquareCurly, 460.0);
    for id in LookId::ALL {
        let look = Look::shipped(id);
        let pieces = side_pieces(
            &side_shape(&build),
            &build,
            &dressed(&build, &look, Texture::Curl),
        );
        let feet = pieces
            .iter()
            .filter(|p| p.kind == K::Foot && !p.is_far)
            .count();
        assert_eq!(feet, if id == LookId::Lamb { 2 } else { 0 }, "{id:?}");
    }
}

fn every_view(build: &Build, dressing: &Dressing) -> Vec<Piece> {
    let sides = support::both(build);
    let dog = BothSides::between(&sides);
    let mut pieces = side_pieces(&dog.shape, build, dressing);
    pieces.extend(front_pieces(&dog, dressing));
    pieces.extend(rear_pieces(&dog, dressing));
    pieces.extend(top_pieces(&dog, dressing));
    pieces
}

/// Pieces whose ends are locks, and overlays whose lower edge lies hidden under the next piece; the
/// study too found its beards crossing now and then.
const fn may_cross(kind: K) -> bool {
    matches!(
        kind,
        K::Beard | K::Brow | K::Feather | K::Curtain | K::Tail | K::Ear | K::Skirt | K::Topknot
    )
}

/// Any dog in any look and coat, the same ones every time: every number is one, and no body, leg, head,
/// sleeve or foot crosses itself in any view.
#[test]
fn no_look_is_drawn_across_itself() {
    let mut runner = TestRunner::deterministic();
    let looks = LookId::ALL.map(Look::shipped);
    for n in 0..110 {
        let build = builds().new_tree(&mut runner).expect("a dog").current();
        let look = &looks[n % looks.len()];
        let texture = Texture::ALL[n / 11 % Texture::ALL.len()];
        for piece in every_view(&build, &dressed(&build, look, texture)) {
            let strokes = piece.strokes.iter().flat_map(|s| &s.points);
            let mut points = piece.outline.iter().chain(strokes);
            assert!(points.all(|p| p.is_finite()), "{:?}", piece.kind);
            let is_checked = !piece.is_far && !may_cross(piece.kind) && !piece.outline.is_empty();
            assert!(
                !is_checked || is_simple(&piece.outline),
                "{n}: {:?} {texture:?} {:?}",
                look.id,
                piece.kind
            );
        }
    }
}

/// A tied topknot stands in one tuft over the brow or one a side, out of hair that lies flat beneath; hair
/// that no band holds is drawn loose (handbook 10 D).
#[rstest]
#[case(1)]
#[case(2)]
fn a_tied_topknot_is_seen(#[case] count: u8) {
    let build = of_type(BuildType::Toy, 260.0);
    let of = |ponytails: u8, length: f64| {
        let mut look = Look::shipped(LookId::NaturalTidy);
        look.finish.ponytails = ponytails;
        let stand = Stands::even(Texture::Silky.stand());
        dress_by_zone(&build, Texture::Silky, stand, look.finish, &|zone| {
            if zone == Zone::Topknot { length } else { 20.0 }
        })
    };
    let sides = support::both(&build);
    let dog = BothSides::between(&sides);
    let tufts = |dressing: &Dressing| -> Vec<Piece> {
        let pieces = front_pieces(&dog, dressing).into_iter();
        pieces.filter(|p| p.kind == K::Topknot).collect()
    };
    let tied = of(count, 90.0);
    let drawn = tufts(&tied);
    assert_eq!(drawn.len(), usize::from(count));
    let eye = dog.shape.skin(S::Brow).y;
    for tuft in &drawn {
        assert!(is_simple(&tuft.outline));
        assert!(tuft.outline.iter().any(|p| p.y > eye + 0.05 * 260.0));
    }
    if let [left, right] = &drawn[..] {
        let middle = |tuft: &Piece| tuft.outline.iter().map(|p| p.x).sum::<f64>();
        assert!((middle(left) + middle(right)).abs() < 1e-6 && middle(left) > 0.0);
    }
    // From behind it rises over the head, from above it falls back from it.
    for (pieces, is_behind) in [
        (rear_pieces(&dog, &tied), true),
        (top_pieces(&dog, &tied), false),
    ] {
        let tufts: Vec<&Piece> = pieces.iter().filter(|p| p.kind == K::Topknot).collect();
        assert_eq!(tufts.len(), usize::from(count));
        assert!(
            tufts
                .iter()
                .all(|t| t.is_far == is_behind && is_simple(&t.outline))
        );
    }
    let loose = of(0, 90.0);
    let on_the_skull = |dressing: &Dressing| dressing.zone_mm(Zone::Topknot);
    assert!(on_the_skull(&tied) < 0.2 * on_the_skull(&loose));
    assert!(tufts(&of(count, 30.0)).is_empty(), "no band holds it");
}
