//! The groom at the table, in the browser: by touch, by pedal keys, with the server away, with a
//! slip, broken off for the vet.
#![allow(clippy::unwrap_used, reason = "a test says what broke by failing")]

use crate::support;

use fantoccini::key::Key;
use support::{LAPTOP, Stage, TABLET, on_stage};

/// The name of the step in hand, or of the first small job.
const STEP: &str = "(document.querySelector('[data-step]')?.dataset.step ?? '')";

async fn begin(stage: &Stage, visit: &str) {
    stage.go(&format!("{visit}/cut")).await;
    stage.until_text("Feet and bevels").await;
    stage.touch(&stage.find("Start at the table").await).await;
    stage.until_text("First, this dog").await;
    stage.until_kept().await;
    let read = stage.find("I have read this").await;
    // One blind press is no reading.
    stage.touch(&read).await;
    stage.until_text("First, this dog").await;
    stage.read_the_cautions().await;
    stage.until_rested().await;
}

async fn next(stage: &Stage) -> String {
    let label = stage
        .script("return document.querySelector('button[data-next]').innerText")
        .await;
    // What is held says so on a second line.
    label
        .as_str()
        .unwrap()
        .lines()
        .next()
        .unwrap_or_default()
        .trim()
        .to_owned()
}

#[tokio::test(flavor = "multi_thread")]
async fn a_whole_groom_by_touch() {
    on_stage(TABLET, async |stage| {
        let visit = stage.visit_of("Turntable").await;
        begin(stage, &visit).await;
        stage.until("nails first", &format!("{STEP} === '1'")).await;
        // Put off into the bath, it stays in sight and comes back after it.
        stage.more("After the bath").await;
        stage.until_text("Eye corners: in the bath").await;
        stage.more("Note").await;
        stage.type_into("Note at this step", "ticklish pads").await;
        stage.touch(&stage.find("Write it down").await).await;
        stage.until_text("Small jobs").await;

        let (mut done, mut tests, mut pairs, mut was_in_the_bath) = (0, 0, 0, false);
        loop {
            let before = stage.script(&format!("return {STEP}")).await;
            stage.until_rested().await;
            let label = next(stage).await;
            if label == "Finish" {
                break;
            }
            let at_the_test = "return document.querySelector('h2[data-step]')?.innerText === 'Comb test'";
            tests += usize::from(label == "Comb runs free" || stage.script(at_the_test).await == true);
            was_in_the_bath |= done > 3 && before == "1";
            // A blade that is due is felt; what wants a touch of its own gets it.
            let name = match label.as_str() {
                "Comb runs free" => "It runs free everywhere",
                other => other,
            };
            stage.touch(&stage.find(name).await).await;
            // A comb is tried, a pair compared, before its step counts as done.
            stage
                .until(
                    "the next stands there",
                    &format!("{STEP} !== {before} || !document.querySelector('button[data-next]')?.innerText.trim().startsWith('{label}')"),
                )
                .await;
            let after = stage.script(&format!("return {STEP}")).await;
            done += usize::from(after != before);
            pairs += usize::from(label == "Same length");
            assert!(done < 60, "the groom never ends");
        }
        assert!(was_in_the_bath, "what was put into the bath came after it");
        assert!(pairs > 2, "ears, feet and legs are compared");
        assert!(tests > 0, "a comb is let on only where one passes");
        stage.touch(&stage.find("Finish").await).await;
        stage.until_text("Finished").await;
        // Every step, however many the salon's way of working makes.
        stage
            .until(
                "all steps are done",
                r"/(\d+) of \1 steps done/.test(document.body.innerText)",
            )
            .await;
        assert!(done > 15, "a groom has more steps than {done}");
        stage.until_text("ticklish pads").await;
        stage.until_kept().await;
        // What was begun was kept: the next visit's coat grows from it.
        stage.go(&format!("{visit}/keep")).await;
        stage.until_text("At the table").await;
        stage
            .until(
                "the plan is kept",
                "document.querySelector('a[href^=\"/plan/\"]')",
            )
            .await;
        stage.assert_quiet_console().await;
    })
    .await;
}

