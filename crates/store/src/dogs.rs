use rusqlite::{OptionalExtension, Transaction, params};
use uuid::Uuid;
use veliform_core::dog::Dog;
use veliform_core::visit::Entry;

use crate::error::StoreError;
use crate::open::{Store, from_json, id_of, to_json};
use crate::plans::{PackedPlan, insert_plan};
use crate::visits::{VisitHead, insert_entry, insert_visit};

/// A dog in the studio's list.
#[derive(Clone, Debug, PartialEq)]
pub struct DogListing {
    /// The dog.
    pub dog: Dog,
    /// Its latest visit, if there was one.
    pub last_visit: Option<(Uuid, i64)>,
}

/// What a dog is found by.
#[derive(Clone, Debug, PartialEq, Eq)]
pub struct DogName {
    /// Which.
    pub id: Uuid,
    /// Its name.
    pub name: String,
    /// Whose it is.
    pub owner: String,
    /// Died or left.
    pub is_put_away: bool,
    /// Its latest visit, and when that began, milliseconds since 1970 in UTC.
    pub last_visit: Option<(Uuid, i64)>,
}

impl DogName {
    /// Its latest visit.
    pub fn head(&self) -> Option<VisitHead> {
        let (id, began_ms) = self.last_visit?;
        Some(VisitHead {
            id,
            dog: self.id,
            began_ms,
        })
    }
}

/// A visit that comes from a dog file.
#[derive(Clone, Debug)]
pub struct ImportedVisit {
    /// Its id.
    pub id: Uuid,
    /// When it began, milliseconds since 1970 in UTC.
    pub began_ms: i64,
    /// Its entries.
    pub entries: Vec<Entry>,
    /// Plans kept.
    pub plans: Vec<PackedPlan>,
}

impl Store {
    /// All dogs, by name.
    ///
    /// # Errors
    /// If the data file cannot be read.
    pub fn dogs(&self) -> Result<Vec<DogListing>, StoreError> {
        let mut rows = self.read().prepare_cached(
            "SELECT d.dog_id, d.body, v.id, v.began_ms FROM dog_version AS d
             LEFT JOIN visit AS v ON v.id = (
               SELECT id FROM visit WHERE dog_id = d.dog_id ORDER BY began_ms DESC, id DESC LIMIT 1)
             WHERE d.version = (SELECT max(version) FROM dog_version WHERE dog_id = d.dog_id)",
        )?;
        let mut dogs = Vec::new();
        let mapped = rows.query_map([], |row| {
            Ok((row.get(0)?, row.get(1)?, row.get(2)?, row.get(3)?))
        })?;
        for row in mapped {
            let (id, body, visit, began): (String, String, Option<String>, Option<i64>) = row?;
            let visit = visit.and_then(|v| Uuid::parse_str(&v).ok());
            dogs.push(DogListing {
                dog: from_json("dog", &id, &body)?,
                last_visit: visit.zip(began),
            });
        }
        dogs.sort_by(|a, b| {
            let key = |d: &DogListing| (d.dog.name.to_lowercase(), d.dog.id);
            key(a).cmp(&key(b))
        });
        Ok(dogs)
    }

    /// What every dog is found by, the one that was here last first.
    ///
    /// # Errors
    /// If the data file cannot be read.
    pub fn dog_names(&self) -> Result<Vec<DogName>, StoreError> {
        let mut rows = self.read().prepare_cached(
            "SELECT n.dog_id, n.name, n.owner, n.is_put_away, v.id, v.began_ms FROM dog_name AS n
             LEFT JOIN visit AS v ON v.id = (
               SELECT id FROM visit WHERE dog_id = n.dog_id ORDER BY began_ms DESC, id DESC LIMIT 1)
             ORDER BY v.began_ms DESC NULLS LAST, lower(n.name), n.dog_id",
        )?;
        let mapped = rows.query_map([], |row| {
            let last: Option<String> = row.get(4)?;
            let found = DogName {
                id: Uuid::nil(),
                name: row.get(1)?,
                owner: row.get(2)?,
                is_put_away: row.get(3)?,
                last_visit: None,
            };
            Ok((row.get::<_, String>(0)?, found, last.zip(row.get(5)?)))
        })?;
        let mut names = Vec::new();
        for row in mapped {
            let (id, found, last) = row?;
            let of_visit = |(visit, began_ms): (String, i64)| {
                id_of("visit", &visit).map(|visit| (visit, began_ms))
            };
            names.push(DogName {
                id: id_of("dog", &id)?,
                last_visit: last.map(of_visit).transpose()?,
                ..found
            });
        }
        Ok(names)
    }

    /// A dog in its latest version.
    ///
    /// # Errors
    /// If there is none by that id, or the data file cannot be read.
    pub fn dog(&self, id: Uuid) -> Result<Dog, StoreError> {
        Ok(self.dog_version(id)?.0)
    }

