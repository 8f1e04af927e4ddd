use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use crate::balance::Judged;
use crate::coat::CoatNow;
use crate::page::View;
use crate::plan::Plan;

/// What to look at from one place round the table.
#[derive(Clone, Debug, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
pub struct WalkView {
    /// From where.
    pub from: String,
    /// What was off on this dog before, as a stylist says it.
    pub this_dogs: Vec<String>,
    /// What is looked at on every dog.
    pub usual: Vec<String>,
}

/// Where to look, with what is looked at on every dog (handbook 6, 9. *Check*; common practice).
const PLACES: [(&str, Option<View>, &[&str]); 7] = [
    (
        "Both sides",
        Some(View::Side),
        &[
            "topline",
            "underline",
            "bevels",
            "the far side against the near",
        ],
    ),
    (
        "Turned round",
        None,
        &[
            "far rear",
            "back of the skirt",
            "armpits",
            "inner ears and ear edges",
            "inside thighs",
        ],
    ),
    (
        "Behind, tail up",
        Some(View::Rear),
        &["rear", "whorls", "columns plumb"],
    ),
    (
        "In front",
        Some(View::Front),
        &[
            "ears brought together: one length",
            "head round",
            "daylight between the legs",
        ],
    ),
    ("Above", Some(View::Top), &["fringe", "hips"]),
    (
        "Below",
        None,
        &["pads", "each foot lifted and set", "head down and up again"],
    ),
    (
        "On the floor, walking",
        None,
        &["step back: what is wrong?"],
    ),
];

/// The walk round the dog: what was off before comes first, view by view.
pub fn walk(plan: &Plan, coat: &CoatNow) -> Vec<WalkView> {
    let points = &plan.solution.points;
    let now = plan.subject.now(coat);
    PLACES
        .into_iter()
        .map(|(from, view, usual)| {
            let was_off = |judged: &Judged| {
                points
                    .iter()
                    .any(|p| p.judged == *judged && Some(p.at.view) == view && p.off(&now) > 1.0)
            };
            WalkView {
                from: from.into(),
                this_dogs: Judged::ALL
                    .iter()
                    .filter(|j| was_off(j))
                    .map(|j| j.rule().label.to_lowercase())
                    .collect(),
                usual: usual.iter().map(|u| (*u).to_owned()).collect(),
            }
        })
        .collect()
}
