//! The OpenAPI document is what the server does: every operation in it is tried, answers as it says,
//! and refuses as RFC 9110 (methods) and RFC 9457 (problem details) have it.

use std::collections::BTreeMap;

use crate::support;

use actix_web::http::{Method, StatusCode};
use serde_json::{Value, json};
use uuid::Uuid;
use veliform_server::app::{SharedSalon, app};

use support::{Answer, Body, ask, first_version, salon};

async fn send(salon: &SharedSalon, method: Method, path: &str, body: Body) -> Answer {
    ask(salon, method, path, first_version(path), body).await
}

/// The document's operations: method, path, and what it says of each.
fn operations() -> Vec<(Method, String, Value)> {
    let document = serde_json::to_value(app(&salon()).1).expect("writes");
    let mut list = Vec::new();
    for (path, item) in document["paths"].as_object().expect("paths") {
        for (name, operation) in item.as_object().expect("operations") {
            if let Ok(method) = name.to_uppercase().parse::<Method>() {
                list.push((method, path.clone(), operation.clone()));
            }
        }
    }
    list.sort_by(|a, b| (a.1.as_str(), a.0.as_str()).cmp(&(b.1.as_str(), b.0.as_str())));
    list
}

/// Dogs that nothing else is asked of: merged, and forgotten.
const fn spare(n: u128) -> Uuid {
    Uuid::from_u128(80 + n)
}

/// Something real to ask of every operation; one that is not here fails the test.
struct Requests {
    dog: String,
    dogs: Vec<Value>,
    visit: String,
    plan: String,
    photo: String,
    desk: Value,
    file: Value,
    tool: Value,
    picture: Vec<u8>,
}

/// A look of the salon's own.
fn look() -> Value {
    json!({"id": Uuid::from_u128(76), "name": "Signal lamb", "base": "lamb"})
}

impl Requests {
    async fn of(salon: &SharedSalon) -> Self {
        let get = async |path: &str| send(salon, Method::GET, path, Body::None).await;
        let dogs = get("/api/dogs").await.value;
        let all = dogs.as_array().expect("dogs");
        let card = all.iter().find(|d| d["dog"]["name"] == "Tappet");
        let card = card.expect("a demo dog");
        let text = |v: &Value| v.as_str().expect("text").to_owned();
        let (dog, visit) = (text(&card["dog"]["id"]), text(&card["last_visit"]["id"]));
        for n in 0..6 {
            let mut card = json!({"id": spare(n), "name": "Spare"});
            if n > 3 {
                card["owner"] = "Ms Twice".into();
                card["owner_id"] = json!(spare(n));
            }
            let path = format!("/api/dogs/{}", spare(n));
            send(salon, Method::PUT, &path, Body::Json(card)).await;
        }
        let log = get(&format!("/api/visits/{visit}")).await.value;
        let (mut house, kit) = (get("/api/house").await.value, get("/api/kit").await.value);
        house["own_looks"] = json!([look()]);
        Self {
            desk: json!({"dog": log["dog"], "entries": log["entries"], "house": house, "kit": kit}),
            file: get(&format!("/api/dogs/{dog}/file")).await.value,
            tool: kit[0].clone(),
            picture: get(&format!("/api/visits/{visit}/drawing.png?width=600"))
                .await
                .bytes,
            dogs: all.iter().map(|d| d["dog"]["id"].clone()).collect(),
            plan: Uuid::from_u128(50).to_string(),
            photo: Uuid::from_u128(60).to_string(),
            dog,
            visit,
        }
    }

