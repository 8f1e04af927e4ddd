//! The demo salon: invented dogs and owners, a two-table studio in a converted signal box.

use rust_embed::Embed;
use serde::Deserialize;
use uuid::Uuid;
use veliform_core::dog::{Dog, House};
use veliform_core::kit::Tool;
use veliform_core::visit::fold;
use veliform_formats::{VisitRecord, read_dog_file};
use veliform_store::{ImportedVisit, PackedPlan, Store};

use crate::api::keep;
use crate::error::ApiError;

#[derive(Embed)]
#[folder = "../../demo-salon"]
struct Files;

/// The demo salon's settings and kit.
#[derive(Clone, Debug, Deserialize)]
pub struct DemoSalon {
    /// Settings.
    pub house: House,
    /// Blades and combs.
    pub kit: Vec<Tool>,
}

/// The demo salon as it ships.
///
/// # Errors
/// If the shipped file is broken, a fault of ours.
pub fn salon() -> Result<DemoSalon, ApiError> {
    let file = Files::get("salon.json").ok_or_else(|| ApiError::NoAddress("salon.json".into()))?;
    Ok(serde_json::from_slice(&file.data)?)
}

/// Names of the shipped dog files.
pub fn dog_files() -> Vec<(String, Vec<u8>)> {
    let mut files: Vec<(String, Vec<u8>)> = Files::iter()
        .filter(|name| name.starts_with("dogs/"))
        .filter_map(|name| Files::get(&name).map(|f| (name.to_string(), f.data.into_owned())))
        .collect();
    files.sort();
    files
}

/// Fills an empty data file with the demo salon; leaves one with dogs alone.
///
/// # Errors
/// If the data file cannot be written.
pub fn fill(store: &mut Store, at_ms: i64) -> Result<bool, ApiError> {
    if !store.dogs()?.is_empty() {
        return Ok(false);
    }
    let salon = salon()?;
    store.put_house(&salon.house, at_ms)?;
    for tool in &salon.kit {
        store.put_tool(tool, at_ms)?;
    }
    for (_, bytes) in dog_files() {
        let file = read_dog_file(&bytes)?;
        let visits = file.visits.into_iter().map(into_import);
        let visits: Vec<ImportedVisit> = visits.collect::<Result<_, _>>()?;
        store.import(&file.dog, &visits, at_ms)?;
        keep_earlier_plans(store, &file.dog, &visits)?;
    }
    Ok(true)
}

/// Earlier visits at which a look was chosen end with a kept plan, made by the method of today.
fn keep_earlier_plans(
    store: &mut Store,
    dog: &Dog,
    visits: &[ImportedVisit],
) -> Result<(), ApiError> {
    let newest = visits.iter().map(|v| v.began_ms).max();
    for visit in visits.iter().filter(|v| Some(v.began_ms) != newest) {
        let Some(last) = visit.entries.iter().map(|e| e.at_ms).max() else {
            continue;
        };
        if fold(dog, &visit.entries).look.is_some() && visit.plans.is_empty() {
            // The same ids in every demo salon: the visit's own, one and two further.
            let further = |by| Uuid::from_u128(visit.id.as_u128().wrapping_add(by));
            keep(store, visit.id, (further(1), further(2)), last + 1)?;
        }
    }
    Ok(())
}

/// A visit of a dog file as the salon keeps it.
///
/// # Errors
/// If a plan cannot be packed.
pub(crate) fn into_import(visit: VisitRecord) -> Result<ImportedVisit, ApiError> {
    let plans = visit.plans.iter().map(PackedPlan::of);
    Ok(ImportedVisit {
        id: visit.id,
        began_ms: visit.began_ms,
        plans: plans.collect::<Result<_, _>>()?,
        entries: visit.entries,
    })
}
