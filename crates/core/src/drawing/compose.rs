use kurbo::{Point, Rect};
use schemars::JsonSchema;
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use super::annotate::Annotator;
use super::body_marks::BodyMarks;
use super::labels::Labels;
use super::landmark_marks::LandmarkMarks;
use super::point_marks::PointMarks;
use super::shapes::{Drawing, Geometry, Role, Shape, ViewPlace};
use super::simplify::simplified;
use super::table::Table;
use super::view_marks::ViewMarks;
use super::work_marks::WorkMarks;
use crate::balance::{Judged, waist_behind_mm};
use crate::body::{EarlierFound, Found};
use crate::coat::{CoatNow, Zone};
use crate::dog::House;
use crate::frame::{Frame, FrameValue, Measure, Severity};
use crate::page::View;
use crate::plan::{Plan, PlanCoat, dress_plan};
use crate::report::PlanReport;
use crate::shape::{
    BothSides, Dressing, Piece, PieceKind, SideShape, Spread, Stroke, bare, dress_now,
    front_pieces, rear_pieces, side_pieces_beside, side_shape, top_pieces,
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
    /// How sure each landmark is.
    pub doubt: bool,
    /// What was found on the body.
    pub found: bool,
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
            doubt: false,
            found: true,
        }
    }
}

/// Which views stand on the sheet.
#[derive(
    Clone, Copy, Debug, Default, PartialEq, Eq, Serialize, Deserialize, JsonSchema, ToSchema,
)]
#[serde(rename_all = "snake_case")]
#[expect(missing_docs, reason = "the names say it")]
pub enum Sheet {
    #[default]
    Side,
    Front,
    Rear,
    Top,
    /// All four at one scale.
    Four,
}

impl Sheet {
    const fn view(self) -> Option<View> {
        match self {
            Self::Side => Some(View::Side),
            Self::Front => Some(View::Front),
            Self::Rear => Some(View::Rear),
            Self::Top => Some(View::Top),
            Self::Four => None,
        }
    }
}

/// How to draw.
#[derive(Clone, Copy, Debug, PartialEq, Serialize, Deserialize, JsonSchema, ToSchema)]
#[serde(default)]
pub struct DrawOptions {
    /// From where.
    pub sheet: Sheet,
    /// What is shown.
    pub layers: Layers,
    /// The step of the run to show at work.
    pub step: Option<u32>,
    /// The side view turned to face right: the finished side as the other's pattern.
    pub mirrored: bool,
    /// The balance point to show with the zones that move it.
    pub point: Option<Judged>,
    /// Height of ordinary text against the page's width.
    pub text_share: f64,
    /// For a card some centimetres wide: as many points as show there.
    pub is_small: bool,
}

impl Default for DrawOptions {
    fn default() -> Self {
        Self {
            sheet: Sheet::Side,
            layers: Layers::default(),
            step: None,
            mirrored: false,
            point: None,
            text_share: 0.0165,
            is_small: false,
        }
    }
}

/// Smallest and largest text that is still text, share of the page's width.
const TEXT: (f64, f64) = (0.004, 0.05);