    fn of_operation(&self, method: &Method, path: &str) -> (String, Body) {
        let Self {
            dog,
            visit,
            plan,
            photo,
            ..
        } = self;
        let at = |path: String| (path, Body::None);
        let desk = || Body::Json(self.desk.clone());
        let with_desk = |mut more: Value| {
            more["desk"] = self.desk.clone();
            Body::Json(more)
        };
        let here = path
            .replace("/dogs/{id}", &format!("/dogs/{dog}"))
            .replace("/visits/{id}", &format!("/visits/{visit}"))
            .replace("/visits/{visit}", &format!("/visits/{visit}"))
            .replace("/plans/{id}", &format!("/plans/{plan}"))
            .replace("/photos/{id}.jpg", &format!("/photos/{photo}.jpg"))
            .replace("/looks/{id}", &format!("/looks/{}", Uuid::from_u128(76)))
            .replace("/kit/{id}", &format!("/kit/{}", Uuid::from_u128(70)));
        let name = format!("{method} {path}");
        match name.as_str() {
            "GET /api/simulated-devices/{kind}/lines" => at(format!(
                "/api/simulated-devices/tape/lines?visit={visit}&ask=body_length&pace_ms=50"
            )),
            "GET /api/visits/{visit}/drawing.png" => at(format!("{here}?width=200")),
            "PUT /api/dogs/{id}" => (here, Body::Json(self.desk["dog"].clone())),
            "PUT /api/visits/{id}" => {
                let id = Uuid::from_u128(71);
                (
                    format!("/api/visits/{id}"),
                    Body::Json(json!({"dog": dog, "began_ms": 5})),
                )
            }
            "POST /api/visits/{id}/entries" => {
                let entry = json!({"id": Uuid::from_u128(72), "at_ms": 6,
                    "body": {"kind": "note_written", "text": "seen"}});
                (here, Body::Json(json!({"entries": [entry]})))
            }
            "PUT /api/visits/{visit}/plans/{id}" => {
                let body = json!({"entry": Uuid::from_u128(73), "at_ms": 7});
                (here, Body::Json(body))
            }
            "POST /api/visits/{visit}/photos" => (
                format!("{here}?id={photo}&view=side&at_ms=8"),
                Body::Bytes("image/png".into(), self.picture.clone()),
            ),
            "POST /api/visits/{visit}/simulated-photos" => {
                let body = json!({"id": Uuid::from_u128(74), "at_ms": 9});
                (here, Body::Json(body))
            }
            "POST /api/dogs/import" => (here, Body::Json(self.file.clone())),
            "PUT /api/house" => (here, Body::Json(self.desk["house"].clone())),
            "PUT /api/kit/{id}" => (here, Body::Json(self.tool.clone())),
            "POST /api/own-types" => {
                let body = json!({"id": Uuid::from_u128(75), "name": "ours", "base": "ordinary",
                    "dogs": self.dogs, "at_ms": 10});
                (here, Body::Json(body))
            }
            "PUT /api/dogs/{id}/owner" => (
                here,
                Body::Json(json!({"name": "Ms Platelayer", "reach": "by the gate"})),
            ),
            "POST /api/dogs/{id}/owner/apart" => at(here),
            "POST /api/dogs/{id}/owner/same" => {
                let body = json!({"with": spare(5)});
                (
                    format!("/api/dogs/{}/owner/same", spare(4)),
                    Body::Json(body),
                )
            }
            "DELETE /api/dogs/{id}/owner" => at(format!("/api/dogs/{}/owner", spare(3))),
            "POST /api/looks/import" => {
                let file = json!({"format": "veliform-look", "version": 1, "look": look()});
                (here, Body::Json(file))
            }
            "POST /api/dogs/{id}/merge" => {
                let body = json!({"other": spare(1)});
                (format!("/api/dogs/{}/merge", spare(0)), Body::Json(body))
            }
            "DELETE /api/dogs/{id}" => at(format!("/api/dogs/{}", spare(2))),
            "POST /api/plan" => (here, with_desk(json!({}))),
            "POST /api/what-if" => (here, with_desk(json!({"zone": "knee", "wish": "leave"}))),
            "POST /api/consult" => (here, with_desk(json!({"shown": ["lamb"]}))),
            "POST /api/ahead" => (here, with_desk(json!({"weeks": 6}))),
            "POST /api/run" => (here, with_desk(json!({"now_ms": 11}))),
            "POST /api/rescue" => (
                here,
                with_desk(
                    json!({"slip": {"zone": "ribs", "hand": "left", "left_mm": 9.0,
                    "cause": {"by": "comb_fell_off"}}}),
                ),
            ),
            "POST /api/knot" => (
                here,
                with_desk(json!({"knot": {"zone": "chest", "off_skin_mm": 4.0}})),
            ),
            "POST /api/ways-ahead" => (here, with_desk(json!({"zone": "chest"}))),
            "POST /api/length" => (here, Body::Json(json!({"text": "7/8 in"}))),
            "POST /api/read-photo" => {
                let marks = json!({"view": "side", "size_px": [600, 400], "points": []});
                (here, Body::Json(json!({"marks": marks})))
            }
            "POST /api/evaluate"
            | "POST /api/plan-then-reasons"
            | "POST /api/picture"
            | "POST /api/lines"
            | "POST /api/schools"
            | "POST /api/finish"
            | "POST /api/card"
            | "POST /api/next-measure" => (here, desk()),
            _ if *method == Method::GET || *method == Method::DELETE => at(here),
            other => unreachable!("nothing is known to ask of {other}: say it here"),
        }
    }
}

