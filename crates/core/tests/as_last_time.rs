//! The next visit: the last recipe on today's coat, corrections as limits, complaints found by zone
//! and date (handbook 9).

use crate::support;

use std::collections::BTreeMap;

use approx::assert_abs_diff_eq;
use support::tool;
use uuid::Uuid;
use veliform_core::coat::{Limit, Site, Texture, Zone};
use veliform_core::desk::{Before, Desk, Reasons};
use veliform_core::dog::{Dog, House};
use veliform_core::drawing::DrawOptions;
use veliform_core::finish::ZoneResult;
use veliform_core::frame::{Measure, Method, TakenMeasure};
use veliform_core::kit::{Tool, ToolKind, UnderComb};
use veliform_core::look::{LineName, LineStop, LookId};
use veliform_core::run::{PutOff, RunEnd, RunEvent};
use veliform_core::schools::{Answer, Schools};
use veliform_core::sheet::Step;
use veliform_core::units::Length;
use veliform_core::visit::{
    Correction, EarlierVisit, Entry, EntryBody, KeptPlan, LookChoice, Past, Recipe, Record, Visit,
    Wants, fold, past,
};

const DAY_MS: i64 = 86_400_000;

fn mm(value: f64) -> Length {
    Length::from_mm(value).expect("finite")
}

fn dog() -> Dog {
    serde_json::from_value(serde_json::json!({
        "id": Uuid::from_u128(1), "name": "Ballast", "texture": "curl"
    }))
    .expect("a dog")
}

fn kit() -> Vec<Tool> {
    vec![
        tool(1, ToolKind::Blade, 1.5),
        tool(2, ToolKind::Blade, 6.4),
        tool(3, ToolKind::Comb, 13.0),
        tool(4, ToolKind::Comb, 16.0),
        tool(5, ToolKind::Comb, 25.0),
    ]
}

fn visit(coat_mm: f64) -> Visit {
    let mut visit = fold(&dog(), &[]);
    for (measure, value) in [
        (Measure::HeightAtWithers, 460.0),
        (Measure::BodyLength, 500.0),
    ] {
        let taken = TakenMeasure::by(Method::HeightStick, mm(value));
        visit.frame.measures.insert(measure, taken);
    }
    visit.coat.all_over_mm = Some(mm(coat_mm));
    visit.look = Some(LookChoice {
        look: LookId::Lamb,
        body_mm: None,
    });
    visit.lines.put(LineStop::FromOcciput);
    visit
}

fn kept(visit: &Visit) -> KeptPlan {
    let (dog, house, kit) = (dog(), House::default(), kit());
    let desk = Desk::new(&dog, visit, &house, &kit);
    let view = desk
        .plan_view(Reasons::Skip, &DrawOptions::default())
        .expect("solves");
    KeptPlan {
        id: Uuid::from_u128(77),
        at_ms: 0,
        method: view.plan.method.clone(),
        visit: visit.clone(),
        report: view.plan,
        drawing: view.evaluation.drawing,
        dog,
        house,
        kit,
    }
}

/// A visit 42 days ago, its plan kept.
fn past_of(visit: Visit) -> Past {
    let plan = kept(&visit);
    let earlier = EarlierVisit::new(Uuid::from_u128(9), 0, visit, Some(plan));
    past(&[earlier], 42 * DAY_MS)
}

fn entry(n: u128, body: EntryBody) -> Entry {
    Entry {
        id: Uuid::from_u128(n),
        at_ms: i64::try_from(n).expect("small"),
        stamp_ms: None,
        author: String::new(),
        body,
    }
}

/// Today's visit: same dog, the coat grown since, the recipe taken.
fn again(past: &Past, more: Vec<EntryBody>) -> Visit {
    let grown = past.coat.as_ref().expect("it grew");
    let mut log = vec![
        entry(
            1,
            EntryBody::CoatGrown {
                zones_mm: grown.zones_mm.clone(),
                days: grown.days,
            },
        ),
        entry(
            2,
            EntryBody::RecipeTaken {
                recipe: past.last.as_ref().and_then(|last| last.recipe.clone()),
            },
        ),
    ];
    log.extend(more.into_iter().zip(3..).map(|(body, n)| entry(n, body)));
    let mut visit = fold(&dog(), &log);
    let before = self::visit(45.0);
    visit.frame = before.frame;
    visit
}

