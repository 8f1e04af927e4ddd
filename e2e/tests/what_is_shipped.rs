//! What the program is built with: its licences, its notices, and what comes in two versions.

use std::collections::{BTreeMap, BTreeSet};

use cargo_metadata::{DependencyKind, Metadata, MetadataCommand, Package};
use spdx::{Expression, ParseMode};

/// Licences whose work may be shipped in a program that is not free itself: permissive ones, and MPL-2.0,
/// which binds only changes of its own files.
const ALLOWED: [&str; 11] = [
    "0BSD",
    "Apache-2.0",
    "BSD-2-Clause",
    "BSD-3-Clause",
    "BSL-1.0",
    "MIT",
    "MIT-0",
    "MPL-2.0",
    "Unicode-3.0",
    "Unlicense",
    "Zlib",
];

/// Crates that come in two versions, because two crates we stand on have not met yet.
const TWICE: [&str; 6] = [
    "miniz_oxide",
    "roxmltree",
    "strsim",
    "syn",
    "thiserror",
    "thiserror-impl",
];

fn metadata() -> Metadata {
    MetadataCommand::new()
        .manifest_path(concat!(env!("CARGO_MANIFEST_DIR"), "/../Cargo.toml"))
        .other_options(vec![
            "--locked".into(),
            "--filter-platform=x86_64-unknown-linux-gnu".into(),
        ])
        .exec()
        .expect("cargo metadata")
}

/// The crates built into the program: what its normal dependencies reach, our own left out.
fn shipped(metadata: &Metadata) -> Vec<&Package> {
    let resolve = metadata.resolve.as_ref().expect("resolved");
    let server = |p: &&Package| p.name.as_str() == "veliform-server";
    let server = metadata.packages.iter().find(server).expect("the server");
    let mut open = vec![server.id.clone()];
    let mut reached = BTreeSet::new();
    while let Some(id) = open.pop() {
        if !reached.insert(id.clone()) {
            continue;
        }
        let node = resolve.nodes.iter().find(|n| n.id == id).expect("a node");
        for dep in &node.deps {
            let mut kinds = dep.dep_kinds.iter().map(|k| k.kind);
            if kinds.any(|kind| kind == DependencyKind::Normal) {
                open.push(dep.pkg.clone());
            }
        }
    }
    let is_theirs = |p: &&Package| p.source.is_some() && reached.contains(&p.id);
    let packages: Vec<&Package> = metadata.packages.iter().filter(is_theirs).collect();
    assert!(packages.len() > 100, "the graph is walked");
    packages
}

/// Licence expressions as SPDX 2.3 (annex D) writes them, and the older slash of crates.
#[test]
fn every_licence_may_be_shipped() {
    for package in shipped(&metadata()) {
        let said = package.license.as_deref().expect("says its licence");
        let expression = Expression::parse_mode(said, ParseMode::LAX).expect(said);
        let is_allowed = expression.evaluate(|asked| {
            let id = asked.license.id();
            id.is_some_and(|id| ALLOWED.contains(&id.name))
        });
        assert!(is_allowed, "{} is under {said}", package.name);
    }
}

#[test]
fn every_crate_stands_in_the_notices() {
    let path = concat!(env!("CARGO_MANIFEST_DIR"), "/../web/public/notices.txt");
    let notices = std::fs::read_to_string(path).expect("the notices");
    let lines: BTreeSet<&str> = notices.lines().collect();
    for Package {
        name,
        version,
        license,
        ..
    } in shipped(&metadata())
    {
        let line = format!(
            "{name} {version}: {}",
            license.as_deref().unwrap_or_default()
        );
        assert!(
            lines.contains(line.as_str()),
            "`npm --prefix web run notices` and commit: {line}"
        );
    }
}

#[test]
fn nothing_is_shipped_in_two_versions_unseen() {
    let metadata = metadata();
    let mut versions: BTreeMap<&str, BTreeSet<String>> = BTreeMap::new();
    for package in shipped(&metadata) {
        let known = versions.entry(package.name.as_str()).or_default();
        known.insert(package.version.to_string());
    }
    let twice = versions.iter().filter(|(_, known)| known.len() > 1);
    let twice: BTreeSet<&str> = twice.map(|(name, _)| *name).collect();
    assert_eq!(twice, BTreeSet::from(TWICE));
}
