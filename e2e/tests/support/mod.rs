//! The real program and a real browser, started for one test and always ended.
#![allow(dead_code, reason = "each test file uses its own part")]
#![allow(
    clippy::unwrap_used,
    clippy::panic,
    reason = "a test says what broke by failing"
)]

use std::io::{BufRead, BufReader};
use std::panic::AssertUnwindSafe;
use std::path::{Path, PathBuf};
use std::process::{Child, Command, Stdio};
use std::sync::atomic::{AtomicU32, Ordering};
use std::time::{Duration, Instant};

use fantoccini::actions::{
    InputSource, KeyAction, KeyActions, MOUSE_BUTTON_LEFT, MouseActions, PointerAction,
};
use fantoccini::elements::Element;
use fantoccini::key::Key;
use fantoccini::wd::WebDriverCompatibleCommand;
use fantoccini::{Client, ClientBuilder, Locator};
use futures_util::FutureExt as _;
use hyper_util::client::legacy::connect::HttpConnector;
use jiff::{SignedDuration, Timestamp};
use serde_json::{Value, json};
use tempfile::TempDir;

/// How long a change on the page may take before the test gives up: every school tried on a dog, beside
/// another test on the same two cores.
const PATIENCE: Duration = Duration::from_secs(45);

/// A command of the browser's own protocol.
#[derive(Debug)]
struct Cdp(&'static str, Value);

impl WebDriverCompatibleCommand for Cdp {
    fn endpoint(
        &self,
        base: &url::Url,
        session: Option<&str>,
    ) -> Result<url::Url, url::ParseError> {
        base.join(&format!(
            "session/{}/goog/cdp/execute",
            session.unwrap_or_default()
        ))
    }
    fn method_and_body(&self, _: &url::Url) -> (http::Method, Option<String>) {
        let body = json!({ "cmd": self.0, "params": self.1 });
        (http::Method::POST, Some(body.to_string()))
    }
}

/// The browser's console.
#[derive(Debug)]
struct Console;

impl WebDriverCompatibleCommand for Console {
    fn endpoint(
        &self,
        base: &url::Url,
        session: Option<&str>,
    ) -> Result<url::Url, url::ParseError> {
        base.join(&format!("session/{}/se/log", session.unwrap_or_default()))
    }
    fn method_and_body(&self, _: &url::Url) -> (http::Method, Option<String>) {
        (
            http::Method::POST,
            Some(json!({"type": "browser"}).to_string()),
        )
    }
}

/// How the screen is looked at and touched.
#[derive(Clone, Copy, Debug)]
pub struct Screen {
    pub width: u32,
    pub height: u32,
    pub is_dark: bool,
    pub is_touch: bool,
}

pub const LAPTOP: Screen = Screen {
    width: 1280,
    height: 800,
    is_dark: false,
    is_touch: false,
};

pub const TABLET: Screen = Screen {
    width: 1024,
    height: 768,
    is_dark: false,
    is_touch: true,
};

/// A child process whose whole group is ended with it.
struct Group(Child);

impl Group {
    fn kill(&mut self, signal: &str) {
        let group = format!("-{}", self.0.id());
        let _ = Command::new("kill").args([signal, "--", &group]).status();
        let _ = self.0.wait();
    }
}

impl Drop for Group {
    fn drop(&mut self) {
        self.kill("-KILL");
    }
}

fn spawn(command: &mut Command) -> Group {
    use std::os::unix::process::CommandExt as _;
    let child = command
        .process_group(0)
        .stdout(Stdio::piped())
        .stderr(Stdio::null())
        .stdin(Stdio::null())
        .spawn()
        .unwrap_or_else(|e| panic!("{command:?} does not start: {e}"));
    Group(child)
}

/// Reads the child's output until a line holds `mark`, then goes on reading in a thread; none where
/// the child ends without saying it.
fn wait_for_line(group: &mut Group, mark: &str) -> Option<String> {
    let out = group.0.stdout.take().expect("piped");
    let mut lines = BufReader::new(out).lines();
    let found = lines
        .by_ref()
        .map_while(Result::ok)
        .find(|l| l.contains(mark))?;
    std::thread::spawn(move || lines.for_each(drop));
    Some(found)
}

/// Starts the browser's driver on a free port. It takes the same number on both address families, and
/// ends where another process holds one of them: then it is asked again.
///
/// What the browser keeps lies in `profile`: named to the browser itself, it would open without a page.
fn drive(profile: &Path) -> (Group, String) {
    for _ in 0..5 {
        let mut command = Command::new("chromedriver");
        let mut driver = spawn(command.arg("--port=0").env("TMPDIR", profile));
        if let Some(said) = wait_for_line(&mut driver, "started successfully on port") {
            let port = said.trim_end_matches('.').rsplit(' ').next().unwrap();
            return (driver, port.to_owned());
        }
    }
    panic!("chromedriver ends before it is ready; start it by hand and read what it says");
}

fn program() -> PathBuf {
    if let Ok(path) = std::env::var("VELIFORM_PROGRAM") {
        return path.into();
    }
    let here = std::env::current_exe().expect("this test's own path");
    let built = here.parent().and_then(Path::parent).expect("target folder");
    built.join("veliform")
}

/// What the step in hand is called.
pub const STEP: &str = "document.querySelector('h2[data-step], li button[data-step] b')?.innerText";

/// What a hand did: a field taken to type into is a touch, each letter a key.
#[derive(Default)]
struct Hand {
    touches: AtomicU32,
    keys: AtomicU32,
}

/// The program, the browser and its page.
pub struct Stage {
    pub client: Client,
    pub address: String,
    salon: Salon,
    folder: TempDir,
    server: Option<Group>,
    /// The salon's clock is behind by so many days.
    days_ago: u32,
    /// Touches and keys so far.
    hand: Hand,
    driver: Group,
    _profile: TempDir,
    /// The script that keeps the offline worker away.
    without_worker: Value,
}

/// Runs a test against the demo salon in a browser of its own; ends both whatever happens.
pub async fn on_stage<F>(screen: Screen, test: F)
where
    F: AsyncFnOnce(&mut Stage),
{
    play(Stage::start(screen, Salon::Demo).await, test).await;
}

/// Runs a test in a salon where nobody has typed anything yet.
pub async fn on_empty_stage<F>(screen: Screen, test: F)
where
    F: AsyncFnOnce(&mut Stage),
{
    play(Stage::start(screen, Salon::Empty).await, test).await;
}

async fn play<F>(mut stage: Stage, test: F)
where
    F: AsyncFnOnce(&mut Stage),
{
    let whole = async {
        test(&mut stage).await;
        // Whatever was tested, the page complained of nothing meanwhile.
        stage.assert_quiet_console().await;
    };
    let result = AssertUnwindSafe(whole).catch_unwind().await;
    if result.is_err() {
        // As a person would report it: where, what the page says, what stands in its fields.
        let script = "return document.body.innerText + ' | fields: ' + \
             [...document.querySelectorAll('input, textarea')].map((f) => f.value).join(', ') + \
             ' | in hand: ' + document.activeElement?.outerHTML.slice(0, 200)";
        let page = stage.client.execute(script, vec![]).await;
        let text: String = page
            .ok()
            .and_then(|page| page.as_str().map(|text| text.chars().take(3000).collect()))
            .unwrap_or_default();
        eprintln!("at {:?}: {text}", stage.client.current_url().await);
        if let (Ok(folder), Ok(picture)) = (
            std::env::var("VELIFORM_PICTURES"),
            stage.client.screenshot().await,
        ) {
            let _ = std::fs::write(Path::new(&folder).join("failed.png"), picture);
        }
    }
    let _ = stage.client.clone().close().await;
    drop(stage);
    if let Err(panic) = result {
        std::panic::resume_unwind(panic);
    }
}

/// Opens a browser with a driver and a profile of its own. On a machine whose cores are all taken it ends
/// now and then before its driver has met it: then it is opened again.
async fn open_browser() -> (Client, Group, TempDir) {
    let mut said = String::new();
    for _ in 0..4 {
        let profile = tempfile::tempdir().unwrap();
        let (driver, port) = drive(profile.path());
        let opened = ClientBuilder::new(HttpConnector::new())
            .capabilities(capabilities())
            .connect(&format!("http://127.0.0.1:{port}"))
            .await;
        match opened {
            Ok(client) => return (client, driver, profile),
            Err(error) => said = error.to_string(),
        }
    }
    panic!("the browser does not start: {said}");
}

impl Stage {
    async fn start(screen: Screen, salon: Salon) -> Self {
        let folder = tempfile::tempdir().unwrap();
        let (server, address) = serve(salon, folder.path(), 0, 0);
        let (client, driver, profile) = open_browser().await;
        let mut stage = Self {
            client,
            address,
            salon,
            folder,
            server: Some(server),
            days_ago: 0,
            hand: Hand::default(),
            driver,
            _profile: profile,
            without_worker: Value::Null,
        };
        stage.look_through(screen).await;
        // What keeps the page's files for a server that is away costs each browser a tenth of its work.
        stage.without_worker = stage
            .on_every_page("delete Navigator.prototype.serviceWorker")
            .await;
        stage
    }

    pub async fn look_through(&mut self, screen: Screen) {
        self.cdp(
            "Emulation.setDeviceMetricsOverride",
            json!({"width": screen.width, "height": screen.height, "deviceScaleFactor": 1, "mobile": screen.is_touch}),
        )
        .await;
        self.cdp(
            "Emulation.setTouchEmulationEnabled",
            json!({"enabled": screen.is_touch, "maxTouchPoints": 5}),
        )
        .await;
        let scheme = if screen.is_dark { "dark" } else { "light" };
        self.in_scheme(scheme).await;
    }

    /// Looks on in the machine's own few colours (CSS Color Adjustment, *forced colors mode*).
    pub async fn in_forced_colours(&self) {
        self.cdp(
            "Emulation.setEmulatedMedia",
            json!({"features": [{"name": "forced-colors", "value": "active"}]}),
        )
        .await;
    }

    async fn cdp(&self, command: &'static str, params: Value) -> Value {
        self.client
            .issue_cmd(Cdp(command, params))
            .await
            .unwrap_or_else(|e| panic!("{command}: {e}"))
    }

    /// Runs a script before any other on every page from now on; what it is taken off by.
    pub async fn on_every_page(&self, script: &str) -> Value {
        self.cdp(
            "Page.addScriptToEvaluateOnNewDocument",
            json!({"source": script}),
        )
        .await
    }

    /// From the next page on the browser keeps what it needs with the server away, as every browser does.
    pub async fn keep_for_away(&self) {
        self.cdp(
            "Page.removeScriptToEvaluateOnNewDocument",
            self.without_worker.clone(),
        )
        .await;
    }

    /// Waits until the browser keeps the pages that the server may be away for.
    pub async fn until_pages_are_kept(&self) {
        self.until_async(
            "the pages are kept",
            "const worker = (await navigator.serviceWorker.ready).active;
             return worker.state === 'activated' && navigator.serviceWorker.controller",
        )
        .await;
    }

    /// From now on nothing that is called so comes to the browser; an empty list lets all come again.
    pub async fn keep_back(&self, urls: &[&str]) {
        self.cdp("Network.enable", json!({})).await;
        self.cdp("Network.setBlockedURLs", json!({"urls": urls}))
            .await;
    }

    pub async fn go(&self, path: &str) {
        self.client
            .goto(&format!("{}{path}", self.address))
            .await
            .unwrap();
    }

    /// Serves the salon anew, so many days before today, and opens the studio.
    pub async fn it_is_days_ago(&mut self, days: u32) {
        self.kill_server();
        self.days_ago = days;
        self.restart_server();
        self.go("/").await;
        self.until_text("New dog").await;
    }

    /// Another task of the visit at hand.
    pub async fn go_on_to(&self, task: &str) {
        let here = self.client.current_url().await.unwrap();
        let visit: Vec<&str> = here.path().split('/').take(3).collect();
        self.go(&format!("{}/{task}", visit.join("/"))).await;
    }

    /// Kills the server as a power cut would.
    pub fn kill_server(&mut self) {
        if let Some(mut server) = self.server.take() {
            server.kill("-KILL");
        }
    }

    /// Starts the server again on the same port and data.
    pub fn restart_server(&mut self) {
        let port = self.address.rsplit(':').next().unwrap().parse().unwrap();
        let (server, address) = serve(self.salon, self.folder.path(), port, self.days_ago);
        assert_eq!(address, self.address);
        self.server = Some(server);
    }

    /// Runs a script and gives its answer.
    pub async fn script(&self, script: &str) -> Value {
        self.client.execute(script, vec![]).await.unwrap()
    }

    /// Waits until a script answers true.
    pub async fn until(&self, what: &str, script: &str) {
        assert!(
            self.comes(script, PATIENCE).await,
            "waited in vain until {what}"
        );
    }

    /// Waits until the body of an asynchronous function answers true.
    pub async fn until_async(&self, what: &str, body: &str) {
        let script = format!(
            "const answer = arguments[arguments.length - 1];
             (async () => {{ {body} }})().then((is) => answer(Boolean(is)), () => answer(false));"
        );
        let from = Instant::now();
        while self.client.execute_async(&script, vec![]).await.unwrap() != json!(true) {
            assert!(from.elapsed() < PATIENCE, "waited in vain until {what}");
            tokio::time::sleep(Duration::from_millis(80)).await;
        }
    }

    pub async fn until_text(&self, text: &str) {
        let quoted = serde_json::to_string(text).unwrap();
        self.until(
            &format!("the page says “{text}”"),
            &format!("document.body?.innerText.includes({quoted})"),
        )
        .await;
    }

    pub async fn until_kept(&self) {
        self.until(
            "everything is kept",
            "document.querySelector('[data-kept=\"kept\"]')",
        )
        .await;
    }

    /// The element a person would call by this name: a control whose text or label it is.
    pub async fn find(&self, name: &str) -> Element {
        let quoted = xpath_text(name);
        let path = format!(
            "(//*[self::a or self::button or @role='radio' or @role='option'][normalize-space(.)={quoted} or @aria-label={quoted} or ((@data-hold or @data-next) and starts-with(normalize-space(.), {quoted}))] | //label[contains(normalize-space(.), {quoted})]//*[self::input or self::textarea] | //input[@id=(//label[contains(normalize-space(.), {quoted})]/@for)])[1]"
        );
        self.comes_at(&path, &format!("nothing here is called “{name}”"))
            .await
    }

    /// The element at a path, as soon as it stands there.
    async fn comes_at(&self, path: &str, missing: &str) -> Element {
        let from = Instant::now();
        loop {
            if let Ok(element) = self.client.find(Locator::XPath(path)).await {
                return element;
            }
            assert!(from.elapsed() < PATIENCE, "{missing}");
            tokio::time::sleep(Duration::from_millis(40)).await;
        }
    }

    /// Touches what a selector finds, where a name would not be one thing.
    pub async fn touch_at_css(&self, css: &str) {
        self.until(
            &format!("there is a {css}"),
            &format!("document.querySelector(\"{css}\")"),
        )
        .await;
        let element = self.client.find(Locator::Css(css)).await.unwrap();
        self.touch(&element).await;
    }

    /// One of a few, in the group of that name.
    pub async fn choose(&self, group: &str, option: &str) {
        let path = format!(
            "//*[@role='radiogroup'][@aria-label={}]//*[@role='radio'][normalize-space(.)={}]",
            xpath_text(group),
            xpath_text(option)
        );
        let missing = format!("no “{option}” in “{group}”");
        let element = self.comes_at(&path, &missing).await;
        self.touch(&element).await;
    }

    /// The lamb, on the page of looks.
    pub async fn choose_the_lamb(&self) {
        let lamb = "LambShort body, full straight legs, clean face and feet.";
        self.touch(&self.find(lamb).await).await;
    }

    /// A zone by its name, where none is chosen yet. The page may still grow meanwhile.
    pub async fn choose_zone(&self, name: &str) {
        self.touch_until(
            "Touch a number, or choose a zone",
            "the zones are listed",
            "document.querySelector('[role=option]')",
        )
        .await;
        self.touch(&self.find(name).await).await;
    }

    /// Waits until the large control of the table has rested: a touch counts again.
    pub async fn until_rested(&self) {
        self.until(
            "a touch counts again",
            "!document.querySelector('[data-quiet=\"true\"]')",
        )
        .await;
    }

    /// Holds a finger on a control until something came of it.
    pub async fn hold(&self, element: &Element, what: &str, script: &str) {
        self.until_rested().await;
        let (x, y) = self.middle_of(element).await;
        let point = json!([{ "x": x, "y": y }]);
        self.cdp(
            "Input.dispatchTouchEvent",
            json!({"type": "touchStart", "touchPoints": point}),
        )
        .await;
        self.until(what, script).await;
        self.cdp(
            "Input.dispatchTouchEvent",
            json!({"type": "touchEnd", "touchPoints": []}),
        )
        .await;
    }

    /// The pedal pressed twice, so many ms apart, as a wet boot does.
    pub async fn bounce(&self, gap_ms: u64) {
        let value = char::from(Key::PageDown);
        let pedal = KeyActions::new("pedal".into())
            .then(KeyAction::Down { value })
            .then(KeyAction::Up { value })
            .then(KeyAction::Pause {
                duration: Duration::from_millis(gap_ms),
            })
            .then(KeyAction::Down { value })
            .then(KeyAction::Up { value });
        self.client.perform_actions(pedal).await.unwrap();
    }

    /// Holds a pedal down as long as a control that is held wants it.
    pub async fn hold_key(&self, key: Key, what: &str, script: &str) {
        let value = char::from(key);
        for _ in 0..4 {
            self.until_rested().await;
            let pedal = KeyActions::new("pedal".into())
                .then(KeyAction::Down { value })
                .then(KeyAction::Pause {
                    duration: Duration::from_millis(800),
                })
                .then(KeyAction::Up { value });
            self.client.perform_actions(pedal).await.unwrap();
            if self.comes(script, PATIENCE / 4).await {
                return;
            }
        }
        panic!("held in vain until {what}");
    }

    /// Touches an element where a finger would: in its middle; it must be a finger's size.
    pub async fn touch(&self, element: &Element) {
        self.until_rested().await;
        let (x, y) = self.middle_of(element).await;
        self.touch_at(x, y).await;
    }

    /// Touches a control until something came of it: where the page still moves under the finger, the
    /// finger lands beside it and tries again.
    pub async fn touch_until(&self, name: &str, what: &str, script: &str) {
        for _ in 0..4 {
            self.touch(&self.find(name).await).await;
            if self.comes(script, PATIENCE / 4).await {
                return;
            }
        }
        panic!("touched in vain until {what}");
    }

    /// The middle of a control, which is of a finger's size, on the screen.
    pub async fn middle_of(&self, element: &Element) -> (f64, f64) {
        let size = self
            .client
            .execute(
                "arguments[0].scrollIntoView({block: 'center'}); const r = arguments[0].getBoundingClientRect(); \
                 return [r.x + r.width / 2, r.y + r.height / 2, r.width, r.height]",
                vec![serde_json::to_value(element).unwrap()],
            )
            .await
            .unwrap();
        let at = |i: usize| size[i].as_f64().unwrap();
        assert!(
            at(2) >= 40.0 && at(3) >= 40.0,
            "too small for a finger: {} × {}",
            at(2),
            at(3)
        );
        (at(0), at(1))
    }

    /// Touches and keys since it was last asked.
    pub fn touches_and_keys(&self) -> (u32, u32) {
        (
            self.hand.touches.swap(0, Ordering::Relaxed),
            self.hand.keys.swap(0, Ordering::Relaxed),
        )
    }

    /// A finger down and up at a point of the page.
    pub async fn touch_at(&self, x: f64, y: f64) {
        self.hand.touches.fetch_add(1, Ordering::Relaxed);
        let point = json!([{ "x": x, "y": y }]);
        self.cdp(
            "Input.dispatchTouchEvent",
            json!({"type": "touchStart", "touchPoints": point}),
        )
        .await;
        self.cdp(
            "Input.dispatchTouchEvent",
            json!({"type": "touchEnd", "touchPoints": []}),
        )
        .await;
    }

    /// Drags from one point to another with the mouse, in steps.
    pub async fn drag(&self, from: (f64, f64), to: (f64, f64)) {
        let at = |p: (f64, f64)| PointerAction::MoveTo {
            duration: Some(Duration::from_millis(60)),
            x: p.0.round(),
            y: p.1.round(),
        };
        let half = (f64::midpoint(from.0, to.0), f64::midpoint(from.1, to.1));
        let mouse = MouseActions::new("mouse".into())
            .then(at(from))
            .then(PointerAction::Down {
                button: MOUSE_BUTTON_LEFT,
            })
            .then(at(half))
            .then(at(to))
            .then(PointerAction::Up {
                button: MOUSE_BUTTON_LEFT,
            });
        self.client.perform_actions(mouse).await.unwrap();
    }

    /// Types into the field of that label over what stands there, as a person does. (The driver's own
    /// clearing sets the value behind the page's back; a page drawn anew just then puts it back.)
    pub async fn type_into(&self, label: &str, text: &str) {
        self.hand.touches.fetch_add(1, Ordering::Relaxed);
        let keys = u32::try_from(text.chars().count()).unwrap();
        self.hand.keys.fetch_add(keys, Ordering::Relaxed);
        let field = self.find(label).await;
        let over = "arguments[0].focus(); arguments[0].select()";
        let field_itself = vec![serde_json::to_value(&field).unwrap()];
        self.client.execute(over, field_itself).await.unwrap();
        field.send_keys(text).await.unwrap();
    }

    /// Presses the pedal until something came of it, as a foot would: what comes under it late, on a
    /// slow machine, lets a press pass, and a press that was let pass never counts afterwards.
    pub async fn pedal(&self, key: Key, what: &str, script: &str) {
        for _ in 0..4 {
            self.until_rested().await;
            self.press(key).await;
            if self.comes(script, PATIENCE / 4).await {
                return;
            }
        }
        panic!("pressed in vain until {what}");
    }

    /// Whether a script answers true within this time.
    pub async fn comes(&self, script: &str, within: Duration) -> bool {
        let from = Instant::now();
        while from.elapsed() < within {
            if self.script(&format!("return Boolean({script})")).await == json!(true) {
                return true;
            }
            tokio::time::sleep(Duration::from_millis(40)).await;
        }
        false
    }

    /// Presses a key wherever the focus is.
    pub async fn press(&self, key: Key) {
        self.press_text(&String::from(char::from(key))).await;
    }

    pub async fn press_text(&self, text: &str) {
        let active = self.client.active_element().await.unwrap();
        active.send_keys(text).await.unwrap();
    }

    /// Moves the focus with Tab until the focused control has that name.
    pub async fn tab_to(&self, name: &str) {
        let quoted = serde_json::to_string(name).unwrap();
        for _ in 0..160 {
            let is_there = self
                .script(&format!(
                    "const e = document.activeElement; if (!e.matches('a, button, input, textarea, [role=radio], [role=group][tabindex]')) return false; const labels = e.labels ? [...e.labels].map(l => l.innerText).join(' ') : ''; \
                     const text = (e.getAttribute('aria-label') ?? '') + ' ' + labels + ' ' + (e.innerText ?? ''); \
                     return text.replace(/\\s+/g, ' ').trim().includes({quoted})"
                ))
                .await;
            if is_there == json!(true) {
                return;
            }
            self.press(Key::Tab).await;
        }
        panic!("Tab never reaches “{name}”");
    }

    /// Lets go what the console said so far, where it was meant to complain.
    pub async fn drain_console(&self) {
        self.client.issue_cmd(Console).await.unwrap();
    }

    /// Asserts that the page complained of nothing.
    pub async fn assert_quiet_console(&self) {
        let said = self.client.issue_cmd(Console).await.unwrap();
        let loud: Vec<&Value> = said
            .as_array()
            .map(|list| {
                list.iter()
                    .filter(|l| l["level"] == "SEVERE")
                    // Answers of the server that the page words itself.
                    .filter(|l| l["source"] != "network")
                    .collect()
            })
            .unwrap_or_default();
        assert!(loud.is_empty(), "the console says {loud:?}");
    }

    /// Asserts that axe-core finds nothing wrong with the page as it stands.
    pub async fn assert_accessible(&self, what: &str) {
        let found = self.axe().await;
        assert_nothing_wrong(what, &found);
        let passed = found["passes"].as_u64().unwrap_or(0);
        assert!(passed > 10, "{what}: axe looked at hardly anything");
    }

    /// The same, then what differs in the dark: its colours.
    pub async fn assert_accessible_in_light_and_dark(&self, what: &str) {
        self.assert_accessible(what).await;
        self.in_scheme("dark").await;
        let found = self.axe_of("{runOnly: ['color-contrast']}").await;
        self.in_scheme("light").await;
        assert_nothing_wrong(&format!("{what}, in the dark"), &found);
        assert_eq!(
            found["passes"],
            json!(1),
            "{what}: nothing to read in the dark"
        );
    }

    async fn in_scheme(&self, scheme: &str) {
        self.cdp(
            "Emulation.setEmulatedMedia",
            json!({"features": [{"name": "prefers-color-scheme", "value": scheme}]}),
        )
        .await;
    }

    pub async fn axe(&self) -> Value {
        self.axe_of("{}").await
    }

    /// The same of some of axe's rules: its own options for a run.
    async fn axe_of(&self, options: &str) -> Value {
        if self.script("return !window.axe").await == true {
            let axe = include_str!("../../../web/node_modules/axe-core/axe.min.js");
            self.client.execute(axe, vec![]).await.unwrap();
        }
        // What is passed is counted, not told place by place.
        let script = format!(
            "const done = arguments[arguments.length - 1];
             axe.run(document, {{resultTypes: ['violations'], ...{options}}}).then(
                r => done({{violations: r.violations, passes: r.passes.length}}), e => done({{error: String(e)}}))"
        );
        self.client.execute_async(&script, vec![]).await.unwrap()
    }

    /// The part of a visit's address that all its tasks share.
    pub async fn visit_path(&self) -> String {
        let path = self
            .script("return location.pathname.split('/').slice(0, 3).join('/')")
            .await;
        path.as_str().unwrap().to_owned()
    }

    /// Reads this dog's own cautions as they want it: held, until the small jobs stand there.
    pub async fn read_the_cautions(&self) {
        let read = self.find("I have read this").await;
        self.hold(
            &read,
            "the cautions are read",
            "document.body?.innerText.includes('Small jobs')",
        )
        .await;
    }

    /// One of the things behind *More*, at the table.
    pub async fn more(&self, what: &str) {
        self.touch(&self.find("More").await).await;
        self.until_text("Order of the steps").await;
        self.touch(&self.find(what).await).await;
    }

    /// One large control after another, until a step of that name is in hand.
    pub async fn groom_up_to(&self, what: &str) {
        let is_there = format!("return ({STEP} ?? '').startsWith('{what}')");
        while self.script(&is_there).await != true {
            self.next_step().await;
        }
    }

    /// The step in hand is done, with what it asks before.
    pub async fn next_step(&self) {
        let before = self.script(&format!("return {STEP}")).await;
        self.until_rested().await;
        let label = self
            .script("return document.querySelector('button[data-next]').innerText")
            .await;
        let name = match label.as_str() {
            Some(label) if label.starts_with("Comb runs free") => "It runs free everywhere",
            Some(label) if label.starts_with("Same length") => "Same length",
            _ => "Done",
        };
        self.touch(&self.find(name).await).await;
        self.until(
            "the next stands there",
            &format!("{STEP} !== {before} || document.querySelector('button[data-next]')?.innerText.startsWith('Done')"),
        )
        .await;
    }

    /// The address of the latest visit of a demo dog, by the beginning of its name.
    pub async fn visit_of(&self, name: &str) -> String {
        self.go("/").await;
        let script = format!(
            "const done = arguments[0]; fetch('/api/dogs').then(r => r.json()).then(d => done(d.find(x => x.dog.name.startsWith('{name}')).last_visit.id))"
        );
        let id = self.client.execute_async(&script, vec![]).await.unwrap();
        format!("/visit/{}", id.as_str().expect("an id"))
    }
}

fn assert_nothing_wrong(what: &str, found: &Value) {
    let wrong: Vec<String> = found["violations"]
        .as_array()
        .expect("axe answers")
        .iter()
        .map(|v| format!("{}: {} at {}", v["id"], v["help"], v["nodes"][0]["html"]))
        .collect();
    assert!(wrong.is_empty(), "{what}: {wrong:#?}");
}

fn xpath_text(text: &str) -> String {
    assert!(!text.contains('"'), "no double quotes in names");
    format!("\"{text}\"")
}

/// Whose data the program serves.
#[derive(Clone, Copy)]
enum Salon {
    Demo,
    Empty,
}

fn serve(salon: Salon, folder: &Path, port: u16, days_ago: u32) -> (Group, String) {
    let mut command = Command::new(program());
    match salon {
        Salon::Demo => command.arg("demo").arg("--folder").arg(folder),
        Salon::Empty => command
            .arg("serve")
            .arg("--data")
            .arg(folder.join("salon.db")),
    };
    if days_ago > 0 {
        let then = Timestamp::now() - SignedDuration::from_hours(24 * i64::from(days_ago));
        command.arg("--at").arg(then.to_string());
    }
    let mut server = spawn(command.arg("--port").arg(port.to_string()));
    let said = wait_for_line(&mut server, "Veliform is at").expect("the server says its address");
    let address = said.rsplit(' ').next().unwrap().to_owned();
    (server, address)
}

/// Debian's headless Chromium, without the windows nobody sees; the whole one where that is not installed.
fn browser() -> &'static str {
    ["/usr/bin/chromium-headless-shell", "/usr/bin/chromium"]
        .into_iter()
        .find(|path| Path::new(path).exists())
        .expect("Debian's chromium-headless-shell is installed")
}

fn capabilities() -> serde_json::Map<String, Value> {
    let args: Vec<String> = [
        "--headless",
        "--no-sandbox",
        "--disable-gpu",
        "--disable-dev-shm-usage",
        "--no-first-run",
        "--no-default-browser-check",
        "--disable-background-networking",
        "--disable-component-update",
        "--disable-sync",
        "--disable-extensions",
        "--disable-default-apps",
        // No network: only this machine answers.
        "--host-resolver-rules=MAP * ~NOTFOUND, EXCLUDE 127.0.0.1",
        "--force-device-scale-factor=1",
        "--lang=en-GB",
        "--window-size=1280,800",
    ]
    .iter()
    .map(|s| (*s).to_owned())
    .collect();
    let wanted = json!({
        "browserName": "chrome",
        "goog:loggingPrefs": {"browser": "ALL"},
        "timeouts": {"script": 30000, "pageLoad": 30000, "implicit": 0},
        "goog:chromeOptions": {"binary": browser(), "args": args}
    });
    wanted.as_object().cloned().unwrap_or_default()
}
