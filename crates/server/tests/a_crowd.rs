//! More work than there are cores: as much as has a place is done, the others are told when to come
//! again, and a tick at the table goes in between. Alone in its program: places are counted in each.

use actix_web::http::{StatusCode, header};
use actix_web::test::{TestRequest, call_service, init_service, read_body};
use futures_util::future::join_all;
use serde_json::{Value, json};
use uuid::Uuid;
use veliform_server::app::{SharedSalon, app};
use veliform_server::demo;
use veliform_store::Store;

/// Plans, fifty a core, and ticks among them (RFC 9110, 10.2.3 and 15.6.4).
#[actix_web::test]
async fn a_crowd_is_answered_or_told_when_to_come_again_and_a_tick_goes_through() {
    let mut store = Store::in_memory().expect("opens");
    demo::fill(&mut store, 1).expect("fills");
    let service = init_service(app(&SharedSalon::new(store)).0).await;
    let ask = async |path: &str, body: Option<&Value>| {
        let request = TestRequest::default().uri(path);
        let request = request.insert_header((header::HOST, "127.0.0.1:4270"));
        let request = match body {
            Some(body) => request.method(actix_web::http::Method::POST).set_json(body),
            None => request,
        };
        let answer = call_service(&service, request.to_request()).await;
        let (status, retry) = (
            answer.status(),
            answer.headers().get(header::RETRY_AFTER).cloned(),
        );
        let value: Value = serde_json::from_slice(&read_body(answer).await).unwrap_or(Value::Null);
        (status, retry, value)
    };
    let (_, _, dogs) = ask("/api/dogs", None).await;
    let visit = dogs[0]["last_visit"]["id"]
        .as_str()
        .expect("a visit")
        .to_owned();
    let (_, _, log) = ask(&format!("/api/visits/{visit}"), None).await;
    let desk = json!({"desk": {"dog": log["dog"], "entries": log["entries"]}, "reasons": true});
    let entries = format!("/api/visits/{visit}/entries");
    let tick = |n: u128| {
        json!({"entries": [{"id": Uuid::from_u128(n), "at_ms": 5,
            "body": {"kind": "note_written", "text": "ticked"}}]})
    };
    let cores = std::thread::available_parallelism().expect("cores").get();
    let plans = join_all((0..cores * 50).map(|_| ask("/api/plan", Some(&desk))));
    let ticks = join_all((1..=20).map(async |n| ask(&entries, Some(&tick(n))).await));
    let (plans, ticks) = futures_util::join!(plans, ticks);

    let (made, turned_away): (Vec<_>, Vec<_>) = plans
        .iter()
        .partition(|(status, _, _)| *status == StatusCode::OK);
    assert!(made.len() >= cores, "{} made", made.len());
    assert!(!turned_away.is_empty(), "nobody was turned away");
    for (status, retry, said) in turned_away {
        assert_eq!(*status, StatusCode::SERVICE_UNAVAILABLE);
        assert_eq!(retry.as_ref().and_then(|r| r.to_str().ok()), Some("1"));
        assert_eq!(said["kind"], "unavailable");
    }
    for (status, _, kept) in &ticks {
        assert_eq!((*status, &kept["new"]), (StatusCode::OK, &json!(1)));
    }
    assert_eq!(
        ask("/api/plan", Some(&desk)).await.0,
        StatusCode::OK,
        "there is room again"
    );
}
