//! Feet in stages, the tail as it is carried, shears by dog and place, minutes by the coat that is wet
//! (handbook 10 C 7, E, G). Numbers are the handbook's; those marked there as ours are modelling choices.

use crate::support;

use rstest::rstest;
use support::table::{kit, mm};
use uuid::Uuid;
use veliform_core::body::Handling;
use veliform_core::desk::{Desk, Reasons};
use veliform_core::dog::{Dog, House, Topic};
use veliform_core::frame::{Grade, Measure, Method, TakenMeasure};
use veliform_core::look::LookId;
use veliform_core::schools::{Answer, Schools};
use veliform_core::sheet::{CutSheet, Step};
use veliform_core::visit::{LookChoice, fold};

struct Asked<'a> {
    height: f64,
    coat: f64,
    look: LookId,
    texture: &'a str,
    is_double: bool,
    answers: &'a [Answer],
    nails: Grade,
}

const USUAL: Asked<'static> = Asked {
    height: 460.0,
    coat: 60.0,
    look: LookId::OneLength,
    texture: "curl",
    is_double: false,
    answers: &[],
    nails: Grade::None,
};

fn sheet(asked: &Asked<'_>) -> CutSheet {
    let dog: Dog = serde_json::from_value(serde_json::json!({
        "id": Uuid::from_u128(4), "name": "Ballast", "texture": asked.texture, "sex": "female",
        "has_double_coat": asked.is_double
    }))
    .expect("a dog");
    let mut visit = fold(&dog, &[]);
    let height = TakenMeasure::by(Method::HeightStick, mm(asked.height));
    visit
        .frame
        .measures
        .insert(Measure::HeightAtWithers, height);
    visit.coat.all_over_mm = Some(mm(asked.coat));
    visit.handling = Some(Handling {
        long_nails: asked.nails,
        ..Handling::default()
    });
    visit.look = Some(LookChoice {
        look: asked.look,
        body_mm: None,
    });
    let answers = asked.answers.iter().copied();
    let house = House {
        schools: answers.fold(Schools::default(), Schools::with),
        ..House::default()
    };
    let kit = kit();
    let desk = Desk::new(&dog, &visit, &house, &kit);
    desk.plan(Reasons::Skip).expect("solves").report.sheet
}

fn step(sheet: &CutSheet, is_it: impl Fn(&Step) -> bool) -> &Step {
    sheet.steps.iter().find(|s| is_it(s)).expect("such a step")
}

fn feet(sheet: &CutSheet) -> String {
    step(sheet, |s| s.topic == Topic::Feet).amounts.join("; ")
}

fn tail(sheet: &CutSheet) -> String {
    let step = step(sheet, |s| s.what.starts_with("Tail"));
    format!("{}; {}", step.to, step.amounts.join("; "))
}

/// Behind at the big pad and .02 H above it, toes in thirds with 3 mm left on, lifted, then down
/// (handbook 10 E); the salon keeps the foot on the table, or undercuts it by 15°.
#[test]
fn a_round_foot_is_cut_in_its_stages() {
    let ours = feet(&sheet(&USUAL));
    assert!(ours.contains("9 mm over the big pad"), "{ours}");
    assert!(ours.contains("toes in thirds, 3 mm left;"), "{ours}");
    let (lifted, down) = (ours.find("lifted: under"), ours.find("round, tilted"));
    assert!(lifted.is_some() && lifted < down, "{ours}");
    let on_table = feet(&sheet(&Asked {
        answers: &[Answer::FootOnTable],
        ..USUAL
    }));
    assert!(!on_table.contains("lifted"), "{on_table}");
    let undercut = feet(&sheet(&Asked {
        answers: &[Answer::FootUndercut],
        ..USUAL
    }));
    assert!(undercut.contains("15° inwards"), "{undercut}");
    // A clean foot has no hair behind it to be drawn down.
    let clean = feet(&sheet(&Asked {
        look: LookId::Lamb,
        ..USUAL
    }));
    assert!(!clean.contains("toes in thirds"), "{clean}");
}

/// Handbook 10 E, *nails long: hem + overhang, said*: a clean foot's hem of one radius stands out further by
/// what the nails do, all round; shortening them takes longer, a little at a time (common practice).
#[rstest]
#[case(Grade::Slight, 2.0)]
#[case(Grade::Marked, 4.0)]
fn over_long_nails_the_hem_stands_out(#[case] nails: Grade, #[case] out_mm: f64) {
    let lamb = Asked {
        look: LookId::Lamb,
        ..USUAL
    };
    let (short, long) = (sheet(&lamb), sheet(&Asked { nails, ..lamb }));
    let hem = |sheet: &CutSheet| -> f64 {
        let said = feet(sheet).to_lowercase();
        let across = said
            .split("hem ")
            .nth(1)
            .and_then(|s| s.split(" mm").next());
        across.and_then(|mm| mm.parse().ok()).expect("a hem")
    };
    let wider = hem(&long) - hem(&short);
    assert!((wider - 2.0 * out_mm).abs() <= 1.0, "{wider}");
    assert!(
        feet(&long).contains(&format!("{out_mm:.0} mm further out")),
        "{}",
        feet(&long)
    );
    assert!(!feet(&short).contains("further out"));
    let minutes = |sheet: &CutSheet| {
        let nails = step(sheet, |s| s.what.starts_with("Nails"));
        (nails.what.clone(), nails.minutes)
    };
    let (what, takes) = minutes(&long);
    assert!(what.contains("a little at a time") && takes >= minutes(&short).1 + 1.0);
}

