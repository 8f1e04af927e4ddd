use rusqlite::{OptionalExtension, params};
use serde::{Deserialize, Serialize};
use uuid::Uuid;
use veliform_core::page::View;

use crate::error::StoreError;
use crate::open::{Store, from_json, id_of, to_json};

/// A photo without its picture.
#[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, Deserialize)]
pub struct PhotoHead {
    /// Its id.
    pub id: Uuid,
    /// The visit it was taken at.
    pub visit: Uuid,
    /// When, milliseconds since 1970 in UTC.
    pub at_ms: i64,
    /// From where.
    pub view: View,
    /// Taken by the simulated camera.
    pub is_simulated: bool,
    /// Width, pixels.
    pub width: u32,
    /// Height, pixels.
    pub height: u32,
}

/// Most photos of one visit: four views, twice, and a few more.
pub const MOST_PHOTOS: usize = 12;

impl Store {
    /// Keeps a photo; the same id again changes nothing.
    ///
    /// # Errors
    /// If the visit is not here, holds [`MOST_PHOTOS`] already, or the id is another visit's.
    pub fn keep_photo(&mut self, head: &PhotoHead, jpeg: &[u8]) -> Result<(), StoreError> {
        self.visit_head(head.visit)?;
        match self.photo_head(head.id)? {
            Some(here) if here.visit == head.visit => return Ok(()),
            Some(_) => {
                return Err(StoreError::Conflict {
                    what: "photo",
                    id: head.id,
                });
            }
            None => {}
        }
        if self.photos_of(head.visit)?.len() >= MOST_PHOTOS {
            return Err(StoreError::Full {
                what: "photos",
                most: MOST_PHOTOS,
            });
        }
        let view = to_json(&head.view)?;
        self.write(|tx| {
            tx.execute(
                "INSERT INTO photo (id, visit_id, at_ms, view, is_simulated, width, height, jpeg)
                 VALUES (?1, ?2, ?3, ?4, ?5, ?6, ?7, ?8)",
                params![
                    head.id.to_string(),
                    head.visit.to_string(),
                    head.at_ms,
                    view,
                    head.is_simulated,
                    head.width,
                    head.height,
                    jpeg
                ],
            )?;
            Ok(())
        })
    }

    /// Photos of a visit, oldest first.
    ///
    /// # Errors
    /// If the data file cannot be read.
    pub fn photos_of(&self, visit: Uuid) -> Result<Vec<PhotoHead>, StoreError> {
        let mut rows = self.read().prepare_cached(
            "SELECT id, visit_id, at_ms, view, is_simulated, width, height
             FROM photo WHERE visit_id = ?1 ORDER BY at_ms, id",
        )?;
        let mut photos = Vec::new();
        for row in rows.query_map([visit.to_string()], raw_head)? {
            photos.push(head_of(row?)?);
        }
        Ok(photos)
    }

    fn photo_head(&self, id: Uuid) -> Result<Option<PhotoHead>, StoreError> {
        let row = self
            .read()
            .query_row(
                "SELECT id, visit_id, at_ms, view, is_simulated, width, height
                 FROM photo WHERE id = ?1",
                [id.to_string()],
                raw_head,
            )
            .optional()?;
        row.map(head_of).transpose()
    }

    /// Takes a photo off its visit for good; what was read off it stays in the visit's log.
    ///
    /// # Errors
    /// If there is none by that id, or the data file cannot be written.
    pub fn delete_photo(&mut self, id: Uuid) -> Result<(), StoreError> {
        let gone =
            self.write(|tx| Ok(tx.execute("DELETE FROM photo WHERE id = ?1", [id.to_string()])?))?;
        match gone {
            0 => Err(StoreError::NotFound { what: "photo", id }),
            _ => Ok(()),
        }
    }

    /// A photo's picture, JPEG.
    ///
    /// # Errors
    /// If there is none by that id, or the data file cannot be read.
    pub fn photo_jpeg(&self, id: Uuid) -> Result<Vec<u8>, StoreError> {
        let jpeg: Option<Vec<u8>> = self
            .read()
            .query_row(
                "SELECT jpeg FROM photo WHERE id = ?1",
                [id.to_string()],
                |row| row.get(0),
            )
            .optional()?;
        jpeg.ok_or(StoreError::NotFound { what: "photo", id })
    }
}

type RawHead = (String, String, i64, String, bool, u32, u32);

fn raw_head(row: &rusqlite::Row<'_>) -> rusqlite::Result<RawHead> {
    Ok((
        row.get(0)?,
        row.get(1)?,
        row.get(2)?,
        row.get(3)?,
        row.get(4)?,
        row.get(5)?,
        row.get(6)?,
    ))
}

fn head_of(raw: RawHead) -> Result<PhotoHead, StoreError> {
    let (id, visit, at_ms, view, is_simulated, width, height) = raw;
    Ok(PhotoHead {
        view: from_json("photo", &id, &view)?,
        id: id_of("photo", &id)?,
        visit: id_of("visit", &visit)?,
        at_ms,
        is_simulated,
        width,
        height,
    })
}
