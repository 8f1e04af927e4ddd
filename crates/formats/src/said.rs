use serde::de::DeserializeOwned;

/// A text of JSON that does not say what it should: where, and why in a sentence.
#[derive(Debug, thiserror::Error)]
#[error("{}{what}", place_text(place))]
pub struct Unreadable {
    /// The place, as people count: `visits 1, entries 4, body`; empty for the whole.
    pub place: String,
    /// What is wrong there and what would be understood.
    pub what: String,
    /// Line, from 1.
    pub line: usize,
    /// Column, from 1.
    pub column: usize,
    /// The reader's own error.
    #[source]
    pub source: serde_json::Error,
}

fn place_text(place: &str) -> String {
    if place.is_empty() {
        String::new()
    } else {
        format!("{place}: ")
    }
}

/// Reads a value from JSON.
///
/// # Errors
/// With the place and a sentence without words of code.
pub fn read_json<T: DeserializeOwned>(bytes: &[u8]) -> Result<T, Unreadable> {
    let mut reader = serde_json::Deserializer::from_slice(bytes);
    let value = serde_path_to_error::deserialize(&mut reader).map_err(|error| {
        let place = place_of(error.path());
        unreadable(place, error.into_inner())
    })?;
    reader
        .end()
        .map_err(|error| unreadable(String::new(), error))?;
    Ok(value)
}

fn unreadable(place: String, source: serde_json::Error) -> Unreadable {
    // Where the text itself is broken the line says where; a place among values would mislead.
    let is_text = source.is_eof() || source.is_syntax();
    let place = if is_text { String::new() } else { place };
    let what = if source.is_eof() {
        "the text ends too early".into()
    } else if source.is_syntax() {
        format!(
            "the text makes no sense at line {}, column {}; a comma, quote or bracket may be missing",
            source.line(),
            source.column()
        )
    } else {
        sentence(&source.to_string())
    };
    Unreadable {
        place,
        what,
        line: source.line(),
        column: source.column(),
        source,
    }
}

/// `visits[0].entries[3].body` as people count: `visits 1, entries 4, body`.
fn place_of(path: &serde_path_to_error::Path) -> String {
    use serde_path_to_error::Segment;
    let mut place = String::new();
    for segment in path {
        match segment {
            Segment::Seq { index } => {
                if !place.is_empty() {
                    place.push(' ');
                }
                place.push_str(&(index + 1).to_string());
            }
            Segment::Map { key } => {
                let comma = if place.is_empty() { "" } else { ", " };
                place.push_str(comma);
                place.push_str(&spoken(key));
            }
            Segment::Enum { .. } | Segment::Unknown => {}
        }
    }
    place
}

/// A word of the format as it is spoken.
fn spoken(word: &str) -> String {
    word.replace('_', " ")
}

/// How many near words are named.
const NEAREST: usize = 3;
/// Words less alike than this are no help (Jaro-Winkler, 0 to 1; modelling choice).
const ALIKE: f64 = 0.6;

/// The reader's message without its words of code.
fn sentence(message: &str) -> String {
    let message = message.split(" at line ").next().unwrap_or(message);
    let quoted: Vec<&str> = message.split('`').skip(1).step_by(2).collect();
    let first = quoted.first().copied().unwrap_or_default();
    if message.starts_with("unknown variant ") {
        return unknown(
            "is no answer here",
            first,
            quoted.get(1..).unwrap_or_default(),
        );
    }
    if message.starts_with("unknown field ") {
        return unknown(
            "is not known here",
            first,
            quoted.get(1..).unwrap_or_default(),
        );
    }
    if message.starts_with("missing field ") {
        return format!("“{}” is missing; it has to be said", spoken(first));
    }
    if message.starts_with("invalid length ") {
        return "a list of another length stands there; a record is wanted".into();
    }
    let wrong = message
        .strip_prefix("invalid type: ")
        .or_else(|| message.strip_prefix("invalid value: "));
    if let Some((found, wanted)) = wrong.and_then(|w| w.split_once(", expected ")) {
        return format!(
            "{} stands there; {} is wanted",
            found_text(found),
            wanted_text(wanted)
        );
    }
    message.to_owned()
}

