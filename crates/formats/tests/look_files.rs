//! A look of a salon's own as a file: out and in again it is the same, and what is no look file is refused.

use rstest::rstest;
use uuid::Uuid;
use veliform_core::coat::Zone;
use veliform_core::look::{LookId, OwnLook};
use veliform_core::schools::{Answer, Schools};
use veliform_core::units::Length;
use veliform_formats::{read_look_file, write_look_file};

fn look() -> OwnLook {
    OwnLook {
        lengths_mm: [(Zone::Crest, Length::constant_mm(12.0))].into(),
        ways: Schools::default().with(Answer::PadsScissors),
        order_note: "Tail before the head.".into(),
        ..OwnLook::of(Uuid::from_u128(4), "Signal lamb", LookId::Lamb)
    }
}

#[test]
fn out_and_in_again_it_is_the_same_look_with_its_ways() {
    let bytes = write_look_file(&look()).expect("writes");
    assert_eq!(read_look_file(&bytes).expect("reads"), look());
    assert_eq!(write_look_file(&look()).expect("writes"), bytes);
}

/// Yesterday's data opens.
#[test]
fn a_look_file_of_the_first_version_opens() {
    let kept = include_bytes!("kept/signal-lamb-1.look.json");
    assert_eq!(read_look_file(kept).expect("reads"), look());
}

#[rstest]
#[case(
    b"{}",
    "this is a \u{201c}nameless\u{201d} file, not a veliform-look file; choose a look file."
)]
#[case(
    b"{\"format\": \"veliform-dog\"}",
    "this is a \u{201c}veliform-dog\u{201d} file"
)]
#[case(
    b"{\"format\": \"veliform-look\", \"version\": 7}",
    "has version 7; this program reads up to 1"
)]
#[case(
    b"{\"format\": \"veliform-look\", \"version\": 1, \"look\": 3}",
    "the look file does not read"
)]
#[case(b"not a file", "the look file does not read (line 1")]
fn what_is_no_look_file_is_refused_with_its_reason(#[case] bytes: &[u8], #[case] said: &str) {
    let error = read_look_file(bytes).expect_err("refused").to_string();
    assert!(error.contains(said), "{error}");
}

#[test]
fn a_look_that_cannot_be_is_refused() {
    let nameless = OwnLook {
        name: " ".into(),
        ..look()
    };
    let bytes = write_look_file(&nameless).expect("writes");
    let said = read_look_file(&bytes).expect_err("refused").to_string();
    assert_eq!(
        said,
        "the look in the file cannot be saved: A look of your own needs a name; type one."
    );
}
