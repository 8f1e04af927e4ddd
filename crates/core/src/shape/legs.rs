use kurbo::{Point, Vec2};

use super::curve::{SAMPLES, closed, open};
use super::edge::{CoatEdge, Dressing};
use super::finish::HemShape;
use super::head::MARKED;
use super::hem::{Column, OverFoot};
use super::leg_place::Leg;
use super::piece::{HairAt, Piece, PieceKind, Stroke};
use super::polyline::{Inside, faded};
use super::side::SideShape;
use super::station::{Cover, Station, stretch};
use crate::coat::Zone;
use crate::frame::Build;

/// Where far legs stand, share of the height (dog-shape.md 5).
const FAR_FORE: Vec2 = Vec2::new(0.050, 0.012);
const FAR_HIND: Vec2 = Vec2::new(0.075, 0.012);
/// The far front leg's hidden front end is pulled back so that it stays hidden.
const FAR_FORE_PULL: f64 = 0.10;

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
            stroke_from: Station::ForeInBack,
            stroke_to: Station::ArmIn,
        },
    }
}

fn place_of(list: &[Station], station: Station) -> usize {
    list.iter().position(|s| *s == station).unwrap_or(0)
}

/// The pieces of one leg: a bare foot first, then the leg over it; its upper end runs out inside the
/// body, where one is given.
pub(super) fn leg_pieces(
    leg: Leg,
    is_far: bool,
    shape: &SideShape,
    build: &Build,
    dressing: &Dressing,
    edge: &CoatEdge,
    body: Option<&Inside>,
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
    let is_long = parts.down.iter().any(|s| {
        dressing.lengths[s.index()] >= MARKED * h
            && matches!(s.cover(), Cover::Coat(z) if z.is_leg())
    });
    let hair = is_long.then_some(HairAt::Leg);
    let ink = |points: Vec<Point>| match body {
        // The hind leg begins where the topline ends.
        Some(body) => faded(&points, body, RUN_OUT * h, (leg == Leg::Fore, true)),
        None => Stroke::plain(points, 1.0),
    };
    let bare = |station: Station| shape.skin(station) + shift;
    let hem = match dressing.hem {
        Some(hem) if hem.shape != HemShape::Bare => hem,
        _ => {
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
            let mut strokes = vec![ink(outline[from..=to].to_vec()).with_hair(hair)];
            strokes.extend(toes);
            return vec![Piece {
                kind,
                outline,
                strokes,
                is_far,
            }];
        }
    };
    let last = *parts.down.last().unwrap_or(&parts.heel);
    let arch = match leg {
        Leg::Fore => Station::ForeToeJoint,
        Leg::Hind => Station::HindToeJoint,
    };
    let toe_hair = (edge.at(parts.toe) - shape.skin(parts.toe)).hypot();
    let mut pieces = Vec::new();
    if hem.shape == HemShape::Clean {
        let mut foot = vec![bare(last)];
        foot.extend(parts.foot.iter().map(|s| match s.cover() {
            Cover::Coat(Zone::Foot) => at(*s),
            _ => bare(*s),
        }));
        foot.push(bare(parts.up[0]));
        let mut ring = foot.clone();
        ring.push(foot[0].midpoint(foot[foot.len() - 1]) + Vec2::new(0.0, 0.03 * h));
        let mut strokes = vec![Stroke::plain(open(&foot, SAMPLES), 0.8)];
        strokes.extend(toes);
        pieces.push(Piece {
            kind: PieceKind::Foot,
            outline: closed(&ring, SAMPLES),
            strokes,
            is_far,
        });
    }
    let column = Column {
        down: parts.down.iter().map(|s| at(*s)).collect(),
        up: parts.up.iter().map(|s| at(*s)).collect(),
        over: OverFoot {
            foot: (bare(parts.heel).x, bare(parts.toe).x),
            pastern: (bare(last).x.min(bare(parts.foot[0]).x), bare(parts.up[0]).x),
            arch: shape.skin(arch).y / ARCH_IN_FOOT,
            hair: toe_hair,
            ground: shift.y,
        },
        hem,
        joint_y: shift.y
            + match leg {
                Leg::Fore => build.elbow,
                Leg::Hind => build.stifle,
            },
        height: h,
    };
    let ended = column.ended(
        place_of(&parts.down, parts.stroke_from),
        place_of(parts.up, parts.stroke_to),
    );
    let Some(ended) = ended else {
        return pieces;
    };
    let mut strokes = vec![ink(ended.ink).with_hair(hair)];
    strokes.extend(ended.turned.filter(|_| !is_far));
    pieces.push(Piece {
        kind,
        outline: ended.outline,
        strokes,
        is_far,
    });
    pieces
}

/// How far inside the body a leg's upper line runs out, share of the height (dog-shape-2.md 6).
const RUN_OUT: f64 = 0.085;
/// The toe joint's share of the height of the foot (dog-shape-2.md 1).
const ARCH_IN_FOOT: f64 = 0.95;

/// Two curved lines between the toes and three nails (dog-shape-2.md 1): places along the foot, back
/// from its toe.
const TOES: [(f64, f64, f64); 2] = [(0.20, 0.70, 0.34), (0.42, 0.82, 0.56)];
const NAILS: [f64; 3] = [0.0, 0.20, 0.41];

fn toe_lines(leg: Leg, shape: &SideShape, build: &Build) -> Vec<Stroke> {
    let (toe, joint) = match leg {
        Leg::Fore => (Station::ForeToe, Station::ForeToeJoint),
        Leg::Hind => (Station::HindToe, Station::HindToeJoint),
    };
    let (x, arch) = (shape.skin(toe).x, shape.skin(joint).y);
    let (fl, h) = (build.foot_length, build.height);
    let toes = TOES.map(|(low, high, up)| {
        let line = [
            Point::new(x - low * fl, 0.02 * arch),
            Point::new(x - (low - 0.02) * fl, 0.36 * arch),
            Point::new(x - up * fl, high * arch),
        ];
        Stroke::running_out(open(&line, 6), 0.42, 0.0, 0.3 * arch)
    });
    let nails = NAILS.map(|back| {
        let line = vec![
            Point::new(x - back * fl - 0.004 * h, 0.17 * arch),
            Point::new(x - back * fl + 0.006 * h, 0.03 * arch),
        ];
        Stroke::plain(line, 0.55)
    });
    toes.into_iter().chain(nails).collect()
}
