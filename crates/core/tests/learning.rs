//! The program learns: estimators against synthetic truth (they converge, and are never wild with
//! two readings), lengths really left, minutes really taken, growth; what to buy.

use crate::support;

use approx::assert_abs_diff_eq;
use proptest::prelude::*;
use rand::{RngExt, SeedableRng};
use rand_chacha::ChaCha8Rng;
use rand_distr::{Distribution, Normal};
use support::tool;
use uuid::Uuid;
use veliform_core::coat::{Texture, Zone};
use veliform_core::learn::{GrowthReading, Prior, growth_factor, learn};
use veliform_core::solve::OneWorker;

const PRIOR: Prior = Prior {
    value: 16.0,
    doubt: 1.3,
    scatter: 1.5,
};

#[test]
fn it_converges_on_the_truth_with_one_reading_in_ten_wild() {
    let mut rng = ChaCha8Rng::seed_from_u64(7);
    let truth = 17.4;
    let scatter = Normal::new(truth, 1.5).expect("a scatter");
    let readings: Vec<f64> = (0..400)
        .map(|i| {
            if i % 10 == 0 {
                rng.random_range(0.0..80.0)
            } else {
                scatter.sample(&mut rng)
            }
        })
        .collect();
    let learnt = learn(&readings, PRIOR);
    assert_abs_diff_eq!(learnt.value, truth, epsilon = 0.35);
    assert!(learnt.doubt < 0.15);
    // The plain mean is pulled away by the wild ones.
    let mean = readings.iter().sum::<f64>() / 400.0;
    assert!((mean - truth).abs() > 1.0, "{mean}");
}

/// With clean readings, normal scatter and a weak prior it is the arithmetic mean (by hand).
#[test]
fn clean_readings_give_their_mean() {
    let weak = Prior {
        doubt: 1e6,
        ..PRIOR
    };
    assert_abs_diff_eq!(learn(&[15.0, 16.0, 17.0], weak).value, 16.0, epsilon = 1e-6);
    // One reading, as sure as the default: half way (by hand: equal weights).
    let even = Prior {
        value: 10.0,
        doubt: 2.0,
        scatter: 2.0,
    };
    let learnt = learn(&[14.0], even);
    assert_abs_diff_eq!(learnt.value, 12.0, epsilon = 1e-9);
    assert_abs_diff_eq!(learnt.doubt, 2.0_f64.sqrt(), epsilon = 1e-9);
}

#[test]
fn nothing_read_is_the_default() {
    let learnt = learn(&[f64::NAN], PRIOR);
    assert_eq!(
        (learnt.value, learnt.doubt, learnt.readings),
        (16.0, 1.3, 0)
    );
}

proptest! {
    /// Two readings, however wild, never take the value further than half way to the nearer of
    /// them plus one default doubt.
    #[test]
    fn two_readings_are_never_wild(a in 0.0_f64..200.0, b in 0.0_f64..200.0) {
        let learnt = learn(&[a, b], PRIOR);
        let (low, high) = (a.min(b).min(16.0), a.max(b).max(16.0));
        prop_assert!((low..=high).contains(&learnt.value));
        prop_assert!(learnt.doubt <= PRIOR.doubt);
        // Far apart they say little: the default holds.
        if (a - b).abs() > 100.0 {
            prop_assert!((learnt.value - 16.0).abs() < 4.0, "{}", learnt.value);
        }
    }
}

/// A dog that grows at 1.3 of its texture's rate is found out (handbook 3, *Growth*); a zone that
/// was cut in between is no reading.
#[test]
fn a_dogs_own_growth_is_found() {
    let texture = Texture::Curl;
    let mut readings: Vec<GrowthReading> = [6.0, 13.0, 20.0, 30.0, 40.0]
        .into_iter()
        .flat_map(|left_mm| {
            [30.0, 42.0, 56.0].map(|days| GrowthReading {
                zone: Zone::Back,
                left_mm,
                now_mm: texture.growth_in(Zone::Back).after(left_mm, 1.3 * days),
                days,
            })
        })
        .collect();
    let few = growth_factor(&readings[..2], texture);
    let many = growth_factor(&readings, texture);
    assert_abs_diff_eq!(many.value, 1.3, epsilon = 0.03);
    assert!(
        few.value > 1.0 && few.value < many.value,
        "shrunk: {}",
        few.value
    );
    readings.push(GrowthReading {
        zone: Zone::Back,
        left_mm: 40.0,
        now_mm: 20.0,
        days: 42.0,
    });
    assert_eq!(growth_factor(&readings, texture).readings, 15);
}

