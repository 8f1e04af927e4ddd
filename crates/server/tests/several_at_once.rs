//! Several screens, several salons: nobody writes over another's word, and nothing is kept in silence
//! that counts for nothing.

use crate::support;

use actix_web::http::{Method, StatusCode};
use serde_json::{Value, json};
use uuid::Uuid;
use veliform_server::app::SharedSalon;

use support::{Answer, Body, ask, salon};

/// A request, with `If-Match` where the sender knows a version.
async fn send(
    salon: &SharedSalon,
    method: Method,
    path: &str,
    known: Option<&str>,
    body: Option<&Value>,
) -> Answer {
    let body = body.map_or(Body::None, |body| Body::Json(body.clone()));
    ask(salon, method, path, known, body).await
}

async fn get(salon: &SharedSalon, path: &str) -> Answer {
    send(salon, Method::GET, path, None, None).await
}

/// Conditional requests as RFC 9110 (13.1.1, 15.5.13) and RFC 6585 (3) have them.
#[actix_web::test]
async fn two_screens_do_not_write_over_each_others_settings() {
    let salon = salon();
    let seen = get(&salon, "/api/house").await;
    let tag = seen.etag.expect("a version");
    let put = async |known: Option<&str>, house: &Value| {
        send(&salon, Method::PUT, "/api/house", known, Some(house)).await
    };
    let with = |field: &str, value: Value| {
        let mut house = seen.value.clone();
        house[field] = value;
        house
    };
    let (left, right) = (
        with("table_rate", json!(61.0)),
        with("blade_minutes", json!(3.0)),
    );
    let first = put(Some(&tag), &left).await;
    assert_eq!(first.status, StatusCode::OK);
    let second = put(Some(&tag), &right).await;
    assert_eq!(second.status, StatusCode::PRECONDITION_FAILED);
    let said = second.value["detail"].as_str().expect("a sentence");
    assert!(said.contains("another screen"), "{said}");
    let now = get(&salon, "/api/house").await;
    assert_eq!(
        now.value["table_rate"],
        json!(61.0),
        "the first change stands"
    );
    // Read again, the second change goes on top of it.
    let mut again = now.value;
    again["blade_minutes"] = json!(3.0);
    let kept = put(now.etag.as_deref(), &again).await;
    assert_eq!(kept.status, StatusCode::OK);
    assert_eq!(kept.value["table_rate"], json!(61.0));

    assert_eq!(
        put(None, &again).await.status,
        StatusCode::PRECONDITION_REQUIRED
    );
    assert_eq!(
        put(Some("\"other\""), &again).await.status,
        StatusCode::PRECONDITION_FAILED
    );
    let tag = kept.etag.as_deref();
    let empty = put(tag, &json!({})).await;
    assert_eq!(empty.status, StatusCode::UNPROCESSABLE_ENTITY);
    assert!(
        empty.value["detail"]
            .as_str()
            .is_some_and(|d| d.contains("table_rate")),
        "{}",
        empty.value
    );
    assert_eq!(
        get(&salon, "/api/house").await.value,
        kept.value,
        "nothing is reset"
    );
}

