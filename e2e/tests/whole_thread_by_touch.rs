//! The whole thread on a tablet with a finger: a new dog, felt and taped, to its cut sheet.
#![allow(clippy::unwrap_used, reason = "a test says what broke by failing")]

use crate::support;

use support::{TABLET, on_stage};

#[tokio::test(flavor = "multi_thread")]
async fn a_new_dog_goes_from_the_door_to_its_cut_sheet_by_touch() {
    on_stage(TABLET, async |stage| {
        stage.go("/").await;
        stage.until_text("Turntable").await;
        stage.touch(&stage.find("New dog").await).await;

        stage.type_into("Name", "Buffer").await;
        stage.choose("Size", "Small").await;
        stage.choose("Coat", "Fleece or wave").await;
        stage.touch(&stage.find("Talk").await).await;

        // The talk comes first, then the hands.
        stage.until_text("Looks, best first").await;
        stage.touch(&stage.find("Feel the dog").await).await;

        // Hands: two numbers, then what is felt; every entry redraws the dog.
        stage.until_text("Measured with").await;
        stage.until_text("Saved.").await;
        stage.type_into("Height at withers", "332").await;
        stage
            .until(
                "the drawn dog is as tall as typed",
                "[...document.querySelectorAll('svg text')].some(t => t.textContent.startsWith('332'))",
            )
            .await;
        stage.type_into("Body length", "372").await;
        stage.choose("Dip in the back", "Slight").await;
        stage.choose("Stood square?", "Nearly").await;
        stage.until_kept().await;
        stage.until_text("estimated").await;

        // A value that cannot be: one sentence beside the field, what was typed stays.
        stage.type_into("Elbow height", "900").await;
        stage
            .until_text("Elbow height 900 mm cannot be: this dog's lies between")
            .await;
        stage.press_text("\u{8}\u{8}\u{8}168").await;
        stage
            .until(
                "the sentence is gone",
                "!document.body.innerText.includes('cannot be')",
            )
            .await;

        stage.touch(&stage.find("Feel the coat").await).await;
        stage.until_text("All over").await;
        stage.type_into("Length, combed out", "30").await;
        stage.choose_zone("chest").await;
        stage.choose("Knots", "Few").await;
        stage.type_into("not shorter than", "12").await;
        stage.until_kept().await;

        stage.touch(&stage.find("Choose a look").await).await;
        stage.choose_the_lamb().await;
        stage.until_text("The owner brushes").await;
        stage.touch(&stage.find("See the plan").await).await;

        stage.until_text("points right").await;
        stage
            .until("reasons are numbered", "document.querySelector('[data-reason]')")
            .await;

        // What if: one touch on a zone, before anything is decided.
        stage.choose_zone("flank").await;
        stage.touch(&stage.find("Take it off").await).await;
        stage.until_text("With the flank off").await;
        stage.touch(&stage.find("As planned").await).await;

        stage.touch(&stage.find("Make the cut sheet").await).await;
        stage.until_text("Feet and bevels").await;
        stage.until_text("When unsure, stop.").await;
        stage.touch(&stage.find("Save this plan").await).await;
        stage.until_text("This plan is saved as it stands.").await;
        // The large control leads to the table.
        stage.find("Start at the table").await;
        stage.go_on_to("keep").await;

        // Come back tomorrow: the kept plan opens as it was.
        stage.until_text("Saved plans").await;
        stage
            .until("the plan is listed", "document.querySelector('a[href^=\"/plan/\"]')")
            .await;
        let plan = stage
            .script("return document.querySelector('a[href^=\"/plan/\"]').getAttribute('href')")
            .await;
        stage.go(plan.as_str().unwrap()).await;
        stage.until_text("Today’s method gives the same.").await;
        stage.assert_quiet_console().await;
    })
    .await;
}
