//! Ways out, priced: of knots inside and outside the planned edge (handbook 3, *Knots*), of a slip
//! beside a line (handbook 6, *uneven spots*), and what roughing out with a comb saves (handbook 6,
//! *Minutes*).

use crate::support;

use support::table::{Table, mm};
use veliform_core::balance::score;
use veliform_core::coat::{Knots, Patch, Texture, Zone, ZoneMarks};
use veliform_core::desk::Reasons;
use veliform_core::look::LookId;
use veliform_core::report::{KnotWay, KnottedZone};
use veliform_core::run::{RescueWay, Slip};
use veliform_core::sheet::Stage;
use veliform_core::units::Length;
use veliform_core::visit::{EntryBody, LookChoice};

fn knotted(zones: &[Zone], from_skin: Option<f64>) -> Table {
    let mut table = Table::begun();
    for zone in zones {
        table.say(EntryBody::KnotsSet {
            zone: *zone,
            knots: Knots::Tight,
        });
        table.say(EntryBody::MarksSet {
            zone: *zone,
            marks: ZoneMarks {
                knot_from_skin_mm: from_skin.map(mm),
                ..ZoneMarks::default()
            },
        });
    }
    table
}

fn ways(table: &Table) -> Vec<KnottedZone> {
    table.desk(|d| d.plan(Reasons::Find).expect("solves").report.knots)
}

/// Brushing costs the table's thirty minutes for tight knots on a medium dog (handbook 6) and
/// nothing in balance; knots at the skin shorten the zone to the blade that goes under them; every
/// cheaper way stands before a dearer one.
#[test]
fn knots_inside_the_edge_cost_minutes_or_outline() {
    let table = knotted(&[Zone::Hip], Some(0.0));
    let zones = ways(&table);
    assert_eq!(zones.len(), 1);
    let of = |way| zones[0].ways.iter().find(|w| w.way == way);
    let brush = of(KnotWay::Brush).expect("can be brushed");
    let cut = of(KnotWay::CutWith).expect("can be cut");
    assert!((brush.minutes - 30.0).abs() < 1e-9 && brush.costs < 1e-9);
    assert!(cut.minutes.abs() < 1e-9 && cut.costs > 0.5, "{}", cut.costs);
    assert!(cut.leaves_mm.as_mm() <= 3.2 + 1e-6);
    assert!(brush.leaves_mm.as_mm() > cut.leaves_mm.as_mm() + 3.0);
    assert!(
        brush
            .sentence
            .contains("30 minutes more; the balance holds")
    );
}

/// A topknot is not judged by the outline, and yet nobody shaves one for half an hour's brushing:
/// the hair that takes months to come back counts.
#[test]
fn a_topknot_is_brushed_before_it_is_shaved() {
    let zones = ways(&knotted(&[Zone::Topknot], Some(0.0)));
    let first = &zones[0].ways[0];
    assert_eq!((first.way, first.weeks), (KnotWay::Brush, Some(0)));
    let cut = zones[0].ways.iter().find(|w| w.way == KnotWay::CutWith);
    let cut = cut.expect("can be cut");
    // Handbook 3, *Growth*: fleece towards 250 mm at 0.34 mm a day at first.
    let to_go = |leaves: Length| 250.0 - leaves.as_mm();
    let days = 250.0 / 0.34 * (to_go(cut.leaves_mm) / to_go(first.leaves_mm)).ln();
    let weeks = f64::from(cut.weeks.expect("it grows"));
    assert!((weeks - days / 7.0).abs() <= 1.0, "{weeks} for {days} days");
    assert!(cut.sentence.contains("weeks until the hair is back"));
}

/// Two knotted zones share the brushing; each is priced by itself.
#[test]
fn brushing_is_shared_among_knotted_zones() {
    let zones = ways(&knotted(&[Zone::TuckUp, Zone::Chest], Some(0.0)));
    assert_eq!(zones.len(), 2);
    for zone in &zones {
        let brush = zone.ways.iter().find(|w| w.way == KnotWay::Brush);
        assert!((brush.expect("brushed").minutes - 15.0).abs() < 1e-9);
    }
}

/// *Outside the planned edge: it goes with the cut, do not brush it.*
#[test]
fn knots_outside_the_edge_go_with_the_cut() {
    let zones = ways(&knotted(&[Zone::TuckUp], Some(45.0)));
    let first = &zones[0].ways[0];
    assert_eq!(first.way, KnotWay::CutWith);
    assert!(first.costs < 0.5, "{}", first.costs);
    assert!(
        first.sentence.contains("they lie outside the edge"),
        "{}",
        first.sentence
    );
}

