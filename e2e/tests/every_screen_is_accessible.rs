//! axe-core finds no violation on any screen, light and dark; designed states are reached.
#![allow(clippy::unwrap_used, reason = "a test says what broke by failing")]

use crate::support;

use support::{LAPTOP, Stage, TABLET, on_stage};

async fn walk(stage: &mut Stage) {
    stage.go("/").await;
    stage.until_text("Turntable").await;
    stage.assert_accessible_in_light_and_dark("studio").await;
    let visit = stage.visit_of("Turntable").await;
    for (path, mark) in [
        (format!("{visit}/talk"), "Turn to the owner"),
        (format!("{visit}/picture"), "its ratios become targets"),
        (format!("{visit}/album"), "may be shown yet"),
        (format!("{visit}/ahead"), "Come back"),
        (format!("{visit}/lines"), "Shorter back pass"),
        (format!("{visit}/schools"), "Leg order"),
        ("/kit/house".into(), "Where practitioners disagree"),
        (format!("{visit}/plan?view=rear"), "points right"),
        (format!("{visit}/hands?show=landmarks"), "Stood square?"),
        (format!("{visit}/hands?view=four&way=all"), "Front legs"),
        (format!("{visit}/hands?view=rear&way=one"), "1 of"),
        (format!("{visit}/body?view=top"), "Handling and health"),
        (format!("{visit}/photo"), "Load a photo"),
        (format!("{visit}/time?view=front"), "Make a type of our own"),
        (format!("{visit}/coat"), "All over"),
        (format!("{visit}/look"), "What it costs"),
        (format!("{visit}/plan?show=settled,ideal"), "points right"),
        (format!("{visit}/cut"), "Feet and bevels"),
        (format!("{visit}/last"), "Last time"),
        (format!("{visit}/check?walk=front"), "In front"),
        (format!("{visit}/lengths"), "What was left"),
        (format!("{visit}/keep"), "Take it along"),
        ("/dog/new".into(), "Build it is nearest to"),
        ("/kit".into(), "Put it in the kit"),
        ("/kit/house".into(), "Who works here"),
        ("/about".into(), "When unsure, stop."),
        ("/no/such/place".into(), "Nothing stands here"),
        (
            "/visit/00000000-0000-4000-8000-000000000000/hands".into(),
            "That is not here",
        ),
    ] {
        stage.go(&path).await;
        stage.until_text(mark).await;
        if path.contains("/plan") {
            stage
                .until(
                    "reasons are there",
                    "document.querySelector('[data-reason]')",
                )
                .await;
        }
        stage.assert_accessible_in_light_and_dark(&path).await;
        if path.starts_with("/visit/") {
            // The sheet and its margin scroll by themselves; the window never does.
            stage
                .until(
                    &format!("{path} fits the window"),
                    "(({scrollWidth: w, scrollHeight: h}) => w <= innerWidth && h <= innerHeight)(document.documentElement)",
                )
                .await;
        }
    }
}

/// What opens over a screen, and a plan as it was kept.
async fn open_things(stage: &Stage, visit: &str) {
    stage.go("/").await;
    stage.until_text("Turntable").await;
    stage.touch_at_css("button[title='Turntable']").await;
    stage.until_text("Look at an earlier visit").await;
    stage
        .assert_accessible_in_light_and_dark("which visit")
        .await;
    stage.touch(&stage.find("Not now").await).await;
    stage.press_text("?").await;
    stage.until_text("the task at that place of the tape").await;
    stage
        .assert_accessible_in_light_and_dark("the list of keys")
        .await;
    stage.touch(&stage.find("To the dog").await).await;
    stage.go(&format!("{visit}/plan")).await;
    stage.until_text("points right").await;
    stage
        .touch_until(
            "Touch a number, or choose a zone",
            "the list is open",
            "document.querySelector('[role=listbox] [role=option]')",
        )
        .await;
    stage
        .assert_accessible_in_light_and_dark("an open list")
        .await;
    stage.go(&format!("{visit}/cut")).await;
    stage.until_text("Feet and bevels").await;
    stage.touch(&stage.find("Save this plan").await).await;
    stage.until_text("This plan is saved as it stands.").await;
    stage.go(&format!("{visit}/keep")).await;
    stage
        .until(
            "the plan is listed",
            "document.querySelector('a[href^=\"/plan/\"]')",
        )
        .await;
    stage.touch_at_css("a[href^='/plan/']").await;
    stage.until_text("method").await;
    stage
        .assert_accessible_in_light_and_dark("a plan as it was kept")
        .await;
}

async fn at_the_table(stage: &Stage, visit: &str) {
    stage.go(&format!("{visit}/cut")).await;
    stage.until_text("Feet and bevels").await;
    for (control, mark) in [
        ("Start at the table", "First, this dog"),
        ("I have read this", "Small jobs"),
        ("Slip", "Too much came off"),
        ("To the step", "Small jobs"),
        ("More", "Order of the steps"),
        ("Not today", "Not today: why?"),
        ("To the step", "Small jobs"),
        ("More", "Order of the steps"),
        ("Order of the steps", "Steps to come"),
        ("To the step", "Small jobs"),
        ("More", "Order of the steps"),
        ("A tool: oiled, hot, dull, broken", "Which tool?"),
        ("To the step", "Small jobs"),
        ("More", "Order of the steps"),
        ("Stop the groom", "Stop the groom here"),
        ("Stop here", "Stopped here: vet first"),
        ("Open again", "Small jobs"),
    ] {
        let there = stage.find(control).await;
        if control == "I have read this" {
            stage
                .hold(
                    &there,
                    mark,
                    "document.body.innerText.includes('Small jobs')",
                )
                .await;
        } else {
            stage.touch(&there).await;
        }
        stage.until_text(mark).await;
        stage.assert_accessible_in_light_and_dark(mark).await;
    }
}

