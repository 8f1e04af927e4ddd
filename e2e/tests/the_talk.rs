//! The talk with the owner and the weeks ahead, in the browser.
#![allow(clippy::unwrap_used, reason = "a test says what broke by failing")]

use crate::support;

use fantoccini::key::Key;
use support::{LAPTOP, TABLET, on_stage};

#[tokio::test(flavor = "multi_thread")]
async fn six_answers_rank_the_looks_and_one_is_agreed_on() {
    on_stage(TABLET, async |stage| {
        let visit = stage.visit_of("Tappet").await;
        stage.go(&format!("{visit}/talk")).await;
        stage.until_text("Looks, best first").await;
        stage
            .until(
                "three looks stand side by side",
                "[...document.querySelectorAll('article svg')].filter(s => s.getBoundingClientRect().height > 100).length === 3",
            )
            .await;
        stage.choose("3 Face", "Beard").await;
        stage
            .until(
                "the terrier leads",
                "document.querySelector('ol button')?.textContent.includes('Angled terrier')",
            )
            .await;
        stage.until_kept().await;
        // The cards stay where they are under the finger; the best three come when asked for.
        let card = "document.querySelector('article[aria-label=\"Angled terrier\"] button:not(:disabled)')";
        stage
            .until(
                "the terrier stands there, or can be asked for",
                &format!("{card} || document.body.innerText.includes('Show the best three')"),
            )
            .await;
        if stage.script(&format!("return {card} === null")).await == true {
            stage.touch(&stage.find("Show the best three").await).await;
        }
        stage.until("the terrier stands there", card).await;
        stage.touch_at_css("article[aria-label='Angled terrier'] button").await;
        stage.until_text("Agreed").await;
        stage.until_kept().await;
        // What was agreed on is what is planned.
        stage.go(&format!("{visit}/plan")).await;
        stage.until_text("points right").await;
        stage.until_text("Angled terrier").await;
    })
    .await;
}

#[tokio::test(flavor = "multi_thread")]
async fn the_weeks_ahead_show_three_outlines_and_a_date() {
    on_stage(LAPTOP, async |stage| {
        let visit = stage.visit_of("Turntable").await;
        stage.go(&format!("{visit}/plan")).await;
        stage.tab_to("Weeks ahead").await;
        stage.press(Key::Enter).await;
        stage.until_text("Come back").await;
        stage
            .until(
                "today, half way, last day",
                "[...document.querySelectorAll('article svg')].filter(s => s.getBoundingClientRect().height > 100).length === 3",
            )
            .await;
        stage.choose("Weeks to the next visit", "12").await;
        // 22 November and twelve weeks: 14 February.
        stage.until_text("14 February 2027").await;
        stage.assert_quiet_console().await;
    })
    .await;
}
