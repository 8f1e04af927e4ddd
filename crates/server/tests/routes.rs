//! Every route, in process: happy, and each kind of error.

use crate::support;

use actix_web::http::{Method, StatusCode, header};
use actix_web::test::{TestRequest, call_service, init_service};
use serde_json::{Value, json};
use uuid::Uuid;
use veliform_server::app::{SharedSalon, app};

use support::{Body, ask, first_version, salon};

async fn send(
    salon: &SharedSalon,
    method: Method,
    path: &str,
    body: Option<&Value>,
) -> (StatusCode, Value, String) {
    let body = body.map_or(Body::None, |body| Body::Json(body.clone()));
    let answer = ask(salon, method, path, first_version(path), body).await;
    let text = String::from_utf8_lossy(&answer.bytes).into_owned();
    (answer.status, answer.value, text)
}

async fn get(salon: &SharedSalon, path: &str) -> (StatusCode, Value, String) {
    send(salon, Method::GET, path, None).await
}

async fn visit_of(salon: &SharedSalon, name: &str) -> (String, String) {
    let (_, dogs, _) = get(salon, "/api/dogs").await;
    let card = dogs
        .as_array()
        .expect("a list")
        .iter()
        .find(|d| d["dog"]["name"] == name)
        .expect("a demo dog");
    let text = |v: &Value| v.as_str().expect("an id").to_owned();
    (text(&card["dog"]["id"]), text(&card["last_visit"]["id"]))
}

/// A request body for the desk, with the demo dog's own entries.
async fn desk(salon: &SharedSalon, name: &str) -> Value {
    let (_, visit) = visit_of(salon, name).await;
    let (_, log, _) = get(salon, &format!("/api/visits/{visit}")).await;
    let (_, house, _) = get(salon, "/api/house").await;
    let (_, kit, _) = get(salon, "/api/kit").await;
    json!({"dog": log["dog"], "entries": log["entries"], "house": house, "kit": kit})
}

#[actix_web::test]
async fn plain_reads_answer() {
    let salon = salon();
    for path in [
        "/api/health",
        "/api/catalogue",
        "/api/house",
        "/api/kit",
        "/api/dogs",
        "/api/schema/dog-file",
    ] {
        let (status, value, _) = get(&salon, path).await;
        assert_eq!(status, StatusCode::OK, "{path}");
        assert!(!value.is_null(), "{path}");
    }
}

#[actix_web::test]
async fn a_dog_is_kept_corrected_visited_and_exported() {
    let salon = salon();
    let id = Uuid::from_u128(77);
    let path = format!("/api/dogs/{id}");
    let dog = json!({"id": id, "name": "Ballast", "size": "small"});
    let (status, kept, _) = send(&salon, Method::PUT, &path, Some(&dog)).await;
    assert_eq!(status, StatusCode::OK);
    assert_eq!(kept["name"], "Ballast");

    let visit = Uuid::from_u128(78);
    let begin = json!({"dog": id, "began_ms": 5});
    let visit_path = format!("/api/visits/{visit}");
    let (status, log, _) = send(&salon, Method::PUT, &visit_path, Some(&begin)).await;
    assert_eq!(status, StatusCode::OK);
    assert_eq!(log["last"], 0);

    let entry = json!({"id": Uuid::from_u128(79), "at_ms": 6, "body": {"kind": "note_written", "text": "hello"}});
    let entries = json!({"entries": [entry]});
    let entries_path = format!("{visit_path}/entries");
    let (_, first, _) = send(&salon, Method::POST, &entries_path, Some(&entries)).await;
    let (_, again, _) = send(&salon, Method::POST, &entries_path, Some(&entries)).await;
    assert_eq!((&first["new"], &again["new"]), (&json!(1), &json!(0)));

    let (_, dog, _) = get(&salon, &path).await;
    assert_eq!(dog["visits"][0]["id"], json!(visit));
    let (status, file, text) = get(&salon, &format!("{path}/file")).await;
    assert_eq!(status, StatusCode::OK);
    assert_eq!(file["format"], "veliform-dog");

    // The same file comes in again and changes nothing.
    let (status, _, _) = send(&salon, Method::POST, "/api/dogs/import", Some(&file)).await;
    assert_eq!(status, StatusCode::OK);
    let (_, _, after) = get(&salon, &format!("{path}/file")).await;
    assert_eq!(after, text, "out, in and out again is byte-identical");
}

