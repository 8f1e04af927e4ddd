use kurbo::{Point, Rect};
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use crate::coat::{Site, Zone};
use crate::frame::Measure;
use crate::look::LineName;
use crate::page::View;
use crate::shape::Landmark;

/// What a shape means; the reader's theme gives it its looks.
#[derive(Clone, Copy, Debug, PartialEq, Eq, Hash, Serialize, Deserialize, ToSchema)]
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
    /// The darker parts of a coat of two colours.
    Patch,
    /// Small strokes of the hair itself.
    HairMark,
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
    /// All of a zone, for a finger: nothing to see until it is chosen.
    ZoneArea,
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
    /// Words of a note on what stays off.
    NoteWords,
    /// The stroke that ties it to its place.
    NoteTie,
    /// A thin line from a word to its place.
    Leader,
    /// How far a landmark may lie from where it is drawn.
    Doubt,
    /// A measure that contradicts another, or cannot be.
    Fault,
    /// The frame of an earlier visit.
    EarlierLine,
    /// What a view shows, written under it.
    ViewName,
    /// Something found on the body.
    Found,
    /// Its number.
    FoundNumber,
    /// The same of an earlier visit, faded.
    FoundEarlier,
    /// A spot shorter than its surroundings.
    Hole,
    /// Skin to keep off, at a site.
    SoreSkin,
    /// Where the step in hand works.
    Work,
    /// Where its tool is put down, how it runs, where it stops.
    StrokeMark,
    /// How a balance point is seen: plumb line, rod, daylight.
    PointMark,
    /// A ring about a place that is still to be looked at on the finished dog.
    Ring,
    /// The same once it was looked at.
    RingSeen,
    /// What was said of it: good, or its length.
    RingWord,
}

impl Role {
    /// All of them.
    pub const ALL: [Self; 46] = [
        Self::Rule,
        Self::RuleNumber,
        Self::Cross,
        Self::Now,
        Self::NowFar,
        Self::PlanFill,
        Self::PlanFillFar,
        Self::PlanLine,
        Self::SettledLine,
        Self::IdealLine,
        Self::Patch,
        Self::HairMark,
        Self::Skin,
        Self::Feature,
        Self::EyeLight,
        Self::Dimension,
        Self::DimensionNumber,
        Self::EstimatedNumber,
        Self::ClipLine,
        Self::ClipWords,
        Self::ZoneArea,
        Self::ZoneNumber,
        Self::ZoneTool,
        Self::Landmark,
        Self::LandmarkName,
        Self::Knots,
        Self::Pin,
        Self::PinNumber,
        Self::NoteWords,
        Self::NoteTie,
        Self::Leader,
        Self::Doubt,
        Self::Fault,
        Self::EarlierLine,
        Self::ViewName,
        Self::Found,
        Self::FoundNumber,
        Self::FoundEarlier,
        Self::Hole,
        Self::SoreSkin,
        Self::Work,
        Self::StrokeMark,
        Self::PointMark,
        Self::Ring,
        Self::RingSeen,
        Self::RingWord,
    ];
}

/// Which side of its point a text stands.
#[derive(Clone, Copy, Debug, Default, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
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
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
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
    /// Straight strokes, each by itself: a rule's ticks, crosses.
    Strokes {
        /// x, y of one end, x, y of the other; then the next stroke's.
        ends_mm: Vec<f64>,
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
#[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
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
    /// A landmark.
    Landmark(Landmark),
    /// A site the hand knows.
    Site(Site),
    /// Something found on the body, by its number on the drawing.
    Found(u32),
    /// A place of the walk round the finished dog, by its number.
    Ring(u32),
}

/// One shape.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
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
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct Drawing {
    /// What it shows, for those who cannot see it.
    pub title: String,
    /// Left, bottom, right, top of the page, mm.
    pub bounds_mm: [f64; 4],
    /// Where each view of the dog stands on the page; drawings of the first method say none.
    #[serde(default)]
    #[schema(required)]
    pub views: Vec<ViewPlace>,
    /// Shapes, the first painted first.
    pub shapes: Vec<Shape>,
    /// Left, bottom, right, top of the part where the step in hand works, mm; none without one.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub focus_mm: Option<[f64; 4]>,
}

