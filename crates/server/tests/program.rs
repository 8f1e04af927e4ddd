//! The program itself: its commands, and that it serves only this machine.

use std::fs;
use std::io::{BufRead, BufReader, Read, Write};
use std::net::TcpStream;
use std::path::Path;
use std::process::{Command, Output, Stdio};

fn veliform(args: &[&str]) -> Output {
    Command::new(env!("CARGO_BIN_EXE_veliform"))
        .args(args)
        .output()
        .expect("runs")
}

fn said(output: &Output) -> String {
    String::from_utf8_lossy(&output.stdout).into_owned()
}

fn complaint(output: &Output) -> String {
    String::from_utf8_lossy(&output.stderr).into_owned()
}

fn demo_dog(name: &str) -> String {
    format!(
        "{}/../../demo-salon/dogs/{name}.json",
        env!("CARGO_MANIFEST_DIR")
    )
}

fn committed(path: &str) -> String {
    let path = format!("{}/../../{path}", env!("CARGO_MANIFEST_DIR"));
    fs::read_to_string(path).expect("committed")
}

#[test]
fn a_dog_file_is_planned_without_a_server() {
    let text = veliform(&["plan", &demo_dog("turntable"), "--look", "lamb"]);
    assert!(text.status.success());
    assert!(said(&text).contains("points right"), "{}", said(&text));
    let json = veliform(&[
        "plan",
        &demo_dog("turntable"),
        "--look",
        "one-length",
        "--format",
        "json",
    ]);
    let plan: serde_json::Value = serde_json::from_slice(&json.stdout).expect("JSON");
    assert_eq!(plan["look"], "one_length");
}

/// Each plan of a batch is the plan that the dog gets alone, in the order asked for; a broken file
/// keeps none of the others back.
#[test]
fn many_dog_files_are_planned_one_a_line_and_a_broken_one_is_named() {
    let folder = tempfile::tempdir().expect("a folder");
    let broken = folder.path().join("broken.json");
    fs::write(&broken, "{").expect("writes");
    let broken = broken.to_string_lossy().into_owned();
    let dogs = [demo_dog("turntable"), broken, demo_dog("tappet")];
    let mut args = vec!["plan", "--format", "json", "--no-reasons"];
    let alone = |dog: &String| -> serde_json::Value {
        let output = veliform(&[&args[..], &[dog]].concat());
        serde_json::from_slice(&output.stdout).expect("JSON")
    };
    let expected = [alone(&dogs[0]), alone(&dogs[2])];
    args.extend(dogs.iter().map(String::as_str));
    let output = veliform(&args);
    let lines: Vec<serde_json::Value> = said(&output)
        .lines()
        .map(|line| serde_json::from_str(line).expect("one plan a line"))
        .collect();
    assert_eq!(lines, expected);
    let error = String::from_utf8_lossy(&output.stderr).into_owned();
    assert!(error.contains("broken.json"), "{error}");
    assert!(error.contains("1 of 3 dog files"), "{error}");
    assert!(!output.status.success());
}

/// When these fail: `cargo run -p veliform-server -- schema` or `-- openapi`, into docs/formats.
#[test]
fn the_committed_schema_and_openapi_document_are_fresh() {
    assert_eq!(
        said(&veliform(&["schema"])),
        committed("docs/formats/dog-file.schema.json")
    );
    assert_eq!(
        said(&veliform(&["openapi"])),
        committed("docs/formats/openapi.json")
    );
}

#[test]
fn a_dog_goes_in_and_out_by_the_command_line_byte_by_byte() {
    let folder = tempfile::tempdir().expect("a folder");
    let path = |name: &str| folder.path().join(name).to_string_lossy().into_owned();
    let data = path("salon.db");
    let run = |args: &[&str]| {
        let output = veliform(args);
        assert!(
            output.status.success(),
            "{}",
            String::from_utf8_lossy(&output.stderr)
        );
    };
    run(&["import", "--data", &data, &demo_dog("tappet")]);
    run(&[
        "export",
        "--data",
        &data,
        "Tappet",
        "--out",
        &path("one.json"),
    ]);
    run(&["import", "--data", &path("other.db"), &path("one.json")]);
    run(&[
        "export",
        "--data",
        &path("other.db"),
        "tappet",
        "--out",
        &path("two.json"),
    ]);
    assert_eq!(
        fs::read(path("one.json")).expect("reads"),
        fs::read(path("two.json")).expect("reads")
    );
}