#[actix_web::test]
async fn what_was_said_in_another_salon_is_not_taken_in() {
    let salon = salon();
    let dogs = get(&salon, "/api/dogs").await.value;
    let visit = dogs[0]["last_visit"]["id"]
        .as_str()
        .expect("a visit")
        .to_owned();
    let path = format!("/api/visits/{visit}");
    let log = get(&salon, &path).await.value;
    let said = |salon: Value| {
        json!({"salon": salon, "entries": [{"id": Uuid::from_u128(1), "at_ms": 5,
            "body": {"kind": "note_written", "text": "seen"}}]})
    };
    let entries = format!("{path}/entries");
    let other = said(json!(Uuid::from_u128(9)));
    let refused = send(&salon, Method::POST, &entries, None, Some(&other)).await;
    assert_eq!(refused.status, StatusCode::NOT_FOUND);
    assert!(
        refused.value["detail"]
            .as_str()
            .is_some_and(|d| d.contains("another salon"))
    );
    let mut late = said(log["salon"].clone());
    // The last millisecond of the calendar once broke the owner's card; so would a stamp.
    late["entries"][0]["stamp_ms"] = json!(253_402_207_200_999_i64);
    let refused = send(&salon, Method::POST, &entries, None, Some(&late)).await;
    assert_eq!(refused.status, StatusCode::UNPROCESSABLE_ENTITY);
    let kept = send(
        &salon,
        Method::POST,
        &entries,
        None,
        Some(&said(log["salon"].clone())),
    )
    .await;
    assert_eq!(kept.value["new"], json!(1));
}

/// What cannot count is refused by itself, what came with it is kept.
#[actix_web::test]
async fn a_tick_of_no_step_and_a_note_nobody_reads_again_are_refused() {
    let salon = salon();
    let dogs = get(&salon, "/api/dogs").await.value;
    let visit = dogs[0]["last_visit"]["id"]
        .as_str()
        .expect("a visit")
        .to_owned();
    let entry = |n: u128, body: Value| json!({"id": Uuid::from_u128(n), "at_ms": 7, "body": body});
    let note = |letters: usize| json!({"kind": "note_written", "text": "ä".repeat(letters)});
    let body = json!({"entries": [
        entry(900, note(6000)),
        entry(901, note(6001)),
        entry(902, json!({"kind": "run", "event": {"event": "done", "step": 99}})),
        entry(903, json!({"kind": "undone", "entry": Uuid::from_u128(904)})),
    ]});
    let path = format!("/api/visits/{visit}/entries");
    let kept = send(&salon, Method::POST, &path, None, Some(&body)).await;
    assert_eq!(kept.status, StatusCode::OK);
    assert_eq!(kept.value["new"], json!(1));
    let refused = kept.value["refused"].as_array().expect("a list");
    let places: Vec<&Value> = refused.iter().map(|r| &r["place"]).collect();
    assert_eq!(places, [&json!(1), &json!(2), &json!(3)]);
    let says = |i: usize, words: &str| {
        let detail = refused[i]["detail"].as_str().expect("a sentence");
        assert!(detail.contains(words), "{detail}");
    };
    says(0, "6001 letters");
    says(1, "at the table");
    says(2, "never said");
}

#[actix_web::test]
async fn a_plans_id_belongs_to_its_visit() {
    let salon = salon();
    let dogs = get(&salon, "/api/dogs").await.value;
    let visit = |name: &str| {
        let all = dogs.as_array().expect("dogs").iter();
        let card = all
            .clone()
            .find(|d| d["dog"]["name"] == name)
            .expect("a demo dog");
        card["last_visit"]["id"]
            .as_str()
            .expect("a visit")
            .to_owned()
    };
    let plan = Uuid::from_u128(70);
    let keep = async |visit: String, entry: u128| {
        let body = json!({"entry": Uuid::from_u128(entry), "at_ms": 7});
        let path = format!("/api/visits/{visit}/plans/{plan}");
        send(&salon, Method::PUT, &path, None, Some(&body)).await
    };
    assert_eq!(keep(visit("Tappet"), 71).await.status, StatusCode::OK);
    assert_eq!(
        keep(visit("Tappet"), 71).await.status,
        StatusCode::OK,
        "the same again"
    );
    let other = keep(visit("Turntable"), 72).await;
    assert_eq!(other.status, StatusCode::CONFLICT);
    let plans = get(&salon, &format!("/api/visits/{}/plans", visit("Turntable"))).await;
    let ids = plans
        .value
        .as_array()
        .expect("plans")
        .iter()
        .map(|p| &p["id"]);
    assert!(ids.clone().all(|id| *id != json!(plan)));
}
