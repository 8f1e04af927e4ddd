use rusqlite::{OptionalExtension, Transaction, params};
use uuid::Uuid;
use veliform_core::dog::House;
use veliform_core::kit::Tool;
use veliform_core::run::{RunEvent, ToolWord, shears_after, tool_after};
use veliform_core::visit::{Entry, EntryBody};

use crate::error::StoreError;
use crate::open::{Store, from_json, to_json};

/// The salon's settings as they stand, with the number of their version.
const NEWEST_HOUSE: &str = "SELECT body, version FROM house_version ORDER BY version DESC LIMIT 1";

impl Store {
    /// The salon's settings; the usual ones where none were made yet.
    ///
    /// # Errors
    /// If the data file cannot be read.
    pub fn house(&self) -> Result<House, StoreError> {
        Ok(self.house_version()?.0)
    }

    /// The salon's settings with the number of their version; the usual ones are version 0.
    ///
    /// # Errors
    /// If the data file cannot be read.
    pub fn house_version(&self) -> Result<(House, i64), StoreError> {
        let newest: Option<(String, i64)> = self
            .read()
            .query_row(NEWEST_HOUSE, [], |row| Ok((row.get(0)?, row.get(1)?)))
            .optional()?;
        match newest {
            Some((body, version)) => Ok((from_json("settings", "", &body)?, version)),
            None => Ok((House::default(), 0)),
        }
    }

    /// Keeps the salon's settings as a new version.
    ///
    /// # Errors
    /// If the data file cannot be written.
    pub fn put_house(&mut self, house: &House, at_ms: i64) -> Result<(), StoreError> {
        self.write(|tx| insert_house(tx, house, at_ms))
    }

    /// Keeps the salon's settings as a new version, where they still stand as whoever changed them knew
    /// them.
    ///
    /// # Errors
    /// If there is a newer version than `known`, or the data file cannot be written.
    pub fn change_house(
        &mut self,
        house: &House,
        known: i64,
        at_ms: i64,
    ) -> Result<(), StoreError> {
        self.write(|tx| {
            let newest: Option<i64> =
                tx.query_row("SELECT max(version) FROM house_version", [], |r| r.get(0))?;
            if newest.unwrap_or(0) != known {
                return Err(StoreError::Changed {
                    what: "settings were",
                });
            }
            insert_house(tx, house, at_ms)
        })
    }

    /// The kit: every tool in its latest version, the shortest first, the retired last.
    ///
    /// # Errors
    /// If the data file cannot be read.
    pub fn kit(&self) -> Result<Vec<Tool>, StoreError> {
        let mut rows = self.read().prepare_cached(
            "SELECT tool_id, body FROM tool_version AS t
             WHERE version = (SELECT max(version) FROM tool_version WHERE tool_id = t.tool_id)",
        )?;
        let mut kit = Vec::new();
        for row in rows.query_map([], |row| Ok((row.get(0)?, row.get(1)?)))? {
            let (id, body): (String, String) = row?;
            kit.push(from_json::<Tool>("tool", &id, &body)?);
        }
        kit.sort_by(|a, b| {
            let length = |t: &Tool| t.leaves_mm.as_mm();
            a.retired
                .cmp(&b.retired)
                .then(length(a).total_cmp(&length(b)))
                .then(a.id.cmp(&b.id))
        });
        Ok(kit)
    }

    /// Adds a tool, or keeps a correction of it as a new version.
    ///
    /// # Errors
    /// If the data file cannot be written.
    pub fn put_tool(&mut self, tool: &Tool, at_ms: i64) -> Result<(), StoreError> {
        self.write(|tx| insert_tool(tx, tool, at_ms))
    }
}

fn insert_house(tx: &Transaction<'_>, house: &House, at_ms: i64) -> Result<(), StoreError> {
    tx.execute(
        "INSERT INTO house_version (at_ms, body) VALUES (?1, ?2)",
        params![at_ms, to_json(house)?],
    )?;
    Ok(())
}

/// Keeps a version of a tool.
fn insert_tool(tx: &Transaction<'_>, tool: &Tool, at_ms: i64) -> Result<(), StoreError> {
    tx.execute(
        "INSERT INTO tool_version (tool_id, version, at_ms, body)
         SELECT ?1, coalesce(max(version), 0) + 1, ?2, ?3
         FROM tool_version WHERE tool_id = ?1",
        params![tool.id.to_string(), at_ms, to_json(tool)?],
    )?;
    Ok(())
}

/// What is noticed of a tool at the table stands in the kit from then on: in the same transaction as
/// the entry that says so, and only when that entry is new.
pub(crate) fn note_tool(tx: &Transaction<'_>, entry: &Entry) -> Result<(), StoreError> {
    let EntryBody::Run {
        event: RunEvent::ToolNoted { tool, word },
    } = &entry.body
    else {
        return Ok(());
    };
    let id = tool.to_string();
    let body: Option<String> = tx
        .query_row(
            "SELECT body FROM tool_version WHERE tool_id = ?1 ORDER BY version DESC LIMIT 1",
            [&id],
            |row| row.get(0),
        )
        .optional()?;
    let Some(body) = body else {
        return note_shears(tx, *tool, *word, entry.at_ms);
    };
    let known: Tool = from_json("tool", &id, &body)?;
    match tool_after(&known, *word) {
        Some(changed) => insert_tool(tx, &changed, entry.at_ms),
        None => Ok(()),
    }
}

/// The same of shears, which hang in the salon's settings.
fn note_shears(
    tx: &Transaction<'_>,
    noted: Uuid,
    word: ToolWord,
    at_ms: i64,
) -> Result<(), StoreError> {
    let newest: Option<String> = tx
        .query_row(NEWEST_HOUSE, [], |row| row.get(0))
        .optional()?;
    let Some(body) = newest else { return Ok(()) };
    let mut house: House = from_json("settings", "", &body)?;
    let hung = house.shears.iter_mut().find(|pair| pair.id == noted);
    let changed = hung.and_then(|pair| Some((shears_after(pair, word)?, pair)));
    let Some((after, pair)) = changed else {
        return Ok(());
    };
    *pair = after;
    insert_house(tx, &house, at_ms)
}
