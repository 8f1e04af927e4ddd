use std::collections::BTreeMap;

use kurbo::{Point, Vec2};
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use super::marks::{PhotoMarks, PhotoPoint, PhotoScale};
use crate::frame::Measure;
use crate::page::View;
use crate::picture::{CLICK_SHARE, STOOD_DEG};
use crate::shape::Landmark;
use crate::units::{Length, UnitSystem, length_text};

/// One measure off a photo, with what makes up its doubt (one standard deviation each, mm).
#[derive(Clone, Copy, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct PhotoMeasure {
    /// Which.
    pub measure: Measure,
    /// Its value.
    pub value_mm: Length,
    /// All of it.
    pub doubt_mm: Length,
    /// Touching the landmarks.
    pub click_mm: f64,
    /// Touching the rod, and its length.
    pub scale_mm: f64,
    /// The table's edge, and a dog that leans or stands turned.
    pub tilt_mm: f64,
    /// Landmarks nearer the camera or further away than the rod.
    pub lens_mm: f64,
}

/// What a photo gives.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct PhotoReading {
    /// Measures, in the order of [`Measure::ALL`].
    pub measures: Vec<PhotoMeasure>,
    /// Millimetres of one pixel, where the scale is set.
    pub mm_per_px: Option<f64>,
    /// How far the camera leaned, degrees, anticlockwise positive.
    pub tilt_deg: f64,
    /// The view's origin on the photo, pixels: under the pin bone, on the midline, on the table.
    pub origin_px: Option<[f64; 2]>,
    /// What must be said.
    pub warnings: Vec<String>,
    /// What is still to be touched before anything can be measured.
    pub missing: Vec<String>,
}

/// A landmark under hair and skin is not a point: one standard deviation, mm (modelling choice).
const LANDMARK_MM: f64 = 2.0;
/// Rod against landmarks: how much nearer or further they may lie, as a share of the distance of
/// the camera (modelling choice: 5 cm at 2.2 m).
const DEPTH_SHARE: f64 = 0.023;
/// From this turn on the photo is doubted aloud, degrees (modelling choice: 1.5 % foreshortening).
const TURNED_DEG: f64 = 10.0;
/// A photo whose edge leans more is asked to be taken again, degrees (modelling choice).
const LEANS_DEG: f64 = 15.0;

/// Reads measures off the landmarks touched on a photo.
///
/// Scale comes from the rod or the known height, level from the table's edge; each measure carries
/// its doubt from click, scale, tilt and lens. Says when the dog stands turned to the camera, by
/// how pairs that should cover or mirror each other do not.
///
/// # Units and shapes
/// Pixels with y down; results in mm. Never fails: what cannot be measured yet is in `missing`.
///
/// # References
/// Similar triangles; all shares are modelling choices, tested against the simulated camera.
pub fn read_photo(marks: &PhotoMarks, units: UnitSystem) -> PhotoReading {
    let mut reading = PhotoReading {
        measures: Vec::new(),
        mm_per_px: None,
        tilt_deg: 0.0,
        origin_px: None,
        warnings: Vec::new(),
        missing: Vec::new(),
    };
    let touched = marks.touched();
    let needs_table = marks.view != View::Top;
    let table = marks.table_px.map(|t| t.map(point));
    if let Some([a, b]) = table {
        let along = if a.x <= b.x { b - a } else { a - b };
        reading.tilt_deg = -along.atan2().to_degrees();
        if reading.tilt_deg.abs() > LEANS_DEG {
            reading.warnings.push(format!(
                "The table leans by {:.0}°: hold the camera level and take it again.",
                reading.tilt_deg.abs()
            ));
        }
    } else if needs_table {
        reading
            .missing
            .push("Touch two points along the table's edge.".into());
    }
    let level = Level {
        tilt_rad: reading.tilt_deg.to_radians(),
        table_y: table.map(|[a, _]| a),
    };
    let Some(scale) = scale_of(marks, &touched, &level) else {
        reading.missing.push(match marks.scale {
            Some(PhotoScale::KnownHeight { .. }) => {
                "Touch the withers and the table's edge: the known height gives the scale.".into()
            }
            _ => "Touch both ends of the rod, and say how long it is.".into(),
        });
        return reading;
    };
    if needs_table && table.is_none() {
        return reading;
    }
    reading.mm_per_px = Some(scale.mm_per_px);
    let longer = f64::from(marks.size_px[0].max(marks.size_px[1]));
    let plane = Plane {
        view: marks.view,
        touched: &touched,
        level,
        scale,
        click_px: CLICK_SHARE * longer,
    };
    reading.origin_px = plane.origin();
    let turn = plane.turn_deg();
    if let Some(turn) = turn
        && turn.abs() > TURNED_DEG
    {
        reading.warnings.push(format!(
            "The dog stands turned by about {:.0}°: its pairs do not cover each other. Set it square to the camera and take it again.",
            turn.abs()
        ));
    }
    let is_known = |m: Measure| {
        m == Measure::HeightAtWithers && matches!(marks.scale, Some(PhotoScale::KnownHeight { .. }))
    };
    reading.measures = Measure::ALL
        .into_iter()
        .filter(|m| !is_known(*m))
        .filter_map(|m| plane.measure(m, turn))
        .collect();
    if let Some(height) = reading
        .measures
        .iter()
        .find(|m| m.measure == Measure::HeightAtWithers)
        && height.doubt_mm.as_mm() > 0.05 * height.value_mm.as_mm()
    {
        reading.warnings.push(format!(
            "The height is only sure to ±{}: use a longer rod, or stand further back.",
            length_text(height.doubt_mm, units)
        ));
    }
    reading
}

