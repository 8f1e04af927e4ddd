//! Everything a hand can find (handbook 2): what each felt grade stands for, which number wins, what
//! contradicts what, and where each number comes from.

use std::collections::BTreeMap;

use approx::assert_abs_diff_eq;
use proptest::prelude::*;
use rstest::rstest;
use veliform_core::frame::{
    Angle, AngleMethod, Build, BuildType, Felt, Finding, Frame, FrameInput, Grade, Measure, Method,
    Origin, QUICK_EIGHT, Severity, Stop, TailKind, TakenAngle, TakenMeasure, resolve,
};
use veliform_core::units::{Length, UnitSystem};

const H: f64 = 400.0;

fn mm(value: f64) -> Length {
    Length::from_mm(value).expect("finite")
}

fn tape(value: f64) -> TakenMeasure {
    TakenMeasure::by(Method::Tape, mm(value))
}

fn input() -> FrameInput {
    FrameInput {
        measures: BTreeMap::from([(Measure::HeightAtWithers, tape(H))]),
        ..FrameInput::default()
    }
}

fn frame(input: &FrameInput) -> Frame {
    resolve(input, UnitSystem::Millimetres)
}

fn feeling(felt: Felt, grade: Grade) -> Frame {
    let mut input = input();
    input.felt.insert(felt, grade);
    frame(&input)
}

/// Handbook 2, table of felt grades, slight and marked, as shares of the height: what moves by how
/// much against the dog on which nothing was felt.
#[rstest]
#[case::neck(Felt::ShortNeck, |b: &Build| b.neck, -0.04, -0.08)]
#[case::dip(Felt::DipInBack, |b: &Build| b.back_drop, 0.015, 0.035)]
#[case::high_rear(Felt::HighInRear, |b: &Build| b.hip, 0.015, 0.04)]
#[case::tail_set(Felt::LowTailSet, |b: &Build| b.tail_set, -0.03, -0.07)]
#[case::long(Felt::LongInBody, |b: &Build| b.length, 0.05, 0.12)]
#[case::short_on_leg(Felt::ShortOnLeg, |b: &Build| b.elbow, -0.03, -0.07)]
#[case::straight(Felt::StraightBehind, |b: &Build| b.bend_x, -0.025, -0.05)]
#[case::bent(Felt::WellBent, |b: &Build| b.bend_x, 0.02, 0.04)]
#[case::bow(Felt::ForeLegsBowed, |b: &Build| b.fore.bow, 0.01, 0.025)]
#[case::hocks_in(Felt::HocksIn, |b: &Build| 2.0 * b.hind.from_midline[1], -0.03, -0.07)]
#[case::bowed_out(Felt::HindBowedOut, |b: &Build| 2.0 * b.hind.from_midline[1], 0.03, 0.07)]
#[case::wide_at_stifle(Felt::WideBehind, |b: &Build| 2.0 * b.hind.from_midline[0], 0.03, 0.07)]
#[case::wide_at_foot(Felt::WideBehind, |b: &Build| 2.0 * b.hind.from_midline[2], 0.03, 0.07)]
fn a_grade_moves_what_it_stands_for(
    #[case] felt: Felt,
    #[case] read: fn(&Build) -> f64,
    #[case] slight: f64,
    #[case] marked: f64,
) {
    let usual = read(&frame(&input()).build);
    for (grade, share) in [
        (Grade::None, 0.0),
        (Grade::Slight, slight),
        (Grade::Marked, marked),
    ] {
        let moved = read(&feeling(felt, grade).build) - usual;
        assert_abs_diff_eq!(moved, share * H, epsilon = 1e-9);
    }
}

/// Handbook 2: front feet turned out 10° and 22°, in 8° and 15°; heavy shoulder 2 and 5 % of the
/// height over the rib width.
#[test]
fn grades_in_degrees_and_the_heavy_shoulder() {
    let turn = |felt, grade| feeling(felt, grade).build.fore.turnout_deg;
    assert_abs_diff_eq!(turn(Felt::ForeFeetOut, Grade::Slight), 10.0);
    assert_abs_diff_eq!(turn(Felt::ForeFeetOut, Grade::Marked), 22.0);
    assert_abs_diff_eq!(turn(Felt::ForeFeetIn, Grade::Slight), -8.0);
    assert_abs_diff_eq!(turn(Felt::ForeFeetIn, Grade::Marked), -15.0);
    for (grade, share) in [(Grade::Slight, 0.02), (Grade::Marked, 0.05)] {
        let b = feeling(Felt::HeavyShoulder, grade).build;
        assert_abs_diff_eq!(b.shoulder_width - b.rib_width, share * H, epsilon = 1e-9);
    }
}

