//! What a sheet must never ask of a hand (handbook 3, 7, 10 B, C, F; common practice): shears at the
//! skin, combs that cannot cut, a comb in an unbrushed coat, a clipper nobody announces.

use crate::support;

use std::collections::BTreeSet;
use std::sync::LazyLock;

use support::{full_kit, limit};
use uuid::Uuid;
use veliform_core::coat::{CoatNow, Knots, Texture, Zone};
use veliform_core::desk::{Desk, Reasons, Solved};
use veliform_core::dog::{Dog, House};
use veliform_core::frame::{Felt, Grade, Measure, Method, TakenMeasure};
use veliform_core::kit::{Tool, ToolKind};
use veliform_core::look::LookId;
use veliform_core::schools::{Answer, Schools};
use veliform_core::sheet::{Stage, Step};
use veliform_core::solve::{Stroke, Unit, UnitCut};
use veliform_core::units::Length;
use veliform_core::visit::{LookChoice, Visit, fold};

fn dog(texture: &str, age_months: u16) -> Dog {
    serde_json::from_value(serde_json::json!({
        "id": Uuid::from_u128(9), "name": "Sleeper", "texture": texture, "age_months": age_months,
        "sex": "male"
    }))
    .expect("a dog")
}

fn visit(dog: &Dog, height: f64, coat: f64, look: LookId) -> Visit {
    let mut visit = fold(dog, &[]);
    let taken = TakenMeasure::by(Method::HeightStick, Length::constant_mm(height));
    visit.frame.measures.insert(Measure::HeightAtWithers, taken);
    visit.coat.all_over_mm = Some(Length::constant_mm(coat));
    visit.look = Some(LookChoice {
        look,
        body_mm: None,
    });
    visit
}

fn solve(dog: &Dog, visit: &Visit, answers: &[Answer]) -> Solved {
    let schools = answers.iter().fold(Schools::default(), |s, a| s.with(*a));
    let house = House {
        schools,
        ..House::default()
    };
    let kit = full_kit();
    Desk::new(dog, visit, &house, &kit)
        .plan(Reasons::Skip)
        .expect("solves")
}

/// Toys to giants, each texture, young and old, short coats and long, knotted and not, in every look.
fn every_dog(mut look_at: impl FnMut(&str, &Solved, &CoatNow)) {
    // Solved once for all that look at them.
    static DOGS: LazyLock<Vec<(String, Solved, CoatNow)>> = LazyLock::new(dogs_in_every_look);
    for (which, solved, coat) in &*DOGS {
        look_at(which, solved, coat);
    }
}

fn dogs_in_every_look() -> Vec<(String, Solved, CoatNow)> {
    let mut all = Vec::new();
    let dogs = [
        (240.0, "silky", 40, 30.0),
        (300.0, "harsh", 130, 34.0),
        (460.0, "curl", 30, 60.0),
        (450.0, "feathered", 50, 24.0),
        (640.0, "fleece", 70, 95.0),
    ];
    for (height, texture, age, coat) in dogs {
        let dog = dog(texture, age);
        for look in LookId::ALL {
            for is_knotted in [false, true] {
                let mut visit = visit(&dog, height, coat, look);
                // Every other dog has a back that asks for two lengths.
                if height < 455.0 {
                    visit.frame.felt.insert(Felt::DipInBack, Grade::Marked);
                    visit.frame.felt.insert(Felt::HighInRear, Grade::Slight);
                }
                if is_knotted {
                    visit.coat.knots.insert(Zone::TuckUp, Knots::Tight);
                    visit.coat.knots.insert(Zone::Ribs, Knots::Tight);
                    visit
                        .coat
                        .limits
                        .insert(Zone::Flank, limit(None, Some(4.0)));
                }
                let (house, kit) = (House::default(), full_kit());
                let desk = Desk::new(&dog, &visit, &house, &kit);
                let solved = desk.plan(Reasons::Skip).expect("solves");
                let which = format!("{look:?} on {height} {texture} {is_knotted}");
                all.push((which, solved, desk.coat.clone()));
            }
        }
    }
    all
}

fn known(id: Option<Uuid>) -> Option<Tool> {
    full_kit().into_iter().find(|t| Some(t.id) == id)
}