fn unknown(is_what: &str, word: &str, known: &[&str]) -> String {
    let mut near: Vec<(f64, &str)> = known
        .iter()
        .map(|k| (strsim::jaro_winkler(word, k), *k))
        .filter(|(alike, _)| *alike >= ALIKE || known.len() <= NEAREST)
        .collect();
    near.sort_by(|a, b| b.0.total_cmp(&a.0));
    let names: Vec<String> = near
        .into_iter()
        .take(NEAREST)
        .map(|(_, k)| format!("“{}”", spoken(k)))
        .collect();
    let word: String = word.chars().take(60).collect();
    match names.as_slice() {
        [] => format!("“{word}” {is_what}"),
        [one] => format!("“{word}” {is_what}; the nearest is {one}"),
        [most @ .., last] => format!(
            "“{word}” {is_what}; the nearest are {} or {last}",
            most.join(", ")
        ),
    }
}

fn found_text(found: &str) -> String {
    let value = found.split_once(' ').map_or(found, |(_, v)| v);
    let value: String = value.trim_matches(['`', '"']).chars().take(60).collect();
    match found.split([' ', ',']).next().unwrap_or_default() {
        "null" => "nothing".into(),
        "map" => "a record".into(),
        "sequence" => "a list".into(),
        _ => format!("“{value}”"),
    }
}

fn wanted_text(wanted: &str) -> String {
    match wanted {
        "f64" | "f32" => "a number".into(),
        "u8" => "a whole number from 0 to 255".into(),
        "u16" => "a whole number from 0 to 65,535".into(),
        "u32" | "u64" | "usize" => "a whole number from 0 up".into(),
        "i32" | "i64" => "a whole number".into(),
        "a string" | "a borrowed string" | "string or map" | "a formatted UUID string" => {
            "text".into()
        }
        "a boolean" => "yes or no (true or false)".into(),
        "a sequence" => "a list".into(),
        "a map" => "a record".into(),
        other if other.starts_with("struct ") || other.contains("enum ") => "a record".into(),
        other if other.starts_with("a sequence") || other.starts_with("a tuple") => "a list".into(),
        other => spoken(other),
    }
}

#[cfg(test)]
mod tests {
    use super::*;
    use rstest::rstest;
    use serde::Deserialize;

    #[derive(Debug, Deserialize)]
    #[serde(rename_all = "snake_case")]
    enum Grade {
        None,
        Slight,
        Marked,
        VeryMarked,
    }

    #[derive(Debug, Deserialize)]
    #[serde(deny_unknown_fields)]
    struct Felt {
        #[expect(dead_code, reason = "only read")]
        how_much: Grade,
        #[expect(dead_code, reason = "only read")]
        age_months: Option<u16>,
    }

    #[rstest]
    #[case(
        r#"[{"how_much":"none"},{"how_much":"markd"}]"#,
        "2, how much: “markd” is no answer here; the nearest is “marked”"
    )]
    #[case(
        r#"[{"how_much":"none","age_months":-60}]"#,
        "1, age months: “-60” stands there; a whole number from 0 to 65,535 is wanted"
    )]
    #[case(
        r#"[{"how_much":"none","age_month":6}]"#,
        "1, age month: “age_month” is not known here; the nearest are “age months” or “how much”"
    )]
    #[case(r"[{}]", "1: “how much” is missing; it has to be said")]
    #[case(r#"[{"how_much":"none"}"#, "the text ends too early")]
    #[case(
        r#"[{"how_much" "none"}]"#,
        "the text makes no sense at line 1, column 14; a comma, quote or bracket may be missing"
    )]
    fn what_does_not_read_is_said_without_words_of_code(#[case] text: &str, #[case] said: &str) {
        let error = read_json::<Vec<Felt>>(text.as_bytes()).expect_err("refused");
        assert_eq!(error.to_string().trim(), said);
    }
}
