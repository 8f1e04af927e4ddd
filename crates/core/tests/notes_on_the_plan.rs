//! What stays off as chalk notes in free paper, and how long the dog reads under the rule.

use crate::support;

use kurbo::{Point, Rect, Shape as _};
use support::table::{dog, kit, mm};
use veliform_core::desk::{Desk, Reasons, Solved};
use veliform_core::dog::House;
use veliform_core::drawing::{Anchor, DrawOptions, Drawing, Geometry, Layers, Role, Shape, Tag};
use veliform_core::frame::{Felt, Grade, Measure, Method, TakenMeasure};
use veliform_core::look::LookId;
use veliform_core::page::View;
use veliform_core::visit::{LookChoice, fold};

/// A dog with faults enough that a plan leaves something off, drawn with its plan's notes.
fn planned(height: f64, look: LookId, coat_mm: f64, felt: &[Felt]) -> (Solved, Drawing) {
    let dog = dog(None);
    let mut visit = fold(&dog, &[]);
    let height = TakenMeasure::by(Method::HeightStick, mm(height));
    visit
        .frame
        .measures
        .insert(Measure::HeightAtWithers, height);
    for felt in felt {
        visit.frame.felt.insert(*felt, Grade::Marked);
    }
    visit.coat.all_over_mm = Some(mm(coat_mm));
    visit.look = Some(LookChoice {
        look,
        body_mm: None,
    });
    let (house, kit) = (House::default(), kit());
    let desk = Desk::new(&dog, &visit, &house, &kit);
    let solved = desk.plan(Reasons::Find).expect("solves");
    let options = DrawOptions {
        layers: Layers {
            lengths: true,
            lines: true,
            pins: true,
            ..Layers::default()
        },
        ..DrawOptions::default()
    };
    let drawing = desk.draw(Some(&solved), &options);
    (solved, drawing)
}

fn faulty_dogs() -> impl Iterator<Item = (Solved, Drawing)> {
    let looks = LookId::ALL
        .into_iter()
        .zip([300.0, 380.0, 460.0, 540.0, 620.0].into_iter().cycle());
    looks.map(|(look, height)| {
        let felt = [Felt::LongInBody, Felt::DipInBack, Felt::StraightBehind];
        planned(height, look, 0.06 * height, &felt)
    })
}

/// A dog is built long, open underneath or low on the leg only where that is what is wrong (common practice):
/// bodies from .8 to 1.3 of the height, legs from short to long.
#[test]
fn the_frame_is_named_by_the_side_that_is_wrong() {
    let mut said = 0;
    for look in [LookId::Lamb, LookId::OneLength, LookId::LongLegs] {
        for (body, elbow) in [
            (0.8, 0.62),
            (0.8, 0.45),
            (1.3, 0.62),
            (1.3, 0.40),
            (1.0, 0.52),
        ] {
            let dog = dog(None);
            let mut visit = fold(&dog, &[]);
            for (measure, share) in [
                (Measure::HeightAtWithers, 1.0),
                (Measure::BodyLength, body),
                (Measure::ElbowHeight, elbow),
            ] {
                let taken = TakenMeasure::by(Method::HeightStick, mm(440.0 * share));
                visit.frame.measures.insert(measure, taken);
            }
            visit.coat.all_over_mm = Some(mm(30.0));
            visit.look = Some(LookChoice {
                look,
                body_mm: None,
            });
            let (house, kit) = (House::default(), kit());
            let solved = Desk::new(&dog, &visit, &house, &kit).plan(Reasons::Find);
            for reason in &solved.expect("solves").report.reasons {
                for (built, wrong) in [
                    ("Built long", "too long"),
                    ("Built open", "too wide"),
                    ("Built low", "too short"),
                ] {
                    if reason.remedy.starts_with(built) {
                        assert!(reason.fault.contains(wrong), "{}", reason.fault);
                        said += 1;
                    }
                }
            }
        }
    }
    assert!(said >= 2, "{said} frames are named");
}

fn of_role(drawing: &Drawing, role: Role) -> impl Iterator<Item = &Shape> {
    drawing.shapes.iter().filter(move |s| s.role == role)
}

fn area_of(shape: &Shape) -> Option<Rect> {
    let Geometry::Text {
        at_mm: [x, y],
        text,
        size_mm,
        anchor,
    } = &shape.geometry
    else {
        return None;
    };
    let wide = 0.5 * size_mm * text.chars().count() as f64;
    let left = match anchor {
        Anchor::Start => *x,
        Anchor::Middle => x - 0.5 * wide,
        Anchor::End => x - wide,
    };
    Some(Rect::new(left, *y, left + wide, y + 0.7 * size_mm))
}

