//! The coat by touch on the drawing; knobs answer on the drawing; wishes that cannot be met.
#![allow(clippy::unwrap_used, reason = "a test says what broke by failing")]

use crate::support;

use support::{LAPTOP, Stage, TABLET, on_stage};

async fn touch_number(stage: &Stage, zone: &str) {
    let at = stage
        .script(&format!(
            "const r = document.querySelector('text[data-tag=\"zone:{zone}\"]').getBoundingClientRect(); return [r.x + r.width / 2, r.y + r.height / 2]"
        ))
        .await;
    stage
        .touch_at(at[0].as_f64().unwrap(), at[1].as_f64().unwrap())
        .await;
}

#[tokio::test(flavor = "multi_thread")]
async fn touching_a_number_on_the_dog_opens_its_zone() {
    on_stage(TABLET, async |stage| {
        stage.go("/").await;
        let visit = stage.visit_of("Tappet").await;
        stage.go(&format!("{visit}/coat")).await;
        stage.until_text("All over").await;
        stage
            .until(
                "numbers are there",
                "document.querySelector('text[data-tag=\"zone:chest\"]')",
            )
            .await;
        touch_number(stage, "chest").await;
        stage
            .until(
                "the zone is open",
                "document.querySelector('[role=group][aria-label=chest]')",
            )
            .await;
        stage.type_into("Length now", "31").await;
        stage
            .until(
                "the number on the dog follows",
                "document.querySelector('text[data-tag=\"zone:chest\"]').textContent === '31'",
            )
            .await;
        stage.choose("Knots", "Tight").await;
        stage
            .until(
                "the knots are hatched",
                "document.querySelectorAll('polyline[data-tag=\"zone:chest\"]').length >= 5",
            )
            .await;
        stage.until_kept().await;
    })
    .await;
}

#[tokio::test(flavor = "multi_thread")]
async fn a_wish_for_more_hair_than_there_is_gets_a_plan_and_is_reported() {
    on_stage(LAPTOP, async |stage| {
        stage.go("/").await;
        let visit = stage.visit_of("Turntable").await;
        stage.go(&format!("{visit}/coat")).await;
        stage.until_text("All over").await;
        touch_number(stage, "chest").await;
        stage
            .until(
                "the zone is open",
                "document.querySelector('[role=group][aria-label=chest]')",
            )
            .await;
        stage.type_into("not shorter than", "90").await;
        // Straight on, before the field has been read: it is read on the way out.
        stage.touch(&stage.find("Plan").await).await;
        stage
            .until_text("The chest: 90 mm is asked for; 24 mm is all there is. Let it grow.")
            .await;
        stage.until_text("points right").await;
    })
    .await;
}

#[tokio::test(flavor = "multi_thread")]
async fn deciding_a_what_if_sets_the_limit_and_undo_takes_it_back() {
    on_stage(LAPTOP, async |stage| {
        stage.go("/").await;
        let visit = stage.visit_of("Tappet").await;
        stage.go(&format!("{visit}/plan")).await;
        stage.until_text("points right").await;
        let before = stage
            .script("return document.querySelector('polyline.r-plan_line')?.getAttribute('points') ?? document.querySelectorAll('.r-plan_line').length")
            .await;
        touch_number(stage, "knee").await;
        stage.touch(&stage.find("Take it off").await).await;
        stage.until_text("With the front of the knee off the dog looks").await;
        stage.touch(&stage.find("Decide so").await).await;
        stage.until_text("Drop the limit here").await;
        stage.until_kept().await;
        stage.press_text("u").await;
        stage
            .until("the limit is gone", "!document.body.innerText.includes('Drop the limit here')")
            .await;
        let after = stage
            .script("return document.querySelector('polyline.r-plan_line')?.getAttribute('points') ?? document.querySelectorAll('.r-plan_line').length")
            .await;
        assert_eq!(before, after, "the outline is as it was");
    })
    .await;
}

#[tokio::test(flavor = "multi_thread")]
async fn another_look_and_another_body_length_answer_on_the_drawing() {
    on_stage(LAPTOP, async |stage| {
        stage.go("/").await;
        let visit = stage.visit_of("Tappet").await;
        stage.go(&format!("{visit}/look")).await;
        stage.until_text("What it costs").await;
        let ribs = "document.querySelector('text[data-tag=\"zone:ribs\"]')?.textContent";
        stage
            .until(
                "nobody named a length: what balances best",
                &format!("{ribs} === '13'"),
            )
            .await;
        stage.choose("Body length, mm", "16").await;
        stage
            .until("named, it is 16", &format!("{ribs} === '16'"))
            .await;
        stage.choose("Body length, mm", "19").await;
        stage
            .until("the body is longer", &format!("{ribs} === '19'"))
            .await;
        stage
            .touch(
                &stage
                    .find("One length, roundedOne comb all over, round head and feet.")
                    .await,
            )
            .await;
        stage
            .until("one length of 16", &format!("{ribs} === '16'"))
            .await;
        stage.until_kept().await;
        stage.client.refresh().await.unwrap();
        stage
            .until("a reload shows the same", &format!("{ribs} === '16'"))
            .await;
    })
    .await;
}

#[tokio::test(flavor = "multi_thread")]
async fn layers_asked_for_stand_in_the_address() {
    on_stage(LAPTOP, async |stage| {
        stage.go("/").await;
        let visit = stage.visit_of("Tappet").await;
        stage.go(&format!("{visit}/plan")).await;
        stage.until_text("points right").await;
        stage.touch(&stage.find("Settled, in an hour").await).await;
        stage.until("the settled edge is drawn", "document.querySelector('.r-settled_line')").await;
        stage.client.refresh().await.unwrap();
        stage.until("… and after a reload", "document.querySelector('.r-settled_line')").await;
        stage.touch(&stage.find("Landmarks").await).await;
        stage
            .until(
                "landmarks are named",
                "[...document.querySelectorAll('.r-landmark_name')].some(t => t.textContent === 'stifle')",
            )
            .await;
    })
    .await;
}
