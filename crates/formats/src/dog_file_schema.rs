//! The JSON Schema of the dog file. The API's document and this file say the same of a type: its one derived
//! schema (OpenAPI 3.1 schemas are JSON Schema 2020-12), gathered here under `$defs`.

use std::collections::BTreeMap;

use serde_json::{Map, Value, json};
use utoipa::openapi::{RefOr, Schema};
use utoipa::{PartialSchema as _, ToSchema as _};

use crate::dog_file::DogFile;

/// Where the API's document keeps the schemas that others name.
const IN_THE_API: &str = "#/components/schemas/";
/// Where a schema of its own keeps them.
const IN_A_FILE: &str = "#/$defs/";

/// The JSON Schema of the dog file.
///
/// # Errors
/// None that a caller can bring about: a schema that does not become JSON.
pub fn schema() -> Result<Value, serde_json::Error> {
    let mut named: Vec<(String, RefOr<Schema>)> = Vec::new();
    DogFile::schemas(&mut named);
    let named: BTreeMap<String, RefOr<Schema>> = named.into_iter().collect();
    let mut definitions = Map::new();
    for (name, definition) in named {
        definitions.insert(name, in_a_file(serde_json::to_value(definition)?));
    }
    let mut whole = in_a_file(serde_json::to_value(DogFile::schema())?);
    if let Value::Object(whole) = &mut whole {
        whole.insert(
            "$schema".to_owned(),
            json!("https://json-schema.org/draft/2020-12/schema"),
        );
        whole.insert("title".to_owned(), json!("DogFile"));
        whole.insert("$defs".to_owned(), Value::Object(definitions));
    }
    Ok(whole)
}

/// The same schema, naming others where a file keeps them.
fn in_a_file(schema: Value) -> Value {
    match schema {
        Value::Object(fields) => Value::Object(
            fields
                .into_iter()
                .map(|(key, value)| match value {
                    Value::String(text) if key == "$ref" => {
                        (key, Value::String(text.replacen(IN_THE_API, IN_A_FILE, 1)))
                    }
                    other => (key, in_a_file(other)),
                })
                .collect(),
        ),
        Value::Array(items) => Value::Array(items.into_iter().map(in_a_file).collect()),
        Value::Null | Value::Bool(_) | Value::Number(_) | Value::String(_) => schema,
    }
}
