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
        stage.until_text("Measured with").await;
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
        // Ten answers, a touch each; where the hand lies is ringed, the dog seen from where the eye looks.
        stage.touch(&stage.find("Feel it now: ten answers").await).await;
        for (asked, rings, answer) in [
            ("Short neck", 2, "None"),
            ("Dip in the back", 2, "Slight"),
            ("High in the rear", 1, "Marked"),
            ("Low tail set", 1, "None"),
            ("Thin over the ribs", 1, "None"),
            ("Heavy shoulder", 2, "None"),
            ("Front feet turned out", 2, "Slight"),
            ("Front legs bowed", 4, "None"),
            ("Bend behind", 1, "Straight"),
            ("Hocks in", 2, "None"),
        ] {
            stage.until_text(asked).await;
            stage
                .until(
                    "its bones are ringed",
                    &format!("document.querySelectorAll('circle.r-ring').length === {rings}"),
                )
                .await;
            if asked == "Bend behind" {
                stage.assert_accessible("one of ten").await;
            }
            stage.touch(&stage.find(answer).await).await;
        }
        stage.until_text("10 of 10 said.").await;
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
        for (group, option) in [
            ("Dip in the back", "Slight"),
            ("High in the rear", "Marked"),
            ("Bend behind", "Straight"),
        ] {
            stage
                .until(
                    "it was felt so",
                    &format!(
                        "document.querySelector('[role=radiogroup][aria-label=\"{group}\"] [aria-checked=true]')?.innerText === '{option}'"
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
