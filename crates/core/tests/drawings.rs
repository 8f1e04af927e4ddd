//! The drawing as a value: roles, marks, free places, the same page whatever is drawn.

use rstest::rstest;
use uuid::Uuid;
use veliform_core::balance::Judged;
use veliform_core::coat::{Knots, Patch, Texture, Zone, ZoneMarks};
use veliform_core::desk::{Desk, Reasons};
use veliform_core::dog::{Dog, House};
use veliform_core::drawing::{
    Anchor, DrawOptions, Drawing, Geometry, Layers, Role, Shape, Sheet, Tag,
};
use veliform_core::frame::{BuildType, Measure, Method, TakenMeasure};
use veliform_core::kit::Tool;
use veliform_core::look::LookId;
use veliform_core::page::View;
use veliform_core::units::Length;
use veliform_core::visit::{LookChoice, Visit, fold};

fn dog(build: BuildType, texture: Texture) -> Dog {
    let mut dog: Dog =
        serde_json::from_value(serde_json::json!({"id": Uuid::from_u128(1), "name": "Signal"}))
            .expect("a dog");
    dog.build = build;
    dog.texture = texture;
    dog
}

fn visit(dog: &Dog, height: f64) -> Visit {
    let mut visit = fold(dog, &[]);
    let taken = TakenMeasure::by(
        Method::HeightStick,
        Length::from_mm(height).expect("finite"),
    );
    visit.frame.measures.insert(Measure::HeightAtWithers, taken);
    visit.look = Some(LookChoice {
        look: LookId::Lamb,
        body_mm: None,
    });
    visit
}

fn everything() -> Layers {
    Layers {
        settled: true,
        ideal: true,
        measures: true,
        landmarks: true,
        lines: true,
        lengths: true,
        pins: true,
        ..Layers::default()
    }
}

fn draw(dog: &Dog, visit: &Visit, layers: Layers, with_plan: bool) -> Drawing {
    let (house, kit): (House, Vec<Tool>) = (House::default(), Vec::new());
    let desk = Desk::new(dog, visit, &house, &kit);
    let solved = with_plan.then(|| desk.plan(Reasons::Find).expect("solves"));
    let options = DrawOptions {
        layers,
        ..DrawOptions::default()
    };
    desk.draw(solved.as_ref(), &options)
}

fn numbers(geometry: &Geometry) -> Vec<f64> {
    match geometry {
        Geometry::Fill { points_mm }
        | Geometry::Line { points_mm, .. }
        | Geometry::Strokes {
            ends_mm: points_mm, ..
        } => points_mm.clone(),
        Geometry::Disc { at_mm, radius_mm } => vec![at_mm[0], at_mm[1], *radius_mm],
        Geometry::Text { at_mm, size_mm, .. } => vec![at_mm[0], at_mm[1], *size_mm],
    }
}

fn count(drawing: &Drawing, role: Role) -> usize {
    drawing.shapes.iter().filter(|s| s.role == role).count()
}

/// The five kinds of dog of dog-shape.md, and the ordinary one.
#[rstest]
#[case::square_curly(BuildType::SquareCurly, Texture::Curl, 460.0)]
#[case::long_low(BuildType::LongLow, Texture::Silky, 260.0)]
#[case::leggy(BuildType::Leggy, Texture::Harsh, 620.0)]
#[case::toy(BuildType::Toy, Texture::Curl, 230.0)]
#[case::spaniel(BuildType::Spaniel, Texture::Feathered, 370.0)]
#[case::ordinary(BuildType::Ordinary, Texture::Fleece, 460.0)]
fn every_kind_of_dog_is_drawn_whole(
    #[case] build: BuildType,
    #[case] texture: Texture,
    #[case] height: f64,
) {
    let dog = dog(build, texture);
    let drawing = draw(&dog, &visit(&dog, height), everything(), true);
    for role in [
        Role::Rule,
        Role::Now,
        Role::NowFar,
        Role::PlanFill,
        Role::PlanFillFar,
        Role::PlanLine,
        Role::SettledLine,
        Role::IdealLine,
        Role::Skin,
        Role::Feature,
        Role::ClipLine,
        Role::ZoneNumber,
        Role::Landmark,
        Role::Dimension,
    ] {
        assert!(count(&drawing, role) > 0, "no {role:?}");
    }
    let [left, bottom, right, top] = drawing.bounds_mm;
    for shape in &drawing.shapes {
        let values = numbers(&shape.geometry);
        assert!(values.iter().all(|v| v.is_finite()), "{:?}", shape.role);
        if let Geometry::Fill { points_mm } = &shape.geometry {
            for p in points_mm.chunks_exact(2) {
                let is_on_page = p[0] >= left && p[0] <= right && p[1] >= bottom && p[1] <= top;
                assert!(is_on_page, "{:?} leaves the page at {p:?}", shape.role);
            }
        }
    }
    // Only the near eye and the nose are dark (dog-shape.md 5).
    assert_eq!(count(&drawing, Role::Feature), 2);
    assert!(
        drawing
            .title
            .starts_with("Signal from the side, to scale, planned as lamb")
    );
}

