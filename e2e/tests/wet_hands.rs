//! Sleeves, bounces, phones, a server that is away: nothing is done that nobody did, nothing that was
//! said is lost.
#![allow(clippy::unwrap_used, reason = "a test says what broke by failing")]

use crate::support;

use fantoccini::key::Key;
use serde_json::{Value, json};
use support::{LAPTOP, Screen, Stage, TABLET, on_stage};

const CARRIER: &str = "([...document.querySelectorAll('svg text')].map(t => t.textContent).find(t => /^~?440/.test(t)) ?? '')";

/// The middle of the carrier on the height stick.
async fn carrier(stage: &Stage) -> (f64, f64) {
    let at = stage
        .script("const r = document.querySelector('.carrier').getBoundingClientRect(); return [r.x + r.width / 2, r.y + r.height / 2]")
        .await;
    (at[0].as_f64().unwrap(), at[1].as_f64().unwrap())
}

async fn entries(stage: &Stage, visit: &str) -> Vec<Value> {
    let script = format!(
        "const done = arguments[0]; fetch('/api{}').then(r => r.json()).then(v => done(v.entries))",
        visit.replace("/visit/", "/visits/")
    );
    let all = stage.client.execute_async(&script, vec![]).await.unwrap();
    all.as_array().unwrap().clone()
}

#[tokio::test(flavor = "multi_thread")]
async fn a_sleeve_on_the_height_moves_no_bone() {
    on_stage(LAPTOP, async |stage| {
        let visit = stage.visit_of("Turntable").await;
        let before = entries(stage, &visit).await.len();
        for (task, mark) in [
            ("coat", "All over"),
            ("look", "On this dog"),
            ("plan", "points right"),
        ] {
            stage.go(&format!("{visit}/{task}")).await;
            stage.until_text(mark).await;
            stage
                .until(
                    "the carrier stands there",
                    "document.querySelector('.carrier')",
                )
                .await;
            let (x, y) = carrier(stage).await;
            stage.drag((x, y), (x, y - 90.0)).await;
            stage.until("the height is as it was", CARRIER).await;
            stage.until_kept().await;
        }
        assert_eq!(
            entries(stage, &visit).await.len(),
            before,
            "a sleeve said something"
        );
        // Under the hands it is a measure, and says how it was got.
        stage.go(&format!("{visit}/hands")).await;
        stage.until_text("Measured with").await;
        stage
            .until(
                "the carrier stands there",
                "document.querySelector('.carrier')",
            )
            .await;
        let (x, y) = carrier(stage).await;
        stage.drag((x, y), (x, y - 60.0)).await;
        stage
            .until("the dog is taller", &format!("!{CARRIER}"))
            .await;
        stage.until_text("±10, set on the drawing").await;
        stage.until_kept().await;
    })
    .await;
}

#[tokio::test(flavor = "multi_thread")]
async fn a_known_dog_begins_its_next_visit_and_goes_on_with_todays() {
    on_stage(TABLET, async |stage| {
        let old = stage.visit_of("Tappet").await;
        stage.go("/").await;
        stage.touch_at_css("button[title='Tappet']").await;
        stage.until_text("Look at an earlier visit").await;
        stage.touch(&stage.find("Begin today").await).await;
        stage.until_text("Measured with").await;
        let new = stage.client.current_url().await.unwrap();
        assert!(
            !new.path().starts_with(&old),
            "last week's visit was opened again"
        );
        stage.go("/").await;
        stage.until_text("Here now").await;
        stage.until_text("waiting").await;
        stage.touch_at_css("button[title='Tappet']").await;
        stage.touch(&stage.find("Go on today").await).await;
        stage.until_text("Measured with").await;
        assert_eq!(stage.client.current_url().await.unwrap().path(), new.path());
    })
    .await;
}

