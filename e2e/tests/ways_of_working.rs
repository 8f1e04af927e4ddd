//! Schools in the browser: tried on this dog, chosen for the salon, followed by the sheet.
#![allow(clippy::unwrap_used, reason = "a test says what broke by failing")]

use crate::support;

use fantoccini::key::Key;
use support::{TABLET, on_stage};

#[tokio::test(flavor = "multi_thread")]
async fn an_answer_chosen_on_a_dog_holds_for_the_salon() {
    on_stage(TABLET, async |stage| {
        let visit = stage.visit_of("Tappet").await;
        stage.go(&format!("{visit}/schools")).await;
        stage.until_text("Leg order").await;
        stage.until_text("Other steps, the same minutes.").await;
        stage.assert_accessible("ways of working").await;
        stage.choose("An answer holds for", "Every dog").await;
        stage.touch_at_css("[data-answer=nails_after]").await;
        stage
            .until(
                "the answer is ours",
                "document.querySelector('[data-answer=nails_after][aria-pressed=true]')",
            )
            .await;
        // The sheet follows: nails come after the bath.
        stage.go(&format!("{visit}/cut")).await;
        stage.until_text("Nails, dewclaws too").await;
        stage
            .until(
                "nails stand after the bath",
                "document.body.innerText.indexOf('Nails, dewclaws') > document.body.innerText.indexOf('Bath')",
            )
            .await;
        // And so does the salon's own page, where a number that is none is said.
        stage.go("/kit/house").await;
        stage
            .until(
                "the salon answers so",
                "document.querySelector('[data-answer=nails_after][aria-pressed=true]')",
            )
            .await;
        stage.assert_accessible("how we work").await;
        stage.type_into("Feel a bare blade every, minutes", "soon").await;
        stage.press(Key::Tab).await;
        stage.until_text("is not a number").await;
        stage.type_into("Feel a bare blade every, minutes", "99").await;
        stage.press(Key::Tab).await;
        stage.until_text("A blade cannot be felt every 99 minutes").await;
    })
    .await;
}
