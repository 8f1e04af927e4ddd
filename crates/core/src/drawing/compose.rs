use kurbo::{Point, Rect};
use schemars::JsonSchema;
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use super::annotate::Annotator;
use super::labels::Labels;
use super::shapes::{Drawing, Geometry, Role, Shape};
use super::simplify::simplified;
use super::table::{measuring_table, to_page};
use crate::coat::CoatNow;
use crate::dog::House;
use crate::frame::Frame;
use crate::plan::{Plan, PlanCoat, PlanReport, dress_plan};
use crate::shape::{
    Dressing, Piece, PieceKind, SideShape, Stroke, bare, dress_now, side_pieces, side_shape,
};

/// What is shown.
#[expect(
    clippy::struct_excessive_bools,
    reason = "layers are shown or not, each by itself"
)]
#[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, Deserialize, JsonSchema, ToSchema)]
#[serde(default)]
pub struct Layers {
    /// Rule, height stick and crosses.
    pub table: bool,
    /// The coat as it is, as a wash; as the dog itself where there is no plan.
    pub now: bool,
    /// The plan in ink.
    pub plan: bool,
    /// The plan an hour later, dashed.
    pub settled: bool,
    /// The exact lengths, as a hairline.
    pub ideal: bool,
    /// The skin, dotted.
    pub skin: bool,
    /// Dimension lines.
    pub measures: bool,
    /// Landmarks by name.
    pub landmarks: bool,
    /// Clip lines.
    pub lines: bool,
    /// Lengths in their zones.
    pub lengths: bool,
    /// Pins on what stays off.
    pub pins: bool,
}

impl Default for Layers {
    fn default() -> Self {
        Self {
            table: true,
            now: true,
            plan: true,
            settled: false,
            ideal: false,
            skin: true,
            measures: false,
            landmarks: false,
            lines: false,
            lengths: false,
            pins: false,
        }
    }
}

/// How to draw.
#[derive(Clone, Copy, Debug, PartialEq, Serialize, Deserialize, JsonSchema, ToSchema)]
#[serde(default)]
pub struct DrawOptions {
    /// What is shown.
    pub layers: Layers,
    /// Height of ordinary text against the page's width.
    pub text_share: f64,
}

impl Default for DrawOptions {
    fn default() -> Self {
        Self {
            layers: Layers::default(),
            text_share: 0.0165,
        }
    }
}

/// Ink of the planned edge, share of the height: about 1.9 points on a dog 110 mm wide on the
/// sheet (dog-shape.md 10).
const INK: f64 = 0.0052;
/// Far legs are thinner by this (dog-shape.md 10).
const FAR: f64 = 0.62;
/// A tapered end runs out over this share of its length (dog-shape.md 10).
const TAPER: f64 = 0.16;
/// Points are dropped within this share of the height: a third of the ink's width.
const SMOOTH: f64 = 0.0004;

/// Everything a drawing shows.
#[derive(Clone, Copy, Debug)]
pub struct Scene<'a> {
    /// The frame.
    pub frame: &'a Frame,
    /// The coat today.
    pub coat: &'a CoatNow,
    /// The plan, solved.
    pub plan: Option<&'a Plan>,
    /// The plan, written out.
    pub report: Option<&'a PlanReport>,
    /// The salon's settings.
    pub house: &'a House,
    /// The dog's name.
    pub name: &'a str,
}

/// Draws the dog from the side, facing left, on its measuring table.
///
/// # Units and shapes
/// Millimetres of the real dog; page x = −x, y up.
pub fn draw_side(scene: &Scene<'_>, options: &DrawOptions) -> Drawing {
    let build = &scene.frame.build;
    let shape = side_shape(build);
    let page = page_of(&shape, build.height);
    let text_mm = options.text_share * page.width();
    let mut painter = Painter {
        shapes: Vec::new(),
        labels: Labels::default(),
        page,
        text_mm,
        height: build.height,
    };
    let layers = options.layers;
    let stick_x = page.x0 + 2.6 * text_mm;
    if layers.table {
        painter.shapes.extend(measuring_table(
            page,
            stick_x,
            0.8 * text_mm,
            0.0012 * page.width(),
        ));
    }
    let pieces = |dressing: &Dressing| side_pieces(&shape, build, dressing);
    let plan = scene.plan.filter(|_| layers.plan);
    let now = dress_now(build, scene.coat);
    match plan {
        Some(plan) => {
            if layers.now {
                painter.wash(&pieces(&now));
            }
            painter.dog(&pieces(&dress_plan(plan, scene.coat, PlanCoat::Tools)));
            if layers.settled {
                let settled = dress_plan(plan, scene.coat, PlanCoat::Settled);
                painter.outline(&pieces(&settled), Role::SettledLine, 0.45);
            }
            if layers.ideal {
                let ideal = dress_plan(plan, scene.coat, PlanCoat::Ideal);
                painter.outline(&pieces(&ideal), Role::IdealLine, 0.25);
            }
        }
        None if layers.now => painter.dog(&pieces(&now)),
        None => painter.dog(&pieces(&bare(scene.coat.stand))),
    }
    if layers.skin {
        painter.outline(&pieces(&bare(scene.coat.stand)), Role::Skin, 0.4);
    }
    Annotator {
        painter: &mut painter,
        scene,
        shape: &shape,
        layers,
        stick_x,
    }
    .annotate();
    Drawing {
        title: title(scene),
        bounds_mm: [page.x0, page.y0, page.x1, page.y1].map(super::simplify::tenth),
        shapes: painter.shapes,
    }
}