/// Every operation is tried with something real, answers with a status that its document names, and
/// what it needs is made first.
#[actix_web::test]
async fn every_operation_answers_as_the_document_says() {
    let salon = salon();
    let requests = Requests::of(&salon).await;
    let mut operations = operations();
    // What makes a thing comes before what reads it, what takes it away last.
    operations.sort_by_key(|(method, _, _)| match *method {
        Method::PUT => 0,
        Method::POST => 1,
        Method::GET => 2,
        _ => 3,
    });
    let mut tried = BTreeMap::new();
    for (method, path, said) in &operations {
        let (here, body) = requests.of_operation(method, path);
        assert!(!here.contains('{'), "no id for {method} {path}");
        let answer = send(&salon, method.clone(), &here, body).await;
        let status = answer.status.as_u16().to_string();
        let text = String::from_utf8_lossy(&answer.bytes);
        assert!(
            answer.status.is_success(),
            "{method} {here}: {status} {}",
            text.chars().take(200).collect::<String>()
        );
        assert!(
            said["responses"][&status].is_object(),
            "{method} {path}: {status} is not documented"
        );
        tried.insert(format!("{method} {path}"), status);
    }
    assert_eq!(tried.len(), operations.len());
    assert!(tried.len() >= 45, "{}", tried.len());
}

/// Each operation has its tag and its words; each answer a description; each failure is problem
/// details; bodies that people write by hand have an example.
#[test]
fn every_answer_is_described() {
    let mut examples = 0;
    for (method, path, said) in operations() {
        let name = format!("{method} {path}");
        assert!(said["tags"][0].is_string(), "{name}: no tag");
        assert!(said["summary"].is_string(), "{name}: no summary");
        for (status, answer) in said["responses"].as_object().expect("answers") {
            let words = answer["description"].as_str().unwrap_or_default();
            assert!(words.len() > 8, "{name} {status}: no description");
            if !status.starts_with('2') {
                let content = &answer["content"]["application/problem+json"]["schema"]["$ref"];
                assert_eq!(content, "#/components/schemas/ErrorBody", "{name} {status}");
            }
        }
        let mut content = said["requestBody"]["content"]
            .as_object()
            .into_iter()
            .flatten();
        examples += usize::from(content.any(|(_, c)| c["example"].is_object()));
    }
    assert!(examples >= 6, "{examples} examples");
}