/// Going from hands-on to plan reads as one drawing gaining marks: the page stays.
#[test]
fn the_page_is_the_same_whatever_is_drawn_on_it() {
    let dog = dog(BuildType::Ordinary, Texture::Fleece);
    let visit = visit(&dog, 460.0);
    let bare = draw(&dog, &visit, Layers::default(), false);
    let full = draw(&dog, &visit, everything(), true);
    let bits = |d: &Drawing| d.bounds_mm.map(f64::to_bits);
    assert_eq!(bits(&bare), bits(&full));
}

/// Labels find free places: no word over another word.
#[rstest]
#[case(BuildType::Ordinary, 460.0)]
#[case(BuildType::Toy, 230.0)]
#[case(BuildType::LongLow, 260.0)]
fn clip_words_and_landmark_names_do_not_cover_one_another(
    #[case] build: BuildType,
    #[case] height: f64,
) {
    let dog = dog(build, Texture::Fleece);
    let drawing = draw(&dog, &visit(&dog, height), everything(), true);
    let boxes: Vec<(f64, f64, f64, f64, String)> = drawing
        .shapes
        .iter()
        .filter(|s| matches!(s.role, Role::ClipWords | Role::LandmarkName))
        .filter_map(|s| match &s.geometry {
            Geometry::Text {
                at_mm,
                text,
                size_mm,
                anchor,
            } => {
                // Half an em a letter: narrower than any face, so a hit is a real one.
                let width = 0.5 * size_mm * text.chars().count() as f64;
                let left = match anchor {
                    veliform_core::drawing::Anchor::Start => at_mm[0],
                    veliform_core::drawing::Anchor::Middle => at_mm[0] - width / 2.0,
                    veliform_core::drawing::Anchor::End => at_mm[0] - width,
                };
                Some((
                    left,
                    at_mm[1],
                    left + width,
                    at_mm[1] + 0.7 * size_mm,
                    text.clone(),
                ))
            }
            _ => None,
        })
        .collect();
    assert!(boxes.len() >= 10);
    for (i, a) in boxes.iter().enumerate() {
        for b in &boxes[i + 1..] {
            let apart = a.2 <= b.0 || b.2 <= a.0 || a.3 <= b.1 || b.3 <= a.1;
            assert!(apart, "“{}” covers “{}”", a.4, b.4);
        }
    }
}

#[test]
fn marks_carry_what_touching_them_means() {
    let dog = dog(BuildType::Ordinary, Texture::Fleece);
    let mut visit = visit(&dog, 460.0);
    visit.coat.knots.insert(Zone::Flank, Knots::Tight);
    let drawing = draw(&dog, &visit, everything(), true);
    let has = |tag: Tag| drawing.shapes.iter().any(|s| s.tag == Some(tag));
    assert!(has(Tag::Measure(Measure::HeightAtWithers)));
    assert!(has(Tag::Measure(Measure::HockHeight)));
    assert!(has(Tag::Zone(Zone::Ribs)));
    assert!(has(Tag::Zone(Zone::Flank)), "knots can be touched");
    assert!(
        count(&drawing, Role::Knots) >= 5,
        "tight knots are hatched close"
    );
}

