use rusqlite::params;
use veliform_core::frame::OwnType;

use crate::error::StoreError;
use crate::open::{Store, from_json, to_json};

impl Store {
    /// Types the salon made, by name.
    ///
    /// # Errors
    /// If the data file cannot be read.
    pub fn own_types(&self) -> Result<Vec<OwnType>, StoreError> {
        let mut rows = self
            .read()
            .prepare_cached("SELECT id, body FROM own_type ORDER BY id")?;
        let mut types: Vec<OwnType> = Vec::new();
        for row in rows.query_map([], |row| Ok((row.get(0)?, row.get(1)?)))? {
            let (id, body): (String, String) = row?;
            types.push(from_json("type", &id, &body)?);
        }
        types.sort_by(|a, b| a.name.cmp(&b.name));
        Ok(types)
    }

    /// Keeps a type, or keeps it anew.
    ///
    /// # Errors
    /// If the data file cannot be written.
    pub fn put_own_type(&mut self, own: &OwnType, at_ms: i64) -> Result<(), StoreError> {
        let body = to_json(own)?;
        self.write(|tx| {
            tx.execute(
                "INSERT INTO own_type (id, at_ms, body) VALUES (?1, ?2, ?3)
                 ON CONFLICT (id) DO UPDATE SET at_ms = excluded.at_ms, body = excluded.body",
                params![own.id.to_string(), at_ms, body],
            )?;
            Ok(())
        })
    }
}