#[actix_web::test]
async fn the_desk_evaluates_plans_and_tries() {
    let salon = salon();
    let body = desk(&salon, "Turntable").await;
    let (status, evaluation, _) = send(&salon, Method::POST, "/api/evaluate", Some(&body)).await;
    assert_eq!(status, StatusCode::OK);
    assert_eq!(evaluation["balance"].as_array().map(Vec::len), Some(44));

    let ask = json!({"desk": body, "reasons": true});
    let (status, view, _) = send(&salon, Method::POST, "/api/plan", Some(&ask)).await;
    assert_eq!(status, StatusCode::OK);
    assert_eq!(view["plan"]["look"], "lamb");
    assert!(
        !view["plan"]["reasons"]
            .as_array()
            .expect("a list")
            .is_empty()
    );

    let touch = json!({"desk": body, "zone": "knee", "wish": "take_off"});
    let (status, answer, _) = send(&salon, Method::POST, "/api/what-if", Some(&touch)).await;
    assert_eq!(status, StatusCode::OK);
    assert!(
        answer["sentence"]
            .as_str()
            .expect("a sentence")
            .starts_with("With the front of the knee off")
    );

    let typed = json!({"text": "7/8 in", "units": "millimetres"});
    let (_, read, _) = send(&salon, Method::POST, "/api/length", Some(&typed)).await;
    let mm = read["length_mm"].as_f64().expect("a number");
    assert!((mm - 22.225).abs() < 1e-9, "{mm}");
}

#[actix_web::test]
async fn a_plan_is_kept_once_and_opens_as_it_was() {
    let salon = salon();
    let (_, visit) = visit_of(&salon, "Tappet").await;
    let id = Uuid::from_u128(90);
    let path = format!("/api/visits/{visit}/plans/{id}");
    let body = json!({"entry": Uuid::from_u128(91), "at_ms": 99});
    let (status, kept, _) = send(&salon, Method::PUT, &path, Some(&body)).await;
    assert_eq!(status, StatusCode::OK);
    assert_eq!(kept["newer"], Value::Null);

    // The coat changes afterwards; the kept plan does not.
    let entry = json!({"id": Uuid::from_u128(92), "at_ms": 9_999_999_999_999_i64,
        "body": {"kind": "coat_all_over", "length_mm": 12.0}});
    let entries = json!({"entries": [entry]});
    send(
        &salon,
        Method::POST,
        &format!("/api/visits/{visit}/entries"),
        Some(&entries),
    )
    .await;
    let (_, again, _) = get(&salon, &format!("/api/plans/{id}")).await;
    assert_eq!(again["plan"], kept["plan"]);
    let (_, list, _) = get(&salon, &format!("/api/visits/{visit}/plans")).await;
    assert_eq!(list.as_array().map(Vec::len), Some(1));
}

#[actix_web::test]
async fn papers_come_as_what_they_are() {
    let salon = salon();
    let (_, visit) = visit_of(&salon, "Gangway").await;
    for (file, start) in [
        ("sheet-pages", "{\"pages\":[\"<svg"),
        ("sheet.pdf", "%PDF"),
        ("drawing.svg", "<svg"),
        ("drawing.png?width=300", "\u{fffd}PNG"),
    ] {
        let (status, _, text) = get(&salon, &format!("/api/visits/{visit}/{file}")).await;
        assert_eq!(status, StatusCode::OK, "{file}");
        assert!(
            text.starts_with(start),
            "{file} starts with {}",
            &text[..12]
        );
    }
    let (status, said, _) = get(&salon, &format!("/api/visits/{visit}/drawing.png?width=9")).await;
    assert_eq!(status, StatusCode::UNPROCESSABLE_ENTITY);
    assert_eq!(
        said["detail"],
        "A picture 9 pixels wide cannot be made; ask for 16 to 4096."
    );
}

