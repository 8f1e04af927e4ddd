//! From the first screen of a salon where nobody has typed anything yet.
#![allow(clippy::unwrap_used, reason = "a test says what broke by failing")]

use crate::support;

use fantoccini::key::Key;
use serde_json::json;
use support::{LAPTOP, Stage, TABLET, on_empty_stage};

/// The first dog of a salon, from the door to its hands.
async fn first_dog(stage: &Stage) {
    stage.go("/").await;
    stage.touch(&stage.find("New dog").await).await;
    stage.type_into("Name", "Buffer").await;
    stage.touch(&stage.find("Talk").await).await;
    stage.until_text("Looks, best first").await;
    stage.touch(&stage.find("Feel the dog").await).await;
    stage.until_text("Measured with").await;
    stage.until_kept().await;
}

#[tokio::test(flavor = "multi_thread")]
async fn a_first_dog_is_planned_with_no_kit_and_a_setting_changed_on_two_screens_is_asked_again() {
    on_empty_stage(TABLET, async |stage| {
        first_dog(stage).await;
        stage.assert_accessible("the first dog").await;
        // With no tool said, the sheet is shears, and says so.
        stage.go_on_to("cut").await;
        stage.until_text("shears").await;
        stage.until_text("No blade or comb hangs in your kit yet").await;

        stage.go("/kit/house").await;
        stage.until_text("Clock and price").await;
        // The tablet at the other table changes the price while this page stands open.
        stage
            .until_async(
                "the other screen's change is kept",
                "const here = await fetch('/api/house'); const house = await here.json();
                 const kept = await fetch('/api/house', {method: 'PUT', body: JSON.stringify({...house, table_rate: 61}),
                    headers: {'Content-Type': 'application/json', 'If-Match': here.headers.get('ETag')}});
                 return kept.ok",
            )
            .await;
        stage.type_into("Feel a bare blade every, minutes", "3").await;
        stage.press(Key::Tab).await;
        stage.until_text("another screen").await;
        // How they stand now is shown: nobody's word was written over.
        stage
            .until(
                "the other's price stands here",
                "[...document.querySelectorAll('input')].some((i) => i.value === '61')",
            )
            .await;
        // Said again, on top of it, both stand.
        stage.type_into("Feel a bare blade every, minutes", "3.5").await;
        stage.press(Key::Tab).await;
        stage
            .until_async(
                "both are kept",
                "const house = await (await fetch('/api/house')).json();
                 return house.table_rate === 61 && house.blade_minutes === 3.5",
            )
            .await;
    })
    .await;
}

#[tokio::test(flavor = "multi_thread")]
async fn shears_on_their_rail_are_named_at_the_step_until_they_are_dull() {
    on_empty_stage(TABLET, async |stage| {
        first_dog(stage).await;
        stage.go_on_to("cut").await;
        stage.until_text("shears, 18–20 cm").await;
        let visit = stage.visit_path().await;
        stage.go("/kit").await;
        stage.until_text("Nothing hangs here").await;
        stage.choose("Kind", "Shears").await;
        // Nonsense is said, and stays to be put right.
        stage.type_into("Long", "40 cm").await;
        stage
            .until(
                "the length is read",
                "document.querySelector('input[data-mm=\"400\"]')",
            )
            .await;
        stage.touch(&stage.find("Hang it on the rail").await).await;
        stage.until_text("Shears of 40 cm cannot be").await;
        stage.type_into("Long", "20 cm").await;
        stage.press(Key::Tab).await;
        stage
            .until(
                "the length is read",
                "document.querySelector('input[data-mm=\"200\"]')",
            )
            .await;
        stage.touch(&stage.find("Hang it on the rail").await).await;
        stage.until_text("20 cm straight").await;
        stage.assert_accessible("kit with shears").await;
        stage.go(&format!("{visit}/cut")).await;
        stage.until_text("20 cm straight shears").await;
        // Noted dull at the table, it is planned with no more, and the first screen says what to do.
        stage.touch(&stage.find("Start at the table").await).await;
        stage.read_the_cautions().await;
        stage.touch(&stage.find("More").await).await;
        stage
            .touch(&stage.find("A tool: oiled, hot, dull, broken").await)
            .await;
        stage
            .touch(&stage.find("20 cm straight shears").await)
            .await;
        stage.touch(&stage.find("Dull: it pulls").await).await;
        stage.until_text("Planned anew: ").await;
        stage
            .until_async(
                "it is saved",
                "const house = await (await fetch('/api/house')).json();
                 return house.shears[0]?.state === 'dull'",
            )
            .await;
        stage.go(&format!("{visit}/cut")).await;
        stage.until_text("none in the kit").await;
        stage.go("/").await;
        stage
            .until_text("Have the 20 cm straight shears sharpened: dull.")
            .await;
        // Back from the sharpener, it asks for nothing.
        stage.go("/kit").await;
        stage.touch_at_css("[aria-label='Shears'] button").await;
        stage.choose("How it cuts", "Sharp").await;
        stage
            .until_async(
                "it is saved",
                "const house = await (await fetch('/api/house')).json();
                 return house.shears[0]?.state === 'sharp'",
            )
            .await;
    })
    .await;
}

