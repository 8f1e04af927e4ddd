//! A dog on the desk by its visit: the server's log and what the page still holds are one.

use crate::support;

use std::io::Read as _;

use actix_web::http::{Method, StatusCode, header};
use actix_web::test::{TestRequest, call_service, init_service, read_body};
use flate2::read::GzDecoder;
use serde_json::{Value, json};
use uuid::Uuid;
use veliform_server::app::{SharedSalon, app};

use support::{Body, ask, salon};

async fn send(
    salon: &SharedSalon,
    method: Method,
    path: &str,
    body: Option<&Value>,
) -> (StatusCode, Value) {
    let body = body.map_or(Body::None, |body| Body::Json(body.clone()));
    let answer = ask(salon, method, path, None, body).await;
    (answer.status, answer.value)
}

async fn get(salon: &SharedSalon, path: &str) -> Value {
    send(salon, Method::GET, path, None).await.1
}

fn height(n: u128, at_ms: i64, mm: f64) -> Value {
    json!({"id": Uuid::from_u128(n), "at_ms": at_ms, "body": {
        "kind": "measure_set", "measure": "height_at_withers",
        "taken": {"value_mm": mm, "method": "tape"}}})
}

#[actix_web::test]
async fn the_log_on_the_server_and_the_log_sent_give_one_plan() {
    let salon = salon();
    let (house, kit) = (
        get(&salon, "/api/house").await,
        get(&salon, "/api/kit").await,
    );
    for row in get(&salon, "/api/dogs").await.as_array().expect("dogs") {
        let Some(visit) = row["last_visit"]["id"].as_str() else {
            continue;
        };
        let log = get(&salon, &format!("/api/visits/{visit}")).await;
        let said = log["entries"].as_array().expect("entries").clone();
        let pending = height(77, 9_000_000_000_000, 402.0);
        let desk = |visit: Value, entries: Vec<Value>| {
            json!({"dog": log["dog"], "house": house, "kit": kit,
                "visit": visit, "entries": entries})
        };
        let whole: Vec<Value> = said.iter().cloned().chain([pending.clone()]).collect();
        // The last one said may be there by now, or not: it counts once.
        let newest = said.last().cloned();
        let beyond: Vec<Value> = newest.into_iter().chain([pending.clone()]).collect();
        for (path, wrap) in [("/api/evaluate", false), ("/api/plan", true)] {
            let ask = async |desk: Value| {
                let body = if wrap { json!({ "desk": desk }) } else { desk };
                let (status, answer) = send(&salon, Method::POST, path, Some(&body)).await;
                assert_eq!(status, StatusCode::OK, "{answer}");
                answer
            };
            let sent = ask(desk(Value::Null, whole.clone())).await;
            let by_visit = ask(desk(json!(visit), beyond.clone())).await;
            assert_eq!(sent, by_visit, "{path} of {}", log["dog"]["name"]);
            let without = ask(desk(json!(visit), vec![])).await;
            assert_ne!(by_visit, without, "what is not sent yet counts");
        }
    }
}

#[actix_web::test]
async fn a_long_visit_comes_in_parts_and_none_of_it_is_missed() {
    let salon = salon();
    let dogs = get(&salon, "/api/dogs").await;
    let visit = dogs[0]["last_visit"]["id"].as_str().expect("a visit");
    let path = format!("/api/visits/{visit}");
    let before = get(&salon, &path).await["entries"]
        .as_array()
        .map_or(0, Vec::len);
    for part in 0..4_u32 {
        let entries: Vec<Value> = (0..1250)
            .map(|n| {
                let n = part * 1250 + n;
                height(
                    u128::from(n) + 1000,
                    1_790_000_000_000 + i64::from(n),
                    400.0 + f64::from(n % 50),
                )
            })
            .collect();
        let body = json!({ "entries": entries });
        let (status, kept) = send(
            &salon,
            Method::POST,
            &format!("{path}/entries"),
            Some(&body),
        )
        .await;
        assert_eq!((status, &kept["new"]), (StatusCode::OK, &json!(1250)));
    }
    let mut ids = std::collections::BTreeSet::new();
    let (mut after, mut parts) = (0, 0);
    loop {
        let part = get(&salon, &format!("{path}?after={after}")).await;
        for entry in part["entries"].as_array().expect("entries") {
            assert!(ids.insert(entry["id"].to_string()), "none comes twice");
        }
        after = part["last"].as_i64().expect("a number");
        parts += 1;
        if part["has_more"] == json!(false) {
            break;
        }
    }
    assert_eq!(ids.len(), before + 5000);
    assert_eq!(parts, 3, "2,000 in one answer");

    // The desk knows them all, though none is sent.
    let log = get(&salon, &path).await;
    let desk = json!({"dog": log["dog"], "visit": visit, "entries": []});
    let (_, seen) = send(&salon, Method::POST, "/api/evaluate", Some(&desk)).await;
    assert_eq!(seen["visit"]["entries"], json!(before + 5000));
    let taken = &seen["visit"]["frame"]["measures"]["height_at_withers"];
    assert_eq!(taken["value_mm"], json!(449.0), "{taken}");
}

