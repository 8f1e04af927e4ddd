use serde::{Deserialize, Serialize};
use serde_json::Value;
use utoipa::ToSchema;
use uuid::Uuid;
use veliform_core::dog::Dog;
use veliform_core::visit::{Entry, KeptPlan};

use crate::said::{Unreadable, read_json};

/// Names the format in every dog file.
pub const DOG_FILE_FORMAT: &str = "veliform-dog";
/// The version written; older ones are read, newer ones are refused. Version 2: entries stand in the order
/// of their stamps. Version 3: a kept drawing may hold many strokes as one shape.
/// Version 4: a dog's own ways, its weight, what last time's run says of steps. Version 5: sites, and where the
/// comb stopped.
pub const DOG_FILE_VERSION: u32 = 5;
/// Largest dog file read, bytes: a hundred visits with two plans each.
pub const MOST_BYTES: usize = 64 * 1024 * 1024;

/// A dog with all its visits, as one file (docs/formats/dog-file.md).
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct DogFile {
    /// Always `veliform-dog`.
    pub format: String,
    /// Version of the format.
    pub version: u32,
    /// The dog.
    pub dog: Dog,
    /// Its visits, oldest first.
    pub visits: Vec<VisitRecord>,
}

/// One visit: its log of entries, and the plans kept.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct VisitRecord {
    /// Made by the screen that began it.
    pub id: Uuid,
    /// When it began, milliseconds since 1970 in UTC.
    pub began_ms: i64,
    /// What was said, in that order.
    pub entries: Vec<Entry>,
    /// Plans kept, oldest first.
    #[serde(default)]
    pub plans: Vec<KeptPlan>,
}

/// Why a dog file is refused; the database stays untouched.
#[derive(Debug, thiserror::Error)]
pub enum DogFileError {
    /// Larger than is read.
    #[error("the dog file has {bytes} bytes; the largest read is {most}. Export fewer visits.")]
    TooLarge {
        /// Its size.
        bytes: usize,
        /// The limit.
        most: usize,
    },
    /// Not JSON, or not of this shape.
    #[error("the dog file does not read (line {}, column {}): {}. Export it again, or mend it there.", .0.line, .0.column, .0)]
    Broken(#[source] Unreadable),
    /// A field that this version does not know: a slip of the pen is not passed over in silence.
    #[error(
        "the dog file says something that is not known: “{field}” in {place}. Mend or remove it there."
    )]
    UnknownField {
        /// The field.
        field: String,
        /// Where it stands, as people count.
        place: String,
    },
    /// Another kind of file.
    #[error("this is a “{found}” file, not a {DOG_FILE_FORMAT} file; choose a dog file.")]
    OtherFormat {
        /// The name it carries.
        found: String,
    },
    /// Written by a newer program.
    #[error(
        "the dog file has version {found}; this program reads up to {DOG_FILE_VERSION}. Update Veliform."
    )]
    NewerVersion {
        /// Its version.
        found: u32,
    },
    /// Readable, but the dog cannot be.
    #[error("the dog in the file cannot be kept: {what}")]
    Dog {
        /// The first thing wrong.
        what: String,
    },
}

/// Writes a dog file: the same dog gives the same bytes.
///
/// # Errors
/// None in practice: every core value can be written.
pub fn write_dog_file(dog: &Dog, visits: &[VisitRecord]) -> Result<Vec<u8>, serde_json::Error> {
    let mut visits = visits.to_vec();
    visits.sort_by_key(|v| (v.began_ms, v.id));
    for visit in &mut visits {
        visit.entries.sort_by_key(Entry::said_order);
        visit.plans.sort_by_key(|p| (p.at_ms, p.id));
    }
    let file = DogFile {
        format: DOG_FILE_FORMAT.into(),
        version: DOG_FILE_VERSION,
        dog: dog.clone(),
        visits,
    };
    let mut bytes = serde_json::to_vec(&file)?;
    bytes.push(b'\n');
    Ok(bytes)
}

#[derive(Deserialize)]
struct Header {
    #[serde(default)]
    format: Option<String>,
    #[serde(default)]
    version: Option<u32>,
}

/// Reads a dog file, refusing what is not one with place and reason.
///
/// # Errors
/// Too large, broken, of another format, newer, or with a dog that cannot be.
pub fn read_dog_file(bytes: &[u8]) -> Result<DogFile, DogFileError> {
    if bytes.len() > MOST_BYTES {
        return Err(DogFileError::TooLarge {
            bytes: bytes.len(),
            most: MOST_BYTES,
        });
    }
    let header: Header = read_json(bytes).map_err(DogFileError::Broken)?;
    match header.format.as_deref() {
        Some(DOG_FILE_FORMAT) => {}
        other => {
            return Err(DogFileError::OtherFormat {
                found: other.unwrap_or("nameless").chars().take(40).collect(),
            });
        }
    }
    if let Some(found) = header.version.filter(|v| *v > DOG_FILE_VERSION) {
        return Err(DogFileError::NewerVersion { found });
    }
    let file: DogFile = read_json(bytes).map_err(DogFileError::Broken)?;
    if let Some((place, field)) = unknown_field(bytes, &file) {
        return Err(DogFileError::UnknownField { field, place });
    }
    if let Some(problem) = file.dog.check().into_iter().next() {
        return Err(DogFileError::Dog {
            what: problem.message,
        });
    }
    Ok(file)
}

/// The first field of the file that reading it left behind, with its place; none where all was read.
///
/// What was read is written again and held against the file. Plans kept and sheets begun with are
/// results of their day, which later versions may write with other fields: they are passed over.
fn unknown_field(bytes: &[u8], read: &DogFile) -> Option<(String, String)> {
    let there: Value = serde_json::from_slice(bytes).ok()?;
    let again = serde_json::to_value(read).ok()?;
    left_behind(&there, &again, "the dog file")
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

const PASSED_OVER: [&str; 2] = ["plans", "sheet"];

fn is_nothing(value: &Value) -> bool {
    match value {
        Value::Null | Value::Bool(false) => true,
        Value::String(text) => text.is_empty(),
        Value::Array(list) => list.is_empty(),
        Value::Object(map) => map.is_empty(),
        Value::Bool(true) | Value::Number(_) => false,
    }
}
