//! Photos and a salon's own types in the data file.

use uuid::Uuid;
use veliform_core::dog::Dog;
use veliform_core::frame::{BuildType, Measure, OwnShare, OwnType};
use veliform_core::page::View;
use veliform_store::{MOST_PHOTOS, PhotoHead, Store, StoreError};

fn id(n: u128) -> Uuid {
    Uuid::from_u128(n)
}

fn salon() -> Store {
    let mut store = Store::in_memory().expect("opens");
    for (dog, name, visit) in [(1, "Tappet", 2), (3, "Bogie", 4)] {
        let dog: Dog = serde_json::from_value(serde_json::json!({ "id": id(dog), "name": name }))
            .expect("a dog");
        store.put_dog(&dog, 10).expect("keeps the dog");
        store
            .begin_visit(id(visit), dog.id, 20, &[])
            .expect("begins");
    }
    store
}

fn head(n: u128, visit: u128) -> PhotoHead {
    PhotoHead {
        id: id(n),
        visit: id(visit),
        at_ms: i64::try_from(n).expect("small"),
        view: View::Rear,
        is_simulated: true,
        width: 640,
        height: 480,
    }
}

#[test]
fn a_photo_comes_back_as_it_was_kept() {
    let mut store = salon();
    store.keep_photo(&head(10, 2), b"bytes").expect("keeps");
    assert_eq!(store.photos_of(id(2)).expect("reads"), [head(10, 2)]);
    assert_eq!(store.photo_jpeg(id(10)).expect("reads"), b"bytes");
    assert!(store.photos_of(id(4)).expect("reads").is_empty());
}

#[test]
fn the_same_photo_twice_counts_once_and_another_visits_is_refused() {
    let mut store = salon();
    store.keep_photo(&head(10, 2), b"first").expect("keeps");
    store
        .keep_photo(&head(10, 2), b"again")
        .expect("changes nothing");
    assert_eq!(store.photo_jpeg(id(10)).expect("reads"), b"first");
    let refused = store
        .keep_photo(&head(10, 4), b"other")
        .expect_err("refused");
    assert!(matches!(
        refused,
        StoreError::Conflict { what: "photo", .. }
    ));
}

#[test]
fn a_visit_takes_so_many_photos_and_says_so() {
    let mut store = salon();
    let most = u128::try_from(MOST_PHOTOS).expect("small");
    for n in 0..most {
        store.keep_photo(&head(100 + n, 2), b"x").expect("keeps");
    }
    let refused = store.keep_photo(&head(999, 2), b"x").expect_err("full");
    assert!(refused.to_string().contains("12 photos"), "{refused}");
    assert_eq!(store.photos_of(id(2)).expect("reads").len(), MOST_PHOTOS);
}

#[test]
fn a_photo_taken_off_is_gone_and_makes_room() {
    let mut store = salon();
    store.keep_photo(&head(10, 2), b"bytes").expect("keeps");
    store.keep_photo(&head(11, 2), b"others").expect("keeps");
    store.delete_photo(id(10)).expect("takes it off");
    assert_eq!(store.photos_of(id(2)).expect("reads"), [head(11, 2)]);
    assert!(matches!(
        store.photo_jpeg(id(10)),
        Err(StoreError::NotFound { what: "photo", .. })
    ));
    assert!(matches!(
        store.delete_photo(id(10)),
        Err(StoreError::NotFound { what: "photo", .. })
    ));
}

#[test]
fn a_photo_of_no_visit_is_refused_and_nothing_kept() {
    let mut store = salon();
    let refused = store.keep_photo(&head(10, 77), b"x").expect_err("refused");
    assert!(matches!(
        refused,
        StoreError::NotFound { what: "visit", .. }
    ));
    let missing = store.photo_jpeg(id(10)).expect_err("nothing there");
    assert!(matches!(
        missing,
        StoreError::NotFound { what: "photo", .. }
    ));
}

fn own(n: u128, name: &str) -> OwnType {
    let share = OwnShare {
        share: 1.12,
        spread: 0.03,
        dogs: 4,
    };
    OwnType {
        id: id(n),
        name: name.into(),
        base: BuildType::LongLow,
        shares: [(Measure::BodyLength, share)].into(),
    }
}

#[test]
fn own_types_are_kept_by_name_and_kept_anew() {
    let mut store = salon();
    store.put_own_type(&own(1, "Long"), 1).expect("keeps");
    store.put_own_type(&own(2, "Box"), 2).expect("keeps");
    store.put_own_type(&own(1, "Alike"), 3).expect("keeps anew");
    let names: Vec<String> = store
        .own_types()
        .expect("reads")
        .into_iter()
        .map(|t| t.name)
        .collect();
    assert_eq!(names, ["Alike", "Box"]);
}
