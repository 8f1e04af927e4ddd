//! Grooms followed by many screens at once: every screen sees every change, once.
//!
//! `veliform demo` in one window; then
//! `cargo bench -p veliform-e2e --bench followers -- 127.0.0.1:4270 20 40 30`

mod http;

use std::collections::BTreeSet;
use std::net::SocketAddr;
use std::time::{Duration, Instant};

use http::Connection;
use serde_json::{Value, json};
use uuid::Uuid;

/// A screen asks for what is new this often, as the application does.
const LISTEN: Duration = Duration::from_millis(2500);
/// A stylist ticks this often: far quicker than hands are.
const TICK: Duration = Duration::from_millis(500);

/// Ids of the entries in an answer.
fn ids(answer: &Value) -> impl Iterator<Item = String> + '_ {
    let entries = answer["entries"].as_array();
    entries
        .into_iter()
        .flatten()
        .filter_map(|e| Some(e["id"].as_str()?.to_owned()))
}

/// Follows a visit until it has seen so many changes or the time is over; each change once.
fn follow(address: SocketAddr, visit: &str, until: Instant) -> (BTreeSet<String>, u32) {
    let mut connection = Connection::open(address);
    let (mut seen, mut twice, mut last) = (BTreeSet::new(), 0, 0);
    while Instant::now() < until {
        let answer = connection.json(&format!("/api/visits/{visit}?after={last}"));
        last = answer["last"].as_i64().unwrap_or(last);
        for id in ids(&answer) {
            twice += u32::from(!seen.insert(id));
        }
        std::thread::sleep(LISTEN);
    }
    (seen, twice)
}

fn main() {
    let args: Vec<String> = std::env::args()
        .skip(1)
        .filter(|a| !a.starts_with("--"))
        .collect();
    let [address, runs, screens, seconds] = args.as_slice() else {
        println!("nothing to do: give ADDRESS RUNS SCREENS SECONDS");
        return;
    };
    let address: SocketAddr = address.parse().expect("an address");
    assert!(address.ip().is_loopback(), "only this machine is a target");
    let [runs, screens, seconds] =
        [runs, screens, seconds].map(|n| n.parse::<u32>().expect("a number"));
    let mut first = Connection::open(address);
    let dog = first.json("/api/dogs")[0]["dog"]["id"].clone();
    let visits: Vec<String> = (0..runs)
        .map(|n| {
            let visit = Uuid::new_v4().to_string();
            let body = json!({"dog": dog, "began_ms": 1_767_225_600_000_i64 + i64::from(n)});
            let (status, _) = first.ask("PUT", &format!("/api/visits/{visit}"), &body.to_string());
            assert_eq!(status, 200);
            visit
        })
        .collect();
    let ticks_until = Instant::now() + Duration::from_secs(seconds.into());
    let until = ticks_until + 2 * LISTEN;
    let tickers: Vec<_> = visits
        .iter()
        .cloned()
        .map(|visit| {
            std::thread::spawn(move || {
                let mut connection = Connection::open(address);
                let (mut said, mut slowest) = (BTreeSet::new(), Duration::ZERO);
                while Instant::now() < ticks_until {
                    let id = Uuid::new_v4().to_string();
                    let at_ms = 1_767_225_600_000_i64 + i64::try_from(said.len()).unwrap_or(0);
                    let body = json!({"entries": [{"id": id, "at_ms": at_ms, "body": {"kind": "note_written", "text": "a tick"}}]});
                    let from = Instant::now();
                    let (status, _) = connection.ask("POST", &format!("/api/visits/{visit}/entries"), &body.to_string());
                    slowest = slowest.max(from.elapsed());
                    assert_eq!(status, 200);
                    said.insert(id);
                    std::thread::sleep(TICK);
                }
                (said, slowest)
            })
        })
        .collect();
    let followers: Vec<_> = (0..screens)
        .map(|n| {
            let visit = visits[n as usize % visits.len()].clone();
            std::thread::spawn(move || (n as usize % runs as usize, follow(address, &visit, until)))
        })
        .collect();
    let said: Vec<(BTreeSet<String>, Duration)> = tickers
        .into_iter()
        .map(|t| t.join().expect("ends"))
        .collect();
    let (mut missed, mut twice) = (0, 0);
    for follower in followers {
        let (run, (seen, again)) = follower.join().expect("ends");
        missed += said[run].0.difference(&seen).count();
        twice += again;
    }
    let all: usize = said.iter().map(|(s, _)| s.len()).sum();
    let slowest = said.iter().map(|(_, d)| *d).max().unwrap_or_default();
    println!(
        "{runs} runs, {screens} screens, {all} changes in {seconds} s: {missed} missed, {twice} seen twice, slowest answer to a tick {:.1} ms",
        slowest.as_secs_f64() * 1e3
    );
}
