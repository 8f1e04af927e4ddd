use serde::de::DeserializeOwned;
use serde::{Deserialize, Serialize};
use serde_json::Value;
use veliform_core::frame::Problem;

use crate::said::{Unreadable, read_json};

/// A kind of file of ours.
pub(crate) struct FileKind {
    /// Its name in every file.
    pub(crate) format: &'static str,
    /// The version written; older ones are read, newer ones are refused.
    pub(crate) version: u32,
    /// Its name to people.
    pub(crate) noun: &'static str,
    /// The largest that is read, bytes.
    pub(crate) most_bytes: usize,
    /// How a smaller one is made.
    pub(crate) smaller: &'static str,
}

/// Why a file is refused; the database stays untouched.
#[derive(Debug, thiserror::Error)]
pub enum FileError {
    /// Larger than is read.
    #[error("the {noun} has {bytes} bytes; the largest read is {most}. {smaller}")]
    TooLarge {
        /// Its kind.
        noun: &'static str,
        /// Its size.
        bytes: usize,
        /// The limit.
        most: usize,
        /// What to do.
        smaller: &'static str,
    },
    /// Not JSON, or not of this shape.
    #[error("the {noun} does not read (line {}, column {}): {}. Export it again, or mend it there.", .why.line, .why.column, .why)]
    Broken {
        /// Its kind.
        noun: &'static str,
        /// Where and why.
        #[source]
        why: Unreadable,
    },
    /// A field that this version does not know: a slip of the pen is not passed over in silence.
    #[error(
        "the {noun} says something that is not known: “{field}” in {place}. Mend or remove it there."
    )]
    UnknownField {
        /// Its kind.
        noun: &'static str,
        /// The field.
        field: String,
        /// Where it stands, as people count.
        place: String,
    },
    /// Another kind of file.
    #[error("this is a “{found}” file, not a {format} file; choose a {noun}.")]
    OtherFormat {
        /// The kind asked for.
        noun: &'static str,
        /// Its name in the file.
        format: &'static str,
        /// The name it carries.
        found: String,
    },
    /// Written by a newer program.
    #[error("the {noun} has version {found}; this program reads up to {most}. Update Veliform.")]
    NewerVersion {
        /// Its kind.
        noun: &'static str,
        /// Its version.
        found: u32,
        /// The newest that is read.
        most: u32,
    },
    /// Readable, but what it holds cannot be.
    #[error("the {holds} in the file cannot be saved: {why}")]
    CannotBe {
        /// What it holds.
        holds: &'static str,
        /// The first thing wrong.
        why: String,
    },
}

#[derive(Deserialize)]
struct Header {
    #[serde(default)]
    format: Option<String>,
    #[serde(default)]
    version: Option<u32>,
}

impl FileKind {
    /// Reads a file of this kind, whole.
    pub(crate) fn read<T: Serialize + DeserializeOwned>(
        &self,
        bytes: &[u8],
    ) -> Result<T, FileError> {
        let noun = self.noun;
        if bytes.len() > self.most_bytes {
            return Err(FileError::TooLarge {
                noun,
                bytes: bytes.len(),
                most: self.most_bytes,
                smaller: self.smaller,
            });
        }
        let broken = |why| FileError::Broken { noun, why };
        let header: Header = read_json(bytes).map_err(broken)?;
        if header.format.as_deref() != Some(self.format) {
            let found = header.format.as_deref().unwrap_or("nameless");
            return Err(FileError::OtherFormat {
                noun,
                format: self.format,
                found: found.chars().take(40).collect(),
            });
        }
        if let Some(found) = header.version.filter(|v| *v > self.version) {
            return Err(FileError::NewerVersion {
                noun,
                found,
                most: self.version,
            });
        }
        let file: T = read_json(bytes).map_err(broken)?;
        match unknown_field(bytes, &file, noun) {
            Some((place, field)) => Err(FileError::UnknownField { noun, field, place }),
            None => Ok(file),
        }
    }

    /// Refuses a file for the first thing wrong with what it holds.
    pub(crate) fn refuse(holds: &'static str, problems: Vec<Problem>) -> Result<(), FileError> {
        problems.into_iter().next().map_or(Ok(()), |problem| {
            Err(FileError::CannotBe {
                holds,
                why: problem.message,
            })
        })
    }
}

/// Plans kept and sheets begun with are results of their day.
const PASSED_OVER: [&str; 2] = ["plans", "sheet"];

/// The first field of the file that reading it left behind, with its place; none where all was read.
///
/// What was read is written again and held against the file. Plans kept and sheets begun with are
/// results of their day, which later versions may write with other fields: they are passed over.
fn unknown_field<T: Serialize>(bytes: &[u8], read: &T, noun: &str) -> Option<(String, String)> {
    let there: Value = serde_json::from_slice(bytes).ok()?;
    let again = serde_json::to_value(read).ok()?;
    left_behind(&there, &again, &format!("the {noun}"))
}

fn left_behind(there: &Value, again: &Value, place: &str) -> Option<(String, String)> {
    match (there, again) {
        (Value::Object(there), Value::Object(again)) => there.iter().find_map(|(key, value)| {
            if PASSED_OVER.contains(&key.as_str()) {
                return None;
            }
            match again.get(key) {
                Some(read) => {
                    left_behind(value, read, &format!("{place}, {}", key.replace('_', " ")))
                }
                // Nothing said is written as nothing.
                None if is_nothing(value) => None,
                None => Some((place.to_owned(), key.chars().take(60).collect())),
            }
        }),
        (Value::Array(there), Value::Array(again)) => there
            .iter()
            .zip(again)
            .enumerate()
            .find_map(|(i, (value, read))| left_behind(value, read, &format!("{place} {}", i + 1))),
        _ => None,
    }
}

fn is_nothing(value: &Value) -> bool {
    match value {
        Value::Null | Value::Bool(false) => true,
        Value::String(text) => text.is_empty(),
        Value::Array(list) => list.is_empty(),
        Value::Object(map) => map.is_empty(),
        Value::Bool(true) | Value::Number(_) => false,
    }
}