#[tokio::test(flavor = "multi_thread")]
async fn a_number_by_digits_is_one_entry_and_outlives_nothing_else() {
    on_stage(TABLET, async |stage| {
        let visit = stage.visit_of("Turntable").await;
        let before = entries(stage, &visit).await.len();
        stage.go(&format!("{visit}/hands?way=one")).await;
        stage.until_text("One before").await;
        stage.until("digits stand there", "document.querySelector('[aria-label=Digits] button')").await;
        for digit in ["3", "0", "4"] {
            stage.touch(&stage.find(digit).await).await;
        }
        stage
            .until("the dog follows", "document.querySelector('[data-big-value]').innerText.startsWith('304')")
            .await;
        stage.touch(&stage.find("Next").await).await;
        stage.until_kept().await;
        stage
            .until_async(
                "one entry more, not three",
                &format!(
                    "const v = await (await fetch('/api{}')).json(); return v.entries.length === {}",
                    visit.replace("/visit/", "/visits/"),
                    before + 1
                ),
            )
            .await;
    })
    .await;
}

#[tokio::test(flavor = "multi_thread")]
async fn a_minus_is_seen_in_inches_and_keys_can_be_switched_off() {
    on_stage(LAPTOP, async |stage| {
        let visit = stage.visit_of("Turntable").await;
        stage.go("/kit/house").await;
        stage.until_text("Written in").await;
        stage
            .choose("Written in, everywhere in the salon", "Inches")
            .await;
        stage.go(&format!("{visit}/hands?way=all")).await;
        stage.until_text("Measured with").await;
        stage.type_into("Hock reach", "-9 mm").await;
        stage.press(Key::Tab).await;
        // 9 mm are 0.354 in: three eighths.
        stage
            .until(
                "the minus stands there",
                "[...document.querySelectorAll('input')].some(i => i.value === '-3/8')",
            )
            .await;
        stage.until_kept().await;

        stage.go("/kit/house").await;
        stage.until_text("On this device").await;
        let switch = stage.find("Single letters and figures do something").await;
        switch.click().await.unwrap();
        stage.go(&format!("{visit}/plan")).await;
        stage.until_text("points right").await;
        stage.press_text("2").await;
        stage.press_text("u").await;
        stage.until_text("points right").await;
        let path = stage.client.current_url().await.unwrap().path().to_owned();
        assert!(path.ends_with("/plan"), "{path}");
    })
    .await;
}

#[tokio::test(flavor = "multi_thread")]
async fn what_the_owner_says_and_nonsense_numbers_outlive_a_reload() {
    on_stage(LAPTOP, async |stage| {
        let visit = stage.visit_of("Turntable").await;
        stage.go(&format!("{visit}/talk")).await;
        stage.until_text("Looks, best first").await;
        stage.type_into("In the owner’s words", "like a lamb, but not fluffy").await;
        stage.client.refresh().await.unwrap();
        stage.until_text("Looks, best first").await;
        stage
            .until(
                "the words are there",
                "[...document.querySelectorAll('textarea')].some(t => t.value === 'like a lamb, but not fluffy')",
            )
            .await;
        stage.until_kept().await;
        stage.go(&format!("{visit}/coat")).await;
        stage.until_text("All over").await;
        stage.type_into("Stand", "plenty").await;
        stage.until_text("“plenty” is not a number; type one such as 85.").await;
        stage.client.refresh().await.unwrap();
        stage.until_text("“plenty” is not a number; type one such as 85.").await;
        stage.go("/dog/new").await;
        stage.type_into("Name", "Ballast").await;
        stage.type_into("Age, years", "old").await;
        stage.touch(&stage.find("Talk").await).await;
        stage.until_text("“old” is no age; type years such as 3 or 0.5").await;
    })
    .await;
}