impl DrawOptions {
    fn text(&self) -> f64 {
        if self.text_share.is_finite() {
            self.text_share.clamp(TEXT.0, TEXT.1)
        } else {
            Self::default().text_share
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
    /// The plan's coat at another day than today, drawn in its place.
    pub grown: Option<&'a Dressing>,
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
    /// How sure each landmark is, where that is shown.
    pub spreads: &'a [Spread],
    /// The frame of an earlier visit to lay over this one.
    pub earlier: Option<&'a Frame>,
    /// Zones to show: where the step in hand works, or what moves a point.
    pub work: &'a [Zone],
    /// The balance point to show as the eye sees it.
    pub point: Option<Judged>,
    /// What was found on the body.
    pub found: &'a [Found],
    /// What was found at earlier visits.
    pub earlier_found: &'a [EarlierFound],
}

impl Scene<'_> {
    pub(super) fn value(&self, measure: Measure) -> Option<FrameValue> {
        let values = &self.frame.values;
        values.iter().find(|v| v.measure == measure).copied()
    }

    /// Whether a measure contradicts another or cannot be.
    pub(super) fn is_fault(&self, measure: Measure) -> bool {
        self.frame
            .problems
            .iter()
            .any(|p| p.severity == Severity::Refused && p.culprits.contains(&measure))
    }
}

/// Draws the dog on its measuring table, in the view or views asked for.
///
/// # Units and shapes
/// Millimetres of the real dog; page x to the right, y up. From the side and above the dog faces
/// left; four views stand on one sheet at one scale, the top view under the side view.
pub fn draw(scene: &Scene<'_>, options: &DrawOptions) -> Drawing {
    let stage = Stage::new(scene);
    match options.sheet.view() {
        Some(view) => {
            let page = stage.page_of(view);
            let text_mm = options.text() * page.width().max(tall(view) * page.height());
            let room = if options.is_small {
                Room::Card
            } else {
                Room::Ample
            };
            let mut drawing = stage.draw(view, page, text_mm, options.layers, room);
            if options.mirrored && view == View::Side {
                drawing.mirror();
                drawing.title.push_str(", mirrored");
            }
            drawing
        }
        None => four_views(&stage, options),
    }
}

/// A tall page is as high as the sheet, so its text goes by its height (a sheet is about 1.4 times
/// as wide as high).
const fn tall(view: View) -> f64 {
    match view {
        View::Side | View::Top => 0.8,
        View::Front | View::Rear => 1.2,
    }
}

/// Whether a view has the sheet to itself.
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
pub(super) enum Room {
    /// It does.
    Ample,
    /// It shares it: fewer words.
    Scarce,
    /// A card of a few centimetres: no words.
    Card,
}

impl Room {
    /// Points are dropped within this share of the height: four views are shown at about two
    /// fifths of the size.
    const fn smooth(self) -> f64 {
        match self {
            Self::Ample => SMOOTH,
            Self::Scarce => 2.5 * SMOOTH,
            Self::Card => 6.0 * SMOOTH,
        }
    }
}

/// Room between views on one sheet, share of the height.
const BETWEEN: f64 = 0.06;

fn four_views(stage: &Stage<'_>, options: &DrawOptions) -> Drawing {
    let h = stage.scene.frame.build.height;
    let page = |view| stage.page_of(view);
    let (side, front, rear, top) = (
        page(View::Side),
        page(View::Front),
        page(View::Rear),
        page(View::Top),
    );
    let gap = BETWEEN * h;
    let width = side.width() + front.width() + rear.width() + 2.0 * gap;
    let text_mm = options.text() * width;
    let mut whole = Drawing {
        title: title(stage.scene, "in four views"),
        bounds_mm: [
            side.x0,
            side.y0 - gap - top.height(),
            side.x0 + width,
            side.y1,
        ]
        .map(super::simplify::tenth),
        views: Vec::new(),
        shapes: Vec::new(),
    };
    let front_x = side.x1 + gap - front.x0;
    let rear_x = front_x + front.x1 + gap - rear.x0;
    for (view, x, y) in [
        (View::Side, 0.0, 0.0),
        (View::Front, front_x, 0.0),
        (View::Rear, rear_x, 0.0),
        (View::Top, 0.0, side.y0 - gap - top.y1),
    ] {
        let mut one = stage.draw(view, page(view), text_mm, options.layers, Room::Scarce);
        for shape in &mut one.shapes {
            shape.shift(x, y);
        }
        for place in &mut one.views {
            place.origin_mm[0] += x;
            place.origin_mm[1] += y;
            for (i, edge) in place.area_mm.iter_mut().enumerate() {
                *edge += if i % 2 == 0 { x } else { y };
            }
            place.shapes = place.shapes.map(|n| n + whole.shapes.len());
        }
        whole.shapes.append(&mut one.shapes);
        whole.views.append(&mut one.views);
    }
    whole
}

/// A dog laid out for drawing.
struct Stage<'a> {
    scene: &'a Scene<'a>,
    dog: BothSides<'a>,
    /// The near side, with the waist where a plan has it.
    near: SideShape,
    /// The far side, likewise.
    far: SideShape,
}

