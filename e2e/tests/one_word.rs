//! One word for one thing on every screen (docs/words.md): a word that means two things, or a second word
//! for one, is not written.
#![allow(clippy::unwrap_used, reason = "a test says what broke by failing")]

use std::fs;
use std::path::{Path, PathBuf};

/// What is not said, and what is said for it: *back* is the body part, *left* a side of the dog.
const SAID_INSTEAD: [(&str, &str); 14] = [
    (">Back<", "One before, Undo, To the step"),
    ("Back to ", "To"),
    ("Break off", "Stop here"),
    ("Broken off", "Stopped here"),
    ("Go on after all", "Open again"),
    ("Retire", "Put away"),
    ("As last time", "Same again"),
    ("Got by", "Measured with"),
    ("Comb passes", "Comb runs free"),
    ("Alike?", "Same length?"),
    ("Keep th", "Save the card, Save this plan"),
    ("Plans kept", "Saved plans"),
    ("'Kept", "Saved"),
    ("sent, kept", "saved here"),
];

fn sources(folder: &Path, into: &mut Vec<PathBuf>) {
    for entry in fs::read_dir(folder).unwrap() {
        let path = entry.unwrap().path();
        if path.is_dir() {
            sources(&path, into);
        } else if path.extension().is_some_and(|e| e == "tsx" || e == "ts") {
            into.push(path);
        }
    }
}

#[test]
fn no_screen_says_another_word_for_one_thing() {
    let web = Path::new(env!("CARGO_MANIFEST_DIR")).join("../web/src");
    let mut files = Vec::new();
    sources(&web, &mut files);
    assert!(files.len() > 150, "{} files", files.len());
    let mut wrong = Vec::new();
    for file in files.iter().filter(|f| !f.ends_with("schema.gen.d.ts")) {
        let text = fs::read_to_string(file).unwrap();
        for (word, instead) in SAID_INSTEAD {
            if text.contains(word) {
                wrong.push(format!("{}: “{word}”, say {instead}", file.display()));
            }
        }
    }
    assert!(wrong.is_empty(), "{wrong:#?}");
}