#[tokio::test(flavor = "multi_thread")]
async fn a_reading_and_a_slip_outlive_a_server_that_is_away() {
    on_stage(TABLET, async |stage| {
        stage.keep_for_away().await;
        let visit = stage.visit_of("Turntable").await;
        stage.go(&format!("{visit}/cut")).await;
        stage.until_text("Feet and bevels").await;
        stage.touch(&stage.find("Start at the table").await).await;
        stage.until_text("First, this dog").await;
        stage.until_kept().await;
        let read = stage.find("I have read this").await;
        stage
            .hold(&read, "it is read", "document.body.innerText.includes('Small jobs')")
            .await;
        // To the first step of the clipper.
        stage.until_rested().await;
        while stage.script("return !document.body.innerText.includes(', clip')").await == true {
            let step = stage.script("return document.querySelector('[data-step]').dataset.step").await;
            stage.touch(&stage.find("Done").await).await;
            stage
                .until("the next", &format!("document.querySelector('[data-step]')?.dataset.step !== {step}"))
                .await;
            stage.until_rested().await;
        }
        stage.until_kept().await;
        stage.until_pages_are_kept().await;
        stage.kill_server();
        stage.more("Measure").await;
        stage.until_text("What stands now?").await;
        let label = stage
            .script("return [...document.querySelectorAll('label')].find((l) => l.innerText.startsWith('Stands, ')).innerText")
            .await;
        stage.type_into(label.as_str().unwrap(), "17").await;
        stage.press(Key::Enter).await;
        stage.until_text("17 is written down").await;
        stage.touch(&stage.find("To the step").await).await;
        stage.touch(&stage.find("Slip").await).await;
        stage.until_text("Too much came off").await;
        stage.touch_at_css("[aria-haspopup=listbox]").await;
        stage.touch(&stage.find("rump").await).await;
        stage.touch(&stage.find("The comb fell off").await).await;
        stage.touch(&stage.find("What now?").await).await;
        stage.until_text("The slip is written down").await;
        stage.restart_server();
        stage.until_kept().await;
        let said = entries(stage, &visit).await;
        let event = |name: &str| said.iter().find(|e| e["body"]["event"]["event"] == name);
        let reading = &event("measured_as").expect("the reading is there")["body"]["event"];
        assert_eq!(reading["typed"], "17");
        let slip = &event("slipped").expect("the slip is there")["body"]["event"]["slip"];
        assert_eq!(slip["zone"], "rump");
        assert_eq!(slip["cause"], json!({"by": "comb_fell_off"}));
        stage.go(&format!("{visit}/run")).await;
        stage.until_text("17 mm").await;
    })
    .await;
}

#[tokio::test(flavor = "multi_thread")]
async fn nothing_is_wider_than_a_phone_or_a_page_at_twice_its_size() {
    let narrow = |width, height| Screen {
        width,
        height,
        ..LAPTOP
    };
    on_stage(LAPTOP, async |stage| {
        let visit = stage.visit_of("Marchioness").await;
        for screen in [narrow(390, 844), narrow(640, 400)] {
            stage.look_through(screen).await;
            for task in [
                "talk", "hands", "body", "photo", "time", "coat", "look", "last", "picture", "album",
                "plan", "lines", "ahead", "cut", "schools", "check", "lengths", "keep",
            ] {
                stage.go(&format!("{visit}/{task}")).await;
                stage.until("the page stands there", "document.querySelector('main section')").await;
                let wide = stage.script("return document.documentElement.scrollWidth > innerWidth").await;
                assert_eq!(wide, false, "{task} scrolls sideways at {}", screen.width);
                let sheet = stage
                    .script("const s = document.querySelector('main section > div'); return s ? s.getBoundingClientRect().width / innerWidth : 1")
                    .await;
                assert!(sheet.as_f64().unwrap() > 0.8, "{task}: the sheet is {sheet} of the screen");
            }
            for path in ["/", "/dog/new", "/kit", "/kit/house", "/about"] {
                stage.go(path).await;
                stage.until("the page stands there", "document.querySelector('main')").await;
                let wide = stage.script("return document.documentElement.scrollWidth > innerWidth").await;
                assert_eq!(wide, false, "{path} scrolls sideways at {}", screen.width);
            }
        }
    })
    .await;
}