mod from_the_log {
    use super::*;
    use std::collections::BTreeMap;
    use veliform_core::balance::score;
    use veliform_core::desk::{Desk, Reasons};
    use veliform_core::dog::{Dog, House, Topic};
    use veliform_core::drawing::DrawOptions;
    use veliform_core::finish::ZoneResult;
    use veliform_core::frame::{Measure, Method, TakenMeasure};
    use veliform_core::job::Job;
    use veliform_core::kit::{Tool, ToolKind};
    use veliform_core::look::LookId;
    use veliform_core::plan::{make_plan, what_to_buy};
    use veliform_core::report::StrokeName;
    use veliform_core::run::{Run, StepState};
    use veliform_core::salon_log::{learn_minutes, learn_tools, tool_work};
    use veliform_core::sheet::CutSheet;
    use veliform_core::units::Length;
    use veliform_core::visit::{KeptPlan, LookChoice, PlanInBrief, Visit, fold};

    fn dog() -> Dog {
        serde_json::from_value(serde_json::json!({
            "id": Uuid::from_u128(1), "name": "Ballast", "texture": "curl"
        }))
        .expect("a dog")
    }

    fn kit() -> Vec<Tool> {
        vec![
            tool(1, ToolKind::Blade, 1.5),
            tool(2, ToolKind::Comb, 16.0),
            tool(3, ToolKind::Comb, 25.0),
        ]
    }

    fn visit() -> Visit {
        let mut visit = fold(&dog(), &[]);
        let height = TakenMeasure::by(Method::HeightStick, Length::constant_mm(400.0));
        visit
            .frame
            .measures
            .insert(Measure::HeightAtWithers, height);
        visit.coat.all_over_mm = Some(Length::constant_mm(50.0));
        visit.look = Some(LookChoice {
            look: LookId::OneLength,
            body_mm: None,
        });
        visit
    }

    fn sheet(house: &House) -> CutSheet {
        let (dog, visit, kit) = (dog(), visit(), kit());
        let desk = Desk::new(&dog, &visit, house, &kit);
        desk.plan(Reasons::Skip).expect("solves").report.sheet
    }

    /// A run that took each step so many times what the sheet says.
    fn run_at(pace: f64, house: &House) -> Run {
        let sheet = sheet(house);
        let mut run = Run::begin(&sheet, 0);
        for (step, planned) in run.steps.iter_mut().zip(&sheet.steps) {
            step.state = StepState::Done;
            step.minutes = pace * planned.minutes;
        }
        run
    }

    #[test]
    fn minutes_are_learnt_from_runs_and_a_sheet_follows_them() {
        let mut house = House::default();
        let runs: Vec<Run> = (0..12).map(|_| run_at(1.5, &house)).collect();
        let learnt = learn_minutes(runs.iter()).topics;
        let clip = learnt
            .iter()
            .find(|t| t.topic == Topic::Clip)
            .expect("clipped");
        assert_abs_diff_eq!(clip.factor.value, 1.5, epsilon = 0.06);
        let few = learn_minutes(runs[..1].iter()).topics;
        let few = few.iter().find(|t| t.topic == Topic::Bath).expect("bathed");
        assert!(
            few.factor.value < 1.35,
            "one groom proves little: {}",
            few.factor.value
        );
        // Taken over, the sheet takes longer; and runs under the new sheet teach the same factor.
        let before = sheet(&house).minutes;
        house.minute_factors = learnt.iter().map(|t| (t.topic, t.factor.value)).collect();
        let after = sheet(&house).minutes;
        assert_abs_diff_eq!(after / before, 1.45, epsilon = 0.08);
        let again: Vec<Run> = (0..12).map(|_| run_at(1.0, &house)).collect();
        let again = learn_minutes(again.iter()).topics;
        let clip_again = again
            .iter()
            .find(|t| t.topic == Topic::Clip)
            .expect("clipped");
        assert!(clip_again.factor.value > 1.3, "{}", clip_again.factor.value);
    }

