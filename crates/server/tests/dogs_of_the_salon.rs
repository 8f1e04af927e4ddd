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
    // Two screens do not write over one another.
    let stale = json!({"name": "Zoe", "reach": "", "at_home": {}});
    let from = get(&salon, &path).await.etag.expect("a tag");
    let said = json!({"name": "Zoë Platelayer", "reach": "at the crossing", "at_home": {}});
    let first = ask(&salon, Method::PUT, &path, Some(&from), Body::Json(said)).await;
    assert_eq!(first.status, StatusCode::OK, "{}", first.value);
    let second = ask(&salon, Method::PUT, &path, Some(&from), Body::Json(stale)).await;
    assert_eq!(second.status, StatusCode::PRECONDITION_FAILED);
    // Nobody's dog is alone on its card.
    let alone = enter(&salon, 913, "Stray", "").await;
    enter(&salon, 914, "Another", "").await;
    let card = get(&salon, &format!("/api/dogs/{alone}/owner")).await.value;
    assert_eq!(dogs(&card), ["Stray"]);
}

/// Two people of one name are told apart, found to be one after all, and forgotten with all their dogs.
#[actix_web::test]
async fn owners_of_one_name_are_told_apart_joined_and_forgotten() {
    let salon = salon();
    let bell = enter(&salon, 920, "Bell", "Ada Ganger").await;
    let lamp = enter(&salon, 921, "Lamp", "Ada Ganger").await;
    let names = |rows: &Value| -> Vec<String> {
        let all = rows.as_array().expect("dogs").iter();
        all.map(|d| d["name"].as_str().unwrap_or_default().to_owned())
            .collect()
    };
    let card = |dog: &str| format!("/api/dogs/{dog}/owner");
    let apart = format!("{}/apart", card(&lamp));
    let alone = send(&salon, Method::POST, &apart, Body::None).await;
    assert_eq!(names(&alone.value["dogs"]), ["Lamp"]);
    assert_eq!(names(&alone.value["namesakes_dogs"]), ["Bell"]);
    // What is said of one is not said of the other.
    let said = json!({"name": "Ada Ganger", "reach": "the other one", "at_home": {}});
    send(&salon, Method::PUT, &card(&lamp), Body::Json(said)).await;
    assert_eq!(get(&salon, &card(&bell)).await.value["reach"], "");
    // The same person after all: with what stands on the card that was open.
    let same = format!("{}/same", card(&lamp));
    let joined = send(
        &salon,
        Method::POST,
        &same,
        Body::Json(json!({"with": bell})),
    )
    .await;
    assert_eq!(names(&joined.value["dogs"]), ["Bell", "Lamp"]);
    assert_eq!(
        get(&salon, &card(&bell)).await.value["reach"],
        "the other one"
    );
    let stranger = tappet(&salon).await;
    let not_hers = json!({"with": stranger});
    let refused = send(&salon, Method::POST, &same, Body::Json(not_hers)).await;
    assert_eq!(refused.status, StatusCode::UNPROCESSABLE_ENTITY);
    // Forgotten, both dogs go and no other.
    let gone = send(&salon, Method::DELETE, &card(&lamp), Body::None).await;
    assert_eq!(gone.status, StatusCode::OK, "{}", gone.value);
    for dog in [&bell, &lamp] {
        let missing = get(&salon, &format!("/api/dogs/{dog}")).await;
        assert_eq!(missing.status, StatusCode::NOT_FOUND);
    }
    let there = get(&salon, &format!("/api/dogs/{stranger}")).await;
    assert_eq!(there.status, StatusCode::OK);
}

