//! Reloads, a lost server, a killed server, two screens on one dog: nothing typed is lost.
#![allow(clippy::unwrap_used, reason = "a test says what broke by failing")]

use crate::support;

use support::{LAPTOP, Stage, on_stage};

const CARRIER: &str =
    "([...document.querySelectorAll('svg text.carrier')].map(t => t.textContent)[0] ?? '')";

#[tokio::test(flavor = "multi_thread")]
async fn what_is_typed_while_the_server_is_away_is_kept_and_sent_once() {
    on_stage(LAPTOP, async |stage| {
        stage.keep_for_away().await;
        stage.go("/").await;
        let visit = stage.visit_of("Tappet").await;
        stage.go(&format!("{visit}/hands")).await;
        stage.until_text("Measured with").await;

        stage.until_pages_are_kept().await;
        stage.kill_server();
        stage.choose("Dip in the back", "Slight").await;
        stage.until_text("Veliform does not answer").await;
        stage.restart_server();
        stage.until_kept().await;

        // … and it is there after a reload, once.
        stage.go(&format!("{visit}/hands")).await;
        stage.until_text("Measured with").await;
        stage
            .until(
                "the grade is felt as slight",
                "document.querySelector('[aria-label=\"Dip in the back\"] [data-checked]')?.innerText === 'Slight'",
            )
            .await;

        // A draft typed while the server is away outlives the page itself.
        stage.kill_server();
        stage.choose("Short neck", "Marked").await;
        stage.until_text("1 not yet sent").await;
        stage.restart_server();
        stage.go(&format!("{visit}/hands")).await;
        stage.until_text("Measured with").await;
        stage
            .until(
                "the draft came back",
                "document.querySelector('[aria-label=\"Short neck\"] [data-checked]')?.innerText === 'Marked'",
            )
            .await;
        stage.until_kept().await;
    })
    .await;
}

#[tokio::test(flavor = "multi_thread")]
async fn undo_goes_all_the_way_back_and_redo_comes_forward_again() {
    on_stage(LAPTOP, async |stage| {
        stage.go("/").await;
        let visit = stage.visit_of("Fishplate").await;
        stage.go(&format!("{visit}/hands")).await;
        stage.until_text("Measured with").await;
        let mut steps = 0;
        while stage.script("return !document.querySelector('[data-undo]').disabled").await == true {
            let label = stage.script("return document.querySelector('[data-undo]').innerText").await;
            stage.press_text("u").await;
            let before = serde_json::to_string(&label).unwrap();
            stage
                .until(
                    "the step is taken back",
                    &format!("document.querySelector('[data-redo]').disabled === false && (document.querySelector('[data-undo]').innerText !== {before} || document.querySelector('[data-undo]').disabled)"),
                )
                .await;
            steps += 1;
            assert!(steps < 60, "undo never ends");
        }
        assert!(steps >= 10, "only {steps} steps were there");
        stage.until("the height is estimated again", &format!("{CARRIER}.startsWith('~')")).await;
        for _ in 0..steps {
            stage.until("there is a step to redo", "!document.querySelector('[data-redo]').disabled").await;
            let before = stage.script("return document.querySelector('[data-undo]').innerText + document.querySelector('[data-redo]').disabled").await;
            stage.press_text("r").await;
            stage
                .until(
                    "the step is done again",
                    &format!("document.querySelector('[data-undo]').innerText + document.querySelector('[data-redo]').disabled !== {before}"),
                )
                .await;
        }
        stage.until("the height is back", &format!("{CARRIER}.startsWith('230')")).await;
        stage.until_kept().await;
    })
    .await;
}

#[tokio::test(flavor = "multi_thread")]
async fn a_second_screen_on_the_same_dog_is_told_and_both_edits_stay() {
    on_stage(LAPTOP, async |stage| {
        stage.go("/").await;
        let visit = stage.visit_of("Gangway").await;
        stage.go(&format!("{visit}/hands")).await;
        stage.until_text("Measured with").await;
        let first = stage.client.window().await.unwrap();
        let second = stage.client.new_window(true).await.unwrap().handle;
        stage.client.switch_to_window(second).await.unwrap();
        stage.look_through(LAPTOP).await;
        stage.go(&format!("{visit}/hands")).await;
        stage.until_text("Measured with").await;
        stage.choose("Short neck", "Slight").await;
        stage.until_kept().await;
        stage.client.switch_to_window(first).await.unwrap();
        stage.until_text("Another screen works on this dog").await;
        stage.choose("Dip in the back", "Marked").await;
        stage.until_kept().await;
        for (name, grade) in [("Short neck", "Slight"), ("Dip in the back", "Marked")] {
            stage
                .until(
                    "both are there",
                    &format!("document.querySelector('[aria-label=\"{name}\"] [data-checked]')?.innerText === '{grade}'"),
                )
                .await;
        }
    })
    .await;
}