#[tokio::test(flavor = "multi_thread")]
async fn the_pedal_moves_on_while_the_server_is_away_and_nothing_is_lost() {
    on_stage(LAPTOP, async |stage| {
        stage.keep_for_away().await;
        let visit = stage.visit_of("Turntable").await;
        begin(stage, &visit).await;
        stage.until_kept().await;
        stage
            .pedal(Key::PageDown, "a step on", &format!("{STEP} === '2'"))
            .await;
        stage.until_kept().await;

        // Two presses 60 to 300 ms apart are one: the control rests and says what it did.
        for gap in [0, 60, 150, 300] {
            let before = stage.script(&format!("return {STEP}")).await;
            stage.until_rested().await;
            stage.bounce(gap).await;
            // Where something came under both, the foot tries again.
            let moved = format!("{STEP} !== {before}");
            if !stage.comes(&moved, std::time::Duration::from_secs(3)).await {
                stage.until_rested().await;
                stage.bounce(gap).await;
                stage.until("a step on", &moved).await;
            }
        }
        stage.until_rested().await;
        stage
            .until("four steps on, not eight", &format!("{STEP} === '6'"))
            .await;
        for step in ["5", "4", "3", "2"] {
            stage
                .pedal(Key::PageUp, "one back", &format!("{STEP} === '{step}'"))
                .await;
        }
        stage.until_kept().await;

        stage.until_pages_are_kept().await;
        stage.kill_server();
        for (key, step) in [
            (Key::Right, "3"),
            (Key::PageDown, "4"),
            (Key::Left, "3"),
            (Key::PageDown, "4"),
        ] {
            stage
                .pedal(key, "the tick is answered", &format!("{STEP} === '{step}'"))
                .await;
        }
        stage.until_text("not yet sent, saved here").await;
        stage.restart_server();
        stage.until_kept().await;
        // The same run, seen afresh, stands where it was.
        stage.go(&format!("{visit}/run")).await;
        stage
            .until("it stands where it was", &format!("{STEP} === '4'"))
            .await;

        // Another screen follows.
        let first = stage.client.window().await.unwrap();
        let second = stage.client.new_window(true).await.unwrap().handle;
        stage.client.switch_to_window(second).await.unwrap();
        stage.look_through(LAPTOP).await;
        stage.go(&format!("{visit}/run")).await;
        stage
            .until("the other screen shows it", &format!("{STEP} === '4'"))
            .await;
        stage
            .pedal(
                Key::PageDown,
                "it moves on there",
                &format!("{STEP} === '5'"),
            )
            .await;
        stage.until_kept().await;
        stage.client.switch_to_window(first).await.unwrap();
        stage.until("and here", &format!("{STEP} === '5'")).await;
    })
    .await;
}

/// Foot pedals send page-down: a whole groom with nothing else.
#[tokio::test(flavor = "multi_thread")]
async fn a_whole_groom_by_pedal() {
    on_stage(LAPTOP, async |stage| {
        let visit = stage.visit_of("Gangway").await;
        stage.go(&format!("{visit}/cut")).await;
        stage.until_text("Feet and bevels").await;
        stage.touch(&stage.find("Start at the table").await).await;
        let control = "(document.querySelector('button[data-next]')?.innerText.trim() ?? '')";
        stage
            .until(
                "the run stands there",
                &format!("location.pathname.endsWith('/run') && /read|Done/.test({control})"),
            )
            .await;
        let mut presses = 0;
        while stage
            .script("return document.body.innerText.includes('Finished')")
            .await
            != true
        {
            stage.until_rested().await;
            let before = stage.script(&format!("return {STEP} + {control}")).await;
            let is_held = stage
                .script("return document.querySelector('[data-hold]') !== null")
                .await;
            let moved = format!(
                "document.body.innerText.includes('Finished') || {STEP} + {control} !== {before}"
            );
            if is_held == true {
                stage.hold_key(Key::PageDown, "it moves on", &moved).await;
            } else {
                stage.pedal(Key::PageDown, "it moves on", &moved).await;
            }
            presses += 1;
            assert!(presses < 90, "the groom never ends");
        }
        stage
            .until(
                "all steps are done",
                r"/(\d+) of \1 steps done/.test(document.body.innerText)",
            )
            .await;
        stage.until_kept().await;
        stage.assert_quiet_console().await;
    })
    .await;
}