fn point(p: [f64; 2]) -> Point {
    Point::new(p[0], p[1])
}

#[derive(Clone, Copy)]
struct Level {
    tilt_rad: f64,
    /// A point on the table's edge.
    table_y: Option<Point>,
}

impl Level {
    /// Turns a place on the photo upright: x to the right, y up, pixels from the table's edge.
    fn upright(&self, p: Point) -> Vec2 {
        let from = p - self.table_y.unwrap_or_default();
        let (sin, cos) = self.tilt_rad.sin_cos();
        // The photo's y runs down.
        Vec2::new(cos * from.x - sin * from.y, -(sin * from.x + cos * from.y))
    }
}

#[derive(Clone, Copy)]
struct Scale {
    mm_per_px: f64,
    /// Length it was taken from, pixels.
    over_px: f64,
    /// Doubt of that length itself, mm.
    length_doubt_mm: f64,
}

/// A rod's own length is good to this, mm (modelling choice).
const ROD_DOUBT_MM: f64 = 0.5;
/// A height already known is good to a tape's reading, mm (handbook 2).
const KNOWN_DOUBT_MM: f64 = 4.0;
/// A shorter rod gives no scale, pixels.
const LEAST_ROD_PX: f64 = 8.0;

fn scale_of(
    marks: &PhotoMarks,
    touched: &BTreeMap<PhotoPoint, [f64; 2]>,
    level: &Level,
) -> Option<Scale> {
    let (length_mm, over_px, length_doubt_mm) = match marks.scale? {
        PhotoScale::Rod { ends_px, length_mm } => {
            let [a, b] = ends_px.map(point);
            (length_mm.as_mm(), a.distance(b), ROD_DOUBT_MM)
        }
        PhotoScale::KnownHeight { height_mm } => {
            level.table_y?;
            let withers = touched.get(&PhotoPoint {
                landmark: Landmark::Withers,
                is_right: false,
            })?;
            let up = level.upright(point(*withers)).y;
            (height_mm.as_mm(), up, KNOWN_DOUBT_MM)
        }
    };
    (over_px > LEAST_ROD_PX && length_mm > 0.0).then(|| Scale {
        mm_per_px: length_mm / over_px,
        over_px,
        length_doubt_mm,
    })
}

struct Plane<'a> {
    view: View,
    touched: &'a BTreeMap<PhotoPoint, [f64; 2]>,
    level: Level,
    scale: Scale,
    click_px: f64,
}

/// What a measure is, between which points of a view.
enum Between {
    /// Table to a landmark.
    Height(Landmark),
    /// Along the dog, level, between two landmarks.
    Level(Landmark, Landmark),
    /// Straight from one landmark to another.
    Straight(Landmark, Landmark),
    /// Left to right of a pair.
    Pair(Landmark),
}

