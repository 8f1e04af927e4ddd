//! The walk round a finished dog in the browser: what was looked at, what was left, what to touch up, the next visit's coat.
#![allow(clippy::unwrap_used, reason = "a test says what broke by failing")]

use crate::support;

use support::{TABLET, on_empty_stage, on_stage};

#[tokio::test(flavor = "multi_thread")]
async fn what_was_left_says_what_to_touch_up() {
    on_stage(TABLET, async |stage| {
        let visit = stage.visit_of("Tappet").await;
        stage.go(&format!("{visit}/lengths")).await;
        stage.until_text("Nothing measured yet").await;
        stage.type_into("Ears, left", "43").await;
        stage.type_into("Ears, right", "48").await;
        stage
            .until_text("Ears, right: 5 mm shorter, as the left")
            .await;
        stage.type_into("Underline", "24").await;
        stage.until_text("Underline: ").await;
        stage.until_text("longer than planned").await;
        stage.until_kept().await;
        stage.assert_accessible("lengths left").await;
        // What was typed is there again.
        stage.go(&format!("{visit}/lengths")).await;
        stage.until_text("2 to touch up").await;
        stage.assert_quiet_console().await;
    })
    .await;
}

/// The tape stand-in reads every quick zone, both sides of a pair; the finished dog is taken by
/// photo, and the kept page shows it as after.
#[tokio::test(flavor = "multi_thread")]
async fn the_tape_reads_the_result_and_a_photo_shows_it() {
    on_stage(TABLET, async |stage| {
        let visit = stage.visit_of("Turntable").await;
        stage.go(&format!("{visit}/lengths")).await;
        stage.until_text("Nothing measured yet").await;
        stage.touch(&stage.find("Simulated tape").await).await;
        stage
            .until(
                "a length was read",
                "/: [0-9.]+ mm/.test(document.querySelector('[data-device-said]')?.innerText ?? '')",
            )
            .await;
        stage
            .until(
                "both sides of a pair are read",
                "[...document.querySelectorAll('[data-result]')].some((row) => { const typed = [...row.querySelectorAll('input')]; return typed.length === 2 && typed.every((i) => i.value !== ''); })",
            )
            .await;
        stage.touch(&stage.find("Stop the tape").await).await;
        stage.until_kept().await;

        // From where the stylist stands, on the walk, or at the writing up: it is the finished dog.
        stage.go(&format!("{visit}/check?walk=front")).await;
        stage.until_text("Its photo from here").await;
        stage
            .touch(&stage.find("Simulated camera, to try without a real one").await)
            .await;
        stage.touch(&stage.find("Take a simulated photo").await).await;
        stage
            .until(
                "the finished dog is shown",
                "[...document.querySelectorAll('img')].some((i) => i.alt.endsWith(', finished, from the front') && i.complete && i.naturalWidth > 100)",
            )
            .await;
        stage.assert_accessible("a photo on the walk").await;
        stage.go(&format!("{visit}/keep")).await;
        stage.until_text("Before and after").await;
        stage
            .until(
                "it stands there as after",
                "[...document.querySelectorAll('figure img')].some((i) => i.alt.endsWith(', after'))",
            )
            .await;
        stage.touch(&stage.find("Is before").await).await;
        stage
            .until(
                "it is before",
                "[...document.querySelectorAll('figure img')].some((i) => i.alt.endsWith(', before'))",
            )
            .await;
        stage.until_kept().await;
        stage.assert_accessible("keep").await;
        stage.assert_quiet_console().await;
    })
    .await;
}

/// From an empty salon: a dog is walked round in a few touches, one length is read, one touch-up ticked,
/// and it goes home as it was left.
#[tokio::test(flavor = "multi_thread")]
async fn a_finished_dog_is_walked_round_and_goes_home() {
    on_empty_stage(TABLET, async |stage| {
        stage.go("/").await;
        stage.touch(&stage.find("New dog").await).await;
        stage.type_into("Name", "Coupling").await;
        stage.touch(&stage.find("Talk").await).await;
        stage.until_text("Looks, best first").await;
        stage.go_on_to("coat").await;
        stage.type_into("Length, combed out", "70").await;
        stage.until_kept().await;
        let visit = stage.visit_path().await;
        stage.go_on_to("check").await;
        stage.until_text("Left side").await;
        // Good as it stands: one touch, and the dog is turned.
        let mut touches = 0;
        for (next, stance) in [("behind", "Behind, tail up"), ("right", "Right side"), ("front", "In front")] {
            stage.touch(&stage.find(&format!("Good. Next: {next}")).await).await;
            stage.until_text(stance).await;
            touches += 1;
        }
        // One ear is longer: its ring, then its length on the short tape; the other is as planned.
        let ear = "[...document.querySelectorAll('[data-spot=ear_ends] [data-ring]')]";
        for (side, nth) in [(0, 4), (1, 2)] {
            let ring = format!("[data-spot=ear_ends] [data-ring]:nth-of-type({})", side + 1);
            stage.touch_at_css(&ring).await;
            stage
                .touch_at_css(&format!("[role=group][aria-label$='left at'] button:nth-child({})", nth + 1))
                .await;
            stage
                .until("it is read", &format!("{ear}[{side}].innerText.includes('mm')"))
                .await;
            touches += 2;
        }
        stage.until_text("6 mm shorter, as the right").await;
        stage
            .until(
                "the ring says its length",
                "document.querySelectorAll('text.r-ring_word').length >= 2",
            )
            .await;
        stage.assert_accessible("walk round").await;
        stage.touch_at_css("[data-touch-up] button").await;
        touches += 1;
        stage
            .until("it is done", "!document.querySelector('[data-touch-up]')")
            .await;
        // From here the finished dog is photographed.
        stage.until_text("Its photo from here").await;
        stage
            .touch(&stage.find("Simulated camera, to try without a real one").await)
            .await;
        stage.touch(&stage.find("Take a simulated photo").await).await;
        stage
            .until("it is shown", "document.querySelector('img[alt*=\", finished, from the\"]')")
            .await;
        for (next, stance) in [
            ("above", "Above"),
            ("below", "Below"),
            ("walking", "On the floor, walking"),
        ] {
            stage.touch(&stage.find(&format!("Good. Next: {next}")).await).await;
            stage
                .until("the dog is turned", &format!("document.querySelector('[data-stance]').innerText === '{stance}'"))
                .await;
            touches += 1;
        }
        stage.touch(&stage.find("Good. Write it up").await).await;
        touches += 1;
        // A check of ten places: issue J asks for at most 14 touches; here are eighteen.
        assert!(touches <= 14, "{touches} touches");
        stage.until_text("The groom in a minute").await;
        stage.until_text("Owner card, to print").await;
        stage.until_kept().await;
        stage.assert_accessible("going home").await;
        // Back on the walk, every stance is ticked, and what was done stands there.
        stage.go(&format!("{visit}/check")).await;
        stage
            .until(
                "every stance is ticked",
                "document.querySelectorAll('[aria-label=Stances] [aria-label=\", looked at\"]').length === 7",
            )
            .await;
        stage.until_text("6 mm shorter, as the right").await;
        stage.assert_quiet_console().await;
    })
    .await;
}
