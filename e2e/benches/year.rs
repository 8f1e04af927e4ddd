//! A year of a salon: makes dogs and visits, serves them, and says how long each screen's questions
//! take and how much memory the server holds.
//!
//! `cargo build --release -p veliform-server`, then
//! `cargo bench -p veliform-e2e --bench year -- 1000 8`

mod http;

use std::fs;
use std::io::{BufRead, BufReader};
use std::net::SocketAddr;
use std::path::Path;
use std::process::{Child, Command, Stdio};
use std::time::Instant;

use http::Connection;
use serde_json::{Value, json};
use uuid::Uuid;
use veliform_core::desk::{Desk, Reasons};
use veliform_core::dog::{Dog, House};
use veliform_core::drawing::{DrawOptions, Layers};
use veliform_core::finish::ZoneResult;
use veliform_core::kit::Tool;
use veliform_core::run::{RunEnd, RunEvent};
use veliform_core::visit::{Entry, EntryBody, KeptPlan, fold};
use veliform_formats::read_dog_file;
use veliform_store::{ImportedVisit, PackedPlan, Store};

const WEEK_MS: i64 = 7 * 86_400_000;
const MINUTE_MS: i64 = 60_000;
/// The year begins: 1 January 2026, UTC.
const BEGINS_MS: i64 = 1_767_225_600_000;
/// Each question is asked so often.
const TIMES: usize = 9;

/// A demo dog's last visit with its groom, as it is copied.
struct Pattern {
    dog: Dog,
    /// Entries and the minutes after the visit's beginning they were said at.
    said: Vec<(i64, EntryBody)>,
    /// The plan it kept.
    plan: KeptPlan,
}

fn pattern(bytes: &[u8], house: &House, kit: &[Tool]) -> Pattern {
    let file = read_dog_file(bytes).expect("a dog file");
    let last = file
        .visits
        .into_iter()
        .max_by_key(|v| v.began_ms)
        .expect("a visit");
    let visit = fold(&file.dog, &last.entries);
    let small = Layers {
        hair: false,
        ..Layers::default()
    };
    let options = DrawOptions {
        layers: small,
        ..DrawOptions::default()
    };
    let view = Desk::new(&file.dog, &visit, house, kit)
        .plan_view(Reasons::Skip, &options)
        .expect("solves");
    let sheet = view.plan.sheet.clone();
    let steps: Vec<u32> = sheet.steps.iter().map(|s| s.number).collect();
    let mut said: Vec<(i64, EntryBody)> = last.entries.into_iter().map(|e| (0, e.body)).collect();
    let run = |event| EntryBody::Run { event };
    said.push((10, run(RunEvent::Began { sheet })));
    for (i, step) in (0_i64..).zip(steps) {
        said.push((15 + 5 * i, run(RunEvent::Done { step })));
    }
    // What was left on a zone is measured afterwards.
    let row = view.plan.units.first().expect("a zone is cut");
    said.push((
        195,
        EntryBody::ResultSet {
            zone: row.zone,
            result: ZoneResult {
                left_mm: Some(row.to_mm),
                ..ZoneResult::default()
            },
        },
    ));
    let plan = KeptPlan {
        id: Uuid::nil(),
        at_ms: 0,
        method: "bench".into(),
        dog: file.dog.clone(),
        visit,
        house: house.clone(),
        kit: kit.to_vec(),
        report: view.plan,
        drawing: view.evaluation.drawing,
    };
    let how = RunEnd::Finished;
    said.push((
        200,
        run(RunEvent::Ended {
            how,
            reason: String::new(),
        }),
    ));
    Pattern {
        dog: file.dog,
        said,
        plan,
    }
}

fn fill(data: &Path, dogs: u32, visits: u32) {
    let demo = Path::new(concat!(env!("CARGO_MANIFEST_DIR"), "/../demo-salon"));
    let salon: Value =
        serde_json::from_slice(&fs::read(demo.join("salon.json")).expect("a salon")).expect("JSON");
    let house: House = serde_json::from_value(salon["house"].clone()).expect("settings");
    let kit: Vec<Tool> = serde_json::from_value(salon["kit"].clone()).expect("a kit");
    let patterns: Vec<Pattern> = fs::read_dir(demo.join("dogs"))
        .expect("dogs")
        .flatten()
        .map(|f| pattern(&fs::read(f.path()).expect("a file"), &house, &kit))
        .collect();
    let mut store = Store::create(data).expect("a data file");
    store.put_house(&house, BEGINS_MS).expect("kept");
    for tool in &kit {
        store.put_tool(tool, BEGINS_MS).expect("kept");
    }
    let mut ids = (1_u128..).map(Uuid::from_u128);
    let mut id = || ids.next().expect("numbers do not end");
    for (n, pattern) in (0..dogs).zip(patterns.iter().cycle()) {
        let dog = Dog {
            id: id(),
            name: format!(
                "{} {n}",
                pattern.dog.name.chars().take(40).collect::<String>()
            ),
            ..pattern.dog.clone()
        };
        let every = 52 / i64::from(visits.max(1));
        let all: Vec<ImportedVisit> = (0..i64::from(visits))
            .map(|v| {
                let began_ms = BEGINS_MS + v * every * WEEK_MS + i64::from(n) * MINUTE_MS;
                let entries = (0_i64..)
                    .zip(&pattern.said)
                    .map(|(k, (minutes, body))| Entry {
                        id: id(),
                        at_ms: began_ms + minutes * MINUTE_MS + k,
                        stamp_ms: None,
                        author: String::new(),
                        body: body.clone(),
                    });
                let entries = entries.collect();
                let plan = KeptPlan {
                    id: id(),
                    at_ms: began_ms,
                    ..pattern.plan.clone()
                };
                ImportedVisit {
                    entries,
                    id: id(),
                    began_ms,
                    plans: vec![PackedPlan::of(&plan).expect("packs")],
                }
            })
            .collect();
        store.import(&dog, &all, BEGINS_MS).expect("kept");
    }
}