fn lengths(visit: &Visit) -> BTreeMap<Zone, (f64, f64)> {
    kept(visit)
        .report
        .units
        .iter()
        .map(|u| (u.zone, (u.from_mm.as_mm(), u.to_mm.as_mm())))
        .collect()
}

/// The same dog grown out again comes out as it did, to a comb's own scatter (1.5 mm, handbook 3):
/// a colleague gets the same lengths.
#[test]
fn a_grown_out_dog_comes_out_as_last_time() {
    let before = visit(45.0);
    let past = past_of(before.clone());
    let today = again(&past, Vec::new());
    assert_eq!(today.look, before.look);
    assert_eq!(today.lines.of(LineName::Nape), Some(LineStop::FromOcciput));
    let (then, now) = (lengths(&before), lengths(&today));
    let recipe = today.recipe.as_ref().expect("taken");
    assert!(recipe.zones.len() > 8);
    for zone in &recipe.zones {
        let ((from, to), (from_now, to_now)) = (then[&zone.zone], now[&zone.zone]);
        assert!(
            from_now >= from - 1.6 && to_now <= to + 1.6,
            "{}: {from}–{to} became {from_now}–{to_now}",
            zone.label
        );
    }
}

/// Curl grows .34 mm a day (balance-model.md 13, modelling choice), a little slower the longer it is:
/// 42 days are 14 mm at most.
#[test]
fn a_zone_is_found_by_date_with_its_growth_since() {
    let past = past_of(visit(45.0));
    let back = past
        .zones
        .iter()
        .find(|z| z.zone == Zone::Back)
        .expect("cut");
    assert_eq!(back.left.len(), 1);
    let then = back.left[0];
    let grown = then.today_mm.as_mm() - then.left_mm.as_mm();
    let straight = 0.34 * 42.0;
    assert!(grown <= straight && grown > 0.85 * straight, "{grown}");
    assert!(!then.was_measured);
}

#[test]
fn what_was_measured_goes_before_what_was_planned() {
    let mut before = visit(45.0);
    let result = ZoneResult {
        left_mm: Some(mm(9.0)),
        ..ZoneResult::default()
    };
    before.results.insert(Zone::Ribs, result);
    let past = past_of(before);
    let recipe = past.last.expect("a visit").recipe.expect("kept");
    let ribs = recipe
        .zones
        .iter()
        .find(|z| z.zone == Zone::Ribs)
        .expect("cut");
    assert!(ribs.was_measured);
    let middle = f64::midpoint(ribs.from_mm.as_mm(), ribs.to_mm.as_mm());
    assert_abs_diff_eq!(middle, 9.0, epsilon = 1e-6);
}

/// The recipe is what was done: with the tool that was said, without what was left undone at the table
/// (handbook 10 A 5).
#[test]
fn a_recipe_is_what_was_done_with_what_it_was_done() {
    let mut before = visit(45.0);
    let planned = kept(&before);
    let how = |recipe: &Recipe, zone: Zone| {
        let found = recipe.zones.iter().find(|z| z.zone == zone);
        found.map(|z| z.how.clone())
    };
    let as_planned = Recipe::of(&planned, &before);
    let ribs = how(&as_planned, Zone::Ribs).expect("cut");
    assert!(how(&as_planned, Zone::Throat).is_some());
    // Said at the check: the longer comb, over another blade.
    let longer = kit()[4].clone();
    before.results.insert(
        Zone::Ribs,
        ZoneResult {
            tool: Some(longer.id),
            under: Some(UnderComb::Ten),
            ..ZoneResult::default()
        },
    );
    // Run at the table: every step but those on the throat.
    let sheet = planned.report.sheet.clone();
    let steps = sheet.steps.clone();
    let events = std::iter::once(RunEvent::Began { sheet })
        .chain(steps.iter().map(|step| {
            let step = (step.number, step.stands.contains_key(&Zone::Throat));
            match step {
                (step, true) => RunEvent::Put {
                    step,
                    until: PutOff::NotToday,
                    reason: "it sat down".into(),
                },
                (step, false) => RunEvent::Done { step },
            }
        }))
        .chain([RunEvent::Ended {
            how: RunEnd::Finished,
            reason: String::new(),
        }]);
    let log: Vec<Entry> = events
        .zip(1..)
        .map(|(event, n)| entry(n, EntryBody::Run { event }))
        .collect();
    before.run = fold(&dog(), &log).run;
    let done = Recipe::of(&planned, &before);
    let otherwise = how(&done, Zone::Ribs).expect("cut");
    assert_ne!(otherwise, ribs);
    let printed = format!("{} comb over the 10", longer.printed);
    assert!(otherwise.contains(&printed), "{otherwise}");
    assert_eq!(how(&done, Zone::Throat), None, "nobody touched it");
    let crest = |recipe: &Recipe| how(recipe, Zone::Crest);
    assert!(crest(&done).is_some());
    assert_eq!(crest(&done), crest(&as_planned), "the rest is as planned");
    assert!(as_planned.sites.is_empty(), "nothing was run");
    small_places_come_back_with_their_tool(&done, &steps);
}