impl<'a> Stage<'a> {
    fn new(scene: &'a Scene<'a>) -> Self {
        let dog = BothSides::of(scene.frame);
        let look = scene.plan.map(|plan| &plan.subject.look);
        let back = look.map_or(0.0, |look| waist_behind_mm(look, scene.frame.build.height));
        Self {
            scene,
            near: dog.shape.clone().with_waist_behind(back),
            far: side_shape(&scene.frame.right).with_waist_behind(back),
            dog,
        }
    }

    fn pieces(&self, view: View, dressing: &Dressing) -> Vec<Piece> {
        match view {
            View::Side => side_pieces_beside(
                &self.near,
                self.dog.left,
                (&self.far, self.dog.right),
                dressing,
            ),
            View::Front => front_pieces(&self.dog, dressing),
            View::Rear => rear_pieces(&self.dog, dressing),
            View::Top => top_pieces(&self.dog, dressing),
        }
    }

    fn draw(&self, view: View, page: Rect, text_mm: f64, layers: Layers, room: Room) -> Drawing {
        let scene = self.scene;
        let mut painter = Painter {
            shapes: Vec::new(),
            labels: Labels::default(),
            page,
            text_mm,
            height: scene.frame.build.height,
            smooth_mm: room.smooth() * scene.frame.build.height,
            view,
        };
        let stick_x = page.x0 + 2.6 * text_mm;
        if layers.table {
            let table = Table {
                page,
                stick_x: (view != View::Top).then_some(stick_x),
                view,
                has_note: room == Room::Ample,
                text_mm: 0.8 * text_mm,
                line_mm: 0.0012 * page.width().max(page.height()),
            };
            painter.shapes.extend(table.draw());
        }
        self.paint(&mut painter, layers);
        WorkMarks {
            painter: &mut painter,
            scene,
            dog: &self.dog,
        }
        .mark();
        PointMarks {
            painter: &mut painter,
            scene,
            dog: &self.dog,
        }
        .mark();
        match view {
            View::Side => Annotator {
                painter: &mut painter,
                scene,
                shape: &self.dog.shape,
                layers,
                stick_x,
                room,
            }
            .annotate(),
            _ => ViewMarks {
                painter: &mut painter,
                scene,
                dog: &self.dog,
                room,
            }
            .mark(layers),
        }
        LandmarkMarks {
            painter: &mut painter,
            dog: &self.dog,
            spreads: scene.spreads,
            room,
        }
        .mark(layers);
        if layers.found {
            BodyMarks {
                painter: &mut painter,
                scene,
            }
            .mark();
        }
        let bounds_mm = [page.x0, page.y0, page.x1, page.y1].map(super::simplify::tenth);
        Drawing {
            title: title(scene, view.seen_from()),
            bounds_mm,
            views: vec![ViewPlace {
                view,
                origin_mm: [0.0, 0.0],
                signs: view.page_signs().into(),
                area_mm: bounds_mm,
                shapes: [0, painter.shapes.len()],
            }],
            shapes: painter.shapes,
        }
    }

