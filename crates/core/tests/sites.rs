//! Places the hand knows and the outline does not show (handbook 10 B).

use kurbo::Shape as _;
use rstest::rstest;
use veliform_core::coat::{Knots, Site, SiteMarks, SiteSkin, SiteState, Zone};
use veliform_core::desk::{Desk, Reasons};
use veliform_core::dog::{Dog, House, Sex};
use veliform_core::drawing::{DrawOptions, Geometry, Role, Sheet, Tag};
use veliform_core::frame::{FrameInput, Measure, Method, TakenMeasure, resolve};
use veliform_core::kit::Tool;
use veliform_core::look::LookId;
use veliform_core::page::View;
use veliform_core::schools::Answer;
use veliform_core::shape::{BellyReach, BothSides, Station, hygiene_area, site_places};
use veliform_core::sheet::{Caution, CutSheet, Stage, Step};
use veliform_core::units::UnitSystem;
use veliform_core::visit::{Entry, EntryBody, LookChoice, Visit, fold, refusals};

use crate::support::table::{NINE, dog, entry, kit, mm};

fn state(knots: Knots, skin: SiteSkin) -> SiteState {
    SiteState {
        knots,
        skin,
        length_mm: None,
    }
}

fn said_of(site: Site, left: SiteState, right: Option<SiteState>) -> EntryBody {
    let marks = SiteMarks { left, right };
    EntryBody::SiteSet { site, marks }
}

fn tight(site: Site) -> EntryBody {
    said_of(site, state(Knots::Tight, SiteSkin::Sound), None)
}

fn visit(dog: &Dog, more: Vec<EntryBody>) -> Visit {
    let taken = TakenMeasure::by(Method::HeightStick, mm(450.0));
    let measure = Measure::HeightAtWithers;
    let choice = LookChoice {
        look: LookId::Lamb,
        body_mm: None,
    };
    let first = vec![
        EntryBody::MeasureSet { measure, taken },
        EntryBody::CoatAllOver {
            length_mm: Some(mm(60.0)),
        },
        EntryBody::LookChosen { choice },
    ];
    let said = first.into_iter().chain(more);
    let entries: Vec<Entry> = said.zip(1..).map(|(b, n)| entry(n, NINE, b)).collect();
    fold(dog, &entries)
}

fn sheet_by(dog: &Dog, house: &House, kit: &[Tool], more: Vec<EntryBody>) -> CutSheet {
    let visit = visit(dog, more);
    let desk = Desk::new(dog, &visit, house, kit);
    desk.plan(Reasons::Skip).expect("solves").report.sheet
}

fn sheet(more: Vec<EntryBody>) -> CutSheet {
    sheet_by(&dog(Some(40)), &House::default(), &kit(), more)
}

fn sexed(sex: Sex, age_months: Option<u16>) -> Dog {
    Dog {
        sex,
        ..dog(age_months)
    }
}

fn of<'a>(sheet: &'a CutSheet, what: &str) -> &'a Step {
    let mut steps = sheet.steps.iter();
    let found = steps.find(|s| s.what.contains(what));
    found.expect(what)
}

fn frame(height: f64) -> veliform_core::frame::Frame {
    let mut input = FrameInput::default();
    input.measures.insert(
        Measure::HeightAtWithers,
        TakenMeasure::by(Method::HeightStick, mm(height)),
    );
    resolve(&input, UnitSystem::Millimetres)
}

/// Handbook 10 B: strip 0.05 H wide, 0.10 H up the tail, a tuft of 0.02 H left, inside thigh half of flank to
/// hock (house values), by hand from the frame's own numbers.
#[rstest]
#[case(250.0)]
#[case(450.0)]
#[case(680.0)]
fn the_hygiene_area_follows_the_frame(#[case] height: f64) {
    let frame = frame(height);
    let dog = BothSides::of(&frame);
    let area = hygiene_area(&dog, BellyReach::HalfWay);
    let (flank, hock) = (frame.build.flank, frame.build.hock);
    for (got, want) in [
        (area.strip_wide_mm, 0.05 * height),
        (area.up_the_tail_mm, 0.10 * height),
        (area.cover_mm, 0.02 * height),
        (area.thigh_down_mm, 0.5 * (flank - hock)),
    ] {
        assert!((got - want).abs() < 1e-9, "{got} is not {want}");
    }
}

