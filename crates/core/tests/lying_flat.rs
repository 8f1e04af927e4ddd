//! What is laid flat and keeps its length: thinned or stripped (handbook 3, *Strip or card*, *Thin flat*; 5,
//! look 9; 10 C 6).

use rstest::rstest;
use veliform_core::coat::{Limit, Texture, Zone, ZoneMarks};
use veliform_core::desk::{Desk, Reasons};
use veliform_core::dog::{Dog, House};
use veliform_core::frame::{Felt, Grade, Measure, Method, TakenMeasure};
use veliform_core::kit::{thinned_stand, thinning_passes};
use veliform_core::look::LookId;
use veliform_core::report::{PlanReport, StrokeName, UnitRow};
use veliform_core::sheet::Step;
use veliform_core::solve::Unit;
use veliform_core::visit::{EntryBody, LookChoice, fold};

use crate::support::table::{NINE, entry, kit, mm};

/// A dog under *natural tidy* whose back stands proud of what is asked, with what else is said of it.
fn tidied(texture: Texture, length: f64, more: Vec<EntryBody>) -> PlanReport {
    planned(LookId::NaturalTidy, texture, length, more)
}

fn planned(look: LookId, texture: Texture, length: f64, more: Vec<EntryBody>) -> PlanReport {
    let texture = serde_json::to_value(texture).expect("a word");
    let dog: Dog = serde_json::from_value(serde_json::json!({
        "id": uuid::Uuid::from_u128(1), "name": "Points", "texture": texture, "age_months": 40
    }))
    .expect("a dog");
    let said = [
        EntryBody::MeasureSet {
            measure: Measure::HeightAtWithers,
            taken: TakenMeasure::by(Method::HeightStick, mm(450.0)),
        },
        EntryBody::FeltSet {
            felt: Felt::DipInBack,
            grade: Grade::Marked,
            right: None,
        },
        EntryBody::CoatAllOver {
            length_mm: Some(mm(length)),
        },
        EntryBody::LookChosen {
            choice: LookChoice {
                look,
                body_mm: None,
            },
        },
    ];
    let said = said.into_iter().chain(more).zip(1..);
    let entries: Vec<_> = said.map(|(body, n)| entry(n, NINE, body)).collect();
    let visit = fold(&dog, &entries);
    let (house, kit) = (House::default(), kit());
    let desk = Desk::new(&dog, &visit, &house, &kit);
    desk.plan(Reasons::Skip).expect("solves").report
}

fn row(view: &PlanReport, unit: Unit) -> UnitRow {
    let rows = view.units.iter();
    rows.clone().find(|r| r.unit == unit).expect("cut").clone()
}

fn flat(view: &PlanReport) -> Option<Step> {
    let mut steps = view.sheet.steps.iter();
    let is_it = |s: &&Step| s.what.contains(" flat: ");
    steps.find(is_it).cloned()
}

const BACK: [Unit; 5] = [
    Unit::BackFront,
    Unit::BackRear,
    Unit::Croup,
    Unit::Shoulder,
    Unit::Hip,
];

/// Look 9: *no clipper on the back*, and no shears either: whatever lies, its length is what was there.
#[rstest]
fn a_natural_back_keeps_its_length(
    #[values(Texture::Harsh, Texture::Silky, Texture::Feathered)] texture: Texture,
    #[values(35.0, 60.0)] length: f64,
) {
    let view = tidied(texture, length, vec![]);
    for unit in BACK {
        let row = row(&view, unit);
        assert!(
            matches!(row.stroke, StrokeName::Leave | StrokeName::Thin),
            "{unit:?} {:?}",
            row.stroke
        );
        assert_eq!(row.from_mm, row.now_mm, "{unit:?}");
        assert_eq!(row.to_mm, row.now_mm, "{unit:?}");
    }
    let clips = |step: &&Step| step.what.starts_with("Clip");
    let clipped: Vec<&str> = (view.sheet.steps.iter())
        .filter(clips)
        .map(|s| s.what.as_str())
        .collect();
    assert!(clipped.is_empty(), "{clipped:?}");
}