/// A copy taken while the salon is served goes back into an empty place; every dog goes out on its own.
#[test]
fn a_salon_is_copied_put_back_and_written_out() {
    let folder = tempfile::tempdir().expect("a folder");
    let path = |name: &str| folder.path().join(name).to_string_lossy().into_owned();
    let (data, copy, other) = (path("salon.db"), path("copy.db"), path("other.db"));
    let run = |args: &[&str]| {
        let output = veliform(args);
        assert!(output.status.success(), "{args:?}: {}", complaint(&output));
        said(&output)
    };
    for dog in ["tappet", "gangway"] {
        run(&["import", "--data", &data, &demo_dog(dog)]);
    }
    assert!(run(&["backup", "--data", &data, &copy]).contains("checked"));
    run(&["restore", "--data", &other, &copy]);
    assert!(run(&["export-all", "--data", &other, &path("dogs")]).starts_with("2 dogs"));
    for file in fs::read_dir(path("dogs")).expect("a folder").flatten() {
        let name = file.path().to_string_lossy().into_owned();
        run(&["import", "--data", &path("third.db"), &name]);
    }
    assert_eq!(
        run(&["export", "--data", &path("third.db"), "Tappet"]),
        run(&["export", "--data", &data, "Tappet"])
    );
    // Only the newest visit, where the whole life is not wanted.
    let newest: serde_json::Value = serde_json::from_str(&run(&[
        "export", "--data", &data, "Tappet", "--newest", "1",
    ]))
    .expect("JSON");
    let whole: serde_json::Value =
        serde_json::from_str(&run(&["export", "--data", &data, "Tappet"])).expect("JSON");
    let began = |v: &serde_json::Value| v["began_ms"].as_i64().expect("a date");
    let all = whole["visits"].as_array().expect("visits");
    assert!(all.len() > 1);
    assert_eq!(newest["visits"].as_array().map(Vec::len), Some(1));
    assert_eq!(
        Some(began(&newest["visits"][0])),
        all.iter().map(began).max()
    );

    // What is no copy is refused, and nothing is put anywhere.
    let refused = veliform(&["restore", "--data", &path("none.db"), &demo_dog("tappet")]);
    assert!(!refused.status.success());
    assert!(
        complaint(&refused).contains("no data file of Veliform"),
        "{}",
        complaint(&refused)
    );
    assert!(!folder.path().join("none.db").exists());
}

#[test]
fn what_cannot_be_done_is_said_in_one_sentence() {
    let folder = tempfile::tempdir().expect("a folder");
    let broken = folder.path().join("broken.json");
    fs::write(&broken, "{\"format\": \"veliform-dog\"").expect("writes");
    let data = folder.path().join("salon.db");
    // Two dogs of one name: which is meant has to be said.
    let mut twin: serde_json::Value =
        serde_json::from_slice(&fs::read(demo_dog("tappet")).expect("reads")).expect("JSON");
    twin["dog"]["id"] = "00000000-0000-4000-8000-00000000000a".into();
    twin["visits"] = serde_json::json!([]);
    let second = folder.path().join("twin.json");
    fs::write(&second, twin.to_string()).expect("writes");
    for file in [Path::new(&demo_dog("tappet")), &second] {
        let file = file.to_string_lossy().into_owned();
        let data = data.to_string_lossy().into_owned();
        assert!(
            veliform(&["import", "--data", &data, &file])
                .status
                .success()
        );
    }
    let text = |p: &Path| p.to_string_lossy().into_owned();
    for (args, expected) in [
        (
            vec!["serve".to_owned(), "--bind".into(), "0.0.0.0".into()],
            "listens on this machine only",
        ),
        (
            vec!["plan".into(), text(&broken)],
            "does not read (line 1, column 25): the text ends too early",
        ),
        (
            vec![
                "plan".into(),
                demo_dog("tappet"),
                "--data".into(),
                text(&folder.path().join("typo.db")),
            ],
            "there is no such data file",
        ),
        (
            vec!["plan".into(), "/no/such/file.json".into()],
            "No such file",
        ),
        (
            vec![
                "export".into(),
                "--data".into(),
                text(&data),
                "Nobody".into(),
            ],
            "there is no dog “Nobody” in this salon",
        ),
        (
            vec![
                "export".into(),
                "--data".into(),
                text(&data),
                "tappet".into(),
            ],
            "several dogs here are called “tappet”; give the id of one",
        ),
    ] {
        let args: Vec<&str> = args.iter().map(String::as_str).collect();
        let output = veliform(&args);
        let error = String::from_utf8_lossy(&output.stderr).into_owned();
        assert!(!output.status.success(), "{args:?}");
        assert!(error.contains(expected), "{args:?}: {error}");
        assert!(!error.contains("panicked"), "{error}");
    }
}

#[test]
fn the_demo_serves_on_a_free_port_and_stops_cleanly() {
    let folder = tempfile::tempdir().expect("a folder");
    let mut child = Command::new(env!("CARGO_BIN_EXE_veliform"))
        .args(["demo", "--port", "0", "--folder"])
        .arg(folder.path())
        .stdout(Stdio::piped())
        .spawn()
        .expect("starts");
    let out = child.stdout.take().expect("piped");
    let lines: Vec<String> = BufReader::new(out)
        .lines()
        .map_while(Result::ok)
        .take(3)
        .collect();
    assert!(lines[1].contains("demo data is kept in"));
    assert!(lines[2].starts_with("Try this:"));
    let address = lines[0]
        .rsplit("http://")
        .next()
        .expect("an address")
        .to_owned();
    let mut stream = TcpStream::connect(&address).expect("listens");
    write!(
        stream,
        "GET /api/health HTTP/1.1\r\nHost: {address}\r\nConnection: close\r\n\r\n"
    )
    .expect("asks");
    let mut answer = String::new();
    stream.read_to_string(&mut answer).expect("answers");
    assert!(answer.starts_with("HTTP/1.1 200"), "{answer}");
    let ended = Command::new("kill")
        .args(["-INT", &child.id().to_string()])
        .status()
        .expect("kill");
    assert!(ended.success());
    assert!(
        child.wait().expect("ends").success(),
        "Ctrl-C ends it with code 0"
    );
}
