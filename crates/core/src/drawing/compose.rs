use kurbo::Rect;

use super::annotate::Annotator;
use super::areas_in_view::AreasInView;
use super::asked_marks::{AskedMarks, felt_at};
use super::body_marks::BodyMarks;
use super::canvas::{Painter, Room};
use super::close_up::CloseUp;
use super::labels::Labels;
use super::landmark_marks::LandmarkMarks;
use super::length_bars::length_bars;
use super::on_end::OnEnd;
use super::patches::{dark_zones, dog_on_end, tone};
use super::point_marks::PointMarks;
use super::ring_marks::RingMarks;
use super::scene::{DrawOptions, Layers, Scene, Sheet};
use super::shapes::{Drawing, Role, Shape, ViewPlace, extent};
use super::site_marks::SiteMarksDrawn;
use super::table::Table;
use super::view_marks::ViewMarks;
use super::work_marks::WorkMarks;
use super::zone_areas::ZoneAreas;
use crate::balance::waist_behind_mm;
use crate::coat::{Texture, Zone};
use crate::frame::Finding;
use crate::page::{View, WalkFrom};
use crate::plan::{PlanCoat, dress_plan};
use crate::shape::{
    BothSides, Dressing, Piece, PieceKind, SideShape, bare, dress_now, front_pieces, rear_pieces,
    side_pieces_beside, side_shape, top_pieces,
};

