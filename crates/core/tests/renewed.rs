//! The running sheet follows what happens at the table (handbook 10 F, *the running sheet changes*): done
//! steps stay, the rest is planned anew, what changed is said, and taking it back brings the old steps
//! back. A knot met in mid-groom has its ways (handbook 3, *Knots: inside or outside?*).

use std::collections::BTreeSet;

use crate::support;

use rstest::rstest;
use support::table::{Table, mm};
use veliform_core::coat::{Knots, Limit, LimitCause, Zone};
use veliform_core::kit::ToolKind;
use veliform_core::look::LookId;
use veliform_core::report::{KnotHere, KnotWay};
use veliform_core::run::{PutOff, Renewal, Run, RunEvent, StepState, ToolWord};
use veliform_core::sheet::{Stage, Step};
use veliform_core::visit::{EntryBody, LookChoice};

fn at_most(most: f64) -> Limit {
    Limit {
        not_shorter_mm: None,
        not_longer_mm: Some(mm(most)),
        because: LimitCause::Slip,
    }
}

fn limited(table: &mut Table, zone: Zone, most: f64) {
    table.say(EntryBody::LimitSet {
        zone,
        limit: at_most(most),
    });
}

/// Takes the renewal that the run proposes.
fn renew(table: &mut Table) -> Renewal {
    let anew = table.view().anew.expect("the rest changes");
    table.run(RunEvent::Renewed {
        sheet: anew.sheet.clone(),
        said: anew.said.clone(),
    });
    anew
}

fn run(table: &Table) -> Run {
    table.visit().run.expect("begun")
}

fn to_come(run: &Run) -> Vec<&Step> {
    run.queue().iter().filter_map(|n| run.step(*n)).collect()
}

/// What the hands read of a step.
fn words(step: &Step) -> [&str; 6] {
    [
        &step.what,
        &step.tool,
        &step.stroke,
        &step.from,
        &step.to,
        &step.leaves,
    ]
}

fn is_done(run: &Run, number: u32) -> bool {
    let mut steps = run.steps.iter();
    steps.any(|s| s.step == number && s.state == StepState::Done)
}

/// Before anything is done the running sheet planned anew is the sheet planned afresh, step for step.
#[test]
fn with_nothing_done_it_is_the_fresh_sheet() {
    let mut table = Table::begun();
    assert!(table.view().anew.is_none(), "nothing happened yet");
    limited(&mut table, Zone::Chest, 6.0);
    renew(&mut table);
    let (run, fresh) = (run(&table), table.sheet());
    let anew: Vec<_> = to_come(&run).into_iter().map(words).collect();
    let afresh: Vec<_> = fresh.steps.iter().map(words).collect();
    assert_eq!(anew, afresh);
    assert!(table.view().anew.is_none(), "once");
}

/// In mid-groom the steps to come are those of a dog whose cut zones are held as they were cut, and what
/// is done stays as it was and is done once.
#[test]
fn in_mid_groom_what_is_done_holds_the_rest() {
    let mut table = Table::begun();
    table.until(|s| s.stage == Stage::FeetAndBevels);
    let before = run(&table);
    limited(&mut table, Zone::Tail, 20.0);
    let anew = renew(&mut table);
    assert!(anew.said.starts_with("Planned anew: "), "{}", anew.said);
    let after = run(&table);
    for done in before.steps.iter().filter(|s| s.state == StepState::Done) {
        assert_eq!(after.step(done.step), before.step(done.step));
        assert!(is_done(&after, done.step));
    }
    // Planned afresh with the same facts: what is cut, said as limits.
    let mut afresh = Table::begun();
    limited(&mut afresh, Zone::Tail, 20.0);
    for (zone, limit) in before.limits_now() {
        afresh.say(EntryBody::LimitSet { zone, limit });
    }
    let fresh = afresh.sheet();
    let is_over = |step: &Step| {
        let mut done = before
            .sheet
            .steps
            .iter()
            .filter(|s| is_done(&before, s.number));
        done.any(|s| (s.stage, &s.what) == (step.stage, &step.what))
    };
    let left: Vec<_> = fresh
        .steps
        .iter()
        .filter(|s| !is_over(s))
        .map(words)
        .collect();
    let anew: Vec<_> = to_come(&after).into_iter().map(words).collect();
    assert_eq!(anew, left);
    let mut tail = after
        .sheet
        .steps
        .iter()
        .filter_map(|s| s.stands.get(&Zone::Tail));
    assert!(tail.next_back().expect("cut").most_mm <= mm(20.0));
}