fn title(scene: &Scene<'_>) -> String {
    let look = scene.report.map_or(String::new(), |r| {
        format!(", planned as {}", r.look_name.to_lowercase())
    });
    format!("{} from the side, to scale{look}", scene.name)
}

/// The page: the same for a dog whatever is drawn on it, so that all tasks show one drawing.
fn page_of(shape: &SideShape, height: f64) -> Rect {
    use crate::shape::Station as S;
    let nose = shape.skin(S::NoseTip).x.max(shape.skin(S::Breastbone).x);
    let top = shape.skin(S::Crown).y.max(height);
    Rect::new(
        -(nose + 0.34 * height),
        -0.17 * height,
        0.50 * height,
        top + 0.22 * height,
    )
}

pub(super) struct Painter {
    pub(super) shapes: Vec<Shape>,
    pub(super) labels: Labels,
    pub(super) page: Rect,
    pub(super) text_mm: f64,
    pub(super) height: f64,
}

impl Painter {
    fn flat(&self, points: &[Point]) -> Vec<f64> {
        let page: Vec<Point> = points.iter().map(|p| to_page(*p)).collect();
        simplified(&page, SMOOTH * self.height)
    }

    fn push(&mut self, role: Role, geometry: Geometry) {
        self.shapes.push(Shape {
            role,
            geometry,
            tag: None,
        });
    }

    /// Coat as it is: all pieces flat, no lines; far legs one tone darker.
    fn wash(&mut self, pieces: &[Piece]) {
        for piece in pieces.iter().filter(|p| is_coat(p.kind)) {
            let role = if piece.is_far {
                Role::NowFar
            } else {
                Role::Now
            };
            let points_mm = self.flat(&piece.outline);
            self.push(role, Geometry::Fill { points_mm });
        }
    }

    /// The dog itself: opaque fills with their ink.
    fn dog(&mut self, pieces: &[Piece]) {
        for piece in pieces {
            let role = match piece.kind {
                PieceKind::Nose | PieceKind::Eye => Role::Feature,
                PieceKind::EyeLight => Role::EyeLight,
                _ if piece.is_far => Role::PlanFillFar,
                _ => Role::PlanFill,
            };
            if !piece.outline.is_empty() {
                let points_mm = self.flat(&piece.outline);
                self.push(role, Geometry::Fill { points_mm });
            }
            let width = INK * self.height * if piece.is_far { FAR } else { 1.0 };
            for stroke in &piece.strokes {
                self.ink(stroke, width * stroke.weight);
                let page: Vec<Point> = stroke.points.iter().map(|p| to_page(*p)).collect();
                self.labels.avoid(&page);
            }
        }
    }

    /// A stroke whose ends may run out thin: a polygon where they do, a line where not.
    fn ink(&mut self, stroke: &Stroke, width_mm: f64) {
        if !stroke.tapers_at_start && !stroke.tapers_at_end {
            let points_mm = self.flat(&stroke.points);
            self.push(
                Role::PlanLine,
                Geometry::Line {
                    points_mm,
                    width_mm,
                },
            );
            return;
        }
        let outline = tapered(stroke, width_mm);
        if outline.len() > 2 {
            let page: Vec<Point> = outline.iter().map(|p| to_page(*p)).collect();
            let points_mm = simplified(&page, 0.3 * SMOOTH * self.height);
            self.push(Role::PlanLine, Geometry::Fill { points_mm });
        }
    }

    /// Only the lines of the near pieces.
    fn outline(&mut self, pieces: &[Piece], role: Role, weight: f64) {
        let width_mm = weight * INK * self.height;
        for piece in pieces
            .iter()
            .filter(|p| !p.is_far && p.kind != PieceKind::Foot)
        {
            for stroke in piece.strokes.iter().filter(|s| s.weight > 0.6) {
                let points_mm = self.flat(&stroke.points);
                self.push(
                    role,
                    Geometry::Line {
                        points_mm,
                        width_mm,
                    },
                );
            }
        }
    }
}

fn is_coat(kind: PieceKind) -> bool {
    !matches!(
        kind,
        PieceKind::Lines | PieceKind::Nose | PieceKind::Eye | PieceKind::EyeLight
    )
}

/// Outline of a line that runs out thin at one or both ends.
fn tapered(stroke: &Stroke, width_mm: f64) -> Vec<Point> {
    let points = &stroke.points;
    let mut along = vec![0.0];
    for pair in points.windows(2) {
        along.push(along[along.len() - 1] + pair[0].distance(pair[1]));
    }
    let whole = along.last().copied().unwrap_or(0.0).max(1e-9);
    let half = |i: usize| {
        let t = along[i] / whole;
        let thin = |t: f64| (t / TAPER).clamp(0.0, 1.0).powf(0.8);
        let mut w = width_mm / 2.0;
        if stroke.tapers_at_start {
            w *= thin(t);
        }
        if stroke.tapers_at_end {
            w *= thin(1.0 - t);
        }
        w
    };
    let normal = |i: usize| {
        let (a, b) = (
            points[i.saturating_sub(1)],
            points[(i + 1).min(points.len() - 1)],
        );
        let d = b - a;
        kurbo::Vec2::new(-d.y, d.x) / d.hypot().max(1e-9)
    };
    let left = (0..points.len()).map(|i| points[i] + normal(i) * half(i));
    let right = (0..points.len())
        .rev()
        .map(|i| points[i] - normal(i) * half(i));
    left.chain(right).collect()
}