/// Handbook 10 B: of each site the tool used is kept; today's step says it where it is another.
fn small_places_come_back_with_their_tool(done: &Recipe, steps: &[Step]) {
    let on_pads = |steps: &[Step]| {
        let mut of_pads = steps.iter().filter(|s| s.sites.contains(&Site::Pads));
        of_pads.next().cloned().expect("pads are done on every dog")
    };
    let pads = done.sites.iter().find(|s| s.site == Site::Pads);
    let pads = pads.expect("its step was done");
    assert_eq!(pads.tool, on_pads(steps).tool);
    let (dog, kit, visit) = (dog(), kit(), visit(45.0));
    let today = |schools: Schools| {
        let house = House {
            schools,
            ..House::default()
        };
        let before = Before {
            recipe: Some(done.clone()),
            ..Before::default()
        };
        let desk = Desk::new(&dog, &visit, &house, &kit).with_before(before);
        let plan = desk.plan(Reasons::Skip).expect("solves");
        on_pads(&plan.report.sheet.steps).amounts
    };
    let says = |amounts: &[String]| amounts.iter().any(|a| a.starts_with("Last time pads: "));
    assert!(!says(&today(Schools::default())), "the same tool again");
    let by_scissors = today(Schools::default().with(Answer::PadsScissors));
    assert!(says(&by_scissors), "{by_scissors:?}");
}

/// "A touch shorter": the recorded length less what the owner wants off becomes a limit, and the
/// plan keeps it.
#[test]
fn a_complaint_becomes_a_limit_the_plan_keeps() {
    let past = past_of(visit(45.0));
    let zone = past
        .zones
        .iter()
        .find(|z| z.zone == Zone::Ribs)
        .expect("cut");
    let correction = Correction {
        zone: Zone::Ribs,
        began_ms: zone.left[0].began_ms,
        left_mm: zone.left[0].left_mm,
        wants: Wants::Shorter,
        by_mm: mm(4.0),
    };
    let today = again(&past, vec![EntryBody::Corrected { correction }]);
    let most = zone.left[0].left_mm.as_mm() - 4.0;
    let limit = today.coat.limits[&Zone::Ribs];
    assert_abs_diff_eq!(
        limit.not_longer_mm.expect("set").as_mm(),
        most,
        epsilon = 1e-9
    );
    assert!(lengths(&today)[&Zone::Ribs].1 <= most + 0.06);
    // The next visit knows it too.
    let next = past_of(today);
    let recipe = next.last.expect("a visit").recipe.expect("kept");
    assert!(recipe.limits.contains_key(&Zone::Ribs));
    let longer = Correction {
        wants: Wants::Longer,
        ..correction
    };
    let own = Limit {
        not_shorter_mm: Some(mm(2.0)),
        not_longer_mm: Some(mm(3.0)),
        ..Limit::default()
    };
    assert_eq!(longer.into_limit(own).not_longer_mm, None, "it contradicts");
    assert_eq!(
        correction.into_limit(own).not_shorter_mm,
        Some(mm(2.0)),
        "it still holds"
    );
}