    /// Synthetic truth: one stylist takes 1.3 times the other's minutes and a large dog 1.2 times a
    /// small one's, crossed; the kind of work itself takes 1.1 times the table's. Each is found, and
    /// neither is counted for the other.
    #[test]
    fn sorts_of_grooms_are_told_apart() {
        use veliform_core::dog::{Sort, SortBy, SortFactor};
        let house = House::default();
        let sort = |by, name: &str| Sort {
            by,
            name: name.into(),
        };
        let mut rng = ChaCha8Rng::seed_from_u64(11);
        let scatter = Normal::new(0.0, 0.1).expect("a scatter");
        let mut runs = Vec::new();
        for i in 0..80 {
            let (who, slow) = if i % 2 == 0 { ("A", 1.3) } else { ("B", 1.0) };
            // Stylist A gets the large dogs more often.
            let (size, long) = if i % 4 < 2 && i % 3 != 0 || i % 8 == 0 {
                ("large", 1.2)
            } else {
                ("medium", 1.0)
            };
            let mut run = run_at(1.1 * slow * long, &house);
            for step in &mut run.steps {
                let off: f64 = scatter.sample(&mut rng);
                step.minutes *= off.exp();
            }
            run.sheet.sorts = vec![sort(SortBy::Stylist, who), sort(SortBy::Size, size)];
            runs.push(run);
        }
        let learnt = learn_minutes(runs.iter());
        let of = |by, name: &str| {
            let found = learnt.sorts.iter().find(|s| s.sort == sort(by, name));
            found.expect("learnt").factor.value
        };
        let stylists = of(SortBy::Stylist, "A") / of(SortBy::Stylist, "B");
        let sizes = of(SortBy::Size, "large") / of(SortBy::Size, "medium");
        assert_abs_diff_eq!(stylists, 1.3, epsilon = 0.05);
        assert_abs_diff_eq!(sizes, 1.2, epsilon = 0.05);
        // Taken over, a sheet of that sort takes as much longer.
        let mut ours = House {
            stylists: vec!["A".into(), "B".into()],
            ..House::default()
        };
        let with = |house: &House, stylist: &str| {
            let (dog, mut visit, kit) = (dog(), visit(), kit());
            visit.stylist = stylist.into();
            let desk = Desk::new(&dog, &visit, house, &kit);
            desk.plan(Reasons::Skip).expect("solves").report.sheet
        };
        ours.minutes_by = vec![SortFactor {
            sort: sort(SortBy::Stylist, "A"),
            factor: 1.3,
        }];
        assert!(ours.check().is_empty());
        let (a, b) = (with(&ours, "A"), with(&ours, "B"));
        assert_abs_diff_eq!(a.minutes / b.minutes, 1.3, epsilon = 0.03);
        assert!(a.sorts.contains(&sort(SortBy::Stylist, "A")));
        // All grooms of one sort: nothing to tell it from.
        assert!(learn_minutes(runs[..1].iter()).sorts.is_empty());
    }