#[tokio::test(flavor = "multi_thread")]
async fn no_screen_breaks_a_rule_of_axe() {
    on_stage(LAPTOP, async |stage| {
        walk(stage).await;
    })
    .await;
}

#[tokio::test(flavor = "multi_thread")]
async fn what_opens_over_a_screen_breaks_no_rule_of_axe() {
    on_stage(LAPTOP, async |stage| {
        let visit = stage.visit_of("Turntable").await;
        open_things(stage, &visit).await;
        at_the_table(stage, &visit).await;
    })
    .await;
}

#[tokio::test(flavor = "multi_thread")]
async fn a_very_long_name_fits_a_tablet() {
    on_stage(TABLET, async |stage| {
        let visit = stage.visit_of("Marchioness").await;
        stage.go(&format!("{visit}/hands")).await;
        stage.until_text("Measured with").await;
        stage
            .assert_accessible("a very long name on a tablet")
            .await;
        let overflows = stage
            .script("return document.documentElement.scrollWidth > innerWidth")
            .await;
        assert_eq!(overflows, false, "the page is wider than the tablet");
    })
    .await;
}

#[tokio::test(flavor = "multi_thread")]
async fn axe_would_find_a_planted_fault() {
    on_stage(LAPTOP, async |stage| {
        stage.go("/about").await;
        stage.until_text("About Veliform").await;
        stage
            .script("const i = document.createElement('img'); i.src = '/mark.svg'; document.querySelector('main').append(i)")
            .await;
        let found = stage.axe().await;
        assert!(found["violations"].to_string().contains("image-alt"));
    })
    .await;
}

#[tokio::test(flavor = "multi_thread")]
async fn pages_load_nothing_but_what_ships_and_refuse_inline_script() {
    on_stage(LAPTOP, async |stage| {
        stage.go("/").await;
        stage.until_text("Turntable").await;
        let foreign = stage
            .script("return performance.getEntriesByType('resource').map(r => r.name).filter(n => !n.startsWith(location.origin))")
            .await;
        assert_eq!(foreign, serde_json::json!([]));
        let ran = stage
            .script("const s = document.createElement('script'); s.textContent = 'window.planted = true'; document.head.append(s); return window.planted ?? false")
            .await;
        assert_eq!(ran, false, "an inline script ran");
        // What the console says of it is what was wanted.
        stage.drain_console().await;
        let fonts = stage
            .script("return [...document.fonts].filter(f => f.status === 'loaded').length")
            .await;
        assert!(fonts.as_u64().unwrap() >= 2, "bundled fonts are loaded");
    })
    .await;
}

/// What is chosen and what is drawn still show where the machine allows only its own few colours (WCAG 2.2,
/// 1.4.11: a control's state, a drawing's lines at 3 : 1).
#[tokio::test(flavor = "multi_thread")]
async fn what_is_chosen_and_drawn_shows_in_forced_colours() {
    on_stage(LAPTOP, async |stage| {
        let visit = stage.visit_of("Turntable").await;
        stage.in_forced_colours().await;
        for (task, stands) in [("coat", "All over"), ("check", "Left side")] {
            stage.go(&format!("{visit}/{task}")).await;
            stage.until_text(stands).await;
            stage
                .until("the dog is drawn", "document.querySelector('.r-plan_line')")
                .await;
            let seen = stage
                .script(
                    "const light = (c) => { const [r, g, b] = c.match(/[0-9.]+/g).map((n) => { const s = n / 255; return s <= 0.04045 ? s / 12.92 : ((s + 0.055) / 1.055) ** 2.4; });
                       return 0.2126 * r + 0.7152 * g + 0.0722 * b; };
                     const ratio = (a, b) => { const [x, y] = [light(a), light(b)].sort((p, q) => q - p); return (x + 0.05) / (y + 0.05); };
                     const line = document.querySelector('polyline.r-plan_line');
                     const sheet = document.querySelector('.sheet-at-work');
                     const chosen = document.querySelector('[aria-checked=true], [aria-current=step]');
                     const other = document.querySelector('[aria-checked=false], [aria-label=Stances] a:not([aria-current])');
                     return [ratio(getComputedStyle(line).stroke, getComputedStyle(sheet).backgroundColor),
                       getComputedStyle(chosen).backgroundColor !== getComputedStyle(other).backgroundColor]",
                )
                .await;
            assert!(seen[0].as_f64().unwrap() >= 3.0, "{task}: lines stand out {seen}");
            assert_eq!(seen[1], true, "{task}: what is chosen does not show");
        }
    })
    .await;
}
