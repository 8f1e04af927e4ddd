//! The owner card: A5, read from two steps away, nothing lost and nothing beside the page.

use rstest::rstest;
use uuid::Uuid;
use veliform_core::desk::{Desk, Reasons};
use veliform_core::dog::{Dog, House};
use veliform_core::drawing::{DrawOptions, Drawing};
use veliform_core::visit::{CardLine, CardText, fold};
use veliform_formats::{OwnerCard, owner_card_pages, pdf};

/// A5 across, mm (ISO 216).
const PAGE: (f64, f64) = (210.0, 148.0);
const MM_A_POINT: f64 = 25.4 / 72.0;

fn drawing() -> Drawing {
    let dog: Dog =
        serde_json::from_value(serde_json::json!({"id": Uuid::from_u128(3), "name": "Tappet"}))
            .expect("a dog");
    let visit = fold(&dog, &[]);
    let house = House::default();
    let desk = Desk::new(&dog, &visit, &house, &[]);
    let solved = desk.plan(Reasons::Skip).expect("solves");
    desk.draw(Some(&solved), &DrawOptions::default())
}

fn line(line: CardLine, text: &str) -> CardText {
    CardText {
        line,
        title: line.label().into(),
        text: text.into(),
        usual: String::new(),
    }
}

fn usual() -> Vec<CardText> {
    vec![
        line(CardLine::NextVisit, "By then hair lies over the eyes."),
        line(CardLine::Today, "Body 13 mm, legs 21–33 mm, head 22 mm."),
        line(
            CardLine::AtHome,
            "Brush first on the ears and at the tuck-up, then comb: it must pass.",
        ),
        line(CardLine::Was, "Quiet."),
    ]
}

fn pages(name: &str, lines: &[CardText], days: u32) -> Vec<String> {
    owner_card_pages(&OwnerCard {
        name,
        salon: "The Signal Box",
        day: "2 December 2026",
        back: Some(("Wednesday 30 September", days)),
        lines,
        drawing: &drawing(),
        standing_caution: veliform_core::sheet::STANDING_CAUTION,
    })
}

/// Texts of a page that stand on it itself, not in the drawing: left edge, height, size and words.
fn texts(svg: &str) -> Vec<(f64, f64, f64, String)> {
    let page = roxmltree::Document::parse(svg).expect("well-formed XML 1.0");
    page.descendants()
        .filter(|n| n.has_tag_name("text"))
        .filter(|n| n.ancestors().all(|n| n.attribute("transform").is_none()))
        .map(|node| {
            let of = |key: &str| -> f64 {
                let value = node.attribute(key).and_then(|v| v.parse().ok());
                value.expect("a number")
            };
            let words = node.text().unwrap_or_default().to_owned();
            let (x, size) = (of("x"), of("font-size"));
            // A letter is about half its size wide.
            let wide = 0.5 * size * words.chars().count() as f64;
            let left = match node.attribute("text-anchor") {
                Some("end") => x - wide,
                Some("middle") => x - wide / 2.0,
                _ => x,
            };
            (left, of("y"), size, words)
        })
        .collect()
}

fn assert_on_the_page(svg: &str) {
    assert!(svg.contains(r#"width="210mm" height="148mm""#), "A5 across");
    for (left, y, size, words) in texts(svg) {
        let right = left + 0.5 * size * words.chars().count() as f64;
        assert!(
            left >= 5.0 && right <= PAGE.0 - 5.0,
            "“{words}” from {left:.0} to {right:.0}"
        );
        assert!(y <= PAGE.1 - 3.0, "“{words}” at {y:.0}");
    }
}

#[test]
fn an_ordinary_groom_is_one_page_of_sixteen_points() {
    let pages = pages("Tappet", &usual(), 28);
    assert_eq!(pages.len(), 1);
    assert_on_the_page(&pages[0]);
    let all = texts(&pages[0]);
    for wanted in [
        "Tappet",
        "Next visit",
        "Wednesday 30 September",
        "At home",
        "Quiet.",
    ] {
        let (_, _, size, _) = all.iter().find(|t| t.3 == wanted).expect(wanted);
        // 16 point, read from two steps away (modelling choice).
        assert!(
            *size >= 16.0 * MM_A_POINT - 0.01,
            "{wanted} is {size:.2} mm"
        );
    }
    // A price and a line to sign are no business of the fridge's.
    assert!(
        !all.iter()
            .any(|t| t.3.contains("Price") || t.3.contains("___"))
    );
    let bytes = pdf(&pages).expect("a page");
    assert_eq!(&bytes[..5], b"%PDF-", "ISO 32000-2, 7.5.2");
}

#[rstest]
#[case::long_wait(182)]
#[case::next_day(1)]
#[case::a_year(365)]
fn the_weeks_stay_on_the_rule(#[case] days: u32) {
    for svg in pages(
        "Marchioness of the Upper Quadrant Signal at Little Siding",
        &usual(),
        days,
    ) {
        assert_on_the_page(&svg);
    }
}

/// What is said at length goes over the page, whole.
#[test]
fn nothing_written_is_lost() {
    let long = "brush the ears to the skin every evening and comb after it ".repeat(2);
    let lines: Vec<CardText> = CardLine::ALL
        .into_iter()
        .map(|of| line(of, &long))
        .collect();
    let pages = pages("Tappet", &lines, 28);
    assert!(pages.len() > 1);
    let mut words = 0;
    for svg in &pages {
        assert_on_the_page(svg);
        let said: Vec<String> = texts(svg).into_iter().map(|t| t.3).collect();
        words += said
            .join(" ")
            .split_whitespace()
            .filter(|w| *w == "evening")
            .count();
    }
    assert_eq!(words, 2 * CardLine::ALL.len());
}

#[test]
fn what_is_left_out_is_not_there() {
    let lines = [line(CardLine::Was, ""), line(CardLine::Told, "Rest now.")];
    let pages = pages("Tappet", &lines, 28);
    let said: Vec<String> = texts(&pages[0]).into_iter().map(|t| t.3).collect();
    assert!(said.iter().any(|t| t == "Rest now."));
    assert!(!said.iter().any(|t| t == CardLine::Was.label()), "{said:?}");
}
