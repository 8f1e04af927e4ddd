//! Combing out as a programme, and the comb test by region (handbook 10 F).

use std::collections::BTreeSet;

use rstest::rstest;
use veliform_core::body::{Handling, Minds};
use veliform_core::coat::{CombRegion, Knots, Texture, Zone};
use veliform_core::desk::{Desk, Reasons};
use veliform_core::dog::{Dog, House};
use veliform_core::look::LookId;
use veliform_core::run::RunEvent;
use veliform_core::sheet::{Step, StepKind};
use veliform_core::visit::{Entry, EntryBody, LookChoice, fold};

use crate::support::table::{NINE, Table, dog, entry, kit, mm};

fn comb_out_of(dog: &Dog, days: Option<u32>, more: Vec<EntryBody>) -> Step {
    let choice = LookChoice {
        look: LookId::Lamb,
        body_mm: None,
    };
    let first = Zone::ALL.map(|zone| EntryBody::ZoneSet {
        zone,
        length_mm: Some(mm(50.0)),
    });
    let said = first.into_iter().chain(more);
    let said = said.chain([EntryBody::LookChosen { choice }]);
    let entries: Vec<Entry> = said.zip(1..).map(|(b, n)| entry(n, NINE, b)).collect();
    let mut visit = fold(dog, &entries);
    visit.known_days = days;
    let (house, kit) = (House::default(), kit());
    let desk = Desk::new(dog, &visit, &house, &kit);
    let sheet = desk.plan(Reasons::Skip).expect("solves").report.sheet;
    let mut steps = sheet.steps.into_iter();
    let found = steps.find(|s| s.what.starts_with("Comb out"));
    found.expect("every groom combs out")
}

fn textured(texture: Texture) -> EntryBody {
    EntryBody::TextureSet { texture }
}

fn minutes(days: Option<u32>, more: Vec<EntryBody>) -> f64 {
    comb_out_of(&dog(Some(40)), days, more).minutes
}

fn knotted(knots: Knots, zone: Zone) -> EntryBody {
    EntryBody::KnotsSet { zone, knots }
}

/// Handbook 6: a medium dog is combed out in a quarter of an hour, with few knots half an hour, with tight ones
/// three quarters; 10 F: × 1.2 curl, .8 feathered, .6 harsh against silky.
#[rstest]
#[case::silky(Texture::Silky, 15.0)]
#[case::curl(Texture::Curl, 18.0)]
#[case::fleece(Texture::Fleece, 18.0)]
#[case::feathered(Texture::Feathered, 12.0)]
#[case::harsh(Texture::Harsh, 9.0)]
fn textures_comb_out_as_the_handbook_has_them(#[case] texture: Texture, #[case] want: f64) {
    let got = minutes(None, vec![textured(texture)]);
    assert!((got - want).abs() <= 0.1, "{got} is not {want}");
}

#[rstest]
#[case(Knots::Few, 30.0)]
#[case(Knots::Tight, 45.0)]
fn knots_take_their_minutes(#[case] knots: Knots, #[case] want: f64) {
    let silky = textured(Texture::Silky);
    let got = minutes(None, vec![silky, knotted(knots, Zone::Hip)]);
    assert!((got - want).abs() <= 0.1, "{got} is not {want}");
}

/// 10 F: by the root of the length against 50 mm; a twentieth more for each week over the rhythm of six.
#[test]
fn length_and_weeks_over_take_longer() {
    let all = Zone::ALL.map(|zone| EntryBody::ZoneSet {
        zone,
        length_mm: Some(mm(200.0)),
    });
    let long = all.into_iter().chain([textured(Texture::Silky)]).collect();
    assert!((minutes(None, long) - 30.0).abs() <= 0.1);
    let silky = || vec![textured(Texture::Silky)];
    assert!((minutes(Some(70), silky()) - 18.0).abs() <= 0.1);
    assert!((minutes(Some(28), silky()) - 15.0).abs() <= 0.1);
}

