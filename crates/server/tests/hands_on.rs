//! Routes of the hands-on: what is next, photos, devices, earlier visits, types.

use crate::support;

use actix_web::http::{Method, StatusCode};
use serde_json::{Value, json};
use uuid::Uuid;
use veliform_server::app::SharedSalon;

use support::{Body, ask, salon};

/// Sends bytes or nothing, and gives status, kind and bytes of the answer.
async fn send(
    salon: &SharedSalon,
    method: Method,
    path: &str,
    body: Vec<u8>,
    kind: &str,
) -> (StatusCode, String, Vec<u8>) {
    let answer = ask(
        salon,
        method,
        path,
        None,
        Body::Bytes(kind.to_owned(), body),
    )
    .await;
    (answer.status, answer.kind, answer.bytes)
}

async fn get(salon: &SharedSalon, path: &str) -> (StatusCode, Value) {
    let (status, _, bytes) = send(salon, Method::GET, path, Vec::new(), "").await;
    (
        status,
        serde_json::from_slice(&bytes).unwrap_or(Value::Null),
    )
}

async fn post(salon: &SharedSalon, path: &str, body: &Value) -> (StatusCode, Value) {
    let bytes = serde_json::to_vec(body).expect("writes");
    let (status, _, bytes) = send(salon, Method::POST, path, bytes, "application/json").await;
    (
        status,
        serde_json::from_slice(&bytes).unwrap_or(Value::Null),
    )
}

async fn dog_and_visit(salon: &SharedSalon, name: &str) -> (Value, String) {
    let (_, dogs) = get(salon, "/api/dogs").await;
    let card = dogs
        .as_array()
        .and_then(|all| all.iter().find(|d| d["dog"]["name"] == name))
        .expect("a demo dog");
    let visit = card["last_visit"]["id"].as_str().expect("a visit");
    (card["dog"].clone(), visit.to_owned())
}

fn id(n: u128) -> String {
    Uuid::from_u128(n).to_string()
}

#[actix_web::test]
async fn what_is_next_comes_as_a_sentence() {
    let salon = salon();
    let (dog, _) = dog_and_visit(&salon, "Turntable").await;
    // With no tool there is none that a measure could change.
    let (_, kit) = get(&salon, "/api/kit").await;
    let (status, next) = post(
        &salon,
        "/api/next-measure",
        &json!({"dog": dog, "entries": [], "kit": kit}),
    )
    .await;
    assert_eq!(status, StatusCode::OK);
    let sentence = next["sentence"].as_str().expect("a sentence");
    assert!(sentence.contains("next"), "{sentence}");
    assert!(!next["findings"].as_array().expect("a list").is_empty());
}

#[actix_web::test]
async fn the_talk_ranks_every_look_and_draws_those_asked_for() {
    let salon = salon();
    let (dog, _) = dog_and_visit(&salon, "Turntable").await;
    let desk = json!({"dog": dog, "entries": []});
    let (status, answer) = post(&salon, "/api/consult", &json!({"desk": desk})).await;
    assert_eq!(status, StatusCode::OK, "{answer}");
    assert_eq!(answer["offers"].as_array().map(Vec::len), Some(11));
    assert_eq!(answer["shown"].as_array().map(Vec::len), Some(3));
    let one = json!({"desk": desk, "shown": ["summer"]});
    let (_, answer) = post(&salon, "/api/consult", &one).await;
    assert_eq!(answer["shown"][0]["look"], "summer");
    assert_eq!(answer["shown"].as_array().map(Vec::len), Some(1));
    let (status, _) = post(
        &salon,
        "/api/consult",
        &json!({"desk": desk, "shown": ["wig"]}),
    )
    .await;
    assert_eq!(status, StatusCode::UNPROCESSABLE_ENTITY);

    let (status, ahead) = post(&salon, "/api/ahead", &json!({"desk": desk, "weeks": 9999})).await;
    assert_eq!(status, StatusCode::OK, "{ahead}");
    assert_eq!(ahead["interval"]["weeks"], 26, "half a year at most");
    assert_eq!(ahead["drawings"].as_array().map(Vec::len), Some(3));
}

