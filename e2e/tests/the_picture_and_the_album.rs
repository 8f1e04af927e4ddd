//! The owner's picture, what the owner wants off, a big change, the album: in the browser.
#![allow(clippy::unwrap_used, reason = "a test says what broke by failing")]

use fantoccini::Locator;

use crate::support;

use support::{TABLET, on_stage};

/// Places on a drawn dog, pixels of a picture 1600 wide: any dog that can be.
const TOUCHED: &str = r"{
    fore_foot: [640, 980], hind_foot: [1110, 980], withers: [665, 430], breastbone: [575, 640],
    pin_bone: [1100, 520], brisket: [700, 690], waist: [900, 660], column_back: [690, 820],
    column_front: [610, 820], knee: [930, 740], bend: [1060, 730], hock: [1130, 800]
}";

#[tokio::test(flavor = "multi_thread")]
async fn a_picture_becomes_targets() {
    on_stage(TABLET, async |stage| {
        let visit = stage.visit_of("Turntable").await;
        stage.go(&format!("{visit}/picture")).await;
        stage.until_text("its ratios become targets").await;
        stage
            .touch(&stage.find("Simulated camera, to try without a real one").await)
            .await;
        stage.touch(&stage.find("Take a simulated photo").await).await;
        stage
            .until("the picture is there", "document.querySelector('.photo-sheet')")
            .await;
        // The places asked for are touched, each where it is asked.
        for _ in 0..12 {
            let before = stage
                .script("return document.querySelectorAll('[data-mark]').length")
                .await;
            stage
                .script(&format!(
                    "const [x, y] = ({TOUCHED})[document.querySelector('[data-in-hand]').dataset.inHand];
                     const sheet = document.querySelector('.photo-sheet');
                     const p = new DOMPoint(x, y).matrixTransform(sheet.getScreenCTM());
                     for (const type of ['pointerdown', 'pointerup'])
                       sheet.dispatchEvent(new PointerEvent(type, {{ clientX: p.x, clientY: p.y, pointerId: 1, bubbles: true }}));"
                ))
                .await;
            stage
                .until(
                    "one more is touched",
                    &format!("document.querySelectorAll('[data-mark]').length === {before} + 1"),
                )
                .await;
        }
        stage.until_text("Nearest look:").await;
        stage.until_text("This dog can have it today.").await;
        stage.assert_accessible("picture").await;
        stage.touch(&stage.find("Work to this picture").await).await;
        stage.until_text("Agreed: work to this picture").await;
        stage.until_kept().await;
        stage.go(&format!("{visit}/plan")).await;
        stage.until_text("Owner's picture").await;
        stage.assert_quiet_console().await;
    })
    .await;
}

#[tokio::test(flavor = "multi_thread")]
async fn a_part_is_wished_off_and_a_big_change_is_agreed_by_name() {
    on_stage(TABLET, async |stage| {
        let visit = stage.visit_of("Tappet").await;
        stage.go(&format!("{visit}/talk")).await;
        stage.until_text("What if").await;
        let off = "document.querySelector('[aria-label=\"Off: tuck-up\"]')";
        stage.until("it can be wished", off).await;
        stage.script(&format!("{off}.click()")).await;
        stage.until_text("With the tuck-up off").await;
        stage.until_kept().await;

        stage.go(&format!("{visit}/look")).await;
        let summer = "[...document.querySelectorAll('button')].find((b) => b.textContent.startsWith('Short all over, summer'))";
        stage.until("the look is offered", summer).await;
        stage.script(&format!("{summer}.click()")).await;
        stage.until_text("A big change: the body comes down").await;
        stage.touch(&stage.find("Old beside new").await).await;
        stage.until_text("As it went home last time").await;
        stage.type_into("Agreed by, name", "O. Ballast").await;
        stage.press(fantoccini::key::Key::Tab).await;
        stage.until_kept().await;
        stage.assert_accessible("big change").await;
        // Half of it is no big change any more.
        stage.touch(&stage.find("Half-way first").await).await;
        stage
            .until(
                "nothing big is left",
                "!document.querySelector('[data-big-change]')",
            )
            .await;
        stage.assert_quiet_console().await;
    })
    .await;
}

#[tokio::test(flavor = "multi_thread")]
async fn a_finished_dog_with_leave_is_laid_beside_another() {
    on_stage(TABLET, async |stage| {
        let visit = stage.visit_of("Tappet").await;
        stage.go(&format!("{visit}/keep")).await;
        stage.until_text("Before and after").await;
        stage
            .touch(&stage.find("Simulated camera, to try without a real one").await)
            .await;
        stage.touch(&stage.find("Take a simulated photo").await).await;
        stage.until_text("lets it be shown").await;
        stage
            .script("document.querySelector('figure input[type=checkbox]').click()")
            .await;
        stage
            .until_async("the album has it", "return (await (await fetch('/api/album')).json()).length > 0")
            .await;
        let other = stage.visit_of("Turntable").await;
        stage.go(&format!("{other}/album")).await;
        stage.until_text("Size").await;
        // Every filter that is set is let go.
        let set = "[...document.querySelectorAll('main [aria-haspopup=listbox]')].find((b) => b.innerText !== 'any')?.ariaLabel";
        while let Some(filter) = stage.script(&format!("return {set}")).await.as_str() {
            stage.touch(&stage.find(filter).await).await;
            let any = Locator::XPath("//*[@role='option' and .='any']");
            stage.touch(&stage.client.find(any).await.unwrap()).await;
            let quoted = serde_json::to_string(filter).unwrap();
            stage.until("it is let go", &format!("{set} !== {quoted}")).await;
        }
        stage
            .until(
                "Tappet stands beside",
                "[...document.querySelectorAll('figure img')].some((i) => i.alt.startsWith('Tappet, finished as') && i.naturalWidth > 100)",
            )
            .await;
        stage.assert_accessible("album").await;
        stage.assert_quiet_console().await;
    })
    .await;
}
