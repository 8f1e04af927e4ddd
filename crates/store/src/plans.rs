use std::borrow::Cow;

use rusqlite::{Connection, OptionalExtension, Row, Transaction, params};
use serde_json::Value;
use uuid::Uuid;
use veliform_core::visit::{Entry, KeptPlan, PlanInBrief};

use crate::error::StoreError;
use crate::open::{Store, from_json, id_of, to_json};
use crate::packing::{packed, unpacked};
use crate::visits::insert_entry;

/// The plans of a visit.
#[derive(Clone, Debug, Default)]
pub struct PlansOf {
    /// Those that read, oldest first.
    pub plans: Vec<KeptPlan>,
    /// Those that an earlier or another build wrote in a way that this one does not read.
    pub unreadable: Vec<UnreadablePlan>,
}

/// What is known of a plan that does not read.
#[derive(Clone, Debug)]
pub struct UnreadablePlan {
    /// Its id.
    pub id: Uuid,
    /// When it was kept, milliseconds since 1970 in UTC.
    pub at_ms: i64,
    /// By which method.
    pub method: String,
}

/// A plan as it lies in the data file: plain where it was kept before plans were packed.
struct Bytes {
    bytes: Vec<u8>,
    is_packed: bool,
}

impl Bytes {
    fn at(row: &Row<'_>, column: usize) -> Result<Self, rusqlite::Error> {
        Ok(Self {
            bytes: row.get(column)?,
            is_packed: row.get(column + 1)?,
        })
    }

    fn text(&self) -> Result<Cow<'_, str>, StoreError> {
        if self.is_packed {
            return Ok(unpacked(&self.bytes).map_err(StoreError::Packing)?.into());
        }
        Ok(String::from_utf8_lossy(&self.bytes))
    }

    fn plan(&self, id: &str) -> Result<KeptPlan, StoreError> {
        from_json("plan", id, &self.text()?)
    }

    fn value(&self) -> Result<Value, StoreError> {
        from_json("plan", "", &self.text()?)
    }
}

/// A plan ready to be kept: packing takes a moment, and needs no data file.
#[derive(Clone, Debug)]
pub struct PackedPlan {
    id: Uuid,
    at_ms: i64,
    method: String,
    bytes: Vec<u8>,
    in_brief: String,
}

impl PackedPlan {
    /// Packs a plan.
    ///
    /// # Errors
    /// If it cannot be written down.
    pub fn of(plan: &KeptPlan) -> Result<Self, StoreError> {
        Ok(Self {
            id: plan.id,
            at_ms: plan.at_ms,
            method: plan.method.clone(),
            bytes: packed(&to_json(plan)?).map_err(StoreError::Packing)?,
            in_brief: to_json(&PlanInBrief::of(plan))?,
        })
    }

    /// The plan's id.
    pub const fn id(&self) -> Uuid {
        self.id
    }

    /// When it was kept, milliseconds since 1970 in UTC.
    pub const fn at_ms(&self) -> i64 {
        self.at_ms
    }

    fn value(&self) -> Result<Value, StoreError> {
        let text = unpacked(&self.bytes).map_err(StoreError::Packing)?;
        from_json("plan", &self.id.to_string(), &text)
    }
}

fn bytes_of(connection: &Connection, id: Uuid) -> Result<Option<Bytes>, StoreError> {
    let sql = "SELECT bytes, is_packed FROM any_plan WHERE id = ?1";
    let row = connection.query_row(sql, [id.to_string()], |row| Bytes::at(row, 0));
    Ok(row.optional()?)
}

impl Store {
    /// Keeps a plan with the entry that says so; the same again changes nothing.
    ///
    /// # Errors
    /// If the visit is not here, or the id is here with another plan.
    pub fn keep_plan(
        &mut self,
        visit: Uuid,
        plan: &PackedPlan,
        entry: &Entry,
    ) -> Result<(), StoreError> {
        self.visit_head(visit)?;
        self.write(|tx| {
            insert_plan(tx, visit, plan)?;
            insert_entry(tx, visit, entry)?;
            Ok(())
        })
    }

    /// Plans kept at a visit, oldest first; one that does not read is named and left where it is, and
    /// never hides the others.
    ///
    /// # Errors
    /// If the data file cannot be read.
    pub fn plans_of(&self, visit: Uuid) -> Result<PlansOf, StoreError> {
        let mut rows = self.read().prepare_cached(
            "SELECT id, at_ms, method, bytes, is_packed FROM any_plan WHERE visit_id = ?1
             ORDER BY at_ms, id",
        )?;
        let mut found = PlansOf::default();
        let mapped = rows.query_map([visit.to_string()], |row| {
            let head: (String, i64, String) = (row.get(0)?, row.get(1)?, row.get(2)?);
            Ok((head, Bytes::at(row, 3)?))
        })?;
        for row in mapped {
            let ((id, at_ms, method), bytes) = row?;
            match bytes.plan(&id) {
                Ok(plan) => found.plans.push(plan),
                Err(_) => found.unreadable.push(UnreadablePlan {
                    id: id_of("plan", &id)?,
                    at_ms,
                    method,
                }),
            }
        }
        Ok(found)
    }

