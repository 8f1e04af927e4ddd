//! Head and tail measured where a hand can, and the muzzle wished apart from the cheeks, from the first
//! screen of an empty salon (handbook 10 D and E).
#![allow(clippy::unwrap_used, reason = "a test says what broke by failing")]

use crate::support;

use fantoccini::key::Key;
use support::{Stage, TABLET, on_empty_stage};

async fn measure(stage: &Stage, label: &str, mm: &str) {
    stage.type_into(label, mm).await;
    stage.press(Key::Tab).await;
    stage
        .until_text(&format!("Undo {}", label.to_lowercase()))
        .await;
}

#[tokio::test(flavor = "multi_thread")]
async fn a_head_and_a_tail_are_measured_and_a_muzzle_is_wished_off() {
    on_empty_stage(TABLET, async |stage| {
        stage.go("/").await;
        stage.touch(&stage.find("New dog").await).await;
        stage.type_into("Name", "Fusee").await;
        stage.type_into("Height at withers", "410").await;
        stage.touch(&stage.find("Spaniel-like").await).await;
        stage.touch(&stage.find("Talk").await).await;
        stage.until_text("Looks, best first").await;
        let visit = stage.visit_path().await;
        stage
            .go(&format!("{visit}/hands?way=all&view=side&show=landmarks"))
            .await;
        stage.until_text("Head and neck").await;

        // What no ear is, is said with its range; what one is, is drawn.
        stage.type_into("Ear leather", "300").await;
        stage.press(Key::Tab).await;
        stage.until_text("between 21 mm and 250 mm").await;
        measure(stage, "Ear leather", "118").await;
        measure(stage, "Ear short of the nose", "42").await;
        measure(stage, "Muzzle length", "84").await;
        measure(stage, "Skull width", "96").await;
        measure(stage, "Tail length", "190").await;
        // An ear off its head is said; one on it is drawn there.
        stage.type_into("Jaw corner to ear base", "95").await;
        stage.press(Key::Tab).await;
        stage.until_text("where none stands").await;
        measure(stage, "Jaw corner to ear base", "52").await;
        stage.touch(&stage.find("Flat").await).await;
        stage.until_text("Undo skull").await;
        stage.until_kept().await;
        for name in ["nose tip", "jaw corner", "tip of the leather", "tail end"] {
            stage
                .until(
                    "each landmark is named",
                    &format!("[...document.querySelectorAll('svg text')].some(t => t.textContent === '{name}')"),
                )
                .await;
        }
        stage.assert_accessible("head and tail measured").await;

        // An owner wants the muzzle off: the sheet cuts it apart from the cheeks.
        stage.go_on_to("talk").await;
        stage.touch(&stage.find("Off: muzzle").await).await;
        stage.until_kept().await;
        stage.go(&format!("{visit}/cut")).await;
        stage
            .until(
                "a step leaves the muzzle its own length",
                "/muzzle \\d+/.test(document.body.innerText)",
            )
            .await;

        // A topknot is tied on this dog: untied before the brush.
        stage.go(&format!("{visit}/schools")).await;
        stage.until_text("They change something on this dog").await;
        stage.touch_at_css("[data-answer=ponytail_two]").await;
        stage.until_text("this dog’s own").await;
        stage.go(&format!("{visit}/cut")).await;
        stage.until_text("Bows and bands off").await;

        // Under a look that shapes the tail it is made a U: the plan says how even it lies about the bone.
        stage.go(&format!("{visit}/schools")).await;
        stage.until_text("They change something on this dog").await;
        stage.touch_at_css("[data-answer=tail_u]").await;
        stage
            .until(
                "it is said",
                "document.querySelector('[data-answer=tail_u][aria-pressed=true]')",
            )
            .await;
        stage.until_kept().await;
        stage.go(&format!("{visit}/look")).await;
        stage.choose_the_lamb().await;
        stage.until_kept().await;
        stage.go(&format!("{visit}/plan")).await;
        stage.until_text("points right").await;
        let all = "[...document.querySelectorAll('button')].find(b => /^All \\d+ points/.test(b.innerText)).innerText.trim()";
        let all = stage.script(&format!("return {all}")).await;
        stage
            .touch(&stage.find(all.as_str().unwrap()).await)
            .await;
        stage.until_text("Tail about its bone").await;
        stage.assert_quiet_console().await;
    })
    .await;
}
