//! The finish check in the browser: what was left, what to touch up, the next visit's coat.
#![allow(clippy::unwrap_used, reason = "a test says what broke by failing")]

mod support;

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
