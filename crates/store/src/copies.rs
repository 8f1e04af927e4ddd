//! Safe copies: taken while the salon works, checked before they are called done, put back by hand.

use std::ffi::OsString;
use std::fs;
use std::path::{Path, PathBuf};
use std::time::Duration;

use rusqlite::Connection;
use rusqlite::backup::Backup;

use crate::error::StoreError;
use crate::lock::Lock;
use crate::open::Store;

/// All pages in one step: one look at the write-ahead log, under which others write on. In several
/// steps each write of another would make the copy begin again.
const PAGES_AT_ONCE: i32 = i32::MAX;
/// How long it waits where the file is held for a moment.
const BREATH: Duration = Duration::from_millis(2);

impl Store {
    /// Writes a whole copy of the salon, as it stood at one moment, while others may write on. Nothing
    /// stands at `to` before the copy is whole and checked.
    ///
    /// # Errors
    /// If there is a file already, none can be written there, or the copy does not check: then there is none.
    pub fn back_up(&self, to: &Path) -> Result<(), StoreError> {
        if to.exists() {
            return Err(StoreError::NotMade(already_there()));
        }
        let part = beside(to, ".part");
        let copied = self.copy_into(&part).and_then(|()| {
            fs::rename(&part, to).map_err(StoreError::NotMade)?;
            settle_folder(to)
        });
        if copied.is_err() {
            remove(&part);
        }
        copied
    }

    fn copy_into(&self, part: &Path) -> Result<(), StoreError> {
        remove(part);
        Self::new_file(part)?;
        let mut copy = Connection::open(part)?;
        Backup::new(self.read(), &mut copy)?.run_to_completion(PAGES_AT_ONCE, BREATH, None)?;
        // One file that can be carried about: no journal beside it.
        copy.pragma_update(None, "journal_mode", "DELETE")?;
        let said: String = copy.query_row("PRAGMA integrity_check", [], |row| row.get(0))?;
        copy.close().map_err(|(_, error)| error)?;
        if said != "ok" {
            return Err(StoreError::Damaged(said));
        }
        let file = fs::File::open(part).map_err(StoreError::NotMade)?;
        file.sync_all().map_err(StoreError::NotMade)
    }

    /// Puts a copy back as the salon's data file. What stood there is kept beside it and its path
    /// answered.
    ///
    /// # Errors
    /// If somebody serves the salon, or the copy is none of ours or damaged: then nothing is changed.
    pub fn restore(from: &Path, data: &Path) -> Result<Option<PathBuf>, StoreError> {
        let _lock = Lock::take(data)?;
        let copy = Self::open_to_read(from)?;
        let part = beside(data, ".part");
        if let Err(error) = copy.copy_into(&part) {
            remove(&part);
            return Err(error);
        }
        let aside = set_aside(data)?;
        fs::rename(&part, data).map_err(StoreError::NotMade)?;
        settle_folder(data)?;
        Ok(aside)
    }
}

/// Moves a data file with its journal to a free name; a damaged one as well, so it is not opened.
fn set_aside(data: &Path) -> Result<Option<PathBuf>, StoreError> {
    if !data.exists() {
        // A journal without its file belongs to nothing that is left.
        for journal in JOURNALS {
            remove(&beside(data, journal));
        }
        return Ok(None);
    }
    let aside = (1..=MOST_ASIDE)
        .map(|n| beside(data, &format!(".before-restore-{n}")))
        .find(|path| !path.exists())
        .ok_or_else(|| StoreError::NotMade(already_there()))?;
    fs::rename(data, &aside).map_err(StoreError::NotMade)?;
    for journal in JOURNALS {
        let here = beside(data, journal);
        if here.exists() {
            fs::rename(here, beside(&aside, journal)).map_err(StoreError::NotMade)?;
        }
    }
    Ok(Some(aside))
}

/// So many files are kept aside before somebody looks at them.
const MOST_ASIDE: u32 = 1000;

/// What SQLite keeps beside a file while it is written.
const JOURNALS: [&str; 3] = ["-wal", "-shm", "-journal"];

pub(crate) fn beside(path: &Path, ending: &str) -> PathBuf {
    let mut name = OsString::from(path);
    name.push(ending);
    PathBuf::from(name)
}

fn remove(path: &Path) {
    // Not there is what is wanted; anything else shows when the name is used.
    let _ = fs::remove_file(path);
}

/// A renamed file is only where it is once its folder is on the disk.
fn settle_folder(path: &Path) -> Result<(), StoreError> {
    #[cfg(unix)]
    if let Some(folder) = path.parent().filter(|p| !p.as_os_str().is_empty()) {
        let folder = fs::File::open(folder).map_err(StoreError::NotMade)?;
        folder.sync_all().map_err(StoreError::NotMade)?;
    }
    Ok(())
}

fn already_there() -> std::io::Error {
    std::io::Error::new(
        std::io::ErrorKind::AlreadyExists,
        "there is a file of that name already",
    )
}
