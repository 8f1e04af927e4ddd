//! The run is read from two metres and worked with a wet hand: letters, targets, nothing cut off,
//! hardly a step that scrolls (common practice: a wet hand does not scroll).

use crate::support;

use support::{LAPTOP, STEP, Stage, TABLET, on_stage};

/// What is wrong with the step in hand, in words.
const WRONG: &str = r"
    const out = [];
    const size = (e) => parseFloat(getComputedStyle(e).fontSize);
    const what = document.querySelector('h2[data-step]');
    if (what && size(what) < 26) out.push('what: ' + size(what));
    const page = document.scrollingElement;
    if (page.scrollHeight > innerHeight + 1 || page.scrollWidth > innerWidth + 1) out.push('the page scrolls');
    for (const b of document.querySelectorAll('[aria-label=Or] button, [data-next]')) {
        const r = b.getBoundingClientRect();
        if (r.height < 64 || r.width < 64) out.push(b.innerText + ' is ' + Math.round(r.width) + ' by ' + Math.round(r.height));
        if (b.scrollWidth > b.clientWidth + 1) out.push(b.innerText + ' is cut off');
        if (r.bottom > innerHeight + 1) out.push(b.innerText + ' lies under the edge');
    }
    return out;
";

async fn walk(stage: &Stage, dog: &str, scrolls_at_most: usize) {
    let visit = stage.visit_of(dog).await;
    stage.go(&format!("{visit}/cut")).await;
    stage.until_text("Feet and bevels").await;
    stage.touch(&stage.find("Start at the table").await).await;
    stage.read_the_cautions().await;
    let (mut steps, mut scrolling) = (0, Vec::new());
    loop {
        stage.until_rested().await;
        let wrong = stage.script(WRONG).await;
        let step = stage.script(&format!("return {STEP}")).await;
        assert_eq!(wrong, serde_json::json!([]), "{dog}: {step}");
        let scrolls = "const m = document.querySelector('section[aria-label=\"Table run\"] > div'); \
                       return m.scrollHeight > m.clientHeight + 2";
        if stage.script(scrolls).await == true {
            scrolling.push(step.clone());
        }
        steps += 1;
        if steps > 16 {
            break;
        }
        stage.next_step().await;
    }
    assert!(
        scrolling.len() <= scrolls_at_most,
        "{dog}: {scrolling:?} of {steps}"
    );
}

#[tokio::test(flavor = "multi_thread")]
async fn a_step_is_read_from_two_metres_on_a_laptop() {
    on_stage(LAPTOP, async |stage| walk(stage, "Tappet", 3).await).await;
}

#[tokio::test(flavor = "multi_thread")]
async fn a_step_is_read_from_two_metres_on_a_tablet() {
    on_stage(TABLET, async |stage| walk(stage, "Gangway", 5).await).await;
}

/// Two dogs at once, as at any salon with a dryer (common practice): the other is a touch away, and back.
#[tokio::test(flavor = "multi_thread")]
async fn the_other_dog_is_a_touch_away() {
    on_stage(TABLET, async |stage| {
        for dog in ["Turntable", "Tappet"] {
            let visit = stage.visit_of(dog).await;
            stage.go(&format!("{visit}/cut")).await;
            stage.until_text("Feet and bevels").await;
            stage.touch(&stage.find("Start at the table").await).await;
            stage.read_the_cautions().await;
            stage.until_rested().await;
            stage.until_kept().await;
        }
        for (other, here) in [("Turntable", "Tappet"), ("Tappet", "Turntable")] {
            let link = format!("[...document.querySelectorAll('[aria-label=\"Other dogs here\"] a')].find((a) => a.innerText.startsWith('{other}'))");
            stage.until("the other dog stands there", &link).await;
            stage.script(&format!("{link}.click()")).await;
            stage
                .until(
                    "its own step is in hand",
                    &format!("document.title.includes('{other}') && {STEP}"),
                )
                .await;
            stage
                .until(
                    "the first is a touch away",
                    &format!("document.querySelector('[aria-label=\"Other dogs here\"]')?.innerText.includes('{here}')"),
                )
                .await;
        }
        stage.assert_accessible("two dogs at once").await;
    })
    .await;
}