/// Handbook 10 B: belly to half way from brisket to flank; males to where the underline has come within 0.01 H
/// of the brisket; males under 12 months all of it.
#[rstest]
#[case(250.0)]
#[case(450.0)]
#[case(680.0)]
fn the_belly_is_cleared_as_far_as_the_dog_wets_it(#[case] height: f64) {
    let frame = frame(height);
    let dog = BothSides::of(&frame);
    let skin = |s: Station| dog.shape.skin(s);
    let (brisket, flank) = (skin(Station::Brisket), skin(Station::FlankFold));
    let end = |reach| {
        let area = hygiene_area(&dog, reach);
        *area.belly.last().expect("a course")
    };
    let half = end(BellyReach::HalfWay);
    assert!((half.x - f64::midpoint(brisket.x, flank.x)).abs() < 0.02 * height);
    let risen = end(BellyReach::ToTheRise);
    assert!((risen.y - (brisket.y + 0.01 * height)).abs() < 0.005 * height);
    assert!(end(BellyReach::Whole).distance(brisket) < 1e-9);
}

/// A tail docked to less than 0.10 H has no more underside than that.
#[test]
fn the_strip_ends_with_a_docked_tail() {
    let mut frame = frame(450.0);
    for side in [&mut frame.build, &mut frame.right] {
        side.tail.kind = veliform_core::frame::TailKind::Stub;
        side.tail.length = 30.0;
    }
    let area = hygiene_area(&BothSides::of(&frame), BellyReach::HalfWay);
    assert!((area.up_the_tail_mm - 30.0).abs() < 1e-9);
}

#[rstest]
#[case::female(Sex::Female, 40, "half way to the brisket")]
#[case::male(Sex::Male, 40, "comes level with the brisket")]
#[case::young_male(Sex::Male, 9, "all of it, to the brisket")]
#[case::unknown(Sex::Unknown, 40, "half way to the brisket")]
fn the_sheet_says_how_far_the_belly_goes(#[case] sex: Sex, #[case] age: u16, #[case] to: &str) {
    let sheet = sheet_by(&sexed(sex, Some(age)), &House::default(), &kit(), vec![]);
    let hygiene = of(&sheet, "Hygiene area");
    let says = |words: &str| hygiene.amounts.iter().any(|a| a.contains(words));
    assert!(says(to), "{:?}", hygiene.amounts);
    // .05 and .1 of 450, to a whole millimetre.
    assert!(says("23 mm wide, 45 mm up,"), "{:?}", hygiene.amounts);
    assert_eq!(hygiene.sites.contains(&Site::Sheath), sex == Sex::Male);
}

/// Handbook 10 B: sex unknown, both cautions.
#[rstest]
#[case(Sex::Male, true, false)]
#[case(Sex::Female, false, true)]
#[case(Sex::Unknown, true, true)]
fn what_must_not_be_cut_is_covered(#[case] sex: Sex, #[case] male: bool, #[case] female: bool) {
    let sheet = sheet_by(&sexed(sex, Some(40)), &House::default(), &kit(), vec![]);
    let hygiene = of(&sheet, "Hygiene area");
    let says = |what: &str| hygiene.warns().any(|text| text.contains(what));
    assert_eq!((says("testicles"), says("nipples")), (male, female));
}

/// Clean to dirty by one blade (handbook 10 B, common practice): eyes, ears, what is knotted in front of the
/// belly, hygiene, pads.
#[test]
fn small_jobs_go_from_clean_to_dirty() {
    let sheet = sheet(vec![tight(Site::Armpit), tight(Site::BehindEar)]);
    let number = |what: &str| of(&sheet, what).number;
    let order = [
        number("Eye corners"),
        number("Ears"),
        number("Clear what is knotted"),
        number("Hygiene"),
        number("Pads"),
    ];
    assert!(order.is_sorted(), "{order:?}");
    let blades = ["Clear what is knotted", "Hygiene", "Pads"].map(|what| of(&sheet, what).tool_id);
    assert!(blades[0].is_some() && blades.iter().all(|b| *b == blades[0]));
}

