//! From an empty salon: knots felt in hidden places are cleared before the comb, and where the comb stops is
//! kept and said where a comb would run.
#![allow(clippy::unwrap_used, reason = "a test says what broke by failing")]

use crate::support;

use support::{STEP, TABLET, on_empty_stage};

#[tokio::test(flavor = "multi_thread")]
async fn knots_are_felt_cleared_and_tried_with_the_comb() {
    on_empty_stage(TABLET, async |stage| {
        stage.go("/").await;
        stage.touch(&stage.find("New dog").await).await;
        stage.type_into("Name", "Ballast").await;
        stage.touch(&stage.find("Talk").await).await;
        stage.until_text("Looks, best first").await;
        stage.touch(&stage.find("Feel the dog").await).await;
        stage.until_text("Measured with").await;
        let visit = stage.visit_path().await;
        stage.go(&format!("{visit}/body")).await;
        stage.touch(&stage.find("Behind the ear").await).await;
        stage.choose("Side", "Left").await;
        stage.choose("Knots", "Tight").await;
        stage.until_text("tight knots, left").await;
        // What is felt here stands in the coat's map too, and is drawn on the dog.
        stage.go(&format!("{visit}/coat")).await;
        stage.until_text("tight knots, left").await;
        stage
            .until("it is drawn", "document.querySelector('.r-knots')")
            .await;
        stage.touch(&stage.find("Belly").await).await;
        stage.choose("Skin", "Red").await;
        stage.until_text("red skin").await;
        stage.assert_accessible("hidden places").await;
        // Waves on the back, and its lighter breast, are marked by touch: seen from in front, named at a step.
        stage.choose_zone("back").await;
        stage
            .touch(&stage.find("Holes, patches, waves, lay, lock").await)
            .await;
        stage.touch(&stage.find("Waves: thinned flat").await).await;
        stage.until_text("Undo marks, back").await;
        stage.go(&format!("{visit}/coat")).await;
        stage.choose_zone("chest").await;
        stage
            .touch(&stage.find("Holes, patches, waves, lay, lock").await)
            .await;
        stage.until_text("Patch of another colour").await;
        stage
            .choose("Patch of another colour", "Light on dark")
            .await;
        stage.until_text("Undo marks, chest").await;
        stage.choose("View", "Front").await;
        stage
            .until(
                "the rest is toned from in front",
                "document.querySelectorAll('.r-patch').length > 3",
            )
            .await;
        stage.until_kept().await;
        stage.go(&format!("{visit}/look")).await;
        let fleece = "Cylinder-leg fleeceFull fleece, straight cylinder legs, tail untouched.";
        stage.touch(&stage.find(fleece).await).await;
        stage.until_text("Undo look").await;
        stage.go(&format!("{visit}/cut")).await;
        stage.until_text("Thin the waves flat: back").await;
        stage
            .until_text("Clear what is knotted: behind the ear, left")
            .await;
        stage.until_text("Red skin on the belly").await;
        stage.until_text("half way to the brisket").await;
        stage.touch(&stage.find("Start at the table").await).await;
        stage.read_the_cautions().await;
        stage.groom_up_to("Comb test").await;
        stage.touch(&stage.find("Sides").await).await;
        let stops =
            "document.querySelector('[aria-label=\"Where the comb stops\"] [aria-pressed=true]')";
        stage.until("it stops there", stops).await;
        stage.assert_accessible("the comb test").await;
        stage.until_kept().await;
        // It survives a reload.
        stage.go(&format!("{visit}/run")).await;
        stage.until("it still stops there", stops).await;
        stage.until_rested().await;
        stage.touch(&stage.find("Done").await).await;
        stage
            .until(
                "the test is done",
                &format!("{STEP} && {STEP} !== 'Comb test'"),
            )
            .await;
        stage.until_kept().await;
        stage.assert_quiet_console().await;
    })
    .await;
}
