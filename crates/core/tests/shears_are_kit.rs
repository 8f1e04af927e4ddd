//! Shears as kit: which pair goes where, and how often it closes (handbook 10 C 7).

use crate::support;

use rstest::rstest;
use support::table::{dog, kit, mm};
use uuid::Uuid;
use veliform_core::desk::{Desk, Reasons};
use veliform_core::dog::House;
use veliform_core::frame::{Measure, Method, TakenMeasure};
use veliform_core::kit::{Shears, ShearsEdge, ShearsForm, ShearsState};
use veliform_core::look::LookId;
use veliform_core::run::{ToolWord, shears_after};
use veliform_core::salon_log::due_work;
use veliform_core::schools::Answer;
use veliform_core::sheet::{CutSheet, Step};
use veliform_core::units::UnitSystem;
use veliform_core::visit::{LookChoice, fold};

fn pair(cm: f64) -> Shears {
    Shears {
        id: Uuid::from_u128(7),
        long_mm: mm(10.0 * cm),
        form: ShearsForm::Straight,
        edge: ShearsEdge::Smooth,
        is_left_handed: false,
        state: ShearsState::Sharp,
    }
}

fn curved(cm: f64) -> Shears {
    Shears {
        form: ShearsForm::Curved,
        ..pair(cm)
    }
}

fn toothed(teeth: u32, takes_percent: u32) -> Shears {
    Shears {
        edge: ShearsEdge::Toothed {
            teeth,
            takes_percent,
        },
        ..pair(16.5)
    }
}

fn sheet(height: f64, shears: Vec<Shears>, answers: &[Answer]) -> CutSheet {
    sheet_of("", height, shears, answers)
}

/// Who works at the salon's table with the left hand.
const LEFT_HANDED: &str = "Whistle";

fn sheet_of(stylist: &str, height: f64, shears: Vec<Shears>, answers: &[Answer]) -> CutSheet {
    let dog = dog(None);
    let mut visit = fold(&dog, &[]);
    visit.stylist = stylist.into();
    let height = TakenMeasure::by(Method::HeightStick, mm(height));
    visit
        .frame
        .measures
        .insert(Measure::HeightAtWithers, height);
    visit.coat.all_over_mm = Some(mm(90.0));
    visit.look = Some(LookChoice {
        look: LookId::Lamb,
        body_mm: None,
    });
    let mut house = House {
        shears,
        stylists: vec![LEFT_HANDED.into()],
        left_handed: vec![LEFT_HANDED.into()],
        ..House::default()
    };
    for answer in answers {
        house.schools = house.schools.with(*answer);
    }
    let plan = Desk::new(&dog, &visit, &house, &kit()).plan(Reasons::Skip);
    plan.expect("solves").report.sheet
}

fn step<'a>(sheet: &'a CutSheet, what: &str) -> &'a Step {
    let mut steps = sheet.steps.iter();
    let step = steps.find(|s| s.what.starts_with(what));
    step.unwrap_or_else(|| unreachable!("a lamb has {what}"))
}

/// Handbook 10 C 7: closes for a step from a to b, ⌈ln(b/a) / ln(1 − share)⌉. By hand: 20 % of 20 mm
/// leave 16; 30 to 10 by half: 15, 7.5; 13 to 10 by 18 %: 10.66, 8.74; by whole edges none.
#[rstest]
#[case(20, 20.0, 16.0, Some(1))]
#[case(50, 30.0, 10.0, Some(2))]
#[case(18, 13.0, 10.0, Some(2))]
#[case(18, 10.0, 10.0, None)]
#[case(5, 30.0, 10.0, Some(22))]
fn a_toothed_pair_closes_as_often_as_its_share_asks(
    #[case] takes: u32,
    #[case] from: f64,
    #[case] to: f64,
    #[case] closes: Option<u32>,
) {
    assert_eq!(toothed(46, takes).closes(from, to), closes);
    assert_eq!(pair(20.0).closes(from, to), None);
}

/// Handbook 10 C 7, each height's lengths; face and feet never over 16.5 cm.
#[rstest]
#[case::low(280.0, "16.5 cm straight shears", "16.5 cm straight shears")]
#[case::usual(460.0, "16.5 cm straight shears", "20 cm straight shears")]
#[case::tall(600.0, "16.5 cm straight shears", "23 cm straight shears")]
fn the_pair_that_the_dog_and_the_place_ask_for_is_named(
    #[case] height: f64,
    #[case] at_the_ears: &str,
    #[case] at_the_legs: &str,
) {
    let sheet = sheet(height, vec![pair(20.0), pair(23.0), pair(16.5)], &[]);
    assert_eq!(step(&sheet, "Ears last").tool, at_the_ears);
    assert_eq!(step(&sheet, "Hind legs").tool, at_the_legs);
}

/// Round edges by curves, plumb lines by straights, where both hang there (common practice).
#[test]
fn curves_go_round_and_straights_down() {
    let shears = vec![curved(16.0), pair(16.5), curved(20.5), pair(20.0)];
    let sheet = sheet(460.0, shears, &[]);
    assert_eq!(step(&sheet, "Ears last").tool, "16 cm curved shears");
    assert_eq!(step(&sheet, "Hind legs").tool, "20 cm straight shears");
}