/// The browser's own refusal (HTML, *Web storage*: `QuotaExceededError`).
const NO_ROOM: &str =
    "Storage.prototype.setItem = () => { throw new DOMException('full', 'QuotaExceededError'); };";

#[tokio::test(flavor = "multi_thread")]
async fn a_browser_without_room_says_so_and_loses_nothing() {
    on_empty_stage(LAPTOP, async |stage| {
        stage.keep_for_away().await;
        first_dog(stage).await;
        stage.on_every_page(NO_ROOM).await;
        stage.go_on_to("hands").await;
        stage.until_text("Measured with").await;
        stage.until_pages_are_kept().await;
        stage.kill_server();
        stage.type_into("Height at withers", "332").await;
        stage.choose("Dip in the back", "Slight").await;
        stage.until_text("This browser has no room left").await;
        stage.touch(&stage.find("I have read this").await).await;
        // The field goes and comes back: what was typed is still there.
        stage.touch(&stage.find("Feel the coat").await).await;
        stage.until_text("All over").await;
        stage.restart_server();
        stage.until_kept().await;
        let visit = stage.client.current_url().await.unwrap();
        let visit = visit.path().split('/').nth(2).unwrap().to_owned();
        let log = stage
            .script(&format!(
                "const log = new XMLHttpRequest(); log.open('GET', '/api/visits/{visit}', false); log.send(); \
                 return log.responseText.includes('\"felt\"') || log.responseText.includes('slight')"
            ))
            .await;
        assert_eq!(log, json!(true), "the felt answer came in");
    })
    .await;
}

/// Opened for the first time with the server away, a page says so, opens by itself once it is back, and
/// what was said meanwhile is sent.
#[tokio::test(flavor = "multi_thread")]
async fn a_page_that_was_never_open_opens_once_the_server_is_back() {
    on_empty_stage(LAPTOP, async |stage| {
        first_dog(stage).await;
        stage.keep_back(&["*CoatScreen*"]).await;
        stage.go_on_to("hands").await;
        stage.until_text("Measured with").await;
        stage.kill_server();
        stage.choose("Dip in the back", "Slight").await;
        stage.until_text("1 not yet sent").await;
        stage.touch(&stage.find("Feel the coat").await).await;
        stage.until_text("This page is not here yet").await;
        stage.until_text("It opens by itself").await;
        stage.keep_back(&[]).await;
        stage.restart_server();
        stage.until_text("All over").await;
        stage.until_kept().await;
        stage.go_on_to("hands").await;
        stage.until_text("Measured with").await;
        stage
            .until(
                "the answer is kept",
                "document.querySelector('[role=radiogroup][aria-label=\"Dip in the back\"] [aria-checked=true]')?.innerText === 'Slight'",
            )
            .await;
    })
    .await;
}

#[tokio::test(flavor = "multi_thread")]
async fn who_is_still_learning_gets_a_sheet_that_forgives() {
    on_empty_stage(TABLET, async |stage| {
        stage.go("/kit/house").await;
        stage.until_text("Who works here").await;
        stage.type_into("Another stylist", "Ada").await;
        stage.press(Key::Enter).await;
        stage.touch(&stage.find("Still learning: Ada").await).await;
        stage.until_text("a margin at the edges").await;
        stage.touch(&stage.find("Left-handed: Ada").await).await;
        stage.until_text("begins a pair with the right one").await;
        stage.assert_accessible("who works here").await;
        first_dog(stage).await;
        stage.go_on_to("cut").await;
        stage.until_text("Feet and bevels").await;
        stage
            .until(
                "nobody is at the table yet",
                "!document.body.innerText.includes('Ada is still learning')",
            )
            .await;
        stage.choose("At the table", "Ada").await;
        stage.until_text("Ada is still learning").await;
        stage.until_text("Ada is left-handed").await;
        stage.until_text("left-handed shears").await;
        stage.until_kept().await;
        // Its nails are long: the step says so.
        stage.go_on_to("body").await;
        stage.until_text("Handling and health").await;
        stage.choose("Nails", "Long").await;
        stage.until_kept().await;
        stage.go_on_to("cut").await;
        stage.until_text("long, a little at a time").await;
        // By the keyboard from place to place, and Enter is a touch.
        stage.go_on_to("coat").await;
        stage.until_text("All over").await;
        stage.tab_to("Places on the dog").await;
        stage.press(Key::Right).await;
        stage.press(Key::Right).await;
        stage.press(Key::Enter).await;
        stage
            .until(
                "a zone is chosen",
                "document.querySelector('[aria-label^=\"Zone: \"]')",
            )
            .await;
        stage.assert_quiet_console().await;
    })
    .await;
}
