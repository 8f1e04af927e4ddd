//! The other way of cutting the body, said with what it leaves and taken by a touch; ears and tail of a dog
//! as it carries them.
#![allow(clippy::unwrap_used, reason = "a test says what broke by failing")]

use crate::support;

use support::{TABLET, on_empty_stage, on_stage};

#[tokio::test(flavor = "multi_thread")]
async fn one_length_is_had_by_a_touch_and_given_back_by_another() {
    on_stage(TABLET, async |stage| {
        let visit = stage.visit_of("Tappet").await;
        stage.go(&format!("{visit}/hands")).await;
        stage.until_text("Got by").await;
        stage.choose("High in the rear", "Marked").await;
        stage.until_kept().await;
        stage.go(&format!("{visit}/plan")).await;
        stage.until_text("One length or two").await;
        stage.until_text("The rear is still").await;
        let take = "[...document.querySelectorAll('button')].find((b) => b.innerText.endsWith('all along'))";
        stage.until("it can be taken", take).await;
        stage.script(&format!("{take}.click()")).await;
        stage.until_text("As the plan would have it").await;
        stage.until_kept().await;
        stage.assert_accessible("one length").await;
        stage
            .touch(&stage.find("As the plan would have it").await)
            .await;
        stage.until_text("The rear is still").await;
        stage.until_kept().await;
        stage.assert_quiet_console().await;
    })
    .await;
}

/// What is touched at the door is the dog that stands there, and the same under the hands.
#[tokio::test(flavor = "multi_thread")]
async fn a_new_dog_is_entered_by_looking() {
    on_empty_stage(TABLET, async |stage| {
        stage.go("/").await;
        stage.touch(&stage.find("New dog").await).await;
        stage.until_text("Build it is nearest to").await;
        let outline = "[...document.querySelectorAll('.sheet-drawing polygon')].map((p) => p.getAttribute('points')).join()";
        stage
            .until("a dog stands there", &format!("{outline}.length > 500"))
            .await;
        for (group, option) in [
            ("Size", "Small"),
            ("Coat", "Harsh"),
            ("Ears", "Prick"),
            ("Tail", "Over the back"),
        ] {
            stage.script(&format!("window.before = {outline}")).await;
            stage.choose(group, option).await;
            stage
                .until(
                    "the dog changes with it",
                    &format!("{outline} !== window.before"),
                )
                .await;
        }
        stage.assert_accessible("a new dog").await;
        stage.type_into("Name", "Halyard").await;
        stage.touch(&stage.find("Talk").await).await;
        stage.until_text("Looks, best first").await;
        stage.touch(&stage.find("Feel the dog").await).await;
        stage.until_text("As it carries them").await;
        for (group, option) in [("Ears", "Prick"), ("Tail", "Over the back")] {
            stage
                .until(
                    "it stands as it was said",
                    &format!(
                        "[...document.querySelectorAll('[role=radiogroup][aria-label={group}] [aria-checked=true]')].some((r) => r.innerText === '{option}')"
                    ),
                )
                .await;
        }
        stage.choose("Ears", "Folded").await;
        stage.until_text("Undo ears").await;
        stage.until_kept().await;
        stage.assert_quiet_console().await;
    })
    .await;
}
