//! The run at the table on a fake clock (handbook 6, *Every step can be put off*, *breaks*;
//! handbook 7, *Heat*): order, double taps, clocks, heat, lateness, a groom broken off, a slip.

use crate::support;

use proptest::prelude::*;
use rstest::rstest;
use support::table::{MINUTE, NINE, Table, dog, entry, mm};
use uuid::Uuid;
use veliform_core::balance::score;
use veliform_core::coat::{Skin, Zone};
use veliform_core::desk::{Desk, Reasons};
use veliform_core::dog::House;
use veliform_core::run::{
    Cooling, OverReason, PutOff, RescueWay, RunEnd, RunEvent, Slip, SlipCause, StepState,
};
use veliform_core::schools::{Answer, Schools};
use veliform_core::shape::Hand;
use veliform_core::sheet::StepKind;
use veliform_core::units::{Length, UnitSystem};
use veliform_core::visit::{Entry, EntryBody, fold};

/// The small jobs come first, as ticks (handbook 6, 4. Prepare), and what is put off stays in the
/// groom: the bath's after the bath, later at the end, not today on the record only.
#[test]
fn what_is_put_off_comes_back_where_it_belongs() {
    let mut table = Table::begun();
    let sheet = table.sheet();
    assert!(sheet.steps[..4].iter().all(|s| s.kind == StepKind::Tick));
    let nails = table.put(PutOff::InTheBath);
    let pads = table.put(PutOff::Later);
    let hygiene = table.put(PutOff::NotToday);
    let view = table.view();
    assert_eq!(view.put_off.len(), 3);
    assert!(view.put_off[0].words.ends_with("in the bath (danced)"));
    assert_eq!(*view.queue.last().expect("later"), pads);
    assert!(!view.queue.contains(&hygiene));

    table.until(|s| s.kind == StepKind::Bath);
    table.done();
    assert_eq!(table.current(), nails, "what goes into the bath follows it");
    // Put off once more the bath is over: it comes at the end, as anything that is late.
    table.put(PutOff::InTheBath);
    assert_eq!(
        table.visit().run.expect("runs").steps[0].state,
        StepState::Later
    );
    for _ in 0..sheet.steps.len() {
        if table.current() == nails {
            break;
        }
        table.done();
    }
    assert_eq!(table.view().queue, vec![nails, pads]);
}

/// Double taps, two screens ticking one step, a step the sheet does not have: once, and in order.
#[test]
fn a_step_ticked_twice_counts_once() {
    let mut table = Table::begun();
    table.wait(6);
    let first = table.done();
    table.run(RunEvent::Done { step: first });
    table.run(RunEvent::Put {
        step: first,
        until: PutOff::Later,
        reason: String::new(),
    });
    table.run(RunEvent::Done { step: 999 });
    let sheet = table.sheet();
    table.run(RunEvent::Began { sheet });
    let run = table.visit().run.expect("runs");
    assert_eq!(
        run.steps
            .iter()
            .filter(|s| s.state == StepState::Done)
            .count(),
        1
    );
    assert!((run.steps[0].minutes - 6.0).abs() < 1e-9);
    // The log in another order, with repeats, is the same run.
    let mut shuffled: Vec<Entry> = table.entries.iter().rev().cloned().collect();
    shuffled.extend(table.entries.iter().take(5).cloned());
    assert_eq!(fold(&table.dog, &shuffled).run, Some(run));
}