#[actix_web::test]
async fn settings_and_tools_that_cannot_be_are_named() {
    let salon = salon();
    let (_, mut house, _) = get(&salon, "/api/house").await;
    house["finger_mm"] = json!(180.0);
    let (status, said, _) = send(&salon, Method::PUT, "/api/house", Some(&house)).await;
    assert_eq!(status, StatusCode::UNPROCESSABLE_ENTITY);
    assert_eq!(
        said["fields"][0]["message"],
        "Finger 180 cannot be: it lies between 8 and 30; lay it on the rule."
    );
    let id = Uuid::from_u128(5);
    let tool = json!({"id": id, "kind": "comb", "printed": " ", "leaves_mm": 900.0});
    let (status, said, _) = send(&salon, Method::PUT, &format!("/api/kit/{id}"), Some(&tool)).await;
    assert_eq!(status, StatusCode::UNPROCESSABLE_ENTITY);
    assert_eq!(
        said["fields"].as_array().map(Vec::len),
        Some(2),
        "all problems at once"
    );
    let dog = json!({"id": id, "name": "", "age_months": 6000});
    let (_, said, _) = send(&salon, Method::PUT, &format!("/api/dogs/{id}"), Some(&dog)).await;
    assert_eq!(said["fields"].as_array().map(Vec::len), Some(2));
}

#[actix_web::test]
async fn what_is_not_there_is_said_so() {
    let salon = salon();
    let id = Uuid::from_u128(404);
    for path in [
        format!("/api/dogs/{id}"),
        format!("/api/dogs/{id}/file"),
        format!("/api/visits/{id}"),
        format!("/api/visits/{id}/plans"),
        format!("/api/visits/{id}/sheet.pdf"),
        format!("/api/plans/{id}"),
        "/api/no/such/thing".to_owned(),
        "/api/dogs/not-an-id".to_owned(),
        "/assets/gone.js".to_owned(),
    ] {
        let (status, said, _) = get(&salon, &path).await;
        assert_eq!(status, StatusCode::NOT_FOUND, "{path}");
        assert_eq!(said["kind"], "not_found", "{path}");
    }
}

#[actix_web::test]
async fn nonsense_is_answered_with_one_sentence() {
    let salon = salon();
    for body in [json!(null), json!({"entries": 3}), json!([])] {
        let (status, said, _) = send(&salon, Method::POST, "/api/evaluate", Some(&body)).await;
        assert_eq!(status, StatusCode::UNPROCESSABLE_ENTITY);
        let detail = said["detail"].as_str().expect("said");
        assert!(detail.ends_with('.') && detail.len() > 12, "{detail}");
        assert!(
            !detail.contains('`') && !detail.contains("struct"),
            "{detail}"
        );
    }
    let (status, said, _) = send(
        &salon,
        Method::POST,
        "/api/dogs/import",
        Some(&json!({"format": "cat"})),
    )
    .await;
    assert_eq!(status, StatusCode::UNPROCESSABLE_ENTITY);
    assert!(
        said["detail"]
            .as_str()
            .expect("said")
            .contains("not a veliform-dog file")
    );
    let (status, _, _) = send(&salon, Method::POST, "/", None).await;
    assert_eq!(status, StatusCode::NOT_FOUND);
}

