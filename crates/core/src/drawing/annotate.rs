use kurbo::{Point, Vec2};

use super::canvas::{Painter, Room};
use super::labels::LETTER;
use super::pins::Pins;
use super::scene::{Layers, Scene};
use super::shapes::{Anchor, Geometry, Role, Shape, Tag};
use super::simplify::tenth;
use super::table::to_page;
use crate::coat::{Knots, Patch, Zone, ZoneMarks};
use crate::frame::{FrameValue, Measure, Origin};
use crate::report::{PlanReport, StrokeName, UnitRow};
use crate::say::Words;
use crate::shape::{SideShape, Station as S};
use crate::solve::Unit;
use crate::units::Length;

/// Writes marks on the drawing: measures, landmarks, lengths, chalk, pins.
pub(super) struct Annotator<'a> {
    pub(super) painter: &'a mut Painter,
    pub(super) scene: &'a Scene<'a>,
    pub(super) shape: &'a SideShape,
    pub(super) layers: Layers,
    pub(super) stick_x: f64,
    pub(super) room: Room,
}

/// Where a blend ends is drawn thinner than its line, share of the height.
pub(super) const BLEND: f64 = 0.002;

/// How far a number goes from its place for free paper, in text sizes, and in how many directions it
/// looks for it (modelling choice: a leader that the eye follows at once).
const LEADER_REACH: [f64; 4] = [2.2, 3.2, 4.4, 6.0];
const LEADER_WAYS: u32 = 16;
/// A leader is drawn so thin, share of the height.
const LEADER: f64 = 0.002;

/// Where a dimension runs.
enum Run {
    /// Upwards from the table at this x.
    Upright { x: f64, from: f64, to: f64 },
    /// Along at this y.
    Level { y: f64, from: f64, to: f64 },
    /// Not seen from the side: a word at a point.
    Word { at: Point, what: &'static str },
}

impl Annotator<'_> {
    pub(super) fn annotate(mut self) {
        if self.layers.table {
            self.height_carrier();
        }
        self.knots();
        if let Some(report) = self.scene.report {
            if self.layers.lines {
                self.chalk_lines(report);
            }
            let pins = self.layers.pins.then(|| Pins::place(self.painter, report));
            if self.layers.lengths {
                self.lengths(report);
            }
            if let Some(pins) = pins {
                pins.draw(self.painter);
            }
            if self.layers.lines {
                self.chalk_words(report);
            }
        } else if self.layers.lengths {
            self.lengths_now();
            self.coat_marks();
        }
        if self.layers.measures {
            self.measures();
        }
    }

