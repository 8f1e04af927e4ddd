//! Dogs found, entered twice, forgotten, and told on one page.

use actix_web::http::{Method, StatusCode};
use serde_json::{Value, json};

use crate::support::{Answer, Body, ask, salon};
use veliform_server::app::SharedSalon;

async fn send(salon: &SharedSalon, method: Method, path: &str, body: Body) -> Answer {
    ask(salon, method, path, None, body).await
}

async fn get(salon: &SharedSalon, path: &str) -> Answer {
    send(salon, Method::GET, path, Body::None).await
}

fn names(answer: &Answer) -> Vec<&str> {
    let cards = answer.value.as_array().expect("dogs");
    cards
        .iter()
        .filter_map(|card| card["dog"]["name"].as_str())
        .collect()
}

async fn enter(salon: &SharedSalon, n: u128, name: &str, owner: &str) -> String {
    let id = uuid::Uuid::from_u128(n).to_string();
    let card = json!({"id": id, "name": name, "owner": owner});
    let path = format!("/api/dogs/{id}");
    let answer = send(salon, Method::PUT, &path, Body::Json(card)).await;
    assert_eq!(answer.status, StatusCode::OK);
    id
}

/// Accents, case and two slipped letters are forgiven; what is nearest comes first.
#[actix_web::test]
async fn a_dog_is_found_as_people_type_names() {
    let salon = salon();
    enter(&salon, 900, "Łucja", "Zoë Ødegård").await;
    for typed in [
        "lucja",
        "LUCJA",
        "%C5%81ucja",
        "luzja",
        "zoe",
        "odegard",
        "odegrad%20luc",
    ] {
        let answer = get(&salon, &format!("/api/dogs?find={typed}")).await;
        assert_eq!(names(&answer), ["Łucja"], "{typed}");
    }
    for typed in ["semafore", "Semaphor", "smaphore"] {
        let answer = get(&salon, &format!("/api/dogs?find={typed}")).await;
        assert_eq!(names(&answer).first(), Some(&"Semaphore"), "{typed}");
    }
    assert!(names(&get(&salon, "/api/dogs?find=xyzzyx").await).is_empty());
}

async fn tappet(salon: &SharedSalon) -> String {
    let found = get(salon, "/api/dogs?find=tappet").await;
    found.value[0]["dog"]["id"]
        .as_str()
        .expect("an id")
        .to_owned()
}

/// A visit on one day of both stays twice, and is said.
#[actix_web::test]
async fn a_dog_entered_twice_is_one_again() {
    let salon = salon();
    let first = tappet(&salon).await;
    let twice = enter(&salon, 901, "Tapet", "").await;
    let began =
        get(&salon, &format!("/api/dogs/{first}")).await.value["visits"][0]["began_ms"].clone();
    let visit = uuid::Uuid::from_u128(902);
    let begun = json!({"dog": twice, "began_ms": began.as_i64().expect("a moment") + 1});
    let path = format!("/api/visits/{visit}");
    send(&salon, Method::PUT, &path, Body::Json(begun)).await;
    let body = json!({"other": twice});
    let path = format!("/api/dogs/{first}/merge");
    let merged = send(&salon, Method::POST, &path, Body::Json(body)).await;
    assert_eq!(merged.value, json!({"visits": 1, "same_day_ms": [began]}));
    let found = get(&salon, "/api/dogs?find=tapet").await;
    assert_eq!(names(&found), ["Tappet"]);
    let log = get(&salon, &format!("/api/visits/{visit}")).await;
    assert_eq!(
        log.value["dog"]["name"], "Tappet",
        "the visit is its own now"
    );
    let itself = json!({"other": first});
    let refused = send(&salon, Method::POST, &path, Body::Json(itself)).await;
    assert_eq!(refused.status, StatusCode::UNPROCESSABLE_ENTITY);
}

#[actix_web::test]
async fn a_forgotten_dog_is_said_before_it_goes_and_gone_after() {
    let salon = salon();
    let dog = tappet(&salon).await;
    let visit = get(&salon, &format!("/api/dogs/{dog}")).await.value["visits"][0]["id"].clone();
    let visit = visit.as_str().expect("a visit").to_owned();
    // Its log is at hand before it goes.
    get(&salon, &format!("/api/visits/{visit}/past")).await;
    let all = get(&salon, &format!("/api/dogs/{dog}/belongings"))
        .await
        .value;
    assert!(
        all["visits"].as_u64() >= Some(1) && all["entries"].as_u64() > Some(5),
        "{all}"
    );
    let path = format!("/api/dogs/{dog}");
    let gone = send(&salon, Method::DELETE, &path, Body::None).await;
    assert_eq!(gone.value, all);
    for path in [
        path,
        format!("/api/visits/{visit}"),
        format!("/api/visits/{visit}/past"),
    ] {
        assert_eq!(
            get(&salon, &path).await.status,
            StatusCode::NOT_FOUND,
            "{path}"
        );
    }
    let entry = json!({"id": uuid::Uuid::from_u128(903), "at_ms": 5,
        "body": {"kind": "note_written", "text": "too late"}});
    let late = Body::Json(json!({"entries": [entry]}));
    let path = format!("/api/visits/{visit}/entries");
    let answer = send(&salon, Method::POST, &path, late).await;
    assert_eq!(answer.status, StatusCode::NOT_FOUND);
}

