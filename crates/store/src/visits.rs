use rusqlite::{OptionalExtension, Transaction, params};
use uuid::Uuid;
use veliform_core::visit::{Entry, EntryBody};

use crate::error::StoreError;
use crate::open::{Store, from_json, id_of, to_json};
use crate::salon::note_tool;

/// A visit without its entries.
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
pub struct VisitHead {
    /// Its id.
    pub id: Uuid,
    /// Whose.
    pub dog: Uuid,
    /// When it began, milliseconds since 1970 in UTC.
    pub began_ms: i64,
}

/// Number of the last entry received: what a screen has seen up to.
pub type Received = i64;

/// A visit with its log.
#[derive(Clone, Debug, PartialEq)]
pub struct VisitLog {
    /// The visit.
    pub head: VisitHead,
    /// Entries asked for, in the order they came.
    pub entries: Vec<Entry>,
    /// Number of the last entry received.
    pub last: Received,
}

/// A row of the log: received, id, `at_ms`, `stamp_ms`, author, body.
type EntryRow = (Received, String, i64, Option<i64>, String, String);

/// What became of entries sent.
#[derive(Clone, Debug, PartialEq, Eq)]
pub struct Appended {
    /// How many were new.
    pub new: usize,
    /// Number of the last entry received.
    pub last: Received,
    /// Those whose id is here with other contents: left out.
    pub conflicts: Vec<Uuid>,
}

impl Store {
    /// Begins a visit with what comes along from earlier ones, and says which visit it is: a dog that is
    /// here already, begun on another screen, is gone on with. The same again changes nothing.
    ///
    /// # Errors
    /// If the dog is not here, or the visit is another dog's.
    pub fn begin_visit(
        &mut self,
        id: Uuid,
        dog: Uuid,
        began_ms: i64,
        known: &[Entry],
    ) -> Result<Uuid, StoreError> {
        self.dog(dog)?;
        self.write(|tx| {
            let is_new = !visit_is_here(tx, id)?;
            if is_new && let Some(open) = visit_around(tx, dog, began_ms)? {
                return Ok(open);
            }
            insert_visit(tx, id, dog, began_ms)?;
            if is_new {
                for entry in known {
                    insert_entry(tx, id, entry)?;
                }
            }
            Ok(id)
        })
    }

    /// A dog's visits, newest first.
    ///
    /// # Errors
    /// If the data file cannot be read.
    pub fn visits_of(&self, dog: Uuid) -> Result<Vec<VisitHead>, StoreError> {
        let mut rows = self.read().prepare_cached(
            "SELECT id, began_ms FROM visit WHERE dog_id = ?1 ORDER BY began_ms DESC, id DESC",
        )?;
        let mut visits = Vec::new();
        let mapped = rows.query_map([dog.to_string()], |row| Ok((row.get(0)?, row.get(1)?)))?;
        for row in mapped {
            let (id, began_ms): (String, i64) = row?;
            let id = id_of("visit", &id)?;
            visits.push(VisitHead { id, dog, began_ms });
        }
        Ok(visits)
    }

    /// The salon's newest visits, the newest first.
    ///
    /// # Errors
    /// If the data file cannot be read.
    pub fn newest_visits(&self, most: u32) -> Result<Vec<VisitHead>, StoreError> {
        let mut rows = self.read().prepare_cached(
            "SELECT id, dog_id, began_ms FROM visit ORDER BY began_ms DESC, id DESC LIMIT ?1",
        )?;
        let mut visits = Vec::new();
        let mapped = rows.query_map([most], |row| Ok((row.get(0)?, row.get(1)?, row.get(2)?)))?;
        for row in mapped {
            let (id, dog, began_ms): (String, String, i64) = row?;
            let (id, dog) = (id_of("visit", &id)?, id_of("dog", &dog)?);
            visits.push(VisitHead { id, dog, began_ms });
        }
        Ok(visits)
    }