fn between(measure: Measure, view: View) -> Option<Between> {
    use Between as B;
    use Landmark as L;
    use Measure as M;
    Some(match (view, measure) {
        (View::Side, M::HeightAtWithers) => B::Height(L::Withers),
        (View::Side, M::BodyLength) => B::Level(L::Breastbone, L::PinBone),
        (View::Side, M::ElbowHeight) => B::Height(L::Elbow),
        (View::Side, M::HipCrestHeight) => B::Height(L::HipCrest),
        (View::Side, M::LastRib) => B::Level(L::Breastbone, L::LastRib),
        (View::Side, M::HockHeight) => B::Height(L::HockPoint),
        (View::Side, M::TailSetHeight) => B::Height(L::TailSet),
        (View::Side, M::PinBoneHeight) => B::Height(L::PinBone),
        (View::Side, M::FlankFoldHeight) => B::Height(L::FlankFold),
        (View::Side, M::StifleHeight) => B::Height(L::Stifle),
        (View::Side, M::WristHeight) => B::Height(L::Wrist),
        (View::Side, M::HockReach) => B::Level(L::PinBone, L::HockPoint),
        (View::Side, M::HeadLength) => B::Straight(L::Occiput, L::NoseTip),
        (View::Side, M::MuzzleLength) => B::Straight(L::Stop, L::NoseTip),
        (View::Side, M::NeckLength) => B::Straight(L::Withers, L::Occiput),
        (View::Front, M::ChestWidth) => B::Pair(L::PointOfShoulder),
        (View::Front, M::ElbowSpacing) => B::Pair(L::Elbow),
        (View::Front, M::WristSpacing) => B::Pair(L::Wrist),
        (View::Front, M::ForefootSpacing) => B::Pair(L::Forefoot),
        (View::Rear, M::ThighWidth) => B::Pair(L::ThighMuscle),
        (View::Rear, M::StifleSpacing) => B::Pair(L::Stifle),
        (View::Rear, M::HockSpacing) => B::Pair(L::HockPoint),
        (View::Rear, M::HindFootSpacing) => B::Pair(L::HindFoot),
        (View::Top, M::RibWidth) => B::Pair(L::LastRib),
        (View::Top, M::LoinWidth) => B::Pair(L::FlankFold),
        (View::Top, M::ChestWidth) => B::Pair(L::PointOfShoulder),
        (View::Top, M::ThighWidth) => B::Pair(L::ThighMuscle),
        _ => return None,
    })
}