/// An owner given another's name is not made one with them unasked; a touch joins them.
#[actix_web::test]
async fn an_owner_renamed_to_anothers_name_stays_apart_until_joined() {
    let salon = salon();
    let bell = enter(&salon, 930, "Bell", "Ida Points").await;
    let lamp = enter(&salon, 931, "Lamp", "Ida Pionts").await;
    let card = |dog: &str| format!("/api/dogs/{dog}/owner");
    let said = json!({"name": "ida points", "reach": "by the crossing", "at_home": {}});
    let kept = send(&salon, Method::PUT, &card(&lamp), Body::Json(said)).await;
    assert_eq!(kept.status, StatusCode::OK, "{}", kept.value);
    assert_eq!(kept.value["dogs"].as_array().map(Vec::len), Some(1));
    assert_eq!(kept.value["namesakes_dogs"][0]["name"], "Bell");
    assert_eq!(get(&salon, &card(&bell)).await.value["reach"], "");
    let same = format!("{}/same", card(&lamp));
    let with = Body::Json(json!({"with": bell}));
    let joined = send(&salon, Method::POST, &same, with).await;
    assert_eq!(joined.value["dogs"].as_array().map(Vec::len), Some(2));
}

/// What a device keeps to begin a visit with the server away is what the server would begin with.
#[actix_web::test]
async fn the_next_visit_is_known_before_it_begins() {
    let salon = salon();
    let dog = tappet(&salon).await;
    let next = get(&salon, &format!("/api/dogs/{dog}/next")).await.value;
    let visit = uuid::Uuid::from_u128(935);
    let begin = json!({"dog": dog, "began_ms": next["entries"][0]["at_ms"]});
    let path = format!("/api/visits/{visit}");
    let begun = send(&salon, Method::PUT, &path, Body::Json(begin))
        .await
        .value;
    assert_eq!(begun["entries"][0]["body"], next["entries"][0]["body"]);
    assert_eq!(begun["salon"], next["salon"]);
    assert_eq!(next["past"]["is_first"], false);
    let height = &next["evaluation"]["visit"]["frame"]["measures"]["height_at_withers"];
    assert!(height["value_mm"].is_number(), "{height}");
}

/// A look goes out as a file and comes back: the same once, a changed one beside it.
#[actix_web::test]
async fn a_look_file_comes_in_once() {
    let salon = salon();
    let house = get(&salon, "/api/house").await;
    let look = json!({"id": uuid::Uuid::from_u128(940), "name": "Signal lamb", "base": "lamb",
        "ways": {"pads": "pads_scissors"}});
    let mut with_look = house.value.clone();
    with_look["own_looks"] = json!([look]);
    let tag = house.etag.as_deref();
    let kept = ask(
        &salon,
        Method::PUT,
        "/api/house",
        tag,
        Body::Json(with_look),
    )
    .await;
    assert_eq!(kept.status, StatusCode::OK, "{}", kept.value);
    let path = format!("/api/looks/{}/file", uuid::Uuid::from_u128(940));
    let file = get(&salon, &path).await;
    let bring = async |bytes: Vec<u8>| {
        let body = Body::Bytes("application/json".into(), bytes);
        send(&salon, Method::POST, "/api/looks/import", body).await
    };
    let looks = async || get(&salon, "/api/house").await.value["own_looks"].clone();
    assert_eq!(bring(file.bytes.clone()).await.status, StatusCode::OK);
    assert_eq!(looks().await.as_array().map(Vec::len), Some(1));
    let changed = String::from_utf8(file.bytes).expect("text");
    let changed = changed.replace("Signal lamb", "Crossing lamb");
    assert_eq!(bring(changed.into_bytes()).await.status, StatusCode::OK);
    let both = looks().await;
    assert_eq!(both.as_array().map(Vec::len), Some(2));
    assert_eq!(both[0]["name"], "Signal lamb");
    assert_eq!(both[1]["ways"]["pads"], "pads_scissors");
    let nothing = bring(b"{}".to_vec()).await;
    assert_eq!(nothing.status, StatusCode::UNPROCESSABLE_ENTITY);
    let missing = format!("/api/looks/{}/file", uuid::Uuid::from_u128(941));
    assert_eq!(get(&salon, &missing).await.status, StatusCode::NOT_FOUND);
}