/// Moving on times the step; a break is nobody's minutes; a clock set back takes none away; a lid
/// closed over night is not eight hours of nails.
#[test]
fn moving_on_times_the_step() {
    let mut table = Table::begun();
    table.wait(5);
    table.done();
    table.wait(2);
    table.run(RunEvent::Paused);
    assert_eq!(table.view().run.timed_from_ms, None);
    table.wait(30);
    table.run(RunEvent::Resumed);
    table.wait(3);
    table.done();
    table.now -= 120 * MINUTE;
    table.done();
    table.wait(1);
    table.done();
    table.wait(14 * 60);
    table.done();
    let run = table.visit().run.expect("runs");
    let minutes: Vec<f64> = run.steps.iter().take(5).map(|s| s.minutes).collect();
    assert!((minutes[0] - 5.0).abs() < 1e-9, "{minutes:?}");
    assert!(
        minutes.iter().all(|m| (0.0..=180.0).contains(m)),
        "{minutes:?}"
    );
    assert!(
        minutes.iter().sum::<f64>() <= 5.0 + 5.0 + 1.0 + 180.0 + 1e-9,
        "{minutes:?}"
    );
}

/// Handbook 7, *Heat*: a timer runs while a bare blade is in use, default 4 minutes; seen to, it
/// starts again; under a comb there is none.
#[test]
fn a_bare_blade_is_felt_after_four_minutes() {
    let mut table = Table::begun();
    let combed = table.until(|s| s.needs_comb_test);
    assert_eq!(table.view().feel_blade_ms, None, "a comb on step {combed}");
    table.until(|s| s.is_bare_blade);
    let from = table.now;
    assert_eq!(table.view().feel_blade_ms, Some(from + 4 * MINUTE));
    table.wait(3);
    assert_eq!(table.view().feel_blade_ms, Some(from + 4 * MINUTE));
    table.run(RunEvent::BladeSeenTo {
        how: Cooling::Swapped,
    });
    assert_eq!(table.view().feel_blade_ms, Some(table.now + 4 * MINUTE));
    table.run(RunEvent::Paused);
    assert_eq!(table.view().feel_blade_ms, None, "at rest it is off");
}

/// Handbook 6, *breaks*: short for old, young, unwell; none for the rest.
#[rstest]
#[case::grown(Some(40), None)]
#[case::old(Some(150), Some(20))]
#[case::puppy(Some(5), Some(20))]
#[case::nobody_said(None, None)]
fn the_old_and_the_young_rest(#[case] age: Option<u16>, #[case] minutes: Option<i64>) {
    let mut table = Table::with(dog(age));
    table.wait(4);
    table.done();
    assert_eq!(table.view().break_ms, minutes.map(|m| NINE + m * MINUTE));
    table.run(RunEvent::Paused);
    assert_eq!(table.view().break_ms, None);
    table.wait(5);
    table.run(RunEvent::Resumed);
    let again = minutes.map(|m| table.now + m * MINUTE);
    assert_eq!(table.view().break_ms, again);
}

/// Late is said early, with what could be left out, the cheapest a minute first; what it costs is
/// the plan's own balance with those parts as the clipper left them.
#[test]
fn running_late_says_what_could_be_left_out() {
    let mut table = Table::begun();
    let planned = table.view().to_go_minutes;
    assert!(
        table.view().pace.ends_with("on time."),
        "{}",
        table.view().pace
    );
    // The eye corners' 2 minutes, and twenty more.
    table.wait(22);
    table.done();
    let view = table.view();
    assert!(
        (view.late_minutes - 20.0).abs() < 1e-9,
        "{}",
        view.late_minutes
    );
    assert!(view.pace.ends_with("20 minutes late."), "{}", view.pace);
    assert!((view.to_go_minutes + 2.0 - planned).abs() < 1e-6);
    let costs: Vec<f64> = view
        .could_leave
        .iter()
        .map(|l| l.costs / l.minutes)
        .collect();
    assert!(costs.len() > 3 && costs.is_sorted(), "{costs:?}");

    let solved = table.desk(|d| d.plan(Reasons::Skip).expect("solves"));
    let (plan, sheet) = (&solved.plan, &solved.report.sheet);
    let worst = view.could_leave.last().expect("some");
    let zones = &sheet.steps[worst.step as usize - 1].zones;
    let mut longer = plan.lengths_mm.clone();
    for (i, spot) in plan.subject.spots.iter().enumerate() {
        if zones.contains(&spot.zone) {
            longer[i] = 60.0;
        }
    }
    let points = &plan.solution.points;
    let most = score(points, &longer) - score(points, &plan.lengths_mm);
    assert!(worst.costs > 1.0, "leaving legs to the rough-out shows");
    assert!(worst.costs < most, "but less than not roughing them at all");
}

