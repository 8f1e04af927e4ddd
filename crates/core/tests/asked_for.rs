//! What the hand is asked to find is ringed on the drawing.

use rstest::rstest;
use veliform_core::desk::Desk;
use veliform_core::dog::{Dog, House};
use veliform_core::drawing::{DrawOptions, Drawing, Geometry, Role, Sheet, Tag};
use veliform_core::frame::{Felt, Finding, Measure, Method, Stop, TakenMeasure};
use veliform_core::page::View;
use veliform_core::shape::Landmark;
use veliform_core::units::Length;
use veliform_core::visit::fold;

/// A dog of 460 mm, nothing else said.
fn drawn(options: &DrawOptions) -> Drawing {
    let dog: Dog = serde_json::from_value(serde_json::json!({
        "id": uuid::Uuid::from_u128(1), "name": "Signal"
    }))
    .expect("a dog");
    let mut visit = fold(&dog, &[]);
    let taken = TakenMeasure::by(Method::HeightStick, Length::constant_mm(460.0));
    visit.frame.measures.insert(Measure::HeightAtWithers, taken);
    Desk::new(&dog, &visit, &House::default(), &[]).draw(None, options)
}

fn asked(finding: Finding) -> Drawing {
    drawn(&DrawOptions {
        asked: Some(finding),
        ..DrawOptions::default()
    })
}

fn ringed(drawing: &Drawing) -> Vec<Landmark> {
    let rings = drawing.shapes.iter().filter(|s| s.role == Role::Ring);
    rings
        .filter_map(|s| match s.tag {
            Some(Tag::Landmark(landmark)) => Some(landmark),
            _ => None,
        })
        .collect()
}

/// Handbook 2, *Landmarks*: every question a hand answers has a place on the dog, in a view that shows it.
#[test]
fn every_question_has_its_place_on_the_dog() {
    let findings: Vec<Finding> = Stop::ALL.into_iter().flat_map(Stop::findings).collect();
    assert!(findings.len() > 45, "{}", findings.len());
    for finding in findings {
        assert!(!ringed(&asked(finding)).is_empty(), "{finding:?}");
    }
    assert!(ringed(&drawn(&DrawOptions::default())).is_empty());
}

/// Handbook 2's table says where each is seen: the feet from in front, the hocks from behind, a dip along
/// the back between withers and hip crest.
#[rstest]
#[case(Felt::DipInBack, View::Side, &[Landmark::Withers, Landmark::HipCrest])]
#[case(Felt::ForeFeetOut, View::Front, &[Landmark::Forefoot, Landmark::Forefoot])]
#[case(Felt::HocksIn, View::Rear, &[Landmark::HockPoint, Landmark::HockPoint])]
fn it_is_seen_from_where_the_eye_would_look(
    #[case] felt: Felt,
    #[case] view: View,
    #[case] at: &[Landmark],
) {
    let drawing = asked(Finding::Felt(felt));
    assert_eq!(drawing.views[0].view, view);
    assert_eq!(ringed(&drawing), at);
}

/// A view that was asked for stays; what it does not show is not ringed in it.
#[test]
fn the_view_that_was_asked_for_stays() {
    let drawing = drawn(&DrawOptions {
        sheet: Sheet::Rear,
        asked: Some(Finding::Felt(Felt::ForeFeetOut)),
        ..DrawOptions::default()
    });
    assert_eq!(drawing.views[0].view, View::Rear);
    assert!(ringed(&drawing).is_empty());
}

/// The ring lies on the bone: round the withers its middle stands at the dog's own height.
#[test]
fn a_ring_lies_on_its_bone() {
    let drawing = asked(Finding::Measure(Measure::HeightAtWithers));
    let ring = drawing.shapes.iter().find(|s| s.role == Role::Ring);
    let Some(Geometry::Disc { at_mm, .. }) = ring.map(|s| &s.geometry) else {
        unreachable!("a ring is a disc");
    };
    approx::assert_abs_diff_eq!(at_mm[1], 460.0, epsilon = 0.1);
}

/// Handbook 2, *Felt grades*: asked in the order of the hand, neck to hocks.
#[test]
fn the_ten_of_the_first_minute_go_as_the_hand_does() {
    let order: Vec<usize> = Felt::QUICK_TEN
        .iter()
        .filter_map(|felt| Felt::ALL.iter().position(|f| f == felt))
        .collect();
    assert!(order.len() == 10 && order.is_sorted(), "{order:?}");
}
