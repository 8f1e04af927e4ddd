use kurbo::{Point, Vec2};

use super::curve::{SAMPLES, closed, open, rounded};
use super::edge::{CoatEdge, Dressing, Hem};
use super::piece::{Piece, PieceKind, Stroke};
use super::side::SideShape;
use super::station::{Cover, Station, stretch};
use crate::coat::Zone;
use crate::frame::Build;

/// Which leg.
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
pub(super) enum Leg {
    Fore,
    Hind,
}

/// Where far legs stand, share of the height (dog-shape.md 5).
const FAR_FORE: Vec2 = Vec2::new(0.050, 0.012);
const FAR_HIND: Vec2 = Vec2::new(0.075, 0.012);
/// The far front leg's hidden front end is pulled back so that it stays hidden.
const FAR_FORE_PULL: f64 = 0.10;
/// Room between the nails and the hem ring, mm (dog-shape.md 9; does not scale).
pub(super) const NAIL_ROOM_MM: f64 = 2.0;
/// Bevel angle over the table, degrees (handbook 4, common practice).
const BEVEL_DEG: f64 = 45.0;
/// A bevel rises at most this share of the way to the last edge point (dog-shape.md 9).
const BEVEL_CAP: f64 = 0.82;

struct LegStations {
    down: Vec<Station>,
    foot: &'static [Station],
    up: &'static [Station],
    heel: Station,
    toe: Station,
    stroke_from: Station,
    stroke_to: Station,
}

fn stations(leg: Leg) -> LegStations {
    match leg {
        Leg::Hind => {
            let mut down = vec![Station::HaunchIn, Station::TailIn];
            down.extend(stretch(Station::UnderTail, Station::RearPastern));
            LegStations {
                down,
                foot: stretch(Station::HindHeel, Station::HindInstep),
                up: stretch(Station::RearPasternFront, Station::FlankIn2),
                heel: Station::HindHeel,
                toe: Station::HindToe,
                stroke_from: Station::PinBone,
                stroke_to: Station::FlankIn,
            }
        }
        Leg::Fore => LegStations {
            down: stretch(Station::ForeInTop, Station::WristBack).to_vec(),
            foot: stretch(Station::PasternBack, Station::PasternFront),
            up: stretch(Station::WristFront, Station::ForeInFront),
            heel: Station::ForeHeel,
            toe: Station::ForeToe,
            stroke_from: Station::Elbow,
            stroke_to: Station::ArmIn,
        },
    }
}

fn place_of(list: &[Station], station: Station) -> usize {
    list.iter().position(|s| *s == station).unwrap_or(0)
}

/// The pieces of one leg: the foot first, then the leg over it.
pub(super) fn leg_pieces(
    leg: Leg,
    is_far: bool,
    shape: &SideShape,
    build: &Build,
    dressing: &Dressing,
    edge: &CoatEdge,
) -> Vec<Piece> {
    let h = build.height;
    let parts = stations(leg);
    let shift = match (is_far, leg) {
        (false, _) => Vec2::ZERO,
        (true, Leg::Fore) => FAR_FORE * h,
        (true, Leg::Hind) => FAR_HIND * h,
    };
    let at = |station: Station| {
        let pull = if is_far && matches!(station, Station::ArmIn | Station::ForeInFront) {
            FAR_FORE_PULL * h
        } else {
            0.0
        };
        edge.at(station) + shift - Vec2::new(pull, 0.0)
    };
    let kind = match leg {
        Leg::Fore => PieceKind::ForeLeg,
        Leg::Hind => PieceKind::HindLeg,
    };
    let toes = if is_far {
        Vec::new()
    } else {
        toe_lines(leg, shape, build)
    };
    let ends = (leg == Leg::Fore, true);
    let Some(hem) = dressing.hem else {
        let names: Vec<Station> = parts
            .down
            .iter()
            .chain(parts.foot)
            .chain(parts.up)
            .copied()
            .collect();
        let outline = closed(&names.iter().map(|s| at(*s)).collect::<Vec<_>>(), SAMPLES);
        let (from, to) = (
            place_of(&names, parts.stroke_from) * SAMPLES,
            place_of(&names, parts.stroke_to) * SAMPLES,
        );
        let mut strokes = vec![Stroke::tapered(outline[from..=to].to_vec(), 1.0, ends)];
        strokes.extend(toes);
        return vec![Piece {
            kind,
            outline,
            strokes,
            is_far,
        }];
    };

    let bare = |station: Station| shape.skin(station) + shift;
    let mut foot: Vec<Point> = vec![bare(*parts.down.last().unwrap_or(&parts.heel))];
    foot.extend(parts.foot.iter().map(|s| match s.cover() {
        Cover::Coat(Zone::Foot) => at(*s),
        _ => bare(*s),
    }));
    foot.push(bare(parts.up[0]));
    let mut ring = foot.clone();
    ring.push(foot[0].midpoint(foot[foot.len() - 1]) + Vec2::new(0.0, 0.03 * h));
    let mut foot_strokes = vec![Stroke::plain(open(&foot, SAMPLES), 0.5)];
    foot_strokes.extend(toes);
    let foot = Piece {
        kind: PieceKind::Foot,
        outline: closed(&ring, SAMPLES),
        strokes: foot_strokes,
        is_far,
    };

    let joint = match leg {
        Leg::Fore => build.elbow,
        Leg::Hind => build.stifle,
    };
    let column = Column {
        down: parts.down.iter().map(|s| at(*s)).collect(),
        up: parts.up.iter().map(|s| at(*s)).collect(),
        ring: (
            bare(parts.heel).x - NAIL_ROOM_MM,
            bare(parts.toe).x + NAIL_ROOM_MM,
        ),
        hem_y: hem.height + shift.y,
        joint_y: joint + shift.y,
        hem,
    };
    let (outline, stroke) = column.outline(
        place_of(&parts.down, parts.stroke_from),
        place_of(parts.up, parts.stroke_to),
    );
    vec![
        foot,
        Piece {
            kind,
            outline,
            strokes: vec![Stroke::tapered(stroke, 1.0, ends)],
            is_far,
        },
    ]
}

