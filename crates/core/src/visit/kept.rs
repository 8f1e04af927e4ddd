use std::collections::BTreeMap;

use serde::{Deserialize, Serialize};
use utoipa::ToSchema;
use uuid::Uuid;

use super::fold::Visit;
use crate::coat::Zone;
use crate::dog::{Dog, House};
use crate::drawing::Drawing;
use crate::kit::Tool;
use crate::report::{PlanReport, StrokeName, UnitRow};
use crate::units::Length;

/// A plan kept as it was: what it was made of, what came out, by which method, when.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
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

/// What later visits ask of a kept plan: read without the plan itself, which is a hundred times as long.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize)]
pub struct PlanInBrief {
    /// The look, by its name then.
    pub look_name: String,
    /// What it left, the middle of each zone, mm.
    pub left_mm: BTreeMap<Zone, Length>,
    /// Where it ran a tool fully with the lay; none in a brief of builds before it, which is made again.
    #[serde(default)]
    pub passes: Option<Vec<FullPass>>,
}

/// A zone that a plan cuts by one full pass with the lay: what is measured there afterwards teaches what the
/// tool leaves.
#[derive(Clone, Copy, Debug, PartialEq, Serialize, Deserialize)]
pub struct FullPass {
    /// The zone.
    pub zone: Zone,
    /// The tool.
    pub tool: Uuid,
    /// What its mark said then.
    pub marked_mm: Length,
    /// What the plan expected of it there: over another blade than a 30 not its mark.
    pub expected_mm: Length,
}

impl FullPass {
    fn of(row: &UnitRow, kit: &[Tool]) -> Option<Self> {
        let tool = row.tool_id.filter(|_| row.stroke == StrokeName::Full)?;
        Some(Self {
            zone: row.zone,
            tool,
            marked_mm: kit.iter().find(|t| t.id == tool)?.leaves_mm,
            expected_mm: (row.from_mm + row.to_mm) * 0.5,
        })
    }
}

impl PlanInBrief {
    /// A plan in brief.
    pub fn of(plan: &KeptPlan) -> Self {
        let mut left_mm = BTreeMap::new();
        for row in &plan.report.units {
            // A zone that is cut in parts is told by its first.
            left_mm
                .entry(row.zone)
                .or_insert((row.from_mm + row.to_mm) * 0.5);
        }
        Self {
            look_name: plan.report.look_name.clone(),
            left_mm,
            passes: Some(
                plan.report
                    .units
                    .iter()
                    .filter_map(|row| FullPass::of(row, &plan.kit))
                    .collect(),
            ),
        }
    }
}
