//! The hands-on beyond its first minute: one thing at a time, four views, stand-in devices, a photo
//! against the simulated camera's truth, the body, earlier visits.
#![allow(clippy::unwrap_used, reason = "a test says what broke by failing")]

use crate::support;

use fantoccini::key::Key;
use serde_json::json;
use support::{LAPTOP, Stage, TABLET, on_stage};

/// How many of the visit's measures are taken.
const TAKEN: &str = "const id = location.pathname.split('/')[2];
    const answer = await fetch(`/api/visits/${id}`).then(r => r.json());
    return new Set(answer.entries.filter(e => e.body.kind === 'measure_set').map(e => e.body.measure)).size";

async fn begin(stage: &Stage, name: &str) -> String {
    stage.go("/").await;
    stage.until_text("Turntable").await;
    stage.touch(&stage.find("New dog").await).await;
    stage.type_into("Name", name).await;
    stage.touch(&stage.find("Talk").await).await;
    stage.until_text("Looks, best first").await;
    stage.touch(&stage.find("Feel the dog").await).await;
    stage.until_text("Measured with").await;
    let path = stage.script("return location.pathname").await;
    path.as_str().unwrap().replace("/hands", "")
}

#[tokio::test(flavor = "multi_thread")]
async fn with_wet_hands_one_thing_fills_the_screen() {
    on_stage(TABLET, async |stage| {
        let visit = begin(stage, "Sleeper").await;
        stage.go(&format!("{visit}/hands?way=one&view=side")).await;
        // The two numbers first, then the ten of the first minute.
        stage.until_text("Height at withers").await;
        for digit in ["4", "8", "0"] {
            stage.touch(&stage.find(digit).await).await;
        }
        stage
            .until(
                "the number row writes the height",
                "document.querySelector('[data-big-value]').textContent.startsWith('480')",
            )
            .await;
        stage.touch(&stage.find("Next").await).await;
        stage.until_text("Body length").await;
        stage.touch(&stage.find("Next").await).await;
        // A felt grade is three big choices, and goes on by itself; its bones are ringed on the dog.
        stage.until_text("Short neck").await;
        stage
            .until(
                "neck: two bones are ringed",
                "document.querySelectorAll('circle.r-ring').length === 2",
            )
            .await;
        stage.touch(&stage.find("Slight").await).await;
        stage.until_text("Dip in the back").await;
        stage.until_kept().await;
    })
    .await;
}

#[tokio::test(flavor = "multi_thread")]
async fn four_views_stand_on_one_sheet_and_a_landmark_opens_its_measure() {
    on_stage(LAPTOP, async |stage| {
        let visit = stage.visit_of("Turntable").await;
        stage.go(&format!("{visit}/hands?view=four&way=all&show=landmarks")).await;
        stage.until_text("Front legs").await;
        for name in ["front", "rear", "top"] {
            stage
                .until(
                    "each view is named",
                    &format!("[...document.querySelectorAll('svg text')].some(t => t.textContent === '{name}')"),
                )
                .await;
        }
        // Turned-out feet show at once in front and rear.
        stage.choose("Front feet turned out", "Marked").await;
        stage
            .until(
                "degrees stand at the feet",
                "[...document.querySelectorAll('svg text')].some(t => t.textContent === '22° out')",
            )
            .await;
        stage.go(&format!("{visit}/hands?view=front&show=landmarks")).await;
        stage.until_text("Measured with").await;
        stage
            .until("the wrist is named", "document.querySelector('[data-tag=\"landmark:wrist\"].touchable')")
            .await;
        stage
            .script("document.querySelector('[data-tag=\"landmark:wrist\"].touchable').dispatchEvent(new MouseEvent('click', {bubbles: true}))")
            .await;
        stage
            .until(
                "its measure is open",
                "document.activeElement.closest('[data-measure=\"wrist_spacing\"]')",
            )
            .await;
    })
    .await;
}

#[tokio::test(flavor = "multi_thread")]
async fn it_says_what_to_measure_next_and_goes_there() {
    on_stage(LAPTOP, async |stage| {
        begin(stage, "Distant").await;
        stage
            .until(
                "a sentence says what is next",
                "document.querySelector('[data-next-sentence]')?.textContent.includes('next:')",
            )
            .await;
        stage.tab_to("Go there").await;
        stage.press(Key::Enter).await;
        stage
            .until(
                "the measure's own field is in hand",
                "document.activeElement.closest('[data-measure], [data-felt], [data-angle]')",
            )
            .await;
    })
    .await;
}

#[tokio::test(flavor = "multi_thread")]
async fn a_simulated_tape_takes_measures_one_by_one_and_a_quiet_one_is_told() {
    on_stage(LAPTOP, async |stage| {
        begin(stage, "Bufferstop").await;
        stage.touch(&stage.find("Simulated stick").await).await;
        stage
            .until(
                "readings arrive",
                "document.querySelector('[data-device-said]')?.textContent.includes(' mm')",
            )
            .await;
        stage.until_text("Battery 82 %").await;
        stage.touch(&stage.find("Stop the stick").await).await;
        stage.until_kept().await;
        let taken = stage
            .script(&format!("return (async () => {{ {TAKEN} }})()"))
            .await;
        assert!(taken.as_u64().unwrap() >= 1, "{taken}");

        let path = stage.script("return location.pathname").await;
        stage
            .go(&format!("{}?fault=goes_quiet", path.as_str().unwrap()))
            .await;
        stage.until_text("Measured with").await;
        stage.touch(&stage.find("Simulated tape").await).await;
        stage.until_text("or go on by hand.").await;
        stage.type_into("Body length", "480").await;
        stage.until_kept().await;
    })
    .await;
}

