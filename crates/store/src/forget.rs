use rusqlite::Transaction;
use uuid::Uuid;

use crate::error::StoreError;
use crate::open::Store;

/// What belongs to a dog, counted.
#[derive(Clone, Copy, Debug, Default, PartialEq, Eq)]
pub struct Belongings {
    /// Visits.
    pub visits: u32,
    /// Entries said at them.
    pub entries: u32,
    /// Plans kept.
    pub plans: u32,
    /// Photos taken.
    pub photos: u32,
}

/// What hangs on visits, in the order in which it is removed.
const OF_VISITS: [&str; 5] = [
    "photo",
    "plan_in_brief",
    "packed_plan",
    "kept_plan",
    "entry",
];

impl Store {
    /// What belongs to these dogs: it is said before it goes.
    ///
    /// # Errors
    /// If there is none by one of the ids, or the data file cannot be read.
    pub fn belongings(&self, dogs: &[Uuid]) -> Result<Belongings, StoreError> {
        let mut all = Belongings::default();
        for dog in dogs {
            self.dog(*dog)?;
            let count = |what: &str| -> Result<u32, StoreError> {
                let sql = format!(
                    "SELECT count(*) FROM {what} WHERE visit_id IN (SELECT id FROM visit WHERE dog_id = ?1)"
                );
                Ok(self
                    .read()
                    .query_row(&sql, [dog.to_string()], |row| row.get(0))?)
            };
            let sql = "SELECT count(*) FROM visit WHERE dog_id = ?1";
            let visits: u32 = self
                .read()
                .query_row(sql, [dog.to_string()], |row| row.get(0))?;
            all.visits += visits;
            all.entries += count("entry")?;
            all.plans += count("any_plan")?;
            all.photos += count("photo")?;
        }
        Ok(all)
    }

    /// Forgets dogs with all that belongs to them, in one transaction; what they leave in the file is
    /// written over.
    ///
    /// # Errors
    /// If there is none by one of the ids, or the data file cannot be written: then nothing is forgotten.
    pub fn forget(&mut self, dogs: &[Uuid]) -> Result<Belongings, StoreError> {
        let gone = self.belongings(dogs)?;
        self.write(|tx| {
            for dog in dogs {
                tx.execute(
                    "INSERT INTO forgetting SELECT id FROM visit WHERE dog_id = ?1",
                    [dog.to_string()],
                )?;
            }
            for table in OF_VISITS {
                let sql = format!(
                    "DELETE FROM {table} WHERE visit_id IN (SELECT visit_id FROM forgetting)"
                );
                tx.execute(&sql, [])?;
            }
            for dog in dogs {
                let id = dog.to_string();
                tx.execute("DELETE FROM visit WHERE dog_id = ?1", [&id])?;
                forget_card(tx, &id)?;
            }
            tx.execute("DELETE FROM forgetting", [])?;
            Ok(())
        })?;
        // The journal held it as well.
        let sql = "PRAGMA wal_checkpoint(TRUNCATE)";
        self.read().query_row(sql, [], |_| Ok(()))?;
        Ok(gone)
    }

    /// One dog that was entered twice becomes one: the visits of `other` are those of `kept`, whose card
    /// stays as it is. Answers how many came.
    ///
    /// # Errors
    /// If one of them is not here, both are one, or the data file cannot be written: then nothing changes.
    pub fn merge(&mut self, kept: Uuid, other: Uuid) -> Result<usize, StoreError> {
        self.dog(kept)?;
        self.dog(other)?;
        if kept == other {
            return Err(StoreError::SameDog);
        }
        self.write(|tx| {
            let (kept, other) = (kept.to_string(), other.to_string());
            let sql = "UPDATE visit SET dog_id = ?1 WHERE dog_id = ?2";
            let came = tx.execute(sql, [&kept, &other])?;
            forget_card(tx, &other)?;
            Ok(came)
        })
    }
}

fn forget_card(tx: &Transaction<'_>, dog: &str) -> Result<(), StoreError> {
    tx.execute("DELETE FROM dog_name WHERE dog_id = ?1", [dog])?;
    tx.execute("DELETE FROM dog_version WHERE dog_id = ?1", [dog])?;
    Ok(())
}
