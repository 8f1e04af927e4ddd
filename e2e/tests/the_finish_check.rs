//! The finish check in the browser: what was left, what to touch up, the next visit's coat.
#![allow(clippy::unwrap_used, reason = "a test says what broke by failing")]

use crate::support;

use support::{TABLET, on_stage};

#[tokio::test(flavor = "multi_thread")]
async fn what_was_left_says_what_to_touch_up() {
    on_stage(TABLET, async |stage| {
        let visit = stage.visit_of("Tappet").await;
        stage.go(&format!("{visit}/check")).await;
        stage.until_text("Nothing measured yet").await;
        stage.until_text("Was off:").await;
        stage.type_into("Ears, left", "43").await;
        stage.type_into("Ears, right", "48").await;
        stage
            .until_text("Ears: the right is 5 mm longer; take it down to the left.")
            .await;
        stage.type_into("Underline", "24").await;
        stage.until_text("off the underline").await;
        stage.until_text("longer than planned").await;
        stage.until_kept().await;
        stage.assert_accessible("check").await;
        // What was typed is there again.
        stage.go(&format!("{visit}/check")).await;
        stage.until_text("2 to touch up").await;
        stage.assert_quiet_console().await;
    })
    .await;
}

/// The tape stand-in reads every quick zone, both sides of a pair; the finished dog is taken by
/// photo, and the kept page shows it as after.
#[tokio::test(flavor = "multi_thread")]
async fn the_tape_reads_the_result_and_a_photo_shows_it() {
    on_stage(TABLET, async |stage| {
        let visit = stage.visit_of("Turntable").await;
        stage.go(&format!("{visit}/check")).await;
        stage.until_text("Nothing measured yet").await;
        stage.touch(&stage.find("Simulated tape").await).await;
        stage
            .until(
                "a length was read",
                "/: [0-9.]+ mm/.test(document.querySelector('[data-device-said]')?.innerText ?? '')",
            )
            .await;
        stage
            .until(
                "both sides of a pair are read",
                "[...document.querySelectorAll('[data-result]')].some((row) => { const typed = [...row.querySelectorAll('input')]; return typed.length === 2 && typed.every((i) => i.value !== ''); })",
            )
            .await;
        stage.touch(&stage.find("Stop the tape").await).await;
        stage.until_kept().await;

        stage.go(&format!("{visit}/keep")).await;
        stage.until_text("Before and after").await;
        stage.until_text("None yet.").await;
        stage
            .script("[...document.querySelectorAll('summary')].find((s) => s.innerText.startsWith('Simulated camera')).click()")
            .await;
        stage.touch(&stage.find("Take a simulated photo").await).await;
        stage
            .until(
                "the finished dog is shown",
                "[...document.querySelectorAll('figure img')].some((i) => i.alt.endsWith(', after') && i.complete && i.naturalWidth > 100)",
            )
            .await;
        stage.touch(&stage.find("Is before").await).await;
        stage
            .until(
                "it is before",
                "[...document.querySelectorAll('figure img')].some((i) => i.alt.endsWith(', before'))",
            )
            .await;
        stage.until_kept().await;
        stage.assert_accessible("keep").await;
        stage.assert_quiet_console().await;
    })
    .await;
}
