//! The talk with the owner and the weeks ahead, in the browser.
#![allow(clippy::unwrap_used, reason = "a test says what broke by failing")]

use crate::support;

use fantoccini::key::Key;
use support::{LAPTOP, TABLET, on_stage};

#[tokio::test(flavor = "multi_thread")]
async fn six_answers_rank_the_looks_and_one_is_agreed_on() {
    on_stage(TABLET, async |stage| {
        let visit = stage.visit_of("Tappet").await;
        stage.go(&format!("{visit}/talk")).await;
        stage.until_text("Looks, best first").await;
        // One dog, large, with its look laid over it; every look on the rail beneath.
        stage
            .until(
                "one dog stands large over the rail of looks",
                "document.querySelector('article svg')?.getBoundingClientRect().height > 300
                 && document.querySelectorAll('[aria-label=\"Looks, best first\"] li svg').length === 11",
            )
            .await;
        // Each question of a part of the dog is tied to it: five strokes, none across another, each ending
        // on the drawn dog's paper.
        stage
            .until(
                "the questions are tied to the dog",
                "(() => {
                     const box = document.querySelector('article svg.sheet-drawing').getBoundingClientRect();
                     const ends = [...document.querySelectorAll('path[data-tie]')].map((tie) => {
                         const at = (n) => tie.getPointAtLength(n).matrixTransform(tie.getScreenCTM());
                         return [at(0), at(tie.getTotalLength())];
                     });
                     const turn = (a, b, c) => (b.x - a.x) * (c.y - a.y) - (b.y - a.y) * (c.x - a.x);
                     const cross = ([a, b], [c, d]) =>
                         turn(a, b, c) * turn(a, b, d) < 0 && turn(c, d, a) * turn(c, d, b) < 0;
                     const isOn = (p) => p.x > box.left && p.x < box.right && p.y > box.top && p.y < box.bottom;
                     return ends.length === 5 && ends.every(([, place]) => isOn(place))
                         && ends.every((one, i) => ends.slice(i + 1).every((other) => !cross(one, other)));
                 })()",
            )
            .await;
        stage.touch_at_css("[aria-label='Looks, best first'] li:nth-child(2) button").await;
        stage
            .until(
                "the second is laid over the dog",
                "document.querySelector('article').ariaLabel === document.querySelector('[aria-label=\"Looks, best first\"] [aria-pressed=true]').innerText.trim()",
            )
            .await;
        // The rail keeps its order under the finger; the best comes first when it is asked for.
        stage.choose("Face", "Beard").await;
        stage.touch(&stage.find("Show the best").await).await;
        stage
            .until("the terrier leads", "document.querySelector('ol button')?.textContent.includes('Angled terrier')")
            .await;
        stage.until_text("Agree on this").await;
        stage.assert_accessible("talk, one dog").await;
        // The owner across the table sees it, and agrees.
        stage.touch(&stage.find("Turn to the owner").await).await;
        stage.until_text("Grey is how Tappet came").await;
        stage.assert_accessible("the owner's side").await;
        stage.touch(&stage.find("Upside down").await).await;
        stage.touch(&stage.find("Yes, this one").await).await;
        stage.until_text("Agreed").await;
        stage.until_kept().await;
        // What was agreed on is what is planned.
        stage.go(&format!("{visit}/plan")).await;
        stage.until_text("points right").await;
        stage.until_text("Angled terrier").await;
    })
    .await;
}

#[tokio::test(flavor = "multi_thread")]
async fn the_weeks_ahead_show_three_outlines_and_a_date() {
    on_stage(LAPTOP, async |stage| {
        let visit = stage.visit_of("Turntable").await;
        stage.go(&format!("{visit}/plan")).await;
        stage.tab_to("Weeks ahead").await;
        stage.press(Key::Enter).await;
        stage.until_text("Come back").await;
        stage
            .until(
                "today, half way, last day",
                "[...document.querySelectorAll('article svg')].filter(s => s.getBoundingClientRect().height > 100).length === 3",
            )
            .await;
        stage.choose("Weeks to the next visit", "12").await;
        // 22 November and twelve weeks: 14 February.
        stage.until_text("14 February 2027").await;
        stage.assert_quiet_console().await;
    })
    .await;
}
