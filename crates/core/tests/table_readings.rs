//! At the table: readings between layers, one side as the other's pattern, pairs brought together,
//! steps moved and split, tools noticed (handbook 3, *Two lighter layers*, *Kit*; handbook 6, 9.
//! *Check*, *Every step can be put off*).

use crate::support;

use rstest::rstest;
use support::table::{Table, kit, mm};
use uuid::Uuid;
use veliform_core::coat::Zone;
use veliform_core::dog::House;
use veliform_core::drawing::{DrawOptions, Geometry};
use veliform_core::kit::ToolState;
use veliform_core::run::{
    AtStep, Cooling, PutOff, RunEvent, RunView, StepState, ToolWord, tool_after,
};
use veliform_core::salon_log::{due_work, tool_work};
use veliform_core::shape::Hand;
use veliform_core::sheet::Stage;

fn here(view: &RunView) -> &AtStep {
    view.at.first().expect("a step in hand")
}

/// Ticks on to the clipping step that holds the ribs.
fn at_the_ribs(table: &mut Table) -> u32 {
    table.until(|s| s.stage == Stage::Clip && s.zones.contains(&Zone::Ribs))
}

fn planned(table: &Table, zone: Zone) -> f64 {
    table.desk(|d| {
        let solved = d.plan(veliform_core::desk::Reasons::Skip).expect("solves");
        solved.plan.zone_mm(zone).expect("cut")
    })
}

/// What stands less what is planned comes off; within a comb's own scatter nothing does, and what
/// is too short is never cut again (by hand).
#[rstest]
#[case(9.0, "9 mm more comes off")]
#[case(0.5, "as planned; leave it")]
#[case(-5.0, "shorter than planned; no more here")]
#[case(4000.0, "cannot be; read it again")]
fn after_a_layer_the_run_says_how_much_more(#[case] over: f64, #[case] says: &str) {
    let mut table = Table::begun();
    let step = at_the_ribs(&mut table);
    let left_mm = mm(planned(&table, Zone::Ribs) + over);
    table.run(RunEvent::Measured {
        step,
        zone: Zone::Ribs,
        hand: None,
        left_mm,
    });
    let view = table.view();
    let told = &here(&view).told;
    assert!(told.len() == 1 && told[0].starts_with("Ribs: "), "{told:?}");
    assert!(told[0].contains(says), "{told:?}");
}

/// The last reading of a place counts; each side is a place of its own.
#[test]
fn a_second_reading_takes_the_firsts_place() {
    let mut table = Table::begun();
    let step = at_the_ribs(&mut table);
    for (hand, left) in [
        (Some(Hand::Left), 40.0),
        (Some(Hand::Left), 30.0),
        (Some(Hand::Right), 31.0),
    ] {
        table.run(RunEvent::Measured {
            step,
            zone: Zone::Ribs,
            hand,
            left_mm: mm(left),
        });
    }
    let readings = table.view().run.readings;
    let of: Vec<_> = readings.iter().map(|r| (r.hand, r.left_mm)).collect();
    assert_eq!(
        of,
        [(Some(Hand::Left), mm(30.0)), (Some(Hand::Right), mm(31.0))]
    );
}

/// While the second side is worked the first stands mirrored, with what was read on it.
#[test]
fn one_side_is_the_others_pattern() {
    let mut table = Table::begun();
    let step = at_the_ribs(&mut table);
    table.run(RunEvent::Measured {
        step,
        zone: Zone::Ribs,
        hand: Some(Hand::Left),
        left_mm: mm(17.0),
    });
    table.run(RunEvent::OneSideDone {
        step,
        hand: Hand::Left,
    });
    let view = table.view();
    assert_eq!(here(&view).side_done, Some(Hand::Left));
    assert!(
        here(&view).told[0].ends_with("Now the right, to ribs 17 mm."),
        "{:?}",
        here(&view).told
    );
}

