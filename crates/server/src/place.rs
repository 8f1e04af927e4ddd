//! Where a salon's data is kept when nobody says where.

use std::path::PathBuf;

use crate::commands::CommandError;

/// The data file given, or the one in this person's own data folder (XDG Base Directory
/// Specification 0.8), whose folder is made.
pub(crate) fn data_file(given: Option<PathBuf>) -> Result<PathBuf, CommandError> {
    if let Some(path) = given {
        return Ok(path);
    }
    let folder = dirs::data_dir()
        .ok_or(CommandError::NoHome)?
        .join("veliform");
    std::fs::create_dir_all(&folder).map_err(|source| CommandError::File {
        path: folder.clone(),
        source,
    })?;
    Ok(folder.join("salon.db"))
}