/// Handbook 2, ± of each felt grade; not answered counts as none with double ±.
#[rstest]
#[case(Felt::DipInBack, Measure::BackDrop, 0.007)]
#[case(Felt::HighInRear, Measure::HipCrestHeight, 0.008)]
#[case(Felt::LowTailSet, Measure::TailSetHeight, 0.012)]
#[case(Felt::ShortOnLeg, Measure::ElbowHeight, 0.012)]
#[case(Felt::ShortNeck, Measure::NeckLength, 0.015)]
#[case(Felt::LongInBody, Measure::BodyLength, 0.02)]
#[case(Felt::HocksIn, Measure::HockSpacing, 0.012)]
#[case(Felt::WideBehind, Measure::HindFootSpacing, 0.012)]
fn a_grade_is_as_sure_as_the_table_says(
    #[case] felt: Felt,
    #[case] measure: Measure,
    #[case] share: f64,
) {
    let doubt = |frame: &Frame| frame.doubt_of(Finding::Measure(measure));
    assert_abs_diff_eq!(
        doubt(&feeling(felt, Grade::Slight)),
        share * H,
        epsilon = 1e-9
    );
    assert_abs_diff_eq!(doubt(&frame(&input())), 2.0 * share * H, epsilon = 1e-9);
}

/// Handbook 2, *Usual proportions* (from memory of ordinary medium dogs), shares of the height.
#[rstest]
#[case(Measure::BodyLength, 1.05)]
#[case(Measure::ElbowHeight, 0.52)]
#[case(Measure::HipCrestHeight, 1.00)]
#[case(Measure::TailSetHeight, 0.95)]
#[case(Measure::PinBoneHeight, 0.82)]
#[case(Measure::FlankFoldHeight, 0.60)]
#[case(Measure::StifleHeight, 0.50)]
#[case(Measure::HockHeight, 0.27)]
#[case(Measure::WristHeight, 0.19)]
#[case(Measure::HockReach, 0.07)]
#[case(Measure::LastRib, 0.63)]
#[case(Measure::NeckLength, 0.40)]
#[case(Measure::HeadLength, 0.40)]
#[case(Measure::ForeLegSide, 0.085)]
#[case(Measure::HindLegSide, 0.085)]
#[case(Measure::FootWidth, 0.10)]
#[case(Measure::ChestWidth, 0.30)]
#[case(Measure::RibWidth, 0.32)]
#[case(Measure::LoinWidth, 0.24)]
#[case(Measure::ThighWidth, 0.27)]
#[case(Measure::ElbowSpacing, 0.20)]
#[case(Measure::WristSpacing, 0.20)]
#[case(Measure::ForefootSpacing, 0.20)]
#[case(Measure::StifleSpacing, 0.20)]
#[case(Measure::HockSpacing, 0.20)]
#[case(Measure::HindFootSpacing, 0.20)]
fn an_ordinary_dog_has_the_usual_proportions(#[case] measure: Measure, #[case] share: f64) {
    let frame = frame(&input());
    let value = frame
        .values
        .iter()
        .find(|v| v.measure == measure)
        .expect("every measure has a value");
    assert_abs_diff_eq!(value.value_mm.as_mm(), share * H, epsilon = 1e-9);
    assert_eq!(value.origin, Origin::Estimated);
}

/// A retriever's 12 : 11 with the elbow at half the height, a terrier's square (published
/// standards, from memory, handbook 8).
#[test]
fn types_have_their_standards_proportions() {
    let of = |build| {
        let b = frame(&FrameInput { build, ..input() }).build;
        (b.length / b.height, b.elbow / b.height)
    };
    let (ratio, elbow) = of(BuildType::Retriever);
    assert_abs_diff_eq!(ratio, 12.0 / 11.0, epsilon = 1e-9);
    assert_abs_diff_eq!(elbow, 0.5, epsilon = 1e-9);
    assert_abs_diff_eq!(of(BuildType::Terrier).0, 1.0, epsilon = 1e-9);
    for build in BuildType::ALL {
        assert!(!build.source().is_empty() && !build.label().is_empty());
    }
}

