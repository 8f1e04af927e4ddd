//! The whole thread with the keyboard alone.
#![allow(clippy::unwrap_used, reason = "a test says what broke by failing")]

use crate::support;

use fantoccini::key::Key;
use support::{LAPTOP, on_stage};

#[tokio::test(flavor = "multi_thread")]
async fn a_new_dog_goes_from_the_door_to_its_cut_sheet_by_keyboard() {
    on_stage(LAPTOP, async |stage| {
        stage.go("/").await;
        stage.until_text("Turntable").await;
        stage.tab_to("New dog").await;
        stage.press(Key::Enter).await;

        stage.until_text("Build it is nearest to").await;
        stage.tab_to("Name").await;
        stage.press_text("Coupling").await;
        // Nothing is said yet: the arrows go through the sizes from the first.
        stage.tab_to("Toy").await;
        for _ in 0..3 {
            stage.press(Key::Right).await;
        }
        stage.tab_to("Talk").await;
        stage.press(Key::Enter).await;
        stage.until_text("Looks, best first").await;
        stage.tab_to("Feel the dog").await;
        stage.press(Key::Enter).await;

        stage.until_text("Measured with").await;
        stage.tab_to("Height at withers").await;
        stage.press_text("640").await;
        stage.until_kept().await;
        // Arrows nudge by a millimetre.
        stage.press(Key::Up).await;
        stage
            .until(
                "the height is one more",
                "[...document.querySelectorAll('svg text')].some(t => t.textContent.startsWith('641'))",
            )
            .await;
        stage.tab_to("Body length").await;
        stage.press_text("26 in").await;
        stage
            .until(
                "inches are understood",
                "[...document.querySelectorAll('svg text')].some(t => t.textContent.startsWith('660'))",
            )
            .await;

        // A figure key goes to the task at that place of the tape, wherever no field is.
        stage.tab_to("Feel the coat").await;
        stage.press(Key::Enter).await;
        stage.until_text("All over").await;
        stage.tab_to("Length, combed out").await;
        stage.press_text("55").await;
        stage.until_kept().await;
        stage.tab_to("Choose a look").await;
        stage.press(Key::Enter).await;
        stage.until_text("On this dog").await;
        stage.tab_to("One length, rounded").await;
        stage.press(Key::Space).await;
        stage.until_text("The owner brushes").await;
        stage.tab_to("See the plan").await;
        stage.press(Key::Enter).await;
        stage.until_text("points right").await;

        stage.tab_to("Touch a number, or choose a zone").await;
        stage.press(Key::Enter).await;
        stage
            .until("the list is open", "document.activeElement.getAttribute('role') === 'listbox'")
            .await;
        stage.press_text("tuck").await;
        stage.press(Key::Enter).await;
        stage.tab_to("Leave it").await;
        stage.press(Key::Space).await;
        stage.until_text("With the tuck-up left on").await;

        stage.tab_to("Make the cut sheet").await;
        stage.press(Key::Enter).await;
        stage.until_text("Feet and bevels").await;
        stage.tab_to("Save this plan").await;
        stage.press(Key::Enter).await;
        stage.until_text("This plan is saved as it stands.").await;
        stage.go_on_to("keep").await;
        stage.until_text("Saved plans").await;
        stage
            .until("the plan is listed", "document.querySelector('a[href^=\"/plan/\"]')")
            .await;

        // The key list is behind “?”, and Escape closes it.
        stage.press_text("?").await;
        stage.until_text("the task at that place of the tape").await;
        stage.press(Key::Escape).await;
        stage
            .until("the list is gone", "!document.querySelector('[role=dialog]')")
            .await;
        stage.press_text("2").await;
        stage.until_text("Stood square?").await;
        stage.assert_quiet_console().await;
    })
    .await;
}

/// Work begins where the focus lands: few Tabs to the first field, and past the tape in one.
#[tokio::test(flavor = "multi_thread")]
async fn the_focus_lands_where_the_work_begins() {
    on_stage(LAPTOP, async |stage| {
        let visit = stage.visit_of("Turntable").await;
        for (task, mark) in [
            ("talk", "Turn to the owner"),
            ("hands", "Measured with"),
            ("coat", "All over"),
            ("lengths", "What was left"),
        ] {
            stage.go(&format!("{visit}/{task}")).await;
            stage.until_text(mark).await;
            stage
                .until(
                    "the focus is on the work",
                    "document.activeElement.id === 'work'",
                )
                .await;
            let is_field = "return document.activeElement.matches('main input, main textarea, main [role=radio], main [aria-haspopup=listbox], main [aria-pressed]')";
            let mut tabs = 0;
            while stage.script(is_field).await != true {
                stage.press(Key::Tab).await;
                tabs += 1;
                assert!(tabs <= 6, "{task}: more than six Tabs to the first field");
            }
        }
        // Going on by the tape, the focus goes on as well.
        stage.tab_to("To the work").await;
        stage.press(Key::Tab).await;
        stage.press(Key::Tab).await;
        stage.press(Key::Enter).await;
        stage.until_text("Turn to the owner").await;
        stage
            .until(
                "the focus is on the next page's work",
                "document.activeElement.id === 'work'",
            )
            .await;
        stage.tab_to("To the work").await;
        stage.press(Key::Enter).await;
        stage
            .until("past the tape", "document.activeElement.id === 'work'")
            .await;
    })
    .await;
}