#[actix_web::test]
async fn an_entry_with_other_contents_is_a_conflict() {
    let salon = salon();
    let (_, visit) = visit_of(&salon, "Bogie").await;
    let path = format!("/api/visits/{visit}/entries");
    let say = |text: &str| json!({"entries": [{"id": Uuid::from_u128(7), "at_ms": 1, "body": {"kind": "note_written", "text": text}}]});
    send(&salon, Method::POST, &path, Some(&say("one"))).await;
    let (status, said, _) = send(&salon, Method::POST, &path, Some(&say("two"))).await;
    assert_eq!(status, StatusCode::CONFLICT);
    assert_eq!(said["kind"], "conflict");
}

#[actix_web::test]
async fn a_request_over_the_limit_is_refused() {
    let salon = salon();
    let body = json!({"dog": {"id": Uuid::nil(), "name": "x".repeat(5_000_000)}, "entries": []});
    let (status, said, _) = send(&salon, Method::POST, "/api/evaluate", Some(&body)).await;
    assert_eq!(status, StatusCode::PAYLOAD_TOO_LARGE);
    assert_eq!(said["kind"], "too_large");
}

#[actix_web::test]
async fn only_this_machines_own_pages_are_answered() {
    let salon = salon();
    let service = init_service(app(&salon).0).await;
    for (host, origin, expected) in [
        ("127.0.0.1:4270", None, StatusCode::OK),
        (
            "localhost:4270",
            Some("http://localhost:4270"),
            StatusCode::OK,
        ),
        ("evil.example", None, StatusCode::FORBIDDEN),
        (
            "127.0.0.1:4270",
            Some("http://evil.example"),
            StatusCode::FORBIDDEN,
        ),
        (
            "127.0.0.1:4270",
            Some("http://127.0.0.1:9999"),
            StatusCode::FORBIDDEN,
        ),
        ("127.0.0.1:4270", Some("null"), StatusCode::FORBIDDEN),
    ] {
        let mut request = TestRequest::get()
            .uri("/api/health")
            .insert_header((header::HOST, host));
        if let Some(origin) = origin {
            request = request.insert_header((header::ORIGIN, origin));
        }
        let status = match actix_web::test::try_call_service(&service, request.to_request()).await {
            Ok(answer) => answer.status(),
            Err(error) => error.as_response_error().status_code(),
        };
        assert_eq!(status, expected, "{host} {origin:?}");
    }
}

#[actix_web::test]
async fn pages_carry_a_strict_content_policy() {
    let salon = salon();
    let service = init_service(app(&salon).0).await;
    let request = TestRequest::get()
        .uri("/visit/x/hands")
        .insert_header((header::HOST, "localhost"))
        .to_request();
    let answer = call_service(&service, request).await;
    let policy = answer
        .headers()
        .get(header::CONTENT_SECURITY_POLICY)
        .expect("a policy")
        .to_str()
        .expect("text")
        .to_owned();
    assert!(policy.starts_with("default-src 'self'"));
    assert!(!policy.contains("unsafe"));
}

/// What tells of a dog and its owner lies in no cache (RFC 9111, `no-store`) and opens in no other page
/// (Fetch, `Cross-Origin-Resource-Policy`; HTML, `Cross-Origin-Opener-Policy`).
#[actix_web::test]
async fn what_is_personal_is_kept_by_no_cache_and_no_other_page() {
    let salon = salon();
    let service = init_service(app(&salon).0).await;
    let (dog, _) = visit_of(&salon, "Tappet").await;
    for path in ["/api/dogs".to_owned(), format!("/api/dogs/{dog}/file")] {
        let request = TestRequest::get()
            .uri(&path)
            .insert_header((header::HOST, "localhost"))
            .to_request();
        let answer = call_service(&service, request).await;
        let of = |name: &str| {
            let value = answer.headers().get(name);
            value
                .and_then(|v| v.to_str().ok())
                .unwrap_or_default()
                .to_owned()
        };
        assert_eq!(of("cache-control"), "no-store", "{path}");
        assert_eq!(of("cross-origin-resource-policy"), "same-origin", "{path}");
        assert_eq!(of("cross-origin-opener-policy"), "same-origin", "{path}");
    }
}
