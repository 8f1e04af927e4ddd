use schemars::JsonSchema;
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use crate::coat::Zone;
use crate::frame::Measure;
use crate::lines::LineName;

/// What a shape means; the reader's theme gives it its looks.
#[derive(Clone, Copy, Debug, PartialEq, Eq, Hash, Serialize, Deserialize, JsonSchema, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum Role {
    /// The sheet's rule, height stick and table edge.
    Rule,
    /// A number on the rule or stick.
    RuleNumber,
    /// A cross every 10 cm.
    Cross,
    /// Coat as it is: a soft wash.
    Now,
    /// The same of far legs.
    NowFar,
    /// Body of the planned dog.
    PlanFill,
    /// The same of far legs.
    PlanFillFar,
    /// Planned edge: firm ink.
    PlanLine,
    /// Edge an hour later: dashed.
    SettledLine,
    /// The exact edge: a hairline.
    IdealLine,
    /// Skin: dotted.
    Skin,
    /// Nose and eye.
    Feature,
    /// Light in the eye.
    EyeLight,
    /// A dimension line.
    Dimension,
    /// Its number.
    DimensionNumber,
    /// A number that is only estimated.
    EstimatedNumber,
    /// A chalk stroke: a clip line.
    ClipLine,
    /// Its words.
    ClipWords,
    /// Length in a zone.
    ZoneNumber,
    /// Tool in a zone.
    ZoneTool,
    /// A landmark's dot.
    Landmark,
    /// A landmark's name.
    LandmarkName,
    /// Hatching over knots.
    Knots,
    /// A numbered pin on what stays off.
    Pin,
    /// The number in it.
    PinNumber,
    /// A thin line from a word to its place.
    Leader,
}

/// Which side of its point a text stands.
#[derive(
    Clone, Copy, Debug, Default, PartialEq, Eq, Serialize, Deserialize, JsonSchema, ToSchema,
)]
#[serde(rename_all = "snake_case")]
pub enum Anchor {
    /// Starts at the point.
    Start,
    /// Centred on it.
    #[default]
    Middle,
    /// Ends at it.
    End,
}

/// A shape's geometry, mm on the page (x to the right, y up).
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, JsonSchema, ToSchema)]
#[serde(tag = "type", rename_all = "snake_case")]
pub enum Geometry {
    /// A filled polygon.
    Fill {
        /// x, y, x, y, …
        points_mm: Vec<f64>,
    },
    /// A line.
    Line {
        /// x, y, x, y, …
        points_mm: Vec<f64>,
        /// Width.
        width_mm: f64,
    },
    /// A disc.
    Disc {
        /// Centre.
        at_mm: [f64; 2],
        /// Radius.
        radius_mm: f64,
    },
    /// A word or number.
    Text {
        /// Baseline point.
        at_mm: [f64; 2],
        /// What it says.
        text: String,
        /// Height of the letters' em.
        size_mm: f64,
        /// Which side of the point.
        anchor: Anchor,
    },
}

/// What touching a shape means.
#[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, Deserialize, JsonSchema, ToSchema)]
#[serde(tag = "of", content = "which", rename_all = "snake_case")]
pub enum Tag {
    /// A measure.
    Measure(Measure),
    /// A coat zone.
    Zone(Zone),
    /// A clip line.
    Line(LineName),
    /// A numbered pin.
    Pin(u32),
}

/// One shape.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, JsonSchema, ToSchema)]
pub struct Shape {
    /// What it means.
    pub role: Role,
    /// Where it is.
    pub geometry: Geometry,
    /// What touching it means.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub tag: Option<Tag>,
}

/// A drawing: shapes in painting order on a page in millimetres of the real dog.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, JsonSchema, ToSchema)]
pub struct Drawing {
    /// What it shows, for those who cannot see it.
    pub title: String,
    /// Left, bottom, right, top of the page, mm.
    pub bounds_mm: [f64; 4],
    /// Shapes, the first painted first.
    pub shapes: Vec<Shape>,
}