/// Handbook 10 D, *open the eyes*, *topknot*, and 10 C 7, *face never over 16.5*: near the eyes short curves
/// and short thinners, a dome by the longest curves; a pair whose points fold hair is kept from an eye.
#[test]
fn the_head_names_the_owned_pairs() {
    let shears = vec![curved(16.0), pair(20.0), curved(20.5), toothed(46, 15)];
    let head = sheet(460.0, shears, &[]);
    assert_eq!(
        step(&head, "Eye corners").tool,
        "46-tooth thinners, 16.5 cm"
    );
    assert_eq!(step(&head, "Open the eyes").tool, "16 cm curved shears");
    assert_eq!(step(&head, "Topknot").tool, "20.5 cm curved shears");
    let folds = Shears {
        state: ShearsState::DullAtTip,
        ..curved(16.0)
    };
    let without = sheet(460.0, vec![folds], &[Answer::CornersCurves]);
    assert_eq!(step(&without, "Eye corners").tool, "small curved shears");
    assert_eq!(step(&without, "Open the eyes").tool, "small curved shears");
}

/// Handbook 10 C 7, *dull spots are noted*: at the table, in the pair's state and in the steps to come.
#[rstest]
#[case::dull(ToolWord::Dull, Some(ShearsState::Dull))]
#[case::points(ToolWord::DullAtTip, Some(ShearsState::DullAtTip))]
#[case::oiled(ToolWord::Oiled, None)]
#[case::a_blades_word(ToolWord::ToothMissing, None)]
fn what_is_noticed_of_a_pair_is_its_state(
    #[case] word: ToolWord,
    #[case] after: Option<ShearsState>,
) {
    let found = shears_after(&pair(20.0), word).map(|pair| pair.state);
    assert_eq!(found, after);
    // Nothing makes a dull pair sharper but the sharpener.
    let dull = Shears {
        state: ShearsState::Dull,
        ..pair(20.0)
    };
    assert_eq!(shears_after(&dull, word), None);
}

/// What is wanted and does not hang in the kit is said, and so is what to look for where nothing does.
#[test]
fn a_pair_that_is_not_there_is_not_named() {
    let dull = Shears {
        state: ShearsState::Dull,
        ..pair(20.0)
    };
    let at_tip = Shears {
        state: ShearsState::DullAtTip,
        ..pair(16.0)
    };
    let with = sheet(460.0, vec![dull.clone(), at_tip], &[]);
    assert_eq!(
        step(&with, "Hind legs").tool,
        "shears, 18–20 cm (none in the kit)"
    );
    // Points that fold the hair do nothing small.
    assert_eq!(
        step(&with, "Ears last").tool,
        "shears, up to 16 cm (none in the kit)"
    );
    let none = sheet(460.0, Vec::new(), &[]);
    assert_eq!(step(&none, "Hind legs").tool, "shears, 18–20 cm");
    let house = House {
        shears: vec![dull],
        ..House::default()
    };
    let due = due_work(&[], &house, &[]);
    assert_eq!(
        due[0].sentence,
        "Have the 20 cm straight shears sharpened: dull."
    );
}

/// Handbook 6, *shaping shears*, and 10 C 7, *coarse before fine*.
#[test]
fn the_salons_kind_is_taken_and_the_coarser_thinners_first() {
    let shears = vec![pair(20.0), curved(19.0), toothed(46, 15), toothed(21, 60)];
    let sheet = sheet(460.0, shears, &[Answer::ShapeCurved]);
    assert_eq!(step(&sheet, "Hind legs").tool, "19 cm curved shears");
    assert_eq!(
        step(&sheet, "Comb up and down again").tool,
        "21-tooth chunkers, 16.5 cm, then 46-tooth thinners, 16.5 cm"
    );
}

/// Handbook 10 C 9, *left-handed mirrors*: the right one of a pair first, by a pair made for that hand.
#[test]
fn a_left_hand_begins_with_the_right_leg_and_takes_its_own_shears() {
    let of_the_left = Shears {
        is_left_handed: true,
        ..pair(19.0)
    };
    let shears = vec![pair(20.0), of_the_left];
    let order = |stylist: &str| -> Vec<(String, String)> {
        let sheet = sheet_of(stylist, 460.0, shears.clone(), &[Answer::LegsBySide]);
        let steps = sheet.steps.iter();
        steps
            .filter(|s| s.what.contains(" leg"))
            .filter(|s| s.what.starts_with("Left") || s.what.starts_with("Right"))
            .map(|s| {
                (
                    s.what.split(' ').take(2).collect::<Vec<_>>().join(" "),
                    s.tool.clone(),
                )
            })
            .collect()
    };
    let all = |names: [&str; 4], tool: &str| {
        names
            .map(|name| (name.to_owned(), tool.to_owned()))
            .to_vec()
    };
    assert_eq!(
        order(""),
        all(
            ["Left hind", "Left front", "Right hind", "Right front"],
            "20 cm straight shears"
        )
    );
    assert_eq!(
        order(LEFT_HANDED),
        all(
            ["Right hind", "Right front", "Left hind", "Left front"],
            "19 cm left-handed straight shears"
        )
    );
    let without = sheet_of(LEFT_HANDED, 460.0, Vec::new(), &[]);
    assert_eq!(
        step(&without, "Hind legs").tool,
        "left-handed shears, 18–20 cm"
    );
}

/// What no hand owns is refused in a sentence.
#[rstest]
#[case(pair(40.0), "type 10 to 31")]
#[case(toothed(3, 15), "type 5 to 80")]
#[case(toothed(46, 95), "type 5 to 90")]
fn shears_that_cannot_be_are_refused(#[case] shears: Shears, #[case] says: &str) {
    let house = House {
        shears: vec![shears],
        ..House::default()
    };
    let problems = house.check();
    assert!(
        problems.len() == 1 && problems[0].message.contains(says),
        "{problems:?}"
    );
}

/// Half an inch to the half; centimetres to the half.
#[test]
fn a_pair_is_called_in_the_salons_units() {
    assert_eq!(
        pair(16.51).name(UnitSystem::Inches),
        "6 1/2 in straight shears"
    );
    assert_eq!(
        pair(16.4).name(UnitSystem::Millimetres),
        "16.5 cm straight shears"
    );
}