/// Never by tone alone: an estimate carries a tilde, a measure does not.
#[test]
fn estimates_and_measures_are_told_apart_in_writing() {
    let dog = dog(BuildType::Ordinary, Texture::Fleece);
    let drawing = draw(&dog, &visit(&dog, 460.0), everything(), false);
    let texts = |role: Role| -> Vec<String> {
        drawing
            .shapes
            .iter()
            .filter(|s| s.role == role)
            .filter_map(|s| match &s.geometry {
                Geometry::Text { text, .. } => Some(text.clone()),
                _ => None,
            })
            .collect()
    };
    assert!(texts(Role::EstimatedNumber).iter().all(|t| t.contains('~')));
    assert!(
        texts(Role::DimensionNumber)
            .iter()
            .all(|t| !t.contains('~'))
    );
    assert!(texts(Role::DimensionNumber).contains(&"460 ±2".to_owned()));
}

#[test]
fn layers_that_are_off_are_not_drawn() {
    let dog = dog(BuildType::Ordinary, Texture::Fleece);
    let nothing = Layers {
        table: false,
        now: false,
        plan: false,
        skin: false,
        ..Layers::default()
    };
    let drawing = draw(&dog, &visit(&dog, 460.0), nothing, true);
    for role in [
        Role::Rule,
        Role::Cross,
        Role::Now,
        Role::Skin,
        Role::ClipLine,
        Role::ZoneNumber,
    ] {
        assert_eq!(count(&drawing, role), 0, "{role:?}");
    }
}

/// A drawing is sent at every change: it stays under 150 kB (a budget of ours).
#[test]
fn a_full_drawing_is_small_enough_to_send_at_every_change() {
    let dog = dog(BuildType::LongLow, Texture::Silky);
    let drawing = draw(&dog, &visit(&dog, 260.0), everything(), true);
    let bytes = serde_json::to_vec(&drawing).expect("writes").len();
    assert!(bytes < 150_000, "{bytes}");
}

/// Handbook 4: each point is seen in its own view, as a plumb line, a rod, a measure; what the mark
/// touches lies on the page, and a plumb line hangs plumb.
#[rstest]
#[case::medium(BuildType::Ordinary, 460.0)]
#[case::long_low(BuildType::LongLow, 260.0)]
fn every_point_is_shown_in_its_own_view(#[case] build: BuildType, #[case] height: f64) {
    let dog = dog(build, Texture::Fleece);
    let visit = visit(&dog, height);
    let (house, kit): (House, Vec<Tool>) = (House::default(), Vec::new());
    let desk = Desk::new(&dog, &visit, &house, &kit);
    let solved = desk.plan(Reasons::Skip).expect("solves");
    for row in &solved.report.balance {
        let options = DrawOptions {
            sheet: match row.view {
                View::Side => Sheet::Side,
                View::Front => Sheet::Front,
                View::Rear => Sheet::Rear,
                View::Top => Sheet::Top,
            },
            point: Some(row.judged),
            ..DrawOptions::default()
        };
        let drawing = desk.draw(Some(&solved), &options);
        let marks: Vec<Vec<f64>> = drawing
            .shapes
            .iter()
            .filter(|s| s.role == Role::PointMark)
            .map(|s| numbers(&s.geometry))
            .collect();
        assert!(!marks.is_empty(), "{:?}", row.judged);
        let [left, bottom, right, top] = drawing.bounds_mm;
        for mark in &marks {
            for at in mark.chunks_exact(2) {
                let is_on = (left..=right).contains(&at[0]) && (bottom..=top).contains(&at[1]);
                assert!(is_on, "{:?} {at:?}", row.judged);
            }
        }
        if row.judged == Judged::RearSetIn {
            let plumb: Vec<f64> = marks.iter().map(|m| m[0] - m[2]).collect();
            assert!(plumb.iter().all(|lean| lean.abs() < 1e-9) && marks.len() == 2);
            // The two lines stand apart by the value on the table.
            let apart = (marks[0][0] - marks[1][0]).abs();
            let value: f64 = row.plan.parse().expect("a length");
            assert!((apart - value.abs()).abs() < 1.5, "{apart} {value}");
        }
        // What moves it is hatched there, where it shows there.
        let is_of_a_leg_on_end = matches!(row.judged, Judged::FrontEdges | Judged::RearEdges);
        assert!(
            !is_of_a_leg_on_end || count(&drawing, Role::Work) > 0,
            "{:?}",
            row.judged
        );
    }
}

