//! The day to come back in the owner's calendar, held against RFC 5545.

use veliform_formats::{ReturnDay, return_calendar};

fn day<'a>(name: &'a str, why: &'a str) -> ReturnDay<'a> {
    ReturnDay {
        id: "6f0c2a9e-return",
        name,
        salon: "The Signal Box",
        day: "20261207",
        written: "20261202T094500Z",
        why,
    }
}

/// Content lines with what was folded put together again (3.1: a line break and one space).
fn lines(text: &str) -> Vec<String> {
    let whole = text.replace("\r\n ", "");
    whole.split_terminator("\r\n").map(str::to_owned).collect()
}

#[test]
fn it_is_one_whole_day_that_can_be_told_from_any_other() {
    let text = return_calendar(&day("Tappet", "By then hair lies over the eyes."));
    let lines = lines(&text);
    // 3.4 and 3.6: what opens is closed, with a version and the id of who made it.
    assert_eq!(lines.first().map(String::as_str), Some("BEGIN:VCALENDAR"));
    assert_eq!(lines.last().map(String::as_str), Some("END:VCALENDAR"));
    for wanted in [
        "VERSION:2.0",
        "BEGIN:VEVENT",
        // 3.8.4.7, 3.8.7.2: each event has both, once.
        "UID:6f0c2a9e-return",
        "DTSTAMP:20261202T094500Z",
        // 3.3.4: a date is its eight digits, said to be one.
        "DTSTART;VALUE=DATE:20261207",
        // 3.8.2.7: it takes no hours away.
        "TRANSP:TRANSPARENT",
        "SUMMARY:Tappet · The Signal Box",
        "DESCRIPTION:By then hair lies over the eyes.",
        "END:VEVENT",
    ] {
        let times = lines.iter().filter(|l| *l == wanted).count();
        assert_eq!(times, 1, "{wanted}: {lines:?}");
    }
    let makers = lines.iter().filter(|l| l.starts_with("PRODID:")).count();
    assert_eq!(makers, 1, "3.7.3: who made it, once");
}

#[test]
fn no_name_breaks_out_of_its_line() {
    let text = return_calendar(&day("Bob; \"the, dog\"\nBEGIN:VALARM \\", ""));
    let lines = lines(&text);
    // 3.3.11: comma, semicolon, backslash and line break are written so.
    assert!(
        lines
            .contains(&r#"SUMMARY:Bob\; "the\, dog"\nBEGIN:VALARM \\ · The Signal Box"#.to_owned()),
        "{lines:?}"
    );
    assert!(!lines.iter().any(|l| l == "BEGIN:VALARM"));
    assert!(!text.contains("DESCRIPTION"));
    // 3.1: no line is longer than 75 octets, and each ends with a carriage return and a line feed.
    let long = "Ä".repeat(60);
    let text = return_calendar(&day(&long, &long));
    for line in text.split_terminator("\r\n") {
        assert!(
            line.len() <= 75 && !line.contains('\n'),
            "{} octets",
            line.len()
        );
    }
}