/// Touches every landmark of a simulated photo where it truly is, and takes the measures over.
#[tokio::test(flavor = "multi_thread")]
async fn a_dog_is_measured_off_a_photo() {
    on_stage(LAPTOP, async |stage| {
        let visit = stage.visit_of("Turntable").await;
        stage.go(&format!("{visit}/photo")).await;
        stage.until_text("Load a photo").await;
        stage.touch(&stage.find("Simulated camera, to try without a real one").await).await;
        stage.touch(&stage.find("Take a simulated photo").await).await;
        stage
            .until("the photo is there", "document.querySelector('.photo-sheet image')")
            .await;
        // The same camera once more, only for its truth.
        let truth = stage
            .script(
                "return (async () => {
                   const id = location.pathname.split('/')[2];
                   const shot = await fetch(`/api/visits/${id}/simulated-photos`, {
                     method: 'POST', headers: {'content-type': 'application/json'},
                     body: JSON.stringify({id: crypto.randomUUID(), at_ms: Date.now(), camera: {view: 'side', size_px: [1600, 1200], rod_mm: 300, distance_mm: 2200, turn_deg: 0, tilt_deg: 0}})
                   }).then(r => r.json());
                   return shot.truth.map(t => [t.landmark, t.is_right, t.at_px]);
                 })()",
            )
            .await;
        for point in truth.as_array().unwrap() {
            let (name, is_right) = (point[0].as_str().unwrap(), point[1] == json!(true));
            if is_right && !["wrist", "hock_point"].contains(&name) {
                continue;
            }
            let key = if is_right { format!("{name}:right") } else { name.to_owned() };
            stage.touch_at_css("[aria-label^='What to touch']").await;
            stage.touch_at_css(&format!("[role=option][data-value='{key}']")).await;
            let at = stage
                .script(&format!(
                    "const svg = document.querySelector('.photo-sheet');
                     const p = new DOMPoint({}, {}).matrixTransform(svg.getScreenCTM());
                     return [p.x, p.y]",
                    point[2][0], point[2][1]
                ))
                .await;
            stage.touch_at(at[0].as_f64().unwrap(), at[1].as_f64().unwrap()).await;
            stage
                .until("its mark stands", &format!("document.querySelector('[data-mark=\"{key}\"]')"))
                .await;
        }
        stage.until_text("Off the photo").await;
        stage.assert_accessible("a photo with marks").await;
        stage.touch(&stage.find("Use these").await).await;
        stage.until_kept().await;
        stage.touch(&stage.find("Drawn dog over it").await).await;
        stage
            .until("the drawn dog lies over the photo", "document.querySelector('[data-outline] polyline')")
            .await;
        stage.go(&format!("{visit}/hands")).await;
        stage.until_text("off a photo").await;
    })
    .await;
}

#[tokio::test(flavor = "multi_thread")]
async fn a_photo_that_is_none_is_refused_in_one_sentence_and_nothing_is_kept() {
    on_stage(LAPTOP, async |stage| {
        let visit = stage.visit_of("Tappet").await;
        stage.go(&format!("{visit}/photo")).await;
        stage.until_text("Load a photo").await;
        stage
            .script(
                "const input = document.querySelector('input[type=file]');
                 const list = new DataTransfer();
                 list.items.add(new File(['no picture'], 'dog.jpg', {type: 'image/jpeg'}));
                 input.files = list.files;
                 input.dispatchEvent(new Event('change', {bubbles: true}))",
            )
            .await;
        stage.until_text("This is no photo that can be read; use a JPEG, PNG or WebP file.").await;
        let kept = stage
            .script("return (async () => { const id = location.pathname.split('/')[2]; return (await fetch(`/api/visits/${id}/photos`).then(r => r.json())).length })()")
            .await;
        assert_eq!(kept, 0);
    })
    .await;
}

#[tokio::test(flavor = "multi_thread")]
async fn what_is_found_stands_on_the_dog_and_comes_first_on_the_sheet() {
    on_stage(TABLET, async |stage| {
        let visit = stage.visit_of("Turntable").await;
        stage.go(&format!("{visit}/body?view=side")).await;
        stage.until_text("Handling and health").await;
        let at = stage
            .script("const r = document.querySelector('svg.sheet-drawing').getBoundingClientRect(); return [r.x + r.width * 0.55, r.y + r.height * 0.5]")
            .await;
        stage.touch_at(at[0].as_f64().unwrap(), at[1].as_f64().unwrap()).await;
        stage
            .until("a numbered mark stands there", "document.querySelector('[data-tag=\"found:1\"]')")
            .await;
        stage.type_into("A word", "left side").await;
        stage.choose("Temper", "Nervous").await;
        stage.touch(&stage.find("Heart").await).await;
        stage.until_kept().await;
        stage.go(&format!("{visit}/cut")).await;
        stage.until_text("Found: lump, left side. Keep tools off it. Have a vet look at this.").await;
        stage.until_text("Heart: short sessions").await;
    })
    .await;
}