/// What the list shows of a dog follows its card, what is said at its visit and the salon's settings, at once:
/// nothing remembered is shown when it is old.
#[actix_web::test]
async fn a_list_of_dogs_never_shows_what_was() {
    let salon = salon();
    let dog = tappet(&salon).await;
    let card = || async { get(&salon, "/api/dogs?find=tappet").await.value[0].clone() };
    let first = card().await;
    assert!(first == card().await, "the same while nothing is said");
    let visit = first["last_visit"]["id"].as_str().expect("a visit");
    let began_ms = first["last_visit"]["began_ms"].as_i64().expect("a time");
    let entry = json!({
        "id": uuid::Uuid::from_u128(901), "at_ms": began_ms + 12 * 3_600_000,
        "body": {
            "kind": "measure_set", "measure": "height_at_withers",
            "taken": {"value_mm": 415.0, "method": "tape"}
        }
    });
    let path = format!("/api/visits/{visit}/entries");
    let body = json!({"entries": [entry]});
    let said = send(&salon, Method::POST, &path, Body::Json(body)).await;
    assert_eq!(said.status, StatusCode::OK, "{:?}", said.value);
    let shorter = card().await;
    assert!(first["outline"] != shorter["outline"], "it is drawn anew");
    let mut changed = shorter["dog"].clone();
    changed["name"] = json!("Tappet the Short");
    let path = format!("/api/dogs/{dog}");
    let put = send(&salon, Method::PUT, &path, Body::Json(changed)).await;
    assert_eq!(put.status, StatusCode::OK, "{:?}", put.value);
    assert_eq!(card().await["dog"]["name"], "Tappet the Short");
    let gone = send(&salon, Method::DELETE, &path, Body::None).await;
    assert!(gone.status.is_success(), "{:?}", gone.value);
    assert!(names(&get(&salon, "/api/dogs?find=tappet").await).is_empty());
}

/// A dog groomed a while ago is told of when its day is near or past, on the day agreed and no other; one that
/// was only looked at never is.
#[actix_web::test]
async fn a_dog_is_told_of_when_it_is_due() {
    let salon = salon();
    let now = i64::try_from(
        std::time::SystemTime::now()
            .duration_since(std::time::UNIX_EPOCH)
            .expect("after 1970")
            .as_millis(),
    )
    .expect("a moment");
    let came = now - 40 * 86_400_000;
    let due = async || -> Vec<String> {
        let told = get(&salon, "/api/due-dogs").await;
        assert_eq!(told.status, StatusCode::OK);
        let dogs = told.value.as_array().expect("dogs").iter();
        dogs.filter_map(|dog| {
            Some(format!(
                "{} {}",
                dog["name"].as_str()?,
                dog["words"].as_str()?
            ))
        })
        .filter(|line| line.starts_with("Ballast"))
        .collect()
    };
    let dog = enter(&salon, 910, "Ballast", "").await;
    let visit = uuid::Uuid::from_u128(911).to_string();
    let path = format!("/api/visits/{visit}");
    let begun = Body::Json(json!({"dog": dog, "began_ms": came}));
    let answer = send(&salon, Method::PUT, &path, begun).await;
    assert!(answer.status.is_success(), "{}", answer.value);
    assert_eq!(due().await, Vec::<String>::new(), "only looked at");

    let say = async |n: u128, body: Value| {
        let entry =
            json!({"entries": [{"id": uuid::Uuid::from_u128(n), "at_ms": came, "body": body}]});
        let path = format!("/api/visits/{visit}/entries");
        let answer = send(&salon, Method::POST, &path, Body::Json(entry)).await;
        assert!(answer.status.is_success(), "{}", answer.value);
    };
    say(912, json!({"kind": "coat_all_over", "length_mm": 40.0})).await;
    say(
        913,
        json!({"kind": "look_chosen", "choice": {"look": "lamb"}}),
    )
    .await;
    let told = due().await;
    assert!(told.len() == 1 && told[0].contains(" was due "), "{told:?}");
    say(914, json!({"kind": "return_agreed", "days": 42})).await;
    let told = due().await;
    assert!(
        told.len() == 1 && told[0].contains(" due in 2 days"),
        "{told:?}"
    );
    say(915, json!({"kind": "return_agreed", "days": 70})).await;
    assert_eq!(due().await, Vec::<String>::new(), "its day is far");
}