#[tokio::test(flavor = "multi_thread")]
async fn text_that_does_not_read_stays_in_its_field_over_a_reload() {
    on_stage(LAPTOP, async |stage| {
        stage.go("/").await;
        let visit = stage.visit_of("Tappet").await;
        stage.go(&format!("{visit}/hands")).await;
        stage.until_text("Measured with").await;
        stage.type_into("Hock height", "a hand and a half").await;
        stage
            .until_text("“a hand and a half” is not a length; type one such as 476 or 47.6 cm.")
            .await;
        stage.client.refresh().await.unwrap();
        stage.until_text("Measured with").await;
        let field = stage.find("Hock height").await;
        assert_eq!(
            field.prop("value").await.unwrap().as_deref(),
            Some("a hand and a half")
        );
    })
    .await;
}

#[tokio::test(flavor = "multi_thread")]
async fn dragging_the_carrier_is_entering_the_height() {
    on_stage(LAPTOP, async |stage| {
        stage.go("/").await;
        let visit = stage.visit_of("Semaphore").await;
        stage.go(&format!("{visit}/hands")).await;
        stage.until_text("Measured with").await;
        let at = stage
            .script("const r = document.querySelector('polygon.carrier').getBoundingClientRect(); return [r.x + r.width / 2, r.y + r.height / 2]")
            .await;
        let (x, y) = (at[0].as_f64().unwrap(), at[1].as_f64().unwrap());
        stage.drag((x, y), (x, y + 40.0)).await;
        stage
            .until("the height is less", &format!("parseFloat({CARRIER}) < 610 && parseFloat({CARRIER}) > 500"))
            .await;
        stage.until_kept().await;
        let took = stage
            .script("return document.querySelector('[data-took-ms]').dataset.tookMs")
            .await;
        println!("a knob to its redrawn outline: {took} ms in the page's own measure");
    })
    .await;
}

const MINUTE: i64 = 60_000;

/// Sets this page's clock ahead, from its next load on.
async fn set_clock_ahead(stage: &Stage, ms: i64) {
    stage
        .on_every_page(&format!(
            "if (!Date.trueNow) Date.trueNow = Date.now; Date.now = () => Date.trueNow.call(Date) + ({ms});"
        ))
        .await;
}

/// A correction counts whatever the clock of the screen that says it: ten minutes slow, a day fast,
/// back in the right; and the day on the paper is the salon's.
#[tokio::test(flavor = "multi_thread")]
async fn a_correction_on_a_screen_with_a_wrong_clock_counts() {
    on_stage(LAPTOP, async |stage| {
        let visit = stage.visit_of("Gangway").await;
        for (ahead, grade) in [
            (0, "Slight"),
            (-10 * MINUTE, "Marked"),
            (24 * 60 * MINUTE, "Slight"),
            (-10 * MINUTE, "Marked"),
            (0, "Slight"),
        ] {
            set_clock_ahead(stage, ahead).await;
            stage.go(&format!("{visit}/hands")).await;
            stage.until_text("Measured with").await;
            stage.choose("Short neck", grade).await;
            stage.until_kept().await;
            stage.client.refresh().await.unwrap();
            stage.until_text("Measured with").await;
            stage
                .until(
                    &format!("{grade} stands, said {ahead} ms ahead"),
                    &format!("document.querySelector('[aria-label=\"Short neck\"] [data-checked]')?.innerText === '{grade}'"),
                )
                .await;
        }
        // The server's clock set the page's: nothing is dated a day ahead.
        let latest = stage
            .script(&format!(
                "const log = new XMLHttpRequest(); log.open('GET', '/api{}', false); log.send(); \
                 const at = JSON.parse(log.responseText); \
                 return Math.max(...at.entries.map((e) => e.at_ms)) - at.now_ms",
                visit.replace("/visit/", "/visits/")
            ))
            .await;
        assert!(latest.as_i64().unwrap() < MINUTE, "{latest}");
    })
    .await;
}

