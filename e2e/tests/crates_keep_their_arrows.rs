//! The arrows of ARCHITECTURE.md, held over `cargo metadata` and over every `use` of the core.

use std::collections::{BTreeMap, BTreeSet};
use std::fs;
use std::path::{Path, PathBuf};

use cargo_metadata::{DependencyKind, MetadataCommand};

/// Crates of ours a crate may stand on.
fn allowed(name: &str) -> &'static [&'static str] {
    match name {
        "veliform-formats" | "veliform-store" => &["veliform-core"],
        "veliform-server" => &["veliform-core", "veliform-formats", "veliform-store"],
        _ => &[],
    }
}

#[test]
fn crates_stand_only_on_the_crates_below_them() {
    let metadata = MetadataCommand::new()
        .manifest_path(concat!(env!("CARGO_MANIFEST_DIR"), "/../Cargo.toml"))
        .no_deps()
        .exec()
        .expect("cargo metadata");
    let mut seen = BTreeSet::new();
    for package in &metadata.packages {
        seen.insert(package.name.to_string());
        for dependency in &package.dependencies {
            let is_ours = dependency.name.starts_with("veliform-");
            if is_ours && dependency.kind == DependencyKind::Normal {
                assert!(
                    allowed(&package.name).contains(&dependency.name.as_str()),
                    "{} must not stand on {}",
                    package.name,
                    dependency.name
                );
            }
        }
    }
    for name in [
        "veliform-core",
        "veliform-formats",
        "veliform-store",
        "veliform-server",
    ] {
        assert!(seen.contains(name), "{name} is gone");
    }
}

#[test]
fn the_core_knows_no_server_no_database_and_no_files() {
    let metadata = MetadataCommand::new()
        .manifest_path(concat!(env!("CARGO_MANIFEST_DIR"), "/../Cargo.toml"))
        .no_deps()
        .exec()
        .expect("cargo metadata");
    let core = metadata
        .packages
        .iter()
        .find(|p| p.name.as_str() == "veliform-core")
        .expect("the core");
    for dependency in core
        .dependencies
        .iter()
        .filter(|d| d.kind == DependencyKind::Normal)
    {
        let name = dependency.name.as_str();
        assert!(
            ![
                "actix-web",
                "rusqlite",
                "tokio",
                "jiff",
                "reqwest",
                "krilla",
                "resvg"
            ]
            .contains(&name),
            "the core must not stand on {name}"
        );
    }
}

/// The API document names its parts by the last word of their path: two of one name would silently
/// become one.
#[test]
fn no_two_parts_of_the_api_share_a_name() {
    let crates = concat!(env!("CARGO_MANIFEST_DIR"), "/../crates");
    let mut folders = vec![std::path::PathBuf::from(crates)];
    let (mut seen, mut twice) = (BTreeSet::new(), Vec::new());
    while let Some(folder) = folders.pop() {
        for entry in std::fs::read_dir(&folder).expect("a folder").flatten() {
            let path = entry.path();
            if path.is_dir() {
                folders.push(path);
                continue;
            }
            if path.extension().is_none_or(|e| e != "rs") {
                continue;
            }
            let text = std::fs::read_to_string(&path).expect("a source");
            for part in text.split("ToSchema").skip(1) {
                let head = part.lines().find_map(|line| {
                    let words: Vec<&str> = line.split_whitespace().collect();
                    let at = words.iter().position(|w| matches!(*w, "struct" | "enum"))?;
                    Some(words.get(at + 1)?.trim_end_matches(['{', ';']).to_owned())
                });
                let Some(name) = head else { continue };
                let name = name.split(['<', '(']).next().unwrap_or_default().to_owned();
                if !seen.insert(name.clone()) {
                    twice.push(name);
                }
            }
        }
    }
    assert!(seen.len() > 150, "only {} parts found", seen.len());
    assert!(twice.is_empty(), "twice: {twice:?}");
}

const ROOT: &str = concat!(env!("CARGO_MANIFEST_DIR"), "/..");

/// Rooms of the core with their floors, as ARCHITECTURE.md lists them: number, room, what for.
fn floors() -> BTreeMap<String, u32> {
    let text = fs::read_to_string(format!("{ROOT}/ARCHITECTURE.md")).expect("reads");
    let (_, list) = text.split_once("**Floors of the core.**").expect("a list");
    let (list, _) = list.split_once("**Arrows.**").expect("its end");
    let rows = list.lines().filter_map(|line| {
        let mut words = line.split_whitespace();
        let floor = words.next()?.parse().ok()?;
        Some((words.next()?.to_owned(), floor))
    });
    rows.collect()
}

fn files_in(folder: &Path) -> Vec<PathBuf> {
    let entries = fs::read_dir(folder).expect("a folder");
    let paths = entries.map(|e| e.expect("an entry").path());
    paths
        .flat_map(|path| {
            if path.is_dir() {
                files_in(&path)
            } else {
                vec![path]
            }
        })
        .collect()
}

/// Rooms a file names by `crate::<room>`.
fn named(source: &str) -> BTreeSet<&str> {
    let after = source.split("crate::").skip(1);
    let is_word = |c: char| c.is_alphanumeric() || c == '_';
    after
        .map(|rest| rest.split(|c| !is_word(c)).next().unwrap_or_default())
        .filter(|room| !room.is_empty())
        .collect()
}

#[test]
fn rooms_of_the_core_stand_only_on_floors_below() {
    let floors = floors();
    let core = PathBuf::from(format!("{ROOT}/crates/core/src"));
    let rooms: BTreeSet<String> = fs::read_dir(&core)
        .expect("the core")
        .map(|entry| entry.expect("an entry").path())
        .filter(|path| path.is_dir())
        .filter_map(|path| Some(path.file_name()?.to_str()?.to_owned()))
        .collect();
    assert_eq!(
        rooms,
        floors.keys().cloned().collect(),
        "every room is listed, no other"
    );
    let mut wrong = Vec::new();
    let mut arrows = 0;
    for room in &rooms {
        for file in files_in(&core.join(room)) {
            let source = fs::read_to_string(&file).expect("reads");
            for below in named(&source).into_iter().filter(|name| *name != room) {
                let Some(floor) = floors.get(below) else {
                    continue;
                };
                arrows += 1;
                if *floor >= floors[room] {
                    wrong.push(format!("{} uses {below}", file.display()));
                }
            }
        }
    }
    assert!(arrows > 400, "the core's arrows are read: {arrows}");
    assert!(wrong.is_empty(), "{}", wrong.join("\n"));
}