#[test]
fn a_coat_that_has_not_grown_back_is_said() {
    let past = past_of(visit(45.0));
    let mut today = again(&past, Vec::new());
    today.coat.zones_mm = BTreeMap::from([(Zone::Crest, mm(2.0))]);
    let report = kept(&today).report;
    assert!(
        report
            .unmet
            .iter()
            .any(|w| w.zone == Zone::Crest && w.message.contains("Let it grow")),
        "{:?}",
        report.unmet
    );
}

#[test]
fn the_record_goes_to_the_next_stylist() {
    let mut before = visit(45.0);
    before.record = Record {
        behaviour: "Calm once the dryer was off.".into(),
        unfinished: "Left hind foot.".into(),
        ..Record::default()
    };
    before.coat.texture = Texture::Curl;
    let last = past_of(before.clone()).last.expect("a visit");
    assert_eq!(last.record, before.record);
    assert_eq!(last.days, 42);
    before.record.told = "x".repeat(700);
    let (dog, house, kit) = (dog(), House::default(), kit());
    let desk = Desk::new(&dog, &before, &house, &kit);
    assert!(
        desk.problems
            .iter()
            .any(|p| p.message.contains("shorten it to 600"))
    );
}

/// A correction or a recipe that cannot be is said in a sentence and moves no length.
#[test]
fn a_correction_that_cannot_be_is_no_limit() {
    let past = past_of(visit(45.0));
    let nonsense = Correction {
        zone: Zone::Ear,
        began_ms: 0,
        left_mm: mm(-30.0),
        wants: Wants::Longer,
        by_mm: mm(-500.0),
    };
    let mut today = again(
        &past,
        vec![EntryBody::Corrected {
            correction: nonsense,
        }],
    );
    assert!(!today.coat.limits.contains_key(&Zone::Ear));
    let recipe = today.recipe.as_mut().expect("taken");
    let zones = recipe.zones.len();
    recipe.zones[0].from_mm = mm(500.0);
    assert_eq!(recipe.as_limits(&BTreeMap::new()).len(), zones - 1);
    let (dog, house, kit) = (dog(), House::default(), kit());
    let desk = Desk::new(&dog, &today, &house, &kit);
    for said in ["type how much of what was left", "is left out; measure"] {
        assert!(
            desk.problems.iter().any(|p| p.message.contains(said)),
            "{said}"
        );
    }
}

/// Handbook 10 A 5: a dog has a full recipe and one for the summer. In June the one of last June is offered
/// beside May's, with what it leaves otherwise; taken, it is planned.
#[test]
fn this_time_of_the_year_has_a_recipe_of_its_own() {
    // Days since 1970: 3 June 2025, 12 May and 9 June 2026.
    let (june, may, today) = (20_242, 20_585, 20_613);
    let at = |n: u128, day: i64, visit: Visit| {
        let plan = kept(&visit);
        EarlierVisit::new(Uuid::from_u128(n), day * DAY_MS, visit, Some(plan))
    };
    let mut short = visit(40.0);
    short.look = Some(LookChoice {
        look: LookId::Summer,
        body_mm: None,
    });
    let visits = [at(1, june, short.clone()), at(2, may, visit(45.0))];
    let past = past(&visits, today * DAY_MS);
    let season = past.season.as_ref().expect("last June is remembered");
    assert_eq!(season.began_ms, june * DAY_MS);
    assert_eq!(season.recipe.look.look, LookId::Summer);
    let back = season.differs.iter().find(|z| z.zone == Zone::Back);
    let back = back.expect("a summer back is shorter");
    assert!(back.then_mm.as_mm() < back.last_mm.as_mm() - 3.0);
    for zone in &season.differs {
        let apart = (zone.then_mm.as_mm() - zone.last_mm.as_mm()).abs();
        assert!(apart >= 3.0, "{}: {apart}", zone.label);
    }
    let taken = EntryBody::RecipeTaken {
        recipe: Some(season.recipe.clone()),
    };
    let today = again(&past, vec![taken]);
    assert_eq!(today.look, short.look);
    let planned = lengths(&today)[&Zone::Back];
    let mean = f64::midpoint(planned.0, planned.1);
    assert!((mean - back.then_mm.as_mm()).abs() <= 1.5, "{planned:?}");

    // In November nothing is this season's: the last recipe stands alone.
    let november = 20_613 + 150;
    assert!(
        veliform_core::visit::past(&visits, november * DAY_MS)
            .season
            .is_none()
    );
}
