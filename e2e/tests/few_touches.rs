//! How little it takes from the door to a cut sheet: counted touches and keys, from an empty salon.
#![allow(clippy::unwrap_used, reason = "a test says what broke by failing")]

use crate::support;

use support::{Stage, TABLET, on_empty_stage};

/// The sheet stands there, with steps and the standing caution.
async fn until_the_sheet(stage: &Stage) {
    stage.until_text("Feet and bevels").await;
    stage.until_text("When unsure, stop.").await;
}

/// By the large control alone, from coat over look and plan to the sheet.
async fn on_to_the_sheet(stage: &Stage) {
    for (control, mark) in [
        ("Choose a look", "See the plan"),
        ("See the plan", "points right"),
        ("Make the cut sheet", "Feet and bevels"),
    ] {
        stage.touch(&stage.find(control).await).await;
        stage.until_text(mark).await;
    }
    until_the_sheet(stage).await;
}

#[tokio::test(flavor = "multi_thread")]
async fn a_sheet_for_a_new_dog_takes_two_dozen_touches_and_for_a_known_one_a_dozen() {
    on_empty_stage(TABLET, async |stage| {
        stage.it_is_days_ago(42).await;
        stage.touches_and_keys();
        // Size, coat, two numbers and ten answers of the hand, while it is entered.
        stage.touch(&stage.find("New dog").await).await;
        stage.type_into("Name", "Rail").await;
        stage.choose("Size", "Medium").await;
        stage.choose("Coat", "Fleece or wave").await;
        stage.type_into("Height at withers", "462").await;
        stage.type_into("Body length", "488").await;
        stage
            .touch(&stage.find("Feel it now: ten answers").await)
            .await;
        for place in 1..=10 {
            stage.until_text(&format!("{place} of 10")).await;
            let answer = match place {
                2 => "Slight",
                9 => "Usual",
                _ => "None",
            };
            stage.touch(&stage.find(answer).await).await;
        }
        stage.until_text("10 of 10 said.").await;
        stage.touch(&stage.find("Talk").await).await;
        stage.until_text("Looks, best first").await;
        stage.touch(&stage.find("Feel the dog").await).await;
        stage.until_text("Measured with").await;
        stage.touch(&stage.find("Feel the coat").await).await;
        stage.until_text("All over").await;
        stage.type_into("Length, combed out", "60").await;
        on_to_the_sheet(stage).await;
        let (touches, keys) = stage.touches_and_keys();
        println!("a new dog: {touches} touches, {keys} keys");
        assert!(
            touches <= 24 && keys <= 12,
            "{touches} touches, {keys} keys"
        );
        stage.until_kept().await;

        // Six weeks later: what is known is still so, the coat has grown by itself.
        stage.it_is_days_ago(0).await;
        stage.touches_and_keys();
        stage.touch_at_css("button[title='Rail']").await;
        stage.touch(&stage.find("Begin today").await).await;
        stage.until_text("What was found before stands here").await;
        stage
            .touch_at_css("[aria-label=Hands] .border-l-4 button")
            .await;
        stage.until_text("Everything is as of today").await;
        stage.touch(&stage.find("Feel the coat").await).await;
        stage.until_text("All over").await;
        on_to_the_sheet(stage).await;
        let (touches, keys) = stage.touches_and_keys();
        println!("a known dog: {touches} touches, {keys} keys");
        assert!(touches <= 12 && keys == 0, "{touches} touches, {keys} keys");
        stage.assert_quiet_console().await;
    })
    .await;
}