#[tokio::test(flavor = "multi_thread")]
async fn a_page_opened_while_the_server_is_away_stands_where_it_was() {
    on_stage(LAPTOP, async |stage| {
        stage.keep_for_away().await;
        let visit = stage.visit_of("Turntable").await;
        begin(stage, &visit).await;
        stage.pedal(Key::PageDown, "a step on", &format!("{STEP} === '2'")).await;
        stage.until_kept().await;
        stage.until_rested().await;
        stage.go(&format!("{visit}/run")).await;
        stage.until("it is there", &format!("{STEP} === '2'")).await;
        stage
            .until_async(
                "the page and the run are kept on the device",
                "const all = await Promise.all((await caches.keys()).map(async (n) => (await (await caches.open(n)).keys()).map((k) => new URL(k.url).pathname)));
                 const kept = all.flat(); return ['/kept/log.', '/kept/desk.', '/kept/run.', '/api/kit', '/assets/'].every((p) => kept.some((k) => k.startsWith(p))) && kept.includes('/index.html')",
            )
            .await;

        stage.until_pages_are_kept().await;
        stage.kill_server();
        stage.pedal(Key::PageDown, "a tick", &format!("{STEP} === '3'")).await;
        stage.client.refresh().await.unwrap();
        stage
            .until("it stands where it was", &format!("{STEP} === '3'"))
            .await;
        stage.pedal(Key::PageDown, "and goes on", &format!("{STEP} === '4'")).await;
        stage.until_text("2 not yet sent, saved here").await;

        stage.restart_server();
        stage.until_kept().await;
        stage.go(&format!("{visit}/run")).await;
        stage
            .until("all was sent once", &format!("{STEP} === '4'"))
            .await;
    })
    .await;
}