/// Draws the dog on its measuring table, in the view or views asked for.
///
/// # Units and shapes
/// Millimetres of the real dog; page x to the right, y up. From the side and above the dog faces
/// left; four views stand on one sheet at one scale, the top view under the side view.
pub fn draw(scene: &Scene<'_>, options: &DrawOptions) -> Drawing {
    let stage = Stage::new(scene);
    let close_up = match options.walk {
        Some(WalkFrom::Below) => Some(CloseUp::Soles),
        Some(_) => None,
        None => CloseUp::of(scene.sites, scene.work)
            .filter(|_| options.step.is_some() && options.sheet == Sheet::Side),
    };
    if let Some(close_up) = close_up {
        return close_up.draw(scene, &stage.dog, options);
    }
    // A step's place is drawn where it shows, unless another view was asked for.
    let view = match options.sheet {
        _ if options.walk.is_some() => options.walk.map(WalkFrom::view),
        Sheet::Side if options.step.is_some() => Some(shows_in(scene.work)),
        Sheet::Side => Some(options.asked.map_or(View::Side, |asked| felt_at(asked).0)),
        sheet => sheet.view(),
    };
    match view {
        Some(view) => {
            let page = stage.page_of(view);
            let text_mm = options.text() * page.width().max(tall(view) * page.height());
            let room = if options.is_small {
                Room::Card
            } else {
                Room::Ample
            };
            let mut layers = options.layers;
            layers.hair &= room == Room::Ample;
            let mut drawing = stage.draw(view, page, text_mm, layers, room, options.asked);
            let is_turned = options.mirrored || options.walk == Some(WalkFrom::Right);
            if is_turned && view == View::Side {
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

/// The view a step's zones show in: what faces the other leg from in front or behind, a face from in
/// front, the rest from the side.
fn shows_in(work: &[Zone]) -> View {
    let all = |zones: &[Zone]| !work.is_empty() && work.iter().all(|z| zones.contains(z));
    let face = [Zone::Cheek, Zone::Muzzle, Zone::Beard, Zone::Brow];
    if all(&[Zone::ForeIn]) || all(&face) {
        View::Front
    } else if all(&[Zone::HindIn]) {
        View::Rear
    } else {
        View::Side
    }
}

/// Room about the place of a step, and the least that is shown of the dog, share of the height.
const FOCUS_ROOM: f64 = 0.07;
const FOCUS_LEAST: f64 = 0.50;

/// The part of the page that shows where a step works, about as high as wide, within the page.
fn focus(work: &[Shape], page: Rect, height: f64) -> Option<[f64; 4]> {
    let around = extent(work)?;
    let side =
        (around.width().max(around.height()) + 2.0 * FOCUS_ROOM * height).max(FOCUS_LEAST * height);
    let within = |middle: f64, low: f64, high: f64| {
        let side = side.min(high - low);
        let from = (middle - 0.5 * side).clamp(low, high - side);
        (from, from + side)
    };
    let middle = around.center();
    let (x0, x1) = within(middle.x, page.x0, page.x1);
    let (y0, y1) = within(middle.y, page.y0, page.y1);
    Some([x0, y0, x1, y1].map(super::simplify::tenth))
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
        focus_mm: None,
    };
    let front_x = side.x1 + gap - front.x0;
    let rear_x = front_x + front.x1 + gap - rear.x0;
    for (view, x, y) in [
        (View::Side, 0.0, 0.0),
        (View::Front, front_x, 0.0),
        (View::Rear, rear_x, 0.0),
        (View::Top, 0.0, side.y0 - gap - top.y1),
    ] {
        let mut one = stage.draw(
            view,
            page(view),
            text_mm,
            options.layers,
            Room::Scarce,
            options.asked,
        );
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
        let lines = scene.plan.map(|plan| &plan.subject.lines);
        let height = scene.frame.build.height;
        let back = lines.map_or(0.0, |lines| waist_behind_mm(lines, height));
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

    fn draw(
        &self,
        view: View,
        page: Rect,
        text_mm: f64,
        layers: Layers,
        room: Room,
        asked: Option<Finding>,
    ) -> Drawing {
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
                // The plan says lengths there.
                has_note: room == Room::Ample && !layers.pins,
                is_numbered_behind: room == Room::Ample,
                text_mm: 0.8 * text_mm,
                line_mm: 0.0012 * page.width().max(page.height()),
            };
            painter.shapes.extend(table.draw());
        }
        self.paint(&mut painter, layers);
        let is_touched = layers.touch && room != Room::Card;
        let asks_for_zones = is_touched || !scene.work.is_empty() || !scene.rings.is_empty();
        let areas = asks_for_zones.then(|| AreasInView::new(scene, &self.dog, view));
        let mut work = WorkMarks {
            painter: &mut painter,
            scene,
            dog: &self.dog,
        };
        if let Some(areas) = areas.as_ref().filter(|_| is_touched) {
            work.lay_zones(areas);
        }
        let before = work.painter.shapes.len();
        work.mark(areas.as_ref());
        let focus_mm = focus(&painter.shapes[before..], page, painter.height);
        PointMarks {
            painter: &mut painter,
            scene,
            dog: &self.dog,
        }
        .mark();
        if layers.pins && layers.table && room == Room::Ample && view == View::Side {
            length_bars(&mut painter, scene, &self.dog);
        }
        match view {
            View::Side => Annotator {
                painter: &mut painter,
                scene,
                dog: &self.dog,
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
            SiteMarksDrawn {
                painter: &mut painter,
                scene,
                dog: &self.dog,
            }
            .mark();
            BodyMarks {
                painter: &mut painter,
                scene,
            }
            .mark();
        }
        if let Some(asked) = asked {
            AskedMarks {
                painter: &mut painter,
                dog: &self.dog,
            }
            .mark(asked);
        }
        if let Some(areas) = &areas {
            let mut rings = RingMarks {
                painter: &mut painter,
                scene,
            };
            rings.mark(areas);
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
            focus_mm,
        }
    }

    /// The dog: coat as it is, plan, skin.
    fn paint(&self, painter: &mut Painter, layers: Layers) {
        let scene = self.scene;
        let build = &scene.frame.build;
        let view = painter.view;
        let pieces = |dressing: &Dressing| self.pieces(view, dressing);
        let now = || pieces(&dress_now(build, scene.coat));
        let naked = || pieces(&bare(scene.coat.stand.all()));
        let hair = layers.hair.then_some(scene.coat.texture);
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
                    painter.wash(&now());
                }
                self.dog_in_its_colours(painter, &tools, hair);
                if let Some(settled) = settled {
                    painter.outline(&settled, Role::SettledLine, 0.45);
                }
                if let Some(ideal) = ideal {
                    painter.outline(&ideal, Role::IdealLine, 0.25);
                }
            }
            None if layers.now => self.dog_in_its_colours(painter, &now(), hair),
            None => painter.dog(&naked(), None),
        }
        if layers.skin {
            painter.outline(&naked(), Role::Skin, 0.4);
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

    /// The dog itself, its darker zones in a tone where it has two colours.
    fn dog_in_its_colours(&self, painter: &mut Painter, pieces: &[Piece], hair: Option<Texture>) {
        let dark = dark_zones(self.scene.coat);
        if dark.is_empty() {
            painter.dog(pieces, hair);
            return;
        }
        if painter.view != View::Side {
            let areas = OnEnd::new(self.scene, &self.dog, painter.view);
            dog_on_end(painter, &areas, pieces, &dark, hair);
            return;
        }
        let areas = ZoneAreas::new(self.scene, &self.dog);
        let at = |kind: PieceKind| pieces.iter().position(|p| p.kind == kind && !p.is_far);
        let (body, ear) = (
            at(PieceKind::Body).unwrap_or(0),
            at(PieceKind::Ear).unwrap_or(pieces.len()),
        );
        // What hangs over the dog is painted over the tone of what it hides, with its own tone after it: an
        // ear, a tail over the back; a tail behind the body before it.
        let tail = at(PieceKind::Tail);
        painter.dog_part(pieces, 0..body, hair);
        if tail.is_some_and(|tail| tail < body) {
            tone(painter, &areas, pieces, &dark, |zone| zone == Zone::Tail);
        }
        painter.dog_part(pieces, body..ear, hair);
        tone(painter, &areas, pieces, &dark, |zone| {
            !ZoneAreas::hangs(zone)
        });
        if let Some(tail) = tail.filter(|tail| *tail > body) {
            painter.dog_part(pieces, tail..tail + 1, hair);
            tone(painter, &areas, pieces, &dark, |zone| zone == Zone::Tail);
        }
        painter.dog_part(pieces, ear..pieces.len(), hair);
        tone(painter, &areas, pieces, &dark, |zone| zone == Zone::Ear);
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
                // A number stands beneath the coat.
                let half = 0.5 * widest + 0.20 * h;
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