impl Plane<'_> {
    fn at(&self, landmark: Landmark, is_right: bool) -> Option<Vec2> {
        let touched = self.touched.get(&PhotoPoint { landmark, is_right })?;
        Some(self.level.upright(point(*touched)))
    }

    /// The side of a pair that faces the camera, or the landmark on the midline.
    fn near(&self, landmark: Landmark) -> Option<Vec2> {
        self.at(landmark, false)
    }

    fn measure(&self, measure: Measure, turn: Option<f64>) -> Option<PhotoMeasure> {
        let between = between(measure, self.view)?;
        let (value_px, clicks) = match between {
            Between::Height(l) => (self.near(l)?.y, 1.0),
            Between::Level(a, b) => ((self.near(a)?.x - self.near(b)?.x).abs(), 2.0),
            Between::Straight(a, b) => ((self.near(a)? - self.near(b)?).hypot(), 2.0),
            Between::Pair(l) => ((self.at(l, false)? - self.at(l, true)?).hypot(), 2.0),
        };
        let k = self.scale.mm_per_px;
        let value = self.signed(measure, k * value_px);
        let click = (clicks * ((k * self.click_px).powi(2) + LANDMARK_MM.powi(2))).sqrt();
        let scale = value.abs()
            * ((2.0_f64.sqrt() * self.click_px / self.scale.over_px).powi(2)
                + (self.scale.length_doubt_mm / (k * self.scale.over_px)).powi(2))
            .sqrt();
        // A turned dog is foreshortened along, and its parts come nearer or go further.
        let stood = turn
            .map_or(STOOD_DEG, |t| t.abs().max(0.5 * STOOD_DEG))
            .to_radians();
        let tilt = match between {
            Between::Height(_) => 0.0,
            _ => value.abs() * (1.0 - stood.cos()) + 0.5 * stood.sin() * DEPTH_SHARE * value.abs(),
        } + self.edge_doubt(&between);
        // A camera beside the dog sees what is nearer larger; the table's edge is nearer still.
        let lens = DEPTH_SHARE * value.abs().max(k * value_px);
        let doubt = (click * click + scale * scale + tilt * tilt + lens * lens).sqrt();
        Some(PhotoMeasure {
            measure,
            value_mm: Length::from_mm(value).ok()?,
            doubt_mm: Length::from_mm(doubt).ok()?,
            click_mm: click,
            scale_mm: scale,
            tilt_mm: tilt,
            lens_mm: lens,
        })
    }

    /// Doubt that the table's edge brings to a height, mm: its own two touches.
    fn edge_doubt(&self, between: &Between) -> f64 {
        match between {
            Between::Height(_) => 1.5 * self.scale.mm_per_px * self.click_px,
            _ => 0.0,
        }
    }

    /// A hock before the plumb line of the pin bone has a negative reach.
    fn signed(&self, measure: Measure, mm: f64) -> f64 {
        if measure != Measure::HockReach {
            return mm;
        }
        let (Some(pin), Some(hock), Some(front)) = (
            self.near(Landmark::PinBone),
            self.near(Landmark::HockPoint),
            self.near(Landmark::Breastbone)
                .or_else(|| self.near(Landmark::Withers)),
        ) else {
            return mm;
        };
        let ahead = (front.x - pin.x).signum();
        if (hock.x - pin.x) * ahead > 0.0 {
            -mm
        } else {
            mm
        }
    }

    /// How far the dog is turned from square to the camera, degrees, from pairs that should cover
    /// (side) or from the midline that should run through the middle of pairs (front and rear).
    fn turn_deg(&self) -> Option<f64> {
        let k = self.scale.mm_per_px;
        match self.view {
            View::Side => {
                // Near and far wrist and hock of a dog stood square cover each other; turned, they
                // come apart by their spacing's share.
                let apart: Vec<f64> = [Landmark::Wrist, Landmark::HockPoint]
                    .into_iter()
                    .filter_map(|l| Some(k * (self.at(l, false)?.x - self.at(l, true)?.x)))
                    .collect();
                let spacing = 0.20 * self.height_mm()?;
                mean(&apart).map(|d| (d / spacing).clamp(-1.0, 1.0).asin().to_degrees())
            }
            View::Front => self.off_midline(
                Landmark::Breastbone,
                &[Landmark::Elbow, Landmark::Wrist, Landmark::Forefoot],
                0.27,
            ),
            View::Rear => self.off_midline(
                Landmark::TailSet,
                &[Landmark::HockPoint, Landmark::HindFoot],
                0.13,
            ),
            View::Top => None,
        }
    }

    /// The midline's mark lies `ahead` (share of the height) nearer the camera than the pairs.
    fn off_midline(&self, middle: Landmark, pairs: &[Landmark], ahead: f64) -> Option<f64> {
        let k = self.scale.mm_per_px;
        let centre = self.near(middle)?.x;
        let off: Vec<f64> = pairs
            .iter()
            .filter_map(|l| {
                let (a, b) = (self.at(*l, false)?, self.at(*l, true)?);
                Some(k * (centre - f64::midpoint(a.x, b.x)))
            })
            .collect();
        let depth = ahead * self.height_mm()?;
        mean(&off).map(|d| (d / depth).clamp(-1.0, 1.0).asin().to_degrees())
    }

    /// Height of the highest landmark touched, mm: enough to scale pairs by.
    fn height_mm(&self) -> Option<f64> {
        let up = self
            .touched
            .values()
            .map(|p| self.level.upright(point(*p)).y)
            .fold(0.0, f64::max);
        (up > 0.0).then_some(up * self.scale.mm_per_px)
    }

    /// Where the view's own origin lies on the photo, pixels.
    fn origin(&self) -> Option<[f64; 2]> {
        let across = match self.view {
            View::Side => self.near(Landmark::PinBone)?.x,
            View::Front => {
                let (a, b) = (
                    self.at(Landmark::Elbow, false)?,
                    self.at(Landmark::Elbow, true)?,
                );
                f64::midpoint(a.x, b.x)
            }
            View::Rear => {
                let (a, b) = (
                    self.at(Landmark::HockPoint, false)?,
                    self.at(Landmark::HockPoint, true)?,
                );
                f64::midpoint(a.x, b.x)
            }
            View::Top => return None,
        };
        let foot = self.level.table_y?;
        let (sin, cos) = self.level.tilt_rad.sin_cos();
        // Back from upright, on the table (y = 0).
        Some([foot.x + cos * across, foot.y - sin * across])
    }
}

fn mean(values: &[f64]) -> Option<f64> {
    (!values.is_empty()).then(|| values.iter().sum::<f64>() / values.len() as f64)
}
