//! The arrows of ARCHITECTURE.md, held over `cargo metadata`.

use std::collections::BTreeSet;

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
