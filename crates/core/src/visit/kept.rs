use schemars::JsonSchema;
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;
use uuid::Uuid;

use super::fold::Visit;
use crate::dog::{Dog, House};
use crate::drawing::Drawing;
use crate::kit::Tool;
use crate::report::PlanReport;

/// A plan kept as it was: what it was made of, what came out, by which method, when.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, JsonSchema, ToSchema)]
pub struct KeptPlan {
    /// Made by the screen that kept it.
    pub id: Uuid,
    /// When, milliseconds since 1970 in UTC.
    pub at_ms: i64,
    /// Name and number of the method.
    pub method: String,
    /// The dog then.
    pub dog: Dog,
    /// The visit as it stood.
    pub visit: Visit,
    /// The salon's settings then.
    pub house: House,
    /// The kit then.
    pub kit: Vec<Tool>,
    /// The plan.
    pub report: PlanReport,
    /// Its drawing.
    pub drawing: Drawing,
}
