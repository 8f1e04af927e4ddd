//! Dog files: out, in and out again are the same bytes; what is not a dog file is refused.

use std::fs;
use std::path::PathBuf;

use proptest::prelude::*;
use rstest::rstest;
use veliform_formats::{DogFile, FileError, MOST_BYTES, read_dog_file, schema, write_dog_file};

fn demo_files() -> Vec<(PathBuf, Vec<u8>)> {
    let folder = concat!(env!("CARGO_MANIFEST_DIR"), "/../../demo-salon/dogs");
    let mut files: Vec<(PathBuf, Vec<u8>)> = fs::read_dir(folder)
        .expect("the demo salon")
        .map(|entry| {
            let path = entry.expect("an entry").path();
            let bytes = fs::read(&path).expect("reads");
            (path, bytes)
        })
        .collect();
    files.sort();
    assert!(files.len() >= 6);
    files
}

#[test]
fn out_in_and_out_again_is_byte_identical() {
    for (path, bytes) in demo_files() {
        let file = read_dog_file(&bytes).expect("reads");
        let once = write_dog_file(&file.dog, &file.visits).expect("writes");
        let again = read_dog_file(&once).expect("reads again");
        let twice = write_dog_file(&again.dog, &again.visits).expect("writes again");
        assert_eq!(once, twice, "{}", path.display());
        assert_eq!((again.dog, again.visits), (file.dog, file.visits));
    }
}

/// Against a JSON Schema validator that knows nothing of us.
#[test]
fn every_demo_file_is_valid_by_the_schema() {
    let validator =
        jsonschema::validator_for(&schema().expect("becomes JSON")).expect("the schema is one");
    for (path, bytes) in demo_files() {
        let value = serde_json::from_slice(&bytes).expect("JSON");
        let wrong: Vec<String> = validator
            .iter_errors(&value)
            .map(|e| format!("{}: {e}", e.instance_path()))
            .collect();
        assert!(wrong.is_empty(), "{}: {wrong:?}", path.display());
    }
    let planted = serde_json::json!({"format": "veliform-dog", "version": "one"});
    assert!(
        !validator.is_valid(&planted),
        "the schema lets anything pass"
    );
}

#[rstest]
#[case(
    b"",
    "the dog file does not read (line 1, column 0): the text ends too early"
)]
#[case(
    b"{\"format\": \"veliform-dog\",",
    "(line 1, column 26): the text ends too early"
)]
#[case(b"[1, 2", "does not read (line 1")]
#[case(
    b"{}",
    "this is a \u{201c}nameless\u{201d} file, not a veliform-dog file"
)]
#[case(
    b"{\"format\": \"other\"}",
    "this is a \u{201c}other\u{201d} file, not a veliform-dog file"
)]
#[case(
    b"{\"format\": \"veliform-dog\", \"version\": 9}",
    "has version 9; this program reads up to 6"
)]
#[case(
    b"{\"format\": \"veliform-dog\", \"version\": 1, \"dog\": 3, \"visits\": []}",
    "dog: “3” stands there; a record is wanted"
)]
#[case(b"\xff\xfe\x00", "(line 1, column 1): the text makes no sense")]
fn what_is_not_a_dog_file_is_refused_with_place_and_reason(
    #[case] bytes: &[u8],
    #[case] said: &str,
) {
    let error = read_dog_file(bytes).expect_err("refused").to_string();
    assert!(error.contains(said), "{error}");
}

#[test]
fn a_huge_file_is_refused_before_it_is_read() {
    let error = read_dog_file(&vec![b' '; MOST_BYTES + 1]).expect_err("refused");
    assert!(matches!(error, FileError::TooLarge { .. }));
}

#[test]
fn a_dog_without_a_name_is_refused() {
    let (_, bytes) = demo_files().remove(0);
    let mut file: DogFile = read_dog_file(&bytes).expect("reads");
    file.dog.name = "  ".into();
    let bytes = write_dog_file(&file.dog, &file.visits).expect("writes");
    let said = read_dog_file(&bytes).expect_err("refused").to_string();
    assert_eq!(
        said,
        "the dog in the file cannot be saved: The dog has no name; type one."
    );
}

proptest! {
    /// Cut off or scribbled over anywhere, a dog file is read or refused, never a panic.
    #[test]
    fn a_damaged_file_never_panics(
        keep in any::<prop::sample::Index>(),
        at in any::<prop::sample::Index>(),
        scribble in any::<u8>(),
    ) {
        let (_, mut bytes) = demo_files().remove(0);
        let i = at.index(bytes.len());
        bytes[i] = scribble;
        bytes.truncate(keep.index(bytes.len()));
        let _ = read_dog_file(&bytes);
    }
}