/// Every fault seen from the side is told at its place: in words, or by the number it has in the margin.
#[test]
fn each_fault_has_its_note_or_its_pin() {
    let mut noted = 0;
    for (solved, drawing) in faulty_dogs() {
        for (number, reason) in (1..).zip(&solved.report.reasons) {
            if reason.view != View::Side {
                continue;
            }
            let told = |role| of_role(&drawing, role).any(|s| s.tag == Some(Tag::Pin(number)));
            assert!(told(Role::NoteWords) != told(Role::Pin), "{}", reason.fault);
            noted += usize::from(told(Role::NoteWords));
            let words: Vec<String> = of_role(&drawing, Role::NoteWords)
                .filter(|s| s.tag == Some(Tag::Pin(number)))
                .filter_map(|s| match &s.geometry {
                    Geometry::Text { text, .. } => Some(text.clone()),
                    _ => None,
                })
                .collect();
            assert!(
                words.is_empty() || words.join(" ") == reason.fault,
                "{words:?}"
            );
            assert!(words.len() <= 3);
        }
    }
    assert!(noted >= 15, "{noted} notes on eleven faulty dogs");
}

/// Notes stand in free paper: no letter on the dog or on the coat it comes with.
#[test]
fn no_note_lies_on_the_dog() {
    for (_, drawing) in faulty_dogs() {
        let fills = [Role::Now, Role::NowFar, Role::PlanFill, Role::PlanFillFar];
        let dog: Vec<kurbo::BezPath> = drawing
            .shapes
            .iter()
            .filter(|s| fills.contains(&s.role))
            .filter_map(|s| match &s.geometry {
                Geometry::Fill { points_mm } => Some(path(points_mm)),
                _ => None,
            })
            .collect();
        for area in of_role(&drawing, Role::NoteWords).filter_map(area_of) {
            let corners = [
                Point::new(area.x0, area.y0),
                Point::new(area.x1, area.y0),
                Point::new(area.x0, area.y1),
                Point::new(area.x1, area.y1),
                area.center(),
            ];
            for piece in &dog {
                assert!(corners.iter().all(|p| piece.winding(*p) == 0), "{area:?}");
            }
        }
    }
}

fn path(points_mm: &[f64]) -> kurbo::BezPath {
    let mut path = kurbo::BezPath::new();
    for (i, p) in points_mm.chunks_exact(2).enumerate() {
        if i == 0 {
            path.move_to((p[0], p[1]));
        } else {
            path.line_to((p[0], p[1]));
        }
    }
    path.close_path();
    path
}

/// The two lengths under the rule say what the verdict says, and the planned one is as long against the
/// dog's height as it says (handbook 4, *body ratio*).
#[test]
fn the_lengths_under_the_rule_are_the_verdicts() {
    let (solved, drawing) = planned(460.0, LookId::Lamb, 40.0, &[Felt::LongInBody]);
    let texts: Vec<&str> = drawing
        .shapes
        .iter()
        .filter_map(|s| match &s.geometry {
            Geometry::Text { text, at_mm, .. } if at_mm[1] < 0.0 => Some(text.as_str()),
            _ => None,
        })
        .collect();
    let said = |start: &str| {
        texts
            .iter()
            .find(|t| t.starts_with(start))
            .copied()
            .expect("said")
    };
    let (reads, came) = (said("reads "), said("came "));
    let capital = reads.replacen('r', "R", 1);
    assert_eq!(solved.report.reads, format!("{capital}; {came}."));
    let bar = of_role(&drawing, Role::PlanLine).find_map(|s| match &s.geometry {
        Geometry::Strokes { ends_mm, .. } => Some(ends_mm.clone()),
        _ => None,
    });
    let x: Vec<f64> = bar.expect("a bar").chunks_exact(2).map(|p| p[0]).collect();
    let long =
        x.iter().copied().fold(f64::MIN, f64::max) - x.iter().copied().fold(f64::MAX, f64::min);
    let per_cent: f64 = reads
        .trim_start_matches("reads ")
        .trim_end_matches(" % long")
        .parse()
        .expect("a long dog");
    let plan = &solved.plan;
    let tall = {
        use veliform_core::balance::Place;
        use veliform_core::shape::Station;
        let spot = plan
            .subject
            .find(Place::Side(Station::Withers))
            .expect("judged");
        let at = &plan.subject.spots[spot];
        at.skin.y + at.hair.y * at.shows * plan.lengths_mm[spot]
    };
    // To the whole per cent it is written in, and the mean of the unit's places.
    assert!(
        (long / tall - 1.0 - per_cent / 100.0).abs() < 0.02,
        "{long} {tall} {reads}"
    );
}