/// A mirrored drawing turned over again is the drawing: every shape within a rounding of where it
/// was, and the dog's nose on the other side of the page.
#[test]
fn the_mirrored_sheet_is_the_sheet_turned_over() {
    let table = Table::begun();
    let drawn = |mirrored| {
        table.desk(|d| {
            let options = DrawOptions {
                mirrored,
                ..DrawOptions::default()
            };
            let solved = d.plan(veliform_core::desk::Reasons::Skip).expect("solves");
            d.draw(Some(&solved), &options)
        })
    };
    let (there, turned) = (drawn(false), drawn(true));
    let same = there.bounds_mm.iter().zip(turned.bounds_mm);
    assert!(same.map(|(a, b)| (a - b).abs()).all(|off| off < 1e-9));
    let [left, _, right, _] = there.bounds_mm;
    let xs = |geometry: &Geometry| -> Vec<f64> {
        match geometry {
            Geometry::Fill { points_mm }
            | Geometry::Line { points_mm, .. }
            | Geometry::Strokes {
                ends_mm: points_mm, ..
            } => points_mm.iter().step_by(2).copied().collect(),
            Geometry::Disc { at_mm, .. } | Geometry::Text { at_mm, .. } => vec![at_mm[0]],
        }
    };
    for (a, b) in there.shapes.iter().zip(&turned.shapes) {
        for (x, y) in xs(&a.geometry).iter().zip(xs(&b.geometry)) {
            assert!((x + y - left - right).abs() < 1e-9);
        }
    }
    assert!(turned.title.ends_with("mirrored"));
}

/// Hair is only ever taken off the longer (common practice).
#[test]
fn a_pair_is_compared_and_only_the_longer_is_cut() {
    let mut table = Table::begun();
    let step = table.until(|s| s.zones.contains(&Zone::Ear) && s.stage == Stage::Scissor);
    let view = table.view();
    let sheet = view.run.step(step).expect("there");
    assert!(sheet.pair.contains("Draw both ears forward"));
    assert!(!here(&view).is_compared);
    table.run(RunEvent::Compared {
        step,
        longer: Some(Hand::Left),
        by_mm: mm(4.0),
    });
    let view = table.view();
    assert!(here(&view).is_compared);
    assert_eq!(
        here(&view).told,
        ["Take 4 mm off the left; leave the other."]
    );
    table.run(RunEvent::Compared {
        step,
        longer: None,
        by_mm: mm(0.0),
    });
    assert!(here(&table.view()).told.is_empty());
}

/// Any step can be taken before another; nothing is lost or doubled, and the one in hand is timed
/// from then on.
#[test]
fn a_step_is_moved() {
    let mut table = Table::begun();
    let before = table.view().queue;
    let (first, third) = (before[0], before[2]);
    table.wait(4).run(RunEvent::Moved {
        step: third,
        before: Some(first),
    });
    let view = table.view();
    assert_eq!(view.queue[..3], [third, first, before[1]]);
    let mut sorted = view.queue.clone();
    sorted.sort_unstable();
    let mut all = before.clone();
    all.sort_unstable();
    assert_eq!(sorted, all);
    // Four minutes were worked on what was in hand then.
    let spent = view.run.minutes_on(first, table.now);
    assert!((spent - 4.0).abs() < 1e-9, "{spent}");
    // To the end; before itself or before what is done counts for nothing.
    table.run(RunEvent::Moved {
        step: third,
        before: None,
    });
    assert_eq!(table.view().queue.last(), Some(&third));
    let still = table.view().queue;
    let done = table.done();
    for before in [done, third, 9999] {
        table.run(RunEvent::Moved {
            step: third,
            before: Some(before),
        });
    }
    assert_eq!(table.view().queue, still[1..]);
    // What was put off can be taken up where it is moved to.
    let later = table.put(PutOff::Later);
    let next = table.current();
    table.run(RunEvent::Moved {
        step: later,
        before: Some(next),
    });
    assert_eq!(table.view().queue[..2], [later, next]);
}

/// Two halves are the whole: minutes and zones add up, the second follows the first.
#[test]
fn a_step_is_split() {
    let mut table = Table::begun();
    let step = at_the_ribs(&mut table);
    let before = table.view();
    let whole = before.run.step(step).expect("there").clone();
    assert!(whole.zones.len() > 1);
    table.run(RunEvent::Split {
        step,
        zones: vec![Zone::Ribs],
    });
    let view = table.view();
    let second = view.queue[1];
    let (a, b) = (
        view.run.step(step).expect("first"),
        view.run.step(second).expect("second"),
    );
    assert_eq!(b.zones, [Zone::Ribs]);
    assert_eq!(a.zones.len() + 1, whole.zones.len());
    assert!((a.minutes + b.minutes - whole.minutes).abs() < 1e-9);
    assert!(b.what.ends_with(": ribs"), "{}", b.what);
    assert_eq!(view.queue.len(), before.queue.len() + 1);
    // All of it, none of it, or what is done already splits nothing.
    for zones in [whole.zones.clone(), vec![], vec![Zone::Tail]] {
        table.run(RunEvent::Split { step, zones });
    }
    table.done();
    table.run(RunEvent::Split {
        step,
        zones: vec![a.zones[0]],
    });
    assert_eq!(table.view().run.steps.len(), view.run.steps.len());
    let done = table
        .view()
        .run
        .steps
        .iter()
        .filter(|s| s.state == StepState::Done)
        .count();
    assert!(done > 0);
}