/// No word lies over another, in any view, on dogs of every type and look (common practice of
/// drawings: a label over a label is none).
#[test]
fn no_word_lies_over_another() {
    let types = [
        BuildType::SquareCurly,
        BuildType::LongLow,
        BuildType::Leggy,
        BuildType::Toy,
        BuildType::Spaniel,
        BuildType::Terrier,
        BuildType::Retriever,
        BuildType::ShortFaced,
    ];
    for (n, look) in LookId::ALL.into_iter().cycle().take(22).enumerate() {
        let height = 200.0 + (n as f64 * 37.0) % 500.0;
        let dog = dog(types[n % types.len()], Texture::ALL[n % 5]);
        let mut visit = visit(&dog, height);
        visit.coat.all_over_mm = Some(Length::from_mm(0.10 * height).expect("finite"));
        visit.look = Some(LookChoice {
            look,
            body_mm: None,
        });
        let (house, kit) = (House::default(), crate::support::table::kit());
        let desk = Desk::new(&dog, &visit, &house, &kit);
        let solved = desk.plan(Reasons::Find).expect("solves");
        for sheet in [Sheet::Side, Sheet::Front, Sheet::Rear, Sheet::Top] {
            for has_lines in [false, true] {
                let layers = Layers {
                    lengths: true,
                    lines: has_lines,
                    pins: has_lines,
                    ..Layers::default()
                };
                let options = DrawOptions {
                    sheet,
                    layers,
                    ..DrawOptions::default()
                };
                let drawing = desk.draw(Some(&solved), &options);
                let words = words_of(&drawing);
                let led = drawing.shapes.iter().filter(|s| s.role == Role::Leader);
                for leader in led.map(|s| numbers(&s.geometry)) {
                    let over = words.iter().find(|(area, _)| is_struck(*area, &leader));
                    assert!(
                        over.is_none(),
                        "{look:?} {sheet:?}: a leader through {over:?}"
                    );
                }
                for (i, (a, text)) in words.iter().enumerate() {
                    for (b, other) in &words[i + 1..] {
                        let apart = a.x1 <= b.x0 || b.x1 <= a.x0 || a.y1 <= b.y0 || b.y1 <= a.y0;
                        assert!(apart, "{look:?} {sheet:?}: “{text}” over “{other}”");
                    }
                }
            }
        }
    }
}

/// Where the views share a sheet, a measure's number lies over no other word, the rule's among them, and over
/// no edge of the dog, however long its coat (common practice of drawings). The carrier on the height stick is no
/// word beside the dog but a thing that stands before it.
#[rstest]
fn among_four_views_a_measure_stands_clear(
    #[values(
        BuildType::SquareCurly,
        BuildType::LongLow,
        BuildType::Leggy,
        BuildType::Toy,
        BuildType::Spaniel,
        BuildType::Retriever
    )]
    build: BuildType,
    #[values(0.04, 0.10, 0.18)] coat: f64,
) {
    let height = 420.0;
    let dog = dog(build, Texture::Curl);
    let mut visit = visit(&dog, height);
    visit.coat.all_over_mm = Some(Length::from_mm(coat * height).expect("finite"));
    for (measure, share) in [(Measure::BodyLength, 1.08), (Measure::RibWidth, 0.32)] {
        let mm = Length::from_mm(share * height).expect("finite");
        let taken = TakenMeasure::by(Method::Tape, mm);
        visit.frame.measures.insert(measure, taken);
    }
    let (house, kit): (House, Vec<Tool>) = (House::default(), Vec::new());
    let desk = Desk::new(&dog, &visit, &house, &kit);
    let options = DrawOptions {
        sheet: Sheet::Four,
        layers: Layers {
            measures: true,
            landmarks: true,
            ..Layers::default()
        },
        ..DrawOptions::default()
    };
    let drawing = desk.draw(None, &options);
    let of_measures = |s: &&Shape| {
        let is_carrier = s.tag == Some(Tag::Measure(Measure::HeightAtWithers));
        s.role == Role::DimensionNumber && !is_carrier
    };
    let told: Vec<Shape> = drawing.shapes.iter().filter(of_measures).cloned().collect();
    let told = words_of(&Drawing {
        shapes: told,
        ..drawing.clone()
    });
    assert_eq!(told.len(), 2, "length and width: {told:?}");
    let words = words_of(&drawing);
    let edges: Vec<Vec<f64>> = drawing
        .shapes
        .iter()
        .filter(|s| s.role == Role::PlanLine)
        .map(|s| numbers(&s.geometry))
        .collect();
    for (area, text) in &told {
        let over = |(b, other): &&(kurbo::Rect, String)| {
            let meets = area.x0 < b.x1 && b.x0 < area.x1 && area.y0 < b.y1 && b.y0 < area.y1;
            meets && other != text
        };
        assert_eq!(words.iter().find(over), None, "{text}");
        let mut runs = edges.iter().flat_map(|e| e.windows(4).step_by(2));
        assert!(
            !runs.any(|run| is_struck(*area, run)),
            "{text} over an edge"
        );
    }
}

