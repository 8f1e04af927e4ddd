//! What an owner wants off or left, a big change against last time, the album (handbook 1 and 9).

use crate::support;

use std::collections::{BTreeMap, BTreeSet};
use std::sync::Arc;

use rstest::rstest;
use uuid::Uuid;
use veliform_core::coat::{Texture, Zone, resolve_coat};
use veliform_core::consult::{Part, Wish};
use veliform_core::desk::{Before, Desk, PlanView, Reasons};
use veliform_core::dog::{Dog, House};
use veliform_core::drawing::DrawOptions;
use veliform_core::frame::{DogSize, Measure, Method, TakenMeasure};
use veliform_core::look::{LookId, Placement, Shifts};
use veliform_core::photo::PhotoMoment;
use veliform_core::plan::Plan;
use veliform_core::salon_log::{AlbumFilter, album};
use veliform_core::units::{Length, UnitSystem};
use veliform_core::visit::{Entry, EntryBody, LookChoice, Recipe, RecipeZone, Visit, fold};

fn mm(value: f64) -> Length {
    Length::constant_mm(value)
}

fn dog() -> Dog {
    serde_json::from_value(serde_json::json!({
        "id": Uuid::from_u128(1), "name": "Points", "texture": "curl"
    }))
    .expect("a dog")
}

fn visit(look: LookId, bodies: Vec<EntryBody>) -> Visit {
    let log: Vec<Entry> = bodies
        .into_iter()
        .zip(1..)
        .map(|(body, n)| Entry {
            id: Uuid::from_u128(n),
            at_ms: i64::try_from(n).expect("small"),
            stamp_ms: None,
            author: String::new(),
            body,
        })
        .collect();
    let mut visit = fold(&dog(), &log);
    let height = TakenMeasure::by(Method::HeightStick, mm(450.0));
    visit
        .frame
        .measures
        .insert(Measure::HeightAtWithers, height);
    visit.coat.all_over_mm = Some(mm(70.0));
    visit.look = Some(LookChoice {
        look,
        body_mm: None,
    });
    visit
}

fn plan(visit: &Visit) -> Arc<Plan> {
    let (dog, house, kit) = (dog(), House::default(), support::full_kit());
    let desk = Desk::new(&dog, visit, &house, &kit);
    desk.plan(Reasons::Skip).expect("solves").plan
}

fn wished(part: Part, wish: Wish) -> Arc<Plan> {
    let body = EntryBody::PartWished {
        part,
        wish: Some(wish),
    };
    plan(&visit(LookId::Lamb, vec![body]))
}

/// *Common practice*: off is as short as the ribs beside it, the ears to the leather; left keeps
/// every hair; both whatever the look says.
#[rstest]
#[case(Part::TuckUp, Zone::TuckUp)]
#[case(Part::Chest, Zone::Chest)]
#[case(Part::Muzzle, Zone::Muzzle)]
#[case(Part::Ears, Zone::Ear)]
#[case(Part::Tail, Zone::Tail)]
fn a_part_is_taken_off_or_left(#[case] part: Part, #[case] zone: Zone) {
    let off = wished(part, Wish::TakeOff).zone_mm(zone).expect("cut");
    let left = wished(part, Wish::Leave).zone_mm(zone).expect("cut");
    // Clean, as leather and muzzle are (handbook 5, *Nominal lengths*: 0.5 to 1.5).
    let is_clean = matches!(part, Part::Ears | Part::Muzzle);
    let most = if is_clean { 1.5 } else { 13.0 };
    assert!(off <= most + 0.1, "{off}");
    // A muzzle carries less than the body (handbook 3, *Zones*).
    let stands = visit(LookId::Lamb, vec![]).coat;
    let all = resolve_coat(&stands, 450.0, UnitSystem::Millimetres)
        .0
        .length_mm(zone);
    assert!((left - all).abs() < 0.1, "{left} of {all}");
}