/// The life of a dog, on the page and as a PDF whose text says what was seen and no diagnosis.
#[actix_web::test]
async fn a_life_is_told_on_one_page() {
    let salon = salon();
    let dog = tappet(&salon).await;
    let page = get(&salon, &format!("/api/dogs/{dog}/life")).await;
    let visits = page.value["life"]["visits"].as_array().expect("visits");
    assert!(!visits.is_empty());
    assert!(
        page.value["outlines"]["shapes"]
            .as_array()
            .is_some_and(|s| s.len() > 5)
    );
    let pdf = get(&salon, &format!("/api/dogs/{dog}/life.pdf")).await;
    assert_eq!(pdf.kind, "application/pdf");
    assert!(pdf.bytes.starts_with(b"%PDF"));
    let nobody = uuid::Uuid::from_u128(999);
    let missing = get(&salon, &format!("/api/dogs/{nobody}/life")).await;
    assert_eq!(missing.status, StatusCode::NOT_FOUND);
    assert_ne!(missing.value, Value::Null, "it is said");
}

/// A plan that was kept takes under 25 kB on disk and opens as it was kept.
#[actix_web::test]
async fn a_kept_plan_is_small_and_opens_as_it_was() {
    let folder = tempfile::tempdir().expect("a folder");
    let file = folder.path().join("salon.db");
    let mut store = veliform_store::Store::create(&file).expect("begins");
    veliform_server::demo::fill(&mut store, 1).expect("fills");
    let salon = SharedSalon::new(store);
    let dogs = get(&salon, "/api/dogs").await.value;
    let mut kept = 0_u128;
    for card in dogs.as_array().expect("dogs") {
        let Some(visit) = card["last_visit"]["id"].as_str() else {
            continue;
        };
        kept += 1;
        let path = format!("/api/visits/{visit}/plans/{}", uuid::Uuid::from_u128(kept));
        let body = json!({"entry": uuid::Uuid::from_u128(500 + kept), "at_ms": 7});
        let plan = send(&salon, Method::PUT, &path, Body::Json(body)).await;
        assert_eq!(plan.status, StatusCode::OK, "{}", plan.value);
        let path = format!("/api/plans/{}", uuid::Uuid::from_u128(kept));
        let again = get(&salon, &path).await;
        assert_eq!(again.value["plan"], plan.value["plan"]);
    }
    assert!(kept >= 5);
    let raw = rusqlite::Connection::open(&file).expect("opens");
    let largest: i64 = raw
        .query_row("SELECT max(length(packed)) FROM packed_plan", [], |row| {
            row.get(0)
        })
        .expect("reads");
    assert!(largest < 25_000, "{largest} bytes");
}

/// One owner with two dogs: what is said of them is said once, and what they bear moves the day to come back.
#[actix_web::test]
async fn an_owner_has_a_card_with_all_their_dogs() {
    let salon = salon();
    let first = enter(&salon, 910, "Bell", "Zoë Platelayer").await;
    let second = enter(&salon, 911, "Whistle", "zoe platelayer").await;
    enter(&salon, 912, "Lamp", "Otto Lamplight").await;
    let path = format!("/api/dogs/{first}/owner");
    let dogs = |card: &Value| -> Vec<String> {
        let all = card["dogs"].as_array().expect("dogs").iter();
        all.map(|d| d["name"].as_str().unwrap_or_default().to_owned())
            .collect()
    };
    assert_eq!(dogs(&get(&salon, &path).await.value), ["Bell", "Whistle"]);
    let said = json!({"name": " Zoë Platelayer ", "reach": "by the gate",
        "at_home": {"brushing_minutes_a_week": 40, "hair_over_eyes": "does_not_matter"}});
    let kept = send(&salon, Method::PUT, &path, Body::Json(said)).await;
    assert_eq!(kept.status, StatusCode::OK, "{}", kept.value);
    let other = get(&salon, &format!("/api/dogs/{second}")).await.value;
    assert_eq!(other["dog"]["owner"], "Zoë Platelayer");
    assert_eq!(other["dog"]["reach"], "by the gate");
    assert_eq!(other["dog"]["at_home"]["brushing_minutes_a_week"], 40);
    let nonsense = json!({"name": "Zoë", "at_home": {"brushing_minutes_a_week": 9000}});
    let refused = send(&salon, Method::PUT, &path, Body::Json(nonsense)).await;
    assert_eq!(refused.status, StatusCode::UNPROCESSABLE_ENTITY);
    let again = get(&salon, &path).await.value;
    assert_eq!(again["name"], "Zoë Platelayer", "all or none");
    // Nobody's dog is alone on its card.
    let alone = enter(&salon, 913, "Stray", "").await;
    enter(&salon, 914, "Another", "").await;
    let card = get(&salon, &format!("/api/dogs/{alone}/owner")).await.value;
    assert_eq!(dogs(&card), ["Stray"]);
}