    /// The same, with that version.
    ///
    /// # Errors
    /// If there is none by that id, or the data file cannot be read.
    pub fn dog_version(&self, id: Uuid) -> Result<(Dog, i64), StoreError> {
        let mut rows = self.read().prepare_cached(
            "SELECT body, version FROM dog_version WHERE dog_id = ?1 ORDER BY version DESC LIMIT 1",
        )?;
        let row: Option<(String, i64)> = rows
            .query_row([id.to_string()], |row| Ok((row.get(0)?, row.get(1)?)))
            .optional()?;
        let (body, version) = row.ok_or(StoreError::NotFound { what: "dog", id })?;
        Ok((from_json("dog", &id.to_string(), &body)?, version))
    }

    /// Keeps a correction of the version that is known; the same again changes nothing.
    ///
    /// # Errors
    /// [`StoreError::Changed`] where it was corrected meanwhile, otherwise if the data file cannot be
    /// written.
    pub fn correct_dog(&mut self, dog: &Dog, known: i64, at_ms: i64) -> Result<(), StoreError> {
        self.write(|tx| {
            let newest: Option<i64> = tx.query_row(
                "SELECT max(version) FROM dog_version WHERE dog_id = ?1",
                [dog.id.to_string()],
                |row| row.get(0),
            )?;
            if newest.unwrap_or(0) != known {
                return Err(StoreError::Changed {
                    what: "dog's card was",
                });
            }
            insert_dog(tx, dog, at_ms, false)
        })
    }

    /// Keeps a dog, or a correction of it as a new version; the same again changes nothing.
    ///
    /// # Errors
    /// If the data file cannot be written.
    pub fn put_dog(&mut self, dog: &Dog, at_ms: i64) -> Result<(), StoreError> {
        self.write(|tx| insert_dog(tx, dog, at_ms, false))
    }

    /// Keeps corrections of several dogs, all or none.
    ///
    /// # Errors
    /// If the data file cannot be written: then none is kept.
    pub fn put_dogs(&mut self, dogs: &[Dog], at_ms: i64) -> Result<(), StoreError> {
        self.write(|tx| {
            let mut dogs = dogs.iter();
            dogs.try_for_each(|dog| insert_dog(tx, dog, at_ms, false))
        })
    }

    /// Takes in a dog with its visits, all or nothing. What is already here counts once; a dog that was
    /// corrected here since its file was written stays as it was corrected.
    ///
    /// # Errors
    /// If an id is already here with other contents: then nothing is changed.
    pub fn import(
        &mut self,
        dog: &Dog,
        visits: &[ImportedVisit],
        at_ms: i64,
    ) -> Result<(), StoreError> {
        self.write(|tx| {
            insert_dog(tx, dog, at_ms, true)?;
            for visit in visits {
                insert_visit(tx, visit.id, dog.id, visit.began_ms)?;
                for entry in &visit.entries {
                    insert_entry(tx, visit.id, entry)?;
                }
                for plan in &visit.plans {
                    insert_plan(tx, visit.id, plan)?;
                }
            }
            Ok(())
        })
    }
}

fn insert_dog(
    tx: &Transaction<'_>,
    dog: &Dog,
    at_ms: i64,
    is_from_file: bool,
) -> Result<(), StoreError> {
    let (id, body) = (dog.id.to_string(), to_json(dog)?);
    let latest: Option<String> = tx
        .query_row(
            "SELECT body FROM dog_version WHERE dog_id = ?1 ORDER BY version DESC LIMIT 1",
            [&id],
            |row| row.get(0),
        )
        .optional()?;
    if latest.as_ref() == Some(&body) {
        return Ok(());
    }
    if is_from_file && is_an_earlier_version(tx, &id, &body)? {
        return Ok(());
    }
    tx.execute(
        "INSERT INTO dog_version (dog_id, version, at_ms, body)
         SELECT ?1, coalesce(max(version), 0) + 1, ?2, ?3 FROM dog_version WHERE dog_id = ?1",
        params![id, at_ms, body],
    )?;
    tx.execute(
        "INSERT INTO dog_name (dog_id, name, owner, is_put_away) VALUES (?1, ?2, ?3, ?4)
         ON CONFLICT (dog_id) DO UPDATE SET name = ?2, owner = ?3, is_put_away = ?4",
        params![id, dog.name, dog.owner, dog.is_put_away],
    )?;
    Ok(())
}

/// Whether a dog stood like that once: a file written then takes back no correction made since.
fn is_an_earlier_version(tx: &Transaction<'_>, id: &str, body: &str) -> Result<bool, StoreError> {
    Ok(tx.query_row(
        "SELECT EXISTS (SELECT 1 FROM dog_version WHERE dog_id = ?1 AND body = ?2)",
        [id, body],
        |row| row.get(0),
    )?)
}