/// The muzzle is a part of its own (handbook 10 D): what an owner wants of it leaves the cheeks as they are,
/// and the sheet names it.
#[rstest]
fn a_muzzle_is_cut_apart_from_the_cheeks(
    #[values(LookId::Lamb, LookId::OneLength, LookId::NaturalTidy)] look: LookId,
) {
    let as_it_is = plan(&visit(look, vec![]));
    let wish = EntryBody::PartWished {
        part: Part::Muzzle,
        wish: Some(Wish::TakeOff),
    };
    let clean = visit(look, vec![wish]);
    let apart = plan(&clean);
    assert_eq!(apart.zone_mm(Zone::Cheek), as_it_is.zone_mm(Zone::Cheek));
    assert_eq!(
        as_it_is.zone_mm(Zone::Muzzle),
        as_it_is.zone_mm(Zone::Cheek),
        "cut alike"
    );
    let muzzle = apart.zone_mm(Zone::Muzzle).expect("cut");
    assert!(muzzle <= 1.6, "{muzzle}");
    let (dog, house, kit) = (dog(), House::default(), support::full_kit());
    let desk = Desk::new(&dog, &clean, &house, &kit);
    let sheet = desk.plan(Reasons::Skip).expect("solves").report.sheet;
    let named = sheet
        .steps
        .iter()
        .any(|s| s.zones.contains(&Zone::Muzzle) && !s.leaves.is_empty());
    assert!(named, "a step leaves the muzzle so");
}

/// Shelf and crest are lines: they lie where the owner wants them, unless a hand moved them since.
#[test]
fn shelf_and_crest_are_wished_like_the_rest() {
    use veliform_core::look::{LineName, LineStop};
    let of = |part, wish, line| wished(part, wish).subject.lines.stop(line);
    let shelf = |wish| of(Part::Shelf, wish, LineName::Shelf);
    assert_eq!(shelf(Wish::Leave), Some(LineStop::ShelfKept));
    assert_eq!(shelf(Wish::TakeOff), Some(LineStop::ShelfClean));
    let crest = of(Part::Crest, Wish::TakeOff, LineName::Nape);
    assert_eq!(crest, Some(LineStop::FromOcciput));
    let by_hand = plan(&visit(
        LookId::Lamb,
        vec![
            EntryBody::PartWished {
                part: Part::Crest,
                wish: Some(Wish::TakeOff),
            },
            EntryBody::LineMoved {
                line: LineName::Nape,
                stop: Some(LineStop::CrestKept),
            },
        ],
    ));
    assert_eq!(
        by_hand.subject.lines.stop(LineName::Nape),
        Some(LineStop::CrestKept)
    );
}

/// The talk says what each wish does to the outline; a wish taken back is gone, and so is its effect.
#[test]
fn a_wish_is_answered_in_a_sentence_and_can_be_taken_back() {
    let wish = |wish| EntryBody::PartWished {
        part: Part::Flank,
        wish,
    };
    let parts = |bodies| {
        let (dog, house, visit) = (dog(), House::default(), visit(LookId::Lamb, bodies));
        let kit = support::full_kit();
        let desk = Desk::new(&dog, &visit, &house, &kit);
        desk.offers(&[], &DrawOptions::default())
            .expect("solves")
            .parts
    };
    let said = parts(vec![wish(Some(Wish::TakeOff))]);
    assert_eq!(said.len(), Part::ALL.len());
    let flank = said.iter().find(|p| p.part == Part::Flank).expect("there");
    assert!(
        flank
            .sentence
            .as_deref()
            .is_some_and(|s| s.starts_with("With the flank off"))
    );
    let back = parts(vec![wish(Some(Wish::TakeOff)), wish(None)]);
    assert!(
        back.iter()
            .all(|p| p.wish.is_none() && p.sentence.is_none())
    );
}

