//! Golden plans: the demo dogs and twelve more under every look, as they were planned when they were last
//! looked at. A move of the code changes none of them; a change of method is named in the CHANGELOG.
//!
//! `VELIFORM_GOLDEN=renew cargo test --workspace --test formats golden_plans` writes them anew, and the test names what changed.

use std::fmt::Write as _;
use std::fs;
use std::io::{Read as _, Write as _};
use std::path::{Path, PathBuf};

use flate2::Compression;
use flate2::read::GzDecoder;
use flate2::write::GzEncoder;
use serde_json::{Value, json};
use uuid::Uuid;
use veliform_core::desk::{Desk, Reasons};
use veliform_core::dog::{Dog, House};
use veliform_core::kit::Tool;
use veliform_core::look::LookId;
use veliform_core::visit::{Entry, LookChoice, Visit, fold};
use veliform_formats::read_dog_file;

/// A dog with what was said of it.
struct Guest {
    name: String,
    dog: Dog,
    visit: Visit,
}

fn here(path: &str) -> PathBuf {
    Path::new(env!("CARGO_MANIFEST_DIR")).join(path)
}

/// The demo salon's dogs as they came last.
fn demo_dogs() -> Vec<Guest> {
    let mut paths: Vec<PathBuf> = fs::read_dir(here("../../demo-salon/dogs"))
        .expect("the demo dogs")
        .map(|entry| entry.expect("readable").path())
        .collect();
    paths.sort();
    let guest = |path: &PathBuf| {
        let file = read_dog_file(&fs::read(path).expect("readable")).expect("a dog file");
        let newest = file.visits.iter().max_by_key(|v| v.began_ms);
        Guest {
            name: path
                .file_stem()
                .unwrap_or_default()
                .to_string_lossy()
                .into(),
            visit: fold(&file.dog, &newest.expect("a visit").entries),
            dog: file.dog,
        }
    };
    paths.iter().map(guest).collect()
}

/// Name, size, texture, build; height, length over the back and coat all over in mm; what was felt; what
/// else was said.
type Row<'a> = (
    &'a str,
    &'a str,
    &'a str,
    &'a str,
    [f64; 3],
    &'a [(&'a str, &'a str)],
    Vec<Value>,
);

/// Twelve dogs more, from the smallest toy to a giant, each texture and each fault once at least.
fn own_dogs() -> Vec<Guest> {
    let knot = |zone: &str, knots: &str| json!({"kind": "knots_set", "zone": zone, "knots": knots});
    let short = |zone: &str, mm: f64| json!({"kind": "zone_set", "zone": zone, "length_mm": mm});
    let limit = |zone: &str, low: Value, high: Value| {
        json!({"kind": "limit_set", "zone": zone,
            "limit": {"not_shorter_mm": low, "not_longer_mm": high}})
    };
    let rows: [Row; 12] = [
        (
            "Tender",
            "toy",
            "silky",
            "toy",
            [205.0, 215.0, 60.0],
            &[("short_neck", "slight")],
            vec![],
        ),
        (
            "Sleeper",
            "toy",
            "curl",
            "toy",
            [240.0, 262.0, 22.0],
            &[("dip_in_back", "marked")],
            vec![knot("ear", "few")],
        ),
        (
            "Ratchet",
            "small",
            "harsh",
            "terrier",
            [330.0, 340.0, 45.0],
            &[("straight_behind", "marked")],
            vec![short("beard", 80.0)],
        ),
        (
            "Ballast",
            "small",
            "fleece",
            "long_low",
            [260.0, 360.0, 35.0],
            &[("long_in_body", "slight"), ("short_on_leg", "marked")],
            vec![],
        ),
        (
            "Lanyard",
            "small",
            "feathered",
            "spaniel",
            [390.0, 410.0, 40.0],
            &[("low_tail_set", "marked"), ("fore_feet_out", "slight")],
            vec![short("ear", 90.0)],
        ),
        (
            "Culvert",
            "small",
            "silky",
            "short_faced",
            [250.0, 290.0, 120.0],
            &[("heavy_shoulder", "slight")],
            vec![knot("flank", "tight")],
        ),
        (
            "Trackside",
            "medium",
            "curl",
            "square_curly",
            [430.0, 430.0, 70.0],
            &[("high_in_rear", "marked"), ("hocks_in", "slight")],
            vec![limit("topknot", json!(40.0), Value::Null)],
        ),
        (
            "Points",
            "medium",
            "fleece",
            "ordinary",
            [480.0, 520.0, 16.0],
            &[("thin_over_ribs", "marked")],
            vec![],
        ),
        (
            "Fogbell",
            "medium",
            "harsh",
            "ordinary",
            [455.0, 470.0, 30.0],
            &[("fore_feet_in", "slight"), ("fore_legs_bowed", "slight")],
            vec![limit("ribs", Value::Null, json!(12.0))],
        ),
        (
            "Gantry",
            "large",
            "curl",
            "leggy",
            [620.0, 600.0, 55.0],
            &[("wide_behind", "slight"), ("well_bent", "marked")],
            vec![],
        ),
        (
            "Semaphore Arm",
            "large",
            "feathered",
            "retriever",
            [590.0, 640.0, 38.0],
            &[("heavy_front_light_rear", "marked")],
            vec![knot("hind_back", "few")],
        ),
        (
            "Viaduct",
            "large",
            "fleece",
            "leggy",
            [760.0, 770.0, 80.0],
            &[("hind_bowed_out", "slight"), ("dip_in_back", "slight")],
            vec![short("tail", 140.0)],
        ),
    ];
    let guest =
        |(i, (name, size, texture, build, [height, length, coat], felt, more)): (usize, Row)| {
            let id = Uuid::from_u128(0x6060 + i as u128);
            let dog =
                json!({"id": id, "name": name, "size": size, "texture": texture, "build": build});
            let dog: Dog = serde_json::from_value(dog).expect("a dog");
            let taped = |measure: &str, mm: f64| {
                json!({"kind": "measure_set", "measure": measure,
                "taken": {"value_mm": mm, "method": "tape"}})
            };
            let mut said = vec![
                taped("height_at_withers", height),
                taped("body_length", length),
                json!({"kind": "coat_all_over", "length_mm": coat}),
            ];
            let felt = felt.iter();
            said.extend(
                felt.map(|(felt, grade)| json!({"kind": "felt_set", "felt": felt, "grade": grade})),
            );
            said.extend(more);
            let entry = |(n, body): (usize, &Value)| -> Entry {
                let entry = json!({"id": Uuid::from_u128(n as u128), "at_ms": n, "body": body});
                serde_json::from_value(entry).expect("an entry")
            };
            let entries: Vec<Entry> = said.iter().enumerate().map(entry).collect();
            Guest {
                name: name.to_lowercase().replace(' ', "-"),
                visit: fold(&dog, &entries),
                dog,
            }
        };
    rows.into_iter().enumerate().map(guest).collect()
}