#[tokio::test(flavor = "multi_thread")]
async fn steps_are_taken_in_another_order_and_in_parts_and_read_between() {
    on_stage(LAPTOP, async |stage| {
        let visit = stage.visit_of("Turntable").await;
        begin(stage, &visit).await;
        // The ribs are wanted now, by themselves.
        stage.touch(&stage.find("More").await).await;
        stage.touch(&stage.find("Order of the steps").await).await;
        stage.until_text("Steps to come").await;
        let number = stage
            .script("return [...document.querySelectorAll('[data-to-come]')].find((li) => [...li.querySelectorAll('button')].some((b) => b.innerText === 'In parts')).dataset.toCome")
            .await;
        let number = number.as_str().unwrap().to_owned();
        let control = |word: &str| {
            format!("[data-to-come='{number}'] button[aria-label^='{word}']")
        };
        stage.touch_at_css(&control("Now")).await;
        stage
            .until("it comes first", &format!("document.querySelector('[data-to-come]').dataset.toCome === '{number}'"))
            .await;
        stage.touch_at_css(&control("In parts")).await;
        stage.touch_at_css("[aria-label='Parts'] button").await;
        let before = stage.script("return document.querySelectorAll('[data-to-come]').length").await;
        stage.touch(&stage.find("Make two steps").await).await;
        stage
            .until("one step more", &format!("document.querySelectorAll('[data-to-come]').length === {before} + 1"))
            .await;
        stage.touch(&stage.find("To the step").await).await;
        stage.until("it is in hand", &format!("{STEP} === '{number}'")).await;

        // What stands is read; the run says how much more.
        stage.more("Measure").await;
        stage.until_text("What stands now?").await;
        stage.assert_accessible("what stands now").await;
        stage.script("document.querySelector('[aria-label=\"Where\"] button').click()").await;
        let label = stage
            .script("return [...document.querySelectorAll('label')].find((l) => l.innerText.startsWith('Stands, ')).innerText")
            .await;
        // More than stood before work is never believed: it stays in its field, with a sentence.
        stage.type_into(label.as_str().unwrap(), "400").await;
        stage.until_text("400 cannot stand there").await;
        // A wet hand is slow between two figures: it is one reading all the same.
        stage.type_into(label.as_str().unwrap(), "2").await;
        tokio::time::sleep(std::time::Duration::from_millis(600)).await;
        stage.press_text("9").await;
        stage.touch(&stage.find("Write it down").await).await;
        stage.until_text("29 mm stands").await;
        stage.until_kept().await;
        let visit_id = visit.rsplit('/').next().unwrap();
        let readings = stage
            .script(&format!(
                "const log = new XMLHttpRequest(); log.open('GET', '/api/visits/{visit_id}', false); log.send(); \
                 return log.responseText.split('\"measured\"').length - 1"
            ))
            .await;
        assert_eq!(readings, serde_json::json!(1), "a slow hand's reading is kept once");
        stage.touch(&stage.find("To the step").await).await;
        stage.until_text("29 mm stands").await;

        // A missing tooth is known in the kit from then on.
        stage.touch(&stage.find("More").await).await;
        stage
            .touch(&stage.find("A tool: oiled, hot, dull, broken").await)
            .await;
        stage.until_text("Which tool?").await;
        stage.touch_at_css("[aria-label='Which tool'] button").await;
        stage.touch(&stage.find("Tooth missing").await).await;
        stage.until_kept().await;
        // Left for another visit, with a reason.
        stage.more("Not today").await;
        stage.touch(&stage.find("The dog minds it").await).await;
        stage.until_text("not today (the dog minds it)").await;
        stage.until_kept().await;
        stage.go("/").await;
        stage.until_text("a tooth is missing").await;
        stage.assert_quiet_console().await;
    })
    .await;
}

#[tokio::test(flavor = "multi_thread")]
async fn a_slip_is_mended_and_a_groom_broken_off_for_the_vet() {
    on_stage(LAPTOP, async |stage| {
        let visit = stage.visit_of("Tappet").await;
        begin(stage, &visit).await;

        stage.touch(&stage.find("Slip").await).await;
        stage.until_text("Too much came off").await;
        stage.until("all numbers stand on the sheet", "document.querySelector('svg [data-tag=\"zone:ribs\"]')").await;
        stage.script("[...document.querySelectorAll('svg [data-tag=\"zone:ribs\"]')].at(-1).dispatchEvent(new MouseEvent('click', {bubbles: true}))").await;
        // The side is asked, and what cut it.
        stage.choose("On which side of the dog", "Right").await;
        stage.touch(&stage.find("Shears").await).await;
        stage.type_into("Left there", "9").await;
        stage
            .until(
                "the length is read",
                "[...document.querySelectorAll('button')].some(b => b.innerText === 'What now?' && !b.disabled)",
            )
            .await;
        stage.touch(&stage.find("What now?").await).await;
        // The salon's own way first: the line is kept, the spot grows.
        stage.until_text("Leave the spot on the ribs, right and keep the line").await;
        stage
            .until(
                "and it is the first",
                "document.querySelector('ol li')?.innerText.startsWith('Leave the spot')",
            )
            .await;
        stage.touch_at_css("ol li button[aria-label^='Do this']").await;
        stage.until_text("Small jobs").await;
        stage.until_kept().await;

        stage.touch(&stage.find("More").await).await;
        stage.touch(&stage.find("Stop the groom").await).await;
        stage.touch(&stage.find("Vet first").await).await;
        stage.type_into("Why", "lame behind").await;
        stage.touch(&stage.find("Stop here").await).await;
        stage.until_text("Stopped here: vet first").await;
        stage.until_text("lame behind").await;
        stage.until_kept().await;
        stage.assert_quiet_console().await;
    })
    .await;
}