/// Where a line is shifted around a slip it is because that costs less than levelling alone, and
/// what is taken over costs what was said: the line placed and the zone held to the spot.
#[test]
fn a_line_is_shifted_only_where_that_saves_outline() {
    let mut shifted = 0;
    for zone in [
        Zone::Back,
        Zone::Ribs,
        Zone::Shoulder,
        Zone::Hip,
        Zone::Croup,
        Zone::Rump,
        Zone::Crest,
    ] {
        for left in [3.0, 8.0] {
            let table = Table::begun();
            let slip = Slip {
                zone,
                hand: None,
                left_mm: mm(left),
                cause: None,
            };
            let ways = table.desk(|d| d.rescue(&slip).expect("solves"));
            let of = |way| ways.iter().find(|o| o.way == way);
            // Shorter than the look goes is no way out.
            let Some(level) = of(RescueWay::LevelToIt) else {
                assert!(left < 8.0, "{zone:?}");
                continue;
            };
            let Some(shift) = of(RescueWay::ShiftTheLine) else {
                continue;
            };
            shifted += 1;
            assert!(shift.costs + 1.0 <= level.costs, "{zone:?}");
            let stop = shift.shifts.expect("a place");
            let mut after = Table::begun();
            after.say(EntryBody::LineMoved {
                line: stop.line(),
                stop: Some(stop),
            });
            let again = after.desk(|d| d.rescue(&slip).expect("solves"));
            let level_there = again.iter().find(|o| o.way == RescueWay::LevelToIt);
            // With the line moved first, levelling costs what the shift said, counted from the plan
            // there instead of the plan here.
            let worth = |t: &Table| {
                let plan = t.desk(|d| d.plan(Reasons::Skip).expect("solves").plan);
                score(&plan.solution.points, &plan.lengths_mm)
            };
            let costs = level_there.expect("levelled there").costs;
            let there = costs + worth(&after);
            let said = shift.costs + worth(&table);
            // Neither falls under nothing: what the shift betters is not counted below its plan, nor what
            // levelling betters below the plan there.
            assert!(
                costs <= 0.0 || there <= said + 0.3,
                "{zone:?}: {there} against {said}"
            );
            assert!(
                shift.sentence.contains("shift a line"),
                "{}",
                shift.sentence
            );
        }
    }
    assert!(shifted > 0, "no slip of all these is helped by a line");
}

/// What the coat will do is said with the plan's own numbers (handbook 3: *as-finished σ × 0.9*
/// after an hour; *on white the skin shows pink, leave more*; a whorl is turned).
#[test]
fn the_coat_says_what_it_will_do() {
    let mut table = Table::begun();
    let marks = ZoneMarks {
        patch: Patch::LightOnDark,
        has_whorl: true,
        ..ZoneMarks::default()
    };
    table.say(EntryBody::MarksSet {
        zone: Zone::Chest,
        marks,
    });
    let (truths, back) = table.desk(|d| {
        let solved = d.plan(Reasons::Skip).expect("solves");
        (
            solved.report.truths,
            solved.plan.zone_mm(Zone::Back).expect("cut"),
        )
    });
    let says = |part: &str| truths.iter().any(|t| t.contains(part));
    // Fleece stands at .85 (handbook 3).
    let stands = 0.85 * back;
    let number = |mm: f64| {
        if mm < 10.0 {
            format!("{mm:.1}")
        } else {
            format!("{mm:.0}")
        }
    };
    assert!(
        says(&format!("stands {} mm off", number(stands)))
            && says(&format!("{} mm an hour later", number(0.9 * stands))),
        "{truths:?}"
    );
    assert!(
        says("Light on the chest") && says("A whorl on the chest"),
        "{truths:?}"
    );
    // 60 mm of coat cut to a lamb's back.
    assert!(says("two light layers"), "{truths:?}");
    assert!(!says("double coat"));
    table.say(EntryBody::TextureSet {
        texture: Texture::Feathered,
    });
    table.say(EntryBody::LookChosen {
        choice: LookChoice {
            look: LookId::Summer,
            body_mm: None,
        },
    });
    let summer = table.desk(|d| d.plan(Reasons::Skip).expect("solves").report.truths);
    assert!(
        summer.iter().any(|t| t.starts_with("A double coat")),
        "{summer:?}"
    );
}

/// Legs roughed out by a comb say what is left to the shears and what that saves: 0.6 and 5 minutes a
/// leg against 20, the four legs having ten faces (handbook 6, *Minutes*, common practice).
#[test]
fn roughing_out_says_what_it_saves() {
    let table = Table::begun();
    let sheet = table.sheet();
    let rough: Vec<_> = sheet
        .steps
        .iter()
        .filter(|s| s.stage == Stage::Clip && s.what.starts_with("Rough out "))
        .collect();
    let faces = rough.iter().map(|s| s.zones.len()).sum::<usize>() as f64;
    let said: Vec<&str> = rough
        .iter()
        .flat_map(|s| &s.amounts)
        .filter_map(|a| a.strip_prefix("Saves ")?.strip_suffix(" minutes of shears"))
        .collect();
    // Said once, whatever number of steps it takes.
    assert_eq!(said.len(), 1, "{said:?}");
    let minutes: f64 = said[0].parse().expect("a number");
    let saved = 4.0 * faces / 10.0 * (20.0 - 5.6);
    assert!((minutes - saved).abs() < 1.5, "{minutes} of {saved:.1}");
    // Where nothing but a hand stops the tool, it is said where to stop.
    let held_off = rough.iter().filter(|s| s.stroke.contains("held off"));
    for step in held_off {
        let says = |a: &String| a.starts_with("Leave ") && a.ends_with("and a little");
        assert!(step.amounts.iter().any(says), "{:?}", step.amounts);
    }
}