    /// The dog: coat as it is, plan, skin.
    fn paint(&self, painter: &mut Painter, layers: Layers) {
        let scene = self.scene;
        let build = &scene.frame.build;
        let view = painter.view;
        let pieces = |dressing: &Dressing| self.pieces(view, dressing);
        let now = dress_now(build, scene.coat);
        let naked = bare(scene.coat.stand.all());
        let (now, naked) = (pieces(&now), pieces(&naked));
        match scene.plan.filter(|_| layers.plan) {
            Some(plan) => {
                let dressed = |which| self.pieces(view, &dress_plan(plan, scene.coat, which));
                let tools = match scene.grown {
                    Some(grown) => self.pieces(view, grown),
                    None => dressed(PlanCoat::Tools),
                };
                let settled = layers.settled.then(|| dressed(PlanCoat::Settled));
                let ideal = layers.ideal.then(|| dressed(PlanCoat::Ideal));
                if layers.now {
                    painter.wash(&now);
                }
                painter.dog(&tools);
                if let Some(settled) = settled {
                    painter.outline(&settled, Role::SettledLine, 0.45);
                }
                if let Some(ideal) = ideal {
                    painter.outline(&ideal, Role::IdealLine, 0.25);
                }
            }
            None if layers.now => painter.dog(&now),
            None => painter.dog(&naked),
        }
        if layers.skin {
            painter.outline(&naked, Role::Skin, 0.4);
        }
        if let Some(earlier) = scene.earlier {
            let stage = BothSides::of(earlier);
            let far = side_shape(&earlier.right);
            let dressing = bare(scene.coat.stand.all());
            let pieces = match painter.view {
                View::Side => {
                    side_pieces_beside(&stage.shape, stage.left, (&far, stage.right), &dressing)
                }
                View::Front => front_pieces(&stage, &dressing),
                View::Rear => rear_pieces(&stage, &dressing),
                View::Top => top_pieces(&stage, &dressing),
            };
            painter.outline(&pieces, Role::EarlierLine, 0.5);
        }
    }

    /// The page of a view: the same for a dog whatever is drawn on it, so that all tasks show one
    /// drawing.
    fn page_of(&self, view: View) -> Rect {
        use crate::shape::Station as S;
        let (shape, b) = (&self.dog.shape, self.dog.left);
        let h = b.height;
        let nose = shape.skin(S::NoseTip).x.max(shape.skin(S::Breastbone).x);
        let top = shape.skin(S::Crown).y.max(h) + 0.22 * h;
        let widest = [b.shoulder_width, b.rib_width, b.thigh_width]
            .into_iter()
            .fold(0.0, f64::max);
        match view {
            View::Side => Rect::new(-(nose + 0.34 * h), -0.17 * h, 0.50 * h, top),
            View::Front | View::Rear => {
                // Height stick at the left, numbers at the right.
                let half = 0.5 * widest + 0.20 * h;
                Rect::new(-half - 0.12 * h, -0.17 * h, half + 0.16 * h, top)
            }
            View::Top => {
                let half = 0.5 * widest + 0.14 * h;
                Rect::new(-(nose + 0.34 * h), -half, 0.50 * h, half)
            }
        }
    }
}

fn title(scene: &Scene<'_>, seen: &str) -> String {
    let look = scene.report.map_or(String::new(), |r| {
        format!(", planned as {}", r.look_name.to_lowercase())
    });
    format!("{} {seen}, to scale{look}", scene.name)
}

pub(super) struct Painter {
    pub(super) view: View,
    pub(super) shapes: Vec<Shape>,
    pub(super) labels: Labels,
    pub(super) page: Rect,
    pub(super) text_mm: f64,
    pub(super) height: f64,
    /// Points are dropped within this, mm.
    smooth_mm: f64,
}

impl Painter {
    /// Points of the view's own plane on its page.
    pub(super) fn on_page(&self, points: &[Point]) -> Vec<Point> {
        let (sx, sy) = self.view.page_signs();
        points
            .iter()
            .map(|p| Point::new(sx * p.x, sy * p.y))
            .collect()
    }

    fn flat(&self, points: &[Point]) -> Vec<f64> {
        simplified(&self.on_page(points), self.smooth_mm)
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
                let page = self.on_page(&stroke.points);
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
            let page = self.on_page(&outline);
            let points_mm = simplified(&page, 0.3 * self.smooth_mm);
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
