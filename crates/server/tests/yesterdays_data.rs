//! Yesterday's data opens: a salon's data file and a dog file of every landed format, written by the
//! builds of their day and kept as they were. A new format is a new file here; none is ever renewed.

use std::fs::File;
use std::io::Read as _;
use std::path::{Path, PathBuf};

use actix_web::http::{StatusCode, header};
use actix_web::test::{TestRequest, call_service, init_service, read_body};
use flate2::read::GzDecoder;
use rstest::rstest;
use serde_json::{Value, json};
use veliform_formats::read_dog_file;
use veliform_server::app::{SharedSalon, app};
use veliform_store::Store;

fn kept(name: &str) -> Vec<u8> {
    let path = Path::new(env!("CARGO_MANIFEST_DIR"))
        .join("tests/kept")
        .join(name);
    let file = File::open(&path).expect("it is kept with the tests");
    let mut bytes = Vec::new();
    GzDecoder::new(file)
        .read_to_end(&mut bytes)
        .expect("unpacks");
    bytes
}

/// A salon with one dog, a look chosen, a plan kept and, in format 4, the groom run at the table: the
/// first that landed, the last before entries had stamps, the last before a rule's ticks were one
/// shape, the first whose second visit began with what was known, the last before plans lay in brief
/// beside themselves.
#[rstest]
#[case::format_3("salon-3.db.gz", false, false)]
#[case::format_4_as_it_landed_first("salon-4-first.db.gz", false, false)]
#[case::format_4("salon-4.db.gz", true, false)]
#[case::format_5("salon-5.db.gz", false, true)]
#[case::format_5_with_what_was_known("salon-5-known.db.gz", true, true)]
#[case::format_6("salon-6.db.gz", false, true)]
#[case::format_7("salon-7.db.gz", false, true)]
#[actix_web::test]
async fn a_salon_of_an_earlier_build_opens_and_goes_on(
    #[case] name: &str,
    #[case] has_run: bool,
    #[case] has_stamps: bool,
) {
    let folder = tempfile::tempdir().expect("a folder");
    let path: PathBuf = folder.path().join("salon.db");
    std::fs::write(&path, kept(name)).expect("writes");
    let (store, is_new) = Store::serve(&path).expect("opens");
    assert!(!is_new);
    let service = init_service(app(&SharedSalon::new(store)).0).await;
    let ask = async |path: &str, body: Option<Value>| {
        let request = TestRequest::default()
            .uri(path)
            .insert_header((header::HOST, "127.0.0.1:4270"));
        let request = match body {
            Some(body) => request.method(actix_web::http::Method::POST).set_json(body),
            None => request,
        };
        let answer = call_service(&service, request.to_request()).await;
        let status = answer.status();
        let value = serde_json::from_slice(&read_body(answer).await).unwrap_or(Value::Null);
        assert_eq!(status, StatusCode::OK, "{path}: {value}");
        value
    };
    let dogs = ask("/api/dogs", None).await;
    assert_eq!(dogs[0]["dog"]["name"], "Tappet");
    let visit = dogs[0]["last_visit"]["id"]
        .as_str()
        .expect("a visit")
        .to_owned();
    let plans = ask(&format!("/api/visits/{visit}/plans"), None).await;
    let plan = &plans.as_array().expect("plans")[0];
    assert_eq!(plan["problem"], Value::Null, "it reads");
    let as_kept = ask(
        &format!("/api/plans/{}", plan["id"].as_str().expect("an id")),
        None,
    )
    .await;
    // As it was kept, whatever today's method says.
    assert_eq!(as_kept["plan"]["method"], plan["method"]);
    assert!(
        !as_kept["plan"]["drawing"]["shapes"]
            .as_array()
            .expect("shapes")
            .is_empty()
    );
    for path in ["past", "sheet-pages"] {
        ask(&format!("/api/visits/{visit}/{path}"), None).await;
    }
    for path in [
        "/api/salon-log",
        "/api/due",
        "/api/album",
        "/api/kit",
        "/api/house",
    ] {
        ask(path, None).await;
    }
    // What a life asks of a plan that was kept before it lay in brief beside itself, asked twice.
    let dog = dogs[0]["dog"]["id"].as_str().expect("an id");
    let life = ask(&format!("/api/dogs/{dog}/life"), None).await;
    let looks = life["life"]["visits"].as_array().expect("visits");
    assert!(looks.iter().any(|v| v["look"] == plan["look_name"]));
    assert_eq!(
        ask(&format!("/api/dogs/{dog}/life"), None).await["life"],
        life["life"]
    );
    let log = ask(&format!("/api/visits/{visit}"), None).await;
    let entries = log["entries"].as_array().expect("entries");
    assert!(entries.len() > 10);
    if !has_stamps {
        assert!(entries.iter().all(|e| e["stamp_ms"].is_null()));
    }
    let desk = json!({"dog": log["dog"], "entries": log["entries"]});
    let seen = ask(
        "/api/run",
        Some(json!({"desk": desk, "now_ms": log["now_ms"]})),
    )
    .await;
    if has_run {
        let done = seen["run"]["steps"].as_array().expect("steps");
        assert!(
            done.iter().any(|s| s["state"] == "done"),
            "the groom stands where it stood"
        );
    } else {
        assert_eq!(seen, Value::Null, "no groom was begun");
    }
    // It goes on: what is said today comes after all that was said then.
    let entry = json!({"id": uuid::Uuid::from_u128(1), "at_ms": log["now_ms"], "stamp_ms": log["now_ms"],
        "body": {"kind": "note_written", "text": "opened by a newer build"}});
    let path = format!("/api/visits/{visit}/entries");
    let kept = ask(
        &path,
        Some(json!({"salon": log["salon"], "entries": [entry]})),
    )
    .await;
    assert_eq!(kept["new"], json!(1));
}

#[rstest]
#[case::version_1_as_it_landed_first("tappet-1-first.dog.json.gz", 1)]
#[case::version_1_as_it_landed_second("tappet-1-second.dog.json.gz", 1)]
#[case::version_1("tappet-1.dog.json.gz", 1)]
#[case::version_2("tappet-2.dog.json.gz", 2)]
#[case::version_3("tappet-3.dog.json.gz", 3)]
#[case::version_4("tappet-4.dog.json.gz", 4)]
#[case::version_5("tappet-5.dog.json.gz", 5)]
fn a_dog_file_of_an_earlier_build_is_read(#[case] name: &str, #[case] version: u32) {
    let file = read_dog_file(&kept(name)).expect("reads");
    assert_eq!(file.version, version);
    assert_eq!(file.dog.name, "Tappet");
    let plans: usize = file.visits.iter().map(|v| v.plans.len()).sum();
    assert!(plans > 0, "a kept plan came with it");
    assert!(file.visits.iter().all(|v| !v.entries.is_empty()));
}