/// *Vet first* ends a groom cleanly, with its reason and what was done; nothing counts after it
/// but a step taken up again.
#[test]
fn a_groom_broken_off_keeps_what_was_done() {
    let mut table = Table::begun();
    table.wait(5);
    let first = table.done();
    table.wait(3);
    table.run(RunEvent::Ended {
        how: RunEnd::VetFirst,
        reason: " lame behind ".into(),
    });
    table.wait(10);
    table.run(RunEvent::Done { step: first + 1 });
    let view = table.view();
    let ended = view.run.ended.as_ref().expect("ended");
    assert_eq!(
        (ended.how, ended.reason.as_str()),
        (RunEnd::VetFirst, "lame behind")
    );
    assert!(view.queue.is_empty());
    assert_eq!(view.run.steps[1].state, StepState::Open);
    assert!((view.worked_minutes - 8.0).abs() < 1e-9);
    assert!(view.run.timed_from_ms.is_none() && view.feel_blade_ms.is_none());

    table.run(RunEvent::Reopened { step: first + 1 });
    assert_eq!(
        table.current(),
        first + 1,
        "the vet found nothing: it goes on"
    );
}

#[test]
fn notes_and_reasons_stay_with_their_step() {
    let mut table = Table::begun();
    let step = table.current();
    table.run(RunEvent::Noted {
        step,
        text: "  ticklish, near hind ".into(),
    });
    table.run(RunEvent::Noted {
        step,
        text: "   ".into(),
    });
    table.run(RunEvent::RanOver {
        step,
        reason: OverReason::Knots,
    });
    let run = table.visit().run.expect("runs");
    assert_eq!(run.notes.len(), 1);
    assert_eq!(run.notes[0].text, "ticklish, near hind");
    assert_eq!(run.steps[0].ran_over, Some(OverReason::Knots));
    assert!(table.view().ran_over.is_empty(), "nothing is done yet");
    // Eye corners take 2 minutes; ten over ask for one reason.
    table.wait(12);
    table.done();
    let over = &table.view().ran_over[0];
    assert_eq!(over.words, "Eye corners: 10 min over");
    assert_eq!(over.reason, Some(OverReason::Knots));
}

fn slip(left: f64) -> Slip {
    Slip {
        zone: Zone::Back,
        hand: None,
        left_mm: mm(left),
        cause: None,
    }
}