/// What a done step left is not cut again, at whatever point the facts change and whatever the look; a zone
/// that is to be shorter than it was left is.
#[rstest]
fn no_zone_is_cut_twice_for_nothing(
    #[values(LookId::Lamb, LookId::OneLength, LookId::CylinderFleece)] look: LookId,
    #[values(9, 12, 14, 16)] done: usize,
) {
    let mut table = Table::begun();
    table.say(EntryBody::LookChosen {
        choice: LookChoice {
            look,
            body_mm: None,
        },
    });
    renew_if_changed(&mut table);
    for _ in 0..done {
        table.done();
    }
    let before = run(&table);
    limited(&mut table, Zone::Tail, 20.0);
    renew_if_changed(&mut table);
    let after = run(&table);
    let cut: BTreeSet<Zone> = before.limits_now().keys().copied().collect();
    for step in to_come(&after).iter().filter(|s| s.stage == Stage::Clip) {
        let zones: BTreeSet<Zone> = step.zones.iter().copied().collect();
        assert!(
            !zones.is_subset(&cut),
            "{look:?} after {done}: {} is cut",
            step.what
        );
    }
    let numbers: BTreeSet<u32> = after.steps.iter().map(|s| s.step).collect();
    assert_eq!(
        numbers.len(),
        after.steps.len(),
        "a step has one number alone"
    );
    assert_eq!(numbers.len(), after.sheet.steps.len());
}

fn renew_if_changed(table: &mut Table) {
    if table.view().anew.is_some() {
        renew(table);
    }
}

/// A blade with a tooth missing, or one that pulls, is not in a step to come (handbook 3, *Kit*).
#[rstest]
fn a_tool_that_is_out_is_in_no_step_to_come(
    #[values(ToolWord::ToothMissing, ToolWord::Dull)] word: ToolWord,
) {
    let mut table = Table::begun();
    table.until(|s| s.stage == Stage::Clip);
    let tool = run(&table).current().and_then(|s| s.tool_id);
    let tool = tool.expect("a clip step has a tool of the kit");
    table.run(RunEvent::ToolNoted { tool, word });
    let anew = renew(&mut table);
    let after = run(&table);
    let mut tools = to_come(&after).into_iter().filter_map(|s| s.tool_id);
    assert!(!tools.any(|t| t == tool), "{}", anew.said);
    // An oiled one stays in hand.
    let mut oiled = Table::begun();
    oiled.run(RunEvent::ToolNoted {
        tool,
        word: ToolWord::Oiled,
    });
    assert!(oiled.view().anew.is_none());
}

/// Taken back, the steps are as they were and are not made anew again for the same reason; for another
/// they are. Brought back, they are anew again.
#[test]
fn taking_it_back_brings_the_old_steps_back() {
    let mut table = Table::begun();
    table.until(|s| s.stage == Stage::Clip);
    let before = run(&table);
    limited(&mut table, Zone::Chest, 6.0);
    renew(&mut table);
    let renewed = run(&table);
    assert!(renewed.renewed.is_some(), "it is said at the table");
    let entry = table.entries.last().expect("the renewal").id;
    table.say(EntryBody::Undone { entry });
    let back = run(&table);
    assert_eq!((&back.sheet, &back.steps), (&before.sheet, &before.steps));
    assert!(table.view().anew.is_none(), "not asked again");
    assert_eq!(
        table.visit().undo.map(|u| u.label),
        Some("limit, chest".into()),
        "undo goes on with what was said before"
    );
    table.say(EntryBody::Redone { entry });
    assert_eq!(run(&table).sheet, renewed.sheet);
    table.say(EntryBody::Undone { entry });
    limited(&mut table, Zone::Tail, 20.0);
    assert!(table.view().anew.is_some(), "another reason");
}