#[rstest]
#[case(Method::Tape, Origin::Tape, 4.0)]
#[case(Method::HeightStick, Origin::HeightStick, 2.0)]
#[case(Method::Caliper, Origin::Caliper, 2.0)]
#[case(Method::Photo, Origin::Photo, 6.0)]
#[case(Method::Drawn, Origin::Drawn, 10.0)]
fn a_reading_carries_how_it_was_got(
    #[case] method: Method,
    #[case] origin: Origin,
    #[case] doubt: f64,
) {
    let mut input = input();
    let reading = TakenMeasure::by(method, mm(110.0));
    input.measures.insert(Measure::HockHeight, reading);
    let value = |input: &FrameInput| {
        let values = frame(input).values;
        *values
            .iter()
            .find(|v| v.measure == Measure::HockHeight)
            .expect("there")
    };
    assert_eq!(value(&input).origin, origin);
    assert_abs_diff_eq!(value(&input).doubt_mm.as_mm(), doubt);
    // A reading that says its own doubt is believed.
    let own = TakenMeasure {
        doubt_mm: Some(mm(9.5)),
        ..reading
    };
    input.measures.insert(Measure::HockHeight, own);
    assert_abs_diff_eq!(value(&input).doubt_mm.as_mm(), 9.5);
}

/// What cannot go together is named with both culprits, and the drawing goes on without one.
#[rstest]
#[case::hock_over_stifle((Measure::StifleHeight, 150.0), (Measure::HockHeight, 155.0))]
#[case::feet_wider_than_their_room((Measure::FootWidth, 80.0), (Measure::ForefootSpacing, 60.0))]
#[case::legs_wider_than_their_room((Measure::ForeLegFront, 60.0), (Measure::WristSpacing, 50.0))]
#[case::muzzle_without_a_skull((Measure::MuzzleLength, 100.0), (Measure::HeadLength, 120.0))]
#[case::an_ear_off_its_head((Measure::JawToEar, 75.0), (Measure::HeadLength, 130.0))]
#[case::elbows_outside_the_chest((Measure::ElbowSpacing, 160.0), (Measure::ChestWidth, 90.0))]
fn a_contradiction_names_both(#[case] one: (Measure, f64), #[case] other: (Measure, f64)) {
    let mut input = input();
    for (measure, value) in [one, other] {
        let confirmed = TakenMeasure {
            is_confirmed: true,
            ..tape(value)
        };
        input.measures.insert(measure, confirmed);
    }
    let frame = frame(&input);
    let culprits: Vec<&Vec<Measure>> = frame
        .problems
        .iter()
        .filter(|p| p.severity == Severity::Refused)
        .map(|p| &p.culprits)
        .collect();
    let named = culprits
        .iter()
        .any(|c| c.contains(&one.0) && c.contains(&other.0));
    assert!(named, "{:?}", frame.problems);
}

/// What is refused is not called unusual beside it: the field's one sentence is the one that says what to do.
#[test]
fn a_field_says_one_thing() {
    let mut input = input();
    let too_high = tape(0.232 * H);
    input.measures.insert(Measure::JawToEar, too_high);
    let problems = frame(&input).problems;
    assert_eq!(problems.len(), 1, "{problems:?}");
    assert_eq!(problems[0].severity, Severity::Refused);
}

/// Leather is 20 to 250 mm on any dog, a tail no longer than nine tenths of its height (handbook 10, *Bad
/// input*): refused in one sentence with the range, and the drawing goes on.
#[rstest]
#[case(Measure::EarLeather, 260.0, 620.0, "between 31 mm and 250 mm")]
#[case(Measure::EarLeather, 15.0, 220.0, "between 20 mm and 136 mm")]
#[case(Measure::TailLength, 380.0, 400.0, "between 0 mm and 360 mm")]
fn what_no_head_or_tail_has_is_refused(
    #[case] measure: Measure,
    #[case] value: f64,
    #[case] height: f64,
    #[case] says: &str,
) {
    let mut input = input();
    input
        .measures
        .insert(Measure::HeightAtWithers, tape(height));
    input.measures.insert(measure, tape(value));
    let frame = frame(&input);
    assert_eq!(frame.problems.len(), 1, "{:?}", frame.problems);
    assert_eq!(frame.problems[0].severity, Severity::Refused);
    assert!(
        frame.problems[0].message.contains(says),
        "{}",
        frame.problems[0].message
    );
    let value = frame.values.iter().find(|v| v.measure == measure);
    assert_eq!(value.expect("has one").origin, Origin::Estimated);
}