/// A coat of two colours is two-coloured from every side (handbook 3, *Zones*): a dark breast shows from in
/// front alone, in the middle and under the neck; a dog that is dark but for it is toned all over from behind
/// and above.
#[test]
fn a_patch_shows_in_the_views_that_show_its_zone() {
    let dog = dog(BuildType::Ordinary, Texture::Curl);
    let patched = |patch| {
        let mut visit = visit(&dog, 460.0);
        let marks = ZoneMarks {
            patch,
            ..ZoneMarks::default()
        };
        visit.coat.marks.insert(Zone::Chest, marks);
        visit
    };
    let seen = |visit: &Visit, sheet| {
        let (house, kit): (House, Vec<Tool>) = (House::default(), Vec::new());
        let desk = Desk::new(&dog, visit, &house, &kit);
        let solved = desk.plan(Reasons::Skip).expect("solves");
        let options = DrawOptions {
            sheet,
            ..DrawOptions::default()
        };
        desk.draw(Some(&solved), &options)
    };
    let dark = patched(Patch::DarkOnLight);
    for (sheet, shows) in [
        (Sheet::Side, true),
        (Sheet::Front, true),
        (Sheet::Rear, false),
        (Sheet::Top, false),
    ] {
        assert_eq!(
            count(&seen(&dark, sheet), Role::Patch) > 0,
            shows,
            "{sheet:?}"
        );
    }
    let breast: Vec<f64> = seen(&dark, Sheet::Front)
        .shapes
        .iter()
        .filter(|s| s.role == Role::Patch)
        .flat_map(|s| numbers(&s.geometry))
        .collect();
    // No broader than a dog's front is, under its ears, over its elbows.
    for at in breast.chunks(2) {
        assert!(at[0].abs() < 0.2 * 460.0, "{at:?}");
        assert!((0.4 * 460.0..1.1 * 460.0).contains(&at[1]), "{at:?}");
    }
    let bib = patched(Patch::LightOnDark);
    for sheet in [Sheet::Rear, Sheet::Top] {
        let drawing = seen(&bib, sheet);
        let coat = count(&drawing, Role::PlanFill) + count(&drawing, Role::PlanFillFar);
        assert_eq!(count(&drawing, Role::Patch), coat, "{sheet:?}");
    }
}

/// Whether a straight line from the first two numbers to the last two passes through an area.
fn is_struck(area: kurbo::Rect, line: &[f64]) -> bool {
    let (from, to) = ((line[0], line[1]), (line[2], line[3]));
    (0..=200).any(|n| {
        let along = f64::from(n) / 200.0;
        let x = from.0 + along * (to.0 - from.0);
        let y = from.1 + along * (to.1 - from.1);
        area.contains(kurbo::Point::new(x, y))
    })
}

/// Where words stand, as wide as their letters are on average and as high as a capital.
fn words_of(drawing: &Drawing) -> Vec<(kurbo::Rect, String)> {
    let shapes = drawing.shapes.iter();
    shapes
        .filter_map(|shape| match &shape.geometry {
            Geometry::Text {
                at_mm: [x, y],
                text,
                size_mm,
                anchor,
            } => {
                let wide = 0.55 * size_mm * text.chars().count() as f64;
                let left = match anchor {
                    Anchor::Start => *x,
                    Anchor::Middle => x - 0.5 * wide,
                    Anchor::End => x - wide,
                };
                let area = kurbo::Rect::new(left, *y, left + wide, y + 0.7 * size_mm);
                Some((area, text.clone()))
            }
            _ => None,
        })
        .collect()
}