/// A leg whose lower end does not follow the skin but hangs plumb to a hem (dog-shape.md 9).
pub(super) struct Column {
    /// Edge points down the side of smaller x.
    pub down: Vec<Point>,
    /// Edge points up the side of larger x.
    pub up: Vec<Point>,
    /// x of the hem ring on both sides.
    pub ring: (f64, f64),
    /// Height of the hem ring.
    pub hem_y: f64,
    /// Height from which a flare begins.
    pub joint_y: f64,
    /// How it ends.
    pub hem: Hem,
}

impl Column {
    /// The outline, and its ink from one station of `down` to one of `up`.
    pub(super) fn outline(self, stroke_from: usize, stroke_to: usize) -> (Vec<Point>, Vec<Point>) {
        let Self {
            down,
            up,
            ring,
            hem_y,
            joint_y,
            hem,
        } = self;
        let g = |y: f64| {
            ((joint_y - y) / (joint_y - hem_y).max(1e-6))
                .clamp(0.0, 1.0)
                .powi(2)
        };
        let mut down: Vec<Point> = down
            .into_iter()
            .map(|p| p - Vec2::new(hem.flare_back * g(p.y), 0.0))
            .collect();
        let up: Vec<Point> = up
            .into_iter()
            .map(|p| p + Vec2::new(hem.flare_front * g(p.y), 0.0))
            .collect();
        let (Some(&last_down), Some(&first_up)) = (down.last(), up.first()) else {
            return (Vec::new(), Vec::new());
        };
        let outer_back = last_down.x - hem.flare_back * (1.0 - g(last_down.y)) * 0.8;
        let outer_front = first_up.x + hem.flare_front * (1.0 - g(first_up.y)) * 0.8;
        let inner_back = ring.0.min(outer_back + hem.bevel);
        let inner_front = ring.1.max(outer_front - hem.bevel);
        let slope = BEVEL_DEG.to_radians().tan();
        let rise = |overhang: f64, last: Point| {
            (hem_y + overhang.max(0.0) * slope).min(hem_y + BEVEL_CAP * (last.y - hem_y))
        };
        let y_back = rise(inner_back - outer_back, last_down);
        let y_front = rise(outer_front - inner_front, first_up);

        down.push(Point::new(outer_back, y_back));
        let mut rising = vec![Point::new(outer_front, y_front)];
        rising.extend(up);
        let (p1, p2) = (open(&down, SAMPLES), open(&rising, SAMPLES));
        let mut corners = vec![p1[p1.len() - 4], Point::new(outer_back, y_back)];
        if outer_back < inner_back - 1.0 {
            corners.push(Point::new(inner_back, hem_y));
        }
        if outer_front > inner_front + 1.0 {
            corners.push(Point::new(inner_front, hem_y));
        }
        corners.push(Point::new(outer_front, y_front));
        corners.push(p2[3]);
        let hem_line = rounded(&corners, hem.round);
        let head = &p1[..p1.len() - 4];
        let outline = [head, &hem_line, &p2[4..]].concat();
        let stroke = [
            &head[stroke_from * SAMPLES..],
            &hem_line,
            &p2[4..=(stroke_to + 1) * SAMPLES],
        ]
        .concat();
        (outline, stroke)
    }
}

fn toe_lines(leg: Leg, shape: &SideShape, build: &Build) -> Vec<Stroke> {
    let (toe, top) = match leg {
        Leg::Fore => (Station::ForeToe, Station::ForeToeTop),
        Leg::Hind => (Station::HindToe, Station::HindToeTop),
    };
    let (x, height, fl) = (shape.skin(toe).x, shape.skin(top).y, build.foot_length);
    [(0.17, 0.74), (0.40, 0.84)]
        .into_iter()
        .map(|(back, up)| {
            let line = [
                Point::new(x - back * fl, 0.02 * height),
                Point::new(x - (back + 0.035) * fl, 0.42 * height),
                Point::new(x - (back + 0.13) * fl, up * height),
            ];
            Stroke::tapered(open(&line, 6), 0.4, (false, true))
        })
        .collect()
}