/// The bone is felt and left 5 mm; no ball on a full tail; the salon's shape is said (handbook 10 E).
#[rstest]
#[case::ours(&[], "Its root bare, up to 23 mm")]
#[case::rounded(&[Answer::TailRounded], "Its end rounded, 4 mm alike")]
#[case::plume(&[Answer::TailPlume], "A plume, shaken out")]
#[case::u(&[Answer::TailU], "A U about it as it is carried, within 4 mm")]
#[case::v(&[Answer::TailV], "A bare V at the root, up to 23 mm")]
fn a_tail_is_shaped_as_it_is_carried(#[case] answers: &[Answer], #[case] says: &str) {
    let look = LookId::Lamb;
    let said = tail(&sheet(&Asked {
        look,
        answers,
        ..USUAL
    }));
    assert!(said.contains("at least 5 mm past it"), "{said}");
    assert!(said.contains(says), "{said}");
    assert!(!said.contains("ball"), "{said}");
}

/// Shears by the dog's height and the place: never over 16 cm at face and feet, from 23 on a tall dog's
/// columns (handbook 10 C 7).
#[rstest]
#[case::toy(250.0, "14–16 cm", "14–16 cm")]
#[case::medium(460.0, "18–20 cm", "up to 16 cm")]
#[case::tall(620.0, "from 23 cm", "up to 16 cm")]
fn shears_are_named_by_length(#[case] height: f64, #[case] legs: &str, #[case] face: &str) {
    let sheet = sheet(&Asked {
        height,
        look: LookId::CylinderFleece,
        ..USUAL
    });
    let of_legs = |s: &Step| s.topic == Topic::Scissor && s.what.contains("legs");
    let legs_by = &step(&sheet, of_legs).tool;
    let ears_by = &step(&sheet, |s| s.what.starts_with("Ears last")).tool;
    assert!(legs_by.ends_with(legs), "{legs_by}");
    assert!(ears_by.ends_with(face), "{ears_by}");
}

fn minutes(sheet: &CutSheet, topic: Topic) -> f64 {
    let steps = sheet.steps.iter().filter(|s| s.topic == topic);
    steps.map(|s| s.minutes).sum()
}

/// Bath and dryer follow the coat that is wet: the handbook's 15 and 25 minutes stand at 40 mm, more coat
/// takes longer, an undercoat longer still, and what was taken off before the bath is not dried.
#[test]
fn bath_and_dryer_follow_the_coat() {
    let dry = |coat, texture, look| {
        minutes(
            &sheet(&Asked {
                coat,
                look,
                texture,
                ..USUAL
            }),
            Topic::Dry,
        )
    };
    let full = LookId::CylinderFleece;
    assert!(dry(30.0, "curl", full) < dry(60.0, "curl", full));
    assert!(dry(60.0, "silky", full) < dry(60.0, "curl", full));
    let double = sheet(&Asked {
        look: full,
        is_double: true,
        ..USUAL
    });
    assert!(dry(60.0, "curl", full) < minutes(&double, Topic::Dry));
    assert!(dry(80.0, "curl", LookId::Summer) < 0.9 * dry(80.0, "curl", full));
}

/// A summer clip is not as long as a lamb (handbook 10 G).
#[test]
fn a_summer_clip_is_shorter_work_than_a_lamb() {
    let of = |look| {
        sheet(&Asked {
            coat: 80.0,
            look,
            ..USUAL
        })
        .minutes
    };
    let (summer, lamb) = (of(LookId::Summer), of(LookId::Lamb));
    assert!(summer < lamb - 15.0, "{summer} against {lamb}");
}

/// A second pass joins what the first against the lay left: four tenths more minutes, said with the next
/// longer tool (handbook 10 C 3); a drop coat is rolled where the salon rolls it.
#[test]
fn strokes_are_the_salons() {
    let asked = |answers| {
        sheet(&Asked {
            look: LookId::Summer,
            texture: "silky",
            answers,
            ..USUAL
        })
    };
    let against = |s: &Step| s.stroke.contains("against") && s.topic == Topic::Clip;
    let (one, two) = (
        asked(&[Answer::AgainstTheLay]),
        asked(&[Answer::AgainstTheLay, Answer::PassTwice]),
    );
    let (one, two) = (step(&one, against), step(&two, against));
    assert!(two.minutes > 1.25 * one.minutes);
    assert!(
        two.amounts
            .iter()
            .any(|a| a.starts_with("Then with the lay by the"))
    );
    let silky = sheet(&Asked {
        texture: "silky",
        look: LookId::DropComfort,
        answers: &[Answer::DropRolled],
        ..USUAL
    });
    let rolls = |s: &Step| s.amounts.iter().any(|a| a.starts_with("Roll the skin"));
    assert!(silky.steps.iter().any(rolls));
}
