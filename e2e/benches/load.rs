//! Load on a running server: a steady rate of requests for a while, on this machine only.
//!
//! `veliform demo` in one window; then
//! `cargo bench -p veliform-e2e --bench load -- 127.0.0.1:4270 evaluate 500 60`

mod http;

use std::net::SocketAddr;
use std::time::{Duration, Instant};

use http::Connection;
use serde_json::{Value, json};

/// Connections that share the rate.
const CONNECTIONS: u32 = 8;
/// No test of ours runs longer, seconds.
const LONGEST: u64 = 120;

fn desk(connection: &mut Connection) -> Value {
    let dogs = connection.json("/api/dogs");
    let dog = dogs
        .as_array()
        .and_then(|list| list.iter().find(|d| d["dog"]["name"] == "Turntable"))
        .expect("the demo salon");
    let visit = dog["last_visit"]["id"]
        .as_str()
        .expect("a visit")
        .to_owned();
    let log = connection.json(&format!("/api/visits/{visit}"));
    json!({
        "dog": log["dog"], "entries": log["entries"],
        "house": connection.json("/api/house"), "kit": connection.json("/api/kit")
    })
}

fn main() {
    let args: Vec<String> = std::env::args()
        .skip(1)
        .filter(|a| !a.starts_with("--"))
        .collect();
    let [address, what, rate, seconds] = args.as_slice() else {
        println!("nothing to do: give ADDRESS evaluate|plan RATE SECONDS");
        return;
    };
    let address: SocketAddr = address.parse().expect("an address");
    assert!(address.ip().is_loopback(), "only this machine is a target");
    let rate: u32 = rate.parse().expect("requests a second");
    let seconds: u64 = seconds.parse::<u64>().expect("seconds").min(LONGEST);
    let mut first = Connection::open(address);
    let desk = desk(&mut first);
    let (path, body) = match what.as_str() {
        "plan" => ("/api/plan", json!({"desk": desk, "reasons": false})),
        _ => ("/api/evaluate", desk),
    };
    let body = body.to_string();
    let gap = Duration::from_secs_f64(f64::from(CONNECTIONS) / f64::from(rate));
    let workers: Vec<_> = (0..CONNECTIONS)
        .map(|n| {
            let body = body.clone();
            std::thread::spawn(move || {
                let mut connection = Connection::open(address);
                let start = Instant::now() + gap * n / CONNECTIONS;
                let end = start + Duration::from_secs(seconds);
                let (mut times, mut errors, mut i) = (Vec::new(), 0_u32, 0_u32);
                loop {
                    let due = start + gap * i;
                    if due >= end {
                        return (times, errors);
                    }
                    std::thread::sleep(due.saturating_duration_since(Instant::now()));
                    let from = Instant::now();
                    let (status, _) = connection.ask("POST", path, &body);
                    times.push(from.elapsed());
                    errors += u32::from(status != 200);
                    i += 1;
                }
            })
        })
        .collect();
    let mut times: Vec<Duration> = Vec::new();
    let mut errors = 0;
    for worker in workers {
        let (more, wrong) = worker.join().expect("a worker ends");
        times.extend(more);
        errors += wrong;
    }
    times.sort_unstable();
    let at = |percent: usize| times[(times.len() - 1) * percent / 100].as_secs_f64() * 1e3;
    println!(
        "{path}: {} requests in {seconds} s, {errors} errors; ms at p50 {:.2}, p95 {:.2}, p99 {:.2}, most {:.2}",
        times.len(),
        at(50),
        at(95),
        at(99),
        at(100)
    );
}
