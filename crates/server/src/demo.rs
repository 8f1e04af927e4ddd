//! The demo salon: invented dogs and owners, a two-table studio in a converted signal box.

use rust_embed::Embed;
use serde::Deserialize;
use veliform_core::dog::House;
use veliform_core::kit::Tool;
use veliform_formats::read_dog_file;
use veliform_store::{ImportedVisit, Store};

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
        let visits: Vec<ImportedVisit> = file.visits.into_iter().map(into_import).collect();
        store.import(&file.dog, &visits, at_ms)?;
    }
    Ok(true)
}

pub(crate) fn into_import(visit: veliform_formats::VisitRecord) -> ImportedVisit {
    ImportedVisit {
        id: visit.id,
        began_ms: visit.began_ms,
        entries: visit.entries,
        plans: visit.plans,
    }
}