/// Six minutes a zone on a medium dog; what is said of it says how often, and that the length stays.
#[test]
fn what_is_laid_flat_is_a_step_of_its_own() {
    let thinned = flat(&tidied(Texture::Silky, 60.0, vec![])).expect("a step");
    assert!(thinned.what.starts_with("Thin flat: "), "{}", thinned.what);
    assert!(
        thinned
            .amounts
            .iter()
            .any(|a| a.ends_with("the length stays"))
    );
    assert!(thinned.tool.contains("thinn"), "{}", thinned.tool);
    let zones = thinned.zones.len() as f64;
    assert!(
        (thinned.minutes - 6.0 * zones).abs() <= 1.5 * zones,
        "{}",
        thinned.minutes
    );
    // A harsh coat is stripped (common practice).
    let stripped = flat(&tidied(Texture::Harsh, 60.0, vec![])).expect("a step");
    assert!(
        stripped.what.starts_with("Strip flat: "),
        "{}",
        stripped.what
    );
    assert!(
        stripped.tool.contains("stripping knife"),
        "{}",
        stripped.tool
    );
}

/// Where the owner wants it shorter it is cut, not thinned.
#[test]
fn a_limit_on_the_back_is_cut() {
    let limit = Limit {
        not_longer_mm: Some(mm(30.0)),
        ..Limit::default()
    };
    let zone = Zone::Back;
    let view = tidied(
        Texture::Silky,
        60.0,
        vec![EntryBody::LimitSet { zone, limit }],
    );
    let back = row(&view, Unit::BackFront);
    assert!(!matches!(back.stroke, StrokeName::Thin | StrokeName::Leave));
    assert!(back.to_mm.as_mm() <= 30.1, "{}", back.to_mm.as_mm());
}

/// A tenth of stand a pass, never under a fifth (handbook 3, a modelling choice); what lies flatter already
/// is let be.
#[test]
fn stand_goes_by_tenths_down_to_a_fifth() {
    assert_eq!(thinning_passes(0.6, 0.4), 2);
    assert_eq!(thinning_passes(0.35, 0.33), 0);
    for (stand, least) in [
        (0.95, 0.65),
        (0.6, 0.3),
        (0.35, 0.2),
        (0.25, 0.2),
        (0.15, 0.15),
    ] {
        assert!((thinned_stand(stand) - least).abs() < 1e-9, "{stand}");
    }
}

fn waves(zone: Zone) -> EntryBody {
    let marks = ZoneMarks {
        has_waves: true,
        ..ZoneMarks::default()
    };
    EntryBody::MarksSet { zone, marks }
}

/// Handbook 10 C 6: waves on neck and back are thinned flat, the length stays, 6 minutes a zone; where the coat
/// is clipped too short to wave, and where nobody found any, there is no such step.
#[test]
fn waves_that_are_left_long_are_thinned_flat() {
    let of = |look, said: Vec<EntryBody>| planned(look, Texture::Fleece, 60.0, said);
    let both = || vec![waves(Zone::Crest), waves(Zone::Back)];
    let long = of(LookId::CylinderFleece, both());
    let step = flat(&long).expect("38 mm shows a wave");
    assert_eq!(step.what, "Thin the waves flat: crest, back");
    assert!(
        step.amounts[0].ends_with("the length stays"),
        "{:?}",
        step.amounts
    );
    assert!((11.0..14.0).contains(&step.minutes), "{}", step.minutes);
    let without = of(LookId::CylinderFleece, Vec::new());
    assert!(flat(&without).is_none());
    for unit in BACK {
        assert_eq!(row(&long, unit).from_mm, row(&without, unit).from_mm);
    }
    assert!(flat(&of(LookId::Summer, both())).is_none());
    // What a natural back is thinned for already is not said twice.
    let tidy = tidied(Texture::Feathered, 60.0, vec![waves(Zone::Back)]);
    let steps = tidy.sheet.steps.iter();
    assert_eq!(steps.filter(|s| s.what.contains(" flat: ")).count(), 1);
}