    /// A visit with the entries received after `after`; all of them after 0.
    ///
    /// # Errors
    /// If there is none by that id, or the data file cannot be read.
    pub fn visit(&self, id: Uuid, after: Received) -> Result<VisitLog, StoreError> {
        self.visit_part(id, after, usize::MAX)
    }

    /// A visit with so many of the entries received after `after`, the first of them.
    ///
    /// # Errors
    /// If there is none by that id, or the data file cannot be read.
    pub fn visit_part(
        &self,
        id: Uuid,
        after: Received,
        most: usize,
    ) -> Result<VisitLog, StoreError> {
        let head = self.visit_head(id)?;
        let mut rows = self.read().prepare_cached(
            "SELECT received, id, at_ms, stamp_ms, author, body FROM entry
             WHERE visit_id = ?1 AND received > ?2 ORDER BY received LIMIT ?3",
        )?;
        let mut entries = Vec::new();
        let mut last = after;
        let mapped = rows.query_map(
            params![id.to_string(), after, i64::try_from(most).unwrap_or(-1)],
            |row| {
                Ok((
                    row.get(0)?,
                    row.get(1)?,
                    row.get(2)?,
                    row.get(3)?,
                    row.get(4)?,
                    row.get(5)?,
                ))
            },
        )?;
        for row in mapped {
            let (received, entry, at_ms, stamp_ms, author, body): EntryRow = row?;
            let id = id_of("entry", &entry)?;
            let body: EntryBody = from_json("entry", &entry, &body)?;
            entries.push(Entry {
                id,
                at_ms,
                stamp_ms,
                author,
                body,
            });
            last = received;
        }
        Ok(VisitLog {
            head,
            entries,
            last,
        })
    }

    /// Number of the last entry received at a visit; 0 where nothing was said.
    ///
    /// # Errors
    /// If the data file cannot be read.
    pub fn last_received(&self, visit: Uuid) -> Result<Received, StoreError> {
        let mut rows = self
            .read()
            .prepare_cached("SELECT coalesce(max(received), 0) FROM entry WHERE visit_id = ?1")?;
        Ok(rows.query_row([visit.to_string()], |row| row.get(0))?)
    }

    /// The newest stamp of a visit's log; none where nothing was said.
    ///
    /// # Errors
    /// If the data file cannot be read.
    pub fn newest_stamp(&self, visit: Uuid) -> Result<Option<i64>, StoreError> {
        Ok(self.read().query_row(
            "SELECT max(coalesce(stamp_ms, at_ms)) FROM entry WHERE visit_id = ?1",
            [visit.to_string()],
            |row| row.get(0),
        )?)
    }

    /// A visit without its entries.
    ///
    /// # Errors
    /// If there is none by that id, or the data file cannot be read.
    pub fn visit_head(&self, id: Uuid) -> Result<VisitHead, StoreError> {
        let row: Option<(String, i64)> = self
            .read()
            .query_row(
                "SELECT dog_id, began_ms FROM visit WHERE id = ?1",
                [id.to_string()],
                |row| Ok((row.get(0)?, row.get(1)?)),
            )
            .optional()?;
        let missing = StoreError::NotFound { what: "visit", id };
        let (dog, began_ms) = row.ok_or(missing)?;
        Ok(VisitHead {
            id,
            dog: id_of("dog", &dog)?,
            began_ms,
        })
    }

    /// Appends entries in one transaction; one that is already here counts once. One whose id is here
    /// with other contents is named and left out, and keeps none of the others from being kept.
    ///
    /// # Errors
    /// If the visit is not here, or the data file cannot be written: then nothing is kept.
    pub fn append(&mut self, visit: Uuid, entries: &[Entry]) -> Result<Appended, StoreError> {
        self.visit_head(visit)?;
        self.write(|tx| {
            let (mut new, mut conflicts) = (0, Vec::new());
            for entry in entries {
                match insert_entry(tx, visit, entry) {
                    Ok(false) => {}
                    Ok(true) => {
                        new += 1;
                        note_tool(tx, entry)?;
                    }
                    Err(StoreError::Conflict { id, .. }) => conflicts.push(id),
                    Err(other) => return Err(other),
                }
            }
            let last: Option<i64> = tx.query_row(
                "SELECT max(received) FROM entry WHERE visit_id = ?1",
                [visit.to_string()],
                |row| row.get(0),
            )?;
            Ok(Appended {
                new,
                last: last.unwrap_or(0),
                conflicts,
            })
        })
    }
}