    fn words(&self) -> Words<'_> {
        Words {
            house: self.scene.house,
            kit: &[],
        }
    }

    fn h(&self) -> f64 {
        self.painter.height
    }

    fn skin(&self, station: S) -> Point {
        self.shape.skin(station)
    }

    fn push(&mut self, role: Role, geometry: Geometry, tag: Option<Tag>) {
        self.painter.shapes.push(Shape {
            role,
            geometry,
            tag,
        });
    }

    fn line(&mut self, role: Role, points: &[Point], width: f64, tag: Option<Tag>) {
        let points_mm = points
            .iter()
            .map(|p| to_page(*p))
            .flat_map(|p| [tenth(p.x), tenth(p.y)])
            .collect();
        let width_mm = width * self.h();
        self.push(
            role,
            Geometry::Line {
                points_mm,
                width_mm,
            },
            tag,
        );
    }

    /// A word at a page point, where it must stand.
    fn text(
        &mut self,
        role: Role,
        at: Point,
        anchor: Anchor,
        text: &str,
        share: f64,
        tag: Option<Tag>,
    ) {
        let size_mm = share * self.painter.text_mm;
        self.painter.labels.occupy(at, anchor, text, size_mm);
        self.push(
            role,
            Geometry::Text {
                at_mm: [tenth(at.x), tenth(at.y)],
                text: text.into(),
                size_mm,
                anchor,
            },
            tag,
        );
    }

    /// A word at the first free of some page points; says whether it found one.
    fn place(
        &mut self,
        role: Role,
        candidates: &[(Point, Anchor)],
        text: &str,
        share: f64,
        tag: Option<Tag>,
        clear: bool,
    ) -> Option<Point> {
        let size_mm = share * self.painter.text_mm;
        let page = self.painter.page;
        let (at, anchor) = self
            .painter
            .labels
            .place(candidates, text, size_mm, page, clear)?;
        self.push(
            role,
            Geometry::Text {
                at_mm: [tenth(at.x), tenth(at.y)],
                text: text.into(),
                size_mm,
                anchor,
            },
            tag,
        );
        Some(at)
    }

    /// The carrier on the height stick stands at the withers: it is the height.
    fn height_carrier(&mut self) {
        let Some(value) = self.scene.value(Measure::HeightAtWithers) else {
            return;
        };
        let withers = self.skin(S::Withers);
        let (text, y, t) = (
            value_text(&self.words(), &value),
            withers.y,
            self.painter.text_mm,
        );
        let tag = Some(Tag::Measure(Measure::HeightAtWithers));
        let x = self.stick_x;
        let width = 0.62 * t * (text.chars().count() as f64 + 1.2);
        let carrier = [
            Point::new(x + 0.4 * t, y),
            Point::new(x + 1.1 * t, y + 0.85 * t),
            Point::new(x + 1.1 * t + width, y + 0.85 * t),
            Point::new(x + 1.1 * t + width, y - 0.85 * t),
            Point::new(x + 1.1 * t, y - 0.85 * t),
        ];
        let from = Point::new(-(x + 1.1 * t + width), y);
        self.line(Role::Leader, &[from, withers], 0.002, None);
        self.push(
            Role::Pin,
            Geometry::Fill {
                points_mm: carrier
                    .iter()
                    .flat_map(|p| [tenth(p.x), tenth(p.y)])
                    .collect(),
            },
            tag,
        );
        // The carrier keeps the tape's colour: it is a measure, not a fault.
        if let Some(last) = self.painter.shapes.last_mut() {
            last.role = Role::Dimension;
        }
        let role = number_role(&value);
        self.text(
            role,
            Point::new(x + 1.1 * t + width / 2.0, y - 0.34 * t),
            Anchor::Middle,
            &text,
            1.0,
            tag,
        );
    }

    fn measures(&mut self) {
        for measure in Measure::ALL {
            if measure == Measure::HeightAtWithers {
                continue;
            }
            let Some(value) = self.scene.value(measure) else {
                continue;
            };
            let Some(run) = self.run(measure) else {
                continue;
            };
            let is_quick = crate::frame::QUICK_EIGHT.contains(&measure);
            let is_nothing = value.value_mm.as_mm().abs() < 0.5;
            let is_asked = (is_quick && self.room == Room::Ample) || self.scene.is_fault(measure);
            if !is_asked && (value.origin == Origin::Estimated || is_nothing) {
                continue;
            }
            self.dimension(measure, &value, run);
        }
    }

    fn run(&self, measure: Measure) -> Option<Run> {
        let h = self.h();
        // Upright dimensions stand clear of the coat behind the hock.
        let coat = self.scene.coat.length_mm(Zone::Hock) * self.scene.coat.stand.of(Zone::Hock);
        let behind = self.skin(S::HockPoint).x - coat - 0.06 * h;
        let upright = |station: S, x: f64| {
            Some(Run::Upright {
                x,
                from: 0.0,
                to: self.skin(station).y,
            })
        };
        match measure {
            Measure::BodyLength => Some(Run::Level {
                y: -0.135 * h,
                from: self.skin(S::Breastbone).x,
                to: 0.0,
            }),
            Measure::ElbowHeight => upright(S::Elbow, self.skin(S::Elbow).x - 0.17 * h),
            Measure::HipCrestHeight => upright(S::HipCrest, behind - 0.15 * h),
            Measure::HockHeight => upright(S::HockPoint, behind),
            Measure::TailSetHeight => upright(S::TailSet, behind - 0.075 * h),
            Measure::LastRib => Some(Run::Level {
                y: self.skin(S::Brisket).y + 0.14 * h,
                from: self.skin(S::Breastbone).x,
                to: self.skin(S::LastRib).x,
            }),
            Measure::ChestWidth => Some(Run::Word {
                at: self.skin(S::Breastbone) + Vec2::new(0.13, 0.02) * h,
                what: "chest",
            }),
            Measure::FootWidth => Some(Run::Word {
                at: self.skin(S::ForeToe) + Vec2::new(0.12, 0.05) * h,
                what: "foot",
            }),
            Measure::BackDrop => Some(Run::Word {
                at: self.skin(S::BackMid) + Vec2::new(0.0, 0.14) * h,
                what: "dip",
            }),
            Measure::NeckLength => Some(Run::Word {
                at: self.skin(S::CrestMid) + Vec2::new(-0.17, 0.05) * h,
                what: "neck",
            }),
            _ => None,
        }
    }

    fn dimension(&mut self, measure: Measure, value: &FrameValue, run: Run) {
        let tag = Some(Tag::Measure(measure));
        let is_fault = self.scene.is_fault(measure);
        let role = if is_fault {
            Role::Fault
        } else {
            number_role(value)
        };
        let ink = if is_fault {
            Role::Fault
        } else {
            Role::Dimension
        };
        let text = value_text(&self.words(), value);
        let (h, t) = (self.h(), self.painter.text_mm);
        let arm = 0.012 * h;
        match run {
            Run::Upright { x, from, to } => {
                let (a, b) = (Point::new(x, from), Point::new(x, to));
                self.line(ink, &[a, b], 0.003, tag);
                for p in [a, b] {
                    let ends = [p - Vec2::new(arm, 0.0), p + Vec2::new(arm, 0.0)];
                    self.line(ink, &ends, 0.003, tag);
                }
                let at = to_page(b) + Vec2::new(0.0, 0.5 * t);
                self.text(role, at, Anchor::Middle, &text, 0.95, tag);
            }
            Run::Level { y, from, to } => {
                let (a, b) = (Point::new(from, y), Point::new(to, y));
                self.line(ink, &[a, b], 0.003, tag);
                for p in [a, b] {
                    let ends = [p - Vec2::new(0.0, arm), p + Vec2::new(0.0, arm)];
                    self.line(ink, &ends, 0.003, tag);
                }
                // Under the table the rule's own numbers need the room above the line.
                let (at, anchor) = if y < 0.0 && self.room == Room::Scarce {
                    (to_page(b) + Vec2::new(0.6 * t, -0.3 * t), Anchor::Start)
                } else {
                    (
                        to_page(a.midpoint(b)) + Vec2::new(0.0, 0.45 * t),
                        Anchor::Middle,
                    )
                };
                self.text(role, at, anchor, &text, 0.95, tag);
            }
            Run::Word { at, what } => {
                let at = to_page(at);
                let said = format!("{what} {text}");
                let places: Vec<(Point, Anchor)> = [0.0, 1.5, 3.0, 4.5, 6.0, 8.0]
                    .iter()
                    .flat_map(|far| {
                        [(0.0, 0.0), (0.0, 1.4), (0.0, -1.4)]
                            .map(|(x, y)| at + Vec2::new((x - far) * t, y * t))
                    })
                    .map(|p| (p, Anchor::Middle))
                    .collect();
                self.place(role, &places, &said, 0.95, tag, true);
            }
        }
    }

    /// Where a zone's number stands, side page.
    fn zone_anchor(&self, zone: Zone) -> Option<Point> {
        let h = self.h();
        let p = |s: S| self.skin(s);
        let by = |s: S, x: f64, y: f64| p(s) + Vec2::new(x, y) * h;
        let head = &self.shape.head;
        let ear = &self.scene.frame.build.ear;
        Some(match zone {
            Zone::Topknot => head.at(0.24, -0.02),
            Zone::Ear => head.at(ear.base.0, ear.base.1) - Vec2::new(0.0, 0.62 * ear.length),
            Zone::Cheek => head.at(0.46, -0.30),
            Zone::Brow => head.at(1.06 - self.scene.frame.build.head.muzzle, 0.10),
            Zone::Muzzle => return None,
            Zone::Beard => head.at(0.78, -0.26),
            Zone::Throat => p(S::ThroatMid).lerp(p(S::CrestMid), 0.24),
            Zone::Crest => p(S::CrestLow).lerp(p(S::ThroatLow), 0.24),
            Zone::NeckSide => return None,
            Zone::Chest => by(S::Breastbone, -0.075, -0.02),
            Zone::Shoulder => by(S::Withers, 0.02, -0.22),
            Zone::Back => by(S::BackMid, 0.02, -0.085),
            Zone::Ribs => by(S::BackMid, 0.03, -0.24),
            Zone::Hip => by(S::HipCrest, -0.02, -0.17),
            Zone::Croup => by(S::Croup, 0.035, -0.075),
            Zone::Rump => by(S::PinBone, 0.055, -0.045),
            Zone::Underline => by(S::BellyRear, 0.02, 0.035),
            Zone::TuckUp => by(S::TuckUp, 0.0, 0.045),
            Zone::Flank => by(S::FlankFold, -0.055, 0.0),
            Zone::Knee => by(S::Stifle, -0.06, -0.01),
            Zone::HindFront => p(S::GaskinLow).lerp(p(S::AboveHock), 0.38),
            Zone::HindBack => by(S::ThighBack, 0.06, -0.04),
            Zone::Hock => p(S::RearPasternHigh).midpoint(p(S::RearPasternFront)),
            Zone::ForeBack => p(S::ForearmBackHigh).lerp(p(S::ForearmFrontHigh), 0.35),
            Zone::ForeFront => p(S::ForearmBackLow).lerp(p(S::ForearmFrontLow), 0.6),
            Zone::Foot => by(S::ForeToe, 0.06, 0.01),
            Zone::Tail => return self.tail_anchor(),
            Zone::HindOut | Zone::HindIn | Zone::ForeOut | Zone::ForeIn => return None,
        })
    }

    fn tail_anchor(&self) -> Option<Point> {
        use crate::frame::TailKind as T;
        let tail = &self.scene.frame.build.tail;
        let set = self.skin(S::TailSet);
        let l = tail.length;
        Some(match tail.kind {
            T::Up => set + Vec2::new(0.0, 0.78 * l),
            T::Curl => set + Vec2::new(0.15 * l, 0.62 * l),
            T::Sabre => set + Vec2::new(-0.5 * l, 0.55 * l),
            T::Level => set + Vec2::new(-0.6 * l, 0.1 * l),
            T::Low => set + Vec2::new(-0.35 * l, -0.5 * l),
            T::Stub => return None,
        })
    }

    fn number(&mut self, zone: Zone, number: &str, tool: Option<&str>, big: f64) {
        let Some(at) = self.zone_anchor(zone) else {
            return;
        };
        let t = self.painter.text_mm;
        let at = to_page(at);
        let tag = Some(Tag::Zone(zone));
        let places: Vec<(Point, Anchor)> = [
            (0.0, 0.0),
            (0.0, 0.7),
            (0.0, -0.7),
            (0.7, 0.0),
            (-0.7, 0.0),
            (1.2, 0.9),
            (-1.2, -0.9),
            (1.6, 0.0),
            (-1.6, 0.0),
            (0.0, 1.4),
            (0.0, -1.4),
            (1.6, -1.4),
            (-1.6, 1.4),
        ]
        .iter()
        .map(|(x, y)| (at + Vec2::new(x * t, y * t - 0.34 * t), Anchor::Middle))
        .collect();
        let Some(placed) = self.place_number(at, &places, number, big, tag) else {
            return;
        };
        if let Some(tool) = tool {
            let below = [(placed - Vec2::new(0.0, 1.15 * t), Anchor::Middle)];
            self.place(Role::ZoneTool, &below, tool, 0.85, tag, false);
        }
    }

    /// A zone's number near its place, or on free paper with a leader to it; never so near another that
    /// the two read as one.
    fn place_number(
        &mut self,
        at: Point,
        near: &[(Point, Anchor)],
        number: &str,
        big: f64,
        tag: Option<Tag>,
    ) -> Option<Point> {
        let (t, page) = (self.painter.text_mm, self.painter.page);
        let size_mm = big * t;
        let labels = &mut self.painter.labels;
        let far: Vec<(Point, Anchor)> = LEADER_REACH
            .iter()
            .flat_map(|reach| (0..LEADER_WAYS).map(move |i| (*reach, i)))
            .map(|(reach, i)| {
                let turn = f64::from(i) * std::f64::consts::TAU / f64::from(LEADER_WAYS);
                let way = Vec2::new(turn.cos(), turn.sin()) * reach * t;
                (at + way, Anchor::Middle)
            })
            .collect();
        let on_place = labels.place_number(near, number, size_mm, page, true);
        let (placed, anchor, is_led) = if let Some((p, a)) = on_place {
            (p, a, false)
        } else if let Some((p, a)) = labels.place_number(&far, number, size_mm, page, true) {
            (p, a, true)
        } else {
            let (p, a) = labels.place_number(near, number, size_mm, page, false)?;
            (p, a, false)
        };
        if is_led {
            let from = placed + Vec2::new(0.0, 0.34 * size_mm);
            let way = at - from;
            // The leader begins beside the figures, not in them.
            let half = Vec2::new(
                0.5 * LETTER * size_mm * (number.chars().count() as f64 + 1.0),
                0.6 * size_mm,
            );
            let out = (half.x / way.x.abs().max(1e-6)).min(half.y / way.y.abs().max(1e-6));
            let start = from + way * out.min(1.0);
            let width_mm = LEADER * self.h();
            self.push(
                Role::Leader,
                Geometry::Line {
                    points_mm: [start, at]
                        .iter()
                        .flat_map(|p| [tenth(p.x), tenth(p.y)])
                        .collect(),
                    width_mm,
                },
                None,
            );
        }
        self.push(
            Role::ZoneNumber,
            Geometry::Text {
                at_mm: [tenth(placed.x), tenth(placed.y)],
                text: number.into(),
                size_mm,
                anchor,
            },
            tag,
        );
        Some(placed)
    }

    fn lengths(&mut self, report: &PlanReport) {
        let shown: [Unit; 21] = [
            Unit::Ribs,
            Unit::Topknot,
            Unit::Ears,
            Unit::Tail,
            Unit::BackFront,
            Unit::Rump,
            Unit::Chest,
            Unit::Throat,
            Unit::Crest,
            Unit::Underline,
            Unit::TuckUp,
            Unit::FlankAndKnee,
            Unit::Flank,
            Unit::Knee,
            Unit::HindBack,
            Unit::HindFront,
            Unit::Hock,
            Unit::ForeBack,
            Unit::ForeFront,
            Unit::Croup,
            Unit::Brows,
        ];
        for unit in shown {
            let Some(row) = report.units.iter().find(|r| r.unit == unit) else {
                continue;
            };
            // At the table only what the step in hand leaves is read.
            if !self.scene.work.is_empty() && !self.scene.work.contains(&row.zone) {
                continue;
            }
            // Where the head has its lines drawn there is no room for a tool's words.
            let has_words = unit == Unit::Ribs || unit == Unit::Topknot && !self.layers.lines;
            let tool = has_words.then(|| short_tool(row));
            let big = match unit {
                Unit::Ribs => 1.5,
                Unit::BackFront | Unit::Topknot | Unit::Ears => 1.3,
                _ => 1.1,
            };
            self.number(row.zone, &row.text, tool, big);
        }
    }

    fn lengths_now(&mut self) {
        for zone in Zone::ALL {
            if matches!(zone, Zone::Shoulder | Zone::Hip | Zone::Foot) {
                continue;
            }
            let mm = self.scene.coat.length_mm(zone);
            let text = self.words().bare(mm);
            let is_said = !self.scene.coat.estimated.contains(&zone);
            if zone == Zone::Brow && !is_said {
                continue;
            }
            self.number(zone, &text, None, if is_said { 1.2 } else { 0.9 });
        }
    }

    fn knots(&mut self) {
        let knotted: Vec<(Zone, Knots)> = self
            .scene
            .coat
            .knots
            .iter()
            .map(|(z, k)| (*z, *k))
            .collect();
        for (zone, knots) in knotted {
            let Some(at) = self.zone_anchor(zone) else {
                continue;
            };
            let (count, reach) = if knots == Knots::Tight {
                (5, 0.035)
            } else {
                (3, 0.025)
            };
            let h = self.h();
            for i in 0..count {
                let x = (f64::from(i) - f64::from(count - 1) / 2.0) * 0.014 * h;
                let (a, b) = (
                    at + Vec2::new(x - 0.4 * reach * h, -reach * h),
                    at + Vec2::new(x + 0.4 * reach * h, reach * h),
                );
                self.line(Role::Knots, &[a, b], 0.003, Some(Tag::Zone(zone)));
            }
        }
    }

    /// Holes, patches, whorls and stains, said in a word where they are.
    fn coat_marks(&mut self) {
        let marked: Vec<(Zone, String)> = self
            .scene
            .coat
            .marks
            .iter()
            .map(|(zone, marks)| (*zone, self.mark_words(marks)))
            .filter(|(_, words)| !words.is_empty())
            .collect();
        let t = self.painter.text_mm;
        for (zone, words) in marked {
            let Some(at) = self.zone_anchor(zone) else {
                continue;
            };
            let at = to_page(at);
            let places: Vec<(Point, Anchor)> = [-1.9, 1.4, -3.0, 2.6, -4.2, 3.8, -5.4]
                .into_iter()
                .flat_map(|y| [0.0, -2.0, 2.0].map(|x| at + Vec2::new(x * t, y * t)))
                .map(|p| (p, Anchor::Middle))
                .collect();
            let tag = Some(Tag::Zone(zone));
            let role = Role::ClipWords;
            let placed = self
                .place(role, &places, &words, 0.8, tag, true)
                .or_else(|| self.place(role, &places, &words, 0.8, tag, false));
            if placed.is_none() {
                self.text(role, places[0].0, Anchor::Middle, &words, 0.8, tag);
            }
        }
    }

    fn mark_words(&self, marks: &ZoneMarks) -> String {
        let words = self.words();
        let mut said: Vec<String> = Vec::new();
        if let Some(hole) = marks.hole_mm {
            said.push(format!("hole {}", words.bare(hole.as_mm())));
        }
        match marks.patch {
            Patch::None => {}
            Patch::LightOnDark => said.push("light patch".into()),
            Patch::DarkOnLight => said.push("dark patch".into()),
        }
        said.extend(marks.lay.words().map(Into::into));
        if marks.has_whorl {
            said.push("whorl".into());
        }
        if marks.is_stained {
            said.push("stain".into());
        }
        if let Some(knot) = marks.knot_from_skin_mm {
            said.push(format!("knot from {}", words.bare(knot.as_mm())));
        }
        said.join(", ")
    }

    fn chalk_lines(&mut self, report: &PlanReport) {
        for line in &report.lines {
            let points: Vec<Point> = line
                .path_mm
                .iter()
                .map(|p| Point::new(p[0], p[1]))
                .collect();
            let tag = Some(Tag::Line(line.line));
            self.line(Role::ClipLine, &points, 0.006, tag);
            if line.blend_dy_mm != 0.0 {
                let to: Vec<Point> = points
                    .iter()
                    .map(|p| *p + Vec2::new(0.0, line.blend_dy_mm))
                    .collect();
                self.line(Role::ClipLine, &to, BLEND, tag);
            }
            let page: Vec<Point> = points.iter().map(|p| to_page(*p)).collect();
            self.painter.labels.avoid(&page);
        }
    }

    fn chalk_words(&mut self, report: &PlanReport) {
        let t = self.painter.text_mm;
        for line in &report.lines {
            let points: Vec<Point> = line
                .path_mm
                .iter()
                .map(|p| to_page(Point::new(p[0], p[1])))
                .collect();
            let (Some(first), Some(last)) = (points.first(), points.last()) else {
                continue;
            };
            // The head has no room for words; its lines are read in the list.
            if line.line.is_of_the_head() {
                continue;
            }
            let middle = points[points.len() / 2];
            let mut places = Vec::new();
            for reach in [0.9, 1.8, 2.8, 4.0] {
                for base in [middle, *first, *last] {
                    places.extend([
                        (base + Vec2::new(0.0, reach * t), Anchor::Middle),
                        (base - Vec2::new(0.0, (reach + 0.6) * t), Anchor::Middle),
                        (base + Vec2::new(reach * t, 0.3 * t), Anchor::Start),
                        (base + Vec2::new(-reach * t, 0.3 * t), Anchor::End),
                        (base + Vec2::new(reach * t, -1.2 * t), Anchor::Start),
                        (base + Vec2::new(-reach * t, -1.2 * t), Anchor::End),
                    ]);
                }
            }
            // Under the table stand the rule's own numbers.
            places.retain(|(at, _)| at.y > 0.0);
            let tag = Some(Tag::Line(line.line));
            self.place(Role::ClipWords, &places, &line.mark, 0.9, tag, true);
        }
    }
}

/// A value with its doubt; a right side that differs is said after the left.
pub(super) fn value_text(words: &Words<'_>, value: &FrameValue) -> String {
    // Never by tone alone: an estimate carries a tilde.
    let about = if value.origin == Origin::Estimated {
        "~"
    } else {
        ""
    };
    let bare = |l: Length| words.bare(l.as_mm());
    let right = value
        .right_mm
        .map_or(String::new(), |r| format!(" / {}", bare(r)));
    format!(
        "{about}{}{right} ±{}",
        bare(value.value_mm),
        bare(value.doubt_mm)
    )
}

pub(super) fn number_role(value: &FrameValue) -> Role {
    if value.origin == Origin::Estimated {
        Role::EstimatedNumber
    } else {
        Role::DimensionNumber
    }
}

fn short_tool(row: &UnitRow) -> &'static str {
    match row.stroke {
        StrokeName::Leave => "leave",
        StrokeName::Full => "with the lay",
        StrokeName::Against => "against the lay",
        StrokeName::Skim => "skim",
        StrokeName::Scissor => "shears",
    }
}