/// RFC 9110: HEAD is answered as GET; a method that an address does not take is 405 with `Allow`.
/// RFC 9457: a failure is `application/problem+json` with type, title, status and detail.
#[actix_web::test]
async fn methods_and_problems_follow_their_standards() {
    let salon = salon();
    let head = send(&salon, Method::HEAD, "/api/health", Body::None).await;
    assert_eq!(head.status, StatusCode::OK);
    for (method, path, allow) in [
        (Method::DELETE, "/api/house", "GET, HEAD, PUT"),
        (Method::GET, "/api/length", "POST"),
        (
            Method::POST,
            "/api/dogs/00000000-0000-4000-8000-000000000000",
            "GET, HEAD, PUT, DELETE",
        ),
    ] {
        let answer = send(&salon, method, path, Body::None).await;
        assert_eq!(answer.status, StatusCode::METHOD_NOT_ALLOWED, "{path}");
        assert_eq!(answer.allow, allow, "{path}");
    }
    for (body, status, words) in [
        (json!({"text": "tall"}), 422, "is not a length"),
        (json!({}), 422, "“text” is missing"),
        (
            json!({"text": "9", "units": "inch"}),
            422,
            "the nearest are “inches”",
        ),
        (json!({"text": 9}), 422, "text is wanted"),
    ] {
        let answer = send(&salon, Method::POST, "/api/length", Body::Json(body)).await;
        assert_eq!(answer.status.as_u16(), status);
        assert_eq!(answer.kind, "application/problem+json");
        let said = answer.value;
        assert_eq!(said["status"], status);
        assert_eq!(said["type"], "urn:veliform:invalid_input");
        assert!(said["title"].is_string());
        let detail = said["detail"].as_str().expect("a sentence");
        assert!(detail.contains(words), "{detail}");
        assert!(
            !detail.contains('`') && !detail.contains("expected"),
            "{detail}"
        );
    }
    let other = send(
        &salon,
        Method::POST,
        "/api/length",
        Body::Bytes("image/png".into(), vec![1]),
    )
    .await;
    assert_eq!(other.status, StatusCode::UNSUPPORTED_MEDIA_TYPE);
    // What no one knows is no size: errors go by type (the whole batch is said to be too large once).
    let (_, visit) = ("", Requests::of(&salon).await.visit);
    let entry = json!({"id": Uuid::from_u128(1), "at_ms": 1,
        "body": {"kind": "limit_guessed", "zone": "back"}});
    let path = format!("/api/visits/{visit}/entries");
    let answer = send(
        &salon,
        Method::POST,
        &path,
        Body::Json(json!({"entries": [entry]})),
    )
    .await;
    assert_eq!(answer.status, StatusCode::UNPROCESSABLE_ENTITY);
    let said = answer.value;
    let detail = said["detail"].as_str().expect("a sentence");
    assert!(
        detail.starts_with("Body, kind: “limit_guessed” is no answer here"),
        "{detail}"
    );
}

/// One entry that cannot be kept takes none of the good ones with it.
#[actix_web::test]
async fn a_bad_entry_keeps_no_good_one_from_being_kept() {
    let salon = salon();
    let visit = Requests::of(&salon).await.visit;
    let note = |n: u128, at_ms: i64, body: Value| json!({"id": Uuid::from_u128(n), "at_ms": at_ms, "body": body});
    let said = |text: &str| json!({"kind": "note_written", "text": text});
    let path = format!("/api/visits/{visit}/entries");
    let first = json!({"entries": [note(1, 5, said("one"))]});
    send(&salon, Method::POST, &path, Body::Json(first)).await;
    let batch = json!({"entries": [
        note(2, 6, said("two")),
        note(3, 7, json!({"kind": "felt_set", "felt": "short_neck", "grade": "markd"})),
        note(1, 5, said("other words")),
        note(4, i64::MAX, said("at the end of time")),
        note(5, 8, said("five")),
    ]});
    let answer = send(&salon, Method::POST, &path, Body::Json(batch)).await;
    assert_eq!(answer.status, StatusCode::OK);
    let kept = answer.value;
    assert_eq!(kept["new"], 2);
    let refused = kept["refused"].as_array().expect("a list");
    let places: Vec<&Value> = refused.iter().map(|r| &r["place"]).collect();
    assert_eq!(places, [1, 2, 3]);
    let why = |i: usize| {
        refused[i]["detail"]
            .as_str()
            .expect("a sentence")
            .to_owned()
    };
    assert!(
        why(0).contains("“markd” is no answer here; the nearest are “marked”"),
        "{}",
        why(0)
    );
    assert!(
        why(1).contains("already here with other contents"),
        "{}",
        why(1)
    );
    assert!(why(2).contains("1900 to 2199"), "{}", why(2));
}

/// A slip of the pen in a dog file is named with its place, not passed over.
#[actix_web::test]
async fn a_field_nobody_knows_in_a_dog_file_is_refused_with_its_place() {
    let salon = salon();
    let mut file = Requests::of(&salon).await.file;
    file["visits"][0]["entries"][2]["body"]["taken"]["value_cm"] = json!(46);
    let answer = send(&salon, Method::POST, "/api/dogs/import", Body::Json(file)).await;
    assert_eq!(answer.status, StatusCode::UNPROCESSABLE_ENTITY);
    let said = answer.value;
    let detail = said["detail"].as_str().expect("a sentence");
    assert!(
        detail.contains("“value_cm”") && detail.contains("visits 1, entries 3"),
        "{detail}"
    );
}