/// Two pages of one browser on one dog, the server away, both reloaded: each one's word is sent.
#[tokio::test(flavor = "multi_thread")]
async fn two_pages_of_one_browser_keep_their_own_drafts() {
    on_stage(LAPTOP, async |stage| {
        stage.keep_for_away().await;
        let visit = stage.visit_of("Semaphore").await;
        let hands = format!("{visit}/hands");
        stage.go(&hands).await;
        stage.until_text("Measured with").await;
        let first = stage.client.window().await.unwrap();
        let second = stage.client.new_window(true).await.unwrap().handle;
        stage.client.switch_to_window(second.clone()).await.unwrap();
        stage.look_through(LAPTOP).await;
        stage.go(&hands).await;
        stage.until_text("Measured with").await;
        stage.until_pages_are_kept().await;
        stage.kill_server();
        stage.choose("Short neck", "Slight").await;
        stage.until_text("1 not yet sent").await;
        stage.client.switch_to_window(first.clone()).await.unwrap();
        stage.choose("Dip in the back", "Marked").await;
        stage.until_text("1 not yet sent").await;
        // Both pages are closed before anybody answers.
        stage.client.switch_to_window(second).await.unwrap();
        stage.client.close_window().await.unwrap();
        stage.client.switch_to_window(first).await.unwrap();
        stage.restart_server();
        stage.go(&hands).await;
        stage.until_text("Measured with").await;
        stage.until_kept().await;
        for (name, grade) in [("Short neck", "Slight"), ("Dip in the back", "Marked")] {
            stage
                .until(
                    "both came back",
                    &format!("document.querySelector('[aria-label=\"{name}\"] [data-checked]')?.innerText === '{grade}'"),
                )
                .await;
        }
        let no_draft = "!Object.keys(localStorage).some((k) => k.startsWith('veliform.drafts'))";
        stage.until("no draft is left over", no_draft).await;
        // A third page went after its entry was kept and before it heard so.
        let id = visit.trim_start_matches("/visit/");
        stage
            .until_async(
                "an entry is kept twice",
                &format!(
                    "const {{ entries }} = await (await fetch('/api/visits/{id}?after=0')).json();
                     localStorage.setItem('veliform.drafts.{id}.gone', JSON.stringify({{ salon: null, entries: entries.slice(-1) }}));
                     return entries.length > 0;"
                ),
            )
            .await;
        stage.go(&hands).await;
        stage.until_text("Measured with").await;
        stage.until("nor is one that is known", no_draft).await;
    })
    .await;
}

/// The first load keeps the page; a paper opened in its place is kept nowhere and never stands in for it.
#[tokio::test(flavor = "multi_thread")]
async fn after_the_first_load_the_page_opens_with_the_server_away_and_papers_are_kept_nowhere() {
    on_stage(LAPTOP, async |stage| {
        stage.keep_for_away().await;
        stage.go("/").await;
        stage.until_text("Turntable").await;
        let kept = "const all = await Promise.all((await caches.keys()).map(async (n) => (await (await caches.open(n)).keys()).map((k) => new URL(k.url).pathname)));
             const kept = all.flat();";
        stage
            .until_async(
                "page and script are kept",
                &format!("{kept} return ['/index.html', '/assets/index-'].every((p) => kept.some((k) => k.startsWith(p)))"),
            )
            .await;
        let visit = stage.visit_of("Turntable").await;
        let card = format!("{}/owner-card.pdf", visit.replace("/visit/", "/api/visits/"));
        // A link to a paper, as the page has it: a navigation that ends in a download.
        stage
            .script(&format!(
                "const paper = document.createElement('a'); paper.href = '{card}'; document.body.append(paper); paper.click()"
            ))
            .await;
        stage.go(&format!("{visit}/plan")).await;
        stage.until_text("points right").await;
        stage.until_kept().await;
        stage
            .until_async("visit and salon are kept", &format!("{kept} return ['/kept/desk.', '/kept/log.', '/api/house', '/api/kit', '/api/catalogue'].every((p) => kept.some((k) => k.startsWith(p)))"))
            .await;
        stage
            .until_async("no paper is kept", &format!("{kept} return !kept.some((k) => k.endsWith('.pdf'))"))
            .await;
        stage.until_pages_are_kept().await;
        stage.kill_server();
        stage.client.refresh().await.unwrap();
        stage.until_text("points right").await;
        stage.until_text("Veliform does not answer").await;
        stage.restart_server();
        stage.until_kept().await;
    })
    .await;
}