    #[test]
    fn a_tool_is_learnt_from_what_it_left() {
        let (dog, kit, house) = (dog(), kit(), House::default());
        let visit = visit();
        let desk = Desk::new(&dog, &visit, &house, &kit);
        let view = desk
            .plan_view(Reasons::Skip, &DrawOptions::default())
            .expect("solves");
        let full = |row: &&veliform_core::report::UnitRow| row.stroke == StrokeName::Full;
        let row = view
            .plan
            .units
            .iter()
            .find(full)
            .expect("a full pass")
            .clone();
        let marked = kit
            .iter()
            .find(|t| Some(t.id) == row.tool_id)
            .expect("owned");
        let plan = KeptPlan {
            id: Uuid::from_u128(5),
            at_ms: 0,
            method: String::new(),
            dog: dog.clone(),
            visit: visit.clone(),
            house: house.clone(),
            kit: kit.clone(),
            report: view.plan,
            drawing: view.evaluation.drawing,
        };
        // Every groom leaves 1.2 mm more than the mark.
        let left = |by: f64| {
            let mm = Length::from_mm(row.from_mm.as_mm() + by).ok();
            let result = ZoneResult {
                left_mm: mm,
                ..ZoneResult::default()
            };
            let results = BTreeMap::from([(row.zone, result)]);
            (
                Visit {
                    results,
                    ..visit.clone()
                },
                PlanInBrief::of(&plan),
            )
        };
        let visits: Vec<_> = (0..20).map(|_| left(1.2)).collect();
        let learnt = learn_tools(visits.iter().map(|(visit, plan)| (visit, plan)), &kit);
        let one = learnt
            .iter()
            .find(|t| Some(t.tool) == row.tool_id)
            .expect("learnt");
        assert_eq!(one.leaves.readings, 20);
        assert_abs_diff_eq!(
            one.leaves.value,
            marked.leaves_mm.as_mm() + 1.2,
            epsilon = 0.2
        );
        // What was done with another tool teaches nothing of this one.
        let mut other = left(1.2);
        if let Some(result) = other.0.results.get_mut(&row.zone) {
            result.tool = Some(Uuid::from_u128(99));
        }
        assert!(learn_tools([(&other.0, &other.1)], &kit).is_empty());
    }

    #[test]
    fn the_kits_log_writes_itself() {
        let house = House::default();
        let runs = [run_at(1.0, &house), run_at(2.0, &house)];
        let work = tool_work(runs.iter(), &kit());
        assert!(!work.is_empty());
        for tool in &work {
            let planned: f64 = sheet(&house)
                .steps
                .iter()
                .filter(|s| s.tool_id == Some(tool.tool))
                .map(|s| s.minutes)
                .sum();
            assert_eq!(tool.grooms, 2);
            assert_abs_diff_eq!(tool.minutes, 3.0 * planned, epsilon = 1e-6);
        }
    }

    /// A kit of one blade and two long combs lacks what a short look of one length asks for; a comb
    /// that is owned is never offered.
    #[test]
    fn the_comb_worth_buying_betters_the_plans() {
        let (dog, kit, house) = (dog(), kit(), House::default());
        let mut jobs = Vec::new();
        for body in [10.0, 13.0, 19.0] {
            let mut visit = visit();
            visit.look = Some(LookChoice {
                look: LookId::OneLength,
                body_mm: Some(Length::constant_mm(body)),
            });
            jobs.push(Desk::new(&dog, &visit, &house, &kit).chosen_job());
        }
        let buy = what_to_buy(&jobs, &kit, &OneWorker).expect("solves");
        assert!(!buy.is_empty() && buy.len() <= 3);
        // With the comb bought the plans are made anew: as many as it says are better by their balance
        // or their minutes of shears, which is what a salon buys it for.
        let worth = |job: &Job, kit: &[Tool]| {
            let job = Job {
                kit: kit.to_vec(),
                ..job.clone()
            };
            let plan = make_plan(&job).expect("solves");
            let minutes: f64 = plan.cuts.iter().map(|c| c.scissor_minutes).sum();
            (score(&plan.solution.points, &plan.lengths_mm), minutes)
        };
        for offer in &buy {
            let mut bought = kit.clone();
            bought.push(Tool {
                id: Uuid::from_u128(999),
                kind: ToolKind::Comb,
                leaves_mm: offer.leaves_mm,
                ..kit[0].clone()
            });
            let better = jobs.iter().filter(|job| {
                let (was, is) = (worth(job, &kit), worth(job, &bought));
                is.0 < was.0 - 0.05 || is.1 < was.1 - 0.5
            });
            let better = better.count();
            assert!(
                better >= 1 && better >= offer.plans as usize,
                "{}",
                offer.sentence
            );
            assert!(
                [16.0, 25.0]
                    .iter()
                    .all(|mm| (offer.leaves_mm.as_mm() - mm).abs() > 1.5)
            );
        }
        let whole: Vec<Tool> = (1..60_u32)
            .map(|mm| tool(u128::from(mm), ToolKind::Comb, f64::from(mm)))
            .collect();
        assert!(
            what_to_buy(&jobs, &whole, &OneWorker)
                .expect("solves")
                .is_empty()
        );
    }
}
