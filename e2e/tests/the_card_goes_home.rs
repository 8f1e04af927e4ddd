//! From an empty salon: the card for the fridge is worded by touch, and another day to come back is agreed.
#![allow(clippy::unwrap_used, reason = "a test says what broke by failing")]

use crate::support;

use fantoccini::Locator;
use fantoccini::key::Key;
use support::{Stage, TABLET, on_empty_stage};

async fn touch_line(stage: &Stage, starts: &str) {
    let path = format!(
        "//section[@aria-label='Owner card']//button[starts-with(normalize-space(.), '{starts}')]"
    );
    let element = stage.client.find(Locator::XPath(&path)).await.unwrap();
    stage.touch(&element).await;
}

#[tokio::test(flavor = "multi_thread")]
async fn a_line_is_worded_another_is_added_one_left_out_and_the_day_agreed() {
    on_empty_stage(TABLET, async |stage| {
        stage.it_is_days_ago(60).await;
        stage.touch(&stage.find("New dog").await).await;
        stage.type_into("Name", "Ballast").await;
        stage.touch(&stage.find("Talk").await).await;
        stage.until_text("Looks, best first").await;
        let visit = stage.visit_path().await;
        stage.go(&format!("{visit}/look")).await;
        stage.touch(&stage.find("LambShort body, full straight legs, clean face and feet.").await).await;
        stage.until_text("Undo look").await;
        stage.until_kept().await;
        stage.go(&format!("{visit}/keep")).await;
        stage.until_text("it must pass.").await;

        touch_line(stage, "At home").await;
        stage.type_into("At home", "Ears every evening.").await;
        stage.touch(&stage.find("Say it so").await).await;
        stage.until_text("Undo card, at home").await;
        stage.until_text("Ears every evening.").await;

        touch_line(stage, "Today").await;
        stage.touch(&stage.find("Leave it out").await).await;
        stage.until_text("Undo card, today").await;

        let another = stage.find("Another line on the card: another line").await;
        stage.touch(&another).await;
        stage.touch(&stage.find("Please note").await).await;
        stage.type_into("Please note", "No swimming for a week.").await;
        stage.touch(&stage.find("Say it so").await).await;
        stage.until_text("Undo card, please note").await;

        // The tape is pulled a week further by its arrow key, and pulled back by one touch.
        stage.script("document.querySelector('input[type=range]').focus()").await;
        stage.press(Key::Right).await;
        stage.until_text("Agreed: back after").await;
        let weeks = "Number(document.querySelector('input[type=range]').value)";
        let agreed = stage.script(&format!("return {weeks}")).await;
        stage.press(Key::Right).await;
        stage
            .until("the focus stays on the tape", &format!("{weeks} === {agreed} + 1"))
            .await;
        stage.until_kept().await;
        stage.assert_accessible("the card").await;

        stage.go(&format!("{visit}/keep")).await;
        stage.until_text("No swimming for a week.").await;
        stage.until_text("Ears every evening.").await;
        stage.until_text("Agreed: back after").await;
        stage
            .until(
                "what is left out is struck through",
                "document.querySelectorAll('[aria-label=\"Owner card\"] .line-through').length === 1",
            )
            .await;
        let advised = "//button[starts-with(normalize-space(.), 'As advised')]";
        let advised = stage.client.find(Locator::XPath(advised)).await.unwrap();
        stage.touch(&advised).await;
        stage
            .until("the day is the advised one", "!document.body.innerText.includes('Agreed: ')")
            .await;
        let card = visit.replace("/visit/", "/api/visits/") + "/owner-card.pdf";
        stage
            .until_async(
                "the card prints",
                &format!("const paper = await fetch('{card}'); return paper.ok && paper.headers.get('content-type') === 'application/pdf'"),
            )
            .await;
        stage
            .until_async(
                "the day goes into a calendar",
                &format!("const day = await (await fetch('{}')).text(); return day.startsWith('BEGIN:VCALENDAR') && day.includes('SUMMARY:Ballast')", card.replace("owner-card.pdf", "return.ics")),
            )
            .await;
        stage.until_kept().await;
        // Two months later it stands among the dogs that are due, and its name leads to its owner.
        stage.it_is_days_ago(0).await;
        stage.until_text("Dogs due").await;
        stage.until_text("was due").await;
        stage.assert_accessible("the first screen with a dog due").await;
        stage.touch_at_css("section[aria-label='Dogs due'] a").await;
        stage.until_text("How the owner is reached").await;
    })
    .await;
}
