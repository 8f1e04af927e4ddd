//! What no view of the standing dog shows is drawn for the step that works there (handbook 10 B and D).

use crate::support::table::{Table, dog};

use veliform_core::coat::{Site, Zone};
use veliform_core::desk::Reasons;
use veliform_core::drawing::{DrawOptions, Drawing, Geometry, Role};
use veliform_core::page::WalkFrom;
use veliform_core::sheet::Step;

fn drawn(table: &Table, options: &DrawOptions) -> Drawing {
    table.desk(|desk| {
        let solved = desk.plan(Reasons::Skip).expect("solves");
        desk.draw(Some(&solved), options)
    })
}

/// The drawing for the first step of a groom that is wanted, with that step.
fn drawn_for(table: &Table, is_wanted: impl Fn(&Step) -> bool) -> (Step, Drawing) {
    let step = table.sheet().steps.into_iter().find(is_wanted);
    let step = step.expect("the sheet has it");
    let options = DrawOptions {
        step: Some(step.number),
        ..DrawOptions::default()
    };
    let drawing = drawn(table, &options);
    (step, drawing)
}

fn words(drawing: &Drawing, role: Role) -> Vec<&str> {
    drawing
        .shapes
        .iter()
        .filter(|shape| shape.role == role)
        .filter_map(|shape| match &shape.geometry {
            Geometry::Text { text, .. } => Some(text.as_str()),
            _ => None,
        })
        .collect()
}

/// Anatomy (common knowledge): four toes' pads before a big one; front feet are the larger.
#[test]
fn pads_are_done_on_lifted_feet_seen_from_below() {
    let table = Table::begun();
    let (_, drawing) = drawn_for(&table, |step| step.sites.contains(&Site::Pads));
    assert!(
        drawing.title.contains("feet from below"),
        "{}",
        drawing.title
    );
    let pads = drawing
        .shapes
        .iter()
        .filter(|shape| shape.role == Role::Feature);
    assert_eq!(pads.count(), 2 * 5);
    assert_eq!(words(&drawing, Role::ViewName), ["front foot", "hind foot"]);
    let wide = |text: &str| -> f64 {
        let number = text.split(' ').next().and_then(|n| n.parse().ok());
        number.expect("a number")
    };
    let across: Vec<f64> = words(&drawing, Role::DimensionNumber)
        .into_iter()
        .map(wide)
        .collect();
    assert!(across[0] > across[1], "{across:?}");
}

/// One distance stands in the step and on the drawing: how far the belly and the thigh are cleared.
#[test]
fn the_hygiene_area_is_drawn_from_below_with_the_steps_own_distances() {
    for months in [6, 40] {
        let table = Table::with(dog(Some(months)));
        let (step, drawing) = drawn_for(&table, |step| step.sites.contains(&Site::Belly));
        assert!(drawing.title.contains("from below"), "{}", drawing.title);
        let numbers = words(&drawing, Role::DimensionNumber);
        let belly = step
            .amounts
            .iter()
            .find(|a| a.starts_with("Belly:"))
            .expect("said");
        assert!(belly.contains(numbers[0]), "{belly} {numbers:?}");
        let thigh = step
            .amounts
            .iter()
            .find(|a| a.starts_with("Inside the thighs:"));
        let down = numbers[1].split(" down").next().expect("a length");
        assert!(thigh.expect("said").contains(down), "{thigh:?} {numbers:?}");
    }
}

/// Handbook 4: the eyes are opened in a U from above; handbook 10 D: from the inner corner towards the ear.
#[test]
fn the_eyes_are_opened_on_the_head_from_above_as_far_as_the_step_says() {
    let table = Table::begun();
    let (step, drawing) = drawn_for(&table, |step| step.zones == [Zone::Brow]);
    assert!(
        drawing.title.contains("head from above"),
        "{}",
        drawing.title
    );
    let numbers = words(&drawing, Role::DimensionNumber);
    assert!(step.to.starts_with(numbers[0]), "{} {numbers:?}", step.to);
    assert!(
        drawing
            .shapes
            .iter()
            .any(|shape| shape.role == Role::ClipLine),
        "the U"
    );
}

/// Everything drawn lies on its page, whatever the dog's size.
#[test]
fn a_close_up_keeps_to_its_page() {
    let table = Table::begun();
    for site in [Site::Pads, Site::Belly] {
        let (_, drawing) = drawn_for(&table, |step| step.sites.contains(&site));
        let [x0, y0, x1, y1] = drawing.bounds_mm;
        for shape in &drawing.shapes {
            let on_page = |x: f64, y: f64| (x0..=x1).contains(&x) && (y0..=y1).contains(&y);
            match &shape.geometry {
                Geometry::Text { at_mm, .. } => assert!(on_page(at_mm[0], at_mm[1]), "{shape:?}"),
                Geometry::Line { points_mm, .. } if shape.role == Role::Work => {
                    for p in points_mm.chunks_exact(2) {
                        assert!(on_page(p[0], p[1]), "{shape:?}");
                    }
                }
                _ => {}
            }
        }
    }
}

/// Handbook 6, *Check*: below, the feet are lifted; the walk's ring lies on a foot seen from there.
#[test]
fn the_walk_looks_at_lifted_feet_from_below() {
    let table = Table::begun();
    let options = DrawOptions {
        walk: Some(WalkFrom::Below),
        ..DrawOptions::default()
    };
    let drawing = drawn(&table, &options);
    assert!(
        drawing.title.contains("feet from below"),
        "{}",
        drawing.title
    );
    let rings = drawing
        .shapes
        .iter()
        .filter(|shape| shape.role == Role::Ring);
    assert_eq!(rings.count(), 1, "pads clean, edge even?");
    assert!(
        !drawing.shapes.iter().any(|shape| shape.role == Role::Work),
        "nothing is cut"
    );
}