/// Under 6 mm only blades cut; on the trunk, its folds among it, shears leave at least 10 (common
/// practice).
#[test]
fn shears_never_come_near_the_skin() {
    let trunk = [
        Unit::Crest,
        Unit::BackFront,
        Unit::BackRear,
        Unit::Croup,
        Unit::Rump,
        Unit::Shoulder,
        Unit::Ribs,
        Unit::Hip,
        Unit::Chest,
        Unit::Throat,
        Unit::Underline,
        Unit::TuckUp,
        Unit::FlankAndKnee,
        Unit::Flank,
    ];
    let mut scissored = 0;
    every_dog(|which, solved, coat| {
        for cut in solved
            .plan
            .cuts
            .iter()
            .filter(|c| c.stroke == Stroke::Scissor)
        {
            scissored += 1;
            let least: f64 = if trunk.contains(&cut.unit) { 10.0 } else { 6.0 };
            // Hair that is shorter than that already is left alone.
            let least = least.min(coat.length_mm(cut.unit.zone()));
            let shortest = cut.leaves_mm.iter().copied().fold(f64::MAX, f64::min);
            assert!(
                shortest >= least - 1e-6,
                "{which}: {:?} {shortest}",
                cut.unit
            );
        }
    });
    assert!(scissored > 200, "looks are scissored: {scissored}");
}

/// A tool is run only where it takes something off; a rough-out at least one size, 3 mm (handbook 5).
#[test]
fn a_tool_that_is_run_cuts() {
    let (mut rough, mut pressed) = (0, 0);
    every_dog(|which, solved, coat| {
        for cut in &solved.plan.cuts {
            let Some(tool) = known(cut.tool) else {
                continue;
            };
            let off = coat.length_mm(cut.unit.zone()) - tool.leaves_mm.as_mm();
            if cut.stroke == Stroke::Scissor {
                // A skim takes the tips off a far longer coat; pressed, the tool takes its own off.
                rough += 1;
                assert!(off >= 2.9, "{which}: {:?} rough, {off} off", cut.unit);
            } else if cut.stroke == Stroke::Full {
                pressed += 1;
                assert!(off >= 0.9, "{which}: {:?} pressed, {off} off", cut.unit);
            }
        }
    });
    assert!(rough > 50 && pressed > 200, "{rough} {pressed}");
}

fn spread(mm: &[f64]) -> (f64, f64) {
    let least = mm.iter().copied().fold(f64::INFINITY, f64::min);
    (least, mm.iter().copied().fold(0.0, f64::max))
}

/// A pair of legs is roughed out by going round it with one tool: pressed where it leaves what the shears leave
/// there, else held off (common practice); no front by one comb and outside by another.
#[test]
fn a_pair_of_legs_is_roughed_out_by_one_tool() {
    let mut pairs = 0;
    every_dog(|which, solved, _| {
        for is_of_it in [Unit::is_of_a_front_leg, Unit::is_of_a_hind_leg] {
            let faces = solved.plan.cuts.iter();
            let faces = faces.filter(|cut| is_of_it(cut.unit) && !cut.unit.is_of_a_joint());
            let faces: Vec<_> = faces.collect();
            let tools: BTreeSet<_> = faces
                .iter()
                .filter(|cut| cut.roughing.is_some())
                .filter_map(|cut| cut.tool)
                .collect();
            assert!(tools.len() <= 1, "{which}: {tools:?}");
            let Some(own) = known(tools.first().copied()) else {
                continue;
            };
            pairs += 1;
            let own = own.leaves_mm.as_mm();
            let is_roughed = |cut: &&&UnitCut| cut.roughing.is_some() || cut.is_gone_over;
            for cut in faces.iter().filter(is_roughed) {
                let (low, high) = spread(&cut.leaves_mm);
                let is_left_enough = own >= high - 0.5 || own <= 0.8 * low;
                assert!(is_left_enough, "{which}: {:?} {own} {low}–{high}", cut.unit);
            }
        }
    });
    assert!(pairs > 10, "some are roughed out: {pairs}");
}

