use serde::{Deserialize, Serialize};
use veliform_core::look::OwnLook;

use crate::kind::{FileError, FileKind};

const KIND: FileKind = FileKind {
    format: "veliform-look",
    version: 1,
    noun: "look file",
    // A hundred times the largest look that can be made.
    most_bytes: 256 * 1024,
    smaller: "Export the look again.",
};

/// A look of a salon's own as one file, for another salon (docs/formats/look-file.md).
#[derive(Debug, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
struct LookFile {
    format: String,
    version: u32,
    look: OwnLook,
}

/// Writes a look file: the same look gives the same bytes.
///
/// # Errors
/// None in practice: every look can be written.
pub fn write_look_file(look: &OwnLook) -> Result<Vec<u8>, serde_json::Error> {
    let file = LookFile {
        format: KIND.format.into(),
        version: KIND.version,
        look: look.clone(),
    };
    let mut bytes = serde_json::to_vec_pretty(&file)?;
    bytes.push(b'\n');
    Ok(bytes)
}

/// Reads a look file, refusing what is not one with place and reason.
///
/// # Errors
/// Too large, broken, of another format, newer, or with a look that cannot be.
pub fn read_look_file(bytes: &[u8]) -> Result<OwnLook, FileError> {
    let LookFile { look, .. } = KIND.read(bytes)?;
    FileKind::refuse("look", look.check())?;
    Ok(look)
}