#[actix_web::test]
async fn a_visit_that_is_not_here_is_said() {
    let salon = salon();
    let dog = &get(&salon, "/api/dogs").await[0]["dog"];
    let desk = json!({"dog": dog, "visit": Uuid::from_u128(404), "entries": []});
    let (status, answer) = send(&salon, Method::POST, "/api/evaluate", Some(&desk)).await;
    assert_eq!(status, StatusCode::NOT_FOUND);
    assert!(
        answer["detail"]
            .as_str()
            .is_some_and(|d| d.contains("visit"))
    );
}

/// One request, the plan at once and its reasons after it: each as if it had been asked for alone; packed
/// as RFC 1952 has it where the reader says that it unpacks (RFC 9110, 12.5.3).
#[actix_web::test]
async fn a_plan_comes_first_and_its_reasons_in_the_same_answer() {
    let salon = salon();
    let dogs = get(&salon, "/api/dogs").await;
    let visit = dogs[0]["last_visit"]["id"]
        .as_str()
        .expect("a visit")
        .to_owned();
    let log = get(&salon, &format!("/api/visits/{visit}")).await;
    let desk = json!({"dog": log["dog"], "visit": visit, "entries": []});
    let alone = async |reasons: bool| {
        let body = json!({"desk": desk, "reasons": reasons});
        send(&salon, Method::POST, "/api/plan", Some(&body)).await.1
    };
    let (plan, with_reasons) = (alone(false).await, alone(true).await);
    assert_ne!(plan, with_reasons, "this dog's plan has reasons");
    for packed in [false, true] {
        let service = init_service(app(&salon).0).await;
        let mut request = TestRequest::post()
            .uri("/api/plan-then-reasons")
            .insert_header((header::HOST, "127.0.0.1:4270"))
            .set_json(&desk);
        if packed {
            request = request.insert_header((header::ACCEPT_ENCODING, "gzip, deflate"));
        }
        let answer = call_service(&service, request.to_request()).await;
        let encoding = answer.headers().get(header::CONTENT_ENCODING).cloned();
        let bytes = read_body(answer).await;
        let mut text = String::new();
        if packed {
            assert_eq!(encoding.expect("said"), "gzip");
            let mut unpacked = GzDecoder::new(&bytes[..]);
            unpacked.read_to_string(&mut text).expect("unpacks");
        } else {
            text.push_str(std::str::from_utf8(&bytes).expect("text"));
        }
        let lines: Vec<Value> = text
            .lines()
            .map(|line| serde_json::from_str(line).expect("a line of JSON"))
            .collect();
        assert_eq!(
            lines,
            [plan.clone(), with_reasons.clone()],
            "packed: {packed}"
        );
    }
}

/// A page that asks anew is not worked for any more: its earlier answer ends with the plan.
#[actix_web::test]
async fn reasons_of_a_page_that_asked_anew_are_given_up() {
    let salon = salon();
    let dogs = get(&salon, "/api/dogs").await;
    let visit = dogs[0]["last_visit"]["id"]
        .as_str()
        .expect("a visit")
        .to_owned();
    let log = get(&salon, &format!("/api/visits/{visit}")).await;
    let service = init_service(app(&salon).0).await;
    let ask = async |page: u128, mm: f64| {
        let entries = [height(7, 9, mm)];
        let desk = json!({"dog": log["dog"], "visit": visit, "entries": entries});
        let uri = format!("/api/plan-then-reasons?page={}", Uuid::from_u128(page));
        let request = TestRequest::post()
            .uri(&uri)
            .insert_header((header::HOST, "127.0.0.1:4270"))
            .set_json(&desk);
        call_service(&service, request.to_request()).await
    };
    // At once, while the first answer's reasons have not begun.
    let (first, second) = (ask(1, 450.0).await, ask(1, 460.0).await);
    let other = ask(2, 455.0).await;
    let mut lines = Vec::new();
    for answer in [first, second, other] {
        let body = read_body(answer).await;
        lines.push(std::str::from_utf8(&body).expect("text").lines().count());
    }
    assert_eq!(lines, [1, 2, 2], "another page's answer is its own");
}