/// A dog is one visit's for so long, ms: a run left open is gone on with (handbook 10 A 1, 18 hours).
const ONE_VISIT_MS: i64 = 18 * 3_600_000;

fn visit_is_here(tx: &Transaction<'_>, id: Uuid) -> Result<bool, StoreError> {
    let sql = "SELECT EXISTS (SELECT 1 FROM visit WHERE id = ?1)";
    Ok(tx.query_row(sql, [id.to_string()], |row| row.get(0))?)
}

/// The dog's visit that began at about this moment, by whichever screen's clock.
fn visit_around(tx: &Transaction<'_>, dog: Uuid, at_ms: i64) -> Result<Option<Uuid>, StoreError> {
    let row: Option<String> = tx
        .query_row(
            "SELECT id FROM visit WHERE dog_id = ?1 AND began_ms > ?2 AND began_ms < ?3
             ORDER BY began_ms DESC, id DESC LIMIT 1",
            params![
                dog.to_string(),
                at_ms.saturating_sub(ONE_VISIT_MS),
                at_ms.saturating_add(ONE_VISIT_MS)
            ],
            |row| row.get(0),
        )
        .optional()?;
    row.map(|id| id_of("visit", &id)).transpose()
}

pub(crate) fn insert_visit(
    tx: &Transaction<'_>,
    id: Uuid,
    dog: Uuid,
    began_ms: i64,
) -> Result<(), StoreError> {
    let here: Option<(String, i64)> = tx
        .query_row(
            "SELECT dog_id, began_ms FROM visit WHERE id = ?1",
            [id.to_string()],
            |row| Ok((row.get(0)?, row.get(1)?)),
        )
        .optional()?;
    match here {
        Some((owner, began)) if owner == dog.to_string() && began == began_ms => Ok(()),
        Some(_) => Err(StoreError::Conflict { what: "visit", id }),
        None => {
            tx.execute(
                "INSERT INTO visit (id, dog_id, began_ms) VALUES (?1, ?2, ?3)",
                params![id.to_string(), dog.to_string(), began_ms],
            )?;
            Ok(())
        }
    }
}

/// Appends one entry; says whether it was new.
pub(crate) fn insert_entry(
    tx: &Transaction<'_>,
    visit: Uuid,
    entry: &Entry,
) -> Result<bool, StoreError> {
    let (id, body) = (entry.id.to_string(), to_json(&entry.body)?);
    let here: Option<(String, String, i64, Option<i64>)> = tx
        .query_row(
            "SELECT visit_id, body, at_ms, stamp_ms FROM entry WHERE id = ?1",
            [&id],
            |row| Ok((row.get(0)?, row.get(1)?, row.get(2)?, row.get(3)?)),
        )
        .optional()?;
    match here {
        Some((owner, was, at_ms, stamp_ms))
            if owner == visit.to_string()
                && was == body
                && (at_ms, stamp_ms) == (entry.at_ms, entry.stamp_ms) =>
        {
            Ok(false)
        }
        Some(_) => Err(StoreError::Conflict {
            what: "entry",
            id: entry.id,
        }),
        None => {
            tx.execute(
                "INSERT INTO entry (id, visit_id, at_ms, stamp_ms, author, body)
                 VALUES (?1, ?2, ?3, ?4, ?5, ?6)",
                params![
                    id,
                    visit.to_string(),
                    entry.at_ms,
                    entry.stamp_ms,
                    entry.author,
                    body
                ],
            )?;
            Ok(true)
        }
    }
}