/// What was put off and where a step was moved to stays so.
#[test]
fn put_off_and_moved_steps_stay_so() {
    let mut table = Table::begun();
    let later = table.put(PutOff::Later);
    let not_today = table.put(PutOff::NotToday);
    let queue = table.view().queue;
    let (moved, before) = (queue[queue.len() - 2], queue[1]);
    table.run(RunEvent::Moved {
        step: moved,
        before: Some(before),
    });
    limited(&mut table, Zone::Chest, 6.0);
    renew(&mut table);
    let queue = table.view().queue;
    assert_eq!(queue.last(), Some(&later));
    assert!(!queue.contains(&not_today));
    let place = |n: u32| queue.iter().position(|q| *q == n);
    assert!(place(moved) < place(before), "{queue:?}");
}

/// A reading that says that less stands than was planned is a fact of the plan for the rest; one within a
/// comb's scatter is not (handbook 3).
#[test]
fn a_short_reading_changes_the_rest() {
    let mut table = Table::begun();
    table.until(|s| s.stage == Stage::Scissor && s.stands.contains_key(&Zone::HindBack));
    let step = table.current();
    let stands = run(&table).step(step).expect("there").stands[&Zone::HindBack];
    let read = |left: f64| RunEvent::Measured {
        step,
        zone: Zone::HindBack,
        hand: None,
        left_mm: mm(left),
    };
    table.run(read(stands.least_mm.as_mm() - 1.0));
    assert!(table.view().anew.is_none());
    table.run(read(stands.least_mm.as_mm() - 5.0));
    renew(&mut table);
    let after = run(&table).limits[&Zone::HindBack];
    assert_eq!(after.not_longer_mm, Some(mm(stands.least_mm.as_mm() - 5.0)));
}

fn knot(zone: Zone, off_skin: f64) -> KnotHere {
    KnotHere {
        zone,
        hand: None,
        off_skin_mm: mm(off_skin),
    }
}

/// A knot outside the planned edge goes with the cut and is not brushed; inside it is brushed, cut by what
/// leaves no more than lies under it, or cleared.
#[test]
fn a_knot_is_answered_by_where_it_begins() {
    let table = Table::begun();
    let ask = |off: f64| table.desk(|d| d.knot_here(&knot(Zone::Hip, off)).expect("solves"));
    let planned = run(&table);
    let planned = planned
        .sheet
        .steps
        .iter()
        .find_map(|s| s.stands.get(&Zone::Hip));
    let planned = planned.expect("the hip is cut").mm.as_mm();
    let outside = ask(planned + 2.0);
    assert_eq!(
        outside.iter().map(|w| w.way).collect::<Vec<_>>(),
        [KnotWay::CutWith]
    );
    let inside = ask(4.0);
    let of = |way| inside.iter().find(|w| w.way == way).expect("offered");
    assert!(of(KnotWay::CutWith).leaves_mm <= mm(4.0));
    assert!((of(KnotWay::Brush).leaves_mm.as_mm() - planned).abs() < 1e-6);
    assert!((of(KnotWay::Brush).minutes - 5.0).abs() < 0.5);
}

