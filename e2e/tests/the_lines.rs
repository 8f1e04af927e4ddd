//! Lines in the browser: where each lies, what moving it costs, moved and given back.
#![allow(clippy::unwrap_used, reason = "a test says what broke by failing")]

use crate::support;

use support::{TABLET, on_stage};

#[tokio::test(flavor = "multi_thread")]
async fn a_line_is_moved_by_hand_and_given_back() {
    on_stage(TABLET, async |stage| {
        let visit = stage.visit_of("Turntable").await;
        stage.go(&format!("{visit}/lines")).await;
        // Turntable dips behind the withers and stands high behind (its hands-on).
        stage.until_text("Shorter back pass").await;
        stage.touch_at_css("[data-line=back_pass] > button").await;
        stage.until_text("in balance").await;
        stage.assert_accessible("lines").await;
        stage.touch_at_css("[data-stop=one_pass]").await;
        stage.until_text("moved by hand").await;
        // One pass has no line on the dog, and every other place is a gain.
        stage.until_text("Gains").await;
        stage.until_kept().await;
        stage.go(&format!("{visit}/lines")).await;
        stage.until_text("moved by hand").await;
        stage.touch_at_css("[data-line=back_pass] > button").await;
        let back = stage.find("Where the plan has it").await;
        stage.touch(&back).await;
        stage
            .until(
                "the line to be given back",
                "!document.body.innerText.includes('moved by hand')",
            )
            .await;
        stage.until_text("behind the withers").await;
        stage.assert_quiet_console().await;
    })
    .await;
}

#[tokio::test(flavor = "multi_thread")]
async fn a_line_goes_between_its_places_and_says_how_its_step_is_joined() {
    on_stage(TABLET, async |stage| {
        let visit = stage.visit_of("Tappet").await;
        // Touched where it lies on the plan's dog, at the end that no other line crosses, it is open under the
        // lines.
        stage.go(&format!("{visit}/plan")).await;
        stage
            .until(
                "the line can be touched",
                "document.querySelector('[data-touch=\"line:waist\"]')",
            )
            .await;
        let end = stage
            .script(
                "const line = document.querySelector('[data-touch=\"line:waist\"]');
                 const at = (n) => line.getPointAtLength(n).matrixTransform(line.getScreenCTM());
                 const [a, b] = [at(0), at(line.getTotalLength())];
                 return a.y < b.y ? [a.x, a.y] : [b.x, b.y];",
            )
            .await;
        let at = |i: usize| end[i].as_f64().unwrap();
        stage.touch_at(at(0), at(1)).await;
        stage.until_text("further forward").await;
        stage.assert_accessible("a line between its places").await;
        stage
            .touch_at_css("[data-line=waist] [data-nudge='-5']")
            .await;
        stage
            .until_text("Moved 5 mm further forward by hand.")
            .await;
        stage.until_kept().await;
        stage.go(&format!("{visit}/lines")).await;
        stage.until_text("moved by hand").await;
        // The crest is longer than the neck beside it: how the step is joined, and over how far.
        stage.touch_at_css("[data-line=nape] > button").await;
        stage.until_text("Blend over").await;
        // Lines show in the front view as well.
        stage.go(&format!("{visit}/lines?view=front")).await;
        stage.until_text("Waist").await;
        stage
            .until(
                "the throat's line in front",
                "document.querySelectorAll('.r-clip_line').length > 0",
            )
            .await;
        stage.assert_quiet_console().await;
    })
    .await;
}
