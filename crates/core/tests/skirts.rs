//! A skirt as a hanging edge (handbook 3, *Hanging edges*; 5, look 4; balance-model.md 10, *Skirt
//! line*): it hangs from the ribs, and the belly beneath may be shaved.

use crate::support;

use approx::assert_abs_diff_eq;
use rstest::rstest;
use support::{Solved, ample_coat, both, build, solve};
use veliform_core::balance::{Judged, Subject};
use veliform_core::coat::{CoatNow, Zone};
use veliform_core::look::{By, LineName, LineStop, Lines, Look, LookId};
use veliform_core::shape::{
    Finish, Hangs, HeadShape, PieceKind, Station as S, dress_by_zone, side_pieces,
};

fn skirted(coat: impl FnOnce(CoatNow) -> CoatNow, height: f64) -> Solved {
    let look = Look::shipped(LookId::SkirtedSpaniel);
    let there = coat(ample_coat(&look, height));
    solve(&build(height, |_, _| {}), &there, &look)
}

/// The outline takes the lower of skirt and skin: with the belly shaved and long ribs the hem lies
/// where an ample coat's does, with short ribs it cannot.
#[rstest]
fn a_shaved_belly_does_not_lift_the_hem(#[values(260.0, 380.0, 560.0)] height: f64) {
    let shaved = |coat: CoatNow| coat.with_zone(Zone::Underline, 3.0);
    let ample = skirted(|coat| coat.with_zone(Zone::Ribs, height), height);
    let hanging = skirted(|coat| shaved(coat.with_zone(Zone::Ribs, height)), height);
    let short = skirted(|coat| shaved(coat.with_zone(Zone::Ribs, 10.0)), height);
    let hem = |dog: &Solved| dog.subject.y(S::Brisket).at(&dog.solution.lengths_mm);
    assert_abs_diff_eq!(hem(&hanging), hem(&ample), epsilon = 0.002 * height);
    assert!(hem(&short) > hem(&ample) + 0.03 * height);
    let leg_share = |dog: &Solved| dog.plan(Judged::LegShare).1;
    assert!(leg_share(&hanging) < 0.1, "{}", leg_share(&hanging));
}

/// By hand: hair of 90 mm from a root 0.04 H over the elbow ends 90 mm under that root.
#[test]
fn the_hem_reaches_as_far_as_the_ribs_hair_hangs() {
    let look = Look::shipped(LookId::SkirtedSpaniel);
    let frame = build(400.0, |_, _| {});
    let coat = ample_coat(&look, 400.0)
        .with_zone(Zone::Underline, 3.0)
        .with_zone(Zone::Ribs, 60.0);
    let lines = Lines::of(&look).put(LineStop::FringeSkirt, By::Hand);
    let subject = Subject::lined(&both(&frame), &coat, &look, lines, &|_| 1.5);
    let i = subject.find(veliform_core::balance::Place::Side(S::Brisket));
    let spot = &subject.spots[i.expect("chosen")];
    let lowest = spot.skin.y - spot.high * spot.shows;
    assert_abs_diff_eq!(lowest, frame.elbow + 16.0 - 60.0, epsilon = 1e-6);
}

/// balance-model.md 10: a root higher up needs longer hair: the same hem, out of a fringe, low and half
/// way up the body; a skirt taken off has none.
#[test]
fn roots_lie_where_the_model_has_them() {
    let root = |stop: LineStop| {
        let lines = Lines::of(&Look::shipped(LookId::SkirtedSpaniel));
        lines.put(stop, By::Hand).skirt_root_mm(400.0, 200.0)
    };
    assert_eq!(root(LineStop::FringeSkirt), Some(216.0));
    assert_eq!(root(LineStop::LowSkirt), Some(240.0));
    assert_eq!(root(LineStop::HalfSkirt), Some(300.0));
    assert_eq!(root(LineStop::NoSkirt), None);
}

/// Handbook 5, *side*: the pass lifts off on a slope; the hem below it stays full.
#[test]
fn the_skirts_join_ends_over_its_hem() {
    let dog = skirted(|coat| coat, 400.0);
    let house = veliform_core::dog::House::default();
    let words = veliform_core::say::Words {
        house: &house,
        kit: &[],
    };
    let lines = dog.subject.lines.clone();
    let subject = dog
        .subject
        .clone()
        .with_lines(lines.put(LineStop::LowSkirt, By::Hand));
    let dressing = dress_by_zone(
        &subject.build,
        veliform_core::coat::Texture::Silky,
        subject.stand,
        subject.look.finish,
        &|zone| subject.look.nominal_mm(zone, 400.0),
    );
    let lengths = &dog.solution.lengths_mm;
    let lines = veliform_core::lines::clip_lines(&subject, lengths, &dressing, &words);
    let skirt = lines.iter().find(|l| l.line == LineName::Skirt);
    let skirt = skirt.expect("drawn");
    let depth =
        subject.build.elbow + 40.0 - (subject.build.elbow - skirt.hand[2].distance_mm.as_mm());
    assert!(skirt.blend.contains("45°"), "{}", skirt.blend);
    assert!(skirt.blend_dy_mm < 0.0 && -skirt.blend_dy_mm <= 0.5 * depth + 0.5);
}

/// The drawn skirt runs from its root down to the underline's own edge, and nowhere past it.
#[test]
fn a_cut_skirt_is_drawn_between_root_and_hem() {
    let frame = build(400.0, |_, _| {});
    let finish = Finish {
        hangs: Hangs::Skirt,
        ..Finish::trimmed(HeadShape::Spaniel)
    };
    let stand = veliform_core::coat::Stands::even(0.6);
    let texture = veliform_core::coat::Texture::Silky;
    let dressing = dress_by_zone(&frame, texture, stand, finish, &|zone| {
        if zone == Zone::Underline { 40.0 } else { 10.0 }
    });
    let shape = veliform_core::shape::side_shape(&frame);
    let pieces = side_pieces(&shape, &frame, &dressing);
    let of = |kind| pieces.iter().find(|p| p.kind == kind).expect("drawn");
    let lowest = |kind| {
        let y = of(kind).outline.iter().map(|p| p.y);
        y.fold(f64::INFINITY, f64::min)
    };
    let highest = of(PieceKind::Skirt).outline.iter().map(|p| p.y);
    let root = dressing.skirt.expect("kept").root_height;
    assert_abs_diff_eq!(highest.fold(0.0, f64::max), root, epsilon = 1e-6);
    assert_abs_diff_eq!(
        lowest(PieceKind::Skirt),
        lowest(PieceKind::Body),
        epsilon = 1.0
    );
}

/// The line says how far its hem hangs below the elbow, the limit of the trade (*just below the
/// elbow*): within what the look's leg share allows.
#[rstest]
fn the_hem_lies_just_below_the_elbow(#[values(260.0, 450.0, 620.0)] height: f64) {
    let dog = skirted(|coat| coat, height);
    let hem = dog.subject.y(S::Brisket).at(&dog.solution.lengths_mm);
    let below = (dog.subject.build.elbow - hem) / height;
    assert!((0.0..0.12).contains(&below), "{below}");
    assert!(dog.subject.lines.offers(LineName::Skirt));
}