/// Tight knots nobody sees are cleared by a blade beneath; the side is named, and a salon that brushes or cuts
/// knots out has no such step (handbook 3, *Knots*; 6, the school).
#[rstest]
#[case(Answer::KnotsInPlan, true)]
#[case(Answer::KnotsBrushed, false)]
#[case(Answer::KnotsCut, false)]
fn hidden_knots_are_cleared_where_the_salon_does_so(#[case] way: Answer, #[case] clears: bool) {
    let mut house = House::default();
    house.schools = house.schools.with(way);
    let left = said_of(
        Site::BehindEar,
        state(Knots::Tight, SiteSkin::Sound),
        Some(SiteState::default()),
    );
    let sheet = sheet_by(&dog(Some(40)), &house, &kit(), vec![left]);
    let cleared = sheet
        .steps
        .iter()
        .find(|s| s.what.contains("behind the ear, left"));
    assert_eq!(cleared.is_some(), clears);
    if let Some(step) = cleared {
        assert!(step.is_bare_blade && step.sites == [Site::BehindEar]);
    }
}

/// Handbook 7: never a knot scissored against the skin; a comb is slid beneath where the kit has no blade, and
/// scissors between the pads take no knot out.
#[test]
fn no_knot_is_scissored_against_the_skin() {
    let long: Vec<Tool> = kit()
        .into_iter()
        .filter(|t| t.leaves_mm.as_mm() > 3.5)
        .collect();
    let behind = vec![tight(Site::BehindEar)];
    let sheet = sheet_by(&dog(Some(40)), &House::default(), &long, behind);
    let step = of(&sheet, "Clear what is knotted");
    assert!(step.tool_id.is_none() && step.tool.contains("over a comb"));
    assert!(step.stroke.contains("slid beneath"));
    let mut house = House::default();
    house.schools = house.schools.with(Answer::PadsScissors);
    let toes = vec![tight(Site::BetweenToes)];
    let sheet = sheet_by(&dog(Some(40)), &house, &kit(), toes);
    assert!(!of(&sheet, "Pads").what.contains("knots"));
    let combs = &of(&sheet, "Comb out").amounts;
    assert!(combs.iter().any(|a| a.contains("between the toes")));
}

/// What is seen is not cleared in secret: every step that comes by says the knots instead (handbook 10 F).
#[test]
fn knots_that_stay_are_named_at_every_step_that_meets_them() {
    let sheet = sheet(vec![
        tight(Site::Elbow),
        EntryBody::KnotsSet {
            zone: Zone::Hip,
            knots: Knots::Tight,
        },
    ]);
    let meets = |step: &Step, zone: Zone| {
        let cuts = matches!(
            step.stage,
            Stage::Clip | Stage::Scissor | Stage::FeetAndBevels
        );
        cuts && step.zones.contains(&zone)
    };
    for (zone, place) in [
        (Zone::ForeBack, "at the elbow"),
        (Zone::Hip, "over the hip"),
    ] {
        let met: Vec<&Step> = sheet.steps.iter().filter(|s| meets(s, zone)).collect();
        assert!(!met.is_empty(), "a lamb trim cuts the {}", zone.label());
        for step in met {
            let says = |c: &Caution| c.is_this_dogs && c.text.contains(place);
            assert!(step.cautions.iter().any(says), "{}", step.what);
        }
    }
}

