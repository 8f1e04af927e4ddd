use std::fs::{File, OpenOptions, TryLockError};
use std::io::{Read as _, Seek as _, Write as _};
use std::path::Path;

use crate::copies::beside;
use crate::error::StoreError;

/// Held by the one program that serves a salon's data file, or puts a copy in its place. The system
/// lets go of it when that program ends, however it ends.
#[derive(Debug)]
pub(crate) struct Lock {
    file: File,
}

impl Lock {
    /// Takes the lock of a data file: a file of its own beside it.
    ///
    /// # Errors
    /// If another program holds it, or there is no writing beside the file.
    pub(crate) fn take(data: &Path) -> Result<Self, StoreError> {
        let mut options = OpenOptions::new();
        options.create(true).truncate(false).read(true).write(true);
        #[cfg(unix)]
        std::os::unix::fs::OpenOptionsExt::mode(&mut options, 0o600);
        let file = options
            .open(beside(data, ".lock"))
            .map_err(StoreError::NotMade)?;
        match file.try_lock() {
            Ok(()) => Ok(Self { file }),
            Err(TryLockError::WouldBlock) => Err(StoreError::InUse),
            Err(TryLockError::Error(error)) => Err(StoreError::NotMade(error)),
        }
    }

    /// The mark of the last program that served the file.
    pub(crate) fn mark(&mut self) -> std::io::Result<String> {
        let mut mark = String::new();
        self.file.rewind()?;
        self.file.read_to_string(&mut mark)?;
        Ok(mark)
    }

    /// Writes this program's mark, on the disk when it returns.
    pub(crate) fn set_mark(&mut self, mark: &str) -> std::io::Result<()> {
        self.file.rewind()?;
        self.file.set_len(0)?;
        self.file.write_all(mark.as_bytes())?;
        self.file.sync_all()
    }
}
