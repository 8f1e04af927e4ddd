//! Dogs of an empty salon over many months, by a clock that is set: a puppy learns the groom by stages and
//! knots at one place again and again; another dog has a look for each time of the year.
#![allow(clippy::unwrap_used, reason = "a test says what broke by failing")]

use crate::support;

use fantoccini::key::Key;
use support::{Stage, TABLET, on_empty_stage};

async fn enter(stage: &Stage, name: &str) {
    stage.touch(&stage.find("New dog").await).await;
    stage.type_into("Name", name).await;
}

async fn begin_today(stage: &Stage, name: &str) {
    stage.touch_at_css(&format!("button[title='{name}']")).await;
    stage.touch(&stage.find("Begin today").await).await;
    stage.until_text("Measured with").await;
}

/// The weight of the day, and knots behind the hand again.
async fn weighed_and_knotted(stage: &Stage, kg: &str) {
    stage.type_into("Weight", kg).await;
    stage.press(Key::Tab).await;
    stage.until_text("Undo weight").await;
    stage.go_on_to("coat").await;
    stage.choose_zone("ears").await;
    stage.choose("Knots", "Tight").await;
    stage.until_text("Undo knots").await;
    stage.until_kept().await;
}

async fn stage_of_today(stage: &Stage, stage_name: &str) {
    stage.go_on_to("cut").await;
    stage
        .until(
            stage_name,
            &format!("document.querySelector('[aria-label=\"How much of it today\"] [data-checked]')?.innerText === '{stage_name}'"),
        )
        .await;
}

/// The stage of the day at the table, from the cautions to its last step; at the first the stylist says how
/// the dog takes it.
async fn gone_through(stage: &Stage, takes_it: &str) {
    stage.touch(&stage.find("Start at the table").await).await;
    stage.until_text("First, this dog").await;
    stage.until_kept().await;
    stage.read_the_cautions().await;
    stage.more("Note").await;
    stage.choose("How the dog takes it", takes_it).await;
    stage.until_text("Small jobs").await;
    let is_last =
        "return document.querySelector('button[data-next]')?.innerText.startsWith('Finish')";
    stage.until_rested().await;
    while stage.script(is_last).await != true {
        stage.next_step().await;
        stage.until_rested().await;
    }
    stage.touch(&stage.find("Finish").await).await;
    stage.until_text("Finished").await;
    stage.until_kept().await;
}

#[tokio::test(flavor = "multi_thread")]
async fn a_puppy_learns_the_groom_by_stages_and_its_knots_are_remembered() {
    on_empty_stage(TABLET, async |stage| {
        stage.it_is_days_ago(182).await;
        enter(stage, "Ferrule").await;
        stage.type_into("Age, years", "0.4").await;
        stage.touch(&stage.find("Talk").await).await;
        stage.until_text("Looks, best first").await;
        stage.touch(&stage.find("Feel the dog").await).await;
        stage.until_text("Measured with").await;
        weighed_and_knotted(stage, "3.1").await;
        stage.type_into("Length, combed out", "30").await;
        stage.go_on_to("cut").await;
        stage.until_text("How much of it today").await;
        stage.choose("How much of it today", "First meeting").await;
        stage.until_text("At home: Each day for two minutes").await;
        stage.assert_accessible("a stage of a programme").await;
        stage.until_kept().await;
        // It bore the meeting, then refused: the same stage again, and nobody went through that one.
        gone_through(stage, "Bears it").await;
        for (days_ago, kg, took) in [
            (140, "4.6", Some("Refuses")),
            (90, "5.9", None),
            (0, "6.8", None),
        ] {
            stage.it_is_days_ago(days_ago).await;
            begin_today(stage, "Ferrule").await;
            weighed_and_knotted(stage, kg).await;
            stage_of_today(stage, "Feet and face").await;
            if let Some(took) = took {
                gone_through(stage, took).await;
            }
        }
        // Tight at the ears visit after visit: taking them off is proposed, with its price.
        stage.go_on_to("plan").await;
        stage.until_text("visits running").await;
        stage.assert_accessible("knots again").await;
        // Its life, and the paper of it.
        stage.go("/").await;
        stage.touch_at_css("button[title='Ferrule']").await;
        stage.touch(&stage.find("Its life").await).await;
        stage.until_text("3.1 kg").await;
        stage
            .until(
                "four visits stand on its line",
                "document.querySelectorAll('[aria-label=Visits] > li').length === 4",
            )
            .await;
        stage
            .until_async(
                "its paper is a PDF",
                "const link = document.querySelector('a[href$=\"life.pdf\"]');
                 const paper = await fetch(link.href);
                 return paper.ok && (await paper.text()).startsWith('%PDF')",
            )
            .await;
        stage.assert_quiet_console().await;
    })
    .await;
}

/// The look of the day, and its plan kept.
async fn groomed_in(stage: &Stage, look: &str) {
    stage.go_on_to("look").await;
    stage
        .until(
            "the look is offered",
            &format!(
                "[...document.querySelectorAll('button[aria-pressed] span:first-child')].some((s) => s.innerText === '{look}' && (s.parentElement.click(), true))"
            ),
        )
        .await;
    stage.until_text("Undo look").await;
    stage.until_kept().await;
    stage.go_on_to("cut").await;
    stage.touch(&stage.find("Save this plan").await).await;
    stage.until_text("This plan is saved as it stands.").await;
}

#[tokio::test(flavor = "multi_thread")]
async fn a_dog_has_a_recipe_for_each_time_of_the_year() {
    on_empty_stage(TABLET, async |stage| {
        stage.it_is_days_ago(365).await;
        enter(stage, "Gantry").await;
        // The stick is read while the dog is entered, in the stylist's own unit; its visit begins with it.
        stage.type_into("Height at withers", "46 cm").await;
        stage.press(Key::Tab).await;
        stage
            .until("it is read", "document.querySelector('input[data-mm=\"460\"]')")
            .await;
        stage.touch(&stage.find("Talk").await).await;
        stage.until_text("Looks, best first").await;
        stage
            .until_async(
                "the height is kept",
                "const log = await (await fetch('/api/visits/' + location.pathname.split('/')[2])).json();
                 return log.entries.some((e) => e.body.measure === 'height_at_withers' && e.body.taken.value_mm === 460)",
            )
            .await;
        stage.go_on_to("coat").await;
        stage.type_into("Length, combed out", "60").await;
        groomed_in(stage, "Lamb").await;
        stage.it_is_days_ago(182).await;
        begin_today(stage, "Gantry").await;
        groomed_in(stage, "Short all over, summer").await;
        stage.it_is_days_ago(0).await;
        begin_today(stage, "Gantry").await;
        stage.go_on_to("last").await;
        stage.until_text("This time of the year").await;
        stage.until_text("last time").await;
        stage.assert_accessible("two recipes").await;
        stage.assert_quiet_console().await;
    })
    .await;
}