fn serve(data: &Path) -> (Child, SocketAddr) {
    let here = std::env::current_exe().expect("a path");
    let program = here
        .parent()
        .and_then(Path::parent)
        .expect("target")
        .join("veliform");
    let mut child = Command::new(program)
        .args(["serve", "--port", "0", "--data"])
        .arg(data)
        .stdout(Stdio::piped())
        .spawn()
        .expect("build the program first: cargo build --release -p veliform-server");
    let out = child.stdout.take().expect("piped");
    let mut lines = BufReader::new(out).lines().map_while(Result::ok);
    let said = lines.find(|l| l.contains("http://")).expect("an address");
    std::thread::spawn(move || lines.for_each(drop));
    let address = said.split("http://").nth(1).expect("an address");
    let address = address.trim_matches(|c: char| !c.is_ascii_digit());
    (child, address.parse().expect("host and port"))
}

/// Memory the process holds, MB.
fn resident_mb(child: &Child) -> f64 {
    let status = fs::read_to_string(format!("/proc/{}/status", child.id())).unwrap_or_default();
    let line = status.lines().find(|l| l.starts_with("VmRSS"));
    let kb = line.and_then(|l| l.split_whitespace().nth(1));
    kb.and_then(|k| k.parse::<f64>().ok()).unwrap_or(0.0) / 1024.0
}

fn main() {
    let numbers: Vec<u32> = std::env::args()
        .skip(1)
        .filter_map(|a| a.parse().ok())
        .collect();
    let [dogs, visits] = numbers.as_slice() else {
        println!("nothing to do: give DOGS VISITS");
        return;
    };
    let folder = tempfile::tempdir().expect("a folder");
    let data = folder.path().join("year.db");
    let from = Instant::now();
    fill(&data, *dogs, *visits);
    let size = fs::metadata(&data).map_or(0, |m| m.len()) / 1_000_000;
    println!(
        "{dogs} dogs, {} visits, {size} MB, made in {:.0} s",
        dogs * visits,
        from.elapsed().as_secs_f64()
    );
    let (mut child, address) = serve(&data);
    let mut connection = Connection::open(address);
    println!("at rest {:.0} MB", resident_mb(&child));
    let list = connection.json("/api/dogs");
    let visit = list[0]["last_visit"]["id"]
        .as_str()
        .expect("a visit")
        .to_owned();
    let log = connection.json(&format!("/api/visits/{visit}"));
    let desk = json!({
        "dog": log["dog"], "entries": log["entries"],
        "house": connection.json("/api/house"), "kit": connection.json("/api/kit")
    });
    let evaluate = desk.to_string();
    let plan = json!({"desk": desk, "reasons": false}).to_string();
    let run = json!({"desk": desk, "now_ms": BEGINS_MS}).to_string();
    let questions: [(&str, &str, String, &str); 12] = [
        ("studio", "GET", "/api/dogs".into(), ""),
        ("studio, a name", "GET", "/api/dogs?find=tappet".into(), ""),
        ("studio, due work", "GET", "/api/due".into(), ""),
        (
            "kit, what the log taught",
            "GET",
            "/api/salon-log".into(),
            "",
        ),
        ("kit, what to buy", "GET", "/api/what-to-buy".into(), ""),
        ("a visit", "GET", format!("/api/visits/{visit}"), ""),
        ("its past", "GET", format!("/api/visits/{visit}/past"), ""),
        (
            "its photos",
            "GET",
            format!("/api/visits/{visit}/photos"),
            "",
        ),
        (
            "its kept plans",
            "GET",
            format!("/api/visits/{visit}/plans"),
            "",
        ),
        ("hands", "POST", "/api/evaluate".into(), &evaluate),
        ("plan", "POST", "/api/plan".into(), &plan),
        ("table run", "POST", "/api/run".into(), &run),
    ];
    for (what, method, path, body) in &questions {
        let mut times: Vec<f64> = (0..TIMES)
            .map(|_| {
                let from = Instant::now();
                let (status, _) = connection.ask(method, path, body);
                assert_eq!(status, 200, "{path}");
                from.elapsed().as_secs_f64() * 1e3
            })
            .collect();
        let first = times[0];
        times.sort_by(f64::total_cmp);
        let (middle, most) = (times[TIMES / 2], times[TIMES - 1]);
        println!("{what}: {first:.1} ms at first, {middle:.1} after, at most {most:.1}");
    }
    println!("after all {:.0} MB", resident_mb(&child));
    let _ = child.kill();
    let _ = child.wait();
}
