//! A dog of an empty salon over two visits: its own way and what it minds stay with it, its life is told on
//! one page, and it is forgotten when its owner wishes.
#![allow(clippy::unwrap_used, reason = "a test says what broke by failing")]

use crate::support;

use fantoccini::key::Key;
use support::{TABLET, on_empty_stage};

#[tokio::test(flavor = "multi_thread")]
async fn what_is_said_of_a_dog_stays_with_it_until_it_is_forgotten() {
    on_empty_stage(TABLET, async |stage| {
        stage.it_is_days_ago(42).await;
        stage.touch(&stage.find("New dog").await).await;
        stage.type_into("Name", "Ballast").await;
        stage.type_into("Owner", "Ms Pointsman").await;
        stage.touch(&stage.find("Talk").await).await;
        stage.until_text("Looks, best first").await;
        stage.touch(&stage.find("Feel the dog").await).await;
        stage.until_text("Measured with").await;
        let visit = stage.visit_path().await;
        // A weight no dog has stays typed and is said.
        stage.type_into("Weight", "400").await;
        stage.press(Key::Tab).await;
        stage.until_text("No dog weighs 400 kg").await;
        stage.type_into("Weight", "8.4").await;
        stage.press(Key::Tab).await;
        stage
            .until(
                "it is said no more",
                "!document.body.innerText.includes('No dog weighs')",
            )
            .await;
        stage.go(&format!("{visit}/body")).await;
        stage.touch(&stage.find("Dryer").await).await;
        stage.until_text("Undo handling").await;
        // A way of its own: tried on it, said for it, and followed by the sheet.
        stage.go(&format!("{visit}/schools")).await;
        stage.until_text("They change something on this dog").await;
        stage.touch_at_css("[data-answer=nails_after]").await;
        stage.until_text("this dog’s own").await;
        stage.assert_accessible("a way of its own").await;
        stage.go(&format!("{visit}/cut")).await;
        stage
            .until_text("Nails: wet, after the bath (this dog's own; else dry, before the bath).")
            .await;
        stage.until_text("Minds the dryer").await;
        stage.until_kept().await;
        // The salon does as before.
        stage.go("/kit/house").await;
        stage
            .until(
                "the salon does as before",
                "document.querySelector('[data-answer=nails_before][aria-pressed=true]')",
            )
            .await;
        // Six weeks later it is found though it is typed wrong, and its way comes along.
        stage.it_is_days_ago(0).await;
        stage.type_into("Find", "balast").await;
        stage.touch_at_css("button[title='Ballast']").await;
        stage.touch(&stage.find("Begin today").await).await;
        stage.until_text("Measured with").await;
        let next = stage.visit_path().await;
        assert_ne!(next, visit);
        stage.go(&format!("{next}/schools")).await;
        stage.until_text("this dog’s own").await;
        stage
            .touch(&stage.find("Nails: as on other dogs").await)
            .await;
        stage
            .until(
                "it is done as on others",
                "!document.body.innerText.includes('this dog’s own')",
            )
            .await;
        stage.until_kept().await;
        // What its owner says once is kept with all their dogs.
        stage.go("/").await;
        stage.touch_at_css("button[title='Ballast']").await;
        stage.touch(&stage.find("Card of Ballast").await).await;
        stage.touch(&stage.find("Its owner’s card").await).await;
        stage.until_text("Their dog").await;
        stage
            .type_into("Brushing they promise, minutes a week", "9000")
            .await;
        stage.press(Key::Tab).await;
        stage.touch(&stage.find("Save the card").await).await;
        stage.until_text("Nobody brushes 9000 minutes a week").await;
        stage
            .type_into("Brushing they promise, minutes a week", "30")
            .await;
        stage.press(Key::Tab).await;
        stage
            .choose("Hair over the eyes they bear", "A little")
            .await;
        stage.assert_accessible("an owner's card").await;
        stage.touch(&stage.find("Save the card").await).await;
        stage.until_text("New dog").await;
        // Its life, then it is forgotten.
        stage.go("/").await;
        stage.touch_at_css("button[title='Ballast']").await;
        stage.touch(&stage.find("Its life").await).await;
        stage.until_text("8.4 kg").await;
        stage.assert_accessible("the life of a dog").await;
        let life = stage.script("return location.pathname").await;
        stage
            .go(life.as_str().unwrap().strip_suffix("/life").unwrap())
            .await;
        stage
            .touch(&stage.find("Forget it, as its owner wishes").await)
            .await;
        stage.until_text("Its card goes, with 2 visits").await;
        stage.assert_accessible("forgetting a dog").await;
        stage.touch(&stage.find("Forget Ballast now").await).await;
        stage.until_text("The table is empty").await;
        stage.assert_quiet_console().await;
    })
    .await;
}
