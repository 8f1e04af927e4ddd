//! Whoever reads a constant can check it: every page and document that a comment names is here.

use std::collections::BTreeSet;
use std::fs;
use std::path::{Path, PathBuf};

const ROOT: &str = concat!(env!("CARGO_MANIFEST_DIR"), "/..");

fn files_under(folder: &Path, endings: &[&str], found: &mut Vec<PathBuf>) {
    for item in fs::read_dir(folder).expect("a folder").flatten() {
        let path = item.path();
        if path.is_dir() {
            let is_made = ["node_modules", "dist", "target"]
                .iter()
                .any(|made| path.ends_with(made));
            if !is_made {
                files_under(&path, endings, found);
            }
        } else if path
            .extension()
            .and_then(|e| e.to_str())
            .is_some_and(|e| endings.contains(&e))
        {
            found.push(path);
        }
    }
}

/// Words of a text that name a document, `x.md`.
fn documents(text: &str) -> impl Iterator<Item = &str> {
    text.split(|c: char| !(c.is_ascii_alphanumeric() || "-._".contains(c)))
        .map(|word| word.trim_end_matches('.'))
        .filter(|word| word.len() > 3 && word.strip_suffix(".md").is_some())
}

/// Numbers of pages, *handbook 5*; a list of pages says the word before the first.
fn pages(text: &str) -> impl Iterator<Item = u32> {
    text.match_indices("andbook ").filter_map(|(at, word)| {
        let after = &text[at + word.len()..];
        let figures: String = after.chars().take_while(char::is_ascii_digit).collect();
        figures.parse().ok()
    })
}

#[test]
fn every_document_a_comment_names_is_in_the_repository() {
    let root = Path::new(ROOT);
    let (mut code, mut docs) = (Vec::new(), Vec::new());
    for folder in ["crates", "e2e", "web/src"] {
        files_under(&root.join(folder), &["rs", "ts", "tsx"], &mut code);
    }
    files_under(&root.join("docs"), &["md"], &mut docs);
    let at_the_top = fs::read_dir(root)
        .expect("the root")
        .flatten()
        .map(|f| f.path());
    let names: BTreeSet<String> = docs
        .into_iter()
        .chain(at_the_top)
        .filter_map(|p| Some(p.file_name()?.to_str()?.to_owned()))
        .collect();
    let page = |n: u32| names.iter().any(|name| name.starts_with(&format!("{n}-")));
    let mut cited = 0;
    for path in &code {
        // This file names documents that are none, as patterns.
        if path.ends_with("citations_resolve.rs") {
            continue;
        }
        let text = fs::read_to_string(path).expect("reads");
        for name in documents(&text) {
            cited += 1;
            assert!(
                names.contains(name),
                "{}: {name} is not in docs/",
                path.display()
            );
        }
        for n in pages(&text) {
            cited += 1;
            assert!(
                page(n),
                "{}: handbook {n} is not in docs/trade/",
                path.display()
            );
        }
    }
    assert!(cited > 300, "only {cited} citations were found");
}