fn salon() -> (House, Vec<Tool>) {
    let text = fs::read(here("../../demo-salon/salon.json")).expect("the demo salon");
    let mut salon: Value = serde_json::from_slice(&text).expect("JSON");
    let house = serde_json::from_value(salon["house"].take()).expect("settings");
    (
        house,
        serde_json::from_value(salon["kit"].take()).expect("a kit"),
    )
}

/// A dog's plans, one a line, in the order of the looks.
fn plans(guest: &Guest, house: &House, kit: &[Tool]) -> String {
    let mut lines = String::new();
    for look in LookId::ALL {
        let mut visit = guest.visit.clone();
        visit.own_look = None;
        visit.look = Some(LookChoice {
            look,
            body_mm: None,
        });
        let desk = Desk::new(&guest.dog, &visit, house, kit);
        let plan = desk.plan(Reasons::Skip).expect("solves").report;
        let plan = serde_json::to_string(&plan).expect("JSON");
        writeln!(lines, "{plan}").expect("a string grows");
    }
    lines
}

/// Numbers are the same to a millionth, far under what any hand or eye tells; all else exactly.
const SAME: f64 = 1e-6;

/// What differs, each with its place.
fn differences(place: &str, golden: &Value, now: &Value, found: &mut Vec<String>) {
    match (golden, now) {
        (Value::Number(was), Value::Number(is)) => {
            let (was, is) = (was.as_f64().unwrap_or(0.0), is.as_f64().unwrap_or(0.0));
            if (was - is).abs() > SAME * was.abs().max(1.0) {
                found.push(format!("{place}: {was} is {is}"));
            }
        }
        (Value::Array(was), Value::Array(is)) if was.len() == is.len() => {
            for (i, (was, is)) in was.iter().zip(is).enumerate() {
                differences(&format!("{place}[{i}]"), was, is, found);
            }
        }
        (Value::Object(was), Value::Object(is)) if was.keys().eq(is.keys()) => {
            for (key, was) in was {
                differences(&format!("{place}.{key}"), was, &is[key], found);
            }
        }
        _ if golden == now => {}
        _ => found.push(format!("{place}: {golden} is {now}")),
    }
}

#[test]
fn no_plan_changes_unseen() {
    let (house, kit) = salon();
    let is_renewed = std::env::var("VELIFORM_GOLDEN").is_ok_and(|how| how == "renew");
    let guests: Vec<Guest> = demo_dogs().into_iter().chain(own_dogs()).collect();
    assert_eq!(
        guests.len(),
        19,
        "seven of the demo salon, twelve of our own"
    );
    let mut found = Vec::new();
    for guest in &guests {
        let now = plans(guest, &house, &kit);
        let path = here("tests/golden").join(format!("{}.jsonl.gz", guest.name));
        let golden = fs::File::open(&path).map(|file| {
            let mut text = String::new();
            GzDecoder::new(file)
                .read_to_string(&mut text)
                .expect("gzip");
            text
        });
        let golden = golden.unwrap_or_default();
        let before = found.len();
        if golden.lines().count() != LookId::ALL.len() {
            found.push(format!("{}: no golden plans of every look", guest.name));
        }
        for (look, (was, is)) in LookId::ALL.iter().zip(golden.lines().zip(now.lines())) {
            let read = |line| serde_json::from_str::<Value>(line).expect("JSON");
            let place = format!("{} as {look:?}", guest.name);
            differences(&place, &read(was), &read(is), &mut found);
        }
        if is_renewed && found.len() > before {
            let file = fs::File::create(&path).expect("can be written");
            let mut gzip = GzEncoder::new(file, Compression::best());
            gzip.write_all(now.as_bytes()).expect("written");
            gzip.finish().expect("whole");
        }
    }
    assert!(
        found.is_empty(),
        "{} places of golden plans changed{}; the first:\n{}",
        found.len(),
        if is_renewed {
            " and were written anew: name them in the CHANGELOG"
        } else {
            ""
        },
        found[..found.len().min(40)].join("\n")
    );
}