fn recipe(back: f64, topknot: f64) -> Recipe {
    let zone = |zone: Zone, left: f64| RecipeZone {
        zone,
        label: zone.label().into(),
        from_mm: mm(left),
        to_mm: mm(left),
        how: String::new(),
        was_measured: true,
    };
    Recipe {
        shifts: Shifts::default(),
        look: LookChoice {
            look: LookId::CylinderFleece,
            body_mm: None,
        },
        look_name: "Cylinder-leg fleece".into(),
        lines: Placement::NONE,
        limits: BTreeMap::new(),
        zones: vec![
            zone(Zone::Back, back),
            zone(Zone::Ribs, back),
            zone(Zone::Topknot, topknot),
        ],
        sites: Vec::new(),
    }
}

fn view(look: LookId, recipe: Option<Recipe>) -> PlanView {
    let (dog, house, visit) = (dog(), House::default(), visit(look, Vec::new()));
    let kit = support::full_kit();
    let before = Before {
        recipe,
        ..Before::default()
    };
    Desk::new(&dog, &visit, &house, &kit)
        .with_before(before)
        .plan_view(Reasons::Skip, &DrawOptions::default())
        .expect("solves")
}

/// Handbook 9: body under half of last time, or the first short head; half-way is offered, and half
/// of it is half.
#[test]
fn a_big_change_is_said_with_half_of_it() {
    let summer = view(LookId::Summer, Some(recipe(38.0, 40.0)));
    let change = summer.change.expect("the body comes down to 6 from 38");
    assert!(change.change.sentence.contains("38 last time"));
    assert!(
        change
            .change
            .sentence
            .contains("the head is short for the first time")
    );
    let half = change.change.half_way.iter().find(|h| h.zone == Zone::Back);
    let half = half.and_then(|h| h.limit.not_shorter_mm).expect("offered");
    assert!((half.as_mm() - 22.0).abs() <= 1.5, "{half:?}");
    assert_ne!(change.old, summer.evaluation.drawing);
    // More than half is left, or nobody knows what was done: nothing is said.
    assert!(
        view(LookId::Lamb, Some(recipe(20.0, 40.0)))
            .change
            .is_none()
    );
    assert!(view(LookId::Summer, None).change.is_none());
    // A head that was short already is no first.
    let again = view(LookId::Summer, Some(recipe(38.0, 9.0))).change;
    assert!(!again.expect("the body").change.sentence.contains("head"));
}

/// Handbook 1: the salon's own finished dogs, with leave, by size, coat and look.
#[test]
fn only_finished_dogs_with_leave_are_in_the_album() {
    let photo = Uuid::from_u128(77);
    let of = |moment: Option<PhotoMoment>, may_be_shown: bool| {
        let mut visit = visit(LookId::Lamb, Vec::new());
        visit.photo_moments.extend(moment.map(|m| (photo, m)));
        visit.may_be_shown = if may_be_shown {
            BTreeSet::from([photo])
        } else {
            BTreeSet::new()
        };
        visit
    };
    let dog = dog();
    let shown = |visit: &Visit, filter: &AlbumFilter| album([(&dog, visit)], filter).len();
    let any = AlbumFilter::default();
    let finished = of(Some(PhotoMoment::After), true);
    assert_eq!(shown(&finished, &any), 1);
    assert_eq!(shown(&of(Some(PhotoMoment::After), false), &any), 0);
    assert_eq!(shown(&of(Some(PhotoMoment::Before), true), &any), 0);
    assert_eq!(shown(&of(None, true), &any), 0);
    let filter = AlbumFilter {
        size: Some(finished.frame.size),
        texture: Some(Texture::Curl),
        look: Some(LookId::Lamb),
    };
    assert_eq!(shown(&finished, &filter), 1);
    let other = Some(DogSize::Toy);
    assert_eq!(
        shown(
            &finished,
            &AlbumFilter {
                size: other,
                ..filter
            }
        ),
        0
    );
    assert_eq!(
        shown(
            &finished,
            &AlbumFilter {
                look: Some(LookId::Summer),
                ..filter
            }
        ),
        0
    );
}
