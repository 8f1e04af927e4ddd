//! From an empty salon: what happens at the table changes the steps to come, says so, and can be taken back.
#![allow(clippy::unwrap_used, reason = "a test says what broke by failing")]

use crate::support;

use fantoccini::key::Key;
use support::{Stage, TABLET, on_empty_stage};

const RENEWED: &str = "Planned anew: ";

/// The panel of a knot on the left hip, with where one may begin.
async fn knot_behind_the_hand(stage: &Stage) {
    stage.touch(&stage.find("More").await).await;
    stage.touch(&stage.find("A knot here").await).await;
    stage.choose_zone("hip").await;
    stage.choose("On which side of the dog", "Left").await;
    stage.until_text("on the skin").await;
}

/// A kit of two, as a first day has it.
async fn hang_two_blades(stage: &Stage) {
    stage.go("/kit").await;
    for (name, leaves) in [("4", "10"), ("7", "3.2")] {
        stage.until_text("Put it in the kit").await;
        stage.choose("Kind", "Blade").await;
        stage.type_into("What is printed on it", name).await;
        stage.type_into("Leaves", leaves).await;
        stage
            .until(
                "the length is read",
                &format!("document.querySelector('input[data-mm=\"{leaves}\"]')"),
            )
            .await;
        stage.touch(&stage.find("Put it in the kit").await).await;
        stage.find(&format!("Put away the {name} blade")).await;
    }
}

/// Handbook 10 C 1: nobody alone holds a tool off a dog that was never here; once it is said to stand, nothing is
/// said of it.
#[tokio::test(flavor = "multi_thread")]
async fn a_dog_nobody_knows_is_skimmed_alone_only_once_it_stands() {
    on_empty_stage(TABLET, async |stage| {
        hang_two_blades(stage).await;
        stage.go("/").await;
        stage.touch(&stage.find("New dog").await).await;
        stage.type_into("Name", "Ballast").await;
        stage.touch(&stage.find("Talk").await).await;
        stage.until_text("Looks, best first").await;
        let visit = stage.visit_path().await;
        stage.go(&format!("{visit}/coat")).await;
        stage.until_text("All over").await;
        stage.type_into("Length, combed out", "90").await;
        stage.press(Key::Tab).await;
        stage.until_kept().await;
        stage.go(&format!("{visit}/look")).await;
        stage.choose_the_lamb().await;
        stage.until_kept().await;
        stage.go(&format!("{visit}/cut")).await;
        stage
            .until_text("First time here: skim only once it stands; else shears.")
            .await;
        stage.go(&format!("{visit}/body")).await;
        stage.touch(&stage.find("Calm").await).await;
        stage.until_kept().await;
        stage.go(&format!("{visit}/cut")).await;
        stage.until_text("skim, held off").await;
        stage
            .until(
                "it is said to stand",
                "!document.body.innerText.includes('First time here')",
            )
            .await;
        stage.assert_quiet_console().await;
    })
    .await;
}

#[tokio::test(flavor = "multi_thread")]
async fn a_knot_and_a_broken_blade_change_the_steps_to_come() {
    on_empty_stage(TABLET, async |stage| {
        stage.keep_for_away().await;
        hang_two_blades(stage).await;
        stage.go("/").await;
        stage.touch(&stage.find("New dog").await).await;
        stage.type_into("Name", "Ballast").await;
        stage.touch(&stage.find("Talk").await).await;
        stage.until_text("Looks, best first").await;
        let visit = stage.visit_path().await;
        stage.go(&format!("{visit}/look")).await;
        stage.until_text("the best for this coat").await;
        stage.touch_at_css("li button[aria-pressed]").await;
        stage.go(&format!("{visit}/cut")).await;
        stage.touch(&stage.find("Start at the table").await).await;
        stage.read_the_cautions().await;
        stage.groom_up_to("Bath").await;

        // A knot on the hip, close to the skin: cut with the coat.
        stage.touch(&stage.find("More").await).await;
        stage.touch(&stage.find("A knot here").await).await;
        stage.until_text("how far off the skin").await;
        stage.choose_zone("hip").await;
        stage.choose("On which side of the dog", "Left").await;
        stage.type_into("Off the skin", "4").await;
        stage
            .until(
                "the length is read",
                "document.querySelector('input[data-mm=\"4\"]')",
            )
            .await;
        stage.touch(&stage.find("What now?").await).await;
        stage.until_text("Brush out, if the dog bears it").await;
        stage.assert_accessible("a knot here").await;
        stage
            .touch_at_css("button[aria-label^='Do this: Cut with the coat']")
            .await;
        stage.until_text(RENEWED).await;
        stage.until_kept().await;
        stage.assert_accessible("planned anew").await;
        // It survives a reload, and is taken back with one touch.
        stage.go(&format!("{visit}/run")).await;
        stage.until_text(RENEWED).await;
        stage.touch(&stage.find("As it was").await).await;
        stage
            .until(
                "it is as it was",
                &format!("!document.body.innerText.includes('{RENEWED}')"),
            )
            .await;
        stage.until_kept().await;
        stage.go(&format!("{visit}/run")).await;
        stage
            .until(
                "the bath is in hand",
                "document.querySelector('h2[data-step]')",
            )
            .await;
        assert_eq!(
            stage
                .script(&format!(
                    "return document.body.innerText.includes('{RENEWED}')"
                ))
                .await,
            false,
            "what was taken back is not asked again"
        );

        // The blade loses a tooth: the rest goes without it.
        stage.touch(&stage.find("More").await).await;
        stage
            .touch(&stage.find("A tool: oiled, hot, dull, broken").await)
            .await;
        stage.touch(&stage.find("4 blade").await).await;
        stage.touch(&stage.find("Tooth missing").await).await;
        stage.until_text(RENEWED).await;
        stage.until_text("4 blade").await;
        stage.until_kept().await;
        stage.assert_quiet_console().await;

        // Ways out travel with the run: with the server away the next knot has its own.
        knot_behind_the_hand(stage).await;
        stage
            .until_async(
                "they are kept on the device",
                "const names = await caches.keys();
                 const all = await Promise.all(names.map(async (n) => (await caches.open(n)).keys()));
                 return all.flat().some((k) => new URL(k.url).pathname.startsWith('/kept/ways.'))",
            )
            .await;
        stage.touch(&stage.find("To the step").await).await;
        stage.until_pages_are_kept().await;
        stage.kill_server();
        knot_behind_the_hand(stage).await;
        stage
            .touch_at_css("[aria-label='It begins'] button:nth-child(2)")
            .await;
        stage.touch(&stage.find("What now?").await).await;
        stage.until_text("Brush out, if the dog bears it").await;
        stage
            .touch_at_css("button[aria-label^='Do this: Brush out']")
            .await;
        stage.until_text("not yet sent, saved here").await;
        // A slip of the blade as well.
        stage.until_rested().await;
        stage.touch(&stage.find("Slip").await).await;
        stage.choose_zone("hip").await;
        stage.choose("On which side of the dog", "Left").await;
        stage
            .touch_at_css("[aria-label='What cut it'] button")
            .await;
        stage.touch(&stage.find("What now?").await).await;
        stage
            .until("its ways stand there", "document.querySelector(\"button[aria-label^='Do this:']\")")
            .await;
        stage.restart_server();
        stage.until_kept().await;
    })
    .await;
}
