//! What is agreed, to be signed: everything agreed on stands on one page and none of it runs over.

use uuid::Uuid;
use veliform_core::consult::Talk;
use veliform_core::desk::Desk;
use veliform_core::dog::{Dog, House};
use veliform_core::drawing::DrawOptions;
use veliform_core::look::LookId;
use veliform_core::units::{Length, UnitSystem};
use veliform_core::visit::{LookChoice, fold};
use veliform_formats::{Agreement, agreement_svg, pdf};

fn slip(name: &str, look: LookId, units: UnitSystem) -> String {
    let dog: Dog =
        serde_json::from_value(serde_json::json!({"id": Uuid::from_u128(3), "name": name}))
            .expect("a dog");
    let mut visit = fold(&dog, &[]);
    visit.coat.all_over_mm = Length::from_mm(30.0).ok();
    visit.talk = Some(Talk {
        words: "as short as can be on the body, but never the ears, and the tail stays as full as it is; she \
                hates the dryer and will not have her feet touched, so please go slowly with all four"
            .into(),
        ..Talk::default()
    });
    visit.look = Some(LookChoice {
        look,
        body_mm: None,
    });
    let house = House {
        units,
        ..House::default()
    };
    let desk = Desk::new(&dog, &visit, &house, &[]);
    let (offer, solved) = desk.agreed().expect("solves");
    let drawing = desk.draw(Some(&solved), &DrawOptions::default());
    agreement_svg(&Agreement {
        name,
        owner: "The Siding family <of & Sons>",
        salon: "The Signal Box",
        day: "22 November 2026",
        back: Some("20 December 2026"),
        offer: &offer,
        more: &[("Agreed by", "Mrs Siding".into())],
        talk: visit.talk.as_ref(),
        drawing: &drawing,
        standing_caution: "When unsure, stop.",
    })
}

/// The words on a page, in the order they are written.
fn words(svg: &str) -> Vec<String> {
    let page = roxmltree::Document::parse(svg).expect("well-formed XML 1.0");
    page.descendants()
        .filter(|n| n.has_tag_name("text"))
        .filter_map(|n| n.text().map(str::to_owned))
        .collect()
}

#[test]
fn all_that_was_agreed_stands_on_it() {
    let said = words(&slip("Tappet", LookId::Lamb, UnitSystem::Millimetres));
    for wanted in [
        "Tappet",
        "Lamb",
        "Price",
        "Brushing at home",
        "Come back",
        "Agreed by",
        "Mrs Siding",
    ] {
        assert!(said.iter().any(|w| w == wanted), "{wanted}: {said:?}");
    }
    assert!(said.iter().any(|w| w == "about 20 December 2026"));
    assert!(said.iter().any(|w| w.contains("legs") && w.ends_with("mm")));
}

#[test]
fn inches_stand_in_inches() {
    let said = words(&slip("Tappet", LookId::Summer, UnitSystem::Inches));
    assert!(
        said.iter()
            .any(|w| w.starts_with("body ") && w.contains(" in"))
    );
}

/// A letter is about half its size wide: no line of any look runs over the page's 210 mm.
#[test]
fn no_line_runs_over_the_page() {
    let name = "Marchioness of the Upper Quadrant Signal at Little Siding";
    for look in LookId::ALL {
        let svg = slip(name, look, UnitSystem::Millimetres);
        let page = roxmltree::Document::parse(&svg).expect("well-formed XML 1.0");
        for node in page.descendants().filter(|n| n.has_tag_name("text")) {
            let of = |key: &str| node.attribute(key).and_then(|v| v.parse::<f64>().ok());
            let is_on_the_page = node.ancestors().all(|n| n.attribute("transform").is_none());
            let (Some(x), Some(size), true) = (of("x"), of("font-size"), is_on_the_page) else {
                continue;
            };
            let text = node.text().unwrap_or_default();
            let width = 0.6 * size * text.chars().count() as f64;
            let fits = match node.attribute("text-anchor") {
                Some("end") => x - width >= 0.0,
                _ => x + width <= 215.0,
            };
            assert!(fits, "{look:?}: “{text}” is {width:.0} mm from {x:.0}");
        }
        let bytes = pdf(&[svg.as_str()]).expect("a page");
        assert_eq!(&bytes[..5], b"%PDF-", "ISO 32000-2, 7.5.2");
    }
}

/// Words stand one under another, clear of where it is signed.
#[test]
fn no_line_lies_over_another() {
    for look in LookId::ALL {
        let svg = slip("Tappet", look, UnitSystem::Millimetres);
        let page = roxmltree::Document::parse(&svg).expect("well-formed XML 1.0");
        let on_the_page = page
            .descendants()
            .filter(|n| n.has_tag_name("text"))
            .filter(|n| n.ancestors().all(|n| n.attribute("transform").is_none()))
            .filter(|n| n.attribute("x") == Some("12") && n.text().is_some());
        let heights: Vec<f64> = on_the_page
            .filter_map(|n| n.attribute("y")?.parse().ok())
            .collect();
        assert!(heights.len() > 8);
        for pair in heights.windows(2) {
            assert!(pair[1] - pair[0] >= 3.5, "{look:?}: {pair:?}");
        }
    }
}
