use kurbo::{Point, Vec2};

use super::canvas::{Painter, Room};
use super::chalk::BLEND;
use super::measures::{number_role, value_text};
use super::notes::Notes;
use super::scene::{Layers, Scene};
use super::shapes::{Anchor, Geometry, Role, Shape, Tag};
use super::simplify::tenth;
use crate::frame::{Measure, Origin};
use crate::page::View;
use crate::report::PlanReport;
use crate::say::Words;
use crate::shape::{BothSides, Station as S};

/// Writes the measures of the front, rear and top views.
pub(super) struct ViewMarks<'a> {
    pub(super) painter: &'a mut Painter,
    pub(super) scene: &'a Scene<'a>,
    pub(super) dog: &'a BothSides<'a>,
    pub(super) room: Room,
}

/// A width: from and to on the view's own plane.
struct Width {
    measure: Measure,
    from: Point,
    to: Point,
}

impl ViewMarks<'_> {
    pub(super) fn mark(mut self, layers: Layers) {
        if layers.pins
            && let Some(report) = self.scene.report
        {
            Notes::place(self.painter, report, self.room).draw(self.painter);
        }
        if layers.lines
            && let Some(report) = self.scene.report
        {
            self.chalk(report);
        }
        if layers.measures {
            for width in self.widths() {
                self.dimension(&width);
            }
            if self.painter.view != View::Top {
                self.turnout();
            }
        }
        if layers.table {
            self.view_name();
        }
    }

    /// The clip lines that show in this view.
    fn chalk(&mut self, report: &PlanReport) {
        let view = self.painter.view;
        for line in &report.lines {
            for there in line.elsewhere.iter().filter(|p| p.view == view) {
                let path = there.path_mm.iter().map(|p| Point::new(p[0], p[1]));
                let on_page = self.painter.on_page(&path.collect::<Vec<_>>());
                let tag = Some(Tag::Line(line.line));
                self.weighted(Role::ClipLine, &on_page, tag, 0.006);
                if line.blend_dy_mm != 0.0 && view != View::Top {
                    let down = Vec2::new(0.0, line.blend_dy_mm);
                    let to: Vec<Point> = on_page.iter().map(|p| *p + down).collect();
                    self.weighted(Role::ClipLine, &to, tag, BLEND);
                }
            }
        }
    }

    fn widths(&self) -> Vec<Width> {
        use Measure as M;
        let b = self.dog.left;
        let h = b.height;
        let level = |measure, y: f64, left: f64, right: f64| Width {
            measure,
            from: Point::new(-right, y),
            to: Point::new(left, y),
        };
        let both = |measure: M, y: f64| {
            let (l, r) = (measure.of(self.dog.left), measure.of(self.dog.right));
            level(measure, y, 0.5 * l, 0.5 * r)
        };
        let upright = |measure: M, x: f64| {
            let half = 0.5 * measure.of(b);
            Width {
                measure,
                from: Point::new(x, -half),
                to: Point::new(x, half),
            }
        };
        match self.painter.view {
            View::Side => Vec::new(),
            View::Front => vec![
                both(M::ChestWidth, b.point_of_shoulder().y + 0.03 * h),
                both(M::ElbowSpacing, b.elbow - 0.03 * h),
                both(M::WristSpacing, b.wrist),
                both(M::ForefootSpacing, 0.02 * h),
            ],
            View::Rear => vec![
                both(M::ThighWidth, b.pin + 0.42 * (b.stifle - b.pin)),
                both(M::StifleSpacing, b.stifle),
                both(M::HockSpacing, b.hock),
                both(M::HindFootSpacing, 0.02 * h),
            ],
            View::Top => {
                let (rib, hip) = (b.length - b.last_rib, self.dog.shape.skin(S::HipCrest).x);
                vec![
                    upright(M::ChestWidth, b.withers().x - 0.08 * h),
                    upright(M::RibWidth, rib),
                    upright(M::LoinWidth, rib + 0.68 * (hip - rib)),
                    upright(M::ThighWidth, 0.105 * h),
                ]
            }
        }
    }

    /// A line across, with its number clear of the dog: those typed, felt or at fault in full, the
    /// estimated ones only as a faint line.
    fn dimension(&mut self, width: &Width) {
        let Some(value) = self.scene.value(width.measure) else {
            return;
        };
        let is_fault = self.scene.is_fault(width.measure);
        let ink = if is_fault {
            Role::Fault
        } else {
            Role::Dimension
        };
        let role = if is_fault {
            Role::Fault
        } else {
            number_role(&value)
        };
        let tag = Some(Tag::Measure(width.measure));
        let h = self.painter.height;
        let ends = self.painter.on_page(&[width.from, width.to]);
        let (a, b) = (ends[0], ends[1]);
        let along = (b - a) / (b - a).hypot().max(1e-9);
        let arm = Vec2::new(-along.y, along.x) * (0.012 * h);
        self.line(ink, &[a, b], tag);
        for p in [a, b] {
            self.line(ink, &[p - arm, p + arm], tag);
        }
        let is_told = value.origin != Origin::Estimated || is_fault;
        if !is_told && (self.painter.view == View::Top || self.room == Room::Scarce) {
            return;
        }
        let words = Words {
            house: self.scene.house,
            kit: &[],
        };
        let text = value_text(&words, &value);
        let t = self.painter.text_mm;
        let size_mm = 0.9 * t;
        let places: Vec<(Point, Anchor)> = if self.painter.view == View::Top {
            // Clear of the coat beneath or above, else on it, beside the line.
            let (low, high) = if a.y < b.y { (a, b) } else { (b, a) };
            let under = [1.6, 2.8, 4.0, 4.9].map(|d| (low - Vec2::new(0.0, d * t), Anchor::Middle));
            let over = [0.7, 1.9, 3.1].map(|d| (high + Vec2::new(0.0, d * t), Anchor::Middle));
            let beside = [0.3, 0.7, 0.5].map(|share| low.lerp(high, share));
            let aside = Vec2::new(0.4 * t, -0.3 * t);
            let behind = beside.map(|at| (at + aside, Anchor::Start));
            let before = beside.map(|at| (at + Vec2::new(-aside.x, aside.y), Anchor::End));
            let beside = [behind, before].concat();
            [&under[..], &over, &beside].concat()
        } else {
            // Clear of the coat, at the right edge of the page.
            let right = self.painter.page.x1 - 0.3 * t;
            [0.0, 0.9, -0.9, 1.8, -1.8, 2.7]
                .map(|d| (Point::new(right, a.y + (d - 0.3) * t), Anchor::End))
                .into()
        };
        let page = self.painter.page;
        let labels = &mut self.painter.labels;
        if let Some((at, anchor)) = labels.place_clear_first(&places, &text, size_mm, page) {
            self.text(role, at, anchor, text, size_mm, tag);
        }
    }

    /// Degrees the feet are turned, beside each foot, where they are.
    fn turnout(&mut self) {
        let (t, h) = (self.painter.text_mm, self.painter.height);
        for (build, sign) in [(self.dog.left, 1.0), (self.dog.right, -1.0)] {
            let stand = match self.painter.view {
                View::Front => build.fore,
                _ => build.hind,
            };
            if stand.turnout_deg.abs() < 0.5 {
                continue;
            }
            let z = sign * (stand.from_midline[2] + 0.04 * h);
            let at = self.painter.on_page(&[Point::new(z, 0.0)])[0] - Vec2::new(0.0, 2.7 * t);
            let word = if stand.turnout_deg > 0.0 { "out" } else { "in" };
            let text = format!("{:.0}° {word}", stand.turnout_deg.abs());
            self.text(
                Role::DimensionNumber,
                at,
                Anchor::Middle,
                text,
                0.8 * t,
                None,
            );
        }
    }

    fn view_name(&mut self) {
        let (t, page) = (self.painter.text_mm, self.painter.page);
        let at = Point::new(page.x1 - 0.3 * t, page.y1 - 1.3 * t);
        let name = self.painter.view.label().to_owned();
        self.text(Role::ViewName, at, Anchor::End, name, t, None);
    }

    fn text(
        &mut self,
        role: Role,
        at: Point,
        anchor: Anchor,
        text: String,
        size_mm: f64,
        tag: Option<Tag>,
    ) {
        self.painter.labels.occupy(at, anchor, &text, size_mm);
        self.painter.shapes.push(Shape {
            role,
            geometry: Geometry::Text {
                at_mm: [tenth(at.x), tenth(at.y)],
                text,
                size_mm,
                anchor,
            },
            tag,
        });
    }

    fn line(&mut self, role: Role, points: &[Point], tag: Option<Tag>) {
        self.weighted(role, points, tag, 0.003);
    }

    fn weighted(&mut self, role: Role, points: &[Point], tag: Option<Tag>, share: f64) {
        self.painter.shapes.push(Shape {
            role,
            geometry: Geometry::Line {
                points_mm: points
                    .iter()
                    .flat_map(|p| [tenth(p.x), tenth(p.y)])
                    .collect(),
                width_mm: share * self.painter.height,
            },
            tag,
        });
    }
}
