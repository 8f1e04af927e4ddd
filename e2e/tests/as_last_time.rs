//! The next visit in the browser: last time's recipe taken, a complaint made a limit, the groom
//! written down for the next stylist.
#![allow(clippy::unwrap_used, reason = "a test says what broke by failing")]

use crate::support;

use fantoccini::key::Key;
use support::{TABLET, on_stage};

#[tokio::test(flavor = "multi_thread")]
async fn the_next_visit_opens_with_the_last_one() {
    on_stage(TABLET, async |stage| {
        let visit = stage.visit_of("Tappet").await;
        stage.go(&format!("{visit}/last")).await;
        // What the demo's earlier visit says.
        stage.until_text("42 days ago").await;
        stage.until_text("Leans on the arm").await;
        stage.until_text("Unfinished: Left hind foot").await;
        stage.touch(&stage.find("Same again").await).await;
        stage.until_text("Same again: taken").await;
        let zones = stage.find("Touch a number, or choose a zone").await;
        stage.touch(&zones).await;
        stage.touch(&stage.find("ears").await).await;
        stage.until_text("measured, today about").await;
        stage.type_into("By", "4").await;
        stage.press(Key::Tab).await;
        stage.touch(&stage.find("Make it a limit").await).await;
        stage.until_text("ears: 4 mm shorter than the 45 of").await;
        stage.until_kept().await;
        stage.assert_accessible("last time").await;
        stage.go(&format!("{visit}/plan")).await;
        stage.until_text("points right").await;
        stage.go(&format!("{visit}/keep")).await;
        stage.type_into("How the dog behaved", "Slept on the table").await;
        stage.until_kept().await;
        stage.go(&format!("{visit}/keep")).await;
        stage
            .until(
                "the record is there again",
                "[...document.querySelectorAll('textarea')].some(t => t.value === 'Slept on the table')",
            )
            .await;
        stage.assert_accessible("keep").await;
        stage.assert_quiet_console().await;
    })
    .await;
}