/// Before the coat is brushed no comb attachment is in the hand: it falls off in a knot and the blade
/// beneath it cuts to the skin (handbook 10 F).
#[test]
fn no_comb_goes_into_an_unbrushed_coat() {
    let mut before = 0;
    every_dog(|which, solved, _| {
        let steps = &solved.report.sheet.steps;
        let brushed = steps.iter().position(|s| s.what.starts_with("Comb out"));
        let brushed = brushed.expect("a comb-out");
        for (i, step) in steps.iter().enumerate() {
            let is_comb = known(step.tool_id).is_some_and(|t| t.kind == ToolKind::Comb);
            assert!(!is_comb || i > brushed, "{which}: {}", step.what);
            assert!(!is_comb || step.needs_comb_test, "{which}: {}", step.what);
            before += usize::from(step.what.starts_with("Rough out") && i < brushed);
        }
    });
    assert!(before > 0, "some are roughed out before the brush");

    // With no blade as long as the plan the comb waits for the brush.
    let dog = dog("curl", 40);
    let visit = visit(&dog, 460.0, 60.0, LookId::Lamb);
    let short: Vec<Tool> = full_kit()
        .into_iter()
        .filter(|t| t.kind == ToolKind::Comb || t.leaves_mm.as_mm() < 9.0)
        .collect();
    let house = House {
        schools: Schools::default().with(Answer::RoughFirst),
        ..House::default()
    };
    let solved = Desk::new(&dog, &visit, &house, &short)
        .plan(Reasons::Skip)
        .expect("solves");
    let place = |what: &str| {
        let steps = &solved.report.sheet.steps;
        steps
            .iter()
            .position(|s| s.what.starts_with(what))
            .expect("there")
    };
    assert!(place("Comb out") < place("Rough out") && place("Rough out") < place("Bath"));
}

/// A step says one kind of tool: where a clipper runs the step is its own, with clock or comb test.
#[test]
fn no_clipper_hides_in_a_step_of_shears() {
    every_dog(|which, solved, _| {
        for step in &solved.report.sheet.steps {
            let names_shears = ["shears", "thinners", "chunkers"]
                .iter()
                .any(|w| step.tool.contains(w));
            let names_clipper = step.tool.contains("blade") || step.tool.contains("comb");
            assert!(!(names_shears && names_clipper), "{which}: {}", step.tool);
            assert_eq!(
                step.tool_id.is_some(),
                names_clipper,
                "{which}: {}",
                step.tool
            );
            let tool = known(step.tool_id).map(|t| t.kind);
            assert_eq!(
                step.is_bare_blade,
                tool == Some(ToolKind::Blade),
                "{which}: {}",
                step.what
            );
            if step.stage == Stage::Scissor {
                assert_eq!(tool, None, "{which}: {}", step.what);
            }
        }
    });
}

fn step<'a>(solved: &'a Solved, what: &str) -> &'a Step {
    let steps = &solved.report.sheet.steps;
    steps.iter().find(|s| s.what.starts_with(what)).expect(what)
}

/// Pads, hygiene, armpits and eye corners by blade have their tool, its clock and its minutes; with no
/// such blade fit, short shears, and it says so (handbook 10 B; 7: hygiene only with a cool blade).
#[test]
fn small_jobs_run_on_the_blade_clock() {
    let dog = dog("curl", 40);
    let visit = visit(&dog, 460.0, 60.0, LookId::Lamb);
    let answers = [Answer::CornersBlade, Answer::ArmpitsCleared];
    let solved = solve(&dog, &visit, &answers);
    for what in ["Eye corners", "Hygiene area", "Armpits", "Pads"] {
        let step = step(&solved, what);
        assert!(step.is_bare_blade, "{what}");
        let mm = known(step.tool_id).expect(what).leaves_mm.as_mm();
        assert!((1.2..=2.0).contains(&mm), "{what} by {mm}");
    }
    // A number 9 blade leaves 2 mm (industry numbering, from memory), not 9.
    let off = solve(&dog, &visit, &[Answer::HygieneHeldOff]);
    let hygiene = step(&off, "Hygiene area");
    assert!((known(hygiene.tool_id).expect("a blade").leaves_mm.as_mm() - 2.0).abs() < 0.05);
    assert!(hygiene.stroke.starts_with("held off the skin"));

    let long: Vec<Tool> = full_kit()
        .into_iter()
        .filter(|t| t.leaves_mm.as_mm() > 3.5)
        .collect();
    let house = House::default();
    let without = Desk::new(&dog, &visit, &house, &long)
        .plan(Reasons::Skip)
        .expect("solves");
    let hygiene = step(&without, "Hygiene area");
    assert!(hygiene.tool.contains("shears") && hygiene.tool_id.is_none());
    assert!(hygiene.stroke.contains("no blade"), "{}", hygiene.stroke);
}