/// Every zone is combed with exactly one of twelve regions.
#[test]
fn twelve_regions_cover_the_dog() {
    let of_zones: BTreeSet<CombRegion> = Zone::ALL.into_iter().map(CombRegion::of).collect();
    assert_eq!(of_zones, CombRegion::ALL.into_iter().collect());
    assert_eq!(CombRegion::ALL.len(), 12);
}

/// 10 F: a dog bears twenty minutes, an old one ten; beyond that the kindest to cut are named, knotted first.
#[test]
fn what_a_dog_does_not_bear_is_cut_with_the_coat() {
    let tight = || vec![knotted(Knots::Tight, Zone::Hip)];
    let says = |step: &Step, what: &str| step.amounts.iter().any(|a| a.contains(what));
    let young = comb_out_of(&dog(Some(40)), None, tight());
    assert!(says(
        &young,
        "bears about 20 minutes of brushing; then cut short with the coat: hips"
    ));
    let old = comb_out_of(&dog(Some(180)), None, tight());
    assert!(says(&old, "bears about 10 minutes"));
    let easy = comb_out_of(&dog(Some(40)), None, vec![]);
    assert!(!says(&easy, "bears"));
}

#[test]
fn a_dog_that_minds_the_spray_has_it_on_the_comb() {
    let mut handling = Handling::default();
    handling.minds.insert(Minds::Spray);
    let step = comb_out_of(
        &dog(Some(40)),
        None,
        vec![EntryBody::HandlingSet { handling }],
    );
    assert!(step.stroke.starts_with("spray on the comb"));
}

fn tried(region: CombRegion, passes: bool) -> RunEvent {
    RunEvent::CombTried { region, passes }
}

/// The test is kept with the visit: where it stopped stands at every step that runs a comb there; what nobody
/// touched has passed once the test is done.
#[test]
fn where_the_comb_stops_is_said_where_a_comb_runs() {
    let mut table = Table::begun();
    table.until(|s| s.kind == StepKind::CombTest);
    let at_test = &table.view().at[0];
    assert_eq!(at_test.regions.len(), 12);
    assert!(at_test.regions.iter().all(|r| r.passes.is_none()));
    let sides = Zone::Ribs;
    table.run(tried(CombRegion::of(sides), false));
    table.done();
    let view = table.view();
    let combed = &view.run.combed;
    assert_eq!(combed.len(), 12);
    assert_eq!(combed.values().filter(|passes| !**passes).count(), 1);
    let runs_there = |s: &&Step| s.needs_comb_test && s.zones.contains(&sides);
    let combs: Vec<&Step> = view.run.sheet.steps.iter().filter(runs_there).collect();
    let to_come = |number: u32| view.at.iter().find(|a| a.step == number);
    let combs: Vec<_> = combs
        .into_iter()
        .filter_map(|s| Some((s, to_come(s.number)?)))
        .collect();
    assert!(!combs.is_empty(), "some of them are still to come");
    for (step, at) in combs {
        let says = at
            .told
            .iter()
            .any(|t| t.starts_with("The comb stops at the sides"));
        assert!(says, "{}: {:?}", step.what, at.told);
    }
    // Brushed out and tried again.
    table.run(tried(CombRegion::of(sides), true));
    let told = table.view().at.into_iter().flat_map(|a| a.told);
    assert!(told.into_iter().all(|t| !t.contains("comb stops")));
}

/// A sheet begun before there was a test by region is tried at its steps.
#[test]
fn an_older_sheet_is_tried_at_its_steps() {
    let mut table = Table::begun();
    table.until(|s| s.needs_comb_test);
    let at = &table.view().at[0];
    assert!(!at.regions.is_empty());
    let zones = &table
        .view()
        .run
        .step(at.step)
        .expect("a step")
        .zones
        .clone();
    let of: BTreeSet<CombRegion> = zones.iter().map(|z| CombRegion::of(*z)).collect();
    assert_eq!(of, at.regions.iter().map(|r| r.region).collect());
}
