use schemars::JsonSchema;
use serde::{Deserialize, Serialize};
use uuid::Uuid;
use veliform_core::dog::Dog;
use veliform_core::visit::{Entry, KeptPlan};

/// Names the format in every dog file.
pub const DOG_FILE_FORMAT: &str = "veliform-dog";
/// The version written; older ones would be read, newer ones are refused.
pub const DOG_FILE_VERSION: u32 = 1;
/// Largest dog file read, bytes: years of visits with their plans.
pub const MOST_BYTES: usize = 32 * 1024 * 1024;

/// A dog with all its visits, as one file (docs/formats/dog-file.md).
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, JsonSchema)]
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
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, JsonSchema)]
#[serde(deny_unknown_fields)]
pub struct VisitRecord {
    /// Made by the screen that began it.
    pub id: Uuid,
    /// When it began, milliseconds since 1970 in UTC.
    pub began_ms: i64,
    /// What was said, in the order of time and id.
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
    #[error("the dog file is broken at line {line}, column {column}: {what}. Export it again.")]
    Broken {
        /// Line, from 1.
        line: usize,
        /// Column, from 1.
        column: usize,
        /// What is wrong there.
        what: String,
        /// The reader's own error.
        #[source]
        source: serde_json::Error,
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
        visit.entries.sort_by_key(|e| (e.at_ms, e.id));
        visit.plans.sort_by_key(|p| (p.at_ms, p.id));
    }
    let file = DogFile {
        format: DOG_FILE_FORMAT.into(),
        version: DOG_FILE_VERSION,
        dog: dog.clone(),
        visits,
    };
    let mut bytes = serde_json::to_vec_pretty(&file)?;
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
    let broken = |source: serde_json::Error| {
        let text = source.to_string();
        DogFileError::Broken {
            line: source.line(),
            column: source.column(),
            what: text
                .split(" at line ")
                .next()
                .unwrap_or_default()
                .to_owned(),
            source,
        }
    };
    let header: Header = serde_json::from_slice(bytes).map_err(broken)?;
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
    let file: DogFile = serde_json::from_slice(bytes).map_err(broken)?;
    if let Some(problem) = file.dog.check().into_iter().next() {
        return Err(DogFileError::Dog {
            what: problem.message,
        });
    }
    Ok(file)
}

/// The JSON Schema of the dog file.
pub fn schema() -> serde_json::Value {
    schemars::schema_for!(DogFile).to_value()
}