/// The old, the stiff and those in whelp are never stood up for the belly, whatever the salon does with
/// others (handbook 7).
#[test]
fn an_old_dog_keeps_its_feet_on_the_table() {
    let lifted = |age| {
        let dog = dog("curl", age);
        let visit = visit(&dog, 460.0, 60.0, LookId::Lamb);
        let solved = solve(&dog, &visit, &[Answer::FrontLifted]);
        step(&solved, "Hygiene area").clone()
    };
    assert!(lifted(40).what.contains("lift the front"));
    let old = lifted(140);
    assert!(!old.what.contains("lift"), "{}", old.what);
    assert!(
        old.cautions
            .iter()
            .any(|c| c.text.starts_with("Never stood up"))
    );
}

/// Small jobs go from clean to dirty (handbook 10 B), and the texture of the trade's words: the hand
/// holds the hair's ends, never the points of the shears.
#[test]
fn nobody_is_told_to_hold_the_points() {
    every_dog(|which, solved, _| {
        let sheet = serde_json::to_string(&solved.report.sheet).expect("writes");
        assert!(!sheet.to_lowercase().contains("hold the tips"), "{which}");
        assert!(!sheet.contains("9 mm, held off"), "{which}");
    });
    assert!(Texture::ALL.len() >= 5, "every texture is among the dogs");
}

/// A double coat's back is never planned short, and the clipper's step says that the owner consents first;
/// pale hair is left longer and said to burn (handbook 3, *Shortest safe*, and 7).
#[test]
fn a_double_coat_and_a_pale_one_are_said_and_spared() {
    let plain = dog("feathered", 40);
    let mut pale = plain.clone();
    pale.has_double_coat = true;
    pale.colour = Some(veliform_core::coat::CoatColour::Pale);
    let short = |dog: &Dog| solve(dog, &visit(dog, 460.0, 80.0, LookId::Summer), &[]);
    let (usual, spared) = (short(&plain), short(&pale));
    let least = |solved: &Solved, zone| {
        let cuts = solved.plan.cuts.iter().filter(|c| c.unit.zone() == zone);
        let all = cuts.flat_map(|c| c.leaves_mm.iter().copied());
        all.fold(f64::INFINITY, f64::min)
    };
    assert!(least(&usual, Zone::Back) < 13.0);
    assert!(least(&spared, Zone::Back) >= 13.0);
    assert!(least(&spared, Zone::Ribs) >= 5.0);
    let says = |solved: &Solved, words: &str| {
        let mut cautions = solved.report.sheet.steps.iter().flat_map(|s| &s.cautions);
        cautions.any(|c| c.is_this_dogs && c.text.starts_with(words))
    };
    for words in ["Double coat: ", "Pale hair: "] {
        assert!(says(&spared, words) && !says(&usual, words), "{words}");
    }
}

/// A step that goes round legs in planes cuts them all round; one that does not names the faces it cuts
/// (handbook 5, *Legs*; common practice).
#[test]
fn legs_are_gone_round_in_planes_or_their_faces_are_named() {
    let mut in_part = 0;
    every_dog(|which, solved, _| {
        let steps = solved.report.sheet.steps.iter();
        let of_legs = steps.filter(|step| {
            step.stage == Stage::Scissor
                && (step.what.starts_with("Hind legs") || step.what.starts_with("Front legs"))
                && !step.what.ends_with("the edge only")
        });
        for step in of_legs {
            let has = |zones: &[Zone]| step.zones.iter().any(|zone| zones.contains(zone));
            let is_round = has(&[Zone::HindBack, Zone::ForeBack])
                && has(&[Zone::HindOut, Zone::ForeOut])
                && has(&[Zone::HindFront, Zone::ForeFront, Zone::Knee, Zone::Flank]);
            let what = &step.what;
            assert_eq!(
                what.contains("in planes across both"),
                is_round,
                "{which}: {what}"
            );
            in_part += usize::from(!is_round);
        }
    });
    assert!(in_part > 0, "no dog's legs are scissored in part");
}