#[actix_web::test]
async fn owner_card_and_agreement_are_pdfs() {
    let salon = salon();
    let (_, visit) = dog_and_visit(
        &salon,
        "Marchioness of the Upper Quadrant Signal at Little Siding",
    )
    .await;
    for paper in ["owner-card", "agreement"] {
        let path = format!("/api/visits/{visit}/{paper}.pdf");
        let (status, kind, bytes) = send(&salon, Method::GET, &path, Vec::new(), "").await;
        assert_eq!((status, kind.as_str()), (StatusCode::OK, "application/pdf"));
        assert_eq!(&bytes[..5], b"%PDF-", "ISO 32000-2, 7.5.2");
    }
}

#[actix_web::test]
async fn a_photo_is_taken_off_for_good() {
    let salon = salon();
    let (_, visit) = dog_and_visit(&salon, "Tappet").await;
    let shots = format!("/api/visits/{visit}/simulated-photos");
    let (status, _) = post(&salon, &shots, &json!({"id": id(12), "at_ms": 5})).await;
    assert_eq!(status, StatusCode::OK);
    let path = format!("/api/photos/{}.jpg", id(12));
    for expected in [StatusCode::NO_CONTENT, StatusCode::NOT_FOUND] {
        let (status, _, _) = send(&salon, Method::DELETE, &path, Vec::new(), "").await;
        assert_eq!(status, expected);
    }
}

#[actix_web::test]
async fn a_simulated_photo_is_kept_shown_and_read() {
    let salon = salon();
    let (_, visit) = dog_and_visit(&salon, "Tappet").await;
    let (status, taken) = post(
        &salon,
        &format!("/api/visits/{visit}/simulated-photos"),
        &json!({"id": id(9), "at_ms": 5, "camera": {"view": "front", "tilt_deg": 5.0}}),
    )
    .await;
    assert_eq!(status, StatusCode::OK, "{taken}");
    assert_eq!(taken["photo"]["is_simulated"], true);

    let path = format!("/api/photos/{}.jpg", id(9));
    let (status, kind, jpeg) = send(&salon, Method::GET, &path, Vec::new(), "").await;
    assert_eq!((status, kind.as_str()), (StatusCode::OK, "image/jpeg"));
    assert_eq!(&jpeg[..3], [0xff, 0xd8, 0xff], "a JPEG (ITU-T T.81)");

    let (_, list) = get(&salon, &format!("/api/visits/{visit}/photos")).await;
    assert_eq!(list.as_array().map(Vec::len), Some(1));

    let marks = json!({
        "view": "front", "size_px": [1600, 1200],
        "scale": {"by": "rod", "ends_px": taken["rod_px"], "length_mm": 300.0},
        "table_px": taken["table_px"], "points": taken["truth"],
    });
    let (status, reading) = post(&salon, "/api/read-photo", &json!({"marks": marks})).await;
    assert_eq!(status, StatusCode::OK);
    let tilt = reading["tilt_deg"].as_f64().expect("a tilt");
    assert!((tilt - 5.0).abs() < 0.1, "{tilt}");
    assert_eq!(reading["measures"].as_array().map(Vec::len), Some(4));

    let (status, said) = post(
        &salon,
        &format!("/api/visits/{visit}/simulated-photos"),
        &json!({"id": id(10), "at_ms": 5, "camera": {"turn_deg": 80.0}}),
    )
    .await;
    assert_eq!(status, StatusCode::UNPROCESSABLE_ENTITY);
    assert!(said["detail"].as_str().is_some_and(|m| m.contains("45°")));
}

#[actix_web::test]
async fn what_is_no_photo_is_refused_and_nothing_kept() {
    let salon = salon();
    let (_, visit) = dog_and_visit(&salon, "Tappet").await;
    let path = format!("/api/visits/{visit}/photos");
    let query = format!("{path}?id={}&view=side&at_ms=1", id(4));
    for (bytes, status) in [
        (
            b"nothing of the kind".to_vec(),
            StatusCode::UNPROCESSABLE_ENTITY,
        ),
        (vec![0; 17 * 1024 * 1024], StatusCode::PAYLOAD_TOO_LARGE),
    ] {
        let (answered, _, said) = send(&salon, Method::POST, &query, bytes, "image/jpeg").await;
        assert_eq!(answered, status, "{}", String::from_utf8_lossy(&said));
        let said: Value = serde_json::from_slice(&said).expect("a sentence");
        assert!(said["detail"].as_str().is_some_and(|m| m.ends_with('.')));
    }
    let (_, list) = get(&salon, &path).await;
    assert_eq!(list, json!([]));
    let (status, _) = get(&salon, &format!("/api/visits/{}/photos", id(77))).await;
    assert_eq!(status, StatusCode::NOT_FOUND);
    let (status, _) = get(&salon, &format!("/api/photos/{}.jpg", id(77))).await;
    assert_eq!(status, StatusCode::NOT_FOUND);
}