/// No leather is longer than neck and head together (handbook 10, *Bad input*): all three are named.
#[test]
fn a_leather_longer_than_neck_and_head_is_refused() {
    let mut input = input();
    for (measure, value) in [
        (Measure::NeckLength, 110.0),
        (Measure::HeadLength, 116.0),
        (Measure::EarLeather, 240.0),
    ] {
        let confirmed = TakenMeasure {
            is_confirmed: true,
            ..tape(value)
        };
        input.measures.insert(measure, confirmed);
    }
    let refused = frame(&input);
    assert_eq!(refused.problems.len(), 1, "{:?}", refused.problems);
    assert_eq!(refused.problems[0].culprits.len(), 3);
    assert!(refused.build.ear.length < 200.0, "the estimate stands in");
    input.measures.insert(Measure::EarLeather, tape(150.0));
    assert!(frame(&input).problems.is_empty());
}

/// A tail said to be docked that was measured long is used as measured, and asked about.
#[test]
fn a_docked_tail_measured_long_is_asked_about() {
    let mut input = input();
    input.tail = Some(TailKind::Stub);
    input.measures.insert(Measure::TailLength, tape(0.4 * H));
    let long = frame(&input);
    assert_eq!(long.problems.len(), 1, "{:?}", long.problems);
    assert!(long.problems[0].message.contains("no docked tail"));
    assert_abs_diff_eq!(long.build.tail.length, 0.4 * H);
    input.measures.insert(Measure::TailLength, tape(0.15 * H));
    assert!(frame(&input).problems.is_empty());
}

/// Ears that differ are not blamed on the feet.
#[test]
fn ears_that_differ_are_measured_again() {
    let mut input = input();
    let apart = TakenMeasure {
        right_mm: Some(mm(90.0)),
        ..tape(110.0)
    };
    input.measures.insert(Measure::EarLeather, apart);
    let frame = frame(&input);
    let says = &frame.problems[0].message;
    assert!(
        says.contains("left is 20 mm more") && says.contains("ear held askew"),
        "{says}"
    );
    assert!(!says.contains("foot"), "{says}");
    assert_abs_diff_eq!(frame.right.ear.length, 90.0);
}

/// An unusual value is used and doubted; measured again and confirmed it is used in silence.
#[test]
fn what_is_unusual_can_be_confirmed() {
    let mut input = input();
    let long = tape(1.6 * H);
    input.measures.insert(Measure::BodyLength, long);
    assert_eq!(frame(&input).problems.len(), 1);
    let confirmed = TakenMeasure {
        is_confirmed: true,
        ..long
    };
    input.measures.insert(Measure::BodyLength, confirmed);
    assert!(frame(&input).problems.is_empty());
    assert_abs_diff_eq!(frame(&input).build.length, 1.6 * H);
    // What cannot be is refused however often it is confirmed.
    let impossible = TakenMeasure {
        is_confirmed: true,
        ..tape(3.0 * H)
    };
    input.measures.insert(Measure::BodyLength, impossible);
    assert_eq!(frame(&input).problems[0].severity, Severity::Refused);
}

/// A right side given apart is the right side's alone; one that is not a pair has no right.
#[test]
fn sides_are_kept_apart_where_the_dog_has_two() {
    let mut input = input();
    let apart = |value, right| TakenMeasure {
        right_mm: Some(mm(right)),
        ..tape(value)
    };
    input
        .measures
        .insert(Measure::HockHeight, apart(108.0, 104.0));
    input
        .measures
        .insert(Measure::ChestWidth, apart(120.0, 90.0));
    let frame = frame(&input);
    assert_abs_diff_eq!(frame.build.hock, 108.0);
    assert_abs_diff_eq!(frame.right.hock, 104.0);
    assert_abs_diff_eq!(frame.right.chest_width, 120.0);
    let shown: Vec<Measure> = frame
        .values
        .iter()
        .filter(|v| v.right_mm.is_some())
        .map(|v| v.measure)
        .collect();
    assert_eq!(shown, [Measure::HockHeight]);
}

/// Turnout read wins over turnout felt, left and right each its own.
#[test]
fn an_angle_read_wins_over_a_grade_felt() {
    let mut input = input();
    input.felt.insert(Felt::ForeFeetOut, Grade::Marked);
    let read = TakenAngle {
        degrees: 5.0,
        right_degrees: Some(-3.0),
        method: AngleMethod::AngleRule,
    };
    input.angles.insert(Angle::ForeTurnout, read);
    let frame = frame(&input);
    assert_abs_diff_eq!(frame.build.fore.turnout_deg, 5.0);
    assert_abs_diff_eq!(frame.right.fore.turnout_deg, -3.0);
}