/// Handbook 6, *uneven spots*: keep the parallel line or level to the shortest, whichever harms
/// less. A deep hole in a short back is kept in its line, a shallow one is levelled or left; weeks
/// are depth over growth (handbook 3: fleece 0.34 mm a day).
#[test]
fn a_slip_is_mended_with_the_least_harm() {
    let table = Table::begun();
    let solved = table.desk(|d| d.plan(Reasons::Skip).expect("solves"));
    let back = solved
        .plan
        .cuts
        .iter()
        .filter(|c| c.unit.zone() == Zone::Back);
    let lengths: Vec<f64> = back.flat_map(|c| c.leaves_mm.clone()).collect();
    let planned = lengths.iter().sum::<f64>() / lengths.len() as f64;

    let left = planned - 6.0;
    let ways = table.desk(|d| d.rescue(&slip(left)).expect("solves"));
    assert_eq!(ways.len(), 3);
    let by = |way: RescueWay| ways.iter().find(|o| o.way == way).expect("offered");
    let keep = by(RescueWay::KeepTheLine);
    assert!((keep.shows_mm.as_mm() - 6.0).abs() < 1e-6);
    assert!(keep.costs.abs() < 1e-12);
    // 6 mm at 0.34 a day are 17.6 days, 2.5 weeks: the third.
    assert_eq!(keep.weeks, Some(3));
    let level = by(RescueWay::LevelToIt);
    assert!(level.shows_mm.as_mm() < 1e-6);
    assert_eq!(
        level.limit_mm.map(|l| (l.as_mm() - left).abs() < 1e-6),
        Some(true)
    );
    let half = by(RescueWay::MeetHalfWay);
    assert!((half.shows_mm.as_mm() - 3.0).abs() < 1e-6);
    assert!(
        half.costs <= level.costs + 1e-6,
        "half a step costs no more than a whole"
    );
    // The salon's own way first (handbook 6, our default: keep the line), then the less hair lost.
    let order: Vec<RescueWay> = ways.iter().map(|o| o.way).collect();
    let [keep, half, level] = [
        RescueWay::KeepTheLine,
        RescueWay::MeetHalfWay,
        RescueWay::LevelToIt,
    ];
    assert_eq!(order, [keep, half, level]);
}

/// A 10 blade's slip on the back of a leg meant to stay long: shaving both legs to it is no way out
/// (common practice: hair cannot be added, a bald leg shows for months), whatever the outline says.
#[test]
fn a_leg_is_never_shaved_to_its_slip() {
    let table = Table::begun();
    for zone in [Zone::HindBack, Zone::ForeBack, Zone::HindOut] {
        let slip = Slip {
            zone,
            hand: Some(Hand::Right),
            left_mm: mm(1.5),
            cause: Some(SlipCause::Blade {
                tool: Uuid::from_u128(11),
            }),
        };
        let ways = table.desk(|d| d.rescue(&slip).expect("solves"));
        assert_eq!(ways[0].way, RescueWay::KeepTheLine, "{ways:?}");
        let said = &ways[0].sentence;
        assert!(said.contains(", right"), "the side is said: {said}");
        let shortest = ways.iter().filter_map(|w| w.limit_mm).map(Length::as_mm);
        // A lamb's leg is nowhere meant under a third of its length (handbook 5).
        assert!(shortest.fold(f64::MAX, f64::min) > 3.0, "{ways:?}");
    }
}

/// A salon that levels has its way first, where the look goes so short.
#[test]
fn the_salons_school_comes_first() {
    let table = Table::begun();
    let house = House {
        schools: Schools::default().with(Answer::LevelDown),
        ..House::default()
    };
    let (visit, kit) = (table.visit(), support::table::kit());
    let desk = Desk::new(&table.dog, &visit, &house, &kit);
    let ways = desk.rescue(&slip(10.0)).expect("solves");
    assert_eq!(ways[0].way, RescueWay::LevelToIt, "{ways:?}");
}

/// A reading longer than what stood before work is never believed; one typed while the server was
/// away is read when it is back, and what does not read stands as a note.
#[test]
fn a_reading_is_believed_where_it_can_be() {
    let mut table = Table::begun();
    while table
        .view()
        .run
        .current()
        .is_some_and(|s| !s.zones.contains(&Zone::Back))
    {
        table.done();
    }
    let step = table.current();
    let told = |table: &Table| table.view().at[0].told.clone();
    let read = |left: f64| RunEvent::Measured {
        step,
        zone: Zone::Back,
        hand: None,
        left_mm: mm(left),
    };
    table.run(read(400.0));
    assert!(told(&table)[0].contains("cannot be"), "{:?}", told(&table));
    table.run(RunEvent::MeasuredAs {
        step,
        zone: Zone::Back,
        hand: None,
        typed: "3 cm".into(),
        units: UnitSystem::Millimetres,
    });
    assert!(
        told(&table)[0].contains("30 mm stands"),
        "{:?}",
        told(&table)
    );
    table.run(RunEvent::MeasuredAs {
        step,
        zone: Zone::Back,
        hand: None,
        typed: "thirty".into(),
        units: UnitSystem::Millimetres,
    });
    let run = table.visit().run.expect("begun");
    assert!(run.notes.iter().any(|n| n.text.contains("“thirty”")));
}

