//! A balance point as the hand would show it: a dropped plumb line, a rod laid along, the daylight
//! under the dog (handbook 4).

use kurbo::{Point, Vec2};

use super::canvas::Painter;
use super::on_end::{dressing_of, leg_edge};
use super::scene::Scene;
use super::shapes::{Geometry, Role, Shape};
use super::simplify::tenth;
use crate::balance::{Judged as J, shoulder_lift_mm, thigh_lift_mm};
use crate::page::View;
use crate::shape::{
    BothSides, CoatEdge, Dressing, FACE_STATIONS, Face, Hand, Leg, LegPlace, Station as S,
    TailEdges, head_edges, tail_edges,
};

/// How far a rod reaches past the places it lies on, and a plumb line over its own; shares of the
/// height.
const OVERHANG: f64 = 0.06;
/// Half an end of a measure, share of the height.
const END: f64 = 0.014;
/// Weight of a mark, share of the height.
const WEIGHT: f64 = 0.004;
/// Rings round a bump and an eye's corner, share of the height.
const BUMP: f64 = 0.05;
const EYE: f64 = 0.025;
/// Corners of a circle.
const ROUND: usize = 48;

/// Lines that show a point.
enum Mark {
    /// A straight rod laid over two places.
    Rod(Point, Point),
    /// A plumb line through a place, down to the table.
    Plumb(Point),
    /// A level line through a place.
    Level(Point),
    /// A measure from one place to another, with its ends.
    Measure(Point, Point),
    /// A circle.
    Circle(Point, f64),
}

pub(super) struct PointMarks<'a> {
    pub(super) painter: &'a mut Painter,
    pub(super) scene: &'a Scene<'a>,
    pub(super) dog: &'a BothSides<'a>,
}