/// Nonsense in degrees is refused by name and range.
#[rstest]
#[case(f64::NAN)]
#[case(f64::INFINITY)]
#[case(400.0)]
#[case(-90.0)]
fn nonsense_in_degrees_is_refused(#[case] degrees: f64) {
    let mut input = input();
    let read = TakenAngle {
        degrees,
        right_degrees: None,
        method: AngleMethod::AngleRule,
    };
    for angle in Angle::ALL.into_iter().filter(|a| a.can_be_taken()) {
        input.angles.insert(angle, read);
    }
    let frame = frame(&input);
    assert_eq!(frame.problems.len(), 5, "{:?}", frame.problems);
    assert!(frame.build.fore.turnout_deg.abs() < 1e-9);
    assert!(frame.build.stifle_forward.is_finite());
}

/// The quick eight are among what the hand finds on its way, each once.
#[test]
fn the_quick_eight_lie_on_the_hands_way() {
    let found: Vec<Finding> = Stop::ALL.iter().flat_map(|s| s.findings()).collect();
    for measure in QUICK_EIGHT {
        let count = found
            .iter()
            .filter(|f| **f == Finding::Measure(measure))
            .count();
        assert_eq!(count, 1, "{measure:?}");
    }
    let labels: Vec<&str> = Stop::ALL.iter().map(|s| s.label()).collect();
    assert_eq!(labels[0], "Head and neck");
    assert_eq!(labels[6], "Flank and hind legs");
}

proptest! {
    /// Any measure taken in its usual range is the number drawn, whatever else was taken.
    #[test]
    fn a_measure_taken_is_the_measure_drawn(
        shares in prop::collection::btree_map(
            prop::sample::select(Measure::ALL.to_vec()), 0.0..1.0_f64, 1..10),
    ) {
        let mut input = input();
        for (measure, at) in &shares {
            if *measure == Measure::HeightAtWithers {
                continue;
            }
            let (low, high) = measure.ranges().unusual;
            // The last rib is a share of the body length, which may be taken too.
            let unit = if *measure == Measure::LastRib { 1.05 * H } else { H };
            input.measures.insert(*measure, tape((low + (high - low) * at) * unit));
        }
        let frame = frame(&input);
        let refused: Vec<Measure> = frame.problems.iter()
            .filter(|p| p.severity == Severity::Refused)
            .flat_map(|p| p.culprits.iter().copied())
            .collect();
        for (measure, taken) in &input.measures {
            if !refused.contains(measure) {
                let drawn = measure.of(&frame.build);
                let value = taken.value_mm.as_mm();
                prop_assert!((drawn - value).abs() < 1e-9, "{measure:?}: {value} drawn {drawn}");
            }
        }
    }

    /// Nothing typed ends the program, and every number of the frame stays finite.
    #[test]
    fn nonsense_never_breaks_the_frame(
        typed in prop::collection::btree_map(
            prop::sample::select(Measure::ALL.to_vec()), (-1e9..1e9_f64, prop::option::of(-1e9..1e9_f64)), 0..20),
        felt in prop::collection::btree_map(
            prop::sample::select(Felt::ALL.to_vec()),
            prop::sample::select(vec![Grade::None, Grade::Slight, Grade::Marked]), 0..17),
        angles in prop::collection::btree_map(
            prop::sample::select(Angle::ALL.to_vec()), -1e6..1e6_f64, 0..8),
    ) {
        let input = FrameInput {
            measures: typed.into_iter().map(|(m, (value, right))| {
                (m, TakenMeasure { right_mm: right.map(mm), ..tape(value) })
            }).collect(),
            felt,
            angles: angles.into_iter().map(|(a, degrees)| {
                (a, TakenAngle { degrees, right_degrees: None, method: AngleMethod::Photo })
            }).collect(),
            ..FrameInput::default()
        };
        let frame = frame(&input);
        for side in [&frame.build, &frame.right] {
            for measure in Measure::ALL {
                prop_assert!(measure.of(side).is_finite(), "{measure:?}");
            }
        }
        for problem in &frame.problems {
            prop_assert!(problem.message.ends_with('.'), "{}", problem.message);
        }
    }
}
