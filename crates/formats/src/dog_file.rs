use serde::{Deserialize, Serialize};
use utoipa::ToSchema;
use uuid::Uuid;
use veliform_core::dog::Dog;
use veliform_core::visit::{Entry, KeptPlan};

use crate::kind::{FileError, FileKind};

/// Names the format in every dog file.
pub const DOG_FILE_FORMAT: &str = "veliform-dog";
/// The version written; older ones are read, newer ones are refused. Version 2: entries stand in the order
/// of their stamps. Version 3: a kept drawing may hold many strokes as one shape.
/// Version 4: a dog's own ways, its weight, what last time's run says of steps. Version 5: sites, and where the
/// comb stopped. Version 6: which of several owners of a name, whether a dog is neutered, ways of an own look.
pub const DOG_FILE_VERSION: u32 = 6;
/// Largest dog file read, bytes: a hundred visits with two plans each.
pub const MOST_BYTES: usize = 64 * 1024 * 1024;

const KIND: FileKind = FileKind {
    format: DOG_FILE_FORMAT,
    version: DOG_FILE_VERSION,
    noun: "dog file",
    most_bytes: MOST_BYTES,
    smaller: "Export fewer visits.",
};

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

/// Reads a dog file, refusing what is not one with place and reason.
///
/// # Errors
/// Too large, broken, of another format, newer, or with a dog that cannot be.
pub fn read_dog_file(bytes: &[u8]) -> Result<DogFile, FileError> {
    let file: DogFile = KIND.read(bytes)?;
    FileKind::refuse("dog", file.dog.check())?;
    Ok(file)
}