/// Handbook 7: what is true of the whole dog is said whole once and by name after it; what a place asks is said
/// whole wherever a tool comes by, and the usual cautions keep what must never be done.
#[test]
fn a_place_is_warned_of_whole_at_every_step() {
    let elbow = said_of(Site::Elbow, state(Knots::None, SiteSkin::Broken), None);
    let steps = sheet_by(&dog(Some(140)), &House::default(), &kit(), vec![elbow]).steps;
    let all = |step: Step| step.cautions.into_iter().map(|c| c.text);
    let broken: Vec<String> = steps.into_iter().flat_map(all).collect();
    let of_skin: Vec<&String> = broken
        .iter()
        .filter(|t| t.contains("Broken skin"))
        .collect();
    assert!(of_skin.len() > 1, "{broken:?}");
    assert!(
        of_skin.iter().all(|t| t.contains("no tool there")),
        "{of_skin:?}"
    );
    let count = |text: &str| broken.iter().filter(|t| *t == text).count();
    assert_eq!(count("Old skin: one blade longer; patch first."), 1);
    assert!(count("Old skin.") > 0);
    for never in [
        "never leave it on a table or in a loop",
        "never scissor a knot against the skin",
        "no edge into a fold",
    ] {
        assert!(broken.iter().any(|t| t.contains(never)), "{never}");
    }
}

/// Handbook 7: off broken skin, show it, a vet looks; red skin one blade longer. Nothing is diagnosed.
#[test]
fn tools_keep_off_broken_skin() {
    let at = |skin| said_of(Site::InsideThigh, state(Knots::None, skin), None);
    let broken = sheet(vec![at(SiteSkin::Broken)]);
    let hygiene = of(&broken, "Hygiene area");
    assert!(hygiene.tool_id.is_none() && hygiene.tool.contains("shears"));
    let first = &hygiene.cautions[0];
    assert!(first.is_this_dogs && first.text.contains("have a vet look"));
    let red = sheet(vec![at(SiteSkin::Red)]);
    let blade = of(&red, "Hygiene area").tool_id;
    let usual = of(&sheet(vec![]), "Hygiene area").tool_id;
    let leaves = |id| {
        let kit = kit();
        let tool = kit.iter().find(|t| Some(t.id) == id);
        tool.expect("a blade of the kit").leaves_mm.as_mm()
    };
    assert!(leaves(blade) > leaves(usual));
}

/// A blade that would take nothing off is not run (handbook 3, *a tool is run only where it takes off*).
#[test]
fn what_is_short_already_is_only_looked_at() {
    let short = |site| {
        let left = SiteState {
            length_mm: Some(mm(2.0)),
            ..SiteState::default()
        };
        said_of(site, left, None)
    };
    let sheet = sheet(vec![short(Site::Pads), short(Site::BetweenToes)]);
    let pads = of(&sheet, "Pads");
    assert!(pads.what.ends_with("short already, look only") && pads.tool_id.is_none());
}

/// An owner's limit over the belly is not cut through in silence.
#[test]
fn a_limit_on_the_underline_is_asked_about() {
    let limit = crate::support::limit(Some(25.0), None);
    let sheet = sheet(vec![EntryBody::LimitSet {
        zone: Zone::Underline,
        limit,
    }]);
    let says = |a: &String| a.contains("The owner wants 25 mm underneath");
    assert!(of(&sheet, "Hygiene area").amounts.iter().any(says));
}

/// Read as a whole a sheet says each usual caution once; at the table a step has all its own, and this dog's
/// cautions are said at each.
#[test]
fn a_usual_caution_is_said_once() {
    let house = House::default();
    let sheet = sheet_by(&dog(Some(200)), &house, &kit(), vec![tight(Site::Elbow)]);
    let cautions = || sheet.steps.iter().flat_map(|s| &s.cautions);
    let usual: Vec<&str> = cautions()
        .filter(|c| !c.is_this_dogs)
        .map(|c| c.text.as_str())
        .collect();
    let mut once = usual.clone();
    once.sort_unstable();
    once.dedup();
    assert_eq!(once.len(), usual.len());
    let stiff = cautions().filter(|c| c.text.contains("Stiff joints"));
    assert!(
        stiff.count() > 1,
        "an old dog's legs are minded at each step"
    );
}

