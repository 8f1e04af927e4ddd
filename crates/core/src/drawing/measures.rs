use kurbo::{Point, Vec2};

use super::annotate::Annotator;
use super::canvas::Room;
use super::shapes::{Anchor, Geometry, Role, Tag};
use super::simplify::tenth;
use super::table::to_page;
use crate::coat::Zone;
use crate::frame::{FrameValue, Measure, Origin};
use crate::say::Words;
use crate::shape::Station as S;
use crate::units::Length;

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
    /// The carrier on the height stick stands at the withers: it is the height.
    pub(super) fn height_carrier(&mut self) {
        let Some(value) = self.scene.value(Measure::HeightAtWithers) else {
            return;
        };
        let withers = self.skin(S::Withers);
        let (y, t) = (withers.y, self.painter.text_mm);
        // Among four views a longer word would lie over the dog's ear.
        let text = if self.room == Room::Scarce {
            value_alone(&self.words(), &value)
        } else {
            value_text(&self.words(), &value)
        };
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
        self.painter.labels.tie(to_page(from), to_page(withers));
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

    pub(super) fn measures(&mut self) {
        let mut told: Vec<(Measure, FrameValue, Run)> = Vec::new();
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
            told.push((measure, value, run));
        }
        // The lower of two bars has its number nearest: the higher one's stands over it.
        let upright = |run: &Run| match run {
            Run::Upright { to, .. } => Some(*to),
            Run::Level { .. } | Run::Word { .. } => None,
        };
        told.sort_by(|(_, _, a), (_, _, b)| {
            let (a, b) = (upright(a), upright(b));
            a.unwrap_or(f64::MAX).total_cmp(&b.unwrap_or(f64::MAX))
        });
        // No number lies over its neighbour's bar.
        for (_, _, run) in &told {
            let (from, to) = match *run {
                Run::Upright { x, from, to } => (Point::new(x, from), Point::new(x, to)),
                Run::Level { y, from, to } => (Point::new(from, y), Point::new(to, y)),
                Run::Word { .. } => continue,
            };
            self.painter
                .labels
                .avoid([to_page(from), to_page(to)].into_iter());
        }
        for (measure, value, run) in told {
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
                // Over its end, or higher where a neighbour's number stands there; back from the page's edge.
                let over = [0.5, 1.7, 2.9, 4.1].map(|up| to_page(b) + Vec2::new(0.0, up * t));
                let middle = over.map(|at| (at, Anchor::Middle));
                let back = over.map(|at| (at + Vec2::new(0.5 * t, 0.0), Anchor::End));
                let beside = [0.8, 0.6, 0.4, 0.2].map(|up| to_page(a.lerp(b, up)));
                let before = beside.map(|at| (at + Vec2::new(-0.4 * t, 0.0), Anchor::End));
                let behind = beside.map(|at| (at + Vec2::new(0.4 * t, 0.0), Anchor::Start));
                let places = [&middle[..], &back, &before, &behind].concat();
                self.number_of(role, &places, &text, tag);
            }
            Run::Level { y, from, to } => {
                let (a, b) = (Point::new(from, y), Point::new(to, y));
                self.line(ink, &[a, b], 0.003, tag);
                for p in [a, b] {
                    let ends = [p - Vec2::new(0.0, arm), p + Vec2::new(0.0, arm)];
                    self.line(ink, &ends, 0.003, tag);
                }
                // Under the table the rule's own numbers need the room above the line.
                let beside = (to_page(b) + Vec2::new(0.6 * t, -0.1 * t), Anchor::Start);
                let over = [0.5, 0.75, 0.25].map(|along| {
                    let at = to_page(a.lerp(b, along)) + Vec2::new(0.0, 0.45 * t);
                    (at, Anchor::Middle)
                });
                let mut places = over.to_vec();
                if y < 0.0 && self.room == Room::Scarce {
                    places.insert(0, beside);
                } else {
                    places.push(beside);
                }
                self.number_of(role, &places, &text, tag);
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

    /// A dimension's number at the first of its places that is free of words and edges, else of words; at
    /// the first where none is: a measure is never left unsaid.
    fn number_of(&mut self, role: Role, places: &[(Point, Anchor)], text: &str, tag: Option<Tag>) {
        let placed = self.place_clear_first(role, places, text, 0.95, tag);
        if placed.is_none()
            && let Some((at, anchor)) = places.first()
        {
            self.text(role, *at, *anchor, text, 0.95, tag);
        }
    }
}

/// A value with its doubt.
pub(super) fn value_text(words: &Words<'_>, value: &FrameValue) -> String {
    let doubt = words.bare(value.doubt_mm.as_mm());
    format!("{} ±{doubt}", value_alone(words, value))
}

/// A value; a right side that differs is said after the left.
fn value_alone(words: &Words<'_>, value: &FrameValue) -> String {
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
    format!("{about}{}{right}", bare(value.value_mm))
}

pub(super) fn number_role(value: &FrameValue) -> Role {
    if value.origin == Origin::Estimated {
        Role::EstimatedNumber
    } else {
        Role::DimensionNumber
    }
}