impl PointMarks<'_> {
    pub(super) fn mark(mut self) {
        let Some(judged) = self.scene.point else {
            return;
        };
        let marks = match self.painter.view {
            View::Side => self.side(judged),
            View::Front => self.on_end(judged, Leg::Fore),
            View::Rear => self.on_end(judged, Leg::Hind),
            View::Top => self.top(judged),
        };
        for mark in marks {
            self.draw(&mark);
        }
    }

    fn side(&self, judged: J) -> Vec<Mark> {
        let dressing = dressing_of(self.scene);
        let edge = CoatEdge::new(&self.dog.shape, &dressing);
        let at = |s: S| edge.at(s);
        let level = |from: S, to: S| Mark::Measure(at(from), Point::new(at(to).x, at(from).y));
        let upright = |low: Point, high: Point| Mark::Measure(Point::new(high.x, low.y), high);
        let rod = |a: S, b: S| Mark::Rod(at(a), at(b));
        let on_table = |p: Point| Point::new(p.x, 0.0);
        let plumb = |s: S| Mark::Plumb(at(s));
        match judged {
            J::BodyRatio => vec![
                plumb(S::Breastbone),
                plumb(S::PinBone),
                upright(on_table(at(S::Withers)), at(S::Withers)),
            ],
            J::GapRatio => vec![level(S::ForearmBack, S::Stifle)],
            J::GapUnderFlank => vec![level(S::ElbowLow, S::ThighFront)],
            J::LegShare => vec![upright(on_table(at(S::Brisket)), at(S::Brisket))],
            J::Topline => vec![rod(S::Withers, S::HipCrest)],
            J::Slope => vec![rod(S::Withers, S::HipCrest), Mark::Level(at(S::HipCrest))],
            J::CroupDrop => vec![Mark::Level(at(S::HipCrest)), Mark::Level(at(S::TailSet))],
            J::CroupFill => vec![rod(S::HipCrest, S::TailSet)],
            J::UnderlineRise => vec![Mark::Level(at(S::Brisket)), Mark::Level(at(S::LastRib))],
            J::UnderlineSteady => vec![rod(S::Brisket, S::LastRib)],
            J::FlankFill => vec![rod(S::LastRib, S::FlankFold)],
            J::NeckDepth => vec![Mark::Measure(
                at(S::CrestMid),
                at(S::ThroatLow).midpoint(at(S::ThroatHigh)),
            )],
            J::CrestJoin => vec![rod(S::Withers, S::Occiput)],
            J::RearAngulation => vec![rod(S::PinBone, S::HockPoint)],
            J::RearSetIn => vec![plumb(S::PinBone), plumb(S::Bend)],
            J::RearDrop => vec![rod(S::PinBone, S::Bend)],
            J::Rearmost => vec![plumb(S::PinBone)],
            J::Foremost => vec![plumb(S::Breastbone)],
            J::FrontColumn => vec![plumb(S::ForearmBack), plumb(S::ForearmFront)],
            J::ColumnShare => vec![level(S::ForearmFront, S::ForearmBack)],
            J::Toe => vec![plumb(S::ForearmFront)],
            J::HindColumn => vec![plumb(S::HockPoint)],
            J::ColumnPair => vec![
                level(S::ForearmFront, S::ForearmBack),
                level(S::HockFront, S::HockPoint),
            ],
            J::LowerThigh => vec![rod(S::HockFront, S::Stifle)],
            J::KneeFullness => vec![rod(S::GaskinFront, S::FlankFold)],
            J::KneeOpposite => vec![Mark::Level(at(S::Stifle)), Mark::Level(at(S::Bend))],
            J::FlankNeed => vec![Mark::Level(at(S::LastRib)), Mark::Level(at(S::FlankFold))],
            J::Bump => {
                let at = self.shown_at(judged);
                let ring = |p| Mark::Circle(p, BUMP * self.painter.height);
                at.into_iter().map(ring).collect()
            }
            J::LiftOff => self.scene.plan.map_or_else(Vec::new, |plan| {
                let subject = &plan.subject;
                let (elbow, fold) = (at(S::Elbow), at(S::FlankFold));
                vec![
                    Mark::Level(Point::new(elbow.x, shoulder_lift_mm(subject))),
                    Mark::Level(Point::new(fold.x, thigh_lift_mm(subject))),
                ]
            }),
            J::WaistPlace => {
                let rib = Point::new(
                    self.dog.left.length - self.dog.left.last_rib,
                    at(S::LastRib).y,
                );
                vec![Mark::Plumb(rib), plumb(S::LastRib)]
            }
            J::TailEven => {
                let edges = self.tail(&dressing);
                let middle = edges.bone.len() / 2;
                match &edges.sides[..] {
                    [over, under] => vec![Mark::Measure(over[middle], under[middle])],
                    [outer] => vec![Mark::Measure(edges.bone[middle], outer[middle])],
                    _ => Vec::new(),
                }
            }
            J::TailBehind => {
                let rear = self.dog.shape.skin(S::PinBone).x;
                vec![Mark::Plumb(Point::new(rear, at(S::TailSet).y))]
            }
            J::HeadSize | J::NoseLongest | J::EarEnd | J::EarOverShoulder | J::EyeOpen => {
                let head = head_edges(&self.dog.shape, self.dog.left, &dressing);
                let end = head.ear_end.unwrap_or(head.under_beard);
                match judged {
                    J::HeadSize => vec![Mark::Level(head.top), Mark::Level(head.under_beard)],
                    J::NoseLongest => vec![Mark::Plumb(head.foremost)],
                    J::EyeOpen => vec![Mark::Circle(head.eye, EYE * self.painter.height)],
                    J::EarEnd => vec![Mark::Level(head.under_beard), Mark::Level(end)],
                    _ => vec![
                        Mark::Level(end),
                        Mark::Level(self.dog.shape.point_of_shoulder),
                    ],
                }
            }
            _ => Vec::new(),
        }
    }

    fn tail(&self, dressing: &Dressing) -> TailEdges {
        tail_edges(self.dog.left, dressing, self.dog.shape.skin(S::TailSet))
    }

    /// Where the report has a point.
    fn shown_at(&self, judged: J) -> Option<Point> {
        let mut rows = self.scene.report?.balance.iter();
        let [x, y] = rows.find(|r| r.judged == judged)?.at_mm;
        Some(Point::new(x, y))
    }

    fn on_end(&self, judged: J, leg: Leg) -> Vec<Mark> {
        let dressing = dressing_of(self.scene);
        let edge = |hand, face, step| {
            let place = LegPlace {
                leg,
                hand,
                face,
                step,
            };
            leg_edge(self.dog, &dressing, place)
        };
        let middle = |hand, face| {
            let points = (1..FACE_STATIONS).map(|step| edge(hand, face, step));
            let x = points.map(|p| p.x).sum::<f64>() / (FACE_STATIONS - 1) as f64;
            Point::new(x, edge(hand, face, 1).y)
        };
        let plumbs = |faces: &[Face]| -> Vec<Mark> {
            let of = |hand| faces.iter().map(move |f| Mark::Plumb(middle(hand, *f)));
            Hand::ALL.into_iter().flat_map(of).collect()
        };
        let b = self.dog.left;
        let beside = |half: f64, y: f64| {
            vec![
                Mark::Plumb(Point::new(half, y)),
                Mark::Plumb(Point::new(-half, y)),
            ]
        };
        match (judged, leg) {
            (J::FrontEdges, Leg::Fore) | (J::RearEdges, Leg::Hind) => plumbs(&Face::BOTH),
            (J::FrontFlush | J::FrontOver, Leg::Fore) => {
                beside(0.5 * b.shoulder_width, b.point_of_shoulder().y)
            }
            (J::Widest, Leg::Hind) => beside(0.5 * b.thigh_width, b.pin),
            (J::Daylight, _) => vec![Mark::Measure(
                middle(Hand::Left, Face::Inner),
                middle(Hand::Right, Face::Inner),
            )],
            (J::Mirror, _) => vec![Mark::Plumb(Point::new(0.0, b.elbow))],
            (J::ColumnSquare, Leg::Fore) => vec![Mark::Measure(
                middle(Hand::Left, Face::Outer),
                middle(Hand::Left, Face::Inner),
            )],
            (J::Bevel, Leg::Fore) => plumbs(&Face::BOTH),
            (J::HeadRound, Leg::Fore) => {
                let head = head_edges(&self.dog.shape, b, &dressing);
                let (top, low) = (head.top.y, head.under_beard.y);
                let centre = Point::new(0.0, f64::midpoint(top, low));
                vec![Mark::Circle(centre, 0.5 * (top - low))]
            }
            _ => Vec::new(),
        }
    }

    /// From above: a rod along each side.
    fn top(&self, judged: J) -> Vec<Mark> {
        let b = self.dog.left;
        let x = |s: S| self.dog.shape.skin(s).x;
        let side = |from: (f64, f64), to: (f64, f64)| {
            [1.0, -1.0]
                .map(|sign| {
                    let at = |(x, half): (f64, f64)| Point::new(x, sign * half);
                    Mark::Rod(at(from), at(to))
                })
                .into()
        };
        let shoulder = (x(S::Withers), 0.5 * b.shoulder_width);
        let hip = (x(S::HipCrest), 0.5 * b.hip_width);
        let rib = (b.length - b.last_rib, 0.5 * b.rib_width);
        match judged {
            J::ShoulderIntoRibs => side(shoulder, rib),
            J::RibsNotFlat => side(shoulder, hip),
            J::LoinNotHollow => side(rib, hip),
            _ => Vec::new(),
        }
    }

    fn draw(&mut self, mark: &Mark) {
        let h = self.painter.height;
        match mark {
            Mark::Rod(a, b) => {
                let along = (*b - *a) / a.distance(*b).max(1e-6) * (OVERHANG * h);
                self.line(&[*a - along, *b + along]);
            }
            Mark::Plumb(p) => {
                self.line(&[Point::new(p.x, p.y + OVERHANG * h), Point::new(p.x, 0.0)]);
            }
            Mark::Level(p) => {
                let reach = Vec2::new(2.0 * OVERHANG * h, 0.0);
                self.line(&[*p - reach, *p + reach]);
            }
            Mark::Measure(a, b) => {
                let along = (*b - *a) / a.distance(*b).max(1e-6);
                let across = Vec2::new(-along.y, along.x) * (END * h);
                self.line(&[*a, *b]);
                for end in [*a, *b] {
                    self.line(&[end - across, end + across]);
                }
            }
            Mark::Circle(centre, radius) => {
                let corner = |i: usize| {
                    let turn = std::f64::consts::TAU * i as f64 / ROUND as f64;
                    *centre + Vec2::from_angle(turn) * *radius
                };
                let round: Vec<Point> = (0..=ROUND).map(corner).collect();
                self.line(&round);
            }
        }
    }

    fn line(&mut self, points: &[Point]) {
        let points_mm = self
            .painter
            .on_page(points)
            .iter()
            .flat_map(|p| [tenth(p.x), tenth(p.y)])
            .collect();
        self.painter.shapes.push(Shape {
            role: Role::PointMark,
            geometry: Geometry::Line {
                points_mm,
                width_mm: WEIGHT * self.painter.height,
            },
            tag: None,
        });
    }
}