#[test]
fn the_middle_of_a_dog_has_no_left_and_right() {
    let right = Some(SiteState::default());
    let both = said_of(Site::Belly, SiteState::default(), right);
    let said = [entry(1, NINE, both), entry(2, NINE, tight(Site::Armpit))];
    let refused = refusals(&dog(None), &[], &said);
    assert!(
        refused[0]
            .as_ref()
            .is_some_and(|s| s.contains("on the belly"))
    );
    assert_eq!(refused[1], None);
}

#[test]
fn a_length_that_no_site_carries_is_refused_in_a_sentence() {
    let long = SiteState {
        length_mm: Some(mm(900.0)),
        ..SiteState::default()
    };
    let dog = dog(None);
    let visit = visit(&dog, vec![said_of(Site::Armpit, long, None)]);
    let (house, kit) = (House::default(), kit());
    let desk = Desk::new(&dog, &visit, &house, &kit);
    let problem = desk.problems.iter().find(|p| p.field == "site.armpit");
    assert!(problem.is_some_and(|p| p.message.contains("in the armpit cannot be")));
}

#[test]
fn saying_nothing_takes_a_site_back() {
    let nothing = said_of(Site::Elbow, SiteState::default(), None);
    let visit = visit(&dog(None), vec![tight(Site::Elbow), nothing]);
    assert!(visit.coat.sites.is_empty());
}

/// A site shows in some view, on the dog; pairs left and right alike (the dog's own symmetry).
#[rstest]
fn every_site_has_a_place_on_the_dog(#[values(250.0, 450.0, 680.0)] height: f64) {
    let frame = frame(height);
    let dog = BothSides::of(&frame);
    let area = hygiene_area(&dog, BellyReach::HalfWay);
    for site in Site::ALL {
        let mut seen = 0;
        for view in [View::Side, View::Front, View::Rear] {
            for place in site_places(site, &dog, &area, view) {
                seen += 1;
                let mut path = kurbo::BezPath::new();
                path.move_to(place.outline[0]);
                place.outline[1..].iter().for_each(|p| path.line_to(*p));
                path.close_path();
                let bounds = path.bounding_box();
                assert!(path.area().abs() > 1.0, "{site:?} is a place, not a point");
                assert!(bounds.y0 > -0.02 * height && bounds.y1 < 1.6 * height);
                assert!(bounds.x0 > -0.5 * height && bounds.x1 < 1.7 * height);
                assert!(place.hand.is_none() || site.is_pair() || site_stands_in_pairs(site));
            }
        }
        assert!(seen > 0, "{site:?} is seen nowhere");
    }
}

/// Feet and what lies beside the middle come twice though a stylist says them once.
fn site_stands_in_pairs(site: Site) -> bool {
    matches!(site, Site::BesideAnus | Site::Pads | Site::BetweenToes)
}

/// What was said is drawn where it is, touchable, on the side it was said of.
#[test]
fn a_knotted_site_is_drawn_on_its_side() {
    let dog = dog(None);
    let left = said_of(
        Site::Armpit,
        state(Knots::Tight, SiteSkin::Red),
        Some(SiteState::default()),
    );
    let visit = visit(&dog, vec![left]);
    let (house, kit) = (House::default(), kit());
    let desk = Desk::new(&dog, &visit, &house, &kit);
    let options = DrawOptions {
        sheet: Sheet::Front,
        ..DrawOptions::default()
    };
    let drawing = desk.draw(None, &options);
    let of_site = |role: Role| {
        let shapes = drawing.shapes.iter();
        shapes.filter(move |s| s.role == role && s.tag == Some(Tag::Site(Site::Armpit)))
    };
    assert!(of_site(Role::Knots).count() >= 3);
    // From in front the dog's left lies on the page's right.
    for shape in of_site(Role::Knots).chain(of_site(Role::SoreSkin)) {
        let points: &[f64] = match &shape.geometry {
            Geometry::Line { points_mm, .. } => points_mm,
            Geometry::Fill { .. }
            | Geometry::Strokes { .. }
            | Geometry::Disc { .. }
            | Geometry::Text { .. } => &[],
        };
        assert!(!points.is_empty() && points.chunks(2).all(|p| p[0] > 0.0));
    }
}