/// What is already cut stays: levelling the back late, with the rest done, costs no less than
/// levelling it before.
#[test]
fn a_slip_keeps_the_work_that_is_done() {
    let mut table = Table::begun();
    let cost = |table: &Table| {
        let ways = table.desk(|d| d.rescue(&slip(8.0)).expect("solves"));
        let level = ways.iter().find(|o| o.way == RescueWay::LevelToIt);
        level.expect("offered").costs
    };
    let early = cost(&table);
    while !table.view().queue.is_empty() {
        table.done();
    }
    let late = cost(&table);
    assert!(late >= early - 0.1, "{late} after {early}");
}

/// Nonsense does no harm: a slip longer than the coat, on a part the plan does not cut.
#[rstest]
#[case(Zone::Back, 1e6)]
#[case(Zone::Back, 0.0)]
#[case(Zone::Foot, 400.0)]
#[case(Zone::Ear, 1.0)]
fn a_slip_that_cannot_be_gives_an_answer(#[case] zone: Zone, #[case] left: f64) {
    let table = Table::begun();
    let slip = Slip {
        zone,
        hand: None,
        left_mm: mm(left),
        cause: None,
    };
    let ways = table.desk(|d| d.rescue(&slip).expect("solves"));
    assert!(
        ways.iter()
            .all(|o| o.costs.is_finite() && o.shows_mm.as_mm() >= 0.0)
    );
    assert_eq!(table.dog.skin(), Skin::ORDINARY);
}

proptest! {
    #![proptest_config(ProptestConfig::with_cases(48))]

    /// Any events at any times, clocks at the ends of what a number holds: a run that can be looked
    /// at, every step in the queue once and not done, no minute negative.
    #[test]
    fn nonsense_at_the_table_does_no_harm(
        events in proptest::collection::vec((0_u8..9, 0_u32..40, any::<i64>()), 0..40),
        now in any::<i64>(),
    ) {
        let mut table = Table::begun();
        for (n, (kind, step, at_ms)) in events.into_iter().enumerate() {
            let event = match kind {
                0 => RunEvent::Done { step },
                1 => RunEvent::Put { step, until: PutOff::Later, reason: String::new() },
                2 => RunEvent::Put { step, until: PutOff::InTheBath, reason: String::new() },
                3 => RunEvent::Put { step, until: PutOff::NotToday, reason: String::new() },
                4 => RunEvent::Reopened { step },
                5 => RunEvent::Paused,
                6 => RunEvent::Resumed,
                7 => RunEvent::BladeSeenTo { how: Cooling::Oiled },
                _ => RunEvent::Ended { how: RunEnd::TakenAway, reason: String::new() },
            };
            table.entries.push(entry(5_000 + n as u128, at_ms, EntryBody::Run { event }));
        }
        table.now = now;
        let view = table.desk(|d| d.run(now).expect("solves"));
        // Events before the beginning are of no run.
        let view = view.expect("begun");
        let mut queue = view.queue.clone();
        queue.sort_unstable();
        queue.dedup();
        prop_assert_eq!(queue.len(), view.queue.len());
        for step in &view.run.steps {
            prop_assert!(step.minutes >= 0.0 && step.minutes.is_finite());
            let waits = view.queue.contains(&step.step);
            let is_over = view.run.ended.is_some();
            let can_wait = !matches!(step.state, StepState::Done | StepState::NotToday);
            prop_assert_eq!(waits, can_wait && !is_over);
        }
        prop_assert!(view.late_minutes.is_finite() && view.to_go_minutes >= -1e-6);
    }
}
