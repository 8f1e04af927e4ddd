//! The OpenAPI document, completed: what holds for every operation is said once, here.

use serde_json::json;
use utoipa::openapi::path::{Operation, PathItem};
use utoipa::openapi::{Content, OpenApi, Ref, RefOr, Response};

use crate::error::PROBLEM_JSON;

/// Why an operation can fail, by status; the first six any operation can.
const WHY: [(&str, &str); 12] = [
    ("403", "Another machine or another page asked."),
    (
        "405",
        "The address takes other methods; `Allow` lists them.",
    ),
    ("422", "What was sent cannot be; `detail` says what to do."),
    ("500", "A fault of Veliform; nothing is lost."),
    ("503", "Busy or closed; ask again."),
    ("507", "The disk is full; nothing was kept."),
    ("404", "Nothing is kept under that id."),
    (
        "409",
        "It is there already with other contents; nothing was changed.",
    ),
    (
        "412",
        "It was changed since it was read; nothing was changed.",
    ),
    ("413", "More was sent than is taken."),
    ("415", "The body is of another kind than is read here."),
    ("428", "`If-Match` is missing."),
];
/// So many of them are common to all.
const ALWAYS: usize = 6;

/// Tags, by the first word of the address, with what they hold.
const TAGS: [(&str, &str, &[&str]); 4] = [
    (
        "salon",
        "The salon: its settings, kit, words, own types.",
        &[
            "house",
            "kit",
            "catalogue",
            "own-types",
            "salon-log",
            "due",
            "album",
            "health",
            "schema",
        ],
    ),
    ("dogs", "Dogs and their files.", &["dogs"]),
    (
        "visits",
        "A visit: its log, plans, papers and photos.",
        &["visits", "plans", "photos"],
    ),
    (
        "desk",
        "What the core computes of what comes with the request.",
        &[],
    ),
];

/// Bodies as they are sent, by operation.
fn example_of(operation: &str) -> Option<serde_json::Value> {
    Some(match operation {
        "read_length" => json!({"text": "47,6 cm", "units": "millimetres"}),
        "put_dog" => json!({
            "id": "00000000-0000-4000-8000-000000000001", "name": "Ballast", "owner": "P. Points",
            "size": "small", "texture": "curl"
        }),
        "put_visit" => json!({
            "dog": "00000000-0000-4000-8000-000000000001", "began_ms": 1_795_000_000_000_i64
        }),
        "append_entries" => json!({"entries": [{
            "id": "00000000-0000-4000-8000-000000000002", "at_ms": 1_795_000_060_000_i64,
            "body": {"kind": "coat_all_over", "length_mm": 40.0}
        }]}),
        "put_tool" => json!({
            "id": "00000000-0000-4000-8000-000000000003", "kind": "comb", "printed": "13",
            "leaves_mm": 12.7
        }),
        "keep_plan" => json!({
            "entry": "00000000-0000-4000-8000-000000000004", "at_ms": 1_795_000_120_000_i64
        }),
        _ => return None,
    })
}

/// Gives every operation its tag, every answer its description, and every failure its shape.
pub(crate) fn complete(document: &mut OpenApi) {
    for (path, item) in &mut document.paths.paths {
        let has_id = path.contains('{');
        for operation in operations(item) {
            operation.tags = Some(vec![tag_of(path).into()]);
            describe(operation);
            let is_read = operation.request_body.is_none();
            let example = operation.operation_id.as_deref().and_then(example_of);
            if let (Some(RefOr::T(body)), Some(example)) =
                (operation.request_body.as_mut(), example)
            {
                for content in body.content.values_mut() {
                    if let RefOr::T(content) = content {
                        content.example = Some(example.clone());
                    }
                }
            }
            let has_body = !is_read;
            for (i, (status, why)) in WHY.into_iter().enumerate() {
                let is_its_own = operation.responses.responses.contains_key(status);
                let is_said = i < ALWAYS
                    || is_its_own
                    || (status == "404" && has_id)
                    || (matches!(status, "413" | "415") && has_body);
                if is_said {
                    fail(operation, status, why);
                }
            }
        }
    }
    document.tags = Some(
        TAGS.iter()
            .map(|(name, what, _)| {
                utoipa::openapi::tag::TagBuilder::new()
                    .name(*name)
                    .description(Some(*what))
                    .build()
            })
            .collect(),
    );
}

fn operations(item: &mut PathItem) -> impl Iterator<Item = &mut Operation> {
    [
        item.get.as_mut(),
        item.put.as_mut(),
        item.post.as_mut(),
        item.delete.as_mut(),
    ]
    .into_iter()
    .flatten()
}

fn tag_of(path: &str) -> &'static str {
    let first = path
        .trim_start_matches("/api/")
        .split('/')
        .next()
        .unwrap_or_default();
    TAGS.iter()
        .find(|(_, _, words)| words.contains(&first))
        .map_or("desk", |(name, _, _)| name)
}

/// An answer that says nothing of itself is what its operation says.
fn describe(operation: &mut Operation) {
    let summary = operation.summary.clone().unwrap_or_default();
    for (status, answer) in &mut operation.responses.responses {
        let RefOr::T(answer) = answer else { continue };
        if answer.description.is_empty() && status.starts_with('2') {
            answer.description.clone_from(&summary);
        }
    }
}

/// A failure is problem details, said by the route or by all.
fn fail(operation: &mut Operation, status: &str, why: &str) {
    let there = operation.responses.responses.get(status);
    let own = match there {
        Some(RefOr::T(answer)) if !answer.description.is_empty() => answer.description.clone(),
        _ => why.to_owned(),
    };
    let mut answer = Response::new(own);
    answer.content.insert(
        PROBLEM_JSON.into(),
        RefOr::T(Content::new(Some(RefOr::Ref(Ref::from_schema_name(
            "ErrorBody",
        ))))),
    );
    operation
        .responses
        .responses
        .insert(status.to_owned(), RefOr::T(answer));
}
