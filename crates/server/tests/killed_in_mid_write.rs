//! Kills the program again and again while entries are coming in: nothing acknowledged is lost.

use std::io::{BufRead, BufReader, Read, Write};
use std::net::TcpStream;
use std::path::Path;
use std::process::{Child, Command, Stdio};
use std::time::Duration;

use serde_json::{Value, json};
use uuid::Uuid;
use veliform_store::Store;

fn start(folder: &Path) -> (Child, String) {
    let mut child = Command::new(env!("CARGO_BIN_EXE_veliform"))
        .args(["demo", "--port", "0", "--folder"])
        .arg(folder)
        .stdout(Stdio::piped())
        .stderr(Stdio::null())
        .spawn()
        .expect("starts");
    let mut line = String::new();
    BufReader::new(child.stdout.take().expect("piped"))
        .read_line(&mut line)
        .expect("says its address");
    let address = line.trim().rsplit("http://").next().expect("an address");
    (child, address.to_owned())
}

/// One request; `None` when the server died under it.
fn ask(address: &str, method: &str, path: &str, body: &str) -> Option<Value> {
    let mut stream = TcpStream::connect(address).ok()?;
    stream.set_read_timeout(Some(Duration::from_secs(5))).ok()?;
    write!(
        stream,
        "{method} {path} HTTP/1.1\r\nHost: {address}\r\nContent-Type: application/json\r\nContent-Length: {}\r\nConnection: close\r\n\r\n{body}",
        body.len()
    )
    .ok()?;
    let mut answer = String::new();
    stream.read_to_string(&mut answer).ok()?;
    let (head, body) = answer.split_once("\r\n\r\n")?;
    if !head.starts_with("HTTP/1.1 200") {
        return None;
    }
    // Answers of a few lines come whole; chunked ones carry their sizes around the body.
    let (from, to) = (body.find(['{', '['])?, body.rfind(['}', ']'])?);
    serde_json::from_str(&body[from..=to]).ok()
}

/// Kills in the ordinary check; `VELIFORM_KILLS=200` asks for more.
const KILLS: u64 = 15;

/// What a table sends: a length, a note, a result.
fn said(round: u64, n: u64) -> Value {
    match n % 3 {
        0 => json!({"kind": "coat_all_over", "length_mm": 20.0 + n as f64}),
        1 => json!({"kind": "note_written", "text": format!("{round}.{n}")}),
        _ => json!({"kind": "result_set", "zone": "back", "result": {"left_mm": 9.0 + n as f64}}),
    }
}

#[test]
fn no_acknowledged_entry_is_lost_by_a_kill() {
    let folder = tempfile::tempdir().expect("a folder");
    let (mut child, address) = start(folder.path());
    let dogs = ask(&address, "GET", "/api/dogs", "").expect("answers");
    let visit = dogs[0]["last_visit"]["id"]
        .as_str()
        .expect("a visit")
        .to_owned();
    let visit_id: Uuid = visit.parse().expect("an id");
    child.kill().expect("killed");
    child.wait().expect("ended");

    let mut acknowledged: Vec<Uuid> = Vec::new();
    let asked = std::env::var("VELIFORM_KILLS").ok();
    let kills = asked.and_then(|n| n.parse().ok()).unwrap_or(KILLS);
    for round in 0..kills {
        let (mut child, address) = start(folder.path());
        let path = format!("/api/visits/{visit}/entries");
        let (first, has_begun) = std::sync::mpsc::channel();
        let writer = std::thread::spawn(move || {
            let mut kept = Vec::new();
            for n in 0..400_u64 {
                let id = Uuid::from_u128(u128::from(round * 1000 + n + 1));
                let entry = json!({"id": id, "at_ms": n, "author": "",
                    "body": said(round, n)});
                let body = json!({ "entries": [entry] }).to_string();
                match ask(&address, "POST", &path, &body) {
                    Some(answer) if answer["new"] == 1 => {
                        kept.push(id);
                        let _ = first.send(());
                    }
                    _ => break,
                }
            }
            kept
        });
        // Somewhere in the middle of the writes; the place differs from round to round.
        let begun = has_begun.recv_timeout(Duration::from_secs(20));
        begun.expect("the first entry is acknowledged");
        std::thread::sleep(Duration::from_millis(3 + 7 * (round % KILLS)));
        child.kill().expect("killed");
        child.wait().expect("ended");
        if std::env::var("VELIFORM_KILLS").is_ok() && round % 20 == 19 {
            eprintln!("{} kills, {} acknowledged", round + 1, acknowledged.len());
        }
        acknowledged.extend(writer.join().expect("the writer ends"));
    }
    assert!(acknowledged.len() > 30, "hardly anything was written");
    let store = Store::open(&folder.path().join("salon.db")).expect("opens");
    assert!(store.is_whole().expect("checks"));
    let there: Vec<Uuid> = store
        .visit(visit_id, 0)
        .expect("reads")
        .entries
        .iter()
        .map(|e| e.id)
        .collect();
    for id in &acknowledged {
        assert!(there.contains(id), "{id} was acknowledged and is gone");
    }
}
