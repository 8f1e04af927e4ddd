//! A known dog's next visit is begun with the server away: what is known comes along, what is said is sent
//! once it is back, and two screens make one visit.
#![allow(clippy::unwrap_used, reason = "a test says what broke by failing")]

use crate::support;

use fantoccini::key::Key;
use support::{Stage, TABLET, on_empty_stage};

/// Six weeks ago a dog was measured; today the rail has stood long enough to be kept.
async fn a_known_dog_on_the_rail(stage: &mut Stage) {
    stage.it_is_days_ago(42).await;
    stage.touch(&stage.find("New dog").await).await;
    stage.type_into("Name", "Points").await;
    stage.touch(&stage.find("Talk").await).await;
    stage.until_text("Looks, best first").await;
    stage.go_on_to("hands").await;
    stage.until_text("Measured with").await;
    stage.type_into("Height at withers", "462").await;
    stage.press(Key::Tab).await;
    stage.until_text("Undo height at withers").await;
    stage.until_kept().await;
    stage.it_is_days_ago(0).await;
    stage
        .until_async(
            "the dog is kept for a server that is away",
            "const all = await Promise.all((await caches.keys()).map(async (n) => (await (await caches.open(n)).keys()).map((k) => new URL(k.url).pathname)));
             const kept = all.flat();
             return ['/kept/next.', '/api/catalogue', '/index.html'].every((p) => kept.some((k) => k.startsWith(p)))",
        )
        .await;
}

/// Begins today's visit by touch, with nobody there to hear it.
async fn begin_unheard(stage: &mut Stage) -> String {
    stage.until_pages_are_kept().await;
    stage.kill_server();
    stage.go("/").await;
    stage.touch_at_css("button[title='Points']").await;
    stage.until_text("Last here 42 days ago").await;
    stage.touch(&stage.find("Begin today").await).await;
    stage.until_text("from 6 weeks ago").await;
    let height = stage.find("Height at withers").await;
    assert_eq!(
        height.prop("value").await.unwrap().as_deref(),
        Some("462"),
        "what is known came along"
    );
    stage.type_into("Weight", "8.4").await;
    stage.press(Key::Tab).await;
    stage.until_text("1 not yet sent").await;
    stage.visit_path().await
}

/// What the server has of the dog's visits now.
async fn weighed(stage: &Stage, path: &str) {
    let visit = path.trim_start_matches("/visit/");
    stage
        .until_async(
            "what was said is kept there, once, and what was known before it",
            &format!(
                "const log = await (await fetch('/api/visits/{visit}')).json();
                 const of = (kind) => log.entries.filter((e) => e.body.kind === kind).length;
                 const dog = await (await fetch('/api/dogs/' + log.dog.id)).json();
                 return dog.visits.length === 2 && of('weight_set') === 1 && of('brought_along') === 1"
            ),
        )
        .await;
}

#[tokio::test(flavor = "multi_thread")]
async fn a_visit_is_begun_with_the_server_away_and_sent_once() {
    on_empty_stage(TABLET, async |stage| {
        stage.keep_for_away().await;
        a_known_dog_on_the_rail(stage).await;
        let visit = begin_unheard(stage).await;
        // The page is closed and opened again: it stands on the rail as begun.
        stage.go("/").await;
        stage.until_text("begun here, not yet sent").await;
        stage.touch_at_css("button[title='Points']").await;
        stage.until_text("1 not yet sent").await;
        assert_eq!(stage.visit_path().await, visit);
        stage.restart_server();
        stage.until_kept().await;
        weighed(stage, &visit).await;
        stage.go("/").await;
        stage.touch_at_css("button[title='Points']").await;
        stage.until_text("On the table today already").await;
    })
    .await;
}

#[tokio::test(flavor = "multi_thread")]
async fn begun_on_two_screens_one_of_them_away_it_is_one_visit() {
    on_empty_stage(TABLET, async |stage| {
        stage.keep_for_away().await;
        a_known_dog_on_the_rail(stage).await;
        let unheard = begin_unheard(stage).await;
        // Nobody looks at the visit while another screen begins the same dog.
        stage.go("/kit").await;
        stage.restart_server();
        let begun = stage
            .script(
                "const ask = (method, path, body) => { const r = new XMLHttpRequest(); r.open(method, path, false);
                   r.setRequestHeader('Content-Type', 'application/json'); r.send(body && JSON.stringify(body));
                   return JSON.parse(r.responseText); };
                 const dog = ask('GET', '/api/dogs?find=Points')[0].dog.id;
                 return ask('PUT', '/api/visits/' + crypto.randomUUID(), {dog, began_ms: Date.now()}).id",
            )
            .await;
        let heard = format!("/visit/{}", begun.as_str().unwrap());
        assert_ne!(heard, unheard);
        stage.go(&format!("{unheard}/hands")).await;
        stage.until_kept().await;
        stage
            .until(
                "the other screen's visit is gone on with",
                &format!("location.pathname === '{heard}/hands'"),
            )
            .await;
        weighed(stage, &heard).await;
    })
    .await;
}