/// One view on a page: where its own origin stands, and its area, mm.
#[derive(Clone, Copy, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct ViewPlace {
    /// Which.
    pub view: View,
    /// Page place of the view's origin: under the pin bone, on the midline, on the table.
    pub origin_mm: [f64; 2],
    /// How its own axes run on the page: 1 or −1 across and up.
    pub signs: [f64; 2],
    /// Left, bottom, right, top of its area.
    pub area_mm: [f64; 4],
    /// Its shapes in the drawing's list: the first, and the one after its last; both nothing where an early
    /// method did not say.
    #[serde(default)]
    #[schema(required)]
    pub shapes: [usize; 2],
}

impl Shape {
    /// Moves it over the page, mm.
    pub(super) fn shift(&mut self, x: f64, y: f64) {
        match &mut self.geometry {
            Geometry::Fill { points_mm: list }
            | Geometry::Line {
                points_mm: list, ..
            }
            | Geometry::Strokes { ends_mm: list, .. } => {
                for pair in list.chunks_exact_mut(2) {
                    pair[0] += x;
                    pair[1] += y;
                }
            }
            Geometry::Disc { at_mm, .. } | Geometry::Text { at_mm, .. } => {
                at_mm[0] += x;
                at_mm[1] += y;
            }
        }
    }
}

/// What the areas and lines among some shapes take of the page; none where there are none.
pub(super) fn extent(shapes: &[Shape]) -> Option<Rect> {
    let mut around: Option<Rect> = None;
    for shape in shapes {
        let (Geometry::Line { points_mm, .. } | Geometry::Fill { points_mm }) = &shape.geometry
        else {
            continue;
        };
        for pair in points_mm.chunks_exact(2) {
            let at = Point::new(pair[0], pair[1]);
            around = Some(around.map_or(Rect::from_points(at, at), |r| r.union_pt(at)));
        }
    }
    around
}

impl Drawing {
    /// What its areas and lines take of the page: left, bottom, right, top, mm; its bounds where
    /// nothing is drawn.
    pub fn drawn_mm(&self) -> [f64; 4] {
        extent(&self.shapes).map_or(self.bounds_mm, |drawn| {
            [drawn.x0, drawn.y0, drawn.x1, drawn.y1]
        })
    }

    /// Turns the page over, left to right; words stay readable.
    pub(super) fn mirror(&mut self) {
        let [left, _, right, _] = self.bounds_mm;
        let flip = |x: f64| left + right - x;
        for shape in &mut self.shapes {
            match &mut shape.geometry {
                Geometry::Fill { points_mm: list }
                | Geometry::Line {
                    points_mm: list, ..
                }
                | Geometry::Strokes { ends_mm: list, .. } => {
                    for x in list.iter_mut().step_by(2) {
                        *x = flip(*x);
                    }
                }
                Geometry::Disc { at_mm, .. } => at_mm[0] = flip(at_mm[0]),
                Geometry::Text { at_mm, anchor, .. } => {
                    at_mm[0] = flip(at_mm[0]);
                    *anchor = match anchor {
                        Anchor::Start => Anchor::End,
                        Anchor::Middle => Anchor::Middle,
                        Anchor::End => Anchor::Start,
                    };
                }
            }
        }
        for place in &mut self.views {
            place.origin_mm[0] = flip(place.origin_mm[0]);
            place.signs[0] = -place.signs[0];
            let [from, low, to, high] = place.area_mm;
            place.area_mm = [flip(to), low, flip(from), high];
        }
        if let Some([from, low, to, high]) = self.focus_mm {
            self.focus_mm = Some([flip(to), low, flip(from), high]);
        }
    }
}
