use kurbo::{Point, Rect};

use super::shapes::{Anchor, Geometry, Role, Shape};
use super::simplify::tenth;
use crate::page::View;

/// Ticks every centimetre, numbers every ten: true scale marks, not ornament.
const CM: f64 = 10.0;

/// The measuring table: a rule in centimetres, a height stick, and crosses every 10 cm.
pub(super) struct Table {
    /// The page, mm.
    pub page: Rect,
    /// Page x of the height stick; none from above.
    pub stick_x: Option<f64>,
    /// Which view lies on it.
    pub view: View,
    /// Whether it says what the rule counts.
    pub has_note: bool,
    /// Whether the rule is numbered behind the dog from the side: where a view is small, the body's own length
    /// stands there.
    pub is_numbered_behind: bool,
    pub text_mm: f64,
    pub line_mm: f64,
}

impl Table {
    pub(super) fn draw(&self) -> Vec<Shape> {
        let Self {
            page,
            text_mm,
            line_mm,
            view,
            ..
        } = *self;
        let stick_x = self.stick_x.unwrap_or(page.x0);
        let mut shapes = Vec::new();
        let strokes = |ends: Vec<f64>, width_mm: f64, role| Shape {
            role,
            geometry: Geometry::Strokes {
                ends_mm: ends.into_iter().map(tenth).collect(),
                width_mm,
            },
            tag: None,
        };
        let text = |at: (f64, f64), text: String, anchor| Shape {
            role: Role::RuleNumber,
            geometry: Geometry::Text {
                at_mm: [tenth(at.0), tenth(at.1)],
                text,
                size_mm: text_mm,
                anchor,
            },
            tag: None,
        };
        let tens = |from: f64, to: f64| {
            let (a, b) = ((from / (10.0 * CM)).ceil(), (to / (10.0 * CM)).floor());
            steps(a, b, 1.0).into_iter().map(|i| i * 10.0 * CM)
        };
        let right = page.x1 - 0.3 * text_mm;
        let arm = 0.55 * text_mm;
        let mut crosses = Vec::new();
        for x in tens(stick_x + 2.0 * arm, right) {
            let low = if view == View::Top {
                page.y0 + arm
            } else {
                10.0
            };
            for y in tens(low, page.y1 - arm) {
                crosses.extend([x - arm / 2.0, y, x + arm / 2.0, y]);
                crosses.extend([x, y - arm / 2.0, x, y + arm / 2.0]);
            }
        }
        shapes.push(strokes(crosses, line_mm, Role::Cross));
        if view == View::Top {
            return shapes;
        }
        let mut ticks = Vec::new();
        let mut rules = vec![stick_x - arm, 0.0, right, 0.0];
        for x in steps((stick_x / CM).ceil(), (right / CM).floor(), 1.0) {
            let long = is_multiple(x, 10.0);
            let depth = if long {
                arm
            } else if is_multiple(x, 5.0) {
                0.7 * arm
            } else {
                0.4 * arm
            };
            ticks.extend([x * CM, 0.0, x * CM, -depth]);
            let is_behind = view == View::Side && x > 0.0;
            if long && x * CM > stick_x + text_mm && (self.is_numbered_behind || !is_behind) {
                shapes.push(text(
                    (x * CM, -arm - text_mm),
                    rule_number(view, x),
                    Anchor::Middle,
                ));
            }
        }
        let top = page.y1 - 0.5 * text_mm;
        rules.extend([stick_x, 0.0, stick_x, top]);
        for y in steps(1.0, (top / CM).floor(), 1.0) {
            let long = is_multiple(y, 10.0);
            let depth = if long {
                arm
            } else if is_multiple(y, 5.0) {
                0.7 * arm
            } else {
                0.4 * arm
            };
            ticks.extend([stick_x, y * CM, stick_x + depth, y * CM]);
            if long {
                shapes.push(text(
                    (stick_x - 0.4 * arm, y * CM - 0.3 * text_mm),
                    format!("{y:.0}"),
                    Anchor::End,
                ));
            }
        }
        shapes.push(strokes(rules, 1.6 * line_mm, Role::Rule));
        shapes.push(strokes(ticks, line_mm, Role::Rule));
        if !self.has_note {
            return shapes;
        }
        let note = match view {
            View::Side => "table, cm from the point of rump",
            View::Front | View::Rear | View::Top => "cm from the midline",
        };
        shapes.push(text(
            (right, -arm - 2.3 * text_mm),
            note.into(),
            Anchor::End,
        ));
        shapes
    }
}

/// Forward of the rump from the side; to either hand from the midline.
fn rule_number(view: View, x: f64) -> String {
    match view {
        View::Side => format!("{:.0}", -x + 0.0),
        View::Front | View::Rear | View::Top => format!("{:.0}", x.abs()),
    }
}

fn steps(from: f64, to: f64, by: f64) -> Vec<f64> {
    let mut list = Vec::new();
    let mut at = from;
    while at <= to + 1e-9 {
        list.push(at);
        at += by;
    }
    list
}

fn is_multiple(value: f64, of: f64) -> bool {
    (value / of - (value / of).round()).abs() < 1e-9
}

/// Turns a side-page point (x forward) to the drawing's page (dog facing left).
pub(super) fn to_page(p: Point) -> Point {
    Point::new(-p.x, p.y)
}