/// A missing tooth takes the tool out of plans at once (handbook 3, *Kit*), in the run it is
/// noticed in; what is cut by it is planned with another or by shears.
#[test]
fn a_missing_tooth_takes_the_tool_out_at_once() {
    let mut table = Table::begun();
    let uses = |table: &Table, tool: Uuid| {
        let steps = table.sheet().steps;
        steps.iter().any(|s| s.tool_id == Some(tool))
    };
    let tool = table
        .sheet()
        .steps
        .iter()
        .find_map(|s| s.tool_id)
        .expect("a tool");
    assert!(uses(&table, tool));
    table.run(RunEvent::ToolNoted {
        tool,
        word: ToolWord::ToothMissing,
    });
    assert!(!uses(&table, tool));
    assert!(!table.sheet().steps.is_empty());
}

/// The kit's log: what is noticed at the table is due before the day, the gravest first; oil and
/// sharpening take it back (handbook 3: *oil at every use*).
#[test]
fn the_kit_says_what_is_due() {
    let mut table = Table::begun();
    let mut kit = kit();
    let (ten, seven) = (kit[0].id, kit[1].id);
    for (tool, word) in [
        (ten, ToolWord::RunsHot),
        (ten, ToolWord::RunsHot),
        (seven, ToolWord::Dull),
    ] {
        table.wait(1).run(RunEvent::ToolNoted { tool, word });
    }
    let due = |table: &Table, kit: &[veliform_core::kit::Tool]| -> Vec<String> {
        let visit = table.visit();
        let work = tool_work(visit.run.iter(), kit);
        due_work(kit, &House::default(), &work)
            .into_iter()
            .map(|d| d.sentence)
            .collect()
    };
    let said = due(&table, &kit);
    assert_eq!(said.len(), 2, "{said:?}");
    assert!(said[0].starts_with("Have the 3.2 blade sharpened"));
    assert!(said[1].contains("ran hot 2 times"));
    kit[1].sharpened_ms = Some(table.now + 1);
    table.wait(1).run(RunEvent::ToolNoted {
        tool: ten,
        word: ToolWord::Oiled,
    });
    assert!(due(&table, &kit).is_empty());
    kit[2].state = ToolState::ToothMissing;
    assert_eq!(
        due(&table, &kit),
        ["Put the 13 comb away: a tooth is missing."]
    );
}

/// A blade that ran fourteen hours since it was sharpened is sent out; sharpened, it is not.
#[test]
fn a_blade_that_ran_long_is_sharpened() {
    let mut table = Table::begun();
    let mut kit = kit();
    let step = table.until(|s| s.is_bare_blade && s.tool_id.is_some());
    let tool = table
        .view()
        .run
        .step(step)
        .and_then(|s| s.tool_id)
        .expect("a blade");
    for _ in 0..5 {
        table.wait(170).run(RunEvent::Done { step });
        table.run(RunEvent::Reopened { step });
    }
    table.run(RunEvent::BladeSeenTo {
        how: Cooling::Oiled,
    });
    table.run(RunEvent::Done { step });
    let visit = table.visit();
    let sentences = |kit: &[veliform_core::kit::Tool]| {
        due_work(kit, &House::default(), &tool_work(visit.run.iter(), kit))
    };
    let said = sentences(&kit);
    assert!(
        said.iter()
            .any(|d| d.tool == tool && d.sentence.contains("14 hours")),
        "{said:?}"
    );
    for t in &mut kit {
        t.sharpened_ms = Some(table.now + 1);
    }
    assert!(
        sentences(&kit)
            .iter()
            .all(|d| !d.sentence.contains("hours"))
    );
}

#[rstest]
#[case(ToolState::Fine, ToolWord::RunsHot, Some(ToolState::WarmRunning))]
#[case(ToolState::Fine, ToolWord::Dull, Some(ToolState::Dull))]
#[case(ToolState::Dull, ToolWord::ToothMissing, Some(ToolState::ToothMissing))]
#[case(ToolState::ToothMissing, ToolWord::Dull, None)]
#[case(ToolState::Dull, ToolWord::RunsHot, None)]
#[case(ToolState::Fine, ToolWord::Oiled, None)]
fn what_is_noticed_stands_in_the_kit(
    #[case] state: ToolState,
    #[case] word: ToolWord,
    #[case] then: Option<ToolState>,
) {
    let mut tool = kit()[0].clone();
    tool.state = state;
    assert_eq!(tool_after(&tool, word).map(|t| t.state), then);
}