#[actix_web::test]
async fn a_simulated_tape_says_its_lines_as_events() {
    let salon = salon();
    let (_, visit) = dog_and_visit(&salon, "Tappet").await;
    let path = |ask: &str| {
        format!("/api/simulated-devices/tape/lines?visit={visit}&ask={ask}&seed=3&pace_ms=50")
    };
    let (status, kind, bytes) = send(
        &salon,
        Method::GET,
        &path("elbow_height,hock_height"),
        Vec::new(),
        "",
    )
    .await;
    assert_eq!(
        (status, kind.as_str()),
        (StatusCode::OK, "text/event-stream")
    );
    let text = String::from_utf8(bytes).expect("text");
    assert!(
        text.starts_with(
            "data: {\"said\":\"hello\",\"kind\":\"tape\",\"name\":\"simulated\"}\n\n\
             data: {\"said\":\"battery\",\"percent\":82}\n\n"
        ),
        "{text}"
    );
    assert_eq!(
        text.matches("data: {\"said\":\"reading\"").count(),
        2,
        "{text}"
    );

    let (status, said) = get(&salon, &path("elbow_height,wings")).await;
    assert_eq!(status, StatusCode::UNPROCESSABLE_ENTITY);
    assert!(said["detail"].as_str().is_some_and(|m| m.contains("wings")));
}

#[actix_web::test]
async fn earlier_visits_tell_this_one() {
    let salon = salon();
    let (dog, first) = dog_and_visit(&salon, "Turntable").await;
    let dog = dog["id"].as_str().expect("an id");
    let (_, log) = get(&salon, &format!("/api/visits/{first}")).await;
    let began = log["began_ms"].as_i64().expect("a time");
    let later = json!({"dog": dog, "began_ms": began + 42 * 86_400_000});
    let bytes = serde_json::to_vec(&later).expect("writes");
    let path = format!("/api/visits/{}", id(50));
    let (status, _, _) = send(&salon, Method::PUT, &path, bytes, "application/json").await;
    assert_eq!(status, StatusCode::OK);
    let (status, past) = get(&salon, &format!("{path}/past")).await;
    assert_eq!(status, StatusCode::OK);
    assert_eq!(past["coat"]["days"], 42);
    assert_eq!(past["frames"][0]["visit"], first.as_str());
    let (_, nothing) = get(&salon, &format!("/api/visits/{first}/past")).await;
    assert_eq!(nothing["coat"], Value::Null);
}

#[actix_web::test]
async fn a_type_is_made_from_measured_dogs_and_refused_from_too_few() {
    let salon = salon();
    let (_, dogs) = get(&salon, "/api/dogs").await;
    let all: Vec<&Value> = dogs
        .as_array()
        .expect("dogs")
        .iter()
        .map(|d| &d["dog"]["id"])
        .collect();
    let new = |dogs: &[&Value], name: &str| json!({"id": id(60), "name": name, "base": "ordinary", "dogs": dogs, "at_ms": 1});
    let (status, made) = post(&salon, "/api/own-types", &new(&all, "Box dogs")).await;
    assert_eq!(status, StatusCode::OK, "{made}");
    assert!(made["shares"]["body_length"]["dogs"].as_u64() >= Some(3));
    let (_, list) = get(&salon, "/api/own-types").await;
    assert_eq!(list[0]["name"], "Box dogs");
    for (dogs, name) in [(&all[..1], "One dog"), (&all[..], " ")] {
        let (status, said) = post(&salon, "/api/own-types", &new(dogs, name)).await;
        assert_eq!(status, StatusCode::UNPROCESSABLE_ENTITY, "{said}");
    }
}