/// What travels with the run is what would be answered at the table; a knot between two distances is helped by
/// the nearer to the skin, which leaves no more than lies under it. Every blade's slip has its ways, the kit's
/// shortest first (handbook 10 F, handbook 6, *uneven spots*).
#[test]
fn ways_out_of_what_has_not_happened_are_those_of_what_does() {
    let table = Table::begun();
    let steps = run(&table).sheet.steps;
    let zones: BTreeSet<Zone> = steps.iter().flat_map(|s| s.zones.iter().copied()).collect();
    assert!(zones.len() > 8, "{zones:?}");
    for zone in [Zone::Hip, Zone::HindOut, Zone::Throat, Zone::Ear] {
        assert!(zones.contains(&zone), "a lamb cuts {zone:?}");
        let ahead = table.desk(|d| d.ways_ahead(zone).expect("solves"));
        let off: Vec<f64> = ahead.knots.iter().map(|k| k.off_skin_mm.as_mm()).collect();
        assert!(off.first() == Some(&0.0) && off.is_sorted(), "{off:?}");
        for there in &ahead.knots {
            let asked = KnotHere {
                zone,
                hand: None,
                off_skin_mm: there.off_skin_mm,
            };
            let told = table.desk(|d| d.knot_here(&asked).expect("solves"));
            assert_eq!(there.ways, told, "{zone:?} {}", there.off_skin_mm.as_mm());
        }
        let left: Vec<f64> = ahead.slips.iter().map(|s| s.left_mm.as_mm()).collect();
        assert!(left.is_sorted(), "{left:?}");
        assert!(ahead.slips.iter().all(|s| !s.ways.is_empty()), "{zone:?}");
    }
    let hip = table.desk(|d| d.ways_ahead(Zone::Hip).expect("solves"));
    let planned = steps.iter().find_map(|s| s.stands.get(&Zone::Hip));
    let planned = planned.expect("the hip is cut").mm.as_mm();
    for tool in support::table::kit() {
        let mm = tool.leaves_mm.as_mm();
        let is_told = hip
            .slips
            .iter()
            .any(|s| (s.left_mm.as_mm() - mm).abs() < 1e-9);
        let slips = tool.kind == ToolKind::Blade && mm + 1.0 <= planned;
        assert_eq!(is_told, slips, "{} on {planned}", tool.printed);
    }
}

/// An old dog that was brushed for ten minutes has borne what it bears: brushing comes last (handbook 10 F).
#[test]
fn brushing_comes_last_once_it_is_borne() {
    let mut table = Table::with(support::table::dog(Some(170)));
    table.until(|s| s.what.starts_with("Comb out"));
    table.wait(12);
    table.done();
    let ways = table.desk(|d| d.knot_here(&knot(Zone::Hip, 4.0)).expect("solves"));
    let last = ways.last().expect("ways");
    assert_eq!(last.way, KnotWay::Brush);
    assert!(last.sentence.ends_with("borne enough brushing today."));
}

/// What was done about a knot is one entry: it stays with the visit, shortens the zone where it was cut,
/// changes the steps to come, and undo takes all of it back.
#[test]
fn a_knot_met_is_kept_and_changes_the_rest() {
    let mut table = Table::begun();
    table.until(|s| s.stage == Stage::Clip);
    let step = table.current();
    table.run(RunEvent::KnotMet {
        step,
        knot: knot(Zone::Hip, 4.0),
        way: KnotWay::CutWith,
        leaves_mm: mm(3.2),
    });
    let visit = table.visit();
    assert_eq!(visit.coat.knots.get(&Zone::Hip), Some(&Knots::Few));
    assert_eq!(visit.coat.limits[&Zone::Hip].not_longer_mm, Some(mm(3.2)));
    assert_eq!(
        visit.run.expect("begun").notes[0].text,
        "Knot on the hip, 4 mm off the skin: cut with the coat."
    );
    renew(&mut table);
    let after = run(&table);
    let hip = after
        .sheet
        .steps
        .iter()
        .find_map(|s| s.stands.get(&Zone::Hip));
    assert!(hip.expect("cut").most_mm <= mm(3.2));
    for n in [table.entries.len() - 1, table.entries.len() - 2] {
        let entry = table.entries[n].id;
        table.say(EntryBody::Undone { entry });
    }
    let visit = table.visit();
    assert!(visit.coat.limits.is_empty() && visit.coat.knots.is_empty());
}

/// Where no tool of the kit goes under it, a knot is brushed: nothing is called cut that stays knotted.
#[test]
fn a_kit_without_a_blade_offers_the_brush_alone() {
    let table = Table::begun();
    let (visit, house) = (table.visit(), veliform_core::dog::House::default());
    let desk = veliform_core::desk::Desk::new(&table.dog, &visit, &house, &[]);
    let ways = desk.knot_here(&knot(Zone::Hip, 4.0)).expect("solves");
    let ways: Vec<KnotWay> = ways.iter().map(|w| w.way).collect();
    assert_eq!(ways, [KnotWay::Brush]);
}