    /// The newest plan of a visit that reads; none where there is none.
    ///
    /// # Errors
    /// If the data file cannot be read.
    pub fn newest_plan_of(&self, visit: Uuid) -> Result<Option<KeptPlan>, StoreError> {
        let mut rows = self.read().prepare_cached(
            "SELECT id, bytes, is_packed FROM any_plan WHERE visit_id = ?1
             ORDER BY at_ms DESC, id DESC",
        )?;
        let mapped = rows.query_map([visit.to_string()], |row| {
            Ok((row.get::<_, String>(0)?, Bytes::at(row, 1)?))
        })?;
        for row in mapped {
            let (id, bytes) = row?;
            if let Ok(plan) = bytes.plan(&id) {
                return Ok(Some(plan));
            }
        }
        Ok(None)
    }

    /// The newest plan of a visit that reads, in brief; none where there is none. What was not kept in
    /// brief is, from here on.
    ///
    /// # Errors
    /// If the data file cannot be read or written.
    pub fn newest_brief_of(&mut self, visit: Uuid) -> Result<Option<PlanInBrief>, StoreError> {
        match self.brief_of(visit)? {
            Brief::Kept(brief) => Ok(Some(brief)),
            Brief::None => Ok(None),
            Brief::Asked(older) => {
                let Some(plan) = self.newest_plan_of(visit)? else {
                    return Ok(older);
                };
                let brief = PlanInBrief::of(&plan);
                let body = to_json(&brief)?;
                self.write(|tx| insert_brief(tx, visit, plan.id, &body))?;
                Ok(Some(brief))
            }
        }
    }

    fn brief_of(&self, visit: Uuid) -> Result<Brief, StoreError> {
        let mut rows = self.read().prepare_cached(
            "SELECT p.id, b.body FROM any_plan AS p LEFT JOIN plan_in_brief AS b ON b.plan_id = p.id
             WHERE p.visit_id = ?1 ORDER BY p.at_ms DESC, p.id DESC LIMIT 1",
        )?;
        let row = rows.query_row([visit.to_string()], |row| {
            Ok((row.get::<_, String>(0)?, row.get::<_, Option<String>>(1)?))
        });
        match row.optional()? {
            None => Ok(Brief::None),
            Some((_, None)) => Ok(Brief::Asked(None)),
            Some((id, Some(body))) => {
                let brief: PlanInBrief = from_json("plan", &id, &body)?;
                // A build before this one did not keep all that is asked for now.
                let is_whole = brief.passes.is_some();
                Ok(if is_whole {
                    Brief::Kept(brief)
                } else {
                    Brief::Asked(Some(brief))
                })
            }
        }
    }

    /// The visit a plan was kept at.
    ///
    /// # Errors
    /// If there is none by that id, or the data file cannot be read.
    pub fn visit_of_plan(&self, id: Uuid) -> Result<Uuid, StoreError> {
        let visit: Option<String> = self
            .read()
            .query_row(
                "SELECT visit_id FROM any_plan WHERE id = ?1",
                [id.to_string()],
                |row| row.get(0),
            )
            .optional()?;
        let visit = visit.ok_or(StoreError::NotFound { what: "plan", id })?;
        id_of("visit", &visit)
    }

    /// A kept plan.
    ///
    /// # Errors
    /// If there is none by that id, or the data file cannot be read.
    pub fn plan(&self, id: Uuid) -> Result<KeptPlan, StoreError> {
        let bytes = bytes_of(self.read(), id)?;
        let bytes = bytes.ok_or(StoreError::NotFound { what: "plan", id })?;
        bytes.plan(&id.to_string())
    }
}

/// Whether a visit's newest plan lies in brief beside it.
enum Brief {
    /// There is no plan.
    None,
    /// There is one, and nobody asked for it in brief yet, or for as much of it as now.
    Asked(Option<PlanInBrief>),
    /// There it is.
    Kept(PlanInBrief),
}

fn insert_brief(
    tx: &Transaction<'_>,
    visit: Uuid,
    plan: Uuid,
    body: &str,
) -> Result<(), StoreError> {
    tx.execute(
        "INSERT OR REPLACE INTO plan_in_brief (plan_id, visit_id, body) VALUES (?1, ?2, ?3)",
        params![plan.to_string(), visit.to_string(), body],
    )?;
    Ok(())
}

pub(crate) fn insert_plan(
    tx: &Transaction<'_>,
    visit: Uuid,
    plan: &PackedPlan,
) -> Result<(), StoreError> {
    match bytes_of(tx, plan.id)? {
        Some(here) if here.value()? == plan.value()? => Ok(()),
        Some(_) => Err(StoreError::Conflict {
            what: "plan",
            id: plan.id,
        }),
        None => {
            tx.execute(
                "INSERT INTO packed_plan (id, visit_id, at_ms, method, packed)
                 VALUES (?1, ?2, ?3, ?4, ?5)",
                params![
                    plan.id.to_string(),
                    visit.to_string(),
                    plan.at_ms,
                    plan.method,
                    plan.bytes
                ],
            )?;
            insert_brief(tx, visit, plan.id, &plan.in_brief)
        }
    }
}
